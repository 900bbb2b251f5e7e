import type { Scene, SceneItem } from '#core/scene'
import { baseBounds } from '#core/looks'
import type { Bounds } from '#core/measure'
import type { BasePicture } from './scene'
import { basePicture, common, paintBase, paintingWithin, paintLight, paintSurface, toView } from './scene'
import type { View } from './view'
import { regionOf, sameView } from './view'
import { boxOf, footOf } from './sprites'

/** What is painted of a scene for one view: what it hangs on, what hangs, and the light over it. The view is in pixels of the screen. */
export interface Pictures {
  readonly view: View
  readonly scene: Scene
  /** What is painted of the scene's things, from back to front. */
  readonly items: readonly SceneItem[]
  readonly ground: OffscreenCanvas
  readonly still: OffscreenCanvas
  /** Null by day. */
  readonly veil: OffscreenCanvas | null
}

const bases: { key: string; picture: BasePicture }[] = []
/** Pictures of bases that are kept: of the piece on the bench at a few scales. */
const BASES_KEPT = 6
/** What is painted of a base beyond each side of what is looked at, as a share of it, so that a pan finds it there. */
const ABOUT = 0.25

/** The picture of a base where it is looked at: of all of it, unless most of it is out of view. */
function baseOf(scene: Scene, view: View): BasePicture {
  const key = JSON.stringify([
    scene.base.kind,
    scene.base.shape,
    scene.base.turn,
    scene.base.colour,
    Math.ceil(2 * Math.log2(view.scale) - 1e-6),
  ])
  const seen = common(baseBounds(scene.runs), regionOf(view))
  const known = bases.find((each) => each.key === key && (!seen || contains(each.picture.bounds, seen)))
  if (known) return known.picture
  const { left, right, top, bottom } = regionOf(view)
  const [x, y] = [ABOUT * (right - left), ABOUT * (bottom - top)]
  const picture = basePicture(scene, view.scale, { left: left - x, right: right + x, top: top - y, bottom: bottom + y })
  bases.unshift({ key, picture })
  bases.length = Math.min(bases.length, BASES_KEPT)
  return picture
}
const contains = (a: Bounds, b: Bounds): boolean => a.left <= b.left && a.right >= b.right && a.top <= b.top && a.bottom >= b.bottom

function sheet({ width, height }: View): { readonly image: OffscreenCanvas; readonly ctx: OffscreenCanvasRenderingContext2D } {
  const image = new OffscreenCanvas(Math.max(1, Math.round(width)), Math.max(1, Math.round(height)))
  return { image, ctx: image.getContext('2d')! }
}

/**
 * Paints a scene for a view, a little at each step; what is out of view is left out.
 * @param items those of the scene's things that are painted
 * @param before pictures of which the ground may be taken over
 */
export function* painting(scene: Scene, items: readonly SceneItem[], view: View, before: Pictures | null): Generator<void, Pictures> {
  const ground = before && sameView(before.view, view) && sameSurface(before.scene, scene) ? before.ground : groundOf(scene, view)
  yield
  const { image: still, ctx } = sheet(view)
  toView(ctx, view)
  const picture = baseOf(scene, view)
  yield
  paintBase(ctx, picture)
  yield* paintingWithin(ctx, scene.base, items, regionOf(view), view.scale)
  return { view, scene, items, ground, still, veil: veilOf(scene, items, view) }
}

function groundOf(scene: Scene, view: View): OffscreenCanvas {
  const { image, ctx } = sheet(view)
  toView(ctx, view)
  paintSurface(ctx, scene, view)
  return image
}

function veilOf(scene: Scene, items: readonly SceneItem[], view: View): OffscreenCanvas | null {
  if (scene.surface.light === 'day') return null
  const { image, ctx } = sheet(view)
  toView(ctx, view)
  paintLight(ctx, scene, items, view)
  return image
}

/** More things than this that changed are painted anew with all the rest. */
const FEW = 24
/** Pixels about a patch. */
const RIM = 2

/**
 * The pictures after a change of few things: only where these lay or lie is painted again, in the picture that is there.
 * @returns null when too much changed
 */
export function touchedUp(before: Pictures, scene: Scene, items: readonly SceneItem[]): Pictures | null {
  if (!sameSurface(before.scene, scene) || JSON.stringify(before.scene.base) !== JSON.stringify(scene.base)) return null
  const changed = changesOf(before.items, items)
  if (!changed || changed.length > FEW) return null
  const after = { ...before, scene, items }
  if (!changed.length) return after
  const boxes = changed.flatMap((item) => (item.tucked === 'base' ? [boxOf(item), footOf(item)] : [boxOf(item)]))
  const dirty: Bounds = {
    left: Math.min(...boxes.map(({ left }) => left)),
    right: Math.max(...boxes.map(({ right }) => right)),
    top: Math.min(...boxes.map(({ top }) => top)),
    bottom: Math.max(...boxes.map(({ bottom }) => bottom)),
  }
  const { view, still } = before
  const part = pixelsOf(dirty, view)
  if (!part) return { ...after, veil: veilOf(scene, items, view) }
  const { left, top, wide, high } = part
  // On a sheet of its own with a rim that is left behind: what is painted up to an edge is not painted as it is within a picture.
  const patch = new OffscreenCanvas(wide + 2 * RIM, high + 2 * RIM)
  const on = patch.getContext('2d')!
  on.setTransform(
    view.scale,
    0,
    0,
    view.scale,
    view.width / 2 - view.x * view.scale - left + RIM,
    view.height / 2 - view.y * view.scale - top + RIM,
  )
  paintBase(on, baseOf(scene, view))
  for (const _ of paintingWithin(on, scene.base, items, dirty, view.scale)) {
    /* to its end, at once */
  }
  const ctx = still.getContext('2d')!
  ctx.setTransform(1, 0, 0, 1, 0, 0)
  ctx.clearRect(left, top, wide, high)
  ctx.drawImage(patch, RIM, RIM, wide, high, left, top, wide, high)
  return { ...after, veil: veilOf(scene, items, view) }
}

/** The whole pixels of a picture that a part of the drawing takes up; null when none of it is in view. */
export function pixelsOf(
  { left, top, right, bottom }: Bounds,
  { x, y, scale, width, height }: View,
): { readonly left: number; readonly top: number; readonly wide: number; readonly high: number } | null {
  const from = [Math.max(0, Math.floor((left - x) * scale + width / 2)), Math.max(0, Math.floor((top - y) * scale + height / 2))] as const
  const to = [
    Math.min(width, Math.ceil((right - x) * scale + width / 2)),
    Math.min(height, Math.ceil((bottom - y) * scale + height / 2)),
  ] as const
  return to[0] > from[0] && to[1] > from[1] ? { left: from[0], top: from[1], wide: to[0] - from[0], high: to[1] - from[1] } : null
}

/** What came, went or changed between two lists of things; null when their order changed as well. */
export function changesOf(before: readonly SceneItem[], after: readonly SceneItem[]): SceneItem[] | null {
  const stayed = new Set(before)
  const changed: SceneItem[] = []
  const left = new Set(before)
  let at = 0
  const places = new Map(before.map((item, i) => [item, i]))
  for (const item of after) {
    if (!stayed.has(item)) {
      changed.push(item)
      continue
    }
    left.delete(item)
    const place = places.get(item)!
    if (place < at) return null
    at = place
  }
  return [...changed, ...left]
}

const sameSurface = (a: Scene, b: Scene): boolean => a.surface === b.surface || JSON.stringify(a.surface) === JSON.stringify(b.surface)
