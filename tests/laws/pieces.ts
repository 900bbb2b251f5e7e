import fc from 'fast-check'
import { BASE_KINDS, BASE_SORTS, runsOf } from '../../core/base'
import { beginLayer } from '../../core/coverage'
import { CATALOGUE } from '../../core/material'
import { kept } from '../../core/measure'
import type { Bend, Layer, Part, Piece } from '../../core/piece'
import {
  bears,
  HANDS,
  PART_LIES,
  PieceSchema,
  rulesFor,
  SPOTS,
  startLayer,
  startPart,
  startPiece,
  unmadePart,
  withRuleKind,
} from '../../core/piece'
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

/** Small things, which lie on others. */
const SMALL = ['acorn', 'spray-rose', 'heather', 'star-paper', 'hare'] as const

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
  /** What lies on the things of another layer, for some pieces. */
  borne: fc.option(fc.record({ material: fc.constantFrom(...SMALL), seed: fc.integer({ min: 1, max: 99 }) }), { nil: null, freq: 2 }),
  /** What is made beforehand and laid like a material, for some. */
  part: fc.option(
    fc.record({
      kind: fc.constantFrom('wire-ring', 'grapevine', 'straw', 'spray', 'heart'),
      of: fc.constantFrom('acorn', 'bay', 'dahlia', 'garland-pine', 'ribbon-slate'),
      lies: fc.constantFrom(...PART_LIES),
      n: fc.integer({ min: 1, max: 5 }),
      dries: fc.integer({ min: 0, max: 300 }),
      seed: fc.integer({ min: 1, max: 99 }),
    }),
    { nil: null, freq: 2 },
  ),
  /** How the stems of its last layer are bent, and how evenly all are laid. */
  bend: fc.constantFrom<Bend>('run', 'straight', { radius: 40, toward: 'in' }, { radius: 260, toward: 'out' }),
  hand: fc.constantFrom(...HANDS),
  copies: fc.integer({ min: 1, max: 3 }),
  weather: fc.constantFrom('indoors', 'covered', 'open'),
  budget: fc.option(fc.integer({ min: 500, max: 9000 }), { nil: null }),
  day: fc.option(fc.constant('2026-12-20'), { nil: null }),
  hangs: fc.option(fc.integer({ min: 1, max: 90 }), { nil: null }),
})
type Beginning = typeof beginning extends fc.Arbitrary<infer T> ? T : never

function begun({ kind, size, layers, borne, part, bend, hand, copies, weather, budget, day, hangs }: Beginning): Piece {
  const start = startPiece('p', 'Piece', kind)
  const { sizes } = BASE_SORTS[kind]
  let piece: Piece = {
    ...start,
    base: { ...start.base, shape: sizes[size % sizes.length]!.shape },
    brief: { ...start.brief, copies, weather, budget, hand },
    making: { ...start.making, day, hangs },
  }
  layers.forEach(({ material, by, seed }, i) => {
    const of = CATALOGUE[material]!
    const rules = rulesFor(of.kind)
    const { layer, at } = beginLayer(
      { piece, runs: runsOf(piece.base), shelf },
      { id: `l${i}`, material: of, seed, by: by === null ? null : rules[by % rules.length]! },
    )
    const next = { ...piece, layers: piece.layers.toSpliced(at, 0, onOthers(layer, piece, seed)) }
    // What goes by another layer needs one to go by.
    if (PieceSchema.safeParse(next).success) piece = next
  })
  piece = { ...piece, layers: piece.layers.map((layer, i) => (i === piece.layers.length - 1 ? { ...layer, bend } : layer)) }
  if (part) piece = withPart(piece, part)
  if (borne && piece.layers.some(({ rule }) => bears(rule))) {
    const layer = startLayer('borne', CATALOGUE[borne.material]!, borne.seed)
    const on = onOthers({ ...layer, ...withRuleKind(layer, 'on', '') }, piece, borne.seed)
    piece = { ...piece, layers: [...piece.layers, on] }
  }
  return piece
}

/** With a part of one layer, laid at even distances. */
function withPart(piece: Piece, { kind, of, lies, n, dries, seed }: NonNullable<Beginning['part']>): Piece {
  const begun = startPart('made', 'made thing', kind)
  const runs = runsOf(begun.base)
  const inside = beginLayer(
    { piece: { ...piece, base: begun.base, layers: [] }, runs, shelf },
    { id: 'in', material: CATALOGUE[of]!, seed, by: null },
  ).layer
  const part: Part = { ...begun, lies, dries, layers: [inside] }
  const layer = startLayer('parts', unmadePart(part), seed, runsOf(piece.base))
  return {
    ...piece,
    parts: [part],
    layers: [...piece.layers, { ...layer, rule: { kind: 'compass', count: n, start: (seed % 10) / 10 } }],
  }
}

/** What lies on other things lies on those of a layer that bears some, here or there on them. */
function onOthers(layer: Layer, { layers }: Piece, seed: number): Layer {
  const { rule } = layer
  const bearers = layers.filter((each) => bears(each.rule))
  if (rule.kind !== 'on' || !bearers.length) return layer
  const spot = SPOTS[seed % SPOTS.length]!
  return {
    ...layer,
    rule: {
      ...rule,
      of: bearers[seed % bearers.length]!.id,
      spot,
      every: 1 + (seed % 3),
      along: (seed % 5) / 4 - 0.5,
      turns: seed % 2 > 0,
    },
  }
}

/** Laws ask the same of the same pieces: each is begun and worked out once. */
const pieces = kept<Piece>(500)

/** A piece as a maker may begin it: any base in any usual size, a few layers by any rule that its material allows. */
export const anyPiece: fc.Arbitrary<Piece> = beginning.map((of) => pieces(JSON.stringify(of), () => begun(of)))

const workings = kept<Workings>(500)
export const worked = (piece: Piece): Workings => workings(JSON.stringify(piece), () => work(piece, shelf))
