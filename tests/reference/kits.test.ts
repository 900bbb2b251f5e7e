import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { parse } from 'csv-parse/sync'
import { PDFDocument } from 'pdf-lib'
import { describe, expect, it } from 'vitest'
import { kitPdf } from '../../app/print/pdf'
import { kitCsv, kitSheet, labelPages, readPiece } from '../../core/formats'
import type { Need } from '../../core/material'
import type { Kit } from '../../core/season'
import { kitParts, startKit } from '../../core/season'
import { shelf } from '../../core/testing'
import { inBrief } from '../../core/workings'

/** The kits of the demo’s class, read back with libraries other than those that wrote them, and counted kit by kit. */
const manner = { units: 'in', currency: 'USD' } as const
const read = readPiece(readFileSync(new URL('../../demo/honey-fair-ring.json', import.meta.url), 'utf8'))
if (!read.ok) throw new Error('the demo cannot be read')
const { needs, tasks } = inBrief(read.piece, shelf)
const kit: Kit = {
  ...startKit('k', 'honey-fair-ring', '=Honey, “Fair”', 13),
  spares: 1,
  day: '2027-08-21',
  swaps: [
    { kits: [9, 12, 14], from: 'mesh-honey', to: 'mesh-cream' },
    { kits: [2], from: 'ribbon-ochre', to: 'ribbon-check' },
  ],
  bring: ['Water'],
  longest: 90,
}
const sheet = kitSheet(kit, needs, tasks, shelf, manner)

/** How much of a material all kits have together: kit after kit, as hands would count them. */
const inAll = (material: string, cut: number | null): number =>
  Array.from({ length: 14 }, (_, i) => kitParts(needs, kit.swaps, i + 1, shelf))
    .flat()
    .filter((part) => part.material === material && part.cut === cut)
    .reduce((all, { amount }) => all + amount, 0)

describe('the packing list', () => {
  it('has of everything what all kits together have', () => {
    const mesh = needs.find(({ material, of }) => material === 'mesh-honey' && of === 'lengths') as Extract<Need, { of: 'lengths' }>
    const line = (what: string) => sheet.packing.find((each) => each.what === what)!
    // Three of fourteen kits have none of the honey mesh.
    expect(Number(line('Honey mesh').all)).toBe(11 * mesh.count)
    expect(Number(line('Honey mesh').all)).toBe(inAll('mesh-honey', mesh.length))
    expect(Number(line('Cream mesh').all)).toBe(inAll('mesh-cream', mesh.length))
    expect(line('Checked ribbon') ?? line('Check ribbon') ?? sheet.packing.find(({ each }) => each === 'instead, in some')).toBeDefined()
    expect(sheet.swaps[0]).toBe('Kits 9, 12 and 14: cream mesh instead of honey mesh')
    expect(sheet.about).toBe('13 heads and 1 spare kit · Sat 21 Aug · 2 sittings')
  })
  it('reads back as a table, with nothing that a spreadsheet would take for a formula', () => {
    const rows = parse(kitCsv(sheet)) as string[][]
    expect(rows[0]).toEqual(['What', 'In each', 'In all'])
    expect(rows).toHaveLength(1 + sheet.packing.length + sheet.swaps.length + sheet.bring.length)
    expect(rows.flat().filter((cell) => /^[=+\-@]/.test(cell))).toEqual([])
    expect(rows.at(-1)).toEqual(['Water', 'bring', ''])
  })
  it('has no names twice for what is packed apart', () =>
    expect(new Set(sheet.packing.map(({ id }) => id)).size).toBe(sheet.packing.length))
})

describe('labels', () => {
  it('are one for each kit, and say its substitutes first', () => {
    expect(sheet.labels).toHaveLength(14)
    expect(sheet.labels.map(({ lines }) => lines[0]!.includes('instead of'))).toEqual(
      Array.from({ length: 14 }, (_, i) => [2, 9, 12, 14].includes(i + 1)),
    )
    expect(sheet.labels[8]!.title).toBe('=Honey, “Fair”, kit 9')
    // Ten to a sheet of Letter.
    expect(labelPages(sheet.labels, 'letter')).toHaveLength(Math.ceil(14 / 10))
  })
})

describe('the teacher’s sheet', () => {
  it('has every task of the class once, at a class’s pace, one after another', () => {
    const taught = sheet.sittings.flatMap(({ rows }) => rows.map(({ what }) => what))
    const wanted = tasks.filter(({ kind, hands }) => !kit.before.includes(kind) && !['load', 'record'].includes(kind) && hands > 0)
    expect(taught).toEqual(wanted.map(({ title }) => title))
    const minutes = (text: string): number =>
      /(?:(\d+) h )?(\d+) min/
        .exec(text)!
        .slice(1)
        .reduce((all, part, i) => all + Number(part ?? 0) * (i ? 1 : 60), 0)
    const whole = sheet.sittings.reduce((all, { title }) => all + minutes(title), 0)
    // Half as slow again as one’s own hands; nothing of this piece dries.
    expect(Math.abs(whole - wanted.reduce((all, { hands }) => all + hands, 0) * 1.5)).toBeLessThan(2)
  })
  it('goes on paper as real text, read back by another program', async () => {
    const bytes = await kitPdf(sheet, 'a4')
    const doc = await PDFDocument.load(bytes)
    expect(doc.getPage(0).getSize().width).toBeCloseTo((210 / 25.4) * 72, 0)
    let text: string
    try {
      text = execFileSync('pdftotext', ['-layout', '-', '-'], { input: Buffer.from(bytes) }).toString()
    } catch (error) {
      // Where poppler is not there, the page and its size were read.
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return
      throw error
    }
    for (const words of ['Packing list', 'Not in the kits', 'Water', 'Sitting 1', 'cream mesh instead of honey mesh'])
      expect(text).toContain(words)
  })
})
