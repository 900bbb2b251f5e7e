import { packSiblings } from 'd3-hierarchy'
import type { Run } from '../base'
import { along, mirrored, onRun } from '../base'
import type { Material } from '../material'
import { wholesIn } from '../measure'
import type { Flow, Layer, Rule, RuleOf } from '../piece'
import { EACH, mirrorRule, MOST_PLACES, OTHER_WAY } from '../piece'
import { against } from './against'
import { BUNDLE_FAN, overlapped } from './bound'
import { countEvery, evenly, middles } from './points'
import type { Made, MadePlace } from './made'
import { beadPlaces, bowAt, gathersIn, laps, poofsOn, windings } from './made'
import { scatter } from './scatter'

/** A place that a rule makes, before anything is put in it. */
export interface Slot {
  /** Stable within its layer, so that a hand's nudge stays with it when the count changes elsewhere. */
  readonly id: string
  readonly run: Run
  /** Distance along the run, mm. */
  readonly s: number
  /** Where it lies across the face besides where the layer lies: in half widths, positive to the outside. */
  readonly across: number
  /** Which number of the dealing it takes, from 0: mirrored places take the same. */
  readonly deal: number
  /** The material of the mix that it asks for by its place; null takes what is dealt. */
  readonly material: number | null
  /** Off how the layer lies, degrees. */
  readonly lean: number
  /** What share of its length it keeps. */
  readonly reach: number
  /** What lies here, when it is made of a length. */
  readonly made: Made | null
}

/** What a rule may ask about its surroundings. */
export interface SlotContext {
  readonly run: Run
  /** All runs of the base. */
  readonly runs: readonly Run[]
  /** The distances at which another layer's rule puts things on this run; null when there is no telling. */
  readonly pointsOf: (layer: string) => readonly number[] | null
  /** The width of each of the first `n` things that the layer deals, mm. */
  readonly widths: (n: number) => readonly number[]
  /** The materials of the mix. */
  readonly mix: readonly Material[]
  readonly seed: number
  readonly seat: number
  /** The shortest piece that the layer lays, as cut, mm. */
  readonly shortest: number
  readonly flow: Flow
  /** How much shorter stems get towards the ends, 0 to 1. */
  readonly taper: number
}

/** The runs on which a layer lies: one, all, or none when the base has no such run. */
export const runsFor = (layer: Pick<Layer, 'run'>, runs: readonly Run[]): readonly Run[] =>
  (layer.run === EACH ? runs : runs.filter(({ id }) => id === layer.run))

/**
 * Where a layer's rule puts things, on every run on which it lies.
 * @param contextOf what the rule may ask, by run
 * @returns slots in the order in which the rule makes them; null when it refers to a layer that cannot be told
 */
export function layerSlots(layer: Layer, runs: readonly Run[], contextOf: (run: Run) => SlotContext): Slot[] | null {
  const own = runsFor(layer, runs)
  const arms = layer.rule.kind === 'arms'
  const found: Slot[] = []
  for (const run of own) {
    // Arms serve both runs of a pair at once.
    if (arms && layer.run === EACH && own.findIndex(({ id }) => id === run.mirror.run) < own.indexOf(run)) continue
    const context = contextOf(run)
    // The other of a pair follows its twin's rule, and then every place goes to its image.
    const slots = layer.mirrored
      ? slotsOf(own[0]!.mirror.reversed ? mirrorRule(layer.rule) : layer.rule, { ...context, flow: own[0]!.mirror.reversed ? OTHER_WAY[context.flow] : context.flow, pointsOf: (of) => context.pointsOf(of)?.map((s) => mirrored(run, s)) ?? null })?.map((slot) => ({ ...slot, s: mirrored(slot.run, slot.s) }))
      : slotsOf(layer.rule, context)
    if (!slots) return null
    found.push(...(layer.run === EACH ? slots.map((slot) => ({ ...slot, id: `${slot.run.id}/${slot.id}` })) : slots))
  }
  return found
}

/** Where a rule puts things on one run. @returns null when it refers to a layer that cannot be told */
export function slotsOf(rule: Rule, context: SlotContext): Slot[] | null {
  const { run } = context
  switch (rule.kind) {
    case 'compass': return numbered(run, evenly(run, rule.count, rule.start))
    case 'every': return numbered(run, evenly(run, countEvery(run.length, rule.spacing), rule.start))
    case 'halfway': {
      const points = context.pointsOf(rule.of)
      return points && numbered(run, middles(run, points))
    }
    case 'against': {
      const points = context.pointsOf(rule.of)
      return points && numbered(run, against(run, points, rule.count, rule.pattern).taken.points)
    }
    case 'crescent': return numbered(run, crescent(run, rule))
    case 'cluster': return clusters(rule, context)
    case 'mirror': return fromSeat(run, rule, context.mix.length)
    case 'bands': return bands(run, rule, context.mix.map(({ width }) => width))
    case 'arms': return arms(rule, context)
    case 'scatter': return scatter(run, rule.count, context.seed).map(({ s, t }, i) => slot(run, i, s, { across: t }))
    case 'bundles': return bundles(rule, context)
    case 'boughs': return boughs(rule, context)
    case 'spray': return spray(rule, context)
    case 'wound': return made(run, windings(run, rule, context.mix[0]!))
    case 'laid': return made(run, laps(run, rule, context.mix[0]!))
    case 'mesh': return made(run, gathersIn(run, rule, context.mix))
    case 'poofs': return made(run, poofsOn(run, rule, context.mix.length))
    case 'beads': return numbered(run, beadPlaces(run, rule, context.mix[0]!.length))
    case 'bow': return made(run, bowAt(run, rule, context.mix))
    case 'single': return [slot(run, 0, rule.at * run.length)]
    case 'hand': return []
  }
}

const slot = (run: Run, i: number | string, s: number, more: Partial<Omit<Slot, 'id' | 'run' | 's'>> = {}): Slot =>
  ({ id: String(i), run, s: onRun(run, s), across: 0, deal: typeof i === 'number' ? i : 0, material: null, lean: 0, reach: 1, made: null, ...more })

const made = (run: Run, places: readonly MadePlace[]): Slot[] => places.map(({ id, s, across, material, made: what }) => slot(run, id, s, { across, material, made: what }))

const numbered = (run: Run, points: readonly number[]): Slot[] => points.map((s, i) => slot(run, i, s))

/**
 * Points from one place to another, clockwise on a closed run, with density `1 - thin * d`, where `d` grows
 * from 0 where it is dense to 1 where it is thin. The density is linear, so its distribution inverts in closed form.
 */
function crescent(run: Run, rule: RuleOf<'crescent'>): number[] {
  const from = rule.from * run.length
  const span = run.closed ? along(run, from, rule.to * run.length) || run.length : rule.to * run.length - from
  return Array.from({ length: rule.count }, (_, i) => {
    const share = (i + 0.5) / rule.count
    return from + span * fromDense(share, rule)
  })
}

function fromDense(share: number, { dense, thin }: { dense: 'middle' | 'start' | 'end', thin: number }): number {
  const reach = (y: number) => (thin === 0 ? y : (1 - Math.sqrt(1 - 2 * thin * y * (1 - thin / 2))) / thin)
  switch (dense) {
    case 'start': return reach(share)
    case 'end': return 1 - reach(1 - share)
    case 'middle': return share < 0.5 ? 0.5 - reach(1 - 2 * share) / 2 : 0.5 + reach(2 * share - 1) / 2
  }
}

/**
 * Clusters packed by the sizes of their members. Where the face is too narrow for a round cluster
 * they stand in a row along it.
 */
function clusters(rule: RuleOf<'cluster'>, { run, widths }: SlotContext): Slot[] {
  const sizes = widths(rule.at.length * rule.size)
  return rule.at.flatMap((at, group) => {
    const centre = at * run.length
    const members = Array.from({ length: rule.size }, (_, i) => ({ r: sizes[group * rule.size + i]! * PACKED / 2, x: 0, y: 0 }))
    const packed = packSiblings(members)
    const { half } = run.at(centre)
    const deep = packed.some((member) => Math.abs(member.y) > half * 1.25)
    if (deep) inRow(members)
    return members.map((member, i) => slot(run, `${group}.${i}`, centre + member.x, { across: member.y / half, deal: group * rule.size + i }))
  })
}

/** Heads in a cluster press into each other a little: rule of thumb. */
const PACKED = 0.9

function inRow(members: { r: number, x: number, y: number }[]): void {
  const total = members.reduce((sum, member) => sum + 2 * member.r, 0)
  let at = -total / 2
  for (const member of members) {
    member.x = at + member.r
    member.y = 0
    at += 2 * member.r
  }
}

/** Two sides of a seat, a place at a time: right and left in turn, the odd one out at the end of the right. */
function fromSeat(run: Run, rule: RuleOf<'mirror'>, kinds: number): Slot[] {
  const seat = rule.seat * run.length
  const room = (side: 1 | -1): number => Math.max(0, (run.closed ? Math.min(rule.reach, 0.5) * run.length : Math.min(rule.reach * run.length, side > 0 ? run.length - seat : seat)) - rule.gap)
  const rows = Math.ceil(rule.count / 2)
  return Array.from({ length: rule.count }, (_, i) => {
    const row = Math.floor(i / 2)
    const side = i % 2 ? -1 : 1
    const from = Math.min(rule.gap, run.closed ? run.length / 2 : run.length)
    const s = seat + side * (from + (room(side) * (row + 0.5)) / rows)
    return slot(run, i, s, { deal: row, material: rule.sequence && kinds > 0 ? row % kinds : null })
  })
}

/** Where the rows of a banded layer lie, in half widths of the face. */
const BANDS = { outer: 0.8, between: 0, inner: -0.8 } as const

/** The length of the line at `t` across the face, mm: on a ring π times its diameter there. */
const lineAt = (run: Run, t: number): number => run.length + (run.rim - run.length) * t

/** How many lie side by side on a row of a banded layer: `⌊its line ÷ width⌋`. */
const sideBySide = (run: Run, name: keyof typeof BANDS, width: number | undefined): number => (width === undefined ? 0 : wholesIn(lineAt(run, BANDS[name]), width))

/** The most that a row of a banded layer asks for, when it is as many as go round. */
export const mostInBand = (run: Run, rule: RuleOf<'bands'>, widths: readonly number[]): number =>
  Math.max(0, ...(['outer', 'between', 'inner'] as const).map((name, i) => (rule[name] === null ? sideBySide(run, name, widths[Math.min(i, widths.length - 1)]) : 0)))

function bands(run: Run, rule: RuleOf<'bands'>, mixWidths: readonly number[]): Slot[] {
  const kindOf = (i: number): number => Math.min(i, mixWidths.length - 1)
  const row = (name: 'outer' | 'between' | 'inner', material: number): Slot[] => {
    const asked = rule[name]
    const n = asked ?? Math.min(MOST_PLACES, sideBySide(run, name, mixWidths[kindOf(material)]))
    // Rows stand half a step off each other, as bricks do.
    return evenly(run, n, name === 'between' ? 0.5 / Math.max(1, n) : 0).map((s, i) => slot(run, `${name}.${i}`, s, { across: BANDS[name], material: kindOf(material) }))
  }
  const between = row('between', 1)
  const gaps = rule.gaps ? middles(run, between.map(({ s }) => s)).map((s, i) => slot(run, `gap.${i}`, s, { across: i % 2 ? 0.4 : -0.4, material: kindOf(3) })) : []
  return [...row('outer', 0), ...between, ...row('inner', 2), ...gaps]
}

/** Stations left and right in turn, from the middle out: on both runs of a pair, or to both sides of the layer's seat. */
function arms(rule: RuleOf<'arms'>, { run, runs, seat }: SlotContext): Slot[] {
  const other = runs.find(({ id }) => id === run.mirror.run) ?? run
  const paired = other.id !== run.id
  const reach = paired ? run.length : run.closed ? run.length / 2 : Math.min(seat, 1 - seat) * run.length
  const rows = Math.ceil(rule.count / 2)
  const low = Math.min(rule.from, rule.to)
  const high = Math.max(rule.from, rule.to)
  return Array.from({ length: rule.count }, (_, i) => {
    const row = Math.floor(i / 2)
    const out = reach * (low + ((high - low) * (row + 0.5)) / rows)
    const first = i % 2 === 0
    return paired ? slot(first ? run : other, i, out, { deal: row }) : slot(run, i, seat * run.length + (first ? -out : out), { deal: row })
  })
}

/**
 * Bundles one after another against the way they point, so that each covers the stems of the one before. The last is
 * tucked under the heads of the first: it lies lowest.
 */
function bundles({ start, advance, sprigs }: RuleOf<'bundles'>, { run, shortest, flow }: SlotContext): Slot[] {
  const { count, step } = overlapped(run, shortest, advance)
  const n = Math.min(count, Math.floor(MOST_PLACES / sprigs))
  const back = flow !== 'anticlockwise'
  const foot = (i: number): number => (run.closed ? start * run.length + (back ? -1 : 1) * i * step : (back ? run.length - shortest - i * step : shortest + i * step))
  const bundle = (i: number): Slot[] => Array.from({ length: sprigs }, (_, k) => {
    const out = sprigs === 1 ? 0 : ((k + 0.5) / sprigs) * 2 - 1
    // Those in the middle of the fan stand a little further out.
    return slot(run, `${i}.${k}`, foot(i) + (back ? 1 : -1) * step * 0.3 * (0.5 - Math.abs(out)), { across: out * BUNDLE_FAN, deal: i * sprigs + k })
  })
  const order = Array.from({ length: n }, (_, i) => i)
  return (run.closed && n > 1 ? [n - 1, ...order.slice(0, -1)] : order).flatMap(bundle)
}

/** Pieces of bough end over end, from where they point to, each over the stem of the one before. */
function boughs({ overlap }: RuleOf<'boughs'>, { run, shortest, flow }: SlotContext): Slot[] {
  if (overlap >= shortest) return []
  const { count, step } = overlapped(run, shortest, shortest - overlap)
  const back = flow !== 'anticlockwise'
  return numbered(run, Array.from({ length: Math.min(MOST_PLACES, count) }, (_, i) => (back ? Math.max(0, run.length - shortest) - i * step : Math.min(run.length, shortest) + i * step)))
}

/** Stems of a spray, all held at one place: pairs to the left and right from the outside in, the longest in the middle, and one odd last. */
function spray({ at, pairs, odd, spread }: RuleOf<'spray'>, { run, taper }: SlotContext): Slot[] {
  const stems = 2 * pairs + (odd ? 1 : 0)
  return Array.from({ length: stems }, (_, i) => {
    const out = i === 2 * pairs ? 0 : (pairs - Math.floor(i / 2) - (odd ? 0 : 0.5)) / pairs
    return slot(run, i, at * run.length, { deal: Math.floor(i / 2), lean: (i % 2 ? 1 : -1) * spread * out, reach: 1 - taper * out })
  })
}
