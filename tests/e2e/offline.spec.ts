import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect, test } from '@playwright/test'
import { PLAIN } from '../../playwright.config'
import { figure, fill, keptOffline, saved } from './bench'

const PORT = 4200 + Math.floor(Math.random() * 90)
const site = `http://127.0.0.1:${PORT}`

/** A server of this test's own, since it is stopped. */
async function serve(): Promise<() => Promise<void>> {
  const server = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: { ...process.env, PORT: String(PORT), HOST: '127.0.0.1', NUXT_PUBLIC_DEMO: 'true' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await once(server.stdout, 'data')
  return async () => {
    const gone = once(server, 'exit')
    server.kill()
    await gone
  }
}

test('after one visit every page opens with the server stopped', async ({ browser }) => {
  const stop = await serve()
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  await page.goto(site)
  await expect(page.getByTestId('piece').first()).toBeVisible()
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true))
  // Its first job is to fetch what every page needs; it takes pages over once that is there.
  await keptOffline(page)
  await stop()
  await expect(fetch(site)).rejects.toThrow()
  await page.goto(site)
  await expect(page.getByTestId('piece').first().locator('img')).toBeVisible()
  await page.goto(`${site}/piece/ferry-hoop`)
  await expect(figure(page, 'Face covered')).toBeVisible()
  await page.goto(`${site}/piece/ferry-hoop/make`)
  await expect(page.getByRole('heading', { name: 'Steps' })).toBeVisible()
  for (const [path, heading] of [
    ['/cutting', 'Cutting'],
    ['/shelf', 'Shelf'],
    ['/stash', 'Stash'],
    ['/shops', 'Shops'],
    ['/shopping', 'Shopping list'],
    ['/ledger', 'Ledger'],
    ['/season', 'Season'],
    ['/kits', 'Kits'],
    ['/daybook', 'Daybook'],
    ['/species-gallery', 'Plate of species'],
  ] as const) {
    await page.goto(site + path)
    await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible()
  }
  const manifest = await page
    .evaluate(async () => {
      const link = document.querySelector<HTMLLinkElement>('link[rel=manifest]')!.href
      return (await fetch(link)).json() as Promise<{ icons: unknown[]; start_url: string }>
    })
    .catch(() => null)
  expect(manifest === null || manifest.icons.length === 2).toBe(true)
  await context.close()
})

/** Our server, as it will be when the app was built anew: the script that keeps it offline is another. */
async function served(version: () => string) {
  const server = createServer((request, response) => {
    void fetch(`http://127.0.0.1:${PLAIN}${request.url}`).then(async (answer) => {
      const headers = Object.fromEntries(
        [...answer.headers].filter(([name]) => !['content-encoding', 'content-length', 'transfer-encoding', 'connection'].includes(name)),
      )
      const body = Buffer.from(await answer.arrayBuffer())
      response.writeHead(answer.status, headers)
      response.end(request.url === '/sw.js' ? Buffer.concat([body, Buffer.from(`\n// ${version()}\n`)]) : body)
    })
  }).listen(0, '127.0.0.1')
  await once(server, 'listening')
  return { site: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, close: () => server.close() }
}

test('a new version is offered, and taken only when it is asked for', async ({ browser }) => {
  let version = 'one'
  const { site, close } = await served(() => version)
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  await page.goto(site)
  await page.getByRole('button', { name: 'Start a piece' }).click()
  await page.getByLabel('What shall it be called?').fill('Kept ring')
  await page.getByRole('button', { name: 'To the bench' }).click()
  await keptOffline(page)
  const offer = page.getByRole('button', { name: 'Take it now' })
  await expect(offer).toBeHidden()

  version = 'two'
  await page.getByRole('button', { name: 'Brief', exact: true }).click()
  await page.evaluate(async () => {
    await (await navigator.serviceWorker.getRegistration())!.update()
  })
  await expect(offer).toBeVisible({ timeout: 60_000 })
  // Nothing is taken from under someone's hands.
  await page.evaluate(() => Object.assign(window, { still: true }))
  await fill(page, 'Occasion', 'Lantern night')
  await saved(page)
  expect(await page.evaluate(() => 'still' in window)).toBe(true)

  await offer.click()
  await expect.poll(() => page.evaluate(() => 'still' in window).catch(() => true)).toBe(false)
  await expect(page.getByRole('heading', { level: 1, name: 'Kept ring' })).toBeVisible()
  await page.getByRole('button', { name: 'Brief', exact: true }).click()
  await expect(page.getByLabel('Occasion', { exact: true })).toHaveValue('Lantern night')
  await context.close()
  close()
})
