/** What `npm run check` runs, each with its name. */
export const CHECKS = [
  ['types of the core', 'npx', ['tsc', '-p', 'core']],
  ['types of the app and server', 'npx', ['vue-tsc', '-b', '--noEmit']],
  ['types of the tests', 'npx', ['tsc', '-p', 'tests']],
  ['no circles in the core', 'npx', ['depcruise', 'core']],
  ['what pages say of the house', 'node', ['scripts/architecture.mjs', '--check']],
  ['previews of the demo', 'node', ['scripts/previews.mjs', '--check']],
  ['format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']],
  ['unused exports and packages', 'npx', ['knip', '--no-progress', '--include', 'exports,dependencies,unlisted,binaries']],
  ['lint', 'npx', ['eslint', '.']],
]
