import type { Day, WordTable } from '../measure'
import { daySaid, listed, lowerFirst, messagesOf, quantity, sum } from '../measure'

type Nothing = Record<never, never>

/** What is wrong with the order or the days of a piece’s tasks. Times are minutes; names are the shelf’s, titles those of tasks. */
export interface TaskMessages {
  'greens-keep-short': { hangs: number; keeps: number; indoors: boolean; plurals: readonly string[] }
  'take-down-after': { days: number }
  'day-past': { day: Day }
  'begins-late': { days: number; startBy: Day }
  'bought-late': { by: Day }
  'another-day': Nothing
  /** @property why as the task says it @property again what doing it again takes */
  'comes-before': { task: string; first: string; why: string; again: number }
  'put-after': Nothing
  'usual-order': Nothing
  'wait-in-ring': { titles: readonly string[] }
  'begin-at-any-time': { title: string }
}

/** The words of the room’s problems, in English. */
export const TASK_WORDS: WordTable<TaskMessages> = {
  'greens-keep-short': ({ hangs, keeps, indoors, plurals }) =>
    sum`It is to hang ${quantity.count(hangs)} days, and cut greens keep about ${quantity.count(keeps)} of them ${indoors ? 'indoors' : 'out of doors'}: ${listed(plurals)} ${plurals.length > 1 ? 'have' : 'has'} to be renewed, or something preserved or artificial goes in ${plurals.length > 1 ? 'their' : 'its'} place.`,
  'take-down-after': ({ days }) => sum`Take it down after ${quantity.count(days)} days`,
  'day-past': ({ day }) => [`${daySaid(day)} is past.`],
  'begins-late': ({ days, startBy }) => sum`It takes ${quantity.count(days)} days and would have had to begin on ${daySaid(startBy)}.`,
  'bought-late': ({ by }) => [`Things should have been bought by ${daySaid(by)}.`],
  'another-day': () => ['Another day'],
  'comes-before': ({ task, first, why, again }) => [
    `“${task}” comes before “${first}”, but ${lowerFirst(why)}.`,
    ...(again > 0 ? sum` It may have to be done again: ${quantity.time(again)}.` : []),
  ],
  'put-after': () => ['Put it after'],
  'usual-order': () => ['The usual order'],
  'wait-in-ring': ({ titles }) => [
    `${titles.map((title) => `“${title}”`).join(' and ')} ${titles.length === 1 ? 'waits for itself' : 'wait for one another'}: none can begin.`,
  ],
  'begin-at-any-time': ({ title }) => [`Let “${title}” begin at any time`],
}

/** A message of the room. */
export const taskMessage = messagesOf('tasks', TASK_WORDS)
