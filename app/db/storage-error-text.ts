/**
 * Why the browser's storage refused, in words and with what would help.
 * @param error what Dexie, IndexedDB or local storage threw
 */
export function reason(error: unknown): string {
  const names = namesOf(error)
  const known = Object.entries(REASONS).find(([name]) => names.includes(name))
  if (known) return known[1]
  return error instanceof Error ? error.message : String(error)
}

const NONE =
  'This browser gives the app no storage. Private windows and strict settings can take it away; allow site data for this address.'
const REASONS: Readonly<Record<string, string>> = {
  QuotaExceededError: 'The storage that the browser gives this app is full. Export pieces, throw some away, or free space on the disk.',
  MissingAPIError: NONE,
  SecurityError: NONE,
  VersionError: 'What is kept in this browser is of a newer version of the app. Reload this tab to have that version.',
  DatabaseClosedError: 'The browser closed the storage. Reload this tab if it stays so.',
  InvalidStateError: 'The browser closed the storage. Reload this tab if it stays so.',
  TimeoutError: 'The storage did not answer in time.',
}

/** Dexie wraps what the browser threw, once or several times. */
function namesOf(error: unknown): string[] {
  const names: string[] = []
  for (let each = error, depth = 0; each instanceof Object && depth < 5; depth++) {
    const { name, inner } = each as { name?: unknown; inner?: unknown }
    if (typeof name === 'string') names.push(name)
    each = inner
  }
  return names
}
