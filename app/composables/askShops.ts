import type { Day } from '#core/measure'
import type { Shop } from '#core/price'
import { ShopNamesSchema, ShopSchema } from '#core/price'

/** How long a shop may take, ms, and the most that is read of its answer, bytes. */
export const PATIENCE = 4000
export const LONGEST_ANSWER = 1024 * 1024

/** Why a shop's answer is of no use, in words. */
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

async function ask(address: string): Promise<unknown> {
  const late = new AbortController()
  const clock = setTimeout(() => late.abort(), PATIENCE)
  try {
    const answer = await fetch(address, { signal: late.signal })
    if (!answer.ok) throw new NoAnswer(answer.status === 503 ? 'nobody is there' : `answered with a fault, ${answer.status}`)
    return JSON.parse(await readLimited(answer)) as unknown
  } catch (error) {
    if (error instanceof NoAnswer) throw error
    if (late.signal.aborted) throw new NoAnswer('took too long to answer')
    if (error instanceof SyntaxError) throw new NoAnswer('sent what is no price list')
    throw new NoAnswer('cannot be reached')
  } finally {
    clearTimeout(clock)
  }
}

/** Who there is to ask. @throws NoAnswer */
export async function askNames(): Promise<readonly { readonly id: string; readonly name: string; readonly note: string }[]> {
  const read = ShopNamesSchema.safeParse(await ask('/api/shops'))
  if (!read.success) throw new NoAnswer('sent what is no list of shops')
  return read.data.shops
}

/** A shop's price list of a day. @throws NoAnswer with what is wrong with it */
export async function askShop(id: string, day: Day): Promise<Shop> {
  const read = ShopSchema.safeParse(await ask(`/api/shops/${encodeURIComponent(id)}?day=${day}`))
  if (!read.success || read.data.id !== id) throw new NoAnswer('sent what is no price list')
  return read.data
}
