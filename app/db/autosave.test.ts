import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { random } from '#core/measure'
import type { Piece } from '#core/piece'
import { startPiece } from '#core/piece'
import { BenchDatabase } from './index'
import { Keeper } from './autosave'
import { apartFrom, removePiece, savePiece } from '../commands/pieces'

const piece = startPiece('ring', 'Ring')
const named = (of: Piece, occasion: string): Piece => ({ ...of, brief: { ...of.brief, occasion } })
let db: BenchDatabase
let count = 0
beforeEach(() => {
  db = new BenchDatabase(`keeper-${count++}`)
})
afterEach(() => db.delete())

/** A tab: its keeper, what it was told, and every version that another tab's took the place of. */
function tab(record: { readonly piece: Piece; readonly revision: number }) {
  const told: string[] = []
  const keeper = new Keeper(record.piece, record.revision, {
    save: (mine, revision) => savePiece(db, mine, revision, 1),
    rescue: () => true,
    forget() {},
    apart: (mine) => apartFrom(db, mine, () => `apart${count++}`, 'kept from this tab'),
    onState() {},
    onFail(error) {
      throw error
    },
    onRecovered() {},
    onApart(copy, other) {
      told.push(`${other ? 'changed' : 'gone'}: ${copy.brief.name}`)
    },
    quiet: 1,
    longest: 3,
  })
  return { keeper, told }
}
const kept = async (): Promise<string[]> => (await db.pieces.toArray()).map((record) => record.piece.brief.occasion)

it('keeps every version of 100 edits in three tabs at once, and says where', async () => {
  await savePiece(db, piece, 0, 1)
  const { next } = random(11)
  const tabs = [1, 2, 3].map(() => tab({ piece, revision: 1 }))
  for (let i = 0; i < 100; i++) {
    const which = Math.floor(next() * 3)
    const { keeper } = tabs[which]!
    const record = await db.pieces.get(keeper.piece.id)
    if (record && next() < 0.6) keeper.follow(record)
    keeper.put(named(keeper.piece, `${which}:${i}`))
    if (next() < 0.5)
      await new Promise((resolve) => {
        setTimeout(resolve, next() * 4)
      })
  }
  await Promise.all(tabs.map(({ keeper }) => keeper.flush()))
  const there = await kept()
  // Each tab stands on a version of its own that is in the database.
  for (const { keeper } of tabs) expect(there).toContain(keeper.piece.brief.occasion)
  const names = (await db.pieces.toArray()).map((record) => record.piece.brief.name)
  expect(new Set(names).size).toBe(names.length)
  // Whoever was second was told, and what it had goes on under the name that it was told.
  for (const { told } of tabs) for (const line of told) expect(names).toContain(line.replace(/^\w+: /, ''))
})

it('keeps what is typed while a conflict is settled', async () => {
  await savePiece(db, piece, 0, 1)
  const one = tab({ piece, revision: 1 })
  await savePiece(db, named(piece, 'theirs'), 1, 2)
  one.keeper.put(named(piece, 'mine'))
  const flushing = one.keeper.flush()
  for (let i = 0; i < 20; i++) {
    one.keeper.put(named(one.keeper.piece, `mine ${i}`))
    await Promise.resolve()
  }
  await flushing
  await one.keeper.flush()
  expect((await kept()).sort()).toEqual(['mine 19', 'theirs'])
  expect(one.told).toEqual(['changed: Ring (kept from this tab)'])
})

it('goes on as one piece, not one for each save, when another tab threw it away', async () => {
  await savePiece(db, piece, 0, 1)
  const one = tab({ piece, revision: 1 })
  await removePiece(db, 'ring')
  for (let i = 0; i < 5; i++) {
    one.keeper.put(named(one.keeper.piece, `mine ${i}`))
    await one.keeper.flush()
  }
  expect(await kept()).toEqual(['mine 4'])
  expect(one.told).toEqual(['gone: Ring (kept from this tab)'])
})

it('tries again with growing pauses, and the writes after a failure go on', async () => {
  vi.useFakeTimers()
  const tries: number[] = []
  let fails = 3
  const states: string[] = []
  const keeper = new Keeper(piece, 0, {
    save: () => {
      tries.push(Date.now())
      return fails-- > 0 ? Promise.reject(new Error('full')) : Promise.resolve({ ok: true, revision: 1 })
    },
    rescue: () => true,
    forget() {},
    apart: (mine) => Promise.resolve(mine),
    onState: (state) => states.push(state),
    onFail: () => states.push('told'),
    onRecovered: () => states.push('recovered'),
    onApart() {},
    quiet: 10,
    longest: 20,
    pauses: [100, 200, 400],
  })
  keeper.put(named(piece, 'one'))
  await vi.advanceTimersByTimeAsync(5)
  keeper.put(named(piece, 'two'))
  await vi.advanceTimersByTimeAsync(2000)
  expect(tries.map((at, i) => at - (tries[i - 1] ?? at))).toEqual([0, 100, 200, 400])
  expect(states.filter((state) => state === 'told')).toHaveLength(1)
  expect(states.slice(-2)).toEqual(['recovered', 'saved'])
  vi.useRealTimers()
})

it('writes within its longest wait while edits keep coming', async () => {
  vi.useFakeTimers()
  const wrote: string[] = []
  const keeper = new Keeper(piece, 0, {
    save: (mine) => {
      wrote.push(mine.brief.occasion)
      return Promise.resolve({ ok: true, revision: wrote.length })
    },
    rescue: () => true,
    forget() {},
    apart: (mine) => Promise.resolve(mine),
    onState() {},
    onFail() {},
    onRecovered() {},
    onApart() {},
  })
  for (let ms = 0; ms < 1200; ms += 50) {
    keeper.put(named(keeper.piece, String(ms)))
    await vi.advanceTimersByTimeAsync(50)
  }
  // 300 ms after the first edit that waits, again and again.
  expect(wrote.length).toBeGreaterThanOrEqual(3)
  expect(Number(wrote[0])).toBeLessThanOrEqual(300)
  vi.useRealTimers()
})
