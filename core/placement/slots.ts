import type { Run } from '../base'
import { mirrored } from '../base'
import type { Layer, Rule, RuleKind } from '../piece'
import { EACH, mirrorRule, OTHER_WAY, slotKey, slotOf } from '../piece'
import { arrangingOf } from './rules'
import type { Slot, SlotContext } from './slot'

/** The runs on which a layer lies: one, all, or none when the base has no such run. */
export const runsFor = (layer: Pick<Layer, 'run'>, runs: readonly Run[]): readonly Run[] =>
  layer.run === EACH ? runs : runs.filter(({ id }) => id === layer.run)

/**
 * Where a layer's rule puts things, on every run on which it lies.
 * @param contextOf what the rule may ask, by run
 * @returns slots in the order in which the rule makes them; null when it refers to a layer that cannot be told
 */
export function layerSlots(layer: Layer, runs: readonly Run[], contextOf: (run: Run) => SlotContext): Slot[] | null {
  const own = runsFor(layer, runs)
  const arms = arrangingOf(layer.rule.kind).serves === 'pairs'
  const found: Slot[] = []
  for (const run of own) {
    // Arms serve both runs of a pair at once.
    if (arms && layer.run === EACH && own.findIndex(({ id }) => id === run.mirror.run) < own.indexOf(run)) continue
    const context = contextOf(run)
    // The other of a pair follows its twin's rule, and then every place goes to its image.
    const slots = layer.mirrored
      ? slotsOf(own[0]!.mirror.reversed ? mirrorRule(layer.rule) : layer.rule, {
          ...context,
          flow: own[0]!.mirror.reversed ? OTHER_WAY[context.flow] : context.flow,
          pointsOf: (of) => context.pointsOf(of)?.map((s) => mirrored(run, s)) ?? null,
        })?.map((slot) => ({ ...slot, s: mirrored(slot.run, slot.s) }))
      : slotsOf(layer.rule, context)
    if (!slots) return null
    found.push(...(layer.run === EACH ? slots.map((slot) => ({ ...slot, id: slotKey({ ...slotOf(slot.id), run: slot.run.id }) })) : slots))
  }
  return found
}

/** Where a rule puts things on one run. @returns null when it refers to a layer that cannot be told */
export const slotsOf = (rule: Rule, context: SlotContext): Slot[] | null => arrangingOf<RuleKind>(rule.kind).slots(rule, context)
