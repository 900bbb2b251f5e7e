import type { Minor } from '../measure'
import { apportion } from '../measure'

/** What a piece needs, for one copy: the currency between a piece and the workroom. */
interface Needed {
  /** A material's id; for a base its kind. */
  readonly material: string
  /** What it is for: "binding". */
  readonly use: string
  /** The layer that it is for, or `base`. */
  readonly layer: string
  readonly count: number
}

/** So many whole things, or pieces that are cut of them. */
export interface Things extends Needed {
  readonly of: 'things'
  /** Cut to so much, mm: one may give several; null leaves them whole. */
  readonly cut: number | null
  /** A few always break: so much more, as a share. */
  readonly spare: number
}

/** So many lengths of so much, from a roll, a spool or a paddle. */
export interface Lengths extends Needed {
  readonly of: 'lengths'
  /** Of each, mm. */
  readonly length: number
  /** May be made up of several shorter lengths. */
  readonly joins: boolean
}

/** The base itself, as it is bought. */
export interface BareBase extends Needed {
  readonly of: 'base'
  readonly name: string
  /** What one costs usually, or what its maker says that it does: then no shop is asked. */
  readonly price: Minor
  readonly ownPrice?: boolean
  /** From its outermost left to its outermost right, mm. */
  readonly width: number
  /** It is one of several different ones that a base is put together of, and told from those by its width. */
  readonly among?: true
}

export type Need = Things | Lengths | BareBase

export const thingsIn = (needs: readonly Need[]): Things[] => needs.filter((need) => need.of === 'things')
export const lengthsIn = (needs: readonly Need[]): Lengths[] => needs.filter((need) => need.of === 'lengths')

/** Needs of one material together, in the order in which materials first come. */
export function byMaterial<N extends Pick<Need, 'material'>>(needs: readonly N[]): Map<string, N[]> {
  const found = new Map<string, N[]>()
  for (const need of needs) {
    const known = found.get(need.material)
    if (known) known.push(need)
    else found.set(need.material, [need])
  }
  return found
}

/**
 * Needs by how the first one was really made: of each material that is named so many times as much as reckoned. Whole things stay
 * whole, shared out among the needs as they were; lengths get longer or shorter.
 * @param uses times as much, by material
 * @example needsAsMade([{ of: 'things', material: 'bay', use: '', layer: 'l', count: 10, cut: null, spare: 0 }], { bay: 1.2 })[0].count // 12
 */
export function needsAsMade(needs: readonly Need[], uses: Readonly<Record<string, number>>): readonly Need[] {
  const named = needs.filter((need) => need.of !== 'base' && Object.hasOwn(uses, need.material))
  if (!named.length) return needs
  const made = new Map<Need, Need>()
  for (const [material, own] of byMaterial(named)) {
    const times = uses[material]!
    const whole = own.every(({ of, count }) => of === 'things' && Number.isInteger(count))
    const all = own.reduce((n, { count }) => n + count, 0)
    const shares = whole
      ? apportion(
          Math.round(all * times),
          own.map(({ count }) => count),
        )
      : null
    own.forEach((need, i) => {
      if (need.of === 'things') made.set(need, { ...need, count: shares ? shares[i]! : need.count * times })
      else if (need.of === 'lengths') made.set(need, { ...need, length: need.length * times })
    })
  }
  return needs.map((need) => made.get(need) ?? need).filter((need) => need.of === 'base' || amountOf(need) > 0)
}

/** How much of its material a need is: things, bases, or mm. */
export const amountOf = (need: Need): number => (need.of === 'lengths' ? need.length * need.count : need.count)
