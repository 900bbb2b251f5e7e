import type { Run } from '../../base'
import type { Said } from '../../measure'
import { quantity, sum } from '../../measure'
import type { Gap, Spacing } from '../gaps'
import type { Slot, SlotContext } from '../slot'

/** What a rule's count hangs on besides the rule itself. */
export interface Room extends Pick<Run, 'length' | 'closed'> {
  /** How long each piece is as it is laid, mm. */
  readonly piece: number
}

/** A rule that takes at most so many pieces on each of its runs, and how many it takes. */
export interface CountedRule<R> {
  readonly rule: R
  readonly takes: number
}

/** How one kind of rule puts things on a run. */
export interface Arranging<R> {
  /** Where it puts things; null when it refers to a layer that cannot be told. */
  readonly slots: (rule: R, context: SlotContext) => Slot[] | null
  /** By so many pieces, whole and within what a layer holds; null when its count is not its own to say. */
  readonly withCount: (rule: R, n: number, room: Room) => CountedRule<R> | null
  /** How hands space what it lays, for the make sheet; nothing where its places say it all. */
  readonly says: (rule: R, run: Run, spacing: Spacing | null) => Said[]
  /** How many it would ask for were there no limit, and what would ask for fewer; none asks for what its count says. */
  readonly asks?: (
    rule: R,
    context: Pick<SlotContext, 'run' | 'shortest' | 'mix'>,
  ) => { readonly count: number; readonly mend: Said; readonly fewer: R | null }
  /** The gaps that it means to have on a closed run, where these are not all between neighbours. @param seat of the layer, mm @param sorted distances in rising order */
  readonly gaps?: (rule: R, run: Run, seat: number, sorted: readonly number[]) => Gap[]
  /** What it keeps free to both sides of a place: that place as a share of the run, and how far, mm. */
  readonly keeps?: (rule: R) => { readonly at: number; readonly about: number }
  /** Whether one of a pair of runs serves both. */
  readonly serves?: 'pairs'
  /** Whether the layer's taper says nothing of it: its stems are as long as their slots say. */
  readonly tapers?: 'itself'
  /** Whether places with ids `group.member` keep together when they give way. */
  readonly gives?: 'groups'
  /** Whether its slots come in the order in which hands lay them; of others that is found by which way they point. */
  readonly ordered?: boolean
  /** Whether it lays row by row, `row.place`. */
  readonly rows?: boolean
  /** How far below its place it hangs, mm. */
  readonly drop?: (rule: R) => number
  /** Left and right take equal shares of its count. */
  readonly shares?: 'evenly'
}

/** A rule that has a count of its own. */
export const byCount = <R extends { readonly count: number }>(rule: R, count: number): CountedRule<R> => ({
  rule: { ...rule, count },
  takes: count,
})

/** How far apart things lie: all as far, or from the smallest gap to the widest. */
export function spacingSaid(run: Pick<Run, 'closed'>, spacing: Spacing | null, where = ''): Said[] {
  if (!spacing) return []
  const { rim, centre, gaps } = spacing
  if (gaps)
    return [
      sum`${quantity.length(gaps.least.value)} to ${quantity.length(gaps.most.value)} apart${run.closed ? ' on the centre line' : ''}${where}, ${quantity.length(centre.value)} on average.`,
    ]
  return [
    run.closed
      ? sum`${quantity.length(rim.value)} apart on the rim, ${quantity.length(centre.value)} on the centre line${where}.`
      : sum`${quantity.length(centre.value)} apart${where}.`,
  ]
}

export const nothing = (): Said[] => []
export const noCount = (): null => null
