import { tries } from '../../tests/amount'
import { readdirSync, readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { random } from '../measure'
import { CATALOGUE, plainShelf } from '../material'
import { SPECIES } from '../looks'
import { rememberingWork } from '../workings'
import { MATERIAL_COLUMNS, writeMaterials, readMaterials } from './materials-csv'
import { readTable, guessMapping } from './csv-table'
import { readPiece } from './piece-file'

/**
 * Files with something broken in them, made of the demo's by a seed, and a tenth as many tables;
 * `ATTACKS=10000 npx vitest run core/formats/hostile` makes more.
 */
const ATTACKS = Number(process.env.ATTACKS ?? tries(500))
const SEEDS = [20_261_126, 20_261_127, 20_261_128, 20_261_129] as const
const demo = new URL('../../demo/', import.meta.url)
const texts = readdirSync(demo)
  .filter((name) => name.endsWith('.json'))
  .map((name) => readFileSync(new URL(name, demo), 'utf8'))
const shelf = plainShelf()

type Random = () => number
const pick = <T>(next: Random, from: readonly T[]): T => from[Math.floor(next() * from.length)]!
const ODD: readonly unknown[] = [
  null,
  true,
  '',
  'x',
  '__proto__',
  'constructor',
  'toString',
  '‮<b>&"\'',
  '=1+1',
  [],
  {},
  [[]],
  -1,
  0,
  0.5,
  1e-320,
  1e308,
  -1e308,
  1e21,
  60,
  500,
  501,
  4294967296,
  'a'.repeat(100),
  '\uD800',
  '25:00',
  [0, 0],
  { kind: 'compass' },
]

/** All places of a document, as the object and the key they are under. */
function placesOf(node: unknown, found: { readonly of: Record<string, unknown>; readonly key: string }[] = []) {
  if (typeof node === 'object' && node !== null) {
    for (const key of Object.keys(node)) {
      found.push({ of: node as Record<string, unknown>, key })
      placesOf((node as Record<string, unknown>)[key], found)
    }
  }
  return found
}

/** Ways to break a document, and then ways to break its text. */
const TREES: readonly ((places: ReturnType<typeof placesOf>, next: Random) => void)[] = [
  (places, next) => {
    const { of, key } = pick(next, places)
    of[key] = pick(next, ODD)
  },
  (places, next) => {
    const { of, key } = pick(next, places)
    if (typeof of[key] === 'number') of[key] *= pick(next, [0, -1, 1.001, 1e-9, 1e3, 1e9])
    else of[key] = pick(next, ODD)
  },
  (places, next) => {
    const { of, key } = pick(next, places)
    Reflect.deleteProperty(of, key)
  },
  (places, next) => {
    pick(next, places).of[pick(next, ['constructor', 'toString', 'extra', '0', 'kind', 'id'])] = pick(next, ODD)
  },
  (places, next) => {
    const [a, b] = [pick(next, places), pick(next, places)]
    a.of[a.key] = structuredClone(b.of[b.key])
  },
  (places, next) => {
    const lists = places.filter(({ of, key }) => Array.isArray(of[key]))
    if (!lists.length) return
    const { of, key } = pick(next, lists)
    const list = of[key] as unknown[]
    list.push(...structuredClone(list), ...structuredClone(list))
  },
  (places, next) => {
    const ids = places.filter(({ key }) => key === 'material' || key === 'of' || key === 'id')
    if (!ids.length) return
    const { of, key } = pick(next, ids)
    of[key] = pick(next, ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'no-such', ...Object.keys(CATALOGUE).slice(0, 8)])
  },
]
const LETTERS: readonly ((text: string, next: Random) => string)[] = [
  (text) => text,
  (text) => text,
  (text) => text,
  (text) => text,
  (text, next) => text.slice(0, Math.floor(next() * text.length)),
  (text, next) => {
    const at = Math.floor(next() * text.length)
    return text.slice(0, at) + pick(next, ['{', '"', ',', '\u0000', '1e999', '\\', '\uFFFD', ']', '/*']) + text.slice(at + 1)
  },
  (text) => text.replace('"format"', '"__proto__": {"kind": 1}, "format"'),
  (text) => text.replace('"stage"', '"stage": "hung", "stage"'),
  (text, next) => text.replace('"layers"', `"layers": ${'['.repeat(Math.floor(next() * 200_000))}, "l"`),
]

function brokenFile(next: Random): string {
  const document: unknown = JSON.parse(pick(next, texts))
  for (let n = 1 + Math.floor(next() * 3); n > 0; n--) {
    const places = placesOf(document)
    if (places.length) pick(next, TREES)(places, next)
  }
  return pick(next, LETTERS)(JSON.stringify(document, null, 2), next)
}

/** Where a number is not one, if anywhere. */
function notFinite(node: unknown, path = ''): string | null {
  if (typeof node === 'number') return Number.isFinite(node) ? null : path
  if (typeof node !== 'object' || node === null) return null
  for (const key of Object.keys(node)) {
    const found = notFinite((node as Record<string, unknown>)[key], `${path}.${key}`)
    if (found) return found
  }
  return null
}

it.each(SEEDS)('tells what is wrong with a broken piece and where, or works it out with numbers only (from %i)', (seed) => {
  const work = rememberingWork()
  const { next } = random(seed)
  let taken = 0
  const attacks = ATTACKS / SEEDS.length
  for (let i = 0; i < attacks; i++) {
    const text = brokenFile(next)
    const read = readPiece(text)
    if (read.ok) {
      taken += 1
      const workings = work(read.piece, shelf)
      expect(notFinite({ ...workings, scene: null }), `attack ${i}`).toBeNull()
    } else {
      expect(read.faults.length).toBeGreaterThan(0)
      for (const fault of read.faults) expect(fault.says).toMatch(/\S.*\.$/s)
      expect(read.faults.every(({ at, line }) => at !== '' || line !== null || read.faults.length === 1)).toBe(true)
    }
  }
  expect(taken).toBeGreaterThan(attacks / 50)
  expect(Object.keys(Object.prototype)).toEqual([])
})

it('tells what is wrong with a broken table, or makes materials that are sound', () => {
  const { next } = random(7)
  const table = writeMaterials(Object.values(CATALOGUE).slice(0, 12), 'in')
  const species = new Set(Object.keys(SPECIES))
  let fresh = 0
  for (let i = 0; i < ATTACKS / 10; i++) {
    let text = table
    for (let n = 1 + Math.floor(next() * 4); n > 0; n--) {
      const at = Math.floor(next() * text.length)
      text =
        text.slice(0, at) +
        pick(next, ['"', ',', '\n', '1,234', '0x10', '-', '1e309', '=', '\u0000', '__proto__', '', 'constructor', '\uD800', ';']) +
        text.slice(at + Math.floor(next() * 6))
    }
    const read = readTable(text)
    if (!read.ok) {
      expect(read.error).toMatch(/\.$/)
      continue
    }
    const { materials, faults } = readMaterials(read.table, {
      mapping: guessMapping(read.table.headings, MATERIAL_COLUMNS),
      units: 'in',
      species,
      freshId: () => `own-${fresh++}`,
    })
    expect(notFinite(materials)).toBeNull()
    for (const fault of faults)
      expect(fault).toMatchObject({ row: expect.any(Number), column: expect.stringMatching(/./), says: expect.stringMatching(/\.$/) })
    const ids = materials.map(({ id }) => id)
    expect(new Set(ids).size).toBe(ids.length)
  }
})
