import { clamp, radians } from '../../measure'
import { css, lighter } from '../colour'
import type { Tone } from '../colour'
import type { Finish } from '../species-grammar'
import type { XY } from '../vector-marks'
import type { Pen } from '../vector-pen'

/** A point or direction in the room: x right, y down, z towards the eye. */
export type Point3 = readonly [x: number, y: number, z: number]

const add = (a: Point3, b: Point3, by = 1): Point3 => [a[0] + b[0] * by, a[1] + b[1] * by, a[2] + b[2] * by]
const cross = (a: Point3, b: Point3): Point3 => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
const dot = (a: Point3, b: Point3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
function unit(a: Point3): Point3 {
  const size = Math.hypot(...a) || 1
  return [a[0] / size, a[1] / size, a[2] / size]
}

/** One place along a strip of cloth: its middle, and the half of its width as a vector. */
export interface Rib {
  readonly at: Point3
  readonly half: Point3
}

/** What a strip is made of. The outside is seen where its normal looks at the eye. */
export interface Fabric {
  readonly finish: Finish
  readonly tone: Tone
  readonly second: Tone
  readonly opacity?: number
}

/** A strip of cloth: ribs from one end to the other, and how its last end is cut. */
export interface Strip {
  readonly ribs: readonly Rib[]
  readonly fabric: Fabric
  readonly cut?: 'v' | 'slant' | 'straight'
  readonly nearer?: number
}

/** How each finish takes the light: how much of it is in the shade, how it shines, how dark its folds are. */
const LUSTRE: Record<Finish, { readonly diffuse: number; readonly shine: number; readonly tight: number; readonly graze: number }> = {
  plain: { diffuse: 0.2, shine: 0.03, tight: 6, graze: 0 },
  satin: { diffuse: 0.2, shine: 0.24, tight: 12, graze: 0 },
  velvet: { diffuse: 0.13, shine: 0, tight: 1, graze: 0.16 },
  check: { diffuse: 0.2, shine: 0.03, tight: 6, graze: 0 },
  stripe: { diffuse: 0.2, shine: 0.06, tight: 8, graze: 0 },
  print: { diffuse: 0.19, shine: 0.04, tight: 8, graze: 0 },
  burlap: { diffuse: 0.17, shine: 0, tight: 1, graze: 0 },
  mesh: { diffuse: 0.2, shine: 0.16, tight: 10, graze: 0.06 },
}
const INSIDE = -0.075

interface Facet {
  readonly depth: number
  readonly corners: readonly [XY, XY, XY, XY]
  readonly shades: readonly [number, number]
  readonly inside: boolean
  readonly fabric: Fabric
  /** Where it begins and ends along the strip, mm, and how wide the strip is there. */
  readonly from: number
  readonly to: number
  readonly width: number
  readonly last: boolean
  readonly cut: NonNullable<Strip['cut']>
}

/** Paints strips of cloth as they lie in the room: what is nearer the eye covers what is behind it. */
export function paintStrips(pen: Pen, strips: readonly Strip[]): void {
  const light = unit([pen.light[0] * 0.62, pen.light[1] * 0.62, 0.78])
  const half = unit([light[0], light[1], light[2] + 1])
  const facets = strips.flatMap((strip) => facetsOf(strip, light, half))
  facets.sort((a, b) => a.depth - b.depth)
  for (const facet of facets) paintFacet(pen, facet)
}

function facetsOf({ ribs, fabric, cut = 'straight', nearer = 0 }: Strip, light: Point3, half: Point3): Facet[] {
  const lustre = LUSTRE[fabric.finish]
  const normals = ribs.map(({ half: across }, i): Point3 => {
    const [a, b] = [ribs[Math.max(0, i - 1)]!.at, ribs[Math.min(ribs.length - 1, i + 1)]!.at]
    return unit(cross(unit(add(b, a, -1)), unit(across)))
  })
  const shade = (normal: Point3): number => {
    const facing = Math.abs(dot(normal, light))
    const seen = normal[2] < 0 ? ([-normal[0], -normal[1], -normal[2]] as Point3) : normal
    const lit = dot(seen, light)
    return (
      lustre.diffuse * (0.75 * lit + 0.25 * facing - 0.5) +
      lustre.shine * (Math.max(0, dot(seen, half)) ** lustre.tight - 0.3) +
      lustre.graze * ((1 - Math.abs(normal[2])) ** 2 - 0.3)
    )
  }
  const flat = (p: Point3): XY => [p[0], p[1]]
  let run = 0
  return ribs.slice(1).map((b, i): Facet => {
    const a = ribs[i]!
    const from = run
    run += Math.hypot(...add(b.at, a.at, -1))
    const normal = unit(add(normals[i]!, normals[i + 1]!))
    return {
      depth: (a.at[2] + b.at[2]) / 2 + nearer,
      inside: normal[2] < 0,
      fabric,
      from,
      to: run,
      cut,
      width: Math.hypot(...a.half) + Math.hypot(...b.half),
      corners: [flat(add(a.at, a.half)), flat(add(b.at, b.half)), flat(add(b.at, b.half, -1)), flat(add(a.at, a.half, -1))],
      shades: [shade(normals[i]!), shade(normals[i + 1]!)],
      last: i === ribs.length - 2,
    }
  })
}

const mix = (a: XY, b: XY, u: number): XY => [a[0] + (b[0] - a[0]) * u, a[1] + (b[1] - a[1]) * u]

function paintFacet(pen: Pen, facet: Facet): void {
  const {
    corners: [a, b, c, d],
    fabric,
    shades,
    inside,
  } = facet
  /** A point of the facet: `u` along, `v` across, both 0 to 1. */
  const at = (u: number, v: number): XY => mix(mix(a, b, u), mix(d, c, u), v)
  const tint = (of: Tone, u: number): string =>
    css(lighter({ ...of, c: of.c * (inside ? 0.86 : 1) }, (inside ? INSIDE : 0) + shades[0] + (shades[1] - shades[0]) * u))
  const paint = (of: Tone): Parameters<Pen['shape']>[1] => {
    const [from, to] = [at(0, 0.5), at(1, 0.5)]
    if (Math.hypot(to[0] - from[0], to[1] - from[1]) < 0.05) return tint(of, 0.5)
    return {
      kind: 'linear',
      from,
      to,
      stops: [
        [0, tint(of, 0)],
        [1, tint(of, 1)],
      ],
    }
  }
  const outline = facet.last
    ? ended(at, facet.cut, facet.width / Math.max(1e-6, facet.to - facet.from))
    : [at(-0.04, 0), at(1.06, 0), at(1.06, 1), at(-0.04, 1)]
  const see = fabric.opacity
  pen.shape(outline, paint(fabric.tone), see)
  if (facet.last && facet.cut !== 'straight') return
  pattern(pen, facet, at, paint)
  const edge = lighter(fabric.tone, 0.1)
  if (fabric.finish !== 'burlap' && fabric.finish !== 'mesh')
    pen.strokes(
      [
        [at(0, 0.035), at(1, 0.035)],
        [at(0, 0.965), at(1, 0.965)],
      ],
      Math.max(0.15, facet.width * 0.022),
      tint(edge, 0.5),
      0.75,
    )
}

/** The end of a strip: cut straight, on a slant, or to two points. @param steep width of the strip over the length of its last piece */
function ended(at: (u: number, v: number) => XY, cut: NonNullable<Strip['cut']>, steep: number): XY[] {
  if (cut === 'slant') return [at(-0.04, 0), at(1 + steep * 0.35, 0), at(1 - steep * 0.15, 1), at(-0.04, 1)]
  if (cut === 'v') return [at(-0.04, 0), at(1 + steep * 0.3, 0), at(1 - steep * 0.12, 0.5), at(1 + steep * 0.3, 1), at(-0.04, 1)]
  return [at(-0.04, 0), at(1, 0), at(1, 1), at(-0.04, 1)]
}

/** How many squares of a check, and dots of a print, go across. */
const CHECKS = 6

/** A facet of patterned cloth on its way to be painted. */
interface Weave extends Pick<Facet, 'width' | 'inside'> {
  readonly pen: Pen
  readonly tone: Tone
  readonly second: Tone
  /** How long it is, mm. */
  readonly long: number
  /** A place on it, by shares of its length and width. */
  readonly at: (u: number, v: number) => XY
  readonly paint: (of: Tone) => Parameters<Pen['shape']>[1]
  /** A band along it. */
  readonly band: (v0: number, v1: number) => XY[]
  /** Where marks that come every so far along the strip fall within it, as shares of its length. */
  readonly every: (pitch: number, shift?: number) => number[]
}

const STRIPES = [
  [0.1, 0.2],
  [0.3, 0.36],
  [0.42, 0.58],
  [0.64, 0.7],
  [0.8, 0.9],
] as const

function stripe({ pen, second, inside, band, paint }: Weave): void {
  for (const [v0, v1] of STRIPES) pen.shape(band(v0, v1), paint(second), inside ? 0.7 : 0.95)
}

function check({ pen, second, width, long, at, band, every, paint }: Weave): void {
  for (let i = 0; i < CHECKS; i += 2) pen.shape(band(i / CHECKS, (i + 1) / CHECKS), paint(second), 0.62)
  const pitch = (2 * width) / CHECKS
  const squares = [...every(pitch), ...every(pitch, -pitch)]
    .map((u) => [Math.max(0, u), Math.min(1.02, u + pitch / 2 / long)] as const)
    .filter(([u0, u1]) => u1 > u0 && u0 <= 1)
  for (const [u0, u1] of squares.slice(0, 12)) pen.shape([at(u0, 0), at(u1, 0), at(u1, 1), at(u0, 1)], paint(second), 0.5)
}

function print({ pen, second, width, inside, at, every }: Weave): void {
  const pitch = width / 2.6
  const r = width * 0.075
  const centres = [
    [0, [0.2, 0.62]],
    [pitch / 2, [0.4, 0.82]],
  ] as const
  pen.dots(
    centres.flatMap(([shift, vs]) => every(pitch, shift).flatMap((u) => vs.map((v) => [...at(u, v), r] as const))),
    css(lighter(second, inside ? INSIDE : 0)),
    inside ? 0.5 : 0.95,
  )
}

/** So many threads are drawn across at most. */
const THREADS = 40

function burlap({ pen, tone, second, width, at, every }: Weave): void {
  const n = 9
  pen.strokes(
    Array.from({ length: n }, (_, i): readonly [XY, XY] => [at(0, (i + 0.5) / n), at(1, (i + 0.5) / n)]),
    width * 0.03,
    css(lighter(second, -0.04)),
    0.5,
  )
  pen.strokes(
    every(width / n)
      .slice(0, THREADS)
      .map((u): readonly [XY, XY] => [at(u, 0.02), at(u, 0.98)]),
    width * 0.034,
    css(lighter(tone, 0.09)),
    0.55,
  )
}

function mesh({ pen, tone, second, width, at, every }: Weave): void {
  const n = 7
  const fine = Math.max(0.15, width * 0.009)
  pen.strokes(
    Array.from({ length: n + 1 }, (_, i): readonly [XY, XY] => [at(0, i / n), at(1, i / n)]),
    fine,
    css(lighter(tone, 0.06)),
    0.75,
  )
  pen.strokes(
    every(width / 11)
      .slice(0, THREADS)
      .map((u): readonly [XY, XY] => [at(u, 0), at(u, 1)]),
    fine,
    css(lighter(second, 0.02)),
    0.65,
  )
  pen.strokes(
    [
      [at(0, 0.01), at(1, 0.01)],
      [at(0, 0.99), at(1, 0.99)],
    ],
    width * 0.022,
    css(lighter(tone, -0.05)),
    0.9,
  )
}

/** Grosgrain: fine ribs across. */
function grosgrain({ pen, tone, width, inside, at, every }: Weave): void {
  pen.strokes(
    every(Math.max(0.7, width / 26))
      .slice(0, 30)
      .map((u): readonly [XY, XY] => [at(u, 0.05), at(u, 0.95)]),
    width * 0.012,
    css(lighter(tone, inside ? -0.12 : -0.05)),
    0.28,
  )
}

/** What each finish has on it; satin and velvet are smooth. */
const WEAVES: Record<Finish, ((weave: Weave) => void) | null> = {
  stripe,
  check,
  print,
  burlap,
  mesh,
  plain: grosgrain,
  satin: null,
  velvet: null,
}

function pattern(pen: Pen, { fabric, from, to, width, inside }: Facet, at: Weave['at'], paint: Weave['paint']): void {
  const { finish, second, tone } = fabric
  const long = Math.max(1e-6, to - from)
  WEAVES[finish]?.({
    pen,
    tone,
    second,
    width,
    inside,
    long,
    at,
    paint,
    band: (v0, v1) => [at(-0.03, v0), at(1.03, v0), at(1.03, v1), at(-0.03, v1)],
    every(pitch, shift = 0) {
      const first = Math.ceil((from - shift) / pitch)
      const n = Math.max(0, Math.floor((to - shift) / pitch) - first + 1)
      return Array.from({ length: n }, (_, i) => ((first + i) * pitch + shift - from) / long).filter((u) => u < 1)
    },
  })
}

const ease = (u: number): number => {
  const v = clamp(u, 0, 1)
  return v * v * (3 - 2 * v)
}

/** How narrow cloth is where it is tied, as a share of its width. */
const PINCH = 0.3

/** A loop or a tail of ribbon: how long and wide it is. */
interface RibbonForm {
  /** Which way it points, degrees clockwise from right. */
  readonly angle: number
  readonly length: number
  readonly width: number
  /** In how many steps it is drawn. */
  readonly steps?: number
}
export interface LoopForm extends RibbonForm {
  /** How far it gapes, share of its length. */
  readonly open: number
  /** How far it is turned so that one looks into it, degrees. */
  readonly tilt: number
}
export interface TailForm extends RibbonForm {
  readonly waves: number
  /** Whether it is tied at its upper end. */
  readonly pinched: boolean
  /** How it turns over its length, degrees. */
  readonly twist?: number
}

/** A loop of ribbon from its tie out and back. */
export function loopRibs({ angle, length, width, open, tilt, steps = 22 }: LoopForm): Rib[] {
  const a = radians(angle)
  const out: Point3 = [Math.cos(a), Math.sin(a), 0.16]
  const sideways: Point3 = [-Math.sin(a), Math.cos(a), 0]
  const t = radians(tilt)
  const up: Point3 = unit([sideways[0] * Math.sin(t), sideways[1] * Math.sin(t), Math.cos(t)])
  const across = unit(cross(unit(out), up))
  return Array.from({ length: steps + 1 }, (_, i): Rib => {
    const u = i / steps
    const along = length * Math.sin(Math.PI * u) ** 0.86
    const height = open * length * 0.5 * Math.sin(2 * Math.PI * u) * (0.5 + 0.5 * Math.sin(Math.PI * u))
    const half = (width / 2) * (PINCH + (1 - PINCH) * ease(Math.sin(Math.PI * u) * 1.5))
    return { at: add(add([0, 0, 0], out, along), up, height), half: [across[0] * half, across[1] * half, across[2] * half] }
  })
}

/** A tail from its tie down, with a slow wave. */
export function tailRibs({ angle, length, width, waves, pinched, twist = 30, steps = 18 }: TailForm): Rib[] {
  const a = radians(angle)
  const [dx, dy] = [Math.cos(a), Math.sin(a)]
  return Array.from({ length: steps + 1 }, (_, i): Rib => {
    const u = i / steps
    const sway = Math.sin(u * waves * 2 * Math.PI)
    const t = radians(twist * Math.sin(u * Math.PI * 1.4))
    const half = (width / 2) * (pinched ? PINCH + (1 - PINCH) * ease(u * 4) : 1)
    return {
      at: [dx * u * length - dy * sway * width * 0.16, dy * u * length + dx * sway * width * 0.16, width * 0.5 * sway - width * 0.4],
      half: [-dy * half * Math.cos(t), dx * half * Math.cos(t), half * Math.sin(t)],
    }
  })
}
