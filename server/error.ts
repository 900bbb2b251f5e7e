import { send, setResponseHeader, setResponseStatus } from 'h3'
import { defineNitroErrorHandler } from 'nitropack/runtime'

/** What went wrong, in words and by its number; nothing of where it is served, nor of how it is made. */
export default defineNitroErrorHandler((error, event) => {
  const status = error.statusCode >= 400 && error.statusCode < 600 ? error.statusCode : 500
  const said = error.unhandled ? 'Something went wrong here.' : error.statusMessage
  if (error.unhandled) console.error(error.message)
  setResponseStatus(event, status, said)
  setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
  return send(
    event,
    JSON.stringify({ error: true, statusCode: status, statusMessage: said, message: said, data: error.unhandled ? undefined : error.data }),
  )
})
