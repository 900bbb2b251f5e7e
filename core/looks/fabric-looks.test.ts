import { describe, expect, it } from 'vitest'
import { bowMoves } from '../placement'
import { usualBase } from '../base'
import { inches } from '../measure'
import { BUILDS, ENDS, usualRibbon, usualRule } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { itemGlyph, looksKey } from './glyphs'
import type { Looks } from './looks'
import type { Glyph } from './vector-marks'
import { finishOf } from './fabric-looks'
import type { MadeLooks } from './parts/made'
import { sound as soundMarks } from './testing'

/** Marks that can be painted, and bounds that are numbers. */
function sound({ marks, bounds }: Glyph): void {
  soundMarks(marks)
  expect(Object.values(bounds).every(Number.isFinite)).toBe(true)
}

type Bow = Extract<MadeLooks, { as: 'bow' }>
const fabric = { finish: 'satin', first: '#7a3b4a', second: '#e8d6d2' } as const
const bowOf = (set: Partial<Bow> = {}): Bow => ({
  as: 'bow',
  moves: bowMoves([usualRibbon('hand')], 'visible'),
  fabrics: [fabric, fabric],
  widths: [38, 38],
  ends: 'v',
  turned: 0,
  upTo: null,
  ...set,
})
const looks = (made: MadeLooks, length = 200, width = 200): Looks => ({
  species: 'roll-satin',
  length,
  width,
  tint: null,
  words: null,
  bend: 0,
  seed: 3,
  bearing: 0,
  depth: 0,
  rise: 0,
  part: null,
  made,
})
const wide = (made: MadeLooks): number => {
  const { bounds } = itemGlyph(looks(made))
  return bounds.right - bounds.left
}

describe('a bow from its numbers', () => {
  it.each(BUILDS)('%s is drawn soundly, whole, turned and at every move, in every end', (build) => {
    const moves = bowMoves([usualRibbon(build), usualRibbon('hand')], 'visible')
    for (const turned of [0, 35, 90, -70]) sound(itemGlyph(looks(bowOf({ moves, turned }))))
    for (let upTo = 1; upTo <= moves.length; upTo++) sound(itemGlyph(looks(bowOf({ moves, upTo }))))
    for (const ends of ENDS) sound(itemGlyph(looks(bowOf({ moves, ends }))))
  })
  it('is as wide as its loops say, and narrower when it is seen from the side', () => {
    const across = 2 * inches(4)
    const front = wide(bowOf())
    expect(front).toBeGreaterThan(across * 0.85)
    expect(front).toBeLessThan(across * 1.3)
    expect(wide(bowOf({ turned: 80 }))).toBeLessThan(front * 0.7)
  })
  it('grows move by move: each adds to what is drawn', () => {
    const moves = bowOf().moves
    const marks = moves.map((_, i) => itemGlyph(looks(bowOf({ upTo: i + 1 }))).marks.length)
    for (let i = 1; i < marks.length; i++) expect(marks[i]!).toBeGreaterThan(marks[i - 1]!)
    expect(itemGlyph(looks(bowOf({ upTo: 0 }))).marks).toEqual([])
  })
  it('looks otherwise with other numbers, and the same with the same', () => {
    expect(looksKey(looks(bowOf()))).toBe(looksKey(looks(bowOf())))
    expect(looksKey(looks(bowOf()))).not.toBe(looksKey(looks(bowOf({ ends: 'slant' }))))
  })
})

describe('what is wound round', () => {
  it('draws a turn of ribbon over the front, and twine as so many cords', () => {
    const ribbon: MadeLooks = { as: 'turns', turns: 1, cord: false, fabric }
    sound(itemGlyph(looks(ribbon, 60, 38)))
    const { bounds } = itemGlyph(looks(ribbon, 60, 38))
    expect(bounds.right - bounds.left).toBeGreaterThan(55)
    expect(bounds.bottom - bounds.top).toBeGreaterThan(36)
    const twine = itemGlyph(looks({ as: 'turns', turns: 7, cord: true, fabric }, 40, 14))
    sound(twine)
    expect(twine.bounds.bottom - twine.bounds.top).toBeLessThan(20)
  })
  it('knows what a roll is woven as', () => {
    expect(['roll-velvet', 'roll-mesh', 'roll-check', 'twine', 'no-such'].map(finishOf)).toEqual([
      'velvet',
      'mesh',
      'check',
      'plain',
      'plain',
    ])
  })
})

it('every kind of made thing comes into the scene with what draws it', () => {
  const rule = (kind: 'wound' | 'laid' | 'mesh' | 'poofs') => usualRule(kind, '')
  const piece = pieceWith(
    [
      layerOf('twine', 'jute-twine', rule('wound')),
      layerOf('strand', 'heather-strand', rule('laid')),
      layerOf('rope', 'garland-pine', rule('laid')),
      layerOf('beads', 'garland-bead', rule('laid')),
      layerOf('mesh', 'mesh-honey', rule('mesh')),
      layerOf('poofs', 'mesh-cream', rule('poofs')),
      layerOf('bow', 'ribbon-check', { ...usualRule('bow', ''), means: 'visible' } as Parameters<typeof layerOf>[2]),
    ],
    { base: usualBase('wire-ring') },
  )
  const { items } = work(piece, shelf).scene
  const drawnBy = (layer: string) =>
    [...new Set(items.filter((each) => each.layer === layer).map(({ species, made }) => made?.as ?? species))].sort()
  expect(Object.fromEntries(['twine', 'strand', 'rope', 'beads', 'mesh', 'poofs', 'bow'].map((layer) => [layer, drawnBy(layer)]))).toEqual({
    twine: ['turns'],
    strand: ['heather'],
    rope: ['roping-length'],
    beads: ['bead-strand-length'],
    mesh: ['mesh-petal', 'mesh-ruffle'],
    poofs: ['mesh-poof'],
    bow: ['bow'],
  })
  expect(items.filter(({ made }) => made).every(({ tucked }) => !tucked)).toBe(true)
  for (const item of items.filter((_, i) => i % 7 === 0)) sound(itemGlyph(item))
})
