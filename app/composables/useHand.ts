import { inOrder } from '#core/arrange'
import type { Placement } from '#core/arrange'
import { clock, inches } from '#core/measure'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'

/** What a hand does with single things on the base, by mouse or by key. */
export function useHand() {
  const bench = useBench()
  const notices = useNotices()
  const placementName = bench.nameOf

  const find = (id: string | null): Placement | undefined => bench.workings?.placements.find((each) => each.id === id)
  const lengthOf = (run: string): number => bench.workings!.tapes.find((tape) => tape.run === run)!.length

  function slideBy(id: string, along: number, merge: string | null = null): void {
    const placement = find(id)
    if (!placement || along === 0) return
    const to = clock(((placement.s + along) / lengthOf(placement.run)) * 360)
    bench.nudge(placement, { along }, `slide ${placementName(placement)} to ${to}`, merge)
    notices.announce(`${placementName(placement)} at ${to}`)
  }

  /** @param direction 1 clockwise @param fine a sixteenth of an inch or a millimetre instead of a quarter or five */
  function slide(direction: 1 | -1, fine: boolean): void {
    const step = bench.manner.units === 'in' ? inches(fine ? 1 / 16 : 1 / 4) : fine ? 1 : 5
    if (bench.selected) slideBy(bench.selected, direction * step, `slide:${bench.selected}`)
  }

  function turn(by: number): void {
    const placement = find(bench.selected)
    if (!placement) return
    bench.nudge(placement, { turn: by }, `turn ${placementName(placement)}`, `turn:${placement.id}`)
    notices.announce(`${placementName(placement)} turned ${Math.abs(by)} degrees ${by > 0 ? 'clockwise' : 'anticlockwise'}`)
  }

  function shift(by: number): void {
    const placement = find(bench.selected)
    if (!placement) return
    bench.nudge(placement, { across: by }, `move ${placementName(placement)} across`, `across:${placement.id}`)
    notices.announce(`${placementName(placement)} moved ${by > 0 ? 'outward' : 'inward'}`)
  }

  function putBack(): void {
    const placement = find(bench.selected)
    if (!placement?.nudged) return
    bench.apply({ do: 'nudge', layer: placement.layer, slot: placement.slot, nudge: null }, `put ${placementName(placement)} back to its rule`)
    notices.announce(`${placementName(placement)} is back at its rule`)
  }

  /** Chooses the neighbour along the run in the same layer, or the first of all. */
  function choose(direction: 1 | -1): void {
    const all = bench.workings?.placements ?? []
    const now = find(bench.selected)
    const row = inOrder(now ? all.filter(({ layer }) => layer === now.layer) : all.filter(({ layer }) => layer === all[0]?.layer))
    const here = row.findIndex(({ id }) => id === now?.id)
    const next = row[(here + direction + row.length) % row.length]
    if (!next) return
    bench.select(next.id)
    notices.announce(`${placementName(next)} at ${clock((next.s / lengthOf(next.run)) * 360)}`)
  }

  return { slide, slideBy, turn, shift, putBack, choose }
}
