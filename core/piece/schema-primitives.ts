import { z } from 'zod'

/** The words and limits that documents are made of. */

/** The most of anything that one layer may ask for. */
export const MOST_PLACES = 500

export const ROLES = ['greenery', 'focal', 'second greenery', 'filler', 'accent', 'texture', 'bow', 'sign'] as const
export type Role = (typeof ROLES)[number]

export const idSchema = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/)
/** A share of a whole, 0 to 1. */
export const shareSchema = z.number().min(0).max(1)
/** A place on a run as a share of its length: on a ring 0 is twelve o'clock and 0.25 three. */
export const placeSchema = z.number().min(0).max(1)
export const countSchema = z.int().min(0).max(MOST_PLACES)
/** A length, mm. */
export const mmSchema = (least: number, most: number) => z.number().min(least).max(most)

/** A share of a run as it is seen in a mirror. */
export const flip = (share: number): number => 1 - share
