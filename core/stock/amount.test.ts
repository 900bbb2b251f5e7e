import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '../material'
import { amountSaid } from './amount'

const said = (text: string, material: string) => {
  const read = amountSaid(text, CATALOGUE[material]!, 'in')
  return read.ok ? (read.value.things ?? `${Math.round(read.value.length!)} mm`) : read.error
}

// Bay comes in bunches of 8, heather in packs of bunches; a roll of slate ribbon is 360 in, 9144 mm.
describe('how much there is, as makers say it', () => {
  it.each([
    ['11', 'bay', 11],
    ['3 bunches', 'bay', 24],
    ['half a bunch', 'bay', 4],
    ['1 1/2 bunches', 'bay', 12],
    ['two bunches', 'bay', 16],
    ['a dozen', 'bay', 12],
    ['7 stems', 'bay', 7],
    ['2', 'ribbon-slate', 2],
    ['half a roll', 'ribbon-slate', '4572 mm'],
    ['0.5', 'ribbon-slate', '4572 mm'],
    ['6 yd', 'ribbon-slate', '5486 mm'],
    ['100 in', 'ribbon-slate', '2540 mm'],
  ])('“%s” of %s', (text, material, amount) => expect(said(text, material)).toBe(amount))
  it.each([
    ['', 'bay', 'Say how much there is'],
    ['0.5', 'bay', 'Say whole ones'],
    ['some', 'bay', 'is no amount'],
    ['3 crates', 'bay', 'is no amount'],
    ['1.5 rolls', 'ribbon-slate', 'Put 1 whole in'],
    ['0', 'ribbon-slate', 'There is none'],
    ['soon', 'ribbon-slate', 'is no amount'],
  ])('asks about “%s” of %s', (text, material, error) => expect(said(text, material)).toContain(error))
  it('knows a bunch of a pack that holds several', () => {
    const several = Object.values(CATALOGUE).find(({ pack }) => pack.bunches > 1)!
    expect(said('1 bunch', several.id)).toBe(several.pack.holds / several.pack.bunches)
  })
})
