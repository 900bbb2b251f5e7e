import { describe, expect, it } from 'vitest'
import type { Piece } from '../../core/piece'
import { shelf } from '../../core/testing'
import { work } from '../../core/workings'
import { clicked, seenByRenderer } from './hidden'

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
