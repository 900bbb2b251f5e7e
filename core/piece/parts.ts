import type { BaseKind } from '../base'
import { usualBase } from '../base'
import type { Layer, Part, Piece } from './schema'
import { usualMaking } from './making-decisions'

/** A base and what is laid on it: what a piece and each of its parts are alike. */
export type Design = Pick<Piece, 'base' | 'layers'>

/** All layers of a piece, those of its parts last. */
export const everyLayer = ({ layers, parts }: Pick<Piece, 'layers' | 'parts'>): readonly Layer[] => [
  ...layers,
  ...parts.flatMap((part) => part.layers),
]

/** A part before anything lies on it, on the smallest base of a kind. */
export function startPart(id: string, name: string, kind: BaseKind): Part {
  return { id, name, base: usualBase(kind), layers: [], lies: kind === 'spray' ? 'like a stem' : 'any way round', dries: 0, bought: null }
}

/** An id that no part of a piece has. */
export function freshPartId(parts: readonly Pick<Part, 'id'>[]): string {
  let n = parts.length + 1
  while (parts.some(({ id }) => id === `part-${n}`)) n += 1
  return `part-${n}`
}

/** A part as if it were a piece of its own, one of it, that hangs nowhere: how it is laid, made and weighed follows as for any. */
export const partAsPiece = (piece: Piece, part: Part): Piece => ({
  ...piece,
  brief: { ...piece.brief, name: part.name, copies: 1, budget: null, fullness: 'sparse', balance: { school: 'offset', towards: 0 } },
  base: part.base,
  layers: part.layers,
  parts: [],
  hanger: null,
  making: { ...usualMaking(), day: null },
  weighed: piece.weighed.filter(({ what }) => what !== 'whole'),
})
