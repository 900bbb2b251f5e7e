import type { BasketJob, Solved } from '#core/price'
import { SolvedSchema } from '#core/price'
import { NoAnswer, readLimited } from './askShops'

/** Longer than the server may take for it, ms. */
const PATIENCE = 9000

/** The best basket of at most so many shops, solved on the server. @param most null is any number @throws NoAnswer */
export async function askBasket(job: BasketJob, most: number | null): Promise<Solved> {
  const late = new AbortController()
  const clock = setTimeout(() => late.abort(), PATIENCE)
  try {
    const answer = await fetch('/api/basket', {
      method: 'POST',
      signal: late.signal,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ job, most }),
    })
    if (!answer.ok) throw new NoAnswer(`answered with a fault, ${answer.status}`)
    const read = SolvedSchema.safeParse(JSON.parse(await readLimited(answer)))
    if (!read.success) throw new NoAnswer('sent what is no basket')
    return read.data
  } catch (error) {
    if (error instanceof NoAnswer) throw error
    throw new NoAnswer(
      late.signal.aborted ? 'took too long' : error instanceof SyntaxError ? 'sent what is no basket' : 'cannot be reached',
    )
  } finally {
    clearTimeout(clock)
  }
}
