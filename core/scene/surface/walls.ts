import { random, seedOf } from '../../measure'
import { css, jitter, lighter } from '../../looks'
import type { Tone, XY, Pen } from '../../looks'
import type { Bounds } from '../../measure'
import { box } from './box'

const BOARD = 140

export function boards(pen: Pen, of: Tone, region: Bounds): void {
  for (let i = Math.floor(region.left / BOARD); i * BOARD < region.right; i++) {
    oneBoard(pen, of, region, i)
    if (i * BOARD > region.left) groove(pen, of, region, i * BOARD)
  }
}

/** The `i`th board, as far as it is seen, with its grain. */
function oneBoard(pen: Pen, of: Tone, { left, top, right, bottom }: Bounds, i: number): void {
  const grainOf = random(seedOf('board', i))
  const from = Math.max(left, i * BOARD)
  const to = Math.min(right, (i + 1) * BOARD)
  const board = jitter(of, grainOf, 0.35)
  box(
    pen,
    { left: from, right: to, top, bottom },
    {
      kind: 'linear',
      from: [i * BOARD, 0],
      to: [(i + 1) * BOARD, 0],
      stops: [
        [0, css(lighter(board, 0.02))],
        [0.5, css(board)],
        [1, css(lighter(board, -0.012))],
      ],
    },
  )
  for (let k = 0; k < 11; k++) {
    const x = i * BOARD + grainOf.between(6, BOARD - 6)
    const sway = grainOf.spread(5)
    if (x < from || x > to) continue
    pen.line(
      [
        [x, top],
        [x + sway, (2 * top + bottom) / 3],
        [x - sway, (top + 2 * bottom) / 3],
        [x, bottom],
      ],
      grainOf.between(0.4, 1.2),
      css(lighter(board, grainOf.spread(0.04))),
      0.55,
    )
  }
}

/** Where two boards meet: dark, with a light edge. */
function groove(pen: Pen, of: Tone, { top, bottom }: Bounds, x: number): void {
  const down = (at: number): [XY, XY] => [
    [at, top],
    [at, bottom],
  ]
  pen.strokes([down(x)], 3.4, css(lighter(of, -0.17)))
  pen.strokes([down(x + 2.6)], 1.2, css(lighter(of, 0.09)), 0.7)
}

const BRICK = { long: 215, high: 65, joint: 10 }

export function bricks(pen: Pen, of: Tone, region: Bounds): void {
  const mortar: Tone = { l: 0.72, c: 0.015, h: 75 }
  box(pen, region, css(mortar))
  const pitch = BRICK.high + BRICK.joint
  const step = BRICK.long + BRICK.joint
  for (let row = Math.floor(region.top / pitch); row * pitch < region.bottom; row++) {
    const shift = row % 2 ? step / 2 : 0
    for (let i = Math.floor((region.left - shift) / step); i * step + shift < region.right; i++) {
      const own = random(seedOf('brick', row, i))
      const brick = jitter(of, own, 0.6)
      const left = i * step + shift
      const top = row * pitch
      const w = () => own.spread(1.6)
      const outline: XY[] = [
        [left + w(), top + w()],
        [left + BRICK.long * 0.5, top + w() * 0.6],
        [left + BRICK.long + w(), top + w()],
        [left + BRICK.long + w(), top + BRICK.high + w()],
        [left + BRICK.long * 0.5, top + BRICK.high + w() * 0.6],
        [left + w(), top + BRICK.high + w()],
      ]
      pen.shape(
        outline.map(([x, y]): XY => [x + 2.4, y + 2.8]),
        css(lighter(mortar, -0.17)),
      )
      pen.shape(outline, {
        kind: 'linear',
        from: [left, top],
        to: [left, top + BRICK.high],
        stops: [
          [0, css(lighter(brick, 0.035))],
          [0.2, css(brick)],
          [1, css(lighter(brick, -0.04))],
        ],
      })
      for (let k = 0; k < 5; k++)
        pen.circle(
          left + own.between(8, BRICK.long - 8),
          top + own.between(8, BRICK.high - 8),
          own.between(1, 3.4),
          css(lighter(brick, own.spread(0.07))),
          0.6,
        )
    }
  }
}

export function stones(pen: Pen, of: Tone, region: Bounds): void {
  box(pen, region, css(lighter(of, -0.16)))
  const course = 170
  for (let row = Math.floor(region.top / course); row * course < region.bottom; row++) {
    const rowSeed = random(seedOf('course', row))
    let left = Math.floor(region.left / 2400) * 2400 - rowSeed.between(0, 300)
    for (let i = 0; left < region.right; i++) {
      const own = random(seedOf('stone', row, i, Math.floor(region.left / 2400)))
      const long = own.between(190, 420)
      if (left + long > region.left) {
        const stone = jitter(of, own, 1)
        const w = () => own.spread(7)
        const top = row * course
        const outline: XY[] = [
          [left + 6 + w(), top + 7],
          [left + long / 2, top + 5 + w() * 0.5],
          [left + long - 8, top + 8 + w()],
          [left + long - 6, top + course / 2],
          [left + long - 9, top + course - 8 + w()],
          [left + long / 2, top + course - 6],
          [left + 8, top + course - 9],
          [left + 6, top + course / 2 + w()],
        ]
        pen.blob(outline, {
          kind: 'linear',
          from: [left, top],
          to: [left + long * 0.3, top + course],
          stops: [
            [0, css(lighter(stone, 0.05))],
            [0.6, css(stone)],
            [1, css(lighter(stone, -0.06))],
          ],
        })
        for (let k = 0; k < 8; k++)
          pen.circle(
            left + own.between(20, long - 20),
            top + own.between(18, course - 18),
            own.between(1.2, 5),
            css(lighter(stone, own.spread(0.05))),
            0.5,
          )
      }
      left += long
    }
  }
}

export function plaster(pen: Pen, of: Tone, region: Bounds): void {
  box(pen, region, css(of))
  const patch = 90
  for (let row = Math.floor(region.top / patch); row * patch < region.bottom; row++) {
    for (let column = Math.floor(region.left / patch); column * patch < region.right; column++) {
      const own = random(seedOf('plaster', row, column))
      const x = column * patch + own.between(0, patch)
      const y = row * patch + own.between(0, patch)
      const a = own.between(0, 3)
      const reach = own.between(30, 70)
      pen.line(
        [
          [x, y],
          [x + Math.cos(a) * reach * 0.5 + own.spread(8), y + Math.sin(a) * reach * 0.5],
          [x + Math.cos(a) * reach, y + Math.sin(a) * reach],
        ],
        own.between(6, 16),
        css(lighter(of, own.spread(0.014))),
        0.6,
      )
    }
  }
}
