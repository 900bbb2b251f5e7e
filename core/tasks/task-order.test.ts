import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { usualBase } from '../base'
import { inches, say } from '../measure'
import type { Piece } from '../piece'
import { edit, UNPREPARED } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { bookDays, criticalPath, inTurn, ringOf } from './critical-path'
import { moved } from './task-order'
import { dateProblems } from './schedule'

const manner = { units: 'in', currency: 'USD' } as const
const piece = pieceWith([
  layerOf('a', 'bay', { kind: 'compass', count: 6, start: 0 }, { cut: inches(6) }),
  layerOf('b', 'heather', { kind: 'halfway', of: 'a' }),
])
const bowed = (bow: 'first' | 'last'): Piece => {
  const made = pieceWith([
    ...piece.layers,
    layerOf('bow', 'ribbon-slate', {
      kind: 'bow',
      at: 0.5,
      means: 'visible',
      ends: 'v',
      hem: 0,
      tied: 'stem-wire-20',
      fixes: true,
      ribbons: [{ build: 'coil', layers: 5, flat: inches(6) }],
    }),
  ])
  return { ...made, making: { ...made.making, bow } }
}
const ids = (of: Piece) => work(of, shelf).tasks.map(({ id }) => id)
const before = (of: Piece, a: string, b: string): boolean => ids(of).indexOf(a) < ids(of).indexOf(b)
const making = (set: Partial<Piece['making']>, of = piece): Piece => ({ ...of, making: { ...of.making, ...set } })
const problems = (of: Piece) => work(of, shelf).problems.filter(({ id }) => id.startsWith('order:'))

describe('the order of work', () => {
  it('has none before what it waits for, whatever the decisions', () => {
    const prepared = {
      ...UNPREPARED,
      paint: { colour: '#aa5533', coats: 2 },
      seal: 1,
      clean: 'wipe' as const,
      joined: true,
      from: 'the old ring',
    }
    for (const bow of ['first', 'last'] as const)
      for (const hanger of ['first', 'top known', 'last'] as const) {
        const of = bowed(bow)
        const all = work(
          { ...of, making: { ...of.making, hanger, base: prepared }, layers: of.layers.map((each) => ({ ...each, prepared })) },
          shelf,
        ).tasks
        const at = new Map(all.map(({ id }, i) => [id, i]))
        for (const task of all)
          for (const { id } of task.after) if (at.has(id)) expect(at.get(id)!, `${task.id} after ${id}`).toBeLessThan(at.get(task.id)!)
        expect(new Set(at.keys()).size).toBe(all.length)
      }
  })
  it('goes by the schools: bow first or last, hanger first, when the top is known, or last', () => {
    expect(before(bowed('first'), 'layer:bow', 'layer:a')).toBe(true)
    expect(before(bowed('last'), 'layer:b', 'layer:bow')).toBe(true)
    expect(before(making({ hanger: 'first' }), 'hang', 'layer:a')).toBe(true)
    expect(before(making({ hanger: 'top known' }), 'layer:b', 'hang') && before(making({ hanger: 'top known' }), 'hang', 'look')).toBe(true)
    expect(before(making({ hanger: 'last' }), 'finish', 'hang')).toBe(true)
  })
  it('joins before it paints, paints before it seals, cleans before both', () => {
    const of = {
      ...piece,
      layers: [
        {
          ...piece.layers[0]!,
          prepared: { ...UNPREPARED, clean: 'bake' as const, joined: true, paint: { colour: '#223344', coats: 1 }, seal: 1 },
        },
      ],
    }
    expect(ids(of).filter((id) => id.endsWith(':a'))).toEqual(['finds:a', 'join:a', 'paint:a', 'seal:a', 'layer:a'])
  })
  it('lays dry before glue only where there is glue', () => {
    expect(ids(piece)).not.toContain('dry')
    const glued = { ...piece, brief: { ...piece.brief, weather: 'indoors' as const }, fixing: { ...piece.fixing, school: 'glue' as const } }
    expect(before(glued, 'dry', 'layer:a')).toBe(true)
  })
  it('leaves ribbon on the roll: no line before the bow says to cut any', () => {
    const { tasks } = work(bowed('last'), shelf)
    const until = tasks.findIndex(({ id }) => id === 'bow:bow')
    const said = tasks.slice(0, until + 1).flatMap(({ says }) => says.map((each) => say(each, manner)))
    expect(said.filter((line) => /ribbon/.test(line) && /\bcut\b/i.test(line) && /\d/.test(line.split('ribbon')[1] ?? ''))).toEqual([])
    expect(said.join(' ')).toContain('Leave the ribbon on the roll until the bow is approved')
  })
  it('a hand’s order stands, and what it breaks is told with what it costs and can be put right', () => {
    const order = moved(ids(piece), 'look', 0)
    const of = making({ order })
    expect(ids(of)[0]).toBe('look')
    const [first] = problems(of)
    expect(say(first!.says, manner)).toBe(
      '“Hang it and look” comes before “Greenery: 6 bay sprigs”, but there must be something to look at. It may have to be done again: 10 min.',
    )
    const after = edit(of, first!.mends[1]!.edit!, 'mend')
    expect(after.ok && ids(after.change.piece)).toEqual(ids(piece))
  })
  it('own tasks go where they were put; a ring of them is told and can be opened', () => {
    const own = [
      { id: 'x', title: 'Iron the ribbon', hands: 10, waits: 0, after: 'base', before: null },
      { id: 'y', title: 'Fetch the ladder', hands: 5, waits: 0, after: 'own:z', before: null },
      { id: 'z', title: 'Ask next door', hands: 5, waits: 0, after: 'own:y', before: null },
    ]
    const of = making({ own })
    expect(before(of, 'base', 'own:x')).toBe(true)
    const ring = problems(of).find(({ id }) => id === 'order:ring')!
    expect(say(ring.says, manner)).toBe('“Fetch the ladder” and “Ask next door” wait for one another: none can begin.')
    const opened = edit(of, ring.mends[0]!.edit!, 'mend')
    expect(opened.ok && problems(opened.change.piece)).toEqual([])
  })
  it('every need belongs to one task', () => {
    const { needs, tasks } = work(bowed('last'), shelf)
    expect(tasks.flatMap((task) => task.needs)).toHaveLength(needs.length)
  })
  it('has ready all that its steps take, and never nothing', () => {
    for (const kind of ['grapevine', 'hoop', 'straw', 'foam', 'tree-swag', 'door-garland'] as const) {
      const of = pieceWith([layerOf('a', 'heather', { kind: 'compass', count: 4, start: 0 }, { run: 'each' })], { base: usualBase(kind) })
      const { tasks, needs } = work(of, shelf)
      const ready = tasks.flatMap(({ says }) => says.map((each) => say(each, manner))).find((line) => line.startsWith('Have ready'))!
      for (const need of needs)
        if (need.use === 'fixing' || need.use === 'hanger' || need.use === 'hook')
          expect(ready, `${kind}: ${need.material}`).toContain(shelf.materials[need.material]!.name.split(',')[0]!.replace(/^pair/, 'pair'))
      for (const task of tasks.filter(({ kind: of }) => of === 'lay')) for (const tool of task.tools) expect(ready).toContain(tool)
    }
  })
})

describe('what is counted off', () => {
  it('bundles of four all round, and twice as many where both faces are covered', () => {
    const of = (faces: number) => {
      const bound = pieceWith(
        [layerOf('a', 'bay', { kind: 'bundles', start: 0, advance: inches(3), sprigs: 4, wraps: 1, faces, bound: 25 }, { cut: inches(7) })],
        {
          base: usualBase('wire-ring'),
          ring: { outer: inches(12), inner: inches(8) },
        },
      )
      const { counts, hands } = work(bound, shelf).tasks.find(({ id }) => id === 'layer:a')!
      return { ...counts!, hands: hands.value }
    }
    // By hand: a 10.5 in middle line, π × 10.25 in or so, an advance of 3 in.
    const one = of(1)
    expect(of(2)).toEqual({ of: 'bundles', count: 2 * one.count, hands: 2 * one.hands })
    expect(one.hands).toBeCloseTo(2.5 * one.count, 9)
  })
})

describe('graph', () => {
  it('finds the ring and nothing else', () => {
    expect(
      ringOf([
        { id: 'a', after: [] },
        { id: 'b', after: [{ id: 'a' }] },
      ]),
    ).toEqual([])
    expect(
      ringOf([
        { id: 'a', after: [{ id: 'b' }] },
        { id: 'b', after: [{ id: 'a' }] },
        { id: 'c', after: [] },
      ]),
    ).toEqual(['a', 'b'])
    expect(() => criticalPath([{ id: 'a', after: [{ id: 'a', lag: 1 }], duration: 1 }])).toThrow(/wait for one another: a/)
  })
  it('puts any steps without a ring in an order that waits', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.nat(20), { maxLength: 4 }), { minLength: 1, maxLength: 20 }), fc.integer(), (edges, seed) => {
        // Each may wait for those of a lower number only, so that there is no ring; then shuffled.
        const steps = edges.map((befores, i) => ({
          id: String(i),
          after: befores.filter((each) => each < i).map((each) => ({ id: String(each) })),
        }))
        const shuffled = steps
          .map((step, i) => ({ step, key: Math.sin(seed + i * 7.3) }))
          .sort((a, b) => a.key - b.key)
          .map(({ step }) => step)
        const order = inTurn(shuffled).map(({ id }) => id)
        for (const { id, after } of steps) for (const each of after) expect(order.indexOf(each.id)).toBeLessThan(order.indexOf(id))
        expect(order).toHaveLength(steps.length)
      }),
    )
  })
  it('lets hands go on with something else while a thing dries, and come back to it', () => {
    const steps = [
      { id: 'paint', after: [], hands: 10, waits: 100 },
      { id: 'seal', after: [{ id: 'paint' }], hands: 5, waits: 0 },
      { id: 'sort', after: [], hands: 20, waits: 0 },
      { id: 'lay', after: [{ id: 'seal' }, { id: 'sort' }], hands: 30, waits: 0 },
    ]
    expect(inTurn(steps, ({ hands, waits }) => ({ hands, waits })).map(({ id }) => id)).toEqual(['paint', 'sort', 'seal', 'lay'])
    expect(inTurn(steps).map(({ id }) => id)).toEqual(['paint', 'seal', 'sort', 'lay'])
  })
  it('books days: hands in turn, drying overnight', () => {
    // An hour a day. Painting 30 min dries 2 h; sanding 40 min runs on into the second day; laying waits for both.
    const booked = bookDays(
      [
        { id: 'paint', hands: 30, waits: 120, after: [] },
        { id: 'sand', hands: 40, waits: 0, after: [] },
        { id: 'lay', hands: 20, waits: 0, after: ['paint', 'sand'] },
      ],
      60,
    )
    expect(booked).toEqual([
      { id: 'paint', begins: 0, handsOff: 30, done: 150, because: null },
      { id: 'sand', begins: 30, handsOff: 1450, done: 1450, because: 'paint' },
      { id: 'lay', begins: 1450, handsOff: 1470, done: 1470, because: 'sand' },
    ])
  })
  it('hands that wait for drying begin again when hands work again', () => {
    const booked = bookDays(
      [
        { id: 'paint', hands: 10, waits: 100, after: [] },
        { id: 'seal', hands: 10, waits: 0, after: ['paint'] },
      ],
      60,
    )
    expect(booked[1]).toEqual({ id: 'seal', begins: 1440, handsOff: 1450, done: 1450, because: 'paint' })
  })
})

describe('the calendar of a piece', () => {
  const fresh = pieceWith([layerOf('a', 'juniper', { kind: 'compass', count: 6, start: 0 })], { brief: { weather: 'indoors' } })
  it('goes back from the day it must hang', () => {
    const { dates, days } = work(making({ day: '2026-12-20' }, fresh), shelf).schedule
    expect(days).toBe(1)
    // Greens cut six days ahead at the earliest, bought two days ahead; indoors they keep fourteen from when they are cut.
    expect(dates).toEqual({ buyBy: '2026-12-18', cutFrom: '2026-12-14', startBy: '2026-12-20', hangBy: '2026-12-20', downBy: '2026-12-28' })
  })
  it('says what is past and what cannot be done any more', () => {
    const of = making({ day: '2026-12-20' }, fresh)
    const late = (today: string) => dateProblems(of, work(of, shelf).schedule, today).map(({ id }) => id)
    expect([late('2026-12-01'), late('2026-12-19'), late('2026-12-21')]).toEqual([[], ['day:buy'], ['day:past']])
    const painted = { ...of, layers: of.layers.map((each) => ({ ...each, prepared: { ...UNPREPARED, clean: 'bag' as const } })) }
    const [short] = dateProblems(painted, work(painted, shelf).schedule, '2026-12-19')
    expect(say(short!.says, manner)).toMatch(/^It takes 5 days and would have had to begin on Wed 16 Dec\.$/)
  })
  it('a day that is none is refused in words, and nothing is changed', () => {
    const edited = edit(piece, { do: 'making', set: { day: '2026-02-30' } }, 'set the day')
    expect(edited).toEqual({ ok: false, error: 'That is no day of the calendar.' })
    const coat = edit(piece, { do: 'making', set: { base: { ...UNPREPARED, paint: { colour: '#112233', coats: 0 } } } }, 'paint')
    expect(coat).toEqual({ ok: false, error: 'At least 1.' })
  })
})
