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

/** A material of a maker's own that said nothing of how its stem bends: it was laid straight. Workrooms up to format 3, databases up to 21. */
export const withoutCurve = (material: unknown): unknown => (isRow(material) ? { curve: null, ...material } : material)

/** What of a kind was put together of others, by how wide it was, mm: what it is of, how many, and how large each is. */
const PUT_TOGETHER: Readonly<Record<string, { of: string; count: number; sizes: readonly (readonly [wide: number, size: number])[] }>> = {
  'base:tree-swag': { of: 'base:mini-tree', count: 2, sizes: [[813, 457.2], [1092, 609.6], [1372, 762]] }, // prettier-ignore
  'base:teardrop': { of: 'base:mini-tree', count: 2, sizes: [[279, 457.2], [356, 609.6], [406, 762]] }, // prettier-ignore
  'base:opened-ring': { of: 'base:evergreen-ring', count: 1, sizes: [[945, 406.4], [1207, 508], [1467, 609.6]] }, // prettier-ignore
}

/** A lot of bare swags, teardrops or opened rings, which are trees and rings since: workrooms up to format 2, databases up to 20. */
export function asItsParts(lot: unknown): unknown {
  if (!isRow(lot) || typeof lot.material !== 'string' || !Object.hasOwn(PUT_TOGETHER, lot.material)) return lot
  const { of, count, sizes } = PUT_TOGETHER[lot.material]!
  const { cut, things } = lot
  const nearest = (wide: number): number =>
    sizes.reduce((best, each) => (Math.abs(each[0] - wide) < Math.abs(best[0] - wide) ? each : best))[1]
  return {
    ...lot,
    material: of,
    things: typeof things === 'number' ? things * count : things,
    cut: typeof cut === 'number' ? nearest(cut) : cut,
  }
}
