import type { Body } from '../base'
import type { WayId } from '../piece'
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

/**
 * What holds what on each make of base, as common practice has it: the ways that suit, best first, and what never does,
 * each with why.
 */
export const FIXING_RULES: Readonly<Record<Body, Record<Hold, HoldRule>>> = {
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

/** The ways that suit on a make of base, best first: what it offers itself, then what would do anywhere. */
export function suiting(body: Body, hold: Hold): readonly Reason[] {
  const { best, never } = FIXING_RULES[body][hold]
  const named = new Set([...best, ...never].map(([way]) => way))
  return [...best, ...ANYWHERE[hold].filter(([way]) => !named.has(way))]
}
