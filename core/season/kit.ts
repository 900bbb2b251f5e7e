import { z } from 'zod'
import type { Need, Shelf } from '../material'
import { isCut, materialOf } from '../material'
import type { Figure, Minor, Rated } from '../measure'
import {
  COUNTED,
  DaySchema,
  lowerFirst,
  quantity,
  rate,
  sum,
  wholesOver,
  byRule,
  count,
  given,
  minus,
  named,
  plus,
  saidAs,
  times,
  worked,
} from '../measure'
import type { Pricing } from '../price'
import { billOf, moneyFigure, rangeOf, HOUR_RATE } from '../price'
import type { TaskKind, TaskTime } from '../tasks'
import { TASK_KINDS } from '../tasks'
import type { ToMake } from './batch'
import { CLASS_PACE, PACK_EACH, SITS_THROUGH } from './rules-of-thumb'

const id = z.string().min(1).max(80)
const minor = z.int().min(0).max(100_000_000)

/** The most kits of one class. */
export const MOST_KITS = 500

/** Kits of a piece for a class: an order of its own, beside the piece that its teacher makes. */
export const KitSchema = z
  .strictObject({
    id,
    piece: id,
    name: z.string().trim().min(1, 'Give the kit a name.').max(80),
    heads: z.int().min(1, 'A class has a head at least.').max(MOST_KITS),
    spares: z.int().min(0).max(MOST_KITS).describe('whole kits more than heads'),
    day: DaySchema.nullable(),
    swaps: z
      .array(
        z.strictObject({
          kits: z.array(z.int().min(1)).min(1).max(MOST_KITS).describe('the numbers of the kits, from 1'),
          from: id,
          to: id,
        }),
      )
      .max(60),
    before: z.array(z.enum(TASK_KINDS)).max(TASK_KINDS.length).describe('what the teacher does before the class'),
    longest: z
      .int()
      .min(10)
      .max(24 * 60)
      .describe('minutes of a sitting'),
    bring: z.array(z.string().trim().min(1).max(120)).max(60).describe('what is not in the kit and must be there'),
    packed: z.array(z.string().max(160)).max(500).describe('lines of the packing list that are ticked'),
    room: minor.describe('hire, tea and whatever else the class costs at any number of heads'),
    fee: minor.nullable().describe('asked of each head; null is not said'),
  })
  .superRefine(({ heads, spares, swaps }, ctx) => {
    swaps.forEach(({ kits, from }, i) => {
      if (kits.some((kit) => kit > heads + spares))
        ctx.addIssue({ code: 'custom', path: ['swaps', i, 'kits'], message: `There are only ${heads + spares} kits.` })
      if (swaps.some((other, k) => k < i && other.from === from && other.kits.some((kit) => kits.includes(kit))))
        ctx.addIssue({ code: 'custom', path: ['swaps', i, 'kits'], message: 'A kit has two substitutes for one thing.' })
    })
  })
export type Kit = z.infer<typeof KitSchema>
export type KitSwap = Kit['swaps'][number]

/** What is done before a class comes, usually: all that dries, and all that a saw or an oven does. */
export const USUALLY_BEFORE: readonly TaskKind[] = ['take off', 'finds', 'join', 'paint', 'seal', 'stems']

/** Kits of a piece, as it is begun with. @param copies one for each head */
export const startKit = (kitId: string, piece: string, name: string, copies: number): Kit => ({
  id: kitId,
  piece,
  name,
  heads: Math.min(MOST_KITS, copies),
  spares: 0,
  day: null,
  swaps: [],
  before: [...USUALLY_BEFORE],
  longest: 150,
  bring: [],
  packed: [],
  room: 0,
  fee: null,
})

/**
 * What all copies need together, each with what is in its own kit, whole: a head cannot share a stick of glue. Where some get another material in place of one: so many of one, so many of the other.
 * @param copies over 0 @param swaps of kits by their numbers; those over `copies` are nobody's
 * @returns needs for all copies as one
 */
export function handOut(needs: readonly Need[], copies: number, swaps: readonly KitSwap[]): Need[] {
  return wholeInEach(needs).flatMap((need): Need[] => {
    if (need.of === 'base') return [{ ...need, count: need.count * copies }]
    const own = swaps
      .filter(({ from }) => from === need.material)
      .map(({ kits, to }) => ({ to, kits: kits.filter((kit) => kit <= copies).length }))
      .filter(({ kits }) => kits > 0)
    const rest = copies - own.reduce((all, { kits }) => all + kits, 0)
    return [
      ...(rest > 0 ? [{ ...need, count: need.count * rest }] : []),
      ...own.map(({ to, kits }) => ({ ...need, material: to, count: need.count * kits })),
    ]
  })
}

/** Needs of which what is only a part of one is whole, in the place of the first of it: a stick of glue for all that a head glues. */
function wholeInEach(needs: readonly Need[]): Need[] {
  const parts = needs.filter((need) => need.of === 'things' && !Number.isInteger(need.count))
  const [first, all] = [new Map<string, Need>(), new Map<string, number>()]
  for (const need of parts) {
    if (!first.has(need.material)) first.set(need.material, need)
    all.set(need.material, (all.get(need.material) ?? 0) + need.count)
  }
  return needs.flatMap((need) => {
    if (!parts.includes(need)) return [need]
    return first.get(need.material) === need ? [{ ...need, count: wholesOver(all.get(need.material)!, 1) }] : []
  })
}

/** What is in one kit. */
export interface KitPart {
  readonly material: string
  readonly name: string
  /** Things for a kit, rounded up, or mm. */
  readonly amount: number
  readonly unit: 'count' | 'length'
  /** What it is cut to, mm; null whole. */
  readonly cut: number | null
}

/** The parts of kit number `n`, from 1, with its substitutes. */
export function kitParts(needs: readonly Need[], swaps: readonly KitSwap[], n: number, shelf: Shelf): KitPart[] {
  const parts = new Map<string, KitPart>()
  for (const need of handOut(
    needs,
    1,
    swaps.filter(({ kits }) => kits.includes(n)).map((swap) => ({ ...swap, kits: [1] })),
  )) {
    const cut = need.of === 'things' ? need.cut : need.of === 'lengths' && !need.joins ? need.length : null
    const key = `${need.material} ${need.of} ${cut ?? ''}`
    const known = parts.get(key)
    const of = need.of === 'base' ? null : materialOf(shelf, need.material)
    const amount = (known?.amount ?? 0) + (need.of === 'lengths' && need.joins ? need.length * need.count : need.count)
    parts.set(key, {
      material: need.material,
      name: need.of === 'base' ? `${lowerFirst(need.name)} base` : of ? (isCut(of) || amount <= 1 ? of.name : of.plural) : need.material,
      amount,
      unit: need.of === 'lengths' && need.joins ? 'length' : 'count',
      cut,
    })
  }
  return [...parts.values()].map((part) => (part.unit === 'count' ? { ...part, amount: Math.ceil(part.amount - 1e-9) } : part))
}

/** One task of a sitting, in minutes from when it begins. */
export interface SittingTask {
  readonly task: TaskTime
  readonly from: number
  readonly minutes: number
}
export interface ClassSitting {
  readonly tasks: readonly SittingTask[]
  readonly minutes: number
  /** What it ends for: something dries that long, or time is up; null at the end of all. */
  readonly ends: { readonly why: 'dries' | 'time'; readonly task: string; readonly minutes: number } | null
}

/** What each takes home and does alone. */
const AT_HOME: ReadonlySet<TaskKind> = new Set(['load', 'record'])

/**
 * The sittings of a class: its tasks one after another at a class's pace, a new sitting where what comes next has to wait for
 * something that dries longer than one sits through, or where the time is up. A task that is longer than a sitting has one to itself.
 */
export function sittingsOf(tasks: readonly TaskTime[], { before, longest }: Pick<Kit, 'before' | 'longest'>, by: Rated): ClassSitting[] {
  const pace = rate(CLASS_PACE, by)
  const through = rate(SITS_THROUGH, by)
  const own = tasks.filter(({ kind }) => !before.includes(kind) && !AT_HOME.has(kind))
  const sittings: { tasks: SittingTask[]; minutes: number; ends: ClassSitting['ends'] }[] = [{ tasks: [], minutes: 0, ends: null }]
  // When a task is dry, minutes into the sitting that is on; what was done in an earlier one is.
  const dry = new Map<string, number>()
  for (const task of own) {
    let sitting = sittings.at(-1)!
    const minutes = task.hands * pace
    const [waited, until] = task.after.reduce<readonly [string, number]>(
      (most, id) => (!task.wet?.includes(id) && (dry.get(id) ?? 0) > most[1] ? [id, dry.get(id)!] : most),
      ['', 0],
    )
    // What only rests takes no place at the table, but what comes after it waits for it.
    if (task.hands <= 0) {
      if (task.waits > 0) dry.set(task.id, Math.max(until, sitting.minutes) + task.waits)
      continue
    }
    const idle = until - sitting.minutes
    const full = sitting.tasks.length > 0 && sitting.minutes + Math.max(0, idle) + minutes > longest + 1e-9
    if (idle > through || full) {
      sitting.ends =
        idle > through
          ? { why: 'dries', task: own.find(({ id: each }) => each === waited)!.title, minutes: idle }
          : { why: 'time', task: task.title, minutes: 0 }
      sittings.push({ tasks: [], minutes: 0, ends: null })
      dry.clear()
      sitting = sittings.at(-1)!
    } else if (idle > 0) sitting.minutes += idle
    sitting.tasks.push({ task, from: sitting.minutes, minutes })
    sitting.minutes += minutes
    if (task.waits > 0) dry.set(task.id, sitting.minutes + task.waits)
  }
  return sittings.filter((sitting) => sitting.tasks.length)
}

/**
 * What a teacher does for a class, as pieces in hand are planned: what is done before, for all kits; packing them; and the sittings.
 * @param piece with the tasks of one copy
 */
export function teaching(kit: Kit, piece: ToMake, by: Rated): ToMake {
  const copies = kit.heads + kit.spares
  const before = piece.tasks.filter(({ kind }) => kit.before.includes(kind))
  const own = (id: string, title: string, hands: number, after: readonly string[]): TaskTime => ({
    id,
    kind: 'own',
    title,
    layer: null,
    hands,
    waits: 0,
    after,
    fresh: false,
    tools: [],
    counts: null,
    rules: [],
  })
  const prepared = before.map((task) => ({
    ...task,
    hands: task.hands * copies,
    after: task.after.filter((id) => before.some((each) => each.id === id)),
  }))
  const pack = own(
    'kit:pack',
    `Pack ${copies} kits`,
    copies * rate(PACK_EACH, by),
    before.map(({ id }) => id),
  )
  const sittings = sittingsOf(piece.tasks, kit, by).map(({ minutes }, i) =>
    own(`kit:sitting:${i + 1}`, `Class, sitting ${i + 1}`, minutes, [i ? `kit:sitting:${i}` : pack.id]),
  )
  // Its teacher makes the piece itself as well, by its own name.
  const name = kit.name === piece.name ? `${kit.name}, class` : kit.name
  return { ...piece, id: kit.id, name, done: [], copies: 1, due: kit.day ?? piece.due, tasks: [...prepared, pack, ...sittings] }
}

/** What a class costs and what it must take. */
export interface KitMoney {
  /** Opened for all kits, with the tax of the place. */
  readonly materials: Figure
  readonly teacher: Figure
  readonly cost: Figure
  /** What each head must pay for it to be covered. */
  readonly fee: Figure
  /** What is left at the fee that is asked; null where none is. */
  readonly left: Figure | null
  /** From how many heads on it is covered at the fee that is asked; null where none is, or it never is. */
  readonly breaksEven: number | null
  /** What it costs, and takes, at each number of heads from 1. */
  readonly curve: readonly { readonly heads: number; readonly cost: Minor; readonly takes: Minor | null }[]
}

/** Heads that are looked at beyond those that are wanted. */
const LOOK_TO = 1.5

/** @param needs for one copy @param pricing with what is in the house and what shops ask */
export function kitMoney(kit: Kit, needs: readonly Need[], tasks: readonly TaskTime[], pricing: Pricing): KitMoney {
  const { heads, spares, room, fee } = kit
  const opened = (n: number): Figure =>
    billOf({ id: kit.id, copies: 1, budget: null, needs: handOut(needs, n + spares, kit.swaps) }, pricing).opened
  const taught = sittingsOf(tasks, kit, pricing.shelf).reduce((all, { minutes }) => all + minutes, 0)
  const own = (n: number): number =>
    (tasks.filter(({ kind }) => kit.before.includes(kind)).reduce((all, { hands }) => all + hands, 0) + rate(PACK_EACH, pricing.shelf)) *
    (n + spares)
  const hour = rate(HOUR_RATE, pricing.shelf)
  const wage = (n: number): Minor => Math.round(((taught + own(n)) / 60) * hour)
  const costAt = (n: number): Minor => rangeOf(opened(n))[1] + wage(n) + room
  const last = Math.max(heads, Math.ceil(heads * LOOK_TO))
  const curve = Array.from({ length: last }, (_, i) => ({ heads: i + 1, cost: costAt(i + 1), takes: fee === null ? null : fee * (i + 1) }))
  const materials = opened(heads)
  const minutes = taught + own(heads)
  const teacher = worked({
    ...times(
      saidAs({ ...count(minutes / 60), unit: 'ratio' }, [quantity.time(minutes)]),
      saidAs(byRule(HOUR_RATE, pricing.shelf), [quantity.money(hour), ' an hour']),
    ),
    unit: 'money',
    value: wage(heads),
    low: wage(heads),
    high: wage(heads),
  })
  const all = costAt(heads)
  const cost = worked(
    plus(
      named('materials', quantity.money(rangeOf(materials)[1]), COUNTED),
      named('teacher', quantity.money(teacher.value), teacher.basis),
      named('room', quantity.money(room), COUNTED),
    ),
  )
  const each = Math.ceil(all / heads)
  // From there on for every number that is looked at: packs make costs jump.
  const covered = fee === null ? -1 : curve.findLastIndex(({ cost: of, takes }) => takes! < of) + 1
  return {
    materials,
    teacher,
    cost,
    fee: moneyFigure([each, each], sum`${quantity.money(all)} ÷ ${quantity.count(heads)} heads, rounded up = ${quantity.money(each)}`),
    left:
      fee === null
        ? null
        : worked(
            minus(
              saidAs(given(quantity.money(fee * heads), COUNTED), sum`${quantity.count(heads)} × ${quantity.money(fee)}`),
              saidAs(given(quantity.money(all), COUNTED), sum`${quantity.money(all)}`),
            ),
          ),
    breaksEven: fee === null || covered >= curve.length ? null : covered + 1,
    curve,
  }
}

/** What must be there besides: the tools of the tasks that the class does, each once. */
export const toolsFor = (tasks: readonly TaskTime[], { before }: Pick<Kit, 'before'>): string[] => [
  ...new Set(tasks.filter(({ kind }) => !before.includes(kind) && !AT_HOME.has(kind)).flatMap(({ tools }) => tools)),
]

/** What is often forgotten, whatever is made: offered, not put in. Common practice. */
export const OFTEN_FORGOTTEN = [
  'White glue, two parts to one of water, and brushes',
  'A bowl of water and cloths',
  'A bowl to mould on, for each two heads',
  'Paper to cover the tables',
  'A hook and a door to try it on',
  'Bags to carry it home in',
] as const

/**
 * The kits that a list names: `3, 7, 9-11`.
 * @returns their numbers, each once, in order; null when it is no list of kits
 * @example kitNumbers('3, 9-11') // [3, 9, 10, 11]
 */
export function kitNumbers(text: string): number[] | null {
  const found = text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map((part) => /^(\d{1,3})(?:[-–](\d{1,3}))?$/.exec(part))
  const numbers = found.flatMap((part) => {
    const [low, high] = [Number(part?.[1]), Number(part?.[2] ?? part?.[1])]
    return low >= 1 && high >= low ? Array.from({ length: high - low + 1 }, (_, i) => low + i) : [NaN]
  })
  return numbers.length && !numbers.includes(NaN) ? [...new Set(numbers)].sort((a, b) => a - b) : null
}
