import { describe, expect, it } from 'vitest'
import { usualBase } from '../base'
import { CATALOGUE } from '../material'
import { EACH } from '../piece'
import { dayOf, thumb, USUAL } from '../measure'
import { byRule, count, times, worked } from '../measure/expression'
import { inBrief, work } from '../workings'
import { layerOf, pieceWith, shelf } from '../testing'
import { BUNDLE_EACH } from '../tasks/rules-of-thumb'
import { SPARE } from '../constructions/rules-of-thumb'
import { THUMBS } from '../rules-of-thumb'
import { beginRecord, recipeOf } from './new-record'
import { habitsOf } from './usual-rates'
import { learnRate, learnRates, measuredRates } from './learn'
import { compareRecords, findRecords, newestFirst, remindersFor } from './search'
import type { Compared, DaybookRecord } from './record'
import { minutesIn, readingsOf, RecordSchema } from './record'
import { tiesOf } from './occasion-links'
import { comesDown, yearOf } from './year'

const compared = (set: Partial<Compared>): Compared => ({
  id: 'a',
  of: 'task',
  name: 'a',
  unit: 'time',
  planned: 30,
  took: null,
  broke: 0,
  covers: false,
  rules: [],
  ...set,
})
const record = (id: string, set: Partial<DaybookRecord> = {}): DaybookRecord => ({
  id,
  piece: id,
  name: id,
  occasion: '',
  base: 'grapevine',
  run: 3048,
  day: '2026-01-10',
  compared: [],
  order: [],
  money: { planned: 1000, spent: null },
  otherwise: '',
  where: '',
  from: null,
  to: null,
  end: 'hangs',
  lasted: '',
  photos: [],
  ...set,
})
const bundled = compared({ rules: [{ id: BUNDLE_EACH.id, value: 2.5, goes: 'with' }] })

describe('readings', () => {
  it('go with what it took, against it, or by what broke', () => {
    const rules = (goes: 'with' | 'against' | 'broken') => [{ id: 'r', value: 2, goes }]
    const values = (set: Partial<Compared>) => readingsOf(record('x', { compared: [compared(set)] })).map(({ value }) => value)
    expect(values({ planned: 30, took: 45, rules: rules('with') })).toEqual([3])
    expect(values({ planned: 30, took: 40, rules: rules('against') })).toEqual([1.5])
    expect(values({ planned: 30, took: 40, broke: 6, rules: rules('broken') })).toEqual([0.15])
    expect(values({ took: null, rules: rules('with') })).toEqual([])
  })
  it('of nought are no reading, and are said to be left out', () => {
    const nought = readingsOf(
      record('x', {
        compared: [compared({ of: 'material', took: 0, rules: [{ id: SPARE.id, value: 0.1, goes: 'broken' }] }), { ...bundled, took: 0 }],
      }),
    )
    expect(learnRate(SPARE, nought, USUAL)).toBeNull()
    const some = [...nought, { ...nought[1]!, value: 3 }]
    const learned = learnRate(BUNDLE_EACH, some, USUAL)!
    expect(learned.readings).toBe(1)
    expect(learned.all.map(({ left }) => left)).toEqual(['nought', null])
  })
  it('a record of nought stems is kept as it is', () =>
    expect(RecordSchema.safeParse(record('x', { compared: [compared({ took: 0 })] })).success).toBe(true))
  it('add up to the minutes of the piece, planned where nothing was written down', () =>
    expect(
      minutesIn(
        record('x', { compared: [compared({ took: 40 }), compared({ id: 'b' }), compared({ id: 'c', of: 'material', planned: 99 })] }),
      ),
    ).toEqual({ planned: 60, took: 70 }))
})

describe('what is learned', () => {
  const at = (values: readonly number[]) =>
    values.map((value, i) => ({ rule: BUNDLE_EACH.id, value, record: `r${i}`, name: 'ring', day: dayOf(20_000 + i) }))
  it('moves with the readings, and a figure says measured with its range', () => {
    const learned = learnRates(
      at([3.4, 3.2, 3.3, 3.5, 3.3, 3.4]),
      THUMBS.flatMap(({ thumbs }) => thumbs),
      USUAL,
    )
    expect(learned.map(({ thumb }) => thumb.id)).toEqual([BUNDLE_EACH.id])
    const by = { rates: {}, measured: measuredRates(learned, []) }
    const figure = worked(times(count(12), byRule(BUNDLE_EACH, by)))
    expect(figure.basis).toEqual({ kind: 'measured' })
    expect(figure.value).toBeGreaterThan(12 * 2.9)
    expect(figure.range![0]).toBeLessThan(figure.value)
    expect(figure.rules![0]!.measured!.readings).toBe(6)
    // Put aside, or set by hand, it is as before.
    expect(worked(byRule(BUNDLE_EACH, { rates: {}, measured: measuredRates(learned, [BUNDLE_EACH.id]) }))).toMatchObject({
      value: 2.5,
      basis: { kind: 'rule of thumb' },
    })
    expect(worked(byRule(BUNDLE_EACH, { ...by, rates: { [BUNDLE_EACH.id]: 4 } }))).toMatchObject({
      value: 4,
      basis: { kind: 'rule of thumb' },
    })
  })
  it('leaves out what is far from the others and out of reason, and says why', () => {
    const { all, readings } = learnRate(BUNDLE_EACH, at([2.4, 2.5, 2.6, 2.5, 2.4, 12, 900]), USUAL)!
    expect(readings).toBe(5)
    expect(all.map(({ left }) => left)).toEqual([null, null, null, null, null, 'far from the others', 'out of reason'])
    // Close together, fences are narrow: what is within half as much again of the middle stays.
    expect(learnRate(BUNDLE_EACH, at([2.5, 2.5, 2.5, 2.5, 2.5, 3]), USUAL)!.readings).toBe(6)
  })
  it('draws no curve through a time of nought', () => {
    const nought = thumb('test.nought', 'It takes', 'time', 5, [0, 60], 'Or nothing.')
    const learned = learnRate(
      nought,
      at([5, 0, 4, 5]).map((each) => ({ ...each, rule: nought.id })),
      USUAL,
    )!
    expect([learned.readings, learned.curve]).toEqual([4, null])
    expect(Number.isFinite(learned.value)).toBe(true)
  })
  it('counts later readings more', () => {
    const fell = learnRate(BUNDLE_EACH, at([4, 4, 4, 2, 2, 2]), USUAL)!
    const rose = learnRate(BUNDLE_EACH, at([2, 2, 2, 4, 4, 4]), USUAL)!
    expect(fell.mean).toBeLessThan(3)
    expect(rose.mean).toBeGreaterThan(3)
    expect(fell.all[0]!.weight).toBeLessThan(fell.all[5]!.weight)
    expect(fell.curve!.ratio).toBeLessThan(1)
    expect(rose.curve!.ratio).toBeGreaterThan(1)
  })
})

describe('a page of the daybook', () => {
  const piece = {
    ...pieceWith([
      layerOf('green', 'bay', { kind: 'bundles', start: 0, advance: 76, sprigs: 4, wraps: 2, bound: 25, faces: 1 }, { role: 'greenery' }),
    ]),
    id: 'ring',
  }
  const brief = inBrief(piece, shelf)
  const begun = beginRecord(
    { piece, ...brief, materials: 1234, spent: { 'layer:green': 41.26, base: 0.01 }, counted: { 'layer:green': 11 }, day: '2026-10-20' },
    shelf,
    'page',
  )
  it('begins with all that was planned, and what the sheet timed and counted', () => {
    expect(RecordSchema.parse(begun)).toEqual(begun)
    expect(begun.compared.find(({ id }) => id === 'layer:green')).toMatchObject({
      took: 41.3,
      rules: [{ id: BUNDLE_EACH.id, goes: 'with' }],
    })
    // Ticked off without a hand at it tells nothing.
    expect(begun.compared.find(({ id }) => id === 'base')!.took).toBeNull()
    expect(begun.compared.find(({ of }) => of === 'count')).toMatchObject({
      took: 11,
      rules: [{ id: 'piece.bundle-advance', value: 76, goes: 'against' }],
    })
    expect(begun.compared.find(({ id }) => id === 'bay')).toMatchObject({
      of: 'material',
      unit: 'count',
      rules: [{ id: SPARE.id, goes: 'broken' }],
    })
    expect(begun.money).toEqual({ planned: 1234, spent: null })
    // The centre line of a 12 by 8 in ring: π × 10 in.
    expect(begun.run).toBe(Math.round(Math.PI * 254))
  })
  it('becomes the recipe of the others: amounts, minutes and order', () => {
    const made = { ...begun, compared: begun.compared.map((each) => (each.id === 'bay' ? { ...each, took: each.planned * 1.5 } : each)) }
    const { recipe, order } = recipeOf(made)
    expect(recipe).toEqual({ record: 'page', minutes: { 'layer:green': 41.3 }, uses: { bay: 1.5 } })
    const next = { ...piece, making: { ...piece.making, recipe, order } }
    const { needs, tasks } = work(next, shelf)
    const bay = (all: typeof needs): number => all.filter(({ material }) => material === 'bay').reduce((sum, { count: n }) => sum + n, 0)
    expect(bay(needs)).toBe(Math.round(bay(brief.needs) * 1.5))
    expect(tasks.find(({ id }) => id === 'layer:green')!.hands).toMatchObject({ value: 41.3, basis: { kind: 'measured' } })
    expect(inBrief(next, shelf).tasks.find(({ id }) => id === 'layer:green')!.hands).toBe(41.3)
    // What was not written down stays as reckoned.
    expect(tasks.find(({ id }) => id === 'base')!.hands.value).toBe(10)
  })
  it('counts boughs by how much garland one makes', () => {
    // Two runs of a door of 84 by 38 in: 206 in together, by pieces that lap a little more; six boughs at 40 in each, as the bench says.
    const door = {
      ...pieceWith([layerOf('b', 'fir', { kind: 'boughs', overlap: 152, yields: 1016 }, { run: EACH })]),
      base: { ...usualBase('door-garland'), shape: { form: 'door' as const, width: 38 * 25.4, height: 84 * 25.4, face: 150 } },
    }
    const made = beginRecord({ piece: door, ...inBrief(door, shelf), materials: 0, spent: {}, counted: {}, day: '2026-10-20' }, shelf, 'p')
    const boughs = made.compared.find(({ id }) => id === 'boughs:b')!
    expect(boughs).toMatchObject({ unit: 'count', rules: [{ id: 'piece.bough-yields', value: 1016, goes: 'against' }] })
    const onBench = work(door, shelf).layers[0]!.makeUp!.figures.find(({ id }) => id === 'boughs')!.figure.value
    expect([boughs.planned, onBench]).toEqual([6, 6])
    const used = { ...made, compared: made.compared.map((each) => (each === boughs ? { ...each, took: 6 } : each)) }
    // Six boughs on 5.72 yards.
    expect(habitsOf([used]).find(({ id }) => id === 'boughs a yard')!.middle).toBeCloseTo(6 / (206 / 36), 2)
    expect(readingsOf(used).find(({ rule }) => rule === 'piece.bough-yields')!.value).toBeCloseTo((1016 * boughs.planned) / 6, 6)
  })
  it('tells habits in the words of makers', () => {
    const habits = Object.fromEntries(habitsOf([begun, record('empty')]).map(({ id, middle, pages }) => [id, [middle, pages]]))
    expect(habits['inches a bundle']![0]).toBeCloseTo((Math.PI * 254) / 11, 0)
    expect(habits['minutes a piece']).toEqual([41.3, 1])
    expect(habits['glue sticks a piece']).toBeUndefined()
    const stems = record('s', {
      run: 3048,
      compared: [compared({ of: 'material', id: 'fern', took: 80, covers: true })],
    })
    // 80 stems on ten feet.
    expect(habitsOf([stems])[0]).toMatchObject({ id: 'stems a foot', middle: 8 })
    // What does not cover tells nothing of it, nor does what was not written down.
    const picks = compared({ of: 'material', id: 'pick', took: 40 })
    expect(habitsOf([{ ...stems, compared: [...stems.compared, picks] }])[0]).toMatchObject({ id: 'stems a foot', middle: 8 })
    const unwritten = record('u', { run: 3048, compared: [compared({ of: 'material', id: 'fern', took: null, covers: true })] })
    expect(habitsOf([unwritten]).filter(({ id }) => id === 'stems a foot')).toEqual([])
  })
})

describe('looking back', () => {
  const apples = [compared({ of: 'material', id: 'apple', name: 'crab apples' }), compared({ of: 'material', id: 'bay', name: 'bay' })]
  const fell = record('fell', {
    occasion: 'Orchard Wake',
    base: 'wire-ring',
    otherwise: 'Wire the apples.',
    end: 'fell',
    day: '2026-01-13',
    compared: apples,
  })
  const other = record('other', { occasion: 'Honey Fair', otherwise: 'More lavender.', day: '2025-08-20' })
  it('finds by words, year and what was sold', () => {
    const ids = (words: string, year: string | null = null, sold = false) =>
      findRecords([fell, other], { words, year, sold }, new Set(['other'])).map(({ id }) => id)
    expect(ids('')).toEqual(['fell', 'other'])
    expect(ids('crab WIRE')).toEqual(['fell'])
    expect(ids('', '2025')).toEqual(['other'])
    expect(ids('', null, true)).toEqual(['other'])
    expect(ids('tulip')).toEqual([])
  })
  it('reminds when a like piece is begun, and not otherwise', () => {
    const like = { id: 'new', base: 'wire-ring', occasion: 'Orchard Wake', materials: ['holly'] }
    expect(remindersFor(like, [other, fell])).toMatchObject([
      { record: 'fell', note: 'Wire the apples.', why: 'the same base, the same occasion', end: 'fell' },
    ])
    expect(remindersFor({ ...like, occasion: '', base: 'hoop' }, [fell])).toEqual([])
    expect(remindersFor({ ...like, occasion: '', materials: ['bay'] }, [fell])[0]!.why).toBe('the same base, some of the same materials')
    expect(remindersFor({ id: 'fell', base: 'hoop', occasion: '', materials: [] }, [fell])[0]!.why).toBe('the same piece')
    expect(remindersFor(like, [{ ...fell, otherwise: '  ' }])).toEqual([])
    // One thing in common is not alike.
    expect(remindersFor({ ...like, base: 'hoop' }, [fell])).toEqual([])
  })
  it('puts records side by side by what both say first', () => {
    const rows = compareRecords([
      record('a', { compared: [compared({ id: 'x', took: 20 }), ...apples] }),
      record('b', { compared: [compared({ id: 'y', took: 25 })] }),
    ])
    expect(rows[0]).toMatchObject({ name: 'a', values: [20, 25] })
    expect(rows.slice(1).every(({ values }) => values[1] === null)).toBe(true)
  })
  it('lays a year on a page, and says what comes down next', () => {
    const hung = record('h', { from: '2026-01-16', to: '2026-02-14', end: 'came down' })
    const sold = record('s', { end: 'sold' })
    const piece = pieceWith([], { brief: { name: 'Porch', weather: 'covered' } })
    const planned = { ...piece, stage: 'planned' as const, making: { ...piece.making, day: '2026-12-01', hangs: 60 }, fresh: true }
    const bars = yearOf(
      '2026',
      [hung, sold, record('old', { day: '2024-01-01', from: '2024-01-01', to: '2025-12-31', end: 'came down' })],
      [planned],
      USUAL,
    )
    // Greens keep five weeks outdoors, though it was to hang for sixty days.
    expect(bars.map(({ id, from, to, kind }) => [id, from, to, kind])).toEqual([
      ['h', '2026-01-16', '2026-02-14', 'hung'],
      ['planned:test', '2026-12-01', '2026-12-30', 'planned'],
    ])
    expect(comesDown(bars, '2026-12-02').map(({ id }) => id)).toEqual(['planned:test'])
    expect(yearOf('2027', [], [planned], USUAL)).toEqual([])
    expect(yearOf('2028', [], [planned], USUAL)).toEqual([])
  })
  it('says what ties a piece to an occasion, and what would free it', () => {
    const piece = pieceWith([
      layerOf('a', 'bauble', { kind: 'compass', count: 3, start: 0 }),
      layerOf('b', 'bay', { kind: 'compass', count: 3, start: 0 }),
      layerOf('c', 'plank-sign', { kind: 'single', at: 0, folded: false } as never, { words: 'Merry\nWake' }),
    ])
    const ties = tiesOf(piece, shelf)
    expect(ties.map(({ layer, why }) => [layer, why])).toEqual([
      ['a', 'baubles say midwinter'],
      ['c', 'it says “Merry Wake”'],
    ])
    expect(ties[0]!.swap!.material.id).not.toMatch(/bauble|bell|star/)
    expect(CATALOGUE[ties[0]!.swap!.material.id]).toBeDefined()
  })
})

it('lies with the newest on top, and of one day by their ids, whatever order they came in', () => {
  const days = [
    ['c', '2026-01-10'],
    ['a', '2026-03-01'],
    ['b', '2026-01-10'],
    ['d', '2025-12-31'],
  ] as const
  const all = days.map(([id, day]) => record(id, { day }))
  for (const order of [all, all.toReversed()]) {
    expect(newestFirst(order).map(({ id }) => id)).toEqual(['a', 'b', 'c', 'd'])
    expect(findRecords(order, { words: '', year: '2026', sold: false }, new Set()).map(({ id }) => id)).toEqual(['a', 'b', 'c'])
  }
})
it('a task that takes no hands teaches no rule', () => {
  const piece = pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 3, start: 0 })])
  const { tasks, needs } = inBrief(piece, shelf)
  const rest = { ...tasks.find(({ rules }) => rules.length > 0)!, id: 'rest', hands: 0 }
  const made = beginRecord({ piece, tasks: [...tasks, rest], needs, materials: 0, spent: {}, counted: {}, day: '2026-10-20' }, shelf, 'p')
  const rulesOf = (id: string) => made.compared.find((each) => each.of === 'task' && each.id === id)!.rules
  expect(rulesOf('rest')).toEqual([])
  expect(made.compared.some((each) => each.of === 'task' && each.rules.length > 0)).toBe(true)
})
