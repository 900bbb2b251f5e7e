import type { Run } from './run'
import { fitted } from './bounds'
import { across, pathRun, ringRun, stationAt, turnedRun } from './run'
import type { ShapeOf } from './schema'
import type { Segment } from './segment'
import { arc, bentHeight, bezier, ellipse, line } from './segment'
import { strokesOf } from './letter-shapes'

/** The outside height of an oval: a bent ring keeps its perimeter. mm */
export const ovalHeight = ({ ring, width }: Pick<ShapeOf<'oval'>, 'ring' | 'width'>): number => bentHeight(Math.PI * ring, width)

export function ovalRuns(shape: ShapeOf<'oval'>): Run[] {
  const { width, face, ring } = shape
  const segment = ellipse((width - face) / 2, (ovalHeight(shape) - face) / 2)
  return [pathRun({ id: 'ring', name: 'oval', segments: [segment], width: face / 2, closed: true, rim: Math.PI * ring })]
}

/** Four sides with rounded corners, so that what lies on it turns with it. */
export function squareRuns({ width, height, face }: ShapeOf<'square'>): Run[] {
  const r = face * 0.6
  const x = (width - face) / 2
  const y = (height - face) / 2
  const at = (px: number, py: number) => ({ x: px, y: py })
  const segments = [
    line(at(0, -y), at(x - r, -y)),
    arc(at(x - r, -y + r), r, 0, 90),
    line(at(x, -y + r), at(x, y - r)),
    arc(at(x - r, y - r), r, 90, 90),
    line(at(x - r, y), at(-x + r, y)),
    arc(at(-x + r, y - r), r, 180, 90),
    line(at(-x, y - r), at(-x, -y + r)),
    arc(at(-x + r, -y + r), r, 270, 90),
    line(at(-x + r, -y), at(0, -y)),
  ]
  return [pathRun({ id: 'ring', name: 'frame', segments, width: face / 2, closed: true })]
}

/** Two lobes from the notch at the top round to the point at the bottom. */
export function heartRuns(shape: ShapeOf<'heart'>): Run[] {
  const { width, height, face } = shape
  return fitted(JSON.stringify(shape), width, height, (wide, high) => {
    const [w, h] = [wide / 2, high / 2]
    const notch = { x: 0, y: -h * 0.55 }
    const point = { x: 0, y: h }
    // The lobe's top lies at -h when its handles reach a third beyond it: a cubic peaks at three quarters of its handles.
    const right = [
      bezier(notch, { x: w * 0.12, y: -h * 1.13 }, { x: w, y: -h * 1.2 }, { x: w, y: -h * 0.38 }),
      bezier({ x: w, y: -h * 0.38 }, { x: w, y: h * 0.22 }, { x: w * 0.3, y: h * 0.62 }, point),
    ]
    const left = [
      bezier(point, { x: -w * 0.3, y: h * 0.62 }, { x: -w, y: h * 0.22 }, { x: -w, y: -h * 0.38 }),
      bezier({ x: -w, y: -h * 0.38 }, { x: -w, y: -h * 1.2 }, { x: -w * 0.12, y: -h * 1.13 }, notch),
    ]
    const run = pathRun({ id: 'ring', name: 'heart', segments: [...right, ...left], width: face / 2, closed: true })
    return [{ ...run, rim: heartRim(run) }]
  })
}

const RIM_STATIONS = 400

/** The outer edge of a heart, mm: at the notch the edges of both lobes cross, and what lies beyond is inside the other lobe. */
function heartRim(run: Run): number {
  const edge = Array.from({ length: RIM_STATIONS + 1 }, (_, i) =>
    across(stationAt(run, (run.length / 2) * (i / RIM_STATIONS) * (1 - 1e-9)), 1),
  ).filter(({ x }) => x >= 0)
  const along = edge.slice(1).reduce((total, b, i) => total + Math.hypot(b.x - edge[i]!.x, b.y - edge[i]!.y), 0)
  // From the crossing on the axis to the first point, and across the point at the foot.
  return 2 * (edge[0]!.x + along + edge.at(-1)!.x)
}

/** Every stroke of the letter is a run of its own. */
export function letterRuns(shape: ShapeOf<'letter'>): Run[] {
  const { letter, height, face } = shape
  return fitted(JSON.stringify(shape), null, height, (_wide, high) => {
    const strokes = strokesOf(letter, height - face, high)
    return strokes.map(({ segments, closed }, i) => {
      const id = strokes.length === 1 ? 'stroke' : `stroke-${i + 1}`
      return pathRun({
        id,
        name: strokes.length === 1 ? 'stroke' : `stroke ${i + 1}`,
        segments,
        width: face / 2,
        closed,
        reads: { kind: 'from', words: 'from the stroke’s start', start: 'the stroke’s start' },
        mirror: { run: id, reversed: false },
      })
    })
  })
}

/** Ribs from stem to foot, each a share of the full width out; the middle one is straight. */
function ribsOf(ribs: number, face: number, way: (k: number) => readonly Segment[]): Run[] {
  return Array.from({ length: ribs }, (_, i) => {
    const k = (2 * (i + 1)) / (ribs + 1) - 1
    return pathRun({
      id: `rib-${i + 1}`,
      name: `rib ${i + 1}`,
      width: face / 2,
      outer: k < 0 ? 'right' : 'left',
      segments: way(Math.abs(k) < 1e-9 ? 0 : k),
      reads: { kind: 'from', words: 'from the stem', start: 'the stem' },
      mirror: { run: `rib-${ribs - i}`, reversed: false, flipped: 2 * i + 1 === ribs },
    })
  })
}

/** A ribbed gourd: an outline with a dip at the stem, and ribs from stem to foot. */
export function gourdRuns(shape: ShapeOf<'gourd'>): Run[] {
  return fitted(
    JSON.stringify(shape),
    shape.width,
    shape.height,
    (wide, high) => gourdOf(shape, wide / 2, high / 2),
    (runs) => runs.slice(0, 1),
  )
}

function gourdOf({ ribs, face }: ShapeOf<'gourd'>, w: number, h: number): Run[] {
  const stem = { x: 0, y: -h * 0.86 }
  const foot = { x: 0, y: h * 0.9 }
  /** The side at `k` of the full width; the bulge of a Bézier with both handles at `x` is three quarters of `x`. */
  const side = (k: number) => {
    const x = (w * k) / 0.75
    return bezier(stem, { x, y: -h * 1.46 }, { x, y: h * 1.38 }, foot)
  }
  const back = (k: number) => {
    const x = (w * k) / 0.75
    return bezier(foot, { x: -x, y: h * 1.38 }, { x: -x, y: -h * 1.46 }, stem)
  }
  const outline = pathRun({ id: 'outline', name: 'outline', segments: [side(1), back(1)], width: face / 2, closed: true })
  return [outline, ...ribsOf(ribs, face, (k) => [k === 0 ? line(stem, foot) : side(k)])]
}

/** A pear: a slim neck, a full belly low down, ribs from stem to foot, and a stem. */
export function pearRuns(shape: ShapeOf<'pear'>): Run[] {
  return fitted(
    JSON.stringify(shape),
    shape.width,
    shape.height,
    (wide, high) => pearOf(shape, wide / 2, high / 2),
    (runs) => runs.slice(0, 1),
  )
}

function pearOf({ ribs, stem: long, face }: ShapeOf<'pear'>, w: number, h: number): Run[] {
  const [top, foot] = [-h, h * 0.96]
  const at = (x: number, y: number) => ({ x: x * w, y: y * h })
  const stem = { x: 0, y: top }
  const bottom = { x: 0, y: foot }
  /** The side at `k` of the full width: round the crown to the neck, out to the belly, and in to the foot. */
  const down = (k: number) =>
    [
      bezier(stem, at(0.27 * k, -1), at(0.37 * k, -0.8), at(0.42 * k, -0.5)),
      bezier(at(0.42 * k, -0.5), at(0.48 * k, -0.14), at(k, -0.1), at(k, 0.4)),
      bezier(at(k, 0.4), at(k, 0.8), at(0.5 * k, 1.04), bottom),
    ] as const
  const up = (k: number) =>
    [
      bezier(bottom, at(0.5 * k, 1.04), at(k, 0.8), at(k, 0.4)),
      bezier(at(k, 0.4), at(k, -0.1), at(0.48 * k, -0.14), at(0.42 * k, -0.5)),
      bezier(at(0.42 * k, -0.5), at(0.37 * k, -0.8), at(0.27 * k, -1), stem),
    ] as const
  const outline = pathRun({ id: 'outline', name: 'outline', segments: [...down(1), ...up(-1)], width: face / 2, closed: true })
  const stalk = pathRun({
    id: 'stem',
    name: 'stem',
    width: Math.max(face / 2, long * 0.06),
    segments: [line(stem, { x: 0, y: top - long })],
    reads: { kind: 'from', words: 'from the foot of the stem', start: 'the foot of the stem' },
    mirror: { run: 'stem', reversed: false, flipped: true },
  })
  return [outline, ...ribsOf(ribs, face, (k) => (k === 0 ? [line(stem, bottom)] : down(k))), stalk]
}

/** A head with an ear to each side, each wire a run. */
export function animalRuns({ width, ears, face }: ShapeOf<'animal'>): Run[] {
  const r = (width - face) / 2
  const down = ears * 0.36
  const head = ringRun('head', 'head', width, width - 2 * face)
  const moved = turnedRun(head, 0, { x: 0, y: down })
  const ear = (side: 1 | -1, id: string, mirror: string): Run => {
    const from = { x: side * r * Math.sin(0.18), y: down - r * Math.cos(0.18) }
    const to = { x: side * r * Math.sin(0.95), y: down - r * Math.cos(0.95) }
    const tip = { x: side * r * 0.78, y: down - r * 0.82 - ears * 0.92 }
    return pathRun({
      id,
      name: id.replace('-', ' '),
      width: face / 2,
      outer: side > 0 ? 'left' : 'right',
      reads: { kind: 'from', words: 'from the crown', start: 'the crown' },
      mirror: { run: mirror, reversed: false },
      segments: [
        bezier(from, { x: from.x - side * r * 0.06, y: from.y - ears * 0.55 }, { x: tip.x - side * r * 0.3, y: tip.y }, tip),
        bezier(tip, { x: tip.x + side * r * 0.22, y: tip.y + ears * 0.1 }, { x: to.x + side * r * 0.12, y: to.y - ears * 0.4 }, to),
      ],
    })
  }
  return [moved, ear(-1, 'left-ear', 'right-ear'), ear(1, 'right-ear', 'left-ear')]
}
