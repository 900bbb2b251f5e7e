import type { Lot } from '#core/stock'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { FileFault, PieceFile } from '#core/formats'
import { settleMaterials, tooLarge } from '#core/formats'
import type { Currency } from '#core/measure'
import { deltaOf } from '#core/measure'
import type { Edit, Piece } from '#core/piece'
import { edit, mirrorPiece, startPiece } from '#core/piece'
import type { Sale } from '#core/price'
import { RecordSchema } from '#core/daybook'
import { BatchSchema, KitSchema, SeasonSchema } from '#core/season'
import { LotSchema } from '#core/stock'
import type { PieceRecord, PreviewRecord } from '~/db'
import { db } from '~/db'
import { pieceList, stampOf } from '~/db/piece-list'
import { following } from '~/stores/live-query'
import { editPiece, removePiece, savePiece, takeApart, takeUpRescues } from '~/commands/pieces'
import { joinBatch } from '~/commands/season'
import { textOf } from '~/utils/files'
import { askReading } from '~/workers/workings'
import { useMaterials } from './materials'
import { useShops } from './shops'

export type Imported =
  | {
      readonly ok: true
      readonly piece: Piece
      readonly how: 'new' | 'same' | 'copy'
      readonly materials: number
      readonly money: Currency | null
    }
  | { readonly ok: false; readonly faults: readonly FileFault[] }

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

export const newId = (): string => crypto.randomUUID()

/** All pieces of this browser, newest first; follows what other tabs do. */
export const usePieces = defineStore('pieces', () => {
  const materials = useMaterials()
  const shops = useShops()
  const records = shallowRef<readonly PieceRecord[] | null>(null)
  following(pieceList(db()), (all) => {
    records.value = all
  })

  async function add(piece: Piece): Promise<void> {
    const saved = await savePiece(db(), piece, 0, Date.now())
    if (!saved.ok) throw new Error('A piece of that id is there already.')
  }

  async function start(name: string): Promise<string> {
    const piece = startPiece(newId(), name)
    await add(piece)
    return piece.id
  }

  /** Takes a file in, or says what is wrong with it and changes nothing. A piece that differs from ours by the same id comes in beside it, with the materials of its maker's own. */
  async function importFile(file: File): Promise<Imported> {
    const large = tooLarge(file.size)
    if (large) return { ok: false, faults: [large] }
    const text = await textOf(file)
    if (!text.ok || text.guessed)
      return { ok: false, faults: [{ says: 'The file is not UTF-8 text, as our files are.', at: '', line: null }] }
    const read = await askReading(text.text)
    if (!read.ok) return read
    return take(read)
  }

  /** Takes a piece in that was read from somewhere, with the materials of its maker's own: beside ours, where that differs by the same id. */
  async function take(read: PieceFile): Promise<Extract<Imported, { ok: true }>> {
    const settled = settleMaterials(read, shops.shelf, materials.freshIds())
    if (settled.materials.length) await materials.saveAll(settled.materials)
    const took = { ok: true as const, materials: settled.materials.length, money: read.money }
    const ours = await db().pieces.get(settled.piece.id)
    if (!ours) {
      await add(settled.piece)
      return { ...took, piece: settled.piece, how: 'new' }
    }
    if (deltaOf(ours.piece, settled.piece) === 0) return { ...took, piece: ours.piece, how: 'same' }
    const copy = { ...settled.piece, id: newId() }
    await add(copy)
    return { ...took, piece: copy, how: 'copy' }
  }

  /** Makes the other of a pair, mirrored. @returns its name */
  async function makeTwin(piece: Piece): Promise<string> {
    const name = `${piece.brief.name.slice(0, 60)}, the other one`
    const twin = mirrorPiece(piece, newId(), name)
    await add(twin)
    await joinBatch(db(), [piece.id, twin.id], `${piece.brief.name.slice(0, 60)}, a pair`, newId())
    return name
  }

  /** Puts the demo pieces in once, all at a time, if the server was started with them. */
  async function seedDemo(): Promise<void> {
    if (await db().settings.get('seeded')) return
    const answer = await fetch('/api/demo')
    if (!answer.ok) throw new Error(`the demo pieces answered ${answer.status}`)
    const { pieces, house, season, previews } = (await answer.json()) as Demo
    const lots = (house?.lots ?? []).map((lot) => LotSchema.parse(lot))
    const [batches, kits, daybook] = [
      (season?.batches ?? []).map((each) => BatchSchema.parse(each)),
      (season?.kits ?? []).map((each) => KitSchema.parse(each)),
      (season?.daybook ?? []).map((each) => RecordSchema.parse(each)),
    ]
    const now = Date.now()
    const found = await Promise.all(pieces.map((file) => askReading(JSON.stringify(file))))
    const all = found.map((read, i): PieceRecord => {
      if (!read.ok) throw new Error(read.faults.map(({ says, at }) => `${at}: ${says}`).join('\n'))
      return { id: read.piece.id, piece: read.piece, revision: 1, savedAt: now - i }
    })
    const painted = all.flatMap((record): PreviewRecord[] => {
      const of = previews && Object.hasOwn(previews.of, record.id) ? previews.of[record.id] : undefined
      if (!of) return []
      const picture = new Blob([Uint8Array.from(atob(of.picture), (letter) => letter.charCodeAt(0))], { type: 'image/webp' })
      return [{ ...of, id: record.id, key: `${stampOf(record)}.${previews!.shelf}.${previews!.painter}`, picture }]
    })
    const tables = [db().pieces, db().previews, db().settings, db().lots, db().sales, db().batches, db().kits, db().daybook]
    await db().transaction('rw', tables, async () => {
      if (await db().settings.get('seeded')) return
      const there = new Set((await db().pieces.bulkGet(all.map(({ id }) => id))).flatMap((each) => each?.id ?? []))
      await db().pieces.bulkAdd(all.filter(({ id }) => !there.has(id)))
      await db().previews.bulkPut(painted.filter(({ id }) => !there.has(id)))
      await db().lots.bulkPut(lots)
      await db().sales.bulkPut([...(house?.sales ?? [])])
      await db().batches.bulkPut(batches)
      await db().kits.bulkPut(kits)
      await db().daybook.bulkPut(daybook)
      if (season && !(await db().settings.get('season')))
        await db().settings.put({ key: 'season', value: SeasonSchema.parse(season.season) })
      await db().settings.put({ key: 'seeded', value: true })
    })
  }

  return {
    records,
    start,
    importFile,
    take,
    makeTwin,
    /** Makes an edit of a piece that is on no bench. @throws when it cannot be so, or is gone */
    edit: (id: string, how: Edit, words: string): Promise<Piece> => editPiece(db(), id, how, words, Date.now()),
    seedDemo,
    add,
    /**
     * Takes a piece apart: what can be used again goes into the stash, in the same transaction. @param partsOf the lots that come of those that it had
     * @throws Error when another tab changed it meanwhile
     */
    async takeApart({ piece, revision }: Pick<PieceRecord, 'piece' | 'revision'>, partsOf: (had: readonly Lot[]) => readonly Lot[]) {
      const done = edit(piece, { do: 'stage', stage: 'taken apart' }, 'take it apart')
      if (!done.ok) throw new RangeError(done.error)
      const saved = await takeApart(db(), done.change.piece, revision, partsOf, Date.now())
      if (!saved.ok) throw new Error('Another tab changed the piece meanwhile.')
    },
    remove: (id: string) => removePiece(db(), id),
    takeUpRescues: () => takeUpRescues(db(), newId, Date.now()),
  }
})
