import type { TaskKind } from './task'

/** Documents keep the words of before. */
const STORED: Partial<Record<TaskKind, string>> = { lay: 'layer', 'take off': 'off' }

/**
 * How a task is known in documents and maps: by what it is, and of which layer, own task or part of the base.
 * @example taskKey('lay', 'greens') // 'layer:greens'
 */
export const taskKey = (kind: TaskKind, of: string | null = null): string => {
  const word = STORED[kind] ?? kind
  return of === null ? word : `${word}:${of}`
}

/** Whether a key is that of a task of a kind. @example isTaskOf('bow:a', 'bow') // true */
export const isTaskOf = (key: string, kind: TaskKind): boolean => key.split(':', 1)[0] === taskKey(kind)
