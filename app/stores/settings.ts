import { defineStore } from 'pinia'
import { ref, toRaw } from 'vue'
import type { Units } from '#core/measure'
import { SPARE } from '#core/material'
import { db } from '~/db'
import { useNotices } from './notices'

interface Kept { units: Units, light: 'day' | 'evening', spare: number }

/** How this person likes things shown, and their rules of thumb. */
export const useSettings = defineStore('settings', () => {
  const notices = useNotices()
  const units = ref<Units>('in')
  const light = ref<Kept['light']>('day')
  const spare = ref(SPARE)

  async function load(): Promise<void> {
    const kept = (await db().settings.get('manner'))?.value as Partial<Kept> | undefined
    if (kept?.units === 'in' || kept?.units === 'cm') units.value = kept.units
    if (kept?.light === 'day' || kept?.light === 'evening') light.value = kept.light
    if (typeof kept?.spare === 'number' && kept.spare >= 0 && kept.spare <= 1) spare.value = kept.spare
  }
  function set(change: Partial<Kept>): void {
    if (change.units) units.value = change.units
    if (change.light) light.value = change.light
    if (change.spare !== undefined) spare.value = change.spare
    void notices.tell('The setting could not be kept', db().settings.put({ key: 'manner', value: toRaw({ units: units.value, light: light.value, spare: spare.value }) }))
  }
  return { units, light, spare, load, set }
})
