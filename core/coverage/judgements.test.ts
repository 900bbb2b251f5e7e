import { describe, expect, it } from 'vitest'
import { usualBase } from '../base'
import type { Brief, Layer } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'

const cedar = (count: number, set: Partial<Layer> = {}) =>
  layerOf('a', 'cedar', { kind: 'compass', count, start: 0 }, { cut: 150, acrossSpread: 0.8, ...set })
const cover = (layers: Layer[], brief: Partial<Brief>) =>
  Object.fromEntries(work(pieceWith(layers, { brief }), shelf).verdicts.cover.map(({ id, verdict }) => [id, verdict]))
const even = { school: 'even' as const, towards: 0 }
const offset = { school: 'offset' as const, towards: 0 }

describe('verdicts', () => {
  it('say what the cover is for the brief, and leave out what means nothing for it', () => {
    expect(cover([cedar(16)], { fullness: 'full', balance: even })).toEqual({
      share: 'Covers well',
      evenness: 'Even all round',
      balance: 'Balanced',
    })
    expect(cover([cedar(8)], { fullness: 'full', balance: even }).share).toBe('Nearly covers')
    expect(cover([cedar(3)], { fullness: 'full', balance: even }).share).toBe('Thin')
    expect(cover([cedar(3)], { fullness: 'sparse', balance: even })).toMatchObject({ share: 'Lets the base show, as meant' })
    expect(cover([cedar(3)], { fullness: 'sparse', balance: even })).not.toHaveProperty('evenness')
    expect(cover([cedar(24)], { fullness: 'lush', balance: even })).toMatchObject({ share: 'Covers it all', twoDeep: 'Lush' })
    expect(cover([], { fullness: 'full', balance: even })).toEqual({ share: 'Bare' })
  })
  it('speak of an offset design as it is meant', () => {
    const heads = [layerOf('r', 'rose', { kind: 'single', at: 0.02, drop: 0 })]
    expect(cover(heads, { fullness: 'full', balance: offset })).toMatchObject({ balance: 'Heavy towards 12:15, as meant' })
    expect(cover(heads, { fullness: 'full', balance: { ...offset, towards: 180 } })).toMatchObject({
      balance: 'Heavy towards 12:15, not as meant',
    })
    expect(cover(heads, { fullness: 'full', balance: offset })).not.toHaveProperty('evenness')
  })
  it('tell whether it stands out, and which tie does not', () => {
    const on = (colour: string, base = usualBase('wire-ring')) =>
      work(pieceWith([cedar(12)], { base, brief: { surface: { kind: 'brick', colour } } }), shelf).verdicts.contrast.map(
        ({ verdict }) => verdict,
      )
    expect(on('#F4EFE6')[0]).toBe('Stands out clearly from the bricks')
    expect(on('#5E7F45')[0]).toBe('Lost on the bricks')
    expect(on('#F4EFE6')).toContain('Green wire disappears on the base')
    expect(on('#F4EFE6', { ...usualBase('hoop'), colour: '#E6E5DF' })).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^White wire (disappears|hardly shows) on the base$/),
        'Green wire would show on the base',
      ]),
    )
  })
})
