import { beadsOn } from '../arrange'
import type { Body, Run } from '../base'
import { BASE_SORTS } from '../base'
import { gaugeWidth, quantity, sum } from '../measure'
import { MOST_PLACES } from '../piece'
import type { Construction, Making, NamedFigure } from './construction'
import { changeRule, countOf, figureOf, lengthOf, total } from './construction'

/** Beads that come off a ring when it is made so much smaller across: a whole number, and the change that really gives, mm. */
export function beadsOff(change: number, bead: number): { readonly beads: number, readonly change: number } {
  const beads = Math.round((Math.PI * change) / bead)
  return { beads, change: (beads * bead) / Math.PI }
}

/** Bare wire kept at one end to bend round the base: `turns × π × (ring wire + own wire) + tail`, mm. */
export const bareWire = (turns: number, ring: number, own: number, tail: number): number => turns * Math.PI * (ring + own) + tail

/** How thick the wire of a base is, where its face is several of them or beads on it, mm: rule of thumb; the core of a bead ring by its gauge. */
const WIRES: Partial<Record<Body, number>> = { wire: 3, box: 3, clamps: 3, beads: gaugeWidth(16) }

/** What a wire is bent round at the end of its beads, mm. */
const wireOf = ({ piece }: Making, run: Run): number => WIRES[BASE_SORTS[piece.base.kind].body] ?? 2 * run.at(run.length / 2).half

/** Whether beads go on the base's own wires, so that none is needed to thread them on. */
const onOwnWires = ({ piece }: Making): boolean => BASE_SORTS[piece.base.kind].body === 'rod'

export const BEADS: Construction<'beads'> = {
  makeUp(rule, making) {
    const { layer, runs, mix: [bead] } = making
    const own = onOwnWires(making)
    const rows = runs.map((run) => ({ run, n: Math.min(MOST_PLACES, beadsOn(run.length, rule.allowance, bead.length)), bare: bareWire(rule.turns, wireOf(making, run), rule.own, rule.tail) }))
    const first = rows[0]!
    const beads = total(rows, ({ n }) => n)
    const wire = total(rows, ({ n, bare }) => n * bead.length + 2 * bare)
    const figures: NamedFigure[] = [
      ...(rows.length > 1 ? rows.map(({ run, n }) => countOf(`beads:${run.id}`, `On the ${run.name}`, n, sum`⌊(${quantity.length(run.length)} − ${quantity.length(rule.allowance)}) ÷ ${quantity.length(bead.length)}⌋ = ${quantity.count(n)}`)) : []),
      countOf('beads', 'Beads', beads, rows.length > 1 ? sum`${rows.map(({ n }) => n).join(' + ')} = ${quantity.count(beads)}` : sum`⌊(${quantity.length(first.run.length)} − ${quantity.length(rule.allowance)}) ÷ ${quantity.length(bead.length)}⌋ = ${quantity.count(beads)}`),
      ...(own ? [] : [
        lengthOf('bare', 'Bare wire at each end', first.bare, sum`${quantity.ratio(rule.turns)} turns × π × (${quantity.length(wireOf(making, first.run))} + ${quantity.length(rule.own)}) + ${quantity.length(rule.tail)} = ${quantity.length(first.bare)}`),
        lengthOf('wire', 'Wire to thread on', wire, sum`${quantity.count(beads)} × ${quantity.length(bead.length)} + ${quantity.count(2 * rows.length)} bare ends = ${quantity.length(wire)}`),
      ]),
    ]
    return {
      layer: layer.id, title: null, figures, uses: [],
      takes: own ? [] : rows.map(({ run, n, bare }) => ({ material: THREAD, use: rows.length > 1 ? `threading, ${run.name}` : 'threading', length: n * bead.length + 2 * bare, count: 1, joins: false })),
    }
  },
  words(rule, makeUp, making) {
    const { runs } = making
    const threaded = sum`Thread ${figureOf(makeUp, 'beads')} beads${runs.length > 1 ? ', run by run' : ` on the ${runs[0].name}`}`
    if (onOwnWires(making)) return [[...threaded, ...(rule.allowance > 0 ? sum` and leave ${quantity.length(rule.allowance)} of it bare.` : ['.'])]]
    const wound = rule.turns > 0 ? sum`, wind it ${rule.turns === 1 ? 'once' : rule.turns === 2 ? 'twice' : `${Number(rule.turns.toFixed(2))} times`} round the base` : []
    return [[...threaded, ...sum`; keep ${figureOf(makeUp, 'bare')} of wire bare at each end`, ...wound, ' and fold the end in.']]
  },
  problems(rule, { layer, runs, mix: [bead] }) {
    const none = runs.find((run) => beadsOn(run.length, rule.allowance, bead.length) === 0)
    const many = runs.find((run) => beadsOn(run.length, rule.allowance, bead.length) > MOST_PLACES)
    return [
      ...(none ? [{ id: `${layer.id}:none`, severity: 'fault' as const, layer: layer.id, says: sum`No bead of ${quantity.length(bead.length)} goes on the ${none.name}: ${quantity.length(none.length)} less ${quantity.length(rule.allowance)} kept bare.`, mends: rule.allowance > 0 ? [{ says: sum`Keep none of it bare`, edit: changeRule(layer, { allowance: 0 }) }] : [] }] : []),
      ...(many ? [{ id: `${layer.id}:many`, severity: 'care' as const, layer: layer.id, says: sum`${quantity.count(beadsOn(many.length, rule.allowance, bead.length))} beads on the ${many.name} are more than ${quantity.count(MOST_PLACES)}. The layer stops there.`, mends: [{ says: sum`Take larger beads`, edit: null }] }] : []),
    ]
  },
}

/** The wire that beads are threaded on. */
const THREAD = 'paddle-wire'
