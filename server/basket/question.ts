import { z } from 'zod'
import { BasketJobSchema, MOST_SHOPS } from '../../core/price'

/** What `POST /api/basket` is asked: a basket, from at most so many shops; null is any number. */
export const QuestionSchema = z.strictObject({ job: BasketJobSchema, most: z.int().min(1).max(MOST_SHOPS).nullable() })
export type BasketQuestion = z.infer<typeof QuestionSchema>
