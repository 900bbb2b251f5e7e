import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
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

  /** Rules of thumb that stay as usual whatever was measured, by their ids. */
  const unmeasured = shallowRef<readonly string[]>([])
  /** When everything was last written to one file, milliseconds since 1970. */
  const writtenAt = ref<number | null>(null)

  /** What was changed before it was read: that stands. */
  const changed = new Set<string>()
  const keep = (key: string, value: unknown): void => {
    changed.add(key)
    void notices.tell('The setting could not be kept', db().settings.put({ key, value }))
  }

  async function load(): Promise<void> {
    const KEYS = ['manner', 'currency', 'tax', 'shunned', 'rates', 'unmeasured', 'written'] as const
    const read = await db().settings.bulkGet([...KEYS])
    const [kept, money, place, away, own, usual, written] = KEYS.map((key, i): unknown => (changed.has(key) ? undefined : read[i]?.value))
    const manner = kept as Partial<Kept> | undefined
    if (manner?.units === 'in' || manner?.units === 'cm') units.value = manner.units
    if (manner?.light === 'day' || manner?.light === 'evening') light.value = manner.light
    currency.value = CURRENCIES.find((each) => each === money) ?? currency.value
    const said = TaxSchema.safeParse(place)
    if (said.success) tax.value = said.data
    if (Array.isArray(away)) shunned.value = away.filter((id) => typeof id === 'string')
    if (Array.isArray(usual)) unmeasured.value = usual.filter((id) => typeof id === 'string')
    if (typeof written === 'number') writtenAt.value = written
    const known = readRates(typeof own === 'object' && own !== null ? (own as Record<string, unknown>) : {})
    if (!changed.has('rates')) rates.value = known.rates
    if (known.refused.length) notices.note(`Rules of thumb that make no sense any more are as usual again: ${known.refused.join(', ')}.`)
  }
  function set(change: Partial<Kept>): void {
    if (change.units) units.value = change.units
    if (change.light) light.value = change.light
    keep('manner', { units: units.value, light: light.value })
  }
  function setCurrency(next: Currency): void {
    currency.value = next
    keep('currency', next)
  }
  function setTax(next: Tax): void {
    tax.value = next
    keep('tax', { ...next })
  }
  function shun(shop: string, away: boolean): void {
    shunned.value = [...shunned.value.filter((id) => id !== shop), ...(away ? [shop] : [])]
    keep('shunned', [...shunned.value])
  }
  /** How numbers are shown where no piece says otherwise. */
  const manner = computed<Manner>(() => ({ units: units.value, currency: currency.value }))
  /** @param value null sets it back to what is usual @returns what is wrong with it, or null */
  function setRate({ id, value: usual, least, most }: Thumb, value: number | null): string | null {
    if (value !== null && !(value >= least && value <= most)) return 'That is outside what makes sense.'
    const { [id]: _before, ...others } = rates.value
    rates.value = value === null || value === usual ? others : { ...others, [id]: value }
    keep('rates', { ...rates.value })
    return null
  }
  /** Whether a rule of thumb goes by what was measured, or stays as usual. */
  function goByReadings(id: string, by: boolean): void {
    unmeasured.value = [...unmeasured.value.filter((each) => each !== id), ...(by ? [] : [id])]
    keep('unmeasured', [...unmeasured.value])
  }
  function setWritten(at: number): void {
    writtenAt.value = at
    keep('written', at)
  }
  /** Reads all of it again: something else wrote it. */
  async function reload(): Promise<void> {
    changed.clear()
    await load()
  }
  return {
    reload,
    unmeasured,
    writtenAt,
    goByReadings,
    setWritten,
    units,
    light,
    currency,
    manner,
    rates,
    tax,
    shunned,
    load,
    set,
    setCurrency,
    setRate,
    setTax,
    shun,
  }
})
