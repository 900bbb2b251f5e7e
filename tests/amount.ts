/**
 * How much a test tries. Every run tries a part that is always the same; `npm run test:long` tries all of it, which nobody must
 * wait for.
 */
export const LONG = process.env.LONG === 'true'

/** Every `nth` of what there is to try, from the first on; in a long run all of it. */
export const everyNth = <T>(nth: number, all: readonly T[]): readonly T[] => (LONG ? all : all.filter((_, i) => i % nth === 0))

/** So many tries; in a long run so many times as much. */
export const tries = (usual: number, longer = 4): number => (LONG ? usual * longer : usual)
