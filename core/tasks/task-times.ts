import type { Shelf } from '../material'
import { materialOf } from '../material'
import { quantity } from '../measure'
import type { Task, TaskKind } from './task'

/** What the workroom wants to know of a task: how long it takes of whom, what it waits for, and by which rules. Plain data, small. */
export interface TaskTime {
  readonly id: string
  readonly kind: TaskKind
  readonly title: string
  readonly layer: string | null
  /** Minutes of hands, and minutes that it dries or sets by itself. */
  readonly hands: number
  readonly waits: number
  /** Tasks of the same piece that must be done before it. */
  readonly after: readonly string[]
  /** Those of them that may still set meanwhile. */
  readonly wet?: readonly string[]
  /** Whether fresh greens are cut or go on in it. */
  readonly fresh: boolean
  readonly tools: readonly string[]
  /** What is counted off in it, and how many. */
  readonly counts: Task['counts']
  /** The rules of thumb that its minutes go by, each with the number it had. */
  readonly rules: readonly { readonly id: string; readonly value: number }[]
}

/** Tasks in brief, in their order. */
export const timesOf = (tasks: readonly Task[], shelf: Shelf): TaskTime[] => {
  const anyFresh = tasks.some(({ needs }) => needs.some((need) => isFresh(need.material, shelf)))
  return tasks.map(({ id, kind, title, layer, hands, waits, after, tools, needs, counts }) => ({
    id,
    kind,
    title,
    layer,
    hands: hands.value,
    waits: waits.value,
    after: after.map((each) => each.id),
    ...(after.some((each) => each.wet) ? { wet: after.flatMap((each) => (each.wet ? [each.id] : [])) } : {}),
    fresh: needs.some((need) => isFresh(need.material, shelf)) || (kind === 'stems' && anyFresh),
    tools,
    counts,
    rules: (hands.rules ?? []).map((each) => ({ id: each.id, value: each.value })),
  }))
}

const isFresh = (id: string, shelf: Shelf): boolean => materialOf(shelf, id)?.state === 'fresh'

/** Tasks with the minutes that the first one really took; what is not named stays as reckoned. */
export function tasksAsMade(tasks: readonly Task[], minutes: Readonly<Record<string, number>>): readonly Task[] {
  return tasks.map((task) => {
    if (!Object.hasOwn(minutes, task.id)) return task
    const took = minutes[task.id]!
    return { ...task, hands: { ...quantity.time(took), sum: ['as the first one took'], basis: { kind: 'measured' as const } } }
  })
}
