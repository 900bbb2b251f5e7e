import { describe, expect, it } from 'vitest'
import { runsOf } from '../../core/base'
import { beginLayer } from '../../core/coverage'
import { CATALOGUE } from '../../core/material'
import type { Piece } from '../../core/piece'
import { startPiece } from '../../core/piece'
import { shelf } from '../../core/testing'
import { work } from '../../core/workings'
import { seenByRenderer } from './hidden'

/** A piece as it comes of clicks, one material after another. */
function clicked(kind: Piece['base']['kind'], materials: readonly string[]): Piece {
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

// Source: the drawing itself, painted layer by layer by a renderer that is not ours (resvg).
describe('what is seen of each layer', () => {
  it.each<[Piece['base']['kind'], string[]]>([
    ['grapevine', ['cedar', 'olive', 'rose']],
    ['wire-ring', ['fir', 'eucalyptus', 'pine-cone']],
    ['square', ['bay', 'larch']],
    // Metres long, of things a few millimetres across.
    ['door-garland', ['cedar', 'pine-cone', 'acorn']],
  ])('on a %s with %s is what the drawing shows of it', (kind, materials) => {
    const piece = clicked(kind, materials)
    const workings = work(piece, shelf)
    const drawn = seenByRenderer(piece, workings)
    expect(workings.seen.map(({ layer }) => layer)).toEqual(piece.layers.map(({ id }) => id))
    for (const { layer, share } of workings.seen) expect(Math.abs(share.value - drawn.get(layer)!), layer).toBeLessThan(0.03)
    expect(workings.seen.reduce((all, { share }) => all + share.value, 0)).toBeCloseTo(1, 9)
  })
})
