import { createError, defineEventHandler } from 'h3'

/** An address under /api/ that nothing else answers. */
export default defineEventHandler(() => {
  throw createError({ statusCode: 404, statusMessage: 'There is nothing at this address.' })
})
