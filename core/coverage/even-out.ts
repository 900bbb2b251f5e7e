import type { LaidLayer, Placement } from '../placement'
import { arrange, grown, joined, nudgeBy, reserved, standsLevel } from '../placement'
import type { Run } from '../base'
import { across, boundsOf, onRun, reachOf, stationAt, wayTo } from '../base'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Figure, Point, Rated } from '../measure'
import { figure, quantity, random, RULE_OF_THUMB, sum } from '../measure'
import type { Edit, Piece } from '../piece'
import { edit, ruleSortOf } from '../piece'
import { offBy } from './balance'
import { colourFamily, visualWeight } from './colour-and-weight'

/** How uneven a piece is, 0 at best: what the optimiser brings down. */
export interface Unevenness {
  readonly gaps: number
  readonly balance: number
  readonly colours: number
  readonly whole: number
}

export interface EvenOutProgress {
  readonly done: number
  readonly now: number
}

export interface EvenedOut {
  /** What moves things there; null when nothing would get better. */
  readonly edit: Edit | null
  readonly before: Figure
  readonly after: Figure
  readonly moved: number
}

/** What each part of unevenness counts, in points: rule of thumb. */
const COUNTS = { gaps: 50, balance: 30, colours: 20 } as const

/** A thing as it lies now: where along its run, where on the face, and which way round, as a point of the unit circle. */
interface Item {
  readonly index: number
  readonly of: Placement
  readonly run: Run
  readonly weight: number
  readonly family: string
  readonly free: boolean
  /** What lies on it, each with how far off and whether that turns with the base. */
  readonly bears: { readonly item: Item; readonly off: Point; readonly along: number; readonly turns: boolean }[]
  s: number
  x: number
  y: number
  u: number
  v: number
}
/** The things of one layer on one run, in order, and the gap that each should have to the next. */
interface Row {
  readonly run: Run
  readonly items: Item[]
  readonly wanted: readonly number[]
}

const STEPS_EACH = 260
const MOST_STEPS = 45_000
const REPORT_EVERY = 400

/**
 * Moves what no hand has pinned along the runs so that gaps, balance and the mix of colours even out: simulated
 * annealing, the same every time for the same piece and seed. Order within a layer is kept but for two of different
 * colours that change places. Nothing is moved into a reserved place. Told to stop (`next(true)`), it gives the best so far.
 */
export function* evenOut(
  piece: Piece,
  runs: readonly Run[],
  laid: readonly LaidLayer[],
  shelf: Shelf,
  seed: number,
): Generator<EvenOutProgress, EvenedOut, boolean | undefined> {
  const items = itemsOf(laid, runs, shelf)
  const rows = rowsOf(items, laid)
  const reach = reachOf(boundsOf(runs))
  const closedTo = closed(laid)
  const movable = rows.flatMap((row) => row.items.flatMap((item, i) => (item.free && row.items.length > 1 ? [{ row, i }] : [])))
  const scales = new Scales(piece, items, rows, reach, shelf)
  const before = scales.read()
  const start = items.map(({ s }) => s)
  let now = before.whole
  const best = { whole: now, places: [...start] }
  /** What was moved since the best: all that has to be noted when it is bettered. */
  const since = new Set<Item>()
  const draw = random(seed)
  const steps = Math.min(MOST_STEPS, movable.length * STEPS_EACH)
  for (let step = 0; step < steps && best.whole > 1e-6; step++) {
    if (step % REPORT_EVERY === 0 && (yield { done: step / steps, now: best.whole })) break
    const heat = 0.8 * (1 - step / steps) ** 2
    const { row, i } = movable[draw.below(movable.length)]!
    const back =
      draw.next() < 0.18
        ? swapPlaces(scales, row, i, draw.below(row.items.length))
        : slideOne(scales, row, i, draw.spread(1) * (0.15 + heat), closedTo)
    if (!back) continue
    const next = scales.read().whole
    if (next <= now || draw.next() < Math.exp((now - next) / Math.max(1e-9, heat))) {
      now = next
      for (const item of back.moved) since.add(item)
    } else back.undo()
    if (now >= best.whole - 1e-9) continue
    best.whole = now
    for (const item of since) best.places[item.index] = item.s
    since.clear()
  }
  const edits = items.flatMap((item): Edit[] => {
    if (item.of.bearer !== null) return []
    const by = wayTo(item.run, start[item.index]!, best.places[item.index]!)
    return Math.abs(by) > 0.05 ? [nudgeBy(piece, item.of, { along: by })] : []
  })
  // What is said of it is read off the piece with all of it moved: stems that follow their run are bent otherwise there.
  const moved = edits.length ? edit(piece, { do: 'several', edits }, 'even it out') : null
  const after = moved?.ok ? lyingAs(moved.change.piece, runs, shelf) : null
  return after !== null && after.whole < before.whole - 1e-6
    ? { edit: { do: 'several', edits }, before: told(before), after: told(after), moved: edits.length }
    : { edit: null, before: told(before), after: told(before), moved: 0 }
}

/** How uneven a piece is, laid afresh. */
function lyingAs(piece: Piece, runs: readonly Run[], shelf: Shelf): Unevenness {
  const laid = arrange(piece, runs, shelf)
  const items = itemsOf(laid, runs, shelf)
  return unevenness(piece, items, rowsOf(items, laid), reachOf(boundsOf(runs)), shelf)
}

/** Whether a thing may not lie at a place: what its layer keeps clear of, with half its body about it. */
function closed(laid: readonly LaidLayer[]): (item: Item, s: number) => boolean {
  const zones = laid.flatMap((each) => each.zones)
  const clear = new Set(laid.filter(({ layer }) => layer.clear).map(({ layer }) => layer.id))
  const known = new Map<string, { from: number; length: number }[]>()
  return ({ of, run }, s) => {
    if (!clear.has(of.layer)) return false
    const about = of.form === 'leaf' ? 0 : of.width / 2
    const key = `${of.layer} ${run.id} ${about}`
    const kept =
      known.get(key) ??
      joined(
        zones.filter((zone) => zone.layer !== of.layer).map((zone) => grown(zone, run, about)),
        run,
      )
    known.set(key, kept)
    return reserved(run, kept, s)
  }
}

function told({ gaps, balance, colours, whole }: Unevenness): Figure {
  return figure(
    quantity.ratio(whole),
    sum`${quantity.count(COUNTS.gaps)} × ${quantity.ratio(gaps)} for uneven gaps + ${quantity.count(COUNTS.balance)} × ${quantity.ratio(balance)} for balance + ${quantity.count(COUNTS.colours)} × ${quantity.ratio(colours)} for colours that keep to one side = ${quantity.ratio(whole)}`,
    RULE_OF_THUMB,
  )
}

/** How uneven a piece is as it lies. */
export function unevennessOf(piece: Piece, runs: readonly Run[], laid: readonly LaidLayer[], shelf: Shelf): Figure {
  const items = itemsOf(laid, runs, shelf)
  return told(unevenness(piece, items, rowsOf(items, laid), reachOf(boundsOf(runs)), shelf))
}

function itemsOf(laid: readonly LaidLayer[], runs: readonly Run[], shelf: Shelf): Item[] {
  const items = laid
    .flatMap(({ layer, placements }) =>
      placements.map((of): Omit<Item, 'index'> => {
        const material = materialOf(shelf, of.material)!
        return {
          of,
          run: runs.find(({ id }) => id === of.run)!,
          weight: visualWeight(of, shelf),
          family: colourFamily(material.colours[0]!),
          free: !of.pinned && !layer.locked && ruleSortOf(layer.rule.kind).evening !== 'meant',
          bears: [],
          s: of.s,
          x: of.x,
          y: of.y,
          u: 0,
          v: 0,
        }
      }),
    )
    .map((item, index) => turnedBy({ ...item, index }))
  const byId = new Map(items.map((item) => [item.of.id, item]))
  for (const item of items) {
    const on = item.of.bearer === null ? undefined : byId.get(item.of.bearer)
    if (!on) continue
    const [turns, { tx, ty }] = [!standsLevel(on.of, shelf), stationAt(on.run, on.s)]
    const [dx, dy] = [item.x - on.x, item.y - on.y]
    on.bears.push({
      item,
      turns,
      along: wayTo(on.run, on.s, item.s),
      off: turns ? { x: dx * tx + dy * ty, y: dy * tx - dx * ty } : { x: dx, y: dy },
    })
  }
  return items
}

/** A thing and all that lies on it, on that, and so on. */
const withBorne = (item: Item): Item[] => [item, ...item.bears.flatMap((each) => withBorne(each.item))]

/** An item with the way round that its place comes to: the whole way round a closed run, half the way along an open one. */
function turnedBy(item: Item): Item {
  const { run, s } = item
  const angle = run.closed ? (2 * Math.PI * s) / run.length : Math.PI * (s / run.length)
  item.u = Math.cos(angle)
  item.v = run.closed ? Math.sin(angle) : 0
  return item
}

function rowsOf(items: readonly Item[], laid: readonly LaidLayer[]): Row[] {
  return laid
    .filter(({ layer }) => ruleSortOf(layer.rule.kind).evening !== 'meant')
    .flatMap(({ layer }) => {
      const own = items.filter(({ of }) => of.layer === layer.id)
      return [...new Set(own.map(({ run }) => run))].map((run): Row => {
        const row = own.filter((item) => item.run === run).sort((a, b) => a.s - b.s)
        const gaps = Math.max(0, run.closed ? row.length : row.length - 1)
        // A shaped rule's gaps, in the order along the run; by hand and evenly laid ones want their share of the run.
        const ruled = row.map(({ of }) => of.ruled).sort((a, b) => a - b)
        const shaped = ruleSortOf(layer.rule.kind).evening === 'shaped'
        return {
          run,
          items: row,
          wanted: Array.from({ length: gaps }, (_, i) =>
            shaped ? gap(run, ruled[i]!, ruled[(i + 1) % ruled.length]!) : run.length / row.length,
          ),
        }
      })
    })
}

const gap = (run: Run, a: number, b: number): number => (run.closed ? onRun(run, b - a) || run.length : b - a)

function moveTo(item: Item, s: number): void {
  item.s = onRun(item.run, s)
  const { x, y } = across(stationAt(item.run, item.s), item.of.t)
  item.x = x
  item.y = y + (item.of.cord ? item.of.y - item.of.cord.y : 0)
  carryBorne(item)
  turnedBy(item)
}

/** What lies on a thing lies where that is. */
function carryBorne({ bears, run, s, x, y }: Item): void {
  if (!bears.length) return
  const { tx, ty } = stationAt(run, s)
  for (const { item, off, along, turns } of bears) {
    item.s = onRun(run, s + along)
    item.x = x + (turns ? off.x * tx - off.y * ty : off.x)
    item.y = y + (turns ? off.x * ty + off.y * tx : off.y)
    turnedBy(item)
    carryBorne(item)
  }
}

/** What a step moved, and how it is taken back. */
interface Moved {
  readonly moved: readonly Item[]
  undo(): void
}

/** Slides one between its neighbours. @param by share of the gap on that side @returns null when it cannot go */
function slideOne(scales: Scales, row: Row, i: number, by: number, closedTo: (item: Item, s: number) => boolean): Moved | null {
  const { run, items } = row
  const item = items[i]!
  const n = items.length
  const next = items[i + 1] ?? (run.closed ? items[0] : undefined)
  const last = items[i - 1] ?? (run.closed ? items[n - 1] : undefined)
  const room = by > 0 ? (next ? gap(run, item.s, next.s) : run.length - item.s) : last ? gap(run, last.s, item.s) : item.s
  const was = item.s
  const to = onRun(run, was + by * room * 0.6)
  if (closedTo(item, to)) return null
  scales.move(row, i, to)
  return { moved: [item], undo: () => scales.move(row, i, was) }
}

/** Two of different colours change places. */
function swapPlaces(scales: Scales, row: Row, i: number, k: number): Moved | null {
  const [a, b] = [row.items[i]!, row.items[k]!]
  if (a === b || !b.free || a.family === b.family) return null
  scales.swap(row, i, k)
  return { moved: [a, b], undo: () => scales.swap(row, i, k) }
}

/** Unevenness kept by its sums, so that moving one thing costs the same however many there are. */
class Scales {
  private readonly gaps = new Map<Row, Float64Array>()
  private gapSum = 0
  private readonly gapCount: number
  private readonly centre = { x: 0, y: 0, all: 0 }
  private readonly families = new Map<string, { u: number; v: number; n: number }>()
  private readonly closed: boolean

  constructor(
    private readonly piece: Piece,
    items: readonly Item[],
    rows: readonly Row[],
    private readonly reach: number,
    private readonly by: Rated,
  ) {
    this.closed = items[0]?.run.closed ?? true
    for (const item of items) this.weigh(item, 1)
    for (const row of rows) {
      this.gaps.set(row, new Float64Array(row.wanted.length))
      for (let i = 0; i < row.wanted.length; i++) this.look(row, i)
    }
    this.gapCount = rows.reduce((n, { wanted }) => n + wanted.length, 0)
  }

  move(row: Row, i: number, s: number): void {
    const item = row.items[i]!
    const all = withBorne(item)
    for (const each of all) this.weigh(each, -1)
    moveTo(item, s)
    for (const each of all) this.weigh(each, 1)
    this.lookAbout(row, i)
  }

  swap(row: Row, i: number, k: number): void {
    const { items } = row
    const [a, b] = [items[i]!, items[k]!]
    const [s, t] = [a.s, b.s]
    const all = [...withBorne(a), ...withBorne(b)]
    for (const each of all) this.weigh(each, -1)
    moveTo(a, t)
    moveTo(b, s)
    for (const each of all) this.weigh(each, 1)
    items[i] = b
    items[k] = a
    this.lookAbout(row, i)
    this.lookAbout(row, k)
  }

  read(): Unevenness {
    return summed(this.piece, {
      gaps: this.gapCount ? Math.sqrt(Math.max(0, this.gapSum) / this.gapCount) : 0,
      centre: this.centre,
      families: this.families,
      closed: this.closed,
      reach: this.reach,
      by: this.by,
    })
  }

  private weigh({ weight, x, y, u, v, family }: Item, sign: 1 | -1): void {
    const { centre } = this
    centre.x += sign * weight * x
    centre.y += sign * weight * y
    centre.all += sign * weight
    let own = this.families.get(family)
    if (!own) this.families.set(family, (own = { u: 0, v: 0, n: 0 }))
    own.u += sign * u
    own.v += sign * v
    own.n += sign
  }

  private lookAbout(row: Row, i: number): void {
    this.look(row, i)
    this.look(row, i > 0 ? i - 1 : row.items.length - 1)
  }

  /** Looks at the gap after an item anew; after the last of an open run there is none. */
  private look(row: Row, i: number): void {
    const known = this.gaps.get(row)!
    if (i >= known.length) return
    this.gapSum -= known[i]!
    known[i] = offGap(row, i)
    this.gapSum += known[i]
  }
}

/** How uneven things are as they lie, counted from nothing. */
function unevenness(piece: Piece, items: readonly Item[], rows: readonly Row[], reach: number, by: Rated): Unevenness {
  return new Scales(piece, items, rows, reach, by).read()
}

interface Sums {
  /** Root mean square of how far each gap is from what it should be, as a share of that. */
  readonly gaps: number
  /** Weights and their moments. */
  readonly centre: { readonly x: number; readonly y: number; readonly all: number }
  readonly families: ReadonlyMap<string, { readonly u: number; readonly v: number; readonly n: number }>
  readonly closed: boolean
  readonly reach: number
  readonly by: Rated
}

function summed(piece: Piece, { gaps, centre: { x, y, all }, families, closed, reach, by }: Sums): Unevenness {
  const balance = all > 0 ? offBy(piece.brief.balance, { x: x / all, y: closed ? y / all : 0 }, reach, by) : 0
  const colours = piece.brief.balance.school === 'offset' ? 0 : colourDrift(families)
  return { gaps, balance, colours, whole: COUNTS.gaps * gaps + COUNTS.balance * balance + COUNTS.colours * colours }
}

/** How far the gap after an item is from what it should be, as a share of that, squared. */
function offGap({ run, items, wanted }: Row, i: number): number {
  const want = Math.max(1, wanted[i]!)
  return ((gap(run, items[i]!.s, items[(i + 1) % items.length]!.s) - want) / want) ** 2
}

/** How far the middle of each colour lies off the middle of everything, mean over the colours, share of the way round or along. */
function colourDrift(families: Sums['families']): number {
  let [sum, count] = [0, 0]
  for (const { u, v, n } of families.values()) {
    if (n < 2) continue
    sum += Math.hypot(u, v) / n
    count += 1
  }
  return count ? sum / count : 0
}
