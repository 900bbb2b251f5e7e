import { createError, defineEventHandler, readBody } from 'h3'
import { z } from 'zod'
import { BasketJobSchema, MOST_SHOPS } from '../../core/price'
import { solveBasket } from '../basket/solve'

const QuestionSchema = z.strictObject({ job: BasketJobSchema, most: z.int().min(1).max(MOST_SHOPS).nullable() })

/** What to buy where, solved as an integer program. */
export default defineEventHandler(async (event) => {
  const read = QuestionSchema.safeParse(await readBody(event))
  if (!read.success)
    throw createError({
      statusCode: 400,
      statusMessage: 'That is no basket.',
      data: read.error.issues.slice(0, 5).map(({ path, message }) => ({ path, message })),
    })
  return solveBasket(read.data.job, read.data.most)
})
