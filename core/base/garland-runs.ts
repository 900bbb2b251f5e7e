import { bisect, degrees, radians } from '../measure'
import type { Profile, Run } from './run'
import { pathRun } from './run'
import type { ShapeOf } from './schema'
import { DEEPEST_SWEEP } from './schema'
import type { Segment } from './segment'
import { arc, catenary, line } from './segment'

/** An end is never quite nothing: its face tapers to this share of the middle's. */
const END = 0.28

const taper = (widest: number): Profile => ({ kind: 'taper', half: widest / 2, end: END })

/**
 * Length of two mini trees with their trunks overlapped: 2h − o, mm.
 * @example treesLength({ tree: 600, overlap: 100 }) // 1100
 */
export const treesLength = ({ tree, overlap }: Pick<ShapeOf<'swag'>, 'tree' | 'overlap'>): number => 2 * tree - overlap

/** Two runs that meet at the join, each from there out to its tip. */
function pair(
  width: number | Profile,
  right: Parameters<typeof pathRun>[0]['segments'],
  left: Parameters<typeof pathRun>[0]['segments'],
  what: string,
): Run[] {
  return [
    pathRun({
      id: 'left',
      name: 'left arm',
      segments: left,
      width,
      outer: 'right',
      reads: { kind: 'from', words: `left of the ${what}`, start: `the ${what}` },
      mirror: { run: 'right', reversed: false },
    }),
    pathRun({
      id: 'right',
      name: 'right arm',
      segments: right,
      width,
      reads: { kind: 'from', words: `right of the ${what}`, start: `the ${what}` },
      mirror: { run: 'left', reversed: false },
    }),
  ]
}

export function swagRuns(shape: ShapeOf<'swag'>): Run[] {
  const arm = treesLength(shape) / 2
  return pair(taper(shape.width), [line({ x: 0, y: 0 }, { x: arm, y: 0 })], [line({ x: 0, y: 0 }, { x: -arm, y: 0 })], 'join')
}

/** One tree that hangs by its trunk, its tip down. */
export const treeRuns = ({ tree, width }: ShapeOf<'tree'>): Run[] => [
  pathRun({
    id: 'tree',
    name: 'tree',
    segments: [line({ x: 0, y: 0 }, { x: 0, y: tree })],
    width: { kind: 'drop', half: width / 2, end: END * 0.6 },
    outer: 'left',
    reads: { kind: 'from', words: 'below the trunk', start: 'the trunk' },
    mirror: { run: 'tree', reversed: false, flipped: true },
  }),
]

/** Both trees point down: fullest a quarter of the way, then tapering to the tip. */
export function teardropRuns(shape: ShapeOf<'teardrop'>): Run[] {
  const length = treesLength(shape)
  const width: Profile = { kind: 'drop', half: shape.width / 2, end: END * 0.6 }
  return [
    pathRun({
      id: 'drop',
      name: 'teardrop',
      segments: [line({ x: 0, y: -length / 2 }, { x: 0, y: length / 2 })],
      width,
      reads: { kind: 'from', words: 'from the top', start: 'the top' },
      mirror: { run: 'drop', reversed: false, flipped: true },
    }),
  ]
}

/** A ring cut at the top and opened: two arms of half its centre line each, on a shallow arc. */
export function openedRuns({ outer, inner, drop }: ShapeOf<'opened'>): Run[] {
  const arm = (Math.PI * (outer + inner)) / 4
  const half: Profile = { kind: 'ended', half: (outer - inner) / 4 }
  if (drop < arm * 0.01) return pair(half, [line({ x: 0, y: 0 }, { x: arm, y: 0 })], [line({ x: 0, y: 0 }, { x: -arm, y: 0 })], 'middle')
  // An arc of length `arm` falls by r (1 − cos(arm / r)): its radius by bisection.
  const radius = bisect((r) => r * (1 - Math.cos(arm / r)) <= drop, arm / DEEPEST_SWEEP, (arm * arm) / drop)
  const sweep = degrees(arm / radius)
  const centre = { x: 0, y: radius }
  return pair(half, [arc(centre, radius, 0, sweep)], [arc(centre, radius, 0, -sweep)], 'middle')
}

/** Bound once: long ends down, short ends up from the tie. */
export function sprayRuns({ length, width, tie }: ShapeOf<'spray'>): Run[] {
  const top = -length / 2
  const knot = { x: 0, y: top + length * tie }
  const fan: Profile = { kind: 'fan', half: width / 2 }
  const run = (id: string, name: string, end: number, outer: 'left' | 'right', words: string): Run =>
    pathRun({
      id,
      name,
      segments: [line(knot, { x: 0, y: end })],
      width: fan,
      outer,
      reads: { kind: 'from', words, start: 'the tie' },
      mirror: { run: id, reversed: false, flipped: true },
    })
  return [run('down', 'long end', length / 2, 'left', 'below the tie'), run('up', 'short end', top, 'right', 'above the tie')]
}

/** Two mirrored runs from the top middle, across and down both sides of a door. */
export function doorRuns({ width, height, face }: ShapeOf<'door'>): Run[] {
  const x = width / 2
  const y = height / 2
  const side = (way: 1 | -1) => [line({ x: 0, y: -y }, { x: way * x, y: -y }), line({ x: way * x, y: -y }, { x: way * x, y })]
  return pair(face / 2, side(1), side(-1), 'top middle')
}

/** The one run of a garland that hangs from left to right. @param face mm */
const garlandRun = (segments: readonly Segment[], face: number): Run =>
  pathRun({
    id: 'garland',
    name: 'garland',
    segments,
    width: face / 2,
    reads: { kind: 'from', words: 'from the left end', start: 'the left end' },
    mirror: { run: 'garland', reversed: true },
    middle: segments.reduce((total, { length }) => total + length, 0) / 2,
  })

export function mantelRuns({ width, drops, face }: ShapeOf<'mantel'>): Run[] {
  const x = width / 2
  const segments = [
    ...(drops > 0 ? [line({ x: -x, y: drops }, { x: -x, y: 0 })] : []),
    line({ x: -x, y: 0 }, { x, y: 0 }),
    ...(drops > 0 ? [line({ x, y: 0 }, { x, y: drops })] : []),
  ]
  return [garlandRun(segments, face)]
}

export function railRuns({ length, slope, face }: ShapeOf<'rail'>): Run[] {
  const angle = radians(slope)
  const x = (length / 2) * Math.cos(angle)
  const y = (length / 2) * Math.sin(angle)
  return [garlandRun([line({ x: -x, y }, { x, y: -y })], face)]
}

/** Hooks in a row; between each two the garland hangs in a catenary, and its ends hang down. */
export function scallopRuns({ span, drop, count, tails, face }: ShapeOf<'scallops'>): Run[] {
  const left = (-span * count) / 2
  const segments = [
    ...(tails > 0 ? [line({ x: left, y: tails }, { x: left, y: 0 })] : []),
    ...Array.from({ length: count }, (_, i) => catenary({ x: left + i * span, y: 0 }, span, drop)),
    ...(tails > 0 ? [line({ x: -left, y: 0 }, { x: -left, y: tails })] : []),
  ]
  return [garlandRun(segments, face)]
}
