import type { Need } from '../material'
import { deltaOf, sharing } from '../measure'
import type { Edit, Mend, Piece, Problem } from '../piece'
import { edit, worstFirst } from '../piece'
import type { Bill, CostWith, Pricing } from '../price'
import { OVER_BUDGET, billOf, costProblems } from '../price'
import type { Workings } from '../workings'
import { inBrief, rememberingWork } from '../workings'

/** A piece as it stands on the bench: its workings, and what it costs with what is in the house, as if nothing else were in hand. */
export interface OnBench extends Workings {
  readonly bill: Bill
}

export function onBench(workings: Workings, piece: Piece, pricing: Pricing): OnBench {
  const { id, brief } = piece
  const { needs } = workings
  const bill = billOf({ id, needs, copies: brief.copies, budget: brief.budget }, pricing)
  const counts = new Map(workings.layers.map((layer) => [layer.id, layer.count]))
  const costIf = costWith(piece, pricing)
  return {
    ...workings,
    bill,
    problems: worstFirst([
      ...withSavings(workings.problems, (how) => savingOf(bill, costIf(how))),
      ...costProblems({ piece, bill, needs, counts, pricing, costWith: costIf }),
    ]),
  }
}

const savingOf = (bill: Bill, then: number | null): number | null => (then === null ? null : bill.opened.value - then)

/** What is bought and never seen, with what fewer of it would save: the difference of two bills. */
const withSavings = (problems: readonly Problem[], saving: (how: Edit) => number | null): Problem[] =>
  problems.map((problem) =>
    problem.code === 'coverage.unseen' ? { ...problem, mends: problem.mends.map((mend) => withSaving(mend, saving)) } : problem,
  )

function withSaving(mend: Mend, saving: (how: Edit) => number | null): Mend {
  const saves = mend.edit && saving(mend.edit)
  return saves === null ? mend : { ...mend, saves }
}

/** What all copies of a piece cost with an edit made, as if nothing else were in hand; both worked out whole. */
const costWith =
  (piece: Piece, pricing: Pricing): CostWith =>
  (how) => {
    const edited = edit(piece, how, 'try')
    if (!edited.ok) return null
    const { id, brief } = edited.change.piece
    return billOf({ id, copies: brief.copies, budget: null, needs: inBrief(edited.change.piece, pricing.shelf).needs }, pricing).opened
      .value
  }

/** The same after every edit: what a bill follows from seldom changes when a hand moves something. */
export function rememberingBench(): (piece: Piece, pricing: Pricing) => OnBench {
  const working = rememberingWork()
  let last: { readonly needs: readonly Need[]; readonly piece: Piece; readonly pricing: Pricing; readonly bench: OnBench } | null = null
  return (piece, pricing) => {
    const workings = working(piece, pricing.shelf)
    const needs = last ? sharing(last.needs, workings.needs) : workings.needs
    const same = last && last.needs === needs && last.pricing === pricing && saysTheSame(last.piece, piece)
    const bench =
      same && last
        ? {
            ...workings,
            needs,
            bill: last.bench.bill,
            problems: worstFirst([
              ...withSavings(
                workings.problems,
                (how) => savedBefore(last!.bench.problems, how) ?? savingOf(last!.bench.bill, costWith(piece, pricing)(how)),
              ),
              ...last.bench.problems.filter(({ id }) => id === OVER_BUDGET),
            ]),
          }
        : onBench({ ...workings, needs }, piece, pricing)
    last = { needs, piece, pricing, bench }
    return bench
  }
}

/** What an edit was found to save, where it was offered before. */
const savedBefore = (problems: readonly Problem[], how: Edit): number | null =>
  problems.flatMap(({ mends }) => mends).find((mend) => mend.saves !== undefined && mend.edit !== null && deltaOf(mend.edit, how) === 0)
    ?.saves ?? null

/** Whether two pieces have the same brief and rules, all that their cost hangs on besides their needs: a hand may have moved something. */
const saysTheSame = (a: Piece, b: Piece): boolean =>
  deltaOf(a.brief, b.brief) === 0 &&
  a.layers.length === b.layers.length &&
  a.layers.every((layer, i) => {
    const other = b.layers[i]!
    return layer === other || deltaOf({ ...layer, nudges: {} }, { ...other, nudges: {} }) === 0
  })
