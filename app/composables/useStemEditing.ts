import type { Placement } from '#core/placement'
import { copyAcross, duplicate, freshIds, inOrder, mirrorAll, nudgeAll, placementId, takeOff } from '#core/placement'
import type { Run } from '#core/base'
import { anchorSays, onRun } from '#core/base'
import type { Material } from '#core/material'
import { clamp, inches, say } from '#core/measure'
import type { Edit, Layer, Nudge } from '#core/piece'
import { addedSlot, freshLayerId, laysLengths, rulesFor, startLayer } from '#core/piece'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useShops } from '~/stores/shops'
import type { EditMessage } from '../utils/edit-messages'
import {
  chose,
  copiedAcross,
  cutToMessage,
  doubled,
  liftedMessage,
  movedAcross,
  nameTogether,
  pinnedDown,
  putAt,
  putBackToRule,
  shifted,
  slid,
  takenOff,
  trimmed,
  turnedMessage,
} from '../utils/edit-messages'

/** What a stem may be trimmed to, mm. */
const [SHORTEST, LONGEST] = [5, 3000]

/** What hands do with things on the base, by mouse or by key: one at a time or many together. */
export function useStemEditing() {
  const bench = useBench()
  const notices = useNotices()
  const shops = useShops()

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

  function nudge(
    things: readonly Placement[],
    by: (each: Placement) => Partial<Nudge>,
    { does, says }: EditMessage,
    merge: string | null = null,
  ): void {
    if (!things.length) return
    notices.announce(bench.apply(nudgeAll(bench.piece!, things, by), does, merge) ?? says)
  }

  const key = (things: readonly Placement[], what: string): string => `${what}:${things.map(({ id }) => id).join(',')}`

  /** @param along mm @param across half widths of the face */
  function move(things: readonly Placement[], along: number, across: number, merge: string | null = null): void {
    const free = loose(things)
    if (!free.length || (along === 0 && across === 0)) return
    const last = free.at(-1)!
    const name = nameAll(free)
    nudge(
      free,
      () => ({ along, across }),
      along === 0 ? shifted(name, across) : slid(name, placeOf(last.run, last.s + along)),
      merge && key(free, merge),
    )
  }

  /** @param direction 1 in the direction of the run @param fine a sixteenth of an inch or a millimetre instead of a quarter or five */
  function slide(direction: 1 | -1, fine: boolean): void {
    const step = bench.manner.units === 'in' ? inches(fine ? 1 / 16 : 1 / 4) : fine ? 1 : 5
    move(chosen(), direction * step, 0, 'slide')
  }
  const shift = (by: number): void => move(chosen(), 0, by, 'across')

  function turn(by: number): void {
    const things = chosen()
    nudge(things, () => ({ turn: by }), turnedMessage(nameAll(things), by), key(things, 'turn'))
  }
  function lift(by: 1 | -1): void {
    const things = chosen()
    nudge(things, () => ({ lift: by }), liftedMessage(nameAll(things), by), key(things, 'lift'))
  }
  /** @param by mm longer */
  function trim(by: number): void {
    const things = chosen().filter(({ form, made }) => form === 'leaf' && !made)
    const lengthOf = ({ length }: Placement): number => clamp(length + by, SHORTEST, LONGEST)
    nudge(
      things,
      (each) => ({ trim: lengthOf(each) }),
      trimmed(nameAll(things), things.length === 1 ? lengthOf(things[0]!) : null, bench.manner.units),
      key(things, 'trim'),
    )
  }
  function trimTo(length: number): void {
    const things = chosen()
    const trim = clamp(length, SHORTEST, LONGEST)
    nudge(things, () => ({ trim }), cutToMessage(nameAll(things), trim, bench.manner.units))
  }
  function pin(): void {
    const things = chosen()
    const pinned = !things.every((each) => each.pinned)
    nudge(things, () => ({ pinned }), pinnedDown(nameAll(things), pinned))
  }

  function putBack(): void {
    // By the piece, not by its workings: these may not have caught up with the last key.
    const things = chosen().filter(({ layer, slot }) => bench.layerOf(layer)?.nudges[slot] !== undefined)
    if (!things.length) return
    const { does, says } = putBackToRule(nameAll(things))
    const edits = things.map(({ layer, slot }): Edit => ({ do: 'nudge', layer, slot, nudge: null }))
    notices.announce(bench.apply({ do: 'several', edits }, does) ?? says)
  }

  function act(make: (things: Placement[]) => Edit, words: (name: string) => EditMessage, select: readonly string[] | null = null): void {
    const things = chosen()
    if (!things.length) return
    const { does, says } = words(nameAll(things))
    notices.announce(bench.apply(make(things), does) ?? says)
    if (select) bench.selectAll(select)
  }
  const remove = (): void => act(takeOff, takenOff, [])
  /** What can be put somewhere else by hand: what is made of lengths has its places by its numbers. */
  function actOnStems(
    make: (things: Placement[]) => Edit,
    words: (name: string) => EditMessage,
    select: readonly string[] | null = null,
  ): void {
    if (chosen().some(({ made }) => made)) notices.announce('It is made of a length: change its numbers, or add another layer of it')
    else act(make, words, select)
  }
  const mirror = (): void => actOnStems((things) => mirrorAll(bench.piece!, things, bench.runs, shops.shelf), movedAcross, [])
  const copy = (): void => actOnStems((things) => copyAcross(bench.piece!, things, bench.runs, shops.shelf), copiedAcross)
  const double = (): void => actOnStems((things) => duplicate(bench.piece!, things, bench.runs, shops.shelf), doubled)

  /** Puts a material on the base at a place, into the open layer when that holds it, else into a new layer of its own. */
  function drop(material: Material, run: Run, s: number, across: number): void {
    const { layers } = bench.piece!
    const into =
      layers.find(
        ({ id, mix, locked, rule }) =>
          id === bench.openLayer &&
          !locked &&
          rulesFor(material.kind).includes('hand') &&
          !laysLengths(rule) &&
          mix.some((part) => part.material === material.id),
      ) ?? layers.find(({ rule, mix, locked }) => rule.kind === 'hand' && !locked && mix[0]!.material === material.id)
    const at = s / run.length
    const { does, says } = putAt(material.name, placeOf(run.id, s))
    const thing = (id: string) => ({ id, run: run.id, at, across: clamp(across, -1, 1), turn: 0, material: material.id })
    if (into) {
      const [id] = freshIds(into, 1)
      notices.announce(bench.apply({ do: 'add', layer: into.id, things: [thing(id!)] }, does) ?? says)
      bench.select(placementId(into.id, addedSlot(id!)), into.id)
      return
    }
    const byHand = rulesFor(material.kind).includes('hand')
    const usual = startLayer(freshLayerId(layers), material, 100 + layers.length * 37, [run])
    const layer: Layer = {
      ...usual,
      run: run.id,
      rule: byHand ? { kind: 'hand' } : usual.rule.kind === 'bow' ? { ...usual.rule, at } : usual.rule,
      added: byHand ? [thing('h1')] : [],
    }
    notices.announce(bench.apply({ do: 'add layer', at: layers.length, layer }, does) ?? says)
    if (byHand) bench.select(placementId(layer.id, addedSlot('h1')), layer.id)
    else bench.openLayer = layer.id
  }

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
    const first = bench.workings?.placements.find(({ layer }) => layer === next?.id)
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

  return {
    runOf,
    placeOf,
    move,
    slide,
    shift,
    turn,
    lift,
    trim,
    trimTo,
    pin,
    putBack,
    remove,
    mirror,
    copy,
    double,
    drop,
    choose,
    chooseLayer,
    chooseAllOfLayer,
  }
}
