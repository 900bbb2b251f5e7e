import type { Stock } from '../cut'
import { newRoll, planSoon } from '../cut'
import type { Material, Things } from '../material'
import { isCut, pieceLength, piecesPerStem } from '../material'
import type { Said } from '../measure'
import { quantity, several, sum, wholesOver } from '../measure'

/** So many pieces of a material that are cut to so much, mm; null where each goes on as it is bought. */
export interface Pieces {
  readonly cut: number | null
  readonly count: number
}

/** What a thing is cut to before it goes on, mm; null where it goes on as it is bought. */
export function cutLengthOf(material: Material, cut: number | null): number | null {
  const length = pieceLength(material, cut)
  return length < material.length || (isCut(material) && cut !== null) ? length : null
}

/** What is wanted of a material, over all copies. */
export const piecesOf = (material: Material, needs: readonly Pick<Things, 'count' | 'cut'>[], copies: number): Pieces[] =>
  needs.map(({ count, cut }) => ({ cut: cutLengthOf(material, cut), count: count * copies }))

/** What is still wanted when so many of each are there. */
export const piecesLeft = (wants: readonly Pieces[], had: readonly number[]): Pieces[] =>
  wants.flatMap(({ cut, count }, i) => (count - had[i]! > 1e-9 ? [{ cut, count: count - had[i]! }] : []))

/** How many stems pieces are cut from, and what of them so many stems do not give. */
export interface FromStems {
  readonly stems: number
  readonly left: readonly Pieces[]
}

/**
 * The fewest stems that pieces can be cut from, all together: of a stem that may be cut up each gives what fits in it, long and
 * short ones mixed. What does not divide gives one piece; parts of one are added up and rounded up once.
 * @param most stems that there are; what they do not give is left
 * @example stemsFor({ length: 600, divides: true, kind: 'greenery' }, [{ cut: 250, count: 1 }, { cut: 100, count: 3 }]).stems // 1
 */
export function stemsFor(material: Pick<Material, 'length' | 'divides' | 'kind'>, wants: readonly Pieces[], most = Infinity): FromStems {
  const gives = (cut: number | null): number => piecesPerStem(material, cut)
  const single = wants.filter(({ cut }) => gives(cut) === 1)
  const parted = wants.filter(({ cut }) => gives(cut) > 1)
  if (!parted.length) {
    const all = single.reduce((n, { count }) => n + count, 0)
    const stems = Math.min(most, wholesOver(all, 1))
    return { stems, left: leaving(single, all - stems) }
  }
  if (wants.length === 1) {
    const [{ cut, count }] = parted as [Pieces]
    const stems = Math.min(most, wholesOver(count, gives(cut)))
    return { stems, left: leaving(parted, count - stems * gives(cut)) }
  }
  // What is cut of a stem alone may still leave a rest for a shorter one; what goes on whole leaves none.
  const lengthOf = ({ cut }: Pieces): number => (cut === null || !material.divides ? material.length : cut)
  const stock: Stock = { ...newRoll(material, most < Infinity ? 0 : 1), supply: most < Infinity ? most : null }
  const plan = planSoon({
    wants: wants.map((want, i) => ({ id: String(i), length: lengthOf(want), count: wholesOver(want.count, 1), joins: false })),
    stocks: [stock],
    least: 0,
  })
  const short = new Map(plan.short.map(({ want, count }) => [want, count]))
  return {
    stems: plan.rolls.length,
    left: wants.flatMap(({ cut }, i) => (short.has(String(i)) ? [{ cut, count: short.get(String(i))! }] : [])),
  }
}

/** The last of some pieces, so many of them. */
function leaving(wants: readonly Pieces[], count: number): Pieces[] {
  let over = wants.reduce((n, each) => n + each.count, 0) - count
  return wants.flatMap(({ cut, count: n }) => {
    const served = Math.min(n, Math.max(0, over))
    over -= served
    return n - served > 1e-9 ? [{ cut, count: n - served }] : []
  })
}

/** How stems are counted, in words: "10 × 2 copies ÷ 3 pieces a stem, rounded up", or what is cut together of them. */
export function stemsSaid(material: Material, needs: readonly Pick<Things, 'count' | 'cut'>[], copies: number, had: number): Said {
  const rows = needs.map(({ count, cut }) => ({ count: hundredths(count), cut, per: piecesPerStem(material, cut) }))
  const cutThere: Said = had ? [` − ${had} cut already`] : []
  const [one, ...more] = rows
  if (one && !more.length && one.per > 1)
    return had
      ? [`(${one.count} × ${several(copies, 'copy', 'copies')}`, ...cutThere, `) ÷ ${one.per} pieces a stem, rounded up`]
      : [`${one.count} × ${several(copies, 'copy', 'copies')} ÷ ${one.per} pieces a stem, rounded up`]
  if (rows.some(({ per }) => per > 1))
    return [
      ...rows.flatMap(({ count, cut }, i) => [
        ...sum`${i ? ' and ' : ''}${quantity.count(count)}`,
        ...(cut === null ? [' whole'] : sum` of ${quantity.length(cut)}`),
      ]),
      ` for each of ${several(copies, 'copy', 'copies')}`,
      ...(had ? [`, ${had} of them cut already,`] : []),
      ...sum` cut together from stems of ${quantity.length(material.length)}`,
    ]
  const all = hundredths(rows.reduce((n, { count }) => n + count, 0))
  const whole = Number.isInteger(all * copies)
  return [`${all} × ${several(copies, 'copy', 'copies')}`, ...cutThere, ...(whole ? [] : [', rounded up'])]
}

/** What a part of one is used of, as one says it. */
export const hundredths = (n: number): number => Math.round(n * 100) / 100

/**
 * What breaks of so many stems, whole ones.
 * @example spareOf(32, 0.1) // 4
 */
export const spareOf = (stems: number, share: number): number => Math.max(0, Math.ceil(stems * share - 1e-9))
