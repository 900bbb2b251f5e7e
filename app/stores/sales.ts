import { defineStore } from 'pinia'
import type { Sale } from '#core/price'
import { db } from '~/db'
import { followed } from './live-query'

/** What was sold, the newest first; follows what other tabs do. */
export const useSales = defineStore('sales', () => {
  const list = followed<readonly Sale[]>(
    async () => (await db().sales.orderBy('id').toArray()).sort((a, b) => b.day.localeCompare(a.day)),
    [],
  )
  return {
    list,
    keep: (sale: Sale) => db().sales.add(sale),
    forget: (id: string) => db().sales.delete(id),
  }
})
