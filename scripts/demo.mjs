// Serves the app with the demo pieces; installs and builds what is missing first.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { built, installed, root } from './prerequisites.mjs'

installed()
await built()
const port = process.env.PORT ?? '4300'
const server = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
  stdio: ['ignore', 'pipe', 'inherit'],
  env: { ...process.env, PORT: port, HOST: process.env.HOST ?? '127.0.0.1', NUXT_PUBLIC_DEMO: 'true' },
})
server.stdout.once('data', () => console.log(`\nRuddy Bramble is at http://localhost:${port}/\nStop it with Ctrl C.`))
server.on('exit', (code) => process.exit(code ?? 0))
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
