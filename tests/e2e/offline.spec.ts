import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { expect, test } from '@playwright/test'
import { figure } from './bench'

const PORT = 4200 + Math.floor(Math.random() * 90)
const site = `http://127.0.0.1:${PORT}`

/** A server of this test's own, since it is stopped. */
async function serve(): Promise<() => Promise<void>> {
  const server = spawn(process.execPath, ['.output/server/index.mjs'], { env: { ...process.env, PORT: String(PORT), HOST: '127.0.0.1', NUXT_PUBLIC_DEMO: 'true' }, stdio: ['ignore', 'pipe', 'inherit'] })
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
  await expect.poll(() => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.active?.state), { timeout: 60_000 }).toBe('activated')
  await stop()
  await expect(fetch(site)).rejects.toThrow()
  await page.goto(site)
  await expect(page.getByTestId('piece').first().locator('img')).toBeVisible()
  await page.goto(`${site}/piece/ferry-hoop`)
  await expect(figure(page, 'Face covered')).toBeVisible()
  await page.goto(`${site}/piece/ferry-hoop/make`)
  await expect(page.getByRole('heading', { name: 'Steps' })).toBeVisible()
  for (const [path, heading] of [['/cutting', 'Cutting'], ['/shelf', 'Shelf'], ['/plate', 'Plate of species']] as const) {
    await page.goto(site + path)
    await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible()
  }
  const manifest = await page.evaluate(async () => {
    const link = document.querySelector<HTMLLinkElement>('link[rel=manifest]')!.href
    return (await fetch(link)).json() as Promise<{ icons: unknown[], start_url: string }>
  }).catch(() => null)
  expect(manifest === null || manifest.icons.length === 2).toBe(true)
  await context.close()
})
