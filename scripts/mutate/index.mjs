// Changes the core in one small place after another, in a copy, and runs the tests of the rooms concerned: what lives is a hole in them.
// `npm run mutate` takes all; `npm run mutate -- cut hang` those whose file has one of these words in its path.
import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { installed, root } from '../ready.mjs'
import { MUTATIONS } from './mutations.mjs'

installed()
const words = process.argv.slice(2)
const wanted = MUTATIONS.filter(([file]) => !words.length || words.some((word) => file.includes(word)))

/** A copy of what the tests need, which may be broken. */
function copy() {
  const folder = mkdtempSync(join(tmpdir(), 'mutate-'))
  for (const part of ['core', 'server', 'app/print', 'demo', 'docs/formats', 'tests', 'vitest.config.ts', 'package.json'])
    cpSync(join(root, part), join(folder, part), { recursive: true })
  symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'))
  return folder
}

/** @returns whether every test passed */
const passes = (folder, tests) =>
  new Promise((resolve) => {
    spawn('npx', ['vitest', 'run', '--bail', '1', '--reporter', 'dot', ...tests], { cwd: folder, stdio: 'ignore' }).on('exit', (code) =>
      resolve(code === 0),
    )
  })

/** Tests that fail in the copy before anything is changed would pass for having caught every change. */
async function soundAsTheyAre() {
  const folder = copy()
  const sound = await passes(folder, [...new Set(wanted.flatMap(([, , , tests]) => tests))])
  rmSync(folder, { recursive: true, force: true })
  return sound
}

if (!(await soundAsTheyAre())) {
  console.error('The tests fail in a copy in which nothing was changed: nothing can be told from them.')
  process.exit(1)
}

const lived = []
const faults = []
const left = wanted.map((mutation, i) => ({ mutation, i }))
async function work() {
  const folder = copy()
  for (let next = left.shift(); next; next = left.shift()) {
    const {
      mutation: [file, stands, put, tests],
      i,
    } = next
    const path = join(folder, file)
    const text = readFileSync(path, 'utf8')
    const name = `${file}: ${stands} -> ${put}`
    if (text.split(stands).length !== 2) {
      faults.push(`${name} (it stands there ${text.split(stands).length - 1} times)`)
      continue
    }
    writeFileSync(
      path,
      text.replace(stands, () => put),
    )
    const alive = await passes(folder, tests)
    writeFileSync(path, text)
    if (alive) lived.push(name)
    console.log(`${String(i + 1).padStart(3)} ${alive ? 'LIVED ' : 'caught'} ${name}`)
  }
  rmSync(folder, { recursive: true, force: true })
}
await Promise.all(Array.from({ length: Math.max(1, availableParallelism()) }, work))

for (const fault of faults) console.error(`Not tried: ${fault}`)
for (const name of lived) console.error(`Lived: ${name}`)
console.log(
  lived.length || faults.length
    ? `${lived.length} of ${wanted.length} lived, ${faults.length} could not be tried`
    : `Nothing lived: all ${wanted.length} were caught`,
)
process.exitCode = lived.length || faults.length ? 1 : 0
