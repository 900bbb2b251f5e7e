import { inOrder } from '#core/placement'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { chose } from '../utils/edit-messages'
import { useStemPlaces } from './useStemPlaces'

/** Choosing things on the base, by key. */
export function useStemChoice() {
  const bench = useBench()
  const notices = useNotices()
  const { placeOf } = useStemPlaces()

  /** Chooses the neighbour along the run in the same layer, or the first of all. @param more adds it to what is chosen */
  function choose(direction: 1 | -1, more = false): void {
    const all = bench.workings?.placements ?? []
    const now = bench.selectedPlacement
    const layer = now?.layer ?? all[0]?.layer
    const row = bench.runs.flatMap((run) => inOrder(all.filter((each) => each.layer === layer && each.run === run.id)))
    const here = row.findIndex(({ id }) => id === now?.id)
    const next = row[(here + direction + row.length) % row.length]
    if (!next) return
    if (more) bench.selectAll([...bench.selection.filter((id) => id !== next.id), next.id])
    else bench.select(next.id)
    notices.announce(chose(bench.nameOf(next), placeOf(next.run, next.s), more ? bench.selection.length : null))
  }
  /** Chooses the first of the next layer. */
  function chooseLayer(direction: 1 | -1): void {
    const { layers } = bench.piece!
    const here = layers.findIndex(({ id }) => id === bench.openLayer)
    const next = layers[(here + direction + layers.length) % layers.length]
    const own = bench.workings?.placements.filter(({ layer }) => layer === next?.id) ?? []
    const first = own.find(({ number }) => number === Math.min(...own.map((each) => each.number)))
    if (!next) return
    bench.openLayer = next.id
    if (first) {
      bench.select(first.id)
      notices.announce(chose(bench.nameOf(first), placeOf(first.run, first.s)))
    }
  }
  function chooseAllOfLayer(): void {
    const all = bench.workings?.placements ?? []
    const layer = bench.selectedPlacement?.layer ?? bench.openLayer ?? all[0]?.layer
    bench.selectAll(all.filter((each) => each.layer === layer).map(({ id }) => id))
    notices.announce(`${bench.selection.length} chosen`)
  }

  return { choose, chooseLayer, chooseAllOfLayer }
}
