import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { OwnRoll, Pricing } from '#core/price'
import type { Lot } from '#core/stock'
import { counted, hereOf, lotOf } from '#core/stock'
import type { Listed } from '#core/workroom'
import { db } from '~/db'
import type { RollCut } from '~/commands/cutting'
import { cutPiece } from '~/commands/cutting'
import { followed } from './live-query'
import type { Making } from '~/commands/lots'
import { changeLot, removeLots, settleStock } from '~/commands/lots'
import { usePieces } from './pieces'
import { newId } from '~/utils/new-id'
import { useSettings } from './settings'
import { useShops } from './shops'

/** What is in the house, what is sold besides, and what is to be cut besides what pieces need; follows what other tabs do. */
export const useStock = defineStore('stock', () => {
  const shops = useShops()
  const settings = useSettings()
  const pieces = usePieces()
  const lots = followed<readonly Lot[]>(() => db().lots.toArray(), [])
  const rolls = followed<readonly OwnRoll[]>(() => db().rolls.toArray(), [])
  const list = followed<readonly Listed[]>(() => db().cutList.toArray(), [])

  /** What lies on the shelf: what a piece has that hangs is in it. */
  const here = computed(() =>
    hereOf(lots.value, new Set((pieces.records ?? []).filter(({ piece }) => piece.stage === 'hung').map(({ id }) => id))),
  )

  /** What things are priced by. */
  const pricing = computed<Pricing>(() => ({
    shelf: shops.shelf,
    lots: lots.value,
    rolls: rolls.value,
    shops: shops.shops,
    shunned: settings.shunned,
    tax: settings.tax,
    day: shops.day,
  }))

  /** Keeps how many whole things of a material there are. */
  async function count(material: string, n: number): Promise<void> {
    await db().transaction('rw', db().lots, async () => {
      const { put, gone } = counted(await db().lots.where({ material }).toArray(), material, n)
      await db().lots.bulkDelete([...gone])
      await db().lots.bulkPut([...put])
    })
    lots.value = await db().lots.toArray()
  }

  return {
    lots,
    here,
    rolls,
    list,
    pricing,
    count,
    addLength: (material: string, length: number): Promise<unknown> =>
      db().lots.add(lotOf(newId(), material, { length, source: { kind: 'offcut' } })),
    add: (lot: Lot): Promise<unknown> => db().lots.add(lot),
    /** Writes a lot anew. @throws Changed when it is no longer what it was */
    change: (before: Lot, after: Lot): Promise<void> => changeLot(db(), before, after),
    /** Forgets lots that went into something or were thrown away. @param even when pieces have them @throws Kept */
    remove: (ids: readonly string[], even = false): Promise<void> => removeLots(db(), ids, even),
    /** Brings what pieces have of the house to what their stage says. */
    settle: (makings: readonly Making[]): Promise<void> => settleStock(db(), makings, shops.shelf, newId),
    cut: (cutting: RollCut): Promise<unknown> => cutPiece(db(), cutting, newId),
    addRoll: (of: Omit<OwnRoll, 'id'>): Promise<unknown> => db().rolls.add({ ...of, id: newId() }),
    removeRoll: (id: string): Promise<void> => db().rolls.delete(id),
    want: (of: Omit<Listed, 'id'>): Promise<unknown> => db().cutList.add({ ...of, id: newId() }),
    changeWant: (id: string, set: Partial<Omit<Listed, 'id'>>): Promise<unknown> => db().cutList.update(id, set),
    removeWant: (id: string): Promise<void> => db().cutList.delete(id),
  }
})
