import Ajv2020 from 'ajv/dist/2020.js'
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { pieceJsonSchema, readPiece } from '../../core/formats'
import type { Piece } from '../../core/piece'

const demo = new URL('../../demo/', import.meta.url)
const published = JSON.parse(readFileSync(new URL('../../docs/formats/piece.schema.json', import.meta.url), 'utf8')) as Record<
  string,
  unknown
>

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

/** A piece without what came with formats 7 and 8: how it is fixed, weighed, hung and made, and what is asked for it. */
const asked = ({ fixing: _f, hanger: _h, making: _m, weighed: _w, asking: _a, ...piece }: Piece) => ({
  ...piece,
  // A class is an order beside its piece now, which is made once.
  brief: { ...piece.brief, copies: 1 },
  layers: piece.layers.map(({ fixing: _lf, backup: _lb, prepared: _lp, ...layer }) => layer),
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
