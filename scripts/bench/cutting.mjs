// Our cutting planner against the same question as an integer program, in one run.
import { performance } from 'node:perf_hooks'
import highsLoader from 'highs'

const INSTANCES = 40

/** Every way to cut one roll into these lengths. */
function waysToCut(lengths, room) {
  const ways = []
  const counts = lengths.map(() => 0)
  const from = (i, rest) => {
    if (i === lengths.length) {
      ways.push([...counts])
      return
    }
    for (let n = Math.floor(rest / lengths[i]); n >= 0; n--) {
      counts[i] = n
      from(i + 1, rest - n * lengths[i])
    }
    counts[i] = 0
  }
  from(0, room)
  return ways
}

function program({ wants, stocks: [{ length, price }] }) {
  const ways = waysToCut(
    wants.map((want) => want.length),
    length,
  )
  const total = (terms) => terms.map(([n, i]) => `${n} x${i}`).join(' + ')
  return [
    'Minimize',
    ` cost: ${total(ways.map((_, i) => [price, i]))}`,
    'Subject To',
    ...wants.map(({ count }, k) => ` w${k}: ${total(ways.flatMap((way, i) => (way[k] ? [[way[k], i]] : [])))} >= ${count}`),
    'General',
    ` ${ways.map((_, i) => `x${i}`).join(' ')}`,
    'End',
  ].join('\n')
}

/** @returns how much longer the integer program took, how the costs compare, what was proven, and the gap of a large plan */
export async function cuttingBench({ planCuts, random }) {
  const highs = await highsLoader()
  const jobs = Array.from({ length: INSTANCES }, (_, seed) => {
    const { between, below } = random(seed + 1)
    return {
      least: 50,
      stocks: [{ id: 'roll', length: 3000, price: 500, supply: null }],
      wants: Array.from({ length: 5 }, (__, i) => ({
        id: `w${i}`,
        length: Math.round(between(500, 1700)),
        count: 1 + below(12),
        joins: false,
      })),
    }
  })
  let [ours, theirs, cost, least, proven] = [0, 0, 0, 0, 0]
  for (const job of jobs) {
    const start = performance.now()
    const plan = planCuts(job)
    const between = performance.now()
    const { ObjectiveValue } = highs.solve(program(job), { mip_rel_gap: 0 })
    theirs += performance.now() - between
    ours += between - start
    cost += plan.cost
    least += Math.round(ObjectiveValue)
    if (plan.proven) proven += 1
  }
  const large = planCuts({
    least: 50,
    stocks: [{ id: 'roll', length: 9144, price: 1, supply: null }],
    wants: Array.from({ length: 40 }, (_, i) => ({ id: `w${i}`, length: 150 + i * 37, count: 50, joins: false })),
  })
  return { instances: INSTANCES, ratio: theirs / ours, cost: cost / least, proven: proven / INSTANCES, gap: large.cost / large.floor }
}
