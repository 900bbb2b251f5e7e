import type { Minor, WordTable } from '../measure'
import { messagesOf, quantity, several, sum } from '../measure'

/** What the room has to say of what a piece costs. Money is minor units; names are the shelf’s. */
export interface PriceMessages {
  /** @property usedFits whether what is used of the packs is within the budget */
  'over-budget': { over: Minor; usedFits: boolean }
  'fewer-or-larger-budget': Record<never, never>
  /** @property each whether on each of several copies */
  'fewer-saves': { count: number; name: string; plural: string; each: boolean; saves: Minor }
}

/** The words of the room, in English. */
export const PRICE_WORDS: WordTable<PriceMessages> = {
  'over-budget': ({ over, usedFits }) =>
    usedFits
      ? sum`Over the budget by ${quantity.money(over)} when whole packs count; what is used of them fits.`
      : sum`Over the budget by ${quantity.money(over)}.`,
  'fewer-or-larger-budget': () => ['Fewer of the dearest, or a larger budget'],
  'fewer-saves': ({ count, name, plural, each, saves }) =>
    sum`${several(count, name, plural)} fewer${each ? ' on each' : ''} saves ${quantity.money(saves)}`,
}

/** A message of the room. */
export const priceMessage = messagesOf('price', PRICE_WORDS)
