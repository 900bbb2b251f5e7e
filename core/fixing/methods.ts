import { TIE_ENDS, wireOfTie } from '../constructions'
import { USUAL_CORD } from '../material'
import type { MechanicId } from '../material'
import type { Rated, Term } from '../measure'
import { count, mm, PI, plus, saidAs, times, byRule } from '../measure'
import type { WayId } from '../piece'
import type { Ground } from './grounds'
import type { Hold } from './hold-strength'
import {
  HEAVY_DOTS,
  LIGHT_DOTS,
  LIGHT_PINS,
  STAPLES,
  STEM_PINS,
  STEM_TIES,
  THICK_WIRE_FROM,
  TRUNK_PLACES,
  WIRE_PLACES,
} from './rules-of-thumb'

/** How each part of a base, and what bears others, is spoken of where something is fixed to it. */
const GROUND: Record<Ground, { readonly round: string; readonly into: string }> = {
  vine: { round: 'through the vines', into: 'between the vines' },
  twisted: { round: 'under the windings', into: 'under the windings' },
  wire: { round: 'round the inner and the outer wires', into: 'between the wires' },
  box: { round: 'round the inner and the outer wires', into: 'into the box of wires' },
  clamps: { round: 'round the ring between clamps', into: 'into a clamp' },
  hoop: { round: 'round the hoop', into: 'behind the hoop' },
  evergreen: { round: 'round the wire behind', into: 'between the tips' },
  rope: { round: 'round the garland’s stems behind', into: 'between the tips' },
  trees: { round: 'round trunk or branch', into: 'between the tips' },
  straw: { round: 'round the whole ring', into: 'into the straw' },
  foam: { round: 'round the whole ring', into: 'into the foam' },
  beads: { round: 'round the wire between two beads', into: 'between two beads' },
  rod: { round: 'round the rod', into: 'behind the rod' },
  bound: { round: 'round the whole bundle at the tie', into: 'under the binding' },
  sprig: { round: 'round the stem that bears it', into: 'between the leaves' },
  flower: { round: 'round the stem under the head', into: 'under the head' },
  cone: { round: 'round the middle of what bears it', into: 'among the scales' },
  board: { round: 'through two holes in what bears it', into: 'behind what bears it' },
  ribbon: { round: 'through the knot', into: 'into the knot' },
  moss: { round: 'round what is under the moss', into: 'into the moss' },
}

/** What one thing is held with. */
export interface Joint {
  readonly ground: Ground
  readonly hold: Hold
  /** Whether the thing has a stem of its own. */
  readonly stemmed: boolean
  /** How many are held so. */
  readonly count: number
  /** What a tie goes round, mm. */
  readonly thick: Term
  /** Of the thing and of what it bears, g. */
  readonly mass: number
  /** The paddle wire that is used on this piece. */
  readonly wire: string
}

/** What one thing takes: whole things, a length, or dots of glue. */
export interface Take {
  /** A mechanic of the shelf, or the wire that the maker ties with. */
  readonly material: MechanicId | (string & {})
  readonly of: 'things' | 'length' | 'dots'
  /** Of one thing held so. */
  readonly each: Term
}

/** What may give way: a link is told by what it is made of. */
export type Link = 'grip' | 'wire' | 'ties' | 'pin' | 'glue' | 'cord'

export interface Way {
  readonly id: WayId
  /** "wired with stem wire" */
  readonly held: string
  readonly how: (joint: Joint, by: Rated) => string
  readonly takes: (joint: Joint, by: Rated) => readonly Take[]
  /** What hands need besides what is used up. */
  readonly tools: readonly string[]
  readonly link: Link
  /** At how many places it is held. */
  readonly places: (joint: Joint, by: Rated) => number
  /** Whether it comes off again without harm. */
  readonly undone: boolean
  /** Whether it is hot glue, which lets go in heat, wet and frost. */
  readonly indoors: boolean
  readonly glue: boolean
}

const SAID = ['no', 'one', 'two', 'three', 'four', 'five', 'six'] as const
/** One of several is spoken of as each. */
const it = ({ count: n }: Joint): string => (n > 1 ? 'each' : 'it')
const its = ({ count: n }: Joint): string => (n > 1 ? 'each' : 'its')
const the = ({ count: n }: Joint): string => (n > 1 ? 'each' : 'the')
const inPlaces = (n: number): string => (n === 1 ? 'in one place' : `in ${SAID[n] ?? n} places`)

const wirePlaces = ({ ground }: Joint, by: Rated): Term => byRule(ground === 'trees' ? TRUNK_PLACES : WIRE_PLACES, by)
const ties = ({ hold }: Joint, by: Rated): Term => (hold === 'light' ? count(1) : byRule(STEM_TIES, by))
const dots = ({ hold }: Joint, by: Rated): Term => byRule(hold === 'light' ? LIGHT_DOTS : HEAVY_DOTS, by)
/** The wire of so many ties of paddle wire. */
const tied = (joint: Joint, n: Term, by: Rated): Take => ({
  material: joint.wire,
  of: 'length',
  each: times(n, wireOfTie(joint.thick, by)),
})
const gauge = ({ mass }: Joint, by: Rated): MechanicId => (mass >= byRule(THICK_WIRE_FROM, by).value ? 'stem-wire-18' : 'stem-wire-20')

const CUTTERS = 'wire cutters'
const GUN = 'glue gun on its stand'
const never = (): readonly Take[] => []
const once = (): number => 1

const way = (id: WayId, rest: Partial<Way> & Pick<Way, 'held' | 'how' | 'link'>): Way => ({
  id,
  takes: never,
  tools: [],
  places: once,
  undone: true,
  indoors: false,
  glue: false,
  ...rest,
})

/** All ways to hold a thing. Numbers are common practice, each a rule of thumb of its own. */
export const FIXING_WAYS: Readonly<Record<WayId, Way>> = {
  tuck: way('tuck', {
    held: 'tucked in',
    how: (joint) => `Tuck ${its(joint)} end ${GROUND[joint.ground].into}; nothing else holds it.`,
    link: 'grip',
  }),
  push: way('push', {
    held: 'pushed in',
    how: (joint) => `Push ${the(joint)} stem in ${GROUND[joint.ground].into} from outside, the way it should point.`,
    link: 'grip',
  }),
  tips: way('tips', {
    held: 'held by tips of the base',
    how: (joint) =>
      joint.hold === 'light' || !joint.stemmed
        ? `Twist the nearest tips round ${its(joint)} ${joint.stemmed ? 'stem' : 'loop or neck'}.`
        : `Lay ${the(joint)} stem along a branch and twist two tips round it.`,
    link: 'grip',
    places: ({ hold }) => (hold === 'light' ? 1 : 2),
  }),
  clamp: way('clamp', {
    held: 'held in the clamps',
    how: (joint) => `Lay ${it(joint)} in with a handful, stems under the last one’s leaves, and press both prongs flat.`,
    link: 'grip',
  }),
  'paddle wire': way('paddle wire', {
    held: 'tied with paddle wire',
    how: (joint, by) =>
      joint.hold === 'light'
        ? `Tie ${it(joint)} with paddle wire ${GROUND[joint.ground].round}.`
        : `Tie ${joint.stemmed ? `${its(joint)} stem` : it(joint)} with paddle wire ${GROUND[joint.ground].round} ${inPlaces(ties(joint, by).value)}${joint.stemmed ? ', the last tie under the next one’s leaves' : ''}.`,
    takes: (joint, by) => [tied(joint, ties(joint, by), by)],
    tools: [CUTTERS],
    link: 'wire',
    places: (joint, by) => ties(joint, by).value,
  }),
  'stem wire': way('stem wire', {
    held: 'wired with stem wire',
    how: (joint, by) =>
      `Wire ${it(joint)} ${GROUND[joint.ground].round} ${inPlaces(wirePlaces(joint, by).value)}, a stem wire to each, and twist the ends shut behind.`,
    takes: (joint, by) => [{ material: gauge(joint, by), of: 'things', each: wirePlaces(joint, by) }],
    tools: [CUTTERS, 'pliers'],
    link: 'wire',
    places: (joint, by) => wirePlaces(joint, by).value,
  }),
  pins: way('pins', {
    held: 'pinned',
    how: ({ hold, stemmed }, by) =>
      !stemmed
        ? 'Pin over its loop or edge, not through it.'
        : hold === 'light'
          ? 'Pin over the stem, not through the flower.'
          : `Pin over the stem ${inPlaces(byRule(STEM_PINS, by).value)}, the pins slanted against each other.`,
    takes: ({ hold }, by) => [{ material: 'floral-pin', of: 'things', each: byRule(hold === 'light' ? LIGHT_PINS : STEM_PINS, by) }],
    link: 'pin',
    places: ({ hold }, by) => byRule(hold === 'light' ? LIGHT_PINS : STEM_PINS, by).value,
  }),
  picks: way('picks', {
    held: 'set on picks',
    how: (joint) => `Wire ${it(joint)} to a pick and push that in ${GROUND[joint.ground].into} by the pick, not by the head.`,
    takes: () => [{ material: 'wood-pick', of: 'things', each: count(1) }],
    link: 'pin',
  }),
  'zip tie': way('zip tie', {
    held: 'drawn on with zip ties',
    how: (joint) =>
      `Draw two zip ties round ${it(joint)} and ${GROUND[joint.ground].round}; clip their tails flush and turn the locks to the back.`,
    takes: () => [{ material: 'zip-tie', of: 'things', each: count(2) }],
    tools: [CUTTERS],
    link: 'ties',
    places: () => 2,
  }),
  'pipe cleaner': way('pipe cleaner', {
    held: 'tied with pipe cleaners',
    how: (joint) =>
      `Twist ${joint.hold === 'light' ? 'a pipe cleaner' : 'two pipe cleaners'} round ${it(joint)} and ${GROUND[joint.ground].round}, and fold the ends in.`,
    takes: ({ hold }) => [{ material: 'pipe-cleaner', of: 'things', each: count(hold === 'light' ? 1 : 2) }],
    link: 'ties',
    places: ({ hold }) => (hold === 'light' ? 1 : 2),
  }),
  'hot glue': way('hot glue', {
    held: 'glued with hot glue',
    how: (joint, by) =>
      `Set ${it(joint)} with ${dots(joint, by).value === 1 ? 'a dot' : `${SAID[dots(joint, by).value] ?? dots(joint, by).value} dots`} of hot glue and hold it until the glue is dull.`,
    takes: (joint, by) => [{ material: 'glue-stick', of: 'dots', each: dots(joint, by) }],
    tools: [GUN],
    link: 'glue',
    undone: false,
    indoors: true,
    glue: true,
  }),
  'weatherproof glue': way('weatherproof glue', {
    held: 'glued with weatherproof glue',
    how: (joint, by) =>
      `Set ${it(joint)} with ${dots(joint, by).value === 1 ? 'a dot' : `${SAID[dots(joint, by).value] ?? dots(joint, by).value} dots`} of weatherproof glue and leave it lying flat until that has set.`,
    takes: (joint, by) => [{ material: 'weather-glue', of: 'dots', each: dots(joint, by) }],
    link: 'glue',
    undone: false,
    glue: true,
  }),
  'glue dots': way('glue dots', {
    held: 'set on glue dots',
    how: (joint) => `Press ${it(joint)} onto glue dots: they hold it and let it off again.`,
    takes: (joint, by) => [{ material: 'glue-dot', of: 'things', each: dots(joint, by) }],
    link: 'glue',
    indoors: true,
    glue: true,
  }),
  'wire and glue': way('wire and glue', {
    held: 'wired to place and glued',
    how: (joint) => `Wire ${it(joint)} to place ${GROUND[joint.ground].round}, then a dot of glue over the wire behind.`,
    takes: (joint, by) => [
      ...(joint.hold === 'heavy'
        ? [{ material: gauge(joint, by), of: 'things' as const, each: wirePlaces(joint, by) }]
        : [tied(joint, count(1), by)]),
      { material: 'glue-stick', of: 'dots', each: byRule(LIGHT_DOTS, by) },
    ],
    tools: [CUTTERS, GUN],
    link: 'wire',
    places: (joint, by) => (joint.hold === 'heavy' ? wirePlaces(joint, by).value : 2),
    undone: false,
    glue: true,
  }),
  'staple and wire': way('staple and wire', {
    held: 'stapled to wire',
    how: (joint, by) =>
      `Staple a hairpin of stem wire to ${its(joint)} back at ${SAID[byRule(STAPLES, by).value] ?? byRule(STAPLES, by).value} points and tie the wire’s ends ${GROUND[joint.ground].round}.`,
    takes: (_task, by) => [
      { material: 'staple', of: 'things', each: byRule(STAPLES, by) },
      { material: 'stem-wire-20', of: 'things', each: count(2) },
    ],
    tools: ['staple gun', 'pliers'],
    link: 'wire',
    places: () => 2,
  }),
  cord: way('cord', {
    held: 'hung on a cord',
    how: (joint) => `Tie ${it(joint)} on a cord ${GROUND[joint.ground].round} with a knot that cannot run.`,
    takes: ({ thick }, by) => [
      {
        material: USUAL_CORD,
        of: 'length',
        each: plus(times(PI, thick), saidAs(times(count(2), mm(byRule(TIE_ENDS, by).value)), ['two ends'])),
      },
    ],
    tools: ['scissors'],
    link: 'cord',
  }),
}
