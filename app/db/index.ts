import Dexie from 'dexie'
import type { EntityTable, Transaction } from 'dexie'
import type { Material, Need } from '#core/material'
import { speciesNow } from '#core/material'
import type { Currency } from '#core/measure'
import type { DaybookRecord } from '#core/daybook'
import type { Piece } from '#core/piece'
import { migrate, moneyOf, PieceSchema } from '#core/piece'
import type { OwnRoll, Sale, Shop, Span } from '#core/price'
import type { Batch, Kit } from '#core/season'
import type { TaskTime } from '#core/steps'
import type { Lot } from '#core/stock'
import { cutForWant, lotOf } from '#core/stock'
import type { Listed } from '#core/workroom'

/** A piece as it is kept. `revision` counts saves, so that two tabs notice each other. */
export interface PieceRecord {
  readonly id: string
  readonly piece: Piece
  readonly revision: number
  /** Milliseconds since 1970. */
  readonly savedAt: number
}

/** How a piece looked when it was last seen to, so that the workroom need not paint it. */
export interface PreviewRecord {
  readonly id: string
  /** Of what it was made: the piece's revision, the shelf, and what paints. Another key asks for another preview. */
  readonly key: string
  readonly picture: Blob
  /** What the picture shows: its middle, mm, and its pixels to the millimetre. */
  readonly view: { readonly x: number; readonly y: number; readonly scale: number; readonly width: number; readonly height: number }
}
/** What a piece needs and what is to be done for it, kept as previews are. */
export interface BriefRecord {
  readonly id: string
  readonly key: string
  readonly needs: readonly Need[]
  readonly tasks: readonly TaskTime[]
}
export interface Snapshot {
  readonly id: number
  readonly pieceId: string
  readonly at: number
  readonly piece: Piece
}
export interface Setting {
  readonly key: string
  readonly value: unknown
}

/** How far the making of a piece is: what is done, what was counted, and the timers that run. */
export interface Progress {
  readonly piece: string
  /** Tasks, by their ids. */
  readonly done: readonly string[]
  /** What was counted off of each task. */
  readonly counted: Readonly<Record<string, number>>
  /** Minutes of hands at each task, while its page was looked at. */
  readonly spent: Readonly<Record<string, number>>
  readonly timers: readonly Timer[]
  /** The task at hand. */
  readonly at: string | null
  /** Counts changes, so that what was written earlier never takes the place of what came after it. */
  readonly revision: number
}
export interface Timer {
  readonly id: string
  readonly name: string
  /** When it rings, milliseconds since 1970. */
  readonly ends: number
  /** How long it was set for, ms. */
  readonly of: number
}

/** Bump with every change of the tables below, add `this.version(n).stores(…).upgrade(…)`, and test the step. */
export const SCHEMA_VERSION = 15

/** A shop as it last answered, or a price list of one's own. */
export interface ShopRecord {
  readonly id: string
  readonly shop: Shop
  /** Taken in from a table, and kept until it is thrown away. */
  readonly own: boolean
  /** When it answered, or came in, milliseconds since 1970. */
  readonly at: number
}

/** A line of a shopping list. */
export interface Purchase {
  readonly id: string
  readonly shop: string
  readonly shopName: string
  readonly material: string
  /** How wide a bare base is, mm; not there for all else. */
  readonly width?: number | null
  readonly holds: number
  readonly packs: number
  /** What they should cost, minor units. */
  readonly expects: Span
  /** What was paid; null until it lies in the bag. */
  readonly paid: number | null
  /** The lot that it went into. */
  readonly lot: string | null
}

export interface Photo {
  readonly id: string
  readonly picture: Blob
}

export class BenchDatabase extends Dexie {
  readonly pieces!: EntityTable<PieceRecord, 'id'>
  readonly snapshots!: EntityTable<Snapshot, 'id'>
  readonly previews!: EntityTable<PreviewRecord, 'id'>
  readonly needs!: EntityTable<BriefRecord, 'id'>
  readonly settings!: EntityTable<Setting, 'key'>
  readonly materials!: EntityTable<Material, 'id'>
  readonly cutList!: EntityTable<Listed, 'id'>
  readonly rolls!: EntityTable<OwnRoll, 'id'>
  readonly lots!: EntityTable<Lot, 'id'>
  readonly progress!: EntityTable<Progress, 'piece'>
  readonly shops!: EntityTable<ShopRecord, 'id'>
  readonly purchases!: EntityTable<Purchase, 'id'>
  readonly sales!: EntityTable<Sale, 'id'>
  readonly photos!: EntityTable<Photo, 'id'>
  readonly daybook!: EntityTable<DaybookRecord, 'id'>
  readonly kits!: EntityTable<Kit, 'id'>
  readonly batches!: EntityTable<Batch, 'id'>

  constructor(name = 'ruddy-bramble') {
    // Saved means committed to the disk, where the browser offers that.
    super(name, { chromeTransactionDurability: 'strict' })
    this.version(1).stores({ pieces: 'id, savedAt', snapshots: '++id, [pieceId+at]', settings: 'key' })
    this.version(2).stores({ materials: 'id, kind', stash: 'material' }).upgrade(bringUp)
    this.version(3)
      .stores({})
      .upgrade(async (step) => {
        await bringUp(step)
        await step
          .table('materials')
          .toCollection()
          .modify((material: { species: string }) => {
            material.species = speciesNow(material.species)
          })
      })
    this.version(4).stores({ cutList: 'id, material', offcuts: 'id, material', cutPieces: 'id, material' })
    this.version(5).stores({ rolls: 'id, material' }).upgrade(bringUp)
    this.version(6).stores({}).upgrade(bringUp)
    this.version(7).stores({ previews: 'id, [id+key]', needs: 'id' })
    this.version(8).stores({}).upgrade(spareAsRate)
    // The old tables go a version later, when what they had is in lots.
    this.version(9)
      .stores({ lots: 'id, material' })
      .upgrade(async (step) => {
        await oneCurrency(step)
        await bringUp(step)
        await intoLots(step)
        await step.table('needs').clear()
      })
    this.version(10).stores({ stash: null, offcuts: null, cutPieces: null })
    this.version(11).stores({}).upgrade(wantsByUse)
    this.version(12)
      .stores({ progress: 'piece' })
      .upgrade(async (step) => {
        await bringUp(step)
        await step.table('needs').clear()
      })
    this.version(13)
      .stores({ lots: 'id, material, reserved.piece', shops: 'id', purchases: 'id, shop', sales: 'id, piece', photos: 'id' })
      .upgrade(async (step) => {
        await bringUp(step)
        await knowMoreOfLots(step)
        await step.table('needs').clear()
      })
    this.version(14)
      .stores({ daybook: 'id, piece, day', kits: 'id, piece', batches: 'id' })
      .upgrade(async (step) => {
        await bringUp(step)
        await step
          .table<Progress>('progress')
          .toCollection()
          .modify((progress, ref) => {
            ref.value = { ...progress, spent: {} }
          })
        await step.table('needs').clear()
      })
    this.version(15)
      .stores({})
      .upgrade(async (step) => {
        await bringUp(step)
        await classesApart(step)
        await step.table('needs').clear()
      })
  }
}

/** A class made as many copies of its piece as it had kits; it is an order of its own now, and its teacher makes one. */
async function classesApart(step: Transaction): Promise<void> {
  for (const { piece: id, heads, spares } of await step.table<Kit>('kits').toArray()) {
    const record = await step.table<PieceRecord, string>('pieces').get(id)
    if (record?.piece.brief.copies === heads + spares)
      await step.table<PieceRecord>('pieces').put({ ...record, piece: { ...record.piece, brief: { ...record.piece.brief, copies: 1 } } })
  }
}

/** Brings every stored piece to today's format. */
async function bringUp(step: Transaction): Promise<void> {
  for (const table of ['pieces', 'snapshots'])
    await step
      .table(table)
      .toCollection()
      .modify((record: { piece: unknown }) => {
        record.piece = current(record.piece)
      })
}

/** The spare of plants was a setting by itself; it is one of the rules of thumb. */
async function spareAsRate(step: Transaction): Promise<void> {
  const settings = step.table<Setting, string>('settings')
  const manner = (await settings.get('manner')) as { readonly value: { readonly spare?: unknown } } | undefined
  if (typeof manner?.value.spare !== 'number') return
  const { spare, ...value } = manner.value
  await settings.put({ key: 'manner', value })
  if (spare !== 0.1) await settings.put({ key: 'rates', value: { 'construct.spare': spare } })
}

/** Each piece had a currency; it is the workroom's now: the one that most of them had. */
async function oneCurrency(step: Transaction): Promise<void> {
  const counts = new Map<Currency, number>()
  await step.table<{ readonly piece: unknown }>('pieces').each(({ piece }) => {
    const money = moneyOf(piece)
    if (money) counts.set(money, (counts.get(money) ?? 0) + 1)
  })
  const [most] = [...counts].sort((a, b) => b[1] - a[1])
  if (most) await step.table<Setting>('settings').put({ key: 'currency', value: most[0] })
}

/** What was counted, cut, and left of what was cut, in one table of what is in the house. */
async function intoLots(step: Transaction): Promise<void> {
  const all = <T>(table: string): Promise<T[]> => step.table<T>(table).toArray()
  const counted = await all<{ readonly material: string; readonly count: number }>('stash')
  const offcuts = await all<{ readonly id: string; readonly material: string; readonly length: number }>('offcuts')
  const cut = await all<{ readonly id: string; readonly material: string; readonly length: number; readonly want: string }>('cutPieces')
  const lots: LotOfTwelve[] = [
    ...counted
      .filter(({ count }) => count > 0)
      .map(({ material, count }): LotOfTwelve => ({
        id: `counted:${material}`,
        material,
        things: count,
        length: null,
        source: { kind: 'counted' },
        paid: null,
        reserved: null,
      })),
    ...offcuts.map(({ id, material, length }): LotOfTwelve => ({
      id,
      material,
      things: null,
      length,
      source: { kind: 'offcut' },
      paid: null,
      reserved: null,
    })),
    ...cut.map(({ id, material, length, want }): LotOfTwelve => ({
      id,
      material,
      things: null,
      length,
      source: { kind: 'cut', from: null },
      paid: null,
      reserved: want,
    })),
  ]
  await step.table<LotOfTwelve>('lots').bulkAdd(lots)
}

/** What is cut was known by its place among all lengths of its piece; it is known by its place among those of its layer, use and material. */
async function wantsByUse(step: Transaction): Promise<void> {
  const lots = await step.table<LotOfTwelve>('lots').toArray()
  const numbered = lots.flatMap((lot) => {
    const [, of, n] = /^(.+:.+:.+):(\d+)$/.exec(lot.reserved ?? '') ?? []
    return of === undefined ? [] : [{ lot, of, n: Number(n) }]
  })
  for (const { lot, of, n } of numbered) {
    const alike = numbered.filter((each) => each.of === of && each.lot.material === lot.material)
    const before = new Set(alike.map((each) => each.n).filter((each) => each < n)).size
    await step.table<LotOfTwelve>('lots').put({ ...lot, reserved: `${of}:${before}` })
  }
}

/** A lot as it was up to schema 12: only what it is, and the want that it was cut for. */
interface LotOfTwelve extends Pick<Lot, 'id' | 'material' | 'things' | 'length' | 'source' | 'paid'> {
  readonly reserved: string | null
}

/** Lots say where they lie, since when, in what state, and whose they are: what was cut for a want of a piece is that piece's. */
async function knowMoreOfLots(step: Transaction): Promise<void> {
  await step
    .table<LotOfTwelve | Lot>('lots')
    .toCollection()
    .modify((lot, ref) => {
      const { reserved, ...old } = lot as LotOfTwelve
      ref.value = lotOf(old.id, old.material, {
        ...old,
        reserved: reserved === null ? null : cutForWant(reserved),
      })
    })
}

/** A stored piece of an older format, brought to today's. @throws Error when it cannot be read, so that nothing is upgraded and nothing lost */
function current(stored: unknown): Piece {
  const migrated = migrate(stored)
  if (!migrated.ok) throw new Error(migrated.error)
  return PieceSchema.parse(migrated.document)
}

let opened: BenchDatabase | null = null

/** The one database of this browser. */
export const db = (): BenchDatabase => (opened ??= new BenchDatabase())
