import type { Run } from '../base'
import { across, along, onRun } from '../base'
import type { Material, Shelf } from '../material'
import { materialOf, pieceLength } from '../material'
import { degrees, random, seedOf, wrapDegrees } from '../measure'
import type { Added, Layer, Nudge, Piece } from '../piece'
import { addedSlot, OTHER_WAY, STILL } from '../piece'
import { knownMix, shortestOf } from './dealing'
import type { Made } from './made'
import { mixFor, restsOf, widthsOf } from './rests'
import type { Slot } from './slots'
import { layerSlots, runsFor } from './slots'
import type { Zone } from './zones'
import { zonesOf } from './zones'

/** One thing in its place on the base. Everything else about it is derived from this. */
export interface Placement {
  /** `layer:slot`. */
  readonly id: string
  readonly layer: string
  readonly slot: string
  /** Its number within the layer, from 1. */
  readonly number: number
  readonly material: string
  readonly run: string
  /** Distance along the run, mm. */
  readonly s: number
  /** Where its rule puts it, before any hand, mm along. */
  readonly rest: number
  /** Across the face: -1 inner edge, 1 outer edge. */
  readonly t: number
  readonly x: number
  readonly y: number
  /** Where it points on the drawing: degrees clockwise from pointing right. */
  readonly bearing: number
  /** Length and spread of the piece as it lies, mm. */
  readonly length: number
  readonly width: number
  /** Its length before it is tapered or trimmed, mm. */
  readonly whole: number
  /** The shape of the patch it covers. */
  readonly form: Material['form']
  /** What it is made to, when it is made of a length. */
  readonly made: Made | null
  /** How many layers lie under it. */
  readonly lift: number
  /** Tells twins apart: seeds its drawing. */
  readonly seed: number
  readonly nudged: boolean
  readonly pinned: boolean
  /** Whether a hand put it on besides the rule. */
  readonly added: boolean
  /** What it says, when its maker gave it words. */
  readonly words: string | null
  /** Where its cord starts when it hangs from one. */
  readonly cord: { readonly x: number, readonly y: number } | null
}

export interface LaidLayer {
  readonly layer: Layer
  readonly placements: readonly Placement[]
  /** The stretches that it keeps for itself. */
  readonly zones: readonly Zone[]
  /** Why nothing could be laid, if so. */
  readonly fault: 'no run' | 'no reference' | 'no material' | null
}

/** Lays every layer of a piece on its runs, in the order in which they go on: first those that reserve their place. */
export function arrange(piece: Piece, runs: readonly Run[], shelf: Shelf, memory = new LaidMemory()): LaidLayer[] {
  memory.startWith(runs, shelf)
  let slotsOn = ruleSlots(piece, runs, shelf, memory, [])
  const firm = new Map(piece.layers.flatMap((layer, lift) => (keepsPlace(layer) ? [[layer.id, lay(layer, lift, [])] as const] : [])))
  const zones = [...firm.values()].flatMap((each) => each.zones)
  // What goes by another layer's places goes by them as they lie, clear of what is reserved.
  if (zones.length) slotsOn = ruleSlots(piece, runs, shelf, memory, zones)
  const laid = piece.layers.map((layer, lift) => firm.get(layer.id) ?? lay(layer, lift, zones))
  memory.keep(laid)
  return laid

  function lay(layer: Layer, lift: number, kept: readonly Zone[]): LaidLayer {
    const bare = { layer, placements: [], zones: [] }
    if (!runsFor(layer, runs).length) return { ...bare, fault: 'no run' }
    if (!knownMix(layer, shelf).length) return { ...bare, fault: 'no material' }
    const slots = slotsOn(layer.id)
    if (!slots) return { ...bare, fault: 'no reference' }
    const before = memory.laid(layer, slots, kept, lift)
    if (before?.layer === layer) return before
    const placements = [...laidByRule(layer, slots, kept, runs, shelf, lift, before), ...laidByHand(layer, slots.length, runs, shelf, lift)]
    const laid: LaidLayer = { layer, placements, zones: reservedBy(layer, placements, runs, shelf), fault: null }
    memory.note(laid, slots, kept, lift)
    return laid
  }
}

/** Decisions of a layer that its rule's slots do not read, and those that leave the placements of other slots alone. */
const NOT_FOR_SLOTS: ReadonlySet<keyof Layer> = new Set(['role', 'across', 'acrossSpread', 'lean', 'leanSpread', 'reserve', 'clear', 'hidden', 'locked', 'nudges', 'added', 'taken'])
const BY_SLOT: ReadonlySet<keyof Layer> = new Set(['role', 'hidden', 'locked', 'nudges', 'added', 'taken', 'reserve'])

/** Whether two states of a layer agree in all but these decisions. Unchanged parts of a document are the same objects. */
const agree = (a: Layer, b: Layer, but: ReadonlySet<keyof Layer>): boolean => (Object.keys(b) as (keyof Layer)[]).every((key) => but.has(key) || a[key] === b[key])
const alike = <T>(a: readonly T[], b: readonly T[]): boolean => a.length === b.length && a.every((each, i) => each === b[i])

interface Remembered { readonly laid: LaidLayer, readonly slots: readonly Slot[], readonly kept: readonly Zone[], readonly lift: number }

/** What was laid last, so that what has not changed is not laid again: the very same objects are given back. */
export class LaidMemory {
  private runs: readonly Run[] | null = null
  private materials: Shelf['materials'] | null = null
  private layers = new Map<string, Remembered>()
  private slotsFound = new Map<string, { readonly layer: Layer, readonly of: readonly number[] | null, readonly slots: readonly Slot[] }>()

  startWith(runs: readonly Run[], { materials }: Shelf): void {
    if (this.runs === runs && this.materials === materials) return
    this.runs = runs
    this.materials = materials
    this.layers.clear()
    this.slotsFound.clear()
  }

  /** The last state of a layer that lies by the same slots among the same zones, and differs at most slot by slot. */
  laid(layer: Layer, slots: readonly Slot[], kept: readonly Zone[], lift: number): LaidLayer | null {
    const known = this.layers.get(layer.id)
    return known && known.slots === slots && known.lift === lift && alike(known.kept, kept) && agree(known.laid.layer, layer, BY_SLOT) ? known.laid : null
  }

  note(laid: LaidLayer, slots: readonly Slot[], kept: readonly Zone[], lift: number): void { this.layers.set(laid.layer.id, { laid, slots, kept, lift }) }

  /** @param of the points of the layer that this one goes by, one list for each run, or null when it goes by none */
  slots(layer: Layer, of: readonly number[] | null): readonly Slot[] | null {
    const known = this.slotsFound.get(layer.id)
    return known && agree(known.layer, layer, NOT_FOR_SLOTS) && (of === null ? known.of === null : known.of !== null && alike(known.of, of)) ? known.slots : null
  }

  noteSlots(layer: Layer, of: readonly number[] | null, slots: readonly Slot[]): void { this.slotsFound.set(layer.id, { layer, of, slots }) }

  /** Forgets layers that are gone. */
  keep(laid: readonly LaidLayer[]): void {
    const there = new Set(laid.map(({ layer }) => layer.id))
    for (const id of this.layers.keys()) if (!there.has(id)) this.layers.delete(id)
    for (const id of this.slotsFound.keys()) if (!there.has(id)) this.slotsFound.delete(id)
  }
}

const keepsPlace = (layer: Layer): boolean => layer.reserve !== null || (layer.rule.kind === 'mirror' && layer.rule.gap > 0)

function reservedBy(layer: Layer, placements: readonly Placement[], runs: readonly Run[], shelf: Shelf): Zone[] {
  const { rule, reserve } = layer
  const seats = rule.kind === 'mirror' && rule.gap > 0
    ? runsFor(layer, runs).map((run): Zone => {
        const from = rule.seat * run.length - rule.gap
        return run.closed ? { layer: layer.id, run: run.id, from: onRun(run, from), length: Math.min(run.length, 2 * rule.gap) }
          : { layer: layer.id, run: run.id, from: onRun(run, from), length: onRun(run, rule.seat * run.length + rule.gap) - onRun(run, from) }
      })
    : []
  return [...seats, ...(reserve === null ? [] : placements.flatMap((each) => zonesOf(each, runs, shelf, reserve)))]
}

/** The slots of each layer's rule, looked up by layer: null for a layer that is not there or refers to itself. */
function ruleSlots(piece: Piece, runs: readonly Run[], shelf: Shelf, memory: LaidMemory, kept: readonly Zone[]): (layer: string) => readonly Slot[] | null {
  const found = new Map<string, readonly Slot[] | null>()
  const ask = (id: string): readonly Slot[] | null => {
    const known = found.get(id)
    if (known !== undefined) return known
    found.set(id, null)
    const layer = piece.layers.find((each) => each.id === id)
    if (!layer) return null
    const of = 'of' in layer.rule ? layer.rule.of : null
    const byOther = of === null ? null : runs.flatMap((run) => pointsOn(piece.layers.find((each) => each.id === of), ask(of), run, kept, shelf) ?? [-1])
    const before = memory.slots(layer, byOther)
    if (before) {
      found.set(id, before)
      return before
    }
    const slots = layerSlots(layer, runs, (run) => ({
      run, runs, seed: layer.seed, seat: layer.seat,
      pointsOf: (of) => pointsOn(piece.layers.find((each) => each.id === of), ask(of), run, kept, shelf),
      widths: (n) => widthsOf(layer, shelf, n),
      mix: mixFor(layer, shelf),
      shortest: shortestOf(layer, shelf), flow: layer.flow, taper: layer.taper,
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
  const restOf = restsOf(layer, slots, keepsPlace(layer) ? [] : kept, shelf)
  return [...slots.filter((slot) => slot.run.id === run.id).map((slot) => restOf(slot)?.s ?? slot.s), ...added]
}

/** @param before the layer as it was, when it differs at most slot by slot: places with the same nudge are kept */
function laidByRule(layer: Layer, slots: readonly Slot[], kept: readonly Zone[], runs: readonly Run[], shelf: Shelf, lift: number, before: LaidLayer | null): Placement[] {
  const there = new Map(before?.placements.map((each) => [each.slot, each]))
  const restOf = restsOf(layer, slots, kept, shelf)
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
    const rest = restOf(slot)
    if (!rest) return []
    return [place(layerOn(layer, slot.run, runs), {
      slot: slot.id, run: slot.run, rest: rest.s, number: i + 1, lift, added: false,
      material: rest.material,
      t: (slot.made && slot.made.as !== 'bow' ? 0 : layer.across + layer.acrossSpread * swing(ACROSS_STEP)) + slot.across,
      lean: layer.lean + slot.lean + layer.leanSpread * swing(LEAN_STEP), turn: 0, reach: slot.reach, made: slot.made,
    })]
  })
}

function laidByHand(layer: Layer, before: number, runs: readonly Run[], shelf: Shelf, lift: number): Placement[] {
  return layer.added.flatMap((each, i) => placeAdded(layer, each, before + i + 1, lift, runs, shelf) ?? [])
}

/** A thing that a hand puts into a layer, in its place; null when the base has no such run, or the shelf no such material. */
export function placeAdded(layer: Layer, { id, run: on, at, across: t, material: of, turn }: Added, number: number, lift: number, runs: readonly Run[], shelf: Shelf): Placement | null {
  const run = runs.find((each) => each.id === on)
  const material = materialOf(shelf, of)
  return run && material ? place(layerOn(layer, run, runs), { slot: addedSlot(id), run, rest: at * run.length, number, lift, added: true, material, t, lean: layer.lean, turn, reach: 1, made: null }) : null
}

/** Kinds that hang level whatever the run does under them. */
const stands = ({ kind }: Material): boolean => kind === 'bow' || kind === 'sign' || kind === 'letter' || kind === 'figure'

/** Steps of two sequences that fill an interval without clumps (additive recurrences on 1/g and 1/g², g the plastic number). */
const ACROSS_STEP = 0.7548776662466927
const LEAN_STEP = 0.5698402909980532

interface Laying {
  readonly slot: string
  readonly run: Run
  readonly rest: number
  readonly number: number
  readonly material: Material
  readonly t: number
  readonly lean: number
  readonly turn: number
  readonly lift: number
  readonly added: boolean
  /** What share of its length it keeps. */
  readonly reach: number
  readonly made: Made | null
}

function place(layer: Layer, { slot, run, rest, number, material, t: own, lean, turn, lift, added, reach, made }: Laying): Placement {
  const seed = seedOf(layer.seed, slot)
  const nudge: Nudge = layer.nudges[slot] ?? STILL
  const s = onRun(run, rest + nudge.along)
  const station = run.at(s)
  const t = (added ? own : own * sideOf(layer, run)) + nudge.across
  const drop = layer.rule.kind === 'single' ? layer.rule.drop : 0
  const { x, y } = across(station, t)
  const bearing = made ? madeBearing(layer, run, s, made) : stands(material) ? layer.lean : direction(layer, run, s, seed, material, lean)
  const whole = pieceLength(material, layer.cut)
  return {
    id: `${layer.id}:${slot}`, layer: layer.id, slot, number, material: material.id, run: run.id,
    s, rest: onRun(run, rest), t, x, y: y + drop, bearing: wrapDegrees(bearing + turn + nudge.turn),
    length: made ? made.length : material.form === 'leaf' ? Math.min(material.length, nudge.trim ?? whole * reach * (layer.rule.kind === 'spray' ? 1 : taperAt(layer, run, s))) : whole,
    whole: made ? made.length : whole, width: made ? made.width : material.width, form: made?.form ?? material.form, made,
    lift: lift + nudge.lift, seed, nudged: layer.nudges[slot] !== undefined, pinned: nudge.pinned, added, words: layer.words, cord: drop > 0 ? { x, y } : null,
  }
}

/** Where a made thing points: off its run, or level. */
function madeBearing(layer: Layer, run: Run, s: number, { turn }: Made): number {
  if (turn === null) return layer.lean
  const { tx, ty, nx, ny } = run.at(s)
  const along = (layer.mirrored && run.mirror.reversed ? -1 : 1) * Math.cos((turn * Math.PI) / 180)
  const out = sideOf(layer, run) * Math.sin((turn * Math.PI) / 180)
  return degrees(Math.atan2(along * ty + out * ny, along * tx + out * nx))
}

/** -1 where a mirrored layer's outer side is the inner one of the run it lies on. */
const sideOf = ({ mirrored }: Layer, run: Run): 1 | -1 => (mirrored && run.mirror.flipped ? -1 : 1)

/**
 * A layer as it lies on one of the base's runs. A mirrored layer's flow and seat are said for its first run; on one whose
 * places do not run backwards in the mirror they are its twin's.
 */
export function layerOn(layer: Layer, run: Run, runs: readonly Run[]): Layer {
  const first = runsFor(layer, runs)[0]
  return layer.mirrored && first?.mirror.reversed && !run.mirror.reversed ? { ...layer, flow: OTHER_WAY[layer.flow], seat: 1 - layer.seat } : layer
}

/** However much it tapers, a stem keeps this share of its length. */
const LEAST_TAPERED = 0.15

/** What share of its length a stem keeps here: longest in the middle of an open run or at a closed one's seat, shorter toward the ends. */
function taperAt({ taper, seat }: Layer, run: Run, s: number): number {
  if (taper === 0) return 1
  const out = run.closed
    ? Math.abs(((s - seat * run.length + 1.5 * run.length) % run.length) - run.length / 2) / (run.length / 2)
    : Math.abs(s - run.middle) / Math.max(run.middle, run.length - run.middle)
  return Math.max(LEAST_TAPERED, 1 - taper * Math.min(1, out))
}

function direction(layer: Layer, run: Run, s: number, seed: number, material: Material, lean: number): number {
  if (material.form === 'disc') return random(seed).between(0, 360)
  const { tx, ty, nx, ny } = run.at(s)
  const way = layer.mirrored && run.mirror.reversed ? -1 : 1
  const side = sideOf(layer, run)
  const off = (lean * Math.PI) / 180
  /** The bearing of so much of the tangent and so much of the outward normal. */
  const bearing = (t: number, n: number): number => degrees(Math.atan2(t * ty + side * n * ny, t * tx + side * n * nx))
  const clockwise = bearing(Math.cos(off), Math.sin(off))
  const anticlockwise = bearing(-Math.cos(off), Math.sin(off))
  const { flow, seat } = layer
  const afterSeat = along(run, seat * run.length, s)
  const pastSeat = run.closed ? afterSeat < run.length / 2 : afterSeat >= 0
  switch (flow) {
    case 'clockwise': return clockwise
    case 'anticlockwise': return anticlockwise
    case 'apart': return pastSeat ? clockwise : anticlockwise
    case 'together': return pastSeat ? anticlockwise : clockwise
    case 'outward': return bearing(way * Math.sin(off), Math.cos(off))
    case 'inward': return bearing(way * Math.sin(off), -Math.cos(off))
    case 'nest': return (random(seed).next() < 0.5) === (way * side > 0) ? clockwise : anticlockwise
  }
}

/** Where a thing that a hand puts into a layer points of itself, degrees. @param id of the thing added */
export function layerBearing(layer: Layer, run: Run, runs: readonly Run[], s: number, id: string, material: Material): number {
  return stands(material) ? layer.lean : direction(layerOn(layer, run, runs), run, s, seedOf(layer.seed, addedSlot(id)), material, layer.lean)
}
