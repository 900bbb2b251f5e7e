import { createError, defineEventHandler, getRequestHeader, setResponseHeaders } from 'h3'

/** The longest address and the largest body that are taken, and how long a request may take. */
const LONGEST_URL = 2048
const LARGEST_BODY = 64 * 1024
const LONGEST_MS = 10_000
/** What is asked by sending something, and how large that may be. */
const ASKED: Readonly<Record<string, number>> = { '/api/basket': 1024 * 1024 }

/** What holds for every request, before anything answers it. */
export default defineEventHandler((event) => {
  event.node.req.setTimeout(LONGEST_MS)
  if (event.path.length > LONGEST_URL) throw createError({ statusCode: 414, statusMessage: 'The address is too long.' })
  const largest = Object.hasOwn(ASKED, event.path) ? ASKED[event.path]! : null
  const methods = largest === null ? ['GET', 'HEAD'] : ['POST']
  if (!methods.includes(event.method)) {
    setResponseHeaders(event, { allow: methods.join(', ') })
    throw createError({ statusCode: 405, statusMessage: 'Nothing here takes that method.' })
  }
  // Routes know GET alone; the answer to HEAD is that without its body, which the server leaves out by itself.
  if (event.method === 'HEAD') {
    event.context.bare = true
    event.node.req.method = 'GET'
    event._method = 'GET'
  }
  const size = getRequestHeader(event, 'content-length')
  // What comes in pieces says no size before it is there.
  if (largest !== null && size === undefined)
    throw createError({ statusCode: 411, statusMessage: 'The request does not say how large it is.' })
  if (Number(size ?? 0) > (largest ?? LARGEST_BODY)) throw createError({ statusCode: 413, statusMessage: 'The request is too large.' })
})
