import { blend, css, lighter, tone } from '../colour'
import type { Tone } from '../colour'
import type { XY } from '../marks'
import { frame } from '../pen'
import type { Pen } from '../pen'
import type { Species } from '../stalk'

/** A tied bow: four loops with an inside and an outside, two tails that fall, and the knot over them. */
export const bow: Species = (pen, { length, tint }, random) => {
  const of = tint ?? tone('#7a3b4a')
  const r = length / 2
  tail(pen, r * 1.25, 104 + random.spread(4), r * 0.34, of, -1)
  tail(pen, r * 1.12, 74 + random.spread(4), r * 0.34, lighter(of, 0.015), 1)
  for (const side of [-1, 1]) {
    loop(pen, side, -30 + random.spread(4), r * 0.8, r * 0.5, lighter(of, -0.04))
    loop(pen, side, 26 + random.spread(4), r * 0.78, r * 0.46, lighter(of, -0.02))
  }
  for (const side of [-1, 1]) loop(pen, side, -2 + random.spread(3), r * 0.98, r * 0.58, of)
  knot(pen, r * 0.2, of)
}

/** One loop to a side (1 right, -1 left), lifted by an angle: its dark inside shows where it opens to the light. */
function loop(pen: Pen, side: number, droop: number, length: number, width: number, of: Tone): void {
  const turned = frame({ x: 0, y: 0, angle: side > 0 ? droop : 180 - droop })
  const at = (u: number, v: number): XY => turned(u * length, v * width * side)
  const whole = [at(0.02, -0.1), at(0.25, -0.26), at(0.55, -0.5), at(0.85, -0.5), at(1, -0.16), at(0.98, 0.2), at(0.82, 0.5), at(0.5, 0.46), at(0.22, 0.2), at(0.02, 0.1)]
  pen.shadow(whole, length * 0.05, 0.3)
  pen.blob(whole, { kind: 'linear', from: at(0.2, -0.4), to: at(0.9, -0.1), stops: [[0, css(lighter(of, -0.2))], [0.7, css(lighter(of, -0.12))], [1, css(lighter(of, -0.06))]] })
  const front = [at(0.02, -0.06), at(0.3, -0.1), at(0.6, -0.2), at(0.83, -0.22), at(0.95, -0.02), at(0.98, 0.2), at(0.82, 0.5), at(0.5, 0.46), at(0.22, 0.2), at(0.02, 0.1)]
  pen.blob(front, {
    kind: 'linear', from: at(0, 0), to: at(1, 0.1),
    stops: [[0, css(lighter(of, -0.13))], [0.22, css(lighter(of, -0.02))], [0.5, css(lighter(of, 0.09))], [0.72, css(of)], [0.9, css(lighter(of, 0.05))], [1, css(lighter(of, -0.08))]],
  })
  for (const [v, end] of [[0.02, 0.52], [0.16, 0.6], [0.28, 0.44]] as const) {
    pen.line([at(0.05, v * 0.3), at(0.25, v * 0.9), at(end, v * 1.25)], width * 0.022, css(lighter(of, -0.16)), 0.55)
    pen.line([at(0.06, v * 0.3 + 0.03), at(0.26, v * 0.9 + 0.04), at(end * 0.9, v * 1.25 + 0.04)], width * 0.018, css(lighter(of, 0.14)), 0.4)
  }
  pen.line([at(0.3, -0.1), at(0.6, -0.2), at(0.83, -0.22), at(0.95, -0.02)], width * 0.02, css(lighter(of, 0.16)), 0.7)
}

/** A tail that hangs with a slow wave and ends in a V. */
function tail(pen: Pen, length: number, angle: number, width: number, of: Tone, swing: number): void {
  const turned = frame({ x: 0, y: 0, angle })
  const wave = (u: number): number => Math.sin(u * 4.2) * 0.09 * length * swing
  const half = (u: number): number => (width / 2) * (0.3 + 0.7 * Math.min(1, u * 2.2))
  const us = [0.02, 0.16, 0.32, 0.5, 0.68, 0.84, 1]
  const edge = (sign: number): XY[] => us.map((u) => turned(u * length, wave(u) + sign * half(u)))
  const outline = [...edge(1), turned(0.89 * length, wave(0.89)), ...edge(-1).reverse()]
  pen.shadow(edge(1).concat(edge(-1).reverse()), width * 0.14, 0.26)
  pen.shape(outline, {
    kind: 'linear', from: turned(0, 0), to: turned(length, 0),
    stops: [[0, css(lighter(of, -0.16))], [0.2, css(lighter(of, -0.02))], [0.36, css(lighter(of, 0.07))], [0.55, css(lighter(of, -0.07))], [0.76, css(lighter(of, 0.05))], [1, css(lighter(of, -0.05))]],
  })
  pen.line(us.map((u) => turned(u * length, wave(u) + half(u) * 0.86)), width * 0.025, css(lighter(of, 0.13)), 0.6)
  pen.line(us.map((u) => turned(u * length, wave(u) - half(u) * 0.86)), width * 0.025, css(lighter(of, -0.12)), 0.6)
}

function knot(pen: Pen, r: number, of: Tone): void {
  const outline: XY[] = [[-0.8, -0.9], [0, -1.1], [0.8, -0.9], [0.95, 0], [0.8, 0.95], [0, 1.12], [-0.8, 0.95], [-0.95, 0]].map(([x, y]): XY => [x! * r, y! * r])
  pen.shadow(outline, r * 0.22, 0.34)
  pen.blob(outline, { kind: 'linear', from: [-r, 0], to: [r, 0], stops: [[0, css(lighter(of, -0.12))], [0.35, css(lighter(of, 0.1))], [0.62, css(lighter(of, 0.01))], [1, css(lighter(of, -0.15))]] })
  for (const x of [-0.45, 0, 0.42]) pen.line([[x * r, -0.9 * r], [x * 0.7 * r, 0], [x * r, 0.9 * r]], r * 0.06, css(lighter(of, -0.16)), 0.6)
}

/** Points of a rectangle with its corners cut round, clockwise. */
function plank(x: number, y: number, width: number, height: number): XY[] {
  return [[x, y], [x + width, y], [x + width, y + height], [x, y + height]]
}

function grain(pen: Pen, box: readonly [x: number, y: number, width: number, height: number], of: Tone, random: Parameters<Species>[2], lines: number): void {
  const [x, y, width, height] = box
  for (let i = 0; i < lines; i++) {
    const at = y + (height * (i + random.between(0.2, 0.8))) / lines
    const from = x + width * random.between(0, 0.25)
    const to = x + width * random.between(0.7, 1)
    pen.line([[from, at], [(from + to) / 2, at + random.spread(height * 0.03)], [to, at]], 0.35, css(lighter(of, random.spread(0.08))), 0.5)
  }
}

/** An old oar blade, painted, with the name of a boathouse that does not exist. */
export const oarSign: Species = (pen, { length, width, tint }, random) => {
  const paint = tint ?? tone('#dcd6c4')
  const wood = tone('#a8845a')
  const half = length / 2
  const high = width / 2
  const blade: XY[] = [[-0.2, -0.16], [0, -0.62], [0.16, -0.94], [0.6, -1], [0.93, -0.9], [1, -0.5], [1, 0.5], [0.93, 0.9], [0.6, 1], [0.16, 0.94], [0, 0.62], [-0.2, 0.16]].map(([x, y]): XY => [x! * half, y! * high])
  const loom = plank(-half, -high * 0.17, half * 0.86, high * 0.34)
  pen.shadow([...loom], 4, 0.3)
  pen.shape(loom, { kind: 'linear', from: [0, -high * 0.17], to: [0, high * 0.17], stops: [[0, css(lighter(wood, 0.1))], [0.5, css(wood)], [1, css(lighter(wood, -0.14))]] })
  grain(pen, [-half, -high * 0.15, half * 0.8, high * 0.3], wood, random, 4)
  pen.shadow(blade, 4, 0.3)
  pen.blob(blade, { kind: 'linear', from: [0, -high], to: [0, high], stops: [[0, css(lighter(paint, 0.04))], [0.48, css(paint)], [0.52, css(lighter(paint, -0.03))], [1, css(lighter(paint, -0.1))]] })
  grain(pen, [0, -high * 0.85, half * 0.95, high * 1.7], paint, random, 12)
  const slate = tone('#476178')
  pen.shape([[0.8, -0.96], [0.88, -0.93], [0.88, 0.93], [0.8, 0.96]].map(([x, y]): XY => [x! * half, y! * high]), css(slate))
  pen.line([[-half * 0.2, 0], [half * 0.06, 0]], high * 0.1, css(lighter(paint, -0.08)), 0.7)
  pen.letter({ text: 'BOATHOUSE', x: half * 0.42, y: 0, size: high * 0.4, colour: css(slate), spacing: 0.04 })
}

/** A printed ticket with bitten corners. */
export const ticketSign: Species = (pen, { length, width, tint }, random) => {
  const card = tint ?? tone('#e5d8b8')
  const [half, high] = [length / 2, width / 2]
  const bite = width * 0.1
  const corner = (sx: number, sy: number): XY[] => [0, 1, 2].map((i): XY => {
    const a = (Math.PI / 4) * i
    return [sx * (half - bite * Math.cos(a)), sy * (high - bite * Math.sin(a))]
  })
  const outline = [...corner(1, -1), ...corner(1, 1).reverse(), ...corner(-1, 1), ...corner(-1, -1).reverse()]
  pen.shadow(outline, 3, 0.3)
  pen.shape(outline, { kind: 'linear', from: [-half, -high], to: [half, high], stops: [[0, css(lighter(card, 0.05))], [1, css(lighter(card, -0.05))]] })
  grain(pen, [-half * 0.95, -high * 0.95, length * 0.95, width * 0.95], card, random, 16)
  const ink = tone('#7a2f33')
  const inset = (k: number): XY[] => [[-half + k, -high + k + bite], [-half + k + bite, -high + k], [half - k - bite, -high + k], [half - k, -high + k + bite], [half - k, high - k - bite], [half - k - bite, high - k], [-half + k + bite, high - k], [-half + k, high - k - bite]]
  const border = inset(width * 0.07)
  pen.strokes(border.map((a, i): readonly [XY, XY] => [a, border[(i + 1) % border.length]!]), 0.9, css(ink), 0.85)
  pen.letter({ text: 'HARROWMERE FERRY', x: 0, y: -high * 0.42, size: width * 0.105, colour: css(ink), spacing: 0.08 })
  pen.letter({ text: 'ONE CROSSING', x: 0, y: high * 0.06, size: width * 0.17, colour: css(blend(ink, tone('#33202a'), 0.5)), spacing: 0.02 })
  pen.letter({ text: 'NO 0417', x: 0, y: high * 0.52, size: width * 0.1, colour: css(ink), spacing: 0.14 })
  for (const x of [-1, 1]) pen.circle(x * half * 0.78, -high * 0.8, 1.8, '#2a211c')
}

/** A skep: coils of straw sewn into a dome, with its small dark door. */
export const skep: Species = (pen, { length, width, tint }, random) => {
  const straw = tint ?? tone('#c2974c')
  const coils = 9
  const pitch = width / coils
  const half = (i: number): number => (length / 2) * Math.sqrt(Math.max(0.02, 1 - Math.pow(1 - (i + 0.6) / coils, 2.6)) * (i === coils - 1 ? 0.96 : 1))
  const silhouette: XY[] = [...Array.from({ length: coils }, (_, i): XY => [half(i), -width / 2 + (i + 0.5) * pitch]), ...Array.from({ length: coils }, (_, i): XY => [-half(coils - 1 - i), width / 2 - (i + 0.5) * pitch])]
  pen.shadow(silhouette, 5, 0.34)
  for (let i = coils - 1; i >= 0; i--) {
    const y = -width / 2 + (i + 0.5) * pitch
    const h = half(i)
    const v = pitch * 0.62
    const outline: XY[] = [[-h, y], [-h * 0.97, y - v * 0.7], [-h * 0.4, y - v], [h * 0.4, y - v], [h * 0.97, y - v * 0.7], [h, y], [h * 0.97, y + v * 0.7], [h * 0.4, y + v], [-h * 0.4, y + v], [-h * 0.97, y + v * 0.7]]
    pen.blob(outline, { kind: 'linear', from: [-h, y - v], to: [h, y + v], stops: [[0, css(lighter(straw, 0.02))], [0.35, css(lighter(straw, 0.09))], [0.75, css(lighter(straw, -0.03))], [1, css(lighter(straw, -0.16))]] })
    const stitches = Math.max(3, Math.round(h / 4))
    const sewn: (readonly [XY, XY])[] = []
    const straws: (readonly [XY, XY])[] = []
    for (let k = 0; k < stitches; k++) {
      const x = -h + (2 * h * (k + 0.5 + (i % 2) * 0.4)) / stitches
      if (Math.abs(x) < h * 0.96) sewn.push([[x - 1, y - v * 0.75], [x + 1, y + v * 0.75]])
      const from = random.spread(h * 0.9)
      straws.push([[from, y + random.spread(v * 0.5)], [from + h * 0.16, y + random.spread(v * 0.5)]])
    }
    pen.strokes(straws, 0.4, css(lighter(straw, -0.12)), 0.6)
    pen.strokes(sewn, 0.8, css(lighter(straw, -0.22)), 0.8)
  }
  const d = length * 0.11
  pen.blob([[-d, width / 2 - pitch * 0.3], [-d, width / 2 - pitch * 1.5], [0, width / 2 - pitch * 2.4], [d, width / 2 - pitch * 1.5], [d, width / 2 - pitch * 0.3]], '#2c1d12')
}
