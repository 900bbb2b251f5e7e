import type { Base } from '../base'
import type { Random } from '../measure'
import { radians, random, seedOf } from '../measure'
import { css, jitter, lighter, tone } from './colour'
import type { Tone } from './colour'
import type { Glyph, XY } from './marks'
import { Pen } from './pen'

/** The bare base, its centre at the origin. */
export function baseGlyph(base: Base): Glyph {
  const pen = new Pen(random(seedOf(base.kind, base.outer, base.inner)))
  const draw = { 'grapevine': grapevine, 'wire-ring': wireRing, 'hoop': hoop, 'straw': straw }[base.kind]
  draw(pen, base, pen.random)
  return pen.glyph()
}

/**
 * What of the base crosses over a stem's foot, so that it reads as tucked in: strands of vine, a wrap of wire
 * or the bow of a pin.
 * @param at where the stem is held, mm
 */
export function tuckGlyph(base: Base, at: { x: number, y: number }, bearing: number, seed: number): Glyph {
  const pen = new Pen(random(seed))
  const reach = Math.hypot(at.x, at.y)
  const angle = Math.atan2(at.y, at.x)
  const of = tone(base.colour)
  if (base.kind === 'grapevine') {
    for (const step of [-3.4, 0.2, 3.1]) {
      const half = pen.random.between(11, 19) / Math.max(20, reach)
      strand(pen, arc(reach + step + pen.random.spread(1), angle - half, angle + half, pen.random.between(-1.5, 1.5)), pen.random.between(2.6, 3.8), jitter(of, pen.random))
    }
  }
  else {
    const wire = base.kind === 'straw' ? tone('#8f8f8a') : base.kind === 'hoop' ? tone('#7b7a70') : lighter(of, 0.1)
    const across = radians(bearing + 90)
    for (const along of base.kind === 'straw' ? [0] : [-1.4, 1.2]) {
      const c = { x: at.x + Math.cos(radians(bearing)) * along, y: at.y + Math.sin(radians(bearing)) * along }
      const size = 3.2
      pen.line([[c.x - Math.cos(across) * size, c.y - Math.sin(across) * size], [c.x, c.y], [c.x + Math.cos(across) * size, c.y + Math.sin(across) * size]], 0.8, css(wire), 0.9)
    }
  }
  return pen.glyph()
}

const TURN = 2 * Math.PI

/** Points of an arc about the origin whose radius drifts by `drift` from end to end. */
function arc(radius: number, from: number, to: number, drift = 0, steps = 5): XY[] {
  return Array.from({ length: steps + 1 }, (_, i): XY => {
    const a = from + ((to - from) * i) / steps
    const r = radius + drift * (i / steps - 0.5)
    return [Math.cos(a) * r, Math.sin(a) * r]
  })
}

/** One vine: its shadow on the others, dark edge, body and a lit side. */
function strand(pen: Pen, points: readonly XY[], width: number, of: Tone): void {
  const [lx, ly] = pen.light
  const shifted = (by: number): XY[] => points.map(([x, y]) => [x + lx * width * by, y + ly * width * by])
  pen.line(shifted(-0.55), width * 1.1, '#140d18', 0.28)
  pen.line(points, width, css(lighter(of, -0.09)))
  pen.line(shifted(0.1), width * 0.62, css(of))
  pen.line(shifted(0.24), width * 0.2, css(lighter(of, 0.13)), 0.8)
}

function grapevine(pen: Pen, { outer, inner, colour }: Base, seeds: Random): void {
  const of = tone(colour)
  const middle = (outer + inner) / 4
  const half = (outer - inner) / 4
  const vines = Math.round(Math.min(70, 26 + half * 1.1))
  for (let i = 0; i < vines; i++) {
    const from = seeds.between(0, TURN)
    const turn = seeds.between(0.6, 1.15) * TURN
    const lane = ((i + 0.5) / vines) * 2 - 1
    const home = middle + half * 0.92 * Math.sin(lane * Math.PI * 0.5) * (i % 2 ? 1 : -1)
    const waves = 1 + seeds.below(3)
    const phase = seeds.between(0, TURN)
    const sway = half * seeds.between(0.12, 0.42)
    const steps = Math.round(26 * (turn / TURN))
    const stray = seeds.next() < 0.16
    const points = Array.from({ length: steps + 1 }, (_, k): XY => {
      const u = k / steps
      const a = from + turn * u
      const loose = stray && u > 0.86 ? (u - 0.86) * half * 5 : 0
      const r = Math.min(middle + half * 1.04, Math.max(middle - half * 1.04, home + sway * Math.sin(waves * a + phase))) + loose
      return [Math.cos(a) * r, Math.sin(a) * r]
    })
    const depth = 1 - Math.abs(lane)
    strand(pen, points, seeds.between(2.4, 4.4) * Math.min(1.3, 0.7 + half / 70), jitter(lighter(of, -0.05 + 0.07 * depth * seeds.next()), seeds, 1.3))
  }
  for (let i = 0; i < 7; i++) wrap(pen, middle, half, (i / 7) * TURN + seeds.spread(0.25), jitter(of, seeds), seeds)
}

/** A vine that binds the others: a short slanting turn over the face. */
function wrap(pen: Pen, middle: number, half: number, at: number, of: Tone, seeds: Random): void {
  const slant = (half * seeds.between(0.7, 1.3)) / middle
  const points = Array.from({ length: 7 }, (_, k): XY => {
    const u = k / 6
    const r = middle + half * 1.04 * Math.cos(Math.PI * u)
    const a = at + slant * (u - 0.5) * 2
    return [Math.cos(a) * r, Math.sin(a) * r]
  })
  strand(pen, points, seeds.between(2.6, 3.8), of)
}

/** A round wire: the light catches its upper edge. */
function wire(pen: Pen, points: readonly XY[], width: number, of: Tone): void {
  const [lx, ly] = pen.light
  const shifted = (by: number): XY[] => points.map(([x, y]) => [x + lx * width * by, y + ly * width * by])
  pen.line(shifted(-1), width * 1.2, '#140d18', 0.22)
  pen.line(points, width, css(lighter(of, -0.08)))
  pen.line(shifted(0.15), width * 0.5, css(lighter(of, 0.06)))
  pen.line(shifted(0.24), width * 0.2, css(lighter(of, 0.28)), 0.8)
}

function wireRing(pen: Pen, { outer, inner, colour }: Base): void {
  const of = tone(colour)
  const width = Math.max(2, Math.min(3.4, outer / 120))
  const [far, near] = [outer / 2 - width / 2, inner / 2 + width / 2]
  const ties = Math.max(8, Math.round((Math.PI * outer) / 110))
  const rings = [near, near + (far - near) * 0.3, near + (far - near) * 0.7, far]
  for (const r of [rings[1]!, rings[2]!]) wire(pen, arc(r, 0, TURN, 0, 48), width, lighter(of, -0.05))
  for (let i = 0; i < ties; i++) {
    const a = (i / ties) * TURN
    const zig = [near, rings[1]!, rings[2]!, far].map((r, k): XY => [Math.cos(a + (k % 2 ? 0.012 : 0)) * r, Math.sin(a + (k % 2 ? 0.012 : 0)) * r])
    wire(pen, zig, width * 0.95, of)
  }
  for (const r of [near, far]) wire(pen, arc(r, 0, TURN, 0, 48), width, of)
}

function hoop(pen: Pen, { outer, inner, colour }: Base): void {
  const of = tone(colour)
  const middle = (outer + inner) / 4
  const thick = (outer - inner) / 2
  const [lx, ly] = pen.light
  const ring = (dx: number, dy: number) => arc(middle, 0, TURN, 0, 64).map(([x, y]): XY => [x + dx, y + dy])
  pen.line(ring(-lx * thick * 0.9, -ly * thick * 0.9), thick, '#140d18', 0.3)
  pen.line(ring(0, 0), thick, css(lighter(of, -0.16)))
  const pieces = 96
  for (let i = 0; i < pieces; i++) {
    const a = (i / pieces) * TURN
    const facing = Math.cos(a) * lx + Math.sin(a) * ly
    const shine = 0.05 + 0.1 * facing + 0.13 * Math.max(0, Math.cos(2 * (a - Math.atan2(ly, lx)))) ** 6
    pen.line(arc(middle, a, a + (TURN / pieces) * 1.1, 0, 2), thick * 0.74, css(lighter(of, shine)))
  }
  pen.line(ring(lx * thick * 0.16, ly * thick * 0.16), thick * 0.14, css(lighter(of, 0.24)), 0.65)
}

function straw(pen: Pen, { outer, inner, colour }: Base, seeds: Random): void {
  const of = tone(colour)
  const middle = (outer + inner) / 4
  const half = (outer - inner) / 4
  const [lx, ly] = pen.light
  const disc = arc(middle, 0, TURN, 0, 64)
  pen.line(disc.map(([x, y]): XY => [x - lx * half * 0.3, y - ly * half * 0.3]), half * 2, '#140d18', 0.28)
  for (const [width, shade] of [[2, -0.24], [1.8, -0.13], [1.5, -0.05], [1.05, 0.01]] as const) pen.line(disc, half * width, css(lighter(of, shade)))
  const tones = [-0.16, -0.08, 0, 0.06, 0.12, 0.18]
  const rows = tones.map((): (readonly [XY, XY])[] => [])
  const count = Math.round(middle * half * 0.16)
  for (let i = 0; i < count; i++) {
    const a = seeds.between(0, TURN)
    const v = seeds.spread(0.97)
    const reach = seeds.between(9, 26)
    const r = middle + half * v
    const slope = seeds.spread(0.22)
    const b = a + reach / r
    const facing = (Math.cos(a) * lx + Math.sin(a) * ly) * v
    const row = Math.min(tones.length - 1, Math.max(0, Math.round(2.4 + facing * 1.8 - Math.abs(v) * 1.6 + seeds.spread(1.6))))
    rows[row]!.push([[Math.cos(a) * r, Math.sin(a) * r], [Math.cos(b) * (r + reach * slope), Math.sin(b) * (r + reach * slope)]])
  }
  rows.forEach((row, i) => pen.strokes(row, 1, css(lighter(of, tones[i]!)), 0.85))
  const twine = tone('#a98d5a')
  const turns = Math.max(12, Math.round((TURN * middle) / 24))
  for (let i = 0; i < turns; i++) {
    const at = (i / turns) * TURN
    const points = Array.from({ length: 6 }, (_, k): XY => {
      const u = k / 5
      const r = middle + half * Math.cos(Math.PI * u)
      const a = at + (u - 0.5) * (14 / middle)
      return [Math.cos(a) * r, Math.sin(a) * r]
    })
    pen.line(points.map(([x, y]): XY => [x - lx, y - ly]), 1.2, '#140d18', 0.22)
    pen.line(points, 1, css(lighter(twine, 0.02)))
  }
  pen.line(arc(middle + half * 0.45, radians(-165), radians(-75), 0, 12), half * 0.18, '#ffffff', 0.13)
}
