import { runQuietly } from './prerequisites.mjs'

/** What has not changed since is not looked at again; a fresh clone looks at all of it. */
const CACHE = 'node_modules/.cache/checks'
const types = (name, project, by = 'tsc') => [
  `types of the ${name}`,
  'npx',
  [by, '-p', project, '--noEmit', '--incremental', '--tsBuildInfoFile', `${CACHE}/${name}.tsbuildinfo`],
]

/** What `npm run check` runs, each with its name: in two rows that take about as long, so that no core is idle. */
const ROWS = [
  [
    types('app', '.nuxt/tsconfig.app.json', 'vue-tsc'),
    types('server', '.nuxt/tsconfig.server.json'),
    types('configuration', '.nuxt/tsconfig.node.json'),
    types('core', 'core'),
    types('tests', 'tests'),
  ],
  [
    ['lint', 'npx', ['eslint', '.', '--cache', '--cache-strategy', 'content', '--cache-location', `${CACHE}/eslint`]],
    ['format', 'npx', ['prettier', '--check', '--log-level', 'warn', '--cache', '--cache-location', `${CACHE}/prettier`, '.']],
    ['no circles in the core', 'npx', ['depcruise', 'core']],
    ['what pages say of the house', 'node', ['scripts/architecture.mjs', '--check']],
    ['previews of the demo', 'node', ['scripts/previews.mjs', '--check']],
    ['unused exports and packages', 'npx', ['knip', '--no-progress', '--include', 'exports,dependencies,unlisted,binaries']],
  ],
]

/**
 * @param {(check: { name: string, went: boolean, said: string }) => void} tell hears of each as soon as it is done
 * @returns {Promise<{ name: string, went: boolean, said: string }[]>}
 */
export async function checked(tell = () => {}) {
  const inTurn = async (row) => {
    const done = []
    for (const [name, command, args] of row) {
      done.push({ name, ...(await runQuietly(command, args)) })
      tell(done.at(-1))
    }
    return done
  }
  return (await Promise.all(ROWS.map(inTurn))).flat()
}
