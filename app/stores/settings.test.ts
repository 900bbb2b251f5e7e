import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { LEAST_REST } from '#core/cut'
import { SPARE } from '#core/constructions/rules-of-thumb'
import { UNKNOWN_TAX } from '#core/price'
import { db } from '~/db'
import { allTried } from '~/db/pending'
import { useNotices } from './notices'
import { useSettings } from './settings'

beforeEach(async () => {
  await allTried()
  setActivePinia(createPinia())
  await db().settings.clear()
})
const kept = async (key: string): Promise<unknown> => (await db().settings.get(key))?.value
/** The settings as the next visit finds them. */
async function again() {
  setActivePinia(createPinia())
  const settings = useSettings()
  await vi.waitFor(() => expect(settings.ready).toBe(true))
  return settings
}

describe('what a person set', () => {
  it('is there on the next visit', async () => {
    const settings = useSettings()
    settings.set({ units: 'cm' })
    settings.set({ light: 'evening' })
    settings.setCurrency('EUR')
    settings.setTax({ share: 0.19, by: 'bill', included: true, known: true })
    settings.shun('netherby', true)
    settings.setWritten(1234)
    settings.goByReadings('steps.place', false)
    await vi.waitFor(async () => expect(await kept('unmeasured:steps.place')).toBe(true))
    const next = await again()
    expect(next.manner).toEqual({ units: 'cm', currency: 'EUR' })
    expect([next.light, next.tax.share, next.shunned, next.writtenAt, next.unmeasured]).toEqual([
      'evening',
      0.19,
      ['netherby'],
      1234,
      ['steps.place'],
    ])
  })
  it('stands where it was set before what was kept is read, and follows what another tab sets', async () => {
    await db().settings.put({ key: 'currency', value: 'GBP' })
    const settings = useSettings()
    settings.setCurrency('EUR')
    await vi.waitFor(() => expect(settings.ready).toBe(true))
    expect(settings.currency).toBe('EUR')
    await vi.waitFor(async () => expect(await kept('currency')).toBe('EUR'))
    await db().settings.put({ key: 'currency', value: 'CAD' })
    await vi.waitFor(() => expect(settings.currency).toBe('CAD'))
  })
  it('in two tabs at once stays from both: each rule is a record of its own', async () => {
    const one = await again()
    const two = await again()
    expect([one.setRate(LEAST_REST, LEAST_REST.most), two.setRate(SPARE, 0.2)]).toEqual([null, null])
    const both = { [LEAST_REST.id]: LEAST_REST.most, [SPARE.id]: 0.2 }
    await vi.waitFor(() => expect([one.rates, two.rates]).toEqual([both, both]))
  })
  it('goes to a shop again', async () => {
    const settings = useSettings()
    settings.shun('a', true)
    settings.shun('b', true)
    settings.shun('a', true)
    expect(settings.shunned).toEqual(['a', 'b'])
    settings.shun('b', false)
    expect(settings.shunned).toEqual(['a'])
    await vi.waitFor(async () => expect([await kept('shunned:a'), await kept('shunned:b')]).toEqual([true, undefined]))
  })
})

describe('a rule of thumb', () => {
  it('is changed within what makes sense, and set back to what is usual', async () => {
    const settings = useSettings()
    expect(settings.setRate(LEAST_REST, LEAST_REST.most + 1)).toBe('That is outside what makes sense.')
    expect(settings.setRate(LEAST_REST, NaN)).not.toBeNull()
    expect(settings.rates).toEqual({})
    expect(settings.setRate(LEAST_REST, LEAST_REST.least)).toBeNull()
    expect(settings.rates).toEqual({ [LEAST_REST.id]: LEAST_REST.least })
    await vi.waitFor(async () => expect(await kept(`rate:${LEAST_REST.id}`)).toBe(LEAST_REST.least))
    expect(settings.setRate(LEAST_REST, LEAST_REST.value)).toBeNull()
    expect(settings.rates).toEqual({})
    settings.setRate(LEAST_REST, LEAST_REST.most)
    settings.setRate(LEAST_REST, null)
    expect(settings.rates).toEqual({})
  })
  it('goes by what was measured again', () => {
    const settings = useSettings()
    settings.goByReadings('a', false)
    settings.goByReadings('b', false)
    settings.goByReadings('a', true)
    expect(settings.unmeasured).toEqual(['b'])
  })
  it('that makes no sense any more is as usual again, and that is said', async () => {
    await db().settings.bulkPut([
      { key: `rate:${LEAST_REST.id}`, value: LEAST_REST.most * 9 },
      { key: 'rate:no.such', value: 1 },
    ])
    const settings = useSettings()
    await vi.waitFor(() => expect(settings.ready).toBe(true))
    expect(settings.rates).toEqual({})
    await vi.waitFor(() => expect(useNotices().announced).toContain('as usual again'))
  })
})

it('takes nothing of what is kept that is no setting', async () => {
  await db().settings.bulkPut([
    { key: 'manner', value: { units: 'ell', light: 'noon' } },
    { key: 'currency', value: 'XXX' },
    { key: 'tax', value: { share: 'much' } },
    { key: 'shunned:a', value: true },
    { key: 'shunned:b', value: 7 },
    { key: 'written', value: 'yesterday' },
  ])
  const settings = await again()
  expect([settings.units, settings.light, settings.currency, settings.tax, settings.writtenAt]).toEqual([
    'in',
    'day',
    'USD',
    UNKNOWN_TAX,
    null,
  ])
  expect(settings.shunned).toEqual(['a'])
})
it('says so when a setting cannot be kept', async () => {
  const settings = useSettings()
  vi.spyOn(db().settings, 'put').mockRejectedValueOnce(new Error('full'))
  settings.setCurrency('EUR')
  await vi.waitFor(() => expect(useNotices().shown).toHaveLength(1))
  expect(useNotices().shown[0]).toMatchObject({
    severity: 'fault',
    title: 'The setting could not be kept',
    text: expect.stringContaining('full'),
  })
})
