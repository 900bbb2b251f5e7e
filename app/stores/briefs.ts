import type { InBrief } from '#core/workings'
import type { PieceRecord } from '~/db'
import { db } from '~/db'
import { askBriefs } from '~/workers/workings'
import { useCacheKey } from './cache-key'
import { useNotices } from './notices'
import { useStock } from './stock'

/** Pieces that are asked for together. */
const AT_ONCE = 20

/** Pieces in brief, kept by what they were when they were worked out, in memory and in the database, so that 200 of them need not be again. */
export function useBriefs(): (records: readonly PieceRecord[]) => Promise<ReadonlyMap<string, InBrief>> {
  const notices = useNotices()
  const stock = useStock()
  const keyOf = useCacheKey('sums')
  const known = new Map<string, InBrief & { readonly key: string }>()
  /** Pieces that could not be worked out, by what they were: told once, and left out. */
  const failed = new Map<string, string>()
  let before: Promise<unknown> = Promise.resolve()

  async function workOut(records: readonly PieceRecord[]): Promise<ReadonlyMap<string, InBrief>> {
    const unknown = records.filter((record) => known.get(record.id)?.key !== keyOf(record))
    const kept = await db().needs.bulkGet(unknown.map(({ id }) => id))
    unknown.forEach((record, i) => {
      if (kept[i]?.key === keyOf(record)) known.set(record.id, kept[i])
    })
    const missing = unknown.filter((record) => known.get(record.id)?.key !== keyOf(record) && failed.get(record.id) !== keyOf(record))
    for (let i = 0; i < missing.length; i += AT_ONCE) await ask(missing.slice(i, i + AT_ONCE))
    return new Map(records.flatMap(({ id }) => (known.has(id) ? [[id, known.get(id)!] as const] : [])))
  }

  async function ask(some: readonly PieceRecord[]): Promise<void> {
    const answers = await askBriefs(
      some.map(({ piece }) => piece),
      stock.pricing,
    )
    const found = some.flatMap((record, k) => {
      const answer = answers[k]!
      if (answer.ok) return [{ id: record.id, key: keyOf(record), needs: answer.needs, tasks: answer.tasks }]
      failed.set(record.id, keyOf(record))
      notices.fault(`What “${record.piece.brief.name}” needs could not be worked out`, `${answer.error}\nThe plan is without it.`)
      return []
    })
    await db().needs.bulkPut(found)
    for (const each of found) known.set(each.id, each)
  }

  /** Pieces in brief, by their ids; without those that cannot be worked out. One question after the other: what the first had worked out, the next need not. */
  return function briefs(records: readonly PieceRecord[]): Promise<ReadonlyMap<string, InBrief>> {
    const answer = before.then(() => workOut(records))
    before = answer.catch(() => {})
    return answer
  }
}
