import type { Question } from './question'
import { solveBasket } from './solve'

/** What runs in a thread of its own: one basket. */
export default ({ job, most }: Question) => solveBasket(job, most)
