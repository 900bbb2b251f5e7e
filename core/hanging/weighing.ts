import { z } from 'zod'

/** What a kitchen scale says, once. */
export const ScaleReadingSchema = z.strictObject({
  /** Its own number, from the first reading on: a gap is a reading that was lost. */
  n: z.int().min(0),
  grams: z.number().min(-20_000).max(200_000),
})
export type ScaleReading = z.infer<typeof ScaleReadingSchema>

/** Reads what a scale sent. @returns null for what is no reading */
export function readScale(text: string): ScaleReading | null {
  try {
    const read = ScaleReadingSchema.safeParse(JSON.parse(text))
    return read.success ? read.data : null
  } catch {
    return null
  }
}

/** Readings that differ by less than this lie still, g. */
const STILL = 1.5
/** How many last readings are looked at. */
export const SETTLES_IN = 8

/** What lies on a scale, by its last readings: their mean, how far they differ, and whether they lie still. */
export interface Settled {
  readonly grams: number
  readonly spread: number
  readonly still: boolean
}

/**
 * @param readings g, oldest first @param tare taken off each
 * @returns null while there are none
 * @example settledAt([100, 101, 100, 101, 100, 101, 100, 101], 0).grams // 100.5
 */
export function settledAt(readings: readonly number[], tare: number): Settled | null {
  const last = readings.slice(-SETTLES_IN)
  if (!last.length) return null
  const spread = Math.max(...last) - Math.min(...last)
  return {
    grams: last.reduce((all, each) => all + each, 0) / last.length - tare,
    spread,
    still: last.length === SETTLES_IN && spread <= STILL,
  }
}
