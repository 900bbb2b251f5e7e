import { describe, it } from 'vitest'
import { canLay, CATALOGUE, isCut } from '../../core/material'
import { agrees, onRing } from './hidden'

describe('the face that is covered is the face that is hidden', () => {
  const laid = Object.values(CATALOGUE)
    .filter((material) => canLay(material) && !isCut(material))
    .map(({ id }) => id)
  it.each(laid)('16 of %s on the starting ring', (id) => agrees(onRing(id, 16)))
})
