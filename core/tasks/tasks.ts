import { taskKey } from './task-key'
import { countsOfAll } from '../placement'
import { anchorSays } from '../base'
import type { LaidLayer } from '../placement'
import type { Run } from '../base'
import type { Fixing } from '../fixing'
import { FIXING_WAYS } from '../fixing'
import type { Material, Need, Shelf } from '../material'
import { materialOf, needsWire } from '../material'
import type { Figure, Said } from '../measure'
import { quantity, sum, worked } from '../measure'
import type { Piece } from '../piece'
import type { OfLayers } from './task-builder'
import { task } from './task-builder'
import { finishWords, hangerTask } from './finishing-words'
import { bowTask, layTask } from './layer-tasks'
import { preparations, prepareBase, prepareStems, preparedAfter } from './preparation-tasks'
import type { Before, Task, Undone } from './task'
import { DRY_EACH, FINISH, LOAD_TEST, LOOK, RECORD, RESERVE } from './rules-of-thumb'
import { NONE, each, once } from './durations'

/** All tasks, from bare base to hung piece, in the order in which the trade and the school of this piece have them. */
export function tasksOf(
  piece: Piece,
  runs: readonly Run[],
  laid: readonly LaidLayer[],
  of: OfLayers,
  needs: readonly Need[],
  shelf: Shelf,
): Task[] {
  const { making } = piece
  const materials = materialsOn(laid, shelf)
  const layers = laid.filter(({ placements }) => placements.length > 0)
  const things = of.fixings.reduce((all, fixing) => all + fixing.count, 0)
  const glued = of.fixings.some(isGlued)
  const zoned = layers.filter(({ zones }) => zones.length > 0)
  const bows = layers.filter(({ layer }) => layer.rule.kind === 'bow')
  const firstBows = making.bow === 'first' ? bows : []
  const others = layers.filter((one) => !firstBows.includes(one) && !(making.bow === 'last' && bows.includes(one)))
  const lastBows = making.bow === 'last' ? bows : []
  const before: Before[] = [
    { id: 'base', why: 'everything goes on the prepared base' },
    ...preparedAfter('base', piece.making.base).map(({ id }) => ({
      id,
      why: 'the base must be ready, and dry, before anything touches it',
    })),
    ...(layers.length ? [{ id: 'stems', why: 'what is cut to length first is measured once' }] : []),
    ...(zoned.length ? [{ id: 'reserve', why: 'places are kept before their neighbours go on' }] : []),
  ]
  const lay = (one: LaidLayer): Undone => {
    const own = layTask(piece, runs, one, of, needs, shelf)
    const { layer } = one
    const ready = preparedAfter(layer.id, layer.prepared)
    const refers = 'of' in layer.rule && layers.some((each) => each.layer.id === (layer.rule as { of: string }).of)
    const bow = layer.rule.kind === 'bow'
    const glues = of.fixings.some((fixing) => fixing.layer === layer.id && isGlued(fixing))
    return {
      ...own,
      after: [
        ...before.filter(({ id }) => id !== 'reserve' || !one.zones.length),
        ...ready,
        ...(bow ? [{ id: taskKey('bow', layer.id), why: 'a bow is made before it is fixed' }] : []),
        ...(glues ? [{ id: 'dry', why: 'what is glued is first laid dry and looked at' }] : []),
        ...(refers
          ? [{ id: taskKey('lay', (layer.rule as { of: string }).of), why: 'it goes by the places of that layer', wet: true as const }]
          : []),
        ...(!bow
          ? firstBows.map((each) => ({
              id: taskKey('lay', each.layer.id),
              why: 'here the bow goes on first and gives the spacing',
              wet: true as const,
            }))
          : []),
      ],
    }
  }
  const laying = [...firstBows, ...others, ...lastBows].map(lay).map((one, i, all) => {
    const under = all[i - 1]
    return under && !one.after.some(({ id }) => id === under.id)
      ? { ...one, after: [...one.after, { id: under.id, why: 'what lies under it goes on first', wet: true as const }] }
      : one
  })
  const hangTask = hangerTask(piece, runs, materials, shelf)
  const laidIds = laying.map(({ id }): Before => ({ id, why: 'there must be something to look at' }))
  const own = (one: Piece['making']['own'][number]): Undone =>
    task(taskKey('own', one.id), 'own', one.title, [], {
      hands: measured(one.hands, 'as you put it'),
      waits: one.waits > 0 ? measured(one.waits, 'as you put it') : NONE,
      after: one.after === null ? [] : [{ id: one.after, why: 'as you put it' }],
    })
  const tasks: Undone[] = [
    ...preparations(piece, layers, shelf),
    // What waits for nothing is done at any time, so before what ends it all.
    ...making.own.filter(({ after }) => after === null).map(own),
    prepareBase(piece, runs, of, shelf),
    ...(making.hanger === 'first' ? [{ ...hangTask, after: before.slice(0, 1) }] : []),
    ...(layers.length ? [prepareStems(piece, layers, materials, of, needs, shelf)] : []),
    ...bows.map((one) => bowTask(piece, runs, one, of, shelf)),
    ...(zoned.length
      ? [
          task('reserve', 'reserve', 'Mark the places that stay free', [zonesSaid(zoned, runs, shelf)], {
            hands: once(RESERVE, shelf),
            tools: ['tape to mark with'],
            after: before.filter(({ id }) => id !== 'reserve' && id !== 'stems'),
          }),
        ]
      : []),
    ...(glued && things > 0
      ? [
          task(
            'dry',
            'dry',
            'Lay it dry',
            [
              sum`Lay everything in its place without glue. Step back, move what crowds or gapes, and take a picture with the phone before you lift it off.`,
            ],
            {
              hands: worked(each(things, 'things', DRY_EACH, shelf)),
              after: before,
            },
          ),
        ]
      : []),
    ...laying,
    ...(making.hanger === 'top known'
      ? [{ ...hangTask, after: [...before.slice(0, 1), ...laidIds.map(({ id }) => ({ id, why: 'the top is known once it is laid' }))] }]
      : []),
    task(
      'look',
      'look',
      'Hang it and look',
      [
        sum`Hang it where it will live, on whatever holds for now. What you find becomes a note, and is put right before anything is fixed for good.`,
      ],
      {
        hands: once(LOOK, shelf),
        after: laidIds,
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
    ),
    task('finish', 'finish', 'Fix for good and finish the back', finishWords(piece, of), {
      hands: once(FINISH, shelf),
      cautions: ['behind'],
      tools: of.fixings.some(({ way }) => FIXING_WAYS[way].link === 'wire') || needsWire(needs, shelf) ? ['wire cutters'] : ['scissors'],
      after: [
        { id: 'look', why: 'the last wires are cut when it has been seen hanging' },
        ...making.own
          .filter(({ after }) => after === 'look')
          .map(({ id }) => ({ id: taskKey('own', id), why: 'what was found is put right first' })),
      ],
    }),
    ...(making.hanger === 'last'
      ? [{ ...hangTask, after: [{ id: 'finish', why: 'the back is closed before the hanger is tied round it' }] }]
      : []),
    task(
      'load',
      'load',
      'Tug it, shake it',
      [
        sum`Hang ${quantity.mass(2 * of.mass.value)} on the hook for a minute, twice what the piece weighs. Then hang the piece and shake it: nothing may move, and it hangs straight.`,
      ],
      {
        hands: once(LOAD_TEST, shelf),
        after: [
          { id: 'hang', why: 'it must have its hanger' },
          { id: 'finish', why: 'what is not fixed for good may fall' },
        ],
      },
    ),
    task('record', 'record', 'Write down what happened', [sum`Note what you did otherwise, the hours, and what was left over.`], {
      hands: once(RECORD, shelf),
      after: [{ id: 'load', why: 'it is done when it hangs' }],
    }),
    ...making.own.filter(({ after }) => after !== null).map(own),
  ]
  const waited = waitingFor(making.own)
  return saidOnce(tasks).map((each) => ({
    ...each,
    after: [...each.after, ...waited(each.id)],
    needs: needs.filter((need) => taskOf(need) === each.id),
  }))
}

/** What of one's own tasks another waits for. */
const waitingFor =
  (own: Piece['making']['own']) =>
  (id: string): Before[] =>
    own.flatMap((each): Before[] => (each.before === id ? [{ id: taskKey('own', each.id), why: 'as you put it' }] : []))

/** A reason is given the first time; after that it is known. */
function saidOnce(tasks: readonly Undone[]): Undone[] {
  const given = new Set<string>()
  return tasks.map((each) => {
    if (!each.reason) return each
    const words = each.reason.join('')
    const known = given.has(words)
    given.add(words)
    return known ? { ...each, says: each.says.filter((line) => line !== each.reason), reason: null } : each
  })
}

/** Whether a thing is held by glue of some kind. */
const isGlued = ({ way, tied }: Fixing): boolean => FIXING_WAYS[way].glue && !tied

const measured = (minutes: number, how: string): Figure => ({ ...quantity.time(minutes), sum: [how], basis: { kind: 'measured' } })

/** The task that something is needed for. */
const taskOf = ({ layer, use }: Need): string =>
  layer !== 'base' ? taskKey('lay', layer) : use === 'hanger' || use === 'hook' ? 'hang' : 'base'

/** "Keep free for the bow: 8½ in about 6:55." */
function zonesSaid(zoned: readonly LaidLayer[], runs: readonly Run[], shelf: Shelf): Said {
  return zoned.flatMap(({ layer, zones }, i): Said => {
    const name = layer.rule.kind === 'bow' ? 'bow' : (materialOf(shelf, layer.mix[0]!.material)?.name ?? layer.role)
    const widest = Math.max(...zones.map(({ length }) => length))
    // A board that lies across a ring touches its other side: that is not what is kept free.
    const kept = zones.filter(({ length }) => length > widest / 3).slice(0, 4)
    return [
      i ? ' ' : '',
      `Keep free for the ${name}: `,
      ...kept.flatMap(({ run, from, length }, k): Said => {
        const on = runs.find(({ id }) => id === run) ?? runs[0]!
        const parted = k === 0 ? '' : k === kept.length - 1 ? ' and ' : ', '
        if (on.reads.kind === 'clock') return [parted, quantity.length(length), ' about ', ...anchorSays(on, from + length / 2)]
        return from < 2 ? [parted, ...anchorSays(on, length)] : [parted, quantity.length(from), ' to ', ...anchorSays(on, from + length)]
      }),
      '.',
    ]
  })
}

export function materialsOn(laid: readonly LaidLayer[], shelf: Shelf): Material[] {
  return [...countsOfAll(laid).keys()].map((id) => materialOf(shelf, id)!)
}
