import { turnsOn } from '../arrange'
import { fewestRolls } from '../cut'
import type { Material } from '../material'
import { exceeds, figure, GEOMETRY, inches, quantity, several, sum } from '../measure'
import type { Choice, Construction, NamedFigure, Taken } from './construction'
import { changeRule, countOf, figureOf, lengthOf, ruleOfThumb, total } from './construction'
import { holderOn, notByLength, path, pinsOf } from './held'

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

/** Ways to wind a material round so much: spaced by two widths, edge to edge, overlapped by half, and for twine side by side. */
export function windingChoices(along: number, thick: number, { width, length, kind }: Pick<Material, 'width' | 'length' | 'kind'>): Choice[] {
  const ways = kind === 'mechanic'
    ? [{ name: 'Side by side', pitch: null }, { name: 'Every ½ in', pitch: inches(0.5) }, { name: 'Every 2 in', pitch: inches(2) }]
    : [{ name: 'Overlapped by half', pitch: width / 2 }, { name: 'Edge to edge', pitch: width }, { name: 'A width between', pitch: width * 2 }]
  return ways.map((way) => {
    const wound = winding(along, way.pitch, thick, width)
    return { ...way, ...wound, rolls: fewestRolls(length, [{ length: wound.length, count: 1, joins: true }]) }
  })
}

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
    return { layer: layer.id, title: `${material.name} wound round, ${several(about(turns), 'turn', 'turns')}`, figures, uses: [{ material: holder.material, use: holder.use, count: held }], takes, choices: windingChoices(runs[0].length, rule.thick, material) }
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
