import { describe, expect, it } from 'vitest'
import { plainShelf } from './material'
import { inches } from './measure'
import { benchOf, layerOf, pieceWith } from './testing'
import { readRates, THUMBS } from './rules-of-thumb'
import { work } from './workings'

const all = THUMBS.flatMap(({ thumbs }) => thumbs)

describe('rules of thumb', () => {
  it('have an id each, a name, a reason, and are usual within what makes sense', () => {
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length)
    for (const { name, why, value, least, most } of all)
      expect([name.length > 3, why.length > 3, value >= least, value <= most, least < most]).toEqual([true, true, true, true, true])
  })
  it('are read as they were kept; what makes no sense any more is refused by name', () => {
    expect(readRates({ 'hang.glue-each': 1, 'gone.by': 2, 'construct.tail': -4, 'fix.heavy-from': '40', constructor: 1 })).toEqual({
      rates: { 'hang.glue-each': 1 },
      refused: ['gone.by', 'construct.tail', 'fix.heavy-from', 'constructor'],
    })
  })
})

/** Differences worked by hand. */
describe('a changed rule of thumb changes the figures that go by it, and they say so', () => {
  const hoop = pieceWith([layerOf('a', 'wheat', { kind: 'compass', count: 10, start: 0 })], {})
  it('cord for a hanger: twice the loop’s rise more', () => {
    const of = (rates: Record<string, number>) => work(hoop, plainShelf(rates)).hung.make!.length!.value
    expect(of({ 'construct.rise': inches(5) }) - of({})).toBeCloseTo(inches(4), 6)
    expect(of({ 'construct.knot': inches(6) }) - of({})).toBeCloseTo(inches(2), 6)
  })
  it('spare: a fifth of 20 is 4', () => {
    const line = (rates: Record<string, number>) =>
      benchOf(pieceWith([layerOf('a', 'sea-holly', { kind: 'compass', count: 20, start: 0 })]), plainShelf(rates)).bill.lines.find(
        ({ id }) => id === 'sea-holly',
      )!
    expect([line({}).spare.value, line({ 'construct.spare': 0.2 }).spare.value]).toEqual([2, 4])
    expect(line({ 'construct.spare': 0.2 }).spare.rules).toMatchObject([{ id: 'construct.spare', value: 0.2, usual: 0.1 }])
  })
  it('glue: a gram a dot instead of half of one', () => {
    const piece = pieceWith([layerOf('a', 'heather', { kind: 'compass', count: 10, start: 0 })], { brief: { weather: 'indoors' } })
    const mass = (rates: Record<string, number>) => work(piece, plainShelf(rates)).mass.on
    expect(mass({ 'hang.glue-each': 1 }).value - mass({}).value).toBeCloseTo(10 * 0.5, 6)
  })
  it('full asks less of the face', () => {
    const piece = pieceWith([layerOf('a', 'bracken', { kind: 'compass', count: 24, start: 0 })])
    const share = work(piece, plainShelf()).cover.share.value
    expect(share).toBeGreaterThan(0.55)
    const verdict = (asks: number) =>
      work(piece, plainShelf({ 'cover.full-once': asks })).verdicts.cover.find(({ id }) => id === 'share')!.verdict
    expect([verdict(share - 0.01), verdict(share + 0.01)]).toEqual(['Covers well', 'Nearly covers'])
  })
  it('a weight of a bare base: four times the density weighs four times as much', () => {
    const of = (rates: Record<string, number>) => work(hoop, plainShelf(rates)).mass.base.value
    const { kind } = hoop.base
    expect(of({ [`base.density-${kind}`]: 10 }) / of({ [`base.density-${kind}`]: 20 })).toBeCloseTo(0.5, 9)
  })
})
