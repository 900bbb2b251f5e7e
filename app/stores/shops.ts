import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Shelf, Shop } from '#core/material'
import { CATALOGUE, ShopsSchema } from '#core/material'
import { recordOf } from '#core/measure'
import { useMaterials } from './materials'
import { useSettings } from './settings'

/** The shelf that everything is worked out against. The app works the same when no shop answers. */
export const useShops = defineStore('shops', () => {
  const settings = useSettings()
  const materials = useMaterials()
  const shops = shallowRef<readonly Shop[]>([])
  const state = ref<'asking' | 'answered' | 'silent'>('asking')

  async function load(): Promise<void> {
    try {
      const answer = await fetch('/api/shops')
      if (!answer.ok) throw new Error(`shops answered ${answer.status}`)
      shops.value = ShopsSchema.parse(await answer.json()).shops
      state.value = 'answered'
    } catch (error) {
      state.value = 'silent'
      console.warn('No prices from the shops; usual prices are used.', error)
    }
  }
  const shelf = computed<Shelf>(() => ({
    materials: recordOf(Object.entries({ ...CATALOGUE, ...materials.own })),
    shops: shops.value,
    rates: settings.rates,
  }))
  return { shops, state, load, shelf }
})
