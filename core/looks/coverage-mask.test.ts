import { describe, expect, it } from 'vitest'
import { random } from '../measure'
import type { XY } from './vector-marks'
import { Pen } from './vector-pen'
import { Stencil } from './coverage-mask'

/** The mask of what is drawn, over a field of 100 by 60. */
function maskOf(draw: (pen: Pen) => void, turned = 0) {
  const stencil = new Stencil()
  const pen = new Pen(random(1), { sheet: stencil, turned })
  draw(pen)
  return stencil.mask({ left: -50, right: 50, top: -30, bottom: 30 })
}
const share = ({ bits }: ReturnType<typeof maskOf>): number => bits.reduce((n, bit) => n + bit, 0) / bits.length

// Areas by the closed forms of school geometry.
describe('what is hidden has the area of', () => {
  const square = (half: number): XY[] => [
    [-half, -half],
    [half, -half],
    [half, half],
    [-half, half],
  ]
  it('a rectangle', () => expect(maskOf((pen) => pen.shape(square(20), '#000000')).area / 1600).toBeCloseTo(1, 2))
  it('a disc: π r²', () => expect(maskOf((pen) => pen.circle(0, 0, 25, '#000000')).area / (Math.PI * 625)).toBeCloseTo(1, 3))
  it('a line with round ends: length × width + π r²', () =>
    expect(
      maskOf((pen) =>
        pen.strokes(
          [
            [
              [-30, -5],
              [30, 8],
            ],
          ],
          6,
          '#000000',
        ),
      ).area /
        (Math.hypot(60, 13) * 6 + Math.PI * 9),
    ).toBeCloseTo(1, 2))
  it('a hairline, however thin', () =>
    expect(
      maskOf((pen) =>
        pen.strokes(
          [
            [
              [-40, -20],
              [40, 20],
            ],
          ],
          0.1,
          '#000000',
        ),
      ).area /
        (Math.hypot(80, 40) * 0.1),
    ).toBeCloseTo(1, 1))
  it('a square with a hole the other way round', () =>
    expect(maskOf((pen) => pen.shapes([square(20), [...square(10)].reverse()], '#000000')).area / 1200).toBeCloseTo(1, 2))
  it('two that overlap, once', () =>
    expect(
      maskOf((pen) => {
        pen.shape(
          [
            [-20, -10],
            [10, -10],
            [10, 10],
            [-20, 10],
          ],
          '#000000',
        )
        pen.shape(
          [
            [-10, -10],
            [20, -10],
            [20, 10],
            [-10, 10],
          ],
          '#000000',
        )
      }).area / 800,
    ).toBeCloseTo(1, 1))
})

describe('what one can see through', () => {
  it('hides as much of its squares as it is opaque', () => {
    const mask = maskOf((pen) =>
      pen.shape(
        [
          [-50, -30],
          [50, -30],
          [50, 30],
          [-50, 30],
        ],
        '#000000',
        0.55,
      ),
    )
    expect(mask.area / 6000).toBeCloseTo(0.55, 3)
    expect(share(mask)).toBeCloseTo(0.55, 2)
  })
  it('twice over hides 1 − (1 − a)²', () =>
    expect(
      share(
        maskOf((pen) => {
          for (let i = 0; i < 2; i++)
            pen.shape(
              [
                [-50, -30],
                [50, -30],
                [50, 30],
                [-50, 30],
              ],
              '#000000',
              0.4,
            )
        }),
      ),
    ).toBeCloseTo(0.64, 2))
  it('fades with a glow: a cone of radius r hides a third of its disc', () => {
    const glow = maskOf((pen) =>
      pen.circle(0, 0, 28, {
        kind: 'radial',
        centre: [0, 0],
        radius: 28,
        focus: [0, 0],
        stops: [
          [0, '#ffffffff'],
          [1, '#ffffff00'],
        ],
      }),
    )
    expect(glow.area / ((Math.PI * 28 ** 2) / 3)).toBeCloseTo(1, 2)
  })
  it('hides nothing as a cast shadow', () =>
    expect(
      maskOf((pen) =>
        pen.shadow(
          [
            [-20, -20],
            [20, -20],
            [20, 20],
          ],
          3,
        ),
      ).area,
    ).toBe(0))
})

describe('the hull', () => {
  it('is that of the corners', () => {
    const { rim } = maskOf((pen) => {
      pen.shape(
        [
          [0, 0],
          [4, 0],
          [4, 3],
          [0, 3],
        ],
        '#000000',
      )
      pen.shape(
        [
          [1, 1],
          [3, 1],
          [2, 2],
        ],
        '#000000',
      )
    })
    expect(new Set(rim.map(String))).toEqual(new Set(['0,0', '4,0', '4,3', '0,3']))
    expect(maskOf((pen) => pen.circle(5, 0, 20, '#000000')).rim.reduce((far, [x]) => Math.max(far, x), 0)).toBeCloseTo(25, 0)
  })
  it('leaves out what is all but invisible', () => expect(maskOf((pen) => pen.circle(0, 0, 20, '#000000', 0.1)).rim).toEqual([]))
})
