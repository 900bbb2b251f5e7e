import { turnsOn } from '../arrange'
import type { Run } from '../base'
import type { Material } from '../material'
import { isCut } from '../material'
import { capital, figure, GEOMETRY, inches, quantity, several, sum } from '../measure'
import type { Problem } from '../piece'
import type { Construction, Making, NamedFigure, Used } from './makeup'
import { changeRule, countOf, figureOf, lengthOf, ruleOfThumb, total } from './makeup'

/** What strands and garlands are pinned with. */
export const PIN = 'floral-pin'
/** Seconds that a turn takes: of a wide spaced one, and of one pushed up against the last: rules of thumb. */
const SECONDS = { spaced: 8, close: 4 }

/** What a winding comes to: turns and length, mm, and minutes. */
export interface Winding { readonly turns: number, readonly length: number, readonly minutes: number }

/**
 * A length wound round a tube: `turns × √(P² + q²)` with a visible pitch `q` and the tube's perimeter `P`; side by side
 * `turns × π × (d + t)`, since the middle of what is wound lies half its thickness off the tube.
 * @param along mm to cover @param pitch mm, null side by side @param thick the tube's diameter, mm @param width of what is wound, mm
 */
export function winding(along: number, pitch: number | null, thick: number, width: number): Winding {
  const turns = turnsOn(along, pitch, width)
  const each = pitch === null ? Math.PI * (thick + width) : Math.hypot(Math.PI * thick, pitch)
  return { turns, length: turns * each, minutes: (turns * (pitch === null ? SECONDS.close : SECONDS.spaced)) / 60 }
}

/** The same run wound otherwise: before it is chosen, what each way takes. */
export interface WindingChoice extends Winding { readonly pitch: number | null, readonly name: string, readonly rolls: number }

/** Ways to wind a material round so much: spaced by two widths, edge to edge, overlapped by half, and for twine side by side. */
export function windingChoices(along: number, thick: number, { width, length, kind }: Pick<Material, 'width' | 'length' | 'kind'>): WindingChoice[] {
  const ways = kind === 'mechanic'
    ? [{ name: 'Side by side', pitch: null }, { name: 'Every ½ in', pitch: inches(0.5) }, { name: 'Every 2 in', pitch: inches(2) }]
    : [{ name: 'Overlapped by half', pitch: width / 2 }, { name: 'Edge to edge', pitch: width }, { name: 'A width between', pitch: width * 2 }]
  return ways.map((way) => {
    const wound = winding(along, way.pitch, thick, width)
    return { ...way, ...wound, rolls: Math.ceil(wound.length / length - 1e-9) }
  })
}

/** Lengths are typed to the hundredth, so that a third of a strand may be a hair too short. */
const HAIR = 1e-3

/** How many pins or ties hold so long a strand: one at each end and between. */
export const pinsOf = (length: number, every: number): number => Math.max(1, Math.ceil(length / every - HAIR)) + 1

const path = (runs: readonly Run[]): number => total(runs, ({ length }) => length)

export const WOUND: Construction<'wound'> = {
  makeUp(rule, { layer, runs, mix: [material] }) {
    const along = path(runs)
    const { turns, length: wound, minutes } = winding(along, rule.pitch, rule.thick, material.width)
    const each = wound / turns
    const length = wound + 2 * rule.ends * runs.length
    const rolls = Math.ceil(length / material.length - 1e-9)
    const held = heldAt(rule.every === null ? 2 * runs.length : total(runs, (run) => pinsOf(run.length, rule.every!)))
    const perimeter = rule.pitch === null
      ? sum`π × (${quantity.length(rule.thick)} + ${quantity.length(material.width)}) = ${quantity.length(each)} a turn`
      : sum`√((π × ${quantity.length(rule.thick)})² + ${quantity.length(rule.pitch)}²) = ${quantity.length(each)} a turn`
    const figures: NamedFigure[] = [
      { id: 'turns', name: 'Turns', figure: figure(quantity.ratio(turns), sum`${quantity.length(along)} ÷ ${quantity.length(rule.pitch ?? material.width)} = ${quantity.ratio(turns)}`, GEOMETRY) },
      lengthOf('length', 'Length', length, [...sum`${quantity.ratio(turns)} turns × `, ...perimeter, ...sum` + ${quantity.count(2 * runs.length)} ends of ${quantity.length(rule.ends)} = ${quantity.length(length)}`]),
      countOf('rolls', material.kind === 'mechanic' ? 'Balls' : 'Rolls', rolls, sum`⌈${quantity.length(length)} ÷ ${quantity.length(material.length)}⌉ = ${quantity.count(rolls)}`),
      countOf('pins', 'Pins or ties', held[0]!.count, rule.every === null ? sum`one at each end` : sum`one at each end and every ${quantity.length(rule.every)}`),
      ruleOfThumb('time', 'Time', quantity.time(minutes), sum`${quantity.ratio(turns)} turns × ${quantity.ratio((minutes * 60) / turns)} seconds`),
    ]
    return {
      layer: layer.id, title: `${material.name} wound round, ${several(Math.round(turns), 'turn', 'turns')}`, figures, uses: held,
      takes: runs.map((run, i) => ({ material: material.id, use: runs.length > 1 ? `winding ${i + 1}` : 'winding', length: (wound * run.length) / along + 2 * rule.ends, count: 1, joins: (wound * run.length) / along > material.length || material.kind === 'mechanic' })),
    }
  },
  words: (rule, makeUp, { mix: [material] }) => [
    rule.pitch === null
      ? sum`Wind ${material.name} round it side by side: ${figureOf(makeUp, 'turns')} turns, ${figureOf(makeUp, 'length')} of it. Pin the start under the first turns.`
      : sum`Wind ${material.name} round it, a turn every ${quantity.length(rule.pitch)}: ${figureOf(makeUp, 'turns')} turns, ${figureOf(makeUp, 'length')} of it. Start and end behind.`,
  ],
  problems(rule, { layer, runs, mix: [material] }) {
    return [
      ...notByLength(layer.id, material),
      ...(rule.pitch !== null && rule.pitch < material.width / 4 ? [{ id: `${layer.id}:pitch`, weight: 'care' as const, layer: layer.id, says: sum`Turns ${quantity.length(rule.pitch)} apart of what is ${quantity.length(material.width)} wide lie four deep.`, mends: [{ says: sum`A turn every ${quantity.length(material.width)}`, edit: changeRule(layer, { pitch: material.width }) }] }] : []),
      ...(rule.pitch !== null && rule.pitch > path(runs) ? [{ id: `${layer.id}:turn`, weight: 'care' as const, layer: layer.id, says: sum`Turns ${quantity.length(rule.pitch)} apart: not one goes round ${quantity.length(path(runs))}.`, mends: [{ says: sum`A turn every ${quantity.length(material.width * 2)}`, edit: changeRule(layer, { pitch: material.width * 2 }) }] }] : []),
    ]
  },
}

export const LAID: Construction<'laid'> = {
  makeUp(rule, { layer, runs, mix: [material] }) {
    const one = path(runs)
    const each = runs.map((run) => run.length * rule.laps + rule.tuck)
    const length = total(each, (on) => on)
    const strands = Math.ceil(length / material.length - 1e-9)
    const reach = material.length / one
    const pins = total(each.flatMap((on) => splitOf(on, material.length)), (strand) => pinsOf(strand, rule.every))
    const figures: NamedFigure[] = [
      lengthOf('length', 'Length', length, sum`${quantity.ratio(rule.laps)} laps × ${quantity.length(one)} + tuck ${quantity.length(rule.tuck * runs.length)} = ${quantity.length(length)}`),
      countOf('strands', capital(material.plural), strands, sum`⌈${quantity.length(length)} ÷ ${quantity.length(material.length)}⌉ = ${quantity.count(strands)}`),
      { id: 'reach', name: 'Laps from one', figure: figure(quantity.ratio(reach), sum`${quantity.length(material.length)} ÷ ${quantity.length(one)} = ${quantity.ratio(reach)} laps; half of one ${quantity.ratio(reach / 2)}`, GEOMETRY) },
      lengthOf('over', 'Over', strands * material.length - length, sum`${quantity.count(strands)} × ${quantity.length(material.length)} − ${quantity.length(length)}`),
      ruleOfThumb('pins', 'Pins or ties', quantity.count(pins), sum`at both ends of each length and every ${quantity.length(rule.every)} between = ${quantity.count(pins)}`),
    ]
    return {
      layer: layer.id, title: `${material.name}, ${several(rule.laps, 'lap', 'laps')}`, figures, uses: heldAt(pins),
      takes: each.map((on, i) => ({ material: material.id, use: runs.length > 1 ? `laps, ${runs[i]!.name}` : 'laps', length: on, count: 1, joins: true })),
    }
  },
  words: (rule, makeUp, { mix: [material] }) => [
    sum`Lay ${material.name} along it ${quantity.ratio(rule.laps)} times, lap beside lap: ${figureOf(makeUp, 'length')} in ${figureOf(makeUp, 'strands')} lengths.`,
    sum`Pin over the strand, not through its flowers: at both ends and every ${quantity.length(rule.every)}. Tuck the last ${quantity.length(rule.tuck)} under the start.`,
  ],
  problems: (_rule, { layer, mix: [material] }) => notByLength(layer.id, material),
}

const heldAt = (count: number): [Used] => [{ material: PIN, use: 'pins', count }]

/** The lengths that a strand is laid in, one strand after another, mm. */
const splitOf = (length: number, strand: number): number[] =>
  Array.from({ length: Math.max(1, Math.ceil(length / strand - 1e-9)) }, (_, i) => Math.min(strand, length - i * strand))

function notByLength(layer: string, material: Making['mix'][0]): Problem[] {
  return isCut(material) ? [] : [{ id: `${layer}:length`, weight: 'fault', layer, says: sum`${material.name} does not come by the length.`, mends: [{ says: sum`Choose ribbon, twine or a garland for it`, edit: null }] }]
}
