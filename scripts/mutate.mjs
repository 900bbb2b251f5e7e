// Small changes to the code, one at a time, by Stryker: the tests must catch each. What lives is a hole in them.
// `npm run mutate` takes a seeded sample of every room, of the app and of the server: each change against the tests of its own
// room, and what lives of the core then against the tests that join rooms, the laws and the outside. It writes docs/mutation.md.
// `npm run mutate -- core/hanging core/stock` takes all of those. LINES says how many lines of each are sampled, SEED which; with
// ALONE=true what lives is not tried again, which is much quicker; WORKERS are two unless said.
import { spawnSync } from 'node:child_process'
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { installed, root } from './prerequisites.mjs'

installed()
const asked = process.argv.slice(2)
const LINES = Number(process.env.LINES ?? (asked.length ? Infinity : 12))
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

const hasTests = (room) => readdirSync(join(root, room), { recursive: true }).some((name) => name.endsWith('.test.ts'))
/** Tests that join rooms: what stands at the root of the core, the laws, the comparisons with the outside. */
const JOINED = ['core/*.test.ts', 'tests/laws/**/*.test.ts', 'tests/reference/**/*.test.ts']
const testsOf = (room) => (room === 'core' || !hasTests(room) ? ['core/*.test.ts'] : [`${room}/**/*.test.ts`])

/**
 * Tries changes against tests.
 * @param name of the folder that Stryker works in
 * @param mutate files with their ranges
 * @returns each change with what became of it and where it is
 */
function tried(name, mutate, tests) {
  const place = join(out, name)
  mkdirSync(place, { recursive: true })
  const config = {
    mutate,
    testRunner: 'vitest',
    vitest: { configFile: 'vitest.mutate.config.ts', related: false },
    plugins: ['@stryker-mutator/vitest-runner'],
    reporters: ['json', 'progress-append-only'],
    jsonReporter: { fileName: join(place, 'report.json') },
    // Words are for people: a test that goes by each of them tests nothing.
    mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
    concurrency: Number(process.env.WORKERS ?? 2),
    timeoutMS: 60_000,
    dryRunTimeoutMinutes: 30,
    tempDirName: join(place, 'sandbox'),
    cleanTempDir: 'always',
    // Without what Nuxt prepares no file of ours is read at all, and Stryker takes it for no test.
    ignorePatterns: ['!.nuxt', '.output', 'docs/screenshots', 'tests/e2e', 'test-results'],
    checkers: [],
  }
  writeFileSync(join(place, 'stryker.json'), JSON.stringify(config, null, 2))
  spawnSync('npx', ['stryker', 'run', join(place, 'stryker.json')], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, LAWS: process.env.LAWS ?? '6', MUTATE_TESTS: tests.join() },
  })
  const { files } = JSON.parse(readFileSync(join(place, 'report.json'), 'utf8'))
  return Object.entries(files).flatMap(([file, { source, mutants }]) =>
    mutants.map(({ status, location: { start, end }, replacement, mutatorName }) => ({
      status,
      // Stryker counts columns from 0 where it takes them, and from 1 where it tells them.
      range: `${file}:${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`,
      at: `${file}:${start.line}`,
      line: source.split('\n')[start.line - 1].trim(),
      to: `${mutatorName}: \`${(replacement ?? '').split('\n').join(' ').slice(0, 90)}\``,
    })),
  )
}

const CAUGHT = new Set(['Killed', 'Timeout'])
const LIVED = new Set(['Survived', 'NoCoverage'])
const rows = []
let lives = []
let whole = true
/** What `work` gives; where Stryker left no report it is told, and the run counts as not whole. */
function reported(name, work) {
  try {
    return work()
  } catch (error) {
    whole = false
    console.error(`${name} has no report: ${error.message}`)
    return []
  }
}
for (const room of rooms) {
  console.log(`\n> ${room}`)
  const all = reported(room, () => tried(room.replaceAll('/', '-'), linesOf(room), testsOf(room)))
  const caught = all.filter(({ status }) => CAUGHT.has(status)).length
  const lived = all.filter(({ status }) => LIVED.has(status))
  rows.push({ room, tried: caught + lived.length, own: caught, caught })
  lives.push(...lived.map((each) => ({ ...each, room })))
}
const again = process.env.ALONE === 'true' ? [] : lives.filter(({ at }) => at.startsWith('core/'))
if (again.length) {
  console.log(`\n> ${again.length} that lived in the core, against the tests that join rooms`)
  const ranges = [...new Set(again.map(({ range }) => range))]
  const died = new Set(
    reported('the core', () => tried('joined', ranges, JOINED)).flatMap((each) => (CAUGHT.has(each.status) ? [each.range + each.to] : [])),
  )
  for (const row of rows) row.caught += again.filter((each) => each.room === row.room && died.has(each.range + each.to)).length
  lives = lives.filter((each) => !died.has(each.range + each.to))
}
const share = ({ tried: n, caught }) => (n ? Math.round((100 * caught) / n) : 100)
const total = (name, some) =>
  some.reduce((all, each) => ({ room: name, tried: all.tried + each.tried, own: all.own + each.own, caught: all.caught + each.caught }), {
    room: name,
    tried: 0,
    own: 0,
    caught: 0,
  })
const inCore = rows.filter(({ room }) => room.startsWith('core'))
const besides = rows.filter(({ room }) => !room.startsWith('core'))
const table = [
  '| room | tried | caught by its own tests | caught | of a hundred |',
  '|---|---:|---:|---:|---:|',
  ...[...rows, total('the core', inCore), total('app and server', besides), total('all', rows)].map(
    (each) => `| ${each.room} | ${each.tried} | ${each.own} | ${each.caught} | ${share(each)} |`,
  ),
].join('\n')
const lived = lives.map(({ at, line, to }) => `- ${at} \`${line.replaceAll('`', '')}\` → ${to}`).join('\n')
console.log(`\n${table}\n\nLived:\n${lived}`)
if (!asked.length && whole) {
  const date = new Date().toISOString().slice(0, 10)
  writeFileSync(
    join(root, 'docs/mutation.md'),
    `# Small changes that the tests catch\n\nWritten by \`npm run mutate\` on ${date}: ${LINES} lines of each room, seed ${SEED}, each change against the tests of its own room; what lives of the core then against those at its root, the laws and the comparisons with the outside. What the end-to-end tests catch is not counted.\n\n${table}\n\n## What lived\n\n${lived}\n`,
  )
}
process.exit(whole ? 0 : 1)
