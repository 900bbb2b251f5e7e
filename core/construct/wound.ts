import { turnsOn } from '../arrange'
import type { Body, Run } from '../base'
import { BASE_SORTS } from '../base'
import { fewestRolls } from '../cut'
import type { Material } from '../material'
import { isCut } from '../material'
import { capital, exceeds, figure, GEOMETRY, inches, quantity, several, sum, wholesOver } from '../measure'
import type { Piece, Problem } from '../piece'
import type { Construction, Making, NamedFigure, Taken } from './construction'
import { changeRule, countOf, figureOf, lengthOf, ruleOfThumb, total } from './construction'

/** Bodies that a pin holds in; elsewhere there are ties. */
const PINNED: ReadonlySet<Body> = new Set(['straw', 'foam'])
/** What strands and garlands are held with. */
const holderOn = ({ base }: Piece): { readonly material: string, readonly name: string, readonly use: string, readonly pinned: boolean } =>
  PINNED.has(BASE_SORTS[base.kind].body) ? { material: 'floral-pin', name: 'Pins', use: 'pins', pinned: true } : { material: 'pipe-cleaner', name: 'Ties', use: 'ties', pinned: false }
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
    return { ...way, ...wound, rolls: fewestRolls(length, [{ length: wound.length, count: 1, joins: true }]) }
  })
}

/** Lengths are typed to the hundredth, so that a third of a strand may be a hair too short. */
const HAIR = 1e-3

/** How many pins or ties hold so long a strand: one at each end and between. */
export const pinsOf = (length: number, every: number): number => Math.max(1, Math.ceil(length / every - HAIR)) + 1

const path = (runs: readonly Run[]): number => total(runs, ({ length }) => length)

/** Whole turns, as hands count them. */
const about = (turns: number): number => Math.max(1, Math.round(turns))

export const WOUND: Construction<'wound'> = {
  makeUp(rule, { piece, layer, runs, mix: [material] }) {
    const along = path(runs)
    const { turns, length: wound, minutes } = winding(along, rule.pitch, rule.thick, material.width)
    const each = wound / turns
    const length = wound + 2 * rule.ends * runs.length
    const takes = runs.map((run, i): Taken => {
      const own = (wound * run.length) / along + 2 * rule.ends
      return { material: material.id, use: runs.length > 1 ? `winding ${i + 1}` : 'winding', length: own, count: 1, joins: exceeds(own, material.length) || material.kind === 'mechanic' }
    })
    const rolls = fewestRolls(material.length, takes)
    const holder = holderOn(piece)
    const held = rule.every === null ? 2 * runs.length : total(runs, (run) => pinsOf(run.length, rule.every!))
    const perimeter = rule.pitch === null
      ? sum`π × (${quantity.length(rule.thick)} + ${quantity.length(material.width)}) = ${quantity.length(each)} a turn`
      : sum`√((π × ${quantity.length(rule.thick)})² + ${quantity.length(rule.pitch)}²) = ${quantity.length(each)} a turn`
    const figures: NamedFigure[] = [
      { id: 'turns', name: 'Turns, about', figure: figure(quantity.count(about(turns)), sum`${quantity.length(along)} ÷ ${quantity.length(rule.pitch ?? material.width)} = ${quantity.ratio(turns)}`, GEOMETRY) },
      lengthOf('length', 'Length', length, [...sum`${quantity.ratio(turns)} turns × `, ...perimeter, ...(rule.ends > 0 ? sum` + ${quantity.count(2 * runs.length)} ends of ${quantity.length(rule.ends)}` : []), ...sum` = ${quantity.length(length)}`]),
      countOf('rolls', material.kind === 'mechanic' ? 'Balls' : 'Rolls', rolls, sum`the fewest of ${quantity.length(material.length)} that ${takes.length > 1 ? `its ${takes.length} lengths` : 'its length'} can be cut from = ${quantity.count(rolls)}`),
      countOf('pins', holder.name, held, rule.every === null ? sum`one at each end` : sum`one at each end and every ${quantity.length(rule.every)}`),
      ruleOfThumb('time', 'Time', quantity.time(minutes), sum`${quantity.ratio(turns)} turns × ${quantity.ratio((minutes * 60) / turns)} seconds`),
    ]
    return { layer: layer.id, title: `${material.name} wound round, ${several(about(turns), 'turn', 'turns')}`, figures, uses: [{ material: holder.material, use: holder.use, count: held }], takes }
  },
  words: (rule, makeUp, { piece, mix: [material] }) => [
    rule.pitch === null
      ? sum`Wind ${material.name} round it side by side: about ${several(figureOf(makeUp, 'turns').value, 'turn', 'turns')}, ${figureOf(makeUp, 'length')} of it. ${holderOn(piece).pinned ? 'Pin the start under the first turns.' : 'Catch the start under the first turns.'}`
      : sum`Wind ${material.name} round it, a turn every ${quantity.length(rule.pitch)}: about ${several(figureOf(makeUp, 'turns').value, 'turn', 'turns')}, ${figureOf(makeUp, 'length')} of it. Start and end behind.`,
  ],
  problems(rule, { layer, runs, mix: [material] }) {
    return [
      ...notByLength(layer.id, material),
      ...(rule.pitch !== null && rule.pitch < material.width / 4 ? [{ id: `${layer.id}:pitch`, severity: 'care' as const, layer: layer.id, says: sum`Turns ${quantity.length(rule.pitch)} apart of what is ${quantity.length(material.width)} wide lie four deep.`, mends: [{ says: sum`A turn every ${quantity.length(material.width)}`, edit: changeRule(layer, { pitch: material.width }) }] }] : []),
      ...(rule.pitch !== null && exceeds(rule.pitch, path(runs)) ? [{ id: `${layer.id}:turn`, severity: 'care' as const, layer: layer.id, says: sum`Turns ${quantity.length(rule.pitch)} apart: not one goes round ${quantity.length(path(runs))}.`, mends: [{ says: sum`A turn every ${quantity.length(material.width * 2)}`, edit: changeRule(layer, { pitch: material.width * 2 }) }] }] : []),
    ]
  },
}

/** A number of laps as one says it: whole, or with a half. */
const lapsSaid = (laps: number): string => (Number.isInteger(laps) ? (laps === 1 ? 'once' : laps === 2 ? 'twice' : `${laps} times`) : `${Number(laps.toFixed(2))} times`)

export const LAID: Construction<'laid'> = {
  makeUp(rule, { piece, layer, runs, mix: [material] }) {
    const one = path(runs)
    const each = runs.map((run) => run.length * rule.laps + rule.tuck)
    const length = total(each, (on) => on)
    const strandsOn = (on: number): number => Math.max(1, wholesOver(on, material.length))
    const pinsOn = (on: number): number => strandsOn(on) * pinsOf(Math.min(material.length, on), rule.every)
    const strands = total(each, strandsOn)
    const reach = material.length / one
    const holder = holderOn(piece)
    const pins = total(each, pinsOn)
    const laps = Number(rule.laps.toFixed(2))
    const figures: NamedFigure[] = [
      lengthOf('length', 'Length', length, [...sum`${quantity.ratio(rule.laps)} laps × ${quantity.length(one)}`, ...(rule.tuck > 0 ? sum` + tuck ${quantity.length(rule.tuck * runs.length)}` : []), ...sum` = ${quantity.length(length)}`]),
      countOf('strands', capital(material.plural), strands, runs.length > 1 ? sum`on each run ⌈its length ÷ ${quantity.length(material.length)}⌉, in all ${quantity.count(strands)}` : sum`⌈${quantity.length(length)} ÷ ${quantity.length(material.length)}⌉ = ${quantity.count(strands)}`),
      { id: 'reach', name: 'Laps from one', figure: figure(quantity.ratio(reach), sum`${quantity.length(material.length)} ÷ ${quantity.length(one)} = ${quantity.ratio(reach)} laps; half of one ${quantity.ratio(reach / 2)}`, GEOMETRY) },
      lengthOf('over', 'Over', strands * material.length - length, sum`${quantity.count(strands)} × ${quantity.length(material.length)} − ${quantity.length(length)}`),
      ruleOfThumb('pins', holder.name, quantity.count(pins), sum`${each.map((on) => `${strandsOn(on)} × ${pinsOf(Math.min(material.length, on), rule.every)}`).join(' + ')}: at both ends of each strand and every ${quantity.length(rule.every)} between = ${quantity.count(pins)}`),
    ]
    return {
      layer: layer.id, title: `${material.name}, ${several(laps, 'lap', 'laps')}`, figures, uses: [{ material: holder.material, use: holder.use, count: pins }],
      takes: each.map((on, i) => ({ material: material.id, use: runs.length > 1 ? `laps, ${runs[i]!.name}` : 'laps', length: on, count: 1, joins: true })),
    }
  },
  words: (rule, makeUp, { piece, mix: [material] }) => [
    sum`Lay ${material.name} along it ${lapsSaid(rule.laps)}${rule.laps > 1 ? ', lap beside lap' : ''}: ${figureOf(makeUp, 'length')} in ${several(figureOf(makeUp, 'strands').value, 'length', 'lengths')}.`,
    [...sum`${holderOn(piece).pinned ? 'Pin over the strand, not through its flowers' : 'Tie over the strand, between its flowers'}: at both ends of each and every ${quantity.length(rule.every)}.`, ...(rule.tuck > 0 ? sum` Tuck the last ${quantity.length(rule.tuck)} under the start.` : [])],
  ],
  problems: (_rule, { layer, mix: [material] }) => notByLength(layer.id, material),
}

function notByLength(layer: string, material: Making['mix'][0]): Problem[] {
  return isCut(material) ? [] : [{ id: `${layer}:length`, severity: 'fault', layer, says: sum`${material.name} does not come by the length.`, mends: [{ says: sum`Choose ribbon, twine or a garland for it`, edit: null }] }]
}
