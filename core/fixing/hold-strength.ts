import type { Material } from '../material'
import type { Rated } from '../measure'
import { rate } from '../measure'
import { HEAVY_FROM } from './rules-of-thumb'

/** How heavy-handed a thing must be held. */
export const HOLDS = ['light', 'stem', 'heavy'] as const
export type Hold = (typeof HOLDS)[number]

/** What is as good as heavy whatever it weighs, since it is caught by hands, sleeves and wind. */
const CAUGHT: ReadonlySet<Material['kind']> = new Set(['bow', 'sign', 'letter', 'figure'])

export const holdOf = ({ kind, form, mass }: Pick<Material, 'kind' | 'form' | 'mass'>, by: Rated): Hold =>
  CAUGHT.has(kind) || mass >= rate(HEAVY_FROM, by) ? 'heavy' : form === 'leaf' && kind !== 'filler' ? 'stem' : 'light'
