import type { BaseKind } from '../base'
import type { Material } from '../material'

/** How heavy-handed a thing must be held. */
export type Hold = 'light' | 'stem' | 'heavy'

export interface Method {
  /** What the hands do. */
  readonly how: string
  readonly why: string
  readonly needs: readonly Mechanic[]
}

export type Mechanic = 'hot glue' | 'stem wire' | 'paddle wire' | 'floral pins' | 'steel picks'

export const MECHANIC_NAMES: Record<Mechanic, string> = {
  'hot glue': 'hot glue gun and sticks', 'stem wire': 'stem wire, 20 or 22 gauge', 'paddle wire': 'paddle wire, 24 or 26 gauge',
  'floral pins': 'floral pins', 'steel picks': 'steel picks',
}

/** Heavier than this a thing is wired, whatever it is, g: rule of thumb. */
const HEAVY_FROM = 40

export function holdOf(material: Pick<Material, 'kind' | 'form' | 'mass'>): Hold {
  if (material.kind === 'bow' || material.kind === 'sign' || material.kind === 'figure' || material.mass >= HEAVY_FROM) return 'heavy'
  return material.form === 'leaf' && material.kind !== 'filler' ? 'stem' : 'light'
}

/** What holds what, as common practice has it. */
const METHODS: Record<BaseKind, Record<Hold, Method>> = {
  'grapevine': {
    light: { how: 'Tuck the short end between the vines and set it with a dot of hot glue.', why: 'Short ends do not grip by themselves.', needs: ['hot glue'] },
    stem: { how: 'Push the stem in between the vines from the outside, the way it should point.', why: 'The vines grip a whole stem, and it comes out again.', needs: [] },
    heavy: { how: 'Wire it through the vines in two places; glue only as a second hold.', why: 'What is heavy must hang on wire, not on glue.', needs: ['stem wire'] },
  },
  'wire-ring': {
    light: { how: 'Catch the stem under two wraps of paddle wire.', why: 'Nothing tucks into bare wire.', needs: ['paddle wire'] },
    stem: { how: 'Bind it on with two tight wraps of paddle wire, its stem under the next one’s leaves.', why: 'Each one hides the wire of the last.', needs: ['paddle wire'] },
    heavy: { how: 'Tie it with stem wire round both the inner and the outer wires, in two places.', why: 'One tie lets it swing round the wire.', needs: ['stem wire'] },
  },
  'hoop': {
    light: { how: 'Wire it to place, then a dot of hot glue over the wire behind.', why: 'Glue alone lets go of smooth metal.', needs: ['paddle wire', 'hot glue'] },
    stem: { how: 'Wire it along the hoop in two places.', why: 'A single tie turns on a smooth hoop.', needs: ['paddle wire'] },
    heavy: { how: 'Wire it round the hoop; glue over the wire behind.', why: 'Glue alone lets go of smooth metal.', needs: ['stem wire', 'hot glue'] },
  },
  'straw': {
    light: { how: 'Pin over the stem, not through the flower.', why: 'A pin over the strand holds without bruising.', needs: ['floral pins'] },
    stem: { how: 'Pin over the stem twice, or set it on a steel pick pushed in by its wire.', why: 'Pushed by the head it snaps.', needs: ['floral pins', 'steel picks'] },
    heavy: { how: 'Wire it round the whole ring.', why: 'Pins pull out of straw under weight.', needs: ['stem wire'] },
  },
}

export const methodFor = (base: BaseKind, material: Pick<Material, 'kind' | 'form' | 'mass'>): Method => METHODS[base][holdOf(material)]
