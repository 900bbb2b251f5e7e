import type { Piece } from './piece'
import type { AskingPrices, ClaimVerdict, Deal, Pricing } from './price'
import { askingPrices, dealsOf, judge } from './price'
import type { OnBench } from './workroom'

/** What there is to say of a piece's money besides its bill. */
export interface Costs {
  readonly claims: readonly ClaimVerdict[]
  readonly deals: readonly Deal[]
  readonly asking: AskingPrices
}

/** Claims judged, deals found, and prices to ask, were the piece alone in hand. */
export function costsOf(
  piece: Pick<Piece, 'id' | 'brief' | 'asking'>,
  { needs, bill, schedule }: Pick<OnBench, 'needs' | 'bill' | 'schedule'>,
  pricing: Pricing,
): Costs {
  const { copies, budget } = piece.brief
  const making = { id: piece.id, needs, copies, budget }
  return {
    claims: piece.asking.claims.map((claim) => judge(claim, making, pricing)),
    deals: dealsOf(making, bill, pricing),
    asking: askingPrices(bill.materialsEach, schedule.handsEach, piece.asking.market, pricing.shelf),
  }
}
