import type { Random } from '../../measure'
import { blend, css, jitter, lighter, tone } from '../colour'
import type { Tone } from '../colour'
import type { XY } from '../marks'
import type { Pen, Pose } from '../pen'
import type { Species } from '../stalk'
import { ahead, shoot, stalk } from '../stalk'

interface Needles { readonly length: number, readonly pitch: number, readonly angle: readonly [number, number], readonly width: number, readonly greens: readonly Tone[] }

/** Needles along a stem between two places, dark ones below and light ones on top. */
function needled(pen: Pen, at: (u: number) => Pose, length: number, needles: Needles, random: Random): void {
  const count = Math.max(6, Math.round(length / needles.pitch))
  const rows = needles.greens.map((): (readonly [XY, XY])[] => [])
  for (let i = 0; i < count; i++) {
    const u = i / count
    const size = needles.length * (u > 0.85 ? 1 - (u - 0.85) * 2.6 : 1)
    for (const side of [-1, 1]) {
      const pose = at(u + random.spread(0.4 / count))
      const tip = ahead(shoot(pose, side * random.between(...needles.angle)), size * random.between(0.75, 1.1))
      rows[random.below(rows.length)]!.push([[pose.x, pose.y], [tip.x, tip.y]])
    }
  }
  const lift = needles.width * 1.3
  const [lx, ly] = pen.light
  pen.strokes(rows.flat().map(([a, b]): readonly [XY, XY] => [[a[0] - lx * lift, a[1] - ly * lift], [b[0] - lx * lift, b[1] - ly * lift]]), needles.width * 1.3, '#140d18', 0.2)
  rows.forEach((row, i) => pen.strokes(row, needles.width, css(needles.greens[i]!)))
}

/** A straight side shoot as a stem of its own. */
const side = (pose: Pose, length: number) => (u: number): Pose => ahead(pose, u * length)

const greens = (of: Tone): Tone[] => [lighter(of, -0.1), of, lighter(of, 0.09)]

export const fir: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.06))
  const green = jitter(tint ?? tone('#2f5a3f'), random, 0.6)
  const needle = Math.min(width * 0.19, 17)
  const shoots = Math.max(4, Math.round(length / (width * 0.32)))
  for (let i = 0; i < shoots; i++) {
    const u = 0.12 + (0.72 * i) / shoots
    const reach = width * 0.5 * (1.06 - u * 0.75) * random.between(0.85, 1.1)
    const pose = shoot(stem.at(u), (i % 2 ? 1 : -1) * random.between(40, 52))
    sprig(pen, side(pose, reach), reach, needle * 0.85, green, random)
  }
  sprig(pen, stem.at, length, needle, green, random)
}

function sprig(pen: Pen, at: (u: number) => Pose, length: number, needle: number, green: Tone, random: Random): void {
  const twig: XY[] = [0, 0.33, 0.66, 0.96].map((u) => [at(u).x, at(u).y])
  pen.twig(twig, Math.max(1, needle * 0.13), tone('#6d5334'))
  needled(pen, at, length, { length: needle, pitch: needle * 0.115, angle: [38, 66], width: needle * 0.1, greens: greens(green) }, random)
  needled(pen, at, length, { length: needle * 0.6, pitch: needle * 0.24, angle: [14, 34], width: needle * 0.1, greens: greens(lighter(green, 0.05)).slice(1) }, random)
}

export const juniper: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.08))
  const green = tint ?? tone('#587a68')
  const needle = Math.min(width * 0.11, 9)
  const branches: ((u: number) => Pose)[] = []
  const shoots = Math.max(5, Math.round(length / (width * 0.22)))
  const reaches: number[] = []
  for (let i = 0; i < shoots; i++) {
    const u = 0.08 + (0.78 * i) / shoots
    const reach = width * 0.5 * (1.1 - u * 0.6) * random.between(0.75, 1.1)
    branches.push(side(shoot(stem.at(u), (i % 2 ? 1 : -1) * random.between(26, 46)), reach))
    reaches.push(reach)
  }
  branches.forEach((branch, i) => spiky(pen, branch, reaches[i]!, needle, jitter(green, random, 0.8), random))
  spiky(pen, stem.at, length, needle, green, random)
  for (let i = 0; i < Math.round(length / 22); i++) {
    const near = branches[random.below(branches.length)]!(random.between(0.15, 0.75))
    pen.ball(near.x + random.spread(needle * 0.5), near.y + random.spread(needle * 0.5), random.between(2.6, 3.6), jitter(tone('#4a5877'), random), 0.45)
  }
}

function spiky(pen: Pen, at: (u: number) => Pose, length: number, needle: number, green: Tone, random: Random): void {
  pen.twig([0, 0.5, 0.97].map((u): XY => [at(u).x, at(u).y]), Math.max(0.9, needle * 0.16), tone('#76583a'))
  needled(pen, at, length, { length: needle, pitch: needle * 0.16, angle: [36, 74], width: needle * 0.15, greens: greens(green) }, random)
  needled(pen, at, length, { length: needle * 0.7, pitch: needle * 0.26, angle: [8, 34], width: needle * 0.15, greens: greens(lighter(green, 0.07)).slice(1) }, random)
}

/** Flat sprays of scale leaves, forking to either side, that droop at their tips. */
export const cedar: Species = (pen, { length, width, tint }, random) => {
  const green = tint ?? tone('#54783f')
  const stem = stalk(length, random.spread(0.12))
  const shoots = 18
  for (let i = 0; i < shoots; i++) {
    const u = 0.06 + (0.86 * i) / shoots
    const reach = width * 0.56 * (1.05 - u * 0.75) * random.between(0.85, 1.12)
    fan(pen, shoot(stem.at(u), (i % 2 ? 1 : -1) * random.between(34, 48)), reach, jitter(green, random, 0.9), random, 2)
  }
  scales(pen, stem.points(0, 1, 9), Math.max(2, width * 0.024), lighter(green, -0.02))
}

function fan(pen: Pen, pose: Pose, reach: number, of: Tone, random: Random, forks: number): void {
  const droop = random.between(4, 14) * Math.sign(random.spread(1) || 1)
  const points: XY[] = []
  let at = pose
  for (let i = 0; i <= 4; i++) {
    points.push([at.x, at.y])
    at = shoot(ahead(at, reach / 4), droop / 4)
    if (forks > 0 && i < 4) {
      fan(pen, shoot(at, (i % 2 ? 1 : -1) * random.between(28, 46)), reach * 0.56 * (1 - i * 0.12), blend(of, tone('#9aa84f'), 0.12), random, forks - 1)
    }
  }
  scales(pen, points, Math.max(2.1, reach * 0.075), of)
}

/** A scaly shoot: a thick soft line with the scales as light dashes along it. */
function scales(pen: Pen, points: readonly XY[], width: number, of: Tone): void {
  const [lx, ly] = pen.light
  pen.line(points.map(([x, y]): XY => [x - lx * width * 0.7, y - ly * width * 0.7]), width, '#140d18', 0.2)
  pen.line(points, width, css(lighter(of, -0.06)))
  const dashes: (readonly [XY, XY])[] = []
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b] = [points[i]!, points[i + 1]!]
    const n = Math.max(1, Math.round(Math.hypot(b[0] - a[0], b[1] - a[1]) / (width * 1.1)))
    for (let k = 0; k < n; k++) {
      const mix = (share: number): XY => [a[0] + (b[0] - a[0]) * share + lx * width * 0.16, a[1] + (b[1] - a[1]) * share + ly * width * 0.16]
      dashes.push([mix(k / n), mix((k + 0.55) / n)])
    }
  }
  pen.strokes(dashes, width * 0.55, css(lighter(of, 0.08)))
}

/** A bare knobbly twig with small upright cones. */
export const larch: Species = (pen, { length, width }, random) => {
  const stem = stalk(length, random.spread(0.1))
  const bark = tone('#7d6448')
  const sideTwigs = [0.3, 0.5, 0.68].map((u, i) => ({ pose: shoot(stem.at(u), (i % 2 ? 1 : -1) * random.between(32, 48)), reach: length * random.between(0.16, 0.26) }))
  for (const { pose, reach } of sideTwigs) {
    const tip = ahead(shoot(pose, random.spread(10)), reach)
    pen.twig([[pose.x, pose.y], [(pose.x + tip.x) / 2 + random.spread(2), (pose.y + tip.y) / 2 + random.spread(2)], [tip.x, tip.y]], 1.5, bark)
    knobs(pen, side(pose, reach), 5, bark)
    smallCone(pen, ahead(pose, reach * random.between(0.55, 0.9)), width * 0.2, random)
  }
  pen.twig(stem.points(0, 1), Math.max(1.8, length * 0.008), bark)
  knobs(pen, stem.at, 14, bark)
  for (const u of [0.24, 0.42, 0.57, 0.76, 0.9]) smallCone(pen, shoot(stem.at(u + random.spread(0.03)), random.spread(50)), width * random.between(0.2, 0.26), random)
}

function knobs(pen: Pen, at: (u: number) => Pose, count: number, bark: Tone): void {
  for (let i = 1; i < count; i++) {
    const { x, y, angle } = shoot(at(i / count), i % 2 ? 90 : -90)
    const out = ahead({ x, y, angle }, 1.2)
    pen.circle(out.x, out.y, 1.1, css(lighter(bark, -0.04)))
  }
}

/** A little cone from the side: rows of scales that lessen to both ends. */
function smallCone(pen: Pen, pose: Pose, size: number, random: Random): void {
  const brown = jitter(tone('#8a6543'), random)
  const rows = 6
  pen.circle(pose.x - pen.light[0] * size * 0.2, pose.y - pen.light[1] * size * 0.2, size * 0.62, '#140d18', 0.22)
  for (let row = 0; row < rows; row++) {
    const u = row / (rows - 1)
    const half = Math.sin(Math.PI * (0.2 + 0.66 * u)) * size * 0.52
    const count = 5
    for (let k = 0; k < count; k++) {
      const across = (k / (count - 1) - 0.5) * 2
      const at = ahead(shoot(ahead(pose, (u - 0.42) * size * 1.2), 90), across * half * 0.8)
      pen.leaf({ ...at, angle: pose.angle + across * 50 }, { length: size * 0.36, width: size * 0.3, belly: 0.6, tip: 0.9 }, lighter(brown, (u - 0.5) * 0.08 + random.spread(0.03)), size * 0.03)
    }
  }
}
