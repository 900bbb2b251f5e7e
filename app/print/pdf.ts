import type { jsPDF } from 'jspdf'
import type { KitSheet, Page, PaperId, MakeSheet } from '#core/formats'
import { PAPERS } from '#core/formats'

/** Fractions that the standard letters of PDF lack, as one writes them with a slash. */
const FRACTIONS: Readonly<Record<string, string>> = { '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8', '¼': '1/4', '½': '1/2', '¾': '3/4' }

/** Words in the letters that every reader of PDF has (WinAnsi): "3⅛ in" is "3 1/8 in". */
export const paperText = (words: string): string =>
  words
    .replace(/(\d?)([⅛⅜⅝⅞¼½¾])/g, (_, whole: string, part: string) => `${whole}${whole ? ' ' : ''}${FRACTIONS[part]}`)
    .replace(/−/g, '-')
    .replace(/[⌈⌉⌊⌋]/g, '')
    .replace(/÷/g, '/')

const WEIGHTS = { fine: 0.2, bold: 0.5, dashed: 0.2, mark: 0.3 } as const

/** A document of ours before its first stroke. @param way how its pages lie */
async function blank(paper: PaperId, way: 'portrait' | 'landscape', title: string): Promise<jsPDF> {
  const { jsPDF } = await import('jspdf')
  const { width, height } = PAPERS[paper]
  const doc = new jsPDF({ unit: 'mm', format: [width, height], orientation: way, compress: true })
  doc.setProperties({ title: paperText(title), creator: 'Ruddy Bramble' })
  doc.setLineCap('butt')
  return doc
}

/** Pages of strokes and words as a PDF: vectors and real text at 1:1. */
export async function pagesPdf(
  pages: readonly Page[],
  paper: PaperId,
  title: string,
  way: 'portrait' | 'landscape' = 'portrait',
): Promise<ArrayBuffer> {
  const doc = await blank(paper, way, title)
  const { width, height } = PAPERS[paper]
  pages.forEach(({ ink }, i) => {
    if (i > 0) doc.addPage([width, height], way)
    for (const each of ink) {
      if (each.ink === 'line') {
        doc.setLineWidth(WEIGHTS[each.weight])
        doc.setLineDashPattern(each.weight === 'dashed' ? [2, 2] : [], 0)
        doc.line(each.from.x, each.from.y, each.to.x, each.to.y)
      } else {
        doc.setFontSize(each.size * MM_TO_POINTS)
        doc.text(paperText(each.text), each.at.x, each.at.y, { align: each.align === 'middle' ? 'center' : each.align })
      }
    }
  })
  return doc.output('arraybuffer')
}

const MM_TO_POINTS = 72 / 25.4
const MARGIN = 15
const LEADING = 1.25
/** Between a column set from the right and the next, mm. */
const GAP = 3

/** Writes words down a page, and goes on to the next where one is full. */
class Column {
  y = MARGIN
  private readonly width: number
  private readonly bottom: number
  constructor(
    readonly doc: jsPDF,
    private readonly paper: PaperId,
  ) {
    this.width = PAPERS[paper].width - 2 * MARGIN
    this.bottom = PAPERS[paper].height - MARGIN
  }
  /** Begins a new page when so much more does not go on this one, mm. */
  room(height: number): void {
    if (this.y + height <= this.bottom) return
    this.doc.addPage([PAPERS[this.paper].width, PAPERS[this.paper].height], 'portrait')
    this.y = MARGIN
  }
  /** @param size of the letters, points @param indent from the left margin, mm */
  write(
    words: string,
    size = 10,
    { indent = 0, bold = false, after = 1 }: { readonly indent?: number; readonly bold?: boolean; readonly after?: number } = {},
  ): void {
    this.doc.setFont('helvetica', bold ? 'bold' : 'normal')
    this.doc.setFontSize(size)
    const high = (size / MM_TO_POINTS) * LEADING
    for (const line of this.doc.splitTextToSize(paperText(words), this.width - indent) as string[]) {
      this.room(high)
      this.doc.text(line, MARGIN + indent, this.y + high * 0.75)
      this.y += high
    }
    this.y += after
  }
  /** @param columns how wide each is, as shares of the page; a negative one is set from the right */
  row(cells: readonly string[], columns: readonly number[], { bold = false }: { readonly bold?: boolean } = {}): void {
    const size = 9
    this.doc.setFont('helvetica', bold ? 'bold' : 'normal')
    this.doc.setFontSize(size)
    const high = (size / MM_TO_POINTS) * LEADING
    const lines = cells.map(
      (cell, i) => this.doc.splitTextToSize(paperText(cell), this.width * Math.abs(columns[i]!) - GAP - 1) as string[],
    )
    const tall = Math.max(1, ...lines.map(({ length }) => length)) * high
    this.room(tall + 1)
    let x = MARGIN
    lines.forEach((cell, i) => {
      const wide = this.width * Math.abs(columns[i]!)
      cell.forEach((line, k) => {
        const right = columns[i]! < 0
        this.doc.text(line, right ? x + wide - 1 : x + (i ? GAP : 0), this.y + high * 0.75 + k * high, { align: right ? 'right' : 'left' })
      })
      x += wide
    })
    this.y += tall
    this.doc.setLineWidth(bold ? 0.3 : 0.1)
    this.doc.setLineDashPattern([], 0)
    this.doc.line(MARGIN, this.y + 0.4, MARGIN + this.width, this.y + 0.4)
    this.y += 1
  }
  get across(): number {
    return this.width
  }
}

/**
 * The sheet of a piece as a PDF: its drawing, what to buy, what to cut and what to do, all of it vectors and real text.
 * @param drawing as SVG, with its size; null leaves it out
 */
export async function sheetPdf(
  sheet: MakeSheet,
  paper: PaperId,
  drawing: { readonly svg: SVGSVGElement; readonly width: number; readonly height: number } | null,
): Promise<ArrayBuffer> {
  const doc = await blank(paper, 'portrait', sheet.name)
  const column = new Column(doc, paper)
  column.write(sheet.name, 20, { bold: true })
  column.write([sheet.about, sheet.size].filter(Boolean).join(' · '), 10, { after: 2 })
  if (drawing) {
    const { svg2pdf } = await import('svg2pdf.js')
    const most = 110
    const scale = Math.min(column.across / drawing.width, most / drawing.height)
    const [width, height] = [drawing.width * scale, drawing.height * scale]
    await svg2pdf(drawing.svg, doc, { x: MARGIN + (column.across - width) / 2, y: column.y, width, height })
    column.y += height + 4
  }
  for (const { what, day } of sheet.dates) column.write(`${what} ${day}`, 10, { after: 0 })
  column.y += 2
  const shopping = [0.38, -0.12, -0.14, 0.23, -0.13]
  column.write('Shopping list', 14, { bold: true })
  column.row(['What', 'Needed', 'Packs', 'Where', 'Cost'], shopping, { bold: true })
  for (const { what, needed, packs, where, cost } of sheet.shopping) column.row([what, needed, packs, where, cost], shopping)
  column.row(['Opened', '', '', '', sheet.opened], shopping, { bold: true })
  column.row(['Of that used', '', '', '', sheet.used], shopping)
  if (sheet.cuts.length) {
    const cutting = [0.34, 0.24, -0.1, -0.14, 0.18]
    column.room(30)
    column.y += 4
    column.write('Cutting list', 14, { bold: true })
    column.row(['Of', 'For', 'Pieces', 'Length', ''], cutting, { bold: true })
    for (const { material, use, count, length } of sheet.cuts) column.row([material, use, String(count), length, ''], cutting)
  }
  column.room(40)
  column.y += 4
  column.write('Steps', 14, { bold: true })
  for (const task of sheet.tasks) {
    column.room(16)
    column.write(`${task.number}. ${task.title}`, 11, { bold: true, after: 0 })
    column.write([`${task.hands} of hands`, task.waits ? `then ${task.waits} to dry or set` : ''].filter(Boolean).join(', '), 8, {
      indent: 6,
      after: 0.5,
    })
    for (const line of task.lines) column.write(line, 10, { indent: 6, after: 0 })
    for (const { what, reads, at } of task.places)
      column.write(`${what}${reads ? ` ${reads}` : ''}: ${at.join('  ')}`, 9, { indent: 6, after: 0 })
    for (const check of task.checks) column.write(`[  ] ${check}`, 10, { indent: 6, after: 0 })
    for (const { text, accepted } of task.cautions)
      column.write(accepted ? `Taken as read: ${text}` : `Take care: ${text}`, 9, { indent: 6, after: 0, bold: !accepted })
    column.y += 2.5
  }
  column.write('Local rules, the maker’s leaflets and people licensed for the work go before this sheet.', 8)
  return doc.output('arraybuffer')
}

/** Kits on paper: what goes into them with boxes to tick, what must be there besides, and the teacher's sheet. */
export async function kitPdf(sheet: KitSheet, paper: PaperId): Promise<ArrayBuffer> {
  const doc = await blank(paper, 'portrait', sheet.name)
  const column = new Column(doc, paper)
  column.write(sheet.name, 20, { bold: true })
  column.write(sheet.about, 10, { after: 3 })
  column.write('Packing list', 14, { bold: true })
  const packing = [0.08, 0.42, 0.34, -0.16]
  column.row(['', 'What', 'In each', 'In all'], packing, { bold: true })
  for (const { what, each, all } of sheet.packing) column.row(['[  ]', what, each, all], packing)
  for (const line of sheet.swaps) column.write(line, 10, { bold: true, after: 0 })
  column.y += 3
  column.write('Not in the kits, and must be there', 14, { bold: true })
  for (const line of sheet.bring) column.write(`[  ] ${line}`, 10, { indent: 2, after: 0 })
  column.y += 4
  column.room(40)
  column.write('Teacher’s sheet', 14, { bold: true })
  if (sheet.before.length) {
    column.write('Before the class', 11, { bold: true, after: 0 })
    for (const { what, takes } of sheet.before) column.row(['', what, takes], [0.12, 0.66, -0.22])
  }
  for (const { title, ends, rows } of sheet.sittings) {
    column.room(20)
    column.y += 2
    column.write(title, 11, { bold: true, after: 0 })
    for (const { at, what, takes } of rows) column.row([at, what, takes], [0.12, 0.66, -0.22])
    if (ends) column.write(ends, 10, { indent: 2 })
  }
  return doc.output('arraybuffer')
}
