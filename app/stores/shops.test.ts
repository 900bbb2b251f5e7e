import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Shop } from '#core/price'
import { pricesOf } from '#core/price'
import { CATALOGUE } from '#core/material'
import { LONGEST_ANSWER } from '~/utils/http'
import { PATIENCE } from '~/utils/shops-api'
import { db } from '~/db'
import { useShops } from './shops'
import { useStock } from './stock'

const DAY = '2026-10-20'
const shop = (id: string, price: number): Shop => ({
  id,
  name: `Shop ${id}`,
  note: '',
  trip: 300,
  minimum: 0,
  sells: 0,
  offers: [{ material: 'bay', holds: 8, price, reductions: [], stock: null, days: [] }],
})
const names = { shops: ['a', 'b'].map((id) => ({ id, name: `Shop ${id}`, note: '' })) }
type Answer = () => Response | Promise<Response>
const well =
  (id: string, price: number): Answer =>
  () =>
    Response.json(shop(id, price))
/** Answers by the last part of the address. */
function serve(answers: Record<string, Answer>): void {
  vi.stubGlobal('fetch', (address: string, { signal }: { signal: AbortSignal }) => {
    const [, id] = /^\/api\/shops(?:\/(\w+)\?day=2026-10-20)?$/.exec(address)!
    const answer = Promise.resolve((id ? answers[id]! : (answers['names'] ?? (() => Response.json(names))))())
    return Promise.race([
      answer,
      new Promise<Response>((_, reject) => signal.addEventListener('abort', () => reject(new DOMException('late', 'AbortError')))),
    ])
  })
}
beforeEach(async () => {
  setActivePinia(createPinia())
  await db().shops.clear()
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})
const states = (shops: ReturnType<typeof useShops>) => shops.answers.map(({ id, state, why }) => [id, state, why])

describe('shops', () => {
  it('are asked for their prices of the day, and things are priced by them', async () => {
    serve({ a: well('a', 900), b: well('b', 700) })
    const shops = useShops()
    await shops.load(DAY)
    expect([shops.state, shops.day, shops.shops.map(({ id }) => id)]).toEqual(['answered', DAY, ['a', 'b']])
    expect(pricesOf(CATALOGUE['bay']!, useStock().pricing).map(({ shop: name, price }) => [name, price])).toEqual([
      ['Shop a', 900],
      ['Shop b', 700],
    ])
  })
  it.each<[string, Answer, string]>([
    ['is out', () => new Response('', { status: 503 }), 'nobody is there'],
    ['has a fault', () => new Response('', { status: 500 }), 'answered with a fault, 500'],
    ['sends rubbish', () => new Response('<html>'), 'sent what is no price list'],
    ['sends another shop', well('a', 5), 'sent what is no price list'],
    ['sells for nothing', well('b', 0), 'sent what is no price list'],
    [
      'has packs of none',
      () => Response.json({ ...shop('b', 5), offers: [{ ...shop('b', 5).offers[0], holds: 0 }] }),
      'sent what is no price list',
    ],
    ['sends ten megabytes', () => new Response('x'.repeat(10 * LONGEST_ANSWER)), 'sent far too much'],
    ['is not there', () => Promise.reject(new TypeError('no network')), 'cannot be reached'],
  ])('one that %s is known by what it said last, and stands in no other’s way', async (_, answer, why) => {
    serve({ a: well('a', 900), b: well('b', 700) })
    await useShops().load(DAY)
    setActivePinia(createPinia())
    serve({ a: well('a', 950), b: answer })
    const shops = useShops()
    await shops.load(DAY)
    expect(states(shops)).toEqual([
      ['a', 'answered', ''],
      ['b', 'silent', why],
    ])
    await vi.waitFor(() => expect(shops.shops.map(({ offers }) => offers[0]!.price)).toEqual([950, 700]))
    expect(shops.state).toBe('answered')
  })
  it('one that takes too long is waited for no longer', async () => {
    serve({ a: well('a', 900), b: () => new Promise<Response>(() => {}) })
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    const shops = useShops()
    const loading = shops.load(DAY)
    await vi.waitFor(async () => {
      await vi.advanceTimersByTimeAsync(PATIENCE)
      expect(states(shops)[1]).toEqual(['b', 'silent', 'took too long to answer'])
    })
    await loading
    expect(shops.shops.map(({ id }) => id)).toEqual(['a'])
  })
  it('when none answers, what they said last still holds; without that, usual prices', async () => {
    serve({ names: () => Promise.reject(new TypeError('no network')) })
    const shops = useShops()
    await shops.load(DAY)
    expect([shops.state, shops.shops]).toEqual(['silent', []])
    serve({ a: well('a', 900), b: well('b', 700) })
    await shops.load(DAY)
    setActivePinia(createPinia())
    serve({
      names: () => Response.json({ shops: 'none' }),
      a: () => new Response('', { status: 503 }),
      b: () => new Response('', { status: 503 }),
    })
    const later = useShops()
    await later.load(DAY)
    await vi.waitFor(() => expect([later.state, later.shops.length]).toEqual(['silent', 2]))
  })
  it('of one’s own stay beside them, until they are forgotten', async () => {
    serve({ a: well('a', 900), b: well('b', 700) })
    const shops = useShops()
    await shops.keep({ ...shop('own', 400), name: 'The market' })
    await shops.load(DAY)
    await vi.waitFor(() => expect(shops.shops.map(({ name }) => name)).toEqual(['Shop a', 'Shop b', 'The market']))
    await shops.forget('own')
    await vi.waitFor(() => expect(shops.shops.length).toBe(2))
  })
})
