import type { LaidLayer } from '../arrange'
import type { Base } from '../base'
import { runsOf } from '../base'
import type { Material, Shelf } from '../material'
import { degrees, random } from '../measure'
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
}

/** All that a drawing shows, as data small enough to send about. Paths are made from it where they are painted. */
export interface Scene {
  readonly surface: Pick<Brief, 'surface' | 'door'>
  readonly base: Base
  readonly items: readonly SceneItem[]
}

const DEEPEST = 3

export function sceneOf(piece: Piece, laid: readonly LaidLayer[], shelf: Shelf): Scene {
  const leafy = laid.map(({ placements }) => placements.some(({ material }) => shelf.materials[material]?.form === 'leaf'))
  const items = laid.flatMap(({ layer, placements }, i) => {
    const over = leafy.slice(i + 1).filter(Boolean).length
    return placements.map((placement): SceneItem => {
      const material = shelf.materials[placement.material]!
      return {
        id: placement.id, layer: layer.id, species: material.species, form: material.form,
        x: placement.x, y: placement.y, bearing: placement.bearing, length: placement.length, width: placement.width,
        tint: material.colour, seed: placement.seed, depth: Math.min(DEEPEST, over),
        tucked: material.form === 'leaf', cord: placement.cord,
      }
    })
  })
  return { surface: { surface: piece.brief.surface, door: piece.brief.door }, base: piece.base, items }
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

/** The way the base runs at a point, degrees: what lies over a foot follows it. */
export function runBearing(base: Base, at: { x: number, y: number }): number {
  const [run] = runsOf(base)
  const share = (degrees(Math.atan2(at.x, -at.y)) + 360) % 360 / 360
  const { tx, ty } = run!.at(share * run!.length)
  return degrees(Math.atan2(ty, tx))
}
