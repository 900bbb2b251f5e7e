import { expect, it } from 'vitest'
import { arrange, spacingOf } from './placement'
import { boundsOf, runsOf } from './base'
import { balanceOf, colourCarry, contrastOf, coverageOf, meanColour, visualWeight } from './coverage'
import type { Shelf } from './material'
import { silhouetteOf } from './looks'
import { sceneOf } from './scene'
import { lengthsOf, lotOf } from './stock'
import { layerOf, pieceWith, shelf } from './testing'

/** What is remembered of a thing hangs on all that it was worked out from: the very same things are asked with another shelf, and another base. */
const other: Shelf = {
  ...shelf,
  materials: {
    ...shelf.materials,
    rose: { ...shelf.materials.rose!, colours: ['#101030'], colour: '#101030', texture: 'coarse', species: 'pine-cone' },
  },
}
const piece = pieceWith([
  layerOf('a', 'rose', { kind: 'compass', count: 8, start: 0.1 }),
  layerOf('b', 'bay', { kind: 'crescent', from: 0.1, to: 0.4, count: 5, dense: 'middle', thin: 0.5 }),
])
const runs = runsOf(piece.base)
const laid = arrange(piece, runs, shelf)
const rose = laid[0]!.placements[0]!
const smaller = runsOf({ ...piece.base, turn: 20, shape: { form: 'ring', outer: 200, inner: 120 } })
const { sectors } = coverageOf(
  runs,
  laid.flatMap(({ placements }) => placements),
  shelf,
)
const lots = [lotOf('l', 'bay', { things: 2 })]

it.each<[string, (by: Shelf) => unknown]>([
  ['the silhouette of a thing', (by) => silhouetteOf(rose, by).mask.bits],
  ['what an eye gives it', (by) => visualWeight(rose, by)],
  ['its drawing', (by) => sceneOf({ piece, runs, laid, shelf: by }, boundsOf(runs), new Set()).items[0]!.species],
  ['the colours of a layer', (by) => colourCarry(laid, 150, by)],
  ['the mean of its colours', (by) => meanColour(laid, by)],
  ['its contrast', (by) => contrastOf(piece, laid, by)],
  ['its balance', (by) => balanceOf({ piece, laid, runs, shelf: by }, 150, sectors)],
  ['the lengths of the house', (by) => lengthsOf(lots, { id: 'bay', length: by === shelf ? 100 : 200 })],
])('%s is worked out anew for another shelf, and the same again for the first', (_, of) => {
  const first = of(shelf)
  const second = of(other)
  expect(second).not.toEqual(first)
  expect(of(shelf)).toEqual(first)
})

it.each<[string, (on: typeof runs) => unknown]>([
  ['spacing', (on) => spacingOf(on, laid[0]!)],
  ['where a thing points', (on) => sceneOf({ piece, runs: on, laid, shelf }, boundsOf(on), new Set()).items.map(({ along }) => along)],
])('%s is worked out anew for another base', (_, of) => {
  const first = of(runs)
  const second = of(smaller)
  expect(second).not.toEqual(first)
  expect(of(runs)).toEqual(first)
})
