import type { Base, Body, Run } from '../base'
import { across, BASE_SORTS, boundsOf, stationAt } from '../base'
import type { Bounds, Random } from '../measure'
import { clamp, degrees, radians, random, seedOf } from '../measure'
import type { Tone } from './colour'
import { blend, css, jitter, lighter, tone } from './colour'
import { twig } from './parts/shoots'
import { sphere } from './parts/spheres'
import type { Glyph, XY } from './vector-marks'
import type { DrawingSheet } from './vector-pen'
import { drawing, MarkSheet, Pen, SHADE } from './vector-pen'

/** How each body is drawn along one run. */
const BODIES: Record<Body, (pen: Pen, run: Run, of: Tone, seeds: Random) => void> = {
  vine,
  twisted,
  wire: flatWire,
  box: boxWire,
  clamps,
  straw,
  foam,
  hoop,
  beads,
  evergreen,
  rod,
  trees,
  bound,
  rope,
}

/** The bare base, its middle at the origin. */
export function baseGlyph(base: Base, runs: readonly Run[]): Glyph {
  const sheet = new MarkSheet()
  const bounds = putBase(base, runs, sheet)
  return { marks: sheet.marks, bounds }
}

/** Draws the bare base on a sheet. @param turned how far it will be turned on the drawing, degrees clockwise @returns its tight bounds, mm */
export function putBase(base: Base, runs: readonly Run[], sheet: DrawingSheet, turned = 0): Bounds {
  const pen = new Pen(random(seedOf(base.kind, JSON.stringify(base.shape))), { sheet, turned })
  const draw = BODIES[BASE_SORTS[base.kind].body]
  for (const run of runs) draw(pen, run, tone(base.colour), pen.random)
  return pen.bounds
}

/** How far a bare base may reach beyond its faces on the drawing: tips and stray strands, mm and share of half a face. */
const OVER = { least: 30, share: 0.9 } as const

export function baseBounds(runs: readonly Run[]): Bounds {
  const { left, top, right, bottom } = boundsOf(runs)
  const over = OVER.least + OVER.share * Math.max(...runs.map(halfOf))
  return { left: left - over, top: top - over, right: right + over, bottom: bottom + over }
}

const TUCK_TWINS = 5
/** Tucks with the same twin look the same. */
export const tuckTwin = (seed: number): number => Math.abs(seed) % TUCK_TWINS

/**
 * What of the base crosses over a stem's foot, so that it reads as tucked in: strands of vine, tips, a wrap of wire
 * or the bow of a pin.
 * @param at where the stem is held, mm @param along which way the run goes there @param bearing which way the stem points, degrees
 */
export function tuckGlyph(base: Base, at: { x: number; y: number }, along: number, bearing: number, seed: number): Glyph {
  const { pen, glyph } = drawing(random(tuckTwin(seed) * 31 + 5))
  const { body } = BASE_SORTS[base.kind]
  const of = tone(base.colour)
  const line = (off: number, half: number, bow: number): XY[] => {
    const [cos, sin] = [Math.cos(radians(along)), Math.sin(radians(along))]
    return [-1, -0.4, 0.4, 1].map((u): XY => {
      const v = off + bow * (1 - u * u)
      return [at.x + cos * u * half - sin * v, at.y + sin * u * half + cos * v]
    })
  }
  if (body === 'vine' || body === 'twisted') {
    for (const off of [-3.4, 0.2, 3.1])
      strand(
        pen,
        line(off + pen.random.spread(1), pen.random.between(11, 19), pen.random.between(-1.5, 1.5)),
        pen.random.between(2.6, 3.8),
        jitter(of, pen.random),
      )
  } else if (body === 'evergreen' || body === 'trees' || body === 'rope') {
    tuft(pen, { x: at.x, y: at.y, angle: along + pen.random.spread(50) }, 22, of, pen.random)
  } else if (body !== 'bound') {
    const wire = body === 'straw' || body === 'foam' ? tone('#8f8f8a') : body === 'hoop' ? tone('#7b7a70') : lighter(of, 0.1)
    const over = radians(bearing + 90)
    for (const along of body === 'straw' || body === 'foam' ? [0] : [-1.4, 1.2]) {
      const c = { x: at.x + Math.cos(radians(bearing)) * along, y: at.y + Math.sin(radians(bearing)) * along }
      pen.line(
        [
          [c.x - Math.cos(over) * 3.2, c.y - Math.sin(over) * 3.2],
          [c.x, c.y],
          [c.x + Math.cos(over) * 3.2, c.y + Math.sin(over) * 3.2],
        ],
        0.8,
        css(wire),
        0.9,
      )
    }
  }
  return glyph()
}

const on = (run: Run, s: number, t: number): XY => {
  const { x, y } = across(stationAt(run, s), t)
  return [x, y]
}

/** Points along a run from one distance to another (which may pass its start), `t` across the face by the share of the way. */
function lane(run: Run, from: number, to: number, t: (u: number) => number, every = 14): XY[] {
  const steps = Math.max(2, Math.min(160, Math.ceil(Math.abs(to - from) / every)))
  return Array.from({ length: steps + 1 }, (_, i) => {
    const u = i / steps
    return on(run, from + (to - from) * u, t(u))
  })
}

/** All the way along, once. */
const whole = (run: Run, t: number, every?: number): XY[] => lane(run, 0, run.closed ? run.length : run.length - 1e-6, () => t, every)

const shifted = (points: readonly XY[], [lx, ly]: XY, by: number): XY[] => points.map(([x, y]) => [x + lx * by, y + ly * by])

/** One vine: its shadow on the others, dark edge, body and a lit side. */
function strand(pen: Pen, points: readonly XY[], width: number, of: Tone): void {
  pen.line(shifted(points, pen.light, -0.55 * width), width * 1.1, SHADE, 0.28)
  pen.line(points, width, css(lighter(of, -0.09)))
  pen.line(shifted(points, pen.light, 0.1 * width), width * 0.62, css(of))
  pen.line(shifted(points, pen.light, 0.24 * width), width * 0.2, css(lighter(of, 0.13)), 0.8)
}

/** A round wire: the light catches its upper edge. */
function wire(pen: Pen, points: readonly XY[], width: number, of: Tone): void {
  pen.line(shifted(points, pen.light, -width), width * 1.2, SHADE, 0.22)
  pen.line(points, width, css(lighter(of, -0.08)))
  pen.line(shifted(points, pen.light, 0.15 * width), width * 0.5, css(lighter(of, 0.06)))
  pen.line(shifted(points, pen.light, 0.24 * width), width * 0.2, css(lighter(of, 0.28)), 0.8)
}

const halfOf = (run: Run): number => stationAt(run, run.length / 3).half

function strands(pen: Pen, run: Run, of: Tone, seeds: Random, count: number, widths: readonly [number, number], wandering = 1): void {
  const half = halfOf(run)
  for (let i = 0; i < count; i++) {
    const share = ((i + 0.5) / count) * 2 - 1
    const home = 0.92 * Math.sin(share * Math.PI * 0.5) * (i % 2 ? 1 : -1)
    const from = seeds.between(0, run.length)
    const to = from + seeds.between(0.6, 1.15) * run.length
    const waves = 1 + seeds.below(3)
    const phase = seeds.between(0, 2 * Math.PI)
    const sway = seeds.between(0.12, 0.42) * wandering
    const stray = seeds.next() < 0.16
    const points = lane(
      run,
      run.closed ? from : 0,
      run.closed ? to : run.length,
      (u) => {
        const s = from + (to - from) * u
        const loose = stray && u > 0.86 ? (u - 0.86) * 5 : 0
        return clamp(home + sway * Math.sin((2 * Math.PI * waves * s) / run.length + phase), -1.04, 1.04) + loose
      },
      22,
    )
    const depth = 1 - Math.abs(share)
    strand(
      pen,
      points,
      seeds.between(...widths) * Math.min(1.3, 0.7 + half / 70),
      jitter(lighter(of, -0.06 + 0.16 * depth * seeds.next()), seeds, 1.5),
    )
  }
}

/** A strand that binds the others: a short slanting turn over the face. */
function wrap(pen: Pen, run: Run, at: number, slant: number, width: number, of: Tone): void {
  strand(
    pen,
    Array.from({ length: 7 }, (_, k): XY => {
      const u = k / 6
      return on(run, at + slant * (u - 0.5) * 2, 1.04 * Math.cos(Math.PI * u))
    }),
    width,
    of,
  )
}

/** A tendril that curls off one edge. */
function tendril(pen: Pen, run: Run, at: number, side: 1 | -1, of: Tone): void {
  const { x, y, tx, ty, nx, ny, half } = stationAt(run, ((at % run.length) + run.length) % run.length)
  const size = Math.min(26, half * 0.7) * pen.random.between(0.7, 1.1)
  const points = Array.from({ length: 16 }, (_, i): XY => {
    const u = i / 15
    const turn = u * 2.1 * 2 * Math.PI
    const reach = size * (1 - u * 0.82) * 0.42
    const out = half * 0.86 + size * u * 0.9
    const [a, b] = [size * u * 0.7 + Math.sin(turn) * reach, side * (out + (1 - Math.cos(turn)) * reach * 0.5)]
    return [x + tx * a + nx * b, y + ty * a + ny * b]
  })
  strand(pen, points, 1.3, of)
}

function vine(pen: Pen, run: Run, of: Tone, seeds: Random): void {
  const half = halfOf(run)
  strands(pen, run, of, seeds, Math.round(Math.min(60, 20 + half * 0.85)), [2.4, 5.6])
  for (let i = 0; i < 6; i++) tendril(pen, run, ((i + seeds.next()) / 6) * run.length, i % 2 ? 1 : -1, jitter(lighter(of, 0.06), seeds))
  for (let i = 0; i < 7; i++)
    wrap(pen, run, (i / 7 + seeds.spread(0.04)) * run.length, half * seeds.between(0.7, 1.3), seeds.between(2.6, 3.8), jitter(of, seeds))
}

function twisted(pen: Pen, run: Run, of: Tone, seeds: Random): void {
  const half = halfOf(run)
  strands(pen, run, lighter(of, 0.07), seeds, 9, [half * 0.24, half * 0.34], 0.5)
  strands(pen, run, blend(of, tone('#4d3a2a'), 0.5), seeds, 14, [2, 3.4])
  const turns = Math.round(run.length / (half * 2.2))
  for (let i = 0; i < turns; i++)
    wrap(pen, run, (i / turns) * run.length, half * 1.1, seeds.between(2.6, 4.2), jitter(blend(of, tone('#4d3a2a'), 0.4), seeds))
}

const wireWidth = (run: Run): number => Math.max(1.8, Math.min(3.4, halfOf(run) / 9))

function crossTies(pen: Pen, run: Run, of: Tone, every: number, ts: readonly number[]): void {
  const n = Math.max(4, Math.round(run.length / every))
  for (let i = 0; i < n; i++)
    wire(
      pen,
      ts.map((t, k) => on(run, (i / n) * run.length + (k % 2 ? 2 : 0), t)),
      wireWidth(run) * 0.95,
      of,
    )
}

function flatWire(pen: Pen, run: Run, of: Tone): void {
  const width = wireWidth(run)
  for (const t of [-0.38, 0.38]) wire(pen, whole(run, t), width, lighter(of, -0.05))
  crossTies(pen, run, of, 110, [-0.95, -0.38, 0.38, 0.95])
  for (const t of [-0.95, 0.95]) wire(pen, whole(run, t), width, of)
}

function boxWire(pen: Pen, run: Run, of: Tone): void {
  const width = wireWidth(run)
  for (const t of [-0.62, 0.62]) wire(pen, whole(run, t), width, lighter(of, -0.14))
  crossTies(pen, run, lighter(of, -0.08), 56, [-0.95, 0.62])
  crossTies(pen, run, lighter(of, -0.04), 56, [0.95, -0.62])
  for (const t of [-0.95, 0.95]) wire(pen, whole(run, t), width * 1.1, of)
}

function clamps(pen: Pen, run: Run, of: Tone): void {
  const width = wireWidth(run)
  for (const t of [-0.5, 0.5]) wire(pen, whole(run, t), width * 1.2, of)
  const n = Math.max(6, Math.round(run.length / 58))
  for (let i = 0; i < n; i++) {
    const s = (i / n) * run.length
    for (const side of [-5, 5])
      wire(
        pen,
        [on(run, s + side, -0.5), on(run, s + side * 0.7, 0.3), on(run, s + side * 0.7, 0.9), on(run, s + side * 1.3, 1.05)],
        width * 0.8,
        lighter(of, 0.06),
      )
  }
}

function tube(pen: Pen, run: Run, of: Tone, rows: readonly (readonly [width: number, shade: number])[]): void {
  const half = halfOf(run)
  const middle = whole(run, 0, 8)
  pen.line(shifted(middle, pen.light, -0.3 * half), half * 2, SHADE, 0.28)
  for (const [width, shade] of rows) pen.line(middle, half * width, css(lighter(of, shade)))
}

function straw(pen: Pen, run: Run, of: Tone, seeds: Random): void {
  const half = halfOf(run)
  const [lx, ly] = pen.light
  tube(pen, run, of, [
    [2, -0.17],
    [1.8, -0.11],
    [1.5, -0.05],
    [1.05, 0.01],
  ])
  const loose = Array.from({ length: Math.round(run.length / 9) }, (): readonly [XY, XY] => {
    const s = seeds.between(0, run.length)
    const side = seeds.next() < 0.5 ? -1 : 1
    return [on(run, s, side * 0.94), on(run, s + seeds.between(6, 20), side * seeds.between(0.98, 1.12))]
  })
  pen.strokes(loose, 0.9, css(lighter(of, -0.04)), 0.9)
  const tones = [-0.16, -0.08, 0, 0.06, 0.12, 0.18]
  const rows = tones.map((): (readonly [XY, XY])[] => [])
  const count = Math.round(run.length * half * 0.026)
  for (let i = 0; i < count; i++) {
    const s = seeds.between(0, run.length)
    const t = seeds.spread(0.97)
    const reach = seeds.between(9, 26)
    const { nx, ny } = stationAt(run, s)
    const facing = (nx * lx + ny * ly) * t
    const row = Math.min(tones.length - 1, Math.max(0, Math.round(2.4 + facing * 1.8 - Math.abs(t) * 1.6 + seeds.spread(1.6))))
    rows[row]!.push([on(run, s, t), on(run, s + reach, Math.max(-1, Math.min(1, t + (reach * seeds.spread(0.22)) / half)))])
  }
  rows.forEach((row, i) => pen.strokes(row, 1, css(lighter(of, tones[i]!)), 0.85))
  const turns = Math.max(12, Math.round(run.length / 24))
  for (let i = 0; i < turns; i++) {
    const points = Array.from({ length: 6 }, (_, k) => on(run, (i / turns) * run.length + (k / 5 - 0.5) * 14, Math.cos((Math.PI * k) / 5)))
    pen.line(shifted(points, pen.light, -1), 1.2, SHADE, 0.22)
    pen.line(points, 1, css(lighter(tone('#a98d5a'), 0.02)))
  }
  if (run.closed)
    pen.line(
      lane(run, run.length * 0.79, run.length * 1.04, () => 0.45),
      half * 0.18,
      '#ffffff',
      0.13,
    )
}

function foam(pen: Pen, run: Run, of: Tone, seeds: Random): void {
  const half = halfOf(run)
  tube(pen, run, of, [
    [2, -0.13],
    [1.7, -0.07],
    [1.35, -0.02],
    [0.9, 0.015],
  ])
  const specks = Math.round(run.length * half * 0.012)
  const dark: (readonly [XY, XY])[] = []
  for (let i = 0; i < specks; i++) {
    const [s, t] = [seeds.between(0, run.length), seeds.spread(0.9)]
    dark.push([on(run, s, t), on(run, s + 1.2, t)])
  }
  pen.strokes(dark, 1.1, css(lighter(of, -0.1)), 0.5)
}

function hoop(pen: Pen, run: Run, of: Tone): void {
  const thick = halfOf(run) * 2
  const [lx, ly] = pen.light
  const middle = whole(run, 0, 6)
  pen.line(shifted(middle, pen.light, -thick * 0.9), thick, SHADE, 0.3)
  pen.line(middle, thick, css(lighter(of, -0.16)))
  const pieces = 96
  for (let i = 0; i < pieces; i++) {
    const { nx, ny } = stationAt(run, (i / pieces) * run.length)
    const facing = nx * lx + ny * ly
    const shine = 0.05 + 0.1 * facing + 0.13 * Math.max(0, 2 * facing * facing - 1) ** 6
    pen.line(
      lane(run, (i / pieces) * run.length, ((i + 1.1) / pieces) * run.length, () => 0),
      thick * 0.74,
      css(lighter(of, shine)),
    )
  }
  pen.line(shifted(middle, pen.light, thick * 0.16), thick * 0.14, css(lighter(of, 0.24)), 0.65)
}

function beads(pen: Pen, run: Run, of: Tone, seeds: Random): void {
  const half = halfOf(run)
  const n = Math.max(1, Math.floor(run.length / (2 * half)))
  wire(pen, whole(run, 0), 1.6, tone('#8c8e8c'))
  for (let i = 0; i < n; i++) {
    const { x, y, tx, ty } = stationAt(run, ((i + 0.5) / n) * run.length)
    sphere(pen, x, y, half * 0.99, jitter(of, seeds, 0.6))
    pen.line(
      [
        [x - tx * half * 0.9 - ty * half * 0.2, y - ty * half * 0.9 + tx * half * 0.2],
        [x - tx * half * 0.9, y - ty * half * 0.9],
        [x - tx * half * 0.9 + ty * half * 0.2, y - ty * half * 0.9 - tx * half * 0.2],
      ],
      0.8,
      css(lighter(of, -0.2)),
      0.7,
    )
  }
}

/** A tip of needles: strokes in three greens off a brown twig. */
function tuft(pen: Pen, { x, y, angle }: { x: number; y: number; angle: number }, length: number, of: Tone, seeds: Random): void {
  const [cos, sin] = [Math.cos(radians(angle)), Math.sin(radians(angle))]
  const at = (u: number, v: number): XY => [x + cos * u - sin * v, y + sin * u + cos * v]
  pen.line([at(0, 0), at(length * 0.5, 0), at(length * 0.9, 0)], 1.3, css(tone('#5c4630')))
  const rows: (readonly [XY, XY])[][] = [[], [], []]
  const n = Math.max(9, Math.round(length / 2.1))
  for (let i = 0; i < n; i++) {
    const u = (i / n) * length * 0.94
    const reach = length * 0.3 * (1 - 0.45 * (i / n)) * seeds.between(0.85, 1.15)
    for (const side of [-1, 1]) rows[seeds.below(3)]!.push([at(u, 0), at(u + reach * 0.75, side * reach)])
  }
  pen.strokes(
    [...rows[0]!, ...rows[1]!].map(([a, b]): readonly [XY, XY] => [shifted([a], pen.light, -1.2)[0]!, shifted([b], pen.light, -1.6)[0]!]),
    1.1,
    SHADE,
    0.16,
  )
  rows.forEach((row, i) => pen.strokes(row, 0.95, css(lighter(jitter(of, seeds, 0.6), (i - 1) * 0.07 - 0.01))))
}

/** Tips that leave a core to both sides and forward, thick on the face. */
function tips(pen: Pen, run: Run, of: Tone, seeds: Random, pitch: number, reach: number): void {
  const n = Math.max(6, Math.round(run.length / pitch))
  for (let i = 0; i < n; i++) {
    const s = ((i + seeds.next() * 0.8) / n) * run.length
    const { x, y, tx, ty, half } = stationAt(run, s)
    const forward = degrees(Math.atan2(ty, tx))
    for (const side of seeds.next() < 0.5 ? [-1, 1, 0] : [1, -1]) {
      const turn = side === 0 ? seeds.spread(14) : side * seeds.between(24, 62)
      const length = half * reach * seeds.between(0.8, 1.15) * (side === 0 ? 0.8 : 1)
      tuft(pen, { x, y, angle: forward + turn }, length, jitter(lighter(of, seeds.spread(0.04)), seeds), seeds)
    }
  }
}

function evergreen(pen: Pen, run: Run, of: Tone, seeds: Random): void {
  pen.line(whole(run, 0), 3, css(tone('#4a3a2c')))
  tips(pen, run, of, seeds, 15, 1.12)
}

function rope(pen: Pen, run: Run, of: Tone, seeds: Random): void {
  pen.line(whole(run, 0), 4, css(tone('#4a3a2c')))
  tips(pen, run, of, seeds, Math.max(16, run.length / 150), 1.1)
}

function trees(pen: Pen, run: Run, of: Tone, seeds: Random): void {
  twig(pen, whole(run, 0), 7, tone('#5c4630'))
  tips(pen, run, of, seeds, 12, 1.18)
}

function bound(pen: Pen, run: Run, of: Tone, seeds: Random): void {
  for (let i = 0; i < 15; i++) {
    const t = (i / 14) * 2 - 1
    twig(
      pen,
      [on(run, 0, t * 0.2), on(run, run.length * 0.4, t * 0.6), on(run, run.length * seeds.between(0.7, 0.95), t * 0.9)],
      2,
      jitter(blend(of, tone('#6a5236'), 0.5), seeds),
    )
  }
  for (const s of [0, 4, 8]) wire(pen, [on(run, s, -0.5), on(run, s, 0), on(run, s, 0.5)], 1.6, tone('#a98d5a'))
}

function rod(pen: Pen, run: Run, of: Tone): void {
  const half = halfOf(run)
  const width = Math.max(2.2, Math.min(4.2, half * 0.8))
  if (half < 7) {
    wire(pen, whole(run, 0, 8), width, of)
    return
  }
  for (const t of [-0.85, 0.85]) wire(pen, whole(run, t, 8), width, of)
  crossTies(pen, run, of, 70, [-0.85, 0.85])
}
