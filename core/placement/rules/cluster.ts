import { stationAt } from '../../base'
import { packSiblings } from 'd3-hierarchy'
import type { RuleOf } from '../../piece'
import type { Slot, SlotContext } from '../slot'
import { slot } from '../slot'
import type { Arranging } from './arranging'
import { nothing } from './arranging'

/** Heads in a cluster press into each other a little: rule of thumb. */
const PACKED = 0.9

/**
 * Clusters packed by the sizes of their members. Where the face is too narrow for a round cluster
 * they stand in a row along it.
 */
function clusters(rule: RuleOf<'cluster'>, { run, widths }: SlotContext): Slot[] {
  const sizes = widths(rule.at.length * rule.size)
  return rule.at.flatMap((at, group) => {
    const centre = at * run.length
    const members = Array.from({ length: rule.size }, (_, i) => ({ r: (sizes[group * rule.size + i]! * PACKED) / 2, x: 0, y: 0 }))
    const packed = packSiblings(members)
    const { half } = stationAt(run, centre)
    const deep = packed.some((member) => Math.abs(member.y) > half * 1.25)
    if (deep) inRow(members)
    return members.map((member, i) =>
      slot(run, `${group}.${i}`, centre + member.x, { across: member.y / half, deal: group * rule.size + i }),
    )
  })
}

function inRow(members: { r: number; x: number; y: number }[]): void {
  const total = members.reduce((sum, member) => sum + 2 * member.r, 0)
  let at = -total / 2
  for (const member of members) {
    member.x = at + member.r
    member.y = 0
    at += 2 * member.r
  }
}

export const CLUSTER_PLACEMENT: Arranging<RuleOf<'cluster'>> = {
  slots: clusters,
  withCount(rule, n) {
    const size = rule.at.length ? Math.min(60, Math.floor(n / rule.at.length)) : 0
    return rule.at.length ? { rule: { ...rule, size }, takes: size * rule.at.length } : null
  },
  says: nothing,
  gives: 'groups',
}
