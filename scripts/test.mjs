// Everything that must hold: types, lint, unit, reference and end-to-end tests. The last line sums them up.
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { CHECKS } from './checks.mjs'
import { browser, built, installed, root, run, runQuietly } from './ready.mjs'

installed()
browser()

const results = join(root, 'test-results')
rmSync(results, { recursive: true, force: true })
mkdirSync(results)
let passed = 0
let failed = 0
const sums = []

function count(name, good, bad) {
  passed += good
  failed += bad
  sums.push(`${name}: ${good} passed, ${bad} failed`)
}

/** Reads a runner's report; a runner that left none, or failed without a failed test, counts as one failure. */
function report(name, went, file, read) {
  let good = 0
  let bad = 0
  try {
    ;[good, bad] = read(JSON.parse(readFileSync(join(results, file), 'utf8')))
  } catch (error) {
    console.error(`${name} left no report: ${error.message}`)
  }
  count(name, good, !went && bad === 0 ? 1 : bad)
}

/** The end-to-end tests that failed first and then passed, by name: they count as passed, and are to be looked at. */
function secondTries() {
  const names = []
  const walk = ({ suites = [], specs = [] }) => {
    for (const { title, file, tests } of specs) if (tests.some(({ status }) => status === 'flaky')) names.push(`${file}: ${title}`)
    suites.forEach(walk)
  }
  try {
    walk(JSON.parse(readFileSync(join(results, 'e2e.json'), 'utf8')))
  } catch {
    /* the runner left no report, which is counted above */
  }
  return names
}

// Types and lint are looked at while the app is built; what they print is shown when they are done.
console.log('\n> types and lint, beside the build')
const inTurn = async (checks) => {
  const done = []
  for (const [name, command, args] of checks) done.push([name, await runQuietly(command, args)])
  return done
}
// In two rows, so that no core is idle once the build is done.
const half = CHECKS.length / 2
const checking = Promise.all([inTurn(CHECKS.slice(0, half)), inTurn(CHECKS.slice(half))])
await built()
for (const [name, { went, said }] of (await checking).flat()) {
  console.log(`\n> ${name}\n${said.trim()}`)
  count(name, went ? 1 : 0, went ? 0 : 1)
}

console.log('\n> unit and reference tests')
const unit = run('npx', ['vitest', 'run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json'])
report('unit and reference tests', unit, 'unit.json', (json) => [
  json.numPassedTests,
  json.numFailedTests +
    json.testResults.filter(
      ({ status, assertionResults }) => status === 'failed' && !assertionResults.some((each) => each.status === 'failed'),
    ).length,
])

console.log('\n> end-to-end tests')
const driven = run('npx', ['playwright', 'test'])
report('end-to-end tests', driven, 'e2e.json', ({ stats }) => [stats.expected + stats.flaky, stats.unexpected])
for (const name of secondTries()) sums.push(`passed only at its second try: ${name}`)

console.log(`\n${sums.join('\n')}\n`)
process.exitCode = failed ? 1 : 0
console.log(`${passed} passed, ${failed} failed`)
