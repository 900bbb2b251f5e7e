import type { BasketJob, Solved } from '#core/price'
import { SolvedSchema } from '#core/price'
import { addressOf } from './address'
import { askFor } from './http'

/** Longer than the server may take for it, ms. */
const PATIENCE = 9000

/** The best basket of at most so many shops, solved on the server. @param most null is any number @throws NoAnswer */
export const askBasket = (job: BasketJob, most: number | null): Promise<Solved> =>
  askFor({ address: addressOf('api/basket'), patience: PATIENCE, schema: SolvedSchema, what: 'basket', body: { job, most } })
