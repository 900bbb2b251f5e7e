import type { FileFault } from '#core/exchange'
import { writePiece } from '#core/exchange'
import type { Piece } from '#core/piece'

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

/** The name that a piece's files begin with. */
export const fileName = (piece: Piece): string => piece.brief.name.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'piece'

/** Hands a piece out as a file. */
export const exportPiece = (piece: Piece): void => saveText(writePiece(piece), `${fileName(piece)}.piece.json`, 'application/json')

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
