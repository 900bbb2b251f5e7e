import type { ZodType } from 'zod'

/** The most that is read of an answer, bytes. */
export const LONGEST_ANSWER = 1024 * 1024

/** Why an answer is of no use, in words. */
export class NoAnswer extends Error {}

/** The text of an answer, as far as it is no longer than it may be. @throws NoAnswer */
export async function readLimited(answer: Response, most = LONGEST_ANSWER): Promise<string> {
  const reader = answer.body?.getReader()
  if (!reader) return ''
  const parts: Uint8Array[] = []
  let size = 0
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    size += value.length
    if (size > most) {
      await reader.cancel()
      throw new NoAnswer('sent far too much')
    }
    parts.push(value)
  }
  const all = new Uint8Array(size)
  let at = 0
  for (const part of parts) {
    all.set(part, at)
    at += part.length
  }
  return new TextDecoder().decode(all)
}

/** What is asked for: where, how long it may take, ms, what it must be, and that in words. */
export interface HttpQuestion<T> {
  readonly address: string
  readonly patience: number
  readonly schema: ZodType<T>
  readonly what: string
  /** What is sent along. */
  readonly body?: unknown
}

/** Asks the server. @throws NoAnswer with what is wrong with the answer */
export async function askFor<T>({ address, patience, schema, what, body }: HttpQuestion<T>): Promise<T> {
  const late = new AbortController()
  const clock = setTimeout(() => late.abort(), patience)
  const sent = body === undefined ? {} : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }
  try {
    const answer = await fetch(address, { ...sent, signal: late.signal })
    if (answer.status === 503) throw new NoAnswer(answer.headers.has('retry-after') ? 'has too much to do just now' : 'nobody is there')
    if (answer.status === 413) throw new NoAnswer('is asked for more than it can do')
    if (!answer.ok) throw new NoAnswer(`answered with a fault, ${answer.status}`)
    const read = schema.safeParse(JSON.parse(await readLimited(answer)))
    if (!read.success) throw new NoAnswer(`sent what is no ${what}`)
    return read.data
  } catch (error) {
    if (error instanceof NoAnswer) throw error
    if (late.signal.aborted) throw new NoAnswer('took too long to answer')
    throw new NoAnswer(error instanceof SyntaxError ? `sent what is no ${what}` : 'cannot be reached')
  } finally {
    clearTimeout(clock)
  }
}
