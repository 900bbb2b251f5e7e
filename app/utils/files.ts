import type { FileFault } from '#core/formats'
import { writePiece } from '#core/formats'
import type { Shelf } from '#core/material'
import type { Piece } from '#core/piece'

export type TextOf =
  { readonly ok: true; readonly text: string; readonly guessed: boolean } | { readonly ok: false; readonly error: string }

/**
 * The text of a file: UTF-8, or what old spreadsheets write (Windows-1252), which is told, since its letters may be others.
 */
export async function textOf(file: File): Promise<TextOf> {
  const bytes = await file.arrayBuffer()
  try {
    return { ok: true, text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), guessed: false }
  } catch {
    if (new Uint8Array(bytes).includes(0)) return { ok: false, error: 'This is not a text file.' }
    return { ok: true, text: new TextDecoder('windows-1252').decode(bytes), guessed: true }
  }
}

/** Hands text out as a file. */
export const saveText = (text: string, name: string, type: string): void => saveBlob(new Blob([text], { type }), name)

/** Hands anything out as a file. */
export function saveBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob)
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}

/** What files of something begin with: its name in plain letters. @param otherwise where nothing of it is left */
export const fileNameOf = (name: string, otherwise: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || otherwise
/** The name that a piece's files begin with. */
export const fileName = (piece: Piece): string => fileNameOf(piece.brief.name, 'piece')

/** Hands a piece out as a file, with the materials of one's own that it is laid of. */
export const exportPiece = (piece: Piece, shelf: Shelf): void =>
  saveText(writePiece(piece, shelf), `${fileName(piece)}.piece.json`, 'application/json')

const FAULTS_SHOWN = 5

/** What is wrong in a file and where, line by line. */
export function faultText(faults: readonly FileFault[]): string {
  const lines = faults.slice(0, FAULTS_SHOWN).map(({ says, at, line }) => {
    const where = [at, line === null ? '' : `line ${line}`].filter(Boolean).join(', ')
    return where ? `${where}: ${says}` : says
  })
  if (faults.length > FAULTS_SHOWN) lines.push(`and ${faults.length - FAULTS_SHOWN} more`)
  return `${lines.join('\n')}\nNothing was changed.`
}
