import type { Run } from '../base'
import { BASE_SORTS, DIMENSIONS, anchorSays, markOn } from '../base'
import type { Said } from '../measure'
import { quantity, several, sum } from '../measure'
import type { Piece } from '../piece'
import { once } from './durations'
import { PREPARE_BASE } from './rules-of-thumb'
import type { Undone } from './task'
import type { TaskContext } from './task-builder'
import { task, waitsFor } from './task-builder'
import { taskKey } from './task-key'
import { taskMessage } from './words'

/** How large it is, each measure by its name. */
function measuresSaid({ shape }: Piece['base']): Said {
  const measures = DIMENSIONS[shape.form].map(({ id, name, unit }): Said => {
    const value = (shape as unknown as Record<string, number | string>)[id]!
    const said =
      unit === 'length' ? quantity.length(Number(value)) : unit === 'share' ? String(Math.round(Number(value) * 100)) : String(value)
    return sum`${name.toLowerCase()} ${said}`
  })
  return measures.flatMap((one, i) => [...(i ? [', '] : []), ...one])
}

/** How a closed base is turned, and what is marked on it. */
function turnSaid({ base }: Piece, runs: readonly Run[]): Said {
  const join = markOn(base, runs, base.join)
  const hook = base.hook === null ? null : markOn(base, runs, base.hook)
  return [
    `Turn it so that the ${BASE_SORTS[base.kind].join} is at `,
    ...anchorSays(join.run, join.s),
    '.',
    ...(hook ? [' Its hook is at ', ...anchorSays(hook.run, hook.s), '.'] : []),
    ' Mark 12:00, 3:00, 6:00 and 9:00 on the back with tape.',
  ]
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
      ...sort.prepare.slice(0, ties ? -1 : undefined).map((line) => sum`${line}`),
      ...(ties
        ? [
            sum`Draw ${several(ties.value, 'zip tie', 'zip ties')} round both trunks, spread over the overlap.`,
            ...sort.prepare.slice(-1).map((line) => sum`${line}`),
          ]
        : []),
      ...(runs[0]!.closed ? [turnSaid(piece, runs)] : []),
    ],
    {
      hands: once(PREPARE_BASE, shelf),
      tools: ['tape measure', 'tape to mark with'],
      after: making.base.from === null ? [] : [waitsFor(taskKey('take off', 'base'), 'off-the-older')],
    },
  )
}
