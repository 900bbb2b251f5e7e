import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { DEMO_PIECES, demoSite, figure, fill, onPaper, openPiece, openWith, pieceOn, saved } from './bench'

const ring = pieceOn('Sound ring', 'grapevine', ['bay'])

test('a full storage is told once, what is typed is kept, and is saved when there is room again', async ({ page }) => {
  await openWith(page, 'Full ring', ['bay'])
  await saved(page)
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put
    Object.assign(window, {
      thaw: () => {
        IDBObjectStore.prototype.put = put
      },
    })
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
  })
  await fill(page.getByTestId('layer'), 'How many', '7')
  const alert = page.getByRole('alert').filter({ hasText: 'Your edits could not be saved' })
  await expect(alert).toContainText('The storage that the browser gives this app is full')
  await expect(page.getByTestId('saving')).toHaveText('Not saved yet')
  await fill(page.getByTestId('layer'), 'How many', '8')
  await expect(alert).toHaveCount(1)
  await page.evaluate(() => (window as unknown as { thaw(): void }).thaw())
  await saved(page)
  await page.reload()
  await expect(page.getByTestId('layer')).toContainText('8 bay sprigs')
})

test('what a page could not write before it went is there again afterwards', async ({ page }) => {
  await openWith(page, 'Lost ring', ['bay'])
  await saved(page)
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
  })
  await fill(page.getByTestId('layer'), 'How many', '9')
  await expect(page.getByTestId('saving')).toHaveText('Not saved yet')
  await page.reload()
  await expect(page.getByTestId('layer')).toContainText('9 bay sprigs')
  await saved(page)
})

test('without a database every page says so, and is not blank', async ({ page }) => {
  await page.addInitScript(() => Object.defineProperty(window, 'indexedDB', { get: () => undefined }))
  for (const path of ['/', '/piece/some-ring', '/shelf', '/cutting']) {
    await page.goto(path)
    await expect(page.getByRole('heading').first()).toBeVisible()
    await expect(page.getByRole('alert').first()).toContainText(/no storage/)
  }
})

test('with local storage blocked the app works', async ({ page }) => {
  await page.addInitScript(() => {
    const blocked = (): never => {
      throw new DOMException('blocked', 'SecurityError')
    }
    Object.defineProperty(window, 'localStorage', { get: blocked })
  })
  await openPiece(page, ring)
  await expect(figure(page, 'On the base')).toHaveText('16')
  await page.getByRole('button', { name: 'Brief', exact: true }).click()
  await fill(page, 'Name', 'Sounder ring')
  await saved(page)
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Sounder ring')
})

for (const [what, answer] of [
  ['answers 404', { status: 404, body: 'no' }],
  ['is a page', { status: 200, contentType: 'text/html', body: '<p>hello</p>' }],
  ['throws as it starts', { status: 200, contentType: 'text/javascript', body: 'throw new Error("worn out")' }],
] as const) {
  test(`a worker whose script ${what} is told, and is good again once the script is back`, async ({ page }) => {
    const script = /app\.worker/
    await page.goto(demoSite)
    await expect(page.getByTestId('piece')).toHaveCount(DEMO_PIECES)
    await page.route(script, (route) => route.fulfill(answer))
    await page.goto(`${demoSite}/piece/ferry-hoop`)
    const alert = page.getByRole('alert').filter({ hasText: 'could not be started, or broke off' })
    await expect(alert.first()).toBeVisible()
    await page.unroute(script)
    await page.reload()
    await expect(figure(page, 'Face covered')).toBeVisible()
  })
}

test('one spoiled record of every table leaves every page standing: it is told, lies aside, and can be saved', async ({ page }) => {
  await page.goto(demoSite)
  await expect(page.getByTestId('piece')).toHaveCount(DEMO_PIECES)
  const spoiled = await page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const opening = indexedDB.open('ruddy-bramble')
      opening.onsuccess = () => resolve(opening.result)
      opening.onerror = () => reject(opening.error!)
    })
    const tables = [
      'pieces',
      'lots',
      'materials',
      'rolls',
      'cutList',
      'progress',
      'purchases',
      'sales',
      'daybook',
      'kits',
      'batches',
      'shops',
      'drafts',
    ]
    const writing = db.transaction(tables, 'readwrite')
    for (const table of tables) {
      const key = table === 'progress' ? { piece: 'spoiled' } : { id: 'spoiled' }
      writing.objectStore(table).put({ ...key, savedAt: Date.now(), day: '0000-99-99', name: 7, needs: 'none', piece: null, ...key })
    }
    await new Promise((resolve) => {
      writing.oncomplete = resolve
    })
    db.close()
    return tables.length
  })
  for (const path of ['', 'stash', 'shelf', 'cutting', 'shops', 'shopping', 'season', 'daybook', 'ledger', 'kits', 'settings']) {
    await page.goto(`${demoSite}/${path}`)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await expect(page.getByText('Something went wrong')).toHaveCount(0)
  }
  const aside = page.getByTestId('aside')
  await expect(aside.getByRole('listitem')).toHaveCount(spoiled)
  await expect(page.getByRole('alert').filter({ hasText: `${spoiled} stored records could not be read` })).toBeVisible()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    aside.getByRole('listitem').first().getByRole('button', { name: 'Save it as it is' }).click(),
  ])
  expect(JSON.parse(readFileSync(await download.path(), 'utf8'))).toMatchObject({ id: 'spoiled' })
  page.once('dialog', (dialog) => void dialog.accept())
  await aside.getByRole('listitem').first().getByRole('button', { name: 'Throw away' }).click()
  await expect(aside.getByRole('listitem')).toHaveCount(spoiled - 1)
  await page.goto(demoSite)
  await expect(page.getByTestId('piece')).toHaveCount(DEMO_PIECES)
})

test('what nobody caught is told', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByTestId('empty')).toBeVisible()
  await page.evaluate(() => {
    void Promise.reject(new Error('out of twine'))
  })
  await expect(page.getByRole('alert')).toContainText('out of twine')
})

test('names with markup, marks of direction and formulas come through screen, files and pictures as they are', async ({ page }) => {
  const name = '=1+1 <b onload=alert(1)>"\u202Eregnar\u202C & \'co'
  page.on('dialog', (dialog) => {
    throw new Error(`a script ran: ${dialog.message()}`)
  })
  await openPiece(page, { ...ring, brief: { ...ring.brief, name } })
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(name)
  await page.getByRole('button', { name: 'More', exact: true }).click()
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: 'Export as JSON' }).click()])
  expect(download.suggestedFilename()).toBe('1-1-b-onload-alert-1-regnar-co.piece.json')
  await page.getByRole('link', { name: 'Make sheet' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(name)
  const svg = await onPaper(page)
  const title = await page.evaluate(
    (text) => new DOMParser().parseFromString(text, 'image/svg+xml').querySelector('title')?.textContent ?? 'no title',
    svg,
  )
  expect(title).toContain(name)
})

/** Whether the page answers within a second while it works. */
async function answers(page: Page): Promise<boolean> {
  return Promise.race([
    page.evaluate(() => true),
    new Promise<false>((resolve) => {
      setTimeout(() => resolve(false), 1000)
    }),
  ])
}

test('a piece of 60 layers of 500 answers, says what it is doing, and can be left', async ({ page }) => {
  const kinds = ['bracken', 'bay', 'ivy']
  const huge = pieceOn(
    'Huge ring',
    'grapevine',
    Array.from({ length: 60 }, (_, i) => kinds[i % 3]!),
    { rule: { kind: 'compass', count: 500, start: 0 }, cut: 120 },
  )
  await openPiece(page, huge)
  await expect(page.getByRole('banner').getByText('Working it out…')).toBeVisible()
  expect(await answers(page)).toBe(true)
  await page.getByRole('link', { name: 'Workroom' }).click()
  await expect(page.getByTestId('piece')).toBeVisible()
})

test('a worker that hangs is told of, stopped, and asked again', async ({ page }) => {
  const script = /app\.worker/
  await page.route(script, async (route) => {
    const body = await (await route.fetch()).text()
    await route.fulfill({ contentType: 'text/javascript', body: `if (self.name === 'plan') for (;;) {}\n${body}` })
  })
  await page.goto(`${demoSite}/`)
  await expect(page.getByTestId('piece').first()).toBeVisible()
  await page.goto(`${demoSite}/ledger`)
  const silent = page.getByTestId('silent-worker')
  await expect(silent).toContainText('The worker that plans has said nothing for')
  await page.unroute(script)
  await silent.getByRole('button', { name: 'Stop it' }).click()
  await expect(page.getByTestId('no-plan')).toHaveText(/There is no plan\. It was stopped\./)
  await page.getByRole('button', { name: 'Try it again' }).click()
  await expect(page.getByTestId('no-plan')).toHaveCount(0)
  await expect(page.getByTestId('silent-worker')).toHaveCount(0)
  await expect(page.getByRole('heading', { level: 1, name: 'Ledger' })).toBeVisible()
  await expect(page.getByText('Adding up what the pieces need…')).toHaveCount(0)
})
