import { radians } from '../../measure'
import { css, lighter } from '../colour'
import type { Tone } from '../colour'
import { ahead, local, turnedPose } from '../pose'
import type { Stem } from '../pose'
import type { Ball, Blob, Disc, Dots, Glow, Grain, Lines } from '../species-grammar'
import type { Paint, XY } from '../vector-marks'
import type { Pen } from '../vector-pen'
import type { Inks } from './palette'

/** The light on something round. */
function roundPaint(pen: Pen, x: number, y: number, r: number, of: Tone): Paint {
  const [lx, ly] = pen.light
  return {
    kind: 'radial',
    centre: [x, y],
    radius: r * 1.02,
    focus: [x + lx * r * 0.42, y + ly * r * 0.42],
    stops: [
      [0, css(lighter(of, 0.15))],
      [0.42, css(of)],
      [0.82, css(lighter(of, -0.13))],
      [0.95, css(lighter(of, -0.17))],
      [1, css(lighter(of, -0.1))],
    ],
  }
}

/** A plain ball with its shadow. @param gloss how bright the light in it is, 0 to 1 */
export function sphere(pen: Pen, x: number, y: number, r: number, of: Tone, gloss = 0): void {
  pen.roundShadow(x, y, r, r * 0.28)
  pen.circle(x, y, r, roundPaint(pen, x, y, r, of))
  shine(pen, x, y, r, gloss)
}

function shine(pen: Pen, x: number, y: number, r: number, gloss: number): void {
  if (gloss > 0) pen.circle(x + pen.light[0] * r * 0.42, y + pen.light[1] * r * 0.42, r * 0.19, '#ffffff', gloss)
}

/** A ball: a berry, a bud, an apple, a bauble without its cap. */
export function ball(pen: Pen, stem: Stem, part: Ball, inks: Inks): void {
  const { random } = pen
  const r = (stem.length / 2) * inks.span(part.size ?? 1)
  const middle = stem.at(0.5)
  const { x, y } = part.stray ? ahead(turnedPose(middle, random.between(0, 360)), random.next() * part.stray * stem.length) : middle
  const of = inks.own(part.hue, stem.lit, 0.9)
  pen.roundShadow(x, y, r, r * 0.28)
  if (part.squash) {
    const at = local(middle)
    pen.blob(
      Array.from({ length: 12 }, (_, i): XY => {
        const a = (i / 12) * 2 * Math.PI
        return at(Math.cos(a) * r, Math.sin(a) * r * (1 - part.squash!))
      }),
      roundPaint(pen, x, y, r, of),
    )
  } else pen.circle(x, y, r, roundPaint(pen, x, y, r, of))
  if (part.bloom)
    pen.circle(
      x + pen.light[0] * r * 0.25,
      y + pen.light[1] * r * 0.25,
      r * 0.62,
      css(lighter({ ...of, c: of.c * 0.35 }, 0.22)),
      part.bloom,
    )
  shine(pen, x, y, r, part.gloss ?? 0)
  if (!part.eye) return
  const eye = ahead({ x, y, angle: middle.angle }, r * 0.8)
  pen.polylines(
    [0, 72, 144, 216, 288].map((turn): XY[] => {
      const tip = ahead(turnedPose(eye, turn), r * 0.2)
      return [
        [eye.x, eye.y],
        [tip.x, tip.y],
      ]
    }),
    r * 0.11,
    css(inks.flat(part.eye)),
  )
}

/** A flat round with a rim. */
export function disc(pen: Pen, stem: Stem, part: Disc, inks: Inks): void {
  const { random } = pen
  const { x, y } = stem.at(0.5)
  const r = (stem.length / 2) * (part.size ?? 1)
  const wobble = part.wobble ?? 0.03
  const of = inks.own(part.hue, stem.lit, 0.5)
  const edge: XY[] = Array.from({ length: 18 }, (_, i) => {
    const a = (i / 18) * 2 * Math.PI
    const own = r * (1 + random.spread(wobble))
    return [x + Math.cos(a) * own, y + Math.sin(a) * own]
  })
  if (part.opacity === undefined) pen.shadow(edge, r * 0.1, 0.26)
  const rim = part.rim ?? 0.12
  pen.blob(
    edge,
    part.flat
      ? css(of)
      : {
          kind: 'radial',
          centre: [x, y],
          radius: r * 1.03,
          focus: [x + pen.light[0] * r * 0.35, y + pen.light[1] * r * 0.35],
          stops: [
            [0, css(lighter(of, 0.05))],
            [0.7, css(of)],
            [0.93, css(lighter(of, -rim * 0.55))],
            [1, css(lighter(of, -rim))],
          ],
        },
    part.opacity,
  )
}

const shares = (stem: Stem): ((point: XY) => XY) => {
  const straight = local(stem.at(0))
  return ([u, v]) => {
    if (u < 0 || u > 1) return straight(u * stem.length, (v * stem.spread) / 2)
    const pose = stem.at(u)
    const a = radians(pose.angle + 90)
    return [pose.x + (Math.cos(a) * v * stem.spread) / 2, pose.y + (Math.sin(a) * v * stem.spread) / 2]
  }
}

/** A closed outline, told in shares of its frame. */
export function blob(pen: Pen, stem: Stem, part: Blob, inks: Inks): void {
  const put = shares(stem)
  const half = part.outline
  const outline = (
    part.mirror
      ? [
          ...half,
          ...[...half]
            .reverse()
            .filter(([, v]) => v !== 0)
            .map(([u, v]): XY => [u, -v]),
        ]
      : [...half]
  ).map(put)
  const of = inks.own(part.hue, stem.lit + (part.light ?? 0), 0.4)
  const depth = part.depth ?? 1
  if (part.lift !== 0) pen.shadow(outline, Math.min(stem.length, stem.spread) * (part.lift ?? 0.07), 0.28, part.sharp)
  const paint = shaded(pen, stem, part.shade ?? 'across', of, depth)
  if (part.sharp) pen.shape(outline, paint, part.opacity)
  else pen.blob(outline, paint, part.opacity)
}

function shaded(pen: Pen, stem: Stem, shade: NonNullable<Blob['shade']>, of: Parameters<typeof css>[0], depth: number): Paint {
  const at = local(stem.at(0))
  const { length, spread } = stem
  if (shade === 'flat') return css(of)
  if (shade === 'round') {
    const [cx, cy] = at(length / 2, 0)
    const r = Math.max(length, spread) / 2
    return {
      kind: 'radial',
      centre: [cx, cy],
      radius: r * 1.05,
      focus: [cx + pen.light[0] * r * 0.4, cy + pen.light[1] * r * 0.4],
      stops: [
        [0, css(lighter(of, 0.12 * depth))],
        [0.5, css(of)],
        [0.9, css(lighter(of, -0.13 * depth))],
        [1, css(lighter(of, -0.16 * depth))],
      ],
    }
  }
  const [nx, ny] = shade === 'across' ? at.vector(0, 1) : at.vector(1, 0)
  const lit = nx * pen.light[0] + ny * pen.light[1] > 0
  const [low, high] = shade === 'across' ? [at(length / 2, -spread / 2), at(length / 2, spread / 2)] : [at(0, 0), at(length, 0)]
  return {
    kind: 'linear',
    from: lit ? high : low,
    to: lit ? low : high,
    stops: [
      [0, css(lighter(of, 0.02 * depth))],
      [0.25, css(lighter(of, 0.09 * depth))],
      [0.6, css(lighter(of, -0.02 * depth))],
      [1, css(lighter(of, -0.15 * depth))],
    ],
  }
}

/** Lines, told in shares of the frame. */
export function lines(pen: Pen, stem: Stem, part: Lines, inks: Inks): void {
  const put = shares(stem)
  const all = part.mirror ? [...part.lines, ...part.lines.map((line) => line.map(([u, v]): XY => [u, -v]))] : part.lines
  const width = Math.max(0.12, Math.min(stem.length, stem.spread) * part.stroke)
  const colour = css(inks.own(part.hue, stem.lit + (part.light ?? 0), 0.3))
  if (part.straight)
    pen.polylines(
      all.map((line) => line.map(put)),
      width,
      colour,
      part.opacity,
    )
  else for (const line of all) pen.line(line.map(put), width, colour, part.opacity)
}

/** Dots strewn over an ellipse in the frame. */
export function dots(pen: Pen, stem: Stem, part: Dots, inks: Inks): void {
  const { random } = pen
  const [along, across] = part.over ?? [0.45, 0.9]
  const put = shares(stem)
  const room = Math.min(stem.length, stem.spread)
  pen.dots(
    Array.from({ length: part.count }, () => {
      const a = random.between(0, 2 * Math.PI)
      const reach = Math.sqrt(random.next())
      const [x, y] = put([(part.at ?? 0.5) + Math.cos(a) * reach * along, Math.sin(a) * reach * across])
      return [x, y, Math.max(0.1, room * inks.span(part.size))] as const
    }),
    css(inks.own(part.hue, stem.lit + (part.light ?? 0), 0.4)),
    part.opacity,
  )
}

/** A glow about the middle of the frame; it is light, not body, so it counts for no size. */
export function glow(pen: Pen, stem: Stem, part: Glow, inks: Inks): void {
  const { x, y } = stem.at(0.5)
  const r = (stem.length / 2) * part.size
  const of = css(inks.flat(part.hue))
  pen.circle(
    x,
    y,
    r,
    {
      kind: 'radial',
      centre: [x, y],
      radius: r,
      focus: [x, y],
      stops: [
        [0, of],
        [0.4, `${of}90`],
        [1, `${of}00`],
      ],
    },
    part.opacity,
  )
}

/** Wood grain, in lines along a box of the frame. */
export function grain(pen: Pen, stem: Stem, { hue, count, box: [from, to, half] }: Grain, inks: Inks): void {
  const { random } = pen
  const put = shares(stem)
  for (let i = 0; i < count; i++) {
    const v = -half + (2 * half * (i + random.between(0.2, 0.8))) / count
    const a = from + (to - from) * random.between(0.01, 0.3)
    const b = to - (to - from) * random.between(0.01, 0.3)
    pen.line(
      [put([a, v]), put([(a + b) / 2, v + random.spread(0.03)]), put([b, v])],
      Math.max(0.2, stem.spread * 0.008),
      css(inks.own(hue, random.spread(0.09), 0.2)),
      0.5,
    )
  }
}
