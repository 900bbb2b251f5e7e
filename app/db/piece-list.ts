import type { BenchDatabase, PieceRecord } from './index'

/** What tells one state of a piece from another: two that have the same id are told apart by it, also when one was thrown away or brought in from a file. */
export const stampOf = ({ revision, savedAt }: Pick<PieceRecord, 'revision' | 'savedAt'>): string => `${revision}-${savedAt}`

/** An entry of the index of pieces: when it was saved, its revision and its id. */
type Entry = [savedAt: number, revision: number, id: string]

/**
 * Reads all pieces, newest first, and of those only what changed: a piece that is edited is saved three times a second, and the others
 * need not be read with it.
 * @returns what to ask each time; a piece that did not change is the very record of the time before
 */
export function pieceList(db: BenchDatabase): () => Promise<PieceRecord[]> {
  let last = new Map<string, PieceRecord>()
  return async () => {
    const entries = (await db.pieces.orderBy('[savedAt+revision+id]').reverse().keys()) as unknown as Entry[]
    const changed = entries.flatMap(([savedAt, revision, id]) => {
      const known = last.get(id)
      return known && stampOf(known) === stampOf({ revision, savedAt }) ? [] : [id]
    })
    const read = new Map((await db.pieces.bulkGet(changed)).flatMap((record) => (record ? [[record.id, record] as const] : [])))
    const all = entries.flatMap(([, , id]) => read.get(id) ?? last.get(id) ?? [])
    last = new Map(all.map((record) => [record.id, record]))
    return all
  }
}
