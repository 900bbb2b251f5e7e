import { taskKey } from './task-key'
import type { Piece, Problem } from '../piece'
import { inTurn, ringOf } from './critical-path'
import type { Task } from './task'
import { taskMessage } from './words'

/** The tasks of a piece in the order in which its maker takes them, and what is wrong with that. */
export interface Ordered {
  readonly tasks: readonly Task[]
  readonly problems: readonly Problem[]
}

/**
 * Puts tasks in order: none before what it waits for, and where a hand put them, as the hand did, even when that breaks
 * something, which is then told.
 */
export function inOrderOf({ making }: Pick<Piece, 'making'>, tasks: readonly Task[]): Ordered {
  const rings = ringProblems(making, tasks)
  const proper = inTurn(tasks, ({ hands, waits }) => ({ hands: hands.value, waits: waits.value }))
  const byId = new Map(proper.map((task) => [task.id, task]))
  const named = making.order.filter((id, i, all) => byId.has(id) && all.indexOf(id) === i)
  const chosen = new Set(named)
  let next = 0
  const order = proper.map((task) => (chosen.has(task.id) ? byId.get(named[next++]!)! : task))
  return { tasks: order, problems: [...rings, ...(named.length ? brokenBy(order) : [])] }
}

/** Tasks that come before what they wait for. */
function brokenBy(order: readonly Task[]): Problem[] {
  const at = new Map(order.map(({ id }, i) => [id, i]))
  return order.flatMap((task, i) =>
    task.after.flatMap(({ id, why }): Problem[] => {
      const before = at.get(id)
      if (before === undefined || before < i) return []
      const first = order[before]!
      const again = task.hands.value + task.waits.value
      return [
        {
          id: `order:${task.id}:${id}`,
          task: task.id,
          severity: 'care',
          layer: null,
          ...taskMessage('comes-before', { task: task.title, first: first.title, why: why.says, again }),
          mends: [
            {
              ...taskMessage('put-after', {}),
              edit: {
                do: 'making',
                set: {
                  order: moved(
                    order.map((each) => each.id),
                    task.id,
                    before,
                  ),
                },
              },
            },
            { ...taskMessage('usual-order', {}), edit: { do: 'making', set: { order: [] } } },
          ],
        },
      ]
    }),
  )
}

/** Own tasks that wait for one another in a ring: none of them can begin. */
function ringProblems(making: Piece['making'], tasks: readonly Task[]): Problem[] {
  const ring = ringOf(tasks)
  const own = making.own.filter(({ id }) => ring.includes(taskKey('own', id)))
  if (!own.length) return []
  const [first] = own
  return [
    {
      id: 'order:ring',
      severity: 'fault',
      layer: null,
      ...taskMessage('wait-in-ring', { titles: own.map(({ title }) => title) }),
      mends: [
        {
          ...taskMessage('begin-at-any-time', { title: first!.title }),
          edit: { do: 'making', set: { own: making.own.map((each) => (each.id === first!.id ? { ...each, after: null } : each)) } },
        },
      ],
    },
  ]
}

/** An order with one task moved to a place. @example moved(['a', 'b', 'c'], 'a', 2) // ['b', 'c', 'a'] */
export function moved(order: readonly string[], id: string, to: number): string[] {
  const rest = order.filter((each) => each !== id)
  rest.splice(Math.max(0, Math.min(rest.length, to)), 0, id)
  return rest
}
