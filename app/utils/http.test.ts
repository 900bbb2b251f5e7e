import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { NoAnswer, readLimited } from './http'
import { askBasket } from './basket-api'
import { askShop } from './shops-api'

const fetching = vi.fn<typeof fetch>()
beforeEach(() => vi.stubGlobal('fetch', fetching))
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
  fetching.mockReset()
})
const job = { wants: [], shops: [] }

describe('asking the server', () => {
  it('sends what goes along, and takes what it must be', async () => {
    const solved = { choices: [{ shop: 'a', offer: 0, packs: 2 }], floor: 100, proven: true }
    fetching.mockResolvedValue(new Response(JSON.stringify(solved)))
    expect(await askBasket(job, 2)).toEqual(solved)
    const [address, sent] = fetching.mock.calls[0]!
    expect([address, sent?.method, sent?.body]).toEqual(['/api/basket', 'POST', '{"job":{"wants":[],"shops":[]},"most":2}'])
  })
  it.each([
    ['another shop’s list', () => new Response('{"id":"b"}'), 'sent what is no price list'],
    ['no JSON', () => new Response('<html>'), 'sent what is no price list'],
    ['nothing', () => new Response(null), 'sent what is no price list'],
    ['a closed door', () => new Response('', { status: 503 }), 'nobody is there'],
    ['a fault', () => new Response('', { status: 500 }), 'answered with a fault, 500'],
  ])('says what is wrong with %s', async (_, answer, why) => {
    fetching.mockResolvedValue(answer())
    await expect(askShop('a', '2026-10-20')).rejects.toThrow(new NoAnswer(why))
  })
  it('gives up when it takes too long, and says so and not that nobody is there', async () => {
    vi.useFakeTimers()
    fetching.mockImplementation((_, init) => new Promise((_, no) => init!.signal!.addEventListener('abort', () => no(new Error('gone')))))
    const asked = askBasket(job, null)
    const refused = expect(asked).rejects.toThrow('took too long to answer')
    await vi.advanceTimersByTimeAsync(9000)
    await refused
    fetching.mockRejectedValue(new TypeError('no network'))
    await expect(askBasket(job, null)).rejects.toThrow('cannot be reached')
  })
  it('reads to the last byte that it may, and no further', async () => {
    expect(await readLimited(new Response('12345'), 5)).toBe('12345')
    await expect(readLimited(new Response('123456'), 5)).rejects.toThrow('sent far too much')
    expect(await readLimited(new Response(null))).toBe('')
  })
})
