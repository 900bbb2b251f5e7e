import type { Run } from '../base'
import { along } from '../base'
import { radians } from '../measure'
import type { Layer, RuleKind } from '../piece'
import { slotOf } from '../piece'
import { gapsOf } from './gaps'
import { layerOn } from './place'
import type { Placement } from './placement'
import { arrangingOf } from './rules'

/**
 * The order in which hands lay stems so that no cut end shows where the next could hide it: against the way in which the tips point,
 * so that each lies over the stem end of the last. Common practice.
 */

/** What lies within so much of the seat lies on it, mm: it is laid last. */
const ON_SEAT = 0.5
/** Gaps that differ by less than this share are alike. */
const ALIKE = 0.1

/** Where on a closed run hands begin and end: in the widest gap, or of several alike in that at a place, mm. */
function seamOf(run: Run, at: number, points: readonly number[]): number {
  const gaps = gapsOf(
    run,
    [...points].sort((a, b) => a - b),
  )
  const widest = Math.max(0, ...gaps.map(({ length }) => length))
  const wide = gaps.filter(({ length }) => length >= widest * (1 - ALIKE))
  const here = wide.find(({ from, length }) => along(run, from, at) <= length) ?? wide[0]
  return here ? here.from + here.length / 2 : at
}

/** When a stem is laid on its run: those with less come first; null where no order hides anything. */
function turnOf(layer: Layer, run: Run, points: readonly number[]): ((s: number) => number) | null {
  const { flow, seat, lean } = layer
  const ahead = Math.cos(radians(lean)) < 0 ? -1 : 1
  switch (flow) {
    case 'clockwise':
    case 'anticlockwise': {
      const way = (flow === 'clockwise' ? -1 : 1) * ahead
      const from = run.closed ? seamOf(run, seat * run.length + way * ON_SEAT, points) : 0
      return (s) => way * (run.closed ? along(run, from, s) : s)
    }
    case 'apart':
    case 'together': {
      const way = (flow === 'apart' ? -1 : 1) * ahead
      return (s) => {
        const past = along(run, seat * run.length, s)
        return way * (run.closed ? Math.min(past, run.length - past) : Math.abs(past))
      }
    }
    case 'outward':
    case 'inward':
    case 'nest':
      return null
  }
}

/** What hands lay as one: a group, or a single stem. */
interface Unit {
  readonly things: Placement[]
  readonly run: string
  /** Which row it is of, where the rule has rows. */
  readonly row: string
}

function unitsOf(layer: Layer, placements: readonly Placement[]): Unit[] {
  const rows = arrangingOf<RuleKind>(layer.rule.kind).rows === true
  const units = new Map<string, Unit>()
  for (const each of placements) {
    const { place } = slotOf(each.slot)
    const key = rows ? each.slot : `${each.run} ${place}`
    const unit = units.get(key) ?? { things: [], run: each.run, row: rows ? place : '' }
    unit.things.push(each)
    units.set(key, unit)
  }
  return [...units.values()]
}

const PLAIN: ReadonlySet<Layer['flow']> = new Set(['outward', 'inward', 'nest'])

/** Whether a layer's stems are laid so that each hides the cut end of the last, and not along the run as they come. */
export const hidesEnds = ({ rule, flow }: Pick<Layer, 'rule' | 'flow'>, placements: readonly Placement[]): boolean =>
  !arrangingOf(rule.kind).ordered && !PLAIN.has(flow) && placements.some(({ form, made }) => form === 'leaf' && !made)

/** What a rule laid, in the order in which hands lay it. @param placements in the order of their slots */
export function inLayingOrder(layer: Layer, placements: readonly Placement[], runs: readonly Run[]): readonly Placement[] {
  if (!hidesEnds(layer, placements)) return placements
  const units = unitsOf(layer, placements)
  const turns = new Map(
    runs.map((run) => {
      const points = units.filter((unit) => unit.run === run.id).map(({ things }) => things[0]!.ruled)
      return [run.id, turnOf(layerOn(layer, run, runs), run, points)] as const
    }),
  )
  // Arms are laid left and right in turn, other layers run by run.
  const pairs = arrangingOf<RuleKind>(layer.rule.kind).serves === 'pairs'
  const groups = new Map<string, { unit: Unit; turn: number }[]>()
  for (const unit of units) {
    const key = `${unit.row} ${pairs ? '' : unit.run}`
    // Twins on two sides are as far: to a thousandth of a millimetre they take turns as their slots do.
    const turn = Math.round((turns.get(unit.run)?.(unit.things[0]!.ruled) ?? 0) * 1000)
    const group = groups.get(key) ?? []
    group.push({ unit, turn })
    groups.set(key, group)
  }
  return [...groups.values()].flatMap((group) => group.sort((a, b) => a.turn - b.turn).flatMap(({ unit }) => unit.things))
}
