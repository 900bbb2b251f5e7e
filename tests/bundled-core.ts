import { readdirSync, rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { buildSync } from 'esbuild'

/** Whether tests take the core as it is bundled, which is read and runs in less time: set by `npm test`; a watch needs the files themselves. */
export const BUNDLED = process.env.CORE === 'bundled'

/** Writes the core in as few modules as its doors allow. @returns what stands for `#core/…`, and for the doors by their paths from `tests/` */
export function bundledCore(): { find: string | RegExp; replacement: string }[] {
  const core = fileURLToPath(new URL('../core', import.meta.url))
  const outdir = fileURLToPath(new URL('../node_modules/.cache/core', import.meta.url))
  const doors = readdirSync(core, { recursive: true })
    .map(String)
    .filter((name) => /^[^/]+\.ts$|\/index\.ts$|rules-of-thumb\.ts$|\/expression\.ts$/.test(name) && !name.endsWith('.test.ts'))
  // A door that is no file any more must not be found as it was.
  rmSync(outdir, { recursive: true, force: true })
  buildSync({
    entryPoints: doors.map((name) => `${core}/${name}`),
    outbase: core,
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
  })
  const names = doors.map((name) => name.replace(/(\/index)?\.ts$/, '')).join('|')
  return [
    { find: '#core', replacement: outdir },
    { find: new RegExp(`^\\.\\./\\.\\./core(?=/(?:${names})$)`), replacement: outdir },
  ]
}
