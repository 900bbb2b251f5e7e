import Dexie from 'dexie'
import type { EntityTable } from 'dexie'
import type { Piece } from '#core/piece'

/** A piece as it is kept. `revision` counts saves, so that two tabs notice each other. */
export interface PieceRecord {
  readonly id: string
  readonly piece: Piece
  readonly revision: number
  /** Milliseconds since 1970. */
  readonly savedAt: number
}

export interface Snapshot { readonly id: number, readonly pieceId: string, readonly at: number, readonly piece: Piece }
export interface Setting { readonly key: string, readonly value: unknown }

/** Bump with every change of the tables below, add `this.version(n).stores(…).upgrade(…)`, and test the step. */
export const SCHEMA_VERSION = 1

export class BenchDatabase extends Dexie {
  readonly pieces!: EntityTable<PieceRecord, 'id'>
  readonly snapshots!: EntityTable<Snapshot, 'id'>
  readonly settings!: EntityTable<Setting, 'key'>

  constructor(name = 'ruddy-bramble') {
    super(name)
    this.version(1).stores({ pieces: 'id, savedAt', snapshots: '++id, [pieceId+at]', settings: 'key' })
  }
}

let opened: BenchDatabase | null = null

/** The one database of this browser. */
export const db = (): BenchDatabase => (opened ??= new BenchDatabase())
