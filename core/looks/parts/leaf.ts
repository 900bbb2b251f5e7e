import { css, lighter } from '../colour'
import type { Tone } from '../colour'
import { local } from '../pose'
import type { Local, Pose, Stem } from '../pose'
import type { Edge, Leaf, Petal } from '../species-grammar'
import type { Paint, XY } from '../vector-marks'
import type { Pen } from '../vector-pen'
import type { Inks } from './palette'

/** What is shorter than these has neither veins nor a shadow of its own, and is a touch of flat colour, mm. */
const SMALL = 7
const TINY = 3.5

const bow = (u: number): number => 4 * u * (1 - u)

export interface LeafShape {
  readonly length: number
  readonly width: number
  /** Where it is widest, 0 foot to 1 tip. */
  readonly belly: number
  /** 0 a sharp tip, 1 a round one. */
  readonly tip: number
  /** 0 a wedge at the foot, 1 round. */
  readonly heart?: number
  /** Sideways bend of the midrib, as a share of the length. */
  readonly bend?: number
}

/** Half the width of a whole-edged leaf at `u`, as a share of half its greatest width. */
function halfAt(u: number, { belly, tip, heart = 1 }: LeafShape): number {
  if (u <= belly) {
    const v = 1 - u / belly
    const round = Math.sqrt(Math.max(0, 1 - v * v))
    return heart * round + (1 - heart) * (1 - v) ** 1.25
  }
  const v = (u - belly) / (1 - belly)
  return tip * Math.sqrt(Math.max(0, 1 - v * v)) + (1 - tip) * (0.5 + 0.5 * Math.cos(Math.PI * v))
}

/** Points to each side of an outline: few on what is a touch of colour. */
const STEPS = { small: 3, large: 7 } as const

/** The outline of a whole-edged leaf from its foot round and back, along and across. */
export function leafOutline(shape: LeafShape): XY[] {
  const { length, width, bend = 0 } = shape
  const steps = length < SMALL ? STEPS.small : STEPS.large
  const side = (sign: number): XY[] =>
    Array.from({ length: steps }, (_, i): XY => {
      const u = (i + 0.5) / steps
      return [u * length, bow(u) * bend * length + (sign * halfAt(u, shape) * width) / 2]
    })
  return [[0, 0], ...side(1), [length, 0], ...side(-1).reverse()]
}

/** Where the edge of one half goes in and out, `count` times from foot to tip: along and share of the half width. */
function edged({ kind, count, depth }: Edge): readonly (readonly [u: number, share: number])[] {
  return Array.from({ length: count }, (_, i): (readonly [number, number])[] => {
    const at = (share: number): number => 0.04 + (0.94 * (i + share)) / count
    switch (kind) {
      case 'lobed':
        return [
          [at(0.05), 1 - depth],
          [at(0.35), 1 - depth * 0.12],
          [at(0.6), 1],
          [at(0.85), 1 - depth * 0.3],
        ]
      case 'crenate':
        return [
          [at(0.02), 1 - depth],
          [at(0.3), 1],
          [at(0.75), 1],
        ]
      case 'toothed':
        return [
          [at(0.1), 1 - depth],
          [at(0.85), 1],
        ]
      case 'spined':
        return [
          [at(0.12), 1 - depth * 0.55],
          [at(0.36), 1 - depth],
          [at(0.6), 1 - depth * 0.7],
          [at(0.86), 1],
        ]
    }
  }).flat()
}

/** The outline of any leaf, and whether it is to be drawn round. */
function outlineOf(
  shape: LeafShape,
  { edge, outline }: Pick<Leaf, 'edge' | 'outline'>,
): { readonly points: XY[]; readonly round: boolean } {
  const { length, width, bend = 0 } = shape
  const point = (u: number, v: number): XY => [u * length, bow(u) * bend * length + (v * width) / 2]
  if (outline)
    return {
      points: [point(0, 0), ...outline.map(([u, v]) => point(u, v)), point(1, 0), ...[...outline].reverse().map(([u, v]) => point(u, -v))],
      round: true,
    }
  if (!edge) return { points: leafOutline(shape), round: true }
  const half = edged(edge).map(([u, share]) => [u, share * halfAt(u, shape)] as const)
  return {
    points: [point(0, 0), ...half.map(([u, v]) => point(u, v)), point(1, 0), ...[...half].reverse().map(([u, v]) => point(u, -v))],
    round: edge.kind === 'lobed' || edge.kind === 'crenate',
  }
}

/** Light across a midrib: the half on the side of the light is brighter. */
function across(pen: Pen, at: Local, length: number, half: number, of: Tone, depth = 1): Paint {
  const [nx, ny] = at.vector(0, 1)
  const facing = nx * pen.light[0] + ny * pen.light[1]
  const side = facing > 0 ? 1 : -1
  const strength = (0.42 + 0.58 * Math.abs(facing)) * depth
  return {
    kind: 'linear',
    from: at(length * 0.5, half * side),
    to: at(length * 0.5, -half * side),
    stops: [
      [0, css(lighter(of, 0.06 * strength))],
      [0.3, css(lighter(of, 0.1 * strength))],
      [0.485, css(lighter(of, 0.015))],
      [0.515, css(lighter(of, -0.06 * depth))],
      [1, css(lighter(of, -0.12 * strength))],
    ],
  }
}

/** A leaf filled across its midrib, brighter on the side of the light, with its veins. */
export function leaf(pen: Pen, stem: Stem, part: Leaf, inks: Inks): void {
  const { random } = pen
  const pose = stem.at(0)
  const at = local(pose)
  const back = part.under && random.next() < part.under.chance ? part.under : null
  const of = inks.own(back?.hue ?? part.hue, stem.lit, part.vary)
  const width = part.wide ? stem.length * part.wide : stem.spread
  const bend = inks.span(part.bend ?? [-0.05, 0.05])
  const shape: LeafShape = { length: stem.length, width, belly: part.belly ?? 0.45, tip: part.tip ?? 0.1, heart: part.heart ?? 1, bend }
  const { points, round } = outlineOf(shape, part)
  const outline = points.map(([u, v]) => at(u, v))
  const small = stem.length < SMALL
  if (!small) pen.shadow(outline, width * (part.lift ?? 0.08), 0.26, !round)
  const fill = stem.length < TINY ? css(of) : across(pen, at, stem.length, width / 2, of)
  if (round) pen.blob(outline, fill)
  else pen.shape(outline, fill)
  if (part.rim) pen.line([...outline, outline[0]!], Math.max(0.25, width * 0.045), css(inks.own(part.rim, stem.lit, 0.5)), 0.8)
  if (part.gloss && !back) sheen(pen, at, shape, of, part.gloss)
  ribs(pen, at, shape, of, part.veins ?? 0, back ? 0.1 : 0.14)
}

/** A streak of sky on the lit half of a shining leaf. */
function sheen(pen: Pen, at: Local, { length, width, bend = 0 }: LeafShape, of: Tone, gloss: number): void {
  const [nx, ny] = at.vector(0, 1)
  const side = nx * pen.light[0] + ny * pen.light[1] > 0 ? 1 : -1
  const point = (u: number, v: number): XY => at(u * length, bow(u) * bend * length + side * v * width)
  pen.blob(
    [point(0.2, 0.1), point(0.38, 0.25), point(0.6, 0.24), point(0.78, 0.1), point(0.58, 0.12), point(0.38, 0.12)],
    css(lighter({ ...of, c: of.c * 0.45 }, 0.3)),
    0.42 * gloss,
  )
}

function ribs(pen: Pen, at: Local, { length, width, bend = 0 }: LeafShape, of: Tone, veins: number, bright: number): void {
  if (length < SMALL) return
  const rib = (u: number): XY => at(u * length, bow(u) * bend * length)
  pen.line([rib(0), rib(0.35), rib(0.7), rib(0.95)], Math.max(0.2, width * 0.035), css(lighter({ ...of, c: of.c * 0.75 }, bright)), 0.75)
  const side: (readonly [XY, XY])[] = []
  for (let i = 0; i < veins; i++) {
    const u = 0.14 + (0.64 * i) / veins
    const reach = width * 0.37 * Math.sin(Math.PI * Math.min(1, u + 0.22))
    for (const sign of [-1, 1]) side.push([rib(u), at((u + 0.13) * length, bow(u + 0.13) * bend * length + sign * reach)])
  }
  pen.strokes(side, Math.max(0.14, width * 0.016), css(lighter(of, bright * 0.75)), 0.5)
}

/** A petal from its foot: dark where it comes out of the heart, its rim turned to the light. */
export function petal(pen: Pen, stem: Stem, part: Petal, inks: Inks): void {
  const { random } = pen
  const pose: Pose = stem.at(0)
  const at = local(pose)
  const { length } = stem
  const width = part.wide ? length * part.wide : stem.spread
  const { cup = 0.3, notch = 0, ruffle = 0, belly = 0.62, tip = 0.7 } = part
  const of = inks.own(part.hue, stem.lit, part.vary ?? 0.8)
  const heart = part.heart ? inks.own(part.heart, stem.lit, 0.5) : lighter(of, -0.06 - 0.12 * cup)
  const shape: LeafShape = { length, width, belly, tip, heart: 0.8 }
  const steps = length < SMALL ? STEPS.small : ruffle ? 13 : 8
  const wave = (): number => 1 + ruffle * random.spread(0.16)
  const side = (sign: number): XY[] =>
    Array.from({ length: steps }, (_, i): XY => {
      const u = (i + 0.6) / steps
      return at(u * length * (u > 0.7 ? wave() : 1), (sign * halfAt(u, shape) * width * (u > 0.4 ? wave() : 1)) / 2)
    })
  const outline = [at(0, 0), ...side(1), at(length * (1 - notch), 0), ...side(-1).reverse()]
  if (length >= SMALL) pen.shadow(outline, Math.min(width, length) * 0.07, 0.24)
  const [dx, dy] = at.vector(1, 0)
  const facing = dx * pen.light[0] + dy * pen.light[1]
  const rim = 0.02 + 0.03 * cup + 0.05 * facing
  pen.blob(outline, {
    kind: 'radial',
    centre: at(0, 0),
    radius: length,
    focus: at(0, 0),
    stops: [
      [0, css(heart)],
      [0.45 + 0.2 * cup, css(of)],
      [0.88, css(lighter(of, rim))],
      [1, css(lighter(of, rim + 0.035 * cup))],
    ],
  })
  if (length < 2 * SMALL) return
  const lines = [-0.5, -0.2, 0.15, 0.48].map((v): XY[] => [
    at(length * 0.12, v * width * 0.1),
    at(length * 0.5, v * width * 0.42),
    at(length * 0.82, v * width * 0.6),
  ])
  pen.polylines(lines, Math.max(0.15, width * 0.014), css(lighter(of, -0.08)), 0.4)
}
