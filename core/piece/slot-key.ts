/** Where a slot lies in its layer: on which run, where the layer has places on each of them; which place; which part of it. */
export interface SlotId {
  readonly run: string | null
  readonly place: string
  readonly part: string | null
}

/** A slot as documents keep it. @example slotKey({ run: 'left', place: '3', part: '1' }) // 'left/3.1' */
export const slotKey = ({ run, place, part }: SlotId): string =>
  `${run === null ? '' : `${run}/`}${place}${part === null ? '' : `.${part}`}`

/** @example slotOf('left/3.1') // { run: 'left', place: '3', part: '1' } */
export function slotOf(key: string): SlotId {
  const [, run, place, part] = /^(?:([^/]*)\/)?([^.]*)(?:\.(.*))?$/s.exec(key)!
  return { run: run ?? null, place: place!, part: part ?? null }
}

/** The key of the slot in which a thing lies that a hand put on. @example addedSlot('h1') // '+h1' */
export const addedSlot = (id: string): string => slotKey({ run: null, place: `+${id}`, part: null })
