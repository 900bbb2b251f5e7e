import type { LaidLayer, Placement } from '../placement'
import { standsLevel } from '../placement'
import type { Run } from '../base'
import { materialOf } from '../material'
import type { Said } from '../measure'
import { inList, lowerFirst, quantity, several } from '../measure'
import type { RuleOf } from '../piece'
import type { TaskContext } from './task-builder'

/** Which way is right of, left of, before and behind on what bears a thing, in words. */
type Ways = readonly [ahead: string, back: string, right: string, left: string]
const LEVEL: Ways = ['to the right', 'to the left', 'down', 'up']
const STEM: Ways = ['towards the tip', 'towards the stem end', 'to the right, seen towards the tip', 'to the left, seen towards the tip']
const ROUND_RING: Ways = ['clockwise', 'anticlockwise', 'inward', 'outward']
const ROUND_ROW: Ways = ['along the run', 'back along the run', 'to the right of the run', 'to the left of the run']

/** Nearer the middle than this nothing is said of it, mm. */
const LEAST = 1.5

/** "1¼ in towards the tip", from the middle of what bears it. */
function placeWords({ along, across }: RuleOf<'on'>, { length, width }: Placement, ways: Ways): Said {
  const parts = [
    { by: (along * length) / 2, ways: [ways[0], ways[1]] as const },
    { by: (across * width) / 2, ways: [ways[2], ways[3]] as const },
  ].filter(({ by }) => Math.abs(by) >= LEAST)
  if (!parts.length) return ['in the middle']
  return parts.flatMap(({ by, ways: [plus, minus] }, i): Said => [
    i ? ' and ' : '',
    quantity.length(Math.abs(by)),
    ` ${by > 0 ? plus : minus}`,
    i === parts.length - 1 ? ' from the middle' : '',
  ])
}

/** On what a layer's things lie, and where on it: "On each of 6 roses, in the middle."; nothing of a layer on the base. */
export function bearingWords({ laid, runs, makeUps, shelf }: TaskContext, { layer: { rule }, placements }: LaidLayer): Said {
  if (rule.kind !== 'on') return []
  const under = laid.find(({ layer }) => layer.id === rule.of)
  const borne = new Set(placements.map(({ bearer }) => bearer))
  const bearers = under?.placements.filter(({ id }) => borne.has(id)) ?? []
  const [first] = bearers
  const run = first && runs.find(({ id }) => id === first.run)
  if (!under || !first || !run) return []
  return [onWhat(under, bearers.length, makeUps.get(rule.of)?.title, shelf), ', ', ...spotWords(rule, first, run, shelf), '.']
}

function onWhat({ layer, placements }: LaidLayer, n: number, made: string | null | undefined, shelf: TaskContext['shelf']): string {
  if (layer.rule.kind === 'bow') return `On the ${lowerFirst(made || 'bow')}`
  const [part, ...more] = layer.mix
  const material = materialOf(shelf, part!.material)
  const all = placements.length
  const things = more.length || !material ? several(all, 'thing', 'things') : several(all, material.name, material.plural)
  if (all === 1) return `On the ${more.length || !material ? 'thing' : material.name}`
  return n === all ? `On each of ${inList(things)}` : `On ${n} of ${inList(things)}`
}

function spotWords(rule: RuleOf<'on'>, bearer: Placement, run: Run, shelf: TaskContext['shelf']): Said {
  const bow = bearer.made?.as === 'bow'
  switch (rule.spot) {
    case 'middle':
      return [bow ? 'in its knot' : 'in the middle']
    case 'tip':
      return ['at the tip']
    case 'stem end':
      return ['near the stem end']
    case 'top':
      return ['at the upper edge']
    case 'loops':
      return ['one on each loop']
    case 'place': {
      const ways = bearer.form === 'leaf' ? STEM : standsLevel(bearer, shelf) ? LEVEL : run.closed ? ROUND_RING : ROUND_ROW
      return placeWords(rule, bearer, ways)
    }
  }
}
