import type { LaidLayer, LaidPiece, Placement } from '../placement'
import { putAside } from '../placement'
import type { Base, Run } from '../base'
import { stationAt } from '../base'
import type { Bounds } from '../measure'
import type { Material, Shelf } from '../material'
import { degrees, onceWith } from '../measure'
import type { Brief } from '../piece'
import { bearerOf, hangsAt } from '../piece'
import type { Looks, Mark } from '../looks'
import { looksOf } from '../looks'

/** One thing to draw, from back to front in the scene's order. */
export interface SceneItem extends Looks {
  readonly id: string
  readonly layer: string
  readonly form: Material['form']
  readonly x: number
  readonly y: number
  /** What its foot goes into: the base, which crosses over it, or what lies there already; null for what has none. */
  readonly tucked: 'base' | 'leaves' | null
  readonly cord: { readonly x: number; readonly y: number } | null
  /** Which way its run goes where it is held, degrees. */
  readonly along: number
  /** Its turn in the order of work, from 1. */
  readonly order: number
  readonly hidden: boolean
  /** Whether hands may not move it. */
  readonly locked: boolean
}

/** What the piece hangs on, and how it stands to it. */
export interface Backdrop extends Pick<Brief, 'surface' | 'door' | 'light'> {
  /** How far up the door the piece's middle is, share of its height from the floor; null where a wall is all there is. */
  readonly hang: number | null
  /** Whether there is a doorway in the wall that the piece goes round. */
  readonly doorway: boolean
  /** How far below the piece's middle a mantel's shelf is, mm. */
  readonly shelf: number
}

/** All that a drawing shows, as data small enough to send about. Paths are made from it where they are painted. */
export interface Scene {
  readonly surface: Backdrop
  readonly base: Base
  /** The runs of the base. */
  readonly runs: readonly Run[]
  /** From back to front. */
  readonly items: readonly SceneItem[]
}

/** How far up its stem what goes in among leaves comes out of them, mm from where it is held. */
export const OUT_OF_LEAVES = 3

const DEEPEST = 3
const HIGHEST = 4

/** How far over a mantel's shelf the base of a piece hangs, mm. Rule of thumb. */
const OVER_SHELF = 140

const drawn = onceWith<Placement, SceneItem>()

/** What of an item follows from its placement alone. */
const itemOf = (placement: Placement, run: Run, shelf: Shelf): SceneItem =>
  drawn(placement, [run, shelf.materials], () => {
    const { tx, ty } = stationAt(run, placement.s)
    const { species, made, part, length, width, tint, words, seed, bend, bearing, depth, rise } = looksOf(placement, shelf)
    // Written out: objects that are spread together are slow to copy, and each of these is copied with every answer.
    return {
      id: placement.id,
      layer: placement.layer,
      form: placement.form,
      x: placement.x,
      y: placement.y,
      species,
      made,
      part,
      length,
      width,
      tint,
      words,
      seed,
      bend,
      bearing,
      depth,
      rise,
      tucked: placement.form !== 'leaf' || placement.made || part ? null : placement.bearer === null ? 'base' : 'leaves',
      cord: placement.cord,
      along: degrees(Math.atan2(ty, tx)),
      order: 0,
      hidden: false,
      locked: false,
    }
  })

const placed = new WeakMap<SceneItem, SceneItem>()

/** An item among the others: the very object that it was, while nothing about that changed. */
function asItWas(bare: SceneItem, among: Pick<SceneItem, 'depth' | 'rise' | 'order' | 'hidden' | 'locked' | 'tucked'>): SceneItem {
  const last = placed.get(bare)
  if (last && (Object.keys(among) as (keyof typeof among)[]).every((key) => last[key] === among[key])) return last
  const item = { ...bare, ...among }
  placed.set(bare, item)
  return item
}

/** @param bounds of the bare base, mm @param among the stems that go in among what lies there already, by id */
export function sceneOf({ piece, runs: on, laid, shelf }: LaidPiece, bounds: Bounds, among: ReadonlySet<string>): Scene {
  const ofLeaves = laid.map(({ placements }) => placements.some(({ form }) => form === 'leaf'))
  const runs = new Map(on.map((run) => [run.id, run]))
  const aside = putAside(laid.map(({ layer }) => layer))
  const depths = depthsIn(laid)
  let order = 0
  const lifted = laid.flatMap(({ layer, placements }, own) => {
    // What another thing bears lies as deep as that.
    const i = depths[own]!
    const over = ofLeaves.slice(i + 1).filter(Boolean).length
    const under = ofLeaves.slice(0, i).filter(Boolean).length
    const { locked } = layer
    const hidden = aside.has(layer.id)
    return placements.map((placement): { lift: number; item: SceneItem } => {
      order += 1
      const rise = Math.max(0, Math.min(HIGHEST, under + Math.floor(placement.lift) - i))
      const bare = itemOf(placement, runs.get(placement.run)!, shelf)
      const item = asItWas(bare, {
        tucked: bare.tucked === 'base' && among.has(placement.id) ? 'leaves' : bare.tucked,
        depth: Math.min(DEEPEST, over),
        rise,
        order,
        hidden,
        locked,
      })
      return { lift: placement.lift, item }
    })
  })
  const { form } = piece.base.shape
  const { surface, door, light } = piece.brief
  return {
    surface: {
      surface,
      door,
      light,
      hang: hangsAt(piece, shelf),
      doorway: form === 'door',
      shelf: form === 'mantel' ? 0 : bounds.bottom + OVER_SHELF,
    },
    base: piece.base,
    runs: on,
    items: lifted.sort((a, b) => a.lift - b.lift).map(({ item }) => item),
  }
}

/** Which layer each lies among, from the back: its own, or that on whose things it lies. */
function depthsIn(laid: readonly LaidLayer[]): number[] {
  const places = new Map(laid.map(({ layer }, i) => [layer.id, i]))
  return laid.map(({ layer }, own) => {
    const seen = new Set<number>()
    let i = own
    for (let of = bearerOf(layer.rule); of !== null && places.has(of) && !seen.has(i); of = bearerOf(laid[i]!.layer.rule)) {
      seen.add(i)
      i = places.get(of)!
    }
    return i
  })
}

/** The cords that something hangs from. */
export function cordMarks(item: SceneItem): readonly Mark[] {
  if (!item.cord) return []
  const top = item.y - item.width * 0.4
  return [-1, 1].map((side): Mark => ({
    d: `M${item.cord!.x} ${item.cord!.y}L${item.x + side * item.length * 0.39} ${top}`,
    stroke: { paint: '#8a7350', width: 1.6 },
  }))
}
