import { describe, expect, it } from 'vitest'
import { CATALOGUE } from './catalogue'
import { isGlue, isWire, mechanicOf, MECHANICS } from './mechanics'

const mechanics = Object.values(CATALOGUE).filter(({ kind }) => kind === 'mechanic')

describe('mechanics', () => {
  it('are all on the shelf', () => {
    for (const id of Object.keys(MECHANICS)) expect(Object.hasOwn(CATALOGUE, id), id).toBe(true)
  })
  // A fact of the trade: what is called wire, glue or twine is that.
  it('are what they are called', () => {
    for (const { id, name } of mechanics) {
      expect(isWire(id), id).toBe(/\bwire\b/.test(name))
      expect(isGlue(id), id).toBe(/glue stick|weatherproof glue/.test(name))
      expect(mechanicOf(id)?.is === 'cord', id).toBe(/twine/.test(name))
    }
  })
  it('are known by what they are, not by what an id sounds like', () => {
    expect(isWire('wired-ribbon')).toBe(false)
    expect(isWire('ribbon-slate')).toBe(false)
    expect(mechanicOf('constructor')).toBeNull()
  })
  it('come off whole where nothing is cut, melted or torn', () => {
    const whole = Object.entries(MECHANICS).flatMap(([id, { comesOff }]) => (comesOff ? [id] : []))
    expect(whole.filter((id) => isWire(id) || isGlue(id))).toEqual([])
    expect(whole).toContain('wall-nail')
  })
})
