import { blend, css, jitter, lighter, tone } from '../colour'
import type { XY } from '../marks'
import type { Species } from '../stalk'
import { ahead } from '../stalk'
import { GOLDEN } from './heads'

const polar = (angle: number, r: number): XY => [Math.cos((angle * Math.PI) / 180) * r, Math.sin((angle * Math.PI) / 180) * r]
const ringOf = (n: number, r: (i: number) => number, turn = 0): XY[] => Array.from({ length: n }, (_, i) => polar(turn + (360 * i) / n, r(i)))

/** A glass ball with its cap and a window caught in it. */
export const bauble: Species = (pen, { length, tint }, random) => {
  const of = tint ?? tone('#c88a2e')
  const r = length / 2
  const [lx, ly] = pen.light
  pen.circle(-lx * r * 0.2, -ly * r * 0.2, r, '#140d18', 0.26)
  pen.ball(0, 0, r * 0.94, jitter(of, random, 0.5), 0)
  pen.blob([[lx * r * 0.72, ly * r * 0.72], [lx * r * 0.5 - ly * r * 0.3, ly * r * 0.5 + lx * r * 0.3], [lx * r * 0.3, ly * r * 0.3], [lx * r * 0.5 + ly * r * 0.3, ly * r * 0.5 - lx * r * 0.3]], '#ffffff', 0.5)
  pen.circle(-lx * r * 0.5, -ly * r * 0.5, r * 0.3, css(lighter(of, 0.18)), 0.28)
  const cap = polar(-90, r * 0.92)
  pen.circle(cap[0], cap[1], r * 0.2, css(tone('#b79a55')))
  pen.circle(cap[0] + lx, cap[1] + ly, r * 0.1, css(tone('#e8d7a0')))
}

/** A round bell with a cross cut into it. */
export const bell: Species = (pen, { length, tint }, random) => {
  const of = jitter(tint ?? tone('#7e4a2c'), random)
  const r = length / 2
  pen.ball(0, 0, r * 0.95, of, 0.2)
  pen.line(ringOf(20, () => r * 0.9, 0).slice(0, 11).map(([x, y]): XY => [x, y * 0.22]), r * 0.1, css(lighter(of, -0.12)))
  for (const angle of [35, 145]) pen.line([polar(angle, r * 0.75), [0, r * 0.3], polar(angle + 180, r * 0.1)], r * 0.09, css(lighter(of, -0.26)))
  for (let i = 0; i < 14; i++) pen.circle(random.spread(r * 0.7), random.spread(r * 0.6), r * random.between(0.02, 0.06), css(lighter(blend(of, tone('#b06a35'), 0.6), random.spread(0.06))), 0.6)
  pen.circle(0, -r * 0.96, r * 0.14, css(lighter(of, -0.1)))
}

/** A slice through a fruit: skin, pith and segments the light comes through. */
export const slice: Species = (pen, { length, tint }, random) => {
  const of = jitter(tint ?? tone('#d08a35'), random)
  const r = length / 2
  const edge = ringOf(22, () => r * random.between(0.95, 1.01))
  pen.shadow(edge, r * 0.12, 0.3)
  pen.blob(edge, css(lighter(of, -0.14)))
  pen.circle(0, 0, r * 0.88, css(lighter({ ...of, c: of.c * 0.45 }, 0.14)))
  const segments = 9
  for (let i = 0; i < segments; i++) {
    const at = (k: number, out: number): XY => polar((360 * (i + k)) / segments, r * out)
    pen.blob([at(0.5, 0.12), at(0.12, 0.55), at(0.2, 0.8), at(0.5, 0.85), at(0.8, 0.8), at(0.88, 0.55)],
      { kind: 'radial', centre: [0, 0], radius: r * 0.86, focus: [0, 0], stops: [[0, css(lighter(of, 0.06))], [0.7, css(of)], [1, css(lighter(of, -0.06))]] })
    pen.strokes([[at(0.4, 0.3), at(0.36, 0.7)], [at(0.6, 0.3), at(0.64, 0.72)]], r * 0.02, css(lighter(of, 0.12)), 0.6)
  }
  pen.circle(0, 0, r * 0.1, css(lighter({ ...of, c: of.c * 0.4 }, 0.1)))
}

/** Sticks tied with twine. */
export const stickBundle: Species = (pen, { length, width, tint }, random) => {
  const of = tint ?? tone('#7a4a2a')
  for (let i = 0; i < 5; i++) {
    const y = ((i - 2) / 2) * width * 0.36
    const [a, b] = [-length * (0.1 + random.between(0, 0.05)), length * (0.9 - random.between(0, 0.06))]
    pen.twig([[a, y + random.spread(1)], [(a + b) / 2, y], [b, y + random.spread(1)]], width * 0.26, jitter(of, random))
    pen.circle(b, y, width * 0.11, css(lighter(of, -0.14)))
  }
  for (const x of [0.36, 0.4, 0.44]) pen.line([[length * x, -width * 0.5], [length * (x + 0.01), 0], [length * x, width * 0.5]], width * 0.09, css(tone('#b99c68')))
}

/** Five tufts in a split brown husk. */
export const cotton: Species = (pen, { length }, random) => {
  const r = length / 2
  for (let i = 0; i < 5; i++) pen.leaf({ x: 0, y: 0, angle: 72 * i + 36 }, { length: r, width: r * 0.42, belly: 0.5, tip: 0.1 }, jitter(tone('#7c5a3c'), random))
  for (let i = 0; i < 5; i++) {
    const [x, y] = polar(72 * i, r * 0.42)
    pen.ball(x, y, r * 0.44, jitter(tone('#e9e4d8'), random, 0.3), 0)
  }
  pen.ball(0, 0, r * 0.3, tone('#f2eee4'), 0)
}

/** A fan of ribs from its hinge. */
export const shell: Species = (pen, { length, tint }, random) => {
  const of = jitter(tint ?? tone('#e0c7b2'), random)
  const r = length / 2
  const at = (angle: number, out: number): XY => {
    const [x, y] = polar(angle, out * r * 1.7)
    return [x, y + r * 0.85]
  }
  const rim = Array.from({ length: 19 }, (_, i) => at(-126 + (72 * i) / 18, i % 2 ? 0.97 : 1.02))
  pen.shadow([[0, r * 0.85], ...rim], r * 0.12, 0.3)
  pen.shape([[0, r * 0.85], ...rim], { kind: 'radial', centre: [0, r * 0.85], radius: r * 1.8, focus: [0, r * 0.85], stops: [[0, css(lighter(of, -0.1))], [0.6, css(of)], [0.85, css(lighter(of, 0.06))], [1, css(lighter(of, -0.02))]] })
  pen.strokes(Array.from({ length: 9 }, (_, i): readonly [XY, XY] => [[0, r * 0.85], at(-122 + (64 * i) / 8, 0.96)]), r * 0.04, css(lighter(of, -0.13)), 0.7)
  pen.circle(0, r * 0.8, r * 0.09, css(lighter(of, -0.08)))
}

export const feather: Species = (pen, { length, width, tint }, random) => {
  const of = jitter(tint ?? tone('#8a7660'), random)
  pen.leaf({ x: -length * 0.02, y: 0, angle: 0 }, { length: length * 0.92, width, belly: 0.55, tip: 0.5, bend: random.spread(0.05) }, of)
  const barbs = Array.from({ length: 34 }, (_, i): readonly [XY, XY][] => {
    const u = 0.06 + (0.8 * i) / 34
    const half = width * 0.46 * Math.sin(Math.PI * Math.min(1, u + 0.12))
    return [[[u * length, 0], [(u + 0.09) * length, half]], [[u * length, 0], [(u + 0.09) * length, -half]]]
  }).flat()
  pen.strokes(barbs, width * 0.03, css(lighter(of, 0.14)), 0.5)
  for (let i = 0; i < 12; i++) pen.circle(length * random.between(0.15, 0.8), random.spread(width * 0.3), width * 0.06, css(lighter(of, -0.18)), 0.6)
  pen.line([[-length * 0.1, 0], [length * 0.4, 0], [length * 0.85, 0]], width * 0.06, css(tone('#e3d8c4')))
}

/** A little felt bird, seen from the side. */
export const bird: Species = (pen, { length, tint }, random) => {
  const of = jitter(tint ?? tone('#8c5b4a'), random)
  const r = length / 2
  const body: XY[] = [[-0.95, 0.05], [-0.5, -0.2], [0, -0.35], [0.3, -0.62], [0.62, -0.58], [0.74, -0.34], [0.62, 0.1], [0.2, 0.46], [-0.3, 0.36], [-0.6, 0.16]].map(([x, y]): XY => [x! * r, y! * r])
  pen.shadow(body, r * 0.12, 0.3)
  pen.blob(body, { kind: 'linear', from: [0, -r * 0.6], to: [0, r * 0.5], stops: [[0, css(lighter(of, 0.08))], [0.6, css(of)], [1, css(lighter(of, -0.1))]] })
  pen.leaf({ x: r * 0.24, y: -r * 0.1, angle: 168 }, { length: r * 0.85, width: r * 0.36, belly: 0.4, tip: 0.2 }, lighter(of, -0.08))
  pen.shape([[r * 0.72, -r * 0.46], [r * 0.98, -r * 0.36], [r * 0.71, -r * 0.32]], '#c8962b')
  pen.circle(r * 0.52, -r * 0.44, r * 0.06, '#1c1418')
}

/** A folded star with a light and a dark side to each ray. */
export const star: Species = (pen, { length, tint }, random) => {
  const of = jitter(tint ?? tone('#e6d9b8'), random, 0.4)
  const r = length / 2
  const n = 8
  pen.shadow(ringOf(2 * n, (i) => (i % 2 ? r * 0.45 : r)), r * 0.1, 0.28)
  for (let i = 0; i < n; i++) {
    const a = (360 * i) / n
    pen.shape([[0, 0], polar(a, r), polar(a + 180 / n, r * 0.42)], css(lighter(of, 0.03)))
    pen.shape([[0, 0], polar(a, r), polar(a - 180 / n, r * 0.42)], css(lighter(of, -0.12)))
  }
}

/** A paper lantern, ribbed and lit from within. */
export const lantern: Species = (pen, { length, width, tint }, random) => {
  const of = jitter(tint ?? tone('#d98b3a'), random, 0.5)
  const [w, h] = [width / 2, length / 2]
  const body: XY[] = [[-0.42, -0.88], [0.42, -0.88], [0.86, -0.5], [0.98, 0], [0.86, 0.5], [0.42, 0.88], [-0.42, 0.88], [-0.86, 0.5], [-0.98, 0], [-0.86, -0.5]].map(([x, y]): XY => [x! * w, y! * h])
  pen.shadow(body, h * 0.08, 0.3)
  pen.blob(body, { kind: 'radial', centre: [0, h * 0.1], radius: h, focus: [0, h * 0.15], stops: [[0, css(lighter({ ...of, c: of.c * 0.7 }, 0.17))], [0.5, css(lighter(of, 0.05))], [1, css(lighter(of, -0.12))]] })
  for (let i = -5; i <= 5; i++) {
    const y = (i / 6) * h
    const half = w * 0.97 * Math.sqrt(Math.max(0.1, 1 - (i / 6.4) ** 2))
    pen.line([[-half, y], [0, y + h * 0.04], [half, y]], h * 0.018, css(lighter(of, -0.2)), 0.65)
  }
  for (const y of [-0.93, 0.9]) pen.shape([[-w * 0.44, h * y - h * 0.05], [w * 0.44, h * y - h * 0.05], [w * 0.44, h * y + h * 0.05], [-w * 0.44, h * y + h * 0.05]], '#3a2a22')
}

/** A plank with a painted edge. */
export const plankSign: Species = (pen, { length, width, tint }, random) => {
  const of = tint ?? tone('#b08a5c')
  const [x, y] = [length / 2, width / 2]
  const outline: XY[] = [[-x, -y], [x, -y], [x, y], [-x, y]]
  pen.shadow(outline, 3, 0.3)
  pen.shape(outline, { kind: 'linear', from: [0, -y], to: [0, y], stops: [[0, css(lighter(of, 0.06))], [0.5, css(of)], [1, css(lighter(of, -0.09))]] })
  for (let i = 0; i < 16; i++) {
    const at = -y + (2 * y * (i + random.between(0.2, 0.8))) / 16
    pen.line([[-x * random.between(0.6, 0.98), at], [0, at + random.spread(y * 0.05)], [x * random.between(0.5, 0.98), at]], 0.5, css(lighter(of, random.spread(0.09))), 0.55)
  }
  for (const side of [-1, 1]) pen.circle(side * x * 0.9, -y * 0.72, 1.6, '#2a211c')
}

/** A hare cut out of board, sitting. */
export const hare: Species = (pen, { length, tint }, random) => {
  const of = jitter(tint ?? tone('#8a6a4c'), random, 0.5)
  const r = length / 2
  const shape: XY[] = [[-0.62, 0.92], [-0.78, 0.5], [-0.6, 0.06], [-0.2, -0.14], [0.04, -0.3], [0.02, -0.62], [-0.16, -1], [0.06, -0.96], [0.2, -0.62], [0.3, -0.94], [0.46, -0.9], [0.38, -0.5], [0.62, -0.28], [0.66, -0.12], [0.42, 0], [0.4, 0.4], [0.5, 0.92]].map(([x, y]): XY => [x! * r, y! * r])
  pen.shadow(shape, r * 0.08, 0.3)
  pen.blob(shape, { kind: 'linear', from: [-r, -r], to: [r, r], stops: [[0, css(lighter(of, 0.06))], [1, css(lighter(of, -0.08))]] })
  pen.circle(r * 0.44, -r * 0.3, r * 0.045, '#1c1418')
  pen.line([[-r * 0.5, r * 0.86], [-r * 0.3, r * 0.36], [0, r * 0.2]], r * 0.035, css(lighter(of, -0.16)), 0.7)
}

/** A thin wire with small lights along it. */
export const lights: Species = (pen, { length, width }, random) => {
  const points = Array.from({ length: 15 }, (_, i): XY => [-length * 0.1 + (length * i) / 14, random.spread(width * 0.4)])
  pen.line(points, 0.8, '#7b6a3a')
  for (const [x, y] of points.slice(1)) {
    pen.circle(x, y, width * 0.3, '#f6dc8c', 0.3)
    pen.ball(x, y, width * 0.12, tone('#f3d37a'), 0.9)
  }
}

/** A roll of whatever is bought by the length, seen from its end. */
export const spool: Species = (pen, { length, tint }, random) => {
  const of = tint ?? tone('#a98d5a')
  const r = Math.min(length, 80) / 2
  pen.circle(-pen.light[0] * r * 0.1, -pen.light[1] * r * 0.1, r, '#140d18', 0.3)
  pen.circle(0, 0, r * 0.97, css(lighter(of, -0.1)))
  for (let i = 0; i < 9; i++) pen.circle(0, 0, r * (0.94 - i * 0.065), css(lighter(of, i % 2 ? -0.05 : 0.05 + random.spread(0.02))))
  pen.circle(0, 0, r * 0.34, css(tone('#d8c4a0')))
  pen.circle(0, 0, r * 0.24, '#2a2320')
  const tail = ahead({ x: r * 0.6, y: r * 0.74, angle: 24 }, r * 0.7)
  pen.line([[r * 0.2, r * 0.93], [r * 0.6, r * 0.84], [tail.x, tail.y * 0.8]], r * 0.1, css(lighter(of, 0.06)))
}

/** A seed head with a crown on it. */
export const driedPod: Species = (pen, { length, tint }, random) => {
  const of = jitter(tint ?? tone('#9a9377'), random)
  const r = length / 2
  pen.ball(0, 0, r * 0.96, of, 0.12)
  pen.strokes(Array.from({ length: 10 }, (_, i): readonly [XY, XY] => [polar(36 * i, r * 0.44), polar(36 * i + 6, r * 0.9)]), r * 0.05, css(lighter(of, -0.13)), 0.7)
  pen.shape(ringOf(20, (i) => r * (i % 2 ? 0.34 : 0.48)), css(lighter(of, 0.07)))
  for (let i = 0; i < 16; i++) {
    const at = ahead({ x: 0, y: 0, angle: i * GOLDEN }, r * 0.32 * Math.sqrt((i + 0.5) / 16))
    pen.circle(at.x, at.y, r * 0.035, css(lighter(of, -0.24)))
  }
}

/** A round head of many small four-petalled flowers. */
export const floretHead: Species = (pen, { length, tint }, random) => {
  const of = tint ?? tone('#8292ab')
  const r = length / 2
  pen.circle(-pen.light[0] * r * 0.08, -pen.light[1] * r * 0.08, r * 0.94, '#140d18', 0.3)
  pen.circle(0, 0, r * 0.86, css(lighter(of, -0.2)))
  const florets = 54
  for (let i = florets - 1; i >= 0; i--) {
    const at = ahead({ x: 0, y: 0, angle: i * GOLDEN }, r * 0.86 * Math.sqrt((i + 0.5) / florets))
    const lit = (at.x * pen.light[0] + at.y * pen.light[1]) / r
    const own = jitter(lighter(blend(of, tone('#b39fbf'), random.next() * 0.6), lit * 0.08), random, 1.2)
    const turn = random.between(0, 90)
    for (let k = 0; k < 4; k++) pen.leaf({ x: at.x, y: at.y, angle: turn + 90 * k }, { length: r * 0.19, width: r * 0.17, belly: 0.6, tip: 0.9 }, own, r * 0.012)
    pen.circle(at.x, at.y, r * 0.022, css(lighter(own, 0.18)))
  }
}
