import type { LaidPiece, Placement } from '../placement'
import { arrange, copyAcross, footprint, inside } from '../placement'
import { across, anchorSays, BASE_SORTS, boundsOf, clockAngle, joinOf, markOn, reachOf, stationAt } from '../base'
import { materialOf } from '../material'
import type { Said } from '../measure'
import { rate, wrapDegrees } from '../measure'
import type { Mend, Problem } from '../piece'
import { edit, laysStems } from '../piece'
import type { Balance } from './balance'
import { balanceOf, heavySide, unanswered } from './balance'
import type { CoverageCount, Coverage } from './coverage'
import { coveredAt, coverageOf } from './coverage'
import { closeStretch, fillerLayer } from './fill-to-fullness'
import { fullnessAsks, fullnessMeant } from './fullness'
import { EVEN_WITHIN, HIDDEN, LOST_UNDER } from './rules-of-thumb'
import type { ColourCarry, Contrast } from './colour-and-weight'
import type { SeenLayer } from './seen-share'
import { seenShares } from './seen-share'
import { coverageMessage } from './words'

/** A piece as an eye sees it. */
export interface Seen extends LaidPiece {
  readonly cover: Coverage
  readonly counted: CoverageCount
  readonly shares: readonly SeenLayer[]
  readonly balance: Balance
  readonly carry: readonly ColourCarry[]
  readonly contrast: Contrast
}

/** What an eye would find wanting. */
export function coverProblems(seen: Seen): Problem[] {
  if (!seen.piece.layers.length) return []
  return [
    ...fullnessProblems(seen),
    ...joinProblem(seen),
    ...balanceProblems(seen),
    ...colourProblems(seen),
    ...contrastProblems(seen),
    ...unseenProblems(seen),
    ...cutEndProblems(seen),
  ]
}

/** Fewer cut ends than this, or a smaller share of a layer's, may show without a word; so many places are told. Rules of thumb. */
const ENDS_LEAST = { ends: 3, share: 0.1 } as const
const ENDS_TOLD = 4

/** Cut ends that show although the base is to be covered: nothing lies over them. */
function cutEndProblems({ piece, runs, laid, shares, shelf }: Seen): Problem[] {
  if (fullnessMeant(piece) === 'sparse') return []
  return shares.flatMap(({ layer: id, cutEnds, things }): Problem[] => {
    const { layer, placements } = laid.find((one) => one.layer.id === id)!
    const material = materialOf(shelf, layer.mix[0]!.material)
    if (!material || layer.role !== 'greenery' || cutEnds.length < Math.max(ENDS_LEAST.ends, things * ENDS_LEAST.share)) return []
    const shown = new Set(cutEnds)
    const where = placements
      .filter((each) => shown.has(each.id))
      .slice(0, ENDS_TOLD)
      .flatMap((each): Said[] => {
        const run = runs.find((one) => one.id === each.run)
        return run ? [anchorSays(run, each.s)] : []
      })
    return [
      {
        id: `cut-ends:${id}`,
        severity: 'note',
        layer: id,
        ...coverageMessage('cut-ends', { plural: material.plural, things, ends: cutEnds.length, where }),
        mends: [{ ...coverageMessage('put-something-over', {}), edit: null }],
      },
    ]
  })
}

/** Fewer things than this, or a smaller share of a layer, may lie under others without a word. Rules of thumb. */
const UNSEEN_LEAST = { things: 3, share: 0.25 } as const
/** How many would do is tried on pieces of at most so many things: each try lays all of it. */
const MOST_TRIED = 150

/** Stems that are bought and fixed, and lie under others. */
function unseenProblems({ piece, runs, laid, cover, shares, shelf }: Seen): Problem[] {
  const isMuch = ({ unseen, things }: SeenLayer): boolean =>
    unseen.length >= UNSEEN_LEAST.things && unseen.length >= things * UNSEEN_LEAST.share
  return shares.filter(isMuch).flatMap((seen): Problem[] => {
    const { layer } = laid.find((one) => one.layer.id === seen.layer)!
    const material = materialOf(shelf, layer.mix[0]!.material)
    if (!material || layer.mix.length > 1 || layer.locked || !laysStems(layer.rule)) return []
    const { rule } = layer
    /** With so many, no more of them is hidden than may be, and as much is covered: worked whole. */
    const serves = (count: number): boolean => {
      const layers = piece.layers.map((one) => (one.id === layer.id ? { ...one, rule: { ...rule, count } as typeof rule } : one))
      const then = arrange({ ...piece, layers }, runs, shelf).filter((one) => !one.layer.hidden)
      const found = seenShares(then, shelf).find((one) => one.layer === layer.id)
      const covered = coverageOf(
        runs,
        then.flatMap(({ placements }) => placements),
        shelf,
      ).share.value
      return found !== undefined && !isMuch(found) && covered >= cover.share.value - COVER_KEPT
    }
    const few = laid.reduce((all, one) => all + one.placements.length, 0) <= MOST_TRIED
    const simple = few && rule.kind === 'compass' && !layer.taken.length && rule.count > seen.unseen.length
    const fewer = simple ? [1, 0.5].map((part) => rule.count - Math.round(seen.unseen.length * part)).find(serves) : undefined
    return [
      {
        id: `unseen:${layer.id}`,
        severity: 'note',
        layer: layer.id,
        ...coverageMessage('unseen', { plural: material.plural, things: seen.things, unseen: seen.unseen.length }),
        mends: [
          fewer === undefined
            ? { ...coverageMessage('fewer-or-apart', {}), edit: null }
            : {
                ...coverageMessage('so-many-do', { count: fewer }),
                edit: { do: 'layer', layer: layer.id, set: { rule: { ...rule, count: fewer } as typeof rule } },
              },
        ],
      },
    ]
  })
}
/** Less of the face may be covered by so much, and nobody sees it. Rule of thumb. */
const COVER_KEPT = 0.02

/** So many bare stretches are told one by one. */
const TOLD = 6

function fullnessProblems({ piece, runs, cover, counted, shelf }: Seen): Problem[] {
  const asks = fullnessAsks(fullnessMeant(piece), shelf)
  if (asks.once === 0) return []
  const filler = fillerLayer(piece, shelf)
  const bare = cover.bare.slice(0, TOLD).map((stretch, i): Problem => {
    const run = runs.find(({ id }) => id === stretch.run)!
    const end = run.closed ? stretch.from + stretch.length : Math.min(run.length, stretch.from + stretch.length)
    const whole = stretch.length === run.length
    const named = runs.length > 1 ? run.name : null
    const closing = filler ? closeStretch(counted, runs, filler, stretch, shelf) : null
    const closingWith = closing && materialOf(shelf, closing.material)
    const mend: Mend = closing?.things.length
      ? {
          ...coverageMessage('close-with', { count: closing.things.length, name: closingWith!.name, plural: closingWith!.plural }),
          edit: { do: 'add', layer: closing.layer, things: closing.things },
        }
      : { ...coverageMessage('greenery-would-close', {}), edit: null }
    return {
      id: `bare:${i}`,
      severity: 'care',
      layer: null,
      mends: [mend],
      ...(whole
        ? coverageMessage('run-bare', { run: named })
        : run.closed
          ? coverageMessage('bare-from-to', { from: anchorSays(run, stretch.from), to: anchorSays(run, end), run: named })
          : coverageMessage('bare-along', {
              from: stretch.from,
              to: end,
              reads: run.reads.kind === 'from' ? run.reads.words : '',
              run: named,
            })),
    }
  })
  const sparseMend: Mend = { ...coverageMessage('show-on-purpose', {}), edit: { do: 'brief', set: { fullness: 'sparse' } } }
  if (bare.length) return bare.map((problem, i) => (i === 0 ? { ...problem, mends: [...problem.mends, sparseMend] } : problem))
  if (cover.share.value < asks.once) {
    return [
      {
        id: 'thin',
        severity: 'note',
        layer: null,
        mends: [sparseMend],
        ...coverageMessage('thin', { covered: cover.share.value, fullness: piece.brief.fullness, wanted: asks.once }),
      },
    ]
  }
  if (cover.twoDeep.value < asks.twice) {
    return [
      {
        id: 'not lush',
        severity: 'note',
        layer: null,
        ...coverageMessage('not-lush', { twoDeep: cover.twoDeep.value, wanted: asks.twice }),
        mends: [{ ...coverageMessage('full-is-enough', {}), edit: { do: 'brief', set: { fullness: 'full' } } }],
      },
    ]
  }
  return []
}

/** Bases whose join is a flaw to be hidden. */
const JOINED = new Set(['ring', 'oval', 'square', 'heart', 'swag', 'teardrop', 'door'])
const HIDING = new Set(['bow', 'sign', 'focal'])

/** A join left in sight, and how to hide it. */
function joinProblem({ piece, runs, laid, counted, shelf }: Seen): Problem[] {
  const { base } = piece
  if (!JOINED.has(base.shape.form)) return []
  const { run, s } = markOn(base, runs, base.join)
  /** Whether a thing lies over most of the face where it is. */
  const covers = (placement: Placement): boolean => {
    const outline = footprint(placement, placement.form)
    const station = stationAt(run, placement.s)
    return [-0.5, 0, 0.5].filter((t) => inside(across(station, t), outline)).length >= 2
  }
  if (coveredAt(counted, run, s) >= rate(HIDDEN, shelf)) return []
  const { name } = BASE_SORTS[base.kind]
  const join = joinOf(base)
  const hiding = laid
    .filter(({ layer }) => HIDING.has(layer.role))
    .flatMap(({ layer, placements }) =>
      placements
        .filter((each) => each.run === run.id && covers(each) && coveredAt(counted, run, each.s) >= rate(HIDDEN, shelf))
        .map((each) => ({ layer, each })),
    )
  const order = [...HIDING]
  const [cover] = hiding.sort((a, b) => order.indexOf(a.layer.role) - order.indexOf(b.layer.role))
  const mends: Mend[] = []
  if (cover && base.shape.form === 'ring') {
    const by = wrapDegrees(clockAngle(run, cover.each.s) - clockAngle(run, s))
    const message = coverageMessage('turn-to-cover', {
      base: name.toLowerCase(),
      by: Math.round(by > 180 ? 360 - by : by),
      back: by > 180,
      name: materialOf(shelf, cover.each.material)!.name,
    })
    if (base.hook === null) mends.push({ ...message, edit: { do: 'base', set: { turn: wrapDegrees(base.turn + by) } } })
  }
  // What hangs on cords hides nothing where they begin.
  const bow = laid.find(
    ({ layer }) => HIDING.has(layer.role) && layer.rule.kind === 'single' && layer.rule.drop === 0 && layer.run === run.id,
  )
  if (bow?.layer.rule.kind === 'single' && bow.placements.some((each) => coveredAt(counted, run, each.s) >= rate(HIDDEN, shelf))) {
    const { rule, id } = bow.layer
    mends.push({
      ...coverageMessage('move-over', { name: materialOf(shelf, bow.placements[0]!.material)!.name }),
      edit: { do: 'layer', layer: id, set: { rule: { ...rule, at: s / run.length } } },
    })
  }
  return [
    {
      id: 'join',
      severity: fullnessMeant(piece) === 'sparse' ? 'note' : 'care',
      layer: null,
      ...coverageMessage('join-shows', { join, where: anchorSays(run, s) }),
      mends: mends.length ? mends : [{ ...coverageMessage('put-something-over', {}), edit: null }],
    },
  ]
}

/** So many counterparts are offered. */
const COUNTERPARTS = 2

function balanceProblems({ piece, laid, runs, balance, cover, shelf }: Seen): Problem[] {
  const side = heavySide(balance, runs[0]!.closed)
  if (balance.asMeant || balance.heavy === null || side === null) return []
  const { school, towards } = piece.brief.balance
  const off = balance.off.value
  if (school === 'offset') {
    return [
      {
        id: 'balance',
        severity: 'note',
        layer: null,
        ...(off < rate(EVEN_WITHIN, shelf)
          ? coverageMessage('meant-heavy-but-even', { towards })
          : coverageMessage('meant-heavy-otherwise', { towards, side, off })),
        mends: [
          { ...coverageMessage('mean-it-so', {}), edit: { do: 'brief', set: { balance: { school, towards: balance.heavy } } } },
          { ...coverageMessage('mean-it-even', {}), edit: { do: 'brief', set: { balance: { school: 'even', towards } } } },
        ],
      },
    ]
  }
  const reach = reachOf(boundsOf(runs))
  const counterparts = unanswered(laid, balance, runs, shelf)
    .slice(0, COUNTERPARTS)
    .flatMap(({ thing, run, s }): Mend[] => {
      const how = copyAcross(piece, [thing], runs, shelf)
      const edited = edit(piece, how, 'even it out')
      if (!edited.ok) return []
      // Only what does bring it nearer to the middle is offered, with how far off it is then.
      const next = edited.change.piece
      const then = balanceOf({ piece: next, laid: arrange(next, runs, shelf), runs, shelf }, reach, cover.sectors)
      if (then.off.value >= balance.off.value) return []
      const message = coverageMessage('another-at', {
        name: materialOf(shelf, thing.material)!.name,
        where: anchorSays(run, s),
        left: then.asMeant ? null : then.off.value,
      })
      return [{ ...message, edit: how }]
    })
  return [
    {
      id: 'balance',
      severity: 'note',
      layer: null,
      ...coverageMessage('heavy', { side, off }),
      mends: [
        ...counterparts,
        { ...coverageMessage('mean-it-offset', {}), edit: { do: 'brief', set: { balance: { school: 'offset', towards: balance.heavy } } } },
      ],
    },
  ]
}

/** Less than this share of everything is a speck, not a colour to carry: rule of thumb. */
const SPECK = 0.01

function colourProblems({ piece, carry, laid }: Seen): Problem[] {
  if (piece.brief.balance.school === 'offset' || laid.reduce((n, { placements }) => n + placements.length, 0) < 6) return []
  const alone = carry.filter(({ sides, share }) => sides.length < 3 && share.value > SPECK)
  if (!alone.length || carry.length < 2) return []
  const opposite = { top: 'bottom', bottom: 'top', left: 'right', right: 'left' } as const
  return alone.slice(0, 2).map(({ family, sides }): Problem => ({
    id: `colour:${family}`,
    severity: 'note',
    layer: null,
    ...coverageMessage('colour-on-sides', { family, sides }),
    mends: [{ ...coverageMessage('carry-colour-to', { sides: sides.map((side) => opposite[side]) }), edit: null }],
  }))
}

function contrastProblems({ contrast, shelf }: Seen): Problem[] {
  const lost = rate(LOST_UNDER, shelf)
  if (!contrast.surface || contrast.surface.difference.value >= lost) return []
  return [
    {
      id: 'lost',
      severity: 'care',
      layer: null,
      mends: [{ ...coverageMessage('lighter-or-elsewhere', {}), edit: null }],
      ...coverageMessage('lost-on-surface', { differ: contrast.surface.difference.value, least: lost }),
    },
  ]
}
