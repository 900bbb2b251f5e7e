import Papa from 'papaparse'
import type { Need, Shelf } from '../material'
import { materialOf } from '../material'
import type { DisplayOptions } from '../measure'
import { capital, clockSaid, daySaid, inList, listed, quantity, several, show } from '../measure'
import type { Kit, KitPart } from '../season'
import { kitParts, sittingsOf, toolsFor } from '../season'
import type { TaskTime } from '../tasks'
import type { Label } from './template'

/** Kits in words, as page, paper and tables have them. */
export interface KitSheet {
  readonly name: string
  readonly about: string
  /** A line for each part: what goes into one, and how many are packed in all. */
  readonly packing: readonly { readonly id: string; readonly what: string; readonly each: string; readonly all: string }[]
  /** "Kits 9 and 12: cream mesh instead of honey mesh". */
  readonly swaps: readonly string[]
  readonly bring: readonly string[]
  readonly sittings: readonly {
    readonly title: string
    readonly ends: string
    readonly rows: readonly { readonly at: string; readonly what: string; readonly takes: string }[]
  }[]
  readonly before: readonly { readonly what: string; readonly takes: string }[]
  readonly labels: readonly Label[]
}

/** How much of a part, in words: "3 heather strands, cut to 8 in". */
function partSaid({ amount, unit, cut, name }: KitPart, manner: DisplayOptions): string {
  const cutTo = cut === null ? '' : `, ${show(quantity.length(cut), manner)} each`
  return unit === 'length' ? `${show(quantity.length(amount), manner)} of ${inList(name)}` : `${amount} ${inList(name)}${cutTo}`
}

/** @param needs for one copy @param tasks of one copy, in their order */
export function kitSheet(kit: Kit, needs: readonly Need[], tasks: readonly TaskTime[], shelf: Shelf, manner: DisplayOptions): KitSheet {
  const kits = kit.heads + kit.spares
  const time = (minutes: number): string => show(quantity.time(minutes), manner)
  const nameOf = (id: string): string => inList(materialOf(shelf, id)?.name ?? id)
  const each = kitParts(needs, [], 1, shelf)
  // What all kits take of a part: theirs, and what those with substitutes take instead.
  const totals = new Map<string, { part: KitPart; all: number }>()
  for (let n = 1; n <= kits; n++)
    for (const part of kitParts(needs, kit.swaps, n, shelf)) {
      const key = partKey(part)
      totals.set(key, { part, all: (totals.get(key)?.all ?? 0) + part.amount })
    }
  const usual = new Map(each.map((part) => [partKey(part), part]))
  const sittings = sittingsOf(tasks, kit, shelf)
  return {
    name: kit.name,
    about: [
      `${several(kit.heads, 'head', 'heads')}${kit.spares ? ` and ${several(kit.spares, 'spare kit', 'spare kits')}` : ''}`,
      kit.day ? daySaid(kit.day) : '',
      several(sittings.length, 'sitting', 'sittings'),
    ]
      .filter(Boolean)
      .join(' · '),
    packing: [...totals].map(([id, { part, all }]) => ({
      id,
      what: capital(part.name),
      each: usual.has(id) ? partSaid(usual.get(id)!, manner) : 'instead, in some',
      all: part.unit === 'length' ? show(quantity.length(all), manner) : String(all),
    })),
    swaps: kit.swaps.map(
      ({ kits: numbers, from, to }) =>
        `${numbers.length === 1 ? 'Kit' : 'Kits'} ${listed(numbers.map(String))}: ${nameOf(to)} instead of ${nameOf(from)}`,
    ),
    bring: [...toolsFor(tasks, kit).map(capital), ...kit.bring],
    sittings: sittings.map(({ tasks: own, minutes, ends }, i) => ({
      title: `Sitting ${i + 1}, ${time(minutes)}`,
      ends: !ends ? '' : ends.why === 'dries' ? `Then “${ends.task}” dries for ${time(ends.minutes)}.` : 'Then the time is up.',
      rows: own.map(({ task, from, minutes: takes }) => ({ at: clockSaid(from), what: task.title, takes: time(takes) })),
    })),
    before: tasks
      .filter(({ kind, hands }) => kit.before.includes(kind) && hands > 0)
      .map(({ title, hands }) => ({ what: title, takes: time(hands * kits) })),
    labels: Array.from({ length: kits }, (_, i): Label => {
      const own = kit.swaps.filter(({ kits: numbers }) => numbers.includes(i + 1))
      return {
        title: `${kit.name}, kit ${i + 1}`,
        lines: [
          ...own.map(({ from, to }) => `${capital(nameOf(to))} instead of ${nameOf(from)}.`),
          ...kitParts(needs, kit.swaps, i + 1, shelf).map((part) => partSaid(part, manner)),
        ],
      }
    }),
  }
}

/** By which parts of kits are told apart, and ticked. */
export const partKey = ({ material, cut, unit }: KitPart): string => `${material} ${unit} ${cut ?? ''}`

const safe = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)

/** The packing list as comma-separated values (RFC 4180). */
export const kitCsv = ({ packing, swaps, bring }: KitSheet): string =>
  Papa.unparse(
    [
      ['What', 'In each', 'In all'],
      ...packing.map(({ what, each, all }) => [what, each, all]),
      ...swaps.map((line) => [line, '', '']),
      ...bring.map((line) => [line, 'bring', '']),
    ].map((row) => row.map(safe)),
    { newline: '\r\n' },
  )
