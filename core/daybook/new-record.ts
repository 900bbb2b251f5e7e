import { countKey } from './count-key'
import { dotsRule } from '../fixing'
import { overlapped, shortestOf } from '../placement'
import { runsOf } from '../base'
import { largeBoughs, SPARE } from '../constructions'
import { AS_LAID } from '../coverage'
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

/** A page of the daybook for one that was just made: all that was planned beside what the sheet knows; the rest waits for its maker. */
export function beginRecord(
  { piece, tasks, needs, materials, spent, counted, day }: RecordSource,
  shelf: Shelf,
  id: string,
): DaybookRecord {
  const { brief, base } = piece
  const rule = (of: Thumb, goes: 'with' | 'against' | 'broken', value = rate(of, shelf)) => ({ id: of.id, value, goes })
  const timed = tasks.map((task): Compared => {
    const took = Object.hasOwn(spent, task.id) ? spent[task.id]! : 0
    return {
      id: task.id,
      of: 'task',
      name: task.title,
      unit: 'time',
      planned: task.hands,
      took: took >= LEAST_MINUTES ? Math.round(took * 10) / 10 : null,
      broke: null,
      covers: false,
      rules: task.hands > 0 ? task.rules.map((each) => ({ id: each.id, value: each.value, goes: 'with' as const })) : [],
    }
  })
  const full = brief.fullness !== 'sparse'
  const covers = new Set(
    piece.layers.flatMap((layer) =>
      full && layer.role === 'greenery' && laysStems(layer.rule) ? layer.mix.map(({ material }) => material) : [],
    ),
  )
  const bound = new Set(piece.layers.flatMap((layer) => (BOUND.has(layer.rule.kind) ? layer.mix.map(({ material }) => material) : [])))
  const used = [...byMaterial(needs.filter((need) => need.of !== 'base'))].flatMap(([material, own]): Compared[] => {
    const of = materialOf(shelf, material)
    if (!of) return []
    // By a recipe so much was planned for what the rule alone would ask.
    const uses = piece.making.recipe?.uses ?? {}
    const planned = Object.hasOwn(uses, material) ? uses[material]! : 1
    const dots = dotsRule(material)
    const spares = own.some((need) => need.of === 'things' && need.spare > 0)
    return [
      {
        id: material,
        of: 'material',
        name: isCut(of) ? of.name : of.plural,
        unit: own.some((need) => need.of === 'lengths') ? 'length' : 'count',
        planned: Math.round(inHand(own, of) * 100) / 100,
        took: null,
        broke: null,
        covers: covers.has(material),
        rules: [
          ...(covers.has(material) && !bound.has(material) ? [rule(AS_LAID, 'with', rate(AS_LAID, shelf) * planned)] : []),
          ...(spares ? [rule(SPARE, 'broken')] : []),
          ...(dots ? [rule(dots, 'against', rate(dots, shelf) / planned)] : []),
        ],
      },
    ]
  })
  const bundles = tasks.flatMap((task): Compared[] => {
    const layer = piece.layers.find((each) => each.id === task.layer)
    if (!task.counts || layer?.rule.kind !== 'bundles') return []
    const n = Object.hasOwn(counted, task.id) ? counted[task.id]! : 0
    return [
      {
        id: countKey('bundles', layer.id),
        of: 'count',
        name: 'Bundles bound on',
        unit: 'count',
        planned: task.counts.count,
        took: n > 0 ? n : null,
        broke: null,
        covers: false,
        rules: [rule(BUNDLE_ADVANCE, 'against', layer.rule.advance)],
      },
    ]
  })
  const runs = runsOf(base)
  const boughs = piece.layers.flatMap((own): Compared[] => {
    const { id: layer, rule: of, run } = own
    if (of.kind !== 'boughs') return []
    const on = runs.filter((each) => run === EACH || each.id === run)
    const length = shortestOf(own, shelf)
    const advance = length - of.overlap
    const pieces = on.reduce((n, each) => n + overlapped(each, length, advance).count, 0)
    return [
      {
        id: countKey('boughs', layer),
        of: 'count',
        name: 'Large boughs',
        unit: 'count',
        planned: largeBoughs(pieces, advance, mm(of.yields)).value,
        took: null,
        broke: null,
        covers: false,
        rules: [rule(BOUGH_YIELDS, 'against', of.yields)],
      },
    ]
  })
  return {
    id,
    piece: piece.id,
    name: brief.name,
    occasion: brief.occasion,
    base: base.kind,
    run: Math.round(runs.reduce((all, { length }) => all + length, 0)),
    day,
    compared: [...timed, ...bundles, ...boughs, ...used],
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
