import fc from 'fast-check'
import { BASE_KINDS, BASE_SORTS, runsOf } from '../../core/base'
import { beginLayer } from '../../core/coverage'
import { CATALOGUE } from '../../core/material'
import { kept } from '../../core/measure'
import type { Piece } from '../../core/piece'
import { PieceSchema, rulesFor, startPiece } from '../../core/piece'
import { shelf } from '../../core/testing'
import type { Workings } from '../../core/workings'
import { work } from '../../core/workings'

/** What layers are begun with: leaves fine and coarse, fresh and made, heads, small things, lengths. */
const MATERIALS = [
  'bracken',
  'bay',
  'eucalyptus',
  'fir',
  'dahlia',
  'sea-holly',
  'pine-cone',
  'oar-sign',
  'ribbon-slate',
  'mesh-honey',
  'jute-twine',
  'garland-pine',
] as const

/** What a maker says who begins a piece. */
const beginning = fc.record({
  kind: fc.constantFrom(...BASE_KINDS),
  size: fc.integer({ min: 0, max: 9 }),
  layers: fc.array(
    fc.record({
      material: fc.constantFrom(...MATERIALS),
      by: fc.option(fc.nat(), { nil: null, freq: 2 }),
      seed: fc.integer({ min: 1, max: 99 }),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  copies: fc.integer({ min: 1, max: 3 }),
  weather: fc.constantFrom('indoors', 'covered', 'open'),
  budget: fc.option(fc.integer({ min: 500, max: 9000 }), { nil: null }),
  day: fc.option(fc.constant('2026-12-20'), { nil: null }),
  hangs: fc.option(fc.integer({ min: 1, max: 90 }), { nil: null }),
})
type Beginning = typeof beginning extends fc.Arbitrary<infer T> ? T : never

function begun({ kind, size, layers, copies, weather, budget, day, hangs }: Beginning): Piece {
  const start = startPiece('p', 'Piece', kind)
  const { sizes } = BASE_SORTS[kind]
  let piece: Piece = {
    ...start,
    base: { ...start.base, shape: sizes[size % sizes.length]!.shape },
    brief: { ...start.brief, copies, weather, budget },
    making: { ...start.making, day, hangs },
  }
  layers.forEach(({ material, by, seed }, i) => {
    const of = CATALOGUE[material]!
    const rules = rulesFor(of.kind)
    const { layer, at } = beginLayer(
      { piece, runs: runsOf(piece.base), shelf },
      { id: `l${i}`, material: of, seed, by: by === null ? null : rules[by % rules.length]! },
    )
    const next = { ...piece, layers: piece.layers.toSpliced(at, 0, layer) }
    // What goes by another layer needs one to go by.
    if (PieceSchema.safeParse(next).success) piece = next
  })
  return piece
}

/** Laws ask the same of the same pieces: each is begun and worked out once. */
const pieces = kept<Piece>(500)

/** A piece as a maker may begin it: any base in any usual size, a few layers by any rule that its material allows. */
export const anyPiece: fc.Arbitrary<Piece> = beginning.map((of) => pieces(JSON.stringify(of), () => begun(of)))

const workings = kept<Workings>(500)
export const worked = (piece: Piece): Workings => workings(JSON.stringify(piece), () => work(piece, shelf))
