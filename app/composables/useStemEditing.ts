import type { Run } from '#core/base'
import type { Material } from '#core/material'
import type { Edit } from '#core/piece'
import type { Placement } from '#core/placement'
import { copyAcross, dropOnto, duplicate, mirrorAll, placementId } from '#core/placement'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useTakingOff } from '~/stores/taking-off'
import type { EditMessage } from '../utils/edit-messages'
import { copiedAcross, doubled, movedAcross, putAt, takenOff } from '../utils/edit-messages'
import { useStemBearing } from './useStemBearing'
import { useStemChoice } from './useStemChoice'
import { useStemNudges } from './useStemNudges'
import { useStemPlaces } from './useStemPlaces'

/** What hands do with things on the base, by mouse or by key: one at a time or many together. */
export function useStemEditing() {
  const bench = useBench()
  const notices = useNotices()
  const taking = useTakingOff()
  const { runOf, placeOf, chosen, nameAll } = useStemPlaces()

  function act(make: (things: Placement[]) => Edit, words: (name: string) => EditMessage, select: readonly string[] | null = null): void {
    const things = chosen()
    if (!things.length) return
    const { does, says } = words(nameAll(things))
    notices.announce(bench.apply(make(things), does) ?? says)
    if (select) bench.selectAll(select)
  }
  function remove(): void {
    const things = chosen()
    if (things.length) taking.take(things, null, takenOff(nameAll(things)).does)
  }
  /** What can be put somewhere else by hand: what is made of lengths has its places by its numbers. */
  function actOnStems(
    make: (things: Placement[]) => Edit,
    words: (name: string) => EditMessage,
    select: readonly string[] | null = null,
  ): void {
    if (chosen().some(({ bearer }) => bearer !== null))
      notices.announce('It lies on another thing: say in its layer on which it lies, or put it on the base first')
    else if (chosen().some(({ made }) => made)) notices.announce('It is made of a length: change its numbers, or add another layer of it')
    else act(make, words, select)
  }
  const mirror = (): void => actOnStems((things) => mirrorAll(bench.piece!, things, bench.runs, bench.shelf), movedAcross, [])
  const copy = (): void => actOnStems((things) => copyAcross(bench.piece!, things, bench.runs, bench.shelf), copiedAcross)
  const double = (): void => actOnStems((things) => duplicate(bench.piece!, things, bench.runs, bench.shelf), doubled)

  /** Puts a material on the base at a place, and chooses it. */
  function drop(material: Material, run: Run, s: number, across: number): void {
    const { edit, layer, slot } = dropOnto(bench.piece!, material, { run, s, across }, bench.openLayer)
    const { does, says } = putAt(material.name, placeOf(run.id, s))
    notices.announce(bench.apply(edit, does) ?? says)
    if (slot !== null) bench.select(placementId(layer, slot), layer)
    else bench.openLayer = layer
  }

  return { runOf, placeOf, ...useStemBearing(), ...useStemNudges(), ...useStemChoice(), remove, mirror, copy, double, drop }
}
