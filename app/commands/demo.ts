import type { DaybookRecord } from '#core/daybook'
import type { Sale } from '#core/price'
import type { Batch, Kit, Season } from '#core/season'
import type { Lot } from '#core/stock'
import type { BenchDatabase, PieceRecord, PreviewRecord } from '../db/index'

/** All that the demo begins with. */
export interface DemoRecords {
  readonly pieces: readonly PieceRecord[]
  readonly previews: readonly PreviewRecord[]
  readonly lots: readonly Lot[]
  readonly sales: readonly Sale[]
  readonly batches: readonly Batch[]
  readonly kits: readonly Kit[]
  readonly daybook: readonly DaybookRecord[]
  /** Null where nothing was decided of one. */
  readonly season: Season | null
}

/** Whether the demo was put in once; what its maker threw away since does not come back. */
export const isSeeded = async (db: BenchDatabase): Promise<boolean> => Boolean(await db.settings.get('seeded'))

/** Puts the demo in, once and all together, beside what is there. */
export function putDemo(db: BenchDatabase, demo: DemoRecords): Promise<void> {
  const tables = [db.pieces, db.previews, db.settings, db.lots, db.sales, db.batches, db.kits, db.daybook]
  return db.transaction('rw', tables, async () => {
    if (await isSeeded(db)) return
    const there = new Set((await db.pieces.bulkGet(demo.pieces.map(({ id }) => id))).flatMap((known) => known?.id ?? []))
    await db.pieces.bulkAdd(demo.pieces.filter(({ id }) => !there.has(id)))
    await db.previews.bulkPut(demo.previews.filter(({ id }) => !there.has(id)))
    await db.lots.bulkPut([...demo.lots])
    await db.sales.bulkPut([...demo.sales])
    await db.batches.bulkPut([...demo.batches])
    await db.kits.bulkPut([...demo.kits])
    await db.daybook.bulkPut([...demo.daybook])
    if (demo.season && !(await db.settings.get('season'))) await db.settings.put({ key: 'season', value: demo.season })
    await db.settings.put({ key: 'seeded', value: true })
  })
}
