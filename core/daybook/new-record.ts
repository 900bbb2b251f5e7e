import { countKey } from './count-key'
import { dotsRule } from '../fixing'
import { overlapped, shortestOf } from '../placement'
import { runsOf } from '../base'
import { largeBoughs, SPARE } from '../constructions'
import { AS_LAID, fullnessMeant } from '../coverage'
import type { Material, Need, Shelf } from '../material'
import { amountOf, byMaterial, isCut, lengthsIn, materialOf, thingsIn } from '../material'
import type { Day, Minor, Thumb } from '../measure'
import { rate, mm } from '../measure'
import type { Piece, Recipe, RuleKind } from '../piece'
import { BOUGH_YIELDS, BUNDLE_ADVANCE, EACH, laysStems } from '../piece'
import { piecesOf, stemsFor } from '../price'
import type { TaskTime } from '../tasks'
import type { Compared, DaybookRecord } from './record'

/** What a page of the daybook begins with. */
export interface RecordSource {
  readonly piece: Piece
  /** For one copy, in the order in which hands took them. */
  readonly tasks: readonly TaskTime[]
  readonly needs: readonly Need[]
  /** What the material in one is worth: what is used of what is opened, and of what was in the house. */
  readonly materials: Minor
  /** What the sheet timed and counted: minutes and numbers by task. */
  readonly spent: Readonly<Record<string, number>>
  readonly counted: Readonly<Record<string, number>>
  readonly day: Day
}

/** What is bound by the piece says by its own rule how close it lies. */
const BOUND: ReadonlySet<RuleKind> = new Set(['bundles', 'boughs', 'spray'])
/** Minutes that tell nothing: a task that was ticked off without a hand at it. */
const LEAST_MINUTES = 0.25

/** How much of a need hands take up: stems and boughs as they come, whatever is cut of them, or mm. */
const inHand = (needs: readonly Need[], of: Material): number => {
  const things = thingsIn(needs)
  const stems = things.every(({ count }) => Number.isInteger(count))
    ? stemsFor(of, piecesOf(of, things, 1)).stems
    : things.reduce((all, { count }) => all + count, 0)
  return stems + lengthsIn(needs).reduce((all, need) => all + amountOf(need), 0)
}

/** What the sheet wrote down of a task; 0 where it wrote nothing. */
const writtenOf = (of: Readonly<Record<string, number>>, task: string): number => (Object.hasOwn(of, task) ? of[task]! : 0)

type RuleGoes = Compared['rules'][number]['goes']
const ruleOf = (of: Thumb, goes: RuleGoes, value: number): Compared['rules'][number] => ({ id: of.id, value, goes })

/** What is not asked of every line. */
const PLAIN = { took: null, broke: null, covers: false } as const

/** The minutes of each task, as planned and as the sheet timed them. */
const timesCompared = ({ tasks, spent }: RecordSource): Compared[] =>
  tasks.map((task) => {
    const took = writtenOf(spent, task.id)
    return {
      ...PLAIN,
      id: task.id,
      of: 'task',
      name: task.title,
      unit: 'time',
      planned: task.hands,
      took: took >= LEAST_MINUTES ? Math.round(took * 10) / 10 : null,
      rules: task.hands > 0 ? task.rules.map(({ id, value }) => ({ id, value, goes: 'with' as const })) : [],
    }
  })

/** The bundles of each layer that is bound, as planned and as the sheet counted them. */
const bundlesCompared = ({ piece, tasks, counted }: RecordSource): Compared[] =>
  tasks.flatMap((task): Compared[] => {
    const layer = piece.layers.find(({ id }) => id === task.layer)
    if (!task.counts || layer?.rule.kind !== 'bundles') return []
    const n = writtenOf(counted, task.id)
    return [
      {
        ...PLAIN,
        id: countKey('bundles', layer.id),
        of: 'count',
        name: 'Bundles bound on',
        unit: 'count',
        planned: task.counts.count,
        took: n > 0 ? n : null,
        rules: [ruleOf(BUNDLE_ADVANCE, 'against', layer.rule.advance)],
      },
    ]
  })

/** The large boughs that each garland of pieces was planned from. */
const boughsCompared = ({ piece }: RecordSource, shelf: Shelf): Compared[] =>
  piece.layers.flatMap((layer): Compared[] => {
    const { rule } = layer
    if (rule.kind !== 'boughs') return []
    const length = shortestOf(layer, shelf)
    const advance = length - rule.overlap
    const pieces = runsOf(piece.base)
      .filter(({ id }) => layer.run === EACH || id === layer.run)
      .reduce((n, run) => n + overlapped(run, length, advance).count, 0)
    return [
      {
        ...PLAIN,
        id: countKey('boughs', layer.id),
        of: 'count',
        name: 'Large boughs',
        unit: 'count',
        planned: largeBoughs(pieces, advance, mm(rule.yields)).value,
        rules: [ruleOf(BOUGH_YIELDS, 'against', rule.yields)],
      },
    ]
  })

/** Each material that some layers are of. */
const materialsOfLayers = ({ layers }: Piece, which: (layer: Piece['layers'][number]) => boolean): Set<string> =>
  new Set(layers.filter(which).flatMap(({ mix }) => mix.map(({ material }) => material)))

/** What of each material was planned, and which rules of thumb said so. */
function materialsCompared({ piece, needs }: RecordSource, shelf: Shelf): Compared[] {
  const full = fullnessMeant(piece) !== 'sparse'
  const covers = materialsOfLayers(piece, ({ role, rule }) => full && role === 'greenery' && laysStems(rule))
  const bound = materialsOfLayers(piece, ({ rule }) => BOUND.has(rule.kind))
  // By a recipe so much was planned for what the rule alone would ask.
  const uses = piece.making.recipe?.uses ?? {}
  return [...byMaterial(needs.filter((need) => need.of !== 'base'))].flatMap(([id, own]): Compared[] => {
    const material = materialOf(shelf, id)
    if (!material) return []
    const planned = Object.hasOwn(uses, id) ? uses[id]! : 1
    const dots = dotsRule(id)
    const spares = own.some((need) => need.of === 'things' && need.spare > 0)
    return [
      {
        ...PLAIN,
        id,
        of: 'material',
        name: isCut(material) ? material.name : material.plural,
        unit: own.some((need) => need.of === 'lengths') ? 'length' : 'count',
        planned: Math.round(inHand(own, material) * 100) / 100,
        covers: covers.has(id),
        rules: [
          ...(covers.has(id) && !bound.has(id) ? [ruleOf(AS_LAID, 'with', rate(AS_LAID, shelf) * planned)] : []),
          ...(spares ? [ruleOf(SPARE, 'broken', rate(SPARE, shelf))] : []),
          ...(dots ? [ruleOf(dots, 'against', rate(dots, shelf) / planned)] : []),
        ],
      },
    ]
  })
}

/** A page of the daybook for one that was just made: all that was planned beside what the sheet knows; the rest waits for its maker. */
export function beginRecord(source: RecordSource, shelf: Shelf, id: string): DaybookRecord {
  const { piece, tasks, materials, day } = source
  const { brief, base } = piece
  return {
    id,
    piece: piece.id,
    name: brief.name,
    occasion: brief.occasion,
    base: base.kind,
    run: Math.round(runsOf(base).reduce((all, { length }) => all + length, 0)),
    day,
    compared: [...timesCompared(source), ...bundlesCompared(source), ...boughsCompared(source, shelf), ...materialsCompared(source, shelf)],
    order: tasks.map((task) => task.id),
    money: { planned: materials, spent: null },
    otherwise: '',
    where: '',
    from: null,
    to: null,
    end: 'hangs',
    lasted: '',
    photos: [],
  }
}

/** How one was really made, as a recipe for the others: minutes, amounts and order. What was not written down stays as planned. */
export function recipeOf({ id, compared, order }: DaybookRecord): { readonly recipe: Recipe; readonly order: string[] } {
  const written = (of: Compared['of']) =>
    compared.flatMap((each) => (each.of === of && each.took !== null ? [{ ...each, took: each.took }] : []))
  const minutes = Object.fromEntries(written('task').map(({ id: task, took }) => [task, took]))
  const uses = Object.fromEntries(
    written('material').flatMap(({ id: material, took, planned }) => (planned > 0 ? [[material, took / planned]] : [])),
  )
  return { recipe: { record: id, minutes, uses }, order: [...order] }
}
