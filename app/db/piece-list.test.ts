import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { liveQuery } from 'dexie'
import { startPiece } from '#core/piece'
import { savePiece } from '../commands/pieces'
import { BenchDatabase } from '.'
import { pieceList } from './piece-list'

let db: BenchDatabase
let count = 0
beforeEach(async () => {
  db = new BenchDatabase(`list-${count++}`)
  for (const [i, id] of ['a', 'b', 'c'].entries()) await savePiece(db, startPiece(id, id), 0, 10 + i)
})
afterEach(() => db.delete())
const ids = (all: readonly { readonly id: string }[]): string => all.map(({ id }) => id).join('')

it('has them newest first, and reads only what changed again', async () => {
  const list = pieceList(db)
  const first = await list()
  expect(ids(first)).toBe('cba')
  const get = vi.spyOn(db.pieces, 'bulkGet')
  await savePiece(db, { ...first[2]!.piece, stage: 'hung' }, 1, 20)
  const second = await list()
  expect(ids(second)).toBe('acb')
  expect(second[0]).toMatchObject({ revision: 2, piece: { stage: 'hung' } })
  expect(second[1]).toBe(first[0])
  expect(get.mock.calls).toEqual([[['a']]])
  expect(await list()).toEqual(second)
  expect(get.mock.calls[1]).toEqual([[]])
})
it('knows a piece of the same moment by its revision, one that comes back as it was, and one that is gone', async () => {
  const list = pieceList(db)
  const [newest] = await list()
  await savePiece(db, { ...newest!.piece, stage: 'hung' }, 1, 12)
  expect((await list())[0]!.piece.stage).toBe('hung')
  await db.pieces.put(newest!)
  expect((await list())[0]!.piece.stage).toBe('planned')
  await db.pieces.delete('b')
  expect(ids(await list())).toBe('ca')
})
it('is followed: whoever asks live is told of what another writes', async () => {
  const seen: string[] = []
  const following = liveQuery(pieceList(db)).subscribe((all) => seen.push(all.map(({ id, revision }) => `${id}${revision}`).join(' ')))
  await vi.waitFor(() => expect(seen).toEqual(['c1 b1 a1']))
  await savePiece(db, startPiece('b', 'Changed'), 1, 30)
  await vi.waitFor(() => expect(seen.at(-1)).toBe('b2 c1 a1'))
  following.unsubscribe()
})
