import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

/** In a fresh clone the types that Nuxt writes are not there yet, and nothing could be read without them. */
export default function prepare(): void {
  const root = fileURLToPath(new URL('..', import.meta.url))
  if (existsSync(`${root}/.nuxt/tsconfig.app.json`)) return
  const { status, stderr } = spawnSync('npx', ['nuxt', 'prepare'], { cwd: root, encoding: 'utf8' })
  if (status !== 0) throw new Error(`Nuxt's types could not be prepared: ${stderr}`)
}
