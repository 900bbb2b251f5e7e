import type { WordTable } from '../measure'
import { capital, lowerFirst, messagesOf, sum } from '../measure'
import type { WayId } from '../piece'
import type { Ground } from './grounds'
import type { Hold } from './hold-strength'
import { FIXING_WAYS } from './methods'
import { FIXING_RULES } from './rules'

type Nothing = Record<never, never>

/** What speaks against a way here: the make of the base or what bears the thing, the weather, or that it is to be taken apart again. */
export type Against = 'base' | 'weather' | 'kept'

/** What the room has to say of how things are held, and of what. Names are the shelf’s. */
export interface FixingMessages {
  /** @property ground @property hold for what that itself forbids */
  'will-not-hold': { plural: string; way: WayId; because: Against; ground: Ground; hold: Hold }
  'hold-by': { way: WayId }
  'hang-indoors': Nothing
  'same-back-up': { plural: string }
  'no-back-up': Nothing
  'wire-shows': { name: string; better: string }
  'bind-with': { name: string }
}

const NOT_OUT = 'Hot glue and sticky dots let go in heat, wet and frost.'
const NOT_APART = 'It does not come off again, and this piece is to be taken apart.'

/** Why a way is not good. @throws RangeError when the ground does not forbid it */
export function whyAgainst({ way, because, ground, hold }: Omit<FixingMessages['will-not-hold'], 'plural'>): string {
  if (because !== 'base') return because === 'weather' ? NOT_OUT : NOT_APART
  const found = FIXING_RULES[ground][hold].never.find(([never]) => never === way)
  if (!found) throw new RangeError(`“${ground}” does not forbid ${way}.`)
  return found[1]
}

/** The words of the room, in English. */
export const FIXING_WORDS: WordTable<FixingMessages> = {
  'will-not-hold': (of) => sum`${capital(of.plural)} ${FIXING_WAYS[of.way].held}: ${lowerFirst(whyAgainst(of))}`,
  'hold-by': ({ way }) => [`Hold it ${way === 'tuck' ? 'by a tuck' : `with ${way}`}`],
  'hang-indoors': () => ['Hang it indoors'],
  'same-back-up': ({ plural }) => [`${capital(plural)}: the back-up is the same as what it backs up, and lets go with it.`],
  'no-back-up': () => ['No back-up'],
  'wire-shows': ({ name, better }) => [`${capital(name)} shows on this base: ${better} shows less.`],
  'bind-with': ({ name }) => [`Bind it with ${name}`],
}

/** A message of the room. */
export const fixingMessage = messagesOf('fixing', FIXING_WORDS)
