import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw } from 'vue'
import type { Currency, Manner, Rates, Thumb, Units } from '#core/measure'
import { CURRENCIES } from '#core/measure'
import type { Tax } from '#core/price'
import { TaxSchema, UNKNOWN_TAX } from '#core/price'
import { readRates } from '#core/thumbs'
import { db } from '~/db'
import { useNotices } from './notices'

interface Kept {
  units: Units
  light: 'day' | 'evening'
}

/** How this person likes things shown, and their rules of thumb. */
export const useSettings = defineStore('settings', () => {
  const notices = useNotices()
  const units = ref<Units>('in')
  const light = ref<Kept['light']>('day')
  /** What all money is in. */
  const currency = ref<Currency>('USD')
  /** The rules of thumb that this maker changed, by id. */
  const rates = shallowRef<Rates>({})

  const tax = shallowRef<Tax>(UNKNOWN_TAX)
  /** Shops that one does not go to, by their ids. */
  const shunned = shallowRef<readonly string[]>([])

  async function load(): Promise<void> {
    const kept = (await db().settings.get('manner'))?.value as Partial<Kept> | undefined
    if (kept?.units === 'in' || kept?.units === 'cm') units.value = kept.units
    if (kept?.light === 'day' || kept?.light === 'evening') light.value = kept.light
    const money = (await db().settings.get('currency'))?.value
    currency.value = CURRENCIES.find((each) => each === money) ?? 'USD'
    const place = TaxSchema.safeParse((await db().settings.get('tax'))?.value)
    if (place.success) tax.value = place.data
    const away = (await db().settings.get('shunned'))?.value
    if (Array.isArray(away)) shunned.value = away.filter((id) => typeof id === 'string')
    const own = (await db().settings.get('rates'))?.value
    const read = readRates(typeof own === 'object' && own !== null ? (own as Record<string, unknown>) : {})
    rates.value = read.rates
    if (read.refused.length) notices.note(`Rules of thumb that make no sense any more are as usual again: ${read.refused.join(', ')}.`)
  }
  function set(change: Partial<Kept>): void {
    if (change.units) units.value = change.units
    if (change.light) light.value = change.light
    void notices.tell(
      'The setting could not be kept',
      db().settings.put({ key: 'manner', value: toRaw({ units: units.value, light: light.value }) }),
    )
  }
  function setCurrency(next: Currency): void {
    currency.value = next
    void notices.tell('The setting could not be kept', db().settings.put({ key: 'currency', value: next }))
  }
  function setTax(next: Tax): void {
    tax.value = next
    void notices.tell('The setting could not be kept', db().settings.put({ key: 'tax', value: { ...next } }))
  }
  function shun(shop: string, away: boolean): void {
    shunned.value = [...shunned.value.filter((id) => id !== shop), ...(away ? [shop] : [])]
    void notices.tell('The setting could not be kept', db().settings.put({ key: 'shunned', value: [...shunned.value] }))
  }
  /** How numbers are shown where no piece says otherwise. */
  const manner = computed<Manner>(() => ({ units: units.value, currency: currency.value }))
  /** @param value null sets it back to what is usual @returns what is wrong with it, or null */
  function setRate({ id, value: usual, least, most }: Thumb, value: number | null): string | null {
    if (value !== null && !(value >= least && value <= most)) return 'That is outside what makes sense.'
    const { [id]: _before, ...others } = rates.value
    rates.value = value === null || value === usual ? others : { ...others, [id]: value }
    void notices.tell('The rule of thumb could not be kept', db().settings.put({ key: 'rates', value: { ...rates.value } }))
    return null
  }
  return { units, light, currency, manner, rates, tax, shunned, load, set, setCurrency, setRate, setTax, shun }
})
