import type { BasketQuestion } from './question'
import { solveBasket } from './solve'

/** What runs in a thread of its own: one basket. */
export default ({ job, most }: BasketQuestion) => solveBasket(job, most)
