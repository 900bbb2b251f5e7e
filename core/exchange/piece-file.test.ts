import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inches } from '../measure'
import type { Piece } from '../piece'
import { STILL, VERSION } from '../piece'
import { layerOf, pieceWith } from '../testing'
import { LARGEST_FILE, readPiece, tooLarge, writePiece } from './piece-file'

const piece = pieceWith([
  layerOf('a', 'bracken', { kind: 'crescent', from: 0.4, to: 0.9, count: 12, dense: 'end', thin: 0.4 }, { nudges: { 3: { ...STILL, along: -4.25, across: 0.1, turn: 5 } } }),
  layerOf('b', 'sea-holly', { kind: 'cluster', at: [0.1, 0.6], size: 3 }),
])
const text = writePiece(piece)
const faults = (input: string) => {
  const read = readPiece(input)
  return read.ok ? [] : read.faults
}

describe('readPiece', () => {
  it('reads back what was written, to the last digit', () => {
    expect(readPiece(text)).toEqual({ ok: true, piece })
    fc.assert(fc.property(fc.double({ min: 50, max: 2900, noNaN: true }), fc.double({ min: 0, max: 359, noNaN: true }), (outer, turn) => {
      const other: Piece = { ...piece, base: { ...piece.base, shape: { form: 'ring', outer, inner: outer / 2 }, turn } }
      expect(readPiece(writePiece(other))).toEqual({ ok: true, piece: other })
    }))
  })
  it('says where a broken file breaks', () => {
    expect(faults(text.slice(0, 400))[0]).toMatchObject({ says: expect.stringMatching(/^The file is broken: /), line: text.slice(0, 400).split('\n').length })
    expect(faults(text.replace('"stage": "planned",', '"stage" "planned",'))[0]).toMatchObject({ line: 5 })
    expect(faults('')[0]!.says).toMatch(/broken|empty/)
    expect(faults('{} {}')[0]!.says).toMatch(/broken/)
    expect(faults('// a note\n{}')[0]!.says).toMatch(/broken/)
  })
  it('knows what is not ours, and what is too new', () => {
    expect(faults('[1, 2]')[0]!.says).toMatch(/not a piece/)
    expect(faults('{"format": "something else"}')[0]).toMatchObject({ at: 'format', line: 1, says: expect.stringMatching(/not one of our pieces/) })
    expect(faults(text.replace(`"version": ${VERSION}`, `"version": ${VERSION + 1}`))[0]).toMatchObject({ at: 'version', line: 3, says: expect.stringMatching(/newer version/) })
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
    fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (any) => { expect(readPiece(any).ok).toBe(false) }))
    fc.assert(fc.property(fc.integer({ min: 0, max: text.length - 1 }), fc.string({ minLength: 1, maxLength: 3 }), (at, noise) => {
      expect(typeof readPiece(text.slice(0, at) + noise + text.slice(at)).ok).toBe('boolean')
    }))
  })
})

it('refuses files over the limit before they are read', () => {
  expect(tooLarge(LARGEST_FILE)).toBeNull()
  expect(tooLarge(LARGEST_FILE + 1)).toMatchObject({ says: expect.stringMatching(/8\.0 MB; the most that is read is 8 MB/) })
})
