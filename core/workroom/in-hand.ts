import type { Need } from '../material'
import { several } from '../measure'
import type { Piece } from '../piece'
import type { Kit } from '../season'
import { handOut } from '../season'
import type { InHand } from './workroom'

/** A piece as the workroom sees it. @param needs of one copy */
export const inHandOf = ({ id, brief }: Piece, needs: readonly Need[]): InHand => ({ id, name: brief.name, copies: brief.copies, needs })

/** A class as the workroom sees it: an order of its own, beside the piece that it makes. @param needs of one copy of that */
export const classInHand = ({ id, name, heads, spares, swaps }: Kit, needs: readonly Need[]): InHand => ({
  id,
  name: `${name}, kits`,
  copies: 1,
  needs: handOut(needs, heads + spares, swaps),
})

/** "12 pieces and 1 class" @param kits of all classes */
export function inHandSaid(inHand: readonly Pick<InHand, 'id'>[], kits: readonly Pick<Kit, 'id'>[]): string {
  const classes = inHand.filter(({ id }) => kits.some((kit) => kit.id === id)).length
  const made = several(inHand.length - classes, 'piece', 'pieces')
  return classes > 0 ? `${made} and ${several(classes, 'class', 'classes')}` : made
}
