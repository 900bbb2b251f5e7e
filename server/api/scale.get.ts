import { createError, createEventStream, defineEventHandler, getValidatedQuery } from 'h3'
import { z } from 'zod'
import { readings, SCALE_FAULTS } from '../scale/readings'

const QuerySchema = z.strictObject({
  load: z.coerce.number().min(0).max(50_000).default(0),
  seed: z.coerce.number().int().min(0).max(2_147_483_647).default(1),
  fault: z.enum(SCALE_FAULTS).default('none'),
})
const EVERY_MS = 120

/** A simulated kitchen scale: its readings as server-sent events, until it switches itself off. */
export default defineEventHandler(async (event) => {
  const query = await getValidatedQuery(event, (input) => QuerySchema.safeParse(input))
  if (!query.success) throw createError({ statusCode: 400, statusMessage: 'The scale does not know that.' })
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
  stream.onClosed(() => {
    clearInterval(timer)
  })
  return stream.send()
})
