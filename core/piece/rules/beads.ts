import { z } from 'zod'
import { inches } from '../../measure'
import { mmSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const BEADS_RULE = ruleSort(
  z
    .strictObject({
      kind: z.literal('beads'),
      allowance: mmSchema(0, 1000).describe('wire kept bare, mm'),
      own: mmSchema(0.1, 20).describe('thickness of the wire they are threaded on, mm'),
      turns: z.number().min(0).max(20).describe('of bare wire round the base at each end'),
      tail: mmSchema(0, 500).describe('beyond them, mm'),
    })
    .describe('threaded along the run'),
)({
  name: 'threaded',
  note: 'Bead by bead on wire along the run.',
  usual: () => ({ kind: 'beads', allowance: inches(0.5), own: 0.8, turns: 2, tail: inches(0.5) }),
  lays: 'beads',
  materials: { bead: 0 },
  evening: 'meant',
  parts: 1,
})
