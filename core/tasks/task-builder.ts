import type { LaidPiece, Spacing } from '../placement'
import type { MakeUp } from '../constructions'
import type { Fixing } from '../fixing'
import type { Need } from '../material'
import type { Figure, Message, Said } from '../measure'
import type { Before, PartToMake, TaskKind, Undone } from './task'
import { NONE } from './durations'
import type { ReasonCode } from './words'
import { taskMessage } from './words'

/** What the tasks of a piece are worked out from; what was worked out of a layer goes by its id. */
export interface TaskContext extends LaidPiece {
  readonly needs: readonly Need[]
  readonly spacings: ReadonlyMap<string, Spacing>
  readonly makeUps: ReadonlyMap<string, MakeUp>
  readonly ofBase: MakeUp
  readonly fixings: readonly Fixing[]
  /** What is made beforehand. */
  readonly parts: readonly PartToMake[]
  /** Of the finished piece. */
  readonly mass: Figure
}

/** That a task waits for another. */
export const waitsFor = (id: string, why: ReasonCode): Before => ({ id, why: taskMessage(why, {}) })

/** A task with nothing particular about it. @param named what it is called */
export const task = (
  id: string,
  kind: TaskKind,
  named: Message,
  says: readonly Said[],
  rest: Partial<Undone> & Pick<Undone, 'hands'>,
): Undone => ({
  id,
  kind,
  title: named.says.join(''),
  named,
  says,
  reason: null,
  checks: [],
  places: [],
  cautions: [],
  layer: null,
  tools: [],
  after: [],
  waits: NONE,
  counts: null,
  ...rest,
})

const WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'] as const

export const wordOf = (n: number): string => WORDS[n] ?? String(n)

export const unique = <T>(items: readonly T[]): T[] => [...new Set(items)]
