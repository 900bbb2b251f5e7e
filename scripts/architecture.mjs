// What the code says of the house, written into the pages that tell of it: the rooms in their order, what each holds, and which
// lean on which. `--check` writes nothing and fails where a page says otherwise.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { cruise } from 'dependency-cruiser'
import { FLOORS, ROOMS } from '../eslint.config.mjs'
import { root } from './prerequisites.mjs'

const HOLDS = {
  measure: 'lengths, angles, masses, money, days; figures and the expressions they are worked out and said by; rules of thumb',
  base: 'every kind of base and the runs it offers, as plain data',
  material: 'what goes on a base: schema, packs, yields, looks, mechanics, needs',
  piece: 'the document, its edits and migrations; `rules/<kind>` the schema, words and traits of each placing rule',
  placement: 'from a layer to placements; `rules/<kind>` the slots of each rule',
  looks: 'how each species is drawn: data and grammar to paths, and its silhouette',
  coverage: 'what is covered, bare, even, balanced; how a layer begins',
  cut: 'cutting plans from rolls, spools, garlands and boughs',
  constructions: 'bundles, wraps, mesh, bows, beads, sprays: figures, needs, words, problems',
  fixing: 'how each thing is held, and what that takes',
  hanging: 'masses, rest angle, hanger, load path, clearances',
  stock: 'lots: what is in the house, where it came from, what is reserved',
  price: 'offers, reductions, tax, claims, basket, selling price',
  tasks: 'tasks, their order, times and cautions',
  season: 'days, hours, batches, kits',
  daybook: 'what really happened, and the rates learned from it',
  scene: 'the drawing of a piece: base, surface, light, order, shadows',
  formats: 'reading and writing the open formats',
}
const UPSTAIRS = {
  utils: 'plain functions: files, keys, parsing, words, the server’s answers',
  drawing: 'painting on canvas, handles, views',
  db: 'the database: tables, steps, autosave, whole file',
  commands: 'what touches more than one record, each in one transaction over a function of the core',
  workers: 'one script with roles, its bridge and its protocol',
  print: 'PDF',
  stores: 'what is shown and kept, as Pinia stores',
  composables: 'what several components do alike',
  components: 'by the page or room they belong to',
  pages: 'one for each address',
}
const missing = [...ROOMS.filter((room) => !HOLDS[room]), ...FLOORS.filter((floor) => !UPSTAIRS[floor])]
if (missing.length) throw new Error(`It is not said what these hold: ${missing.join(', ')}`)

const table = (names, of) => ['| | holds |', '|---|---|', ...names.map((name) => `| \`${name}\` | ${of[name]} |`)].join('\n')

/** Rooms and what they import, without what follows from the rest. */
async function picture() {
  const { output } = await cruise(['core'], {
    tsPreCompilationDeps: true,
    exclude: { path: '\\.test\\.ts$|^core/testing' },
    doNotFollow: { path: 'node_modules' },
  })
  const roomOf = (path) => ROOMS.find((room) => path.startsWith(`core/${room}/`))
  const leans = new Map(ROOMS.map((room) => [room, new Set()]))
  for (const { source, dependencies } of output.modules)
    for (const { resolved } of dependencies) {
      const [from, to] = [roomOf(source), roomOf(resolved)]
      if (from && to && from !== to) leans.get(from).add(to)
    }
  const reaches = (from, to) => [...leans.get(from)].some((next) => next === to || reaches(next, to))
  const arrows = ROOMS.flatMap((from) =>
    [...leans.get(from)]
      .filter((to) => ![...leans.get(from)].some((other) => other !== to && reaches(other, to)))
      .sort((a, b) => ROOMS.indexOf(a) - ROOMS.indexOf(b))
      .map((to) => `  ${from} --> ${to}`),
  )
  return ['```mermaid', 'flowchart RL', ...arrows, '```'].join('\n')
}

const PARTS = { rooms: table(ROOMS, HOLDS), floors: table(FLOORS, UPSTAIRS), picture: await picture() }
const check = process.argv.includes('--check')
let stale = false
for (const page of ['README.md', 'docs/architecture.md']) {
  const path = join(root, page)
  const was = readFileSync(path, 'utf8')
  const now = was.replace(
    /(<!-- from the code: (\w+) -->\n)[\s\S]*?(<!-- end -->)/g,
    (_, begin, name, end) => `${begin}\n${PARTS[name]}\n\n${end}`,
  )
  if (now === was) continue
  stale = true
  if (check) console.error(`${page} says otherwise than the code: run npm run architecture`)
  else writeFileSync(path, now)
}
process.exit(check && stale ? 1 : 0)
