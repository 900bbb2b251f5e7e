import type { BaseKind, Body, Run } from '../base'
import { BASE_SORTS, boundsOf, FORMS } from '../base'
import type { Material, Shelf } from '../material'
import { materialOf, USUAL_CORD } from '../material'
import { inches, rate } from '../measure'
import type { Layer, Piece, RuleKind, RuleOf } from '../piece'
import { BOUGH_YIELDS, BUNDLE_ADVANCE, EACH, laysStems, spreadsOf, startLayer, withRuleKind } from '../piece'
import type { PieceOnRuns } from '../placement'
import { countFor, isCovered, isGreen, MOST, ON_TOP, secondCount, underWhatIsSeen } from './beginning-count'
import { asLong, endingWithin, endOf, quarter } from './beginning-length'
import type { Room } from './beginning-room'
import { keepsShape, roomOf, runsUnder, SHAPED } from './beginning-room'

/** From place to place, mm along the run: of what is laid over the greenery, and of accents. Rules of thumb. */
const APART = { over: 90, accents: 200 } as const
/** Where the arms of a layer begin, a share of their run. */
const ARMS_FROM = 0.03
/** A group of three heads, two of them across, takes at most this share of the base's shorter side; else one stands alone. Rule of thumb. */
const GROUP = 0.55
/** A bow across is so much of the base's width: between a third and a half. Rule of thumb. */
const BOW = 0.42

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

function laid(on: PieceOnRuns, { id, material, seed, by }: Beginning): Layer {
  const { piece, runs, shelf } = on
  const start = startLayer(id, material, seed, runs, piece.brief.hand)
  const where = onItsRun(piece.base.kind, start, runs)
  const second = isGreen(start) && isCovered(on, runsUnder({ ...start, ...where }, runs))
  const layer: Layer = {
    ...start,
    ...(by === null ? {} : withRuleKind(start, by, '')),
    ...where,
    ...(keepsShape(piece.base.kind) ? { lean: 0, leanSpread: Math.round(start.leanSpread * SHAPED.leans) } : {}),
    // Heads look each a little another way.
    ...(start.role === 'focal' ? { leanSpread: spreadsOf(piece.brief.hand, false).leanSpread } : {}),
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
      const arms = { ...own.rule, from: ARMS_FROM, to: endOf(own, material, room, long) }
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
      const rule = between({ ...own.rule, count: Math.min(MOST, Math.max(room.closed ? 3 : 1, count)) }, own, piece, room)
      return { ...own, rule, cut: endingWithin({ ...own, rule }, material, room) }
    }
    default:
      return own
  }
}

/** The same places with as many of another layer already there are left to it: on a ring by half a gap, on what has ends by one more. */
function between(rule: RuleOf<'compass'>, layer: Layer, { layers }: Piece, { closed }: Room): RuleOf<'compass'> {
  const there = layers.flatMap((each) => (each.run === layer.run && each.rule.kind === 'compass' ? each.rule : []))
  const taken = ({ count, start }: RuleOf<'compass'>): boolean =>
    there.some((each) => each.count === count && (!closed || each.start === start))
  let own = rule
  while (taken(own) && own.count < MOST)
    own = closed && own.start === 0 ? { ...own, start: 0.5 / own.count } : { ...own, count: own.count + 1, start: 0 }
  return own
}

/** Roles of what is spread over a piece. */
const SPREAD: ReadonlySet<Layer['role']> = new Set(['greenery', 'second greenery', 'accent', 'filler', 'texture'])

/** Greenery covers every part of a base that has several; heads are grouped once, or once to each of two arms. */
function onItsRun(kind: BaseKind, { role, run }: Layer, runs: readonly Run[]): Partial<Layer> {
  if (runs.length < 2) return {}
  const [first] = runs
  if (role === 'focal' && keepsShape(kind)) return { run: first!.id }
  // What is strewn goes on every ring of a column alike; elsewhere a base has one run that is its outline.
  if (FORMS[kind] === 'column' && SPREAD.has(role)) return { run: EACH }
  if (BASE_SORTS[kind].body === 'bound') return run === EACH ? { run: first!.id } : {}
  return role === 'greenery' ? { run: EACH } : {}
}

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
  const ties = Math.max(4, Math.round(Math.min(...runsUnder(layer, runs).map(({ length }) => length)) / inches(2.75)))
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
