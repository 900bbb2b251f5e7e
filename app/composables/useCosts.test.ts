import 'fake-indexeddb/auto'
import { createPinia, disposePinia, getActivePinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import type { Costs } from '#core/piece-costs'
import { costsOf } from '#core/piece-costs'
import type { Piece } from '#core/piece'
import type { Pricing } from '#core/price'
import { layerOf, pieceWith } from '#core/testing'
import { work } from '#core/workings'
import type { OnBench } from '#core/workroom'
import { onBench } from '#core/workroom'
import { db } from '~/db'
import { savePiece } from '~/commands/pieces'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useCosts } from './useCosts'

const { ask } = vi.hoisted(() => ({ ask: vi.fn<(piece: Piece, workings: OnBench, pricing: Pricing) => Promise<Costs>>() }))
vi.mock('~/workers/workings', () => ({
  breakOff: () => {},
  askNewestFirst: (answer: (workings: OnBench, of: Piece) => void) => (of: Piece, pricing: Pricing) =>
    answer(onBench(work(of, pricing.shelf), of, pricing), of),
  askCosts: ask,
}))

const piece = pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 9, start: 0 })])
const soon = (): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, 200))

beforeEach(async () => {
  vi.stubGlobal('localStorage', { length: 0, key: () => null, getItem: () => null, setItem: () => {}, removeItem: () => {} })
  setActivePinia(createPinia())
  await Promise.all(db().tables.map((table) => table.clear()))
  await savePiece(db(), piece, 0, 1)
  ask.mockReset()
  ask.mockImplementation((of, workings, pricing) => Promise.resolve(costsOf(of, workings, pricing)))
})
afterEach(async () => {
  await useBench().close()
  disposePinia(getActivePinia()!)
  vi.unstubAllGlobals()
})
async function begin(looks = true) {
  const bench = useBench()
  await bench.open(piece.id)
  await vi.waitFor(() => expect(bench.workings).not.toBeNull())
  const looking = ref(looks)
  const scope = effectScope()
  const costs = scope.run(() => useCosts(() => looking.value))!
  return { bench, looking, costs, scope }
}

it('asks nothing while nobody looks, and judges the piece as soon as somebody does', async () => {
  const { looking, costs, scope } = await begin(false)
  await soon()
  expect([ask.mock.calls.length, costs.value]).toEqual([0, null])
  looking.value = true
  await vi.waitFor(() => expect(costs.value?.deals).toBeDefined())
  scope.stop()
})
it('judges anew what was changed, once for several edits in a row', async () => {
  const { bench, costs, scope } = await begin()
  await vi.waitFor(() => expect(costs.value).not.toBeNull())
  const before = ask.mock.calls.length
  for (const copies of [2, 3, 4]) {
    bench.apply({ do: 'brief', set: { copies } }, 'copies')
    await nextTick()
  }
  await vi.waitFor(() => expect(ask.mock.calls.length).toBe(before + 1))
  await soon()
  expect(ask.mock.calls.length).toBe(before + 1)
  expect(ask.mock.calls.at(-1)![0].brief.copies).toBe(4)
  scope.stop()
})
it('keeps the newest answer, whichever comes last', async () => {
  const answers: ((of: Costs) => void)[] = []
  ask.mockImplementation(() => new Promise((resolve) => answers.push(resolve)))
  const { bench, costs, scope } = await begin()
  await vi.waitFor(() => expect(answers).toHaveLength(1))
  bench.apply({ do: 'brief', set: { copies: 2 } }, 'copies')
  await vi.waitFor(() => expect(answers).toHaveLength(2))
  const [old, fresh] = [{ deals: ['old'] }, { deals: ['fresh'] }] as unknown as [Costs, Costs]
  answers[1]!(fresh)
  await vi.waitFor(() => expect(costs.value).toEqual(fresh))
  answers[0]!(old)
  await soon()
  expect(costs.value).toEqual(fresh)
  scope.stop()
})
it('says so when it cannot be judged', async () => {
  ask.mockImplementation(() => Promise.reject(new Error('the worker is gone')))
  const { costs, scope } = await begin()
  await vi.waitFor(() => expect(useNotices().shown.map(({ title }) => title)).toEqual(['What it costs could not be judged']))
  expect(costs.value).toBeNull()
  scope.stop()
})
