import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Lengths, Need, Things } from '../material'
import { inches } from '../measure'
import type { Lot, LotChanges } from '../stock'
import { baseLots, lotOf, release } from '../stock'
import { shelf } from '../testing'
import { keepAll, keepNeeds } from './reserve-needs'

const ivy = (count: number, cut: number | null = null): Things => ({
  of: 'things',
  material: 'ivy',
  use: 'laid',
  layer: 'a',
  count,
  cut,
  spare: 0,
})
const bow = (count: number, length = inches(116)): Lengths => ({
  of: 'lengths',
  material: 'ribbon-slate',
  use: 'bow',
  layer: 'bow',
  length,
  count,
  joins: false,
})
let n = 0
const newId = (): string => `n${n++}`
const keep = (id: string, needs: readonly Need[], lots: readonly Lot[], copies = 1): LotChanges =>
  keepNeeds({ id, copies, needs }, { shelf, lots }, newId)
const after = (lots: readonly Lot[], { put, gone }: LotChanges): Lot[] => [
  ...lots.filter(({ id }) => !gone.includes(id) && !put.some((each) => each.id === id)),
  ...put,
]
const of = (lots: readonly Lot[], piece: string | null): number =>
  lots.reduce((sum, lot) => sum + ((lot.reserved?.piece ?? null) === piece ? (lot.things ?? 0) : 0), 0)

describe('keeping for a piece', () => {
  it('parts a lot, what is paid with it, and puts it together again when it is given back', () => {
    const lots = [lotOf('l', 'ivy', { things: 30, paid: 900 })]
    const kept = after(lots, keep('p', [ivy(6)], lots, 2))
    expect([of(kept, 'p'), of(kept, null), kept.reduce((all, { paid }) => all + paid!, 0)]).toEqual([12, 18, 900])
    const back = after(kept, release('p', kept))
    expect(back).toEqual(lots)
  })
  it('asks for more and for less as the piece changes, and writes nothing when nothing changed', () => {
    const lots = [lotOf('l', 'ivy', { things: 30 })]
    const twelve = after(lots, keep('p', [ivy(12)], lots))
    expect(keep('p', [ivy(12)], twelve)).toEqual({ put: [], gone: [] })
    expect(of(after(twelve, keep('p', [ivy(20)], twelve)), 'p')).toBe(20)
    expect(of(after(twelve, keep('p', [ivy(3)], twelve)), 'p')).toBe(3)
  })
  it('takes what is only a few before it parts what is more', () => {
    const lots = [lotOf('many', 'ivy', { things: 10 }), lotOf('few', 'ivy', { things: 3 })]
    expect(keep('p', [ivy(3)], lots).put).toEqual([{ ...lots[1], reserved: { piece: 'p', want: null } }])
  })
  it('what one piece has another does not get', () => {
    const lots = [lotOf('roll', 'ribbon-slate', { things: 1 })]
    const first = after(lots, keep('p', [bow(1)], lots))
    expect(first[0]!.reserved).toEqual({ piece: 'p', want: null })
    expect(keep('q', [bow(1)], first)).toEqual({ put: [], gone: [] })
  })
  it('takes the rests that its lengths can be cut from, and no more of them than it needs', () => {
    const lots = [
      lotOf('short', 'ribbon-slate', { length: inches(120) }),
      lotOf('other', 'ribbon-slate', { length: inches(130) }),
      lotOf('rolls', 'ribbon-slate', { things: 3 }),
    ]
    const kept = after(lots, keep('p', [bow(1)], lots))
    expect(kept.filter(({ reserved }) => reserved)).toHaveLength(1)
    // Three bows of 116 in to a roll of 360 in: seven are two rolls and one rest, or three rolls.
    const seven = after(lots, keep('p', [bow(7)], lots))
    expect(
      seven.filter(({ reserved }) => reserved).reduce((all, { length, things }) => all + (length ?? things! * inches(360)), 0),
    ).toBeGreaterThanOrEqual(7 * inches(116))
    expect(of(seven, null)).toBeGreaterThan(0)
  })
  it('leaves what was cut for a want, and does not ask for it again', () => {
    const lots = [
      lotOf('cut', 'ribbon-slate', { length: inches(116), reserved: { piece: 'p', want: 'bow:bow:0' } }),
      lotOf('roll', 'ribbon-slate', { things: 1 }),
    ]
    expect(keep('p', [bow(1)], lots)).toEqual({ put: [], gone: [] })
    expect(release('p', lots)).toEqual({ put: [], gone: [] })
  })
  it('takes things that are cut already where they are long enough, and whole ones for the rest', () => {
    const lots = [lotOf('cut', 'ivy', { things: 4, cut: 200 }), lotOf('whole', 'ivy', { things: 9 })]
    const kept = after(lots, keep('p', [ivy(6, 150)], lots))
    expect(kept.find(({ id }) => id === 'cut')!.reserved?.piece).toBe('p')
    // A trail gives two of that length: one for the two that are missing.
    expect(of(kept, 'p')).toBe(5)
    expect(of(after(lots, keep('p', [ivy(6, 250)], lots)), 'p')).toBe(6)
    expect(after(lots, keep('p', [ivy(6, 250)], lots)).find(({ id }) => id === 'cut')!.reserved).toBeNull()
  })
  it('takes a bare base of its kind and width', () => {
    const base: Need = { of: 'base', material: 'straw', use: 'base', layer: 'base', count: 1, name: 'straw ring', price: 600, width: 300 }
    const lots = [lotOf('wide', baseLots('straw'), { cut: 400 }), lotOf('fits', baseLots('straw'), { things: 3, cut: 305 })]
    const kept = after(lots, keep('p', [base], lots, 2))
    expect([of(kept, 'p'), kept.find(({ id }) => id === 'wide')!.reserved]).toEqual([2, null])
  })
  it('never keeps what is another’s, nor loses anything, whoever comes first', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 1, maxLength: 5 }),
        fc.array(fc.tuple(fc.constantFrom('p', 'q', 'r'), fc.integer({ min: 0, max: 30 })), { maxLength: 8 }),
        (counts, asks) => {
          let lots: Lot[] = counts.map((things, i) => lotOf(`l${i}`, 'ivy', { things, paid: things * 7 }))
          const all = counts.reduce((sum, each) => sum + each, 0)
          const wanted = new Map<string, number>()
          for (const [piece, count] of asks) {
            const others = lots.filter(({ reserved }) => reserved && reserved.piece !== piece)
            lots = after(lots, keep(piece, count ? [ivy(count)] : [], lots))
            wanted.set(piece, count)
            expect(keep(piece, count ? [ivy(count)] : [], lots)).toEqual({ put: [], gone: [] })
            expect(lots.filter(({ reserved }) => reserved && reserved.piece !== piece)).toEqual(others)
            expect(of(lots, piece)).toBeLessThanOrEqual(count)
            expect(of(lots, piece) === count || of(lots, null) === 0).toBe(true)
          }
          expect(lots.reduce((sum, { things }) => sum + things!, 0)).toBe(all)
          expect(lots.reduce((sum, { paid }) => sum + paid!, 0)).toBe(all * 7)
        },
      ),
    )
  })
  it('for several at once is the same as for one after another', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 4 }),
        fc.array(fc.tuple(fc.integer({ min: 0, max: 15 }), fc.integer({ min: 0, max: 2 })), { minLength: 1, maxLength: 5 }),
        (counts, asks) => {
          const lots = [
            ...counts.map((things, i) => lotOf(`l${i}`, 'ivy', { things })),
            lotOf('roll', 'ribbon-slate', { things: 2 }),
            lotOf('old', 'ivy', { things: 3, reserved: { piece: 'p0', want: null } }),
          ]
          const makings = asks.map(([ivies, bows], i) => ({
            id: `p${i}`,
            copies: 1,
            needs: [...(ivies ? [ivy(ivies)] : []), ...(bows ? [bow(bows)] : [])],
          }))
          const together = after(lots, keepAll(makings, { shelf, lots }, newId))
          const apart = makings.reduce((so, { id, needs }) => after(so, keep(id, needs, so)), lots)
          const summed = (all: readonly Lot[]) =>
            [...makings.map(({ id }) => id), null].map((piece) =>
              ['ivy', 'ribbon-slate'].map((material) =>
                of(
                  all.filter((lot) => lot.material === material),
                  piece,
                ),
              ),
            )
          expect(summed(together)).toEqual(summed(apart))
          expect(keepAll(makings, { shelf, lots: together }, newId)).toEqual({ put: [], gone: [] })
        },
      ),
    )
  })
})
