import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { BenchDatabase } from '.'
import { isPending, putSoon } from './pending'

const kept = new Map<string, string>()
let db: BenchDatabase
let count = 0
beforeEach(() => {
  kept.clear()
  vi.stubGlobal('localStorage', {
    get length() {
      return kept.size
    },
    key: (i: number) => [...kept.keys()][i] ?? null,
    getItem: (of: string) => kept.get(of) ?? null,
    setItem: (of: string, text: string) => void kept.set(of, text),
    removeItem: (of: string) => void kept.delete(of),
  })
  db = new BenchDatabase(`pending-${count++}`)
})
afterEach(async () => {
  vi.useRealTimers()
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
  await db.delete()
})
const making = (done: readonly string[], revision: number) => ({
  piece: 'ring',
  done,
  counted: {},
  spent: {},
  timers: [],
  at: null,
  revision,
})
const tick = (done: readonly string[], revision: number, failed = (): void => {}) =>
  putSoon(db, { table: 'progress', key: 'ring', record: making(done, revision) }, failed)

it('lies aside from the moment it is put until it is written', async () => {
  const writing = tick(['base'], 1)
  expect([[...kept.keys()].length, isPending('progress', 'ring')]).toEqual([1, true])
  await writing
  expect([kept.size, isPending('progress', 'ring')]).toEqual([0, false])
  expect((await db.progress.get('ring'))!.done).toEqual(['base'])
})
it('is written by the next page where this one went before its write was done', async () => {
  await db.open()
  db.progress.put = vi.fn(() => new Promise<never>(() => {})) as never
  void putSoon(db, { table: 'progress', key: 'left', record: { ...making(['base', 'stems'], 2), piece: 'left' } }, () => {})
  // Another page of this browser, which knows nothing of this one.
  vi.resetModules()
  const { BenchDatabase: Next } = await import('.')
  const next = new Next(db.name)
  expect((await next.progress.get('left'))!.done).toEqual(['base', 'stems'])
  expect(kept.size).toBe(0)
  next.close()
})
it('does not take the place of what came after it', async () => {
  await tick(['base', 'stems', 'bow'], 3)
  kept.set('ruddy-bramble:pending:progress:ring:gone', JSON.stringify({ table: 'progress', key: 'ring', record: making(['base'], 1) }))
  kept.set(
    'ruddy-bramble:pending:settings:currency:gone',
    JSON.stringify({ table: 'settings', key: 'currency', record: { key: 'currency', value: 'EUR' } }),
  )
  kept.set('ruddy-bramble:pending:settings:torn:gone', '{"table":')
  db.close()
  await db.open()
  expect((await db.progress.get('ring'))!.done).toEqual(['base', 'stems', 'bow'])
  expect((await db.settings.get('currency'))!.value).toBe('EUR')
  expect((await db.unread.toArray()).map(({ table, record }) => [table, record])).toEqual([['pending', '{"table":']])
  expect(kept.size).toBe(0)
})
it('of a setting is taken up where nothing newer is there, by when each was put', async () => {
  const left = (key: string, value: string, at?: number): void =>
    void kept.set(`ruddy-bramble:pending:settings:${key}:gone`, JSON.stringify({ table: 'settings', key, record: { key, value, at }, at }))
  await db.settings.bulkPut([
    { key: 'newer', value: 'here', at: 2000 },
    { key: 'older', value: 'here', at: 2000 },
    { key: 'of before', value: 'here' },
    { key: 'removed since', value: 'here', at: 2000 },
  ])
  left('newer', 'left', 1000)
  left('older', 'left', 3000)
  left('of before', 'left', 1)
  left('not there', 'left', 1)
  kept.set(
    'ruddy-bramble:pending:settings:removed since:gone',
    JSON.stringify({ table: 'settings', key: 'removed since', record: null, at: 1000 }),
  )
  db.close()
  await db.open()
  expect((await db.settings.toArray()).map(({ key, value }) => [key, value]).sort()).toEqual([
    ['newer', 'here'],
    ['not there', 'left'],
    ['of before', 'left'],
    ['older', 'left'],
    ['removed since', 'here'],
  ])
})
it('is told once and tried again while it cannot be written; the newest counts', async () => {
  await db.open()
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  const failed = vi.fn()
  let full = true
  const put = vi
    .spyOn(db.progress, 'put')
    .mockImplementation((() => (full ? Promise.reject(new Error('full')) : Promise.resolve('ring'))) as never)
  await tick(['a'], 1, failed)
  await tick(['a', 'b'], 2, failed)
  await vi.advanceTimersByTimeAsync(10_000)
  expect(put.mock.calls.length).toBeGreaterThan(2)
  expect([failed.mock.calls.length, kept.size]).toEqual([1, 1])
  full = false
  await vi.advanceTimersByTimeAsync(40_000)
  expect(put.mock.lastCall![0]).toMatchObject({ done: ['a', 'b'] })
  expect([kept.size, isPending('progress', 'ring')]).toEqual([0, false])
})
it('takes a record away, and works where local storage is blocked', async () => {
  vi.stubGlobal('localStorage', undefined)
  await putSoon(db, { table: 'settings', key: 'k', record: { key: 'k', value: 1 } }, () => {})
  expect((await db.settings.get('k'))!.value).toBe(1)
  await putSoon(db, { table: 'settings', key: 'k', record: null }, () => {})
  expect(await db.settings.count()).toBe(0)
})
