import type { Day } from '../measure'
import type { Compared, DaybookRecord } from './record'

/** Newest first. */
export const newestFirst = (records: readonly DaybookRecord[]): DaybookRecord[] =>
  [...records].sort((a, b) => b.day.localeCompare(a.day) || a.id.localeCompare(b.id))

/** What is looked for in the daybook. */
export interface RecordSearch {
  readonly words: string
  readonly year: string | null
  readonly sold: boolean
}

/** Records that have all the words somewhere, of a year, and sold. @param sold pieces of which some were sold, by their ids */
export function findRecords(
  records: readonly DaybookRecord[],
  { words, year, sold: only }: RecordSearch,
  sold: ReadonlySet<string>,
): DaybookRecord[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
  return newestFirst(records).filter((record) => {
    if (year !== null && !record.day.startsWith(year)) return false
    if (only && record.end !== 'sold' && !sold.has(record.piece)) return false
    const { name, occasion, base, where, otherwise, lasted, end, day, compared } = record
    const text = [name, occasion, base, where, otherwise, lasted, end, day, ...compared.map((each) => each.name)].join(' ').toLowerCase()
    return wanted.every((word) => text.includes(word))
  })
}

/** Two records side by side: what both say, then what one says. */
export interface SideBySide {
  readonly id: string
  readonly name: string
  readonly unit: Compared['unit']
  readonly values: readonly (number | null)[]
}

const tookOf = ({ took, planned }: Compared): number => took ?? planned

export function compareRecords(records: readonly DaybookRecord[]): SideBySide[] {
  const rows = new Map<string, { name: string; unit: Compared['unit']; of: Compared['of']; values: (number | null)[] }>()
  records.forEach(({ compared }, i) => {
    for (const each of compared) {
      // Tasks of one title are alike, whatever layer they are of.
      const key = each.of === 'task' ? `task ${each.name}` : `${each.of} ${each.id}`
      const row = rows.get(key) ?? { name: each.name, unit: each.unit, of: each.of, values: records.map(() => null) }
      row.values[i] = (row.values[i] ?? 0) + tookOf(each)
      rows.set(key, row)
    }
  })
  const known = ({ values }: { readonly values: readonly (number | null)[] }): number => values.filter((each) => each !== null).length
  return [...rows].map(([id, { name, unit, values }]) => ({ id, name, unit, values })).sort((a, b) => known(b) - known(a))
}

/** What a piece is like, for finding others that are. */
export interface LikePiece {
  readonly id: string
  readonly base: string
  readonly occasion: string
  readonly materials: readonly string[]
}

/** A note of what to do otherwise, from a piece that was like the one at hand. */
export interface Reminder {
  readonly record: string
  readonly name: string
  readonly day: Day
  readonly note: string
  readonly end: DaybookRecord['end']
  readonly why: string
}

/** The most reminders at once. */
const MOST_REMINDERS = 4

/**
 * What was to be done otherwise next time, of pieces like the one that is begun: the same, or alike in two of base, occasion and
 * materials. The likest first, then the latest.
 */
export function remindersFor(piece: LikePiece, records: readonly DaybookRecord[]): Reminder[] {
  const own = new Set(piece.materials)
  return newestFirst(records)
    .flatMap((record) => {
      if (!record.otherwise.trim()) return []
      const theirs = record.compared.flatMap(({ of, id }) => (of === 'material' ? [id] : []))
      const shared = theirs.filter((id) => own.has(id)).length
      const alike = [
        ...(record.base === piece.base ? ['the same base'] : []),
        ...(record.occasion && record.occasion === piece.occasion ? ['the same occasion'] : []),
        ...(shared > 0 && shared * 3 >= Math.min(own.size, theirs.length) ? ['some of the same materials'] : []),
      ]
      const likeness = record.piece === piece.id ? 4 : alike.length
      if (likeness < 2) return []
      const why = record.piece === piece.id ? 'the same piece' : alike.join(', ')
      return [
        { likeness, reminder: { record: record.id, name: record.name, day: record.day, note: record.otherwise, end: record.end, why } },
      ]
    })
    .sort((a, b) => b.likeness - a.likeness)
    .slice(0, MOST_REMINDERS)
    .map(({ reminder }) => reminder)
}
