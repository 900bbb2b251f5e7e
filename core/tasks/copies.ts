import type { Rated } from '../measure'
import { rate } from '../measure'
import type { TaskKind } from './task'
import { GETTING_READY } from './rules-of-thumb'

/** What is done for all of a batch at once, or piece by piece: paint all, cut all, loops all; but each is laid for itself. */
export const AT_ONCE: Readonly<Record<TaskKind, boolean>> = {
  'take off': true,
  finds: true,
  join: true,
  paint: true,
  seal: true,
  part: true,
  base: true,
  stems: true,
  bow: true,
  reserve: false,
  dry: false,
  lay: false,
  look: false,
  finish: false,
  hang: false,
  load: false,
  record: false,
  own: false,
}

/**
 * What doing a task at once saves, minutes of hands: each after the first saves getting ready for it, or half of its time where that
 * is less.
 * @param times that hands do it @param alone minutes for all of them, each by itself
 */
export function savedAtOnce(kind: TaskKind, times: number, alone: number, by: Rated): number {
  return AT_ONCE[kind] && times > 1 && alone > 0 ? (times - 1) * Math.min(rate(GETTING_READY, by), alone / times / 2) : 0
}

/** Minutes of hands at a task for all copies of a piece. @param hands for one */
export const handsOfCopies = (kind: TaskKind, hands: number, copies: number, by: Rated): number =>
  hands * copies - savedAtOnce(kind, copies, hands * copies, by)
