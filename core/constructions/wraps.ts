import { fewestRolls } from '../cut'
import type { Material } from '../material'
import type { Rated, Term } from '../measure'
import {
  exceeds,
  GEOMETRY,
  inches,
  quantity,
  several,
  sum,
  byRule,
  count,
  mm,
  divide,
  PI,
  plus,
  ratio,
  saidAs,
  labelled,
  times,
  worked,
} from '../measure'
import type { WrapChoice, Construction, NamedFigure } from './construction'
import { changeRule, figureOf, lengthsFor, read, thingsFor, told, total } from './construction'
import { holderOn, notByLength, path, pinsOf } from './pin-ties'
import { TURN_CLOSE, TURN_SPACED } from './rules-of-thumb'
import { constructionMessage } from './words'

/** What a winding comes to: turns, length and minutes. */
export interface Winding {
  readonly turns: Term
  readonly each: Term
  readonly length: Term
  readonly minutes: Term
}

/**
 * A length wound round a tube: `turns × √(P² + q²)` with a visible pitch `q` and the tube's perimeter `P`; side by side
 * `turns × π × (d + t)`, since the middle of what is wound lies half its thickness off the tube.
 * @param along mm to cover @param pitch mm, null side by side @param thick the tube's diameter, mm @param width of what is wound, mm
 * @example winding(1000, null, 10, 5, USUAL).turns.value // 200
 */
export function winding(along: number, pitch: number | null, thick: number, width: number, by: Rated): Winding {
  const turns = divide(mm(along), mm(pitch ?? width))
  const each =
    pitch === null
      ? times(PI, plus(mm(thick), mm(width)))
      : saidAs(mm(Math.hypot(Math.PI * thick, pitch)), sum`√((π × ${quantity.length(thick)})² + ${quantity.length(pitch)}²)`)
  const said = labelled`${ratio(turns.value)} turns`
  return { turns, each, length: times(said, each), minutes: times(said, byRule(pitch === null ? TURN_CLOSE : TURN_SPACED, by)) }
}

/** Ways to wind a material round so much: spaced by two widths, edge to edge, overlapped by half, and for twine side by side. */
export function windingChoices(
  along: number,
  thick: number,
  { width, length, kind }: Pick<Material, 'width' | 'length' | 'kind'>,
  by: Rated,
): WrapChoice[] {
  const ways =
    kind === 'mechanic'
      ? [
          { name: 'Side by side', pitch: null },
          { name: 'Every ½ in', pitch: inches(0.5) },
          { name: 'Every 2 in', pitch: inches(2) },
        ]
      : [
          { name: 'Overlapped by half', pitch: width / 2 },
          { name: 'Edge to edge', pitch: width },
          { name: 'A width between', pitch: width * 2 },
        ]
  return ways.map((way) => {
    const wound = winding(along, way.pitch, thick, width, by)
    return {
      ...way,
      turns: wound.turns.value,
      length: wound.length.value,
      minutes: wound.minutes.value,
      rolls: fewestRolls(length, [{ length: wound.length.value, count: 1, joins: true }]),
    }
  })
}

/** Whole turns, as hands count them. */
const about = (turns: number): number => Math.max(1, Math.round(turns))

export const WRAP_CONSTRUCTION: Construction<'wound'> = {
  makeUp(rule, { piece, layer, runs, mix: [material], shelf }) {
    const along = path(runs)
    const { turns, each, length: wound, minutes } = winding(along, rule.pitch, rule.thick, material.width, shelf)
    const length = plus(
      times(labelled`${ratio(turns.value)} turns`, saidAs(each, [...each.said, ' a turn'])),
      times(labelled`${count(2 * runs.length)} ends`, mm(rule.ends)),
    )
    const takes = runs.map((run, i) => {
      const own = (wound.value * run.length) / along + 2 * rule.ends
      return {
        material: material.id,
        use: runs.length > 1 ? `winding ${i + 1}` : 'winding',
        length: own,
        count: 1,
        joins: exceeds(own, material.length) || material.kind === 'mechanic',
      }
    })
    const rolls = fewestRolls(material.length, takes)
    const holder = holderOn(piece)
    const held = rule.every === null ? 2 * runs.length : total(runs, (run) => pinsOf(run.length, rule.every!))
    const figures: NamedFigure[] = [
      read(
        'turns',
        'Turns, about',
        quantity.count(about(turns.value)),
        [...worked(turns).sum, ...sum`, rounded to ${quantity.count(about(turns.value))}`],
        GEOMETRY,
      ),
      told('length', 'Length', length),
      read(
        'rolls',
        material.kind === 'mechanic' ? 'Balls' : 'Rolls',
        quantity.count(rolls),
        sum`the fewest of ${quantity.length(material.length)} that ${takes.length > 1 ? `its ${takes.length} lengths` : 'its length'} can be cut from = ${quantity.count(rolls)}`,
      ),
      read(
        'pins',
        holder.name,
        quantity.count(held),
        rule.every === null ? sum`one at each end` : sum`one at each end and every ${quantity.length(rule.every)}`,
      ),
      told('time', 'Time', minutes),
    ]
    return {
      layer: layer.id,
      title: `${material.name} wound round, ${several(about(turns.value), 'turn', 'turns')}`,
      figures,
      needs: [...lengthsFor(layer.id, takes), ...thingsFor(layer.id, [{ material: holder.material, use: holder.use, count: held }])],
      choices: windingChoices(runs[0].length, rule.thick, material, shelf),
    }
  },
  words: (rule, makeUp, { piece, mix: [material] }) => [
    rule.pitch === null
      ? sum`Wind ${material.name} round it side by side: about ${several(figureOf(makeUp, 'turns').value, 'turn', 'turns')}, ${figureOf(makeUp, 'length')} of it. ${holderOn(piece).pinned ? 'Pin the start under the first turns.' : 'Catch the start under the first turns.'}`
      : sum`Wind ${material.name} round it, a turn every ${quantity.length(rule.pitch)}: about ${several(figureOf(makeUp, 'turns').value, 'turn', 'turns')}, ${figureOf(makeUp, 'length')} of it. Start and end behind.`,
  ],
  problems(rule, { layer, runs, mix: [material] }) {
    return [
      ...notByLength(layer.id, material),
      ...(rule.pitch !== null && rule.pitch < material.width / 4
        ? [
            {
              id: `${layer.id}:pitch`,
              severity: 'care' as const,
              layer: layer.id,
              ...constructionMessage('turns-four-deep', { pitch: rule.pitch, width: material.width }),
              mends: [
                { ...constructionMessage('turn-every', { pitch: material.width }), edit: changeRule(layer, { pitch: material.width }) },
              ],
            },
          ]
        : []),
      ...(rule.pitch !== null && exceeds(rule.pitch, path(runs))
        ? [
            {
              id: `${layer.id}:turn`,
              severity: 'care' as const,
              layer: layer.id,
              ...constructionMessage('not-one-turn', { pitch: rule.pitch, path: path(runs) }),
              mends: [
                {
                  ...constructionMessage('turn-every', { pitch: material.width * 2 }),
                  edit: changeRule(layer, { pitch: material.width * 2 }),
                },
              ],
            },
          ]
        : []),
    ]
  },
}
