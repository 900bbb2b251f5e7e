import { clamp, random, seedOf } from '../../measure'
import { css, lighter, tone, SHADE } from '../../looks'
import type { Tone, ColourStop, XY, Pen } from '../../looks'
import type { Bounds } from '../../measure'
import type { Backdrop } from '../scene'
import { box } from './box'
import { bricks, plaster } from './walls'

/** What stands behind glass, from the top of a pane to its bottom, in each light. */
const BEHIND: Record<Backdrop['light'], readonly ColourStop[]> = {
  day: [
    [0, '#9fb3ba'],
    [0.35, '#71878f'],
    [0.7, '#4d626a'],
    [1, '#43565c'],
  ],
  dusk: [
    [0, '#7f93ab'],
    [0.5, '#53657e'],
    [1, '#3a475c'],
  ],
  lamp: [
    [0, '#d9a254'],
    [0.45, '#c08540'],
    [1, '#7d5026'],
  ],
}

/** Members of a window, mm: its frame, its sash, its mullion and the bar across. */
const FRAME = { casing: 80, sash: 46, mullion: 34, bar: 22, sill: 60 } as const

/** A window of so much glass in a wall, parted by a mullion and one bar. */
export function glass(pen: Pen, of: Tone, region: Bounds, frame: Bounds, light: Backdrop['light']): void {
  plaster(pen, { l: 0.84, c: 0.014, h: of.h }, region)
  const out = FRAME.casing + FRAME.sash
  const casing: Bounds = { left: frame.left - out, right: frame.right + out, top: frame.top - out, bottom: frame.bottom + out }
  box(pen, { left: casing.left + 12, right: casing.right + 12, top: casing.top + 12, bottom: casing.bottom + 14 }, SHADE, 0.18)
  member(pen, of, casing)
  member(pen, lighter(of, -0.02), {
    left: frame.left - FRAME.sash,
    right: frame.right + FRAME.sash,
    top: frame.top - FRAME.sash,
    bottom: frame.bottom + FRAME.sash,
  })
  const middle = (frame.left + frame.right) / 2
  const across = frame.top + (frame.bottom - frame.top) * 0.42
  for (const [left, right] of [
    [frame.left, middle - FRAME.mullion / 2],
    [middle + FRAME.mullion / 2, frame.right],
  ] as const) {
    for (const [top, bottom] of [
      [frame.top, across - FRAME.bar / 2],
      [across + FRAME.bar / 2, frame.bottom],
    ] as const)
      pane(pen, { left, right, top, bottom }, light)
  }
  member(pen, of, { left: frame.left, right: frame.right, top: across - FRAME.bar / 2, bottom: across + FRAME.bar / 2 })
  member(pen, of, { left: middle - FRAME.mullion / 2, right: middle + FRAME.mullion / 2, top: frame.top, bottom: frame.bottom })
  const sill: Bounds = { left: casing.left - 40, right: casing.right + 40, top: casing.bottom, bottom: casing.bottom + FRAME.sill }
  box(pen, { ...sill, top: sill.bottom, bottom: sill.bottom + 26 }, SHADE, 0.22)
  member(pen, lighter(of, 0.02), sill)
}

/** A moulded length of painted wood: lit above, in shade below. */
function member(pen: Pen, of: Tone, b: Bounds): void {
  box(pen, b, css(of))
  const rim = Math.min(7, (b.right - b.left) / 4, (b.bottom - b.top) / 4)
  box(pen, { ...b, bottom: b.top + rim }, css(lighter(of, 0.06)))
  box(pen, { ...b, right: b.left + rim }, css(lighter(of, 0.04)))
  box(pen, { ...b, top: b.bottom - rim }, css(lighter(of, -0.09)))
  box(pen, { ...b, left: b.right - rim }, css(lighter(of, -0.07)))
}

function pane(pen: Pen, b: Bounds, light: Backdrop['light']): void {
  box(pen, b, { kind: 'linear', from: [b.left, b.top], to: [b.left, b.bottom], stops: BEHIND[light] })
  const [wide, high] = [b.right - b.left, b.bottom - b.top]
  // The sky in the glass: slanting bands.
  const sky = light === 'lamp' ? 0.05 : 0.13
  for (const [from, width] of [
    [0.05, 0.22],
    [0.34, 0.07],
    [0.66, 0.14],
  ] as const) {
    const lean = Math.min(wide * 0.5, high * 0.4)
    const x = (u: number): number => b.left + wide * u
    const held = (point: XY): XY => [clamp(point[0], b.left, b.right), point[1]]
    pen.shape(
      (
        [
          [x(from) + lean * 0.5, b.top],
          [x(from + width) + lean * 0.5, b.top],
          [x(from + width) - lean * 0.5, b.bottom],
          [x(from) - lean * 0.5, b.bottom],
        ] as const
      ).map(held),
      '#ffffff',
      sky,
    )
  }
  box(pen, { ...b, bottom: b.top + 14 }, SHADE, 0.28)
  box(pen, { ...b, right: b.left + 10 }, SHADE, 0.2)
}

/** Measures of a mantel, mm. */
const MANTEL = { slab: 46, frieze: 210, leg: 190, over: 60, inside: 940, mouth: 800 } as const

/** A mantel under the piece or through it: a wall above, the shelf at its height, the surround and the dark of the hearth below. */
export function mantel(pen: Pen, of: Tone, region: Bounds, shelf: number): void {
  plaster(pen, of, region)
  const paint = tone('#e7e3d8')
  const half = MANTEL.inside / 2 + MANTEL.leg
  const top = shelf + MANTEL.slab
  const floor = Math.max(region.bottom, top + MANTEL.frieze + MANTEL.mouth)
  box(pen, { left: -half + 14, right: half + 14, top, bottom: floor }, SHADE, 0.2)
  const mouth: Bounds = { left: -MANTEL.inside / 2, right: MANTEL.inside / 2, top: top + MANTEL.frieze, bottom: floor }
  bricks(pen, tone('#5a3d34'), mouth)
  box(pen, mouth, {
    kind: 'linear',
    from: [0, mouth.top],
    to: [0, mouth.top + 420],
    stops: [
      [0, '#0d090ce8'],
      [1, '#0d090c90'],
    ],
  })
  // Whole bricks run out under the surround.
  member(pen, paint, { left: -half, right: mouth.left, top, bottom: floor })
  member(pen, paint, { left: mouth.right, right: half, top, bottom: floor })
  member(pen, paint, { left: -half, right: half, top, bottom: mouth.top })
  member(pen, lighter(paint, -0.015), { left: -half + 60, right: half - 60, top: top + 50, bottom: top + MANTEL.frieze - 40 })
  for (const side of [-1, 1]) {
    const [left, right] = side < 0 ? [-half + 34, -half + MANTEL.leg - 34] : [half - MANTEL.leg + 34, half - 34]
    member(pen, lighter(paint, -0.01), { left, right, top: top + MANTEL.frieze, bottom: floor })
  }
  box(pen, { left: -half - MANTEL.over, right: half + MANTEL.over, top: top, bottom: top + 34 }, SHADE, 0.24)
  member(pen, lighter(paint, 0.02), { left: -half - MANTEL.over, right: half + MANTEL.over, top: shelf, bottom: top })
  const grain = random(seedOf('mantel'))
  pen.strokes(
    Array.from({ length: 9 }, (): readonly [XY, XY] => {
      const x = grain.spread(half)
      const y = shelf + grain.between(10, MANTEL.slab - 8)
      return [
        [x, y],
        [x + grain.between(60, 200), y],
      ]
    }),
    0.8,
    css(lighter(paint, -0.05)),
    0.6,
  )
}
