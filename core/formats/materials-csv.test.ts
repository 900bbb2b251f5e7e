import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SPECIES } from '../looks'
import { CATALOGUE, KIND_NAMES, MATERIAL_KINDS, yieldOf } from '../material'
import { MATERIAL_COLUMNS, readMaterials, writeMaterials } from './materials-csv'
import { guessMapping, readTable } from './csv-table'

const species = new Set(Object.keys(SPECIES))
const fresh = (name: string) => name.toLowerCase().replace(/[^a-z0-9]+/g, '-')
const table = (text: string) => {
  const read = readTable(text)
  if (!read.ok) throw new Error(read.error)
  return read.table
}
const take = (text: string, units: 'in' | 'cm' = 'in') => {
  const read = table(text)
  return readMaterials(read, { mapping: guessMapping(read.headings, MATERIAL_COLUMNS), units, species, freshId: fresh })
}

describe('the catalogue', () => {
  it('has at least ninety materials, of every kind', () => {
    const all = Object.values(CATALOGUE)
    expect(all.length).toBeGreaterThanOrEqual(90)
    for (const kind of MATERIAL_KINDS)
      expect(
        all.some((each) => each.kind === kind),
        KIND_NAMES[kind],
      ).toBe(true)
    for (const { species: drawn } of all) expect(species.has(drawn), drawn).toBe(true)
  })
  it('says how one buys and divides each', () => {
    expect(yieldOf(CATALOGUE['wheat']!)).toBe('sheaf of 2 bunches, 40 in all')
    expect(yieldOf(CATALOGUE['ivy']!)).toBe('bunch of 10; stems may be cut into tips')
    expect(yieldOf(CATALOGUE['berry-spray']!)).toBe('pack of 6; each comes apart into 9 berries')
  })
})

describe('materials as a table', () => {
  it('read back as they were written, in inches and in centimetres', () => {
    const all = Object.values(CATALOGUE)
    for (const units of ['in', 'cm'] as const) {
      const { materials, faults } = take(writeMaterials(all, units), units)
      expect(faults).toEqual([])
      // All of it: tint, parts and lengths to the last decimal.
      expect(materials).toEqual(all)
    }
  })
  it('keep a name that looks like a formula, and harm no spreadsheet with it', () => {
    for (const name of ['=bay', "'=bay", '+2 tips', '-x', '@home', 'plain']) {
      const text = writeMaterials([{ ...CATALOGUE['bay']!, name }], 'in')
      expect(text.split('\r\n')[1]!.replace(/^"/, '')).not.toMatch(/^[=+\-@]/)
      expect(take(text).materials[0]!.name).toBe(name)
    }
  })
  it('read lengths of any decimals back to the same, and ask what can be read two ways', () => {
    const odd = { ...CATALOGUE['bay']!, length: 333.3, width: 41.27 }
    for (const units of ['in', 'cm'] as const) expect(take(writeMaterials([odd], units), units).materials[0]).toEqual(odd)
    const { faults } = take('Name;Kind;Length;Width;Weight;Price\nfir;bough;16 in;5 in;1,250;1,299\n')
    expect(faults.map(({ column, says }) => [column, says])).toEqual([
      ['Mass (g)', expect.stringContaining('1250 or 1.250')],
      ['Price', expect.stringContaining('1299 or 1.299')],
    ])
  })
  it('take what is left out as usual', () => {
    const {
      materials: [one],
      faults,
    } = take('Name,Kind,Length,Width\nhazel twig,twig,15,3\n')
    expect(faults).toEqual([])
    expect(one).toMatchObject({
      id: 'hazel-twig',
      plural: 'hazel twigs',
      kind: 'twig',
      species: 'birch',
      form: 'leaf',
      length: 381,
      state: 'artificial',
      hardy: 'open',
      pack: { holds: 1, price: 0 },
    })
  })
  it('tell what is wrong, row by row and column by column, and take the rest', () => {
    const text =
      'Name;Kind;Length;Width;Weight;Wired;Colours;Price;Drawn as\ngood;twig;15 cm;3;4,5;yes;#aabbcc;3,50;bay\nbad kind;tree;1;1;;;;;\n;twig;1;1;;;;;\nno length;twig;;1;;;;;\nnot a length;twig;long;1;;;;;\nwrong;twig;4;1;heavy;maybe;;;moonwort\nbad colour;twig;4;1;;;green;;\n'
    const { materials, faults } = take(text)
    expect(materials).toMatchObject([
      { name: 'good', length: 150, mass: 4.5, wired: true, colours: ['#aabbcc'], pack: { price: 350 }, species: 'bay' },
    ])
    expect([...new Set(faults.map(({ row, column }) => `${row} ${column}`))].sort()).toEqual([
      '3 Kind',
      '4 Name',
      '5 Length',
      '6 Length',
      '7 Drawn as',
      '7 Mass (g)',
      '7 Wired',
      '8 Colours',
    ])
  })
  it('refuse what is no table, in words', () => {
    expect(readTable('')).toEqual({ ok: false, error: 'The file is empty.' })
    expect(readTable('Name,Kind\n')).toMatchObject({ ok: false, error: expect.stringContaining('no rows') })
    expect(readTable('Name,Kind\n"open,twig\n')).toMatchObject({ ok: false, error: expect.stringContaining('quote') })
    expect(readTable(`Name\n${'a\n'.repeat(5001)}`)).toMatchObject({ ok: false, error: expect.stringContaining('5000') })
  })
  it('know headings by other words, each once', () => {
    const mapping = guessMapping(['Item', 'Type', 'Size', 'Spread', 'grams', 'Colour', 'size'], MATERIAL_COLUMNS)
    expect(mapping).toMatchObject({ name: 0, kind: 1, length: 2, width: 3, mass: 4, colours: 5, species: null })
    expect(Object.keys(mapping)).toHaveLength(MATERIAL_COLUMNS.length)
  })
  // Source: RFC 4180 (CSV): fields with commas, quotes and line breaks are quoted, a quote is doubled, rows end with CRLF.
  it('keep commas, quotes and line breaks in a name', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1, maxLength: 20 }).map((text) => `x${text.replace(/\s+/g, ' ').trim()}`),
        (name) => {
          const text = writeMaterials([{ ...CATALOGUE['bay']!, name, plural: `${name}, "many"` }], 'in')
          expect(text.endsWith('\r\n')).toBe(true)
          const {
            materials: [one],
          } = take(text)
          expect([one!.name, one!.plural]).toEqual([name, `${name}, "many"`])
        },
      ),
      { numRuns: 60 },
    )
  })
  it('answer anything with a result, never an exception', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        const read = readTable(text)
        if (read.ok)
          expect(
            readMaterials(read.table, {
              mapping: guessMapping(read.table.headings, MATERIAL_COLUMNS),
              units: 'in',
              species,
              freshId: fresh,
            }).materials.length,
          ).toBeLessThanOrEqual(read.table.rows.length)
      }),
    )
  })
  it('draw nothing as what every object has by itself', () => {
    for (const name of ['constructor', '__proto__', 'toString'])
      expect(take(writeMaterials([{ ...CATALOGUE['bay']!, id: 'own', species: name }], 'in')).faults).toEqual([
        expect.objectContaining({ says: `nothing is drawn as “${name.toLowerCase()}”.` }),
      ])
  })
})
