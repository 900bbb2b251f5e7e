import { z } from 'zod'
import type { BaseKind } from '../base'
import { BASE_KINDS, BASE_SORTS, FORMS } from '../base'
import type { CutPiece } from '../cut'
import type { Material } from '../material'
import { isCut, materialOf } from '../material'
import type { Said } from '../measure'
import { DaySchema, exceeds, EPSILON, onceFor, onceWith, quantity, sum } from '../measure'

/** Where something in the house came from. */
export const SourceSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('counted') }).describe('found on the shelf when it was counted'),
  z.strictObject({ kind: z.literal('offcut') }).describe('put in by hand as a length'),
  z
    .strictObject({ kind: z.literal('cut'), from: z.string().max(80).nullable() })
    .describe('cut from another lot, or from what was bought for it (null)'),
  z.strictObject({ kind: z.literal('shop'), shop: z.string().min(1).max(60) }),
  z
    .strictObject({ kind: z.literal('piece'), piece: z.string().max(80), name: z.string().max(80) })
    .describe('of a piece that was taken apart'),
  z.strictObject({ kind: z.literal('found') }),
  z.strictObject({ kind: z.literal('gift') }),
])

export const CONDITIONS = ['as new', 'good', 'worn', 'faded', 'damaged'] as const

/** Whose something is: a piece's, kept for it or in it; with a want, it was cut for just that, of a piece or of the list. */
export const ReservedSchema = z.strictObject({
  piece: z.string().min(1).max(80).nullable().describe('null for what the list of other lengths wants'),
  want: z
    .string()
    .min(1)
    .max(200)
    .nullable()
    .describe('which of the lengths that the piece or the list wants it was cut for; null where it is only kept'),
})

/** One thing that is in the house: so many whole, or one length. */
export const LotSchema = z
  .strictObject({
    id: z.string().min(1).max(80),
    material: z.string().min(1).max(60).describe('a material’s id, or `base:` and the kind of a bare base'),
    things: z.int().min(1).max(1_000_000).nullable().describe('how many, whole; null for a length'),
    length: z.number().min(0.1).max(1_000_000).nullable().describe('mm; null for whole things'),
    cut: z
      .number()
      .min(5)
      .max(100_000)
      .nullable()
      .describe('what each thing was cut to, mm; for a bare base, how wide it is; null as bought'),
    source: SourceSchema,
    paid: z.int().min(0).max(100_000_000).nullable().describe('for all of it, minor units; null is not known'),
    day: DaySchema.nullable().describe('since when it is here'),
    colour: z
      .string()
      .regex(/^#[0-9a-fA-F]{6}$/)
      .nullable()
      .describe('where it is not that of its material'),
    place: z.string().max(60).describe('where it lies'),
    condition: z.enum(CONDITIONS),
    season: z.string().max(80).describe('the occasion that it is tied to'),
    photo: z.string().max(80).nullable(),
    reserved: ReservedSchema.nullable(),
  })
  .refine(({ things, length }) => (things === null) !== (length === null), { message: 'A lot is of whole things or of one length.' })

export type Lot = z.infer<typeof LotSchema>
export type Source = Lot['source']
export type Reserved = z.infer<typeof ReservedSchema>

/** What a want of a piece or of the list is known by among those of all. Never read back. */
export const wantKey = ({ piece, want }: Reserved): string => JSON.stringify([piece, want])

/** A lot of which nothing is known but what it is: what is said goes in place of that. */
export const lotOf = (id: string, material: string, set: Partial<Lot>): Lot => ({
  id,
  material,
  things: set.length == null ? 1 : null,
  length: null,
  cut: null,
  source: { kind: 'counted' },
  paid: null,
  day: null,
  colour: null,
  place: '',
  condition: 'good',
  season: '',
  photo: null,
  reserved: null,
  ...set,
})

const BASE = 'base:'
/** What lots of a bare base are known by. */
export const baseLots = (kind: BaseKind): string => `${BASE}${kind}`
/** The kind of base that a lot is of; null for all other lots. */
export const baseOfLot = ({ material }: Pick<Lot, 'material'>): BaseKind | null =>
  material.startsWith(BASE) ? (BASE_KINDS.find((kind) => material === baseLots(kind)) ?? null) : null
/** Bare bases that differ by no more than this serve for each other, mm. */
export const ALIKE_BASES = 13

/** How the size of a bare base is meant: a tree is so high. */
export const sizeWord = (kind: BaseKind): string => (FORMS[kind] === 'tree' ? 'high' : 'wide')

/** A bare base in words, for so many of it, with how wide it is where that is said. */
export function bareName(kind: BaseKind, width: number | null, count = 1): Said {
  return [
    `bare ${count === 1 ? 'base' : 'bases'}: ${BASE_SORTS[kind].name.toLowerCase()}`,
    ...(width === null ? [] : sum`, ${quantity.length(width)} ${sizeWord(kind)}`),
  ]
}

/** What a lot is of, in words, for so many of it. */
export function lotName(lot: Pick<Lot, 'material' | 'things'>, shelf: Parameters<typeof materialOf>[0]): string {
  const kind = baseOfLot(lot)
  if (kind) return BASE_SORTS[kind].name.toLowerCase()
  const material = materialOf(shelf, lot.material)
  return material ? (lot.things !== null && lot.things > 1 ? material.plural : material.name) : lot.material
}

/** Whether a lot may go into a piece: it is nobody’s, or kept for that piece. @param piece null asks for what is nobody’s alone */
export const isFree = ({ reserved }: Pick<Lot, 'reserved'>, piece: string | null = null): boolean =>
  reserved === null || (reserved.want === null && piece !== null && reserved.piece === piece)

/** Whether a lot is not cut for anything: it is nobody's, or only kept. */
export const isUncut = ({ reserved }: Pick<Lot, 'reserved'>): boolean => reserved === null || reserved.want === null

/** What lies in the house: without what went into pieces that hang. @param hung their ids */
export const hereOf = (lots: readonly Lot[], hung: ReadonlySet<string>): readonly Lot[] =>
  hung.size ? lots.filter(({ reserved }) => !reserved?.piece || !hung.has(reserved.piece)) : lots

/** The lots of one material: all, those that are nobody's, and those that pieces keep. */
interface Pile {
  readonly all: readonly Lot[]
  readonly free: readonly Lot[]
  readonly kept: ReadonlyMap<string, readonly Lot[]>
  /** Those that were cut for a want, by whose it is; null is the list. */
  readonly made: ReadonlyMap<string | null, readonly Lot[]>
}
const EMPTY: Pile = { all: [], free: [], kept: new Map(), made: new Map() }
const sorted = onceFor<readonly Lot[], ReadonlyMap<string, Pile>>()
/** Thousands of lots are sorted once, whoever asks. */
const pileOf = (lots: readonly Lot[], material: string): Pile =>
  sorted(lots, () => {
    const found = new Map<string, { all: Lot[]; free: Lot[]; kept: Map<string, Lot[]>; made: Map<string | null, Lot[]> }>()
    const put = <K>(into: Map<K, Lot[]>, key: K, lot: Lot): void => {
      const known = into.get(key)
      if (known) known.push(lot)
      else into.set(key, [lot])
    }
    for (const lot of lots) {
      const pile = found.get(lot.material) ?? { all: [], free: [], kept: new Map<string, Lot[]>(), made: new Map<string | null, Lot[]>() }
      found.set(lot.material, pile)
      pile.all.push(lot)
      if (lot.reserved === null) pile.free.push(lot)
      else if (lot.reserved.want !== null) put(pile.made, lot.reserved.piece, lot)
      else if (lot.reserved.piece !== null) put(pile.kept, lot.reserved.piece, lot)
    }
    return found
  }).get(material) ?? EMPTY

/** The lots of one material among all. */
export const lotsOf = (lots: readonly Lot[], material: string): readonly Lot[] => pileOf(lots, material).all

/** Those that a piece may have: what is nobody's, and what it keeps. The same list each time, where it keeps nothing. */
function openTo(lots: readonly Lot[], material: string, piece: string | null): readonly Lot[] {
  const { free, kept } = pileOf(lots, material)
  const own = piece === null ? undefined : kept.get(piece)
  return own ? [...free, ...own] : free
}

/** Lots of things that a piece may have: as bought, and those that are cut already. */
export interface OpenThings {
  readonly whole: readonly Lot[]
  readonly cut: readonly Lot[]
}
const parts = onceFor<readonly Lot[], OpenThings>()
export function openThings(lots: readonly Lot[], material: string, piece: string | null = null): OpenThings {
  const open = openTo(lots, material, piece)
  return parts(open, () => ({
    whole: open.filter(({ cut, things }) => cut === null && things !== null),
    cut: open.filter(({ cut }) => cut !== null),
  }))
}

const counts = onceFor<readonly Lot[], number>()
/** How many whole things of a material there are, as bought, that a piece may have; without one, that are nobody’s. */
export function thingsOf(lots: readonly Lot[], material: string, piece: string | null = null): number {
  const { whole } = openThings(lots, material, piece)
  return counts(whole, () => whole.reduce((n, { things }) => n + things!, 0))
}

/** Things of one cut length. */
export interface CutThings {
  /** Of each, mm. */
  readonly cut: number
  readonly count: number
}

const cuts = onceFor<readonly Lot[], readonly CutThings[]>()
/** Things of a material that are cut already, shortest first. */
export function cutThingsOf(lots: readonly Lot[], material: string, piece: string | null = null): readonly CutThings[] {
  const { cut: open } = openThings(lots, material, piece)
  return cuts(open, () =>
    open.flatMap(({ cut, things }) => (things !== null ? [{ cut: cut!, count: things }] : [])).sort((a, b) => a.cut - b.cut),
  )
}

/**
 * How many of each of these pieces can be had from things that are cut already: a longer one serves for a shorter, but is not
 * taken while one nearer to it is there. @param wants of each, mm; null wants it whole, which what is cut is not
 * @returns for each want how many
 */
export function fromCut(wants: readonly { readonly cut: number | null; readonly count: number }[], things: readonly CutThings[]): number[] {
  const left = things.map(({ count }) => count)
  const had = wants.map(() => 0)
  // What is longest is suited by fewest: it chooses first.
  const order = wants.map((_, i) => i).sort((a, b) => (wants[b]!.cut ?? -1) - (wants[a]!.cut ?? -1))
  for (const i of order) {
    const { cut, count } = wants[i]!
    if (cut === null) continue
    for (let k = 0; k < things.length && had[i]! < count; k++) {
      if (exceeds(cut, things[k]!.cut)) continue
      const taken = Math.min(left[k]!, count - had[i]!)
      left[k]! -= taken
      had[i]! += taken
    }
  }
  return had
}

/** Whether a bare base is as wide as one that is wanted. */
export const servesAs = ({ cut }: Pick<Lot, 'cut'>, width: number): boolean =>
  cut === null || Math.abs(cut - width) <= ALIKE_BASES + EPSILON

/** Something to cut from: a length, or a whole roll. */
export interface InHouse {
  readonly id: string
  readonly length: number
  readonly count: number
}

const lengths = onceWith<readonly Lot[], readonly InHouse[]>()
/** What of a material that comes by the length is in the house and a piece may have, shortest first. */
export function lengthsOf(
  lots: readonly Lot[],
  { id, length }: Pick<Material, 'id' | 'length'>,
  piece: string | null = null,
): readonly InHouse[] {
  const open = openTo(lots, id, piece)
  return lengths(open, [length], () =>
    open
      .map((lot) => ({ id: lot.id, length: lot.length ?? lot.cut ?? length, count: lot.things ?? 1 }))
      .sort((a, b) => a.length - b.length),
  )
}

/**
 * The lots that so many lengths can be cut from by putting each, the longest first, where least is left over: enough of the house,
 * where the house has plenty. @returns null where they do not all go in so
 */
export function plentyOf(
  wants: readonly { readonly length: number; readonly count: number }[],
  house: readonly InHouse[],
): InHouse[] | null {
  const open = house.flatMap((lot) => [{ lot, rest: lot.length, taken: false }])
  const used = new Map<InHouse, number>()
  /** Further ones of lots that are several. */
  const more = new Map(house.map((lot) => [lot, lot.count - 1]))
  for (const { length, count } of [...wants].sort((a, b) => b.length - a.length)) {
    for (let i = 0; i < count; i++) {
      // Shortest first, so that the first that is long enough leaves least.
      const best = open.reduce<(typeof open)[number] | null>(
        (found, each) => (!exceeds(length, each.rest) && (!found || each.rest < found.rest) ? each : found),
        null,
      )
      if (!best) return null
      best.rest -= length
      if (best.taken) continue
      best.taken = true
      used.set(best.lot, (used.get(best.lot) ?? 0) + 1)
      const left = more.get(best.lot)!
      if (left > 0) {
        more.set(best.lot, left - 1)
        open.push({ lot: best.lot, rest: best.lot.length, taken: false })
      }
    }
  }
  return [...used].map(([lot, count]) => ({ ...lot, count }))
}

/** What of a material is only kept for a piece, by the pieces. */
export const keptBy = (lots: readonly Lot[], material: string): ReadonlyMap<string, readonly Lot[]> => pileOf(lots, material).kept

/** What was cut for a want: the lot that it is, and the want by its key. */
const cutFor = (lots: readonly Lot[]): CutPiece[] =>
  lots.flatMap(({ id, length, reserved }) =>
    reserved !== null && reserved.want !== null && length !== null ? [{ id, want: wantKey(reserved), length }] : [],
  )

/** Lengths that were cut for something, of one material. */
export const cutOf = (lots: readonly Lot[], material: string): CutPiece[] => cutFor(lotsOf(lots, material))

/** Lots of one material that were cut for a piece. */
export const madeFor = (lots: readonly Lot[], material: string, piece: string): readonly Lot[] =>
  pileOf(lots, material).made.get(piece) ?? []

/** Lengths that were cut for a piece, of one material. */
export const cutForPiece = (lots: readonly Lot[], material: string, piece: string): CutPiece[] => cutFor(madeFor(lots, material, piece))

/** The lots after whole things of a material were counted anew: what is reserved and cut stays, and what is nobody’s comes to so many. @param count from 0 */
export function counted(
  lots: readonly Lot[],
  material: string,
  count: number,
): { readonly put: readonly Lot[]; readonly gone: readonly string[] } {
  const own = lotsOf(lots, material).filter((lot) => lot.things !== null && lot.cut === null && lot.reserved === null)
  const have = own.reduce((n, lot) => n + lot.things!, 0)
  if (count >= have) {
    const [first] = own
    const more = count - have
    if (!more) return { put: [], gone: [] }
    return { put: [first ? ofThings(first, first.things! + more) : lotOf(`counted:${material}`, material, { things: more })], gone: [] }
  }
  // What is missing is missing from the last that came in.
  const put: Lot[] = []
  const gone: string[] = []
  let missing = have - count
  for (const lot of [...own].reverse()) {
    if (!missing) break
    const less = Math.min(missing, lot.things!)
    missing -= less
    if (less === lot.things) gone.push(lot.id)
    else put.push(ofThings(lot, lot.things! - less))
  }
  return { put, gone }
}

/** The same lot of so many things; what was paid goes by the piece for fewer, and is not known of more. */
export function ofThings(lot: Lot, things: number): Lot {
  const { paid, things: had } = lot
  return { ...lot, things, paid: paid === null || things > had! ? null : Math.round((paid * things) / had!) }
}

/**
 * A lot parted in two: so many of its things, and the others. Neither things nor money are lost.
 * @param things from 1 to one fewer than it has
 */
export function parted(lot: Lot, things: number, newId: () => string): readonly [taken: Lot, rest: Lot] {
  const paid = lot.paid === null ? null : Math.round((lot.paid * things) / lot.things!)
  return [
    { ...lot, id: newId(), things, paid },
    { ...lot, things: lot.things! - things, paid: lot.paid === null || paid === null ? null : lot.paid - paid },
  ]
}

/**
 * What a cut leaves: the piece, reserved for its want, and what is left of the length, unless that is waste.
 * @param lot one length or one roll; null when it was bought for it @param length mm, of which `cut` is taken
 * @param least a shorter rest is waste, mm @param paid for the length @param keeper who has what is left; null is nobody
 */
export function cutFrom(
  {
    lot,
    material,
    length,
    cut,
    want,
    least,
    paid,
  }: {
    readonly lot: Lot | null
    readonly material: string
    readonly length: number
    readonly cut: number
    readonly want: Reserved
    readonly least: number
    readonly paid: number | null
  },
  newId: () => string,
): { readonly piece: Lot; readonly rest: Lot | null } {
  const left = Math.round((length - cut) * 100) / 100
  const keeps = !(left < least || left < 0.1)
  // What was paid goes by the length; waste is paid for by the piece.
  const own = paid === null ? null : keeps ? Math.round((paid * cut) / length) : paid
  const of: Lot = { ...(lot ?? lotOf('', material, {})), things: null, cut: null, source: { kind: 'cut', from: lot?.id ?? null } }
  return {
    piece: { ...of, id: newId(), length: cut, paid: own, reserved: want },
    rest: keeps
      ? {
          ...of,
          id: newId(),
          length: left,
          paid: paid === null || own === null ? null : paid - own,
          // What was kept for a piece still is.
          reserved: lot?.reserved && lot.reserved.want === null ? lot.reserved : null,
        }
      : null,
  }
}

/** Whether the shelf still knows what a lot is of, and it is counted or measured as that comes. */
export function fits({ material, length }: Pick<Lot, 'material' | 'length'>, shelf: Parameters<typeof materialOf>[0]): boolean {
  if (baseOfLot({ material })) return length === null
  const known = materialOf(shelf, material)
  return known !== undefined && (length === null || isCut(known))
}
