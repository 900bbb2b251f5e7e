import 'fake-indexeddb/auto'
import { createPinia, disposePinia, getActivePinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick } from 'vue'
import type { BasketJob, Shop, Solved } from '#core/price'
import { basketSoon } from '#core/price'
import type { MaterialPlan, Plan } from '#core/workroom'
import { NoAnswer } from '~/utils/http'
import { db } from '~/db'
import { useBasket } from './basket'
import { useShops } from './shops'
import { useWorkroom } from './workroom'

const { solve } = vi.hoisted(() => ({ solve: vi.fn<(job: BasketJob, most: number | null) => Promise<Solved>>() }))
vi.mock('~/utils/basket-api', () => ({ askBasket: solve }))
vi.mock('~/workers/workings', () => ({ askBriefs: vi.fn() }))
vi.mock('~/workers/plan', () => ({ planInHand: vi.fn(), askBasketSoon: (job: BasketJob) => Promise.resolve(basketSoon(job)) }))

const shop = (id: string, price: number, trip: number): Shop => ({
  id,
  name: `Shop ${id}`,
  note: '',
  trip,
  minimum: 0,
  sells: 0,
  offers: [{ material: 'bay', holds: 1, price, reductions: [], stock: null, days: [] }],
})
/** A plan that buys so many. */
const plan = (toBuy: number): Plan => ({ materials: [{ id: 'bay', base: null, toBuy } as unknown as MaterialPlan] }) as unknown as Plan
const at = (id: string, packs: number): Solved =>
  ({ choices: [{ shop: id, offer: 0, packs }], proven: true, floor: 0 }) as unknown as Solved

/** A basket over two shops: near is dearer by the piece, far by its way. */
async function begin(toBuy: number) {
  const [shops, workroom, basket] = [useShops(), useWorkroom(), useBasket()]
  await db().shops.bulkPut([shop('near', 300, 0), shop('far', 200, 900)].map((each) => ({ id: each.id, shop: each, own: true, at: 0 })))
  await vi.waitFor(() => expect(shops.shops).toHaveLength(2))
  shops.$patch({ state: 'answered', day: '2026-11-02' })
  workroom.plan = plan(toBuy)
  const looking = effectScope()
  looking.run(() => basket.look())
  await nextTick()
  return { basket, workroom, shops, looking }
}
beforeEach(async () => {
  setActivePinia(createPinia())
  await Promise.all(db().tables.map((table) => table.clear()))
  solve.mockReset()
})
afterEach(() => disposePinia(getActivePinia()!))

describe('the basket', () => {
  it('asks for nothing while nobody looks', async () => {
    const { looking } = await begin(3)
    looking.stop()
    solve.mockClear()
    useWorkroom().plan = plan(4)
    await nextTick()
    expect(solve).not.toHaveBeenCalled()
  })
  it('wants what the plan is to buy, and nothing of what it has', async () => {
    const { basket, workroom } = await begin(3)
    expect(basket.wants).toEqual([{ material: 'bay', count: 3, base: null }])
    workroom.plan = plan(0)
    expect(basket.wants).toEqual([])
  })
  it('has a good one at once, and takes the best when it is solved', async () => {
    let answer: (of: Solved) => void = () => {}
    solve.mockImplementation(() => new Promise((resolve) => (answer = resolve)))
    const { basket } = await begin(20)
    await vi.waitFor(() => expect(basket.baskets).not.toBeNull())
    expect(basket.state).toBe('solving')
    await vi.waitFor(() => expect(solve).toHaveBeenCalled())
    answer(at('far', 20))
    await vi.waitFor(() => expect(basket.state).toBe('solved'))
    // 20 at 2.00 and 9.00 for the way, against 60.00 nearby.
    expect(basket.baskets!.best.cost).toEqual([4900, 4900])
    expect(basket.baskets!.proven).toBe(true)
  })
  it('never takes one that is worse than what it had', async () => {
    solve.mockImplementation(() => Promise.resolve(at('far', 2)))
    const { basket } = await begin(2)
    await vi.waitFor(() => expect(basket.state).toBe('solved'))
    // 2 at 3.00 nearby, not 4.00 and 9.00 for the way.
    expect(basket.baskets!.best.cost).toEqual([600, 600])
  })
  it('stands by what it worked out itself when the server has no answer, and says why', async () => {
    solve.mockImplementation(() => Promise.reject(new NoAnswer('cannot be reached')))
    const { basket } = await begin(20)
    await vi.waitFor(() => expect(basket.state).toBe('by itself'))
    expect(basket.why).toBe('cannot be reached')
    expect(basket.baskets!.best.cost[1]).toBeLessThanOrEqual(6000)
  })
  it('takes the answer to the newest question, whichever comes last', async () => {
    const answers: ((of: Solved) => void)[] = []
    solve.mockImplementation(() => new Promise((resolve) => answers.push(resolve)))
    const { basket, workroom } = await begin(20)
    await vi.waitFor(() => expect(answers).toHaveLength(1))
    workroom.plan = plan(30)
    await vi.waitFor(() => expect(answers).toHaveLength(2))
    answers[1]!(at('far', 30))
    await vi.waitFor(() => expect(basket.state).toBe('solved'))
    answers[0]!(at('near', 20))
    await new Promise((resolve) => setTimeout(resolve))
    expect(basket.baskets!.best.cost).toEqual([6900, 6900])
  })
  it('is asked for anew when one goes on another day, and not when the same is planned again', async () => {
    solve.mockImplementation((job) => Promise.resolve(at('far', job.wants[0]!.count)))
    const { basket, workroom } = await begin(20)
    await vi.waitFor(() => expect(basket.state).toBe('solved'))
    const before = solve.mock.calls.length
    workroom.plan = plan(20)
    await nextTick()
    expect(solve).toHaveBeenCalledTimes(before)
    basket.on = '2026-11-09'
    await nextTick()
    expect(basket.pricing.day).toBe('2026-11-09')
  })
})
