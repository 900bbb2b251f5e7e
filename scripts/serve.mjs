// A server for as long as something needs one.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { CHROMIUM, root } from './prerequisites.mjs'

export const BROWSER = {
  executablePath: CHROMIUM,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}

/** Serves the built app on a port while `use` runs with its address; with the demo pieces, where nothing else is said. */
export async function serving(port, use, { demo = true } = {}) {
  const server = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, PORT: String(port), HOST: '127.0.0.1', NUXT_PUBLIC_DEMO: String(demo) },
  })
  try {
    await new Promise((resolve) => server.stdout.once('data', resolve))
    await use(`http://127.0.0.1:${port}`)
  } finally {
    server.kill()
  }
}
