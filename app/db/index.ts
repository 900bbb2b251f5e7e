import Dexie from 'dexie'
import type { EntityTable } from 'dexie'
import type { Material, Need } from '#core/material'
import type { DaybookRecord } from '#core/daybook'
import type { Piece } from '#core/piece'
import type { OwnRoll, Sale, Shop, PriceRange } from '#core/price'
import type { Batch, Kit } from '#core/season'
import type { TaskTime } from '#core/tasks'
import type { Lot } from '#core/stock'
import type { Listed } from '#core/workroom'
import { door, Newer } from './door'
import type { Draft } from './drafts'
import { takeUpPending } from './pending'
import type { UnreadRecord } from './sound'
import { READ_AT_ONCE, setAside } from './sound'
import { SCHEMA_VERSION, STEPS } from './steps'

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
  /** When a hand set it, milliseconds since 1970; not there for those of before. */
  readonly at?: number
}

/** How far the making of a piece is: what is done, what was counted, and the timers that run. */
export interface MakingProgress {
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
  readonly width?: number | null | undefined
  readonly holds: number
  readonly packs: number
  /** What they should cost, minor units. */
  readonly expects: PriceRange
  /** What was paid; null until it lies in the bag. */
  readonly paid: number | null
  /** The lot that it went into. */
  readonly lot: string | null
}

export interface Photo {
  readonly id: string
  readonly picture: Blob
  /** When it was taken in, milliseconds since 1970; not there for those of before. */
  readonly at?: number
}

/** Whether a database is of a version to come, by the number that the browser knows it by: the package counts in steps of ten. */
const isNewer = (version: number): boolean => Math.floor(version / 10) > SCHEMA_VERSION

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
  readonly progress!: EntityTable<MakingProgress, 'piece'>
  readonly shops!: EntityTable<ShopRecord, 'id'>
  readonly purchases!: EntityTable<Purchase, 'id'>
  readonly sales!: EntityTable<Sale, 'id'>
  readonly photos!: EntityTable<Photo, 'id'>
  readonly daybook!: EntityTable<DaybookRecord, 'id'>
  readonly kits!: EntityTable<Kit, 'id'>
  readonly batches!: EntityTable<Batch, 'id'>
  readonly drafts!: EntityTable<Draft, 'id'>
  readonly unread!: EntityTable<UnreadRecord, 'id'>

  constructor(name = 'ruddy-bramble') {
    // Saved means committed to the disk, where the browser offers that.
    super(name, { chromeTransactionDurability: 'strict' })
    for (const [i, { stores, upgrade }] of STEPS.entries()) {
      const version = this.version(i + 1).stores(stores)
      if (upgrade) version.upgrade(upgrade)
    }
    this.on('blocked', () => {
      door.value = 'blocked'
    })
    this.on('versionchange', ({ newVersion }) => {
      if (newVersion !== null && isNewer(newVersion)) door.value = 'newer'
    })
    // What cannot be read stands in nobody's way, whenever and however it came about.
    this.on(
      'ready',
      // Everybody else waits until this is done, and goes through another door.
      async (through) => {
        // The package would open it whatever it is, and this version would take for spoiled what it does not know.
        if (isNewer(through.backendDB().version)) {
          door.value = 'newer'
          throw new Newer()
        }
        door.value = 'open'
        await takeUpPending(through as BenchDatabase, Date.now())
        await setAside(through, READ_AT_ONCE)
      },
      true,
    )
  }
}

let opened: BenchDatabase | null = null

/** The one database of this browser. */
export const db = (): BenchDatabase => (opened ??= new BenchDatabase())
