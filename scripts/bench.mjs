// Compares ways of doing the same work, in one run, as ratios: absolute times depend on the machine and its mood.
import { performance } from 'node:perf_hooks'
import { register } from 'tsx/esm/api'
import { installed } from './ready.mjs'

installed()
register()
const { default: polygonClipping } = await import('polygon-clipping')
const { arrange } = await import('../core/arrange/index.ts')
const { runsOf } = await import('../core/base/index.ts')
const { coverageOf, footprint } = await import('../core/cover/index.ts')
const { layerOf, pieceWith, shelf } = await import('../core/testing.ts')
const { rememberingWork, work } = await import('../core/workings.ts')

const RUNS = 7

/** Median of several runs after one that does not count, ms. */
function time(run) {
  run()
  const times = Array.from({ length: RUNS }, () => {
    const start = performance.now()
    run()
    return performance.now() - start
  })
  return times.sort((a, b) => a - b)[Math.floor(RUNS / 2)]
}

const pieceOf = (stems) => pieceWith([0, 1].map((i) =>
  layerOf(`l${i}`, i ? 'bay' : 'bracken', { kind: 'compass', count: stems / 2, start: 0 }, { leanSpread: 40, acrossSpread: 1, cut: 120 })), { base: { outer: 500, inner: 320 } })
const laidOf = (piece) => arrange(piece, runsOf(piece.base), shelf)
const placed = (piece) => laidOf(piece).flatMap(({ placements }) => placements)

const thousand = pieceOf(1000)
const hundred = pieceOf(100)
const whole = time(() => work(thousand, shelf))
const rows = [
  ['work() on 1,000 stems against 100 stems', whole / time(() => work(hundred, shelf))],
  ['placing alone against the whole work(), 1,000 stems', time(() => laidOf(thousand)) / whole],
  ['counting cover alone against the whole work(), 1,000 stems', time(() => coverageOf(runsOf(thousand.base)[0], placed(thousand), shelf)) / whole],
]
const stems = placed(hundred).map((placement) => [footprint(placement, 'leaf').map(({ x, y }) => [x, y])])
rows.push(['exact union of polygons (polygon-clipping) against our count of cells, 100 stems',
  time(() => polygonClipping.union(stems[0], ...stems.slice(1))) / time(() => coverageOf(runsOf(hundred.base)[0], placed(hundred), shelf))])

// A nudge of one stem, each time to another place, so that nothing is answered from the last time.
const remembering = rememberingWork()
let along = 0
rows.push(['work() afresh against a nudge of one stem that remembers, 1,000 stems', whole / time(() => {
  const [first, ...rest] = thousand.layers
  remembering({ ...thousand, layers: [{ ...first, nudges: { 3: { along: ++along, across: 0, turn: 0 } } }, ...rest] }, shelf)
})])

for (const [name, ratio] of rows) console.log(`${ratio.toFixed(2).padStart(8)} ×  ${name}`)
console.log(`\nMedians of ${RUNS} runs. For scale only: work() on 1,000 stems took ${whole.toFixed(0)} ms here.`)
