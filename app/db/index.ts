import Dexie from 'dexie'
import type { EntityTable, Transaction } from 'dexie'
import type { CutPiece } from '#core/cut'
import type { TakenBy } from '#core/jobs'
import type { Material } from '#core/material'
import { speciesNow } from '#core/material'
import type { Piece } from '#core/piece'
import { migrate, PieceSchema } from '#core/piece'

/** A piece as it is kept. `revision` counts saves, so that two tabs notice each other. */
export interface PieceRecord {
  readonly id: string
  readonly piece: Piece
  readonly revision: number
  /** Milliseconds since 1970. */
  readonly savedAt: number
}

/** How a piece looked and what it cost when it was last seen to, so that the workroom need not work it out. */
export interface PreviewRecord {
  readonly id: string
  /** Of what it was made: the piece's revision, the shelf, and what paints. Another key asks for another preview. */
  readonly key: string
  readonly picture: Blob
  /** What the picture shows: its middle, mm, and its pixels to the millimetre. */
  readonly view: { readonly x: number, readonly y: number, readonly scale: number, readonly width: number, readonly height: number }
  /** What one costs, its packs opened, minor units, and whether that is over the budget. */
  readonly each: number
  readonly over: boolean
}
/** The lengths that a piece takes, kept as previews are. */
export interface NeedsRecord { readonly id: string, readonly key: string, readonly takes: readonly TakenBy[] }
export interface Snapshot { readonly id: number, readonly pieceId: string, readonly at: number, readonly piece: Piece }
export interface Setting { readonly key: string, readonly value: unknown }

export interface Stashed { readonly material: string, readonly count: number }

/** A length that someone wrote on the cutting list. */
export interface Listed { readonly id: string, readonly material: string, readonly use: string, readonly length: number, readonly count: number, readonly joins: boolean }
/** A length in the house to cut from: an offcut, or what is left of an opened roll. */
export interface Offcut { readonly id: string, readonly material: string, readonly length: number }
/** A length in which a material can also be bought, mm, and what one costs, minor units. */
export interface Roll { readonly id: string, readonly material: string, readonly length: number, readonly price: number }
/** A piece that was cut, and what for. */
export interface CutRecord extends CutPiece { readonly material: string }

/** Bump with every change of the tables below, add `this.version(n).stores(…).upgrade(…)`, and test the step. */
export const SCHEMA_VERSION = 8

export class BenchDatabase extends Dexie {
  readonly pieces!: EntityTable<PieceRecord, 'id'>
  readonly snapshots!: EntityTable<Snapshot, 'id'>
  readonly previews!: EntityTable<PreviewRecord, 'id'>
  readonly needs!: EntityTable<NeedsRecord, 'id'>
  readonly settings!: EntityTable<Setting, 'key'>
  readonly materials!: EntityTable<Material, 'id'>
  readonly stash!: EntityTable<Stashed, 'material'>
  readonly cutList!: EntityTable<Listed, 'id'>
  readonly offcuts!: EntityTable<Offcut, 'id'>
  readonly rolls!: EntityTable<Roll, 'id'>
  readonly cutPieces!: EntityTable<CutRecord, 'id'>

  constructor(name = 'ruddy-bramble') {
    // Saved means committed to the disk, where the browser offers that.
    super(name, { chromeTransactionDurability: 'strict' })
    this.version(1).stores({ pieces: 'id, savedAt', snapshots: '++id, [pieceId+at]', settings: 'key' })
    this.version(2).stores({ materials: 'id, kind', stash: 'material' }).upgrade(bringUp)
    this.version(3).stores({}).upgrade(async (step) => {
      await bringUp(step)
      await step.table('materials').toCollection().modify((material: { species: string }) => { material.species = speciesNow(material.species) })
    })
    this.version(4).stores({ cutList: 'id, material', offcuts: 'id, material', cutPieces: 'id, material' })
    this.version(5).stores({ rolls: 'id, material' }).upgrade(bringUp)
    this.version(6).stores({}).upgrade(bringUp)
    this.version(7).stores({ previews: 'id, [id+key]', needs: 'id' })
    this.version(8).stores({}).upgrade(spareAsRate)
  }
}

/** Brings every stored piece to today's format. */
async function bringUp(step: Transaction): Promise<void> {
  for (const table of ['pieces', 'snapshots']) await step.table(table).toCollection().modify((record: { piece: unknown }) => { record.piece = current(record.piece) })
}

/** The spare of plants was a setting by itself; it is one of the rules of thumb. */
async function spareAsRate(step: Transaction): Promise<void> {
  const settings = step.table<Setting, string>('settings')
  const manner = await settings.get('manner') as { readonly value: { readonly spare?: unknown } } | undefined
  if (typeof manner?.value.spare !== 'number') return
  const { spare, ...value } = manner.value
  await settings.put({ key: 'manner', value })
  if (spare !== 0.1) await settings.put({ key: 'rates', value: { 'price.spare': spare } })
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
