import { describe, expect, it } from 'vitest'
import type { Body } from '../base'
import type { Ground } from './grounds'
import { BASE_KINDS, BASE_SORTS, usualBase } from '../base'
import { CATALOGUE } from '../material'
import { inches, say, USUAL } from '../measure'
import type { Piece, WayId } from '../piece'
import { edit, FIXING_SCHOOLS, usualRule, WAYS } from '../piece'
import { benchOf, layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { waysFor } from './choose'
import { holdOf, HOLDS } from './hold-strength'
import { FIXING_RULES, suiting } from './rules'
import { FIXING_WAYS } from './methods'

const manner = { units: 'in', currency: 'USD' } as const
const grounds = Object.keys(FIXING_RULES) as Ground[]
const ring = (material: string, count: number, set: Partial<Piece['layers'][0]> = {}, more: Parameters<typeof pieceWith>[1] = {}) =>
  pieceWith([layerOf('a', material, { kind: 'compass', count, start: 0 }, set)], more)
const takes = (piece: Piece) =>
  Object.fromEntries(
    work(piece, shelf)
      .needs.filter(({ use }) => use === 'fixing')
      .map((need) => [need.material, need.of === 'lengths' ? need.length : need.count]),
  )
const indoors = { brief: { weather: 'indoors' as const } }

describe('the rules of fixing', () => {
  it('have for everything on every base a way that suits, with why, and never say of a way that it suits and never does', () => {
    for (const body of grounds) {
      for (const hold of HOLDS) {
        const { best, never } = FIXING_RULES[body][hold]
        const nevers = new Set(never.map(([way]) => way))
        expect(best.length, `${body} ${hold}`).toBeGreaterThan(0)
        for (const [way, why] of [...best, ...never, ...suiting(body, hold)]) {
          expect(WAYS, `${body} ${hold}`).toContain(way)
          expect(why, `${body} ${hold} ${way}`).toMatch(/^[A-Z].{8,}\.$/)
        }
        for (const [way] of suiting(body, hold)) expect(nevers.has(way), `${body} ${hold} ${way}`).toBe(false)
      }
    }
  })
  it('leave by every school, in every weather, a way that nothing speaks against', () => {
    for (const kind of BASE_KINDS)
      for (const school of FIXING_SCHOOLS)
        for (const weather of ['indoors', 'open'] as const)
          for (const keep of ['for good', 'taken apart'] as const)
            for (const hold of HOLDS) {
              const piece = pieceWith([], { base: usualBase(kind), brief: { weather } })
              const { body } = BASE_SORTS[kind]
              const [first] = waysFor({ ...piece, fixing: { ...piece.fixing, school, keep } }, { ground: body, hold })
              expect(first?.against ?? null, `${kind} ${school} ${weather} ${keep} ${hold}`).toBeNull()
            }
  })
  it('never hang what is heavy on glue alone, nor on a pin or a grip', () => {
    for (const body of grounds)
      for (const [way] of suiting(body, 'heavy')) expect(['wire', 'ties', 'cord'], `${body} ${way}`).toContain(FIXING_WAYS[way].link)
  })
  // Common practice: trade.md 12, the column “never”.
  it.each<[Body, 'light' | 'stem' | 'heavy', WayId]>([
    ['hoop', 'light', 'pins'],
    ['hoop', 'stem', 'pins'],
    ['hoop', 'light', 'hot glue'],
    ['foam', 'light', 'hot glue'],
    ['foam', 'heavy', 'pins'],
    ['straw', 'light', 'hot glue'],
    ['trees', 'heavy', 'hot glue'],
    ['evergreen', 'heavy', 'tips'],
  ])('on %s never %s by %s', (body, hold, way) => {
    expect(FIXING_RULES[body][hold].never.map(([each]) => each)).toContain(way)
  })
})

describe('holdOf', () => {
  it('sorts by weight and kind', () => {
    expect(holdOf(CATALOGUE['skep']!, USUAL)).toBe('heavy')
    expect(holdOf(CATALOGUE['bay']!, USUAL)).toBe('stem')
    expect(holdOf(CATALOGUE['heather']!, USUAL)).toBe('light')
    // What sleeves and wind catch is wired, however light.
    for (const kind of ['bow', 'sign', 'letter', 'figure'] as const) expect(holdOf({ kind, form: 'board', mass: 3 }, USUAL)).toBe('heavy')
  })
})

describe('what fixings take', () => {
  it('pins: one to a light thing, two to a stem', () => {
    expect(takes(ring('heather', 10, {}, { base: usualBase('straw') }))).toEqual({ 'floral-pin': 10 })
    expect(takes(ring('bay', 6, {}, { base: usualBase('straw') }))).toEqual({ 'floral-pin': 12 })
  })
  it('a pick to each thing that is picked in', () => {
    const foam = (count: number) => ring('heather', count, { fixing: 'picks' }, { base: usualBase('foam') })
    expect([takes(foam(1)), takes(foam(7))]).toEqual([{ 'wood-pick': 1 }, { 'wood-pick': 7 }])
  })
  it('says why: a bow hangs on the wire that ties it, unless its maker chose otherwise', () => {
    const bow = (fixing: 'stem wire' | null) => {
      const rule = { ...usualRule('bow', ''), means: 'visible' as const, fixes: true }
      return work(pieceWith([layerOf('a', 'ribbon-slate', rule, { fixing })]), shelf).fixings[0]!
    }
    expect(bow(null)).toMatchObject({ tied: true, why: 'The wire that ties it is left long and fixes it too.' })
    expect(bow('stem wire')).toMatchObject({ tied: false, way: 'stem wire' })
    expect(bow('stem wire').why).not.toContain('left long')
  })
  it('wire to what is heavy: two places, three on trunks; thick wire for what weighs much', () => {
    expect(takes(ring('skep', 1))).toEqual({ 'stem-wire-20': 2 })
    const swag = pieceWith([layerOf('a', 'skep', { kind: 'single', at: 0.5, drop: 0 }, { run: 'left' })], { base: usualBase('tree-swag') })
    expect(takes(swag)).toEqual({ 'stem-wire-20': 3 })
    const heavier = { ...shelf, materials: { ...shelf.materials, skep: { ...CATALOGUE['skep']!, mass: 300 } } }
    expect(work(ring('skep', 1), heavier).needs.find(({ use }) => use === 'fixing')!.material).toBe('stem-wire-18')
  })
  it('paddle wire: each tie is its turns round the base and its ends', () => {
    // By hand, on an inch of frame: a stem in two places, each 2 × π × 1 in + 2 in; six stems.
    const piece = ring('bay', 6, {}, { base: usualBase('wire-ring') })
    expect(takes(piece)['paddle-wire']! / 25.4).toBeCloseTo(6 * 2 * (2 * Math.PI + 2), 6)
  })
  it('on a tree a stem is tied to a branch, and only what is heavy round both trunks', () => {
    // By hand, a branch half an inch thick: two ties of 2 × π × 0.5 in + 2 in, each of four tips.
    const swag = pieceWith([layerOf('a', 'fir', { kind: 'arms', count: 4, from: 0.2, to: 1 }, { run: 'left', fixing: 'paddle wire' })], {
      base: usualBase('tree-swag'),
    })
    expect(takes(swag)['paddle-wire']! / 25.4).toBeCloseTo(4 * 2 * (Math.PI + 2), 6)
  })
  it('glue: twenty dots to a stick, and layers share a stick', () => {
    const glued = (n: number, m: number) =>
      pieceWith(
        [
          layerOf('a', 'heather', { kind: 'compass', count: n, start: 0 }, { fixing: 'hot glue' }),
          layerOf('b', 'daisy', { kind: 'compass', count: m, start: 10 }, { fixing: 'hot glue' }),
        ],
        indoors,
      )
    const sticks = (piece: Piece) => benchOf(piece).bill.lines.find(({ id }) => id === 'glue-stick')!.stems.value
    expect([sticks(glued(12, 6)), sticks(glued(12, 8)), sticks(glued(12, 9))]).toEqual([1, 1, 2])
    // Fourteen of 18 dots are 252: thirteen sticks, not one to each.
    const many = glued(12, 6)
    expect(sticks({ ...many, brief: { ...many.brief, copies: 14 } })).toBe(13)
  })
  it('a bow is fixed once: by the wire that ties it, or by the way that was chosen', () => {
    const bow = (set: Partial<Piece['layers'][0]>) =>
      pieceWith(
        [
          layerOf(
            'bow',
            'ribbon-slate',
            {
              kind: 'bow',
              at: 0.5,
              means: 'visible',
              ends: 'v',
              hem: 0,
              tied: 'stem-wire-20',
              fixes: true,
              ribbons: [{ build: 'coil', layers: 5, flat: inches(6) }],
            },
            set,
          ),
        ],
        indoors,
      )
    expect(takes(bow({}))).toEqual({})
    expect(takes(bow({ fixing: 'zip tie' }))).toEqual({ 'zip-tie': 2 })
    const words = (piece: Piece) => work(piece, shelf).tasks.flatMap(({ says }) => says.map((each) => say(each, manner)))
    expect(words(bow({})).filter((line) => /fix the bow|Fix it with the ends/.test(line))).toHaveLength(2)
    expect(words(bow({ fixing: 'zip tie' })).join(' ')).not.toMatch(/they fix the bow|Fix it with the ends/)
  })
  it('a back-up takes its own', () => expect(takes(ring('skep', 1, { backup: 'zip tie' }))).toEqual({ 'stem-wire-20': 2, 'zip-tie': 2 }))
  it('what is held by how it is made takes nothing more', () => {
    const piece = pieceWith([layerOf('a', 'bay', { kind: 'bundles', start: 0, advance: 80, sprigs: 3, wraps: 1, faces: 1, bound: 25 })], {
      base: usualBase('wire-ring'),
    })
    expect(takes(piece)).toEqual({})
  })
})

describe('problems of fixing', () => {
  const found = (piece: Piece, id: string) => work(piece, shelf).problems.find((problem) => problem.id === id)
  const mended = (piece: Piece, id: string, n = 0): Piece => {
    const edited = edit(piece, found(piece, id)!.mends[n]!.edit!, 'mend')
    if (!edited.ok) throw new Error(edited.error)
    return edited.change.piece
  }
  it('pins chosen on a hoop are refused, with what holds instead', () => {
    const piece = ring('wheat', 3, { fixing: 'pins' }, { base: usualBase('hoop') })
    expect(found(piece, 'a:fixing:wheat')).toMatchObject({ severity: 'fault' })
    expect(found(mended(piece, 'a:fixing:wheat'), 'a:fixing:wheat')).toBeUndefined()
  })
  it('hot glue out of doors is a problem; indoors it is none', () => {
    const piece = ring('heather', 3, { fixing: 'hot glue' })
    expect(say(found(piece, 'a:fixing:heather')!.says, manner)).toBe(
      'Heather sprigs glued with hot glue: hot glue and sticky dots let go in heat, wet and frost.',
    )
    expect(found(mended(piece, 'a:fixing:heather'), 'a:fixing:heather')).toBeUndefined()
    expect(found(ring('heather', 3, { fixing: 'hot glue' }, indoors), 'a:fixing:heather')).toBeUndefined()
  })
  it('what is glued for good is a problem on a piece that is to be taken apart', () => {
    const piece = ring('heather', 3, { fixing: 'hot glue' }, indoors)
    expect(found({ ...piece, fixing: { ...piece.fixing, keep: 'taken apart' } }, 'a:fixing:heather')).toMatchObject({ severity: 'care' })
  })
  it('a back-up that is the same as what it backs up is told', () =>
    expect(found(ring('skep', 1, { fixing: 'zip tie', backup: 'zip tie' }), 'a:backup')).toMatchObject({ severity: 'note' }))
  it('green wire on a white hoop shows; white shows least, and once taken shows no more', () => {
    const hoop = { ...usualBase('hoop'), colour: '#E6E5DF' }
    const piece = ring('wheat', 3, {}, { base: hoop })
    expect(say(found(piece, 'tie')!.mends[0]!.says, manner)).toBe('Bind it with paddle wire, white')
    const white = mended(piece, 'tie')
    expect(found(white, 'tie')).toBeUndefined()
    expect(Object.keys(takes(white))).toContain('paddle-wire-white')
  })
  it('a maker’s own wire that shows least is the one that is named', () => {
    const own = { ...CATALOGUE['paddle-wire']!, id: 'brass', name: 'brass wire', colours: ['#B08D4A'] }
    const piece = ring('wheat', 3, {}, { base: { ...usualBase('hoop'), colour: '#B08D4A' } })
    const problem = work(piece, { ...shelf, materials: { ...shelf.materials, brass: own } }).problems.find(({ id }) => id === 'tie')
    expect(say(problem!.mends[0]!.says, manner)).toBe('Bind it with brass wire')
  })
})

describe('every base', () => {
  it('says how each of its things is held without a word of what it has not', () => {
    const { figure } = work(pieceWith([]), shelf).base.figures[0]!
    for (const kind of BASE_KINDS) {
      const { body } = BASE_SORTS[kind]
      for (const hold of HOLDS)
        for (const [id] of suiting(body, hold)) {
          const joint = {
            ground: body,
            hold,
            stemmed: false,
            count: 1,
            thick: {
              ...figure,
              low: 1,
              high: 1,
              said: [],
              binds: 'whole' as const,
              rules: [],
              worked: false,
            },
            mass: 30,
            wire: 'paddle-wire',
          }
          const how = FIXING_WAYS[id].how(joint, USUAL)
          expect(how, `${kind} ${id}`).toMatch(/^[A-Z].*\.$/)
          expect(how).not.toMatch(/undefined|its stem/)
          if (body !== 'trees') expect(how).not.toContain('trunk')
        }
    }
  })
})
