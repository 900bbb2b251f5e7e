import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_KINDS, usualBase } from '../base'
import { layerOf, pieceWith } from '../testing'
import type { Edit } from './edit'
import { edit } from './edit'
import type { History } from './history'
import { EMPTY_HISTORY, note, redo, undo } from './history'
import { withOwnTask } from './making-decisions'
import { migrate, moneyOf } from './migrate'
import { mirrorPiece } from './mirror'
import { rebase } from './change-base'
import type { Piece } from './schema'
import { EACH, FORMAT, PieceSchema, STILL, VERSION } from './schema'
import { withRuleKind, startLayer } from './layer'
import { rulesFor, RuleSchema, usualRule } from './rules'
import { startPiece } from './new-piece'
import { CATALOGUE, canLay } from '../material'

const bracken = layerOf('a', 'bracken', { kind: 'compass', count: 6, start: 0 })
const holly = layerOf('b', 'sea-holly', { kind: 'halfway', of: 'a' })
const piece = pieceWith([bracken, holly])

const EDITS: readonly Edit[] = [
  { do: 'brief', set: { name: 'Porch ring', budget: 2500 } },
  { do: 'stage', stage: 'hung' },
  { do: 'base', set: { shape: { form: 'ring', outer: 400, inner: 200 } } },
  { do: 'add layer', layer: layerOf('c', 'ivy', { kind: 'compass', count: 3, start: 0 }), at: 1 },
  { do: 'remove layer', layer: 'b' },
  { do: 'move layer', layer: 'b', to: 0 },
  { do: 'layer', layer: 'a', set: { lean: 12, cut: 150 } },
  { do: 'nudge', layer: 'a', slot: '2', nudge: { ...STILL, along: 4 } },
  { do: 'nudge', layer: 'a', slot: '2', nudge: null },
  { do: 'add', layer: 'a', things: [{ id: 'h1', run: 'ring', at: 0.25, across: 0, turn: 10, material: 'ivy' }] },
  { do: 'take off', layer: 'a', slots: ['3', '+h1'] },
  {
    do: 'several',
    edits: [
      { do: 'stage', stage: 'making' },
      { do: 'layer', layer: 'b', set: { lean: 5 } },
    ],
  },
  { do: 'restore', piece: startPiece('other', 'As it was') },
]

describe('edit', () => {
  it.each(EDITS)('$do leaves the piece that came in alone and gives a valid one', (how) => {
    const before = JSON.stringify(piece)
    const edited = edit(piece, how, 'words')
    expect(JSON.stringify(piece)).toBe(before)
    expect(edited.ok && PieceSchema.safeParse(edited.change.piece).success).toBe(true)
  })
  it('keeps its own id when an earlier version is restored', () => {
    const edited = edit(piece, { do: 'restore', piece: startPiece('other', 'As it was') }, 'go back')
    expect(edited.ok && [edited.change.piece.id, edited.change.piece.brief.name]).toEqual(['test', 'As it was'])
  })
  it('moves layers to their places', () => {
    const edited = edit(piece, { do: 'move layer', layer: 'a', to: 1 }, 'move')
    expect(edited.ok && edited.change.piece.layers.map(({ id }) => id)).toEqual(['b', 'a'])
  })
  it('says what is wrong and changes nothing', () => {
    expect(edit(piece, { do: 'base', set: { shape: { form: 'ring', outer: 400, inner: 900 } } }, 'w')).toEqual({
      ok: false,
      error: 'The hole must be smaller than the ring.',
    })
    expect(edit(piece, { do: 'brief', set: { name: '  ' } }, 'w')).toEqual({ ok: false, error: 'Give the piece a name.' })
    expect(edit(piece, { do: 'add layer', layer: bracken, at: 0 }, 'w')).toMatchObject({
      ok: false,
      error: expect.stringContaining('Two layers'),
    })
  })
  it('throws only for a layer that is not there', () => {
    expect(() => edit(piece, { do: 'remove layer', layer: 'zz' }, 'w')).toThrow(RangeError)
  })
})

function run(edits: readonly Edit[]): { states: Piece[]; history: History } {
  let history = EMPTY_HISTORY
  const states = [piece]
  for (const how of edits) {
    const edited = edit(states.at(-1)!, how, how.do)
    if (!edited.ok) continue
    history = note(history, edited.change)
    states.push(edited.change.piece)
  }
  return { states, history }
}

describe('history', () => {
  it('takes back and does again any row of edits', () => {
    const safe = EDITS.filter(({ do: kind }) => kind !== 'remove layer' && kind !== 'restore')
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...safe), { maxLength: 12 }), (edits) => {
        const { states, history } = run(edits)
        let at = { piece: states.at(-1)!, history }
        for (const state of [...states].reverse().slice(1)) {
          at = undo(at.piece, at.history)!
          expect(at.piece).toEqual(state)
        }
        expect(undo(at.piece, at.history)).toBeNull()
        for (const state of states.slice(1)) {
          at = redo(at.piece, at.history)!
          expect(at.piece).toEqual(state)
        }
        expect(redo(at.piece, at.history)).toBeNull()
      }),
      { numRuns: 40 },
    )
  })
  it('counts typing as one', () => {
    let now = piece
    let history = EMPTY_HISTORY
    for (const name of ['P', 'Po', 'Porch']) {
      const edited = edit(now, { do: 'brief', set: { name } }, 'name the piece')
      if (!edited.ok) throw new Error(edited.error)
      now = edited.change.piece
      history = note(history, edited.change, 'name')
    }
    expect(history.done).toHaveLength(1)
    const back = undo(now, history)!
    expect(back).toMatchObject({ words: 'name the piece', piece: { brief: { name: 'Test ring' } } })
    expect(redo(back.piece, back.history)!.piece.brief.name).toBe('Porch')
  })
  it('forgets what was taken back once something else is done', () => {
    const { states, history } = run(EDITS.slice(0, 2))
    const back = undo(states.at(-1)!, history)!
    const other = edit(back.piece, { do: 'stage', stage: 'making' }, 'mark it')
    expect(other.ok && note(back.history, other.change).undone).toEqual([])
  })
})

describe('start', () => {
  it('makes a valid piece, and a valid layer of every material on the shelf', () => {
    expect(PieceSchema.safeParse(startPiece('x', 'New')).success).toBe(true)
    for (const material of Object.values(CATALOGUE)) {
      expect(PieceSchema.safeParse(pieceWith([startLayer('l', material, 1)])).error?.issues).toBeUndefined()
    }
  })
  it('has an everyday rule of each kind', () => {
    for (const {
      shape: { kind },
    } of RuleSchema.options)
      expect(RuleSchema.parse(usualRule(kind.value, 'a')).kind).toBe(kind.value)
  })
})

describe('taking off', () => {
  const applied = (edits: readonly Edit[]): Piece =>
    edits.reduce((now, how) => {
      const edited = edit(now, how, 'w')
      if (!edited.ok) throw new Error(edited.error)
      return edited.change.piece
    }, piece)
  it('leaves a place of the rule empty, and forgets what a hand put on', () => {
    const thing = { id: 'h1', run: 'ring', at: 0.25, across: 0, turn: 0, material: 'ivy' }
    const {
      layers: [layer],
    } = applied([
      { do: 'add', layer: 'a', things: [thing] },
      { do: 'nudge', layer: 'a', slot: '3', nudge: STILL },
      { do: 'take off', layer: 'a', slots: ['3', '+h1', '3'] },
    ])
    expect(layer).toMatchObject({ added: [], taken: ['3'], nudges: {} })
  })
  it('refuses two things with one id', () => {
    const thing = { id: 'h1', run: 'ring', at: 0.25, across: 0, turn: 0, material: 'ivy' }
    expect(edit(piece, { do: 'add', layer: 'a', things: [thing, thing] }, 'w')).toMatchObject({
      ok: false,
      error: expect.stringContaining('the same id'),
    })
  })
})

describe('rebase', () => {
  it('puts layers onto the runs of another base, and leaves those that fit', () => {
    const edited = edit(piece, rebase(piece, usualBase('tree-swag')), 'w')
    expect(edited.ok && edited.change.piece.layers.map(({ run: on }) => on)).toEqual([EACH, EACH])
    const back = edit(piece, rebase(piece, usualBase('oval')), 'w')
    expect(back.ok && back.change.piece.layers.map(({ run: on }) => on)).toEqual(['ring', 'ring'])
  })
})

describe('mirrorPiece', () => {
  it('puts what sits at two o’clock at ten', () => {
    const [layer] = mirrorPiece(pieceWith([layerOf('a', 'skep', { kind: 'single', at: 2 / 12, drop: 7 })]), 'x', 'X').layers
    expect(layer!.rule).toEqual({ kind: 'single', at: expect.closeTo(10 / 12, 9), drop: 7 })
  })
  it('is the same again when it is mirrored twice', () => {
    for (const kind of BASE_KINDS) {
      const own = pieceWith([bracken, holly], { base: usualBase(kind) })
      const twice = mirrorPiece(mirrorPiece(own, 'x', 'x'), own.id, own.brief.name)
      expect(PieceSchema.safeParse(twice).success).toBe(true)
      expect(twice.layers.map(({ run: on, mirrored }) => [on, mirrored])).toEqual(own.layers.map(({ run: on, mirrored }) => [on, mirrored]))
    }
  })
})

describe('migrate', () => {
  it('lets today’s version through', () => expect(migrate({ format: FORMAT, version: VERSION })).toMatchObject({ ok: true }))
  it.each([
    [null, []],
    ['text', []],
    [[], []],
    [{ format: 'other' }, ['format']],
    [{ format: FORMAT }, ['version']],
    [{ format: FORMAT, version: 0 }, ['version']],
    [{ format: FORMAT, version: 1.5 }, ['version']],
    [{ format: FORMAT, version: VERSION + 1 }, ['version']],
  ])('refuses %j at its place', (input, path) => expect(migrate(input)).toMatchObject({ ok: false, path, error: expect.any(String) }))
  it('says that a newer version is newer', () =>
    expect(migrate({ format: FORMAT, version: 99 })).toMatchObject({
      error: expect.stringContaining('newer version of the app (format 99'),
    }))
  it('brings a piece of version 1 up to date: a ring, six rules, three kinds of nudge', () => {
    const one = {
      format: FORMAT,
      version: 1,
      id: 'old',
      stage: 'planned',
      brief: {
        name: 'Old ring',
        occasion: '',
        surface: { kind: 'boards', colour: '#5E7C84' },
        door: { width: 900, height: 2000 },
        weather: 'covered',
        fullness: 'full',
        budget: null,
        currency: 'USD',
        copies: 1,
      },
      base: { kind: 'grapevine', outer: 300, inner: 200, colour: '#6B4B33', join: 90, price: null },
      layers: [
        {
          id: 'a',
          role: 'greenery',
          run: 'ring',
          mix: [{ material: 'ivy', share: 1 }],
          rule: { kind: 'compass', count: 4, start: 0 },
          flow: 'clockwise',
          seat: 0.5,
          across: 0,
          acrossSpread: 0,
          lean: 0,
          leanSpread: 0,
          cut: null,
          seed: 1,
          nudges: { 2: { along: 5, across: 0, turn: 0 } },
        },
      ],
    }
    const brought = migrate(one)
    const read = PieceSchema.safeParse(brought.ok ? brought.document : null)
    expect(read.error?.issues).toBeUndefined()
    expect(read.data).toMatchObject({
      version: VERSION,
      brief: { light: 'day' },
      base: { shape: { form: 'ring', outer: 300, inner: 200 }, join: 0.25, turn: 0, hook: null },
      layers: [{ nudges: { 2: { ...STILL, along: 5 } }, added: [], clear: false, words: null }],
    })
    const two = { ...(brought.ok ? brought.document : {}), version: 2, layers: [{ id: 'a' }], brief: { name: 'b' } }
    expect(migrate(two)).toMatchObject({
      ok: true,
      document: { version: VERSION, brief: { light: 'day' }, layers: [{ id: 'a', words: null }] },
    })
    expect(migrate({ ...one, base: 'none', layers: [3], brief: null })).toMatchObject({
      ok: true,
      document: { base: 'none', layers: [3], brief: null },
    })
  })
})

describe('version 5', () => {
  const five = {
    format: FORMAT,
    version: 5,
    brief: { name: 'b', currency: 'EUR' },
    layers: [
      { rule: { kind: 'bow', tied: 'own ribbon' } },
      { rule: { kind: 'bow', tied: 'stem wire' } },
      { rule: { kind: 'bow', tied: 'nonsense' } },
      { rule: { kind: 'hand' } },
    ],
  }
  it('had a currency of its own, which is told, and names of its own for what ties a bow', () => {
    expect(migrate(five)).toMatchObject({
      ok: true,
      document: {
        version: VERSION,
        brief: { name: 'b' },
        layers: [
          { rule: { tied: 'own-ribbon' } },
          { rule: { tied: 'stem-wire-20' } },
          { rule: { tied: 'nonsense' } },
          { rule: { kind: 'hand' } },
        ],
      },
    })
    expect(moneyOf(five)).toBe('EUR')
    expect([moneyOf({ brief: { currency: 'LIRA' } }), moneyOf({ brief: {} }), moneyOf(null), moneyOf({})]).toEqual([null, null, null, null])
  })
})

describe('another kind of rule for a layer', () => {
  const ribbon = startLayer('r', CATALOGUE['ribbon-slate']!, 1)
  it('ribbon starts as a bow that keeps its place, and keeps none once it is wound round', () => {
    expect(ribbon).toMatchObject({ role: 'bow', reserve: 0, rule: { kind: 'bow', means: null } })
    expect(withRuleKind(ribbon, 'wound', '')).toMatchObject({ role: 'texture', reserve: null, rule: { kind: 'wound' } })
  })
  it('a bow of several has a build for each', () => {
    const mix = [...ribbon.mix, { material: 'ribbon-ochre', share: 1, only: null }]
    const made = { ...ribbon, ...withRuleKind({ ...ribbon, mix }, 'bow', '') }
    expect(made).toMatchObject({ mix, rule: { kind: 'bow', ribbons: [{ build: 'hand' }, { build: 'hand' }] } })
    expect(PieceSchema.safeParse({ ...startPiece('p', 'P'), layers: [made] }).success).toBe(true)
    expect(PieceSchema.safeParse({ ...startPiece('p', 'P'), layers: [{ ...made, mix: ribbon.mix }] }).success).toBe(false)
  })
  it('each kind of material can go by the rule that it starts with', () => {
    for (const material of Object.values(CATALOGUE).filter(canLay))
      expect(rulesFor(material.kind)).toContain(startLayer('a', material, 1).rule.kind)
  })
})

it('gives a task of one’s own an id that no other has, whatever was taken off before', () => {
  const two = withOwnTask(withOwnTask([], { title: 'a' }), { title: 'b', after: 'look' })
  const again = withOwnTask(two.slice(1), { title: 'c' })
  expect(new Set(again.map(({ id }) => id)).size).toBe(2)
  expect(again.map(({ title, after }) => [title, after])).toEqual([
    ['b', 'look'],
    ['c', null],
  ])
})
