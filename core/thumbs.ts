import * as base from './base/thumbs'
import * as construct from './construct/thumbs'
import * as price from './price/thumbs'
import * as cut from './cut/thumbs'
import * as cover from './cover/thumbs'
import * as fix from './fix/thumbs'
import * as hang from './hang/thumbs'
import type { Rates, Thumb } from './measure'
import * as piece from './piece/thumbs'
import * as daybook from './daybook/thumbs'
import * as season from './season/thumbs'
import * as stock from './stock/thumbs'
import * as steps from './steps/thumbs'

/** All rules of thumb, by the room that they belong to, as makers read them. */
export const THUMBS: readonly { readonly room: string; readonly thumbs: readonly Thumb[] }[] = [
  { room: 'Size and place', thumbs: Object.values(piece) },
  { room: 'Cover, balance and colour', thumbs: Object.values(cover) },
  { room: 'Binding, winding and tying', thumbs: Object.values(construct) },
  { room: 'Fixing', thumbs: Object.values(fix) },
  { room: 'Weight, proportion and hanging', thumbs: Object.values(hang) },
  { room: 'Time of hands, and drying', thumbs: Object.values(steps) },
  { room: 'Seasons and classes', thumbs: Object.values(season) },
  { room: 'Daybook', thumbs: Object.values(daybook) },
  { room: 'Cutting', thumbs: Object.values(cut) },
  { room: 'Stash', thumbs: Object.values(stock) },
  { room: 'Buying and asking', thumbs: Object.values(price) },
  { room: 'Bare bases', thumbs: Object.values(base.DENSITIES) },
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
