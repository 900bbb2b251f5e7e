import { STAGE_SORTS } from '../piece'
import type { Day, Rated } from '../measure'
import { daysAfter } from '../measure'
import type { Piece } from '../piece'
import { comesDownOn, keepsHanging } from '../tasks'
import type { DaybookRecord } from './record'

/** What hung, hangs or is to hang, from a day to a day. */
export interface YearBar {
  readonly id: string
  readonly piece: string
  readonly name: string
  readonly occasion: string
  readonly where: string
  readonly from: Day
  /** The last day that it hangs, as far as is known; null hangs on. */
  readonly to: Day | null
  readonly kind: 'hung' | 'hangs' | 'planned'
  readonly end: DaybookRecord['end'] | null
}

/** A piece as the year sees it. */
export interface YearPiece extends Pick<Piece, 'id' | 'stage' | 'brief' | 'making'> {
  readonly fresh: boolean
}

/**
 * A year on a page: what hung where by the daybook, and what is to hang by the pieces in hand.
 * @param year "2026" @returns by the day they go up
 */
export function yearOf(year: string, records: readonly DaybookRecord[], pieces: readonly YearPiece[], by: Rated): YearBar[] {
  const [first, last] = [`${year}-01-01`, `${year}-12-31`]
  const written = new Set(records.map(({ piece }) => piece))
  const hung = records.flatMap((record): YearBar[] => {
    const { id, piece, name, occasion, where, from, to, end, day } = record
    if (end === 'sold' || end === 'given away')
      return from === null ? [] : [{ id, piece, name, occasion, where, from, to: to ?? from, kind: 'hung', end }]
    return [{ id, piece, name, occasion, where, from: from ?? day, to, kind: to === null ? 'hangs' : 'hung', end }]
  })
  const planned = pieces.flatMap((piece): YearBar[] => {
    const { id, stage, brief, making } = piece
    if (making.day === null || !STAGE_SORTS[stage].stands || (stage === 'hung' && written.has(id))) return []
    return [
      {
        id: `planned:${id}`,
        piece: id,
        name: brief.name,
        occasion: brief.occasion,
        where: '',
        from: making.day,
        to: comesDownOn(making.day, making.hangs, keepsHanging(piece.fresh, brief.weather === 'indoors', by)),
        kind: stage === 'hung' ? 'hangs' : 'planned',
        end: null,
      },
    ]
  })
  return [...hung, ...planned]
    .filter(({ from, to }) => from <= last && (to === null || to >= first))
    .sort((a, b) => a.from.localeCompare(b.from))
}

/** What is to come down from a day on, soonest first. */
export const comesDown = (bars: readonly YearBar[], today: Day): YearBar[] =>
  bars
    .filter(({ kind, to, from }) => kind !== 'hung' && to !== null && to >= today && from <= daysAfter(today, 400))
    .sort((a, b) => a.to!.localeCompare(b.to!))
