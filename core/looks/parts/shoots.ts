import { css, lighter } from '../colour'
import type { Tone } from '../colour'
import { ahead, turnedPose } from '../pose'
import type { Pose, Stem } from '../pose'
import type { Hairs, Needles, Spray, Stalk } from '../species-grammar'
import type { XY } from '../vector-marks'
import type { Pen } from '../vector-pen'
import type { Inks } from './palette'

/** A stem or twig along its points: its shadow, a dark edge, its body and a lit side. */
export function twig(pen: Pen, points: readonly XY[], width: number, of: Tone): void {
  pen.strokeShadow([points], width, width * 0.5, 0.2)
  pen.line(points, width, css(lighter(of, -0.08)))
  pen.line(
    points.map((point) => pen.away(point, -width * 0.12)),
    width * 0.66,
    css(of),
  )
  pen.line(
    points.map((point) => pen.away(point, -width * 0.26)),
    width * 0.26,
    css(lighter(of, 0.11)),
  )
}

/** The main line of a stem or side shoot. */
export function stalk(pen: Pen, stem: Stem, part: Stalk, inks: Inks): void {
  const { from = 0, to = 0.97, knots = 0 } = part
  const of = inks.own(part.hue, stem.lit, 0.6)
  const width = Math.max(Math.min(0.8, stem.length * 0.03), stem.length * part.thick)
  twig(pen, stem.points(from, from + (to - from) * 0.55, 4), width, of)
  twig(pen, stem.points(from + (to - from) * 0.5, to, 4), width * 0.72, of)
  const dots: (readonly [number, number, number])[] = []
  for (let i = 1; i < knots; i++) {
    const pose = ahead(turnedPose(stem.at(from + ((to - from) * i) / knots), i % 2 ? 90 : -90), width * 0.45)
    dots.push([pose.x, pose.y, width * 0.42])
  }
  pen.dots(dots, css(lighter(of, -0.06)))
}

/** Needles along a stem: strokes in three greens, dark ones below and light ones on top. */
export function needles(pen: Pen, stem: Stem, part: Needles, inks: Inks): void {
  const { random } = pen
  const { from = 0, to = 1, bundle = 1, droop = 0 } = part
  const size = stem.spread * part.size
  const count = Math.min(260, Math.max(5, Math.round((stem.length * (to - from) * part.thick) / size)))
  const of = inks.own(part.hue, stem.lit, 0.8)
  const greens = [lighter(of, -0.1), of, lighter(of, 0.07)]
  const rows = greens.map((): XY[][] => [])
  const sides = part.round ? [-1, 1, 0] : [-1, 1]
  for (let i = 0; i < count; i++) {
    const u = from + ((to - from) * (i + random.next() * 0.6)) / count
    const foot = stem.at(u)
    const ageing = u > 0.82 ? 1 - (u - 0.82) * 2.1 : 1
    for (const side of sides) {
      const middle = side === 0 ? random.spread(part.angle[0]) : side * random.between(...part.angle)
      for (let k = 0; k < bundle; k++) {
        const long = size * ageing * random.between(0.78, 1.08) * (side === 0 ? 0.72 : 1)
        const out = turnedPose(foot, middle + (bundle > 1 ? random.spread(11) : 0))
        const tip = ahead(out, long)
        const row = rows[side === 0 ? 1 + random.below(2) : random.below(3)]!
        if (droop) {
          const mid = ahead(out, long * 0.55)
          row.push([
            [foot.x, foot.y],
            [mid.x, mid.y],
            [
              tip.x - droop * long * Math.sin((tip.angle * Math.PI) / 180) * 0.3,
              tip.y + droop * long * Math.abs(Math.cos((tip.angle * Math.PI) / 180)) * 0.3,
            ],
          ])
        } else
          row.push([
            [foot.x, foot.y],
            [tip.x, tip.y],
          ])
      }
    }
  }
  const stroke = size * part.stroke
  pen.strokeShadow(rows.flat(), stroke * 1.3, stroke * 1.5, 0.2)
  rows.forEach((row, i) => pen.polylines(row, stroke, css(greens[i]!)))
}

/** How far along its stem a spray's main shoot reaches. */
const REACHES = 0.92

interface Shoot {
  readonly points: readonly Pose[]
  readonly level: number
}

/** A shoot that droops evenly, in so many straight steps. */
function drooping(foot: Pose, length: number, droop: number): Pose[] {
  const steps = 4
  const points: Pose[] = [foot]
  for (let i = 0; i < steps; i++) points.push(turnedPose(ahead(points[i]!, length / steps), droop / steps))
  return points
}

/** A main shoot along a stem that hands have bent. */
const alongStem = (stem: Stem, to: number): Pose[] => Array.from({ length: 9 }, (_, i) => stem.at((to * i) / 8))

/** A shoot and all that forks from it, the last of them first. */
function shootsOf({ points, level }: Shoot, length: number, pen: Pen, part: Spray, inks: Inks): Shoot[] {
  const { random } = pen
  const steps = points.length - 1
  const forks = part.forks[level] ?? 0
  const at = (u: number): Pose => {
    const i = Math.min(steps - 1, Math.floor(u * steps))
    return ahead(points[i]!, (u - i / steps) * length)
  }
  const side = (u: number, sign: number): Shoot[] => {
    const foot = turnedPose(at(u), sign * random.between(...part.angle))
    const own = length * random.between(0.9, 1.08) * (part.reach[0] + (part.reach[1] - part.reach[0]) * u)
    return shootsOf({ points: drooping(foot, own, droopOf(part, inks)), level: level + 1 }, own, pen, part, inks)
  }
  const off = Array.from({ length: forks }, (_, i) => {
    const u = 0.14 + (0.76 * i) / Math.max(1, forks)
    return part.paired ? [...side(u, -1), ...side(u, 1)] : side(u, i % 2 ? 1 : -1)
  }).flat()
  return [...off, { points, level }]
}

const droopOf = ({ droop = [-6, 6] }: Spray, inks: Inks): number => inks.span(droop)

/** A flat spray of scaly shoots: soft lines with their scales as light dashes along them, from dark to light. */
export function spray(pen: Pen, stem: Stem, part: Spray, inks: Inks): void {
  const { random } = pen
  const of = inks.own(part.hue, stem.lit, 0.9)
  const width = Math.max(0.4, stem.length * part.thick)
  const length = stem.length * REACHES
  const droops = drooping(stem.at(0), length, droopOf(part, inks))
  const shoots = shootsOf({ points: stem.turn === 0 ? droops : alongStem(stem, REACHES), level: 0 }, length, pen, part, inks)
  const line = ({ points }: Shoot): XY[] => points.map(({ x, y }): XY => [x, y])
  pen.strokeShadow(shoots.map(line), width * 1.2, width * 0.8, 0.22)
  const deepest = part.forks.length
  for (let level = deepest; level >= 0; level--) {
    const own = shoots.filter((shoot) => shoot.level === level)
    const wide = width * (1.25 - (0.35 * level) / Math.max(1, deepest))
    pen.polylines(own.map(line), wide, css(lighter(of, -0.075)))
    const rows: XY[][][] = [[], [], []]
    for (const { points } of own) {
      for (let i = 0; i + 1 < points.length; i++) {
        const [a, b] = [points[i]!, points[i + 1]!]
        const gap = Math.hypot(b.x - a.x, b.y - a.y)
        const scales = Math.max(1, Math.min(6, Math.round(gap / (wide * 1.5))))
        for (let k = 0; k < scales; k++) {
          const foot = ahead(a, (gap * (k + 0.1)) / scales)
          const tip = ahead(foot, (gap * 0.62) / scales)
          rows[random.below(3)]!.push([pen.away([foot.x, foot.y], -wide * 0.15), pen.away([tip.x, tip.y], -wide * 0.15)])
          const sign = (k + i) % 2 ? 64 : -64
          const scale = ahead(turnedPose(tip, sign), wide * 0.55)
          rows[random.below(2)]!.push([
            [foot.x, foot.y],
            [scale.x, scale.y],
          ])
        }
      }
    }
    rows.forEach((row, i) => pen.polylines(row, wide * 0.52, css(lighter(of, 0.045 * i))))
  }
}

/** Fine hairs: along the stem to both sides, or from the heart all round. */
export function hairs(pen: Pen, stem: Stem, part: Hairs, inks: Inks): void {
  const { random } = pen
  const { start = 0, end = 1, angle = [20, 50] } = part
  const of = inks.own(part.hue, stem.lit, 0.4)
  const rows = [-0.07, 0, 0.07].map((by) => ({ colour: css(lighter(of, by)), lines: [] as XY[][] }))
  for (let i = 0; i < part.count; i++) {
    const foot =
      part.from === 'heart'
        ? turnedPose(stem.at(0.5), i * 137.508)
        : turnedPose(stem.at(start + (end - start) * ((i + random.next()) / part.count)), (i % 2 ? 1 : -1) * inks.span(angle))
    const room = part.from === 'heart' ? stem.length / 2 : stem.spread / 2
    const size = room * inks.span(part.size)
    const curl = inks.span(part.curl) * (part.from === 'heart' || i % 2 ? 1 : -1)
    const mid = ahead(foot, size * 0.55)
    const tip = ahead(turnedPose(mid, curl), size * 0.5)
    rows[i % 3]!.lines.push([
      [foot.x, foot.y],
      [mid.x, mid.y],
      [tip.x, tip.y],
    ])
  }
  const room = part.from === 'heart' ? stem.length : stem.spread
  const stroke = Math.max(0.12, room * part.stroke)
  pen.strokeShadow(rows[0]!.lines, stroke, stroke * 2, 0.16)
  for (const { colour, lines } of rows) pen.polylines(lines, stroke, colour, part.opacity)
}
