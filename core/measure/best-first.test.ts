import fc from 'fast-check'
import { expect, it } from 'vitest'
import { choicesByLoss } from './best-first'

it('has every choice once, the least loss first: against all of them, sorted', () => {
  fc.assert(
    fc.property(fc.array(fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 3 }), { maxLength: 4 }), (losses) => {
      const groups = losses.map((group, g) => group.map((loss, i) => ({ loss, id: `${g}.${i}` })))
      const all = groups.reduce<(typeof groups)[number][]>(
        (found, group) => found.flatMap((chosen) => [chosen, ...group.map((one) => [...chosen, one])]),
        [[]],
      )
      const name = (chosen: readonly { id: string }[]): string => chosen.map(({ id }) => id).join()
      const sum = (chosen: readonly { loss: number }[]): number => chosen.reduce((n, { loss }) => n + loss, 0)
      const found = [...choicesByLoss(groups, ({ loss }) => loss)]
      expect(found.map(name).sort()).toEqual(all.map(name).sort())
      expect(found.map(sum)).toEqual(all.map(sum).sort((a, b) => a - b))
    }),
  )
})
it('begins with none, also where there is nothing to choose', () => {
  expect([...choicesByLoss([], () => 0)]).toEqual([[]])
  expect([...choicesByLoss([[1, 3], [2]], (n) => n)]).toEqual([[], [1], [2], [1, 2], [3], [3, 2]])
})
