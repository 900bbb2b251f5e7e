// What the code that works pieces out and paints them comes to: what is kept of a piece is kept by it, so that nobody can forget to
// count a version up. Comments and types say nothing in it.
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { join } from 'node:path'
import { transformSync } from 'esbuild'

const root = fileURLToPath(new URL('..', import.meta.url))
const SUMS = ['core']
/** A drawing follows from the placements; how large it is shown from the finished size, and so from what hides what. */
const LOOKS = [
  ...['measure', 'base', 'material', 'piece', 'placement', 'looks', 'coverage', 'scene', 'hanging'].map((room) => `core/${room}`),
  'core/workings.ts',
  'app/drawing',
  'app/workers/roles/preview.ts',
]

function fingerprint(places) {
  const hash = createHash('sha256')
  const files = places
    .flatMap((place) =>
      place.endsWith('.ts')
        ? [place]
        : readdirSync(join(root, place), { recursive: true })
            .map((name) => join(place, String(name)))
            .filter((name) => name.endsWith('.ts') && !/\.test\.ts$|(^|\/)testing\.ts$/.test(name)),
    )
    .sort()
  for (const file of files)
    hash.update(transformSync(readFileSync(join(root, file), 'utf8'), { loader: 'ts', minifyWhitespace: true }).code)
  return hash.digest('hex').slice(0, 12)
}

/** @returns {{ sums: string, looks: string }} */
export const fingerprints = () => ({ sums: fingerprint(SUMS), looks: fingerprint(LOOKS) })
