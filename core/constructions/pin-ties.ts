import type { Body, Run } from '../base'
import { BASE_SORTS } from '../base'
import type { MechanicId, Shelf } from '../material'
import { isCut } from '../material'
import type { Term } from '../measure'
import type { Piece, Problem, StrandTie } from '../piece'
import { bindingOf } from './binding-wire'
import type { ConstructionContext } from './construction'
import { total } from './construction'
import { tubeOf, wireOfTie } from './wire-ties'
import { constructionMessage } from './words'

/** Bodies that a pin holds in; elsewhere there are ties. */
const PINNED: ReadonlySet<Body> = new Set(['straw', 'foam'])
/** What holds a strand where it lies, at each place. */
export interface Holder {
  /** A small thing of the shelf, or the wire that the piece is bound with. */
  readonly material: MechanicId | (string & {})
  readonly name: string
  readonly use: string
  /** Of each place: one thing, or so much wire, mm. */
  readonly takes: 'things' | { readonly length: Term }
  /** How hands do it, as the beginning of a sentence. */
  readonly how: string
}

const PINS: Holder = {
  material: 'floral-pin',
  name: 'Pins',
  use: 'pins',
  takes: 'things',
  how: 'Pin over the strand, not through its flowers',
}
const TIES: Holder = {
  material: 'pipe-cleaner',
  name: 'Ties',
  use: 'ties',
  takes: 'things',
  how: 'Tie over the strand, between its flowers',
}
const ZIPS: Holder = {
  material: 'zip-tie',
  name: 'Zip ties',
  use: 'zip ties',
  takes: 'things',
  how: 'Draw a zip tie over the strand, between its flowers, and cut its end off behind',
}

/** What strands and garlands are held with, unless their maker says so: pins where the base takes them, else ties. */
export const holderOn = ({ base }: Pick<Piece, 'base'>): Holder & { readonly pinned: boolean } =>
  PINNED.has(BASE_SORTS[base.kind].body) ? { ...PINS, pinned: true } : { ...TIES, pinned: false }

/** What a maker holds them with who says so. */
export function holderAsked(tie: StrandTie, piece: Piece, run: Run, shelf: Shelf): Holder {
  switch (tie) {
    case 'as suits':
      return holderOn(piece)
    case 'pins':
      return PINS
    case 'pipe cleaners':
      return TIES
    case 'zip ties':
      return ZIPS
    case 'wire':
      return {
        material: bindingOf(piece, shelf),
        name: 'Ties of wire',
        use: 'tying the strand',
        takes: { length: wireOfTie(tubeOf(piece, run, shelf), shelf) },
        how: 'Tie with wire over the strand, between its flowers, and twist it shut behind',
      }
  }
}

/** Whether a base takes a pin. */
export const takesPins = ({ base }: Pick<Piece, 'base'>): boolean => PINNED.has(BASE_SORTS[base.kind].body)

/** Lengths are typed to the hundredth, so that a third of a strand may be a hair too short. */
const EPSILON = 1e-3

/**
 * How many pins or ties hold so long a strand: one at each end and between.
 * @example pinsOf(508, 508 / 3) // 4
 */
export const pinsOf = (length: number, every: number): number => Math.max(1, Math.ceil(length / every - EPSILON)) + 1

/** All the length of some runs, mm. */
export const path = (runs: readonly Run[]): number => total(runs, ({ length }) => length)

/** What is wound or laid but does not come by the length. */
export function notByLength(layer: string, material: ConstructionContext['mix'][0]): Problem[] {
  return isCut(material)
    ? []
    : [
        {
          id: `${layer}:length`,
          severity: 'fault',
          layer,
          ...constructionMessage('not-by-length', { name: material.name }),
          mends: [{ ...constructionMessage('choose-by-length', {}), edit: null }],
        },
      ]
}
