import type { Day, Rated } from '../measure'
import type { TaskKind, TaskTime } from '../tasks'
import { AT_ONCE, savedAtOnce } from '../tasks'
import type { Batch, TaskOf } from './season'

/** A piece that is to be made by a day, as the season sees it. */
export interface ToMake {
  readonly id: string
  readonly name: string
  readonly copies: number
  /** It must hang or be sold on that day; null is in no hurry. */
  readonly due: Day | null
  readonly tasks: readonly TaskTime[]
  /** What of it is done: tasks by their ids. */
  readonly done: readonly string[]
  /** How many days it hangs, or null for as long as it keeps; and whether indoors, where greens keep for less. */
  readonly hangs: number | null
  readonly indoors: boolean
}

/** What is done at once for different pieces, in words. */
const TOGETHER: Partial<Record<TaskKind, string>> = {
  'take off': 'Take the parts off older pieces',
  finds: 'Clean the finds',
  join: 'Bend and join',
  paint: 'Paint',
  seal: 'Seal',
  base: 'Prepare the bases',
  stems: 'Sort and cut',
  bow: 'Make the bows',
}

/** One stretch of work: a task of one piece, or one that is done for several at once. */
export interface Chore {
  readonly id: string
  readonly kind: TaskKind
  readonly title: string
  readonly pieces: readonly string[]
  /** How many times it is done in it. */
  readonly times: number
  /** Minutes of hands for all of it, and of waiting. */
  readonly hands: number
  readonly waits: number
  readonly after: readonly string[]
  /** Those of them that may still set meanwhile. */
  readonly wet: readonly string[]
  readonly fresh: boolean
  /** What doing it at once saves, minutes of hands. */
  readonly saves: number
}

/** What a task is known by among those of all pieces. Never read back. */
export const choreId = (piece: string, task: string): string => `${piece}:${task}`

/**
 * What is to be done for all pieces: tasks of copies, and of pieces of one batch, together where that is how one works. Each after
 * the first then saves getting ready for it, or half of its time where that is less.
 * @param ready bows that are bought ready-made
 * @returns in the order in which pieces come, and their tasks
 */
export function choresOf(pieces: readonly ToMake[], batches: readonly Batch[], ready: readonly TaskOf[], by: Rated): Chore[] {
  const bought = new Set(ready.map((each) => choreId(each.piece, each.task)))
  const batchOf = new Map(batches.flatMap((batch) => batch.pieces.map((id) => [id, batch] as const)))
  const chores = new Map<string, Chore>()
  // The second coat of one goes with the second coat of another.
  const idOf = (piece: ToMake, task: TaskTime): string => {
    const batch = batchOf.get(piece.id)
    if (!batch || !AT_ONCE[task.kind]) return choreId(piece.id, task.id)
    return `${batch.id}:${task.kind}:${piece.tasks.filter(({ kind }) => kind === task.kind).indexOf(task)}`
  }
  for (const piece of pieces) {
    const done = new Set(piece.done)
    const byId = new Map(piece.tasks.map((task) => [task.id, task]))
    // What waits for a task that is done waits for what that waited for, which is done as well.
    for (const task of piece.tasks) {
      if (done.has(task.id)) continue
      const id = idOf(piece, task)
      const each = bought.has(choreId(piece.id, task.id)) ? 0 : task.hands
      const after = task.after.flatMap((before) => {
        const of = byId.get(before)
        return of && !done.has(before) ? [idOf(piece, of)] : []
      })
      const soft = new Set(task.wet)
      const wet = task.after.flatMap((before) => {
        const of = byId.get(before)
        return of && !done.has(before) && soft.has(before) ? [idOf(piece, of)] : []
      })
      const dry = after.filter((each) => !wet.includes(each))
      const known = chores.get(id)
      const before = new Set([...(known?.after ?? []), ...after].filter((each) => each !== id))
      // What has to be dry for one of the pieces is waited for.
      const firm = new Set([...(known ? known.after.filter((each) => !known.wet.includes(each)) : []), ...dry])
      // What is bought or takes no hands is not made, and saves nothing.
      const times = (known?.times ?? 0) + (each > 0 ? piece.copies : 0)
      const alone = (known ? known.hands + known.saves : 0) + each * piece.copies
      const saves = savedAtOnce(task.kind, times, alone, by)
      chores.set(id, {
        id,
        kind: task.kind,
        title: known && known.title !== task.title ? (TOGETHER[task.kind] ?? task.title) : task.title,
        pieces: known ? [...known.pieces, piece.id] : [piece.id],
        times,
        hands: alone - saves,
        waits: Math.max(known?.waits ?? 0, each > 0 || task.hands === 0 ? task.waits : 0),
        after: [...before],
        wet: [...before].filter((each) => !firm.has(each)),
        fresh: task.fresh || (known?.fresh ?? false),
        saves,
      })
    }
  }
  return withoutRings([...chores.values()])
}

/** What pieces of a batch do together may wait for one another in a ring, where each takes its tasks in another order: then the waits that close it go. */
function withoutRings(chores: readonly Chore[]): Chore[] {
  const byId = new Map(chores.map((each) => [each.id, each]))
  const state = new Map<string, 'open' | 'done'>()
  const kept = new Map<string, readonly string[]>()
  const visit = (chore: Chore): void => {
    state.set(chore.id, 'open')
    const after: string[] = []
    for (const id of chore.after) {
      const before = byId.get(id)
      if (!before || state.get(id) === 'open') continue
      if (!state.has(id)) visit(before)
      after.push(id)
    }
    kept.set(chore.id, after)
    state.set(chore.id, 'done')
  }
  for (const chore of chores) if (!state.has(chore.id)) visit(chore)
  return chores.map((chore) => ({ ...chore, after: kept.get(chore.id)! }))
}

/** The order of work over a batch: what is done for all at once first where that may be, then piece by piece; and what it saves. */
export interface BatchWork {
  readonly batch: Batch
  readonly atOnce: readonly Chore[]
  readonly oneByOne: readonly Chore[]
  /** Minutes of hands that go piece by piece. */
  readonly handsOneByOne: number
  /** Minutes of hands together, and were each made by itself. */
  readonly hands: number
  readonly apart: number
}

/** @param pieces of which some are in the batch */
export function batchWork(batch: Batch, pieces: readonly ToMake[], ready: readonly TaskOf[], by: Rated): BatchWork {
  const own = pieces.filter(({ id }) => batch.pieces.includes(id))
  const chores = choresOf(own, [batch], ready, by)
  const handsOf = (some: readonly Chore[]): number => some.reduce((all, each) => all + each.hands, 0)
  const oneByOne = chores.filter(({ kind }) => !AT_ONCE[kind])
  return {
    batch,
    atOnce: chores.filter(({ kind }) => AT_ONCE[kind]),
    oneByOne,
    handsOneByOne: handsOf(oneByOne),
    hands: handsOf(chores),
    apart: chores.reduce((all, each) => all + each.hands + each.saves, 0),
  }
}
