import { describe, expect, it } from 'vitest'
import {
  chose,
  cutToMessage,
  liftedMessage,
  nameTogether,
  pinnedDown,
  putBackToRule,
  shifted,
  slid,
  trimmed,
  turnedMessage,
} from './edit-messages'

describe('what is said of hands', () => {
  it('calls one by its name and several by their number', () => {
    expect(nameTogether(['bay 3'])).toBe('bay 3')
    expect(nameTogether(['bay 3', 'bay 4'])).toBe('2 stems')
  })
  it('tells the way by the sign, and turns in whole degrees', () => {
    expect(shifted('bay 3', 0.1)).toEqual({ does: 'move bay 3 outward', says: 'bay 3 moved outward' })
    expect(shifted('bay 3', -0.1).does).toBe('move bay 3 inward')
    expect(turnedMessage('bay 3', -4.6)).toEqual({
      does: 'turn bay 3 5 degrees anticlockwise',
      says: 'bay 3 turned 5 degrees anticlockwise',
    })
    expect(liftedMessage('2 stems', 1).does).toBe('take 2 stems over the neighbours')
  })
  it('tells places and lengths as the maker reads them', () => {
    expect(slid('bay 3', '2:30')).toEqual({ does: 'slide bay 3 to 2:30', says: 'bay 3 at 2:30' })
    // 6 in × 25.4 mm.
    expect(cutToMessage('bay 3', 152.4, 'in')).toEqual({ does: 'trim bay 3 to 6 in', says: 'bay 3 cut to 6 in' })
    expect(trimmed('bay 3', 150, 'cm').says).toBe('bay 3 cut to 15 cm')
    expect(trimmed('2 stems', null, 'cm').says).toBe('2 stems trimmed')
    expect(chose('bay 3', '2:30')).toBe('bay 3 at 2:30')
    expect(chose('bay 3', '2:30', 4)).toBe('bay 3 at 2:30, 4 chosen')
  })
  it('tells what has come of it as done', () => {
    expect(pinnedDown('bay 3', false)).toEqual({ does: 'unpin bay 3', says: 'bay 3 unpinned' })
    expect(putBackToRule('bay 3').says).toBe('bay 3 back at the rule')
  })
})
