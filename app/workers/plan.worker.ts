import { expose } from 'comlink'
import { basketSoon, waitOrBuy } from '#core/price'
import { planWorkroom } from '#core/workroom'
import type { PlanWorker } from './protocol'
import { Jobs } from './slices'

const jobs = new Jobs()

expose({
  plan: (job, of, report) => jobs.run(job, planWorkroom(of), report),
  basket: basketSoon,
  wait: waitOrBuy,
  stop: (job) => jobs.stop(job),
} satisfies PlanWorker)
