import { planning as planningCuts } from '../cut'
import type { Material, Need } from '../material'
import { lengthsIn, materialOf, thingsIn } from '../material'
import { basesPlans } from './bases'
import { planFrom } from './ledgers'
import { cutJob, cutPlan } from './lengths'
import { thingsPlan } from './things'
import type { InHand, MaterialPlan, Of, Plan, PlanProgress, Workroom } from './workroom'

/**
 * One plan for everything in hand: what is in the house first, then for every material one cutting plan or one purchase,
 * then the ledgers. Goes step by step, since cutting well takes its time; told to stop (`next(true)`), it ends with the
 * best so far.
 */
export function* planWorkroom(workroom: Workroom): Generator<PlanProgress, Plan, boolean> {
  const { pieces, list, shelf } = workroom
  const things = byMaterialOf(pieces, thingsIn)
  const lengths = byMaterialOf(pieces, lengthsIn)
  const known = (id: string): Material[] => [materialOf(shelf, id)].flatMap((each) => each ?? [])
  const cutOnes = [...new Set([...lengths.keys(), ...list.map(({ material }) => material)])].flatMap(known)
  const materials: MaterialPlan[] = [
    ...basesPlans(pieces, workroom),
    ...[...things].flatMap(([id, own]) => known(id).map((material) => thingsPlan(material, own, workroom))),
  ]
  let stopped = false
  for (const [done, material] of cutOnes.entries()) {
    const own = lengths.get(material.id) ?? []
    const { job, kept, ...cutting } = cutJob(material, own, workroom)
    const going = planningCuts(job)
    let next = going.next()
    while (!next.done) {
      stopped = (yield { ...next.value, material: material.name, done, of: cutOnes.length }) || stopped
      next = going.next(stopped)
    }
    const plan = { ...next.value, rolls: [...kept, ...next.value.rolls] }
    materials.push(cutPlan(material, { ...cutting, plan }, job.wants, own, workroom))
  }
  return planFrom(materials, workroom)
}

/** What some needs of all pieces come to, by their material. */
function byMaterialOf<N extends Need>(pieces: readonly InHand[], pick: (needs: readonly Need[]) => N[]): Map<string, Of<N>[]> {
  const found = new Map<string, Of<N>[]>()
  for (const piece of pieces)
    for (const need of pick(piece.needs)) {
      const known = found.get(need.material)
      if (known) known.push({ piece, need })
      else found.set(need.material, [{ piece, need }])
    }
  return found
}
