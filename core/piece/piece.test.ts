import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { layerOf, pieceWith } from '../testing'
import type { Edit } from './edit'
import { edit } from './edit'
import type { History } from './history'
import { EMPTY_HISTORY, note, redo, undo } from './history'
import { migrate } from './migrate'
import type { Piece } from './schema'
import { FORMAT, PieceSchema, VERSION } from './schema'
import { startLayer, startPiece, usualRule } from './start'
import { CATALOGUE } from '../material'

const bracken = layerOf('a', 'bracken', { kind: 'compass', count: 6, start: 0 })
const holly = layerOf('b', 'sea-holly', { kind: 'halfway', of: 'a' })
const piece = pieceWith([bracken, holly])

const EDITS: readonly Edit[] = [
  { do: 'brief', set: { name: 'Porch ring', budget: 2500 } },
  { do: 'stage', stage: 'hung' },
  { do: 'base', set: { outer: 400 } },
  { do: 'add layer', layer: layerOf('c', 'ivy', { kind: 'compass', count: 3, start: 0 }), at: 1 },
  { do: 'remove layer', layer: 'b' },
  { do: 'move layer', layer: 'b', to: 0 },
  { do: 'layer', layer: 'a', set: { lean: 12, cut: 150 } },
  { do: 'nudge', layer: 'a', slot: '2', nudge: { along: 4, across: 0, turn: 0 } },
  { do: 'nudge', layer: 'a', slot: '2', nudge: null },
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
    expect(edit(piece, { do: 'base', set: { inner: 900 } }, 'w')).toEqual({ ok: false, error: 'The hole must be smaller than the ring.' })
    expect(edit(piece, { do: 'brief', set: { name: '  ' } }, 'w')).toEqual({ ok: false, error: 'Give the piece a name.' })
    expect(edit(piece, { do: 'add layer', layer: bracken, at: 0 }, 'w')).toMatchObject({ ok: false, error: expect.stringContaining('Two layers') })
  })
  it('throws only for a layer that is not there', () => {
    expect(() => edit(piece, { do: 'remove layer', layer: 'zz' }, 'w')).toThrow(RangeError)
  })
})

function run(edits: readonly Edit[]): { states: Piece[], history: History } {
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
    fc.assert(fc.property(fc.array(fc.constantFrom(...safe), { maxLength: 12 }), (edits) => {
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
    }), { numRuns: 40 })
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
    for (const kind of ['compass', 'halfway', 'every', 'cluster', 'crescent', 'single'] as const) expect(usualRule(kind, 'a').kind).toBe(kind)
  })
})

describe('migrate', () => {
  it('lets today’s version through', () => expect(migrate({ format: FORMAT, version: VERSION })).toMatchObject({ ok: true }))
  it.each([
    [null, []], ['text', []], [[], []], [{ format: 'other' }, ['format']], [{ format: FORMAT }, ['version']],
    [{ format: FORMAT, version: 0 }, ['version']], [{ format: FORMAT, version: 1.5 }, ['version']], [{ format: FORMAT, version: VERSION + 1 }, ['version']],
  ])('refuses %j at its place', (input, path) => expect(migrate(input)).toMatchObject({ ok: false, path, error: expect.any(String) }))
  it('says that a newer version is newer', () => expect(migrate({ format: FORMAT, version: 99 })).toMatchObject({ error: expect.stringContaining('newer version of the app (format 99') }))
})
