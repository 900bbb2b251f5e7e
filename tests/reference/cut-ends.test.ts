import { describe, expect, it } from 'vitest'
import { Resvg } from '@resvg/resvg-js'
import { runsOf, usualBase } from '../../core/base'
import { SvgInk } from '../../core/formats'
import { itemGlyph } from '../../core/looks'
import { CATALOGUE } from '../../core/material'
import { radians } from '../../core/measure'
import type { Layer, Piece } from '../../core/piece'
import { EACH, startLayer, startPiece } from '../../core/piece'
import type { SceneItem } from '../../core/scene'
import { shelf } from '../../core/testing'
import { work } from '../../core/workings'
import { clicked } from './hidden'

// Source: the drawing itself, painted by a renderer that is not ours (resvg): after each stem a mark is put on its cut end, and what is
// painted later hides it or does not. That hands lay against the way in which tips point is common practice.

/** Pixels to the millimetre, mm about the base, and the size of a mark, mm. */
const FINE = 1.2
const ROUND = 420
const MARK = 1.6
/** Where on what sticks out behind a stem the mark is put, share of the stem's length. */
const BACK = 0.05

/** The share of cut ends that are seen. @param items from back to front @param marked whose ends go into the base */
function endsSeen(items: readonly SceneItem[], marked: (item: SceneItem) => boolean): number {
  const ends: { x: number; y: number }[] = []
  const ink = new SvgInk()
  const [xs, ys] = [items.map(({ x }) => x), items.map(({ y }) => y)]
  const [left, top] = [Math.min(...xs) - ROUND, Math.min(...ys) - ROUND]
  const [wide, high] = [Math.max(...xs) + ROUND - left, Math.max(...ys) + ROUND - top]
  const body = items.map((item) => {
    const glyph = `<g transform="translate(${item.x} ${item.y}) rotate(${item.bearing})">${ink.marks(itemGlyph(item).marks.filter(({ cast }) => !cast))}</g>`
    if (item.tucked === null) return glyph
    const back = BACK * item.length
    // The line it points along, turned back half as far as an arc of that length turns.
    const way = radians(item.bearing - (item.bend * BACK) / 2)
    const end = { x: item.x - Math.cos(way) * back, y: item.y - Math.sin(way) * back }
    if (!marked(item)) return glyph
    ends.push(end)
    return `${glyph}<circle cx="${end.x}" cy="${end.y}" r="${MARK}" fill="#ff00ff"/>`
  })
  const image = new Resvg(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${wide}" height="${high}" viewBox="${left} ${top} ${wide} ${high}" stroke-linecap="round" stroke-linejoin="round"><defs>${ink.defs()}</defs>${body.join('')}</svg>`,
    { fitTo: { mode: 'zoom', value: FINE } },
  ).render()
  const { pixels, width } = image
  const seen = ends.filter(({ x, y }) => {
    const at = 4 * (Math.round((y - top) * FINE) * width + Math.round((x - left) * FINE))
    const [red, green, blue] = [pixels[at]!, pixels[at + 1]!, pixels[at + 2]!]
    return red > 170 && green < 90 && blue > 170
  })
  const all = items.filter(({ tucked }) => tucked !== null).length
  return all ? seen.length / all : 0
}

/** The share of cut ends seen when stems lie as their slots come, the first lowest, and as hands lay them. */
function ends(piece: Piece): { readonly before: number; readonly after: number } {
  const { scene, placements } = work(piece, shelf)
  const by = new Map(placements.map((each, i) => [each.id, { ...each, i }]))
  const layers = piece.layers.map(({ id }) => id)
  const asSlots = [...scene.items].sort((a, b) => {
    const [p, q] = [by.get(a.id)!, by.get(b.id)!]
    return layers.indexOf(p.layer) - layers.indexOf(q.layer) || p.number - q.number
  })
  return { before: endsSeen(asSlots, () => true), after: endsSeen(scene.items, ({ tucked }) => tucked === 'base') }
}

const ruled = (kind: Piece['base']['kind'], rule: Layer['rule'], set: Partial<Layer>): Piece => {
  const start = startPiece('p', 'Piece', kind)
  const layer = startLayer('a', CATALOGUE['fir']!, 5, runsOf(usualBase(kind)))
  return { ...start, layers: [{ ...layer, rule, ...set }] }
}

describe('cut ends', () => {
  it.each<[string, Piece, number, number]>([
    // Of sixteen sprays one lies with its end beside the next, and is told.
    ['a ring by one click', clicked('grapevine', ['cedar']), 0.9, 0.07],
    ['a ring by three', clicked('wire-ring', ['cedar', 'olive', 'berry-spray']), 0.4, 0.01],
    ['a square', clicked('square', ['bay', 'larch']), 0.5, 0.05],
    // Trees show themselves: there are fewer stems to lie over one another.
    ['a swag', clicked('tree-swag', ['fir', 'bay']), 0.75, 0.4],
    ['two halves that part', ruled('grapevine', { kind: 'compass', count: 24, start: 0 }, { flow: 'apart', seat: 0 }), 0.4, 0.25],
    ['two halves that meet', ruled('grapevine', { kind: 'compass', count: 24, start: 0 }, { flow: 'together', seat: 0.5 }), 0.4, 0.25],
    [
      'a crescent',
      ruled('grapevine', { kind: 'crescent', from: 0.4, to: 0.9, count: 12, dense: 'middle', thin: 0.6 }, { flow: 'clockwise' }),
      0.9,
      0.55,
    ],
    ['arms', ruled('tree-swag', { kind: 'arms', count: 24, from: 0, to: 1 }, { run: EACH, flow: 'clockwise' }), 0.9, 0.4],
  ])('of %s were seen more often as their slots come than as hands lay them', (_name, piece, was, is) => {
    const seen = ends(piece)
    expect(seen.before).toBeGreaterThan(was)
    expect(seen.after).toBeLessThan(is)
  })
})
