import type { AgainstFigures, LaidLayer, LaidPiece, Placement, Spacing, Tape, Zone } from './placement'
import { againstOf, arrange, arrangeProblems, LaidMemory, stemsOf, tapesOf, titleOf } from './placement'
import type { BaseFigure, Run } from './base'
import { baseFigures, boundsOf, reachOf, runsOf } from './base'
import type { Balance, ColourCarry, Contrast, Coverage, Judged, SeenLayer } from './coverage'
import {
  balanceOf,
  colourCarry,
  contrastOf,
  contrastVerdicts,
  coverageFrom,
  fullnessMeant,
  coverProblems,
  coverVerdicts,
  LayerCount,
  seenShares,
} from './coverage'
import type { Scene } from './scene'
import { sceneOf } from './scene'
import type { Fixing, FixingAmount } from './fixing'
import { fixProblems } from './fixing'
import type { FinishedSize, Hung, LoadPath, Masses, Proportion } from './hanging'
import { finishedSize, fitProblems, hangProblems, hungOf, loadPaths, loadProblems, proportionsOf } from './hanging'
import type { Schedule, Task, TaskTime } from './tasks'
import { keepingMaterials, keepingProblems, scheduleOf, timesOf } from './tasks'
import type { MakeUp } from './constructions'
import { makeUpProblems } from './constructions'
import type { PartOnShelf } from './looks'
import type { Need, Shelf } from './material'
import { madeOf, shownOf } from './making'
import { withParts } from './parts'
import type { Bounds, Figure } from './measure'
import { sharing } from './measure'
import type { Piece, Problem } from './piece'
import { worstFirst } from './piece'

/** Everything that follows from a piece. Plain data: it crosses from the worker as it is. */
export interface Workings {
  readonly layers: readonly WorkedLayer[]
  /** What it makes beforehand, as the materials that its layers are laid of. */
  readonly parts: readonly (PartOnShelf & { readonly count: number })[]
  readonly placements: readonly Placement[]
  readonly zones: readonly Zone[]
  readonly base: { readonly figures: readonly BaseFigure[]; readonly mass: Figure; readonly bounds: Bounds; readonly makeUp: MakeUp }
  readonly tapes: readonly Tape[]
  readonly cover: Coverage
  /** What of each layer is seen from the front. */
  readonly seen: readonly SeenLayer[]
  readonly balance: Balance
  readonly carry: readonly ColourCarry[]
  readonly contrast: Contrast
  /** What cover, balance and contrast come to in words. */
  readonly verdicts: { readonly cover: readonly Judged[]; readonly contrast: readonly Judged[] }
  readonly proportions: readonly Proportion[]
  readonly size: FinishedSize
  readonly stems: Figure
  readonly mass: Masses
  /** All that one copy takes: what is bought, cut or reserved for it is the workroom's to say. */
  readonly needs: readonly Need[]
  /** How everything is held that is not held by how it is made, in its parts too, and what that takes. */
  readonly fixings: readonly Fixing[]
  readonly taken: readonly FixingAmount[]
  /** From every heavy thing to the hanger, the chains that would let go first. */
  readonly loads: readonly LoadPath[]
  readonly hung: Hung
  readonly problems: readonly Problem[]
  /** In the order in which hands take them. */
  readonly tasks: readonly Task[]
  readonly schedule: Schedule
  readonly scene: Scene
}

export interface WorkedLayer {
  readonly id: string
  /** "18 bracken fronds" */
  readonly title: string
  readonly count: number
  readonly spacing: Spacing | null
  /** For N against M: both ways to do it. */
  readonly against: AgainstFigures | null
  /** What it comes to when it is bound. */
  readonly makeUp: MakeUp | null
}

/**
 * The one entry to the core: what follows from the designer's decisions and what is known.
 * Pure: the same piece and shelf give the same workings. It reports problems and throws only for a broken contract.
 */
export const work = (piece: Piece, shelf: Shelf): Workings => workWith(new Memory(), piece, shelf)

/** The same, remembering between calls what the next one may use again: for asking after every edit, with copies or not. */
export function rememberingWork(): (piece: Piece, shelf: Shelf) => Workings {
  const memory = new Memory()
  let last: { readonly piece: Piece; readonly shelf: Shelf } | null = null
  return (piece, shelf) => {
    last = last ? { piece: sharing(last.piece, piece), shelf: sharing(last.shelf, shelf) } : { piece, shelf }
    return workWith(memory, last.piece, last.shelf)
  }
}

/** What one piece leaves behind for the next, each part kept by what it was made from. */
class Memory {
  readonly layers = new LayerCount()
  readonly laid = new LaidMemory()
  private shape = ''
  private base: { runs: readonly Run[]; bounds: Bounds } = { runs: [], bounds: { left: 0, top: 0, right: 0, bottom: 0 } }

  /** The same runs, the very objects, while the base is the same kind in the same shape: what was laid on them holds. */
  baseOf({ kind, shape, turn }: Piece['base']): { readonly runs: readonly Run[]; readonly bounds: Bounds } {
    const key = JSON.stringify([kind, shape, turn])
    if (key !== this.shape) {
      const runs = runsOf({ shape, turn })
      this.base = { runs, bounds: boundsOf(runs) }
      this.shape = key
    }
    return this.base
  }
}

/** What the workroom wants to know of a piece: what one copy needs and what is to be done for it. Small, and quicker than all of its workings. */
export interface InBrief {
  readonly needs: readonly Need[]
  readonly tasks: readonly TaskTime[]
}

export function inBrief(piece: Piece, shelf: Shelf): InBrief {
  const { parts, shelf: on } = withParts(piece, shelf)
  const runs = runsOf(piece.base)
  const { needs, ordered } = madeOf({ piece, runs, laid: shownOf(arrange(piece, runs, on)), shelf: on }, parts)
  return { needs, tasks: timesOf(ordered.tasks, shelf) }
}

/** How a piece looks: what is covered, how its weight lies, its colours, and how large it comes out. */
function seenOf(memory: Memory, of: LaidPiece, bounds: Bounds) {
  const { piece, runs, laid, shelf } = of
  const counted = memory.layers.count(
    runs,
    laid.flatMap(({ placements }) => placements),
    shelf,
  )
  const counting = coverageFrom(runs, counted, shelf)
  // What shows on purpose is not bare.
  const cover = fullnessMeant(piece) === 'sparse' ? { ...counting, bare: [] } : counting
  return {
    counted,
    cover,
    shares: seenShares(laid, shelf),
    balance: balanceOf(of, reachOf(bounds), cover.sectors),
    carry: colourCarry(laid, reachOf(bounds), shelf),
    contrast: contrastOf(piece, laid, shelf),
    size: finishedSize(bounds, [...counted.patches.values()]),
    proportions: runs[0]!.closed ? proportionsOf(bounds, laid, shelf) : [],
  }
}

function layersWorked({ piece, runs, laid, shelf }: LaidPiece, all: readonly LaidLayer[], made: ReturnType<typeof madeOf>): WorkedLayer[] {
  return all.map((one) => {
    const { id } = one.layer
    const makeUp = made.makeUps.get(id) ?? null
    return {
      id,
      title: makeUp?.title ?? titleOf(one, shelf),
      count: one.placements.length,
      spacing: made.spacings.get(id) ?? null,
      against: againstOf(piece, runs, laid, id),
      makeUp,
    }
  })
}

function workWith(memory: Memory, piece: Piece, without: Shelf): Workings {
  const { parts, looks, shelf } = withParts(piece, without)
  const { runs, bounds } = memory.baseOf(piece.base)
  const all = arrange(piece, runs, shelf, memory.laid)
  const laid = shownOf(all)
  const of: LaidPiece = { piece, runs, laid, shelf }
  const seen = seenOf(memory, of, bounds)
  const { cover, balance, carry, contrast, size, proportions } = seen
  const made = madeOf(of, parts)
  const { ofBase, fixings, needs, taken, masses, ordered } = made
  const hung = hungOf(of, masses, size)
  const loads = loadPaths(of, fixings)
  const materials = keepingMaterials(laid, shelf, new Map(parts.map((each) => [each.id, each.materials])))
  return {
    layers: layersWorked(of, all, made),
    parts: parts.map(({ part }, i) => ({ ...looks[i]!, count: made.counts.get(part.id)! })),
    placements: all.flatMap(({ placements }) => placements),
    zones: laid.flatMap(({ zones }) => zones),
    base: { figures: baseFigures(piece.base, runs), mass: masses.base, bounds, makeUp: ofBase },
    tapes: tapesOf(runs, laid),
    cover,
    seen: seen.shares,
    balance,
    carry,
    contrast,
    proportions,
    size,
    verdicts: { cover: coverVerdicts(piece, runs, cover, balance, shelf), contrast: contrastVerdicts(piece, contrast) },
    stems: stemsOf(laid, shelf),
    mass: masses,
    needs,
    fixings: [...fixings, ...parts.flatMap((part) => (made.counts.get(part.part.id)! > 0 ? part.fixings : []))],
    taken,
    loads,
    hung,
    problems: worstFirst([
      ...arrangeProblems(of),
      ...makeUpProblems(of),
      ...fixProblems(piece, fixings, needs, cover.share.value, shelf),
      ...loadProblems(piece, loads, fixings),
      ...hangProblems(of, masses, hung, size),
      ...ordered.problems,
      ...parts.flatMap((part) => part.problems),
      ...keepingProblems(piece, materials, shelf),
      ...fitProblems(piece, size, proportions, laid, shelf),
      ...coverProblems({ ...of, ...seen }),
    ]),
    tasks: ordered.tasks,
    schedule: scheduleOf(piece, ordered.tasks, materials, shelf),
    scene: sceneOf({ ...of, laid: all }, bounds, new Set(seen.shares.flatMap(({ among }) => among))),
  }
}
