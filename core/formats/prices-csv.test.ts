import { describe, expect, it } from 'vitest'
import { CATALOGUE, plainShelf } from '../material'
import { PRICE_COLUMNS, readPrices } from './prices-csv'
import { guessMapping, readTable } from './csv-table'

const read = (text: string) => {
  const table = readTable(text)
  if (!table.ok) throw new Error(table.error)
  return readPrices(table.table, guessMapping(table.table.headings, PRICE_COLUMNS), plainShelf())
}
const faults = (row: string) =>
  read(`Item,Pack size,Cost,Discount,Stock\n${row}`).faults.map(({ row: n, column, says }) => `${n} ${column}: ${says}`)

describe('a price list', () => {
  it('knows things by name, by the name of several and by id, with money as shops write it', () => {
    const { offers, faults: none } = read(
      'Item;Pack size;Cost;Discount;Stock\nBay sprig;10;$7.50;;\nivy trails;12;6,25;40;3\nribbon-slate;1;899.00;40-50 %;0',
    )
    expect(none).toEqual([])
    expect(offers).toEqual([
      { material: 'bay', holds: 10, price: 750, reductions: [], stock: null, days: [] },
      {
        material: 'ivy',
        holds: 12,
        price: 625,
        reductions: [{ kind: 'off', share: [0.4, 0.4], from: null, until: null }],
        stock: 3,
        days: [],
      },
      {
        material: 'ribbon-slate',
        holds: 1,
        price: 89_900,
        reductions: [{ kind: 'off', share: [0.4, 0.5], from: null, until: null }],
        stock: 0,
        days: [],
      },
    ])
  })
  it('reads what goes free, of one kind or of any of several', () => {
    const deals = ['buy 2 get 1', 'Buy 3, get 2 free', 'buy 2 get 1 of any bunches', '', '3 for 2', '4 for 3 of any of the ribbons']
    const { offers, faults: none } = read(`name,price,deal\n${deals.map((deal) => `bay,5,"${deal}"`).join('\n')}`)
    expect(none).toEqual([])
    const free = (buy: number, get: number, among?: string) => [
      { kind: 'free', buy, get, ...(among ? { among } : {}), from: null, until: null },
    ]
    expect(offers.map(({ reductions }) => reductions)).toEqual([
      free(2, 1),
      free(3, 2),
      free(2, 1, 'bunches'),
      [],
      free(2, 1),
      free(3, 1, 'the ribbons'),
    ])
    for (const wrong of ['2 for 2', '2 for 3', 'buy 0 get 1', 'buy 2 get 1 of any', 'get 1'])
      expect(read(`name,price,deal\nbay,5,${wrong}`).faults, wrong).toMatchObject([{ column: 'Deal' }])
  })
  it('takes the usual pack where it says none', () => {
    expect(read('name,price\nbay sprig,5').offers[0]).toMatchObject({ holds: CATALOGUE['bay']!.pack.holds, price: 500 })
  })
  it.each([
    ['moonwort,1,2,,', '2 Material: nothing on the shelf is called “moonwort”.'],
    ['slate ribbon,1,2,,', '2 Material: nothing on the shelf is called “slate ribbon”; is it slate-blue ribbon'],
    [',1,2,,', '2 Material: is needed.'],
    ['bay,1,,,', '2 Price: is needed.'],
    ['bay,1,free,,', '2 Price: “free” is not a number.'],
    ['bay,1,0,,', '2 Price: A price is over nothing.'],
    ['bay,1,-3,,', '2 Price: A price is over nothing.'],
    ['bay,1,900000,,', '2 Price: '],
    ['bay,0,2,,', '2 In a pack: A pack holds one at least.'],
    ['bay,1.5,2,,', '2 In a pack: '],
    ['bay,1,2,120,', '2 Reduction: More than 100 % off is no reduction.'],
    ['bay,1,2,50-40,', '2 Reduction: The range is turned round: the least comes first.'],
    ['bay,1,2,10-20-30,', '2 Reduction: “10-20-30” is neither one number nor two.'],
    ['bay,1,2,,many', '2 In stock: “many” is not a number.'],
    ['bay,1,2,,-1', '2 In stock: '],
  ])('%s is refused in words', (row, words) => {
    expect(faults(row).length).toBeGreaterThan(0)
    expect(faults(row)[0]).toContain(words)
  })
  it('what is wrong stays out, what is right comes in', () => {
    const { offers, faults: some } = read('name,price\nbay sprig,5\nmoonwort,3\nivy trail,4')
    expect([offers.map(({ material }) => material), some.map(({ row }) => row)]).toEqual([['bay', 'ivy'], [3]])
  })
  it('asks what can be read two ways, and stops a cell longer than any before it is looked at', () => {
    expect(faults('Bay sprig,10,"1,299",,')).toEqual(['2 Price: “1,299” can be read two ways. Write 1299 or 1.299.'])
    expect(faults(`Bay sprig,10,${'1 '.repeat(900)}x,,`)[0]).toMatch(/^2 Price: “[\d ]{40}…” is not a number\.$/)
    const long = readTable(`Item,Cost\nBay sprig,${'1'.repeat(16_000)}x`)
    expect(long).toEqual({ ok: false, error: 'Row 2: a cell has 16001 letters; the most that is read is 2000.' })
  })
})
