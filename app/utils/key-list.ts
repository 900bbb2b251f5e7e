import { capital } from '#core/measure'

/** Something that a key does on the bench. What has no key stands in the list for the mouse. */
export interface Command {
  readonly id: string
  readonly group: string
  /** Keys as events name them; with `shift` only when that is held, or not. */
  readonly press: readonly string[]
  readonly shift?: boolean
  /** As the list and tooltips show the key, and what it does. */
  readonly shown: string
  readonly says: string
  /** It finds something, or closes it, and changes nothing: it acts wherever the focus is. */
  readonly finds?: boolean
}

/** The one list of what keys do on the bench: the page acts by it, tooltips and the list of keys show it. */
export const COMMANDS = [
  { id: 'neighbour', group: 'Choose', press: [',', '.'], shown: ', and .', says: 'the neighbour before or after', finds: true },
  { id: 'neighbour too', group: 'Choose', press: ['<', '>'], shown: 'Shift , and .', says: 'that one as well', finds: true },
  {
    id: 'layer',
    group: 'Choose',
    press: ['PageDown', 'PageUp'],
    shift: false,
    shown: 'Page ↑ ↓',
    says: 'the next layer’s first',
    finds: true,
  },
  { id: 'all', group: 'Choose', press: ['a'], shown: 'A', says: 'all of the layer' },
  { id: 'click', group: 'Choose', press: [], shown: 'Click, Shift click', says: 'one; one more or one fewer' },
  { id: 'frame', group: 'Choose', press: [], shown: 'Shift drag', says: 'all in a frame' },
  { id: 'let go', group: 'Choose', press: ['Escape'], shown: 'Esc', says: 'let go', finds: true },
  {
    id: 'along',
    group: 'Move what is chosen',
    press: ['ArrowRight', 'ArrowLeft'],
    shift: false,
    shown: '← →',
    says: 'along the run, ¼ in or 5 mm',
  },
  {
    id: 'finely',
    group: 'Move what is chosen',
    press: ['ArrowRight', 'ArrowLeft'],
    shift: true,
    shown: 'Shift ← →',
    says: 'finely, 1⁄16 in or 1 mm',
  },
  { id: 'across', group: 'Move what is chosen', press: ['ArrowUp', 'ArrowDown'], shown: '↑ ↓', says: 'outward or inward' },
  { id: 'turn', group: 'Move what is chosen', press: ['[', ']'], shown: '[ ]', says: 'turn 5 degrees' },
  { id: 'trim', group: 'Move what is chosen', press: ['+', '-'], shown: '+ −', says: 'longer or shorter by ½ in or 1 cm' },
  {
    id: 'lift',
    group: 'Move what is chosen',
    press: ['PageDown', 'PageUp'],
    shift: true,
    shown: 'Shift Page ↑ ↓',
    says: 'over or under its neighbours',
  },
  { id: 'drag', group: 'Move what is chosen', press: [], shown: 'Alt drag', says: 'without snapping' },
  { id: 'put back', group: 'Move what is chosen', press: ['Backspace'], shown: 'Backspace', says: 'back to its rule' },
  { id: 'another', group: 'More and fewer', press: ['d'], shown: 'D', says: 'another beside it' },
  { id: 'copy', group: 'More and fewer', press: ['c'], shown: 'C', says: 'copy to the other side' },
  { id: 'mirror', group: 'More and fewer', press: ['m'], shown: 'M', says: 'move to the other side' },
  { id: 'pin', group: 'More and fewer', press: ['p'], shown: 'P', says: 'pin it, or unpin' },
  { id: 'take off', group: 'More and fewer', press: ['Delete'], shown: 'Delete', says: 'take it off' },
  { id: 'hide', group: 'Layers and the rest', press: ['h'], shown: 'H', says: 'put the open layer aside, or bring it back' },
  { id: 'lock', group: 'Layers and the rest', press: ['l'], shown: 'L', says: 'lock or unlock it' },
  { id: 'move layer', group: 'Layers and the rest', press: [], shown: 'Alt ↑ ↓', says: 'on a layer’s grip: move the layer' },
  { id: 'undo', group: 'Layers and the rest', press: [], shown: 'Ctrl Z', says: 'undo' },
  { id: 'redo', group: 'Layers and the rest', press: [], shown: 'Ctrl Shift Z', says: 'redo' },
  { id: 'keys', group: 'Layers and the rest', press: ['?'], shown: '?', says: 'this list', finds: true },
] as const satisfies readonly Command[]

type Of<C> = C extends { readonly press: readonly []; readonly id: string } ? never : C extends { readonly id: infer Id } ? Id : never
/** What acts by a key. */
export type CommandId = Of<(typeof COMMANDS)[number]>

/** Every key that acts, as events name it. */
export const COMMAND_KEYS: readonly string[] = [...new Set(COMMANDS.flatMap(({ press }): readonly string[] => press))]

/** What a key asks for; null where it is none of the list. */
export function commandFor({ key, shiftKey }: Pick<KeyboardEvent, 'key' | 'shiftKey'>): (Command & { readonly id: CommandId }) | null {
  const found = (COMMANDS as readonly Command[]).find(
    ({ press, shift }) => press.includes(key) && (shift === undefined || shift === shiftKey),
  )
  return found ? (found as Command & { readonly id: CommandId }) : null
}

/** A tooltip: what it does, and by which key. @param says where it is more than the list says */
export function tip(id: (typeof COMMANDS)[number]['id'], says?: string): string {
  const { shown, says: usual } = COMMANDS.find((each) => each.id === id)!
  return `${capital(says ?? usual)} (${shown})`
}
