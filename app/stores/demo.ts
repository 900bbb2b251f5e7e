import { RecordSchema } from '#core/daybook'
import type { Sale } from '#core/price'
import { BatchSchema, KitSchema, SeasonSchema } from '#core/season'
import { LotSchema } from '#core/stock'
import { isSeeded, putDemo } from '~/commands/demo'
import type { PieceRecord, PreviewRecord } from '~/db'
import { db } from '~/db'
import { stampOf } from '~/db/piece-list'
import { addressOf } from '~/utils/address'
import { askReading } from '~/workers/workings'

/** What `GET /api/demo` answers: piece files, and the previews of them that were painted when the app was made. */
interface Demo {
  readonly pieces: readonly unknown[]
  /** What lies in the stash, and what was sold. */
  readonly house?: { readonly lots: readonly unknown[]; readonly sales: readonly Sale[] }
  /** What was decided of a season, and two occasions in the daybook. */
  readonly season?: {
    readonly season: unknown
    readonly batches: readonly unknown[]
    readonly kits: readonly unknown[]
    readonly daybook: readonly unknown[]
  }
  readonly previews: {
    readonly shelf: string
    readonly painter: string
    readonly of: Readonly<Record<string, Omit<PreviewRecord, 'id' | 'key' | 'picture'> & { readonly picture: string }>>
  } | null
}

/** Puts the demo in once, if the server was started with it. @throws Error what is wrong with it */
export async function seedDemo(): Promise<void> {
  if (await isSeeded(db())) return
  const answer = await fetch(addressOf('api/demo'))
  if (!answer.ok) throw new Error(`the demo pieces answered ${answer.status}`)
  const { pieces: files, house, season, previews } = (await answer.json()) as Demo
  const pieces = await recordsOf(files)
  await putDemo(db(), {
    pieces,
    previews: previewsOf(pieces, previews),
    lots: (house?.lots ?? []).map((lot) => LotSchema.parse(lot)),
    sales: house?.sales ?? [],
    batches: (season?.batches ?? []).map((batch) => BatchSchema.parse(batch)),
    kits: (season?.kits ?? []).map((kit) => KitSchema.parse(kit)),
    daybook: (season?.daybook ?? []).map((record) => RecordSchema.parse(record)),
    season: season ? SeasonSchema.parse(season.season) : null,
  })
}

/** The pieces of the demo, the first the newest. */
async function recordsOf(files: readonly unknown[]): Promise<PieceRecord[]> {
  const now = Date.now()
  const read = await Promise.all(files.map((file) => askReading(JSON.stringify(file))))
  return read.map((piece, i): PieceRecord => {
    if (!piece.ok) throw new Error(piece.faults.map(({ says, at }) => `${at}: ${says}`).join('\n'))
    return { id: piece.piece.id, piece: piece.piece, revision: 1, savedAt: now - i }
  })
}

const previewsOf = (pieces: readonly PieceRecord[], previews: Demo['previews']): PreviewRecord[] =>
  pieces.flatMap((record): PreviewRecord[] => {
    if (!previews || !Object.hasOwn(previews.of, record.id)) return []
    const of = previews.of[record.id]!
    const picture = new Blob([Uint8Array.from(atob(of.picture), (letter) => letter.charCodeAt(0))], { type: 'image/webp' })
    return [{ ...of, id: record.id, key: `${stampOf(record)}.${previews.shelf}.${previews.painter}`, picture }]
  })
