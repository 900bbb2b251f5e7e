import type { ChildProcess } from 'node:child_process'
import { execFileSync, spawn } from 'node:child_process'
import { once } from 'node:events'
import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync, statSync, symlinkSync } from 'node:fs'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { createServer, request as ask } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { extname, join } from 'node:path'
import type { Browser, Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { root } from '../../scripts/prerequisites.mjs'
import { addLayer, keptOffline, saved } from '../e2e/bench'

/** What docs/running.md says of how the app is served, tried. */

const FIRST = 4187

/** A server of ours that runs. @param at where it was built */
async function started(port: number, at = root): Promise<ChildProcess> {
  const server = spawn(process.execPath, [join(at, '.output/server/index.mjs')], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, PORT: String(port), HOST: '127.0.0.1' },
  })
  running.add(server)
  const [began] = (await Promise.race([once(server.stdout!, 'data'), once(server, 'exit').then(() => [null])])) as [unknown]
  if (began === null) throw new Error(`No server began at ${port}.`)
  return server
}
const running = new Set<ChildProcess>()
test.afterEach(() => {
  for (const server of running) server.kill()
  running.clear()
})

async function listening(answer: (asked: IncomingMessage, to: ServerResponse) => void) {
  const server = createServer(answer).listen(0, '127.0.0.1')
  await once(server, 'listening')
  return { site: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, close: () => server.close() }
}

/** Hands what is asked to one server after the other; one that is gone is passed over. */
function inTurn(ports: readonly number[]) {
  const asked = new Map(ports.map((port) => [port, 0]))
  let turn = 0
  const pass = (from: IncomingMessage, to: ServerResponse, body: Buffer, tries: number): void => {
    const port = ports[(turn += 1) % ports.length]!
    const onward = ask({ port, host: '127.0.0.1', method: from.method, path: from.url, headers: from.headers }, (answer) => {
      asked.set(port, asked.get(port)! + 1)
      to.writeHead(answer.statusCode!, answer.headers)
      answer.pipe(to)
    })
    onward.on('error', () => (tries > 1 ? pass(from, to, body, tries - 1) : to.writeHead(502).end()))
    onward.end(body)
  }
  return {
    asked,
    answer: (from: IncomingMessage, to: ServerResponse): void => {
      const parts: Buffer[] = []
      from.on('data', (part: Buffer) => parts.push(part))
      from.on('end', () => pass(from, to, Buffer.concat(parts), ports.length))
    },
  }
}

const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html; charset=utf-8',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.woff2': 'font/woff2',
  '.webmanifest': 'application/manifest+json',
}

/** A host of files: what is none is answered with the page. */
const files =
  (folder: string) =>
  ({ url, method }: IncomingMessage, to: ServerResponse): void => {
    if (method !== 'GET' && method !== 'HEAD') return void to.writeHead(405).end()
    const path = join(folder, decodeURIComponent(new URL(url!, 'http://host').pathname))
    const file = path.startsWith(folder) && existsSync(path) && statSync(path).isFile() ? path : join(folder, 'index.html')
    to.writeHead(200, { 'content-type': TYPES[extname(file)] ?? 'application/octet-stream' }).end(readFileSync(file))
  }

/** From an empty workroom to a piece that is kept and costed. */
async function makeRing(page: Page, site: string): Promise<void> {
  await page.goto(site)
  await page.getByRole('button', { name: 'Start a piece' }).click()
  await page.getByLabel('What shall it be called?').fill('Ferry ring')
  await page.getByRole('button', { name: 'To the bench' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Ferry ring' })).toBeVisible()
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  await addLayer(page, 'cedar')
  await expect(page.getByTestId('tally')).toContainText('Face covered')
  await saved(page)
}

async function visitor(browser: Browser): Promise<{ page: Page; wrong: string[]; leave: () => Promise<void> }> {
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  const wrong: string[] = []
  page.on('pageerror', (error) => wrong.push(error.message))
  return { page, wrong, leave: () => context.close() }
}

test('one process ends when it is told to, and what was made is there when the next has begun', async ({ browser }) => {
  let server = await started(FIRST)
  const { page, wrong, leave } = await visitor(browser)
  await makeRing(page, `http://127.0.0.1:${FIRST}/`)
  server.kill('SIGTERM')
  await once(server, 'exit')
  server = await started(FIRST)
  await page.reload()
  await expect(page.getByRole('heading', { level: 1, name: 'Ferry ring' })).toBeVisible()
  await expect(page.getByTestId('layer')).toHaveCount(1)
  expect(wrong).toEqual([])
  await leave()
  server.kill()
})

test('two processes in turn serve one visitor, and one alone when the other is gone', async ({ browser }) => {
  const ports = [FIRST + 1, FIRST + 2]
  const servers = await Promise.all(ports.map((port) => started(port)))
  const { asked, answer } = inTurn(ports)
  const { site, close } = await listening(answer)
  const { page, wrong, leave } = await visitor(browser)
  await makeRing(page, `${site}/`)
  for (const n of asked.values()) expect(n).toBeGreaterThan(3)
  servers[0]!.kill()
  await once(servers[0]!, 'exit')
  await page.goto(`${site}/shops`)
  await expect(page.getByTestId('proof')).toHaveText('No basket costs less: proven.', { timeout: 60_000 })
  expect(wrong).toEqual([])
  await leave()
  close()
  servers[1]!.kill()
})

test('files alone are the whole app but for the shops, and say so', async ({ browser }) => {
  const folder = mkdtempSync(join(tmpdir(), 'bramble-files-'))
  execFileSync('node', [join(root, 'scripts/static-files.mjs'), folder])
  const { site, close } = await listening(files(folder))
  const { page, wrong, leave } = await visitor(browser)
  await makeRing(page, `${site}/`)
  await page.goto(`${site}/shops`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.goto(`${site}/cutting`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await keptOffline(page)
  close()
  await page.goto(`${site}/`)
  await expect(page.getByText('Ferry ring')).toBeVisible()
  expect(wrong).toEqual([])
  await leave()
  rmSync(folder, { recursive: true })
})

test('under a path of its own, behind another server, all of it is there, also offline', async ({ browser }) => {
  const folder = mkdtempSync(join(tmpdir(), 'bramble-path-'))
  const left = new Set(['node_modules', '.output', '.nuxt', '.git', 'test-results'])
  cpSync(root, folder, { recursive: true, filter: (path) => !left.has(path.slice(root.length).split('/')[0]!) })
  symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'))
  execFileSync('npx', ['nuxt', 'build'], { cwd: folder, env: { ...process.env, NUXT_APP_BASE_URL: '/bramble/' } })
  const port = FIRST + 3
  const server = await started(port, folder)
  const { answer } = inTurn([port])
  const strangers: string[] = []
  const { site, close } = await listening((from, to) => {
    if (from.url!.startsWith('/bramble/')) return answer(from, to)
    // A browser asks for the icon of a site by itself.
    if (from.url !== '/favicon.ico') strangers.push(from.url!)
    to.writeHead(404).end('Another house.')
  })
  const { page, wrong, leave } = await visitor(browser)
  await makeRing(page, `${site}/bramble/`)
  await page.goto(`${site}/bramble/shops`)
  await expect(page.getByTestId('proof')).toHaveText('No basket costs less: proven.', { timeout: 60_000 })
  await keptOffline(page)
  server.kill()
  await once(server, 'exit')
  await page.goto(`${site}/bramble/season`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  expect(strangers).toEqual([])
  expect(wrong).toEqual([])
  await leave()
  close()
  rmSync(folder, { recursive: true })
})
