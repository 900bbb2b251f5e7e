import { expect, it } from 'vitest'
import { TASK_KINDS } from './task'
import { isTaskOf, taskKey } from './task-key'

it('keys of tasks are those that documents have', () => {
  // As pieces and pages of the daybook of 2026 keep them.
  expect(taskKey('lay', 'greens')).toBe('layer:greens')
  expect(taskKey('take off', 'base')).toBe('off:base')
  expect(taskKey('bow', 'a')).toBe('bow:a')
  expect(taskKey('hang')).toBe('hang')
})
it('a key is of its own kind and of no other', () => {
  for (const kind of TASK_KINDS)
    for (const key of [taskKey(kind), taskKey(kind, 'lay:bow')]) expect(TASK_KINDS.filter((other) => isTaskOf(key, other))).toEqual([kind])
})
