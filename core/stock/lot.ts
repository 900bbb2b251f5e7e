import { z } from 'zod'
import type { Material } from '../material'
import { isCut, materialOf } from '../material'

/** Where something in the house came from. */
export const SourceSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('counted') }).describe('found on the shelf when it was counted'),
  z.strictObject({ kind: z.literal('offcut') }).describe('put in by hand as a length'),
  z
    .strictObject({ kind: z.literal('cut'), from: z.string().max(80).nullable() })
    .describe('cut from another lot, or from what was bought for it (null)'),
])

/** One thing that is in the house: so many whole, or one length. */
export const LotSchema = z
  .strictObject({
    id: z.string().min(1).max(80),
    material: z.string().min(1).max(60),
    things: z.int().min(1).max(1_000_000).nullable().describe('how many, whole; null for a length'),
    length: z.number().min(0.1).max(1_000_000).nullable().describe('mm; null for whole things'),
    source: SourceSchema,
    paid: z.int().min(0).max(100_000_000).nullable().describe('for all of it, minor units; null is not known'),
    reserved: z.string().max(200).nullable().describe('the want that it was cut for'),
  })
  .refine(({ things, length }) => (things === null) !== (length === null), { message: 'A lot is of whole things or of one length.' })

export type Lot = z.infer<typeof LotSchema>
export type Source = Lot['source']

/** How many whole things of a material there are that nothing has. */
export const thingsOf = (lots: readonly Lot[], material: string): number =>
  lots.reduce((n, lot) => n + (lot.material === material && lot.reserved === null ? (lot.things ?? 0) : 0), 0)

/** Something to cut from: a length, or a whole roll. */
export interface InHouse {
  readonly id: string
  readonly length: number
  readonly count: number
}

/** What of a material that comes by the length is in the house and nothing has, shortest first. */
export function lengthsOf(lots: readonly Lot[], { id, length }: Pick<Material, 'id' | 'length'>): InHouse[] {
  return lots
    .filter((lot) => lot.material === id && lot.reserved === null)
    .map((lot) => ({ id: lot.id, length: lot.length ?? length, count: lot.things ?? 1 }))
    .sort((a, b) => a.length - b.length)
}

/** Pieces that were cut for something, of one material. */
export const cutOf = (lots: readonly Lot[], material: string): { readonly id: string; readonly want: string; readonly length: number }[] =>
  lots.flatMap(({ id, material: of, length, reserved }) =>
    of === material && reserved !== null && length !== null ? [{ id, want: reserved, length }] : [],
  )

/** The lots after whole things of a material were counted anew: one lot for those that nothing has. @param count from 0 */
export function counted(
  lots: readonly Lot[],
  material: string,
  count: number,
): { readonly put: readonly Lot[]; readonly gone: readonly string[] } {
  const own = lots.filter((lot) => lot.material === material && lot.things !== null && lot.reserved === null)
  const id = own[0]?.id ?? `counted:${material}`
  const gone = own.filter((lot) => lot.id !== id || count === 0).map((lot) => lot.id)
  return {
    put:
      count > 0
        ? [
            {
              id,
              material,
              things: count,
              length: null,
              source: { kind: 'counted' },
              paid: own.length === 1 ? own[0]!.paid : null,
              reserved: null,
            },
          ]
        : [],
    gone,
  }
}

/**
 * What a cut leaves: the piece, reserved for its want, and what is left of the length, unless that is waste.
 * @param length mm, of which `cut` is taken @param least a shorter rest is waste, mm @param paid for the length
 */
export function cutFrom(
  {
    material,
    from,
    length,
    cut,
    want,
    least,
    paid,
  }: {
    readonly material: string
    readonly from: string | null
    readonly length: number
    readonly cut: number
    readonly want: string
    readonly least: number
    readonly paid: number | null
  },
  newId: () => string,
): { readonly piece: Lot; readonly rest: Lot | null } {
  const source: Source = { kind: 'cut', from }
  const left = Math.round((length - cut) * 100) / 100
  const keeps = !(left < least || left < 0.1)
  // What was paid goes by the length; waste is paid for by the piece.
  const own = paid === null ? null : keeps ? Math.round((paid * cut) / length) : paid
  return {
    piece: { id: newId(), material, things: null, length: cut, source, paid: own, reserved: want },
    rest: keeps
      ? {
          id: newId(),
          material,
          things: null,
          length: left,
          source,
          paid: paid === null || own === null ? null : paid - own,
          reserved: null,
        }
      : null,
  }
}

/** Whether the shelf still knows what a lot is of, and it is counted or measured as that comes. */
export const fits = ({ material, length }: Lot, shelf: Parameters<typeof materialOf>[0]): boolean => {
  const known = materialOf(shelf, material)
  return known !== undefined && (length === null || isCut(known))
}
