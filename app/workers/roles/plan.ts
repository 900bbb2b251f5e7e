import { readWhole, writeWhole } from '#core/formats'
import { basketSoon, waitOrBuy } from '#core/price'
import type { SeasonMend, SeasonPlan } from '#core/season'
import { kitMoney, planSeason, seasonMends } from '#core/season'
import { planWorkroom } from '#core/workroom'
import type { PlanWorker } from '../protocol'
import { Jobs } from '../cooperative-jobs'

const jobs = new Jobs()

export const planRole = {
  plan: (job, of, report) => jobs.run(job, planWorkroom(of), report),
  season: async (job, of, report): Promise<{ plan: SeasonPlan; mends: SeasonMend[] }> => {
    const plan = await jobs.run(job, planSeason(of), report)
    return { plan, mends: seasonMends(of, plan) }
  },
  kitMoney: (kit, { needs, tasks }, pricing) => kitMoney(kit, needs, tasks, pricing),
  writeWhole,
  readWhole,
  basket: basketSoon,
  wait: waitOrBuy,
  stop: (job) => jobs.stop(job),
} satisfies PlanWorker
