import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '../material'
import { inches } from '../measure'
import type { Piece } from '../piece'
import { STILL, VERSION } from '../piece'
import { layerOf, pieceWith } from '../testing'
import { readPiece } from './piece-file'
import { LARGEST_FILE, settleMaterials, tooLarge, writePiece } from './portable-piece'

const piece = pieceWith([
  layerOf(
    'a',
    'bracken',
    { kind: 'crescent', from: 0.4, to: 0.9, count: 12, dense: 'end', thin: 0.4 },
    { nudges: { 3: { ...STILL, along: -4.25, across: 0.1, turn: 5 } } },
  ),
  layerOf('b', 'sea-holly', { kind: 'cluster', at: [0.1, 0.6], size: 3 }),
])
const text = writePiece(piece)
const faults = (input: string) => {
  const read = readPiece(input)
  return read.ok ? [] : read.faults
}

describe('readPiece', () => {
  it('reads back what was written, to the last digit', () => {
    expect(readPiece(text)).toEqual({ ok: true, piece, materials: [], money: null })
    fc.assert(
      fc.property(fc.double({ min: 50, max: 2900, noNaN: true }), fc.double({ min: 0, max: 359, noNaN: true }), (outer, turn) => {
        const other: Piece = { ...piece, base: { ...piece.base, shape: { form: 'ring', outer, inner: outer / 2 }, turn } }
        expect(readPiece(writePiece(other))).toEqual({ ok: true, piece: other, materials: [], money: null })
      }),
    )
  })
  it('says where a broken file breaks', () => {
    expect(faults(text.slice(0, 400))[0]).toMatchObject({
      says: expect.stringMatching(/^The file is broken: /),
      line: text.slice(0, 400).split('\n').length,
    })
    expect(faults(text.replace('"stage": "planned",', '"stage" "planned",'))[0]).toMatchObject({ line: 5 })
    expect(faults('')[0]!.says).toMatch(/broken|empty/)
    expect(faults('{} {}')[0]!.says).toMatch(/broken/)
    expect(faults('// a note\n{}')[0]!.says).toMatch(/broken/)
  })
  it('knows what is not ours, and what is too new', () => {
    expect(faults('[1, 2]')[0]!.says).toMatch(/not a piece/)
    expect(faults('{"format": "something else"}')[0]).toMatchObject({
      at: 'format',
      line: 1,
      says: expect.stringMatching(/not one of our pieces/),
    })
    expect(faults(text.replace(`"version": ${VERSION}`, `"version": ${VERSION + 1}`))[0]).toMatchObject({
      at: 'version',
      line: 3,
      says: expect.stringMatching(/newer version/),
    })
  })
  it('names the place and the line of every wrong value', () => {
    const wrong = text.replace('"count": 12', '"count": "twelve"').replace('"kind": "grapevine"', '"kind": "bamboo"')
    const found = faults(wrong)
    expect(found.map(({ at }) => at).sort()).toEqual(['base.kind', 'layers[0].rule.count'])
    for (const { at, line } of found) expect(wrong.split('\n')[line! - 1]).toContain(at.endsWith('kind') ? 'bamboo' : 'twelve')
  })
  it('leaves nothing out in silence', () => {
    expect(faults(text.replace('"stage": "planned",', '"stage": "planned", "sparkle": true,'))[0]!.says).toMatch(/sparkle/)
    expect(faults(text.replace(`"outer": ${inches(12)}`, '"outer": 1e9'))[0]).toMatchObject({ at: 'base.shape.outer' })
  })
  it('answers anything with a result, never an exception', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (any) => {
        expect(readPiece(any).ok).toBe(false)
      }),
    )
    fc.assert(
      fc.property(fc.integer({ min: 0, max: text.length - 1 }), fc.string({ minLength: 1, maxLength: 3 }), (at, noise) => {
        expect(typeof readPiece(text.slice(0, at) + noise + text.slice(at)).ok).toBe('boolean')
      }),
    )
  })
})

it('refuses files over the limit before they are read', () => {
  expect(tooLarge(LARGEST_FILE)).toBeNull()
  expect(tooLarge(LARGEST_FILE + 1)).toMatchObject({ says: expect.stringMatching(/8\.0 MB; the most that is read is 8 MB/) })
})

describe('materials of one’s own', () => {
  const own = { ...CATALOGUE['bay']!, id: 'hedge-bay', name: 'hedge bay', length: 222 }
  const changed = { ...CATALOGUE['bracken']!, mass: 3 }
  const shelf = { materials: { ...CATALOGUE, [own.id]: own, bracken: changed, unused: { ...own, id: 'unused' } } }
  const laid = pieceWith([
    layerOf(
      'a',
      'bay',
      { kind: 'compass', count: 3, start: 0 },
      {
        mix: [
          { material: 'hedge-bay', share: 1, only: null },
          { material: 'bracken', share: 1, only: null },
        ],
        added: [{ id: 'h', run: 'face', at: 0, across: 0, turn: 0, material: 'daisy' }],
      },
    ),
  ])

  it('travel in the file, those that the piece is laid of and no others', () => {
    const read = readPiece(writePiece(laid, shelf))
    expect(read).toEqual({ ok: true, piece: laid, materials: [own, changed], money: null })
  })
  it('come in as they are where there is none, are left where they are alike, and take a fresh id beside one that differs', () => {
    const file = { piece: laid, materials: [own, changed] }
    const fresh = (name: string): string => `fresh-${name}`
    expect(settleMaterials(file, { materials: CATALOGUE }, fresh)).toMatchObject({
      materials: [own, { ...changed, id: 'fresh-bracken frond' }],
      piece: { layers: [{ mix: [{ material: 'hedge-bay' }, { material: 'fresh-bracken frond' }], added: [{ material: 'daisy' }] }] },
    })
    expect(settleMaterials(file, shelf, fresh)).toEqual({ piece: laid, materials: [] })
  })
  it('are refused with their place when they are not sound', () => {
    const bad = writePiece(laid, shelf).replace('"species": "bay"', '"species": "constructor"')
    expect(faults(bad)).toMatchObject([{ at: 'materials[0].species', says: 'Nothing is drawn as that.' }])
  })
})

it('tells of far too much that is wrong at once, by the first of it', () => {
  const nudges = (n: number) => Object.fromEntries(Array.from({ length: n }, (_, i) => [`s${i}`, { along: 'x' }]))
  const full = (layers: number, n: number) =>
    JSON.stringify({ ...piece, layers: Array.from({ length: layers }, () => ({ ...piece.layers[0]!, nudges: nudges(n) })) })
  expect(faults(full(1, 20_000))).toMatchObject([{ at: 'layers[0].nudges', says: expect.stringContaining('20000 entries') }])
  expect(faults(full(60, 300))[0]).toMatchObject({ at: expect.stringContaining('layers[0]') })
  expect(
    faults(
      JSON.stringify({
        ...piece,
        layers: [{ ...piece.layers[0]!, nudges: Object.fromEntries(Array.from({ length: 2001 }, (_, i) => [`s${i}`, STILL])) }],
      }),
    )[0]!.says,
  ).toContain('up to 2000')
  expect(faults(text.replace('"stage"', '"__proto__": {"stage": "hung"}, "stage"'))[0]!.says).toContain('__proto__')
})
