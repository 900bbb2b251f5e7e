import type { Run } from '#core/base'
import { anchorSays, onRun } from '#core/base'
import { say } from '#core/measure'
import type { Placement } from '#core/placement'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { nameTogether } from '../utils/edit-messages'

/** What is chosen, and how places and things are said. */
export function useStemPlaces() {
  const bench = useBench()
  const notices = useNotices()
  const runOf = (id: string): Run => bench.runs.find((run) => run.id === id)!
  const placeOf = (run: string, s: number): string => say(anchorSays(runOf(run), onRun(runOf(run), s)), bench.manner)
  /** Things of layers that hands may move. */
  const loose = (things: readonly Placement[]): Placement[] => things.filter(({ layer }) => !bench.layerOf(layer)?.locked)
  const chosen = (): Placement[] => {
    const things = loose(bench.selectedPlacements)
    if (!things.length && bench.selection.length) notices.announce('That layer is locked.')
    return things
  }
  const nameAll = (things: readonly Placement[]): string => nameTogether(things.map((each) => bench.nameOf(each)))
  return { runOf, placeOf, loose, chosen, nameAll }
}
