import type { Material } from '../material'
import type { Stock } from './job'

/** A new roll, spool or length of a material, as it is bought. */
export const newRoll = ({ length, pack }: Pick<Material, 'length' | 'pack'>): Stock => ({ id: NEW, length, price: Math.ceil(pack.price / pack.holds), supply: null })
/** How new rolls are known in a plan. */
export const NEW = 'new'

/** Kinds of material that come by the length and are cut to pieces. */
export const isCut = ({ kind, length }: Pick<Material, 'kind' | 'length'>): boolean =>
  kind === 'ribbon' || kind === 'mesh' || kind === 'garland' || (kind === 'mechanic' && length >= LONG)
/** Shorter things of mechanics are used whole, mm. */
const LONG = 1000
