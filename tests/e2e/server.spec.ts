import { expect, test } from '@playwright/test'
import { demoSite } from './bench'

test('every answer has its headers, and the page’s own scripts run under them', async ({ page, request }) => {
  const wrong: string[] = []
  page.on('console', (message) => {
    if (/Content Security Policy/i.test(message.text())) wrong.push(message.text())
  })
  await page.goto(demoSite)
  await expect(page.getByTestId('piece').first()).toBeVisible()
  expect(wrong).toEqual([])
  const script = await page.locator('script[src]').first().getAttribute('src')
  for (const path of ['/', '/piece/anything', '/api/shops', '/icon.svg', script!]) {
    const { headers } = await request.get(path).then((answer) => ({ headers: answer.headers() }))
    expect(headers['x-content-type-options'], path).toBe('nosniff')
    expect(headers['referrer-policy'], path).toBe('no-referrer')
    expect(headers['permissions-policy'], path).toContain('camera=()')
    expect(headers['content-security-policy'], path).toContain("frame-ancestors 'none'")
    expect(headers['content-security-policy'], path).not.toMatch(/script-src[^;]*unsafe/)
    expect(headers['x-powered-by'], path).toBeUndefined()
  }
})

test('an inline script that is not the page’s own does not run', async ({ page }) => {
  await page.goto('/')
  const ran = await page.evaluate(() => {
    const script = document.createElement('script')
    script.textContent = 'window.intruder = true'
    document.body.append(script)
    return 'intruder' in window
  })
  expect(ran).toBe(false)
})

test('wrong methods and addresses get typed errors, long and large ones are refused, nothing answers 5xx or shows its stack', async ({
  request,
}) => {
  const asked: { method: string; path: string; data?: string }[] = []
  for (const method of ['POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'PROPFIND'])
    for (const path of ['/', '/api/shops', '/api/demo', '/piece/x']) asked.push({ method, path })
  for (const path of [
    '/api/',
    '/api/none',
    '/api/shops/1',
    '/api/%00',
    '/api/..%2f..%2fetc/passwd',
    '/%E0%A4%A',
    `/api/shops?q=${'x'.repeat(10_240)}`,
    `/${'a/'.repeat(900)}`,
    '/api/shops?__proto__[a]=1',
    '/_nuxt/none.js',
    '/api/demo',
  ])
    asked.push({ method: 'GET', path })
  asked.push({ method: 'POST', path: '/api/shops', data: 'x'.repeat(200_000) })
  const answers = await Promise.all(
    asked.map(async ({ method, path, data }) => {
      const answer = await request.fetch(path, { method, maxRedirects: 0, ...(data ? { data } : {}) })
      return { method, path: path.slice(0, 40), status: answer.status(), text: (await answer.text()).slice(0, 4000) }
    }),
  )
  for (const { method, path, status, text } of answers) {
    expect(status, `${method} ${path}`).toBeLessThan(500)
    expect(text, `${method} ${path}`).not.toMatch(/\bat .+\.m?js:\d+|node:internal/)
    if (method !== 'GET') expect(status, `${method} ${path}`).toBe(405)
    if (path.startsWith('/api/') && method === 'GET' && path !== '/api/shops?__proto__[a]=1')
      expect(status, path).toBeGreaterThanOrEqual(400)
  }
  expect(answers.find(({ path }) => path.startsWith('/api/shops?q='))!.status).toBe(414)
  expect(answers.find(({ path, method }) => path === '/api/demo' && method === 'GET')!.status).toBe(404)
})

test('a thousand requests at once are all answered', async ({ request }) => {
  const answers = await Promise.all(
    Array.from({ length: 1000 }, (_, i) => request.get(i % 3 ? '/api/shops' : i % 2 ? '/' : '/api/none').then((answer) => answer.status())),
  )
  expect(answers.every((status) => status === 200 || status === 404)).toBe(true)
})

test('many baskets at once: each is solved or told to come again, and pages are answered meanwhile', async ({ request }) => {
  const offers = Array.from({ length: 30 }, (_, i) => ({
    material: `m${i % 15}`,
    holds: 1 + ((i * 7) % 11),
    price: 300 + ((i * 137) % 900),
    reductions: i % 4 ? [] : [{ kind: 'free', buy: 2, get: 1, from: null, until: null }],
    stock: null,
  }))
  const job = {
    wants: Array.from({ length: 15 }, (_, i) => ({
      material: `m${i}`,
      of: { material: `m${i}`, width: null },
      count: 20 + i * 3,
      usual: { holds: 8, price: 900 },
    })),
    shops: Array.from({ length: 5 }, (_, i) => ({ id: `s${i}`, name: `S${i}`, trip: 200 + 90 * i, minimum: 500 * i, offers })),
  }
  const asked = Array.from({ length: 60 }, () => request.post('/api/basket', { data: { job, most: null } }))
  const pages = await Promise.all(Array.from({ length: 20 }, () => request.get('/').then((answer) => answer.status())))
  expect(pages.every((status) => status === 200)).toBe(true)
  const answers = await Promise.all(asked)
  const busy = answers.filter((answer) => answer.status() === 503)
  expect(answers.filter((answer) => answer.status() === 200).length).toBeGreaterThan(0)
  expect(busy.length).toBeGreaterThan(0)
  expect(answers.every((answer) => [200, 503].includes(answer.status()))).toBe(true)
  for (const answer of busy) {
    expect(Number(answer.headers()['retry-after'])).toBeGreaterThan(0)
    expect(await answer.json()).toMatchObject({ statusMessage: expect.stringMatching(/baskets|basket takes/) })
  }
})

test('shops and basket answer what they can, and say what they cannot', async ({ request }) => {
  const status = async (path: string): Promise<number> => (await request.get(path)).status()
  expect(await status('/api/shops/pinfold?day=2026-10-20')).toBe(200)
  expect(await status('/api/shops/pinfold')).toBe(400)
  for (const day of ['2026-02-30', '0000-01-01', '9999-12-31', '1899-12-31'])
    expect(await status(`/api/shops/pinfold?day=${day}`), day).toBe(400)
  const form = await request.post('/api/basket', { form: { job: '{}' } })
  expect([form.status(), await form.text()]).toEqual([415, expect.not.stringContaining('127.0.0.1')])
  expect(await status('/api/shops/nobody?day=2026-10-20')).toBe(404)
  // Coppice & Cone is out in the woods on every sixth day.
  const days = await Promise.all(Array.from({ length: 6 }, (_, i) => status(`/api/shops/coppice?day=2026-10-2${i}`)))
  expect(days.filter((each) => each === 503)).toHaveLength(1)
  const post = async (data: unknown) => request.post('/api/basket', { data: data as object })
  const offer = { material: 'bay', holds: 1, price: 600, reductions: [], stock: null }
  const job = {
    wants: [{ material: 'bay', of: { material: 'bay', width: null }, count: 3, usual: { holds: 8, price: 700 } }],
    shops: [{ id: 'a', name: 'A', trip: 100, minimum: 0, offers: [offer] }],
  }
  // While others ask for many, it may have to come again.
  await expect(async () => {
    const answer = await post({ job, most: null })
    expect([answer.status(), await answer.json()]).toEqual([
      200,
      { choices: [{ shop: 'a', offer: 0, packs: 3 }], floor: 1900, proven: true },
    ])
  }).toPass()
  for (const wrong of [
    {},
    { job },
    { job: { ...job, wants: [{ ...job.wants[0], count: 0 }] }, most: null },
    { job: { ...job, shops: [{ ...job.shops[0], offers: [{ ...offer, price: -1 }] }] }, most: null },
    { job: { ...job, wants: Array.from({ length: 500 }, () => job.wants[0]) }, most: null },
    { job, most: 0 },
  ])
    expect((await post(wrong)).status()).toBe(400)
  expect((await post({ job: 'x'.repeat(2_000_000), most: null })).status()).toBe(413)
  // Small as a request, and huge as a program: two thousand that count together.
  const together = { kind: 'free', buy: 2, get: 1, among: 'all', from: null, until: null }
  const crowd = { ...job, shops: [{ ...job.shops[0], offers: Array.from({ length: 2000 }, () => ({ ...offer, reductions: [together] })) }] }
  const large = await post({ job: crowd, most: null })
  expect([large.status(), ((await large.json()) as { statusMessage: string }).statusMessage]).toEqual([
    413,
    'This basket is larger than any that is solved here.',
  ])
  expect((await request.get('/api/basket')).status()).toBe(405)
})

test('HEAD answers as GET does, without a body', async ({ request }) => {
  for (const path of ['/', '/api/shops', '/api/shops/pinfold?day=2026-10-20', '/icon.svg', '/api/none']) {
    const [head, get] = [await request.head(path), await request.get(path)]
    expect([path, head.status(), (await head.body()).length]).toEqual([path, get.status(), 0])
    expect(head.headers()['content-type']).toBe(get.headers()['content-type'])
  }
})
