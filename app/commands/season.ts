import type { Season } from '#core/season'
import { SeasonSchema, usualSeason } from '#core/season'
import type { BenchDatabase } from '../db/index'

/** What was decided of the season; what is usual while nothing was. @throws when what is kept cannot be read */
export async function seasonNow(db: BenchDatabase): Promise<Season> {
  const kept = await db.settings.get('season')
  return kept === undefined ? usualSeason() : SeasonSchema.parse(kept.value)
}

/** Changes the season as it is at that moment: what another tab changed of it meanwhile stays. @returns what was wrong with the change; then nothing is written */
export function changeSeason(db: BenchDatabase, change: (season: Season) => Partial<Season>): Promise<string | null> {
  return db.transaction('rw', db.settings, async () => {
    const now = await seasonNow(db)
    const read = SeasonSchema.safeParse({ ...now, ...change(now) })
    if (!read.success) return read.error.issues.map(({ message }) => message).join(' ')
    await db.settings.put({ key: 'season', value: read.data })
    return null
  })
}

/** Puts pieces into one batch: into that of the first which has one, or a new one. */
export function joinBatch(db: BenchDatabase, pieces: readonly string[], name: string, id: string): Promise<void> {
  return db.transaction('rw', db.batches, async () => {
    const all = await db.batches.toArray()
    const known = all.find((batch) => batch.pieces.some((each) => pieces.includes(each)))
    const others = all.filter((batch) => batch.id !== known?.id)
    for (const batch of others) {
      const left = batch.pieces.filter((each) => !pieces.includes(each))
      if (left.length === batch.pieces.length) continue
      await (left.length ? db.batches.put({ ...batch, pieces: left }) : db.batches.delete(batch.id))
    }
    await db.batches.put(known ? { ...known, pieces: [...new Set([...known.pieces, ...pieces])] } : { id, name, pieces: [...pieces] })
  })
}

/** Takes a piece out of its batch; a batch of one is none. */
export function leaveBatch(db: BenchDatabase, piece: string): Promise<void> {
  return db.transaction('rw', db.batches, async () => {
    for (const batch of await db.batches.toArray()) {
      if (!batch.pieces.includes(piece)) continue
      const pieces = batch.pieces.filter((each) => each !== piece)
      await (pieces.length > 1 ? db.batches.put({ ...batch, pieces }) : db.batches.delete(batch.id))
    }
  })
}
