import { recordOf } from '../../measure'
import type { Species } from '../species-grammar'
import { CLOTH } from './cloth'
import { FINE } from './fine'
import { FLOWERS } from './flowers'
import { LEAVES } from './leaves'
import { MECHANICS, SIGNS, TRINKETS } from './made'
import { NEEDLES } from './needles'
import { WOODY } from './woody'

/** Every species that can be drawn, by the name that materials use. */
export const SPECIES: Readonly<Record<string, Species>> = recordOf(
  Object.entries({ ...LEAVES, ...NEEDLES, ...FINE, ...FLOWERS, ...WOODY, ...TRINKETS, ...CLOTH, ...SIGNS, ...MECHANICS }),
)
