import type { BaseKind } from '../base'
import { BASE_KINDS, BASE_SORTS } from '../base'
import { materialOf } from '../material'
import type { Material, Shelf } from '../material'
import type { LengthUnits } from '../measure'
import { pluralOf } from '../measure'
import type { Offer } from '../price'
import { OfferSchema } from '../price'
import { baseLots } from '../stock'
import type { TableColumn, Mapping, RowFault, Table } from './csv-table'
import { column, plain, RowReader } from './csv-table'

/** The columns of a price list. */
export const PRICE_COLUMNS: readonly TableColumn[] = [
  column('material', 'Material', 'its name, or its id', ['name', 'item', 'product', 'description', 'article', 'id'], true),
  column('width', 'Width', 'of a bare base, such as 12 in', ['wide', 'size', 'diameter']),
  column('holds', 'In a pack', 'pieces', ['pack', 'pack size', 'holds', 'count', 'pieces', 'qty', 'quantity']),
  column('price', 'Price', 'of a pack, such as 8.99', ['cost', 'list price', 'pack price', 'unit price'], true),
  column('off', 'Reduction', 'in percent, one number or from and to: 40, or 40-50', ['reduced', 'discount', 'off', '% off', 'sale']),
  column('deal', 'Deal', 'buy 2 get 1, 3 for 2, or 3 for 2 of any bunches: all rows that say the same count together', [
    'offer',
    'multibuy',
    'promotion',
  ]),
  column('stock', 'In stock', 'packs; empty is as many as one wants', ['stock', 'available']),
]

export interface ReadPrices {
  readonly offers: readonly Offer[]
  readonly faults: readonly RowFault[]
}

/** How many names that are near are told where one is not known. */
const NEAR = 2

/** What a row is a price of: a material of the shelf, or a bare base and its width, mm. */
interface Priced {
  readonly material: string
  readonly width?: number
  /** Pieces in a usual pack. */
  readonly holds: number
}

/** @returns null where nothing is known by what it says @param byName of one and of several, in small letters */
function pricedIn(
  cells: RowReader,
  byName: ReadonlyMap<string, Material>,
  shelf: Pick<Shelf, 'materials'>,
  units: LengthUnits,
): Priced | null {
  const named = cells.text('material')
  if (!named) {
    cells.wrong('material', 'is needed.')
    return null
  }
  const material = byName.get(plain(named)) ?? materialOf(shelf, named)
  if (material) return { material: material.id, holds: material.pack.holds }
  const base = baseNamed(named)
  if (base) return { material: baseLots(base), width: cells.length('width', units, 'is needed of a bare base.'), holds: 1 }
  cells.wrong('material', `nothing on the shelf is called “${named}”${nearest(named, byName)}.`)
  return null
}

/** Makes offers of a price list's rows. A row with anything wrong gives its faults and no offer; the others come in. */
export function readPrices({ rows }: Table, mapping: Mapping, shelf: Pick<Shelf, 'materials'>, units: LengthUnits = 'in'): ReadPrices {
  const offers: Offer[] = []
  const faults: RowFault[] = []
  const byName = new Map(
    Object.values(shelf.materials).flatMap((each) => [[plain(each.name), each] as const, [plain(each.plural), each] as const]),
  )
  rows.forEach((row, i) => {
    const cells = new RowReader(PRICE_COLUMNS, mapping, row, i + 2)
    const priced = pricedIn(cells, byName, shelf, units)
    if (!cells.text('price')) cells.wrong('price', 'is needed.')
    const price = cells.text('price') ? cells.number('price') : NaN
    const holds = cells.text('holds') ? cells.number('holds') : (priced?.holds ?? 1)
    const stock = cells.text('stock') ? cells.number('stock') : null
    const reductions = [...reduction(cells), ...deal(cells)]
    faults.push(...cells.faults)
    if (cells.faults.length) return
    const read = OfferSchema.safeParse({ ...priced, holds, price: Math.round(price * 100), reductions, stock, days: [] })
    if (read.success) offers.push(read.data)
    else
      for (const { path, message } of read.error.issues) faults.push({ row: cells.row, column: columnOf(String(path[0])), says: message })
  })
  return { offers, faults }
}

/** A kind of bare base by its name, of one or of several. */
const baseNamed = (named: string): BaseKind | null =>
  BASE_KINDS.find((kind) => [BASE_SORTS[kind].name, pluralOf(BASE_SORTS[kind].name)].some((name) => plain(name) === plain(named))) ?? null

const columnOf = (field: string): string =>
  PRICE_COLUMNS.find(({ id }) => id === (field === 'reductions' ? 'off' : field))?.name ?? 'Material'

/** "40", "40 %" or "40-50". */
function reduction(cells: RowReader): Offer['reductions'] {
  const text = cells.text('off')
  if (!text) return []
  const ends = text.split(/\s*(?:to|–|—|(?<=[\d%])\s*-)\s*/i).map((of) => cells.number('off', of) / 100)
  if (ends.some(Number.isNaN)) return []
  if (ends.length > 2) {
    cells.wrong('off', `“${text}” is neither one number nor two.`)
    return []
  }
  const [from, to = from] = ends as [number, number?]
  if (from === 0 && to === 0) return []
  return [{ kind: 'off', share: [from, to], from: null, until: null }]
}

/** "buy 2 get 1", "buy 2, get 1 free", "3 for 2", each of one kind or "of any bunches". */
function deal(cells: RowReader): Offer['reductions'] {
  const text = cells.text('deal')
  if (!text) return []
  const [, numbers = '', among] = /^(.*?)(?:\s+of any\s+(?:of\s+)?(\S.{0,39}))?$/i.exec(text)!
  const bought = /^buy (\d{1,3}),? get (\d{1,3})(?: free)?$/i.exec(numbers)
  const taken = /^(\d{1,3}) for (\d{1,3})$/i.exec(numbers)
  const [buy, get] = bought
    ? [Number(bought[1]), Number(bought[2])]
    : taken
      ? [Number(taken[2]), Number(taken[1]) - Number(taken[2])]
      : [0, 0]
  if (buy < 1 || get < 1 || buy > 100 || get > 100) {
    cells.wrong('deal', `“${text}” is not like “buy 2 get 1”, “3 for 2”, or “3 for 2 of any bunches”.`)
    return []
  }
  return [{ kind: 'free', buy, get, ...(among ? { among } : {}), from: null, until: null }]
}

/** Names that begin alike, to say what may have been meant. */
function nearest(named: string, byName: ReadonlyMap<string, Material>): string {
  const word =
    plain(named)
      .split(' ')
      .find((each) => each.length > 3) ?? plain(named)
  const near = [...new Set([...byName].filter(([name]) => name.includes(word)).map(([, { name }]) => name))].slice(0, NEAR)
  return near.length ? `; is it ${near.join(' or ')}` : ''
}
