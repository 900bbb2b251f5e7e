import type { Said } from './figure'

/** What is said, as data: which message of which room, of what, and in the words that the app ships. Plain data: it crosses from the worker as it is. */
export interface Message {
  /** "hanging.too-heavy" */
  readonly code: string
  readonly of: object
  readonly says: Said
}

/** What every message of a room says, of its parameters. Another language is another table of the same type. */
export type WordTable<Messages> = { readonly [Code in keyof Messages]: (of: Messages[Code]) => Said }

/**
 * How messages of a room are made.
 * @param room whose they are @param words what they say in the language that the app ships
 * @example messagesOf('hole', { deep: () => ['It is deep.'] })('deep', {}).code // 'hole.deep'
 */
export const messagesOf =
  <Messages extends Record<keyof Messages, object>>(room: string, words: WordTable<Messages>) =>
  <Code extends keyof Messages & string>(code: Code, of: Messages[Code]): Message => ({
    code: `${room}.${code}`,
    of,
    says: words[code](of),
  })

/**
 * A message of a room in the words of another language.
 * @param words that room's @throws RangeError when the table has no such message, which its type rules out for messages of that room
 */
export function inWords<Messages>({ code, of }: Pick<Message, 'code' | 'of'>, words: WordTable<Messages>): Said {
  const own = code.slice(code.indexOf('.') + 1)
  if (!Object.hasOwn(words, own)) throw new RangeError(`There are no words for “${code}”.`)
  return (words as Record<string, (of: object) => Said>)[own]!(of)
}
