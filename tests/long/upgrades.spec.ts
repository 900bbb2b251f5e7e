import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect, test } from '@playwright/test'
import { CATALOGUE } from '../../core/material'
import { startPiece, VERSION } from '../../core/piece'
import { STEPS } from '../../app/db/steps'

const dexie = readFileSync(createRequire(import.meta.url).resolve('dexie/dist/dexie.min.js'), 'utf8')
const pieces = (version: number): { id: string }[] =>
  version === VERSION
    ? [startPiece('new', 'New')]
    : (JSON.parse(readFileSync(new URL(`../reference/versions/pieces-${version}.json`, import.meta.url), 'utf8')) as { id: string }[])

/** Every database that ever was with the newest document of its time, and the older documents in the newest of them. */
const NEWEST = [1, 2, 2, 3, 4, 5, 5, 5, 6, 6, 6, 7, 8, 9, 10, 10, 10]
const TRIED = [
  ...NEWEST.map((document, i) => ({ database: i + 1, document })),
  ...[1, 4, 7].map((document) => ({ database: NEWEST.length, document })),
]
const MANY = 30

for (const { database, document } of TRIED) {
  test(`database ${database} with pieces of format ${document}: ${MANY} pieces and their settings come up, one that is spoiled lies aside`, async ({
    page,
  }) => {
    // A page of this place without the app in it.
    await page.goto('/api/none')
    await page.evaluate(dexie)
    const known = pieces(document)
    const rows = {
      database,
      steps: STEPS.slice(0, database).map(({ stores }) => stores),
      pieces: Array.from({ length: MANY }, (_, i) => ({ ...known[i % known.length]!, id: `piece-${i}` })),
      material: { ...CATALOGUE.bay, id: 'mine', name: 'bay of mine' },
    }
    await page.evaluate(async ({ database: version, steps, pieces: all, material }) => {
      const { Dexie } = window as unknown as { Dexie: typeof import('dexie').Dexie }
      const db = new Dexie('ruddy-bramble')
      db.version(version).stores(Object.assign({}, ...steps) as Record<string, string>)
      for (const [i, piece] of all.entries()) {
        await db.table('pieces').put({ id: piece.id, piece, revision: 2, savedAt: 1000 + i })
        await db.table('snapshots').add({ pieceId: piece.id, at: 1000 + i, piece })
      }
      await db.table('pieces').put({ id: 'spoiled', piece: { ...all[0], id: 'spoiled', layers: 7 }, revision: 1, savedAt: 1 })
      await db.table('settings').put({ key: 'seeded', value: true })
      if (version >= 2) await db.table('materials').put(material)
      db.close()
    }, rows)
    await page.goto('/')
    await expect(page.getByRole('alert').filter({ hasText: 'could not be read' })).toBeVisible()
    // Only cards in view are there.
    await expect(page.getByTestId('piece').first()).toBeVisible()
    for (const i of [0, MANY - 1]) {
      await page.goto(`/piece/piece-${i}`)
      await expect(page.getByTestId('saving')).toHaveText('Saved')
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    }
    await page.goto('/settings')
    await expect(page.getByTestId('aside').getByRole('listitem')).toHaveCount(1)
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Write everything to one file' }).click(),
    ])
    expect((await import('../../core/formats')).readWhole(readFileSync(await file.path()))).toMatchObject({
      ok: true,
      whole: { tables: { pieces: { length: MANY }, materials: { length: database >= 2 ? 1 : 0 } } },
    })
  })
}
