import Dexie from 'dexie'
import type { EntityTable } from 'dexie'
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

export interface Snapshot { readonly id: number, readonly pieceId: string, readonly at: number, readonly piece: Piece }
export interface Setting { readonly key: string, readonly value: unknown }

export interface Stashed { readonly material: string, readonly count: number }

/** Bump with every change of the tables below, add `this.version(n).stores(…).upgrade(…)`, and test the step. */
export const SCHEMA_VERSION = 3

export class BenchDatabase extends Dexie {
  readonly pieces!: EntityTable<PieceRecord, 'id'>
  readonly snapshots!: EntityTable<Snapshot, 'id'>
  readonly settings!: EntityTable<Setting, 'key'>
  readonly materials!: EntityTable<Material, 'id'>
  readonly stash!: EntityTable<Stashed, 'material'>

  constructor(name = 'ruddy-bramble') {
    super(name)
    this.version(1).stores({ pieces: 'id, savedAt', snapshots: '++id, [pieceId+at]', settings: 'key' })
    this.version(2).stores({ materials: 'id, kind', stash: 'material' }).upgrade(async (step) => {
      await step.table('pieces').toCollection().modify((record: { piece: unknown }) => { record.piece = current(record.piece) })
      await step.table('snapshots').toCollection().modify((snapshot: { piece: unknown }) => { snapshot.piece = current(snapshot.piece) })
    })
    this.version(3).stores({}).upgrade(async (step) => {
      await step.table('pieces').toCollection().modify((record: { piece: unknown }) => { record.piece = current(record.piece) })
      await step.table('snapshots').toCollection().modify((snapshot: { piece: unknown }) => { snapshot.piece = current(snapshot.piece) })
      await step.table('materials').toCollection().modify((material: { species: string }) => { material.species = speciesNow(material.species) })
    })
  }
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
