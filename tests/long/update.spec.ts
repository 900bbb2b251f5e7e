import { once } from 'node:events'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect, test } from '@playwright/test'
import { PLAIN } from '../../playwright.config'
import { fill, keptOffline, saved, startPiece } from '../e2e/bench'

/** What a server between may do to an answer. */
type Mischief = 'none' | 'slow' | 'half' | 'cut' | 'garbage' | 'down'

/** Our server, as it will be when the app was built anew: the worker that keeps it offline is another, and what it had is gone. */
async function served() {
  let version = 'one'
  let gone = new Set<string>()
  let mischief: Mischief = 'none'
  const asked = new Set<string>()
  const server = createServer((request, response) => {
    const path = request.url!
    if (mischief === 'down') return void request.socket.destroy()
    if (gone.has(path)) return void response.writeHead(404).end('There is nothing at this address.')
    if (path.startsWith('/_nuxt/')) asked.add(path)
    const body: Buffer[] = []
    request.on('data', (part: Buffer) => body.push(part))
    request.on('end', () => {
      void fetch(`http://127.0.0.1:${PLAIN}${path}`, {
        method: request.method!,
        headers: { 'content-type': request.headers['content-type'] ?? '' },
        ...(body.length ? { body: Buffer.concat(body) } : {}),
      }).then(async (answer) => {
        const skipped = ['content-encoding', 'content-length', 'transfer-encoding', 'connection']
        const headers = Object.fromEntries([...answer.headers].filter(([name]) => !skipped.includes(name)))
        let bytes = Buffer.from(await answer.arrayBuffer())
        if (path === '/sw.js') bytes = Buffer.concat([bytes, Buffer.from(`\n// ${version}\n`)])
        const api = path.startsWith('/api/')
        if (api && mischief === 'garbage') bytes = Buffer.from('<!doctype html><p>Please sign in to the network')
        if (api && mischief === 'slow') await new Promise((resolve) => setTimeout(resolve, 30_000))
        response.writeHead(
          answer.status,
          api && (mischief === 'half' || mischief === 'cut') ? { ...headers, 'content-length': bytes.length } : headers,
        )
        if (!api || (mischief !== 'half' && mischief !== 'cut')) return void response.end(bytes)
        response.write(bytes.subarray(0, bytes.length / 2))
        // Half of it comes and then nothing, or the line is cut.
        if (mischief === 'cut') response.destroy()
      })
    })
  }).listen(0, '127.0.0.1')
  await once(server, 'listening')
  return {
    site: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    renew: () => {
      version = 'two'
    },
    lose: (kept: ReadonlySet<string>) => {
      gone = new Set([...asked].filter((path) => !kept.has(path)))
    },
    asked,
    play: (what: Mischief) => {
      mischief = what
    },
    close: () => server.close(),
  }
}

test('an update of the app with an old tab open: both keep what is typed, and the old one finds its way', async ({ browser }) => {
  const { site, renew, close } = await served()
  const context = await browser.newContext({ baseURL: site, serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  await startPiece(page, 'New ring')
  await keptOffline(page)
  const old = await context.newPage()
  await startPiece(old, 'Old ring')
  await old.getByLabel('Occasion', { exact: true }).fill('typed before the update')
  renew()
  await page.evaluate(async () => {
    await (await navigator.serviceWorker.getRegistration())!.update()
  })
  const offer = page.getByRole('button', { name: 'Take it now' })
  await expect(offer).toBeVisible({ timeout: 60_000 })
  await page.evaluate(() => Object.assign(window, { still: true }))
  await offer.click()
  await expect.poll(() => page.evaluate(() => 'still' in window).catch(() => true)).toBe(false)
  await expect(page.getByRole('heading', { level: 1, name: 'New ring' })).toBeVisible()
  // The scripts of the version that the old tab runs are nowhere any more.
  await context.route(/_nuxt\/.*\.js/, (route) =>
    route.request().frame() === old.mainFrame() ? route.fulfill({ status: 404 }) : route.continue(),
  )
  await old.getByLabel('Budget for each', { exact: true }).fill('41')
  await old.getByLabel('Budget for each', { exact: true }).blur()
  await saved(old)
  await context.unroute(/_nuxt\/.*\.js/)
  await old
    .getByRole('link', { name: /Workroom/ })
    .first()
    .click()
  await expect(old.getByTestId('piece')).toHaveCount(2)
  await old.getByRole('link', { name: 'Old ring', exact: true }).click()
  await old.getByRole('button', { name: 'Brief', exact: true }).click()
  await expect(old.getByLabel('Occasion', { exact: true })).toHaveValue('typed before the update')
  await expect(old.getByLabel('Budget for each', { exact: true })).toHaveValue(/41/)
  await context.close()
  close()
})

for (const what of ['slow', 'half', 'cut', 'garbage', 'down'] as const)
  test(`a server that is ${what} in the middle of the work: it is told in words, what is typed is kept, and all is well once it is back`, async ({
    browser,
  }) => {
    const { site, play, close } = await served()
    const context = await browser.newContext({ baseURL: site, serviceWorkers: 'block', viewport: { width: 1280, height: 800 } })
    const page = await context.newPage()
    await startPiece(page, 'Stormy ring')
    await page.goto('/shops')
    await expect(page.getByRole('heading', { level: 1, name: 'Shops' })).toBeVisible()
    await page.goBack()
    play(what)
    await fill(page, 'Occasion', 'in the storm')
    await saved(page)
    // Without a page of its own there is nothing to go to: what is open goes on.
    await page
      .getByRole('link', { name: /Workroom/ })
      .first()
      .click()
    await expect(page.getByTestId('piece')).toHaveCount(1)
    await page.getByRole('link', { name: 'Shops', exact: true }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Shops' })).toBeVisible()
    if (what !== 'down') {
      await page.reload()
      // What shops said before counts on, and of each it is said why it is not of today.
      await expect(page.getByTestId('silent').first()).toBeVisible({ timeout: 60_000 })
      console.info(what, await page.getByTestId('silent').allTextContents())
    }
    await expect(page.getByText('Something went wrong')).toHaveCount(0)
    play('none')
    await page.goto('/shops')
    await expect(page.getByRole('heading', { level: 1, name: 'Shops' })).toBeVisible()
    await page.goto('/')
    await expect(page.getByTestId('piece')).toContainText('Stormy ring')
    await context.close()
    close()
  })
