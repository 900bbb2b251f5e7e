import type { Random } from '../measure'
import { radians } from '../measure'
import type { Tone } from './colour'
import { css, lighter } from './colour'
import type { Bounds, Glyph, Lettering, Mark, Paint, XY } from './marks'

const round = (value: number): string => {
  const text = value.toFixed(2)
  return text.endsWith('.00') ? text.slice(0, -3) : text
}
const pair = ([x, y]: XY): string => `${round(x)} ${round(y)}`

/** Where something is and which way it points, degrees clockwise from right. */
export interface Pose { readonly x: number, readonly y: number, readonly angle: number }

export interface LeafShape {
  readonly length: number
  readonly width: number
  /** Where it is widest, 0 foot to 1 tip. */
  readonly belly: number
  /** 0 a sharp tip, 1 a round one. */
  readonly tip: number
  /** How many pairs of side veins show. */
  readonly veins?: number
  /** Sideways bend of the midrib, as a share of the length. */
  readonly bend?: number
}

/**
 * Draws parts and keeps count of where they are. It knows where the light is, in the glyph's own frame,
 * so that shadows and bright sides agree however the glyph is turned on the base.
 */
export class Pen {
  readonly marks: Mark[] = []
  readonly letters: Lettering[] = []
  private readonly edge = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity }
  private readonly lightX: number
  private readonly lightY: number

  /** @param turned how far the glyph will be turned on the drawing, degrees clockwise */
  constructor(readonly random: Random, turned = 0) {
    const angle = radians(LIGHT_FROM - turned)
    this.lightX = Math.cos(angle)
    this.lightY = Math.sin(angle)
  }

  /** Unit vector to the light. */
  get light(): XY { return [this.lightX, this.lightY] }

  glyph(): Glyph {
    const bounds: Bounds = this.marks.length || this.letters.length ? { ...this.edge } : { left: 0, top: 0, right: 0, bottom: 0 }
    return { marks: this.marks, letters: this.letters, bounds }
  }

  /** A closed outline through straight lines or, where given, cubic control points. */
  shape(outline: readonly XY[], fill: Paint, opacity?: number): void {
    this.add(`M${outline.map(pair).join('L')}Z`, outline, { fill, ...(opacity === undefined ? {} : { opacity }) })
  }

  /** A closed smooth outline through its points. */
  blob(outline: readonly XY[], fill: Paint, opacity?: number): void {
    this.add(smooth(outline, true), outline, { fill, ...(opacity === undefined ? {} : { opacity }) })
  }

  circle(x: number, y: number, r: number, fill: Paint, opacity?: number): void {
    const d = `M${pair([x - r, y])}A${round(r)} ${round(r)} 0 1 0 ${pair([x + r, y])}A${round(r)} ${round(r)} 0 1 0 ${pair([x - r, y])}Z`
    this.add(d, [[x - r, y - r], [x + r, y + r]], { fill, ...(opacity === undefined ? {} : { opacity }) })
  }

  /** A smooth line through its points. */
  line(points: readonly XY[], width: number, paint: Paint, opacity?: number): void {
    this.add(smooth(points, false), points, { stroke: { paint, width }, ...(opacity === undefined ? {} : { opacity }) }, width / 2)
  }

  /** Many straight strokes of one width and colour, in one mark. */
  strokes(lines: readonly (readonly [XY, XY])[], width: number, paint: Paint, opacity?: number): void {
    if (!lines.length) return
    this.add(lines.map(([a, b]) => `M${pair(a)}L${pair(b)}`).join(''), lines.flat(), { stroke: { paint, width }, ...(opacity === undefined ? {} : { opacity }) }, width / 2)
  }

  letter(lettering: Lettering): void {
    this.letters.push(lettering)
    const half = lettering.text.length * lettering.size * 0.35
    this.reach([lettering.x - half, lettering.y - lettering.size / 2], 0)
    this.reach([lettering.x + half, lettering.y + lettering.size / 2], 0)
  }

  /** A soft dark copy, down the light: call it before the thing itself. */
  shadow(outline: readonly XY[], lift: number, strength = 0.2): void {
    const moved = outline.map(([x, y]): XY => [x - this.lightX * lift, y - this.lightY * lift])
    this.marks.push({ d: smooth(moved, true), fill: SHADOW, opacity: strength })
  }

  /** A leaf filled across its midrib, brighter on the side of the light, with its veins. */
  leaf(pose: Pose, shape: LeafShape, of: Tone, lift = shape.width * 0.07): void {
    const at = frame(pose)
    const outline = leafOutline(shape).map(([u, v]) => at(u, v))
    const normal = at.vector(0, 1)
    const facing = normal[0] * this.lightX + normal[1] * this.lightY
    const half = shape.width / 2
    const brightFrom = facing > 0 ? 1 : -1
    const strength = 0.4 + 0.6 * Math.abs(facing)
    const middle = shape.length * 0.5
    if (lift > 0) this.shadow(outline, lift, 0.24)
    this.blob(outline, {
      kind: 'linear', from: at(middle, half * brightFrom), to: at(middle, -half * brightFrom),
      stops: [[0, css(lighter(of, 0.1 * strength))], [0.48, css(of)], [0.52, css(lighter(of, -0.045))], [1, css(lighter(of, -0.11 * strength))]],
    })
    this.veins(at, shape, of)
  }

  private veins(at: Frame, { length, width, veins = 0, bend = 0 }: LeafShape, of: Tone): void {
    if (length < 4) return
    const rib = (u: number): XY => at(u * length, bow(u) * bend * length)
    this.line([rib(0), rib(0.35), rib(0.7), rib(0.94)], Math.max(0.18, width * 0.035), css(lighter({ ...of, c: of.c * 0.75 }, 0.14)), 0.75)
    const side: (readonly [XY, XY])[] = []
    for (let i = 0; i < veins; i++) {
      const u = 0.16 + (0.62 * i) / veins
      const reach = width * 0.36 * Math.sin(Math.PI * Math.min(1, u + 0.22))
      const foot = rib(u)
      for (const sign of [-1, 1]) side.push([foot, at((u + 0.13) * length, bow(u + 0.13) * bend * length + sign * reach)])
    }
    this.strokes(side, Math.max(0.12, width * 0.016), css(lighter(of, 0.1)), 0.45)
  }

  /** A ball: a berry, a bud, an apple. */
  ball(x: number, y: number, r: number, of: Tone, gloss = 0.9): void {
    const lx = this.lightX
    const ly = this.lightY
    this.circle(x - lx * r * 0.3, y - ly * r * 0.3, r * 1.03, SHADOW, 0.28)
    this.circle(x, y, r, {
      kind: 'radial', centre: [x, y], radius: r, focus: [x + lx * r * 0.42, y + ly * r * 0.42],
      stops: [[0, css(lighter(of, 0.16))], [0.45, css(of)], [0.85, css(lighter(of, -0.13))], [1, css(lighter(of, -0.18))]],
    })
    if (gloss > 0) this.circle(x + lx * r * 0.42, y + ly * r * 0.42, r * 0.2, '#ffffff', gloss * 0.75)
  }

  /** A stem or twig that tapers along its points: a dark edge, its body and a lit side. */
  twig(points: readonly XY[], width: number, of: Tone): void {
    const shift = width * 0.22
    this.line(points.map(([x, y]): XY => [x - this.lightX * width * 0.5, y - this.lightY * width * 0.5]), width, SHADOW, 0.2)
    this.line(points, width, css(lighter(of, -0.07)))
    this.line(points.map(([x, y]): XY => [x + this.lightX * shift, y + this.lightY * shift]), width * 0.45, css(lighter(of, 0.08)))
  }

  private add(d: string, touched: readonly XY[], paint: Omit<Mark, 'd'>, margin = 0): void {
    for (const point of touched) this.reach(point, margin)
    this.marks.push({ d, ...paint })
  }

  private reach([x, y]: XY, margin: number): void {
    const { edge } = this
    edge.left = Math.min(edge.left, x - margin)
    edge.right = Math.max(edge.right, x + margin)
    edge.top = Math.min(edge.top, y - margin)
    edge.bottom = Math.max(edge.bottom, y + margin)
  }
}

/** The light comes from up and to the left. */
export const LIGHT_FROM = -125
const SHADOW = '#140d18'

const bow = (u: number): number => 4 * u * (1 - u)

/** Turns leaf coordinates (along, across) into the glyph's. */
export interface Frame {
  (along: number, across: number): XY
  vector(along: number, across: number): XY
}

export function frame({ x, y, angle }: Pose): Frame {
  const cos = Math.cos(radians(angle))
  const sin = Math.sin(radians(angle))
  const vector = (u: number, v: number): XY => [u * cos - v * sin, u * sin + v * cos]
  const at = (u: number, v: number): XY => [x + u * cos - v * sin, y + u * sin + v * cos]
  return Object.assign(at, { vector })
}

const LEAF_STEPS = 7

/** The outline of a leaf from its foot round and back, along and across. */
export function leafOutline({ length, width, belly, tip, bend = 0 }: LeafShape): XY[] {
  const half = (u: number): number => {
    if (u <= belly) {
      const v = 1 - u / belly
      return Math.sqrt(Math.max(0, 1 - v * v))
    }
    const v = (u - belly) / (1 - belly)
    return tip * Math.sqrt(Math.max(0, 1 - v * v)) + (1 - tip) * (0.5 + 0.5 * Math.cos(Math.PI * v))
  }
  const side = (sign: number): XY[] => Array.from({ length: LEAF_STEPS }, (_, i): XY => {
    const u = (i + 0.5) / LEAF_STEPS
    return [u * length, bow(u) * bend * length + (sign * half(u) * width) / 2]
  })
  return [[0, 0], ...side(1), [length, 0], ...side(-1).reverse()]
}

/** A Catmull-Rom spline through the points, as cubic Béziers. */
export function smooth(points: readonly XY[], closed: boolean): string {
  const n = points.length
  if (n < 2) throw new RangeError('a line needs two points')
  const get = (i: number): XY => (closed ? points[((i % n) + n) % n]! : points[Math.min(n - 1, Math.max(0, i))]!)
  let d = `M${pair(get(0))}`
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const [a, b, c, e] = [get(i - 1), get(i), get(i + 1), get(i + 2)]
    d += `C${pair([b[0] + (c[0] - a[0]) / 6, b[1] + (c[1] - a[1]) / 6])} ${pair([c[0] - (e[0] - b[0]) / 6, c[1] - (e[1] - b[1]) / 6])} ${pair(c)}`
  }
  return closed ? `${d}Z` : d
}
