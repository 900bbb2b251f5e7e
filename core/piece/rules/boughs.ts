import { z } from 'zod'
import { inches } from '../../measure'
import { BOUGH_YIELDS } from '../rules-of-thumb'
import { ruleSort } from './rule'

export const BOUGHS_RULE = ruleSort(
  z
    .strictObject({
      kind: z.literal('boughs'),
      overlap: z.number().min(0).max(3000).describe('of each piece over the next, mm'),
      yields: z.number().min(50).max(20_000).describe('garland made of one large bough, mm'),
    })
    .describe('pieces of bough bound end over end along a run'),
)({
  name: 'bough garland',
  note: 'Pieces of bough bound end over end.',
  usual: () => ({ kind: 'boughs', overlap: inches(6), yields: BOUGH_YIELDS.value }),
  evening: 'meant',
})
