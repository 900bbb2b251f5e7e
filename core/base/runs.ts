import type { Figure } from '../measure'
import { figure, GEOMETRY, quantity, RULE_OF_THUMB, sum } from '../measure'
import { boundsOf, EDGE_STATIONS } from './bounds'
import { doorRuns, mantelRuns, openedRuns, railRuns, scallopRuns, sprayRuns, swagRuns, teardropRuns, treesLength } from './hangings'
import { BASE_SORTS } from './kinds'
import { animalRuns, gourdRuns, heartRuns, letterRuns, ovalHeight, ovalRuns, pearRuns, squareRuns } from './outlines'
import type { Run } from './run'
import { onRun, ringRun, turnedRun } from './run'
import type { Base, Form, Shape } from './schema'

function untilTurned(shape: Shape): Run[] {
  switch (shape.form) {
    case 'ring': return [ringRun('ring', 'ring', shape.outer, shape.inner)]
    case 'oval': return ovalRuns(shape)
    case 'square': return squareRuns(shape)
    case 'heart': return heartRuns(shape)
    case 'letter': return letterRuns(shape)
    case 'gourd': return gourdRuns(shape)
    case 'pear': return pearRuns(shape)
    case 'animal': return animalRuns(shape)
    case 'swag': return swagRuns(shape)
    case 'teardrop': return teardropRuns(shape)
    case 'opened': return openedRuns(shape)
    case 'spray': return sprayRuns(shape)
    case 'door': return doorRuns(shape)
    case 'mantel': return mantelRuns(shape)
    case 'rail': return railRuns(shape)
    case 'scallops': return scallopRuns(shape)
  }
}

/** Forms that a wall, a shelf or a stair holds as they are. */
const HELD_STILL: ReadonlySet<Form> = new Set(['door', 'mantel', 'rail', 'scallops'])
export const canTurn = (shape: Shape): boolean => !HELD_STILL.has(shape.form)

/**
 * The runs that a base offers, its middle at the origin. A turned ring is the same ring: only its join and hook
 * have moved, and twelve o'clock stays at the top. Every other form turns as a whole.
 */
export function runsOf({ shape, turn }: Pick<Base, 'shape' | 'turn'>): Run[] {
  const runs = untilTurned(shape)
  const by = shape.form === 'ring' || !canTurn(shape) ? 0 : turn
  const { left, right, top, bottom } = boundsOf(runs)
  // A swag hangs from its join and a garland from its route: those stay where they are.
  const centred = shape.form === 'oval' || shape.form === 'heart' || shape.form === 'letter' || shape.form === 'animal' || shape.form === 'gourd' || shape.form === 'pear'
  const shift = centred ? { x: -(left + right) / 2, y: -(top + bottom) / 2 } : { x: 0, y: 0 }
  return runs.map((run) => said(turnedRun(run, by, shift), shape.form, by))
}

/** Arms that lie to the left and right, as one says it when the piece hangs upright: above and below. */
function said(run: Run, form: Form, turn: number): Run {
  if ((form !== 'swag' && form !== 'opened') || Math.abs(((turn % 180) + 180) % 180 - 90) > 45 || run.reads.kind !== 'from') return run
  const { start } = run.reads
  const lower = run.at(run.length).y > run.at(0).y
  return { ...run, name: lower ? 'lower arm' : 'upper arm', reads: { kind: 'from', words: `${lower ? 'below' : 'above'} ${start}`, start } }
}

/** Where a mark that sits on the base itself (its join, its hook) is now. @param share of the first run, before any turn */
export function markOn({ shape, turn }: Pick<Base, 'shape' | 'turn'>, runs: readonly Run[], share: number): { readonly run: Run, readonly s: number } {
  const run = runs[0]!
  return { run, s: onRun(run, (share + (shape.form === 'ring' ? turn / 360 : 0)) * run.length) }
}

/** The area of all faces, mm²: widths summed along the runs. */
export function faceArea(runs: readonly Run[]): number {
  return runs.reduce((total, run) => total + (run.length / EDGE_STATIONS) * Array.from({ length: EDGE_STATIONS }, (_, i) => 2 * run.at(((i + 0.5) / EDGE_STATIONS) * run.length).half).reduce((a, b) => a + b, 0), 0)
}

/** What a bare base weighs, g. */
export function baseMass(base: Base, runs: readonly Run[]): Figure {
  if (base.mass !== null) return figure(quantity.mass(base.mass), sum`as weighed`, { kind: 'measured' })
  const { density, name } = BASE_SORTS[base.kind]
  const area = faceArea(runs) / 10_000
  const mass = area * density
  return figure(quantity.mass(mass), sum`a ${name.toLowerCase()} has about ${quantity.mass(density)} to 100 cm² of face × ${quantity.ratio(area)} = ${quantity.mass(mass)}`, RULE_OF_THUMB)
}

export interface BaseFigure { readonly name: string, readonly figure: Figure }

/** The lengths that a maker of this base goes by, each with its sum. */
export function baseFigures({ shape }: Pick<Base, 'shape'>, runs: readonly Run[]): BaseFigure[] {
  const [run] = runs
  const length = quantity.length
  const geometry = (name: string, value: number, how: Parameters<typeof figure>[1]): BaseFigure => ({ name, figure: figure(length(value), how, GEOMETRY) })
  const whole = runs.reduce((total, each) => total + each.length, 0)
  const added = sum`${runs.flatMap((each, i) => [i ? ' + ' : '', each.name]).join('')} = ${length(whole)}`
  switch (shape.form) {
    case 'ring': return [
      geometry('Rim', run!.rim, sum`π × outer ${length(shape.outer)} = ${length(run!.rim)}`),
      geometry('Centre line', run!.length, sum`π × (outer ${length(shape.outer)} + inner ${length(shape.inner)}) ÷ 2 = ${length(run!.length)}`),
    ]
    case 'oval': return [
      geometry('Stands', ovalHeight(shape), sum`an ellipse ${length(shape.width)} wide keeps the ring’s perimeter of ${length(Math.PI * shape.ring)} when it is ${length(ovalHeight(shape))} tall`),
      geometry('Rim', run!.rim, sum`π × the ring’s ${length(shape.ring)}, kept when bent = ${length(run!.rim)}`),
      geometry('Centre line', run!.length, sum`round the ellipse halfway across the face = ${length(run!.length)}`),
    ]
    case 'square': case 'heart': return [
      geometry('Rim', run!.rim, shape.form === 'heart' ? sum`round both lobes along the outer edge, from the notch = ${length(run!.rim)}` : sum`centre line ${length(run!.length)} + π × face ${length(shape.face)} = ${length(run!.rim)}`),
      geometry('Centre line', run!.length, sum`round the outline halfway across the face = ${length(run!.length)}`),
    ]
    case 'swag': case 'teardrop': return [geometry('Length', treesLength(shape), sum`2 × tree ${length(shape.tree)} − overlap ${length(shape.overlap)} = ${length(treesLength(shape))}`)]
    case 'opened': return [geometry('Length', whole, sum`π × (outer ${length(shape.outer)} + inner ${length(shape.inner)}) ÷ 2 = ${length(whole)}`)]
    case 'door': return [geometry('Length', whole, sum`2 × height ${length(shape.height)} + width ${length(shape.width)} = ${length(whole)}`)]
    case 'mantel': return [geometry('Length', whole, sum`shelf ${length(shape.width)} + 2 × ${length(shape.drops)} down the ends = ${length(whole)}`)]
    case 'scallops': {
      const each = (whole - 2 * shape.tails) / shape.count
      return [
        geometry('One scallop', each, sum`a catenary over ${length(shape.span)} that hangs ${length(shape.drop)} takes ${length(each)}`),
        geometry('Length', whole, sum`${quantity.count(shape.count)} × ${length(each)} + 2 × ${length(shape.tails)} = ${length(whole)}`),
      ]
    }
    default: return [geometry(runs.length > 1 ? 'All runs' : 'Length', whole, runs.length > 1 ? added : sum`end to end = ${length(whole)}`)]
  }
}
