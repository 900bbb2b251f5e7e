import type { Placement } from '../placement'
import type { Run } from '../base'
import { distanceBetween, stationAt } from '../base'
import type { Silhouette } from '../looks'
import { boundsAt, liesAlike, silhouetteOf } from '../looks'
import type { Shelf } from '../material'
import type { Bounds, Figure, Rated } from '../measure'
import { COUNTED, figure, quantity, rate, sum } from '../measure'
import type { FaceGrid } from './grid'
import { faceGrid, under } from './grid'
import { BARE_BELOW } from './rules-of-thumb'

/** How much of a base's faces is under something, by a count of cells. */
export interface Coverage {
  readonly share: Figure
  /** The share that lies under two or more. */
  readonly twoDeep: Figure
  readonly meanDepth: Figure
  /** 100 % when every sector is as deep as every other. */
  readonly evenness: Figure
  readonly sectors: readonly Sector[]
  readonly bare: readonly BareStretch[]
}

/** A part of a run: an hour of the clock on a closed one, a twelfth or so of an open one. */
export interface Sector {
  readonly run: string
  readonly from: number
  readonly length: number
  /** Covered, 0 to 1. */
  readonly share: number
  /** Mean number of layers. */
  readonly depth: number
}

/** A stretch of a run most of whose face shows. */
export interface BareStretch {
  readonly run: string
  readonly from: number
  readonly length: number
}

/** Shorter bare stretches than this share of the face's width, or than this, mm, are nothing to an eye: rules of thumb. */
const BARE_LEAST = 0.75
const BARE_SHORTEST = 25
const SECTORS = 12

/** Layers by cell, meaningless off the faces, and what hides them, thing by thing. */
export interface CoverageCount {
  readonly grid: FaceGrid
  readonly depth: Uint16Array
  readonly patches: ReadonlyMap<string, Patch>
}

/** A thing where it lies, by its silhouette. */
export interface Patch {
  readonly of: Placement
  readonly silhouette: Silhouette
  readonly edges: Bounds
}

const lies = (a: Placement, b: Placement): boolean => a.x === b.x && a.y === b.y && liesAlike(a, b)

/**
 * Counts the layers over every cell of the faces, and remembers what it counted: asked again about the same runs,
 * it takes away the patches that are gone and adds those that are new. The counts are the same as counted afresh.
 */
export class LayerCount {
  private runs: readonly Run[] | null = null
  private shelf: Shelf['materials'] | null = null
  private counted: CoverageCount | null = null

  /** @returns what is good until the next count */
  count(runs: readonly Run[], placements: readonly Placement[], shelf: Shelf): CoverageCount {
    const again = this.runs === runs && this.shelf === shelf.materials && this.counted
    const grid = faceGrid(runs)
    const { depth, patches } = again || { depth: new Uint16Array(grid.columns * grid.rows), patches: new Map<string, Patch>() }
    // Counted afresh, it is tallied afresh: that is quicker than to note every cell.
    const tally = again ? kept.get(again) : undefined
    const now = new Map<string, Patch>()
    for (const of of placements) {
      const known = patches.get(of.id)
      if (known && (known.of === of || lies(known.of, of))) {
        now.set(of.id, known)
        continue
      }
      const silhouette = silhouetteOf(of, shelf)
      now.set(of.id, { of, silhouette, edges: boundsAt(silhouette, of) })
      const cells = under(grid, silhouette, of)
      for (let i = 0; i < cells.length; i++) depth[cells[i]!]! += 1
      if (tally) for (const at of cells) tally.note(at, depth[at]! - 1, depth[at]!)
    }
    for (const [id, patch] of patches) {
      if (now.get(id) === patch) continue
      for (const at of under(grid, patch.silhouette, patch.of)) {
        depth[at]! -= 1
        tally?.note(at, depth[at]! + 1, depth[at]!)
      }
    }
    this.runs = runs
    this.shelf = shelf.materials
    this.counted = { grid, depth, patches: now }
    if (tally) kept.set(this.counted, tally)
    return this.counted
  }
}

/** Cells of each stretch: all of them, those covered, and all layers over them; and cells covered twice, over all stretches. */
class Tally {
  readonly size: Uint32Array
  readonly covered: Uint32Array
  readonly layers: Uint32Array
  two = 0

  constructor(private readonly grid: FaceGrid) {
    const n = grid.stretches.length
    this.size = new Uint32Array(n)
    this.covered = new Uint32Array(n)
    this.layers = new Uint32Array(n)
    for (const at of grid.face) this.size[grid.owner[at]! - 1]! += 1
  }

  /** Notes that a cell went from so many layers to so many. */
  note(at: number, before: number, now: number): void {
    const own = this.grid.owner[at]!
    if (!own) return
    this.layers[own - 1]! += now - before
    this.covered[own - 1]! += Number(now > 0) - Number(before > 0)
    this.two += Number(now > 1) - Number(before > 1)
  }
}

/** Tallies that are kept up with their counts; what is counted otherwise is tallied from its cells. */
const kept = new WeakMap<CoverageCount, Tally>()

function tallied(counted: CoverageCount): Tally {
  const known = kept.get(counted)
  if (known) return known
  const { grid, depth } = counted
  const tally = new Tally(grid)
  const { owner, face } = grid
  for (let i = 0; i < face.length; i++) {
    const at = face[i]!
    const deep = depth[at]!
    if (!deep) continue
    tally.layers[owner[at]! - 1]! += deep
    tally.covered[owner[at]! - 1]! += 1
    if (deep > 1) tally.two += 1
  }
  kept.set(counted, tally)
  return tally
}

/** How much of these runs' faces is under these things, counted afresh. */
export const coverageOf = (runs: readonly Run[], placements: readonly Placement[], shelf: Shelf): Coverage =>
  coverageFrom(runs, new LayerCount().count(runs, placements, shelf), shelf)

export function coverageFrom(runs: readonly Run[], counted: CoverageCount, by: Rated): Coverage {
  const { grid } = counted
  const { size, covered, layers, two } = tallied(counted)
  const one = covered.reduce((a, b) => a + b, 0)
  const total = layers.reduce((a, b) => a + b, 0)
  const cells = quantity.count(grid.cells)
  const of = (n: number): number => (grid.cells ? n / grid.cells : 0)
  const sectors = runs.flatMap((run) => sectorsOf(run, grid, size, covered, layers))
  return {
    share: figure(
      quantity.share(of(one)),
      sum`${quantity.count(one)} of ${cells} cells of the face lie under something, each ${quantity.length(grid.cell)} square`,
      COUNTED,
    ),
    twoDeep: figure(quantity.share(of(two)), sum`${quantity.count(two)} of ${cells} cells of the face lie under two or more`, COUNTED),
    meanDepth: figure(quantity.ratio(of(total)), sum`${quantity.count(total)} layers counted over ${cells} cells of the face`, COUNTED),
    evenness: evennessOf(sectors),
    sectors,
    bare: runs.flatMap((run) => bareStretches(run, grid, covered, size, rate(BARE_BELOW, by))),
  }
}

/** One less the scatter of the sectors' depths (standard deviation over mean), no less than nothing. */
function evennessOf(sectors: readonly Sector[]): Figure {
  const mean = sectors.reduce((total, { depth }) => total + depth, 0) / sectors.length
  const spread = Math.sqrt(sectors.reduce((total, { depth }) => total + (depth - mean) ** 2, 0) / sectors.length)
  const value = mean > 0 ? Math.max(0, 1 - spread / mean) : 0
  return figure(
    quantity.share(value),
    mean > 0
      ? sum`1 − ${quantity.ratio(spread)} (how the depths of ${quantity.count(sectors.length)} sectors scatter) ÷ ${quantity.ratio(mean)} (their mean) = ${quantity.share(value)}`
      : sum`nothing laid yet`,
    COUNTED,
  )
}

function sectorsOf(run: Run, grid: FaceGrid, size: Uint32Array, covered: Uint32Array, layers: Uint32Array): Sector[] {
  // On a closed run the first sector lies about twelve o'clock, as an hour does.
  const shift = run.closed ? run.length / SECTORS / 2 : 0
  return Array.from({ length: SECTORS }, (_, i): Sector => {
    let [all, some, deep] = [0, 0, 0]
    grid.stretches.forEach((stretch, k) => {
      if (stretch.run !== run.id) return
      const middle = stretch.from + stretch.length / 2 + shift
      if (Math.floor(((middle % run.length) / run.length) * SECTORS) !== i) return
      all += size[k]!
      some += covered[k]!
      deep += layers[k]!
    })
    return {
      run: run.id,
      from: (i * run.length) / SECTORS - shift,
      length: run.length / SECTORS,
      share: all ? some / all : 0,
      depth: all ? deep / all : 0,
    }
  })
}

function bareStretches(run: Run, grid: FaceGrid, covered: Uint32Array, size: Uint32Array, below: number): BareStretch[] {
  const own = grid.stretches.flatMap((stretch, i) => (stretch.run === run.id ? [i] : []))
  const n = own.length
  const step = run.length / n
  const least = Math.max(BARE_SHORTEST, BARE_LEAST * 2 * stationAt(run, run.length / 3).half)
  // A stretch that another run's face lies over has no cells of its own, and is not bare.
  const isBare = own.map((i) => size[i]! > 0 && covered[i]! < below * size[i]!)
  if (isBare.every(Boolean)) return [{ run: run.id, from: 0, length: run.length }]
  const start = run.closed ? isBare.indexOf(false) : 0
  const found: BareStretch[] = []
  let count = 0
  for (let k = 0; k <= n; k++) {
    const i = start + k
    if (k < n && isBare[i % n]) count += 1
    else {
      if (count > 0 && count * step >= least) found.push({ run: run.id, from: ((i - count) % n) * step, length: count * step })
      count = 0
    }
  }
  return found
}

/** How much of the face about a place on a run is covered, half the face's width to each side, 0 to 1. */
export function coveredAt(counted: CoverageCount, run: Run, s: number): number {
  const { size, covered } = tallied(counted)
  const reach = stationAt(run, s).half
  let [cells, some] = [0, 0]
  counted.grid.stretches.forEach((stretch, i) => {
    if (stretch.run !== run.id || distanceBetween(run, stretch.from + stretch.length / 2, s) > reach) return
    cells += size[i]!
    some += covered[i]!
  })
  return cells ? some / cells : 0
}
