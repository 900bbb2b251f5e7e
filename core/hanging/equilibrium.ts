import type { LaidLayer, LaidPiece, Placement } from '../placement'
import { bearersUnder } from '../placement'
import { BASE_SORTS, anchorSays, boundsOf, markOn, stationAt, topOf } from '../base'
import type { Run } from '../base'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Figure, Message, Point, Rated, Said } from '../measure'
import { bisect, exceeds, figure, onceFor, quantity, rate, sum, byRule, minus, mm, plus, saidAs, labelled, times, worked } from '../measure'
import type { Hanger, HookKind, Mend, Piece, Problem } from '../piece'
import { bearerOf, hangsAt, isPartAlone } from '../piece'
import { HANDLE } from '../constructions'
import type { HangerMake } from './hanger'
import { attachment, hangerMake, pivotOf, riseOf } from './hanger'
import { hangingMessage } from './words'
import { HANGING_HOOKS, HANGING_LOOPS, hookAgainst, loopsFor } from './hanger-catalogue'
import type { Masses } from './mass'
import { restAngle, rightingMass } from './rest-angle'
import type { FinishedSize } from './finished-size'
import { FLAT_DEEP, HANDLE_IN, LOAD_SHARE, TILT_SEEN } from './rules-of-thumb'

/** How a piece hangs: where, how far it turns, what its hook bears, and how deep it stands. */
export interface Hung {
  readonly make: HangerMake | null
  /** What it turns about, and the hook that its loop lies in; null for what lies along a route. */
  readonly pivot: Point | null
  readonly hook: Point | null
  /** Degrees clockwise, as it comes to rest. */
  readonly rest: Figure | null
  /** Where on its run the hanger would have to be instead for it to hang as it was designed, as a share. */
  readonly level: { readonly at: number; readonly says: Said } | null
  /** What its hook may carry, g. */
  readonly bears: Figure | null
  /** How far it stands out from what it hangs on, mm. */
  readonly depth: Figure
  /** How far its lowest point is over the floor; null where that is nothing to it. */
  readonly floor: Figure | null
}

export function hungOf({ piece, runs, laid, shelf }: LaidPiece, masses: Masses, size: FinishedSize): Hung {
  const pivot = pivotOf(piece, runs, shelf)
  const centre = masses.centre && { x: masses.centre.x.value, y: masses.centre.y.value }
  const turns = pivot && centre ? restAngle(pivot, centre) : null
  const hangs =
    BASE_SORTS[piece.base.kind].family === 'garlands' || piece.brief.surface.kind === 'glass' || piece.brief.surface.kind === 'mantel'
      ? null
      : hangsAt(piece, shelf)
  return {
    make: hangerMake(piece, runs, shelf),
    pivot,
    hook: pivot && piece.hanger && hookOver(piece, piece.hanger, pivot, shelf),
    rest:
      turns === null || !pivot || !centre
        ? null
        : figure(
            quantity.angle(turns),
            sum`its weight lies ${quantity.length(Math.abs(centre.x - pivot.x))} to the ${centre.x < pivot.x ? 'left' : 'right'} and ${quantity.length(centre.y - pivot.y)} below where it hangs: atan(${quantity.length(Math.abs(centre.x - pivot.x))} ÷ ${quantity.length(centre.y - pivot.y)})`,
            masses.centre!.x.basis,
          ),
    level: pivot && centre && piece.hanger ? levelAt(piece.hanger, runs, centre) : null,
    bears: piece.hanger && bearsOf(piece.hanger, shelf),
    depth: depthOf(piece, runs, laid, shelf),
    floor:
      hangs === null
        ? null
        : worked(
            minus(
              labelled`its middle ${saidAs(mm(piece.brief.door.height * hangs), [quantity.length(piece.brief.door.height * hangs), ' up'])}`,
              labelled`what hangs below ${mm(Math.max(0, size.bottom))}`,
            ),
          ),
  }
}

/** Loops that lie in their hook with nothing between: what they turn about is the hook. */
const CLOSE: ReadonlySet<Hanger['loop']> = new Set(['arch', 'own hook', 'coat hook', 'tied'])

/** Where the hook is: as far over what the piece turns about as its loop rises, or at the door's top where a ribbon goes over it. */
function hookOver(piece: Piece, hanger: Hanger, { x, y }: Point, by: Rated): Point {
  if (CLOSE.has(hanger.loop)) return { x, y }
  const hangs = hangsAt(piece, by)
  if (hanger.loop === 'ribbon') return { x, y: hangs === null ? y : Math.min(y, -piece.brief.door.height * (1 - hangs)) }
  return { x, y: y - riseOf(hanger, by).value }
}

/** What a hook may carry: a share of what it is rated for. */
export function bearsOf({ hook, rated }: Hanger, by: Rated): Figure {
  const from =
    rated === null
      ? byRule(HANGING_HOOKS[hook].bears, by)
      : saidAs({ ...mm(rated), unit: 'mass', basis: { kind: 'published', source: 'the hook’s own packet' } }, [
          quantity.mass(rated),
          ' by its packet',
        ])
  return worked(times(byRule(LOAD_SHARE, by), from))
}

const STEPS = 180
const edging = onceFor<Run, readonly Point[]>()

/** Where a loop would leave a run, at so many places along it. */
const edgeOf = (run: Run): readonly Point[] =>
  edging(run, () => Array.from({ length: STEPS + 1 }, (_, i) => attachment([run], { run: run.id, at: i / STEPS })))

/** The place on the same run, near the top, that lies straight over the weight. */
function levelAt(hanger: Hanger, runs: readonly Run[], centre: Point): Hung['level'] {
  const run = runs.find(({ id }) => id === hanger.run) ?? runs[0]!
  const placeAt = (at: number): Point => attachment([run], { run: run.id, at })
  const edge = edgeOf(run)
  let best: { at: number; y: number } | null = null
  for (let i = 0; i < STEPS; i++) {
    const right = edge[i]!.x > centre.x
    if (right === edge[i + 1]!.x > centre.x || Math.min(edge[i]!.y, edge[i + 1]!.y) >= (best?.y ?? centre.y)) continue
    const at = bisect((share) => placeAt(share).x > centre.x !== right, i / STEPS, (i + 1) / STEPS, 30)
    const { x, y } = placeAt(at)
    if (Math.abs(x - centre.x) < 1 && y < centre.y && (!best || y < best.y)) best = { at, y }
  }
  return best && { at: best.at, says: anchorSays(run, best.at * run.length) }
}

/** How thick a flat sign is, mm. */
const BOARD = 12

/** How far a thing stands out from a base, mm: a ball by its whole width, a bow by a third of it, a flat sign hardly. */
const standsOut = ({ width, length, form, made }: Placement): number =>
  form === 'leaf' ? 0 : form === 'board' ? BOARD : Math.min(width, length) / (made ? 3 : 1)

/** What of a piece stands out farthest from its base: what lies on other things with those under it. */
interface Standing {
  /** mm */
  readonly most: number
  /** From the thing that is outermost to the one on the base. */
  readonly things: readonly Placement[]
}

const farthestOnce = onceFor<LaidLayer, Placement | null>()

/** What of a layer on the base itself stands out farthest. */
const farthestOf = (laid: LaidLayer): Placement | null =>
  farthestOnce(laid, () =>
    laid.placements.reduce<Placement | null>((most, each) => (standsOut(each) > (most ? standsOut(most) : 0) ? each : most), null),
  )

function standingOut(laid: readonly LaidLayer[]): Standing {
  const borne = laid.filter(({ layer }) => bearerOf(layer.rule) !== null)
  const byId = new Map(borne.length ? laid.flatMap(({ placements }) => placements.map((each) => [each.id, each] as const)) : [])
  const stacks = laid.flatMap((each) => {
    if (borne.includes(each)) return each.placements.map((thing) => [thing, ...bearersUnder(thing, byId)])
    const thing = farthestOf(each)
    return thing ? [[thing]] : []
  })
  return stacks.reduce<Standing>(
    (before, things) => {
      const most = things.reduce((all, each) => all + standsOut(each), 0)
      return most > before.most ? { most, things } : before
    },
    { most: 0, things: [] },
  )
}

const leafyOnce = onceFor<LaidLayer, boolean>()
const leafyOf = (laid: LaidLayer): boolean => leafyOnce(laid, () => laid.placements.some(({ form }) => form === 'leaf'))

function depthOf(piece: Piece, runs: readonly Run[], laid: readonly LaidLayer[], shelf: Shelf): Figure {
  const { family } = BASE_SORTS[piece.base.kind]
  const thick = family === 'shaped wire' ? 6 : Math.min(2 * stationAt(runs[0]!, 0).half, 130)
  const { most, things } = standingOut(laid)
  const base = labelled`base ${mm(thick)}`
  if (laid.some(leafyOf) && rate(FLAT_DEEP, shelf) >= most) return worked(plus(base, byRule(FLAT_DEEP, shelf)))
  // A stem under something lies in the depth of the base itself.
  const deep = things.filter((each) => standsOut(each) > 0)
  return worked(
    plus(
      base,
      ...deep
        .toReversed()
        .map((each) => saidAs(mm(standsOut(each)), [`${materialOf(shelf, each.material)!.name} `, quantity.length(standsOut(each))])),
    ),
  )
}

/** Hooks that suit where it hangs and bear it, each with what it would take to use it. */
function hooksFor(piece: Piece, mass: number, by: Rated): HookKind[] {
  return Object.values(HANGING_HOOKS)
    .filter(
      (hook) =>
        hook.id !== 'route hooks' &&
        hook.id !== 'over the door' &&
        hookAgainst(piece, hook) === null &&
        bearsOf({ ...BARE, hook: hook.id }, by).value >= mass,
    )
    .map(({ id }) => id)
}

const BARE: Hanger = { loop: 'twine loop', hook: 'nail', run: 'ring', at: 0, gap: 0, rise: null, rated: null, clear: null }

/** A hanger to begin with: the base's own hook or a loop at the top, on what suits the ground. */
export function usualHanger(piece: Piece, runs: readonly Run[], mass: number, by: Rated): Hanger {
  const [loop] = loopsFor(piece)
  const { run, s } = piece.base.hook === null ? topOf(runs) : markOn(piece.base, runs, piece.base.hook)
  const hook = loop!.hooks.find((each) => hooksFor(piece, mass, by).includes(each)) ?? loop!.hooks[0]!
  return { ...BARE, loop: loop!.id, hook, run: run.id, at: s / run.length }
}

/** What hangs, and by what. */
interface Hanging extends LaidPiece {
  readonly hanger: Hanger
  readonly masses: Masses
  readonly hung: Hung
}

const hangingProblem = (id: string, severity: Problem['severity'], message: Message, mends: readonly Mend[]): Problem => ({
  id,
  severity,
  layer: null,
  ...message,
  mends,
})

const setHanger = (hanger: Hanger): Mend['edit'] => ({ do: 'hanger', hanger })

/** What is wrong with how a piece hangs, and what would mend it. */
export function hangProblems(of: LaidPiece, masses: Masses, hung: Hung, size: FinishedSize): Problem[] {
  const { hanger } = of.piece
  if (!hanger) return !isPartAlone(of.piece) && of.laid.some(({ placements }) => placements.length) ? [noHanger(of, masses)] : []
  const hanging: Hanging = { ...of, hanger, masses, hung }
  return [
    ...togetherProblems(hanging),
    ...hookProblems(hanging),
    ...tiltProblems(hanging),
    ...depthProblems(hanging),
    ...reachProblems(of.piece, size, hung, of.shelf),
  ]
}

/** The mend that hangs it as one usually would. @param hanger what is kept of the one that it has */
function usualMend({ piece, runs, shelf }: LaidPiece, masses: Masses, hanger?: Hanger): Mend {
  const usual = usualHanger(piece, runs, masses.whole.value, shelf)
  const { loop, hook } = usual
  return { ...hangingMessage('hang-by', { loop, hook }), edit: setHanger(hanger ? { ...hanger, loop, hook } : usual) }
}

const noHanger = (of: LaidPiece, masses: Masses): Problem =>
  hangingProblem('hanger', 'care', hangingMessage('no-hanger', {}), [usualMend(of, masses)])

/** A loop that does not suit the piece, or not its hook. */
function togetherProblems(hanging: Hanging): Problem[] {
  const { piece, hanger, masses } = hanging
  const loop = HANGING_LOOPS[hanger.loop]
  if (loopsFor(piece).includes(loop) && loop.hooks.includes(hanger.hook)) return []
  const message = hangingMessage('not-together', { loop: hanger.loop, hook: hanger.hook })
  return [hangingProblem('hanger:suits', 'fault', message, [usualMend(hanging, masses, hanger)])]
}

/** A hook that is not for this place, or does not bear the piece. */
function hookProblems({ piece, hanger, masses, hung, shelf }: Hanging): Problem[] {
  const mass = masses.whole.value
  const against = hookAgainst(piece, HANGING_HOOKS[hanger.hook])
  const others = hooksFor(piece, mass, shelf)
    .filter((id) => id !== hanger.hook && HANGING_LOOPS[hanger.loop].hooks.includes(id))
    .slice(0, 2)
    .map((id): Mend => ({ ...hangingMessage('take-hook', { hook: id }), edit: setHanger({ ...hanger, hook: id, rated: null }) }))
  const found: Problem[] = []
  if (against) {
    const message = hangingMessage('hook-against', { hook: hanger.hook, because: against })
    found.push(hangingProblem('hanger:ground', against === 'ground' ? 'fault' : 'care', message, others))
  }
  const hooks = hung.make?.hooks.value ?? 1
  const bears = hung.bears!.value * hooks
  if (exceeds(mass, bears)) {
    const share = rate(LOAD_SHARE, shelf)
    const message = hangingMessage('too-heavy', { mass, bears, share, hook: hanger.hook, hooks, said: hanger.rated !== null })
    const mends = others.length ? others : [{ ...hangingMessage('stronger-hook', {}), edit: null }]
    found.push(hangingProblem('hanger:load', exceeds(mass * share, bears) ? 'fault' : 'care', message, mends))
  }
  return found
}

/** A piece between two doors that is thicker than what is between them. */
function depthProblems({ hanger, hung }: Hanging): Problem[] {
  if (hanger.clear === null || !exceeds(hung.depth.value, hanger.clear)) return []
  const message = hangingMessage('too-deep', { depth: hung.depth.value, clear: hanger.clear })
  return [hangingProblem('hanger:depth', 'fault', message, [{ ...hangingMessage('flatter-or-outer-door', {}), edit: null }])]
}

/** A piece that turns as it hangs. */
function tiltProblems({ hanger, runs, masses, hung, shelf }: Hanging): Problem[] {
  const { rest, pivot, level } = hung
  if (!rest || !pivot || Math.abs(rest.value) < rate(TILT_SEEN, shelf)) return []
  const { x, y } = { x: masses.centre!.x.value, y: masses.centre!.y.value }
  if (y <= pivot.y)
    return [
      {
        id: 'hanger:over',
        severity: 'fault',
        layer: null,
        ...hangingMessage('turns-over', {}),
        mends: [
          {
            ...hangingMessage('hang-higher', {}),
            edit: setHanger({ ...hanger, run: topOf(runs).run.id, at: topOf(runs).s / topOf(runs).run.length }),
          },
        ],
      },
    ]
  const bounds = boundsOf(runs)
  const arm = x > pivot.x ? pivot.x - bounds.left : bounds.right - pivot.x
  const mass = masses.reckoned.value
  const rights = arm > 0 ? rightingMass(mass, x - pivot.x, arm) : null
  return [
    {
      id: 'hanger:tilt',
      severity: 'care',
      layer: null,
      ...hangingMessage('tilts', { degrees: Math.abs(Math.round(rest.value * 10) / 10), clockwise: rest.value > 0 }),
      mends: [
        ...(level && Math.abs(level.at - hanger.at) > 1e-3
          ? [{ ...hangingMessage('move-hanger', { where: level.says }), edit: setHanger({ ...hanger, at: level.at }) }]
          : []),
        ...(rights !== null && rights < mass
          ? [{ ...hangingMessage('weight-opposite', { mass: Math.round(rights), left: rest.value > 0 }), edit: null }]
          : []),
      ],
    },
  ]
}

/** What comes down onto the ground, or in the way of a handle. */
function reachProblems(piece: Piece, size: FinishedSize, { floor }: Hung, by: Rated): Problem[] {
  const { brief, base } = piece
  const { family } = BASE_SORTS[base.kind]
  if (!floor || family === 'garlands' || (brief.surface.kind !== 'door' && brief.surface.kind !== 'boards')) return []
  const found: Problem[] = []
  if (floor.value < 0)
    found.push({
      id: 'hanger:floor',
      severity: 'fault',
      layer: null,
      ...hangingMessage('reaches-floor', { by: -floor.value }),
      mends: [{ ...hangingMessage('higher-or-shorter-tails', {}), edit: null }],
    })
  const middle = floor.value + Math.max(0, size.bottom)
  const handle = rate(HANDLE, by)
  const reach = Math.max(size.right, -size.left)
  const room = brief.door.width / 2 - rate(HANDLE_IN, by)
  if (floor.value < handle && middle - size.top > handle && exceeds(reach, room))
    found.push({
      id: 'hanger:handle',
      severity: 'care',
      layer: null,
      ...hangingMessage('in-way-of-handle', { reach, room }),
      mends: [{ ...hangingMessage('higher-or-narrower', {}), edit: null }],
    })
  return found
}

/**
 * How far a letter's top hangs below the inner edge when it stands in the middle of a ring: `(inner width − letter) ÷ 2`.
 * @param inner width of the hole, mm @param letter its height, mm, less than that
 * @example dropOf(300, 100) // 100
 */
export const dropOf = (inner: number, letter: number): number => (inner - letter) / 2
