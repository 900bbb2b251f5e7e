import type { BaseKind, Body } from '../base'
import { BASE_SORTS } from '../base'
import type { Material } from '../material'
import type { Rated } from '../measure'
import { rate } from '../measure'
import { HEAVY_FROM } from './thumbs'

/** How heavy-handed a thing must be held. */
export type Hold = 'light' | 'stem' | 'heavy'

export interface Method {
  /** What the hands do. */
  readonly how: string
  readonly why: string
  /** The materials that it takes. */
  readonly needs: readonly string[]
}

export function holdOf(material: Pick<Material, 'kind' | 'form' | 'mass'>, by: Rated): Hold {
  if (
    material.kind === 'bow' ||
    material.kind === 'sign' ||
    material.kind === 'letter' ||
    material.kind === 'figure' ||
    material.mass >= rate(HEAVY_FROM, by)
  )
    return 'heavy'
  return material.form === 'leaf' && material.kind !== 'filler' ? 'stem' : 'light'
}

const VINE: Record<Hold, Method> = {
  light: {
    how: 'Tuck the short end between the vines and set it with a dot of hot glue.',
    why: 'Short ends do not grip by themselves.',
    needs: ['glue-stick'],
  },
  stem: {
    how: 'Push the stem in between the vines from the outside, the way it should point.',
    why: 'The vines grip a whole stem, and it comes out again.',
    needs: [],
  },
  heavy: {
    how: 'Wire it through the vines in two places; glue only as a second hold.',
    why: 'What is heavy must hang on wire, not on glue.',
    needs: ['stem-wire-20'],
  },
}
const WIRE: Record<Hold, Method> = {
  light: { how: 'Catch the stem under two wraps of paddle wire.', why: 'Nothing tucks into bare wire.', needs: ['paddle-wire'] },
  stem: {
    how: 'Bind it on with two tight wraps of paddle wire, its stem under the next one’s leaves.',
    why: 'Each one hides the wire of the last.',
    needs: ['paddle-wire'],
  },
  heavy: {
    how: 'Tie it with stem wire round both the inner and the outer wires, in two places.',
    why: 'One tie lets it swing round the wire.',
    needs: ['stem-wire-20'],
  },
}
const SMOOTH: Record<Hold, Method> = {
  light: {
    how: 'Wire it to place, then a dot of hot glue over the wire behind.',
    why: 'Glue alone lets go of smooth metal.',
    needs: ['paddle-wire', 'glue-stick'],
  },
  stem: { how: 'Wire it along the hoop in two places.', why: 'A single tie turns on a smooth hoop.', needs: ['paddle-wire'] },
  heavy: {
    how: 'Wire it round the hoop; glue over the wire behind.',
    why: 'Glue alone lets go of smooth metal.',
    needs: ['stem-wire-20', 'glue-stick'],
  },
}
const TIPS: Record<Hold, Method> = {
  light: {
    how: 'Twist the nearest tips round its stem.',
    why: 'The wire in the tips holds light things and lets them out again.',
    needs: [],
  },
  stem: { how: 'Lay the stem along a branch and twist two tips round it.', why: 'One twist lets it turn.', needs: [] },
  heavy: {
    how: 'Wire it to the wire behind in two places; tips only hide it.',
    why: 'Tips bend out under weight.',
    needs: ['stem-wire-20'],
  },
}

/** What holds what, as common practice has it. */
const METHODS: Record<Body, Record<Hold, Method>> = {
  vine: VINE,
  twisted: VINE,
  wire: WIRE,
  box: WIRE,
  hoop: SMOOTH,
  evergreen: TIPS,
  rope: {
    ...TIPS,
    heavy: {
      how: 'Wire it round the garland’s stems behind in two places; tips only hide the wire.',
      why: 'Tips bend out under weight.',
      needs: ['stem-wire-20'],
    },
  },
  trees: {
    ...TIPS,
    heavy: { how: 'Wire it to the trunks at three places.', why: 'Fewer and it swings out of the middle.', needs: ['stem-wire-20'] },
  },
  clamps: {
    light: { how: 'Lay it in with a handful and close the clamp over both.', why: 'A clamp lets a single thin stem slip.', needs: [] },
    stem: {
      how: 'Lay a handful in the clamp, stems under the last one’s leaves, and press both prongs flat.',
      why: 'A half-closed prong scratches and lets go.',
      needs: [],
    },
    heavy: WIRE.heavy,
  },
  straw: {
    light: {
      how: 'Pin over the stem, not through the flower.',
      why: 'A pin over the strand holds without bruising.',
      needs: ['floral-pin'],
    },
    stem: {
      how: 'Pin over the stem twice, or set it on a steel pick pushed in by its wire.',
      why: 'Pushed by the head it snaps.',
      needs: ['floral-pin', 'wood-pick'],
    },
    heavy: { how: 'Wire it round the whole ring.', why: 'Pins pull out of straw under weight.', needs: ['stem-wire-20'] },
  },
  foam: {
    light: { how: 'Pin it, or push its pick in.', why: 'High-heat glue melts foam.', needs: ['floral-pin'] },
    stem: {
      how: 'Push the stem in on a pick and set it with glue at low heat.',
      why: 'High-heat glue melts foam.',
      needs: ['wood-pick', 'glue-stick'],
    },
    heavy: {
      how: 'Tie it round the whole ring with stem wire, never to the foam alone.',
      why: 'Foam tears under weight.',
      needs: ['stem-wire-20'],
    },
  },
  beads: {
    light: { how: 'Catch it with fine wire drawn between two beads.', why: 'Beads are too smooth for glue alone.', needs: ['paddle-wire'] },
    stem: { how: 'Wire it between beads in two places.', why: 'One tie lets it roll with its bead.', needs: ['paddle-wire'] },
    heavy: { how: 'Wire it round the ring between beads, in two places.', why: 'A bead turns on its wire.', needs: ['stem-wire-20'] },
  },
  rod: {
    light: { how: 'Bind it on with fine wire, a wrap at each end.', why: 'A bare rod holds nothing by itself.', needs: ['paddle-wire'] },
    stem: { how: 'Bind it along the rod with paddle wire in two places.', why: 'One tie turns on the rod.', needs: ['paddle-wire'] },
    heavy: { how: 'Wire it to the rod and to a rib or a second place.', why: 'On one tie it swings.', needs: ['stem-wire-20'] },
  },
  bound: {
    light: { how: 'Tuck it under the binding.', why: 'The binding holds what is under it.', needs: [] },
    stem: {
      how: 'Lay it across the tie, left and right in turn, and bind over it.',
      why: 'All stems hang on the one binding: draw it tight.',
      needs: ['paddle-wire'],
    },
    heavy: { how: 'Wire it round the whole bundle at the tie.', why: 'What is heavy must hang on the tie.', needs: ['stem-wire-20'] },
  },
}

/** How each kind of thing is held on a base, lightest first. */
export const methodsOn = (base: BaseKind): Readonly<Record<Hold, Method>> => METHODS[BASE_SORTS[base].body]

export const methodFor = (base: BaseKind, material: Pick<Material, 'kind' | 'form' | 'mass'>, by: Rated): Method =>
  methodsOn(base)[holdOf(material, by)]
