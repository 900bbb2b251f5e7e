// Small changes to the code, one at a time, by Stryker: the tests must catch each. What lives is a hole in them.
// `npm run mutate` takes a seeded sample over all rooms, the app and the server; `npm run mutate -- core/hang core/stock` all of
// those folders. MUTANTS says how many lines are sampled (400), SEED which.
import { spawnSync } from 'node:child_process'
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { installed, root } from './ready.mjs'

installed()
const folders = process.argv.slice(2)
const LINES = Number(process.env.MUTANTS ?? 400)
const SEED = Number(process.env.SEED ?? 23)

/** What is data, drawing or generated says nothing when it is changed. */
const LEFT_OUT = /\.test\.ts$|\.generated\.|core\/plant\/|core\/material\/rows|core\/scene\/|core\/testing|thumbs\.ts$|index\.ts$/
const WHERE = ['core', 'app/stores', 'app/composables', 'app/workers', 'app/db', 'server']
const files = (folders.length ? folders : WHERE).flatMap((folder) =>
  readdirSync(join(root, folder), { recursive: true })
    .map((name) => `${folder}/${name}`)
    .filter((name) => name.endsWith('.ts') && !LEFT_OUT.test(name)),
)

/** Numbers from 0 to 1 that are the same every time (mulberry32). */
function stream(seed) {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** Lines on which something is worked out, each with its file. */
function lines() {
  const all = files.flatMap((file) =>
    readFileSync(join(root, file), 'utf8')
      .split('\n')
      .flatMap((text, i) =>
        /[-+*/<>?]|&&|\|\||if |return |=>/.test(text) && !/^\s*(\/\/|\*|\/\*|import|export \*|export type|readonly)/.test(text)
          ? [`${file}:${i + 1}-${i + 1}`]
          : [],
      ),
  )
  const next = stream(SEED)
  for (let i = all.length - 1; i > 0; i--) {
    const k = Math.floor(next() * (i + 1))
    ;[all[i], all[k]] = [all[k], all[i]]
  }
  return all.slice(0, LINES)
}

const out = join(root, 'test-results/mutation')
rmSync(out, { recursive: true, force: true })
mkdirSync(out, { recursive: true })
const config = {
  mutate: folders.length && !process.env.MUTANTS ? files : lines(),
  testRunner: 'vitest',
  vitest: { configFile: 'vitest.mutate.config.ts', related: false },
  plugins: ['@stryker-mutator/vitest-runner'],
  reporters: ['json', 'clear-text', 'progress-append-only'],
  jsonReporter: { fileName: join(out, 'report.json') },
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  // Words are for people: a test that goes by each of them tests nothing.
  mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
  concurrency: 2,
  timeoutMS: 60_000,
  dryRunTimeoutMinutes: 30,
  tempDirName: join(out, 'sandbox'),
  cleanTempDir: 'always',
  ignorePatterns: ['.output', '.nuxt', 'docs/screenshots', 'tests/e2e', 'test-results'],
  disableTypeChecks: false,
  checkers: [],
}
writeFileSync(join(out, 'stryker.json'), JSON.stringify(config, null, 2))
const went = spawnSync('npx', ['stryker', 'run', join(out, 'stryker.json')], {
  cwd: root,
  stdio: 'inherit',
  env: {
    ...process.env,
    LAWS: process.env.LAWS ?? '30',
    ...(folders.length ? { MUTATE_LONG: '1' } : {}),
    MUTATE_TESTS: (process.env.MUTATE_TESTS ?? testsOf()).toString(),
  },
})

/** The tests of what is changed: its own, the laws, and those against the outside world. */
function testsOf() {
  const own = folders.length
    ? folders.map((folder) => `${folder}/**/*.test.ts`)
    : ['core/**/*.test.ts', 'app/**/*.test.ts', 'server/**/*.test.ts']
  return [...own, 'tests/laws/**/*.test.ts', 'tests/reference/**/*.test.ts']
}

// The score by room.
try {
  const { files: of } = JSON.parse(readFileSync(join(out, 'report.json'), 'utf8'))
  const rooms = new Map()
  for (const [file, { mutants }] of Object.entries(of)) {
    const room = file.split('/').slice(0, 2).join('/')
    const sums = rooms.get(room) ?? { caught: 0, lived: 0 }
    for (const { status } of mutants) {
      if (status === 'Killed' || status === 'Timeout') sums.caught += 1
      else if (status === 'Survived' || status === 'NoCoverage') sums.lived += 1
    }
    rooms.set(room, sums)
  }
  console.log('\n| room | tried | caught | of a hundred |\n|---|---:|---:|---:|')
  for (const [room, { caught, lived }] of [...rooms].sort())
    if (caught + lived) console.log(`| ${room} | ${caught + lived} | ${caught} | ${Math.round((100 * caught) / (caught + lived))} |`)
} catch (error) {
  console.error(`No report: ${error.message}`)
}
process.exit(went.status ?? 1)
