import type { Shelf } from '../material'
import { isCut, materialOf } from '../material'
import type { DisplayOptions } from '../measure'
import { daySaid, quantity, several, show } from '../measure'
import { baseOfLot, sizeWord } from './lot'
import type { Lot, Source } from './lot'

/** How much a lot is: "180 in of 360 in", "2 whole ones", "11 of them", "4, cut to 7 in", "1, 14 in wide". */
export function lotSaid({ things, length, cut, material }: Lot, shelf: Shelf, manner: DisplayOptions): string {
  const long = (mm: number): string => show(quantity.length(mm), manner)
  const of = materialOf(shelf, material)
  if (length !== null) return of?.length ? `${long(length)} of ${long(of.length)}` : long(length)
  const base = baseOfLot({ material })
  if (cut !== null) return base ? `${things}, ${long(cut)} ${sizeWord(base)}` : `${things}, cut to ${long(cut)}`
  return of && isCut(of) ? several(things!, 'whole one', 'whole ones') : things === 1 ? 'one' : `${things} of them`
}

const FROM: { readonly [K in Source['kind']]: (source: Extract<Source, { kind: K }>) => string } = {
  counted: () => 'counted',
  offcut: () => 'put in by hand',
  cut: () => 'cut of a roll',
  shop: ({ shop }) => `bought at ${shop}`,
  piece: ({ name }) => `of “${name}”`,
  found: () => 'found',
  gift: () => 'a gift',
}
/** Where a lot came from, and when: "bought at The Corner, Sat 5 Dec". */
export const sourceSaid = ({ source, day }: Pick<Lot, 'source' | 'day'>): string =>
  `${(FROM[source.kind] as (of: Source) => string)(source)}${day ? `, ${daySaid(day)}` : ''}`

/** Who has a lot: "Door ring", "cut for Door ring"; nothing where nobody has. @param names of pieces, by their ids */
export function ownerSaid({ reserved }: Pick<Lot, 'reserved'>, names: ReadonlyMap<string, string>): string {
  if (!reserved) return ''
  if (reserved.piece === null) return 'cut for the list'
  const name = names.get(reserved.piece) ?? 'a piece that is gone'
  return reserved.want === null ? name : `cut for ${name}`
}
