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

/** Counts the layers over every cell of the face. @returns depth by cell; meaningless off the face */
export function depths(grid: FaceGrid, patches: readonly (readonly Point[])[]): Uint16Array {
  const depth = new Uint16Array(grid.columns * grid.rows)
  for (const patch of patches) fill(grid, patch, (at) => { depth[at]! += 1 })
  return depth
}

export function coverageOf(run: Run, placements: readonly Placement[], shelf: Shelf): Coverage {
  const grid = faceGrid(run)
  const patches = placements.flatMap((placement) => {
    const material = shelf.materials[placement.material]
    return material ? [footprint(placement, material.form)] : []
  })
  const depth = depths(grid, patches)
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
