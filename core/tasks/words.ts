import type { Day, Said, WordTable } from '../measure'
import { capital, daySaid, listed, lowerFirst, messagesOf, quantity, sum } from '../measure'

type Nothing = Record<never, never>

/** What is wrong with the order or the days of a piece’s tasks. Times are minutes; names are the shelf’s, titles those of tasks. */
interface Problems {
  'greens-keep-short': { hangs: number; keeps: number; indoors: boolean; plurals: readonly string[] }
  'take-down-after': { days: number }
  'day-past': { day: Day }
  'begins-late': { days: number; startBy: Day }
  'bought-late': { by: Day }
  'another-day': Nothing
  /** @property why as the task says it @property again what doing it again takes */
  'comes-before': { task: string; first: string; why: Said; again: number }
  'put-after': Nothing
  'usual-order': Nothing
  'wait-in-ring': { titles: readonly string[] }
  'begin-at-any-time': { title: string }
}

/** What tasks are called. What they are of is named by base, shelf or layer: "the cones". */
interface Titles {
  'take-off': { what: string; from: string }
  wipe: { what: string }
  'keep-in-bag': { what: string }
  bake: { what: string }
  'bend-and-join': { what: string }
  paint: { what: string; colour: string }
  seal: { what: string }
  /** @property things "4 nests" */
  'make-part': { things: string }
  'prepare-base': { base: string }
  'sort-and-cut': Nothing
  'lay-out': Nothing
  /** @property bow what it is called; null where it cannot be made up yet */
  'make-bow': { bow: string | null }
  'fix-bow': { bow: string | null }
  'mark-free': Nothing
  'lay-dry': Nothing
  /** @property layer by its role @property things "12 pine tips" */
  lay: { layer: string; things: readonly string[] }
  /** What is wound, bound or gathered, as it is called. */
  'make-up': { title: string }
  'choose-hanger': Nothing
  'fit-hanger': Nothing
  'hang-on-hooks': Nothing
  'hang-and-look': Nothing
  'fix-for-good': Nothing
  'load-test': Nothing
  'write-down': Nothing
  /** In the words of its maker. */
  own: { title: string }
}

/** Why a task waits for another, as said after "but" or a colon. */
interface Reasons {
  'off-the-older': Nothing
  'on-what-is-clean': Nothing
  'goes-on-clean': Nothing
  'joined-before-paint': Nothing
  'made-before-laid': Nothing
  'sealer-over-dry-paint': Nothing
  'dry-before-laid': Nothing
  'loose-is-off': Nothing
  'on-prepared-base': Nothing
  'base-is-ready': Nothing
  'measured-once': Nothing
  'places-are-kept': Nothing
  'bow-before-fixed': Nothing
  'dry-before-glue': Nothing
  'by-its-places': Nothing
  'lies-on-it': Nothing
  'bow-gives-spacing': Nothing
  'under-goes-first': Nothing
  'top-is-known': Nothing
  'something-to-look-at': Nothing
  'back-is-closed': Nothing
  'seen-hanging': Nothing
  'put-right-first': Nothing
  'has-its-hanger': Nothing
  'fixed-for-good': Nothing
  'done-when-it-hangs': Nothing
  'as-you-put-it': Nothing
}

export type TaskMessages = Problems & Titles & Reasons

const PROBLEM_WORDS: WordTable<Problems> = {
  'greens-keep-short': ({ hangs, keeps, indoors, plurals }) =>
    sum`It is to hang ${quantity.count(hangs)} days, and cut greens keep about ${quantity.count(keeps)} of them ${indoors ? 'indoors' : 'out of doors'}: ${listed(plurals)} ${plurals.length > 1 ? 'have' : 'has'} to be renewed, or something preserved or artificial goes in ${plurals.length > 1 ? 'their' : 'its'} place.`,
  'take-down-after': ({ days }) => sum`Take it down after ${quantity.count(days)} days`,
  'day-past': ({ day }) => [`${daySaid(day)} is past.`],
  'begins-late': ({ days, startBy }) => sum`It takes ${quantity.count(days)} days and would have had to begin on ${daySaid(startBy)}.`,
  'bought-late': ({ by }) => [`Things should have been bought by ${daySaid(by)}.`],
  'another-day': () => ['Another day'],
  'comes-before': ({ task, first, why, again }) => [
    `“${task}” comes before “${first}”, but ${lowerFirst(why.join(''))}.`,
    ...(again > 0 ? sum` It may have to be done again: ${quantity.time(again)}.` : []),
  ],
  'put-after': () => ['Put it after'],
  'usual-order': () => ['The usual order'],
  'wait-in-ring': ({ titles }) => [
    `${titles.map((title) => `“${title}”`).join(' and ')} ${titles.length === 1 ? 'waits for itself' : 'wait for one another'}: none can begin.`,
  ],
  'begin-at-any-time': ({ title }) => [`Let “${title}” begin at any time`],
}

const TITLE_WORDS: WordTable<Titles> = {
  'take-off': ({ what, from }) => [`Take ${what} off ${from}`],
  wipe: ({ what }) => [`Wipe ${what}`],
  'keep-in-bag': ({ what }) => [`Keep ${what} in a closed bag`],
  bake: ({ what }) => [`Bake ${what}`],
  'bend-and-join': ({ what }) => [`Bend and join ${what}`],
  paint: ({ what, colour }) => [`Paint ${what} ${colour}`],
  seal: ({ what }) => [`Seal ${what}`],
  'make-part': ({ things }) => [`Make ${things}`],
  'prepare-base': ({ base }) => [`Prepare the ${base}`],
  'sort-and-cut': () => ['Sort and cut'],
  'lay-out': () => ['Lay out what it takes'],
  'make-bow': ({ bow }) => [`Make the ${lowerFirst(bow ?? 'bow')}`],
  'fix-bow': ({ bow }) => [`Fix the ${lowerFirst(bow ?? 'bow')}`],
  'mark-free': () => ['Mark the places that stay free'],
  'lay-dry': () => ['Lay it dry'],
  lay: ({ layer, things }) => [`${layer}: ${listed(things)}`],
  'make-up': ({ title }) => [capital(title)],
  'choose-hanger': () => ['Fit a hanger'],
  'fit-hanger': () => ['Fit the hanger'],
  'hang-on-hooks': () => ['Hang it on its hooks'],
  'hang-and-look': () => ['Hang it and look'],
  'fix-for-good': () => ['Fix for good and finish the back'],
  'load-test': () => ['Tug it, shake it'],
  'write-down': () => ['Write down what happened'],
  own: ({ title }) => [title],
}

const REASON_WORDS: WordTable<Reasons> = {
  'off-the-older': () => ['it must be off the older piece'],
  'on-what-is-clean': () => ['paint and glue hold on what is clean'],
  'goes-on-clean': () => ['what was found goes on when it is clean'],
  'joined-before-paint': () => ['what must be bent or joined is joined before it is painted'],
  'made-before-laid': () => ['a made part is made before it goes on'],
  'sealer-over-dry-paint': () => ['sealer goes over dry paint'],
  'dry-before-laid': () => ['it must be dry before it goes on'],
  'loose-is-off': () => ['what is loose is off before it is bent, painted or sealed'],
  'on-prepared-base': () => ['everything goes on the prepared base'],
  'base-is-ready': () => ['the base must be ready, and dry, before anything touches it'],
  'measured-once': () => ['what is cut to length first is measured once'],
  'places-are-kept': () => ['places are kept before their neighbours go on'],
  'bow-before-fixed': () => ['a bow is made before it is fixed'],
  'dry-before-glue': () => ['what is glued is first laid dry and looked at'],
  'by-its-places': () => ['it goes by the places of that layer'],
  'lies-on-it': () => ['what bears it has to hold first'],
  'bow-gives-spacing': () => ['here the bow goes on first and gives the spacing'],
  'under-goes-first': () => ['what lies under it goes on first'],
  'top-is-known': () => ['the top is known once it is laid'],
  'something-to-look-at': () => ['there must be something to look at'],
  'back-is-closed': () => ['the back is closed before the hanger is tied round it'],
  'seen-hanging': () => ['the last wires are cut when it has been seen hanging'],
  'put-right-first': () => ['what was found is put right first'],
  'has-its-hanger': () => ['it must have its hanger'],
  'fixed-for-good': () => ['what is not fixed for good may fall'],
  'done-when-it-hangs': () => ['it is done when it hangs'],
  'as-you-put-it': () => ['as you put it'],
}

/** The words of the room, in English: problems, titles and reasons. */
export const TASK_WORDS: WordTable<TaskMessages> = { ...PROBLEM_WORDS, ...TITLE_WORDS, ...REASON_WORDS }

/** A message of the room. */
export const taskMessage = messagesOf('tasks', TASK_WORDS)

/** What a task is called, by code. */
export type TitleCode = keyof Titles
/** Why one task waits for another, by code. */
export type ReasonCode = keyof Reasons
