import type { Day, WordTable } from '../measure'
import { daySaid, messagesOf, quantity, several, sum } from '../measure'

/** What of a season does not fit, and what greens do not bear. Times are minutes; names are those of pieces. */
export interface SeasonMessages {
  'no-hours': { hands: number }
  'no-hours-for': { name: string; over: number }
  'was-due': { name: string; due: Day }
  'does-not-fit': { name: string; over: number; due: Day }
  'not-dry': { name: string; due: Day; done: Day }
  'greens-stale': { name: string; cut: Day; keeps: Day; hangs: Day }
  'greens-keep-short': { name: string; hangs: number; keeps: number }
  'cut-in-two-goes': { name: string; bound: Day; ahead: number }
  'pin-past': { name: string; pinned: Day }
  /** @property title of what is done */
  'over-days': { title: string; hands: number; days: number }
}

/** The words of the room’s problems, in English. */
export const SEASON_WORDS: WordTable<SeasonMessages> = {
  'no-hours': ({ hands }) => sum`There are no hours for it: ${quantity.time(hands)} of hands are wanted. Give the week some.`,
  'no-hours-for': ({ name, over }) => sum`There are no hours for ${quantity.time(over)} of ${name}.`,
  'was-due': ({ name, due }) => [`${name} was due on ${daySaid(due)}.`],
  'does-not-fit': ({ name, over, due }) => sum`${name} does not fit: ${quantity.time(over)} of hands are too late for ${daySaid(due)}.`,
  'not-dry': ({ name, due, done }) => [`${name} is not dry by ${daySaid(due)}: it is done on ${daySaid(done)}.`],
  'greens-stale': ({ name, cut, keeps, hangs }) => [
    `The greens of ${name} are cut on ${daySaid(cut)} and keep until ${daySaid(keeps)}: too short for ${daySaid(hangs)}.`,
  ],
  'greens-keep-short': ({ name, hangs, keeps }) =>
    sum`${name} is to hang ${quantity.count(hangs)} days, and its greens keep about ${quantity.count(keeps)} of them: renew them, or take something preserved or artificial.`,
  'cut-in-two-goes': ({ name, bound, ahead }) =>
    sum`The last greens of ${name} are bound on ${daySaid(bound)}: cut them in two goes, none more than ${quantity.count(ahead)} days before.`,
  'pin-past': ({ name, pinned }) => [`${name} was put on ${daySaid(pinned)}, which is past: it begins as soon as it can.`],
  'over-days': ({ title, hands, days }) =>
    sum`“${title}” takes ${quantity.time(hands)}, longer than any day has: it goes over ${several(days, 'day', 'days')}.`,
}

/** A message of the room. */
export const seasonMessage = messagesOf('season', SEASON_WORDS)
