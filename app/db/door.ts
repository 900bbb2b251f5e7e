import { shallowRef } from 'vue'

/**
 * How this tab stands to others of another version: `blocked` while an older one holds the database that this one would bring up,
 * `newer` once a newer one has it.
 */
export const door = shallowRef<'open' | 'blocked' | 'newer'>('open')

/** What is kept was brought up by a newer version than this one: it is not read, so that nothing of it is taken for spoiled. */
export class Newer extends Error {
  constructor() {
    super('The database is of a newer version.')
    this.name = 'VersionError'
  }
}
