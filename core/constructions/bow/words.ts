import { loopShows, ragLoops, ribbonInLoop } from '../../placement'
import { anchorSays } from '../../base'
import type { Material } from '../../material'
import { materialOf } from '../../material'
import type { Said } from '../../measure'
import { capital, inList, quantity, several, sum } from '../../measure'
import type { LoopMeans, Ribbon, RibbonOf, RuleOf } from '../../piece'
import { OWN_RIBBON } from '../../piece'
import type { ConstructionContext } from '../construction'
import { bowPieces } from './ribbon'
import type { BowSetup } from './setup'

const ENDS_SAID: Record<RuleOf<'bow'>['ends'], string> = {
  v: 'Fold each tail in half lengthwise and cut from the fold up and out.',
  slant: 'Cut each tail on a slant, both the same way down.',
  straight: 'Cut the tails straight and tuck the ends behind.',
  hem: 'Hem each tail before the bow is tied.',
}

/** Whether it is made without a cut before the last one. */
const fromRoll = ({ build }: Ribbon): boolean => build === 'hand' || build === 'coil'

/** Loops by their groups or their number, and how long each shows. */
function loopsSaid(ribbon: RibbonOf<'hand'>, means: LoopMeans): Said {
  const { groups, loops, loop, taper } = ribbon
  if (groups)
    return [
      ...groups.flatMap(
        (group, i) =>
          sum`${i ? ', then ' : ''}${several(group.loops, 'loop', 'loops')} of ${quantity.length(loopShows(group.loop, means))}`,
      ),
      ' from the pinch, left and right in turn',
    ]
  return sum`${several(loops, 'loop', 'loops')}, left and right in turn, ${taper > 0 ? 'the first ' : loops > 1 ? 'each ' : ''}${quantity.length(loopShows(loop, means))} from the pinch${taper > 0 ? ' and each pair shorter' : ''}`
}

function handsOf(ribbon: Ribbon, means: LoopMeans, material: Material): Said {
  const { facing } = material
  const name = capital(material.name)
  switch (ribbon.build) {
    case 'hand':
      return [
        ...(ribbon.tails[0] > 0 ? sum`${name}: leave ${quantity.length(ribbon.tails[0])} for a tail, make ` : sum`${name}: make `),
        ...loopsSaid(ribbon, means),
        ...(ribbon.centre > 0 ? [', a small loop over the middle'] : []),
        ...(ribbon.tails[1] > 0 ? sum`, and leave ${quantity.length(ribbon.tails[1])} for the other tail.` : ['.']),
        ...(ribbon.twist > 0 ? [' Half a turn at every pinch keeps its right side out.'] : []),
        ...(facing === 'upright' ? [' Its print has a top: cut each tail for its own side.'] : []),
      ]
    case 'strips':
      return sum`${name}: ${several(ribbon.strips, 'strip', 'strips')} of ${quantity.length(bowPieces(ribbon, means)[0]?.length ?? 0)}; fold each to two loops of ${quantity.length(loopShows(ribbon.loop, means))}${ribbon.tail > 0 ? ' and two tails' : ''}, pinch${ribbon.strips > 1 ? ', and stack them turned' : ''}.`
    case 'rag':
      return [
        ...sum`${name}: ${several(ribbon.strips, 'strip', 'strips')} of ${quantity.length(ribbon.strip)}, each in ${several(ragLoops(ribbon, means), 'loop', 'loops')} in the jig`,
        ...(ribbon.taper > 0 ? sum`, the last ${quantity.ratio(ribbon.taper)} shorter than the first` : []),
        ...(ribbon.overhang > 0 ? sum`, ${quantity.length(ribbon.overhang)} over at each end.` : ['.']),
      ]
    case 'coil':
      return sum`${name}: wind ${quantity.count(ribbon.layers)} layers flat, ${quantity.length(ribbon.flat)} long; notch both edges in the middle, tie there, and pull the loops out one by one from the inside, left and right in turn.`
    case 'flat':
      return sum`${name}: close ${several(ribbon.rounds, 'round', 'rounds')} ${quantity.length(ribbon.width)} wide${ribbon.rounds > 1 ? ', lay them flat on one another' : ', flat'}${ribbon.strip > 0 ? ' and draw the strip over the middle' : ''}.`
    case 'tails':
      return sum`${name}: ${several(ribbon.tails, 'tail', 'tails')} of ${quantity.length(ribbon.tail)}, held together at one end.`
    case 'fill-ins':
      return sum`${name}: fold ${several(ribbon.strips, 'length', 'lengths')} of ${quantity.length(ribbonInLoop(ribbon.loop, means))} once and tuck them in beside the bow.`
    case 'folded':
      return sum`${name}: a loop of ${quantity.length(loopShows(ribbon.loop, means))} to each side, a length folded to a V beneath for tails of ${quantity.length(ribbon.tail)}, and a knot over the middle.`
  }
}

/** How hands make it, in the order of the work. */
export function bowWords({ rule, means, rows }: BowSetup, { runs, laid, layer, shelf }: ConstructionContext): Said[] {
  const one = rows.length === 1
  const tie = rule.tied === OWN_RIBBON ? 'its own ribbon' : inList(materialOf(shelf, rule.tied)?.name ?? rule.tied)
  const ends = rule.fixes && layer.fixing === null ? '; leave its ends long, they fix the bow' : ''
  return [
    rule.ribbons.every(fromRoll)
      ? sum`Leave the ribbon on the roll until the bow is approved; cut only then.`
      : sum`Make one strip of each first and look; cut the rest when it is approved.`,
    ...rows.map(({ ribbon, material }, i) => [...(one ? [] : [`${i + 1}. `]), ...handsOf(ribbon, means, material)]),
    ...(one ? [] : [sum`Lay them on one another in this order, pinch all middles together.`]),
    sum`Tie with ${tie}${ends}. ${ENDS_SAID[rule.ends]}`,
    ...laid.placements.map(({ run, s }) => ['It sits at ', ...anchorSays(runs.find(({ id }) => id === run) ?? runs[0], s), '.']),
  ]
}
