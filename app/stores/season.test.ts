import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import type { Piece } from '#core/piece'
import { startKit } from '#core/season'
import type { SeasonJob } from '#core/season'
import { layerOf, pieceWith } from '#core/testing'
import { db } from '~/db'
import { savePiece } from '~/commands/pieces'
import { useSeason } from './season'
import { useShops } from './shops'
import { useWorkroom } from './workroom'

vi.mock('~/utils/shops-api', async (original) => ({ ...(await original<object>()), askNames: () => Promise.resolve([]) }))
vi.mock('~/workers/workings', async () => {
  const { inBrief } = await import('#core/workings')
  const { shelf } = await import('#core/testing')
  return { askBriefs: (pieces: Piece[]) => Promise.resolve(pieces.map((piece) => ({ ok: true, ...inBrief(piece, shelf) }))) }
})
vi.mock('~/workers/plan', async () => {
  const { planSeasonSoon, seasonMends } = await import('#core/season')
  return {
    planInHand: vi.fn(() => ({ done: new Promise(() => {}), stop: () => {} })),
    planTheSeason: (job: SeasonJob) => {
      const plan = planSeasonSoon(job)
      return { done: Promise.resolve({ plan, mends: seasonMends(job, plan) }), stop: () => {} }
    },
  }
})

const TODAY = '2026-11-02'
const ring = (id: string, day: string, copies = 1): Piece => {
  const piece = pieceWith([layerOf('a', 'ivy', { kind: 'compass', count: 60, start: 0 })], { brief: { name: id, copies } })
  return { ...piece, id, making: { ...piece.making, day } }
}
async function begin(...pieces: readonly Piece[]) {
  for (const piece of pieces) await savePiece(db(), piece, 0, 1)
  const scope = effectScope()
  const [season, workroom, shops] = [useSeason(), useWorkroom(), useShops()]
  scope.run(() => season.look())
  shops.day = TODAY
  await vi.waitFor(() => expect(season.planned?.plan.pieces.map(({ id }) => id).sort()).toEqual(pieces.map(({ id }) => id).sort()))
  return { season, workroom, scope }
}

beforeEach(async () => {
  setActivePinia(createPinia())
  await Promise.all([
    db().pieces.clear(),
    db().settings.clear(),
    db().kits.clear(),
    db().batches.clear(),
    db().progress.clear(),
    db().needs.clear(),
  ])
})

it('plans what is in hand by its days, and again when something changes', async () => {
  const { season, scope } = await begin(ring('one', '2026-11-09'), ring('two', '2026-11-10'))
  expect(season.planned!.plan.fits).toBe(true)
  await season.pin('two', '2026-11-12')
  await vi.waitFor(() =>
    expect(season.planned!.plan.pieces.find(({ id }) => id === 'two')).toMatchObject({ pinned: '2026-11-12', begins: '2026-11-12' }),
  )
  expect(season.planned!.plan.fits).toBe(false)
  await season.pin('two', null)
  await vi.waitFor(() => expect(season.planned!.plan.fits).toBe(true))
  expect(await season.set(() => ({ to: 'never' as never }))).toBe('That is no day of the calendar.')
  scope.stop()
})

it('leaves out what is done, and knows a class by what its teacher does', async () => {
  const { season, scope } = await begin(ring('kit', '2026-11-20', 6))
  const alone = season.planned!.plan.hands
  await season.keepKit({ ...startKit('k', 'kit', 'Class', 6), day: '2026-11-14' })
  // A class is an order of its own beside the piece, which stays as it is.
  await vi.waitFor(() => expect(season.planned!.plan.pieces.map(({ name }) => name).sort()).toEqual(['Class', 'kit']))
  const of = (id: string) => season.planned!.plan.pieces.find((each) => each.id === id)!
  expect(of('k')).toMatchObject({ due: '2026-11-14' })
  expect(of('kit').hands).toBeCloseTo(alone, 6)
  // Six heads make their own; the teacher prepares, packs and teaches.
  expect(of('k').hands).toBeLessThan(alone)
  expect(season.planned!.plan.sittings.some(({ chore }) => chore.title === 'Class, sitting 1')).toBe(true)
  expect((await db().pieces.get('kit'))!.piece.brief.copies).toBe(6)
  await season.removeKit('k')
  await vi.waitFor(() => expect(season.planned!.plan.pieces.map(({ id }) => id)).toEqual(['kit']))
  scope.stop()
})

it('does what would make it fit: hours on a day, or fewer of a piece', async () => {
  const { season, scope } = await begin(ring('many', '2026-11-03', 6))
  await vi.waitFor(() => expect(season.planned!.plan.fits).toBe(false))
  const before = season.planned!.plan.over
  const hours = season.planned!.mends.find(({ change }) => change.kind === 'hours')!
  await season.mend(hours)
  await vi.waitFor(() => expect(season.planned!.plan.over).toBeCloseTo(hours.over, 6))
  expect(hours.over).toBeLessThan(before)
  const fewer = season.planned!.mends.find(({ change }) => change.kind === 'fewer')
  if (fewer) {
    await season.mend(fewer)
    await vi.waitFor(async () =>
      expect((await db().pieces.get('many'))!.piece.brief.copies).toBe((fewer.change as { copies: number }).copies),
    )
  }
  scope.stop()
})

it('what is in hand has its classes in it, with their substitutes, beside the piece', async () => {
  const { workroom, scope } = await begin(ring('kit', '2026-11-20', 1))
  type Gathered = Awaited<ReturnType<typeof workroom.gather>>
  const ivy = (all: Gathered, material: string): number =>
    all.reduce((n, { needs, copies }) => n + copies * needs.reduce((m, need) => m + (need.material === material ? need.count : 0), 0), 0)
  const plain = ivy(await workroom.gather(workroom.wanting!), 'ivy')
  await db().kits.put({ ...startKit('k', 'kit', 'Class', 4), swaps: [{ kits: [2], from: 'ivy', to: 'bay' }] })
  await vi.waitFor(() => expect(workroom.kits).toHaveLength(1))
  const classes = await workroom.gatherKits()
  expect([ivy(classes, 'ivy'), ivy(classes, 'bay')]).toEqual([plain * 3, plain])
  expect(ivy(await workroom.gather(workroom.wanting!), 'ivy')).toBe(plain)
  scope.stop()
})
