import type { Placement } from '../arrange'
import type { Point, Run } from '../base'
import type { Shelf } from '../material'
import type { Figure } from '../measure'
import { COUNTED, figure, quantity, sum } from '../measure'
import type { FaceGrid } from './grid'
import { faceGrid, fill } from './grid'
import { footprint } from './footprint'

/** How much of a run's face is under something, by a count of cells. */
export interface Coverage {
  readonly run: string
  readonly share: Figure
  /** The share that lies under two or more. */
  readonly twoDeep: Figure
  readonly meanDepth: Figure
  readonly bare: readonly BareStretch[]
}

/** A stretch of the run most of whose face shows. */
export interface BareStretch { readonly from: number, readonly length: number }

/** A stretch counts as bare when less than this share of it is covered: rule of thumb. */
const BARE_BELOW = 0.35
/** Shorter bare stretches than this share of the face's width are nothing to an eye: rule of thumb. */
const BARE_LEAST = 0.75

/**
 * Counts the layers over every cell of a run's face, and remembers what it counted: asked again about the same run,
 * it takes away the patches that are gone and adds those that are new. The counts are the same as counted afresh.
 */
export class LayerCount {
  private grid: FaceGrid | null = null
  private run: Run | null = null
  private depth = new Uint16Array()
  private counted = new Map<string, readonly Point[]>()

  /** @returns depth by cell, meaningless off the face; good until the next count */
  count(run: Run, placements: readonly Placement[], shelf: Shelf): { readonly grid: FaceGrid, readonly depth: Uint16Array } {
    if (this.run !== run || !this.grid) {
      this.run = run
      this.grid = faceGrid(run)
      this.depth = new Uint16Array(this.grid.columns * this.grid.rows)
      this.counted = new Map()
    }
    const { grid, depth } = this
    const now = new Map<string, readonly Point[]>()
    for (const placement of placements) {
      const form = shelf.materials[placement.material]?.form
      if (!form) continue
      const key = [placement.id, form, placement.x, placement.y, placement.bearing, placement.length, placement.width].join('|')
      const known = this.counted.get(key)
      now.set(key, known ?? footprint(placement, form))
      if (!known) fill(grid, now.get(key)!, (at) => { depth[at]! += 1 })
    }
    for (const [key, patch] of this.counted) {
      if (!now.has(key)) fill(grid, patch, (at) => { depth[at]! -= 1 })
    }
    this.counted = now
    return { grid, depth }
  }
}

export function coverageOf(run: Run, placements: readonly Placement[], shelf: Shelf, counter = new LayerCount()): Coverage {
  const { grid, depth } = counter.count(run, placements, shelf)
  const covered = new Uint32Array(grid.stretches)
  const size = new Uint32Array(grid.stretches)
  let one = 0
  let two = 0
  let total = 0
  grid.stretch.forEach((owner, at) => {
    if (!owner) return
    size[owner - 1]! += 1
    total += depth[at]!
    if (depth[at]! > 0) {
      one += 1
      covered[owner - 1]! += 1
    }
    if (depth[at]! > 1) two += 1
  })
  const cells = quantity.count(grid.cells)
  return {
    run: run.id,
    share: figure(quantity.share(one / grid.cells), sum`${quantity.count(one)} of ${cells} cells of the face lie under something, each ${quantity.length(grid.cell)} square`, COUNTED),
    twoDeep: figure(quantity.share(two / grid.cells), sum`${quantity.count(two)} of ${cells} cells of the face lie under two or more`, COUNTED),
    meanDepth: figure(quantity.ratio(total / grid.cells), sum`${quantity.count(total)} layers counted over ${cells} cells of the face`, COUNTED),
    bare: bareStretches(run, grid, covered, size),
  }
}

function bareStretches(run: Run, grid: FaceGrid, covered: Uint32Array, size: Uint32Array): BareStretch[] {
  const n = grid.stretches
  const step = run.length / n
  const least = BARE_LEAST * 2 * run.at(0).half
  const isBare = Array.from({ length: n }, (_, i) => covered[i]! < BARE_BELOW * size[i]!)
  if (isBare.every(Boolean)) return [{ from: 0, length: run.length }]
  const start = run.closed ? isBare.indexOf(false) : 0
  const found: BareStretch[] = []
  let count = 0
  for (let k = 0; k <= n; k++) {
    const i = start + k
    if (k < n && isBare[i % n]) count += 1
    else {
      if (count > 0 && count * step >= least) found.push({ from: ((i - count) % n) * step, length: count * step })
      count = 0
    }
  }
  return found
}
