import highsLoader from 'highs'
import type { BasketJob, Solved } from '../../core/price'
import { choicesOf, isExact, notCost, programOf } from './program'

type Highs = Awaited<ReturnType<typeof highsLoader>>
let loaded: Promise<Highs> | null = null
const highs = (): Promise<Highs> => (loaded ??= highsLoader())

/** How long one program may take, seconds. */
const LIMIT = 4

/** The best basket from at most so many shops, and what none can beat. @param most null is any number */
export async function solveBasket(job: BasketJob, most: number | null): Promise<Solved> {
  const solver = await highs()
  const solve = (whole: boolean) => solver.solve(programOf(job, most, whole), { mip_rel_gap: 0, time_limit: LIMIT })
  const { Status, Columns, ObjectiveValue } = solve(true)
  if (Status !== 'Optimal' && Status !== 'Time limit reached') throw new Error(`The solver says: ${Status}`)
  const value = (column: string): number => {
    const found = Columns[column]
    return found && 'Primal' in found && Number.isFinite(found.Primal) ? found.Primal : 0
  }
  if (!isExact(job)) return { choices: choicesOf(job, value), floor: null, proven: false }
  const proven = Status === 'Optimal'
  const floor = proven ? ObjectiveValue : solve(false).ObjectiveValue
  return { choices: choicesOf(job, value), floor: Number.isFinite(floor) ? Math.max(0, floor - notCost(job)) : null, proven }
}
