import { changedFields, deltaOf } from '#core/measure'

/** Something is no longer what it was when someone began to change it. */
export class Changed extends Error {
  constructor() {
    super('Meanwhile it was changed elsewhere, or a piece took of it: nothing was written. Close this and look at it again.')
  }
}

/**
 * A record as two wrote it who began with the same: what each changed of it, where they did not change the same.
 * @param now as it is kept; what is gone is written anew
 * @throws Changed where both changed one field, and not alike
 */
export function merged<T extends object>(begun: T, mine: T, now: T | undefined): T {
  if (!now) return mine
  const own = changedFields(begun, mine)
  const others = changedFields(begun, now)
  for (const [key, value] of Object.entries(own)) if (Object.hasOwn(others, key) && deltaOf(others[key], value) !== 0) throw new Changed()
  return { ...now, ...own }
}
