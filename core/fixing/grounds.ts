import type { Body } from '../base'
import type { Material } from '../material'

/**
 * What bears a thing that lies on another, by what holds on it: a stem with leaves; a flower head; a cone, pod or fruit; wood or
 * felt; ribbon, mesh and the knot of a bow; moss.
 */
const CARRIERS = ['sprig', 'flower', 'cone', 'board', 'ribbon', 'moss'] as const
export type Carrier = (typeof CARRIERS)[number]

/** What a thing is fixed to: the make of the base, or what bears it. */
export type Ground = Body | Carrier

const BY_KIND: Record<Material['kind'], Carrier> = {
  greenery: 'sprig',
  bough: 'sprig',
  herb: 'sprig',
  stem: 'sprig',
  twig: 'sprig',
  garland: 'sprig',
  filler: 'sprig',
  focal: 'flower',
  'second flower': 'flower',
  accent: 'cone',
  light: 'cone',
  bead: 'cone',
  mechanic: 'cone',
  moss: 'moss',
  bow: 'ribbon',
  ribbon: 'ribbon',
  mesh: 'ribbon',
  sign: 'board',
  letter: 'board',
  figure: 'board',
}

/** What a material is to what lies on it. A stem of berries is a stem. */
export const carrierOf = ({ kind, form }: Pick<Material, 'kind' | 'form'>): Carrier =>
  form === 'leaf' && BY_KIND[kind] === 'cone' ? 'sprig' : BY_KIND[kind]

const NAMES: ReadonlySet<string> = new Set(CARRIERS)
export const isCarrier = (ground: Ground): ground is Carrier => NAMES.has(ground)
