import { z } from 'zod'
import { inches } from '../../measure'
import { mmSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const WRAP_RULE = ruleSort(
  z
    .strictObject({
      kind: z.literal('wound'),
      pitch: mmSchema(0.5, 3000).nullable().describe('from turn to turn, mm; null lays them side by side'),
      thick: mmSchema(0.5, 1000).describe('through what it is wound round, mm'),
      ends: mmSchema(0, 2000).describe('left over at each end, mm'),
      every: mmSchema(5, 3000).nullable().describe('pinned or tied every so far; null at both ends only'),
    })
    .describe('ribbon, twine or a strand wound round the run'),
)({
  name: 'wound round',
  note: 'Turn after turn round the base.',
  usual: () => ({ kind: 'wound', pitch: inches(2.5), thick: inches(1.5), ends: inches(1), every: null }),
  lays: 'lengths',
  materials: { mechanic: 0, garland: 1, ribbon: 1, mesh: 2 },
  spaced: false,
  evening: 'meant',
  parts: 1,
})
