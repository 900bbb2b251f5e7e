import { taskKey } from './task-key'
import type { LaidLayer } from '../placement'
import { arrangingOf, countsOf, hidesEnds, inOrder } from '../placement'
import type { Run } from '../base'
import { along, anchorSays, clockAngle } from '../base'
import { makeUpWords } from '../constructions'
import type { Fixing } from '../fixing'
import { FIXING_WAYS, hangsFree } from '../fixing'
import type { Material, Shelf } from '../material'
import { lengthsIn, materialOf } from '../material'
import type { Said } from '../measure'
import {
  capital,
  clock,
  inList,
  listed,
  lowerFirst,
  onceWith,
  quantity,
  several,
  sum,
  byRule,
  count,
  plus,
  times,
  worked,
} from '../measure'
import type { Flow, Layer, RuleKind } from '../piece'
import { ROLE_NAMES } from '../piece'
import type { TaskContext } from './task-builder'
import { task, unique } from './task-builder'
import { fixingCautions } from './cautions'
import type { PlaceRow, Undone } from './task'
import { BOW_TIED, LOOP_EACH } from './rules-of-thumb'
import { bearingWords } from './bearing-words'
import { mixWords } from './mix-words'
import { countsIn, handsFor, setsIn } from './durations'
import { taskMessage } from './words'

const FLOW_WORDS: Record<Flow, string> = {
  clockwise: 'All point clockwise.',
  anticlockwise: 'All point anticlockwise.',
  apart: 'They point away from the seat on both sides.',
  together: 'They point to the seat from both sides.',
  outward: 'They point outward.',
  inward: 'They point inward.',
  nest: 'They lie both ways, like a nest.',
}

/** Making a bow, apart from the piece. */
export function bowTask({ piece, runs, makeUps, shelf }: TaskContext, laid: LaidLayer): Undone {
  const makeUp = makeUps.get(laid.layer.id)
  const { rule } = laid.layer
  const loops =
    rule.kind === 'bow'
      ? rule.ribbons.reduce((all, ribbon) => all + ('loops' in ribbon ? ribbon.loops : 'strips' in ribbon ? ribbon.strips * 2 : 2), 0)
      : 0
  return task(
    taskKey('bow', laid.layer.id),
    'bow',
    taskMessage('make-bow', { bow: makeUp?.title || null }),
    makeUp ? makeUpWords(piece, laid, makeUp, runs, shelf).slice(0, -1) : [],
    {
      layer: laid.layer.id,
      hands: worked(plus(times(count(Math.max(1, loops)), byRule(LOOP_EACH, shelf)), byRule(BOW_TIED, shelf))),
      tools: ['scissors', 'tape measure'],
    },
  )
}

const laying = onceWith<LaidLayer, Undone>()

/** How a layer is laid: said afresh when it, or how it is held, changed. */
export function layTask(context: TaskContext, laid: LaidLayer): Undone {
  const { piece, runs, makeUps, needs, shelf } = context
  const fixings = context.fixings.filter(({ layer }) => layer === laid.layer.id)
  const length = lengthsIn(needs)
    .filter(({ layer, use }) => layer === laid.layer.id && use !== 'fixing')
    .reduce((all, one) => all + one.length * one.count, 0)
  // What is said of a layer depends on how its things are held and on what they lie, and of the piece on nothing else.
  const held = fixings.map(({ way, tied, why, against, plural }) => `${way} ${tied} ${why} ${against?.why ?? ''} ${plural}`).join('|')
  const on = bearingWords(context, laid)
  return laying(laid, [runs, shelf, held, length, JSON.stringify(on), makeUps.get(laid.layer.id) ? JSON.stringify(piece.base) : ''], () =>
    layAfresh(context, laid, fixings, length, on),
  )
}

/** @param fixings of this layer @param length of what comes by the length in it, mm @param onWhat its things lie */
function layAfresh(context: TaskContext, laid: LaidLayer, fixings: readonly Fixing[], length: number, onWhat: Said): Undone {
  const { piece, runs, spacings, makeUps, shelf } = context
  const { layer, placements } = laid
  const spacing = spacings.get(layer.id) ?? null
  const makeUp = makeUps.get(layer.id)
  const on = runs.filter(({ id }) => placements.some((one) => one.run === id))
  const run = on[0]!
  const rows = [...countsOf(laid)].map(([id, n]) => ({ material: materialOf(shelf, id)!, count: n }))
  const leafy = rows.some(({ material }) => material.form === 'leaf')
  const drop = arrangingOf<RuleKind>(layer.rule.kind).drop?.(layer.rule) ?? 0
  const bow = layer.rule.kind === 'bow'
  const said = makeUp
    ? bow
      ? makeUpWords(piece, laid, makeUp, runs, shelf).slice(-1)
      : makeUpWords(piece, laid, makeUp, runs, shelf)
    : arrangingOf<RuleKind>(layer.rule.kind).says(layer.rule, run, spacing)
  const held: Held = hangsFree(layer) ? { lines: [], reason: null } : holdWords(layer, fixings, shelf)
  return task(
    taskKey('lay', layer.id),
    'lay',
    bow
      ? taskMessage('fix-bow', { bow: makeUp?.title || null })
      : makeUp?.title
        ? taskMessage('make-up', { title: makeUp.title })
        : taskMessage('lay', {
            layer: titled(layer, on),
            things: rows.map(({ material, count: n }) => inList(n === 1 ? material.name : several(n, material.name, material.plural))),
          }),
    [
      ...spoken(onWhat),
      ...said,
      ...(leafy ? [layer.rule.kind === 'on' && layer.rule.turns ? ['Turned as what bears it.'] : flowWords(layer, run)] : []),
      ...(hidesEnds(layer, placements) ? [orderWords(laid, on)] : []),
      ...spoken(mixWords(laid, shelf)),
      ...(leafy && layer.taper > 0 && !onWhat.length ? [taperWords(placements)] : []),
      ...(drop > 0
        ? [
            sum`Hang its middle ${quantity.length(drop)} below its place on ${layer.rule.kind === 'single' && layer.rule.folded ? 'one cord, folded over the base' : 'two cords'}.`,
          ]
        : []),
      ...held.lines,
    ],
    {
      reason: held.reason,
      layer: layer.id,
      // What is wound says by its turns how long it takes.
      hands: makeUp?.figures.find(({ id }) => id === 'time')?.figure ?? handsFor(laid, fixings, length, shelf),
      waits: setsIn(fixings, shelf),
      counts: countsIn(laid, fixings),
      tools: unique(fixings.flatMap(({ way, tied }) => (tied ? [] : FIXING_WAYS[way].tools))),
      places: makeUp && !bow ? [] : placesOf(laid, rows, on, runs),
      cautions: unique([
        ...fixings.flatMap(({ way, joint, tied }) =>
          tied ? [] : fixingCautions(FIXING_WAYS[way].takes(joint, shelf).map(({ material }) => material)),
        ),
        ...rows.flatMap(({ material }) => (material.hazards.includes('prickly') ? ['prickly' as const] : [])),
      ]),
    },
  )
}

const spoken = (line: Said): Said[] => (line.length ? [line] : [])

/** Nearer than this a thing lies where its run begins, mm. */
const AT_START = 1.5

function placesOf(laid: LaidLayer, rows: readonly { readonly material: Material }[], on: readonly Run[], runs: readonly Run[]): PlaceRow[] {
  return rows.flatMap(({ material }) =>
    on.flatMap((one): PlaceRow[] => {
      const there = laid.placements.filter((placement) => placement.material === material.id && placement.run === one.id)
      const own = hidesEnds(laid.layer, laid.placements) ? there : inOrder(there)
      if (!own.length) return []
      const reads =
        one.reads.kind === 'clock'
          ? runs.length > 1
            ? `on the ${one.name}`
            : null
          : runs.length > 1 && runs[0]!.reads.kind === 'clock'
            ? `on the ${one.name}, ${one.reads.words}`
            : one.reads.words
      return [
        {
          material: material.id,
          name: own.length === 1 ? material.name : material.plural,
          count: own.length,
          reads,
          at: own.map(({ s }) =>
            one.reads.kind === 'clock' ? [clock(clockAngle(one, s))] : s < AT_START ? [one.reads.start] : [quantity.length(s)],
          ),
        },
      ]
    }),
  )
}

/** What a layer is called: by its role, and a rib of beads by its rib. */
const titled = (layer: Layer, on: readonly Run[]): string =>
  layer.rule.kind === 'beads' && on.length === 1 ? capital(on[0]!.name) : ROLE_NAMES[layer.role]

/** How things are held, line by line, and which of the lines says why. */
interface Held {
  readonly lines: readonly Said[]
  readonly reason: Said | null
}

/** How the things of a layer are held: each way once, with why when there is one way; and what backs it up. */
function holdWords(layer: Layer, fixings: readonly Fixing[], shelf: Shelf): Held {
  if (layer.rule.kind === 'bow' && fixings[0]?.tied)
    return { lines: [['Fix it with the ends of the wire that ties it, round the base and twisted shut behind.']], reason: null }
  const ways = new Map<string, { names: string[]; why: string }>()
  for (const { way, joint, plural, why } of fixings) {
    const how = FIXING_WAYS[way].how(joint, shelf)
    const known = ways.get(how)
    ways.set(how, { names: [...(known?.names ?? []), plural], why: known?.why ?? why })
  }
  const backup = layer.backup && fixings[0] ? FIXING_WAYS[layer.backup].how(fixings[0].joint, shelf) : null
  const reason = ways.size === 1 ? sum`Why: ${lowerFirst([...ways.values()][0]!.why)}` : null
  const lines = [
    ...[...ways].map(([how, { names }]) => (ways.size > 1 ? sum`${capital(listed(names))}: ${lowerFirst(how)}` : sum`${how}`)),
    ...(reason ? [reason] : []),
    ...(backup ? [sum`Back it up: ${lowerFirst(backup)}`] : []),
  ]
  return { lines, reason }
}

/** Which way stems point: by the clock on a closed run, along it on an open one. */
function flowWords({ flow, seat }: Layer, run: Run): Said {
  if (run.closed) {
    const [before, after] = FLOW_WORDS[flow].split('the seat')
    return after === undefined ? [before!] : [before!, ...anchorSays(run, seat * run.length), after]
  }
  if (flow === 'clockwise') return [`All point away from ${run.reads.kind === 'from' ? run.reads.start : 'the start'}.`]
  if (flow === 'anticlockwise') return [`All point back to ${run.reads.kind === 'from' ? run.reads.start : 'the start'}.`]
  const at = seat * run.length
  const [before, after] = FLOW_WORDS[flow].split('the seat')
  return after === undefined ? [before!] : [before!, ...(Math.abs(at - run.length / 2) < 1 ? ['the middle'] : anchorSays(run, at)), after]
}

/** The most that the gap in which hands begin and end is wider than others, where a ring is laid all round. */
const ALL_ROUND = 1.5

/** Where hands begin and which way they go, so that no cut end shows. */
function orderWords({ layer, placements }: LaidLayer, on: readonly Run[]): Said {
  const stems = placements.filter(({ added }) => !added)
  const [first] = stems
  const run = on.find(({ id }) => id === first?.run)
  const last = stems.findLast((each) => each.run === first?.run)
  if (!first || !last || !run || stems.length < 2) return ['Lay its cut end where something hides it.']
  const hides = ': each lies over the cut end of the last'
  const [from, to] = [first, last].map((each): Said => anchorSays(run, each.ruled)) as [Said, Said]
  const oneWay = layer.flow === 'clockwise' || layer.flow === 'anticlockwise'
  if (!run.closed || !oneWay) {
    const pairs = arrangingOf<RuleKind>(layer.rule.kind).serves === 'pairs' || (run.closed && !oneWay)
    const begin = pairs ? 'Left and right in turn, begin at ' : on.length > 1 ? 'On each, begin at ' : 'Begin at '
    return [begin, ...from, ' and end at ', ...to, `${hides}.`]
  }
  // From where they end round to where they begin.
  const seam = layer.flow === 'clockwise' ? along(run, first.ruled, last.ruled) : along(run, last.ruled, first.ruled)
  const here = stems.filter((each) => each.run === run.id).length
  const round = seam <= (ALL_ROUND * run.length) / here
  const way = layer.flow === 'clockwise' ? 'anticlockwise' : 'clockwise'
  return [
    on.length > 1 ? `On the ${run.name}, begin at ` : 'Begin at ',
    ...from,
    ` and go ${way}${hides}${round ? ', and the last goes under the tips of the first' : ''}.`,
    on.length > 1 ? ' On the others begin at the end to which they point.' : '',
  ]
}

function taperWords(placements: LaidLayer['placements']): Said {
  const lengths = placements.map(({ length }) => length)
  return sum`Longest ${quantity.length(Math.max(...lengths))}, shorter toward the ends, down to ${quantity.length(Math.min(...lengths))}.`
}
