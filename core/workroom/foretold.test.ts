import { describe, expect, it } from 'vitest'
import type { Layer } from '../piece'
import { benchOf, layerOf, pieceWith, shelf } from '../testing'
import { foretold } from './foretold'

const compass = (count: number) => ({ kind: 'compass' as const, count, start: 0 })
const told = (before: readonly Layer[], added: Layer) =>
  foretold(benchOf(pieceWith(before)), benchOf(pieceWith([...before, added])), added.id)

describe('what a layer would come to', () => {
  it('is what more is opened: by hand, two packs of one where one is needed', () => {
    const { pack } = shelf.materials['dahlia']!
    const first = layerOf('a', 'bay', compass(8))
    const one = told([first], layerOf('b', 'dahlia', compass(1)))
    expect(one.title).toBe('1 wine dahlia')
    expect(one.opened).toBeGreaterThanOrEqual(pack.price)
    // Seven more of what is opened already for the first cost as many packs as they need, and what is over is used.
    const more = told([first, layerOf('b', 'dahlia', compass(1))], layerOf('c', 'dahlia', compass(1)))
    expect(more.opened).toBeLessThanOrEqual(one.opened)
  })
  it('says how far beyond its budget one then is: by hand, what is opened of one copy less the budget', () => {
    const within = (budget: number | null) => {
      const of = (layers: readonly Layer[]) => benchOf(pieceWith(layers, { brief: { budget } }))
      const after = of([layerOf('b', 'dahlia', compass(6))])
      return { all: after.bill.opened.value, over: foretold(of([]), after, 'b').over }
    }
    const { all } = within(null)
    expect([within(null).over, within(all).over, within(all - 250).over]).toEqual([0, 0, 250])
  })
  it('says what is covered, before and after, and nothing of what stays seen', () => {
    const sparse = layerOf('a', 'bay', compass(6))
    const { covered, hides } = told([sparse], layerOf('b', 'acorn', compass(3)))
    expect(covered[1]).toBeGreaterThanOrEqual(covered[0])
    expect(hides).toEqual([])
  })
  it('names what it hides: bay under forty large heads', () => {
    const { hides } = told([layerOf('a', 'bay', compass(12))], layerOf('b', 'hydrangea', compass(40)))
    expect(hides.map(({ title }) => title)).toEqual(['12 bay sprigs'])
    expect(hides[0]!.stays).toBeLessThan(2 / 3)
    expect(told([], layerOf('b', 'hydrangea', compass(40))).hides).toEqual([])
  })
})
