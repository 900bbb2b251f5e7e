import type { Said, WordTable } from '../measure'
import { capital, clock, listed, messagesOf, quantity, several, sum } from '../measure'
import type { Brief } from '../piece'
import type { HeavySide } from './balance'
import type { Side } from './colour-and-weight'

type Nothing = Record<never, never>

/** What an eye would find wanting, and of what. Shares are of the face, lengths mm, angles degrees clockwise; names are the shelf’s. */
export interface CoverageMessages {
  /** @property run its name; null where the base has only one */
  'run-bare': { run: string | null }
  /** @property from @property to in words of the base’s room */
  'bare-from-to': { from: Said; to: Said; run: string | null }
  /** @property reads which way the run is read, in words of the base’s room */
  'bare-along': { from: number; to: number; reads: string; run: string | null }
  'close-with': { count: number; name: string; plural: string }
  'greenery-would-close': Nothing
  'show-on-purpose': Nothing
  thin: { covered: number; fullness: Brief['fullness']; wanted: number }
  'not-lush': { twoDeep: number; wanted: number }
  'full-is-enough': Nothing
  /** @property join what it is called @property where in words of the base’s room */
  'join-shows': { join: string; where: Said }
  'turn-to-cover': { base: string; by: number; back: boolean; name: string }
  'move-over': { name: string }
  'put-something-over': Nothing
  'meant-heavy-but-even': { towards: number }
  'meant-heavy-otherwise': { towards: number; side: HeavySide; off: number }
  heavy: { side: HeavySide; off: number }
  'mean-it-so': Nothing
  'mean-it-even': Nothing
  'mean-it-offset': Nothing
  /** @property where in words of the base’s room @property left how far off it is then; null where that is as meant */
  'another-at': { name: string; where: Said; left: number | null }
  'colour-on-sides': { family: string; sides: readonly Side[] }
  'carry-colour-to': { sides: readonly Side[] }
  'lost-on-surface': { differ: number; least: number }
  'lighter-or-elsewhere': Nothing
  unseen: { plural: string; things: number; unseen: number }
  /** @property where the first of them, in words of the base’s room */
  'cut-ends': { plural: string; things: number; ends: number; where: readonly Said[] }
  'so-many-do': { count: number }
  'fewer-or-apart': Nothing
}

/** "towards 4:30", "to the left" */
export const heavySaid = (side: HeavySide): string => ('towards' in side ? `towards ${clock(side.towards)}` : `to the ${side.to}`)

/** The words of the room, in English. */
export const COVERAGE_WORDS: WordTable<CoverageMessages> = {
  'run-bare': ({ run }) => [`Nearly all of the ${run ?? 'base'} shows.`],
  'bare-from-to': ({ from, to, run }) => ['Bare from ', ...from, ' to ', ...to, run ? ` on the ${run}.` : '.'],
  'bare-along': ({ from, to, reads, run }) =>
    sum`Bare from ${quantity.length(from)} to ${quantity.length(to)} ${reads}${run ? ` (${run})` : ''}.`,
  'close-with': ({ count, name, plural }) => sum`Close it with ${several(count, name, plural)}`,
  'greenery-would-close': () => ['A layer of greenery would close it'],
  'show-on-purpose': () => ['Let the base show on purpose'],
  thin: ({ covered, fullness, wanted }) =>
    sum`${quantity.share(covered)} of the face is covered; ${fullness} wants ${quantity.share(wanted)}.`,
  'not-lush': ({ twoDeep, wanted }) => sum`${quantity.share(twoDeep)} of the face is two deep; lush wants ${quantity.share(wanted)}.`,
  'full-is-enough': () => ['Full is enough'],
  'join-shows': ({ join, where }) => ['The ', join, ' shows at ', ...where, '.'],
  'turn-to-cover': ({ base, by, back, name }) =>
    sum`Turn the ${base} ${quantity.angle(by)} ${back ? 'back ' : ''}and the ${name} covers it`,
  'move-over': ({ name }) => [`Move the ${name} over it`],
  'put-something-over': () => ['Put a bow, a sign or a focal over it'],
  'meant-heavy-but-even': ({ towards }) => [`Meant to be heavy towards ${clock(towards)}, but it is even.`],
  'meant-heavy-otherwise': ({ towards, side, off }) =>
    sum`Meant to be heavy towards ${clock(towards)}, but it is ${heavySaid(side)} (${quantity.share(off)} off the middle).`,
  heavy: ({ side, off }) => sum`Heavy ${heavySaid(side)}: its weight lies ${quantity.share(off)} off the middle.`,
  'mean-it-so': () => ['Mean it so'],
  'mean-it-even': () => ['Mean it to be even'],
  'mean-it-offset': () => ['Mean it to be offset'],
  'another-at': ({ name, where, left }) => [
    'Another ',
    name,
    ' at ',
    ...where,
    ...(left === null ? [] : sum` (${quantity.share(left)} off then)`),
  ],
  'colour-on-sides': ({ family, sides }) => [`${capital(family)} shows only at the ${listed(sides)}.`],
  'carry-colour-to': ({ sides }) => [`Carry it to the ${listed(sides)}`],
  'lost-on-surface': ({ differ, least }) =>
    sum`Hard to see on its surface: the colours differ by ${quantity.ratio(differ)}, and under ${quantity.ratio(least)} a piece is lost.`,
  'lighter-or-elsewhere': () => ['Lighter or brighter stems, or another place for it'],
  'cut-ends': ({ plural, things, ends, where }) => [
    ...sum`Of ${quantity.count(things)} ${plural} ${quantity.count(ends)} show their cut ends, ${ends > where.length ? 'the first ' : ''}at `,
    ...where.flatMap((place, i): Said => [...(i ? [i === where.length - 1 ? ' and ' : ', '] : []), ...place]),
    '.',
  ],
  unseen: ({ plural, things, unseen }) =>
    sum`Of ${quantity.count(things)} ${plural} ${quantity.count(unseen)} are not seen: they lie under others.`,
  'so-many-do': ({ count }) => sum`${quantity.count(count)} do as much`,
  'fewer-or-apart': () => ['Fewer of them, or move what lies over them'],
}

/** A message of the room. */
export const coverageMessage = messagesOf('coverage', COVERAGE_WORDS)
