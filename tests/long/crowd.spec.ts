import { expect, test } from '@playwright/test'

/** A basket that takes seconds: many kinds of several packs in every shop. */
const KINDS = 15
const job = {
  wants: Array.from({ length: KINDS }, (_, i) => ({
    material: `m${i}`,
    of: { material: `m${i}`, width: null },
    count: 20 + i * 3,
    usual: { holds: 8, price: 900 },
  })),
  shops: Array.from({ length: 5 }, (_, s) => ({
    id: `s${s}`,
    name: `S${s}`,
    trip: 200 + 90 * s,
    minimum: 500 * s,
    offers: Array.from({ length: 30 }, (_, i) => ({
      material: `m${i % KINDS}`,
      holds: 1 + ((i * 7 + s) % 11),
      price: 300 + ((i * 137 + s * 31) % 900),
      reductions: i % 4 ? [] : [{ kind: 'free', buy: 2, get: 1, from: null, until: null }],
      stock: null,
    })),
  })),
}

test('three hundred baskets, half of whose askers go away: pages are answered all the while, and the others have their turn', async ({
  request,
  playwright,
  baseURL,
}) => {
  const began = Date.now()
  let slowest = 0
  const look = async (): Promise<void> => {
    const since = Date.now()
    expect((await request.get('/')).status()).toBe(200)
    slowest = Math.max(slowest, Date.now() - since)
  }
  const impatient = await playwright.request.newContext({ baseURL: baseURL! })
  const gone = Promise.allSettled(Array.from({ length: 150 }, () => impatient.post('/api/basket', { data: { job, most: null } })))
  for (let i = 0; i < 20; i++) await look()
  await impatient.dispose()
  await gone
  let open = 150
  const statuses = Array.from({ length: open }, async () => {
    const answer = await request.post('/api/basket', { data: { job, most: null } })
    open -= 1
    return answer.status()
  })
  while (open > 0) await look()
  const all = await Promise.all(statuses)
  const solved = all.filter((status) => status === 200).length
  console.info(`solved ${solved} of 150 in ${Date.now() - began} ms; the slowest page took ${slowest} ms`)
  expect(all.every((status) => status === 200 || status === 503)).toBe(true)
  expect(solved).toBeGreaterThan(0)
  // Whoever comes afterwards is answered as if nothing had been.
  await expect
    .poll(async () => (await request.post('/api/basket', { data: { job: { ...job, wants: job.wants.slice(0, 1) }, most: 1 } })).status())
    .toBe(200)
})

test('three hundred streams of the scale at once: a hundred are served, the others told to come again, and all end', async ({
  baseURL,
}) => {
  const scale = `${baseURL}/api/scale?load=900`
  const going = Array.from({ length: 300 }, () => new AbortController())
  const statuses = await Promise.all(going.map(({ signal }) => fetch(scale, { signal }).then(({ status }) => status)))
  expect([200, 503].map((of) => statuses.filter((status) => status === of).length)).toEqual([100, 200])
  expect((await fetch(`${baseURL}/`)).status).toBe(200)
  for (const each of going) each.abort()
  await expect
    .poll(async () => {
      const one = new AbortController()
      const { status } = await fetch(scale, { signal: one.signal })
      one.abort()
      return status
    })
    .toBe(200)
})
