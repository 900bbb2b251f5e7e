import type { LaidLayer, Placement } from '../arrange'
import type { Base, Form, Run } from '../base'
import { runsOf } from '../base'
import type { Material, Shelf } from '../material'
import { degrees, onceFor, random } from '../measure'
import type { Brief, Piece } from '../piece'
import { tone } from './colour'
import type { Glyph } from './marks'
import { Pen } from './pen'
import { SPECIES } from './species'

/** One thing to draw, from back to front in the scene's order. */
export interface SceneItem {
  readonly id: string
  readonly layer: string
  readonly species: string
  readonly form: Material['form']
  readonly x: number
  readonly y: number
  readonly bearing: number
  readonly length: number
  readonly width: number
  readonly tint: string | null
  readonly seed: number
  /** How deep it lies: 0 on top, up to 3 at the back. */
  readonly depth: number
  /** Whether the base crosses over its foot. */
  readonly tucked: boolean
  readonly cord: { readonly x: number, readonly y: number } | null
  /** Which way its run goes where it is held, degrees. */
  readonly along: number
  /** Its turn in the order of work, from 1. */
  readonly turn: number
  readonly hidden: boolean
  /** Whether hands may not move it. */
  readonly locked: boolean
}

/** What the piece hangs on, and how it stands to it. */
export interface Backdrop extends Pick<Brief, 'surface' | 'door'> {
  /** How far up the door the piece's middle is, share of its height from the floor; null where a wall is all there is. */
  readonly hang: number | null
  /** Whether there is a doorway in the wall that the piece goes round. */
  readonly doorway: boolean
}

/** All that a drawing shows, as data small enough to send about. Paths are made from it where they are painted. */
export interface Scene {
  readonly surface: Backdrop
  readonly base: Base
  /** From back to front. */
  readonly items: readonly SceneItem[]
}

const DEEPEST = 3

/** How far up a door its piece hangs: about eye level. Rule of thumb. */
const EYE_LEVEL = 0.7
const WALLS: ReadonlySet<Form> = new Set(['mantel', 'rail', 'scallops'])

const drawn = onceFor<Placement, SceneItem>()

/** What of an item follows from its placement alone. */
const itemOf = (placement: Placement, run: Run, shelf: Shelf): SceneItem => drawn(placement, () => {
  const material = shelf.materials[placement.material]!
  const { tx, ty } = run.at(placement.s)
  return {
    id: placement.id, layer: placement.layer, species: material.species, form: material.form,
    x: placement.x, y: placement.y, bearing: placement.bearing, length: placement.length, width: placement.width,
    tint: material.colour, seed: placement.seed, depth: 0, tucked: material.form === 'leaf', cord: placement.cord,
    along: degrees(Math.atan2(ty, tx)), turn: 0, hidden: false, locked: false,
  }
})

export function sceneOf(piece: Piece, laid: readonly LaidLayer[], shelf: Shelf): Scene {
  const leafy = laid.map(({ placements }) => placements.some(({ material }) => shelf.materials[material]?.form === 'leaf'))
  const runs = new Map(runsOf(piece.base).map((run) => [run.id, run]))
  let turn = 0
  const lifted = laid.flatMap(({ layer, placements }, i) => {
    const over = leafy.slice(i + 1).filter(Boolean).length
    const { hidden, locked } = layer
    return placements.map((placement): { lift: number, item: SceneItem } => {
      const item = itemOf(placement, runs.get(placement.run)!, shelf)
      turn += 1
      const depth = Math.min(DEEPEST, over)
      return { lift: placement.lift, item: { ...item, depth, turn, hidden, locked } }
    })
  })
  const { form } = piece.base.shape
  return {
    surface: { surface: piece.brief.surface, door: piece.brief.door, hang: WALLS.has(form) ? null : form === 'door' ? 0.5 : EYE_LEVEL, doorway: form === 'door' },
    base: piece.base, items: lifted.sort((a, b) => a.lift - b.lift).map(({ item }) => item),
  }
}

/** Light is worked out for so many bearings, and there are so many twins of each kind: what sprites are cached by. */
const TURNS = 16
const TWINS = 7

export type Looks = Pick<SceneItem, 'species' | 'length' | 'width' | 'tint' | 'seed' | 'bearing' | 'depth'>

/** The drawing of one item, pointing to the right with its anchor at the origin; the light is right once it is turned to its bearing. */
export function itemGlyph(item: Looks): Glyph {
  const species = SPECIES[item.species]
  if (!species) throw new RangeError(`no species ${item.species}`)
  const draw = random(twin(item) * 7919 + 17)
  const pen = new Pen(draw, turn(item) * (360 / TURNS))
  species(pen, { length: item.length, width: item.width, tint: item.tint === null ? null : tone(item.tint) }, draw)
  return pen.glyph()
}

const twin = ({ seed }: Looks): number => Math.abs(seed) % TWINS
const turn = ({ bearing }: Looks): number => Math.round((bearing / 360) * TURNS) % TURNS

/** Two items with the same key look the same before they are put in place. */
export function looksKey(item: Looks): string {
  return [item.species, item.length.toFixed(1), item.width.toFixed(1), item.tint ?? '', twin(item), turn(item), item.depth].join('|')
}
