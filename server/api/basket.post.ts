import { createError, defineEventHandler, getRequestHeader, readBody, setResponseHeader } from 'h3'
import { Busy, solveAside } from '../basket/pool'
import { LARGEST_PROGRAM, termsOf } from '../basket/program'
import { QuestionSchema } from '../basket/question'

/** When to ask again where too many ask, seconds. */
const AGAIN = 5

/** What to buy where, solved as an integer program beside what answers everybody else. */
export default defineEventHandler(async (event) => {
  if (!/^application\/json\b/i.test(getRequestHeader(event, 'content-type') ?? ''))
    throw createError({ statusCode: 415, statusMessage: 'A basket is asked for as application/json.' })
  const read = QuestionSchema.safeParse(await readBody(event))
  if (!read.success)
    throw createError({
      statusCode: 400,
      statusMessage: 'That is no basket.',
      data: read.error.issues.slice(0, 5).map(({ path, message }) => ({ path, message })),
    })
  if (termsOf(read.data.job) > LARGEST_PROGRAM)
    throw createError({ statusCode: 413, statusMessage: 'This basket is larger than any that is solved here.' })
  const asking = new AbortController()
  event.node.res.once('close', () => {
    if (!event.node.res.writableEnded) asking.abort()
  })
  try {
    return await solveAside(read.data, asking.signal)
  } catch (error) {
    if (asking.signal.aborted) return null
    if (!(error instanceof Busy)) throw error
    setResponseHeader(event, 'retry-after', AGAIN)
    throw createError({ statusCode: 503, statusMessage: error.message, data: { why: error.why, again: AGAIN } })
  }
})
