import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { CutRecord, Listed, Offcut, Roll } from '~/db'
import { db } from '~/db'
import { following } from '~/db/following'
import type { Cutting } from '~/db/cutting'
import { cutPiece } from '~/db/cutting'
import { newId } from './pieces'

/** What is to be cut besides what pieces ask for, what there is to cut from, and what was cut; follows what other tabs do. */
export const useCutting = defineStore('cutting', () => {
  const list = shallowRef<readonly Listed[]>([])
  const offcuts = shallowRef<readonly Offcut[]>([])
  const pieces = shallowRef<readonly CutRecord[]>([])
  const rolls = shallowRef<readonly Roll[]>([])
  following(() => db().rolls.toArray(), (all) => { rolls.value = all })
  following(() => db().cutList.toArray(), (all) => { list.value = all })
  following(() => db().offcuts.toArray(), (all) => { offcuts.value = all })
  following(() => db().cutPieces.toArray(), (all) => { pieces.value = all })

  return {
    list, offcuts, pieces, rolls,
    add: (of: Omit<Listed, 'id'>): Promise<unknown> => db().cutList.add({ ...of, id: newId() }),
    change: (id: string, set: Partial<Omit<Listed, 'id'>>): Promise<unknown> => db().cutList.update(id, set),
    remove: (id: string): Promise<void> => db().cutList.delete(id),
    addOffcut: (material: string, length: number): Promise<unknown> => db().offcuts.add({ id: newId(), material, length }),
    removeOffcut: (id: string): Promise<void> => db().offcuts.delete(id),
    addRoll: (of: Omit<Roll, 'id'>): Promise<unknown> => db().rolls.add({ ...of, id: newId() }),
    removeRoll: (id: string): Promise<void> => db().rolls.delete(id),
    cut: (cutting: Cutting): Promise<unknown> => cutPiece(db(), cutting, newId),
    /** Forgets pieces that went into something or were thrown away. */
    used: (ids: readonly string[]): Promise<void> => db().cutPieces.bulkDelete([...ids]),
  }
})
