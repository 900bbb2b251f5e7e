import { css, lighter, tone, sphere, SHADE } from '../../looks'
import type { Tone, XY, Pen } from '../../looks'
import type { Bounds } from '../../measure'
import { box } from './box'

/** A door in its frame, with wall and ground about it where they come into view. */
export function onWall(pen: Pen, of: Tone, region: Bounds, door: Bounds, fill: () => void): void {
  const wall: Tone = { l: 0.86, c: 0.012, h: of.h }
  box(pen, { ...region, bottom: Math.min(region.bottom, door.bottom) }, css(wall))
  if (region.bottom > door.bottom) {
    box(pen, { ...region, top: door.bottom }, css({ l: 0.62, c: 0.012, h: 80 }))
    box(pen, { ...region, top: door.bottom, bottom: door.bottom + 26 }, css({ l: 0.5, c: 0.012, h: 80 }))
  }
  doorIn(pen, of, door, fill)
}

/** A door with its jamb. */
export function doorIn(pen: Pen, of: Tone, door: Bounds, fill: () => void): void {
  const jamb = 90
  const frame: Bounds = { left: door.left - jamb, right: door.right + jamb, top: door.top - jamb, bottom: door.bottom }
  box(pen, { left: frame.left + 14, right: frame.right + 14, top: frame.top + 14, bottom: frame.bottom }, SHADE, 0.16)
  box(pen, frame, css({ l: 0.93, c: 0.008, h: of.h }))
  box(pen, { left: door.left - 10, right: door.right + 10, top: door.top - 10, bottom: door.bottom }, css({ l: 0.55, c: 0.01, h: of.h }))
  fill()
}

export function panels(pen: Pen, of: Tone, door: Bounds): void {
  box(pen, door, {
    kind: 'linear',
    from: [door.left, 0],
    to: [door.right, 0],
    stops: [
      [0, css(lighter(of, 0.02))],
      [1, css(lighter(of, -0.015))],
    ],
  })
  const wide = door.right - door.left
  const high = door.bottom - door.top
  const stile = wide * 0.13
  const column = (wide - 3 * stile) / 2
  for (const [from, to] of [
    [0.06, 0.44],
    [0.53, 0.91],
  ] as const) {
    for (const side of [0, 1]) {
      const left = door.left + stile + side * (column + stile)
      panel(pen, of, { left, right: left + column, top: door.top + high * from, bottom: door.top + high * to })
    }
  }
  const handle: XY = [door.right - stile * 0.5, door.top + high * 0.52]
  sphere(pen, handle[0], handle[1], 27, tone('#a98b52'), 0.4)
}

/** A sunk moulding: dark to the light, bright away from it. */
function panel(pen: Pen, of: Tone, b: Bounds): void {
  const rim = 16
  const inner: Bounds = { left: b.left + rim, right: b.right - rim, top: b.top + rim, bottom: b.bottom - rim }
  const slope = (outline: readonly XY[], by: number): void => pen.shape(outline, css(lighter(of, by)))
  slope(
    [
      [b.left, b.top],
      [b.right, b.top],
      [inner.right, inner.top],
      [inner.left, inner.top],
    ],
    -0.1,
  )
  slope(
    [
      [b.left, b.top],
      [inner.left, inner.top],
      [inner.left, inner.bottom],
      [b.left, b.bottom],
    ],
    -0.07,
  )
  slope(
    [
      [b.right, b.top],
      [b.right, b.bottom],
      [inner.right, inner.bottom],
      [inner.right, inner.top],
    ],
    0.05,
  )
  slope(
    [
      [b.left, b.bottom],
      [inner.left, inner.bottom],
      [inner.right, inner.bottom],
      [b.right, b.bottom],
    ],
    0.075,
  )
  box(pen, inner, {
    kind: 'linear',
    from: [0, inner.top],
    to: [0, inner.bottom],
    stops: [
      [0, css(lighter(of, -0.012))],
      [1, css(lighter(of, 0.016))],
    ],
  })
}
