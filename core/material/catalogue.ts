import { inches, recordOf } from '../measure'
import { ROWS } from './rows'
import type { Material } from './schema'

/** A row of the catalogue: what differs from the usual. */
export type Row = Omit<Material, 'id' | 'plural' | 'length' | 'width' | 'pack' | 'wired' | 'divides' | 'colour' | 'hazards' | 'facing' | 'hardy' | 'parts' | 'months'> & {
  plural?: string
  inches: readonly [length: number, width: number]
  pack: readonly [name: string, holds: number, price: number, bunches?: number]
} & Partial<Pick<Material, 'wired' | 'divides' | 'colour' | 'hazards' | 'facing' | 'hardy' | 'parts' | 'months'>>

/** Unless a row says otherwise: what is dried or preserved stays under cover, the rest stands weather. */
const HARDY = { artificial: 'open', fresh: 'open', made: 'covered', dried: 'covered', preserved: 'covered' } as const

function material(id: string, { inches: [length, width], pack: [name, holds, price, bunches = 1], ...row }: Row): Material {
  return {
    plural: `${row.name}s`, wired: false, divides: false, colour: null, hazards: [], facing: 'all round', hardy: HARDY[row.state], parts: [], months: [],
    ...row, id, length: inches(length), width: inches(width), pack: { name, holds, bunches, price },
  }
}

/** What the shelf holds before anyone adds to it, by id. */
export const CATALOGUE: Readonly<Record<string, Material>> =
  recordOf(Object.entries(ROWS).map(([id, row]) => [id, material(id, row)]))
