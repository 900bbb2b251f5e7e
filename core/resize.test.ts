import { everyNth } from '../tests/amount'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import type { BaseShape } from './base'
import { BASE_SORTS, scaledShape } from './base'
import { readPiece } from './formats'
import { inches } from './measure'
import { PieceSchema } from './piece'
import { resized } from './resize'
import { layerOf, pieceWith, shelf } from './testing'
import { work } from './workings'

const ring = (outer: number, inner: number): BaseShape => ({ form: 'ring', outer: inches(outer), inner: inches(inner) })
const demo = (name: string) => {
  const read = readPiece(readFileSync(new URL(`../demo/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(name)
  return read.piece
}
const done = (...args: Parameters<typeof resized>) => {
  const made = resized(...args)
  if (!made.ok) throw new Error(made.error)
  return made
}

describe('another size', () => {
  // A 12 by 8 in ring: centre line 31.4 in, face 62.8 sq in. A 24 by 16 in ring: twice as long, four times as large.
  const green = layerOf('green', 'bay', { kind: 'compass', count: 12, start: 0 }, { cut: inches(4), lean: 20 })
  const heads = layerOf('heads', 'daisy', { kind: 'compass', count: 5, start: 0 }, { role: 'focal' })
  const spaced = layerOf('spaced', 'ivy', { kind: 'every', spacing: inches(3), start: 0 })
  const piece = pieceWith([green, heads, spaced])
  const twice = done(piece, ring(24, 16), shelf, 'new', 'Twice')
  const layer = (id: string) => twice.piece.layers.find((each) => each.id === id)!

  it('counts by the run, heads by what they cover, and leaves a spacing a spacing', () => {
    expect(layer('green').rule).toMatchObject({ count: 24 })
    expect(layer('heads').rule).toMatchObject({ count: 20 })
    expect(layer('spaced').rule).toEqual(spaced.rule)
    expect(twice.changes.filter(({ what }) => what.startsWith('How many')).map(({ layer: of, why }) => [of, why])).toEqual([
      ['green', 'counts by the run'],
      ['heads', 'heads by what they cover'],
    ])
  })
  it('cuts stems to where they should reach, never longer than they are', () => {
    expect(layer('green').cut === null || layer('green').cut! > inches(4)).toBe(true)
    const half = done(piece, ring(6, 4), shelf, 'new', 'Half')
    expect(half.piece.layers[0]!.cut!).toBeLessThan(inches(4))
    expect(half.piece.layers[0]!.rule).toMatchObject({ count: 6 })
  })
  it('is a piece of its own, without day, budget and recipe, and reads as one', () => {
    expect(PieceSchema.parse(twice.piece)).toEqual(twice.piece)
    expect(twice.piece).toMatchObject({
      id: 'new',
      stage: 'planned',
      brief: { name: 'Twice', copies: 1, budget: null },
      making: { day: null, recipe: null },
    })
    expect(work(twice.piece, shelf).layers.map(({ count }) => count)[0]).toBe(24)
  })
  it('says all that changes: what it says before and after is what is there', () => {
    const counted = twice.changes.find(({ layer: of, what }) => of === 'green' && what.startsWith('How many'))!
    expect([counted.before, counted.after]).toEqual([[{ value: 12, unit: 'count' }], ['24 bay sprigs']])
    const base = twice.changes[0]!
    expect([base.before, base.after]).toEqual([[{ value: 305, unit: 'length' }], [{ value: 610, unit: 'length' }]])
  })
  it('makes bows by the width, loop for loop', () => {
    const made = done(demo('boathouse-door-ring'), scaledShape(demo('boathouse-door-ring').base.shape, 0.5)!, shelf, 'new', 'Half')
    const [before, after] = [demo('boathouse-door-ring'), made.piece].map(
      ({ layers }) => layers.find(({ rule }) => rule.kind === 'bow')!.rule,
    )
    if (before?.kind !== 'bow' || after?.kind !== 'bow') throw new Error('no bow')
    const [from, to] = [before.ribbons[0]!, after.ribbons[0]!]
    if (from.build !== 'hand' || to.build !== 'hand') throw new Error('another build')
    expect(to.loops).toBe(from.loops)
    expect(Math.abs(to.loop - from.loop / 2)).toBeLessThanOrEqual(inches(0.125) + 1e-6)
  })
  it('leaves out nudges where the places are others, and says so', () => {
    const nudged = pieceWith([{ ...green, nudges: { '3': { along: 5, across: 0, turn: 0, lift: 0, trim: null, pinned: false } } }])
    const made = done(nudged, ring(24, 16), shelf, 'new', 'Twice')
    expect(made.piece.layers[0]!.nudges).toEqual({})
    expect(made.changes.some(({ what }) => what.startsWith('Moved or left out by hand'))).toBe(true)
    // A place that was left empty is another one as well.
    expect(done(pieceWith([{ ...green, taken: ['3'] }]), ring(24, 16), shelf, 'new', 'Twice').piece.layers[0]!.taken).toEqual([])
    const same = done(nudged, ring(12, 8), shelf, 'new', 'Same')
    expect(same.piece.layers[0]!.nudges).toEqual(nudged.layers[0]!.nudges)
  })
  it('of another form, or beyond the bench, is refused', () => {
    expect(resized(piece, { form: 'heart', width: 300, height: 300, face: 40 }, shelf, 'n', 'n')).toEqual({
      ok: false,
      error: 'Another size is of the same form.',
    })
    expect(scaledShape(ring(12, 8), 1000)).toBeNull()
    expect(resized(piece, { form: 'ring', outer: 1, inner: 0 }, shelf, 'n', 'n').ok).toBe(false)
  })
  it.each(['boathouse-door-ring', 'chapel-garland', 'ferry-hoop', 'honey-fair-ring', 'lantern-swag', 'orchard-ring', 'wire-pear'])(
    '%s goes to every usual size and half of it',
    (name) => {
      const of = demo(name)
      const sizes = [
        ...BASE_SORTS[of.base.kind].sizes.map(({ shape }) => shape),
        ...[0.5, 1.5].flatMap((by) => scaledShape(of.base.shape, by) ?? []),
      ]
      for (const shape of everyNth(4, sizes)) {
        const made = done(of, shape, shelf, 'new', 'Other')
        expect(made.piece.base.shape).toEqual(shape)
        expect(work(made.piece, shelf).placements.length).toBeGreaterThan(0)
      }
    },
  )
})
