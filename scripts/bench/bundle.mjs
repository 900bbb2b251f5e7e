// The core as the app runs it: bundled, without what a loader of TypeScript adds to every call.
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import { ROOMS } from '../../eslint.config.mjs'
import { root } from '../prerequisites.mjs'

/** @returns what the bench measures, of the core */
export async function coreModule() {
  const {
    outputFiles: [bundle],
  } = await build({
    stdin: {
      contents: [...ROOMS, 'rules-of-thumb', 'testing', 'worker-jobs', 'workings', 'workroom']
        .map((room) => `export * from './core/${room}'`)
        .join('\n'),
      resolveDir: root,
      loader: 'ts',
    },
    bundle: true,
    write: false,
    format: 'esm',
    platform: 'node',
    mainFields: ['module', 'main'],
    target: 'node20',
  })
  const file = join(mkdtempSync(join(tmpdir(), 'bench-')), 'core.mjs')
  writeFileSync(file, bundle.text)
  return import(pathToFileURL(file).href)
}
