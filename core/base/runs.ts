import type { Figure, Rated, Term } from '../measure'
import {
  figure,
  onceFor,
  quantity,
  sum,
  byRule,
  count,
  minus,
  mm,
  divide,
  PI,
  plus,
  plusAll,
  ratio,
  saidAs,
  labelled,
  times,
  worked,
} from '../measure'
import { boundsOf, EDGE_STATIONS } from './bounds'
import { doorRuns, mantelRuns, openedRuns, railRuns, scallopRuns, sprayRuns, swagRuns, teardropRuns, treeRuns } from './garland-runs'
import { BASE_SORTS } from './base-catalogue'
import { columnRuns, ringsInColumn } from './column'
import { DENSITIES } from './rules-of-thumb'
import { contactsOf, cornersOf, outlineRuns } from './outline'
import { animalRuns, gourdRuns, heartRuns, letterRuns, ovalHeight, ovalRuns, pearRuns, squareRuns } from './outlines'
import type { Run } from './run'
import { onRun, ringRun, stationAt, turnedRun } from './run'
import type { Base, Form, BaseShape, ShapeOf } from './schema'

function untilTurned(shape: BaseShape): Run[] {
  switch (shape.form) {
    case 'ring':
      return [ringRun('ring', 'ring', shape.outer, shape.inner)]
    case 'column':
      return columnRuns(shape)
    case 'oval':
      return ovalRuns(shape)
    case 'square':
      return squareRuns(shape)
    case 'heart':
      return heartRuns(shape)
    case 'letter':
      return letterRuns(shape)
    case 'gourd':
      return gourdRuns(shape)
    case 'pear':
      return pearRuns(shape)
    case 'animal':
      return animalRuns(shape)
    case 'outline':
      return outlineRuns(shape)
    case 'tree':
      return treeRuns(shape)
    case 'swag':
      return swagRuns(shape)
    case 'teardrop':
      return teardropRuns(shape)
    case 'opened':
      return openedRuns(shape)
    case 'spray':
      return sprayRuns(shape)
    case 'door':
      return doorRuns(shape)
    case 'mantel':
      return mantelRuns(shape)
    case 'rail':
      return railRuns(shape)
    case 'scallops':
      return scallopRuns(shape)
  }
}

/** Forms that a wall, a shelf or a stair holds as they are. */
const HELD_STILL: ReadonlySet<Form> = new Set(['door', 'mantel', 'rail', 'scallops'])
export const canTurn = (shape: BaseShape): boolean => !HELD_STILL.has(shape.form)

/**
 * The runs that a base offers, its middle at the origin. A turned ring is the same ring: only its join and hook
 * have moved, and twelve o'clock stays at the top. Every other form turns as a whole.
 */
export function runsOf({ shape, turn }: Pick<Base, 'shape' | 'turn'>): Run[] {
  const runs = untilTurned(shape)
  const by = shape.form === 'ring' || !canTurn(shape) ? 0 : turn
  const { left, right, top, bottom } = boundsOf(runs)
  // A swag hangs from its join and a garland from its route: those stay where they are.
  const centred =
    shape.form === 'oval' ||
    shape.form === 'heart' ||
    shape.form === 'letter' ||
    shape.form === 'animal' ||
    shape.form === 'gourd' ||
    shape.form === 'pear'
  const shift = centred ? { x: -(left + right) / 2, y: -(top + bottom) / 2 } : { x: 0, y: 0 }
  return runs.map((run) => said(turnedRun(run, by, shift), shape.form, by))
}

/** Arms that lie to the left and right, as one says it when the piece hangs upright: above and below. */
function said(run: Run, form: Form, turn: number): Run {
  if ((form !== 'swag' && form !== 'opened') || Math.abs((((turn % 180) + 180) % 180) - 90) > 45 || run.reads.kind !== 'from') return run
  const { start } = run.reads
  const lower = stationAt(run, run.length).y > stationAt(run, 0).y
  return { ...run, name: lower ? 'lower arm' : 'upper arm', reads: { kind: 'from', words: `${lower ? 'below' : 'above'} ${start}`, start } }
}

/** What a bare base is asked for by: how wide it is, a tree by how high. mm */
export const askedSizeOf = (base: Base): number => (base.shape.form === 'tree' ? Math.round(base.shape.tree) : widthOf(base))

const widths = onceFor<Base, number>()
/** How wide a bare base is, to the millimetre. */
export const widthOf = (base: Base): number =>
  widths(base, () => {
    const { left, right } = boundsOf(runsOf(base))
    return Math.round(right - left)
  })

/** Where a mark that sits on the base itself (its join, its hook) is now. @param share of the first run, before any turn */
export function markOn(
  { shape, turn }: Pick<Base, 'shape' | 'turn'>,
  runs: readonly Run[],
  share: number,
): { readonly run: Run; readonly s: number } {
  const run = runs[0]!
  return { run, s: onRun(run, (share + (shape.form === 'ring' ? turn / 360 : 0)) * run.length) }
}

/** The area of all faces, mm²: widths summed along the runs. */
export function faceArea(runs: readonly Run[]): number {
  return runs.reduce(
    (total, run) =>
      total +
      (run.length / EDGE_STATIONS) *
        Array.from({ length: EDGE_STATIONS }, (_, i) => 2 * stationAt(run, ((i + 0.5) / EDGE_STATIONS) * run.length).half).reduce(
          (a, b) => a + b,
          0,
        ),
    0,
  )
}

/** What a bare base weighs, g. */
export function baseMass(base: Base, runs: readonly Run[], by: Rated): Figure {
  if (base.mass !== null) return figure(quantity.mass(base.mass), sum`as weighed`, { kind: 'measured' })
  const density = byRule(DENSITIES[base.kind], by)
  return worked(
    times(
      labelled`a ${saidAs(density, [BASE_SORTS[base.kind].name.toLowerCase(), ' has about ', ...density.said, ' to 100 cm² of face'])}`,
      ratio(faceArea(runs) / 10_000),
    ),
  )
}

export interface BaseFigure {
  readonly name: string
  readonly figure: Figure
}

/** All runs together, each by its name. */
const allRuns = (runs: readonly Run[]): Term =>
  plusAll(
    runs.map(({ name, length }) => labelled`${saidAs(mm(length), [`${name} `, quantity.length(length)])}`),
    mm(runs.reduce((total, { length }) => total + length, 0)),
  )

/** What a maker bends and joins of an own outline. */
function outlineFigures(face: number, runs: readonly Run[]): BaseFigure[] {
  const [corners, contacts] = [cornersOf(runs), contactsOf(runs, face)]
  const counted = (name: string, n: number): BaseFigure[] => (n ? [{ name, figure: worked(saidAs(count(n), ['counted'])) }] : [])
  return [
    { name: runs.length > 1 ? 'All runs' : 'Length', figure: worked(allRuns(runs)) },
    ...counted('Corners to bend', corners),
    ...counted('Places where runs meet', contacts),
  ]
}

/** How high a column stands: all its rings together. */
const columnHeight = (shape: ShapeOf<'column'>): Term =>
  plusAll(
    ringsInColumn(shape).map((outer) => labelled`a ring of ${mm(outer)}`),
    mm(0),
  )

/** The lengths that a maker of this base goes by, each with its sum. */
export function baseFigures({ shape }: Pick<Base, 'shape'>, runs: readonly Run[]): BaseFigure[] {
  const run = runs[0]!
  const named = (name: string, of: Term): BaseFigure => ({ name, figure: worked(of) })
  const whole = runs.reduce((total, each) => total + each.length, 0)
  const centre = named('Centre line', saidAs(mm(run.length), ['round the outline halfway across the face']))
  switch (shape.form) {
    case 'ring':
      return [
        named('Rim', times(PI, labelled`outer ${mm(shape.outer)}`)),
        named('Centre line', divide(times(PI, plus(labelled`outer ${mm(shape.outer)}`, labelled`inner ${mm(shape.inner)}`)), count(2))),
      ]
    case 'column':
      return [named('Stands', columnHeight(shape)), named('All centre lines', allRuns(runs))]
    case 'oval':
      return [
        named(
          'Stands',
          saidAs(
            mm(ovalHeight(shape)),
            sum`an ellipse ${quantity.length(shape.width)} wide that keeps the ring’s perimeter of ${quantity.length(Math.PI * shape.ring)}`,
          ),
        ),
        named('Rim', times(PI, labelled`the ring’s ${mm(shape.ring)}`)),
        named('Centre line', saidAs(mm(run.length), ['round the ellipse halfway across the face'])),
      ]
    case 'square':
      return [named('Rim', plus(labelled`centre line ${mm(run.length)}`, times(PI, labelled`face ${mm(shape.face)}`))), centre]
    case 'heart':
      return [named('Rim', saidAs(mm(run.rim), ['round both lobes along the outer edge, from the notch'])), centre]
    case 'swag':
    case 'teardrop':
      return [named('Length', minus(times(count(2), labelled`tree ${mm(shape.tree)}`), labelled`overlap ${mm(shape.overlap)}`))]
    case 'opened':
      return [named('Length', divide(times(PI, plus(labelled`outer ${mm(shape.outer)}`, labelled`inner ${mm(shape.inner)}`)), count(2)))]
    case 'door':
      return [named('Length', plus(times(count(2), labelled`height ${mm(shape.height)}`), labelled`width ${mm(shape.width)}`))]
    case 'mantel':
      return [named('Length', plus(labelled`shelf ${mm(shape.width)}`, times(count(2), labelled`${mm(shape.drops)} down the ends`)))]
    case 'scallops': {
      const each = mm((whole - 2 * shape.tails) / shape.count)
      return [
        named('One scallop', saidAs(each, sum`a catenary over ${quantity.length(shape.span)} that hangs ${quantity.length(shape.drop)}`)),
        named('Length', plus(times(count(shape.count), each), times(count(2), mm(shape.tails)))),
      ]
    }
    case 'outline':
      return outlineFigures(shape.face, runs)
    case 'letter':
    case 'gourd':
    case 'pear':
    case 'animal':
    case 'tree':
    case 'spray':
    case 'rail':
      return [runs.length > 1 ? named('All runs', allRuns(runs)) : named('Length', saidAs(mm(whole), ['end to end']))]
  }
}
