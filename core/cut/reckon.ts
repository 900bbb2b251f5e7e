import type { Stock, Want } from './job'
import { grains } from './job'

/** A piece that has been cut. */
export interface CutPiece { readonly id: string, readonly want: string, readonly length: number }

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
 * A part of a joined piece takes its own length off what is wanted.
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

function joined(want: Want, own: readonly CutPiece[], made: Map<string, number>, over: CutPiece[]): Want[] {
  let length = want.length * want.count
  for (const piece of own) {
    if (length > 0) length -= piece.length
    else over.push(piece)
  }
  const whole = Math.floor((want.length * want.count - Math.max(0, length)) / want.length + 1e-9)
  made.set(want.id, whole)
  const rest = length - (want.count - whole - 1) * want.length
  if (length <= 0) return []
  const others = want.count - whole - 1
  return [...(others > 0 ? [{ ...want, count: others }] : []), { ...want, length: rest, count: 1 }]
}

/** Pieces that nothing wants any more, as something to cut from. */
export const asStock = (over: readonly CutPiece[]): Stock[] => over.map(({ id, length }) => ({ id, length, price: 0, supply: 1 }))
