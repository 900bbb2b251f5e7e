import { expect } from 'vitest'
import { Resvg } from '@resvg/resvg-js'
import { boundsOf, runsOf, stationAt } from '../../core/base'
import { beginLayer } from '../../core/coverage'
import { SvgInk } from '../../core/formats'
import { itemGlyph } from '../../core/looks'
import { CATALOGUE } from '../../core/material'
import { startLayer, startPiece } from '../../core/piece'
import type { Piece } from '../../core/piece'
import { shelf } from '../../core/testing'
import type { Workings } from '../../core/workings'
import { work } from '../../core/workings'

// Source: the drawing itself, painted by a renderer that is not ours (resvg): all that is on a base, alone and without its cast
// shadows, and how much of the face it hides, pixel by pixel. What one can see through hides as much as it is opaque.

/** Pixels to the millimetre: hairlines are a fifth of a millimetre and over. */
const FINE = 1.6
const MOST_PIXELS = 1600

/** The faces of bases as they are painted, alpha alone: the same for all that is laid on one. */
const faces = new Map<string, { readonly on: Uint8Array }>()

function hidden(piece: Piece, { scene }: Pick<Workings, 'scene'>): number {
  const runs = runsOf(piece.base)
  const { left, top, right, bottom } = boundsOf(runs)
  const [wide, high] = [right - left, bottom - top]
  const ink = new SvgInk()
  const things = scene.items
    .map(
      (item) =>
        `<g transform="translate(${item.x} ${item.y}) rotate(${item.bearing})">${ink.marks(itemGlyph(item).marks.filter(({ cast }) => !cast))}</g>`,
    )
    .join('')
  const face = (): string =>
    runs
      .map((run) => {
        const N = 720
        const edge = (side: number): string[] =>
          Array.from({ length: N + 1 }, (_, i) => {
            const { x, y, nx, ny, half } = stationAt(run, Math.min(run.length * (1 - 1e-9), (run.length * i) / N))
            return `${(x + nx * half * side).toFixed(3)} ${(y + ny * half * side).toFixed(3)}`
          })
        const [out, inner] = [edge(1), edge(-1)]
        return Array.from({ length: N }, (_, i) => `<path d="M${out[i]}L${out[i + 1]}L${inner[i + 1]}L${inner[i]}Z"/>`).join('')
      })
      .join('')
  const paint = (body: string): Uint8Array =>
    new Resvg(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${wide}" height="${high}" viewBox="${left} ${top} ${wide} ${high}" stroke-linecap="round" stroke-linejoin="round"><defs>${ink.defs()}</defs>${body}</svg>`,
      { fitTo: { mode: 'zoom', value: Math.min(FINE, MOST_PIXELS / Math.max(wide, high)) } },
    ).render().pixels
  const key = JSON.stringify([piece.base.shape, piece.base.turn])
  const known = faces.get(key) ?? { on: alphaOf(paint(face())) }
  faces.set(key, known)
  const { on } = known
  const seen = alphaOf(paint(things))
  let [all, some] = [0, 0]
  for (let i = 0; i < on.length; i++) {
    if (on[i]! < 128) continue
    all += 1
    some += seen[i]! / 255
  }
  return some / all
}

/** The opacity of each pixel, of pixels in red, green, blue and opacity. */
function alphaOf(pixels: Uint8Array): Uint8Array {
  const alpha = new Uint8Array(pixels.length / 4)
  for (let i = 0; i < alpha.length; i++) alpha[i] = pixels[4 * i + 3]!
  return alpha
}

/** Expects the face that is said to be covered to be within two points of what is drawn. */
export function agrees(piece: Piece): void {
  const workings = work(piece, shelf)
  expect(Math.abs(workings.cover.share.value - hidden(piece, workings))).toBeLessThan(0.02)
}

/** How far round the base things are looked for, mm. */
const ROUND = 400

/**
 * What of each layer is seen, of all that is, by what the renderer paints: a layer and all above it, less all above it. Layers lie on one
 * another in their order here.
 */
export function seenByRenderer(piece: Piece, { scene, placements }: Pick<Workings, 'scene' | 'placements'>): Map<string, number> {
  const { left, top, right, bottom } = boundsOf(runsOf(piece.base))
  const [wide, high] = [right - left + 2 * ROUND, bottom - top + 2 * ROUND]
  const layerOf = new Map(placements.map(({ id, layer }) => [id, layer]))
  const painted = (layers: readonly string[]): number => {
    const ink = new SvgInk()
    const things = scene.items
      .filter(({ id }) => layers.includes(layerOf.get(id)!))
      .map(
        (item) =>
          `<g transform="translate(${item.x} ${item.y}) rotate(${item.bearing})">${ink.marks(itemGlyph(item).marks.filter(({ cast }) => !cast))}</g>`,
      )
      .join('')
    const { pixels } = new Resvg(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${wide}" height="${high}" viewBox="${left - ROUND} ${top - ROUND} ${wide} ${high}" stroke-linecap="round" stroke-linejoin="round"><defs>${ink.defs()}</defs>${things}</svg>`,
      { fitTo: { mode: 'zoom', value: Math.min(FINE, MOST_PIXELS / Math.max(wide, high)) } },
    ).render()
    return alphaOf(pixels).reduce((all, alpha) => all + alpha, 0)
  }
  const ids = piece.layers.map(({ id }) => id)
  const from = ids.map((_, i) => painted(ids.slice(i)))
  return new Map(ids.map((id, i) => [id, (from[i]! - (from[i + 1] ?? 0)) / from[0]!]))
}

export const start = startPiece('seen', 'Seen', 'grapevine')
export const onRing = (material: string, count: number): Piece => ({
  ...start,
  layers: [{ ...startLayer('a', CATALOGUE[material]!, 7), rule: { kind: 'compass', count, start: 0 } }],
})

/** A piece as it comes of clicks, one material after another. */
export function clicked(kind: Piece['base']['kind'], materials: readonly string[]): Piece {
  return materials.reduce(
    (piece, id, i) => {
      const { layer, at } = beginLayer(
        { piece, runs: runsOf(piece.base), shelf },
        { id: `l${i}`, material: CATALOGUE[id]!, seed: i + 1, by: null },
      )
      return { ...piece, layers: piece.layers.toSpliced(at, 0, layer) }
    },
    startPiece('p', 'Piece', kind),
  )
}
