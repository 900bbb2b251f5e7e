import type { Figure } from '../measure'
import { quantity } from '../measure'
import type { Piece } from '../piece'
import { NONE } from './durations'
import type { Before, Undone } from './task'
import { task, waitsFor } from './task-builder'
import { taskKey } from './task-key'
import { taskMessage } from './words'

type OwnTask = Piece['making']['own'][number]

const asPut = (minutes: number): Figure => ({
  ...quantity.time(minutes),
  sum: taskMessage('as-you-put-it', {}).says,
  basis: { kind: 'measured' },
})

/** A task that its maker wrote. */
export const ownTask = ({ id, title, hands, waits, after }: OwnTask): Undone =>
  task(taskKey('own', id), 'own', taskMessage('own', { title }), [], {
    hands: asPut(hands),
    waits: waits > 0 ? asPut(waits) : NONE,
    after: after === null ? [] : [waitsFor(after, 'as-you-put-it')],
  })

/** What of one's own tasks another waits for. */
export const ownBefore = (own: readonly OwnTask[], id: string): Before[] =>
  own.flatMap((one) => (one.before === id ? [waitsFor(taskKey('own', one.id), 'as-you-put-it')] : []))
