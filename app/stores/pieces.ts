import { liveQuery } from 'dexie'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { FileFault } from '#core/exchange'
import { readPiece, tooLarge } from '#core/exchange'
import type { Piece } from '#core/piece'
import { mirrorPiece, startPiece } from '#core/piece'
import type { PieceRecord } from '~/db'
import { db } from '~/db'
import { removePiece, savePiece } from '~/db/pieces'

export type Imported =
  | { readonly ok: true, readonly piece: Piece, readonly how: 'new' | 'same' | 'copy' }
  | { readonly ok: false, readonly faults: readonly FileFault[] }

export const newId = (): string => crypto.randomUUID()

/** All pieces of this browser, newest first; follows what other tabs do. */
export const usePieces = defineStore('pieces', () => {
  const records = shallowRef<readonly PieceRecord[] | null>(null)
  liveQuery(() => db().pieces.orderBy('savedAt').reverse().toArray()).subscribe((all) => { records.value = all })

  async function add(piece: Piece): Promise<void> {
    const saved = await savePiece(db(), piece, 0, Date.now())
    if (!saved.ok) throw new Error(`a piece ${piece.id} is there already`)
  }

  async function start(name: string): Promise<string> {
    const piece = startPiece(newId(), name)
    await add(piece)
    return piece.id
  }

  /** Takes a file in, or says what is wrong with it and changes nothing. A piece that differs from ours by the same id comes in beside it. */
  async function importFile(file: File): Promise<Imported> {
    const large = tooLarge(file.size)
    if (large) return { ok: false, faults: [large] }
    const read = readPiece(await file.text())
    if (!read.ok) return read
    const ours = await db().pieces.get(read.piece.id)
    if (!ours) {
      await add(read.piece)
      return { ok: true, piece: read.piece, how: 'new' }
    }
    if (JSON.stringify(ours.piece) === JSON.stringify(read.piece)) return { ok: true, piece: ours.piece, how: 'same' }
    const copy = { ...read.piece, id: newId() }
    await add(copy)
    return { ok: true, piece: copy, how: 'copy' }
  }

  /** Makes the other of a pair, mirrored. @returns its name */
  async function makeTwin(piece: Piece): Promise<string> {
    const name = `${piece.brief.name.slice(0, 60)}, the other one`
    await add(mirrorPiece(piece, newId(), name))
    return name
  }

  /** Puts the demo pieces in once, if the server was started with them. */
  async function seedDemo(): Promise<void> {
    if (await db().settings.get('seeded')) return
    const answer = await fetch('/api/demo')
    if (!answer.ok) throw new Error(`the demo pieces answered ${answer.status}`)
    const files = await answer.json() as unknown[]
    for (const file of [...files].reverse()) {
      const read = readPiece(JSON.stringify(file))
      if (!read.ok) throw new Error(read.faults.map(({ says, at }) => `${at}: ${says}`).join('\n'))
      if (!await db().pieces.get(read.piece.id)) await add(read.piece)
    }
    await db().settings.put({ key: 'seeded', value: true })
  }

  return { records, start, importFile, makeTwin, seedDemo, remove: (id: string) => removePiece(db(), id) }
})
