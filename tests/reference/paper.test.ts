import { execFileSync } from 'node:child_process'
import { inflateSync } from 'node:zlib'
import { parse } from 'csv-parse/sync'
import ICAL from 'ical.js'
import type { PDFRawStream } from 'pdf-lib'
import { PDFDocument, PDFName } from 'pdf-lib'
import { describe, expect, it } from 'vitest'
import { pagesPdf, paperText, sheetPdf } from '../../app/print/pdf'
import { runsOf, stationAt, tapeRound, usualBase } from '../../core/base'
import { calendarOf, clipped, labelPages, LABELS, marksOf, PAPERS, sheetCsv, sheetOf, stripPages, templatePages } from '../../core/formats'
import type { Page, PaperId } from '../../core/formats'
import { inches } from '../../core/measure'
import type { Piece } from '../../core/piece'
import { benchOf, layerOf, pieceWith, shelf } from '../../core/testing'

/**
 * What goes on paper and out in files, read back with libraries other than those that wrote it: pdf-lib for PDF (written by
 * jsPDF), ical.js for calendars (written by ics), csv-parse for tables (written by Papa Parse).
 */
const manner = { units: 'in', currency: 'USD' } as const
const POINTS = 72 / 25.4
const piece: Piece = pieceWith([
  layerOf('a', 'juniper', { kind: 'compass', count: 6, start: 0 }),
  layerOf('b', 'skep', { kind: 'single', at: 0.25, drop: 0 }),
])
const laidOf = (of: Piece) => marksOf(of, benchOf(of).placements, shelf)
const template = (paper: PaperId, of = piece) => templatePages('Test ring', runsOf(of.base), laidOf(of), paper)

/** The strokes of a PDF's page, mm from its upper left corner, as its own operators have them. */
async function strokesOf(bytes: ArrayBuffer, page: number) {
  const doc = await PDFDocument.load(bytes)
  const leaf = doc.getPage(page)
  const { height, width } = leaf.getSize()
  const contents = leaf.node.lookup(PDFName.of('Contents')) as PDFRawStream
  const content = inflateSync(Buffer.from(contents.contents)).toString('latin1')
  const found = [...content.matchAll(/(-?[\d.]+) (-?[\d.]+) m\s+(-?[\d.]+) (-?[\d.]+) l\s+S/g)].map(([, ...n]) => {
    const [x1, y1, x2, y2] = n.map(Number)
    return { from: [x1! / POINTS, (height - y1!) / POINTS], to: [x2! / POINTS, (height - y2!) / POINTS] } as const
  })
  return { strokes: found, content, width: width / POINTS, height: height / POINTS, pages: doc.getPageCount() }
}

describe('the full-size template', () => {
  // PDF: 72 points to the inch (ISO 32000-1, user space); Letter 8.5 × 11 in; A4 by ISO 216.
  it.each([
    ['letter', 215.9, 279.4],
    ['a4', 210, 297],
  ] as const)('on %s is pages of that size, and its bars are 100 mm and 4 in to a fifth of a millimetre', async (paper, w, h) => {
    const pages = template(paper)!
    const { strokes, width, height } = await strokesOf(await pagesPdf(pages, paper, 'Test'), 0)
    expect(Math.abs(width - w)).toBeLessThan(0.2)
    expect(Math.abs(height - h)).toBeLessThan(0.2)
    const level = strokes.filter(({ from, to }) => Math.abs(from[1]! - to[1]!) < 0.01).map(({ from, to }) => to[0]! - from[0]!)
    expect(Math.min(...level.map((length) => Math.abs(length - 100)))).toBeLessThan(0.2)
    expect(Math.min(...level.map((length) => Math.abs(length - 101.6)))).toBeLessThan(0.2)
  })
  it('laid together by their crosses, the pages give the ring at its true size and every mark in its place', async () => {
    const pages = template('letter')!
    const bytes = await pagesPdf(pages, 'letter', 'Test')
    // By hand: 10 mm of margin and 12 mm shared, so that pages step by 183.9 × 247.4 mm; two by two about the middle.
    const [stepX, stepY] = [215.9 - 20 - 12, 279.4 - 20 - 12]
    const marks: [number, number][] = []
    let reach = 0
    for (let i = 1; i < pages.length; i++) {
      const [, column, row] = /^([A-Z])(\d+)$/.exec(pages[i]!.name)!
      const [c, r] = [column!.charCodeAt(0) - 65, Number(row) - 1]
      const { strokes } = await strokesOf(bytes, i)
      const left = -(195.9 + stepX) / 2 + c * stepX
      const top = -(259.4 + stepY) / 2 + r * stepY
      for (const { from, to } of strokes) {
        const [x1, y1, x2, y2] = [from[0]! - 10 + left, from[1]! - 10 + top, to[0]! - 10 + left, to[1]! - 10 + top]
        if (Math.abs(y1 - y2) < 0.01 && Math.abs(x2 - x1 - 6) < 0.01) marks.push([(x1 + x2) / 2, y1])
        const far = Math.max(Math.hypot(x1, y1), Math.hypot(x2, y2))
        // The outline is chords, both ends as far out as the other; ticks of the hours go outward.
        if (far < 153 && Math.abs(Math.hypot(x1, y1) - Math.hypot(x2, y2)) < 0.3 && Math.abs(x1 - x2) > 0.05) reach = Math.max(reach, far)
      }
    }
    // A 12 in ring: its outer edge is 6 in from the middle; chords of it lie within.
    expect(Math.abs(reach - inches(6))).toBeLessThan(0.2)
    // Six at the compass points of a 10 in middle line and one at three o’clock, worked by hand.
    for (let i = 0; i < 6; i++) {
      const angle = (i * Math.PI) / 3
      const [x, y] = [inches(5) * Math.sin(angle), -inches(5) * Math.cos(angle)]
      expect(
        marks.some(([mx, my]) => Math.hypot(mx - x, my - y) < 0.2),
        `mark ${i}`,
      ).toBe(true)
    }
    expect(marks.some(([mx, my]) => Math.hypot(mx - inches(5), my) < 0.2)).toBe(true)
  })
  it('every place is on a page, whatever the base; a garland as long as a house says no', () => {
    for (const kind of ['heart', 'pear', 'tree-swag', 'hoop'] as const) {
      const of = pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 9, start: 0 }, { run: 'each' })], { base: usualBase(kind) })
      const pages = template('a4', of)!
      const marks = new Set(
        pages
          .slice(1)
          .flatMap((page) => page.ink.flatMap((each) => (each.ink === 'text' && /^[A-Z]\d+$/.test(each.text) ? [each.text] : []))),
      )
      expect(marks.size, kind).toBe(benchOf(of).placements.length)
    }
    expect(
      template(
        'a4',
        pieceWith([], { base: { ...usualBase('rail-garland'), shape: { form: 'rail', length: 30_000, slope: 40, face: 200 } } }),
      ),
    ).toBeNull()
  })
  it('strokes are cut off at a box as they should be', () => {
    const box = { left: 0, top: 0, right: 10, bottom: 10 }
    expect(clipped({ x: -5, y: 5 }, { x: 15, y: 5 }, box)).toEqual([
      { x: 0, y: 5 },
      { x: 10, y: 5 },
    ])
    expect(clipped({ x: -5, y: -5 }, { x: -1, y: 20 }, box)).toBeNull()
    expect(clipped({ x: 2, y: 2 }, { x: 3, y: 3 }, box)).toEqual([
      { x: 2, y: 2 },
      { x: 3, y: 3 },
    ])
  })
})

describe('the tape strip', () => {
  it('is as long as the rim of a ring, piece by piece, with a mark at every thing', async () => {
    const pages = stripPages('Test ring', runsOf(piece.base), laidOf(piece), 'a4', manner)
    const bytes = await pagesPdf(pages, 'a4', 'Test', 'landscape')
    const { strokes, width } = await strokesOf(bytes, 0)
    expect(Math.abs(width - 297)).toBeLessThan(0.2)
    const level = strokes
      .filter(({ from, to }) => Math.abs(from[1]! - to[1]!) < 0.01 && to[0]! - from[0]! > 105)
      .map(({ from, to }) => to[0]! - from[0]!)
    // The upper and lower edge of each piece; neighbours share 12 mm.
    const pieces = level.length / 2
    const whole = level.reduce((all, each) => all + each, 0) / 2 - (pieces - 1) * 12
    expect(Math.abs(whole - Math.PI * inches(12))).toBeLessThan(0.2)
  })
  // Source: the outer edge itself. Of a square with rounded corners it is four straight sides and four quarter circles; of a circle
  // it goes with the angle.
  it('reads what a tape does that is laid round the outer edge: a square by its sides and corners, a ring by its angle', () => {
    const ring = runsOf(usualBase('wire-ring'))[0]!
    for (const share of [0.1, 0.37, 0.5, 0.99]) expect(tapeRound(ring)(share * ring.length)).toBeCloseTo(share * ring.rim, 1)
    const base = usualBase('square')
    const square = runsOf(base)[0]!
    const read = tapeRound(square)
    // Its middle line is straight on each side and turns at the corners; the edge lies half a face farther out all the way round, so
    // that along a straight part the tape goes as far as the middle line does, and round each corner a quarter of a circle farther.
    const { half } = stationAt(square, 0)
    const straight = (s: number): boolean => {
      const [a, b] = [stationAt(square, s), stationAt(square, s + 5)]
      return Math.abs(a.tx * b.ty - a.ty * b.tx) < 1e-9
    }
    let [on, turned] = [0, 0]
    for (let s = 0; s + 5 < square.length; s += 5) {
      const went = read(s + 5) - read(s)
      if (straight(s)) {
        on += 1
        expect(went).toBeCloseTo(5, 1)
      } else turned += went - 5
    }
    expect(on).toBeGreaterThan(100)
    expect(turned).toBeCloseTo(4 * (Math.PI / 2) * half, -0.5)
  })
  it.each(['oval', 'gourd', 'heart', 'square'] as const)('rises all the way round a %s, from nothing to its rim', (kind) => {
    const run = runsOf(usualBase(kind))[0]!
    const read = tapeRound(run)
    const places = Array.from({ length: 500 }, (_, i) => read((run.length * i) / 500))
    expect(places[0]).toBe(0)
    for (let i = 1; i < places.length; i++) expect(places[i]! - places[i - 1]!).toBeGreaterThanOrEqual(0)
    expect(read(run.length * (1 - 1e-9))).toBeCloseTo(run.rim, 3)
  })
  it('a foot is twelve inches and a metre a hundred centimetres between its marks', () => {
    for (const [units, unit] of [
      ['in', 25.4],
      ['cm', 10],
    ] as const) {
      const [page] = stripPages('x', runsOf(piece.base), [], 'a4', { units, currency: 'USD' }) as [Page]
      const numbers = page.ink.flatMap((each) =>
        each.ink === 'text' && /^\d+$/.test(each.text) && each.at.y < 45 ? [[Number(each.text), each.at.x] as const] : [],
      )
      for (let i = 1; i < 5; i++) expect(numbers[i]![1] - numbers[i - 1]![1]).toBeCloseTo(unit, 6)
    }
  })
})

describe('labels', () => {
  it.each(['letter', 'a4'] as const)('all lie within %s, and within their own', (paper) => {
    const { columns, rows, width, height } = LABELS[paper]
    const pages = labelPages(
      Array.from({ length: columns * rows + 1 }, (_, i) => ({
        title: `Kit ${i + 1}`,
        lines: ['nine daisies, a skep, honey mesh and heather '.repeat(6)],
      })),
      paper,
    )
    expect(pages).toHaveLength(2)
    const titles = pages[0]!.ink.flatMap((each) => (each.ink === 'text' && each.text.startsWith('Kit') ? [each.at] : []))
    expect(titles).toHaveLength(columns * rows)
    for (const each of pages[0]!.ink) if (each.ink === 'text') expect(each.at.y).toBeLessThan(PAPERS[paper].height)
    expect(titles[columns]!.y - titles[0]!.y).toBeCloseTo(height, 6)
    expect(width * columns).toBeLessThan(PAPERS[paper].width)
  })
})

const dated: Piece = {
  ...piece,
  brief: { ...piece.brief, name: 'Ring “of” winter, 12 in' },
  making: { ...piece.making, day: '2026-12-20', accepted: ['behind'] },
}
const bench = benchOf(dated)
const sheet = sheetOf({ piece: dated, ...bench }, 'Grapevine, outside 12 in', shelf, manner)

describe('the sheet', () => {
  it('as PDF has its words as text, that a reader finds (poppler’s pdftotext, where the machine has it)', async () => {
    const bytes = await sheetPdf(sheet, 'letter', null)
    const { content, width } = await strokesOf(bytes, 0)
    expect(Math.abs(width - 215.9)).toBeLessThan(0.2)
    expect(content).toContain('Shopping list')
    let words: string
    try {
      words = execFileSync('pdftotext', ['-layout', '-', '-'], { input: Buffer.from(bytes) }).toString()
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return
      throw error
    }
    expect(words).toContain('Ring “of” winter, 12 in')
    expect(words).toContain('Taken as read: Fold wire ends under')
    for (const { title } of sheet.tasks) expect(words.replace(/\s+/g, ' ')).toContain(paperText(title))
  })
  it('says fractions in letters that every reader has', () => expect(paperText('3⅛ in, ½ in and −2 °')).toBe('3 1/8 in, 1/2 in and -2 °'))
  it.each(['shopping', 'cutting', 'stems', 'tasks'] as const)('as a table of %s is read back by another library', (table) => {
    const rows = parse(sheetCsv(sheet, table)) as unknown as string[][]
    expect(new Set(rows.map(({ length }) => length)).size).toBe(1)
    expect(rows).toHaveLength(1 + { shopping: sheet.shopping, cutting: sheet.cuts, stems: sheet.stems, tasks: sheet.tasks }[table].length)
    if (table === 'stems') expect(rows[1]).toEqual(['juniper sprigs', '6', 'whole'])
  })
  it('gives no spreadsheet a formula', () => {
    const csv = sheetCsv({ ...sheet, stems: [{ what: '=1+1', count: 1, cut: '@x' }] }, 'stems')
    expect(parse(csv)[1]).toEqual(["'=1+1", '1', "'@x"])
  })
})

describe('the calendar file', () => {
  it('is read back by another library: whole days, each as it was worked out', async () => {
    const text = (await calendarOf(dated, bench.schedule, manner, Date.UTC(2026, 10, 26)))!
    const events = new ICAL.Component(ICAL.parse(text) as [string, unknown[], unknown[]])
      .getAllSubcomponents('vevent')
      .map((each) => new ICAL.Event(each))
    const days = Object.fromEntries(
      events.map(({ uid, startDate, endDate, summary }) => [
        /-(\w+)@/.exec(uid)![1]!,
        [startDate.isDate, startDate.toString(), endDate.toString(), summary],
      ]),
    )
    expect(days).toEqual({
      buy: [true, '2026-12-18', '2026-12-19', 'Buy what Ring “of” winter, 12 in takes'],
      cut: [true, '2026-12-14', '2026-12-15', 'Cut greens for Ring “of” winter, 12 in'],
      make: [true, '2026-12-20', '2026-12-21', 'Make Ring “of” winter, 12 in'],
      hang: [true, '2026-12-20', '2026-12-21', 'Hang Ring “of” winter, 12 in'],
      // Under cover outdoors: thirty-five days.
      down: [true, '2027-01-18', '2027-01-19', 'Take Ring “of” winter, 12 in down'],
    })
    // RFC 5545: lines end with CRLF and are no longer than 75 octets.
    for (const row of text.split('\r\n')) expect(Buffer.byteLength(row)).toBeLessThanOrEqual(75)
  })
  it('of several days ends on the day after the last, as the standard has it', async () => {
    // Finds lie in a bag for four days: five days in all, the last of which is the day it hangs.
    const long = { ...dated, layers: dated.layers.map((each) => ({ ...each, prepared: { ...each.prepared, clean: 'bag' as const } })) }
    const text = (await calendarOf(long, benchOf(long).schedule, manner, 0))!
    const [make] = new ICAL.Component(ICAL.parse(text) as [string, unknown[], unknown[]])
      .getAllSubcomponents('vevent')
      .filter((each) => String(each.getFirstPropertyValue('uid')).includes('-make@'))
    expect(['dtstart', 'dtend'].map((name) => String(make!.getFirstPropertyValue(name)))).toEqual(['2026-12-16', '2026-12-21'])
  })
  it('of a piece without a day is none', async () => expect(await calendarOf(piece, benchOf(piece).schedule, manner, 0)).toBeNull())
})
