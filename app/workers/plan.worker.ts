import { expose } from 'comlink'
import { planWorkroom } from '#core/workroom'
import type { PlanWorker } from './protocol'
import { Jobs } from './slices'

const jobs = new Jobs()

expose({
  plan: (job, of, report) => jobs.run(job, planWorkroom(of), report),
  stop: (job) => jobs.stop(job),
} satisfies PlanWorker)
