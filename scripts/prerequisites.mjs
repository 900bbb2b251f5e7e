// What has to be there before anything runs: packages, a browser for the tests, a build.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { join } from 'node:path'

export const root = fileURLToPath(new URL('..', import.meta.url))
/** The headless build that Debian ships: drives the same engine in a fifth less time than the browser with its windows. */
export const CHROMIUM = '/usr/bin/chromium-headless-shell'

/** Runs a command with its output shown. @returns whether it went well */
export function run(command, args, env = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } }).status === 0
}

/** Runs a command beside others. @returns whether it went well, and what it said */
export function runQuietly(command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] })
    let said = ''
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (data) => {
        said += data
      })
    child.on('close', (code) => resolve({ went: code === 0, said }))
  })
}

function must(what, command, args, env) {
  console.log(`> ${what}`)
  if (run(command, args, env)) return
  console.error(`${what} failed: ${command} ${args.join(' ')}`)
  process.exit(1)
}

export function installed() {
  const lock = join(root, 'package-lock.json')
  const done = join(root, 'node_modules/.package-lock.json')
  if (!existsSync(done) || statSync(done).mtimeMs < statSync(lock).mtimeMs) {
    // Not `npm ci`: a lock file without download addresses lists the optional packages of this platform only, and `ci` wants them all.
    must('Installing packages', 'npm', ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error'])
  }
  if (!existsSync(join(root, '.nuxt/tsconfig.app.json'))) must('Preparing Nuxt', 'npx', ['nuxt', 'prepare'])
}

export function browser() {
  if (existsSync(CHROMIUM)) return
  const apt = process.getuid?.() === 0 ? ['apt-get'] : ['sudo', 'apt-get']
  must('Looking up Debian’s packages', apt[0], [...apt.slice(1), 'update'])
  must('Installing Chromium', apt[0], [...apt.slice(1), 'install', '-y', '--no-install-recommends', 'chromium-headless-shell'], {
    DEBIAN_FRONTEND: 'noninteractive',
  })
}

const SOURCES = ['app', 'core', 'server', 'demo', 'public', 'nuxt.config.ts', 'package-lock.json']

function newest(path) {
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return Math.max(
    0,
    ...readdirSync(path)
      .filter((name) => !name.endsWith('.test.ts'))
      .map((name) => newest(join(path, name))),
  )
}

/** Builds the app when there is no build or a source is newer than it. */
export async function built() {
  const made = join(root, '.output/nitro.json')
  const changed = Math.max(...SOURCES.map((name) => newest(join(root, name))))
  if (existsSync(made) && statSync(made).mtimeMs >= changed) return
  console.log('> Building the app')
  const { went, said } = await runQuietly('npx', ['nuxt', 'build'])
  if (went) return
  console.error(`${said}\nBuilding the app failed: npx nuxt build`)
  process.exit(1)
}
