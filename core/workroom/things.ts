import type { Material, Things } from '../material'
import type { Figure } from '../measure'
import { COUNTED, figure, quantity, sum } from '../measure'
import { moneyFigure, openedBy, packsFor, piecesLeft, piecesOf, spareOf, stemsFor, usedFigure } from '../price'
import { cutThingsOf, fromCut, keptBy, thingsOf } from '../stock'
import type { InHand, MaterialPlan, Of, Workroom } from './workroom'

/** One need of things, in the pieces that are cut for it. */
interface WantedThings {
  readonly piece: InHand
  readonly need: Things
  /** mm; null where it is used whole. */
  readonly cut: number | null
  readonly count: number
}

/** How many of each are cut already: each piece's own first, then what is nobody's. */
function cutAlready(wants: readonly WantedThings[], id: string, { lots }: Workroom): number[] {
  const own = wants.map(() => 0)
  for (const [piece, kept] of keptBy(lots, id)) {
    const its = wants.flatMap((want, i) => (want.piece.id === piece ? [i] : []))
    fromCut(
      its.map((i) => wants[i]!),
      cutThingsOf(kept, id, piece),
    ).forEach((n, k) => {
      own[its[k]!] = n
    })
  }
  const others = fromCut(
    wants.map(({ cut, count }, i) => ({ cut, count: count - own[i]! })),
    cutThingsOf(lots, id),
  )
  return own.map((n, i) => n + others[i]!)
}

/** What one piece takes of the stems that it keeps, and what of its pieces is then still to be cut. */
interface OfPiece {
  readonly piece: InHand
  readonly kept: number
  readonly fromKept: number
  readonly left: ReturnType<typeof stemsFor>['left']
  /** The stems that the rest takes, cut for this piece alone. */
  readonly alone: number
}

function ofPieces(material: Material, wants: readonly WantedThings[], had: readonly number[], { lots }: Workroom): OfPiece[] {
  const keepers = keptBy(lots, material.id)
  return [...new Set(wants.map(({ piece }) => piece))].map((piece) => {
    const left = wants.flatMap((want, i) => (want.piece === piece ? piecesLeft([want], [had[i]!]) : []))
    const kept = thingsOf(keepers.get(piece.id) ?? [], material.id, piece.id)
    const from = kept ? stemsFor(material, left, kept) : { stems: 0, left }
    return { piece, kept, fromKept: from.stems, left: from.left, alone: stemsFor(material, from.left).stems }
  })
}

/** How many stems are wanted, and where they come from. */
interface Stems {
  /** What is still to be cut, all pieces together. */
  readonly missing: number
  /** Kept by the pieces, and used for them. */
  readonly fromKept: number
  readonly spare: number
  /** Asked of what is nobody's and of shops. */
  readonly asked: number
  readonly toBuy: number
}

function stemsWanted(material: Material, wants: readonly WantedThings[], pieces: readonly OfPiece[], free: number): Stems {
  const missing = stemsFor(
    material,
    pieces.flatMap(({ left }) => left),
  ).stems
  const fromKept = pieces.reduce((n, piece) => n + piece.fromKept, 0)
  const spare = spareOf(missing + fromKept, Math.max(0, ...wants.map(({ need }) => need.spare)))
  const over = pieces.reduce((n, { kept, fromKept: used }) => n + kept - used, 0)
  const asked = missing + Math.max(0, spare - over)
  return { missing, fromKept, spare, asked, toBuy: Math.max(0, asked - free) }
}

/** What of what is opened each takes: what a piece has of its own takes no part of it, but for the spare that is bought for it too. */
function takenBy(pieces: readonly OfPiece[], { asked, missing }: Stems): Record<string, number> {
  const apart = pieces.reduce((n, { fromKept, alone }) => n + fromKept + alone, 0)
  return Object.fromEntries(
    pieces.map(({ piece, fromKept, alone }) => [piece.id, alone + (apart > 0 ? ((asked - missing) * (fromKept + alone)) / apart : 0)]),
  )
}

/** How many stems are needed, spare and all, and how that comes about. @param had pieces that are cut already */
function neededFigure(pieces: readonly OfPiece[], { missing, fromKept, spare }: Stems, had: number): Figure {
  const all = missing + fromKept
  const apart = pieces.reduce((n, piece) => n + piece.fromKept + piece.alone, 0)
  return figure(
    quantity.count(all + had + spare),
    [
      ...pieces.flatMap((piece, i) => [i ? ' + ' : '', `${piece.fromKept + piece.alone} for ${piece.piece.name}`]),
      ...(apart > all ? [` − ${apart - all} by cutting them together`] : []),
      ...sum`${had ? ` + ${had} that are cut already` : ''}${spare ? ` + ${spare} spare` : ''} = ${quantity.count(all + had + spare)}`,
    ],
    COUNTED,
  )
}

/**
 * Whole things of all pieces: their stems with what breaks, less what is in the house, in the cheapest packs. What is cut already
 * goes first, then the stems that a piece keeps, for it alone; and all that is left is cut together.
 */
export function thingsPlan(material: Material, own: readonly Of<Things>[], workroom: Workroom): MaterialPlan {
  const wants = own.map(({ piece, need }): WantedThings => ({ piece, need, ...piecesOf(material, [need], piece.copies)[0]! }))
  const cut = cutAlready(wants, material.id, workroom)
  const had = cut.reduce((n, each) => n + each, 0)
  const pieces = ofPieces(material, wants, cut, workroom)
  const free = thingsOf(workroom.lots, material.id)
  const stems = stemsWanted(material, wants, pieces, free)
  const { toBuy } = stems
  const all = stems.missing + stems.fromKept + stems.spare
  const have = all - toBuy
  const bought = packsFor(toBuy, material, workroom)
  const { packs, holds, cost, words } = openedBy(bought)
  // What breaks is opened, but not used; what is in the house goes first, as on the bill.
  const fromPacks = Math.max(0, stems.missing - free)
  const inHouse = Math.max(0, have) + had
  return {
    id: material.id,
    name: material.plural,
    of: 'stems',
    base: null,
    drawn: have,
    bought,
    parts: [fromPacks, holds],
    toBuy,
    cutting: null,
    taken: takenBy(pieces, stems),
    listed: 0,
    needed: neededFigure(pieces, stems, had),
    fromHouse: figure(quantity.count(inHouse), sum`${quantity.count(inHouse)} in the house`, COUNTED),
    packs: figure(
      quantity.count(packs),
      sum`${quantity.count(all)} − ${quantity.count(have)} from the house, in the packs that cost least`,
      COUNTED,
    ),
    opened: moneyFigure(cost, [...words, ' = ', quantity.money(cost[1])]),
    used: usedFigure(cost, fromPacks, holds, (n) => quantity.count(n)),
    left: figure(
      quantity.count(Math.max(0, holds - toBuy)),
      sum`${quantity.count(holds)} bought − ${quantity.count(toBuy)} needed of them`,
      COUNTED,
    ),
  }
}
