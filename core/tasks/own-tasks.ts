import type { Figure } from '../measure'
import { quantity } from '../measure'
import type { Piece } from '../piece'
import { NONE } from './durations'
import type { Before, Undone } from './task'
import { task } from './task-builder'
import { taskKey } from './task-key'

type OwnTask = Piece['making']['own'][number]

const AS_PUT = 'as you put it'
const asPut = (minutes: number): Figure => ({ ...quantity.time(minutes), sum: [AS_PUT], basis: { kind: 'measured' } })

/** A task that its maker wrote. */
export const ownTask = ({ id, title, hands, waits, after }: OwnTask): Undone =>
  task(taskKey('own', id), 'own', title, [], {
    hands: asPut(hands),
    waits: waits > 0 ? asPut(waits) : NONE,
    after: after === null ? [] : [{ id: after, why: AS_PUT }],
  })

/** What of one's own tasks another waits for. */
export const ownBefore = (own: readonly OwnTask[], id: string): Before[] =>
  own.flatMap((one) => (one.before === id ? [{ id: taskKey('own', one.id), why: AS_PUT }] : []))
