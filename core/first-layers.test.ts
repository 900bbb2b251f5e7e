import { everyNth } from '../tests/amount'
import { describe, expect, it } from 'vitest'
import { BASE_KINDS, BASE_SORTS, boundsOf, runsOf } from './base'
import { baseNeeds, beginLayer, layersFrom } from './coverage'
import { canLay, CATALOGUE, MATERIAL_KINDS, plainShelf } from './material'
import { inches, kept } from './measure'
import type { Piece, RuleKind } from './piece'
import { PieceSchema, startPiece } from './piece'
import type { Workings } from './workings'
import { work as workAfresh } from './workings'

const shelf = plainShelf()
/** The same pieces are asked about several times. */
const done = kept<Workings>(100)
const work = (piece: Piece): Workings => done(JSON.stringify(piece), () => workAfresh(piece, shelf))
const laid = Object.values(CATALOGUE).filter(canLay)

/** A piece on a base of one of its usual sizes, indoors, so that weather says nothing. */
function bare(kind: (typeof BASE_KINDS)[number], size: number): Piece {
  const { sizes } = BASE_SORTS[kind]
  const start = startPiece('p', 'Piece', kind)
  return { ...start, base: { ...start.base, shape: sizes[size % sizes.length]!.shape }, brief: { ...start.brief, weather: 'indoors' } }
}
const begun = (piece: Piece, material: string, seed = 7, by: RuleKind | null = null) =>
  beginLayer({ piece, runs: runsOf(piece.base), shelf }, { id: `l${piece.layers.length}`, material: CATALOGUE[material]!, seed, by })
function withLayer(piece: Piece, material: string, seed = 7): Piece {
  const { layer, at } = begun(piece, material, seed + piece.layers.length)
  return { ...piece, layers: piece.layers.toSpliced(at, 0, layer) }
}
/** What is wrong that was not wrong before; a bow is always asked what its loops mean. */
function newFaults(before: Piece, after: Piece): string[] {
  const there = new Set(work(before).problems.map(({ id }) => id))
  return work(after)
    .problems.filter(({ id, severity }) => !there.has(id) && (severity === 'fault' || id.startsWith('clash')) && !id.endsWith(':means'))
    .map(({ id }) => id)
}
/** Wider than the base may be made by stems, and yet within two thirds of the door where the base leaves room for that. */
function fitsDoor(piece: Piece): boolean {
  const { left, right } = boundsOf(runsOf(piece.base))
  const { width } = work(piece).size
  const most = piece.brief.door.width * (2 / 3)
  return width.value <= most || right - left > most - 2 * inches(1) || width.value <= right - left + 2 * inches(3)
}

describe.each(
  everyNth(
    6,
    BASE_KINDS.map((kind, i) => [kind, i] as const),
  ),
)('on a %s', (kind, i) => {
  it('greenery, then heads, then filler go on without a fault or a clash, fit the door, and read as full', () => {
    let piece = bare(kind, i)
    for (const material of ['bracken', 'dahlia', 'statice']) {
      const next = withLayer(piece, material)
      expect(PieceSchema.safeParse(next).error?.issues).toBeUndefined()
      expect(newFaults(piece, next), material).toEqual([])
      if (BASE_SORTS[kind].family !== 'garlands') expect(fitsDoor(next), material).toBe(true)
      piece = next
    }
    // What is to be seen lies on top: filler went on before the heads.
    expect(piece.layers.map(({ mix }) => mix[0]!.material)).toEqual(['bracken', 'statice', 'dahlia'])
    // A swag's own trees and a garland's own rope show between, and no beginning lays more than a thing to 3/4 in: what follows covers them.
    const { cover, placements } = work(piece)
    // A bound spray shows its stems at its short end.
    const least = kind === 'spray' ? 0.5 : ['swags', 'garlands'].includes(BASE_SORTS[kind].family) ? 0.55 : 0.84
    expect(cover.share.value).toBeGreaterThan(least)
    expect(placements.length).toBeLessThan(700)
  })
})

it.each(MATERIAL_KINDS.filter((kind) => laid.some((each) => each.kind === kind)).map((kind, i) => [kind, i] as const))(
  'a first layer of %s brings no fault on any of a row of bases',
  (of, i) => {
    const own = laid.filter(({ kind }) => kind === of)
    for (const k of everyNth(3, [i % 3, (i + 1) % 3, (i + 2) % 3])) {
      const before = bare(BASE_KINDS[(i * 3 + k * 8) % BASE_KINDS.length]!, i + k)
      const material = own[k % own.length]!
      // Beads go on rods and wires that they are threaded on, and mesh in ties: by their own rules, on bases that have them.
      if (of === 'bead' && !baseNeeds(before.base.kind, shelf).length) continue
      expect(newFaults(before, withLayer(before, material.id)), `${material.id} on ${before.base.kind}`).toEqual([])
    }
  },
)

it('cuts whole stems to what the base asks, and asks for fewer where it may show', () => {
  const ring = bare('grapevine', 3)
  const { layer } = begun(ring, 'bracken')
  // An 18 in ring of vine: sprigs of 3 to 6 in, the finished ring 20 to 23 in.
  expect(layer.cut).toBeGreaterThan(inches(3))
  expect(layer.cut).toBeLessThan(inches(6))
  const { width } = work({ ...ring, layers: [layer] }).size
  expect(width.value).toBeGreaterThan(inches(20))
  expect(width.value).toBeLessThan(inches(23))
  const sparse = begun({ ...ring, brief: { ...ring.brief, fullness: 'sparse' } }, 'bracken').layer
  expect(work({ ...ring, layers: [sparse] }).placements.length).toBeLessThan(work({ ...ring, layers: [layer] }).placements.length)
})

it.each(['grapevine', 'mini-tree', 'tree-swag', 'vine-column'] as const)(
  'of two accents on a %s none begins where one of the other lies',
  (kind) => {
    const piece = ['berry-spray', 'pine-cone'].reduce((all, material) => withLayer(all, material), bare(kind, 0))
    const { placements } = work(piece)
    const [berries, cones] = ['l0', 'l1'].map((id) => placements.filter(({ layer }) => layer === id))
    expect(berries!.length * cones!.length).toBeGreaterThan(0)
    for (const { run, s } of cones!) for (const other of berries!) if (other.run === run) expect(Math.abs(other.s - s)).toBeGreaterThan(5)
  },
)

it('gives a letter one group of heads, and leaves its strokes to be read', () => {
  const letter = bare('letter', 0)
  const { placements } = work(withLayer(letter, 'dahlia'))
  expect(new Set(placements.map(({ run }) => run)).size).toBe(1)
  // Leaves reach less far beyond its strokes than those are wide: common practice.
  const { width } = work(withLayer(letter, 'bay')).size
  const { left, right } = boundsOf(runsOf(letter.base))
  expect(letter.base.shape.form === 'letter' && (width.value - (right - left)) / 2 / letter.base.shape.face).toBeLessThan(1)
})

it('ties a bow by a ring’s width, and of everyday size on a garland', () => {
  const loopOn = (kind: 'grapevine' | 'mantel-garland', size: number): number => {
    const piece = bare(kind, size)
    const { rule } = begun(piece, 'ribbon-slate', 3).layer
    return rule.kind === 'bow' && rule.ribbons[0]!.build === 'hand' ? rule.ribbons[0]!.loop : NaN
  }
  // Twice the loop is what it is across: a third to a half of 18 in.
  expect(2 * loopOn('grapevine', 3)).toBeGreaterThan(inches(6))
  expect(2 * loopOn('grapevine', 3)).toBeLessThan(inches(9))
  expect(loopOn('mantel-garland', 2)).toBe(inches(4))
})

it('begins with what a base needs, laid by its own rule', () => {
  // What is needed goes by what a base is made of: one of each make.
  const makes = new Map(BASE_KINDS.map((kind) => [BASE_SORTS[kind].body, kind]))
  for (const kind of makes.values()) {
    const piece = bare(kind, 0)
    for (const { material, rule } of baseNeeds(kind, shelf)) {
      const { layer } = begun(piece, material, 3, rule)
      expect(layer.rule.kind).toBe(rule)
      expect(newFaults(piece, { ...piece, layers: [layer] }), `${rule} on ${kind}`).toEqual([])
    }
  }
})

it('takes the layers of another piece over by this base’s own runs', () => {
  const swag = ['cedar', 'statice'].reduce((piece, material) => withLayer(piece, material), bare('tree-swag', 0))
  const ring = bare('grapevine', 3)
  const layers = layersFrom(swag, runsOf(ring.base))
  expect(layers.map(({ mix }) => mix[0]!.material)).toEqual(['cedar', 'statice'])
  expect(PieceSchema.safeParse({ ...ring, layers }).success).toBe(true)
  expect(work({ ...ring, layers }).placements.length).toBeGreaterThan(0)
})
