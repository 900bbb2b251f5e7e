import type { LaidLayer, PieceOnRuns } from '../placement'
import { arrange, HELD, turnOfRun } from '../placement'
import type { BaseKind, Body, Run } from '../base'
import { BASE_SORTS, boundsOf, stationAt } from '../base'
import type { Material, Shelf } from '../material'
import { flexOf, materialOf, USUAL_CORD } from '../material'
import type { Rated, Thumb } from '../measure'
import { clamp, degrees, inches, leastThat, radians, rate } from '../measure'
import type { Layer, Piece, RuleKind } from '../piece'
import { BOUGH_YIELDS, BUNDLE_ADVANCE, withRuleKind, DOOR_SHARE, EACH, laysStems, startLayer } from '../piece'
import { coverageOf } from './coverage'
import { fullnessMeant } from './fullness'
import { AS_LAID, FIRST_FULL, FIRST_LUSH, FIRST_SPARSE, SECOND_SEEN } from './rules-of-thumb'
import { seenShares } from './seen-share'

/** How much of the face a first layer of greenery should hide, by the fullness asked. */
const COVERS: Readonly<Record<Piece['brief']['fullness'], Thumb>> = { sparse: FIRST_SPARSE, full: FIRST_FULL, lush: FIRST_LUSH }
/** How far stems reach beyond the base: as a share of its face and of half its size, mm at least and at most. A ring comes out 2 to 6 in wider than its form. Rules of thumb. */
const BEYOND = { ofFace: 0.9, ofHalf: 0.25, least: 25, most: 75 } as const
/** A stem that is shorter than this does not hold, mm, and none is longer than this share of its run. Rules of thumb. */
const SHORTEST = 60
const OF_RUN = 0.6
/** Neighbours lie over each other by at least this share of a stem, and no nearer than this, mm. Rules of thumb. */
const OVERLAP = 0.4
const NEAREST = inches(0.75)
/** From place to place, mm along the run: of what is laid over the greenery, and of accents. Rules of thumb. */
const APART = { over: 90, accents: 200 } as const
const MOST = 240
/** Where the arms of a layer begin, a share of their run. */
const ARMS_FROM = 0.03
/** A second greenery stands no closer than this, mm along the run. Rule of thumb. */
const SECOND_APART = 40
/** Greenery that covers this share of what a first layer should is the ground for a second. Rule of thumb. */
const MOSTLY = 0.75
/** A group of three heads, two of them across, takes at most this share of the base's shorter side; else one stands alone. Rule of thumb. */
const GROUP = 0.55
/** A bow across is so much of the base's width: between a third and a half. Rule of thumb. */
const BOW = 0.42

/** A cut length as hands measure it: to the quarter inch. */
const quarter = (mm: number): number => Math.max(inches(0.25), Math.round(mm / inches(0.25)) * inches(0.25))

/** What layer is begun, and of what. */
export interface Beginning {
  /** Of the layer. */
  readonly id: string
  readonly material: Material
  readonly seed: number
  /** A rule to lay it by; null takes its usual one. */
  readonly by: RuleKind | null
}

/** A layer to begin with, and its place in the order of work. */
export interface Begun {
  readonly layer: Layer
  readonly at: number
}

/** Roles that stems go on before: they lie on top, to be seen. */
const ON_TOP: ReadonlySet<Layer['role']> = new Set(['focal', 'sign', 'bow'])

/**
 * A layer of one material as a maker would begin it on this piece: its rule, count, cut length, lean and spread by the
 * base, its runs and faces, the door it hangs on and the fullness asked; stems go on before what is to be seen on top.
 */
export function beginLayer(on: PieceOnRuns, beginning: Beginning): Begun {
  const { piece } = on
  const { material } = beginning
  const layer = laid(on, beginning)
  const under = material.form === 'leaf' && !ON_TOP.has(layer.role)
  return { layer, at: under ? underWhatIsSeen(piece) : piece.layers.length }
}

/** The place in the order before what is to be seen on top. */
function underWhatIsSeen({ layers }: Pick<Piece, 'layers'>): number {
  const first = layers.findIndex(({ role }) => ON_TOP.has(role))
  return first < 0 ? layers.length : first
}

function laid(on: PieceOnRuns, { id, material, seed, by }: Beginning): Layer {
  const { piece, runs, shelf } = on
  const start = startLayer(id, material, seed, runs, piece.brief.hand)
  const second = isGreen(start) && isCovered(on)
  const layer: Layer = {
    ...start,
    ...(by === null ? {} : withRuleKind(start, by, '')),
    // Greenery covers every part of a base that has several.
    ...(start.role === 'greenery' && runs.length > 1 ? { run: EACH } : {}),
    // Over greenery that covers already, more of it is seen among the first, and does not hide it.
    ...(second ? { role: 'second greenery' as const } : {}),
  }
  const room = roomOf(piece, runs, layer, shelf)
  if (layer.rule.kind === 'bow') return sized(layer, room)
  if (!laysStems(layer.rule)) return tied(layer, runs)
  const own = asLong(layer, material, room)
  const long = own.cut ?? material.length
  switch (own.rule.kind) {
    case 'cluster': {
      const size = 2 * material.width <= room.short * GROUP ? own.rule.size : 1
      return { ...own, rule: { ...own.rule, size } }
    }
    case 'bundles':
      return { ...own, cut: null, rule: { ...own.rule, advance: rate(BUNDLE_ADVANCE, shelf) } }
    case 'boughs':
      return { ...own, rule: { ...own.rule, yields: rate(BOUGH_YIELDS, shelf) } }
    case 'arms': {
      const arms = { ...own.rule, from: ARMS_FROM }
      const as = { ...own, rule: arms }
      const count = second ? secondCount(on, as, room) : countFor(on, as, room, long)
      // Both sides get as many.
      return { ...own, rule: { ...arms, count: 2 * Math.ceil(count / 2) } }
    }
    case 'compass': {
      const count = second
        ? secondCount(on, own, room)
        : own.role === 'greenery'
          ? countFor(on, own, room, long)
          : own.role === 'accent' || material.form !== 'leaf'
            ? Math.round(room.length / Math.max(APART.accents, material.width * 2))
            : Math.round(room.length / Math.max(APART.over, long * 0.6))
      return { ...own, rule: { ...own.rule, count: Math.min(MOST, Math.max(room.closed ? 3 : 1, count)) } }
    }
    default:
      return own
  }
}

/** Stems cut as long as the base asks; wired ones, which nobody cuts up, whole along it where they follow it. */
function asLong(layer: Layer, material: Material, room: Room): Layer {
  const whole = wholeAlong(layer, material, room)
  if (whole) return { ...layer, ...whole }
  const cut = layer.flow === 'clockwise' || material.form === 'leaf' ? cutFor(layer, material, room) : null
  return { ...layer, cut: cut !== null && cut < material.length * 0.95 ? cut : null }
}

/** The least that whole stems lean and vary, degrees. */
const LEAST_LEAN = 4

/** How whole stems lie along a base that they are bent with, ending where they should beyond it; null of what is not wired or too long for it. */
function wholeAlong(layer: Layer, material: Material, room: Room): Pick<Layer, 'lean' | 'leanSpread'> | null {
  const { length, width, divides, curve } = material
  if (divides || flexOf(material) !== 'wired' || curve === null || layer.bend !== 'run') return null
  if (length > room.shortest * OF_RUN || !isEven(room.runs, length) || (room.closed && curve > room.radius - room.half)) return null
  // A stem that keeps its angle to its run ends the sine of it beyond.
  const reach = room.half * (1 - layer.acrossSpread) + room.beyond - width * 0.2
  const most = degrees(Math.asin(clamp(reach / (length * (1 - HELD)), 0, 1)))
  const lean = Math.min(layer.lean, Math.floor(most / 2))
  return { lean, leanSpread: Math.max(LEAST_LEAN, Math.min(layer.leanSpread, Math.floor(most - lean))) }
}

/** Whether runs curve alike wherever a stem of a length lies on them: at corners it would stand off. */
function isEven(runs: readonly Run[], length: number): boolean {
  const turns = runs.flatMap((run) =>
    Array.from({ length: EVEN_PLACES }, (_, i) =>
      Math.abs(turnOfRun(run, (i / EVEN_PLACES) * (run.closed ? run.length : run.length - length), length)),
    ),
  )
  return Math.max(...turns) - Math.min(...turns) <= EVEN
}
/** Where along a run its curve is looked at, and how far apart its turns over a stem may be, degrees. */
const EVEN_PLACES = 24
const EVEN = 40

interface Room {
  /** Those that the layer goes on. */
  readonly runs: readonly Run[]
  /** Of the runs that the layer goes on, the longest, the shortest, and as they are in the middle, mm. */
  readonly length: number
  readonly shortest: number
  readonly mean: number
  /** Half the face, mm, and half the base's shorter side. */
  readonly half: number
  readonly radius: number
  readonly closed: boolean
  /** The base's shorter side, and its width, mm. */
  readonly short: number
  readonly wide: number
  /** How far a stem may reach beyond the face, mm. */
  readonly beyond: number
}

function roomOf(piece: Piece, runs: readonly Run[], layer: Layer, by: Rated): Room {
  const own = layer.run === EACH ? runs : runs.filter(({ id }) => id === layer.run)
  const [first] = own.length ? own : runs
  const { left, right, top, bottom } = boundsOf(runs)
  const [wide, high] = [right - left, bottom - top]
  const short = Math.min(wide, high)
  const half = stationAt(first!, first!.length / 3).half
  const wished = Math.min(BEYOND.most, Math.max(BEYOND.least, 2 * half * BEYOND.ofFace, (short / 2) * BEYOND.ofHalf))
  // Garlands go along what they hang on, and are not measured against its width.
  const spare = BASE_SORTS[piece.base.kind].family === 'garlands' ? Infinity : (piece.brief.door.width * rate(DOOR_SHARE, by) - wide) / 2
  return {
    runs: own.length ? own : runs,
    length: Math.max(...own.map(({ length }) => length)),
    shortest: Math.min(...own.map(({ length }) => length)),
    mean: own.reduce((all, { length }) => all + length, 0) / Math.max(1, own.length),
    half,
    radius: short / 2 - half,
    closed: first!.closed,
    short,
    wide,
    // A base that fills its door by itself leaves nothing to keep to.
    beyond: spare > BEYOND.least ? Math.min(wished, spare * 0.9) : wished * 0.6,
  }
}

/** The length at which a stem that leans out as far as most do ends just so far beyond the face, mm. */
function cutFor(
  { lean, leanSpread, acrossSpread }: Layer,
  material: Material,
  { half, radius, closed, shortest: length, beyond }: Room,
): number {
  const out = Math.sin(radians(Math.abs(lean) + leanSpread))
  const from = half * acrossSpread
  // On a ring a straight stem leaves the run also without a lean: the chord from where it is held to the circle it may reach.
  const reach = closed
    ? Math.sqrt((radius + from) ** 2 * out ** 2 + Math.max(0, (radius + half + beyond) ** 2 - (radius + from) ** 2)) - (radius + from) * out
    : (half - from + beyond) / Math.max(0.05, out)
  // Half of what it is wide lies beyond its line.
  const most = Math.min(length * OF_RUN, Math.max(SHORTEST, (reach - material.width * 0.2) / (1 - HELD)))
  return quarter(Math.min(material.length, Math.max(Math.min(SHORTEST, length * OF_RUN), most)))
}

/** The length at which stems of a layer end where they should beyond the face of this base, mm. */
export const reachingCut = (piece: Piece, runs: readonly Run[], layer: Layer, material: Material, by: Rated): number =>
  cutFor(layer, material, roomOf(piece, runs, layer, by))

/** What lies there, and more of a layer with so many things. */
function withSo({ piece, runs, shelf }: PieceOnRuns, layer: Layer, count: number): readonly LaidLayer[] {
  const { rule } = layer
  const own = rule.kind === 'arms' || rule.kind === 'compass' ? { ...rule, count } : rule
  const layers = piece.layers.toSpliced(underWhatIsSeen(piece), 0, { ...layer, rule: own })
  return arrange({ ...piece, layers }, runs, shelf).filter((each) => !each.layer.hidden)
}
const coverOf = (laid: readonly LaidLayer[], runs: readonly Run[], shelf: Shelf): number =>
  coverageOf(
    runs,
    laid.flatMap(({ placements }) => placements),
    shelf,
  ).share.value

const isGreen = ({ role }: Pick<Layer, 'role'>): boolean => role === 'greenery' || role === 'second greenery'

/** Whether the greenery that lies there already covers most of what a first layer should. */
function isCovered({ piece, runs, shelf }: PieceOnRuns): boolean {
  const greens = piece.layers.filter((layer) => !layer.hidden && isGreen(layer))
  if (!greens.length) return false
  return coverOf(arrange({ ...piece, layers: greens }, runs, shelf), runs, shelf) >= MOSTLY * rate(COVERS[fullnessMeant(piece)], shelf)
}

/**
 * How many of a second greenery are seen as much as one should be: more of them are hardly ever seen less, so that the number is found
 * by halves; each look lays all of the piece.
 */
function secondCount(on: PieceOnRuns, layer: Layer, { mean }: Room): number {
  const wanted = rate(SECOND_SEEN, on.shelf)
  const most = Math.max(LEAST_SECOND, Math.min(MOST, Math.floor(mean / SECOND_APART)))
  const seen = (count: number): number =>
    seenShares(withSo(on, layer, count), on.shelf).find((each) => each.layer === layer.id)?.share.value ?? 0
  return leastThat(LEAST_SECOND, most, (count) => seen(count) >= wanted) ?? most
}
const LEAST_SECOND = 3

/** The least stems of a layer that hide what a first layer should, but always one over the next. */
function countFor(on: PieceOnRuns, layer: Layer, { length, mean }: Room, long: number): number {
  const { piece, runs, shelf } = on
  const wanted = rate(COVERS[fullnessMeant(piece)], shelf)
  // Each run gets as many: on all of them together none stands nearer.
  const most = Math.min(MOST, Math.floor(mean / NEAREST))
  const least = Math.min(most, Math.ceil(length / (long * (1 - OVERLAP))))
  const covers = (count: number): number => coverOf(withSo(on, layer, count), runs, shelf)
  let [count, cover] = [least, covers(least)]
  // Were they strewn, cover would go by the logarithm of what is left bare: that says how many to look at next.
  for (let looks = 0; looks < MOST_LOOKS && cover < wanted && count < most; looks++) {
    const ratio = Math.log(1 - wanted) / Math.log(1 - clamp(cover, 0.02, 0.98))
    count = Math.min(most, Math.max(count + 1, Math.ceil(count * Math.min(4, ratio))))
    cover = covers(count)
  }
  return Math.min(most, Math.max(1, Math.round(count * rate(AS_LAID, shelf))))
}
const MOST_LOOKS = 5

/** A bow as large as a ring asks; along an open run its width says nothing, and the bow stays as it usually is. */
function sized(layer: Layer, { wide, closed }: Room): Layer {
  if (layer.rule.kind !== 'bow' || !closed) return layer
  const loop = quarter((wide * BOW) / 2)
  return {
    ...layer,
    rule: {
      ...layer.rule,
      ribbons: layer.rule.ribbons.map((ribbon) =>
        ribbon.build === 'hand'
          ? { ...ribbon, loop, tails: [quarter(loop * 2), quarter(loop * 2.25)], centre: quarter(loop * 0.75) }
          : ribbon,
      ),
    },
  }
}

/** Mesh by so many ties as a base of this length has. */
function tied(layer: Layer, runs: readonly Run[]): Layer {
  if (layer.rule.kind !== 'mesh' && layer.rule.kind !== 'poofs') return layer
  const own = layer.run === EACH ? runs : runs.filter(({ id }) => id === layer.run)
  const ties = Math.max(4, Math.round(Math.min(...(own.length ? own : runs).map(({ length }) => length)) / inches(2.75)))
  const { left, right } = boundsOf(runs)
  const cut = quarter(Math.min(inches(10), Math.max(inches(6), (right - left) * 0.5)))
  return { ...layer, rule: layer.rule.kind === 'mesh' ? { ...layer.rule, ties, count: ties, cut } : { ...layer.rule, ties } }
}

/** A way to begin on a base before any stems go on. */
export interface BaseNeed {
  readonly says: string
  readonly material: string
  readonly rule: RuleKind
}

const BUNDLES: BaseNeed = { says: 'Bind bundles on, each over the stems of the last', material: 'bay', rule: 'bundles' }
const MESH: BaseNeed = { says: 'Catch gathers of mesh in its ties', material: 'mesh-honey', rule: 'mesh' }
const WRAP: BaseNeed = { says: 'Wrap it in ribbon first', material: 'ribbon-slate', rule: 'wound' }
const TWINE: BaseNeed = { says: 'Wind it with twine', material: USUAL_CORD, rule: 'wound' }
const BOUGHS: BaseNeed = { says: 'Bind it of boughs, end over end', material: 'cedar', rule: 'boughs' }
const MOSS: BaseNeed = { says: 'Lay moss over it', material: 'moss', rule: 'compass' }

/** What each make of base wants before stems, or in their place. Common practice. */
const NEEDS: Readonly<Record<Body, readonly BaseNeed[]>> = {
  wire: [BUNDLES, MESH],
  box: [BUNDLES, MOSS],
  clamps: [BUNDLES],
  vine: [BUNDLES],
  twisted: [],
  straw: [BUNDLES, WRAP],
  foam: [WRAP, MOSS],
  hoop: [WRAP, TWINE],
  beads: [],
  evergreen: [MESH],
  rod: [TWINE],
  trees: [],
  bound: [],
  rope: [BOUGHS],
}

/** What can be done with a base before stems go on it. */
export const baseNeeds = (kind: BaseKind, shelf: Shelf): BaseNeed[] =>
  NEEDS[BASE_SORTS[kind].body].filter(({ material }) => materialOf(shelf, material))

/** The layers of another piece, as a beginning: the same rules by this base's own runs, and what refers to a layer that is not taken, by its own count. */
export function layersFrom(other: Piece, runs: readonly Run[]): Layer[] {
  const ids = new Set(runs.map(({ id }) => id))
  return other.layers.map((layer) => ({
    ...layer,
    run: layer.run === EACH || ids.has(layer.run) ? layer.run : runs[0]!.closed ? runs[0]!.id : EACH,
    nudges: {},
    taken: [],
    added: layer.added.filter(({ run }) => ids.has(run)),
  }))
}
