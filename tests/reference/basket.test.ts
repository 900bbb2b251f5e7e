import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BasketJob, Reduction } from '../../core/price'
import { basketOf, basketSoon, isBetter, lineCost } from '../../core/price'
import { solveBasket } from '../../server/basket/solve'

const off = (share: number): Reduction => ({ kind: 'off', share: [share, share], from: null, until: null })
const free = (buy: number, get: number): Reduction => ({ kind: 'free', buy, get, from: null, until: null })
const coupon = (share: number): Reduction => ({ kind: 'coupon', share: [share, share], from: null, until: null })

type Offer = BasketJob['shops'][number]['offers'][number]
const offer = (material: string, holds: number, price: number, reductions: Reduction[] = [], stock: number | null = null): Offer => ({
  material,
  holds,
  price,
  reductions,
  stock,
})
const shop = (id: string, trip: number, minimum: number, offers: Offer[]): BasketJob['shops'][number] => ({
  id,
  name: id,
  trip,
  minimum,
  offers,
})
const want = (material: string, count: number): BasketJob['wants'][number] => ({
  material,
  of: { material, width: null },
  count,
  usual: { holds: 1, price: 5000 },
})

/** The least that anything can cost: every number of packs of every offer, by hand. */
function bruteForce({ wants, shops }: BasketJob, most = shops.length): number {
  const offers = shops.flatMap((each, s) => each.offers.map((own) => ({ ...own, s })))
  let best = Infinity
  const packs = offers.map(() => 0)
  const tryFrom = (i: number): void => {
    if (i < offers.length) {
      const { material, holds, stock } = offers[i]!
      const asked = wants.find((each) => each.material === material)!.count
      for (packs[i] = 0; packs[i]! <= Math.min(stock ?? 99, Math.ceil(asked / holds) + 2); packs[i]! += 1) tryFrom(i + 1)
      packs[i] = 0
      return
    }
    if (
      wants.some(
        ({ material, count }) => offers.reduce((n, each, k) => n + (each.material === material ? each.holds * packs[k]! : 0), 0) < count,
      )
    )
      return
    const spent = shops.map((_, s) =>
      offers.reduce((all, each, k) => all + (each.s === s ? lineCost(each.price, packs[k]!, each.reductions, 'least') : 0), 0),
    )
    // A coupon does not keep one from what a shop asks for at least.
    const counts = (s: number): number =>
      offers.reduce(
        (all, each, k) =>
          all +
          (each.s === s
            ? lineCost(
                each.price,
                packs[k]!,
                each.reductions.filter(({ kind }) => kind !== 'coupon'),
                'least',
              )
            : 0),
        0,
      )
    const gone = shops.map((_, s) => offers.some((each, k) => each.s === s && packs[k]! > 0))
    if (gone.filter(Boolean).length > most || shops.some(({ minimum }, s) => gone[s] && counts(s) < minimum)) return
    best = Math.min(
      best,
      shops.reduce((all, { trip }, s) => all + (gone[s] ? spent[s]! + trip : 0), 0),
    )
  }
  tryFrom(0)
  return best
}

// By hand: eight bunches at 6.00 are 48.00 at A. At B they are buy 2, get 1: 6 paid of 8 at 7.00, 42.00, and 8.00 to go there.
const TWO: BasketJob = {
  wants: [want('bay', 8), want('moss', 2)],
  shops: [
    shop('a', 300, 0, [offer('bay', 1, 600), offer('moss', 1, 400)]),
    shop('b', 800, 0, [offer('bay', 1, 700, [free(2, 1)]), offer('moss', 1, 300)]),
  ],
}

describe('a basket', () => {
  it('worked by hand: one stop at A is 59.00, at B 56.00, and a second stop is not worth it', async () => {
    expect([bruteForce(TWO, 1), bruteForce(TWO)]).toEqual([5600, 5600])
    const solved = await solveBasket(TWO, null)
    expect(solved).toMatchObject({ proven: true, floor: 5600 })
    expect(basketOf(TWO, solved.choices)).toMatchObject({
      cost: [5600, 5600],
      elsewhere: [],
      stops: [{ shop: 'b', trip: 800, goods: [4800, 4800] }],
    })
    expect(basketSoon(TWO).best.cost).toEqual([5600, 5600])
  })
  it('buys a third that is free rather than pay for it', async () => {
    const job: BasketJob = { wants: [want('bay', 3)], shops: [shop('a', 0, 0, [offer('bay', 1, 999, [free(2, 1)])])] }
    const solved = await solveBasket(job, null)
    expect(basketOf(job, solved.choices).cost[1]).toBe(1998)
  })
  it('goes to the least that a shop sells, or not at all', async () => {
    const job: BasketJob = {
      wants: [want('bay', 2)],
      shops: [shop('far', 0, 1500, [offer('bay', 1, 500)]), shop('near', 0, 0, [offer('bay', 1, 800)])],
    }
    // Two at 5.00 are too few there: three for 15.00, against two near by for 16.00.
    expect(bruteForce(job)).toBe(1500)
    const { choices } = await solveBasket(job, null)
    expect(choices).toEqual([{ shop: 'far', offer: 0, packs: 3 }])
    // What is worked at once does not think of buying more, and is no worse than going near.
    expect(basketSoon(job).best.cost[1]).toBe(1600)
  })
  it('where a shop asks for a least, some of what goes free may be left: three at 5.00, buy 2 get 2, are 10.00', async () => {
    const job: BasketJob = { wants: [want('bay', 3)], shops: [shop('a', 0, 1000, [offer('bay', 1, 500, [free(2, 2)], 3)])] }
    expect(basketOf(job, (await solveBasket(job, null)).choices).cost[1]).toBe(1000)
    // Nothing that would go free is paid for to reach it: of buy 1 get 1 at 8.00 two packs count 8.00, and three 16.00.
    const least: BasketJob = { wants: [want('bay', 2)], shops: [shop('a', 0, 1600, [offer('bay', 1, 800, [free(1, 1)])])] }
    const found = basketOf(least, (await solveBasket(least, null)).choices)
    expect([found.cost[1], found.stops[0]!.lines[0]!.bought.packs, found.stops[0]!.enough]).toEqual([1600, 3, true])
  })
  it('a coupon takes its share off one', async () => {
    const job: BasketJob = { wants: [want('skep', 2)], shops: [shop('a', 0, 0, [offer('skep', 1, 1650, [coupon(0.4)])])] }
    expect(basketOf(job, (await solveBasket(job, null)).choices).cost[1]).toBe(1650 + 990)
    // What a shop asks for at least counts before the coupon: one at 16.50 is enough for 16.00.
    const least: BasketJob = { wants: [want('skep', 1)], shops: [shop('a', 0, 1600, [offer('skep', 1, 1650, [coupon(0.4)])])] }
    const one = basketOf(least, (await solveBasket(least, null)).choices)
    expect([one.cost[1], one.stops[0]!.enough]).toEqual([990, true])
  })
  it('what is out of stock everywhere is bought elsewhere, and only that', async () => {
    const job: BasketJob = { wants: [want('bay', 5)], shops: [shop('a', 100, 0, [offer('bay', 1, 600, [], 3)])] }
    const basket = basketOf(job, (await solveBasket(job, null)).choices)
    expect(basket.stops[0]!.lines[0]!.bought.packs).toBe(3)
    expect(basket.elsewhere.map(({ bought }) => bought.packs)).toEqual([2])
    // Three at 6.00, the trip, and two elsewhere at 50.00.
    expect([basket.cost[1], (await solveBasket(job, null)).floor]).toEqual([1800 + 100 + 10_000, 11_900])
    expect(basketOf({ ...job, shops: [] }, (await solveBasket({ ...job, shops: [] }, null)).choices).elsewhere).toHaveLength(1)
  })

  const reductions: fc.Arbitrary<Reduction[]> = fc.oneof(
    fc.constant<Reduction[]>([]),
    fc.constant<Reduction[]>([]),
    fc.constantFrom(0.1, 0.25, 0.5).map((share) => [off(share)]),
    fc.constantFrom<Reduction[][]>([free(1, 1)], [free(2, 1)], [free(3, 1)], [free(2, 2)], [free(1, 2)], [free(3, 2)], [coupon(0.5)]),
  )
  const jobs = fc
    .record({
      counts: fc.array(fc.integer({ min: 1, max: 5 }), { minLength: 2, maxLength: 2 }),
      shops: fc.array(
        fc.record({
          trip: fc.integer({ min: 0, max: 900 }),
          minimum: fc.constantFrom(0, 0, 0, 1200),
          offers: fc.array(
            fc.record({ holds: fc.integer({ min: 1, max: 3 }), price: fc.integer({ min: 2, max: 60 }).map((n) => n * 20), reductions }),
            {
              minLength: 2,
              maxLength: 2,
            },
          ),
        }),
        { minLength: 1, maxLength: 2 },
      ),
    })
    .map(({ counts, shops }): BasketJob => ({
      wants: counts.map((count, i) => want(`m${i}`, count)),
      shops: shops.map(({ trip, minimum, offers }, s) =>
        shop(
          `s${s}`,
          trip,
          minimum,
          offers.map(({ holds, price, reductions: own }, i) => offer(`m${i}`, holds, price, own)),
        ),
      ),
    }))
  // Prices are such that no line has a part of a cent: program and bill agree to the cent.
  it('is the best there is: against every number of packs of every offer', async () => {
    await fc.assert(
      fc.asyncProperty(jobs, async (job) => {
        const least = bruteForce(job)
        const solved = await solveBasket(job, null)
        const basket = basketOf(job, solved.choices)
        const soon = basketSoon(job).best
        // With a minimum that is far off, brute force here stops two packs over what is wanted; the program goes on.
        if (Number.isFinite(least) && !basket.elsewhere.length) expect(basket.cost[1]).toBeLessThanOrEqual(least)
        if (job.shops.every(({ minimum }) => !minimum)) {
          expect(basket.cost[1]).toBe(least)
          // Worked at once it is as good where no shop asks for a least.
          expect(soon.cost[1]).toBe(least)
        }
        expect(solved.proven).toBe(true)
        if (!basket.elsewhere.length) expect(solved.floor!).toBeCloseTo(basket.cost[1], 4)
        expect(basket.stops.every(({ enough }) => enough)).toBe(true)
        expect(isBetter(soon, basket)).toBe(false)
      }),
      { numRuns: 60 },
    )
  }, 60_000)
  it('is the best there is where a shop counts several kinds together, against every number of packs', async () => {
    const among = (buy: number, get: number): Reduction => ({ ...free(buy, get), among: 'any' }) as Reduction
    /** What so many packs come to: from the dearest down, of every round the last go free. Source: the till of a shop that gives the cheapest of each round, paid for in as many goes as one likes. */
    const till = (units: readonly number[], buy: number, get: number): number =>
      [...units].sort((a, b) => b - a).reduce((all, unit, i) => all + (i % (buy + get) < buy ? unit : 0), 0)
    await fc.assert(
      fc.asyncProperty(
        fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 4 })),
        fc.tuple(...Array.from({ length: 4 }, () => fc.integer({ min: 2, max: 40 }).map((n) => n * 20))),
        fc.constantFrom([2, 1], [1, 1], [3, 2] as const),
        fc.integer({ min: 0, max: 500 }),
        async (counts, prices, [buy, get], trip) => {
          const deal = among(buy!, get!)
          const job: BasketJob = {
            wants: counts.map((count, i) => want(`m${i}`, count)),
            shops: [
              shop('a', 0, 0, [offer('m0', 1, prices[0]!, [deal]), offer('m1', 1, prices[1]!, [deal])]),
              shop('b', trip, 0, [offer('m0', 1, prices[2]!), offer('m1', 1, prices[3]!)]),
            ],
          }
          let least = Infinity
          for (let x = 0; x <= counts[0]; x++)
            for (let y = 0; y <= counts[1]; y++) {
              const rest = (counts[0] - x) * prices[2]! + (counts[1] - y) * prices[3]!
              const units = [...Array.from({ length: x }, () => prices[0]!), ...Array.from({ length: y }, () => prices[1]!)]
              least = Math.min(least, till(units, buy!, get!) + (rest ? rest + trip : 0))
            }
          const solved = await solveBasket(job, null)
          expect(basketOf(job, solved.choices).cost[1]).toBe(least)
          expect([solved.proven, Math.round(solved.floor!)]).toEqual([true, least])
        },
      ),
      { numRuns: 60 },
    )
  }, 60_000)
  it('is not said to be proven where a shop that counts kinds together asks for a least as well', async () => {
    const deal = { ...free(2, 1), among: 'any' } as Reduction
    const job: BasketJob = {
      wants: [want('m0', 2), want('m1', 2)],
      shops: [shop('a', 0, 1000, [offer('m0', 1, 500, [deal]), offer('m1', 1, 500, [deal])])],
    }
    const solved = await solveBasket(job, null)
    expect(solved).toMatchObject({ proven: false, floor: null })
    // Nor is it taken where what was worked at once is better.
    expect(basketSoon(job).best).toMatchObject({ cost: [1500, 1500], stops: [{ enough: true }] })
    expect(isBetter(basketOf(job, solved.choices), basketSoon(job).best)).toBe(false)
  })
  it('of one stop, or two, is the best of those', async () => {
    await fc.assert(
      fc.asyncProperty(jobs, async (job) => {
        const plain = { ...job, shops: job.shops.map((each) => ({ ...each, minimum: 0 })) }
        expect(basketOf(plain, (await solveBasket(plain, 1)).choices).cost[1]).toBe(bruteForce(plain, 1))
        expect(basketSoon(plain).one!.cost[1]).toBe(bruteForce(plain, 1))
      }),
      { numRuns: 30 },
    )
  }, 60_000)
})

describe('a basket of the size of a season', () => {
  // Larger ones against the integer program: sixty things in six shops.
  const rnd = (seed: number) => {
    let s = seed
    return () => {
      s = (s * 1103515245 + 12345) % 2147483648
      return s / 2147483648
    }
  }
  it.each([1, 2, 3])(
    'worked at once it is within 3 percent of what is proven, seed %i',
    async (seed) => {
      const next = rnd(seed)
      const wants = Array.from({ length: 60 }, (_, i) => want(`m${i}`, 1 + Math.floor(next() * 40)))
      const shops = Array.from({ length: 6 }, (_, s) =>
        shop(
          `s${s}`,
          Math.floor(next() * 1200),
          0,
          wants
            .filter(() => next() < 0.6)
            .map(({ material }) =>
              offer(material, 1 + Math.floor(next() * 12), 100 + Math.floor(next() * 1200), next() < 0.3 ? [free(2, 1)] : []),
            ),
        ),
      )
      const job = { wants, shops }
      const solved = await solveBasket(job, null)
      const best = basketOf(job, solved.choices)
      const soon = basketSoon(job).best
      expect(isBetter(soon, best) && solved.proven).toBe(false)
      expect(soon.cost[1]).toBeLessThanOrEqual(best.cost[1] * 1.03)
    },
    30_000,
  )
})
