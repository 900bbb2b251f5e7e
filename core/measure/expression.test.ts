import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { showSum } from './figure'
import { inches } from './length'
import {
  asUnit,
  byRule,
  count,
  given,
  minus,
  mm,
  ofFigure,
  divide,
  PI,
  plus,
  plusAll,
  ratio,
  saidAs,
  labelled,
  times,
  floor,
  ceil,
  worked,
} from './expression'
import { rate, thumb, USUAL } from './rule-of-thumb'

const manner = { units: 'in', currency: 'USD' } as const
const said = (...of: Parameters<typeof worked>): string => showSum(worked(...of), manner)

describe('a number and its sentence by one expression', () => {
  it('says a product and a sum, with a sum in a product in brackets', () => {
    expect(said(times(count(3), plus(mm(inches(2)), mm(inches(1)))))).toBe('3 × (2 in + 1 in) = 9 in')
    expect(said(plus(times(count(3), mm(inches(2))), mm(inches(1))))).toBe('3 × 2 in + 1 in = 7 in')
  })
  it('keeps apart what a division or a difference would join', () => {
    expect(said(divide(mm(inches(12)), times(count(2), count(3))))).toBe('12 in ÷ (2 × 3) = 2 in')
    expect(said(minus(mm(inches(12)), plus(mm(inches(2)), mm(inches(3)))))).toBe('12 in − (2 in + 3 in) = 7 in')
    expect(said(divide(times(count(2), mm(inches(6))), count(3)))).toBe('2 × 6 in ÷ 3 = 4 in')
  })
  it('counts whole ones down and up, a hair short of whole is whole', () => {
    expect(said(floor(divide(mm(inches(360)), mm(inches(116)))))).toBe('⌊360 in ÷ 116 in⌋ = 3')
    expect(said(ceil(divide(mm(inches(40.84)), mm(inches(3.5)))))).toBe('⌈40.84 in ÷ 3.5 in⌉ = 12')
    expect(floor(divide(mm(9 * 304.8), mm(304.8))).value).toBe(9)
  })
  it('does not speak what adds nothing, and says what is only given without a result', () => {
    expect(said(plus(mm(inches(2)), times(count(2), mm(0))))).toBe('2 in')
    expect(said(minus(mm(inches(5)), mm(0)))).toBe('5 in')
    expect(said(labelled`roll ${mm(inches(36))}`)).toBe('roll 36 in')
    expect(worked(plusAll([], mm(0))).value).toBe(0)
  })
  it('has the unit of what is measured among counts and ratios', () => {
    expect([
      times(count(2), mm(3)).unit,
      times(count(2), count(3)).unit,
      times(count(2), ratio(0.5)).unit,
      divide(mm(4), mm(2)).unit,
      divide(mm(4), count(2)).unit,
      asUnit('share', divide(mm(1), mm(2))).unit,
    ]).toEqual(['length', 'count', 'ratio', 'ratio', 'length', 'share'])
  })
  it('is as little to be trusted as the least of its parts, and names each rule of thumb once', () => {
    const glue = thumb('t.glue', 'Glue', 'mass', 0.5, [0.1, 5], 'a pea')
    const one = byRule(glue, USUAL)
    const figure = worked(plus(times(count(3), one), one, given({ value: 4, unit: 'mass' }, { kind: 'measured' })))
    expect(figure).toMatchObject({ value: 6, basis: { kind: 'rule of thumb' }, rules: [{ id: 't.glue', value: 0.5, usual: 0.5 }] })
    expect(figure.rules).toHaveLength(1)
    expect(worked(times(PI, mm(10))).basis.kind).toBe('geometry')
    expect(worked(times(count(2), count(3))).basis.kind).toBe('counted')
    // The maker's own is what it goes by.
    expect(worked(times(count(3), byRule(glue, { rates: { 't.glue': 2 } })))).toMatchObject({ value: 6, rules: [{ value: 2, usual: 0.5 }] })
    expect([rate(glue, USUAL), rate(glue, { rates: { 't.glue': 2 } })]).toEqual([0.5, 2])
  })
  it('is a range when a part of it is one: the worst of each end', () => {
    const price = { ...mm(10), low: 8, high: 12 }
    expect(worked(plus(price, price)).range).toEqual([16, 24])
    expect(worked(minus(mm(100), price)).range).toEqual([88, 92])
    expect(worked(divide(mm(96), price)).range).toEqual([8, 12])
    expect(worked(mm(10)).range).toBeUndefined()
    expect(ofFigure(worked(plus(price, mm(1))))).toMatchObject({ low: 9, high: 13 })
  })
  it('says what the arithmetic gives: against the same sum in plain numbers', () => {
    const length = fc.double({ min: 1, max: 1e4, noNaN: true })
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), length, length, length, (n, a, b, c) => {
        expect(plus(times(count(n), PI, mm(a)), mm(b), times(count(2), mm(c))).value).toBeCloseTo(n * Math.PI * a + b + 2 * c, 4)
        expect(divide(minus(mm(a + b), mm(b)), mm(c)).value).toBeCloseTo(a / c, 6)
      }),
    )
  })
  it('may be said otherwise than by how it was worked out', () =>
    expect(said(saidAs(mm(inches(9)), ['round both lobes']))).toBe('round both lobes = 9 in'))
})

describe('a rule of thumb', () => {
  it('makes sense as it usually is', () => expect(() => thumb('t.x', 'X', 'count', 9, [1, 3], '')).toThrow(RangeError))
})
