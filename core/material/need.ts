import type { Minor } from '../measure'

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
  readonly price: Minor
  /** From its outermost left to its outermost right, mm. */
  readonly width: number
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
