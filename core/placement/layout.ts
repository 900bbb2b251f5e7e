import type { Run } from '../base'
import { onRun } from '../base'
import type { Shelf } from '../material'
import { random } from '../measure'
import type { Layer, Piece, RuleKind } from '../piece'
import { addedSlot, bearerOf, bears } from '../piece'
import { knownMix, shortestOf } from './mix-assignment'
import type { BearingPlace } from './bearing'
import { thingIn } from './bearing'
import { inLayingOrder } from './laying-order'
import { layerOn, place, placeAdded, standsLevel } from './place'
import type { LaidLayer, Placement, Zone } from './placement'
import { mixFor, liesOf, widthsOf } from './slot-positions'
import { arrangingOf } from './rules'
import type { Bearer, Slot } from './slot'
import { layerSlots, runsFor } from './slots'
import { zonesOf } from './reserved-zones'

/** Steps of two sequences that fill an interval without clumps (additive recurrences on 1/g and 1/g², g the plastic number). */
const ACROSS_STEP = 0.7548776662466927
const LEAN_STEP = 0.5698402909980532
/** A step of a third, which goes with neither: the fractional part of the root of two. */
const LENGTH_STEP = Math.SQRT2 - 1

/** Lays every layer of a piece on its runs, in the order in which they go on: first those that reserve their place; what lies on other things after these. */
export function arrange(piece: Piece, runs: readonly Run[], shelf: Shelf, memory = new LaidMemory()): LaidLayer[] {
  memory.startWith(runs, shelf)
  let slotsOn = ruleSlots(piece, runs, shelf, memory, [])
  const done = new Map<string, LaidLayer>()
  const firm = piece.layers.flatMap((layer, lift) => (keepsPlace(layer) ? [lay(layer, lift, [])] : []))
  for (const each of firm) done.set(each.layer.id, each)
  const zones = firm.flatMap((each) => each.zones)
  // What goes by another layer's places goes by them as they lie, clear of what is reserved.
  if (zones.length) slotsOn = ruleSlots(piece, runs, shelf, memory, zones)
  const laid = piece.layers.map(laidOnce)
  memory.keep(laid)
  return laid

  function laidOnce(layer: Layer, lift: number): LaidLayer {
    const known = done.get(layer.id) ?? lay(layer, lift, zones)
    done.set(layer.id, known)
    return known
  }

  function lay(layer: Layer, lift: number, kept: readonly Zone[]): LaidLayer {
    const bare = { layer, placements: [], zones: [] }
    if (!runsFor(layer, runs).length) return { ...bare, fault: 'no run' }
    if (!knownMix(layer, shelf).length) return { ...bare, fault: 'no material' }
    const slots = slotsOn(layer.id)
    if (!slots) return { ...bare, fault: 'no reference' }
    const bearer = bearersFor(layer)
    const before = memory.laid(layer, slots, kept, lift, bearer)
    if (before?.layer === layer) return before
    const placements = [
      ...inLayingOrder(layer, laidByRule({ layer, slots, kept, runs, shelf, lift, before, bearer }), runs),
      ...laidByHand(layer, slots.length, runs, shelf, lift),
    ]
    const laid: LaidLayer = { layer, placements, zones: reservedBy(layer, placements, runs, shelf), fault: null }
    memory.note(laid, { slots, kept, lift, bearer })
    return laid
  }

  /** The layer whose things bear those of this one, laid: slots told that there is one, and no circle. */
  function bearersFor({ rule }: Layer): LaidLayer | null {
    const of = bearerOf(rule)
    const at = piece.layers.findIndex(({ id }) => id === of)
    return at < 0 ? null : laidOnce(piece.layers[at]!, at)
  }
}

/** Decisions of a layer that its rule's slots do not read, and those that leave the placements of other slots alone. */
const NOT_FOR_SLOTS: ReadonlySet<keyof Layer> = new Set([
  'role',
  'across',
  'acrossSpread',
  'lean',
  'leanSpread',
  'bend',
  'uneven',
  'reserve',
  'clear',
  'hidden',
  'locked',
  'nudges',
  'added',
  'taken',
])
const BY_SLOT: ReadonlySet<keyof Layer> = new Set(['role', 'hidden', 'locked', 'nudges', 'added', 'taken', 'reserve'])

/** Whether two states of a layer agree in all but these decisions. Unchanged parts of a document are the same objects. */
const agree = (a: Layer, b: Layer, but: ReadonlySet<keyof Layer>): boolean =>
  (Object.keys(b) as (keyof Layer)[]).every((key) => but.has(key) || a[key] === b[key])
const alike = <T>(a: readonly T[], b: readonly T[]): boolean => a.length === b.length && a.every((each, i) => each === b[i])

interface Remembered {
  readonly laid: LaidLayer
  readonly slots: readonly Slot[]
  readonly kept: readonly Zone[]
  readonly lift: number
  /** The layer on whose things it lies. */
  readonly bearer: LaidLayer | null
}

/** What was laid last, so that what has not changed is not laid again: the very same objects are given back. */
export class LaidMemory {
  private runs: readonly Run[] | null = null
  private materials: Shelf['materials'] | null = null
  private layers = new Map<string, Remembered>()
  private slotsFound = new Map<string, { readonly layer: Layer; readonly of: readonly unknown[] | null; readonly slots: readonly Slot[] }>()

  startWith(runs: readonly Run[], { materials }: Shelf): void {
    if (this.runs === runs && this.materials === materials) return
    this.runs = runs
    this.materials = materials
    this.layers.clear()
    this.slotsFound.clear()
  }

  /** The last state of a layer that lies by the same slots among the same zones, and differs at most slot by slot. */
  laid(layer: Layer, slots: readonly Slot[], kept: readonly Zone[], lift: number, bearer: LaidLayer | null): LaidLayer | null {
    const known = this.layers.get(layer.id)
    const there = known && known.slots === slots && known.lift === lift && known.bearer === bearer
    return there && alike(known.kept, kept) && agree(known.laid.layer, layer, BY_SLOT) ? known.laid : null
  }

  note(laid: LaidLayer, by: Omit<Remembered, 'laid'>): void {
    this.layers.set(laid.layer.id, { laid, ...by })
  }

  /** @param of the points or slots of the layer that this one goes by, or null when it goes by none */
  slots(layer: Layer, of: readonly unknown[] | null): readonly Slot[] | null {
    const known = this.slotsFound.get(layer.id)
    return known && agree(known.layer, layer, NOT_FOR_SLOTS) && (of === null ? known.of === null : known.of !== null && alike(known.of, of))
      ? known.slots
      : null
  }

  noteSlots(layer: Layer, of: readonly unknown[] | null, slots: readonly Slot[]): void {
    this.slotsFound.set(layer.id, { layer, of, slots })
  }

  /** Forgets layers that are gone. */
  keep(laid: readonly LaidLayer[]): void {
    const there = new Set(laid.map(({ layer }) => layer.id))
    for (const id of this.layers.keys()) if (!there.has(id)) this.layers.delete(id)
    for (const id of this.slotsFound.keys()) if (!there.has(id)) this.slotsFound.delete(id)
  }
}

/** The place that a layer's rule itself keeps free, if it does. */
function seatOf({ rule }: Layer): { readonly at: number; readonly about: number } | null {
  const seat = arrangingOf<RuleKind>(rule.kind).keeps?.(rule)
  return seat && seat.about > 0 ? seat : null
}

/** What lies on another thing keeps no place on the base. */
const keepsPlace = (layer: Layer): boolean => bearerOf(layer.rule) === null && (layer.reserve !== null || seatOf(layer) !== null)

function reservedBy(layer: Layer, placements: readonly Placement[], runs: readonly Run[], shelf: Shelf): Zone[] {
  if (!keepsPlace(layer)) return []
  const { reserve } = layer
  const seat = seatOf(layer)
  const seats =
    seat === null
      ? []
      : runsFor(layer, runs).map((run): Zone => {
          const from = onRun(run, seat.at * run.length - seat.about)
          return {
            layer: layer.id,
            run: run.id,
            from,
            length: run.closed ? Math.min(run.length, 2 * seat.about) : onRun(run, seat.at * run.length + seat.about) - from,
          }
        })
  return [...seats, ...(reserve === null ? [] : placements.flatMap((each) => zonesOf(each, runs, shelf, reserve)))]
}

/** The slots of each layer's rule, looked up by layer: null for a layer that is not there or refers to itself. */
function ruleSlots(
  piece: Piece,
  runs: readonly Run[],
  shelf: Shelf,
  memory: LaidMemory,
  kept: readonly Zone[],
): (layer: string) => readonly Slot[] | null {
  const found = new Map<string, readonly Slot[] | null>()
  const ask = (id: string): readonly Slot[] | null => {
    const known = found.get(id)
    if (known !== undefined) return known
    found.set(id, null)
    const layer = piece.layers.find((each) => each.id === id)
    if (!layer) return null
    const pointsOf = (other: string, run: Run): number[] | null =>
      pointsOn(
        piece.layers.find((each) => each.id === other),
        ask(other),
        run,
        kept,
        shelf,
      )
    const bearersOf = (other: string): Bearer[] | null =>
      bearersIn(
        piece.layers.find((each) => each.id === other),
        ask(other),
        runs,
      )
    const of = 'of' in layer.rule ? layer.rule.of : null
    const byOther =
      of === null ? null : bearerOf(layer.rule) === null ? runs.flatMap((run) => pointsOf(of, run) ?? [-1]) : (ask(of) ?? [-1])
    const before = memory.slots(layer, byOther)
    if (before) {
      found.set(id, before)
      return before
    }
    const slots = layerSlots(layer, runs, (run) => ({
      run,
      runs,
      seed: layer.seed,
      seat: layer.seat,
      pointsOf: (other) => pointsOf(other, run),
      bearersOf,
      widths: (n) => widthsOf(layer, shelf, n),
      mix: mixFor(layer, shelf),
      shortest: shortestOf(layer, shelf),
      flow: layer.flow,
      taper: layer.taper,
    }))
    found.set(id, slots)
    if (slots) memory.noteSlots(layer, byOther, slots)
    return slots
  }
  return ask
}

/** Where the things of a layer lie on a run by its rule and by hand, clear of what is reserved, before any nudge. */
function pointsOn(layer: Layer | undefined, slots: readonly Slot[] | null, run: Run, kept: readonly Zone[], shelf: Shelf): number[] | null {
  if (!layer || !slots) return null
  const added = layer.added.filter((each) => each.run === run.id).map(({ at }) => at * run.length)
  const lieOf = liesOf(layer, slots, keepsPlace(layer) ? [] : kept, shelf)
  return [...slots.filter((slot) => slot.run.id === run.id).map((slot) => lieOf(slot)?.s ?? slot.s), ...added]
}

/** The things of a layer that may bear others, by rule and by hand; null where there is no telling, or none can. */
function bearersIn(layer: Layer | undefined, slots: readonly Slot[] | null, runs: readonly Run[]): Bearer[] | null {
  if (!layer || !slots || !bears(layer.rule)) return null
  const added = layer.added.flatMap(({ id, run: on, at }): Bearer[] => {
    const run = runs.find((each) => each.id === on)
    return run ? [{ id: addedSlot(id), run, s: at * run.length, made: null }] : []
  })
  return [...slots, ...added]
}

/** A layer with the slots of its rule, among the zones that are kept free. */
interface Slotted {
  readonly layer: Layer
  readonly slots: readonly Slot[]
  readonly kept: readonly Zone[]
  readonly runs: readonly Run[]
  readonly shelf: Shelf
  readonly lift: number
  /** The layer as it was, when it differs at most slot by slot: places with the same nudge are kept. */
  readonly before: LaidLayer | null
  /** The layer on whose things it lies; null on the base. */
  readonly bearer: LaidLayer | null
}

/** What bears the thing of a slot; null on the base, undefined where that is not there. */
function bearingPlace({ layer, bearer, shelf }: Slotted, { on, run }: Slot): BearingPlace | null | undefined {
  if (!on || layer.rule.kind !== 'on') return null
  const thing = bearer ? thingIn(bearer, on.slot) : undefined
  return thing && { thing, level: standsLevel(thing, shelf), run, rule: layer.rule, loop: on.loop, mirrored: layer.mirrored }
}

function laidByRule(slotted: Slotted): Placement[] {
  const { layer, slots, kept, runs, shelf, lift, before } = slotted
  const there = new Map(before?.placements.map((each) => [each.slot, each]))
  const lieOf = liesOf(layer, slots, kept, shelf)
  const phase = random(layer.seed).next()
  const taken = new Set(layer.taken)
  const places = new Map<string, number>()
  return slots.flatMap((slot, i) => {
    // Spreads start anew on every run, so that mirrored runs are each other's image.
    const step = places.get(slot.run.id) ?? 0
    places.set(slot.run.id, step + 1)
    if (taken.has(slot.id)) return []
    const same = there.get(slot.id)
    if (same && before!.layer.nudges[slot.id] === layer.nudges[slot.id]) return [same]
    const swing = (by: number) => ((phase + step * by) % 1) * 2 - 1
    const lies = lieOf(slot)
    const on = bearingPlace(slotted, slot)
    if (!lies || on === undefined) return []
    return [
      place(layerOn(layer, slot.run, runs), {
        slot: slot.id,
        run: slot.run,
        ruled: on ? on.thing.s : lies.s,
        number: i + 1,
        lift,
        added: false,
        material: lies.material,
        t: (slot.made && slot.made.as !== 'bow' ? 0 : layer.across + layer.acrossSpread * swing(ACROSS_STEP)) + slot.across,
        lean: layer.lean + slot.lean + layer.leanSpread * swing(LEAN_STEP),
        turn: 0,
        reach: slot.reach * (1 - layer.uneven * ((step * LENGTH_STEP) % 1)),
        made: slot.made,
        on,
      }),
    ]
  })
}

function laidByHand(layer: Layer, before: number, runs: readonly Run[], shelf: Shelf, lift: number): Placement[] {
  return layer.added.flatMap((each, i) => placeAdded(layer, each, { number: before + i + 1, lift }, runs, shelf) ?? [])
}
