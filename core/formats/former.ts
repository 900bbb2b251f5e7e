/**
 * Rows as they were written at earlier versions of the file and the database, brought on by one. What stands here is of the past and
 * is not touched again: it takes rows as they may be, and leaves alone what is not as it expects.
 */
type Row = Readonly<Record<string, unknown>>
const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value)

/** A lot whose want began with the id of its piece, which it names beside it: workrooms of format 1, databases up to 16. */
export function wantOfItsPiece(lot: unknown): unknown {
  if (!isRow(lot) || !isRow(lot.reserved)) return lot
  const { piece, want } = lot.reserved
  if (typeof piece !== 'string' || typeof want !== 'string' || !want.startsWith(`${piece}:`)) return lot
  return { ...lot, reserved: { ...lot.reserved, want: want.slice(piece.length + 1) } }
}

/**
 * A season whose bows bought ready-made were one text each, the id of the piece before that of the task: the same.
 * @param pieces ids that there are: the longest that it begins with is meant, else what stands before the first colon
 */
export function readyByPiece(season: unknown, pieces: readonly string[]): unknown {
  if (!isRow(season) || !Array.isArray(season.ready)) return season
  const known = [...pieces].sort((a, b) => b.length - a.length)
  return {
    ...season,
    ready: season.ready.map((each: unknown) => {
      if (typeof each !== 'string' || !each.includes(':')) return each
      const piece = known.find((id) => each.startsWith(`${id}:`)) ?? each.slice(0, each.indexOf(':'))
      return { piece, task: each.slice(piece.length + 1) }
    }),
  }
}
