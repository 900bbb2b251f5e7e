import { describe, expect, it } from 'vitest'
import type { ShapeOf } from '../base'
import { runsOf, stationAt } from '../base'
import { readOutline } from './outline-svg'

const IN = 25.4
const read = (text: string, width = 14 * IN, face = 4): ShapeOf<'outline'> => {
  const found = readOutline(text, width, face)
  if (!found.ok) throw new Error(found.error)
  return found.shape
}
const fault = (text: string): string => {
  const found = readOutline(text, 14 * IN, 4)
  return found.ok ? 'none' : found.error
}
const lengths = (shape: ShapeOf<'outline'>): number[] => runsOf({ shape, turn: 0 }).map(({ length }) => length)
const svg = (inside: string, head = 'viewBox="0 0 100 100"'): string => `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inside}</svg>`

describe('an outline of an SVG drawing', () => {
  it('is read from the data of one path, and finishes as wide as asked', () => {
    const shape = read('M 10 10 H 60 V 110 H 10 Z', 104, 4)
    expect(shape).toMatchObject({ form: 'outline', width: 104, height: 204, face: 4 })
    expect(shape.strokes).toMatchObject([{ name: 'outline', closed: true }])
    expect(lengths(shape)[0]).toBeCloseTo(600, 6)
  })
  it('comes at its own size where the drawing says one', () => {
    // 10 in over 100 units: a rectangle of 50 by 20 units is 5 by 2 in.
    const shape = read(svg('<rect x="7" y="9" width="50" height="20"/>', 'width="10in" viewBox="0 0 100 40"'))
    expect(lengths(shape)[0]).toBeCloseTo(14 * IN, 6)
    expect(lengths(read(svg('<line x1="0" x2="200" y1="5" y2="5"/>', 'width="30cm" viewBox="0 0 300 90"')))[0]).toBeCloseTo(200, 6)
    // Without a view box a unit is a ninety-sixth of an inch.
    expect(lengths(read(svg('<rect width="96" height="192"/>', 'width="4in"')))[0]).toBeCloseTo(6 * IN, 6)
  })
  it('keeps circles, arcs, quadratic and short curves curves', () => {
    expect(lengths(read(svg('<circle cx="40" cy="50" r="20"/>'), 204, 4))[0]! / (Math.PI * 200)).toBeCloseTo(1, 3)
    expect(lengths(read('M0 0 A 50 50 0 0 1 100 0', 204, 4))[0]! / (Math.PI * 100)).toBeCloseTo(1, 3)
    // A parabola y = x(1 - x) over a unit, as a quadratic: by its closed form ½(√2 + asinh 1), turned over.
    const parabola = 0.5 * (Math.SQRT2 + Math.asinh(1))
    expect(lengths(read('M0 0 Q 100 -100 200 0', 204, 4))[0]).toBeCloseTo(200 * parabola, 1)
    expect(read('M0 0 C 0 -50 50 -50 50 0 S 100 50 100 0').strokes[0]!.points).toHaveLength(3)
  })
  it('takes what stands in groups, moved and turned as they say, and leaves out what is not drawn', () => {
    const drawing = svg(
      '<defs><path d="M0 0L9 9"/></defs><g transform="translate(10,0)"><g transform="scale(2)"><rect width="10" height="10"/></g><path d="M0 -30v-20" transform="rotate(90)"/></g>',
      'width="100mm" viewBox="0 0 100 100"',
    )
    const { strokes } = read(drawing)
    expect(strokes.map(({ name }) => name)).toEqual(['run 1', 'run 2'])
    expect(lengths(read(drawing))).toEqual([expect.closeTo(80, 6), expect.closeTo(20, 6)])
  })
  it('goes on after a path was closed, drops points on one another, and begins a closed run at its top', () => {
    const shape = read('M5 5 L5 9 L1 9 L1 5 Z l 0 -4 M 20 20 L 20 20 L 30 20 L 30 12 L 20 20')
    expect(shape.strokes.map(({ closed, points }) => [closed, points.length])).toEqual([
      [true, 4],
      [false, 2],
      [true, 3],
    ])
    const [, , last] = runsOf({ shape, turn: 0 })
    const ys = Array.from({ length: 50 }, (_, k) => stationAt(last!, (k / 50) * last!.length).y)
    expect(stationAt(last!, 0).y).toBe(Math.min(...ys))
  })
  it('is told why it is not read', () => {
    expect(fault(' ')).toBe('It is empty.')
    expect(fault('M 1 1')).toMatch(/Nothing is drawn/)
    expect(fault('M 1 1 L 5')).toMatch(/cannot be read: missed param/)
    expect(fault(svg('<text>Hello</text>'))).toMatch(/Nothing is drawn/)
    expect(fault('<svg><path></svg>')).toMatch(/not an SVG drawing: line 1/)
    expect(fault('<html><body/></html>')).toMatch(/has no <svg>/)
    expect(fault('hello')).toMatch(/not an SVG drawing/)
    expect(fault(svg('<script>alert(1)</script><path d="M0 0L9 9"/>'))).toMatch(/<script> in it/)
    expect(fault(svg('<g><path d="M0 0L9 9" onload="alert(1)"/></g>'))).toMatch(/program in it \(onload\)/)
    expect(fault(svg('<foreignObject/>'))).toMatch(/<foreignObject>/)
    expect(fault('M0 0 L10 10 L10 0 L0 10 Z')).toMatch(/crosses itself/)
    expect(fault(`M0 0${Array.from({ length: 5000 }, (_, i) => `L${i} ${(i * i) % 7}`).join('')}`)).toMatch(
      /200 points at most, and this one has \d+/,
    )
    expect(fault('M0 0h9'.repeat(13))).toMatch(/13 runs/)
    expect(fault(svg('<rect width="20" height="20"/>', 'width="90000mm" viewBox="0 0 20 20"'))).toMatch(/a bench holds/)
    expect(fault(svg('<rect width="2" height="2"/>', 'width="20mm" viewBox="0 0 20 20"'))).toMatch(/too small/)
    expect(fault(`<svg>${'<g>'.repeat(60)}<path d="M0 0L9 9"/>${'</g>'.repeat(60)}</svg>`)).toMatch(/nested deeper/)
    expect(fault(`<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;">]><svg><path d="&b;"/></svg>`)).not.toBe('none')
    expect(fault(`M${'1'.repeat(1_000_001)}`)).toMatch(/characters/)
    expect(fault('M0 0 L1e308 1e308 L-1e308 5')).not.toBe('none')
    expect(fault('M0 0 LNaN 5')).not.toBe('none')
  })
})
