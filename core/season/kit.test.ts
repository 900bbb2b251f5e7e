import { describe, expect, it } from 'vitest'
import type { Need } from '../material'
import { USUAL } from '../measure'
import { lotOf } from '../stock'
import type { TaskTime } from '../tasks'
import { makingOf, plainPricing, shelf, taskOf } from '../testing'
import { handOut, kitMoney, kitNumbers, kitParts, KitSchema, sittingsOf, startKit, teaching, toolsFor } from './kit'

const daisies: Need = { of: 'things', material: 'daisy', use: 'laid', layer: 'l', count: 5, cut: null, spare: 0 }
const mesh: Need = { of: 'lengths', material: 'mesh-honey', use: 'mesh', layer: 'm', count: 3, length: 200, joins: false }
const wire: Need = { of: 'lengths', material: 'paddle-wire', use: 'binding', layer: 'm', count: 1, length: 900, joins: true }
const base: Need = { of: 'base', material: 'straw', use: 'base', layer: 'base', count: 1, name: 'Straw', price: 500, width: 300 }
const NEEDS = [base, daisies, mesh, wire]
const swap = { kits: [2, 4], from: 'mesh-honey', to: 'mesh-cream' }

const task = (id: string, kind: TaskTime['kind'], hands: number, set: Partial<TaskTime> = {}): TaskTime =>
  taskOf(id, hands, { kind, ...set })

describe('what is handed out', () => {
  it('is so many of one and so many of the other, all together', () => {
    expect(handOut(NEEDS, 5, [swap])).toEqual([
      { ...base, count: 5 },
      { ...daisies, count: 25 },
      { ...mesh, count: 9 },
      { ...mesh, material: 'mesh-cream', count: 6 },
      { ...wire, count: 5 },
    ])
  })
  it('knows no kits beyond those there are, and may be all of the other', () => {
    expect(handOut([mesh], 3, [swap])).toEqual([
      { ...mesh, count: 6 },
      { ...mesh, material: 'mesh-cream', count: 3 },
    ])
    expect(handOut([mesh], 1, [{ ...swap, kits: [1] }])).toEqual([{ ...mesh, material: 'mesh-cream' }])
  })
  it('is said of each kit by itself, with its substitutes', () => {
    const says = (n: number) => kitParts(NEEDS, [swap], n, shelf).map(({ material, amount, unit, cut }) => [material, amount, unit, cut])
    expect(says(1)).toEqual([
      ['straw', 1, 'count', null],
      ['daisy', 5, 'count', null],
      ['mesh-honey', 3, 'count', 200],
      ['paddle-wire', 900, 'length', null],
    ])
    expect(says(2)[2]).toEqual(['mesh-cream', 3, 'count', 200])
  })
  it('rounds up what is not whole', () => {
    const glue: Need = { ...daisies, material: 'glue-stick', count: 0.4 }
    expect(kitParts([glue, { ...glue, layer: 'n' }], [], 1, shelf)[0]!.amount).toBe(1)
  })
  it('a kit with two substitutes for one thing, or one that is not there, is refused', () => {
    const kit = { ...startKit('k', 'ring', 'Kits', 5), swaps: [swap] }
    expect(KitSchema.safeParse(kit).success).toBe(true)
    const wrong = (swaps: typeof kit.swaps) => KitSchema.safeParse({ ...kit, swaps }).error?.issues.map(({ message }) => message)
    expect(wrong([swap, { ...swap, kits: [4, 5], to: 'mesh' }])).toEqual(['A kit has two substitutes for one thing.'])
    expect(wrong([{ ...swap, kits: [6] }])).toEqual(['There are only 5 kits.'])
  })
})

describe('sittings', () => {
  const kit = { before: ['paint'] as const satisfies TaskTime['kind'][], longest: 90 }
  const sat = (tasks: TaskTime[], longest = 90) =>
    sittingsOf(tasks, { before: [...kit.before], longest }, USUAL).map(({ tasks: own, minutes, ends }) => [
      own.map(({ task: { id }, from }) => `${id}@${from}`),
      minutes,
      ends?.why ?? null,
    ])
  it('go at a class’s pace, half as slow again', () =>
    expect(sat([task('a', 'base', 10), task('b', 'lay', 20)])).toEqual([[['a@0', 'b@15'], 45, null]]))
  it('end where what comes next waits for something that dries', () => {
    const tasks = [task('a', 'own', 10, { waits: 120 }), task('b', 'lay', 20), task('c', 'lay', 10, { after: ['a'] })]
    // While it dries, b goes on; then more than an hour is left.
    expect(sat(tasks)).toEqual([
      [['a@0', 'b@15'], 45, 'dries'],
      [['c@0'], 15, null],
    ])
  })
  it('sit through what dries as long as a cup of tea', () => {
    expect(sat([task('a', 'own', 10, { waits: 20 }), task('c', 'lay', 10, { after: ['a'] })])).toEqual([[['a@0', 'c@35'], 50, null]])
  })
  it('end when the time is up, and a long task has one to itself', () => {
    expect(sat([task('a', 'lay', 40), task('b', 'lay', 40), task('c', 'lay', 100)])).toEqual([
      [['a@0'], 60, 'time'],
      [['b@0'], 60, 'time'],
      [['c@0'], 150, null],
    ])
  })
  it('have nothing of what is done before, at home, or not at all', () => {
    expect(sat([task('p', 'paint', 10), task('a', 'lay', 10), task('l', 'load', 3), task('r', 'record', 5), task('n', 'own', 0)])).toEqual([
      [['a@0'], 15, null],
    ])
    expect(sat([])).toEqual([])
  })
  it('the tools of what the class does are named once', () => {
    const tasks = [
      task('a', 'lay', 5, { tools: ['scissors', 'pliers'] }),
      task('b', 'lay', 5, { tools: ['scissors'] }),
      task('p', 'paint', 5, { tools: ['brush'] }),
    ]
    expect(toolsFor(tasks, { before: ['paint'] })).toEqual(['scissors', 'pliers'])
  })
  it('a teacher does for all kits what is done before, packs them, and teaches', () => {
    const own = makingOf('ring', '2026-11-20', [task('p', 'paint', 10, { waits: 60 }), task('a', 'lay', 30, { after: ['p'] })], {
      copies: 4,
    })
    const class1 = teaching({ ...startKit('k', 'ring', 'Class', 3), spares: 1, day: '2026-11-18', before: ['paint'] }, own, USUAL)
    expect(class1).toMatchObject({ name: 'Class', copies: 1, due: '2026-11-18' })
    expect(class1.tasks.map(({ id, hands, after }) => [id, hands, after])).toEqual([
      ['p', 40, []],
      ['kit:pack', 16, ['p']],
      ['kit:sitting:1', 45, ['kit:pack']],
    ])
  })
})

describe('the fee', () => {
  const stems: Need = { ...daisies, material: 'bay', count: 10 }
  const pricing = plainPricing()
  const bay = pricing.shelf.materials.bay!
  const kit = { ...startKit('k', 'ring', 'Class', 6), room: 1000 }
  const money = (fee: number | null) => kitMoney({ ...kit, fee }, [stems], [task('a', 'lay', 40)], pricing)
  it('covers whole packs, the room and the teacher at so many heads', () => {
    const { materials, teacher, cost, fee } = money(null)
    // By hand: packs for 60 stems; an hour of class and 6 × 4 min of packing at 18.00 an hour; 10.00 for the room.
    const packs = Math.ceil(60 / bay.pack.holds) * bay.pack.price
    expect([materials.value, teacher.value, cost.value]).toEqual([packs, 2520, packs + 3520])
    expect(fee.value).toBe(Math.ceil((packs + 3520) / 6))
    // Seven heads do not share it evenly: nobody pays a part of a cent, and it is covered.
    const seven = kitMoney({ ...kit, heads: 7, room: 1001 }, [stems], [task('a', 'lay', 40)], pricing)
    expect(seven.cost.value % 7).not.toBe(0)
    expect(seven.fee.value * 7).toBeGreaterThanOrEqual(seven.cost.value)
  })
  it('breaks even where what is taken is no less than what it costs, from there on', () => {
    const { curve, fee } = money(null)
    const asked = fee.value + 200
    const { breaksEven, left } = money(asked)
    const byHand = curve.map(({ heads, cost }) => heads * asked - cost)
    const first = byHand.findIndex((_, i) => byHand.slice(i).every((each) => each >= 0))
    expect(breaksEven).toBe(first + 1)
    expect(left!.value).toBe(byHand[5])
    expect(byHand[5]).toBeGreaterThanOrEqual(0)
  })
  it('never does where each head costs more than it brings', () => {
    expect(money(1)).toMatchObject({ breaksEven: null })
    expect(money(1).left!.value).toBeLessThan(0)
  })
  it('what is in the house is not bought', () => {
    const stocked = kitMoney(kit, [stems], [task('a', 'lay', 40)], { ...pricing, lots: [lotOf('l', 'bay', { things: 60 })] })
    expect(stocked.materials.value).toBe(0)
    expect(stocked.cost.value).toBe(3520)
  })
})

it.each([
  ['3', [3]],
  ['3, 7, 9-11', [3, 7, 9, 10, 11]],
  ['11–9', null],
  ['9 9;8', [8, 9]],
  ['0', null],
  ['', null],
  ['all', null],
  ['3-', null],
])('reads “%s” as kits', (text, numbers) => expect(kitNumbers(text)).toEqual(numbers))
