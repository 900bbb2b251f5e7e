import type { Run } from './base'
import { stationAt } from './base'
import type { Edit, Layer, Rule } from './piece'
import { MOST_PLACES } from './piece'
import type { LaidLayer, LaidPiece, Placement } from './placement'
import { fitPieces, footprint, gapsOf, runsFor } from './placement'

/** A number of things that a layer can lay, and its rule when it does. */
export interface LayerOption {
  readonly count: number
  readonly rule: Rule
}

/** A layer whose things can be counted otherwise: how many it lays now, and what else it can. */
export interface Countable {
  readonly layer: string
  readonly now: number
  /** In what groups it lays them: clusters of so many, pairs; 1 where it lays them one by one. */
  readonly each: number
  /** From few to many, what it lays now among them. */
  readonly options: readonly LayerOption[]
}

/** The largest number that is shared out. */
export const MOST_SHARED = 200
/** More layers than these are not counted at once: some are held as they are. */
export const MOST_OPEN = 3
/** So many answers are told. */
const TOLD = 12

const ruled = ({ placements }: LaidLayer): number => placements.filter(({ added }) => !added).length

/** Clusters are counted by how many there are, each as large as it is; the first stays where it is and the others go evenly round. */
function clusterOptions(layer: Layer, runs: readonly Run[], most: number): LayerOption[] {
  const { rule } = layer
  if (rule.kind !== 'cluster' || !rule.size || !rule.at.length) return []
  const on = Math.max(1, runsFor(layer, runs).length)
  const [first] = rule.at
  const largest = Math.min(60, Math.floor(most / (rule.size * on)))
  return Array.from({ length: largest }, (_, i) => {
    const n = i + 1
    const at = n === rule.at.length ? rule.at : Array.from({ length: n }, (_, k) => (first! + k / n) % 1)
    return { count: n * rule.size * on, rule: { ...rule, at } }
  })
}

/** Gathers in ties are as many as are wanted, up to one in each tie. */
function gatherOptions(layer: Layer, runs: readonly Run[], most: number): LayerOption[] {
  const { rule } = layer
  if (rule.kind !== 'mesh') return []
  const on = Math.max(1, runsFor(layer, runs).length)
  const largest = Math.min(rule.ties, MOST_PLACES, Math.floor(most / on))
  return Array.from({ length: largest }, (_, i) => ({ count: (i + 1) * on, rule: { ...rule, count: i + 1 } }))
}

/** What a layer can lay, up to so many: by its rule's own count. */
function optionsOf({ layer }: LaidLayer, { runs, shelf }: LaidPiece, most: number): LayerOption[] {
  const own = [...clusterOptions(layer, runs, most), ...gatherOptions(layer, runs, most)]
  if (own.length) return own
  const found = new Map<number, Rule>()
  for (let n = 1; n <= most; n++) {
    const fit = fitPieces(layer, n, runs, shelf)
    if (fit && fit.pieces > 0 && fit.pieces <= most && !found.has(fit.pieces)) found.set(fit.pieces, fit.rule)
  }
  return [...found].map(([count, rule]) => ({ count, rule }))
}

/** The largest step in which all of some counts are reached. */
function stepOf(counts: readonly number[]): number {
  const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a)
  return counts.reduce((step, count) => gcd(step, count), 0) || 1
}

/**
 * The layers whose things can be counted otherwise, in the order in which they go on.
 * @param most up to so many, at most `MOST_SHARED`
 */
export function countablesOf(of: LaidPiece, most: number): Countable[] {
  const up = Math.min(MOST_SHARED, Math.max(1, Math.floor(most)))
  return of.laid.flatMap((laid): Countable[] => {
    const now = ruled(laid)
    if (laid.layer.hidden || now === 0) return []
    const options = optionsOf(laid, of, up)
    const here = options.some(({ count }) => count === now)
    const all = here ? options : [...options, { count: now, rule: laid.layer.rule }].sort((a, b) => a.count - b.count)
    return [
      {
        layer: laid.layer.id,
        now,
        each: stepOf(all.map(({ count }) => count)),
        options: all.filter(({ count }) => count <= up || count === now),
      },
    ]
  })
}

/** One way to share a number out among layers. */
export interface Sharing {
  /** How many each lays, in the order of the layers that were asked for. */
  readonly counts: readonly number[]
  readonly used: number
  readonly left: number
}

/**
 * All whole ways to share a number among layers, those that leave least first; of those that leave as many, the nearest to what is laid
 * now. Where none comes out at all there is no answer.
 * @param of layers to share it among @param open which of them may lay another number; the others lay what they lay
 * @throws RangeError for more than `MOST_OPEN` open layers
 */
export function sharingsOf(of: readonly Countable[], open: ReadonlySet<string>, number: number): Sharing[] {
  const free = of.filter(({ layer }) => open.has(layer))
  if (free.length > MOST_OPEN) throw new RangeError(`at most ${MOST_OPEN} layers may be open`)
  const held = of.reduce((n, { layer, now }) => n + (open.has(layer) ? 0 : now), 0)
  const counts = free.map(({ options }) => options.map(({ count }) => count))
  const least = sum(counts.map((own) => own[0]!))
  // From all that is there downwards, until enough ways are found: of what leaves more there may be very many.
  const ways: (readonly number[])[] = []
  for (let used = number - held; used >= least && ways.length < TOLD; used--) ways.push(...waysOf(counts, used))
  const far = (way: readonly number[]): number => way.reduce((n, count, i) => n + Math.abs(count - free[i]!.now) / free[i]!.now, 0)
  return ways
    .map((way) => ({ way, used: held + sum(way), off: far(way) }))
    .filter(({ used }) => used <= number)
    .sort((a, b) => b.used - a.used || a.off - b.off)
    .slice(0, TOLD)
    .map(({ way, used }) => {
      const next = way[Symbol.iterator]()
      return { counts: of.map(({ layer, now }) => (open.has(layer) ? next.next().value! : now)), used, left: number - used }
    })
}
/** All ways to come to exactly so many with one count of each. */
function waysOf([first, ...rest]: readonly (readonly number[])[], exactly: number): (readonly number[])[] {
  if (!first) return exactly === 0 ? [[]] : []
  if (!rest.length) return first.includes(exactly) ? [[exactly]] : []
  return first.flatMap((count) => (count > exactly ? [] : waysOf(rest, exactly - count).map((way) => [count, ...way])))
}
const sum = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0)

/** Lays so many in each layer, as a sharing says. */
export const sharingEdit = (of: readonly Countable[], { counts }: Sharing): Edit => ({
  do: 'several',
  edits: of.flatMap(({ layer, now, options }, i): Edit[] => {
    const option = counts[i] === now ? undefined : options.find(({ count }) => count === counts[i])
    return option ? [{ do: 'layer', layer, set: { rule: option.rule } }] : []
  }),
})

/** How many things of one layer go between those of another. */
export interface Between {
  /** Gaps there are, and the least clear room in one, mm. */
  readonly gaps: number
  readonly room: number
  /** How long one of the things is along the run, mm. */
  readonly length: number
  /** How many go in every gap at most, side by side, and in all gaps as they are. */
  readonly each: number
  readonly all: number
  /** How many go in every gap when they are spread over it, as far from one another as from their neighbours. */
  readonly spread: number
  /** What lays them so; null where none fits, or where the one layer goes by the other. */
  readonly edit: Edit | null
}

/** How far a thing reaches along its run to either side of its place, mm. */
function reachAlong(thing: Placement, run: Run): { readonly back: number; readonly on: number } {
  const { tx, ty } = stationAt(run, thing.s)
  const along = footprint(thing, thing.form).map(({ x, y }) => (x - thing.x) * tx + (y - thing.y) * ty)
  return { back: Math.max(0, -Math.min(...along)), on: Math.max(0, ...along) }
}

/**
 * At most how many things of one layer lie between neighbours of another, none over any: the clear room of each gap by how long a
 * thing is along the run.
 * @param those the layer whose gaps are filled @param these the layer that is laid in them
 * @returns null where either lays nothing, or nothing on the same runs
 */
export function betweenOf(of: LaidPiece, those: string, these: string): Between | null {
  const { runs, laid } = of
  const [outer, inner] = [those, these].map((id) => laid.find(({ layer }) => layer.id === id))
  if (!outer?.placements.length || !inner?.placements.length) return null
  const lengths = inner.placements.flatMap((thing) => {
    const run = runs.find(({ id }) => id === thing.run)
    if (!run) return []
    const { back, on } = reachAlong(thing, run)
    return [back + on]
  })
  const length = Math.max(...lengths)
  const byRun = runs.map((run) => roomsBetween(outer.placements, run)).filter((rooms) => rooms.length)
  const rooms = byRun.flat()
  if (!rooms.length || !(length > 0)) return null
  const fits = rooms.map(({ clear }) => wholes(clear / length))
  // Spread over a gap, k things part it into k + 1: each part holds half of what lies at either end of it.
  const spread = Math.min(...rooms.map(({ gap, clear }) => wholes(Math.min(gap / length, gap / ((gap - clear + length) / 2)) - 1)))
  const onEach = Math.min(...byRun.map((own) => own.length))
  const goesBy = 'of' in outer.layer.rule && outer.layer.rule.of === these
  return {
    gaps: rooms.length,
    room: Math.min(...rooms.map(({ clear }) => clear)),
    length,
    each: Math.min(...fits),
    all: sum(fits),
    spread,
    edit:
      spread > 0 && !goesBy && spread * onEach <= MOST_PLACES
        ? {
            do: 'layer',
            layer: these,
            set: { run: outer.layer.run, rule: { kind: 'against', of: those, count: spread * onEach, pattern: 'dealt' } },
          }
        : null,
  }
}
const wholes = (n: number): number => Math.max(0, Math.floor(n + 1e-9))

/** The gaps between neighbours on a run, from middle to middle, and the clear room in each, mm. */
function roomsBetween(placements: readonly Placement[], run: Run): { readonly gap: number; readonly clear: number }[] {
  const own = placements.filter((each) => each.run === run.id).sort((a, b) => a.s - b.s)
  const reaches = own.map((thing) => reachAlong(thing, run))
  return gapsOf(
    run,
    own.map(({ s }) => s),
  ).map(({ length: gap }, i) => ({ gap, clear: Math.max(0, gap - reaches[i]!.on - reaches[(i + 1) % own.length]!.back) }))
}
