import type { LaidLayer } from '../placement'
import type { Run } from '../base'
import type { Lengths, Material, Need, Shelf, Things } from '../material'
import type { Basis, Figure, Quantity, Said, Term } from '../measure'
import { COUNTED, figure, GEOMETRY, worked } from '../measure'
import type { Edit, Layer, Piece, Problem, Rule, RuleKind, RuleOf } from '../piece'

/** A figure with its name. */
export interface NamedFigure {
  readonly id: string
  readonly name: string
  readonly figure: Figure
}

/** What a construction comes to, for one copy. */
export interface MakeUp {
  /** The layer that it is, or `base`. */
  readonly layer: string
  /** What it is called, "12 ruffles of honey mesh"; null where a layer's stems name it. */
  readonly title: string | null
  readonly figures: readonly NamedFigure[]
  /** What is cut and used for it, besides its stems. */
  readonly needs: readonly Need[]
  /** Other ways to make it, and what each takes: before one is chosen. */
  readonly choices?: readonly WrapChoice[]
}

/** The same run wound otherwise: turns and length, mm, minutes, and how many rolls. */
export interface WrapChoice {
  readonly name: string
  readonly pitch: number | null
  readonly turns: number
  readonly length: number
  readonly minutes: number
  readonly rolls: number
}

/** What a construction is worked out from. */
export interface ConstructionContext {
  readonly piece: Piece
  readonly laid: LaidLayer
  readonly layer: Layer
  /** The runs that it lies on, at least one. */
  readonly runs: readonly [Run, ...Run[]]
  /** The materials of its mix that the shelf knows, at least one. */
  readonly mix: readonly [Material, ...Material[]]
  readonly shelf: Shelf
}

/** How one kind of rule becomes lengths and counts. */
export interface Construction<K extends RuleKind> {
  /** What it comes to; null when it cannot be made so. */
  readonly makeUp: (rule: RuleOf<K>, making: ConstructionContext) => MakeUp | null
  /** How hands make it, for the make sheet. */
  readonly words: (rule: RuleOf<K>, makeUp: MakeUp, making: ConstructionContext) => readonly Said[]
  /** What is wrong with it, and what would mend it. */
  readonly problems: (rule: RuleOf<K>, making: ConstructionContext) => readonly Problem[]
}

/** An edit that changes some numbers of a layer's rule. */
export const changeRule = (layer: Layer, change: Partial<Rule>): Edit => ({
  do: 'layer',
  layer: layer.id,
  set: { rule: { ...layer.rule, ...change } as Rule },
})

/** A number that was worked out, with its name. @param more said after the result */
export const told = (id: string, name: string, of: Term, more: Said = []): NamedFigure => ({ id, name, figure: worked(of, more) })
/** A number that was counted or read off, and how that is said. */
export const read = (
  id: string,
  name: string,
  of: Quantity,
  how: Said,
  basis: Basis = of.unit === 'count' ? COUNTED : GEOMETRY,
): NamedFigure => ({ id, name, figure: figure(of, how, basis) })

/** The figure of a name. @throws RangeError when there is none */
export function figureOf({ figures }: MakeUp, id: string): Figure {
  const found = figures.find((each) => each.id === id)
  if (!found) throw new RangeError(`no figure ${id}`)
  return found.figure
}

/** @returns the sum of what `of` gives for each */
export const total = <T>(all: readonly T[], of: (each: T) => number): number => all.reduce((sum, each) => sum + of(each), 0)

/** Lengths that something takes of a roll, for a layer. */
export const lengthsFor = (layer: string, takes: readonly Omit<Lengths, 'of' | 'layer'>[]): Lengths[] =>
  takes.map((each) => ({ of: 'lengths', layer, ...each }))
/** Small things that are used whole. */
export const thingsFor = (layer: string, uses: readonly Pick<Things, 'material' | 'use' | 'count'>[]): Things[] =>
  uses.filter(({ count }) => count > 0).map((each) => ({ of: 'things', layer, ...each, cut: null, spare: 0 }))
