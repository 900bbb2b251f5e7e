import { z } from 'zod'
import { inches } from '../../measure'
import { mmSchema } from '../schema-primitives'
import { ruleSort } from './rule'

/** What a laid strand is held with: what suits the base, or one of these. */
export const STRAND_TIES = ['as suits', 'pins', 'pipe cleaners', 'wire', 'zip ties'] as const
export type StrandTie = (typeof STRAND_TIES)[number]

export const LAPS_RULE = ruleSort(
  z
    .strictObject({
      kind: z.literal('laid'),
      laps: z.number().min(0.05).max(40),
      tuck: mmSchema(0, 2000).describe('to tuck in where it ends, mm'),
      every: mmSchema(5, 3000).describe('pinned or tied every so far, mm'),
      held: z.enum(STRAND_TIES).describe('what holds it there'),
    })
    .describe('a garland or strands laid along the run, lap by lap'),
)({
  name: 'laid in laps',
  note: 'Along the base, once round or several times.',
  usual: () => ({ kind: 'laid', laps: 1, tuck: inches(2), every: inches(6), held: 'as suits' }),
  lays: 'lengths',
  materials: { garland: 0 },
  spaced: false,
  evening: 'meant',
  parts: 1,
})
