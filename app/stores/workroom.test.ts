import 'fake-indexeddb/auto'
import { createPinia, disposePinia, getActivePinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import type { Piece } from '#core/piece'
import { startKit } from '#core/season'
import { layerOf, pieceWith, shelf } from '#core/testing'
import { inBrief } from '#core/workings'
import type { Plan, PlanProgress, Workroom } from '#core/workroom'
import { planWorkroom } from '#core/workroom'
import { db } from '~/db'
import { readAll, takeAll } from '~/db/backup'
import { removePiece, savePiece } from '~/commands/pieces'
import { useNotices } from './notices'
import { usePieces } from './pieces'
import { useShops } from './shops'
import { useWorkroom } from './workroom'

type Told = (progress: PlanProgress) => void
const { asked, plans, hold } = vi.hoisted(() => ({
  /** The pieces that were worked out, by their names. */
  asked: [] as string[],
  /** Every job of planning, and whether it was stopped. */
  plans: [] as { readonly of: Workroom; readonly told: Told; stopped: boolean }[],
  /** Set, plans are not answered until it is called. */
  hold: { until: null as Promise<void> | null },
}))
vi.mock('~/workers/workings', () => ({
  askBriefs: (pieces: Piece[]) => {
    asked.push(...pieces.map(({ brief }) => brief.name))
    return Promise.resolve(
      pieces.map((piece) => (piece.brief.name === 'Broken' ? { ok: false, error: 'no number' } : { ok: true, ...inBrief(piece, shelf) })),
    )
  },
}))
const planned = (of: Workroom): Plan => {
  const going = planWorkroom(of)
  let next = going.next(false)
  while (!next.done) next = going.next(false)
  return next.value
}
vi.mock('~/workers/plan', () => ({
  planInHand: (of: Workroom, told: Told) => {
    const job = { of, told, stopped: false }
    plans.push(job)
    return {
      done: (hold.until ?? Promise.resolve()).then(() => planned(of)),
      stop: () => {
        job.stopped = true
      },
    }
  },
}))

const ring = (id: string, name = id, copies = 1): Piece => ({
  ...pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 8, start: 0 })], { brief: { name, copies } }),
  id,
})
/** The store with a page that looks at it, once it has planned what is there. */
async function looked(...pieces: readonly Piece[]) {
  for (const piece of pieces) await savePiece(db(), piece, 0, 1)
  const scope = effectScope()
  const [workroom, shops] = [useWorkroom(), useShops()]
  scope.run(() => workroom.look())
  shops.$patch({ state: 'answered', day: '2026-11-02' })
  await vi.waitFor(() => expect(usePieces().records).toHaveLength(pieces.length))
  return { workroom, scope }
}

beforeEach(async () => {
  setActivePinia(createPinia())
  await Promise.all(db().tables.map((table) => table.clear()))
  asked.length = 0
  plans.length = 0
  hold.until = null
})
afterEach(() => disposePinia(getActivePinia()!))

it('plans what is still to be made, and is of now only once all of it is in the plan', async () => {
  const { workroom } = await looked(ring('a', 'A', 2), { ...ring('b', 'B'), stage: 'hung' })
  await vi.waitFor(() => expect(workroom.current).toBe(true))
  expect(workroom.inHand!.map(({ name, copies }) => [name, copies])).toEqual([['A', 2]])
  expect(Object.keys(workroom.plan!.ledgers)).toEqual(['a'])
  expect(workroom.counted).toBe('1 piece')
})
it('plans nothing while no page looks, and while shops are being asked', async () => {
  const { workroom, scope } = await looked(ring('a'))
  await vi.waitFor(() => expect(workroom.current).toBe(true))
  scope.stop()
  const before = plans.length
  await savePiece(db(), ring('b'), 0, 2)
  await vi.waitFor(() => expect(usePieces().records).toHaveLength(2))
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(plans.length).toBe(before)
  useShops().state = 'asking'
  effectScope().run(() => workroom.look())
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(plans.length).toBe(before)
  useShops().state = 'silent'
  await vi.waitFor(() => expect(plans.length).toBeGreaterThan(before))
})
it('works a piece out once: what it needs is kept by what it followed from', async () => {
  const { workroom } = await looked(ring('a'))
  await vi.waitFor(() => expect(workroom.current).toBe(true))
  expect(asked).toEqual(['a'])
  // The next visit finds it in the database.
  disposePinia(getActivePinia()!)
  setActivePinia(createPinia())
  const scope = effectScope()
  const again = useWorkroom()
  scope.run(() => again.look())
  useShops().$patch({ state: 'answered', day: '2026-11-02' })
  await vi.waitFor(() => expect(again.current).toBe(true))
  expect(asked).toEqual(['a'])
  await savePiece(db(), ring('a', 'A changed'), 1, 2)
  await vi.waitFor(() => expect(asked).toEqual(['a', 'A changed']))
})
it('asks for each once, also when two ask at the same time', async () => {
  for (const id of ['a', 'b']) await savePiece(db(), ring(id), 0, 1)
  await vi.waitFor(() => expect(usePieces().records).toHaveLength(2))
  const [all] = await Promise.all([useWorkroom().briefs(usePieces().records!), useWorkroom().briefs(usePieces().records!)])
  expect([...all.keys()].sort()).toEqual(['a', 'b'])
  expect([...asked].sort()).toEqual(['a', 'b'])
})
it('takes nothing of a piece for another that came in its place: by a whole workroom, or thrown away and brought in', async () => {
  const { workroom } = await looked(ring('a'))
  await vi.waitFor(() => expect(workroom.current).toBe(true))
  const whole = await readAll(db())
  const other = {
    ...whole,
    tables: { ...whole.tables, pieces: whole.tables.pieces.map((row) => ({ ...row, piece: ring('a', 'Restored') })) },
  }
  await takeAll(db(), other, 'replace', () => 'new')
  await vi.waitFor(() => expect(asked).toEqual(['a', 'Restored']))
  await removePiece(db(), 'a')
  await savePiece(db(), ring('a', 'From a file'), 0, 9)
  await vi.waitFor(() => expect(asked).toEqual(['a', 'Restored', 'From a file']))
})
it('tells once what cannot be worked out, and plans the rest', async () => {
  const { workroom } = await looked(ring('a'), ring('b', 'Broken'))
  await vi.waitFor(() => expect(workroom.current).toBe(true))
  expect(workroom.inHand!.map(({ id }) => id)).toEqual(['a'])
  useShops().$patch({ day: '2026-11-03' })
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(asked.filter((name) => name === 'Broken')).toHaveLength(1)
  expect(useNotices().shown.map(({ title }) => title)).toEqual(['What “Broken” needs could not be worked out'])
})
it('takes a class as an order of its own beside the piece it makes, also of a piece that hangs', async () => {
  await db().kits.put({ ...startKit('k', 'b', 'Evening', 4), spares: 1 })
  const { workroom } = await looked(ring('a'), { ...ring('b'), stage: 'hung' })
  await vi.waitFor(() => expect(workroom.inHand?.map(({ id }) => id)).toEqual(['a', 'k']))
  await vi.waitFor(() => expect(workroom.current).toBe(true))
  expect([workroom.isClass('k'), workroom.isClass('a'), workroom.counted]).toEqual([true, false, '1 piece and 1 class'])
  // Eight sprigs for each of four heads and a spare kit, beside the eight of the ring.
  const bay = workroom.inHand!.map(({ needs }) =>
    needs.reduce((n, need) => n + (need.of === 'things' && need.material === 'bay' ? need.count : 0), 0),
  )
  expect(bay).toEqual([8, 40])
})
it('follows only the newest order: what is planned for an older one is stopped, and its answer forgotten', async () => {
  let go = (): void => {}
  hold.until = new Promise((resolve) => (go = resolve))
  const { workroom } = await looked(ring('a'))
  await vi.waitFor(() => expect(plans.length).toBeGreaterThan(0))
  const first = plans.at(-1)!
  hold.until = null
  await savePiece(db(), ring('b'), 0, 2)
  await vi.waitFor(() => expect(Object.keys(workroom.plan?.ledgers ?? {}).sort()).toEqual(['a', 'b']))
  expect(first.stopped).toBe(true)
  const told: PlanProgress = { material: 'late' } as PlanProgress
  first.told(told)
  go()
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect([Object.keys(workroom.plan!.ledgers).sort(), workroom.progress]).toEqual([['a', 'b'], null])
})
it('says how far it is while it plans', async () => {
  let go = (): void => {}
  hold.until = new Promise((resolve) => (go = resolve))
  const { workroom } = await looked(ring('a'))
  await vi.waitFor(() => expect(plans.length).toBeGreaterThan(0))
  const told: PlanProgress = { material: 'ribbon', done: 1, of: 2 } as PlanProgress
  plans.at(-1)!.told(told)
  expect(workroom.progress).toEqual(told)
  expect(workroom.current).toBe(false)
  go()
  await vi.waitFor(() => expect([workroom.progress, workroom.current]).toEqual([null, true]))
})
