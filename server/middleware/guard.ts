import { createError, defineEventHandler, getRequestHeader, setResponseHeaders } from 'h3'

/** The longest address and the largest body that are taken, and how long a request may take. */
const LONGEST_URL = 2048
const LARGEST_BODY = 64 * 1024
const LONGEST_MS = 10_000

/** What holds for every request, before anything answers it. */
export default defineEventHandler((event) => {
  event.node.req.setTimeout(LONGEST_MS)
  if (event.path.length > LONGEST_URL) throw createError({ statusCode: 414, statusMessage: 'The address is too long.' })
  if (!['GET', 'HEAD'].includes(event.method)) {
    setResponseHeaders(event, { allow: 'GET, HEAD' })
    throw createError({ statusCode: 405, statusMessage: 'Nothing here takes that method.' })
  }
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > LARGEST_BODY)
    throw createError({ statusCode: 413, statusMessage: 'The request is too large.' })
})
