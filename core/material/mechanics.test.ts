import { describe, expect, it } from 'vitest'
import { CATALOGUE } from './catalogue'
import { mechanicOf, MECHANICS, needsWire } from './mechanics'
import { plainShelf } from './shelf'

const shelf = plainShelf()
const isWire = (material: string): boolean => needsWire([{ material }], shelf)
const isGlue = (material: string): boolean => mechanicOf(material)?.is.endsWith(' glue') ?? false

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
    const own = (id: string, of: string) => ({ materials: { ...shelf.materials, [id]: { ...CATALOGUE[of]!, id } } })
    expect(needsWire([{ material: 'wired-ribbon' }], own('wired-ribbon', 'ribbon-slate'))).toBe(false)
    // A maker’s own, by whatever name: it is wound off a paddle.
    expect(needsWire([{ material: 'copper' }], own('copper', 'paddle-wire'))).toBe(true)
    // A base by its kind is no material.
    expect(isWire('wire-ring')).toBe(false)
    expect(mechanicOf('constructor')).toBeNull()
  })
  it('come off whole where nothing is cut, melted or torn', () => {
    const whole = Object.entries(MECHANICS).flatMap(([id, { comesOff }]) => (comesOff ? [id] : []))
    expect(whole.filter((id) => isWire(id) || isGlue(id))).toEqual([])
    expect(whole).toContain('wall-nail')
  })
})
