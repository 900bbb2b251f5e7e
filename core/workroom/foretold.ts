import type { OnBench } from './bench'

/** What a layer would change, told before it is laid. */
export interface Foretold {
  /** "18 olive branches" */
  readonly title: string
  /** What more is opened for all copies, minor units; below 0 is less. */
  readonly opened: number
  /** What each one then takes beyond its budget, minor units; 0 within it, or without one. */
  readonly over: number
  /** Share of the face that is covered, before and after. */
  readonly covered: readonly [before: number, after: number]
  /** Layers of which less than two thirds of what was seen stays so, with the share that stays. */
  readonly hides: readonly { readonly title: string; readonly stays: number }[]
}

/** What each one takes beyond its budget, minor units; 0 within it, or without one. */
export const overBudget = ({ bill }: Pick<OnBench, 'bill'>): number => Math.max(0, -(bill.room?.value ?? 0))

/** What stays seen of a layer without a word. */
const STAYS = 2 / 3

/** The difference of a piece as it is and with a layer more, both worked out whole. @param id of that layer */
export function foretold(before: OnBench, after: OnBench, id: string): Foretold {
  const titles = new Map(after.layers.map((layer) => [layer.id, layer.title]))
  const seen = new Map(before.seen.map(({ layer, area }) => [layer, area]))
  return {
    title: titles.get(id) ?? '',
    opened: after.bill.opened.value - before.bill.opened.value,
    over: overBudget(after),
    covered: [before.cover.share.value, after.cover.share.value],
    hides: after.seen.flatMap(({ layer, area }) => {
      const was = seen.get(layer) ?? 0
      return was > 0 && area < was * STAYS ? [{ title: titles.get(layer) ?? layer, stays: area / was }] : []
    }),
  }
}
