import { inches, pluralOf, recordOf } from '../measure'
import type { Row } from './catalogue-row'
import { ROWS } from './catalogue-data'
import type { Material } from './schema'

/** Unless a row says otherwise: what is dried or preserved stays under cover, the rest stands weather. */
const HARDY = { artificial: 'open', fresh: 'open', made: 'covered', dried: 'covered', preserved: 'covered' } as const

/** What a square metre of ribbon weighs, wired edges and all, g: rule of thumb. What steel does, g to the cubic millimetre: NIST, from memory. */
const [RIBBON, STEEL] = [155, 0.00785]
/** What a roll weighs by its length and width, a wire by its length and gauge, mm. */
const massOf = (kind: Material['kind'], length: number, width: number): number =>
  Math.round(kind === 'mechanic' ? (Math.PI / 4) * width ** 2 * length * STEEL : length * width * 1e-6 * RIBBON)

function material(id: string, { inches: [length, width], pack: [name, holds, price, bunches = 1], curve, ...row }: Row): Material {
  return {
    plural: pluralOf(row.name),
    wired: false,
    divides: false,
    colour: null,
    hazards: [],
    facing: 'all round',
    hardy: HARDY[row.state],
    parts: [],
    months: [],
    ...row,
    mass: row.mass ?? massOf(row.kind, inches(length), inches(width)),
    id,
    curve: curve === undefined ? null : inches(curve),
    length: inches(length),
    width: inches(width),
    pack: { name, holds, bunches, price },
  }
}

/** Greenery that most pieces begin with, whatever the base. */
export const FIRST_GREENS = ['bracken', 'cedar', 'eucalyptus', 'bay'] as const

/** What the shelf holds before anyone adds to it, by id. */
export const CATALOGUE: Readonly<Record<string, Material>> = recordOf(Object.entries(ROWS).map(([id, row]) => [id, material(id, row)]))
