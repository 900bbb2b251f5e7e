import { blend, css, jitter, lighter, tone } from '../colour'
import type { XY } from '../marks'
import type { Pen } from '../pen'
import type { Species } from '../stalk'
import { ahead } from '../stalk'

/** Golden angle in degrees: seeds and inner petals (H. Vogel 1979). */
export const GOLDEN = 137.50776405003785

/** Dots that fill a disc by the golden angle. */
function seeds(pen: Pen, radius: number, count: number, size: number, of: ReturnType<typeof tone>, random: Parameters<Species>[2]): void {
  pen.circle(0, 0, radius * 1.05, css(lighter(of, -0.16)))
  for (let i = 0; i < count; i++) {
    const at = ahead({ x: 0, y: 0, angle: i * GOLDEN }, radius * Math.sqrt((i + 0.5) / count))
    pen.ball(at.x, at.y, size, jitter(of, random, 0.8), 0)
  }
}

export const seaHolly: Species = (pen, { length, tint }, random) => {
  const blue = tint ?? tone('#5f7796')
  const r = length / 2
  for (const [ring, count] of [[0, 9], [1, 8]] as const) {
    for (let i = 0; i < count; i++) {
      const angle = (360 * (i + ring / 2)) / count + random.spread(7)
      const size = r * (ring ? 0.8 : 1) * random.between(0.88, 1.02)
      bract(pen, angle, size, r * 0.3, jitter(blend(blue, tone('#93a3a8'), ring ? 0.1 : 0.35), random))
    }
  }
  pen.circle(-pen.light[0] * r * 0.06, -pen.light[1] * r * 0.06, r * 0.42, '#140d18', 0.3)
  const core = blend(blue, tone('#4f4a7d'), 0.45)
  pen.circle(0, 0, r * 0.38, css(lighter(core, -0.1)))
  for (let i = 0; i < 70; i++) {
    const at = ahead({ x: 0, y: 0, angle: i * GOLDEN }, r * 0.38 * Math.sqrt((i + 0.5) / 70))
    pen.leaf({ ...at, angle: i * GOLDEN }, { length: r * 0.09, width: r * 0.05, belly: 0.5, tip: 0.3 }, jitter(lighter(core, 0.1 - 0.0012 * i), random), 0.2)
  }
}

/** A stiff bract with three spines to each side. */
function bract(pen: Pen, angle: number, length: number, width: number, of: ReturnType<typeof tone>): void {
  const half: XY[] = [[0.1, 0.1], [0.3, 0.3], [0.36, 0.85], [0.46, 0.3], [0.56, 0.72], [0.64, 0.24], [0.76, 0.44], [0.8, 0.14]]
  const a = (angle * Math.PI) / 180
  const at = ([u, v]: XY): XY => [Math.cos(a) * u * length - Math.sin(a) * v * width * 0.6, Math.sin(a) * u * length + Math.cos(a) * v * width * 0.6]
  const outline = [at([0, 0]), ...half.map(at), at([1, 0]), ...[...half].reverse().map(([u, v]) => at([u, -v]))]
  pen.shadow(outline, length * 0.045, 0.25)
  pen.shape(outline, { kind: 'linear', from: at([0.2, 0]), to: at([1, 0]), stops: [[0, css(lighter(of, -0.07))], [0.5, css(of)], [1, css(lighter(of, 0.15))]] })
  pen.line([at([0.1, 0]), at([0.5, 0]), at([0.95, 0])], length * 0.018, css(lighter(of, 0.2)), 0.9)
}

export const dahlia: Species = (pen, { length, tint }, random) => {
  const wine = tint ?? tone('#8f2340')
  const r = length / 2
  const rings = [[14, 1, 0.34], [14, 0.86, 0.32], [13, 0.72, 0.3], [11, 0.58, 0.27], [9, 0.43, 0.22], [7, 0.29, 0.17], [5, 0.17, 0.12]] as const
  rings.forEach(([count, reach, width], ring) => {
    for (let i = 0; i < count; i++) {
      const angle = (360 * (i + (ring % 2) / 2)) / count + random.spread(3)
      const of = jitter(lighter(blend(wine, tone('#c8556b'), ring * 0.06), -0.05 + ring * 0.022), random, 0.7)
      pen.leaf({ x: 0, y: 0, angle }, { length: r * reach * random.between(0.95, 1), width: r * width, belly: 0.66, tip: 0.35, veins: 0 }, of, r * 0.025)
    }
  })
  seeds(pen, r * 0.08, 10, r * 0.025, tone('#b78a3a'), random)
}

export const rose: Species = (pen, { length, tint }, random) => {
  const blush = tint ?? tone('#d9a39a')
  const r = length / 2
  const leafGreen = tone('#4a6b40')
  for (let i = 0; i < 3; i++) pen.leaf({ ...ahead({ x: 0, y: 0, angle: 40 + i * 120 }, r * 0.5), angle: 40 + i * 120 }, { length: r * 0.55, width: r * 0.3, belly: 0.4, tip: 0.1, veins: 4 }, jitter(leafGreen, random))
  const layers = 6
  for (let layer = 0; layer < layers; layer++) {
    const u = layer / (layers - 1)
    const count = Math.max(3, 6 - Math.floor(layer / 1.5))
    const reach = r * (0.98 - 0.78 * u)
    for (let i = 0; i < count; i++) {
      const angle = (360 * i) / count + layer * 37 + random.spread(8)
      const of = jitter(lighter(blend(blush, tone('#b4605f'), u * 0.75), 0.03 - u * 0.05), random, 0.7)
      cupped(pen, angle, reach, (reach * 2.3) / Math.sqrt(count), of)
    }
  }
  const heart: XY[] = Array.from({ length: 14 }, (_, i) => {
    const at = ahead({ x: 0, y: 0, angle: i * 62 }, r * 0.012 * (14 - i))
    return [at.x, at.y]
  })
  pen.line(heart, r * 0.025, css(lighter(blend(blush, tone('#8f3f45'), 0.7), -0.1)), 0.8)
}

/** A broad petal that cups: dark within, its rim turned to the light. */
function cupped(pen: Pen, angle: number, reach: number, width: number, of: ReturnType<typeof tone>): void {
  const a = (angle * Math.PI) / 180
  const at = (u: number, v: number): XY => [Math.cos(a) * u * reach - Math.sin(a) * v * width * 0.5, Math.sin(a) * u * reach + Math.cos(a) * v * width * 0.5]
  const outline = [at(0, 0), at(0.35, 0.62), at(0.72, 0.95), at(0.94, 0.55), at(0.99, 0.05), at(0.96, -0.5), at(0.74, -0.95), at(0.35, -0.62)]
  pen.shadow(outline, reach * 0.05, 0.22)
  const lit = 0.05 + 0.07 * Math.max(0, Math.cos(a) * pen.light[0] + Math.sin(a) * pen.light[1])
  pen.blob(outline, { kind: 'radial', centre: at(0.1, 0), radius: reach * 0.95, focus: at(0.1, 0), stops: [[0, css(lighter(of, -0.16))], [0.62, css(of)], [0.9, css(lighter(of, lit))], [1, css(lighter(of, lit + 0.06))]] })
}

export const daisy: Species = (pen, { length, tint }, random) => {
  const r = length / 2
  const white = tint ?? tone('#ece9df')
  for (const [ring, count] of [[0, 13], [1, 12]] as const) {
    for (let i = 0; i < count; i++) {
      pen.leaf({ x: 0, y: 0, angle: (360 * (i + ring / 2)) / count + random.spread(5) },
        { length: r * (ring ? 0.93 : 1) * random.between(0.93, 1), width: r * 0.27, belly: 0.66, tip: 0.8, veins: 0 }, lighter(jitter(white, random, 0.3), ring ? 0 : -0.06), r * 0.025)
    }
  }
  seeds(pen, r * 0.29, 60, r * 0.042, tone('#c8962b'), random)
}
