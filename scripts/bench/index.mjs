// Compares ways of doing the same work, in one run, as ratios: absolute times depend on the machine and its mood.
// What it finds is printed, and written to docs/bench.md with the machine's description.
import { writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { performance } from 'node:perf_hooks'
import { Resvg } from '@resvg/resvg-js'
import { browser, built, installed } from '../prerequisites.mjs'
import { basketsBench } from './baskets.mjs'
import { coreModule } from './bundle.mjs'
import { cuttingBench } from './cutting.mjs'
import { feltOf } from './perceived-speed.mjs'
import { framesOf } from './frames.mjs'
import { seasonBench } from './season.mjs'
import { stashBench } from './stash.mjs'

installed()
browser()
await built()
const core = await coreModule()
const { arrange, coverageOf, evenOutPiece, writePiece, layerOf, pieceWith, rememberingWork, runsOf, sceneSvg, shelf, work } = core

const RUNS = 7

/** Median of several runs after one that does not count, ms. */
function time(run, runs = RUNS) {
  run()
  const times = Array.from({ length: runs }, () => {
    const start = performance.now()
    run()
    return performance.now() - start
  })
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)]
}

const OUTER = 500
const INNER = 320
const pieceOf = (stems) =>
  pieceWith(
    [0, 1].map((i) =>
      layerOf(
        `l${i}`,
        i ? 'bay' : 'bracken',
        { kind: 'compass', count: stems / 2, start: 0 },
        { leanSpread: 40, acrossSpread: 1, cut: 120 },
      ),
    ),
    { ring: { outer: OUTER, inner: INNER } },
  )
const laidOf = (piece) => arrange(piece, runsOf(piece.base), shelf)
const placed = (piece) => laidOf(piece).flatMap(({ placements }) => placements)

const thousand = pieceOf(1000)
const hundred = pieceOf(100)
const runs = runsOf(hundred.base)
const whole = time(() => work(thousand, shelf))
const rows = [
  ['`work()` on 1,000 stems against 100 stems', whole / time(() => work(hundred, shelf))],
  ['placing alone against the whole `work()`, 1,000 stems', time(() => laidOf(thousand)) / whole],
  ['counting cover alone against the whole `work()`, 1,000 stems', time(() => coverageOf(runs, placed(thousand), shelf)) / whole],
]

// A nudge of one stem, each time to another place, so that nothing is answered from the last time; as copies, as the worker gets them.
const remembering = rememberingWork()
const nudged = Array.from({ length: 16 }, (_, i) => {
  const [first, ...rest] = thousand.layers
  return structuredClone({
    ...thousand,
    layers: [{ ...first, nudges: { 3: { along: i + 1, across: 0, turn: 0, lift: 0, trim: null, pinned: false } } }, ...rest],
  })
})
rows.push([
  '`work()` afresh against a nudge of one stem that remembers, 1,000 stems',
  whole /
    time(() => {
      remembering(nudged.pop(), shelf)
    }, 15),
])

// The same stems: our count of what they hide, and their drawing painted by another renderer.
const many = pieceOf(300)
const stems = placed(many)
const drawn = sceneSvg(work(many, shelf).scene, {
  region: { left: -OUTER, right: OUTER, top: -OUTER, bottom: OUTER },
  title: 'bench',
  names: {},
  surface: false,
  shadows: false,
})
const painted = () => new Resvg(drawn, { fitTo: { mode: 'width', value: 800 } }).render()
rows.push([
  'painting 300 stems (resvg, 800 pixels across) against counting what they hide',
  time(painted, 3) / time(() => coverageOf(runs, stems, shelf)),
])

const cutting = await cuttingBench(core)
rows.push(
  [`integer program of all ways to cut (HiGHS) against our planner, ${cutting.instances} random instances`, cutting.ratio],
  ['cost of our plans against the integer program’s, the same instances (1.00 is the same)', cutting.cost],
  ['share of those that our planner proved', cutting.proven],
  ['our plan of 2,000 pieces of 40 lengths against its own bound (1.00 is proven)', cutting.gap],
)

const frames = await framesOf(2000)
rows.push(
  ['a frame that draws all 2,000 stems from their paths, against one while a stem is dragged', frames.fromPaths / frames.drag],
  ['the same against one that paints all 2,000 again from sprites', frames.fromPaths / frames.fromSprites],
)

rows.push(['a notch of the wheel among 2,000 stems against a blit of the pane', frames.notch / frames.blit])

// Evening out, to its end.
const evened = (count) => {
  const piece = pieceWith(
    [0, 1].map((i) =>
      layerOf(
        `l${i}`,
        i ? 'daisy' : 'bracken',
        { kind: 'compass', count: count / 2, start: i / 9 },
        {
          nudges: Object.fromEntries(
            Array.from({ length: count / 6 }, (_, k) => [
              String(k * 2),
              { along: (k % 5) - 2, across: 0, turn: 0, lift: 0, trim: null, pinned: false },
            ]),
          ),
        },
      ),
    ),
    { ring: { outer: OUTER, inner: INNER } },
  )
  return time(() => {
    const going = evenOutPiece(piece, shelf, 1)
    while (!going.next(false).done) {
      /* to its end */
    }
  }, 5)
}
rows.push(['evening out 500 stems against 60', evened(498) / evened(60)])

const file = (piece, id) => writePiece({ ...piece, id, brief: { ...piece.brief, name: id } })
const felt = await feltOf(file(thousand, 'thousand'), file(pieceOf(42), 'forty-two'))
rows.push(
  ['all eight previews of the demo against the titles, first visit', felt.first.all / felt.first.titles],
  ['the same, second visit', felt.second.all / felt.second.titles],
  ['eight previews painted afresh against from the database', felt.cold.all / felt.second.all],
  ['nine previews in view among 200 pieces against those nine alone', felt.among.all / felt.nine.all],
  ['main-thread time of a nudge, 1,000 stems against 42', felt.thousand.nudge / felt.few.nudge],
  ['the same among 200 pieces against alone, 42 stems', felt.crowd.nudge / felt.few.nudge],
  ['repaints against keys held at 33 ms, 42 stems', felt.few.held],
  ['repaints against keys held, 1,000 stems', felt.thousand.held],
)

const stash = await stashBench(core, time)
rows.push(
  ['planning 500 pieces with 5,000 lots against 5 with 50: a hundred times as many', stash.plan],
  ['keeping what a piece needs among 5,000 lots against 50', stash.keep],
  ['opening the stash with 5,000 lots against 50, in the app', stash.open],
  ['finding something among them', stash.search],
)

const season = await seasonBench(core, time)
rows.push(
  ['what ten years of 60 pieces teach against one year: ten times as many readings', season.learn],
  ['laying 600 pieces on the days once against 60', season.plan],
  ['writing and reading one file with 600 pieces and pages against 60', season.whole],
  ['opening the daybook with 600 pages against 60, in the app', season.open],
)

const baskets = await basketsBench()
rows.push(['the front page while 50 baskets are asked for against alone', baskets.ratio])

const table = rows.map(([name, ratio]) => `| ${ratio.toFixed(2)} × | ${name} |`).join('\n')
for (const [name, ratio] of rows) console.log(`${ratio.toFixed(2).padStart(9)} ×  ${name.replaceAll('`', '')}`)
const scale = `For scale only: \`work()\` on 1,000 stems took ${whole.toFixed(0)} ms, a frame of a drag among 2,000 stems ${frames.drag.toFixed(1)} ms, flushed; first visit: titles ${felt.first.titles} ms, all eight previews ${felt.first.all} ms, painted afresh ${felt.cold.all} ms; second visit ${felt.second.all} ms; a nudge keeps the main thread for ${felt.few.nudge.toFixed(0)} ms of 42 stems and ${felt.thousand.nudge.toFixed(0)} ms of 1,000; 500 pieces with 5,000 lots are planned in ${stash.planMs.toFixed(0)} ms, and 5,000 lots open in ${stash.openMs} ms; 600 pieces are laid on the days once in ${season.planMs.toFixed(0)} ms, written to one file and read back in ${season.wholeMs.toFixed(0)} ms, and 600 pages of the daybook open in ${season.openMs} ms; the front page takes ${baskets.aloneMs.toFixed(1)} ms alone, and ${baskets.solved} of 50 baskets asked for at once are solved, the rest told to come again.`
console.log(`\n${scale.replaceAll('`', '')}`)
const [{ model }] = cpus()
writeFileSync(
  new URL('../../docs/bench.md', import.meta.url),
  `# Ratios of ways to do the same work

Written by \`npm run bench\` on ${cpus().length} × ${model.trim()}, Node ${process.versions.node}, ${frames.browser}, ${new Date().toISOString().slice(0, 10)}.
Medians; each ratio is of two measurements of one run, so the machine's speed drops out.

| ratio | of what |
|---|---|
${table}

${scale}
`,
)
