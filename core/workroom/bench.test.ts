import { describe, expect, it } from 'vitest'
import type { Piece } from '../piece'
import { edit } from '../piece'
import { benchOf, layerOf, pieceWith, plainPricing, shelf } from '../testing'
import { rememberingBench } from './bench'

const compass = (count: number) => ({ kind: 'compass' as const, count, start: 0 })
/** A hundred and twenty sprigs of bay on an 18 in ring: half of them lie under the rest. */
const thick: Piece = pieceWith([
  layerOf('many', 'bay', compass(120), { lean: 10, leanSpread: 20, acrossSpread: 0.5 }),
  layerOf('one', 'acorn', compass(1)),
])
const unseen = ({ problems }: ReturnType<typeof benchOf>) => problems.find(({ id }) => id === 'unseen:many')!

describe('what nobody sees', () => {
  it('is told with what fewer would save: by hand, nine bunches at $7.99', () => {
    const bench = benchOf(thick)
    const [mend] = unseen(bench).mends
    const edited = edit(thick, mend!.edit!, 'fewer')
    if (!edited.ok) throw new Error(edited.error)
    const { count } = edited.change.piece.layers[0]!.rule as { count: number }
    const { holds, price } = shelf.materials['bay']!.pack
    const bunches = (sprigs: number, of: ReturnType<typeof benchOf>): number => {
      const { stems, spare, packs } = of.bill.lines.find(({ id }) => id === 'bay')!
      expect(stems.value).toBe(sprigs)
      expect(packs.value).toBe(Math.ceil((sprigs + spare.value) / holds))
      return packs.value
    }
    expect([count, mend!.saves]).toEqual([58, (bunches(120, bench) - bunches(58, benchOf(edited.change.piece))) * price])
    expect(mend!.saves).toBe(7191)
  })
  it('is told so too while hands move things, without its bills being made again', () => {
    const bench = rememberingBench()
    const first = unseen(bench(thick, plainPricing()))
    const nudged = edit(
      thick,
      { do: 'nudge', layer: 'many', slot: '3', nudge: { along: 2, across: 0, turn: 0, lift: 0, trim: null, pinned: false } },
      'nudge',
    )
    if (!nudged.ok) throw new Error(nudged.error)
    const second = unseen(bench(nudged.change.piece, plainPricing()))
    expect(second.mends[0]!.saves).toBe(first.mends[0]!.saves)
    expect(second.mends[0]!.saves).toBeGreaterThan(0)
  })
})
