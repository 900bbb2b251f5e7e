import { apply } from 'mutative'
import type { Change } from './edit'
import type { Piece } from './schema'

/**
 * What was done and what was taken back in this visit, without limit.
 * Edits with the same `merge` key that follow each other count as one: typing a name is one undo.
 */
export interface History {
  readonly done: readonly Entry[]
  readonly undone: readonly Entry[]
}

type Entry = Pick<Change, 'forward' | 'back' | 'words'> & { readonly merge: string | null }

export const EMPTY_HISTORY: History = { done: [], undone: [] }

/** Notes a change; whatever had been taken back is gone. */
export function note(history: History, change: Change, merge: string | null = null): History {
  const last = history.done.at(-1)
  if (merge !== null && last?.merge === merge && history.undone.length === 0) {
    const joined: Entry = {
      forward: [...last.forward, ...change.forward],
      back: [...change.back, ...last.back],
      words: change.words,
      merge,
    }
    return { done: [...history.done.slice(0, -1), joined], undone: [] }
  }
  const { forward, back, words } = change
  return { done: [...history.done, { forward, back, words, merge }], undone: [] }
}

export interface HistoryStep {
  readonly piece: Piece
  readonly history: History
  readonly words: string
}

/** Takes the last change back; null when there is none. */
export function undo(piece: Piece, history: History): HistoryStep | null {
  const last = history.done.at(-1)
  if (!last) return null
  return {
    piece: apply(piece, last.back),
    words: last.words,
    history: { done: history.done.slice(0, -1), undone: [...history.undone, last] },
  }
}

/** Does the last change again that was taken back; null when there is none. */
export function redo(piece: Piece, history: History): HistoryStep | null {
  const last = history.undone.at(-1)
  if (!last) return null
  return {
    piece: apply(piece, last.forward),
    words: last.words,
    history: { done: [...history.done, last], undone: history.undone.slice(0, -1) },
  }
}
