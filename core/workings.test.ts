import { tries } from '../tests/amount'
import fc from 'fast-check'
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { BASE_KINDS, runsOf, usualBase } from './base'
import { readPiece, writePiece } from './formats'
import { canLay, CATALOGUE, plainShelf, WEATHERS } from './material'
import { deltaOf, say, showSum } from './measure'
import { BALANCES, EACH, FLOWS, FULLNESS, STILL } from './piece'
import type { Rule } from './piece'
import { benchOf, layerOf, pieceWith, shelf } from './testing'
import { rememberingWork, work } from './workings'

const demo = new URL('../demo/', import.meta.url)
const manner = { units: 'in', currency: 'USD' } as const

describe('the demo pieces', () => {
  it.each(readdirSync(demo).filter((name) => name.endsWith('.json')))(
    '%s reads as it was written, and has nothing wrong that a maker would not leave so',
    (name) => {
      const text = readFileSync(new URL(name, demo), 'utf8')
      const read = readPiece(text)
      if (!read.ok) throw new Error(JSON.stringify(read.faults))
      expect(writePiece(read.piece)).toBe(text)
      const workings = work(read.piece, shelf)
      expect(workings.problems.filter(({ severity }) => severity === 'fault')).toEqual([])
      expect(workings.placements.length).toBeGreaterThan(20)
    },
  )
})

const share = fc.double({ min: 0, max: 1, noNaN: true })
const rule: fc.Arbitrary<Rule> = fc.oneof(
  fc.record({ kind: fc.constant('compass' as const), count: fc.integer({ min: 0, max: 60 }), start: share }),
  fc.record({ kind: fc.constant('every' as const), spacing: fc.double({ min: 10, max: 900, noNaN: true }), start: share }),
  fc.record({ kind: fc.constant('cluster' as const), at: fc.array(share, { maxLength: 4 }), size: fc.integer({ min: 0, max: 7 }) }),
  fc.record({
    kind: fc.constant('crescent' as const),
    from: share,
    to: share,
    count: fc.integer({ min: 0, max: 60 }),
    dense: fc.constant('middle' as const),
    thin: share,
  }),
  fc.record({
    kind: fc.constant('mirror' as const),
    seat: share,
    gap: fc.double({ min: 0, max: 90, noNaN: true }),
    reach: share,
    count: fc.integer({ min: 0, max: 30 }),
    sequence: fc.boolean(),
  }),
  fc.record({ kind: fc.constant('arms' as const), count: fc.integer({ min: 0, max: 30 }), from: share, to: share }),
  fc.record({ kind: fc.constant('scatter' as const), count: fc.integer({ min: 0, max: 30 }) }),
  fc.record({
    kind: fc.constant('bands' as const),
    outer: fc.constant(null),
    between: fc.integer({ min: 0, max: 20 }),
    inner: fc.integer({ min: 0, max: 20 }),
    gaps: fc.boolean(),
  }),
  fc.record({ kind: fc.constant('single' as const), at: share, drop: fc.double({ min: 0, max: 300, noNaN: true }) }),
)
const layer = fc.record({
  material: fc.constantFrom(
    ...Object.values(CATALOGUE)
      .filter(canLay)
      .map(({ id }) => id),
  ),
  rule,
  flow: fc.constantFrom(...FLOWS),
  cut: fc.option(fc.double({ min: 10, max: 400, noNaN: true })),
})

describe('work', () => {
  it.each([1, 2, 3])('gives sound figures for any piece, and every figure has its sum (%i of 3)', (seed) => {
    fc.assert(
      fc.property(
        fc.array(layer, { maxLength: 4 }),
        fc.constantFrom(...BASE_KINDS),
        fc.constantFrom(...FULLNESS),
        fc.constantFrom(...WEATHERS),
        fc.integer({ min: 1, max: 20 }),
        fc.constantFrom(...BALANCES),
        (layers, kind, fullness, weather, copies, school) => {
          const base = usualBase(kind)
          const runs = runsOf(base)
          const on = runs.length > 1 ? EACH : runs[0]!.id
          const piece = pieceWith(
            layers.map(({ material, rule: by, flow, cut }, i) =>
              layerOf(`l${i}`, material, by, { flow, cut, run: by.kind === 'single' ? runs[0]!.id : on }),
            ),
            { base, brief: { fullness, weather, copies, budget: 2000, balance: { school, towards: 100 } } },
          )
          const workings = benchOf(piece)
          const { cover, size, bill, base: bare, stems, mass, contrast, carry, balance, proportions } = workings
          const spacings = workings.layers.flatMap(({ spacing }) =>
            spacing ? [spacing.rim, spacing.centre, ...(spacing.gaps ? [spacing.gaps.least, spacing.gaps.most] : [])] : [],
          )
          const figures = [
            cover.share,
            cover.twoDeep,
            cover.meanDepth,
            cover.evenness,
            balance.off,
            ...carry.map(({ share }) => share),
            ...proportions.map(({ share }) => share),
            contrast.tie.best,
            contrast.tie.green,
            ...(contrast.surface ? [contrast.surface.difference, contrast.surface.ratio] : []),
            size.width,
            size.height,
            bill.opened,
            bill.used,
            bill.openedEach,
            bill.usedEach,
            bill.left,
            bill.room!,
            ...bare.figures.map(({ figure }) => figure),
            bare.mass,
            stems,
            mass.on,
            mass.whole,
            ...spacings,
            ...bill.lines.flatMap((line) => [line.each, line.stems, line.spare, line.stash, line.packs, line.opened, line.used]),
          ]
          expect(
            figures.filter(
              (figure) =>
                !Number.isFinite(figure.value) ||
                !/\S/.test(showSum(figure, manner)) ||
                /NaN|undefined|Infinity/.test(showSum(figure, manner)),
            ),
          ).toEqual([])
          expect(cover.share.value).toBeGreaterThanOrEqual(cover.twoDeep.value)
          expect(stems.value).toBe(workings.placements.length)
          expect(workings.scene.items).toHaveLength(workings.placements.length)
          for (const problem of workings.problems) expect(say(problem.says, manner)).not.toMatch(/NaN|undefined/)
          expect(deltaOf(structuredClone(workings), workings)).toBe(0)
        },
      ),
      { numRuns: tries(4), seed },
    )
  })
  it('is pure', () => {
    const piece = pieceWith([layerOf('a', 'ivy', { kind: 'compass', count: 9, start: 0.2 })])
    expect(work(piece, shelf)).toEqual(work(structuredClone(piece), plainShelf()))
  })
  it.each([1, 2, 3])('says the same whether it remembers or not, whatever is asked in whatever order (%i of 3)', (seed) => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.array(layer, { maxLength: 3 }), fc.constantFrom(300, 450)), { minLength: 2, maxLength: 6 }),
        (asked) => {
          const remembering = rememberingWork()
          for (const [layers, outer] of asked) {
            const piece = pieceWith(
              layers.map(({ material, rule: by, flow, cut }, i) => layerOf(`l${i}`, material, by, { flow, cut })),
              { ring: { outer, inner: 200 } },
            )
            expect(deltaOf(remembering(piece, shelf), work(piece, shelf))).toBe(0)
          }
        },
      ),
      { numRuns: 2, seed },
    )
  })
  it('lays nothing anew that has not changed, also when the piece comes as a copy', () => {
    const piece = pieceWith([
      layerOf('a', 'bracken', { kind: 'compass', count: 9, start: 0 }),
      layerOf('b', 'rose', { kind: 'against', of: 'a', count: 4, pattern: 'better' }),
    ])
    const nudged = { ...piece, layers: [{ ...piece.layers[0]!, nudges: { 2: { ...STILL, along: 5 } } }, piece.layers[1]!] }
    const remembering = rememberingWork()
    const before = remembering(structuredClone(piece), structuredClone(shelf)).placements
    const after = remembering(structuredClone(nudged), structuredClone(shelf)).placements
    expect(after.map((each, i) => each === before[i])).toEqual(before.map(({ id }) => id !== 'a:2'))
  })
  it('puts the worst first', () => {
    const piece = pieceWith(
      [layerOf('a', 'wheat', { kind: 'halfway', of: 'gone' }), layerOf('b', 'wheat', { kind: 'compass', count: 3, start: 0 })],
      { brief: { weather: 'open', budget: 1 } },
    )
    const severities = work(piece, shelf).problems.map(({ severity }) => ['fault', 'care', 'note'].indexOf(severity))
    expect(severities[0]).toBe(0)
    expect(severities.length).toBeGreaterThan(2)
    expect(severities).toEqual([...severities].sort((a, b) => a - b))
  })
  it('names layers by what is in them', () => {
    const [named, empty] = work(
      pieceWith([
        layerOf('a', 'sea-holly', { kind: 'compass', count: 2, start: 0 }),
        layerOf('b', 'ivy', { kind: 'compass', count: 0, start: 0 }),
      ]),
      shelf,
    ).layers
    expect([named!.title, empty!.title]).toEqual(['2 sea hollies', 'ivy trails'])
  })
})
