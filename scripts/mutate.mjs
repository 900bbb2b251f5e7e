// Small changes to the code, one at a time, by Stryker: the tests must catch each. What lives is a hole in them.
// `npm run mutate` takes a seeded sample of every room, of the app and of the server, each against its own tests, and writes
// docs/mutation.md; `npm run mutate -- core/hanging core/stock` takes all of those. LINES says how many lines of each are sampled,
// SEED which, MUTATE_TESTS by which other tests besides (patterns with commas between).
import { spawnSync } from 'node:child_process'
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { installed, root } from './prerequisites.mjs'

installed()
const asked = process.argv.slice(2)
const LINES = Number(process.env.LINES ?? (asked.length ? Infinity : 9))
const SEED = Number(process.env.SEED ?? 23)

/** What is data, drawing or generated says nothing when it is changed. */
const LEFT_OUT =
  /\.test\.ts$|\.generated\.|rules-of-thumb\.ts$|index\.ts$|core\/material\/catalogue-data|core\/base\/(outlines|letter-shapes|base-catalogue)|core\/testing/
const DRAWN = ['core/looks', 'core/scene']
const folders = (of) =>
  readdirSync(join(root, of), { withFileTypes: true }).flatMap((each) => (each.isDirectory() ? [`${of}/${each.name}`] : []))
const ROOMS = [
  ...folders('core').filter((room) => !DRAWN.includes(room)),
  'app/stores',
  'app/composables',
  'app/workers',
  'app/db',
  'server',
  'core',
]
const rooms = asked.length ? asked : ROOMS

/** The files of a room; of `core` those that lie in none. */
const filesOf = (room) =>
  readdirSync(join(root, room), { recursive: room !== 'core' })
    .map((name) => `${room}/${name}`)
    .filter((name) => name.endsWith('.ts') && !LEFT_OUT.test(name))

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

/** Lines of a room on which something is worked out, each with its file. */
function linesOf(room) {
  const all = filesOf(room).flatMap((file) =>
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

const testsOf = (room) => (room === 'core' ? 'core/*.test.ts' : `${room}/**/*.test.ts`)

/** Tries the changes of a room. @returns each with what became of it */
function tried(room) {
  const place = join(out, room.replaceAll('/', '-'))
  mkdirSync(place, { recursive: true })
  const config = {
    mutate: linesOf(room),
    testRunner: 'vitest',
    vitest: { configFile: 'vitest.mutate.config.ts', related: false },
    plugins: ['@stryker-mutator/vitest-runner'],
    reporters: ['json', 'progress-append-only'],
    jsonReporter: { fileName: join(place, 'report.json') },
    // Words are for people: a test that goes by each of them tests nothing.
    mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
    concurrency: 2,
    timeoutMS: 60_000,
    dryRunTimeoutMinutes: 30,
    tempDirName: join(place, 'sandbox'),
    cleanTempDir: 'always',
    // Without what Nuxt prepares no file of ours is read at all, and Stryker takes it for no test.
    ignorePatterns: ['!.nuxt', '.output', 'docs/screenshots', 'tests/e2e', 'test-results'],
    checkers: [],
  }
  writeFileSync(join(place, 'stryker.json'), JSON.stringify(config, null, 2))
  const tests = [testsOf(room), ...(process.env.MUTATE_TESTS?.split(',') ?? [])].join()
  spawnSync('npx', ['stryker', 'run', join(place, 'stryker.json')], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, LAWS: process.env.LAWS ?? '30', MUTATE_TESTS: tests },
  })
  const { files } = JSON.parse(readFileSync(join(place, 'report.json'), 'utf8'))
  return Object.entries(files).flatMap(([file, { source, mutants }]) =>
    mutants.map(({ status, location, replacement, mutatorName }) => ({
      status,
      at: `${file}:${location.start.line}`,
      line: source.split('\n')[location.start.line - 1].trim(),
      to: `${mutatorName}: \`${(replacement ?? '').split('\n').join(' ').slice(0, 90)}\``,
    })),
  )
}

const CAUGHT = new Set(['Killed', 'Timeout'])
const LIVED = new Set(['Survived', 'NoCoverage'])
const rows = []
const lives = []
let whole = true
for (const room of rooms) {
  console.log(`\n> ${room}`)
  try {
    const all = tried(room)
    const caught = all.filter(({ status }) => CAUGHT.has(status)).length
    const lived = all.filter(({ status }) => LIVED.has(status))
    rows.push({ room, tried: caught + lived.length, caught })
    lives.push(...lived)
  } catch (error) {
    whole = false
    console.error(`${room} has no report: ${error.message}`)
  }
}
const share = ({ tried: n, caught }) => (n ? Math.round((100 * caught) / n) : 100)
const sum = rows.reduce((all, each) => ({ tried: all.tried + each.tried, caught: all.caught + each.caught }), { tried: 0, caught: 0 })
const table = [
  '| room | tried | caught | of a hundred |',
  '|---|---:|---:|---:|',
  ...rows.map((each) => `| ${each.room} | ${each.tried} | ${each.caught} | ${share(each)} |`),
  `| all | ${sum.tried} | ${sum.caught} | ${share(sum)} |`,
].join('\n')
const lived = lives.map(({ at, line, to }) => `- ${at} \`${line.replaceAll('`', '')}\` → ${to}`).join('\n')
console.log(`\n${table}\n\nLived:\n${lived}`)
if (!asked.length && whole) {
  const date = new Date().toISOString().slice(0, 10)
  writeFileSync(
    join(root, 'docs/mutation.md'),
    `# Small changes that the tests catch\n\nWritten by \`npm run mutate\` on ${date}: ${LINES} lines of each room, seed ${SEED}, each room against its own tests alone (what other rooms’ tests, the laws and the comparisons with the outside catch besides is not counted, so these are lower bounds).\n\n${table}\n\n## What lived\n\n${lived}\n`,
  )
}
process.exit(whole ? 0 : 1)
