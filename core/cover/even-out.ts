import type { LaidLayer, Placement } from '../arrange'
import { grown, joined, nudgeBy, reserved } from '../arrange'
import type { Run } from '../base'
import { across, boundsOf, onRun, reachOf, wayTo } from '../base'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Figure } from '../measure'
import { figure, quantity, random, RULE_OF_THUMB, sum } from '../measure'
import type { Edit, Piece, RuleKind } from '../piece'
import { offBy } from './balance'
import { colourFamily, visualWeight } from './look'

/** How uneven a piece is, 0 at best: what the optimiser brings down. */
export interface Unevenness { readonly gaps: number, readonly balance: number, readonly colours: number, readonly whole: number }

export interface Progress { readonly done: number, readonly now: number }

export interface EvenedOut {
  /** What moves things there; null when nothing would get better. */
  readonly edit: Edit | null
  readonly before: Figure
  readonly after: Figure
  readonly moved: number
}

/** Rules whose places are meant as they are. */
const MEANT: ReadonlySet<RuleKind> = new Set(['single', 'cluster', 'bands', 'scatter', 'bundles', 'boughs', 'spray', 'wound', 'laid', 'mesh', 'poofs', 'beads', 'bow'])
/** Rules whose gaps differ on purpose: each gap is held against what the rule makes it. */
const SHAPED: ReadonlySet<RuleKind> = new Set(['crescent', 'mirror', 'arms', 'against', 'halfway'])

/** What each part of unevenness counts, in points: rule of thumb. */
const COUNTS = { gaps: 50, balance: 30, colours: 20 } as const

interface Item { readonly of: Placement, readonly run: Run, readonly weight: number, readonly family: string, readonly free: boolean, s: number, x: number, y: number }
/** The things of one layer on one run, in order, and the gap that each should have to the next. */
interface Row { readonly run: Run, readonly items: Item[], readonly wanted: readonly number[] }

const STEPS_EACH = 260
const MOST_STEPS = 60_000
const REPORT_EVERY = 400

/**
 * Moves what no hand has pinned along the runs so that gaps, balance and the mix of colours even out: simulated
 * annealing, the same every time for the same piece and seed. Order within a layer is kept but for two of different
 * colours that change places. Nothing is moved into a reserved place. Told to stop (`next(true)`), it gives the best so far.
 */
export function* evenOut(piece: Piece, runs: readonly Run[], laid: readonly LaidLayer[], shelf: Shelf, seed: number): Generator<Progress, EvenedOut, boolean | undefined> {
  const items = itemsOf(laid, runs, shelf)
  const rows = rowsOf(items, laid)
  const reach = reachOf(boundsOf(runs))
  const closedTo = closed(laid)
  const movable = rows.flatMap((row) => row.items.flatMap((item, i) => (item.free && row.items.length > 1 ? [{ row, i }] : [])))
  const measure = (): Unevenness => unevenness(piece, items, rows, reach)
  const before = measure()
  const start = items.map(({ s }) => s)
  let now = before.whole
  let best = { whole: now, places: start }
  const draw = random(seed)
  const steps = Math.min(MOST_STEPS, movable.length * STEPS_EACH)
  for (let step = 0; step < steps && best.whole > 1e-6; step++) {
    if (step % REPORT_EVERY === 0 && (yield { done: step / steps, now: best.whole })) break
    const heat = 0.8 * (1 - step / steps) ** 2
    const { row, i } = movable[draw.below(movable.length)]!
    const back = draw.next() < 0.18 ? swapPlaces(row, i, draw.below(row.items.length)) : slideOne(row, i, draw.spread(1) * (0.15 + heat), closedTo)
    if (!back) continue
    const next = measure().whole
    if (next <= now || draw.next() < Math.exp((now - next) / Math.max(1e-9, heat))) now = next
    else back()
    if (now < best.whole - 1e-9) best = { whole: now, places: items.map(({ s }) => s) }
  }
  items.forEach((item, i) => moveTo(item, best.places[i]!))
  const after = measure()
  const edits = items.flatMap((item, i): Edit[] => {
    const by = wayTo(item.run, start[i]!, item.s)
    return Math.abs(by) > 0.05 ? [nudgeBy(piece, item.of, { along: by })] : []
  })
  return { edit: edits.length && after.whole < before.whole - 1e-6 ? { do: 'several', edits } : null, before: told(before), after: told(after), moved: edits.length }
}

/** Whether a thing may not lie at a place: what its layer keeps clear of, with half its body about it. */
function closed(laid: readonly LaidLayer[]): (item: Item, s: number) => boolean {
  const zones = laid.flatMap((each) => each.zones)
  const clear = new Set(laid.filter(({ layer }) => layer.clear).map(({ layer }) => layer.id))
  const known = new Map<string, { from: number, length: number }[]>()
  return ({ of, run }, s) => {
    if (!clear.has(of.layer)) return false
    const about = of.form === 'leaf' ? 0 : of.width / 2
    const key = `${of.layer} ${run.id} ${about}`
    const kept = known.get(key) ?? joined(zones.filter((zone) => zone.layer !== of.layer).map((zone) => grown(zone, run, about)), run)
    known.set(key, kept)
    return reserved(run, kept, s)
  }
}

function told({ gaps, balance, colours, whole }: Unevenness): Figure {
  return figure(quantity.ratio(whole), sum`${quantity.count(COUNTS.gaps)} × ${quantity.ratio(gaps)} for uneven gaps + ${quantity.count(COUNTS.balance)} × ${quantity.ratio(balance)} for balance + ${quantity.count(COUNTS.colours)} × ${quantity.ratio(colours)} for colours that keep to one side = ${quantity.ratio(whole)}`, RULE_OF_THUMB)
}

/** How uneven a piece is as it lies. */
export function unevennessOf(piece: Piece, runs: readonly Run[], laid: readonly LaidLayer[], shelf: Shelf): Figure {
  const items = itemsOf(laid, runs, shelf)
  return told(unevenness(piece, items, rowsOf(items, laid), reachOf(boundsOf(runs))))
}

function itemsOf(laid: readonly LaidLayer[], runs: readonly Run[], shelf: Shelf): Item[] {
  return laid.flatMap(({ layer, placements }) => placements.map((of): Item => {
    const material = materialOf(shelf, of.material)!
    return {
      of, run: runs.find(({ id }) => id === of.run)!, weight: visualWeight(of, shelf), family: colourFamily(material.colours[0]!),
      free: !of.pinned && !layer.locked && !MEANT.has(layer.rule.kind), s: of.s, x: of.x, y: of.y,
    }
  }))
}

function rowsOf(items: readonly Item[], laid: readonly LaidLayer[]): Row[] {
  return laid.filter(({ layer }) => !MEANT.has(layer.rule.kind)).flatMap(({ layer }) => {
    const own = items.filter(({ of }) => of.layer === layer.id)
    return [...new Set(own.map(({ run }) => run))].map((run): Row => {
      const row = own.filter((item) => item.run === run).sort((a, b) => a.s - b.s)
      const gaps = Math.max(0, run.closed ? row.length : row.length - 1)
      // A shaped rule's gaps, in the order along the run; by hand and evenly laid ones want their share of the run.
      const rest = row.map(({ of }) => of.rest).sort((a, b) => a - b)
      const shaped = SHAPED.has(layer.rule.kind)
      return { run, items: row, wanted: Array.from({ length: gaps }, (_, i) => (shaped ? gap(run, rest[i]!, rest[(i + 1) % rest.length]!) : run.length / row.length)) }
    })
  })
}

const gap = (run: Run, a: number, b: number): number => (run.closed ? onRun(run, b - a) || run.length : b - a)

function moveTo(item: Item, s: number): void {
  item.s = onRun(item.run, s)
  const { x, y } = across(item.run.at(item.s), item.of.t)
  item.x = x
  item.y = y + (item.of.cord ? item.of.y - item.of.cord.y : 0)
}

/** Slides one between its neighbours. @param by share of the gap on that side @returns what takes it back, or null when it cannot go */
function slideOne({ run, items }: Row, i: number, by: number, closedTo: (item: Item, s: number) => boolean): (() => void) | null {
  const item = items[i]!
  const n = items.length
  const next = items[i + 1] ?? (run.closed ? items[0] : undefined)
  const last = items[i - 1] ?? (run.closed ? items[n - 1] : undefined)
  const room = by > 0 ? (next ? gap(run, item.s, next.s) : run.length - item.s) : (last ? gap(run, last.s, item.s) : item.s)
  const was = item.s
  const to = onRun(run, was + by * room * 0.6)
  if (closedTo(item, to)) return null
  moveTo(item, to)
  return () => moveTo(item, was)
}

/** Two of different colours change places. */
function swapPlaces({ items }: Row, i: number, k: number): (() => void) | null {
  const [a, b] = [items[i]!, items[k]!]
  if (a === b || !b.free || a.family === b.family) return null
  const change = (): void => {
    const [s, t] = [a.s, b.s]
    moveTo(a, t)
    moveTo(b, s)
    const [at, to] = [items.indexOf(a), items.indexOf(b)]
    items[at] = b
    items[to] = a
  }
  change()
  return change
}

function unevenness(piece: Piece, items: readonly Item[], rows: readonly Row[], reach: number): Unevenness {
  const gaps = gapScatter(rows)
  let [x, y, all] = [0, 0, 0]
  for (const item of items) {
    x += item.weight * item.x
    y += item.weight * item.y
    all += item.weight
  }
  const closed = items[0]?.run.closed ?? true
  const balance = all > 0 ? offBy(piece.brief.balance, { x: x / all, y: closed ? y / all : 0 }, reach) : 0
  const colours = piece.brief.balance.school === 'offset' ? 0 : colourDrift(items)
  return { gaps, balance, colours, whole: COUNTS.gaps * gaps + COUNTS.balance * balance + COUNTS.colours * colours }
}

/** Root mean square of how far each gap is from what it should be, as a share of that. */
function gapScatter(rows: readonly Row[]): number {
  let [total, n] = [0, 0]
  for (const { run, items, wanted } of rows) {
    for (let i = 0; i < wanted.length; i++) {
      const want = Math.max(1, wanted[i]!)
      const is = gap(run, items[i]!.s, items[(i + 1) % items.length]!.s)
      total += ((is - want) / want) ** 2
      n += 1
    }
  }
  return n ? Math.sqrt(total / n) : 0
}

/** How far the middle of each colour lies off the middle of everything, mean over the colours, share of the way round or along. */
function colourDrift(items: readonly Item[]): number {
  const sums = new Map<string, { x: number, y: number, n: number }>()
  for (const { family, run, s } of items) {
    const own = sums.get(family) ?? { x: 0, y: 0, n: 0 }
    const angle = run.closed ? (2 * Math.PI * s) / run.length : Math.PI * (s / run.length)
    own.x += Math.cos(angle)
    own.y += run.closed ? Math.sin(angle) : 0
    own.n += 1
    sums.set(family, own)
  }
  const drifts = [...sums.values()].filter(({ n }) => n > 1).map(({ x, y, n }) => Math.hypot(x, y) / n)
  return drifts.length ? drifts.reduce((a, b) => a + b, 0) / drifts.length : 0
}
