import { defineStore } from 'pinia'
import { computed, watch } from 'vue'
import type { Currency, DisplayOptions, Rates, Thumb, LengthUnits } from '#core/measure'
import { CURRENCIES, sharing } from '#core/measure'
import type { Tax } from '#core/price'
import { TaxSchema, UNKNOWN_TAX } from '#core/price'
import { readRates } from '#core/rules-of-thumb'
import { useNotices } from './notices'
import { useSettingRecords } from './setting-records'

interface Kept {
  readonly units: LengthUnits
  readonly light: 'day' | 'evening'
}
/** What the record of a rule of thumb begins with. */
const RATE = 'rate:'

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)

/** How this person likes things shown, and their rules of thumb: each a record of its own, as the database has it, whoever wrote it. */
export const useSettings = defineStore('settings', () => {
  const notices = useNotices()
  const { records, ready, keep } = useSettingRecords()
  const read = computed(() =>
    readRates(
      Object.fromEntries([...records.value].flatMap(([key, value]) => (key.startsWith(RATE) ? [[key.slice(RATE.length), value]] : []))),
    ),
  )
  watch(
    () => read.value.refused.join(', '),
    (refused) => {
      if (refused) notices.note(`Rules of thumb that make no sense any more are as usual again: ${refused}.`)
    },
  )
  const manner = computed(() => {
    const kept = records.value.get('manner')
    const { units, light } = isRecord(kept) ? kept : {}
    return { units: units === 'cm' ? 'cm' : 'in', light: light === 'evening' ? 'evening' : 'day' } satisfies Kept as Kept
  })
  /** The ids of all records of a kind. */
  const idsOf = (kind: string): string[] =>
    [...records.value].flatMap(([key, value]) => (key.startsWith(`${kind}:`) && value === true ? [key.slice(kind.length + 1)] : []))

  const units = computed(() => manner.value.units)
  const light = computed(() => manner.value.light)
  /** What all money is in. */
  const currency = computed<Currency>(() => CURRENCIES.find((each) => each === records.value.get('currency')) ?? 'USD')
  const tax = computed<Tax>(() => TaxSchema.safeParse(records.value.get('tax')).data ?? UNKNOWN_TAX)
  /** Shops that one does not go to, by their ids. */
  const shunned = computed<readonly string[]>(() => idsOf('shunned'))
  /** Rules of thumb that stay as usual whatever was measured, by their ids. */
  const unmeasured = computed<readonly string[]>(() => idsOf('unmeasured'))
  /** When everything was last written to one file, milliseconds since 1970. */
  const writtenAt = computed(() => {
    const at = records.value.get('written')
    return typeof at === 'number' ? at : null
  })
  /** The version of the app of which it was last told what is new. */
  const version = computed(() => {
    const kept = records.value.get('version')
    return typeof kept === 'string' ? kept : null
  })
  /** The rules of thumb that this maker changed, by id. */
  const rates = computed<Rates>((last) => sharing(last ?? {}, read.value.rates))
  return {
    ready,
    units,
    light,
    currency,
    /** How numbers are shown where no piece says otherwise. */
    manner: computed<DisplayOptions>(() => ({ units: units.value, currency: currency.value })),
    rates,
    tax,
    shunned,
    unmeasured,
    writtenAt,
    version,
    set: (change: Partial<Kept>): void => keep('manner', { ...manner.value, ...change }),
    setCurrency: (next: Currency): void => keep('currency', next),
    setTax: (next: Tax): void => keep('tax', { ...next }),
    shun: (shop: string, away: boolean): void => keep(`shunned:${shop}`, away || undefined),
    /** @param value null sets it back to what is usual @returns what is wrong with it, or null */
    setRate({ id, value: usual, least, most }: Thumb, value: number | null): string | null {
      if (value !== null && !(value >= least && value <= most)) return 'That is outside what makes sense.'
      keep(`${RATE}${id}`, value === null || value === usual ? undefined : value)
      return null
    },
    /** Whether a rule of thumb goes by what was measured, or stays as usual. */
    goByReadings: (id: string, by: boolean): void => keep(`unmeasured:${id}`, by ? undefined : true),
    setVersion: (seen: string): void => keep('version', seen),
    setWritten: (at: number): void => keep('written', at),
  }
})
