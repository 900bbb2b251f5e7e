import { inches, recordOf } from '../measure'
import type { Row } from './row'
import { ROWS } from './rows'
import type { Material } from './schema'

/** Unless a row says otherwise: what is dried or preserved stays under cover, the rest stands weather. */
const HARDY = { artificial: 'open', fresh: 'open', made: 'covered', dried: 'covered', preserved: 'covered' } as const

function material(id: string, { inches: [length, width], pack: [name, holds, price, bunches = 1], ...row }: Row): Material {
  return {
    plural: `${row.name}s`,
    wired: false,
    divides: false,
    colour: null,
    hazards: [],
    facing: 'all round',
    hardy: HARDY[row.state],
    parts: [],
    months: [],
    ...row,
    id,
    length: inches(length),
    width: inches(width),
    pack: { name, holds, bunches, price },
  }
}

/** What the shelf holds before anyone adds to it, by id. */
export const CATALOGUE: Readonly<Record<string, Material>> = recordOf(Object.entries(ROWS).map(([id, row]) => [id, material(id, row)]))
