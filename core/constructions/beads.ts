import { bindingOf } from './binding-wire'
import type { Material } from '../material'
import { beadsOn } from '../placement'
import type { Body, Run } from '../base'
import { BASE_SORTS, stationAt } from '../base'
import type { Rated, Term } from '../measure'
import {
  gaugeWidth,
  quantity,
  sum,
  byRule,
  count,
  minus,
  mm,
  divide,
  PI,
  plus,
  plusAll,
  ratio,
  saidAs,
  labelled,
  times,
  floor,
} from '../measure'
import type { RuleOf } from '../piece'
import { MOST_PLACES } from '../piece'
import type { Construction, ConstructionContext, NamedFigure } from './construction'
import { changeRule, figureOf, lengthsFor, told, total } from './construction'
import { WIRES } from './rules-of-thumb'
import { constructionMessage } from './words'

/**
 * Beads that come off a ring when it is made so much smaller across: a whole number, and the change that really gives, mm.
 * @example beadsOff(25.4, 12.7).beads // 6
 */
export function beadsOff(change: number, bead: number): { readonly beads: number; readonly change: number } {
  const beads = Math.round((Math.PI * change) / bead)
  return { beads, change: (beads * bead) / Math.PI }
}

/** Bare wire kept at one end to bend round the base: `turns × π × (ring wire + own wire) + tail`. */
export const bareWire = (turns: number, ring: Term, own: number, tail: number): Term =>
  plus(times(labelled`${ratio(turns)} turns`, PI, plus(ring, mm(own))), mm(tail))

/** Bases whose face is several wires, or beads on one, by how thick that wire is; the core of a bead ring by its gauge. */
const WIRED: Partial<Record<Body, (by: Rated) => Term>> = {
  wire: (by) => byRule(WIRES, by),
  box: (by) => byRule(WIRES, by),
  clamps: (by) => byRule(WIRES, by),
  beads: () => mm(gaugeWidth(16)),
}

/** What a wire is bent round at the end of its beads. */
const wireOf = ({ piece, shelf }: ConstructionContext, run: Run): Term =>
  WIRED[BASE_SORTS[piece.base.kind].body]?.(shelf) ?? mm(2 * stationAt(run, run.length / 2).half)

/** Whether beads go on the base's own wires, so that none is needed to thread them on. */
const onOwnWires = ({ piece }: ConstructionContext): boolean => BASE_SORTS[piece.base.kind].body === 'rod'

/** The beads on one run, and the wire they are threaded on. */
interface BeadRow {
  readonly run: Run
  readonly beads: Term
  /** Kept bare at each end. */
  readonly bare: Term
  /** mm */
  readonly wire: number
}

const beadRows = (rule: RuleOf<'beads'>, context: ConstructionContext): BeadRow[] =>
  context.runs.map((run) => {
    const [bead] = context.mix
    const fits = floor(divide(minus(mm(run.length), mm(rule.allowance)), mm(bead.length)))
    const n = Math.min(MOST_PLACES, fits.value)
    const bare = bareWire(rule.turns, wireOf(context, run), rule.own, rule.tail)
    const beads = n < fits.value ? saidAs(count(n), [`as many as a layer holds`]) : fits
    return { run, beads, bare, wire: n * bead.length + 2 * bare.value }
  })

function beadFigures(rows: readonly BeadRow[], bead: Material, own: boolean): NamedFigure[] {
  const [first] = rows as readonly [BeadRow, ...BeadRow[]]
  const n = total(rows, ({ beads }) => beads.value)
  const all =
    rows.length > 1
      ? plusAll(
          rows.map(({ beads }) => count(beads.value)),
          count(0),
        )
      : first.beads
  const ends = saidAs({ ...first.bare, value: 2 * total(rows, ({ bare }) => bare.value) }, [`${2 * rows.length} bare ends`])
  return [
    ...(rows.length > 1 ? rows.map(({ run, beads }) => told(`beads:${run.id}`, `On the ${run.name}`, beads)) : []),
    told('beads', 'Beads', all),
    ...(own
      ? []
      : [
          told('bare', 'Bare wire at each end', first.bare),
          told('wire', 'Wire to thread on', plus(times(count(n), mm(bead.length)), ends)),
        ]),
  ]
}

export const BEADS_CONSTRUCTION: Construction<'beads'> = {
  makeUp(rule, context) {
    const {
      layer: { id },
      mix: [bead],
    } = context
    const own = onOwnWires(context)
    const rows = beadRows(rule, context)
    const threads = rows.map(({ run, wire }) => ({
      material: bindingOf(context.piece, context.shelf),
      use: rows.length > 1 ? `threading, ${run.name}` : 'threading',
      length: wire,
      count: 1,
      joins: false,
    }))
    return { layer: id, title: null, figures: beadFigures(rows, bead, own), needs: own ? [] : lengthsFor(id, threads) }
  },
  words(rule, makeUp, making) {
    const { runs, piece, layer } = making
    const before = piece.layers
      .slice(0, piece.layers.indexOf(layer))
      .find((each) => each.rule.kind === 'beads' && each.rule.allowance === rule.allowance)
    if (before && onOwnWires(making) && runs.length === 1)
      return [sum`As before, on ${/\d$/.test(runs[0].name) ? '' : 'the '}${runs[0].name}: ${figureOf(makeUp, 'beads')} beads.`]
    const threaded = sum`Thread ${figureOf(makeUp, 'beads')} beads${runs.length > 1 ? ', run by run' : ` on ${/\d$/.test(runs[0].name) ? '' : 'the '}${runs[0].name}`}`
    if (onOwnWires(making))
      return [[...threaded, ...(rule.allowance > 0 ? sum` and leave ${quantity.length(rule.allowance)} of it bare.` : ['.'])]]
    const wound =
      rule.turns > 0
        ? sum`, wind it ${rule.turns === 1 ? 'once' : rule.turns === 2 ? 'twice' : `${Number(rule.turns.toFixed(2))} times`} round the base`
        : []
    return [[...threaded, ...sum`; keep ${figureOf(makeUp, 'bare')} of wire bare at each end`, ...wound, ' and fold the end in.']]
  },
  problems(rule, { layer, runs, mix: [bead] }) {
    const none = runs.find((run) => beadsOn(run.length, rule.allowance, bead.length) === 0)
    const many = runs.find((run) => beadsOn(run.length, rule.allowance, bead.length) > MOST_PLACES)
    return [
      ...(none
        ? [
            {
              id: `${layer.id}:none`,
              severity: 'fault' as const,
              layer: layer.id,
              ...constructionMessage('no-bead-fits', { bead: bead.length, run: none.name, length: none.length, bare: rule.allowance }),
              mends:
                rule.allowance > 0 ? [{ ...constructionMessage('keep-none-bare', {}), edit: changeRule(layer, { allowance: 0 }) }] : [],
            },
          ]
        : []),
      ...(many
        ? [
            {
              id: `${layer.id}:many`,
              severity: 'care' as const,
              layer: layer.id,
              ...constructionMessage('many-beads', { count: beadsOn(many.length, rule.allowance, bead.length), run: many.name }),
              mends: [{ ...constructionMessage('larger-beads', {}), edit: null }],
            },
          ]
        : []),
    ]
  },
}
