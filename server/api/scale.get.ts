import { createError, createEventStream, defineEventHandler, getValidatedQuery, setResponseHeader } from 'h3'
import { z } from 'zod'
import { readings, SCALE_FAULTS } from '../scale/readings'

const QuerySchema = z.strictObject({
  load: z.coerce.number().min(0).max(50_000).default(0),
  seed: z.coerce.number().int().min(0).max(2_147_483_647).default(1),
  fault: z.enum(SCALE_FAULTS).default('none'),
})
const EVERY_MS = 120
/** How many may be weighed with at once, and for how long, ms: each holds a connection. */
const MOST_OPEN = 100
const LONGEST_MS = 120_000
/** When to ask again where too many are in use, seconds. */
const AGAIN = 5
let open = 0

/** A simulated kitchen scale: its readings as server-sent events, until it switches itself off. */
export default defineEventHandler(async (event) => {
  const query = await getValidatedQuery(event, (input) => QuerySchema.safeParse(input))
  if (!query.success) throw createError({ statusCode: 400, statusMessage: 'The scale does not know that.' })
  if (event.context.bare) {
    setResponseHeader(event, 'content-type', 'text/event-stream')
    return ''
  }
  if (open >= MOST_OPEN) {
    setResponseHeader(event, 'retry-after', AGAIN)
    throw createError({ statusCode: 503, statusMessage: 'Too many scales are in use.' })
  }
  const { load, seed, fault } = query.data
  const stream = createEventStream(event)
  const all = readings(load, seed, fault)
  const timer = setInterval(() => {
    const next = all.next()
    if (!next.done) {
      void stream.push(next.value)
      return
    }
    clearInterval(timer)
    // One that stops in the middle says nothing more, and does not hang up.
    if (fault !== 'stops') void stream.push({ event: 'off', data: 'off' }).then(() => stream.close())
  }, EVERY_MS)
  const over = setTimeout(() => void stream.close(), LONGEST_MS)
  open += 1
  event.node.res.once('close', () => {
    open -= 1
    clearInterval(timer)
    clearTimeout(over)
  })
  return stream.send()
})
