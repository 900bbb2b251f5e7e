import type { BeginningOf } from '#core/worker-jobs'
import { startWorker } from './start'
import type { Remote } from 'comlink'
import type { Swap } from '#core/placement'
import type { Base, BaseShape } from '#core/base'
import type { Fitted, FittingProgress } from '#core/budget'
import type { Costs } from '#core/piece-costs'
import type { Have, Makeable } from '#core/makeable'
import type { Between, Countable } from '#core/counting'
import type { Begun, EvenedOut, Filling, EvenOutProgress } from '#core/coverage'
import type { Headings, Mapping, ReadMaterials, ReadPiece, ReadPrices } from '#core/formats'
import type { LengthUnits } from '#core/measure'
import { deltaOf, withDelta } from '#core/measure'
import type { Brief, Piece } from '#core/piece'
import type { Pricing } from '#core/price'
import type { Resized } from '#core/resize'
import type { OnBench } from '#core/workroom'
import { bridgeTo } from './bridge'
import type { Going } from './jobs'
import { begin, telling } from './jobs'
import type { BriefAnswer, WorkingsWorker } from './protocol'

const bridge = bridgeTo<WorkingsWorker>('The worker that does the sums', () => startWorker('workings'))

/** What a worker was asked and answered last, so that only what changed crosses. A worker that is started anew knows nothing. */
interface Followed {
  piece: Piece | null
  workings: OnBench | null
}
const followed = new WeakMap<Remote<WorkingsWorker>, Followed>()
const tell = telling<WorkingsWorker, Pricing>(async (api, pricing) => {
  await api.setPricing(pricing)
})

function ask<T>(pricing: Pricing, question: (api: Remote<WorkingsWorker>) => Promise<T>): Promise<T> {
  return bridge.ask(async (api) => {
    await tell(api, pricing)
    return question(api)
  })
}

/** Works out the piece that is followed, by what changed since it was last asked for. One question at a time. */
const follow = (piece: Piece, pricing: Pricing): Promise<OnBench> =>
  ask(pricing, async (api) => {
    const so = followed.get(api) ?? { piece: null, workings: null }
    followed.set(api, so)
    const change = deltaOf(so.piece, piece)
    so.piece = piece
    const answer = await api.follow(change)
    so.workings = withDelta(so.workings, answer) as OnBench
    return so.workings
  })

/** Works a piece out that is not followed: to compare with, say. */
export const askWorkings = (piece: Piece, pricing: Pricing): Promise<OnBench> => ask(pricing, (api) => api.work(piece))

/** A layer of a material as a maker would begin it on the piece. */
export const askBeginning = (piece: Piece, pricing: Pricing, beginning: BeginningOf): Promise<Begun | null> =>
  ask(pricing, (api) => api.begin(piece, beginning))

export const askFilling = (piece: Piece, pricing: Pricing, layer: string | null, fullness: Brief['fullness']): Promise<Filling | null> =>
  ask(pricing, (api) => api.fill(piece, layer, fullness))

/** What it takes to replace a material of a layer by another that covers as much; null when it cannot be. */
export const askSwap = (piece: Piece, pricing: Pricing, layer: string, from: string, to: string): Promise<Swap | null> =>
  ask(pricing, (api) => api.swap(piece, layer, from, to))

/** What of a piece can be counted otherwise, up to a number. */
export const askCountables = (piece: Piece, pricing: Pricing, most: number): Promise<Countable[]> =>
  ask(pricing, async (api): Promise<Countable[]> => api.countables(piece, most))

/** How many things of one layer go between those of another; null where there is no between. */
export const askBetween = (piece: Piece, pricing: Pricing, those: string, these: string): Promise<Between | null> =>
  ask(pricing, async (api): Promise<Between | null> => api.between(piece, those, these))

/** What each of these pieces needs, for one copy, and what is to be done for it. */
export const askBriefs = (pieces: readonly Piece[], pricing: Pricing): Promise<BriefAnswer[]> => ask(pricing, (api) => api.brief(pieces))

/** The same piece on a base of another size, and what is otherwise in it. */
export const askResized = (piece: Piece, shape: BaseShape, id: string, name: string, pricing: Pricing): Promise<Resized> =>
  ask(pricing, async (api): Promise<Resized> => api.resize(piece, shape, id, name))

/** What stands in the first row of a table, and what it brings by what its headings mean. */
export const askHeadings = (text: string): Promise<Headings> => bridge.ask((api): Promise<Headings> => api.headings(text))
export const askMaterialsIn = (text: string, mapping: Mapping, units: LengthUnits, pricing: Pricing): Promise<ReadMaterials> =>
  ask(pricing, async (api): Promise<ReadMaterials> => api.materialsIn(text, mapping, units))
export const askPricesIn = (text: string, mapping: Mapping, units: LengthUnits, pricing: Pricing): Promise<ReadPrices> =>
  ask(pricing, async (api): Promise<ReadPrices> => api.pricesIn(text, mapping, units))

/** Reads the text of a piece file. */
export const askReading = (text: string): Promise<ReadPiece> => bridge.ask((api): Promise<ReadPiece> => api.read(text))

/** Evens a piece out. */
export const askEvenOut = (piece: Piece, pricing: Pricing, seed: number, report: (progress: EvenOutProgress) => void): Going<EvenedOut> =>
  begin<WorkingsWorker, EvenOutProgress, EvenedOut>(
    bridge,
    (question) => ask(pricing, question),
    (api, job, tellOf) => api.evenOut(job, piece, seed, tellOf),
    report,
  )

/** Claims judged, deals, and prices to ask. */
export const askCosts = (
  { id, brief, asking }: Pick<Piece, 'id' | 'brief' | 'asking'>,
  { needs, bill, schedule }: Pick<OnBench, 'needs' | 'bill' | 'schedule'>,
  pricing: Pricing,
): Promise<Costs> => ask(pricing, (api) => api.costs({ id, brief, asking }, { needs, bill, schedule }))

/** Looks for what reaches the budget with the least loss. */
export const askFit = (piece: Piece, pricing: Pricing, report: (progress: FittingProgress) => void): Going<Fitted | null> =>
  begin<WorkingsWorker, FittingProgress, Fitted | null>(
    bridge,
    (question) => ask(pricing, question),
    (api, job, tellOf) => api.fitBudget(job, piece, tellOf),
    report,
  )

/** What would be made of what one has, base by base. */
export const askMakeable = (have: readonly Have[], bases: readonly Base[], pricing: Pricing): Going<Makeable[]> =>
  begin<WorkingsWorker, number, Makeable[]>(
    bridge,
    (question) => ask(pricing, question),
    (api, job, tellOf) => api.makeable(job, have, bases, tellOf),
    () => {},
  )

/** Breaks off whatever is being worked out; the next question starts anew. */
export const breakOff = (): void => bridge.end()

/**
 * Asks with the newest question only: while one answer is under way later questions replace each other. Every answer
 * is shown, also one that has a successor under way, so that a held key is seen to move.
 */
export function askNewestFirst(
  onAnswer: (workings: OnBench, of: Piece) => void,
  onFault: (error: unknown) => void,
  onBusy: (busy: boolean) => void = () => {},
) {
  let waiting: { piece: Piece; pricing: Pricing } | null = null
  let busy = false

  async function run(): Promise<void> {
    if (busy) return
    busy = true
    onBusy(true)
    while (waiting) {
      const { piece, pricing } = waiting
      waiting = null
      try {
        onAnswer(await follow(piece, pricing), piece)
      } catch (error) {
        onFault(error)
      }
    }
    busy = false
    onBusy(false)
  }
  return (piece: Piece, pricing: Pricing): void => {
    waiting = { piece, pricing }
    void run()
  }
}
