import {
  bowAcross,
  coilLoops,
  handLoops,
  hasLoops,
  loopShows,
  meaningOf,
  ragLoops,
  ribbonInLoop,
  ribbonReach,
  tailReach,
} from '../placement'
import { anchorSays } from '../base'
import { fewestRolls } from '../cut'
import type { Material } from '../material'
import { materialOf } from '../material'
import type { Rated, Said, Term, Thumb } from '../measure'
import {
  capital,
  exceeds,
  inList,
  listed,
  quantity,
  rate,
  several,
  sum,
  wholesIn,
  byRule,
  count,
  minus,
  mm,
  divide,
  plus,
  plusAll,
  saidAs,
  labelled,
  times,
  floor,
} from '../measure'
import type { Layer, LoopMeans, Piece, Problem, Ribbon, RibbonOf, RuleOf } from '../piece'
import { hangsAt, MOST_LOOPS, OWN_RIBBON } from '../piece'
import type { Construction, ConstructionContext, NamedFigure } from './construction'
import { changeRule, lengthsFor, read, thingsFor, told, total } from './construction'
import { HANDLE, TIE_RIBBON, TIE_WIRE, RIBBON_TWIST } from './rules-of-thumb'

/** A piece to cut for a bow. */
export interface BowPiece {
  readonly use: string
  readonly length: number
  readonly count: number
}

/**
 * The pieces that one ribbon of a bow is cut to, mm:
 * by hand `tails + Σ loops + centre + twist × pinches`, strips `4 loops + 2 tails` each, a coil `layers × flat length`,
 * flat rounds `2 × width` each and a strip. @param hem turned in at each end that shows, mm
 * @example bowPieces({ build: 'coil', layers: 9, flat: 200 }, 'visible') // [{ use: 'bow coil', length: 1800, count: 1 }]
 */
export function bowPieces(ribbon: Ribbon, means: LoopMeans, hem = 0): BowPiece[] {
  const piece = (use: string, length: number, count = 1): BowPiece[] => (length > 0 && count > 0 ? [{ use, length, count }] : [])
  switch (ribbon.build) {
    case 'hand': {
      const { tails, centre, twist } = ribbon
      const loops = handLoops(ribbon)
      return piece('bow', tails[0] + tails[1] + total(loops, (each) => ribbonInLoop(each, means)) + centre + twist * loops.length + 2 * hem)
    }
    case 'strips':
      return piece('bow strips', 2 * ribbonInLoop(ribbon.loop, means) + 2 * ribbon.tail + 2 * hem, ribbon.strips)
    case 'rag':
      return piece('bow strips', ribbon.strip + 2 * hem, ribbon.strips)
    case 'coil':
      return piece('bow coil', ribbon.layers * ribbon.flat)
    case 'flat':
      return [...piece('bow rounds', 2 * ribbon.width, ribbon.rounds), ...piece('bow strip', ribbon.strip)]
    case 'folded':
      return [
        ...piece('bow loops', 2 * ribbonInLoop(ribbon.loop, means)),
        ...piece('bow tails', 2 * ribbon.tail + 2 * hem),
        ...piece('bow strip', ribbon.strip),
      ]
    case 'tails':
      return piece('bow tails', ribbon.tail + 2 * hem, ribbon.tails)
    case 'fill-ins':
      return piece('fill-ins', ribbonInLoop(ribbon.loop, means), ribbon.strips)
  }
}

/** All the ribbon in it, with its sum. */
function ribbonIn(ribbon: Ribbon, means: LoopMeans, hem: number): Term {
  const hems = times(labelled`${count(2)} hems`, mm(hem))
  const loop = (length: number): Term => mm(ribbonInLoop(length, means))
  switch (ribbon.build) {
    case 'hand': {
      const { tails, taper, groups, centre, twist } = ribbon
      const loops = handLoops(ribbon)
      const inLoops = groups
        ? plusAll(
            groups.map((group) => times(labelled`${count(group.loops)} loops`, loop(group.loop))),
            mm(0),
          )
        : taper > 0
          ? labelled`loops ${mm(total(loops, (each) => ribbonInLoop(each, means)))}`
          : times(labelled`${count(loops.length)} loops`, loop(ribbon.loop))
      return plus(
        labelled`tails ${mm(tails[0])}`,
        mm(tails[1]),
        inLoops,
        labelled`centre ${mm(centre)}`,
        times(labelled`twist ${mm(twist)}`, count(loops.length)),
        hems,
      )
    }
    case 'strips':
      return times(
        count(ribbon.strips),
        plus(times(labelled`${count(2)} loops`, loop(ribbon.loop)), times(count(2), mm(ribbon.tail)), hems),
      )
    case 'rag':
      return times(count(ribbon.strips), plus(mm(ribbon.strip), hems))
    case 'tails':
      return times(count(ribbon.tails), plus(mm(ribbon.tail), hems))
    case 'fill-ins':
      return times(count(ribbon.strips), loop(ribbon.loop))
    case 'coil':
      return times(labelled`${count(ribbon.layers)} layers`, mm(ribbon.flat))
    case 'flat':
      return plus(times(labelled`${count(ribbon.rounds)} rounds`, count(2), mm(ribbon.width)), labelled`strip ${mm(ribbon.strip)}`)
    case 'folded':
      return plus(
        times(labelled`${count(2)} loops`, loop(ribbon.loop)),
        times(labelled`${count(2)} tails`, mm(ribbon.tail)),
        labelled`knot ${mm(ribbon.strip)}`,
        hems,
      )
  }
}

/**
 * All the ribbon in it, mm.
 * @example ribbonOf({ build: 'strips', strips: 3, loop: 100, tail: 50 }, 'visible') // 1500
 */
export const ribbonOf = (ribbon: Ribbon, means: LoopMeans, hem = 0): number => ribbonIn(ribbon, means, hem).value

/** All the ribbon in a bow of several, hems included, were its loops meant so, mm. */
export const bowRibbon = ({ ribbons, ends, hem }: Pick<RuleOf<'bow'>, 'ribbons' | 'ends' | 'hem'>, means: LoopMeans): number =>
  total(ribbons, (each) => ribbonOf(each, means, ends === 'hem' ? hem : 0))

/** The measure that sets how large what is made of a ribbon is: its (longest) loop, its flat length, its width or its tail, mm. */
export function sizeOf(ribbon: Ribbon): number {
  switch (ribbon.build) {
    case 'hand':
      return Math.max(...handLoops(ribbon))
    case 'strips':
    case 'rag':
    case 'folded':
    case 'fill-ins':
      return ribbon.loop
    case 'coil':
      return ribbon.flat
    case 'flat':
      return ribbon.width
    case 'tails':
      return ribbon.tail
  }
}

/** The same build in another size; strips of a jig keep their number of loops. @param size mm */
export function sized(ribbon: Ribbon, size: number, means: LoopMeans): Ribbon {
  switch (ribbon.build) {
    case 'hand':
      return ribbon.groups
        ? { ...ribbon, groups: ribbon.groups.map((group) => ({ ...group, loop: group.loop * (size / sizeOf(ribbon)) })) }
        : { ...ribbon, loop: size }
    case 'strips':
    case 'folded':
    case 'fill-ins':
      return { ...ribbon, loop: size }
    case 'tails':
      return { ...ribbon, tail: size }
    case 'rag':
      return { ...ribbon, loop: size, strip: 2 * ribbon.overhang + ragLoops(ribbon, means) * ribbonInLoop(size, means) }
    case 'coil':
      return { ...ribbon, flat: size }
    case 'flat':
      return { ...ribbon, width: size }
  }
}

/**
 * The largest size in which a roll still gives it: what it takes is `a + b × size`, so the size is `(roll − a) ÷ b`.
 * @returns mm, null when tails, centre and twist take it all @param roll mm
 */
export function largest(ribbon: Ribbon, means: LoopMeans, roll: number, hem = 0): number | null {
  const fixed = ribbonOf(sized(ribbon, 0, means), means, hem)
  const each = ribbonOf(sized(ribbon, 1, means), means, hem) - fixed
  return roll > fixed && each > 0 ? (roll - fixed) / each : null
}

/** With one more loop, strip, layer or round; null where a build has just the ones it has. */
export function withOneMore(ribbon: Ribbon): { readonly ribbon: Ribbon; readonly of: string } | null {
  switch (ribbon.build) {
    case 'hand':
      return {
        ribbon: {
          ...ribbon,
          loops: ribbon.loops + 1,
          groups:
            ribbon.groups && ribbon.groups.map((group, i, all) => (i === all.length - 1 ? { ...group, loops: group.loops + 1 } : group)),
        },
        of: 'loop',
      }
    case 'tails':
      return { ribbon: { ...ribbon, tails: ribbon.tails + 1 }, of: 'tail' }
    case 'strips':
    case 'rag':
    case 'fill-ins':
      return { ribbon: { ...ribbon, strips: ribbon.strips + 1 }, of: 'strip' }
    case 'coil':
      return { ribbon: { ...ribbon, layers: ribbon.layers + 1 }, of: 'layer' }
    case 'flat':
      return { ribbon: { ...ribbon, rounds: ribbon.rounds + 1 }, of: 'round' }
    case 'folded':
      return null
  }
}

/** From a bow in hand, and the ribbon that went into it: which sense of its loop comes nearer, and by how much each is off, mm. */
export function meantBy(ribbon: Ribbon, used: number): { readonly means: LoopMeans; readonly off: Readonly<Record<LoopMeans, number>> } {
  const off = { visible: ribbonOf(ribbon, 'visible') - used, 'ribbon used': ribbonOf(ribbon, 'ribbon used') - used }
  return { means: Math.abs(off.visible) <= Math.abs(off['ribbon used']) ? 'visible' : 'ribbon used', off }
}

/** What of one bow comes off rolls of one material besides a ribbon's own: other ribbons of it, and what ties the bow. */
export interface Besides {
  readonly pieces: readonly BowPiece[]
  readonly tie: Term | null
}
const ALONE: Besides = { pieces: [], tie: null }

/**
 * What one ribbon of a bow comes to, against the roll that it is cut from.
 * @param roll mm @param at its place in the bow, from 0 @param besides what else of the bow comes off the same rolls
 */
export function ribbonFigures(
  ribbon: Ribbon,
  means: LoopMeans,
  roll: number,
  hem: number,
  at: number,
  besides: Besides = ALONE,
): NamedFigure[] {
  const id = (name: string): string => `${name}:${at}`
  const tie = besides.tie?.value ?? 0
  const shared = total(besides.pieces, ({ length, count: n }) => length * n)
  const own = besides.tie ? plus(ribbonIn(ribbon, means, hem), labelled`${besides.tie} to tie it`) : ribbonIn(ribbon, means, hem)
  const used = own.value + shared
  const all = shared > 0 ? labelled`all ribbons of it, ${mm(used)}` : mm(used)
  const bows = floor(divide(labelled`roll ${mm(roll)}`, all))
  const more = withOneMore(ribbon)
  const withMore = more && ribbonOf(more.ribbon, means, hem) + tie + shared
  const fewer = withMore === null ? null : wholesIn(roll, withMore)
  const most = largest(ribbon, means, roll - tie - shared, hem)
  const pieces = [...bowPieces(ribbon, means, hem), ...besides.pieces, ...(tie > 0 ? [{ use: 'tie', length: tie, count: 1 }] : [])]
  const longest = Math.max(...pieces.map(({ length }) => length))
  const rolls =
    bows.value > 0 || exceeds(longest, roll)
      ? null
      : fewestRolls(
          roll,
          pieces.map(({ length, count: n }) => ({ length, count: n, joins: false })),
        )
  return [
    told(id('ribbon'), 'Ribbon in it', own),
    ...(ribbon.build === 'rag'
      ? [
          told(
            id('loops'),
            'Loops to a strip',
            floor(divide(minus(mm(ribbon.strip), times(count(2), mm(ribbon.overhang))), mm(ribbonInLoop(ribbon.loop, means)))),
          ),
        ]
      : []),
    ...(ribbon.build === 'coil'
      ? [
          read(
            id('loops'),
            'Loops',
            quantity.count(ribbon.layers - 1),
            sum`${quantity.count(coilLoops(ribbon.layers)[0])} right, ${quantity.count(coilLoops(ribbon.layers)[1])} left: folds between ${quantity.count(ribbon.layers)} layers`,
          ),
        ]
      : []),
    ...(rolls !== null
      ? [
          read(
            id('rolls'),
            'Rolls or strips for one bow',
            quantity.count(rolls),
            sum`the fewest of ${quantity.length(roll)} that its pieces can be cut from = ${quantity.count(rolls)}`,
          ),
        ]
      : [told(id('bows'), 'Bows from a roll', bows, sum`, ${quantity.length(Math.max(0, roll - bows.value * used))} over`)]),
    ...(more && fewer !== null && rolls === null
      ? [
          read(
            id('fewer'),
            `One more ${more.of} costs`,
            quantity.count(bows.value - fewer),
            sum`then ⌊${quantity.length(roll)} ÷ ${quantity.length(withMore!)}⌋ = ${quantity.count(fewer)} bows instead of ${quantity.count(bows.value)}`,
          ),
        ]
      : []),
    ...(most === null || rolls !== null
      ? []
      : [
          read(
            id('largest'),
            LARGEST[ribbon.build],
            quantity.length(most),
            sum`a roll of ${quantity.length(roll)} all used, the rest as it is`,
          ),
        ]),
  ]
}
const LARGEST: Record<Ribbon['build'], string> = {
  hand: 'Largest loop from a roll',
  strips: 'Largest loop from a roll',
  rag: 'Largest loop from a roll',
  folded: 'Largest loop from a roll',
  coil: 'Longest coil from a roll',
  flat: 'Widest round from a roll',
  tails: 'Longest tail from a roll',
  'fill-ins': 'Largest loop from a roll',
}

/**
 * How far in a V is cut: folded in half and cut at 45°, half the width. A slant at 45° takes the whole width.
 * @example cutIn('v', 64) // 32
 */
export const cutIn = (ends: RuleOf<'bow'>['ends'], width: number): number => (ends === 'v' ? width / 2 : ends === 'slant' ? width : 0)

/** How much of what ties a bow it takes, where that comes by the length; else one of it does. */
const TIE_LENGTHS: Record<RuleOf<'bow'>['tied'], Thumb | null> = {
  'stem-wire-20': null,
  'pipe-cleaner': null,
  'zip-tie': null,
  'paddle-wire': TIE_WIRE,
  'own-ribbon': TIE_RIBBON,
}

/** What the bow's `i`th ribbon is of; one that the shelf does not know goes by the first that it does. */
const fabricOf = ({ layer, shelf, mix }: ConstructionContext, i: number): Material => materialOf(shelf, layer.mix[i]!.material) ?? mix[0]

export const BOW_CONSTRUCTION: Construction<'bow'> = {
  makeUp(rule, making) {
    const { piece, layer, laid } = making
    const { ribbons, tied } = rule
    const means = meaningOf(rule)
    if (means === null) return null
    const hem = rule.ends === 'hem' ? rule.hem : 0
    const rows = ribbons.map((ribbon, i) => ({ ribbon, material: fabricOf(making, i) }))
    const across = bowAcross(ribbons, means)
    const longest = ribbons.findIndex((each) => 2 * ribbonReach(each, means) === across)
    const width = Math.max(...rows.map(({ material }) => material.width))
    const cut = cutIn(rule.ends, width)
    const tie = TIE_LENGTHS[tied]
    const tieLength = tie && byRule(tie, making.shelf)
    const ownTie = tied === OWN_RIBBON ? tieLength : null
    /** What of the same material goes into the bow besides its `i`th ribbon. */
    const besides = (i: number): Besides => ({
      tie: i === rows.length - 1 ? ownTie : null,
      pieces: [
        ...rows.flatMap((row, k) => (k !== i && row.material.id === rows[i]!.material.id ? bowPieces(row.ribbon, means, hem) : [])),
        ...(ownTie && i !== rows.length - 1 && rows.at(-1)!.material.id === rows[i]!.material.id
          ? [{ use: 'tie', length: ownTie.value, count: 1 }]
          : []),
      ],
    })
    const figures: NamedFigure[] = [
      // What has only tails is across nothing.
      ...(ribbons.some(({ build }) => build !== 'tails')
        ? [
            told(
              'across',
              'Across',
              times(
                count(2),
                saidAs(
                  mm(across / 2),
                  sum`${quantity.length(across / 2)} that ${rows.length > 1 ? `the longest loop, of ${rows[longest]!.material.name},` : 'a loop'} shows`,
                ),
              ),
            ),
          ]
        : []),
      ...(tailReach(ribbons) > 0 ? tailFigures(piece, rule, laid.placements[0], making.shelf) : []),
      ...(cut > 0
        ? [
            read(
              'cut',
              rule.ends === 'v' ? 'V cut in by' : 'Slant over',
              quantity.length(cut),
              rule.ends === 'v'
                ? sum`half of ${quantity.length(width)}: folded in half, cut at 45°`
                : sum`${quantity.length(width)} at 45°`,
            ),
          ]
        : []),
      ...(hem > 0 ? [told('hem', 'Cut longer for hems', times(count(2), mm(hem)))] : []),
      ...rows.flatMap(({ ribbon, material }, i) =>
        ribbonFigures(ribbon, means, material.length, hem, i, besides(i)).map((each) =>
          rows.length > 1 ? { ...each, name: `${each.name}, ${material.name}` } : each,
        ),
      ),
    ]
    return {
      layer: layer.id,
      title: `bow of ${listed([...new Set(rows.map(({ material }) => material.name))])}`,
      figures,
      needs: [
        ...lengthsFor(layer.id, [
          ...rows.flatMap(({ ribbon, material }, i) =>
            bowPieces(ribbon, means, hem).map(({ use, length, count: n }) => ({
              material: material.id,
              use: rows.length > 1 ? `${use}, ribbon ${i + 1}` : use,
              length,
              count: n,
              joins: false,
            })),
          ),
          ...(tieLength === null
            ? []
            : [
                {
                  material: tied === OWN_RIBBON ? rows.at(-1)!.material.id : tied,
                  use: TIE_OF_BOW,
                  length: tieLength.value,
                  count: 1,
                  joins: false,
                },
              ]),
        ]),
        ...thingsFor(layer.id, [...(tieLength === null && tied !== OWN_RIBBON ? [{ material: tied, use: TIE_OF_BOW, count: 1 }] : [])]),
      ],
    }
  },
  words(rule, _makeUp, making) {
    const {
      runs,
      laid: { placements },
    } = making
    const { ribbons } = rule
    const means = meaningOf(rule)
    if (means === null) return []
    const one = ribbons.length === 1
    return [
      ribbons.every(fromRoll)
        ? sum`Leave the ribbon on the roll until the bow is approved; cut only then.`
        : sum`Make one strip of each first and look; cut the rest when it is approved.`,
      ...ribbons.map((ribbon, i) => [...(one ? [] : [`${i + 1}. `]), ...handsOf(ribbon, means, fabricOf(making, i))]),
      ...(one ? [] : [sum`Lay them on one another in this order, pinch all middles together.`]),
      sum`Tie with ${rule.tied === OWN_RIBBON ? 'its own ribbon' : inList(materialOf(making.shelf, rule.tied)?.name ?? rule.tied)}${rule.fixes && making.layer.fixing === null ? '; leave its ends long, they fix the bow' : ''}. ${ENDS_SAID[rule.ends]}`,
      ...placements.map(({ run, s }) => ['It sits at ', ...anchorSays(runs.find(({ id }) => id === run) ?? runs[0], s), '.']),
    ]
  },
  problems(rule, making) {
    const { layer, piece, laid } = making
    const { ribbons } = rule
    const means = meaningOf(rule)
    if (means === null) return [askWhatIsMeant(layer, rule)]
    const hem = rule.ends === 'hem' ? rule.hem : 0
    const own = ribbons.flatMap((ribbon, i): Problem[] => {
      const material = fabricOf(making, i)
      const change = (next: Ribbon) => changeRule(layer, { ribbons: ribbons.map((each, k) => (k === i ? next : each)) })
      const longest = Math.max(0, ...bowPieces(ribbon, means, hem).map(({ length }) => length))
      const fit = largest(ribbon, means, material.length, hem)
      const fits = fit !== null && fit >= 5 ? sized(ribbon, Math.floor(fit), means) : null
      return [
        ...(exceeds(longest, material.length)
          ? [
              {
                id: `${layer.id}:long:${i}`,
                severity: 'fault' as const,
                layer: layer.id,
                says: sum`This bow takes a piece of ${quantity.length(longest)}, and the roll of ${material.name} has ${quantity.length(material.length)}.`,
                mends: fits
                  ? [{ says: sum`Make its loops ${quantity.length(sizeOf(fits))}`, edit: change(fits) }]
                  : [{ says: sum`Shorter tails or fewer loops`, edit: null }],
              },
            ]
          : []),
        ...(ribbon.build === 'rag' && ragLoops(ribbon, means) < 1
          ? [
              {
                id: `${layer.id}:rag:${i}`,
                severity: 'fault' as const,
                layer: layer.id,
                says: sum`Loops that take ${quantity.length(ribbonInLoop(ribbon.loop, means))} do not go into a strip of ${quantity.length(ribbon.strip)} less ${quantity.length(2 * ribbon.overhang)} at its ends.`,
                mends: [
                  {
                    says: sum`Cut the strips ${quantity.length(2 * ribbon.overhang + 2 * ribbonInLoop(ribbon.loop, means))}`,
                    edit: change({ ...ribbon, strip: 2 * ribbon.overhang + 2 * ribbonInLoop(ribbon.loop, means) }),
                  },
                ],
              },
            ]
          : []),
        ...(ribbon.build === 'coil' && (ribbon.layers % 2 === 0 || ribbon.layers < LEAST_COIL)
          ? [
              {
                id: `${layer.id}:even:${i}`,
                severity: ribbon.layers < 2 ? ('fault' as const) : ('care' as const),
                layer: layer.id,
                says:
                  ribbon.layers < 2
                    ? sum`A coil of one layer has no loop.`
                    : sum`A coil of ${quantity.count(ribbon.layers)} layers leaves one side a loop short.`,
                mends: [
                  {
                    says: sum`Wind ${quantity.count(oddLayers(ribbon.layers))}`,
                    edit: change({ ...ribbon, layers: oddLayers(ribbon.layers) }),
                  },
                ],
              },
            ]
          : []),
        ...(ribbon.build === 'hand' && material.facing !== 'all round' && ribbon.twist === 0
          ? [
              {
                id: `${layer.id}:twist:${i}`,
                severity: 'care' as const,
                layer: layer.id,
                says: sum`${capital(material.name)} has a back: it is turned at every pinch, and that takes ribbon.`,
                mends: [
                  {
                    says: sum`Allow ${quantity.length(rate(RIBBON_TWIST, making.shelf))} a pinch`,
                    edit: change({ ...ribbon, twist: rate(RIBBON_TWIST, making.shelf) }),
                  },
                ],
              },
            ]
          : []),
      ]
    })
    return [...own, ...tailProblems(piece, rule, layer, laid.placements[0], making.shelf)]
  },
}
/** What the wire that ties a bow is needed for. */
export const TIE_OF_BOW = 'tie of the bow'
/** The fewest layers that give a loop to each side. */
const LEAST_COIL = 3
/** The nearest odd number of layers, more where there may be more. */
const oddLayers = (layers: number): number => Math.max(LEAST_COIL, layers < MOST_LOOPS ? layers + 1 - (layers % 2) : MOST_LOOPS - 1)

const ENDS_SAID: Record<RuleOf<'bow'>['ends'], string> = {
  v: 'Fold each tail in half lengthwise and cut from the fold up and out.',
  slant: 'Cut each tail on a slant, both the same way down.',
  straight: 'Cut the tails straight and tuck the ends behind.',
  hem: 'Hem each tail before the bow is tied.',
}

/** Asked once for each bow, and never assumed. */
function askWhatIsMeant(layer: Layer, rule: RuleOf<'bow'>): Problem {
  const ribbon = rule.ribbons.find(hasLoops) ?? rule.ribbons[0]!
  const size = sizeOf(ribbon)
  const mend = (means: LoopMeans, says: Said) => ({ says, edit: changeRule(layer, { means }) })
  return {
    id: `${layer.id}:means`,
    severity: 'fault',
    layer: layer.id,
    says: sum`What does a loop of ${quantity.length(size)} mean? The bow waits for that.`,
    mends: [
      mend(
        'visible',
        sum`It shows ${quantity.length(loopShows(size, 'visible'))} and uses ${quantity.length(ribbonInLoop(size, 'visible'))}`,
      ),
      mend(
        'ribbon used',
        sum`It uses ${quantity.length(ribbonInLoop(size, 'ribbon used'))} and shows ${quantity.length(loopShows(size, 'ribbon used'))}`,
      ),
    ],
  }
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

/** How high over the floor the longest tail ends, mm; null where it hangs over a window's sill or a mantel, or on a wall. */
function overFloor(piece: Pick<Piece, 'base' | 'brief'>, end: number, by: Rated): number | null {
  const { surface, door } = piece.brief
  const hangs = surface.kind === 'glass' || surface.kind === 'mantel' ? null : hangsAt(piece, by)
  return hangs === null ? null : door.height * hangs - end
}

function tailFigures(
  piece: Pick<Piece, 'base' | 'brief'>,
  { ribbons }: RuleOf<'bow'>,
  at: { readonly y: number } | undefined,
  by: Rated,
): NamedFigure[] {
  if (!at) return []
  const long = tailReach(ribbons)
  const floor = overFloor(piece, at.y + long, by)
  return [
    read('tails', 'Tails end below the tie', quantity.length(long), sum`the longest tail`),
    ...(floor === null
      ? []
      : [
          read(
            'floor',
            'Tails end above the floor',
            quantity.length(floor),
            sum`where the piece hangs on ${quantity.length(piece.brief.door.height)}, less the tie’s place and ${quantity.length(long)}`,
          ),
        ]),
  ]
}

function tailProblems(
  piece: Pick<Piece, 'base' | 'brief'>,
  { ribbons }: RuleOf<'bow'>,
  layer: Layer,
  at: { readonly y: number } | undefined,
  by: Rated,
): Problem[] {
  const long = tailReach(ribbons)
  if (!at || long === 0) return []
  const floor = overFloor(piece, at.y + long, by)
  if (floor === null || floor > rate(HANDLE, by)) return []
  return [
    {
      id: `${layer.id}:tails`,
      severity: floor < 0 ? 'fault' : 'note',
      layer: layer.id,
      mends: [{ says: sum`Shorter tails`, edit: null }],
      says:
        floor < 0
          ? sum`The tails would lie on the floor: they are ${quantity.length(-floor)} too long.`
          : sum`The tails end ${quantity.length(floor)} above the floor, as low as a door’s handle or lower.`,
    },
  ]
}
