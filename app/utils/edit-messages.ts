import { readTape, several } from '#core/measure'
import type { LengthUnits } from '#core/measure'

/** What is said of something that hands did: in the history, where it can be taken back, and aloud. */
export interface EditMessage {
  /** As one says what to do: "turn bay 3 5 degrees clockwise". */
  readonly does: string
  /** As one says what has come of it: "bay 3 turned 5 degrees clockwise". */
  readonly says: string
}

/** What several things are called together. @param names one or more */
export const nameTogether = (names: readonly string[]): string => (names.length === 1 ? names[0]! : several(names.length, 'stem', 'stems'))

export const slid = (name: string, place: string): EditMessage => ({ does: `slide ${name} to ${place}`, says: `${name} at ${place}` })

/** @param across outward above 0 */
export function shifted(name: string, across: number): EditMessage {
  const way = across > 0 ? 'outward' : 'inward'
  return { does: `move ${name} ${way}`, says: `${name} moved ${way}` }
}

/** @param by degrees, clockwise above 0 */
export function turnedMessage(name: string, by: number): EditMessage {
  const way = `${Math.round(Math.abs(by))} degrees ${by > 0 ? 'clockwise' : 'anticlockwise'}`
  return { does: `turn ${name} ${way}`, says: `${name} turned ${way}` }
}

/** @param by over what lies beside it above 0, else under */
export function liftedMessage(name: string, by: number): EditMessage {
  const where = `${by > 0 ? 'over' : 'under'} the neighbours`
  return { does: `take ${name} ${where}`, says: `${name} ${where}` }
}

/** @param length what it comes to, mm; null where several come to several */
export const trimmed = (name: string, length: number | null, units: LengthUnits): EditMessage => ({
  does: `trim ${name}`,
  says: length === null ? `${name} trimmed` : `${name} cut to ${readTape(length, units)}`,
})

/** @param length mm */
export const cutToMessage = (name: string, length: number, units: LengthUnits): EditMessage => ({
  does: `trim ${name} to ${readTape(length, units)}`,
  says: `${name} cut to ${readTape(length, units)}`,
})

export const pinnedDown = (name: string, pinned: boolean): EditMessage => ({
  does: `${pinned ? 'pin' : 'unpin'} ${name}`,
  says: `${name} ${pinned ? 'pinned' : 'unpinned'}`,
})

export const putBackToRule = (name: string): EditMessage => ({
  does: `put ${name} back to the rule`,
  says: `${name} back at the rule`,
})

/** What is said alike before and after. */
const plain = (words: string): EditMessage => ({ does: words, says: words })

export const takenOff = (name: string): EditMessage => plain(`take ${name} off`)
export const movedAcross = (name: string): EditMessage => plain(`move ${name} to the other side`)
export const copiedAcross = (name: string): EditMessage => plain(`copy ${name} to the other side`)
export const doubled = (name: string): EditMessage => plain(`put another beside ${name}`)
export const putAt = (name: string, place: string): EditMessage => plain(`put ${name} at ${place}`)

/** @param bearer null is the base */
export const putOnWhat = (name: string, bearer: string | null): EditMessage =>
  bearer === null
    ? { does: `put ${name} on the base`, says: `${name} on the base` }
    : { does: `put ${name} on ${bearer}`, says: `${name} on ${bearer}` }

export const chose = (name: string, place: string, more: number | null = null): string =>
  `${name} at ${place}${more === null ? '' : `, ${more} chosen`}`
