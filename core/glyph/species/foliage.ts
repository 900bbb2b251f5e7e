import { blend, css, jitter, lighter, tone } from '../colour'
import type { XY } from '../marks'
import { frame } from '../pen'
import type { Pose } from '../pen'
import type { Species } from '../stalk'
import { ahead, shoot, stalk } from '../stalk'

const BROWN = tone('#5c4630')

/** A frond: toothed side fronds in pairs, long near the foot and dwindling to the tip. */
export const bracken: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.08))
  const green = tint ?? tone('#6f8740')
  const tipTone = blend(green, tone('#a98738'), 0.55)
  pen.twig(stem.points(0, 0.97), Math.max(0.9, length * 0.006), tone('#7a5a30'))
  const pairs = 14
  for (let i = 0; i < pairs; i++) {
    const u = 0.16 + (0.8 * i) / pairs
    const reach = (width / 2) * 1.06 * Math.pow(1 - (u - 0.16) / 0.86, 0.8) * random.between(0.9, 1.08)
    for (const side of [-1, 1]) {
      const pose = shoot(stem.at(u + (side > 0 ? 0.012 : 0)), side * random.between(58, 68))
      pinna(pen, pose, reach, (1.15 * length) / pairs, jitter(blend(green, tipTone, u * 0.7), random, 0.9), random.spread(0.05))
    }
  }
  pen.leaf(stem.at(0.93), { length: length * 0.07, width: length * 0.02, belly: 0.3, tip: 0.2 }, tipTone)
}

function pinna(pen: Parameters<Species>[0], pose: Pose, length: number, pitch: number, of: ReturnType<typeof tone>, bend: number): void {
  const at = frame(pose)
  const teeth = Math.max(4, Math.round(length / (pitch * 0.17)))
  const wide = pitch * 0.86
  const side = (sign: number): XY[] => Array.from({ length: teeth }, (_, i): XY[] => {
    const u = i / teeth
    const next = (i + 1) / teeth
    const half = (wide / 2) * (1 - u * 0.75)
    const curve = (v: number) => bend * length * v * v
    return [
      at((u + 0.1 / teeth) * length, curve(u) + sign * half * 0.35),
      at((u + 0.75 / teeth) * length, curve(u) + sign * half),
      at((next - 0.02) * length, curve(next) + sign * half * 0.55),
    ]
  }).flat()
  const outline = [at(0, 0), ...side(1), at(length, bend * length), ...side(-1).reverse()]
  pen.shadow(outline, pitch * 0.1, 0.22)
  const normal = at.vector(0, 1)
  const bright = normal[0] * pen.light[0] + normal[1] * pen.light[1] > 0 ? 1 : -1
  pen.shape(outline, {
    kind: 'linear', from: at(length / 2, bright * wide / 2), to: at(length / 2, -bright * wide / 2),
    stops: [[0, hex(of, 0.09)], [0.5, hex(of, 0)], [1, hex(of, -0.1)]],
  })
  pen.line([at(0, 0), at(length * 0.5, bend * length * 0.25), at(length * 0.92, bend * length * 0.85)], 0.4, hex(of, 0.13), 0.8)
}

/** Alternate leaves along a twig, the largest below the middle and one at the tip. */
function alternate(
  pen: Parameters<Species>[0], stem: ReturnType<typeof stalk>, random: Parameters<Species>[2],
  leaves: number, angle: readonly [number, number], draw: (pose: Pose, scale: number, i: number) => void, from = 0.1,
): void {
  const order = Array.from({ length: leaves }, (_, i) => i)
  for (const i of order) {
    const u = from + ((0.92 - from) * i) / leaves
    const scale = (0.62 + 0.45 * Math.sin(Math.PI * (0.15 + 0.72 * (1 - u)))) * random.between(0.9, 1.1)
    draw(shoot(stem.at(u), (i % 2 ? 1 : -1) * random.between(...angle)), scale, i)
  }
  draw(shoot(stem.at(0.9), random.spread(8)), 0.7, leaves)
}

export const copperBeech: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.1))
  const copper = tint ?? tone('#6b2f30')
  pen.twig(stem.points(0, 0.92), Math.max(1.2, length * 0.008), BROWN)
  alternate(pen, stem, random, 11, [38, 58], (pose, scale) => {
    const size = width * 0.62 * scale
    pen.leaf(ahead(pose, size * 0.06), { length: size, width: size * 0.6, belly: 0.42, tip: 0.18, veins: 6, bend: random.spread(0.05) },
      jitter(blend(copper, tone('#8a4a2c'), random.next() * 0.5), random, 1.2))
  })
}

export const bay: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.09))
  const green = tint ?? tone('#41663a')
  pen.twig(stem.points(0, 0.92), Math.max(1, length * 0.008), tone('#5d5a36'))
  const leaves = Math.max(8, Math.round(length / (width * 0.16)))
  alternate(pen, stem, random, leaves, [30, 52], (pose, scale) => {
    const size = width * 0.72 * scale
    pen.leaf(ahead(pose, size * 0.04), { length: size, width: size * 0.36, belly: 0.45, tip: 0.05, veins: 4, bend: random.spread(0.06) }, jitter(green, random))
  })
}

export const eucalyptus: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.1))
  const silver = tint ?? tone('#8fa99b')
  pen.twig(stem.points(0, 0.95), Math.max(0.9, length * 0.006), tone('#8a6d56'))
  const pairs = Math.max(6, Math.round(length / (width * 0.26)))
  for (let i = 0; i < pairs; i++) {
    const u = 0.06 + (0.9 * i) / pairs
    const size = width * 0.46 * (1 - 0.5 * u) * random.between(0.82, 1.12)
    for (const side of [-1, 1]) {
      const pose = shoot(stem.at(u), side * random.between(48, 84))
      pen.leaf(ahead(pose, size * 0.1), { length: size, width: size * random.between(0.78, 0.95), belly: 0.54, tip: 0.86, veins: 3 },
        jitter(blend(silver, tone('#b9c6b6'), u * 0.6), random, 1.2))
    }
  }
  pen.leaf(stem.at(0.94), { length: width * 0.22, width: width * 0.17, belly: 0.5, tip: 0.8 }, lighter(silver, 0.05))
}

/** Five lobes about a heart-shaped foot. */
const IVY: readonly XY[] = [[0, 0], [-0.1, 0.22], [0.06, 0.36], [0.1, 0.56], [0.3, 0.32], [0.5, 0.42], [0.62, 0.2], [1, 0]]

export const ivy: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.14))
  const green = tint ?? tone('#33582f')
  pen.twig(stem.points(0, 0.96), Math.max(0.9, length * 0.006), tone('#6b5a3c'))
  alternate(pen, stem, random, Math.max(7, Math.round(length / (width * 0.2))), [45, 80], (pose, scale) => {
    const size = width * 0.44 * scale
    const stalked = ahead(pose, size * 0.18)
    pen.line([[pose.x, pose.y], [stalked.x, stalked.y]], 0.7, '#6d7a45')
    const at = frame(shoot(stalked, random.spread(18)))
    const of = jitter(green, random)
    const outline = [...IVY, ...IVY.slice(1, -1).reverse().map(([u, v]): XY => [u, -v])].map(([u, v]) => at(u * size, v * size))
    pen.shadow(outline, size * 0.05, 0.26)
    const normal = at.vector(0, 1)
    const bright = normal[0] * pen.light[0] + normal[1] * pen.light[1] > 0 ? 1 : -1
    pen.blob(outline, { kind: 'linear', from: at(0, bright * size * 0.5), to: at(0, -bright * size * 0.5), stops: [[0, hex(of, 0.09)], [0.5, hex(of, 0)], [1, hex(of, -0.08)]] })
    const vein = hex({ ...of, c: of.c * 0.6 }, 0.24)
    pen.strokes([[0.9, 0], [0.44, 0.34], [0.44, -0.34], [0.1, 0.44], [0.1, -0.44]].map(([u, v]): readonly [XY, XY] => [at(0, 0), at(u! * size, v! * size)]), size * 0.022, vein, 0.75)
  })
}

function hex(of: ReturnType<typeof tone>, by: number): string {
  return css(lighter(of, by))
}
