import type { LaidLayer } from '../placement'
import { countsOf } from '../placement'
import type { Run } from '../base'
import { anchorSays } from '../base'
import { bearerOf, partOfMaterial } from '../piece'
import type { Fixing } from '../fixing'
import { FIXING_WAYS } from '../fixing'
import type { Need, Shelf } from '../material'
import { materialOf } from '../material'
import type { Said } from '../measure'
import { quantity, sum, worked } from '../measure'
import { baseTask } from './base-task'
import { each, once } from './durations'
import { finishTask, hangerTask, loadTask, lookTask, recordTask } from './finishing-tasks'
import { bowTask, layTask } from './layer-tasks'
import { ownBefore, ownTask } from './own-tasks'
import { partsBefore, partTaskKey, partTasks } from './part-tasks'
import { preparationTasks, preparedAfter } from './preparation-tasks'
import { DRY_EACH, RESERVE } from './rules-of-thumb'
import { stemsTask } from './stems-task'
import type { Before, Task, Undone } from './task'
import type { TaskContext } from './task-builder'
import { task, waitsFor } from './task-builder'
import { taskKey } from './task-key'
import type { ReasonCode } from './words'
import { taskMessage } from './words'

/** All tasks, from bare base to hung piece, in the order in which the trade and the school of this piece have them. */
export function tasksOf(context: TaskContext): Task[] {
  const {
    piece: { making },
    fixings,
    needs,
  } = context
  const layers = context.laid.filter(({ placements }) => placements.length > 0)
  const bows = layers.filter(isBow)
  const zoned = layers.filter(({ zones }) => zones.length > 0)
  const before = beforeLaying(context, layers)
  const onBase = before.slice(0, 1)
  const laying = layingTasks(context, layers, before)
  const laid = (why: ReasonCode): Before[] => laying.map(({ id }) => waitsFor(id, why))
  const hanger = (when: typeof making.hanger, after: readonly Before[]): Undone[] =>
    making.hanger === when ? [{ ...hangerTask(context), after }] : []
  const tasks: Undone[] = [
    ...preparationTasks(context, layers),
    ...partTasks(context),
    // What waits for nothing is done at any time, so before what ends it all.
    ...making.own.filter(({ after }) => after === null).map(ownTask),
    baseTask(context),
    ...hanger('first', onBase),
    ...(layers.length ? [stemsTask(context, layers)] : []),
    ...bows.map((one) => bowTask(context, one)),
    ...(zoned.length ? [reserveTask(context, zoned, before)] : []),
    ...(fixings.some(isGlued) ? [dryTask(context, before)] : []),
    ...laying,
    ...hanger('top known', [...onBase, ...laid('top-is-known')]),
    lookTask(context, laid('something-to-look-at')),
    finishTask(context),
    ...hanger('last', [waitsFor('finish', 'back-is-closed')]),
    loadTask(context),
    recordTask(context),
    ...making.own.filter(({ after }) => after !== null).map(ownTask),
  ]
  return saidOnce(tasks).map((one) => ({
    ...one,
    after: [...one.after, ...ownBefore(making.own, one.id)],
    needs: needs.filter((need) => taskOf(need) === one.id),
  }))
}

const isBow = ({ layer }: LaidLayer): boolean => layer.rule.kind === 'bow'

/** What is done before anything is laid; the base first. */
const beforeLaying = ({ piece }: TaskContext, layers: readonly LaidLayer[]): Before[] => [
  waitsFor('base', 'on-prepared-base'),
  ...preparedAfter('base', piece.making.base).map(({ id }) => waitsFor(id, 'base-is-ready')),
  ...(layers.length ? [waitsFor('stems', 'measured-once')] : []),
  ...(layers.some(({ zones }) => zones.length) ? [waitsFor('reserve', 'places-are-kept')] : []),
]

/** How layers are laid, in their order: bows where the maker's school has them, and nothing before what lies under it. */
function layingTasks(context: TaskContext, layers: readonly LaidLayer[], before: readonly Before[]): Undone[] {
  const { making } = context.piece
  const bows = layers.filter(isBow)
  const firstBows = making.bow === 'first' ? bows : []
  const lastBows = making.bow === 'last' ? bows : []
  const others = layers.filter((one) => !firstBows.includes(one) && !lastBows.includes(one))
  const after = (one: LaidLayer): Before[] => {
    const { layer } = one
    const of = 'of' in layer.rule ? layer.rule.of : null
    const goesBy = layers.find(({ layer: { id } }) => id === of)
    const lies = bearerOf(layer.rule) !== null
    const glues = context.fixings.some((fixing) => fixing.layer === layer.id && isGlued(fixing))
    return [
      ...before.filter(({ id }) => id !== 'reserve' || !one.zones.length),
      ...preparedAfter(layer.id, layer.prepared),
      ...partsBefore(countsOf(one).keys(), context.parts),
      ...(isBow(one) ? [waitsFor(taskKey('bow', layer.id), 'bow-before-fixed')] : []),
      ...(glues ? [waitsFor('dry', 'dry-before-glue')] : []),
      // What bears it has to hold before it can.
      ...(goesBy ? [lies ? waitsFor(taskKey('lay', goesBy.layer.id), 'lies-on-it') : onceLaid(goesBy, 'by-its-places')] : []),
      ...(isBow(one) ? [] : firstBows.map((bow) => onceLaid(bow, 'bow-gives-spacing'))),
    ]
  }
  return bearersFirst([...firstBows, ...others, ...lastBows])
    .map((one): Undone => ({ ...layTask(context, one), after: after(one) }))
    .map((one, i, all) => {
      const under = all[i - 1]
      return under && !one.after.some(({ id }) => id === under.id)
        ? { ...one, after: [...one.after, { ...waitsFor(under.id, 'under-goes-first'), wet: true as const }] }
        : one
    })
}

/** What lies on the things of a later layer comes after that. */
function bearersFirst(layers: readonly LaidLayer[]): LaidLayer[] {
  const there = new Set(layers.map(({ layer }) => layer.id))
  const order: LaidLayer[] = []
  const done = new Set<string>()
  for (let left = [...layers]; left.length;) {
    const ready = left.find(({ layer: { rule } }) => {
      const of = bearerOf(rule)
      return of === null || done.has(of) || !there.has(of)
    })
    // A circle bears nothing, so nothing of it is laid: there is always one that is ready.
    const next = ready ?? left[0]!
    order.push(next)
    done.add(next.layer.id)
    left = left.filter((one) => one !== next)
  }
  return order
}

/** It waits for a layer's hands, and not until that is dry. */
const onceLaid = ({ layer }: LaidLayer, why: ReasonCode): Before => ({ ...waitsFor(taskKey('lay', layer.id), why), wet: true })

function reserveTask({ runs, shelf }: TaskContext, zoned: readonly LaidLayer[], before: readonly Before[]): Undone {
  return task('reserve', 'reserve', taskMessage('mark-free', {}), [zonesSaid(zoned, runs, shelf)], {
    hands: once(RESERVE, shelf),
    tools: ['tape to mark with'],
    after: before.filter(({ id }) => id !== 'reserve' && id !== 'stems'),
  })
}

function dryTask({ fixings, shelf }: TaskContext, before: readonly Before[]): Undone {
  const things = fixings.reduce((all, { count }) => all + count, 0)
  return task(
    'dry',
    'dry',
    taskMessage('lay-dry', {}),
    [
      sum`Lay everything in its place without glue. Step back, move what crowds or gapes, and take a picture with the phone before you lift it off.`,
    ],
    { hands: worked(each(things, 'things', DRY_EACH, shelf)), after: before },
  )
}

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

/** The task that something is needed for. */
const taskOf = ({ layer, use }: Need): string =>
  partOfMaterial(layer) !== null
    ? partTaskKey(layer)
    : layer !== 'base'
      ? taskKey('lay', layer)
      : use === 'hanger' || use === 'hook'
        ? 'hang'
        : 'base'

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
