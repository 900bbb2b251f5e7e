import { FORMAT, VERSION } from './schema'

/**
 * Steps that bring an older document up by one version each: `STEPS[1]` makes version 2 of version 1.
 * Empty while version 1 is the only one.
 */
const STEPS: Record<number, (document: Record<string, unknown>) => Record<string, unknown>> = {}

export type Migrated =
  | { readonly ok: true, readonly document: Record<string, unknown> }
  | { readonly ok: false, readonly path: readonly string[], readonly error: string }

/** Recognises a document of ours and brings it to today's version; its contents are not checked here. */
export function migrate(input: unknown): Migrated {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) {
    return { ok: false, path: [], error: 'This is not a piece: the file holds no object.' }
  }
  let document = input as Record<string, unknown>
  if (document.format !== FORMAT) {
    return { ok: false, path: ['format'], error: `This is not one of our pieces: “format” should be “${FORMAT}”.` }
  }
  const version = document.version
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return { ok: false, path: ['version'], error: '“version” should be a whole number from 1.' }
  }
  if (version > VERSION) {
    return { ok: false, path: ['version'], error: `This piece was written by a newer version of the app (format ${version}; this app reads up to ${VERSION}).` }
  }
  for (let from = version; from < VERSION; from++) document = { ...STEPS[from]!(document), version: from + 1 }
  return { ok: true, document }
}
