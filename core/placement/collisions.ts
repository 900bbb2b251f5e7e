import type { Run } from '../base'
import type { Point } from '../measure'
import { clamp } from '../measure'
import { across, onRun, stationAt } from '../base'
import { footprint } from './footprint'
import { bearerOf } from '../piece'
import { bearersUnder, offBase } from './bearing'
import type { LaidLayer, Placement } from './placement'
import { inside } from './reserved-zones'

/** Two things that get in each other's way. */
export interface Clash {
  readonly thing: Placement
  readonly against: Placement
  /** How far one reaches into the other, mm. */
  readonly depth: number
  /** Whether the thing lies over what it should leave to be seen. */
  readonly hides: boolean
}

/** Solid things may press into each other by this share of the smaller: rule of thumb. */
const PRESSED = 0.2
/** Less of a leaf over a sign than this share of its width is nothing to an eye: rule of thumb. */
const OVERLAPS = 0.25

interface Shape {
  readonly of: Placement
  readonly outline: readonly Point[]
  readonly reach: number
  readonly solid: boolean
  readonly shown: boolean
  /** A sign or a bow, of which none lies where another does. */
  readonly single: boolean
  /** What bears it, and what bears that, by id. */
  readonly roots: ReadonlySet<string>
}

/**
 * What gets in the way of bows, signs and focals: solid things of another layer that press into them, and stems
 * that lie over them. Deepest first.
 */
export function clashesOf(laid: readonly LaidLayer[]): Clash[] {
  const isShown = ({ layer }: LaidLayer): boolean => layer.role === 'bow' || layer.role === 'sign' || layer.role === 'focal'
  if (!laid.some((each) => isShown(each) && each.placements.length)) return []
  const patches = patchesOf(laid)
  const shown = patches.filter((each) => each.shown)
  const found: Clash[] = []
  shown.forEach((target, i) => {
    for (const each of patches) {
      // Heads of a layer may press into each other; signs and bows of one may not.
      if (each.of.layer === target.of.layer && (each === target || !each.single)) continue
      // Two that are both to be seen meet once, and the later one is in the way.
      if (each.shown && shown.indexOf(each) < i) continue
      const hides = !each.solid
      if (hides && each.of.lift <= target.of.lift) continue
      if (apart(each, target)) continue
      // What bears a thing is not in its way, nor it in that's.
      if (each.roots.has(target.of.id) || target.roots.has(each.of.id)) continue
      const depth = reachInto(each.outline, target.outline)
      const least = Math.min(each.of.width, target.of.width) * (hides ? OVERLAPS : PRESSED)
      if (depth > least) found.push({ thing: each.of, against: target.of, depth, hides })
    }
  })
  return toldOnce(found, patches).sort((a, b) => b.depth - a.depth)
}

/** Without the clashes of what lies on a thing that is in the same way itself: that one moved, they are gone. */
function toldOnce(found: readonly Clash[], patches: readonly Shape[]): Clash[] {
  const rootsOf = new Map(patches.map(({ of, roots }) => [of.id, roots]))
  const pairs = new Set(found.map(({ thing, against }) => `${thing.id} ${against.id}`))
  return found.filter(({ thing, against }) => ![...rootsOf.get(thing.id)!].some((bearer) => pairs.has(`${bearer} ${against.id}`)))
}

function patchesOf(laid: readonly LaidLayer[]): Shape[] {
  const borne = laid.some(({ layer }) => bearerOf(layer.rule) !== null)
  const byId = new Map(borne ? laid.flatMap(({ placements }) => placements.map((each) => [each.id, each])) : [])
  return laid.flatMap(({ layer, placements }) => placements.map((of) => patchOf(layer, of, byId)))
}

const NONE: ReadonlySet<string> = new Set()

function patchOf(layer: LaidLayer['layer'], of: Placement, byId: ReadonlyMap<string, Placement>): Shape {
  const { form } = of
  const shown = layer.role === 'bow' || layer.role === 'sign' || (layer.role === 'focal' && form !== 'leaf')
  return {
    of,
    outline: footprint(of, form),
    reach: Math.max(of.length, of.width),
    solid: form !== 'leaf' && (shown || layer.role === 'accent'),
    shown,
    single: layer.role === 'bow' || layer.role === 'sign',
    roots: of.bearer === null ? NONE : new Set(bearersUnder(of, byId).map(({ id }) => id)),
  }
}

/** Steps in which a free place is looked for, mm, and how many at most. */
const SLIDE = 3
const MOST_SLIDES = 400

/** The shortest way along its run to where a solid thing is in nobody's way, mm, negative back; null when there is no such place. */
export function freeAlong(laid: readonly LaidLayer[], thing: Placement, run: Run): number | null {
  const layer = laid.find((each) => each.layer.id === thing.layer)!.layer
  const patches = patchesOf(laid)
  const { shown, roots } = patches.find(({ of }) => of === thing) ?? patchOf(layer, thing, new Map())
  const others = patches.filter(
    (each) =>
      each.of.id !== thing.id &&
      !roots.has(each.of.id) &&
      !each.roots.has(thing.id) &&
      (each.of.layer !== thing.layer || each.single) &&
      (each.shown || (shown && each.solid)),
  )
  const off = offBase(thing, run)
  for (let i = 1; i <= Math.min(MOST_SLIDES, run.length / SLIDE); i++) {
    for (const by of [i * SLIDE, -i * SLIDE]) {
      const s = run.closed ? onRun(run, thing.s + by) : thing.s + by
      if (s < 0 || s > run.length) continue
      const { x, y } = across(stationAt(run, s), thing.t)
      const moved = patchOf(layer, { ...thing, s, x: x + off.x, y: y + off.y }, new Map())
      if (
        others.every(
          (other) => apart(moved, other) || reachInto(moved.outline, other.outline) <= Math.min(thing.width, other.of.width) * PRESSED,
        )
      )
        return by
    }
  }
  return null
}

const apart = (a: Shape, b: Shape): boolean => Math.hypot(a.of.x - b.of.x, a.of.y - b.of.y) > a.reach + b.reach

/** How deep either outline lies within the other, mm; 0 when they are apart. */
export function reachInto(a: readonly Point[], b: readonly Point[]): number {
  const into = (points: readonly Point[], outline: readonly Point[]): number =>
    points.reduce((deepest, point) => (inside(point, outline) ? Math.max(deepest, toEdge(point, outline)) : deepest), 0)
  // One that lies wholly in another's place, edge on edge, reaches into it as far as its middle.
  return Math.max(into([...a, middleOf(a)], b), into([...b, middleOf(b)], a))
}

const middleOf = (outline: readonly Point[]): Point => ({
  x: outline.reduce((all, { x }) => all + x, 0) / outline.length,
  y: outline.reduce((all, { y }) => all + y, 0) / outline.length,
})

/** How far a point lies from the nearest edge of a polygon, mm. */
export function toEdge({ x, y }: Point, outline: readonly Point[]): number {
  return outline.reduce((least, a, i) => {
    const b = outline[(i + 1) % outline.length]!
    const [dx, dy] = [b.x - a.x, b.y - a.y]
    const size = dx * dx + dy * dy
    const u = size > 0 ? clamp(((x - a.x) * dx + (y - a.y) * dy) / size, 0, 1) : 0
    return Math.min(least, Math.hypot(x - a.x - u * dx, y - a.y - u * dy))
  }, Infinity)
}
