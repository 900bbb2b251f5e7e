import type { Material } from './schema'

/** A row of the catalogue: what differs from the usual. */
export type Row = Omit<
  Material,
  | 'id'
  | 'mass'
  | 'plural'
  | 'length'
  | 'width'
  | 'pack'
  | 'wired'
  | 'divides'
  | 'colour'
  | 'hazards'
  | 'facing'
  | 'curve'
  | 'hardy'
  | 'parts'
  | 'months'
> & {
  plural?: string
  /** Of one, g; of ribbon and wire by what they are made of and how much of it there is. */
  mass?: number
  /** The tightest curve that its stem takes, radius in inches. */
  curve?: number
  inches: readonly [length: number, width: number]
  pack: readonly [name: string, holds: number, price: number, bunches?: number]
} & Partial<Pick<Material, 'wired' | 'divides' | 'colour' | 'hazards' | 'facing' | 'hardy' | 'parts' | 'months'>>
