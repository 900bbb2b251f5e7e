/** What is counted off while a layer is laid. */
export type CountedThing = 'bundles' | 'boughs'

/** How a count is known on a page: what was counted, of which layer. @example countKey('bundles', 'a') // 'bundles:a' */
export const countKey = (of: CountedThing, layer: string): string => `${of}:${layer}`

/** Whether a key is that of such a count. @example isCountOf('bundles:a', 'boughs') // false */
export const isCountOf = (key: string, of: CountedThing): boolean => key.split(':', 1)[0] === of
