import type { Want } from './cutting-job'
import { GRAIN, grains, JOIN_LAP } from './cutting-job'

/** A piece that has been cut. */
export interface CutPiece {
  readonly id: string
  readonly want: string
  readonly length: number
}

/** What is in pieces already, held against what is wanted now. */
export interface Reckoned {
  /** What is still to cut. */
  readonly left: readonly Want[]
  /** Pieces that serve a want, by want. */
  readonly made: ReadonlyMap<string, number>
  /** Pieces that nothing wants any more: each can be cut again, or serve a shorter one. */
  readonly over: readonly CutPiece[]
}

/**
 * Once cut, a piece is cut: it serves its want while that is of the same length and there are not more than wanted.
 * A part of a joined piece takes its own length, less the lap of the next, off what is wanted.
 */
export function reckon(wants: readonly Want[], cut: readonly CutPiece[]): Reckoned {
  const over: CutPiece[] = []
  const made = new Map<string, number>()
  const byWant = new Map<string, CutPiece[]>()
  for (const piece of cut) byWant.set(piece.want, [...(byWant.get(piece.want) ?? []), piece])
  const left = wants.flatMap((want): Want[] => {
    const own = byWant.get(want.id) ?? []
    byWant.delete(want.id)
    if (want.joins) return joined(want, own, made, over)
    const fit = own.filter(({ length }) => grains(length) === grains(want.length))
    over.push(...own.filter((each) => !fit.includes(each)), ...fit.slice(want.count))
    made.set(want.id, Math.min(fit.length, want.count))
    return fit.length < want.count ? [{ ...want, count: want.count - fit.length }] : []
  })
  over.push(...[...byWant.values()].flat())
  return { left, made, over }
}

/** Puts each part to the piece that it completes, else to one not begun; every part but the first laps over the one before. */
function joined(want: Want, own: readonly CutPiece[], made: Map<string, number>, over: CutPiece[]): Want[] {
  /** What pieces that are begun still want, mm. */
  const begun: number[] = []
  let whole = 0
  for (const { id, want: of, length } of own) {
    const ends = begun.findIndex((left) => Math.abs(left - length) < GRAIN)
    if (ends >= 0) {
      begun.splice(ends, 1)
      whole += 1
      continue
    }
    const fresh = whole + begun.length < want.count
    const left = fresh ? want.length : begun.length ? Math.max(...begun) : null
    if (left === null) {
      over.push({ id, want: of, length })
      continue
    }
    if (!fresh) begun.splice(begun.indexOf(left), 1)
    if (length >= left - GRAIN) whole += 1
    else begun.push(left - length + JOIN_LAP)
  }
  made.set(want.id, whole)
  const others = want.count - whole - begun.length
  return [...(others > 0 ? [{ ...want, count: others }] : []), ...begun.map((left) => ({ ...want, length: left, count: 1 }))]
}
