import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import type { Piece } from '#core/piece'
import { lotOf } from '#core/stock'
import { layerOf, pieceWith } from '#core/testing'
import { db } from '~/db'
import { savePiece } from '~/commands/pieces'
import { useReserving } from './stock-reservations'

vi.mock('~/workers/workings', async () => {
  const { inBrief } = await import('#core/workings')
  const { shelf } = await import('#core/testing')
  return { askBriefs: (pieces: Piece[]) => Promise.resolve(pieces.map((piece) => ({ ok: true, ...inBrief(piece, shelf) }))) }
})
vi.mock('~/workers/plan', () => ({ planInHand: vi.fn() }))

const ring = (stage: Piece['stage'], count: number): Piece => ({
  ...pieceWith([layerOf('a', 'ivy', { kind: 'compass', count, start: 0 })]),
  id: 'ring',
  stage,
})
const ofRing = async (): Promise<number> =>
  (await db().lots.toArray()).reduce((n, { reserved, things }) => n + (reserved?.piece === 'ring' ? things! : 0), 0)
const put = async (piece: Piece): Promise<void> => {
  const now = await db().pieces.get(piece.id)
  expect(await savePiece(db(), piece, now?.revision ?? 0, 1)).toMatchObject({ ok: true })
}

beforeEach(() => {
  setActivePinia(createPinia())
})

it('keeps for a piece from gathering on, as it changes, and gives back when it is planned again', async () => {
  await db().lots.bulkPut([lotOf('ivy', 'ivy', { things: 40 })])
  await put(ring('planned', 10))
  useReserving()
  await new Promise((resolve) => setTimeout(resolve, 900))
  expect(await ofRing()).toBe(0)
  await put(ring('gathering', 10))
  // Ten, and one that breaks.
  await vi.waitFor(async () => expect(await ofRing()).toBe(11))
  await put(ring('making', 20))
  await vi.waitFor(async () => expect(await ofRing()).toBe(22))
  // What more comes into the house serves it as well.
  await put(ring('making', 50))
  await vi.waitFor(async () => expect(await ofRing()).toBe(40))
  await db().lots.add(lotOf('more', 'ivy', { things: 30 }))
  await vi.waitFor(async () => expect(await ofRing()).toBe(55))
  // What hangs has the fifty in it; those that were kept for spare are the house's again.
  await put(ring('hung', 50))
  await vi.waitFor(async () => expect(await ofRing()).toBe(50))
  await put(ring('planned', 50))
  await vi.waitFor(async () => expect(await ofRing()).toBe(0))
  expect((await db().lots.toArray()).reduce((n, { things }) => n + things!, 0)).toBe(70)
}, 30_000)
