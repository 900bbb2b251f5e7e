import type { Body } from '../base'
import { BASE_SORTS, anchorSays } from '../base'
import { FIXING_WAYS } from '../fixing'
import { HANGING_HOOKS, HANGING_LOOPS, hangerMake, routeWords } from '../hanging'
import { needsWire } from '../material'
import type { Said } from '../measure'
import { quantity, sum } from '../measure'
import { hangingCautions } from './cautions'
import { NONE, once } from './durations'
import { materialsOn } from './materials-on'
import { FINISH, FIT_HANGER, LOAD_TEST, LOOK, RECORD, STRIP_SETS } from './rules-of-thumb'
import type { Before, Undone } from './task'
import type { TaskContext } from './task-builder'
import { task, waitsFor } from './task-builder'
import { taskKey } from './task-key'
import { taskMessage } from './words'

/** What a hanger goes round where that is not simply the base. */
const HUNG_ROUND: Partial<Record<Body, string>> = { trees: 'round the trunk', bound: 'round the binding behind' }

export function hangerTask({ piece, runs, laid, shelf }: TaskContext): Undone {
  const { hanger, base } = piece
  const materials = materialsOn(laid, shelf)
  if (!hanger)
    return task(
      'hang',
      'hang',
      taskMessage('choose-hanger', {}),
      [sum`No hanger was chosen yet: choose one before you begin, it is what is forgotten most.`],
      {
        hands: once(FIT_HANGER, shelf),
        cautions: hangingCautions(piece, materials),
      },
    )
  const run = runs.find(({ id }) => id === hanger.run) ?? runs[0]!
  const round = HUNG_ROUND[BASE_SORTS[base.kind].body]
  const place: Said = [
    'It goes ',
    ...(round ? [`${round} `] : []),
    ...(run.reads.kind === 'clock' || hanger.at * run.length < 2 ? ['at '] : []),
    ...anchorSays(run, hanger.at * run.length),
    '.',
  ]
  return task(
    'hang',
    'hang',
    taskMessage(hanger.loop === 'tied' ? 'hang-on-hooks' : 'fit-hanger', {}),
    [
      [HANGING_LOOPS[hanger.loop].how, ...(hanger.loop === 'own hook' || hanger.loop === 'tied' ? [] : [' ', ...place])],
      ...(hanger.hook === 'route hooks' ? [routeWords(piece, hangerMake(piece, runs, shelf)!.hooks.value, shelf)] : []),
      [HANGING_HOOKS[hanger.hook].how],
    ],
    {
      hands: once(FIT_HANGER, shelf),
      cautions: hangingCautions(piece, materials),
      waits: hanger.hook === 'adhesive strip' ? once(STRIP_SETS, shelf) : NONE,
      tools: hanger.hook === 'nail' || hanger.hook === 'route hooks' ? ['hammer or drill'] : [],
    },
  )
}

/** What is closed and hidden behind, by what it is held with. */
function finishWords({ piece: { base }, fixings }: TaskContext): Said[] {
  const ways = new Set(fixings.flatMap(({ way, tied }) => (tied ? ['stem wire'] : [way])))
  const wired = fixings.some(({ way }) => FIXING_WAYS[way].link === 'wire')
  const scratches = ['wire', 'box', 'clamps', 'hoop', 'rod'].includes(BASE_SORTS[base.kind].body)
  return [
    sum`Fix what was only laid. Then turn it over and run a hand over the back.`,
    ...(wired ? [sum`Clip wire ends to a finger’s width, fold each under itself and press it flat into the base.`] : []),
    ...(ways.has('zip tie') ? [sum`Clip the tails of the zip ties flush.`] : []),
    ...(ways.has('hot glue') || ways.has('wire and glue') ? [sum`Pull off threads of glue.`] : []),
    ...(ways.has('pins') ? [sum`Press every pin home.`] : []),
    ...(scratches ? [sum`What is bare metal behind scratches a door: wrap it with tape, or set felt dots where it touches.`] : []),
  ]
}

/** Hung for a look before anything is fixed for good. @param after what must be there to be looked at */
export const lookTask = ({ shelf }: TaskContext, after: readonly Before[]): Undone =>
  task(
    'look',
    'look',
    taskMessage('hang-and-look', {}),
    [
      sum`Hang it where it will live, on whatever holds for now. What you find becomes a note, and is put right before anything is fixed for good.`,
    ],
    {
      hands: once(LOOK, shelf),
      after,
      checks: [
        'From across the room: does it read as one thing?',
        'From the side: does anything stand out too far?',
        'In the light it will hang in',
        'Gaps: can the base be seen where it should not?',
        'Wire ends and glue threads',
        'Shake it gently: does anything move?',
        'Does it hang straight?',
      ],
    },
  )

export function finishTask(context: TaskContext): Undone {
  const { piece, fixings, needs, shelf } = context
  const wired = fixings.some(({ way }) => FIXING_WAYS[way].link === 'wire') || needsWire(needs, shelf)
  return task('finish', 'finish', taskMessage('fix-for-good', {}), finishWords(context), {
    hands: once(FINISH, shelf),
    cautions: ['behind'],
    tools: [wired ? 'wire cutters' : 'scissors'],
    after: [
      waitsFor('look', 'seen-hanging'),
      ...piece.making.own.filter(({ after }) => after === 'look').map(({ id }) => waitsFor(taskKey('own', id), 'put-right-first')),
    ],
  })
}

/** Twice its weight on the hook for a minute, then the piece itself. */
export const loadTask = ({ mass, shelf }: TaskContext): Undone =>
  task(
    'load',
    'load',
    taskMessage('load-test', {}),
    [
      sum`Hang ${quantity.mass(2 * mass.value)} on the hook for a minute, twice what the piece weighs. Then hang the piece and shake it: nothing may move, and it hangs straight.`,
    ],
    {
      hands: once(LOAD_TEST, shelf),
      after: [waitsFor('hang', 'has-its-hanger'), waitsFor('finish', 'fixed-for-good')],
    },
  )

export const recordTask = ({ shelf }: TaskContext): Undone =>
  task('record', 'record', taskMessage('write-down', {}), [sum`Note what you did otherwise, the hours, and what was left over.`], {
    hands: once(RECORD, shelf),
    after: [waitsFor('load', 'done-when-it-hangs')],
  })
