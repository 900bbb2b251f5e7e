import { describe, expect, it } from 'vitest'
import { readScale, settledAt } from '../../core/hanging'
import { READINGS, readings } from './readings'

const gramsOf = (all: Iterable<string>): number[] => [...all].flatMap((text) => readScale(text)?.grams ?? [])

describe('the simulated scale', () => {
  it('is the same weighing for the same seed, and settles on what lies on it', () => {
    const one = gramsOf(readings(185, 7, 'none'))
    expect(gramsOf(readings(185, 7, 'none'))).toEqual(one)
    expect(gramsOf(readings(185, 8, 'none'))).not.toEqual(one)
    expect(one).toHaveLength(READINGS)
    const settled = settledAt(one.slice(0, 30), 0)!
    expect(settled.still).toBe(true)
    expect(Math.abs(settled.grams - 185)).toBeLessThan(0.6)
  })
  it('does not lie still while things are put on', () =>
    expect(settledAt(gramsOf(readings(185, 7, 'none')).slice(0, 8), 0)!.still).toBe(false))
  it('takes the tare off: 185 g and 60 g of bowl', () => {
    const settled = settledAt(gramsOf(readings(245, 3, 'none')).slice(0, 40), 60)!
    expect(Math.abs(settled.grams - 185)).toBeLessThan(0.7)
  })
  it('stops in the middle, and what is rubbish is no reading', () => {
    expect([...readings(100, 1, 'stops')]).toHaveLength(5)
    const all = [...readings(100, 1, 'rubbish')]
    const read = all.filter((text) => readScale(text) !== null)
    expect(read.length).toBe(100)
    expect(all.length).toBe(READINGS)
    for (const text of ['', 'null', '[]', '{"n":1,"grams":1e9}', '{"n":1,"grams":NaN}', '{"n":1}']) expect(readScale(text)).toBeNull()
  })
  it('drifts, as cheap ones do: three tenths of a gram in ten seconds', () => {
    const all = gramsOf(readings(100, 5, 'none'))
    const mean = (of: readonly number[]): number => of.reduce((sum, each) => sum + each, 0) / of.length
    const crept = mean(all.slice(-20)) - mean(all.slice(10, 30))
    expect(crept).toBeGreaterThan(0.2)
    expect(crept).toBeLessThan(0.8)
  })
})
