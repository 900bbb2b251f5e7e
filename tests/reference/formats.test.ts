import Ajv2020 from 'ajv/dist/2020.js'
import { strFromU8, unzipSync } from 'fflate'
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import {
  MATERIAL_COLUMNS,
  pieceJsonSchema,
  PRICE_COLUMNS,
  readPiece,
  readTable,
  TABLE_NAMES,
  tableMetadata,
  wholeJsonSchema,
  writeMaterials,
  writeWhole,
} from '../../core/formats'
import type { Whole } from '../../core/formats'
import { CATALOGUE } from '../../core/material'
import type { Piece } from '../../core/piece'

const demo = new URL('../../demo/', import.meta.url)
const publishedAs = (name: string) =>
  JSON.parse(readFileSync(new URL(`../../docs/formats/${name}`, import.meta.url), 'utf8')) as Record<string, unknown>
const published = publishedAs('piece.schema.json')

describe('the published JSON Schema of a piece', () => {
  // Source: JSON Schema draft 2020-12, as implemented by an independent validator from the registry (ajv).
  const validate = new Ajv2020({ strict: false }).compile(published)

  it('is current: run `npm run formats` when the schema changes', () => expect(published).toEqual(pieceJsonSchema()))
  it.each(readdirSync(demo).filter((name) => name.endsWith('.json')))('takes %s', (name) => {
    const piece: unknown = JSON.parse(readFileSync(new URL(name, demo), 'utf8'))
    validate(piece)
    expect(validate.errors).toBeNull()
  })
  it.each<[string, (piece: Piece) => object]>([
    ['another format', (piece) => ({ ...piece, format: 'else' })],
    ['a field that is not ours', (piece) => ({ ...piece, sparkle: 1 })],
    ['a count in words', (piece) => ({ ...piece, layers: [{ ...piece.layers[0], rule: { ...piece.layers[0]!.rule, count: 'many' } }] })],
    ['a base too large', (piece) => ({ ...piece, base: { ...piece.base, shape: { ...piece.base.shape, outer: 1e6 } } })],
  ])('refuses %s', (_, spoil) => {
    const piece = JSON.parse(readFileSync(new URL('boathouse-door-ring.json', demo), 'utf8')) as Piece
    expect(validate(spoil(piece))).toBe(false)
  })
})

describe('the published JSON Schema of a whole workroom', () => {
  // Source: the same validator; documents as they lie in an archive that is written, unpacked by a library for zip files.
  const validate = new Ajv2020({ strict: false }).compile(publishedAs('workroom.schema.json'))
  const read = (name: string): unknown => JSON.parse(readFileSync(new URL(name, demo), 'utf8'))
  const house = read('house/stash.json') as { lots: Whole['tables']['lots'] }
  const pieces = readdirSync(demo)
    .filter((name) => name.endsWith('.json'))
    .flatMap((name) => {
      const found = readPiece(JSON.stringify(read(name)))
      return found.ok ? [{ piece: found.piece, savedAt: 1 }] : []
    })
  const empty = Object.fromEntries(TABLE_NAMES.map((name) => [name, []])) as unknown as Whole['tables']
  const documents = (): Record<string, unknown> => {
    const written = writeWhole(
      { tables: { ...empty, pieces, lots: house.lots }, settings: { currency: 'USD' }, photos: [] },
      '2026-11-02T10:00:00.000Z',
    )
    const files = Object.entries(unzipSync(written)).filter(([name]) => name.endsWith('.json'))
    return Object.fromEntries(files.map(([name, bytes]) => [name, JSON.parse(strFromU8(bytes)) as unknown]))
  }

  it('is current: run `npm run formats` when a schema changes', () =>
    expect(publishedAs('workroom.schema.json')).toEqual(wholeJsonSchema()))
  it('takes the demo as it is written', () => {
    expect(pieces.length).toBeGreaterThan(5)
    expect(house.lots.length).toBeGreaterThan(5)
    validate(documents())
    expect(validate.errors).toBeNull()
  })
  it.each<[string, (of: Record<string, unknown>) => object]>([
    ['a document that is not ours', (of) => ({ ...of, 'else.json': [] })],
    ['a lot without an id', (of) => ({ ...of, 'lots.json': [{ ...(of['lots.json'] as object[])[0], id: '' }] })],
    ['a missing document', ({ 'kits.json': _, ...of }) => of],
  ])('refuses %s', (_, spoil) => expect(validate(spoil(documents()))).toBe(false))
})

describe('the published columns of tables', () => {
  // Source: W3C, Metadata Vocabulary for Tabular Data; RFC 4180 for the table, as a library of the registry writes it.
  it.each([
    ['materials.csv', MATERIAL_COLUMNS],
    ['prices.csv', PRICE_COLUMNS],
  ])('of %s are current: run `npm run formats` when they change', (url, columns) =>
    expect(publishedAs(url.replace('.csv', '.csv-metadata.json'))).toEqual(tableMetadata(url, columns)),
  )
  it('say every heading of a table that is written', () => {
    const table = readTable(writeMaterials(Object.values(CATALOGUE).slice(0, 3), 'in'))
    const { tableSchema } = publishedAs('materials.csv-metadata.json') as { tableSchema: { columns: { titles: string[] }[] } }
    expect(table.ok && table.table.headings).toEqual(tableSchema.columns.map(({ titles }) => titles[0]))
  })
})

/** A piece without what came with formats 7, 8 and 14: how it is fixed, weighed, hung and made, what is asked for it, and how its stems bend. */
const asked = ({ fixing: _f, hanger: _h, making: _m, weighed: _w, asking: _a, ...piece }: Piece) => ({
  ...piece,
  // A class is an order beside its piece now, which is made once.
  brief: { ...piece.brief, copies: 1 },
  layers: piece.layers.map(({ fixing: _lf, backup: _lb, prepared: _lp, bend: _lw, ...layer }) => layer),
})

// The demo files as the version before wrote them, kept as they were.
describe('files of earlier versions', () => {
  it.each([
    ['piece-5.json', 'honey-fair-ring.json', 'USD'],
    ['piece-5-garland.json', 'chapel-garland.json', 'USD'],
    ['piece-6.json', 'orchard-ring.json', null],
    ['piece-7.json', 'orchard-ring.json', null],
    ['piece-8.json', 'ferry-hoop.json', null],
    ['piece-9.json', 'boathouse-door-ring.json', null],
    ['piece-10.json', 'lantern-swag.json', null],
    ['piece-11.json', 'boathouse-door-ring.json', null],
    ['piece-12.json', 'lantern-swag.json', null],
    ['piece-13.json', 'chapel-garland.json', null],
  ])('%s is read as the same piece as today’s %s, but for what nobody was asked then', (old, now, money) => {
    const [before, after] = [new URL(`./versions/${old}`, import.meta.url), new URL(now, demo)].map((url) =>
      readPiece(readFileSync(url, 'utf8')),
    )
    expect(before).toMatchObject({ ok: true, money })
    expect(after).toMatchObject({ ok: true, money: null })
    expect(before!.ok && asked(before!.piece)).toEqual(after!.ok && asked(after!.piece))
  })
  it('a hanger of before was a loop of twine at the top, the base’s own hook, or hooks along a route', () => {
    const read = (name: string) => {
      const found = readPiece(readFileSync(new URL(`./versions/${name}`, import.meta.url), 'utf8'))
      if (!found.ok) throw new Error(name)
      return found.piece.hanger
    }
    expect(read('piece-7.json')).toEqual(read('../../../demo/orchard-ring.json'))
    expect(read('piece-6.json')).toMatchObject({ loop: 'twine loop', run: 'ring', at: 0 })
    expect(read('piece-5-garland.json')).toMatchObject({ loop: 'tied', hook: 'route hooks' })
  })
})
