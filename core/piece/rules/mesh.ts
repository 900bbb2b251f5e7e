import { z } from 'zod'
import { inches } from '../../measure'
import { countSchema, flip, mmSchema, MOST_PLACES, placeSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const GATHERS = ['ruffle', 'petal', 'cluster'] as const
export type Gather = (typeof GATHERS)[number]
export const GATHER_NAMES: Record<Gather, string> = { ruffle: 'Ruffle', petal: 'Petal', cluster: 'Cluster, a petal of each colour' }

export const MESH_RULE = ruleSort(
  z
    .strictObject({
      kind: z.literal('mesh'),
      ties: z.int().min(1).max(MOST_PLACES).describe('that the base has on each run'),
      count: countSchema.describe('gathers wanted'),
      gathers: z.array(z.enum(GATHERS)).min(1).max(6).describe('dealt round in this order'),
      cut: mmSchema(30, 3000).describe('length of each piece, mm'),
      start: placeSchema,
    })
    .describe('pieces of mesh gathered and caught in the base’s ties'),
)({
  name: 'gathers in ties',
  note: 'Ruffles, petals and clusters, one in each tie.',
  usual: () => ({ kind: 'mesh', ties: 18, count: 18, gathers: ['ruffle', 'petal'], cut: inches(10), start: 0 }),
  image: (rule) => ({ ...rule, start: flip(rule.start) }),
  lays: 'lengths',
  materials: { mesh: 0 },
  mindful: true,
  spaced: false,
  evening: 'meant',
})
