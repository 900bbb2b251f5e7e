import { describe, expect, it } from 'vitest'
import type { Command } from './key-list'
import { COMMAND_KEYS, commandFor, COMMANDS, tip } from './key-list'

describe('the list of what keys do', () => {
  const all: readonly Command[] = COMMANDS
  it('has every name once, and no key for two things', () => {
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length)
    expect(new Set(all.map(({ shown }) => shown)).size).toBe(all.length)
    for (const key of COMMAND_KEYS)
      for (const shiftKey of [true, false])
        expect(
          all.filter(({ press, shift }) => press.includes(key) && (shift === undefined || shift === shiftKey)),
          `${key} ${String(shiftKey)}`,
        ).toHaveLength(1)
  })
  it('knows what a key asks for, with shift and without', () => {
    expect(commandFor({ key: 'PageUp', shiftKey: false })!.id).toBe('layer')
    expect(commandFor({ key: 'PageUp', shiftKey: true })!.id).toBe('lift')
    expect(commandFor({ key: 'Delete', shiftKey: true })!.id).toBe('take off')
    expect(commandFor({ key: 'q', shiftKey: false })).toBeNull()
  })
  it('finds without changing anything only where it says so', () =>
    expect(all.filter(({ finds }) => finds).map(({ id }) => id)).toEqual(['neighbour', 'neighbour too', 'layer', 'let go', 'keys']))
  it('makes tooltips', () =>
    expect([tip('copy'), tip('lift', 'over its neighbours')]).toEqual([
      'Copy to the other side (C)',
      'Over its neighbours (Shift Page ↑ ↓)',
    ]))
})
