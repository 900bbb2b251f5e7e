import { expect, it } from 'vitest'
import { usualBase } from '#core/base'
import { layerOf, pieceWith, shelf } from '#core/testing'
import { cordMarks } from '#core/scene'
import { work } from '#core/workings'
import { faultText } from '~/utils/files'
import { hasClock, pieceBounds } from './scene'

it('tucks stems in and hangs signs on two cords', () => {
  const { scene } = work(
    pieceWith([
      layerOf('a', 'bay', { kind: 'single', at: 0.2, drop: 0 }),
      layerOf('b', 'ticket-sign', { kind: 'single', at: 0, drop: 120 }),
      layerOf('c', 'rose', { kind: 'single', at: 0.5, drop: 0 }),
    ]),
    shelf,
  )
  const [bay, ticket, rose] = scene.items
  expect([bay!.tucked, rose!.tucked]).toEqual(['base', null])
  expect(cordMarks(ticket!)).toHaveLength(2)
  expect(cordMarks(bay!)).toEqual([])
})

it('says what is wrong in a file and where, but not without end', () => {
  expect(faultText([{ says: 'Too long.', at: 'brief.name', line: 8 }])).toBe('brief.name, line 8: Too long.\nNothing was changed.')
  expect(faultText([{ says: 'Too large.', at: '', line: null }])).toBe('Too large.\nNothing was changed.')
  const many = Array.from({ length: 9 }, () => ({ says: 'Wrong.', at: 'a', line: 1 }))
  expect(faultText(many)).toContain('and 4 more')
})

it('shows a ring with its clock, and a garland as far as it goes', () => {
  const ring = work(pieceWith([]), shelf)
  expect(hasClock(ring)).toBe(true)
  expect(pieceBounds(ring).right).toBeGreaterThan(ring.size.right * 1.1)
  const garland = work(pieceWith([], { base: usualBase('mantel-garland') }), shelf)
  expect(hasClock(garland)).toBe(false)
  expect(pieceBounds(garland).right).toBeGreaterThan(garland.size.right)
})
