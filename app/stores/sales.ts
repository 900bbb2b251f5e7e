import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { Sale } from '#core/price'
import { db } from '~/db'
import { following } from './live-query'

/** What was sold, the newest first; follows what other tabs do. */
export const useSales = defineStore('sales', () => {
  const list = shallowRef<readonly Sale[]>([])
  following(
    () => db().sales.orderBy('id').toArray(),
    (all) => {
      list.value = [...all].sort((a, b) => b.day.localeCompare(a.day))
    },
  )
  return {
    list,
    keep: (sale: Sale) => db().sales.add(sale),
    forget: (id: string) => db().sales.delete(id),
  }
})
