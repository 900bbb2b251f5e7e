import { kept } from '../measure'
import type { Material } from '../material'
import type { CutJob, CutPlan, Stock, Want } from './cutting-job'
import { planning } from './plan'

/** A new roll, spool or length of a material, as it is bought. @param price of one, minor units */
export const newRoll = ({ length }: Pick<Material, 'length'>, price: number): Stock => ({ id: NEW, length, price, supply: null })
/** How new rolls are known in a plan; those of another length by what follows. */
export const NEW = 'new'
/** Rolls of another length that a shop has as well. */
export const otherRoll = ({ id, length, price }: { readonly id: string; readonly length: number; readonly price: number }): Stock => ({
  id: `${NEW}:${id}`,
  length,
  price,
  supply: null,
})
/** Whether what a plan cuts from is bought for it. */
export const isNew = (stock: string): boolean => stock === NEW || stock.startsWith(`${NEW}:`)

/** Steps that the planner may take where an answer is wanted at once. */
const STEPS = 300
const found = kept<CutPlan>(300)

/** The planner's answer, or the best that it finds in a few steps; remembered. */
export const planSoon = (job: CutJob): CutPlan =>
  found(JSON.stringify(job), () => {
    const steps = planning(job)
    let next = steps.next()
    for (let i = 0; !next.done; i++) next = steps.next(i > STEPS)
    return next.value
  })

/**
 * The fewest rolls of one length that pieces can be cut from, as far as a few steps find. @param roll mm
 * @example fewestRolls(360, [{ length: 116, count: 4, joins: false }]) // 2
 */
export const fewestRolls = (roll: number, wants: readonly Omit<Want, 'id'>[]): number =>
  planSoon({
    wants: wants.map(({ length, count, joins }, i) => ({ id: String(i), length, count, joins })),
    stocks: [{ id: NEW, length: roll, price: 1, supply: null }],
    least: 0,
  }).opened
