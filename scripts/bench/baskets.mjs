// How long a page is waited for while baskets are solved beside it, against alone: what solves may not keep who only reads.
import { performance } from 'node:perf_hooks'
import { setTimeout } from 'node:timers/promises'
import { serving } from '../serve.mjs'

const ASKED = 50
const LOOKS = 200
/** Between two looks, ms: somebody who reads does not ask in a row, and all the time that is solved is looked at. */
const PAUSE = 25
const KINDS = 12
const SHOPS = 6

const median = (times) => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]

/** A basket that takes a while: many kinds, each of several packs, in every shop, with what reduces them. */
const question = JSON.stringify({
  job: {
    wants: Array.from({ length: KINDS }, (_, i) => ({
      material: `kind-${i}`,
      of: { material: `kind-${i}`, width: null },
      count: 7 + ((i * 13) % 31),
      usual: { holds: 1, price: 5000 },
    })),
    shops: Array.from({ length: SHOPS }, (_, s) => ({
      id: `shop-${s}`,
      name: `Shop ${s}`,
      trip: 300 + s * 70,
      minimum: s % 2 ? 2500 : 0,
      offers: Array.from({ length: KINDS }, (_, i) =>
        [1, 6].map((holds) => ({
          material: `kind-${i}`,
          holds,
          price: holds * 97 + ((i * 31 + s * 57) % 211),
          reductions: s % 3 ? [] : [{ kind: 'free', buy: 2, get: 1, from: null, until: null }],
          stock: null,
        })),
      ).flat(),
    })),
  },
  most: null,
})

/** How long the front page takes, ms. */
async function look(site) {
  const since = performance.now()
  const answer = await fetch(site)
  await answer.text()
  if (!answer.ok) throw new Error(`The front page answered ${answer.status}.`)
  return performance.now() - since
}

const ask = (site) =>
  fetch(`${site}/api/basket`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: question }).then(async (answer) => {
    await answer.text()
    if (answer.status !== 200 && answer.status !== 503) throw new Error(`A basket answered ${answer.status}.`)
    return answer.status
  })

/** @returns the front page beside many baskets against alone, medians, and how many of those were solved */
export async function basketsBench() {
  let found
  await serving(4180, async (site) => {
    const looks = async (going = () => true) => {
      const times = []
      while (times.length < LOOKS && going()) {
        times.push(await look(site))
        await setTimeout(PAUSE)
      }
      return median(times)
    }
    await looks()
    const alone = await looks()
    let left = ASKED
    const answers = Array.from({ length: ASKED }, () => ask(site).finally(() => (left -= 1)))
    const beside = await looks(() => left > 0)
    const solved = (await Promise.all(answers)).filter((status) => status === 200).length
    found = { ratio: beside / alone, aloneMs: alone, solved }
  })
  return found
}
