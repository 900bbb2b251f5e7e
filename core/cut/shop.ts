import type { Material } from '../material'
import type { Stock, Want } from './job'
import { planning } from './plan'

/** A new roll, spool or length of a material, as it is bought. */
export const newRoll = ({ length, pack }: Pick<Material, 'length' | 'pack'>): Stock => ({ id: NEW, length, price: Math.ceil(pack.price / pack.holds), supply: null })
/** How new rolls are known in a plan; those of another length by what follows. */
export const NEW = 'new'
/** Rolls of another length that a shop has as well. */
export const otherRoll = ({ id, length, price }: { readonly id: string, readonly length: number, readonly price: number }): Stock => ({ id: `${NEW}:${id}`, length, price, supply: null })
/** Whether what a plan cuts from is bought for it. */
export const isNew = (stock: string): boolean => stock === NEW || stock.startsWith(`${NEW}:`)

/** Steps that the planner may take where an answer is wanted at once. */
const STEPS = 300
const found = new Map<string, number>()
const KEPT = 300

/** The fewest rolls of one length that pieces can be cut from: the planner's answer, or the best that it finds in a few steps. @param roll mm */
export function fewestRolls(roll: number, wants: readonly Omit<Want, 'id'>[]): number {
  const key = JSON.stringify([roll, wants])
  const known = found.get(key)
  if (known !== undefined) return known
  const steps = planning({ wants: wants.map((want, i) => ({ ...want, id: String(i) })), stocks: [{ id: NEW, length: roll, price: 1, supply: null }], least: 0 })
  let next = steps.next()
  for (let i = 0; !next.done; i++) next = steps.next(i > STEPS)
  found.set(key, next.value.opened)
  if (found.size > KEPT) found.delete(found.keys().next().value!)
  return next.value.opened
}
