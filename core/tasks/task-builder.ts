import type { LaidPiece, Spacing } from '../placement'
import type { MakeUp } from '../constructions'
import type { Fixing } from '../fixing'
import type { Need } from '../material'
import type { Figure, Said } from '../measure'
import type { TaskKind, Undone } from './task'
import { NONE } from './durations'

/** What the tasks of a piece are worked out from; what was worked out of a layer goes by its id. */
export interface TaskContext extends LaidPiece {
  readonly needs: readonly Need[]
  readonly spacings: ReadonlyMap<string, Spacing>
  readonly makeUps: ReadonlyMap<string, MakeUp>
  readonly ofBase: MakeUp
  readonly fixings: readonly Fixing[]
  /** Of the finished piece. */
  readonly mass: Figure
}

/** A task with nothing particular about it. */
export const task = (
  id: string,
  kind: TaskKind,
  title: string,
  says: readonly Said[],
  rest: Partial<Undone> & Pick<Undone, 'hands'>,
): Undone => ({
  id,
  kind,
  title,
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
