import type { WayId } from '../piece'
import type { Carrier, Ground } from './grounds'
import type { Hold } from './hold-strength'

/** A way with why it suits, or why it never does. */
export type Reason = readonly [way: WayId, why: string]

export interface HoldRule {
  /** The ways that suit, best first. */
  readonly best: readonly Reason[]
  readonly never: readonly Reason[]
}

const SMOOTH = 'Glue alone lets go of smooth metal and plastic.'
const NO_PIN = 'There is nothing here that a pin would hold in.'
const NO_GRIP = 'Nothing grips it: it falls out when the door is shut.'
const GLUE_ONLY = 'What is heavy must hang on wire, not on glue.'
const MELTS = 'High-heat glue melts foam.'
const TORN = 'Under weight it tears out.'
const BENDS = 'Tips bend out under weight.'

/** What would do on any base, after what the base itself offers. */
const ANYWHERE: Record<Hold, readonly Reason[]> = {
  light: [
    ['paddle wire', 'A turn of thin wire holds anything and shows little.'],
    ['weatherproof glue', 'It holds in wet and frost, and sets slowly.'],
    ['hot glue', 'Quick, and does not come off again.'],
    ['glue dots', 'They hold light things and let them off again.'],
    ['wire and glue', 'The wire holds it while the glue sets.'],
    ['pipe cleaner', 'Soft, and twists shut without tools.'],
  ],
  stem: [
    ['paddle wire', 'Two ties keep a stem from turning.'],
    ['wire and glue', 'The wire holds it while the glue sets.'],
    ['zip tie', 'Tight at once; its lock must face the back.'],
    ['pipe cleaner', 'Soft, and twists shut without tools.'],
    ['weatherproof glue', 'It holds in wet and frost, and sets slowly.'],
    ['hot glue', 'Quick, and does not come off again.'],
  ],
  heavy: [
    ['stem wire', 'What is heavy must hang on wire, in more than one place.'],
    ['wire and glue', 'The wire carries it, the glue keeps it from turning.'],
    ['staple and wire', 'For flat signs of wood: three points, or it swings.'],
    ['zip tie', 'Strong, and comes off with one cut; its lock must face the back.'],
    ['cord', 'Where it is meant to hang free.'],
    ['pipe cleaner', 'For the lighter of the heavy things, two of them.'],
  ],
}

const UNPINNED: readonly Reason[] = [
  ['pins', NO_PIN],
  ['picks', NO_PIN],
]
const HEAVY_NEVER: readonly Reason[] = [
  ['tuck', NO_GRIP],
  ['push', 'A stem pushed in slides out under weight.'],
  ['hot glue', GLUE_ONLY],
  ['weatherproof glue', GLUE_ONLY],
  ['glue dots', GLUE_ONLY],
]

const rule = (best: readonly Reason[], never: readonly Reason[] = []): HoldRule => ({ best, never })
/** Heavy things are wired everywhere. */
const heavy = (why: string, never: readonly Reason[] = UNPINNED): HoldRule => rule([['stem wire', why]], [...never, ...HEAVY_NEVER])

const VINE: Record<Hold, HoldRule> = {
  light: rule(
    [
      ['hot glue', 'Tucked between the vines with a dot: short ends do not grip by themselves.'],
      ['tuck', 'Between the vines an end grips by itself, and comes out again.'],
    ],
    UNPINNED,
  ),
  stem: rule([['push', 'The vines grip a whole stem, and it comes out again.']], UNPINNED),
  heavy: heavy('What is heavy must hang on wire; glue is only a second hold.'),
}
const WIRE: Record<Hold, HoldRule> = {
  light: rule(
    [['paddle wire', 'Nothing tucks into bare wire.']],
    [...UNPINNED, ['tuck', NO_GRIP], ['hot glue', 'On thin wire glue has nothing to hold to.']],
  ),
  stem: rule([['paddle wire', 'Each one hides the wire of the last.']], [...UNPINNED, ['tuck', NO_GRIP], ['push', NO_GRIP]]),
  heavy: heavy('One tie lets it swing round the wire: inner and outer wires, two places.'),
}
const TIPS: Record<Hold, HoldRule> = {
  light: rule([['tips', 'The wire in the tips holds light things and lets them out again.']], UNPINNED),
  stem: rule([['tips', 'One twist lets it turn: two hold it.']], UNPINNED),
  heavy: heavy('Wired to what is behind; tips only hide it.', [...UNPINNED, ['tips', BENDS]]),
}

const SPLITS = 'A pick or pin splits it, or finds nothing to hold in.'
const UNPICKED: readonly Reason[] = [
  ['pins', SPLITS],
  ['picks', SPLITS],
]
const LEAVES = 'Leaves let go of it with the first wind.'
const PETALS = 'Petals let go of it, and it takes them along.'
const FLUFFED = 'Ribbon lets go of it as soon as it is fluffed.'
const LOOSE: readonly WayId[] = ['tuck', 'push']
const loose = (why: string): readonly Reason[] => LOOSE.map((way) => [way, why] as const)

/** What holds on what bears it: common practice, from memory. */
const ON_CARRIERS: Record<Carrier, Record<Hold, HoldRule>> = {
  sprig: {
    light: rule([['paddle wire', 'A turn round both stems holds it and hides under the leaves.']], [...UNPICKED, ...loose(LEAVES)]),
    stem: rule([['paddle wire', 'Stem along stem, two ties: it bends with what bears it.']], [...UNPICKED, ...loose(LEAVES)]),
    heavy: heavy('Round the stem and on to the base: a sprig bears nothing heavy by itself.', UNPICKED),
  },
  flower: {
    light: rule(
      [
        ['hot glue', 'A dot at the heart: petals alone hold nothing.'],
        ['weatherproof glue', 'A dot at the heart: petals alone hold nothing.'],
      ],
      [...UNPICKED, ...loose(PETALS)],
    ),
    stem: rule([['paddle wire', 'Under the head, stem to stem, where it does not show.']], [...UNPICKED, ...loose(PETALS)]),
    heavy: heavy('Past the petals to the stem and the base: a flower bears nothing heavy.', UNPICKED),
  },
  cone: {
    light: rule(
      [
        ['hot glue', 'Rough scales and shells hold glue well.'],
        ['weatherproof glue', 'Rough scales and shells hold glue well.'],
      ],
      [...UNPICKED, ['push', 'A stem finds no hold between scales.']],
    ),
    stem: rule([['wire and glue', 'The wire lies among the scales, the glue keeps it from turning.']], [...UNPICKED, ['push', NO_GRIP]]),
    heavy: heavy('Round its middle and on to the base: scales break off.', UNPICKED),
  },
  board: {
    light: rule(
      [
        ['hot glue', 'Wood and felt hold glue: roughen paint first.'],
        ['weatherproof glue', 'Wood and felt hold glue: roughen paint first.'],
      ],
      [...UNPICKED, ...loose(NO_GRIP)],
    ),
    stem: rule(
      [
        ['wire and glue', 'Two holes and a wire hold its stem, the glue keeps it from turning.'],
        ['weatherproof glue', 'Along the stem: roughen paint first.'],
      ],
      [...UNPICKED, ...loose(NO_GRIP)],
    ),
    heavy: rule([['wire and glue', 'Wire through two holes carries it, the glue keeps it from turning.']], [...UNPICKED, ...HEAVY_NEVER]),
  },
  ribbon: {
    light: rule([['paddle wire', 'Thin wire through the knot does not mark ribbon.']], [...UNPICKED, ...loose(FLUFFED)]),
    stem: rule([['paddle wire', 'Its stem through the back of the knot, tied where the bow is tied.']], [...UNPICKED, ...loose(FLUFFED)]),
    heavy: heavy('Through the knot and on to the base: loops bear nothing but themselves.', UNPICKED),
  },
  moss: {
    light: rule(
      [
        ['hot glue', 'A dot, pressed into the moss while it is hot.'],
        ['tuck', 'Moss holds what is light and short.'],
      ],
      UNPICKED,
    ),
    stem: rule([['paddle wire', 'Through the moss and round what is under it.']], [...UNPICKED, ['push', NO_GRIP]]),
    heavy: heavy('Through the moss to what is under it: moss tears.', UNPICKED),
  },
}

/**
 * What holds what on each make of base and on each thing that bears others, as common practice has it: the ways that suit, best
 * first, and what never does, each with why.
 */
export const FIXING_RULES: Readonly<Record<Ground, Record<Hold, HoldRule>>> = {
  ...ON_CARRIERS,
  vine: VINE,
  twisted: VINE,
  wire: WIRE,
  box: {
    ...WIRE,
    light: rule([['tuck', 'Moss and foliage packed into the box hold what is tucked among them.'], ...WIRE.light.best], UNPINNED),
  },
  clamps: {
    light: rule([['clamp', 'A clamp lets a single thin stem slip: lay it in with a handful.']], [...UNPINNED, ['tuck', NO_GRIP]]),
    stem: rule([['clamp', 'A half-closed prong scratches and lets go.']], [...UNPINNED, ['tuck', NO_GRIP], ['push', NO_GRIP]]),
    heavy: heavy('A clamp opens under weight.', [...UNPINNED, ['clamp', 'A clamp opens under weight.']]),
  },
  hoop: {
    light: rule(
      [['wire and glue', SMOOTH]],
      [...UNPINNED, ['tuck', NO_GRIP], ['hot glue', SMOOTH], ['glue dots', SMOOTH], ['weatherproof glue', SMOOTH]],
    ),
    stem: rule(
      [
        ['paddle wire', 'A single tie turns on a smooth hoop.'],
        ['wire and glue', SMOOTH],
      ],
      [...UNPINNED, ['tuck', NO_GRIP], ['push', NO_GRIP], ['hot glue', SMOOTH], ['weatherproof glue', SMOOTH]],
    ),
    heavy: rule(
      [['wire and glue', 'Wired round the hoop, with glue over the wire behind so that it cannot turn.']],
      [...UNPINNED, ...HEAVY_NEVER],
    ),
  },
  evergreen: TIPS,
  rope: TIPS,
  trees: {
    ...TIPS,
    heavy: heavy('To the trunks: fewer than three places and it swings out of the middle.', [...UNPINNED, ['tips', BENDS]]),
  },
  straw: {
    light: rule(
      [
        ['pins', 'A pin over the stem holds without bruising.'],
        ['picks', 'Where the head would hide a pin.'],
      ],
      [['hot glue', 'Glue tears the plastic wrap, and that must stay on.']],
    ),
    stem: rule(
      [
        ['pins', 'Two pins keep it from turning.'],
        ['picks', 'Pushed by the head it snaps.'],
      ],
      [['hot glue', 'Glue tears the plastic wrap, and that must stay on.']],
    ),
    heavy: heavy('Round the whole ring: pins pull out of straw under weight.', [
      ['pins', 'Pins pull out of straw under weight.'],
      ['picks', 'Picks pull out of straw under weight.'],
    ]),
  },
  foam: {
    light: rule(
      [
        ['pins', 'A pin holds in foam, and high-heat glue melts it.'],
        ['picks', 'A pick spreads what a stem would tear.'],
      ],
      [
        ['hot glue', MELTS],
        ['wire and glue', MELTS],
      ],
    ),
    stem: rule(
      [
        ['picks', 'A pick spreads what a stem would tear.'],
        ['pins', 'Two pins keep it from turning.'],
      ],
      [
        ['hot glue', MELTS],
        ['wire and glue', MELTS],
      ],
    ),
    heavy: heavy('Round the whole ring, never to the foam alone: foam tears.', [
      ['pins', TORN],
      ['picks', TORN],
      ['wire and glue', MELTS],
    ]),
  },
  beads: {
    light: rule(
      [['paddle wire', 'Fine wire between two beads; beads are too smooth for glue alone.']],
      [...UNPINNED, ['hot glue', SMOOTH], ['tuck', NO_GRIP]],
    ),
    stem: rule([['paddle wire', 'One tie lets it roll with its bead.']], [...UNPINNED, ['tuck', NO_GRIP], ['push', NO_GRIP]]),
    heavy: heavy('Between beads, in two places: a bead turns on its wire.'),
  },
  rod: {
    light: rule([['paddle wire', 'A bare rod holds nothing by itself.']], [...UNPINNED, ['hot glue', SMOOTH], ['tuck', NO_GRIP]]),
    stem: rule([['paddle wire', 'One tie turns on the rod.']], [...UNPINNED, ['tuck', NO_GRIP], ['push', NO_GRIP]]),
    heavy: heavy('To the rod and to a rib or a second place: on one tie it swings.'),
  },
  bound: {
    light: rule([['tuck', 'The binding holds what is under it.']], UNPINNED),
    stem: rule([['paddle wire', 'All stems hang on the one binding: draw it tight.']], UNPINNED),
    heavy: heavy('Round the whole bundle at the tie: what is heavy must hang on the tie.'),
  },
}

/** The ways that suit on a ground, best first: what it offers itself, then what would do anywhere. */
export function suiting(ground: Ground, hold: Hold): readonly Reason[] {
  const { best, never } = FIXING_RULES[ground][hold]
  const named = new Set([...best, ...never].map(([way]) => way))
  return [...best, ...ANYWHERE[hold].filter(([way]) => !named.has(way))]
}
