import Papa from 'papaparse'
import type { LengthUnits, Parsed } from '../measure'
import { parseLength, parseNumber } from '../measure'

/** A column that a table may have. */
export interface TableColumn {
  readonly id: string
  readonly name: string
  readonly needed: boolean
  /** Words that a heading may use for it. */
  readonly also: readonly string[]
  readonly hint: string
}

export const column = (id: string, name: string, hint: string, also: readonly string[] = [], needed = false): TableColumn => ({
  id,
  name,
  needed,
  also,
  hint,
})

export const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ')

/** What a spreadsheet would take for a formula is marked with an apostrophe before it, and what has such a mark with one more. */
const FORMULA = /^'*[=+\-@\t\r]/
export const marked = (text: string): string => (FORMULA.test(text) ? `'${text}` : text)
const unmarked = (text: string): string => (text.startsWith("'") && FORMULA.test(text) ? text.slice(1) : text)

export interface Table {
  readonly headings: readonly string[]
  readonly rows: readonly (readonly string[])[]
}
export type ReadTable = { readonly ok: true; readonly table: Table } | { readonly ok: false; readonly error: string }

/** The most rows that one table may bring, and the largest file that is read, bytes. */
export const MOST_ROWS = 5000
export const LARGEST_TABLE = 4 * 1024 * 1024

/** The longest cell that is read, and the longest number, letters: none comes near it. */
const LONGEST_CELL = 2000
const LONGEST_NUMBER = 60

/** A number as tables have it: a sign of money may stand before it, a unit or % behind. */
function numberIn(text: string): Parsed<number> {
  const found = text.length > LONGEST_NUMBER ? null : /^[^\d.,-]{0,3}(-?)([.,]?\d[\d.,\s]*)([a-z]{0,3}|%)$/i.exec(text)
  if (!found) return { ok: false, error: `“${text.length > 40 ? `${text.slice(0, 40)}…` : text}” is not a number.` }
  const read = parseNumber(found[2]!.trim())
  return read.ok && found[1] ? { ok: true, value: -read.value } : read
}

/** Reads comma, semicolon or tab separated text (RFC 4180) with headings in its first row. */
export function readTable(text: string): ReadTable {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const broken = errors.find(({ type }) => type === 'Quotes')
  if (broken) return { ok: false, error: `Row ${(broken.row ?? 0) + 1}: ${broken.message.toLowerCase()}.` }
  const [headings, ...rows] = data
  if (!headings?.some((heading) => heading.trim())) return { ok: false, error: 'The file is empty.' }
  if (!rows.length) return { ok: false, error: 'There are headings, but no rows under them.' }
  if (rows.length > MOST_ROWS) return { ok: false, error: `There are ${rows.length} rows; the most that is read at once is ${MOST_ROWS}.` }
  for (const [i, cells] of data.entries())
    for (const cell of cells)
      if (cell.length > LONGEST_CELL)
        return { ok: false, error: `Row ${i + 1}: a cell has ${cell.length} letters; the most that is read is ${LONGEST_CELL}.` }
  return { ok: true, table: { headings: headings.map((heading) => heading.trim()), rows: rows.map((cells) => cells.map(unmarked)) } }
}

/** What stands in the first row of a table, and how many rows are under it; or why it cannot be read. */
export type Headings =
  { readonly ok: true; readonly headings: readonly string[]; readonly rows: number } | { readonly ok: false; readonly error: string }
export const headingsOf = (read: ReadTable): Headings =>
  read.ok ? { ok: true, headings: read.table.headings, rows: read.table.rows.length } : read

/** Which of a table's headings gives each column, by number; null for none. */
export type Mapping = Readonly<Record<string, number | null>>

/** The mapping that the headings suggest. */
export function guessMapping(headings: readonly string[], columns: readonly TableColumn[]): Mapping {
  const taken = new Set<number>()
  return Object.fromEntries(
    columns.map(({ id, name, also }) => {
      const names = [id, name, ...also].map(plain)
      const at = headings.findIndex((heading, i) => !taken.has(i) && names.includes(plain(heading)))
      if (at >= 0) taken.add(at)
      return [id, at < 0 ? null : at]
    }),
  )
}

/**
 * What a table's columns are, as published in docs/formats.
 * Source: W3C, Metadata Vocabulary for Tabular Data (2015): context, table schema, columns with a name and titles.
 * @param url of a table that is so
 */
export const tableMetadata = (url: string, columns: readonly TableColumn[]): Record<string, unknown> => ({
  '@context': 'http://www.w3.org/ns/csvw',
  url,
  tableSchema: {
    columns: columns.map(({ id, name, also, hint, needed }) => ({
      name: id,
      titles: [name, ...also],
      datatype: 'string',
      required: needed,
      ...(hint ? { 'dc:description': hint } : {}),
    })),
  },
})

/** What is wrong in a table, and where. */
export interface RowFault {
  readonly row: number
  readonly column: string
  readonly says: string
}

const LIST = /[\s;,|]+/
const [YES, NO] = [
  ['yes', 'true', '1', 'y'],
  ['no', 'false', '0', 'n'],
]

/** One row of a table as it is read: its cells by the ids of columns, and all that is wrong with them. */
export class RowReader {
  readonly faults: RowFault[] = []

  /** @param row its number in the file, the headings being the first @param usual what an empty cell stands for */
  constructor(
    private readonly columns: readonly TableColumn[],
    private readonly mapping: Mapping,
    private readonly cells: readonly string[],
    readonly row: number,
    private readonly usual: Readonly<Record<string, string>> = {},
  ) {}

  /** Notes what is wrong in a column. */
  wrong(id: string, says: string): void {
    this.faults.push({ row: this.row, column: this.columns.find((one) => one.id === id)!.name, says })
  }
  text(id: string): string {
    const at = this.mapping[id]
    return (at === null || at === undefined ? '' : (this.cells[at] ?? '').trim()) || (this.usual[id] ?? '')
  }
  /** @returns NaN where it is none @param text of the cell, or a part of it */
  number(id: string, text = this.text(id)): number {
    const read = numberIn(text)
    if (read.ok) return read.value
    this.wrong(id, read.error)
    return NaN
  }
  /** @returns mm; NaN where it is none @param units in which a bare number is */
  length(id: string, units: LengthUnits, missing = 'is needed.'): number {
    const read: Parsed<number> = this.text(id) ? parseLength(this.text(id), units) : { ok: false, error: missing }
    if (read.ok) return read.value
    this.wrong(id, read.error)
    return NaN
  }
  yes(id: string): boolean {
    const word = plain(this.text(id))
    if (!YES.includes(word) && !NO.includes(word)) this.wrong(id, `“${this.text(id)}” is neither yes nor no.`)
    return YES.includes(word)
  }
  /** Several words in one cell. */
  list(id: string): string[] {
    return this.text(id).split(LIST).filter(Boolean)
  }
}
