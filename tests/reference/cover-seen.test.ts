import { everyNth } from '../amount'
import { describe, it } from 'vitest'
import { canLay, CATALOGUE, isCut } from '../../core/material'
import { agrees, onRing } from './hidden'

describe('the face that is covered is the face that is hidden', () => {
  // One of each species, since what else is of one is drawn alike; every sixth of them, and all in a long run.
  const bySpecies = new Map(Object.values(CATALOGUE).flatMap((of) => (canLay(of) && !isCut(of) ? [[of.species, of.id] as const] : [])))
  const laid = everyNth(6, [...bySpecies.values()])
  it.each(laid)('16 of %s on the starting ring', (id) => agrees(onRing(id, 16)))
})
