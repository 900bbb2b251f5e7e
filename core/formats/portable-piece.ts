import type { Material, Shelf } from '../material'
import { CATALOGUE, materialOf } from '../material'
import type { Currency } from '../measure'
import { deltaOf } from '../measure'
import type { Layer, Piece } from '../piece'
import { everyLayer } from '../piece'

/** The largest file that is read, bytes: a piece with every layer full stays far below it. */
export const LARGEST_FILE = 8 * 1024 * 1024

/** What is wrong in a file, and where. */
export interface FileFault {
  readonly says: string
  /** `layers[2].rule.count`; empty when it is the file as a whole. */
  readonly at: string
  readonly line: number | null
}

/** What a file holds: the piece, and those of its materials that are its maker's own. */
export interface PieceFile {
  readonly piece: Piece
  readonly materials: readonly Material[]
  /** What its money was in, when an older file says so; now it is the workroom's. */
  readonly money: Currency | null
}

/** The materials that a piece is laid of, by their ids. */
const materialsOf = (piece: Piece): Set<string> =>
  new Set([
    ...everyLayer(piece).flatMap(({ mix, added }) => [...mix, ...added].map(({ material }) => material)),
    ...piece.parts.flatMap(({ bought }) => bought ?? []),
  ])

/**
 * A piece as the text of a file: one format for export, demo and import. Materials that are not as the catalogue has
 * them go along, so that the piece is the same elsewhere.
 */
export function writePiece(piece: Piece, shelf: Pick<Shelf, 'materials'> = { materials: CATALOGUE }): string {
  const materials = [...materialsOf(piece)]
    .flatMap((id) => materialOf(shelf, id) ?? [])
    .filter((each) => deltaOf(CATALOGUE[each.id], each) !== 0)
  return `${JSON.stringify(materials.length ? { ...piece, materials } : piece, null, 2)}\n`
}

/**
 * Settles the materials of a file among those of a shelf: what the shelf has by the same id and differs comes in under
 * a fresh id, which the piece then goes by; what it has alike is left.
 * @returns the piece as it goes by the shelf, and the materials to add to it
 */
export function settleMaterials(
  { piece, materials }: Omit<PieceFile, 'money'>,
  shelf: Pick<Shelf, 'materials'>,
  freshId: (name: string, taken: ReadonlySet<string>) => string,
): Omit<PieceFile, 'money'> {
  const names = new Map<string, string>()
  const add: Material[] = []
  const taken = new Set<string>()
  for (const each of materials) {
    const ours = materialOf(shelf, each.id)
    if (ours && deltaOf(ours, each) === 0) continue
    const id = ours ? freshId(each.name, taken) : each.id
    taken.add(id)
    names.set(each.id, id)
    add.push({ ...each, id })
  }
  const renamed = <T extends { readonly material: string }>(of: T): T => ({ ...of, material: names.get(of.material) ?? of.material })
  const settled = (layers: readonly Layer[]): Layer[] =>
    layers.map((layer) => ({ ...layer, mix: layer.mix.map(renamed), added: layer.added.map(renamed) }))
  return {
    piece: {
      ...piece,
      layers: settled(piece.layers),
      parts: piece.parts.map((part) => ({
        ...part,
        layers: settled(part.layers),
        bought: part.bought === null ? null : (names.get(part.bought) ?? part.bought),
      })),
    },
    materials: add,
  }
}

/** Says when a file is too large to be read, before it is. */
export function tooLarge(bytes: number): FileFault | null {
  if (bytes <= LARGEST_FILE) return null
  return {
    says: `The file is ${(bytes / 1024 / 1024).toFixed(1)} MB; the most that is read is ${LARGEST_FILE / 1024 / 1024} MB.`,
    at: '',
    line: null,
  }
}
