import { computed, shallowRef } from 'vue'
import { several } from '#core/measure'
import type { Basket } from '#core/price'
import { lotOf } from '#core/stock'
import type { Purchase } from '~/db'
import { db } from '~/db'
import { following } from '~/stores/live-query'
import { tickOff, untick } from '~/commands/lots'
import { newId } from '~/utils/new-id'
import { useNotices } from '~/stores/notices'
import { useShops } from '~/stores/shops'

/** The shop of what no shop has. */
const ELSEWHERE = 'elsewhere'

/** The shopping list: written from a basket, ticked off in the aisle; what was bought goes into the stash for what was really paid. */
export function useShopping() {
  const notices = useNotices()
  const shops = useShops()
  const lines = shallowRef<readonly Purchase[]>([])
  following(
    () => db().purchases.toArray(),
    (all) => {
      lines.value = all
    },
  )
  /** Shops by their names, last what no shop has; in each by what it is. The ids of lines say nothing of their order. */
  const stops = computed(() => {
    const names = [...new Map(lines.value.map(({ shop, shopName }) => [shop, shopName]))].sort(
      ([a, one], [b, other]) => Number(a === ELSEWHERE) - Number(b === ELSEWHERE) || one.localeCompare(other),
    )
    const inOrder = [...lines.value].sort((a, b) => a.material.localeCompare(b.material) || (a.width ?? 0) - (b.width ?? 0))
    return names.map(([shop, name]) => ({ shop, name, lines: inOrder.filter((line) => line.shop === shop) }))
  })

  /** Writes the list anew; what lies in the bag already stays on it. */
  async function write({ stops: of, elsewhere }: Basket): Promise<void> {
    const wanted: Omit<Purchase, 'id'>[] = [
      ...of.flatMap(({ shop, name, lines: own }) => own.map(({ of: what, bought }) => ({ shop, shopName: name, ...what, bought }))),
      ...elsewhere.map(({ of: what, bought }) => ({ shop: ELSEWHERE, shopName: 'Elsewhere', ...what, bought })),
    ].map(({ bought: { holds, packs, cost }, ...line }) => ({ ...line, holds, packs, expects: cost, paid: null, lot: null }))
    const put = db().transaction('rw', db().purchases, async () => {
      await db()
        .purchases.filter(({ lot }) => lot === null)
        .delete()
      await db().purchases.bulkAdd(wanted.map((line) => ({ ...line, id: newId() })))
    })
    if (await notices.tell('The shopping list could not be written', put))
      notices.note(`The shopping list has ${several(wanted.length, 'line', 'lines')}.`)
  }
  async function tick({ id, material, width, packs, holds, shopName }: Purchase, paid: number): Promise<void> {
    const lot = lotOf(newId(), material, {
      things: packs * holds,
      cut: width ?? null,
      source: { kind: 'shop', shop: shopName },
      day: shops.day,
      condition: 'as new',
    })
    await notices.tell('It could not be ticked off', tickOff(db(), id, lot, paid))
  }
  async function back({ id }: Purchase): Promise<void> {
    const taken = untick(db(), id).then((done) => {
      if (!done) notices.note('Something has been taken from it already: it stays in the stash.')
    })
    await notices.tell('It could not be taken back', taken)
  }
  const clear = (): Promise<boolean> => notices.tell('The list could not be cleared', db().purchases.clear())
  return { lines, stops, write, tick, back, clear }
}
