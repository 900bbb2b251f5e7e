import type { Need } from './need'
import type { Material } from './schema'
import type { Shelf } from './shelf'
import { materialOf } from './shelf'

/** What a mechanic of the shelf is to those who go by it, and whether it comes off whole when a piece is taken apart. */
export interface Mechanic {
  readonly is: 'wire' | 'rod' | 'cord' | 'tie' | 'pin' | 'hot glue' | 'weatherproof glue' | 'glue dot' | 'hook'
  readonly comesOff: boolean
}

/** The mechanics that rules ask for by name. */
export const MECHANICS = {
  'paddle-wire': { is: 'wire', comesOff: false },
  'paddle-wire-bare': { is: 'wire', comesOff: false },
  'paddle-wire-brown': { is: 'wire', comesOff: false },
  'paddle-wire-white': { is: 'wire', comesOff: false },
  'stem-wire-18': { is: 'wire', comesOff: false },
  'stem-wire-20': { is: 'wire', comesOff: false },
  'frame-rod': { is: 'rod', comesOff: false },
  'jute-twine': { is: 'cord', comesOff: false },
  'zip-tie': { is: 'tie', comesOff: false },
  'pipe-cleaner': { is: 'tie', comesOff: false },
  'floral-pin': { is: 'pin', comesOff: true },
  'wood-pick': { is: 'pin', comesOff: true },
  'glue-stick': { is: 'hot glue', comesOff: false },
  'weather-glue': { is: 'weatherproof glue', comesOff: false },
  'glue-dot': { is: 'glue dot', comesOff: false },
  'over-door-hook': { is: 'hook', comesOff: true },
  'wall-nail': { is: 'hook', comesOff: true },
  'screw-hook': { is: 'hook', comesOff: true },
  'adhesive-strip': { is: 'hook', comesOff: false },
  'suction-cup': { is: 'hook', comesOff: true },
  'door-magnet': { is: 'hook', comesOff: true },
  'coat-hook': { is: 'hook', comesOff: true },
} as const satisfies Record<string, Mechanic>
export type MechanicId = keyof typeof MECHANICS

/** What a material is to those who go by mechanics; null where it is none of them. @example mechanicOf('zip-tie')?.is // 'tie' */
export const mechanicOf = (id: string): Mechanic | null => (Object.hasOwn(MECHANICS, id) ? MECHANICS[id as MechanicId] : null)

/** Wire that is wound off a paddle, the maker's own too. */
export const isPaddleWire = ({ kind, species }: Pick<Material, 'kind' | 'species'>): boolean =>
  kind === 'mechanic' && species === 'wire-paddle'
/** Wire of any kind: wire cutters cut it, and its ends fly. */
const isWire = (of: Pick<Material, 'id' | 'kind' | 'species'>): boolean => mechanicOf(of.id)?.is === 'wire' || isPaddleWire(of)

/** Whether wire is among what is needed. */
export const needsWire = (needs: readonly Pick<Need, 'material'>[], shelf: Pick<Shelf, 'materials'>): boolean =>
  needs.some(({ material }) => {
    const known = materialOf(shelf, material)
    return known !== undefined && isWire(known)
  })

/** What an own outline is bent of. */
export const USUAL_ROD: MechanicId = 'frame-rod'
/** What wires and cords are where nobody chose another. */
export const USUAL_WIRE: MechanicId = 'paddle-wire'
/** What joints of bare rod are bound with. */
export const USUAL_WIRE_BARE: MechanicId = 'paddle-wire-bare'
export const USUAL_CORD: MechanicId = 'jute-twine'
