import 'fake-indexeddb/auto'
import { readFileSync } from 'node:fs'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { readPiece } from '#core/formats'
import { CATALOGUE } from '#core/material'
import { db } from '~/db'
import { seedDemo } from './demo'
import { usePieces } from './pieces'
import { SPARE } from '#core/constructions/rules-of-thumb'
import { useSettings } from './settings'
import { useShops } from './shops'

// No worker outside a browser: the same reading, asked directly.
vi.mock('~/workers/workings', () => ({ askReading: (of: string) => Promise.resolve(readPiece(of)) }))

const text = readFileSync(new URL('../../demo/ferry-hoop.json', import.meta.url), 'utf8')
const file = (content: string) => new File([content], 'piece.json')
const count = () => db().pieces.count()

beforeEach(async () => {
  setActivePinia(createPinia())
  await Promise.all(db().tables.map((table) => table.clear()))
})

describe('importFile', () => {
  it('takes a piece in as it is', async () => {
    expect(await usePieces().importFile(file(text))).toMatchObject({ ok: true, how: 'new' })
    expect((await db().pieces.get('ferry-hoop'))!.piece).toEqual(JSON.parse(text))
  })
  it('leaves the same piece alone, and puts a different one beside it', async () => {
    const pieces = usePieces()
    await pieces.importFile(file(text))
    expect(await pieces.importFile(file(text))).toMatchObject({ ok: true, how: 'same' })
    expect(await count()).toBe(1)
    const other = await pieces.importFile(file(text.replace('"gathering"', '"hung"')))
    expect(other).toMatchObject({ ok: true, how: 'copy', piece: { stage: 'hung' } })
    expect(await count()).toBe(2)
    expect((await db().pieces.get('ferry-hoop'))!.piece.stage).toBe('gathering')
  })
  it('changes nothing when the file is wrong or too large', async () => {
    expect(await usePieces().importFile(file('{'))).toMatchObject({ ok: false })
    expect(await usePieces().importFile(file(' '.repeat(9 * 1024 * 1024)))).toMatchObject({
      ok: false,
      faults: [{ says: expect.stringContaining('9.0 MB') }],
    })
    expect(await count()).toBe(0)
  })
})

it('brings the materials of its maker’s own along, under fresh ids where ours differ', async () => {
  const own = { ...CATALOGUE['bay']!, id: 'hedge-bay', name: 'hedge bay' }
  const document = JSON.parse(text) as { layers: { mix: { material: string }[] }[]; materials?: unknown }
  document.layers[0]!.mix[0]!.material = 'hedge-bay'
  const pieces = usePieces()
  expect(await pieces.importFile(file(JSON.stringify({ ...document, materials: [own] })))).toMatchObject({
    ok: true,
    how: 'new',
    materials: 1,
  })
  expect(await db().materials.toArray()).toEqual([own])
  await vi.waitFor(() => expect(useShops().shelf.materials['hedge-bay']).toBeDefined())
  const other = await pieces.importFile(file(JSON.stringify({ ...document, materials: [{ ...own, mass: 77 }] })))
  expect(other).toMatchObject({ ok: true, how: 'copy', materials: 1, piece: { layers: { 0: { mix: [{ material: 'hedge-bay-2' }] } } } })
})

it('says that a file is no text of ours', async () => {
  const latin = new File([Uint8Array.from([0x7b, 0xe9, 0x7d])], 'piece.json')
  expect(await usePieces().importFile(latin)).toMatchObject({ ok: false, faults: [{ says: expect.stringContaining('UTF-8') }] })
})

it('starts and throws away', async () => {
  const pieces = usePieces()
  const id = await pieces.start('Gate ring')
  expect((await db().pieces.get(id))!.piece.brief.name).toBe('Gate ring')
  await vi.waitFor(() => expect(pieces.records).toHaveLength(1))
  await pieces.remove(id)
  await vi.waitFor(() => expect(pieces.records).toHaveLength(0))
})

describe('seedDemo', () => {
  it('lays the demo out once, in its order, and not again after it was thrown away', async () => {
    const other: unknown = JSON.parse(readFileSync(new URL('../../demo/orchard-ring.json', import.meta.url), 'utf8'))
    vi.stubGlobal(
      'fetch',
      vi.fn(() =>
        Promise.resolve(
          Response.json({
            pieces: [JSON.parse(text), other],
            previews: {
              shelf: 's',
              painter: 'p',
              of: { 'ferry-hoop': { view: { x: 0, y: 0, scale: 1, width: 4, height: 3 }, each: 900, over: false, picture: btoa('webp') } },
            },
          }),
        ),
      ),
    )
    const pieces = usePieces()
    await seedDemo()
    expect((await db().pieces.toArray()).map(({ id }) => id).sort()).toEqual(['ferry-hoop', 'orchard-ring'])
    const hoop = (await db().pieces.get('ferry-hoop'))!
    expect(await db().previews.toArray()).toMatchObject([{ id: 'ferry-hoop', key: `1-${hoop.savedAt}.s.p`, each: 900 }])
    await pieces.remove('ferry-hoop')
    await seedDemo()
    expect(await count()).toBe(1)
    expect(fetch).toHaveBeenCalledTimes(1)
  })
  it('says so when the server has none, and tries again next time', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('', { status: 500 })))
    await expect(seedDemo()).rejects.toThrow('500')
    expect(await db().settings.get('seeded')).toBeUndefined()
  })
})

describe('settings', () => {
  it('remembers how things are shown, and ignores what it cannot read', async () => {
    useSettings().set({ units: 'cm', light: 'evening' })
    expect(useSettings().setRate(SPARE, 2)).toMatch(/outside/)
    expect(useSettings().setRate(SPARE, 0.2)).toBeNull()
    await vi.waitFor(async () =>
      expect([await db().settings.get('manner'), await db().settings.get('rate:construct.spare')]).not.toContain(undefined),
    )
    setActivePinia(createPinia())
    const again = useSettings()
    await vi.waitFor(() => expect(again.ready).toBe(true))
    expect([again.units, again.light, again.rates]).toEqual(['cm', 'evening', { 'construct.spare': 0.2 }])
    await db().settings.put({ key: 'manner', value: { units: 'cubits', light: 3 } })
    for (const [id, value] of Object.entries({ 'construct.spare': 40, 'gone.by': 1, 'hang.glue-each': 0.7 }))
      await db().settings.put({ key: `rate:${id}`, value })
    setActivePinia(createPinia())
    const plain = useSettings()
    await vi.waitFor(() => expect(plain.ready).toBe(true))
    expect([plain.units, plain.light, plain.rates]).toEqual(['in', 'day', { 'hang.glue-each': 0.7 }])
  })
})
