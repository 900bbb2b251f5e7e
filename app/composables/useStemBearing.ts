import { acrossAt, nearestRun, stationAt } from '#core/base'
import type { Material } from '#core/material'
import type { Point } from '#core/measure'
import type { Edit } from '#core/piece'
import type { Placement } from '#core/placement'
import { canLieOn, dropOnThing, putOnBase, putOnThing } from '#core/placement'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import type { EditMessage } from '../utils/edit-messages'
import { putOnWhat } from '../utils/edit-messages'
import { useStemPlaces } from './useStemPlaces'

/** Putting things on other things, and off them again. */
export function useStemBearing() {
  const bench = useBench()
  const notices = useNotices()
  const { loose } = useStemPlaces()

  const alone = ({ layer }: Placement): boolean => (bench.workings?.placements ?? []).filter((each) => each.layer === layer).length === 1

  function take(how: Edit | null, { does, says }: EditMessage, layer: string | null): void {
    if (!how) return
    notices.announce(bench.apply(how, does) ?? says)
    bench.selectAll([], layer ?? undefined)
  }

  /** Puts a thing on another, in its middle. */
  function putOn(thing: Placement, bearer: Placement): void {
    if (!loose([thing]).length) notices.announce('That layer is locked.')
    else
      take(
        putOnThing(bench.piece!, thing, bearer, alone(thing), bench.shelf),
        putOnWhat(bench.nameOf(thing), bench.nameOf(bearer)),
        thing.layer,
      )
  }

  /** Takes a thing off what bears it, to the base at a point, mm. */
  function putOff(thing: Placement, at: Point): void {
    const { run, s } = nearestRun(bench.runs, at)
    const station = stationAt(run, s)
    const across = acrossAt(station, at)
    take(putOnBase(bench.piece!, thing, { run, s, across }, alone(thing), bench.shelf), putOnWhat(bench.nameOf(thing), null), null)
  }

  /** Puts one of a material on a thing. */
  function dropOn(material: Material, bearer: Placement): void {
    const { edit, layer } = dropOnThing(bench.piece!, material, bearer)
    take(edit, putOnWhat(material.name, bearer.made?.as === 'bow' ? 'the bow' : bench.nameOf(bearer)), layer)
  }

  /** Of two things the smaller and the larger, where that can bear the other; null where it cannot. */
  function pairOf(two: readonly Placement[]): { readonly thing: Placement; readonly bearer: Placement } | null {
    const [thing, bearer] = [...two].sort((a, b) => a.length * a.width - b.length * b.width)
    return thing && bearer && !thing.made && thing.bearer !== bearer.id && canLieOn(bench.piece!, thing.layer, bearer.layer)
      ? { thing, bearer }
      : null
  }

  return { putOn, putOff, dropOn, pairOf }
}
