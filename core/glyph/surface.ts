import { random, seedOf } from '../measure'
import { css, jitter, lighter, tone } from './colour'
import type { Tone } from './colour'
import type { Bounds, Mark, XY } from './marks'
import { Pen } from './pen'
import type { Backdrop } from './scene'

/** The door about the piece's middle, mm; null where a wall is all there is. */
export function doorBounds({ door: { width, height }, hang }: Pick<Backdrop, 'door' | 'hang'>): Bounds | null {
  return hang === null ? null : { left: -width / 2, right: width / 2, top: -height * (1 - hang), bottom: height * hang }
}

/**
 * What the piece hangs on, at true scale and with the piece's middle at the origin.
 * @param region what can be seen, mm
 */
export function surfaceMarks({ surface, door, hang, doorway }: Backdrop, region: Bounds): readonly Mark[] {
  const pen = new Pen(random(seedOf(surface.kind)))
  const of = tone(surface.colour)
  const frame = doorBounds({ door, hang })
  switch (surface.kind) {
    case 'brick': bricks(pen, of, region); break
    case 'stone': stones(pen, of, region); break
    case 'plaster': plaster(pen, of, region); break
    case 'boards':
      if (frame) onWall(pen, of, region, frame, () => boards(pen, of, meet(region, frame)))
      else boards(pen, of, region)
      break
    case 'door':
      if (frame) onWall(pen, of, region, frame, () => panels(pen, of, frame))
      else plaster(pen, of, region)
      break
  }
  // A wall of brick, stone or plaster that a garland frames has a door in it.
  if (frame && doorway && surface.kind !== 'boards' && surface.kind !== 'door') doorIn(pen, of, frame, () => panels(pen, tone(WALL_DOOR), frame))
  return pen.marks
}

const WALL_DOOR = '#4A5A54'

const meet = (a: Bounds, b: Bounds): Bounds => ({ left: Math.max(a.left, b.left), right: Math.min(a.right, b.right), top: Math.max(a.top, b.top), bottom: Math.min(a.bottom, b.bottom) })

function box(pen: Pen, { left, top, right, bottom }: Bounds, fill: Parameters<Pen['shape']>[1], opacity?: number): void {
  if (right > left && bottom > top) pen.shape([[left, top], [right, top], [right, bottom], [left, bottom]], fill, opacity)
}

/** A door in its frame, with wall and ground about it where they come into view. */
function onWall(pen: Pen, of: Tone, region: Bounds, door: Bounds, fill: () => void): void {
  const wall: Tone = { l: 0.86, c: 0.012, h: of.h }
  box(pen, { ...region, bottom: Math.min(region.bottom, door.bottom) }, css(wall))
  if (region.bottom > door.bottom) {
    box(pen, { ...region, top: door.bottom }, css({ l: 0.62, c: 0.012, h: 80 }))
    box(pen, { ...region, top: door.bottom, bottom: door.bottom + 26 }, css({ l: 0.5, c: 0.012, h: 80 }))
  }
  doorIn(pen, of, door, fill)
}

/** A door with its jamb. */
function doorIn(pen: Pen, of: Tone, door: Bounds, fill: () => void): void {
  const jamb = 90
  const frame: Bounds = { left: door.left - jamb, right: door.right + jamb, top: door.top - jamb, bottom: door.bottom }
  box(pen, { left: frame.left + 14, right: frame.right + 14, top: frame.top + 14, bottom: frame.bottom }, '#140d18', 0.16)
  box(pen, frame, css({ l: 0.93, c: 0.008, h: of.h }))
  box(pen, { left: door.left - 10, right: door.right + 10, top: door.top - 10, bottom: door.bottom }, css({ l: 0.55, c: 0.01, h: of.h }))
  fill()
}

const BOARD = 140

function boards(pen: Pen, of: Tone, { left, top, right, bottom }: Bounds): void {
  const first = Math.floor(left / BOARD)
  for (let i = first; i * BOARD < right; i++) {
    const grainOf = random(seedOf('board', i))
    const from = Math.max(left, i * BOARD)
    const to = Math.min(right, (i + 1) * BOARD)
    const board = jitter(of, grainOf, 0.35)
    box(pen, { left: from, right: to, top, bottom }, { kind: 'linear', from: [i * BOARD, 0], to: [(i + 1) * BOARD, 0], stops: [[0, css(lighter(board, 0.02))], [0.5, css(board)], [1, css(lighter(board, -0.012))]] })
    for (let k = 0; k < 11; k++) {
      const x = i * BOARD + grainOf.between(6, BOARD - 6)
      const sway = grainOf.spread(5)
      if (x < from || x > to) continue
      pen.line([[x, top], [x + sway, (2 * top + bottom) / 3], [x - sway, (top + 2 * bottom) / 3], [x, bottom]], grainOf.between(0.4, 1.2), css(lighter(board, grainOf.spread(0.04))), 0.55)
    }
    if (i * BOARD > left) {
      pen.strokes([[[i * BOARD, top], [i * BOARD, bottom]]], 3.4, css(lighter(of, -0.17)))
      pen.strokes([[[i * BOARD + 2.6, top], [i * BOARD + 2.6, bottom]]], 1.2, css(lighter(of, 0.09)), 0.7)
    }
  }
}

function panels(pen: Pen, of: Tone, door: Bounds): void {
  box(pen, door, { kind: 'linear', from: [door.left, 0], to: [door.right, 0], stops: [[0, css(lighter(of, 0.02))], [1, css(lighter(of, -0.015))]] })
  const wide = door.right - door.left
  const high = door.bottom - door.top
  const stile = wide * 0.13
  const column = (wide - 3 * stile) / 2
  for (const [from, to] of [[0.06, 0.44], [0.53, 0.91]] as const) {
    for (const side of [0, 1]) {
      const left = door.left + stile + side * (column + stile)
      panel(pen, of, { left, right: left + column, top: door.top + high * from, bottom: door.top + high * to })
    }
  }
  const handle: XY = [door.right - stile * 0.5, door.top + high * 0.52]
  pen.ball(handle[0], handle[1], 27, tone('#a98b52'), 0.5)
}

/** A sunk moulding: dark to the light, bright away from it. */
function panel(pen: Pen, of: Tone, b: Bounds): void {
  const rim = 16
  const inner: Bounds = { left: b.left + rim, right: b.right - rim, top: b.top + rim, bottom: b.bottom - rim }
  const slope = (outline: readonly XY[], by: number): void => pen.shape(outline, css(lighter(of, by)))
  slope([[b.left, b.top], [b.right, b.top], [inner.right, inner.top], [inner.left, inner.top]], -0.1)
  slope([[b.left, b.top], [inner.left, inner.top], [inner.left, inner.bottom], [b.left, b.bottom]], -0.07)
  slope([[b.right, b.top], [b.right, b.bottom], [inner.right, inner.bottom], [inner.right, inner.top]], 0.05)
  slope([[b.left, b.bottom], [inner.left, inner.bottom], [inner.right, inner.bottom], [b.right, b.bottom]], 0.075)
  box(pen, inner, { kind: 'linear', from: [0, inner.top], to: [0, inner.bottom], stops: [[0, css(lighter(of, -0.012))], [1, css(lighter(of, 0.016))]] })
}

const BRICK = { long: 215, high: 65, joint: 10 }

function bricks(pen: Pen, of: Tone, region: Bounds): void {
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
      const outline: XY[] = [[left + w(), top + w()], [left + BRICK.long * 0.5, top + w() * 0.6], [left + BRICK.long + w(), top + w()], [left + BRICK.long + w(), top + BRICK.high + w()], [left + BRICK.long * 0.5, top + BRICK.high + w() * 0.6], [left + w(), top + BRICK.high + w()]]
      pen.shape(outline.map(([x, y]): XY => [x + 2.4, y + 2.8]), css(lighter(mortar, -0.17)))
      pen.shape(outline, { kind: 'linear', from: [left, top], to: [left, top + BRICK.high], stops: [[0, css(lighter(brick, 0.035))], [0.2, css(brick)], [1, css(lighter(brick, -0.04))]] })
      for (let k = 0; k < 5; k++) pen.circle(left + own.between(8, BRICK.long - 8), top + own.between(8, BRICK.high - 8), own.between(1, 3.4), css(lighter(brick, own.spread(0.07))), 0.6)
    }
  }
}

function stones(pen: Pen, of: Tone, region: Bounds): void {
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
        const outline: XY[] = [[left + 6 + w(), top + 7], [left + long / 2, top + 5 + w() * 0.5], [left + long - 8, top + 8 + w()], [left + long - 6, top + course / 2], [left + long - 9, top + course - 8 + w()], [left + long / 2, top + course - 6], [left + 8, top + course - 9], [left + 6, top + course / 2 + w()]]
        pen.blob(outline, { kind: 'linear', from: [left, top], to: [left + long * 0.3, top + course], stops: [[0, css(lighter(stone, 0.05))], [0.6, css(stone)], [1, css(lighter(stone, -0.06))]] })
        for (let k = 0; k < 8; k++) pen.circle(left + own.between(20, long - 20), top + own.between(18, course - 18), own.between(1.2, 5), css(lighter(stone, own.spread(0.05))), 0.5)
      }
      left += long
    }
  }
}

function plaster(pen: Pen, of: Tone, region: Bounds): void {
  box(pen, region, css(of))
  const patch = 90
  for (let row = Math.floor(region.top / patch); row * patch < region.bottom; row++) {
    for (let column = Math.floor(region.left / patch); column * patch < region.right; column++) {
      const own = random(seedOf('plaster', row, column))
      const x = column * patch + own.between(0, patch)
      const y = row * patch + own.between(0, patch)
      const a = own.between(0, 3)
      const reach = own.between(30, 70)
      pen.line([[x, y], [x + Math.cos(a) * reach * 0.5 + own.spread(8), y + Math.sin(a) * reach * 0.5], [x + Math.cos(a) * reach, y + Math.sin(a) * reach]], own.between(6, 16), css(lighter(of, own.spread(0.014))), 0.6)
    }
  }
}
