import { everyNth } from '../../../tests/amount'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '../../material'
import { deltaOf, random } from '../../measure'
import { laysLengths, rulesFor } from '../../piece'
import { footprintOf } from '../grow-species'
import { SPECIES_FAMILIES } from '../species-grammar'
import type { Looks } from '../looks'
import { bearsWords, speciesOf } from '../glyphs'
import type { Glyph } from '../vector-marks'
import { Inks } from '../parts/palette'
import { draw, sound } from '../testing'
import { SPECIES } from './index'

const EXTREMES = everyNth(2, [
  [5, 2],
  [3000, 1500],
  [10, 300],
  [300, 1],
] as const)

describe.each(Object.entries(SPECIES))('%s', (name, species) => {
  const [length, width] = species.size
  /** Each is drawn once per size, seed and tint, whatever is asked of it; that it is drawn the same again is asked below. */
  const drawn = new Map<string, Glyph>()
  const once = (long: number, wide: number, more: Partial<Looks> = {}): Glyph => {
    const key = JSON.stringify([long, wide, more])
    const known = drawn.get(key) ?? draw(name, long, wide, more)
    drawn.set(key, known)
    return known
  }

  it('draws sound marks at its own size and at extremes', () => {
    for (const [long, wide] of [species.size, ...EXTREMES]) {
      const glyph = once(long, wide)
      expect(glyph.marks.length).toBeGreaterThan(3)
      sound(glyph.marks)
    }
  })
  it('is as large as it says', () => {
    for (const bearing of [0, 130]) {
      for (const [long, wide] of species.fit === 'none' || bearing === 0 ? [species.size] : EXTREMES) {
        const { bounds } = once(long, wide, bearing ? { bearing } : {})
        const room = footprintOf(species, { length: long, width: wide })
        // Lines grow by the mean of both measures, so in a room of another shape than the plant's own they are a little off.
        const near = species.fit === 'none' ? 1.4 * long : 0.4 + 0.02 * long
        expect(Math.abs(bounds.right - bounds.left - long)).toBeLessThan(near)
        if (species.fit === 'none') continue
        expect(Math.abs(bounds.left - room.left)).toBeLessThan(near)
        if (species.fit !== 'length')
          expect(Math.abs(bounds.bottom - bounds.top - wide)).toBeLessThan(0.4 + 0.03 * Math.max(wide, Math.sqrt(long * wide)))
        if (species.stance !== 'stem' && species.fit !== 'length') expect(Math.abs(bounds.top - room.top)).toBeLessThan(0.4 + 0.03 * wide)
      }
    }
  })
  it('draws the same from the same seed, and another twin from another', () => {
    const own = once(length, width)
    expect(deltaOf(draw(name, length, width), own)).toBe(0)
    // What is cut from one pattern has no twins.
    const twin = once(length, width, { seed: 4 })
    if (twin.marks.length > 40) expect(deltaOf(twin, own)).not.toBe(0)
  })
  it('follows a tint in its first colour', () => {
    const [first] = Object.keys(species.palette)
    const inks = (tint: string | null) =>
      new Inks(species.palette, tint === null ? null : { l: 0.5, c: 0.1, h: 200 }, random(1)).flat(first!)
    expect(inks('#2288aa')).toEqual({ l: 0.5, c: 0.1, h: 200 })
    expect(deltaOf(once(length, width, { tint: '#2288aa' }), once(length, width))).not.toBe(0)
  })
})

describe('the herbarium', () => {
  it('holds at least forty-five kinds of plant and more besides, each by a name of its own, in every family', () => {
    const all = Object.values(SPECIES)
    expect(
      all.filter(({ family }) => !['Trinkets and figures', 'Ribbon and mesh', 'Signs and letters', 'Mechanics'].includes(family)).length,
    ).toBeGreaterThanOrEqual(45)
    expect(new Set(all.map(({ name }) => name)).size).toBe(all.length)
    expect(new Set(all.map(({ family }) => family))).toEqual(new Set(SPECIES_FAMILIES))
  })
  it('draws every material of the catalogue, and knows nothing else', () => {
    for (const { species } of Object.values(CATALOGUE)) expect(SPECIES[species], species).toBeDefined()
    expect(() => speciesOf('moonwort')).toThrow(/moonwort/)
  })
  it('draws what lies along its stem as a stem, and heads as heads', () => {
    for (const material of Object.values(CATALOGUE).filter(({ kind }) => !rulesFor(kind).some((each) => laysLengths({ kind: each })))) {
      const { stance } = SPECIES[material.species]!
      expect(stance === 'stem', material.id).toBe(material.form === 'leaf')
    }
  })
  it('letters signs with their own words or the maker’s', () => {
    expect(bearsWords('plank-sign')).toBe(true)
    expect(bearsWords('letter-wood')).toBe(true)
    expect(bearsWords('bay')).toBe(false)
    const plain = draw('plank-sign', 254, 90)
    const own = draw('plank-sign', 254, 90, { words: 'ICE-OUT\nfirst ferry' })
    expect(own.marks.length).toBe(plain.marks.length)
    expect(own).not.toEqual(plain)
    expect(own.bounds).toEqual(plain.bounds)
  })
})
