import type { LaidLayer, Placement, Spacing, Tape } from './arrange'
import { arrange, arrangeProblems, spacingOf, tapeOf } from './arrange'
import type { Run } from './base'
import { runsOf } from './base'
import type { Bill } from './cost'
import { billOf, costProblems } from './cost'
import type { Coverage } from './cover'
import { coverageOf, coverProblems, LayerCount } from './cover'
import type { Scene } from './glyph'
import { sceneOf } from './glyph'
import type { FinishedSize } from './hang'
import { finishedSize, fitProblems } from './hang'
import type { Step } from './make'
import { materialsOn, stepsOf } from './make'
import type { Shelf } from './material'
import type { Figure } from './measure'
import { COUNTED, figure, GEOMETRY, listed, quantity, several, sum } from './measure'
import type { Piece, Problem } from './piece'

/** Everything that follows from a piece. Plain data: it crosses from the worker as it is. */
export interface Workings {
  readonly layers: readonly WorkedLayer[]
  readonly placements: readonly Placement[]
  readonly base: { readonly rim: Figure, readonly centre: Figure }
  readonly tapes: readonly Tape[]
  readonly cover: Coverage
  readonly size: FinishedSize
  readonly stems: Figure
  readonly mass: Figure
  readonly bill: Bill
  readonly problems: readonly Problem[]
  readonly steps: readonly Step[]
  readonly scene: Scene
}

export interface WorkedLayer {
  readonly id: string
  /** "18 bracken fronds" */
  readonly title: string
  readonly count: number
  readonly spacing: Spacing | null
}

/**
 * The one entry to the core: what follows from the designer's decisions and what is known.
 * Pure: the same piece and shelf give the same workings. It reports problems and throws only for a broken contract.
 */
export const work = (piece: Piece, shelf: Shelf): Workings => workWith(new Memory(), piece, shelf)

/** The same, remembering between calls what the next one may use again: for asking after every edit. */
export function rememberingWork(): (piece: Piece, shelf: Shelf) => Workings {
  const memory = new Memory()
  return (piece, shelf) => workWith(memory, piece, shelf)
}

/** What one piece leaves behind for the next, each part kept by what it was made from. */
class Memory {
  readonly layers = new LayerCount()
  private shape = ''
  private runs: readonly Run[] = []

  /** The same runs, the very objects, while the base keeps its shape. */
  runsOf({ kind, outer, inner }: Piece['base']): readonly Run[] {
    const shape = [kind, outer, inner].join('|')
    if (shape !== this.shape) this.runs = runsOf({ kind, outer, inner })
    this.shape = shape
    return this.runs
  }
}

function workWith(memory: Memory, piece: Piece, shelf: Shelf): Workings {
  const runs = memory.runsOf(piece.base)
  const run = runs[0]!
  const laid = arrange(piece, runs, shelf)
  const placements = laid.flatMap((each) => each.placements)
  const spacings = new Map<string, Spacing>()
  for (const each of laid) {
    const own = runs.find(({ id }) => id === each.layer.run)
    const spacing = own ? spacingOf(own, each) : null
    if (spacing) spacings.set(each.layer.id, spacing)
  }
  const cover = coverageOf(run, placements, shelf, memory.layers)
  const size = finishedSize(piece, laid, shelf)
  const bill = billOf(piece, laid, shelf)
  const { outer, inner } = piece.base
  return {
    layers: laid.map((each) => ({ id: each.layer.id, title: titleOf(each, shelf), count: each.placements.length, spacing: spacings.get(each.layer.id) ?? null })),
    placements,
    base: {
      rim: figure(quantity.length(run.rim), sum`π × outer ${quantity.length(outer)} = ${quantity.length(run.rim)}`, GEOMETRY),
      centre: figure(quantity.length(run.length), sum`π × (outer ${quantity.length(outer)} + inner ${quantity.length(inner)}) ÷ 2 = ${quantity.length(run.length)}`, GEOMETRY),
    },
    tapes: runs.map((each) => tapeOf(each, laid)),
    cover, size,
    stems: stemsOf(laid, shelf),
    mass: massOf(laid, shelf),
    bill,
    problems: byWeight([
      ...arrangeProblems(laid, runs, shelf), ...fitProblems(piece, size, laid, shelf),
      ...coverProblems(piece, run, cover, laid, shelf), ...costProblems(piece, bill),
    ]),
    steps: stepsOf(piece, runs, laid, spacings, shelf),
    scene: sceneOf(piece, laid, shelf),
  }
}

function titleOf({ layer, placements }: LaidLayer, shelf: Shelf): string {
  const counts = new Map<string, number>()
  for (const { material } of placements) counts.set(material, (counts.get(material) ?? 0) + 1)
  if (!counts.size) return listed(layer.mix.map(({ material }) => shelf.materials[material]?.plural ?? material))
  return listed([...counts].map(([id, n]) => several(n, shelf.materials[id]!.name, shelf.materials[id]!.plural)))
}

function stemsOf(laid: readonly LaidLayer[], shelf: Shelf): Figure {
  const parts = laid.filter(({ placements }) => placements.length).map((each) => titleOf(each, shelf))
  const total = laid.reduce((n, { placements }) => n + placements.length, 0)
  return figure(quantity.count(total), parts.length ? sum`${parts.join(' + ')} = ${quantity.count(total)}` : sum`nothing laid yet`, COUNTED)
}

/** What is on the base weighs this much; the base itself comes on top. */
function massOf(laid: readonly LaidLayer[], shelf: Shelf): Figure {
  const counts = new Map<string, number>()
  for (const { material } of laid.flatMap(({ placements }) => placements)) counts.set(material, (counts.get(material) ?? 0) + 1)
  const rows = materialsOn(laid, shelf).map((material) => ({ material, n: counts.get(material.id)! }))
  const total = rows.reduce((mass, { material, n }) => mass + n * material.mass, 0)
  return figure(quantity.mass(total), rows.length
    ? [...rows.flatMap(({ material, n }, i) => [i ? ' + ' : '', `${n} ${material.plural} × `, quantity.mass(material.mass)]), ' = ', quantity.mass(total)]
    : sum`nothing laid yet`, { kind: 'rule of thumb' })
}

const WEIGHTS = ['fault', 'care', 'note'] as const

const byWeight = (problems: readonly Problem[]): Problem[] =>
  [...problems].sort((a, b) => WEIGHTS.indexOf(a.weight) - WEIGHTS.indexOf(b.weight))
