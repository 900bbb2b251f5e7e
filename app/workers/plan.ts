import { startWorker } from './start'
import type { Day } from '#core/measure'
import type { BasketJob, Baskets, Pricing, ToBuy, Waiting } from '#core/price'
import type { ReadWhole, Whole } from '#core/formats'
import type { Kit, KitMoney, SeasonJob, SeasonMend, SeasonPlan, SeasonProgress } from '#core/season'
import type { InBrief } from '#core/workings'
import type { Plan, PlanProgress, Workroom } from '#core/workroom'
import { bridgeTo } from './bridge'
import type { Going } from './jobs'
import { begin } from './jobs'
import type { PlanWorker } from './protocol'

const bridge = bridgeTo<PlanWorker>('The worker that plans', () => startWorker('plan'))

/** Plans everything in hand in a worker; stopped, it answers with the best so far. */
export const planInHand = (workroom: Workroom, report: (progress: PlanProgress) => void): Going<Plan> =>
  begin<PlanWorker, PlanProgress, Plan>(
    bridge,
    (question) => bridge.ask(question),
    (api, job, tell) => api.plan(job, workroom, tell),
    report,
  )

/** A good basket, not proven. */
export const askBasketSoon = (job: BasketJob): Promise<Baskets> => bridge.ask((api): Promise<Baskets> => api.basket(job))

/** Whether to buy on the first of these days or to wait, up to the last. */
export const askWaiting = (wants: readonly ToBuy[], from: Day, by: Day, pricing: Pricing): Promise<Waiting> =>
  bridge.ask((api): Promise<Waiting> => api.wait(wants, from, by, pricing))

/** Plans the season; stopped, it answers with the best so far. */
export const planTheSeason = (
  job: SeasonJob,
  report: (progress: SeasonProgress) => void,
): Going<{ readonly plan: SeasonPlan; readonly mends: readonly SeasonMend[] }> =>
  begin<PlanWorker, SeasonProgress, { readonly plan: SeasonPlan; readonly mends: readonly SeasonMend[] }>(
    bridge,
    (question) => bridge.ask(question),
    (api, id, tell) => api.season(id, job, tell),
    report,
  )

/** What a class costs and what it must take. */
export const askKitMoney = (kit: Kit, of: InBrief, pricing: Pricing): Promise<KitMoney> =>
  bridge.ask((api): Promise<KitMoney> => api.kitMoney(kit, of, pricing))

/** A whole workroom of years takes its time, seconds. */
const WHOLE_PATIENCE = 240
/** Everything in one file, and out of it again. */
export const askWriting = (whole: Whole, written: string): Promise<Uint8Array> =>
  bridge.ask((api): Promise<Uint8Array> => api.writeWhole(whole, written), WHOLE_PATIENCE)
export const askWholeReading = (bytes: Uint8Array): Promise<ReadWhole> =>
  bridge.ask((api): Promise<ReadWhole> => api.readWhole(bytes), WHOLE_PATIENCE)
