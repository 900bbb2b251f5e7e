import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BaseKind } from '../../core/base'
import { BASE_KINDS, BASE_SORTS, runsOf, widthOf } from '../../core/base'
import { baseNeeds, beginLayer } from '../../core/coverage'
import { canLay, CATALOGUE } from '../../core/material'
import { inches } from '../../core/measure'
import type { Piece } from '../../core/piece'
import { baseOfKind, freshSeed, HANDS, PieceSchema, startPiece } from '../../core/piece'
import { shelf } from '../../core/testing'
import { work } from '../../core/workings'
import { hold } from './workrooms'

const FIVE = 5
/** What no beginning can know: how it hangs, what the loops of a bow mean, and which of two layers of mesh is to have the ties of the base. */
const ASKED = /^hanger$|:means$|:shared-ties:/
const laid = Object.values(CATALOGUE).filter(canLay)
/** Beads go on rods and wires that they are threaded on; a garland laid from end to end of what spans its door is thicker than the ends of that. */
const goesOn = (kind: BaseKind) =>
  laid
    .filter((each) => each.kind !== 'bead' || baseNeeds(kind, shelf).length > 0)
    .filter((each) => each.kind !== 'garland' || !BASE_SORTS[kind].spans)
    .map(({ id }) => id)

/** A base as it is chosen, and what a newcomer presses one after another. */
const clicks = fc.constantFrom(...BASE_KINDS).chain((kind) =>
  fc.record({
    kind: fc.constant(kind),
    hand: fc.constantFrom(...HANDS),
    fullness: fc.constantFrom('sparse', 'full', 'lush' as const),
    materials: fc.array(fc.constantFrom(...goesOn(kind)), { minLength: FIVE, maxLength: FIVE }),
  }),
)

function begun({
  kind,
  hand,
  fullness,
  materials,
}: {
  kind: BaseKind
  hand: Piece['brief']['hand']
  fullness: string
  materials: string[]
}): Piece {
  const start = startPiece('p', 'Piece', kind)
  return materials.reduce<Piece>(
    (piece, material) => {
      const { layer, at } = beginLayer(
        { piece, runs: runsOf(piece.base), shelf },
        { id: `l${piece.layers.length}`, material: CATALOGUE[material]!, seed: freshSeed(piece.layers), by: null },
      )
      return { ...piece, layers: piece.layers.toSpliced(at, 0, layer) }
    },
    { ...start, brief: { ...start.brief, hand, fullness: fullness as 'full', weather: 'indoors' } },
  )
}

describe('five layers of anything, one click each', () => {
  it('are without a fault but what their maker has to be asked', () =>
    hold(
      clicks,
      (each) => {
        const piece = begun(each)
        expect(PieceSchema.safeParse(piece).error?.issues).toBeUndefined()
        const faults = work(piece, shelf).problems.filter(({ severity }) => severity === 'fault')
        expect(faults.map(({ id }) => id).filter((id) => !ASKED.test(id))).toEqual([])
      },
      0.2,
    ))
})

describe('another base', () => {
  it('is no wider than the door leaves to stems, but where its kind has none so small', () => {
    for (const kind of BASE_KINDS)
      for (const width of [20, 30, 36, 48]) {
        const start = startPiece('p', 'Piece', 'grapevine')
        const piece = { ...start, brief: { ...start.brief, door: { width: inches(width), height: inches(80) } } }
        const base = baseOfKind(piece, kind, shelf)
        // Two thirds of the door (common practice), or all of it for what reaches from side to side; garlands go along it.
        const most = ['tree-swag', 'opened-ring'].includes(kind) ? width : (width * 2) / 3
        const smallest = Math.min(...BASE_SORTS[kind].sizes.map(({ shape }) => widthOf({ ...base, shape })))
        if (!kind.includes('garland') && kind !== 'scallops')
          expect(widthOf(base), kind).toBeLessThanOrEqual(Math.max(smallest, inches(most - 4) + 1))
      }
  })
})
