import type { Run } from '../base'
import { wholesOver } from '../measure'

/** How far across the face the sprigs of a bundle fan out, in half widths: rule of thumb. */
export const BUNDLE_FAN = 0.6

/**
 * How many lengths that are bound one over the other a run takes, and their even advance.
 * On a closed run `n = ⌈C ÷ a⌉`, on an open one `n = ⌈(L − p) ÷ a⌉ + 1`; the advance is evened to what is there.
 * @param piece how long each is, mm @param advance wanted, mm, over 0
 * @example overlapped({ closed: true, length: 1000 }, 200, 90) // { count: 12, step: 1000 / 12 }
 */
export function overlapped(
  run: Pick<Run, 'closed' | 'length'>,
  piece: number,
  advance: number,
): { readonly count: number; readonly step: number } {
  if (run.closed) {
    const count = Math.max(1, wholesOver(run.length, advance))
    return { count, step: run.length / count }
  }
  const reach = Math.max(0, run.length - piece)
  const count = wholesOver(reach, advance) + 1
  return { count, step: count > 1 ? reach / (count - 1) : 0 }
}

/**
 * The advance that overlaps so much of each piece, a share from 0 to under 1; null when it cannot be.
 * @example advanceForOverlap(200, 0.25) // 150
 */
export const advanceForOverlap = (piece: number, overlap: number): number | null =>
  overlap >= 0 && overlap < 1 && piece > 0 ? piece * (1 - overlap) : null

/**
 * The advance at which so many go on; null when no advance gives that.
 * @example advanceForCount({ closed: true, length: 1000 }, 200, 8) // 125
 */
export function advanceForCount(run: Pick<Run, 'closed' | 'length'>, piece: number, count: number): number | null {
  if (count < 1) return null
  if (run.closed) return run.length / count
  return count > 1 && run.length > piece ? (run.length - piece) / (count - 1) : null
}
