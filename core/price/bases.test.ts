import fc from 'fast-check'
import { expect, it } from 'vitest'
import { baseLots, lotOf, servesAs } from '../stock'
import { plainPricing, shelf } from '../testing'
import type { WantedBase } from './bases'
import { giveOutBases } from './bases'
import { packsFor } from './cost-lines'
import { soldBase } from './offer'
import { openedBy } from './opened'

const wanted = (width: number, price: number, open: number): WantedBase => ({
  need: { of: 'base', material: 'straw', use: 'base', layer: 'base', count: 1, name: 'straw ring', price, width, ownPrice: true },
  open,
  had: 0,
})

it('gives the bases of the house where least is left to pay: as every way to give them out says', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.constantFrom(290, 300, 305, 312, 400), fc.integer({ min: 100, max: 900 }), fc.integer({ min: 1, max: 2 })), {
        minLength: 1,
        maxLength: 4,
      }),
      fc.array(fc.constantFrom(null, 290, 300, 312, 400), { maxLength: 4 }),
      (wants, there) => {
        const own = wants.map(([width, price, open]) => wanted(width, price, open))
        const house = there.map((cut, i) => lotOf(`l${i}`, baseLots('straw'), { things: 1, cut }))
        const pricing = plainPricing(shelf)
        const each = own.map(({ need }) => openedBy(packsFor(1, soldBase(need), pricing)).cost[1])
        // Each lot goes to one of those whom it serves, or to none.
        const best = (lot: number, left: readonly number[]): number =>
          lot === house.length
            ? left.reduce((all, n, i) => all + n * each[i]!, 0)
            : Math.min(
                best(lot + 1, left),
                ...own.flatMap(({ need }, i) =>
                  left[i]! > 0 && servesAs(house[lot]!, need.width) ? [best(lot + 1, left.with(i, left[i]! - 1))] : [],
                ),
              )
        const least = best(
          0,
          own.map(({ open }) => open),
        )
        giveOutBases(
          own.map((one) => [one]),
          house,
          pricing,
        )
        expect(own.reduce((all, { open }, i) => all + open * each[i]!, 0)).toBe(least)
        expect(own.map(({ open, had }) => open + had)).toEqual(wants.map(([, , open]) => open))
      },
    ),
    { numRuns: 300 },
  )
})
