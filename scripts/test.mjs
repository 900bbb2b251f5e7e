// Everything that must hold: types, lint, unit, reference and end-to-end tests. The last line sums them up.
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { stripVTControlCharacters } from 'node:util'
import { checked } from './checks.mjs'
import { browser, built, installed, root, run } from './prerequisites.mjs'

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

/**
 * Reads a runner's report, and names what failed where the sums stand: a log is often read by its end alone. A runner that left
 * none, or failed without a failed test, counts as one failure.
 */
function report(name, went, file, read) {
  let good = 0
  let bad = []
  let said = []
  try {
    ;({ good, bad, said = [] } = read(JSON.parse(readFileSync(join(results, file), 'utf8'))))
  } catch (error) {
    console.error(`${name} left no report: ${error.message}`)
  }
  if (!went && bad.length === 0) bad = ['the runner itself']
  count(name, good, bad.length)
  sums.push(...bad.map((each) => `  failed: ${each}`), ...said.map((each) => `  ${each}`))
}

const firstLine = (text = '') => stripVTControlCharacters(text).trim().split('\n')[0]

const readUnit = ({ numPassedTests, testResults }) => ({
  good: numPassedTests,
  bad: testResults.flatMap(({ name, status, message, assertionResults }) => {
    const file = relative(root, name)
    const tests = assertionResults.filter((each) => each.status === 'failed')
    return status === 'failed' && tests.length === 0
      ? [`${file}: ${firstLine(message)}`]
      : tests.map(({ fullName, failureMessages: [why] }) => `${file}: ${fullName}: ${firstLine(why)}`)
  }),
})

function readDriven({ stats, suites }) {
  const all = ({ suites: inner = [], specs = [] }) => [...specs, ...inner.flatMap(all)]
  const named = (status) =>
    suites
      .flatMap(all)
      .filter(({ tests }) => tests.some((each) => each.status === status))
      .map(({ title, file, tests }) => `${file}: ${title}: ${firstLine(tests[0].results[0]?.error?.message)}`)
  // Those that failed first and then passed count as passed, and are to be looked at.
  return {
    good: stats.expected + stats.flaky,
    bad: named('unexpected'),
    said: named('flaky').map((each) => `passed only at its second try: ${each}`),
  }
}

// Types and lint are looked at while the app is built; what they print is shown when they are done.
console.log('\n> types and lint, beside the build')
const checking = checked()
await built()
for (const { name, went, said } of await checking) {
  console.log(`\n> ${name}\n${said.trim()}`)
  count(name, went ? 1 : 0, went ? 0 : 1)
}

console.log('\n> unit and reference tests')
const unit = run('npx', ['vitest', 'run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json'], {
  CORE: 'bundled',
})
report('unit and reference tests', unit, 'unit.json', readUnit)

console.log('\n> end-to-end tests')
const driven = run('npx', ['playwright', 'test'])
report('end-to-end tests', driven, 'e2e.json', readDriven)

console.log(`\n${sums.join('\n')}\n`)
process.exitCode = failed ? 1 : 0
console.log(`${passed} passed, ${failed} failed`)
