import { kept } from '../measure'
import type { Material } from '../material'
import type { CutJob, CutPlan, Stock, Want } from './cutting-job'
import { planning } from './plan'

/** A new roll, spool or length of a material, as it is bought. @param price of one, minor units */
export const newRoll = ({ length }: Pick<Material, 'length'>, price: number): Stock => ({
  from: 'roll',
  id: '',
  length,
  price,
  supply: null,
})
/** Rolls of another length that a shop has as well. */
export const otherRoll = ({ id, length, price }: { readonly id: string; readonly length: number; readonly price: number }): Stock => ({
  from: 'other roll',
  id,
  length,
  price,
  supply: null,
})
/** What lies in the house, and costs nothing more. */
export const houseStock = (house: readonly { readonly id: string; readonly length: number; readonly count?: number }[]): Stock[] =>
  house.map(({ id, length, count = 1 }) => ({ from: 'house', id, length, price: 0, supply: count }))

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
    stocks: [newRoll({ length: roll }, 1)],
    least: 0,
  }).opened
