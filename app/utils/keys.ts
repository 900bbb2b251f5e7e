/** Where keys act, besides the page itself: the drawing and the tape have this. */
const KEYED = '[data-keys]'
/** While one of these is open, what lies behind it takes no key. A lane of the tape is a list box too, but lies over nothing. */
const ABOVE = '[role="dialog"], [role="alertdialog"], [role="menu"], [role="listbox"][data-headlessui-state]'
const FIELDS = new Set(['INPUT', 'SELECT', 'TEXTAREA'])

/** Whether someone types into what a key was pressed in. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || FIELDS.has(target.tagName))

/** Whether anything lies over the page. */
export const isCovered = (): boolean => document.querySelector(ABOVE) !== null

/** Whether a key may be meant for the page: nobody types, and nothing lies over it. */
export const isForPage = ({ target, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean =>
  !ctrlKey && !metaKey && !altKey && !isTyping(target) && !isCovered()

/** Whether it was pressed on nothing in particular, or where keys act: elsewhere none changes anything. */
export const isWhereKeysAct = ({ target }: KeyboardEvent): boolean =>
  !(target instanceof Element) || target === document.body || target.closest(KEYED) !== null

/** Puts the focus where keys act. */
export const focusKeyed = (): void => document.querySelector<HTMLElement>(`${KEYED} [tabindex="0"]`)?.focus({ preventScroll: true })
