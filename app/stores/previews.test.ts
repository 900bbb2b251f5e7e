import 'fake-indexeddb/auto'
import { createPinia, disposePinia, getActivePinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { pieceWith } from '#core/testing'
import type { Piece } from '#core/piece'
import { db } from '~/db'
import { savePiece } from '~/commands/pieces'
import { useNotices } from './notices'
import { usePieces } from './pieces'
import { usePreviews } from './previews'

const { paint } = vi.hoisted(() => ({ paint: vi.fn<(piece: Piece) => Promise<object>>() }))
vi.mock('~/workers/previews', () => ({ paintPreview: paint }))

const view = { x: 0, y: 0, scale: 1, width: 540, height: 405 }
const ids = ['a', 'b', 'c']
const piece = (id: string): Piece => ({ ...pieceWith([]), id })
const painted = (): string[] => paint.mock.calls.map(([of]) => of.id)

beforeEach(async () => {
  setActivePinia(createPinia())
  await Promise.all(db().tables.map((table) => table.clear()))
  for (const id of ids) await savePiece(db(), piece(id), 0, 1)
  paint.mockReset()
  paint.mockImplementation((of) => Promise.resolve({ picture: new Blob([of.id]), view }))
})
afterEach(() => {
  for (const id of ids) usePreviews().leave(id)
  disposePinia(getActivePinia()!)
})
async function begin() {
  const pieces = usePieces()
  const previews = usePreviews()
  await vi.waitFor(() => expect(pieces.records).toHaveLength(3))
  return { pieces, previews }
}

it('paints what is in view first, then the rest, each once, and keeps them', async () => {
  const { previews } = await begin()
  await previews.want('c')
  await vi.waitFor(async () => expect(await db().previews.count()).toBe(3))
  expect(painted()[0]).toBe('c')
  expect([...painted()].sort()).toEqual(ids)
  // Only what is in view is shown.
  expect([...previews.shown.keys()]).toEqual(['c'])
  await previews.want('a')
  await vi.waitFor(() => expect(previews.shown.get('a')?.src).toMatch(/^blob:/))
  expect(paint).toHaveBeenCalledTimes(3)
})
it('paints nothing while no card is in view, and goes on when one is', async () => {
  const { previews, pieces } = await begin()
  await previews.want('a')
  await vi.waitFor(() => expect([...painted()].sort()).toEqual(ids))
  previews.leave('a')
  await savePiece(db(), { ...piece('b'), stage: 'hung' }, 1, 2)
  await vi.waitFor(() => expect(pieces.records?.find(({ id }) => id === 'b')?.revision).toBe(2))
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(painted()).toHaveLength(3)
  await previews.want('a')
  await vi.waitFor(() => expect(painted().slice(3)).toEqual(['b']))
})
it('shows at once what is kept, and paints it anew when its piece was changed', async () => {
  const { previews } = await begin()
  await previews.want('a')
  await vi.waitFor(() => expect(previews.shown.has('a')).toBe(true))
  const { key, src } = previews.shown.get('a')!
  const let_go = vi.spyOn(URL, 'revokeObjectURL')
  await savePiece(db(), { ...piece('a'), stage: 'hung' }, 1, 2)
  await vi.waitFor(() => expect(previews.shown.get('a')!.key).not.toBe(key))
  expect(let_go).toHaveBeenCalledWith(src)
  expect(painted().filter((id) => id === 'a')).toHaveLength(2)
})
it('shows what is kept though it was not read yet when painting began: nothing is painted twice', async () => {
  const first = await begin()
  await first.previews.want('a')
  await vi.waitFor(async () => expect(await db().previews.count()).toBe(3))
  disposePinia(getActivePinia()!)
  setActivePinia(createPinia())
  paint.mockClear()
  const { previews } = await begin()
  // Two cards come into view before either is read.
  await Promise.all([previews.want('a'), previews.want('b')])
  await vi.waitFor(() => expect([...previews.shown.keys()].sort()).toEqual(['a', 'b']))
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(paint).not.toHaveBeenCalled()
})
it('tells once what cannot be painted, paints the others, and tries it again when it changed', async () => {
  paint.mockImplementation((of) =>
    of.id === 'b' && of.stage !== 'hung' ? Promise.reject(new Error('no canvas')) : Promise.resolve({ picture: new Blob([]), view }),
  )
  vi.spyOn(console, 'error').mockImplementation(() => {})
  const { previews } = await begin()
  await previews.want('b')
  await vi.waitFor(async () => expect(await db().previews.count()).toBe(2))
  expect(useNotices().shown).toMatchObject([{ severity: 'fault', text: expect.stringContaining('no canvas') }])
  expect(painted().filter((id) => id === 'b')).toHaveLength(1)
  await savePiece(db(), { ...piece('b'), stage: 'hung' }, 1, 2)
  await vi.waitFor(() => expect(previews.shown.has('b')).toBe(true))
})
