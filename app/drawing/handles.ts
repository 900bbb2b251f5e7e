import type { Placement } from '#core/placement'
import { footprint, HELD, inside, offBase, spotAlong } from '#core/placement'
import type { Run } from '#core/base'
import type { Point } from '#core/measure'
import { across, acrossAt, nearestOn, onRun, stationAt, wayTo } from '#core/base'
import type { Scene, SceneItem } from '#core/scene'
import { clamp, degrees, radians, wrapDegrees } from '#core/measure'

/** What is under a point, topmost first: the patches of a scene's items, kept while the scene is shown. */
export class Picker {
  private readonly patches: readonly { readonly item: SceneItem; readonly outline: readonly Point[]; readonly reach: number }[]

  constructor(scene: Scene) {
    this.patches = scene.items.map((item) => ({ item, outline: footprint(item, item.form), reach: Math.max(item.length, item.width) }))
  }

  at(point: Point, shown: (item: SceneItem) => boolean): SceneItem | null {
    for (let i = this.patches.length - 1; i >= 0; i--) {
      const { item, outline, reach } = this.patches[i]!
      if (shown(item) && Math.abs(point.x - item.x) <= reach && Math.abs(point.y - item.y) <= reach && inside(point, outline)) return item
    }
    return null
  }

  within(a: Point, b: Point, shown: (item: SceneItem) => boolean): SceneItem[] {
    const [left, right, top, bottom] = [Math.min(a.x, b.x), Math.max(a.x, b.x), Math.min(a.y, b.y), Math.max(a.y, b.y)]
    return this.patches.flatMap(({ item }) =>
      shown(item) && item.x >= left && item.x <= right && item.y >= top && item.y <= bottom ? [item] : [],
    )
  }
}

/** How far from its middle a thing takes what is let go on it, as a share of its half length and width. */
const TAKES = 0.7

/** Whether a thing has a body larger than another, which can be put on it by hand, and a point lies well within it. */
export function takesAt(item: SceneItem, point: Point, moved: Pick<SceneItem, 'length' | 'width'>): boolean {
  if (item.form === 'leaf' || item.length * item.width <= moved.length * moved.width) return false
  return inside(point, footprint({ ...item, length: item.length * TAKES, width: item.width * TAKES }, item.form))
}

/** Where the grips of a chosen thing are: at the tip of a stem to trim it, beyond it to turn. */
export function gripPoints(
  item: Pick<SceneItem, 'x' | 'y' | 'bearing' | 'bend' | 'length' | 'form' | 'tucked'>,
  scale: number,
): { readonly trim: Point | null; readonly turn: Point } {
  const tip = item.form === 'leaf' ? item.length * (1 - HELD) : item.length / 2
  const at = (far: number): Point => spotAlong(item, far, 0)
  return { trim: item.tucked !== null ? at(tip) : null, turn: at(tip + 22 / scale) }
}

/** The length of a stem whose tip is drawn to a point, mm. */
export const lengthTo = (item: Pick<SceneItem, 'x' | 'y' | 'bearing'>, { x, y }: Point): number => {
  const a = radians(item.bearing)
  return Math.max(5, ((x - item.x) * Math.cos(a) + (y - item.y) * Math.sin(a)) / (1 - HELD))
}

export const bearingTo = (item: Pick<SceneItem, 'x' | 'y'>, { x, y }: Point): number =>
  wrapDegrees(degrees(Math.atan2(y - item.y, x - item.x)))

/** Pixels within which a place snaps. */
const SNAP = 6
/** Pixels across the face within which a thing keeps its row. */
const ROW = 9

export interface Drag {
  readonly primary: Placement
  readonly run: Run
  /** From the pointer to the thing's place when it was gripped, mm along and half widths across. */
  readonly grip: { readonly along: number; readonly across: number }
  /** Places along the run that draw a thing to them. */
  readonly snaps: readonly number[]
}

export function startDrag(primary: Placement, run: Run, snaps: readonly number[], pointer: Point): Drag {
  const s = nearestOn(run, pointer)
  const station = stationAt(run, s)
  const t = acrossAt(station, pointer)
  return { primary, run, snaps, grip: { along: wayTo(run, s, primary.s), across: primary.t - t } }
}

/** How far a thing is moved when the pointer is here. @param free takes every place, without snapping */
export function dragTo(
  { primary, run, grip, snaps }: Drag,
  pointer: Point,
  scale: number,
  free: boolean,
): { readonly along: number; readonly across: number; readonly snapped: boolean } {
  const near = nearestOn(run, pointer)
  const station = stationAt(run, near)
  let s = onRun(run, near + grip.along)
  let snapped = false
  if (!free) {
    const best = snaps.reduce<number | null>(
      (found, each) => (found === null || Math.abs(wayTo(run, s, each)) < Math.abs(wayTo(run, s, found)) ? each : found),
      null,
    )
    if (best !== null && Math.abs(wayTo(run, s, best)) * scale < SNAP) [s, snapped] = [best, true]
  }
  const t = acrossAt(station, pointer) + grip.across
  const off = primary.cord ? 0 : t - primary.t
  return { along: wayTo(run, primary.s, s), across: Math.abs(off * station.half * scale) < ROW ? 0 : clamp(off, -2, 2), snapped }
}

/** An item as it is while it is moved along its run: it turns with the run. */
export function movedItem(item: SceneItem, placement: Placement, run: Run, by: { along: number; across: number }): SceneItem {
  const was = stationAt(run, placement.s)
  const station = stationAt(run, onRun(run, placement.s + by.along))
  const on = across(station, placement.t + by.across)
  // On a cord, or on what bears it, it lies as far from there as it did.
  const off = offBase({ x: item.x, y: item.y, s: placement.s, t: placement.t }, run)
  const turned = degrees(Math.atan2(station.ty, station.tx) - Math.atan2(was.ty, was.tx))
  return {
    ...item,
    x: on.x + off.x,
    y: on.y + off.y,
    cord: item.cord ? on : null,
    along: item.along + turned,
    bearing: item.form === 'leaf' ? item.bearing + turned : item.bearing,
  }
}
