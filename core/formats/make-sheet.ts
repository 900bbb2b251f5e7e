import Papa from 'papaparse'
import type { Material, Need, Shelf } from '../material'
import { lengthsIn, materialOf, thingsIn } from '../material'
import type { Day, DisplayOptions } from '../measure'
import { capital, daySaid, formatMoney, inList, quantity, say, several, show } from '../measure'
import type { Piece } from '../piece'
import type { Bill } from '../price'
import { lineSaid } from '../price'
import type { CautionId, Schedule, Task } from '../tasks'
import { CAUTIONS } from '../tasks'

/** The sheet of a piece in words, as page, paper and tables have it: one model of all of them. */
export interface MakeSheet {
  readonly name: string
  readonly about: string
  readonly size: string
  readonly shopping: readonly {
    readonly what: string
    readonly needed: string
    readonly packs: string
    readonly where: string
    readonly cost: string
  }[]
  readonly opened: string
  readonly used: string
  /** Every length that is cut, in the order in which tasks come to it. */
  readonly cuts: readonly {
    readonly material: string
    readonly use: string
    readonly count: number
    readonly length: string
    readonly task: string
  }[]
  readonly stems: readonly { readonly what: string; readonly count: number; readonly cut: string }[]
  readonly tasks: readonly SheetTask[]
  readonly dates: readonly { readonly what: string; readonly day: string }[]
}

export interface SheetTask {
  readonly id: string
  readonly number: number
  readonly title: string
  readonly lines: readonly string[]
  readonly places: readonly { readonly what: string; readonly reads: string; readonly at: readonly string[] }[]
  /** What it takes, besides what is cut for it. */
  readonly takes: readonly string[]
  readonly cuts: readonly string[]
  readonly checks: readonly string[]
  /** Those that are still to be read, and those that were taken as read. */
  readonly cautions: readonly { readonly id: CautionId; readonly text: string; readonly accepted: boolean }[]
  readonly hands: string
  readonly waits: string
}

/** What a sheet is written from. */
export interface OfSheet {
  readonly piece: Piece
  readonly tasks: readonly Task[]
  readonly needs: readonly Need[]
  readonly bill: Bill
  readonly schedule: Schedule
  readonly size: { readonly width: { readonly value: number }; readonly height: { readonly value: number } }
}

const WEATHER = { indoors: 'indoors', covered: 'outdoors under cover', open: 'outdoors in the open' } as const

const named = (shelf: Shelf, id: string, pick: (material: Material) => string): string => {
  const material = materialOf(shelf, id)
  return material ? pick(material) : id
}

/** The lengths that are cut for a task. */
const cutsOf = (task: Task, shelf: Shelf, manner: DisplayOptions) =>
  lengthsIn(task.needs)
    .filter(({ joins }) => !joins)
    .map(({ material, use, count, length }) => ({
      material: named(shelf, material, ({ name }) => name),
      use,
      count,
      length: show(quantity.length(length), manner),
      task: task.title,
    }))

/** One task in words. @param number its place in the order, from 1 @param accepted cautions taken as read */
export function sheetTask(task: Task, number: number, accepted: readonly string[], shelf: Shelf, manner: DisplayOptions): SheetTask {
  const things = thingsIn(task.needs).map(({ material, count }) =>
    named(shelf, material, ({ name, plural }) => inList(several(Math.ceil(count), name, plural))),
  )
  const lengths = lengthsIn(task.needs)
    .filter(({ joins }) => joins)
    .map(
      ({ material, length, count }) =>
        `${show(quantity.length(length * count), manner)} of ${named(shelf, material, ({ name }) => inList(name))}`,
    )
  return {
    id: task.id,
    number,
    title: task.title,
    lines: task.says.map((line) => capital(say(line, manner))),
    places: task.places.map(({ count, name, reads, at }) => ({
      what: `${count} ${name}`,
      reads: reads ?? '',
      at: at.map((each) => say(each, manner)),
    })),
    takes: [...things, ...lengths],
    cuts: cutsOf(task, shelf, manner).map(({ material, use, count, length }) => `${count} × ${length} of ${material} (${use})`),
    checks: task.checks,
    cautions: task.cautions.map((id) => ({ id, text: CAUTIONS[id], accepted: accepted.includes(id) })),
    hands: show(task.hands, manner),
    waits: task.waits.value > 0 ? show(task.waits, manner) : '',
  }
}

/** The days of a schedule, each by what it is for; none while there is no day to hang by. */
export function datesSaid({ dates }: Pick<Schedule, 'dates'>): readonly { readonly what: string; readonly day: Day }[] {
  if (!dates) return []
  const { buyBy, cutFrom, startBy, hangBy, downBy } = dates
  return [
    { what: 'Buy by', day: buyBy },
    ...(cutFrom ? [{ what: 'Cut greens from', day: cutFrom }] : []),
    { what: 'Start by', day: startBy },
    { what: 'Hang by', day: hangBy },
    ...(downBy ? [{ what: 'Take down by', day: downBy }] : []),
  ]
}

/** @param baseSays what the base is called, "Grapevine, outside 18 in" */
export function sheetOf(
  { piece, tasks, needs, bill, schedule, size }: OfSheet,
  baseSays: string,
  shelf: Shelf,
  manner: DisplayOptions,
): MakeSheet {
  const { brief, making } = piece
  return {
    name: brief.name,
    about: [brief.occasion, WEATHER[brief.weather], brief.copies > 1 ? `make ${brief.copies}` : ''].filter(Boolean).join(' · '),
    size: `${show(quantity.length(size.width.value), manner)} wide and ${show(quantity.length(size.height.value), manner)} high when finished`,
    shopping: bill.lines.map((line) => ({
      what: capital(line.id === 'base' ? baseSays : say(lineSaid(line), manner)),
      needed: `${show(line.stems, manner)}${line.spare.value ? ` + ${line.spare.value}` : ''}`,
      packs: line.bought.map(({ packs, holds }) => (holds > 1 ? `${packs} of ${holds}` : String(packs))).join(' + ') || '0',
      where: [...new Set(line.bought.map(({ shop }) => shop ?? 'usual price'))].join(', ') || 'in the house',
      cost: formatMoney(line.opened.value, manner.currency),
    })),
    opened: formatMoney(bill.opened.value, manner.currency),
    used: formatMoney(bill.used.value, manner.currency),
    cuts: tasks.flatMap((task) => cutsOf(task, shelf, manner)),
    stems: thingsIn(needs)
      .filter(({ use }) => use === 'laid')
      .map(({ material, count, cut }) => ({
        what: named(shelf, material, ({ name, plural }) => (count === 1 ? name : plural)),
        count,
        cut: cut === null ? 'whole' : show(quantity.length(cut), manner),
      })),
    tasks: tasks.map((task, i) => sheetTask(task, i + 1, making.accepted, shelf, manner)),
    dates: datesSaid(schedule).map(({ what, day }) => ({ what, day: daySaid(day) })),
  }
}

/** The tables of a sheet, as they are handed out. */
export const SHEET_TABLES = ['shopping', 'cutting', 'stems', 'tasks'] as const
export type SheetTable = (typeof SHEET_TABLES)[number]

/** What a spreadsheet would take for a formula begins with a quote mark. */
const safe = (text: string | number): string | number => (typeof text === 'string' && /^[=+\-@\t\r]/.test(text) ? `'${text}` : text)

/** A table of a sheet as comma-separated values (RFC 4180). */
export function sheetCsv(sheet: MakeSheet, table: SheetTable): string {
  const rows: Record<SheetTable, readonly (readonly (string | number)[])[]> = {
    shopping: [
      ['What', 'Needed', 'Packs', 'Where', 'Cost'],
      ...sheet.shopping.map(({ what, needed, packs, where, cost }) => [what, needed, packs, where, cost]),
    ],
    cutting: [
      ['Material', 'For', 'Pieces', 'Length', 'Task'],
      ...sheet.cuts.map(({ material, use, count, length, task }) => [material, use, count, length, task]),
    ],
    stems: [['What', 'Count', 'Cut to'], ...sheet.stems.map(({ what, count, cut }) => [what, count, cut])],
    tasks: [
      ['Number', 'Task', 'What to do', 'Where', 'Hands', 'Dries or sets'],
      ...sheet.tasks.map(({ number, title, lines, places, hands, waits }) => [
        number,
        title,
        lines.join(' '),
        places.map(({ what, reads, at }) => `${what}${reads ? ` ${reads}` : ''}: ${at.join(', ')}`).join('; '),
        hands,
        waits,
      ]),
    ],
  }
  return Papa.unparse(
    rows[table].map((row) => row.map(safe)),
    { newline: '\r\n' },
  )
}
