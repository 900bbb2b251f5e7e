import type { ShapedLength } from '../placement'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'
import type { Finish } from './species-grammar'
import type { FabricLooks, MadeLooks } from './parts/made'
import { SPECIES } from './species'

/** What a roll of each species is woven as. */
export function finishOf(species: string): Finish {
  const [first] = SPECIES[species]?.grow ?? []
  return first && 'part' in first && first.part === 'roll' ? first.finish : 'plain'
}

function fabricLooks({ species, colours }: Material): FabricLooks {
  const finish = finishOf(species)
  return { finish, first: colours[0]!, second: colours[1] ?? (SPECIES[species]?.palette.second as string) ?? '#efe6d2' }
}

/** Strands that are drawn otherwise along the base than as bought. */
const LENGTHS: Readonly<Record<string, string>> = { roping: 'roping-length', 'bead-strand': 'bead-strand-length' }

/** The species that draws a made thing, when one does. */
export const speciesMade = (made: ShapedLength, { species }: Material): string =>
  made.as === 'gather' ? `mesh-${made.how}` : (LENGTHS[species] ?? species)

/** How a made thing that no species draws looks. */
export function looksMade(made: ShapedLength, material: Material, shelf: Shelf): MadeLooks | null {
  if (made.as === 'turns') return { as: 'turns', turns: made.turns, cord: made.cord, fabric: fabricLooks(material) }
  if (made.as === 'bow')
    return {
      as: 'bow',
      moves: made.moves,
      fabrics: made.materials.map((id) => fabricLooks(materialOf(shelf, id) ?? material)),
      widths: made.widths,
      ends: made.ends,
      turned: 0,
      upTo: null,
    }
  return null
}
