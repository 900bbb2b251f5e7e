import { baseRulesOfThumb } from './base'
import { constructionsRulesOfThumb } from './constructions'
import { priceRulesOfThumb } from './price'
import { cutRulesOfThumb } from './cut'
import { coverageRulesOfThumb } from './coverage'
import { fixingRulesOfThumb } from './fixing'
import { hangingRulesOfThumb } from './hanging'
import type { Rates, Thumb } from './measure'
import { pieceRulesOfThumb } from './piece'
import { daybookRulesOfThumb } from './daybook'
import { seasonRulesOfThumb } from './season'
import { stockRulesOfThumb } from './stock'
import { tasksRulesOfThumb } from './tasks'

/** All rules of thumb, by the room that they belong to, as makers read them. */
export const THUMBS: readonly { readonly room: string; readonly thumbs: readonly Thumb[] }[] = [
  { room: 'Size and place', thumbs: Object.values(pieceRulesOfThumb) },
  { room: 'Cover, balance and colour', thumbs: Object.values(coverageRulesOfThumb) },
  { room: 'Binding, winding and tying', thumbs: Object.values(constructionsRulesOfThumb) },
  { room: 'Fixing', thumbs: Object.values(fixingRulesOfThumb) },
  { room: 'Weight, proportion and hanging', thumbs: Object.values(hangingRulesOfThumb) },
  { room: 'Time of hands, and drying', thumbs: Object.values(tasksRulesOfThumb) },
  { room: 'Seasons and classes', thumbs: Object.values(seasonRulesOfThumb) },
  { room: 'Daybook', thumbs: Object.values(daybookRulesOfThumb) },
  { room: 'Cutting', thumbs: Object.values(cutRulesOfThumb) },
  { room: 'Stash', thumbs: Object.values(stockRulesOfThumb) },
  { room: 'Buying and asking', thumbs: Object.values(priceRulesOfThumb) },
  { room: 'Bare bases', thumbs: Object.values(baseRulesOfThumb.DENSITIES) },
]

const BY_ID: ReadonlyMap<string, Thumb> = new Map(THUMBS.flatMap(({ thumbs }) => thumbs.map((each) => [each.id, each] as const)))

/** What of stored numbers still is a rule of thumb that makes sense, and by what name or number the rest was known. */
export function readRates(stored: Readonly<Record<string, unknown>>): { readonly rates: Rates; readonly refused: readonly string[] } {
  const rates: Record<string, number> = {}
  const refused: string[] = []
  for (const [id, value] of Object.entries(stored)) {
    const known = BY_ID.get(id)
    if (known && typeof value === 'number' && value >= known.least && value <= known.most) rates[id] = value
    else refused.push(id)
  }
  return { rates, refused }
}
