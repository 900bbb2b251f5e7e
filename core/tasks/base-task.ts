import type { Run } from '../base'
import { BASE_SORTS, cornersOf, DIMENSIONS, anchorSays, joinOf, markOn } from '../base'
import type { MakeUp } from '../constructions'
import { isBent } from '../constructions'
import type { Shelf } from '../material'
import type { Figure, Said } from '../measure'
import { byRule, plus, quantity, several, sum, worked } from '../measure'
import type { Piece } from '../piece'
import { each, once } from './durations'
import { BEND_EACH, JOINT_EACH, PREPARE_BASE } from './rules-of-thumb'
import type { Undone } from './task'
import type { TaskContext } from './task-builder'
import { task, waitsFor } from './task-builder'
import { taskKey } from './task-key'
import { taskMessage } from './words'

/** How large it is, each measure by its name. */
function measuresSaid({ shape }: Piece['base']): Said {
  const measures = DIMENSIONS[shape.form].map(({ id, name, unit, options }): Said => {
    const value = (shape as unknown as Record<string, number | string>)[id]!
    const said =
      unit === 'length'
        ? quantity.length(Number(value))
        : unit === 'choice'
          ? (options?.find((each) => each.value === value)?.name ?? String(value))
          : unit === 'share'
            ? String(Math.round(Number(value) * 100))
            : String(value)
    return sum`${name.toLowerCase()} ${said}`
  })
  return measures.flatMap((one, i) => [...(i ? [', '] : []), ...one])
}

/** How a closed base is turned, and what is marked on it. */
function turnSaid({ base }: Piece, runs: readonly Run[]): Said {
  const join = markOn(base, runs, base.join)
  const hook = base.hook === null ? null : markOn(base, runs, base.hook)
  return [
    `Turn it so that the ${joinOf(base)} is at `,
    ...anchorSays(join.run, join.s),
    '.',
    ...(hook ? [' Its hook is at ', ...anchorSays(hook.run, hook.s), '.'] : []),
    ' Mark 12:00, 3:00, 6:00 and 9:00 on the back with tape.',
  ]
}

/** How an own outline is bent and joined. */
function bentSaid({ base }: Piece, runs: readonly Run[], { figures }: MakeUp): Said[] {
  if (!isBent(base)) return []
  const corners = cornersOf(runs)
  const joints = figures.find(({ id }) => id === 'joints')?.figure
  const runsSaid = runs.flatMap(({ name, length }, i): Said => [...(i ? [', '] : []), `${name} `, quantity.length(length)])
  return [
    ['Draw it at full size and bend the rod along it. Along the line: ', ...runsSaid, '.'],
    ...(corners ? [sum`${several(corners, 'corner', 'corners')}: bend each over the edge of a vice or a table.`] : []),
    ...(joints ? [sum`Bind ${several(joints.value, 'joint', 'joints')}: lap the rods, turn wire tight round both, fold its ends in.`] : []),
  ]
}

/** Preparing a base takes its time; each corner and joint of an own outline takes some more. */
function handsForBase({ base }: Piece, runs: readonly Run[], { figures }: MakeUp, shelf: Shelf): Figure {
  if (!isBent(base)) return once(PREPARE_BASE, shelf)
  const joints = figures.find(({ id }) => id === 'joints')?.figure.value ?? 0
  return worked(
    plus(byRule(PREPARE_BASE, shelf), each(cornersOf(runs), 'corners', BEND_EACH, shelf), each(joints, 'joints', JOINT_EACH, shelf)),
  )
}

/** How a base is prepared, up to where it is tied; a swag on a hub is put together in the foam. */
function joinedLines({ shape }: Piece['base'], prepare: readonly string[]): Said[] {
  const lines = (all: readonly string[]): Said[] => all.map((line) => sum`${line}`)
  if (shape.form === 'teardrop') return lines(prepare.slice(0, -1))
  if (shape.form !== 'swag') return lines(prepare)
  if (shape.joined === 'ties') return lines(prepare.slice(0, -1))
  const [stands, , fluff] = prepare
  return lines([
    stands!,
    'Cut both trunks so that they meet in the middle of the block of foam, and push each in at its end, tips out.',
    'Pin each through the foam from two sides; outdoors, weatherproof glue on the trunk first.',
    fluff!,
  ])
}

export function baseTask({ piece, runs, ofBase, shelf }: TaskContext): Undone {
  const { base, making } = piece
  const sort = BASE_SORTS[base.kind]
  const ties = ofBase.figures.find(({ id }) => id === 'ties')?.figure
  return task(
    'base',
    'base',
    taskMessage('prepare-base', { base: sort.name.toLowerCase() }),
    [
      [`${sort.name}: `, ...measuresSaid(base), '.'],
      ...bentSaid(piece, runs, ofBase),
      ...joinedLines(base, sort.prepare),
      ...(ties
        ? [
            sum`Draw ${several(ties.value, 'zip tie', 'zip ties')} ${base.shape.form === 'column' ? 'round both rings, as many at each place where two touch' : 'round both trunks, spread over the overlap'}.`,
            ...(base.shape.form === 'column' ? [] : sort.prepare.slice(-1).map((line) => sum`${line}`)),
          ]
        : []),
      ...(runs[0]!.reads.kind === 'clock' && !isBent(base) ? [turnSaid(piece, runs)] : []),
    ],
    {
      hands: handsForBase(piece, runs, ofBase, shelf),
      tools: ['tape measure', 'tape to mark with', ...(isBent(base) ? ['bolt cutters', 'pliers', 'a drawing at full size'] : [])],
      after: making.base.from === null ? [] : [waitsFor(taskKey('take off', 'base'), 'off-the-older')],
    },
  )
}
