import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runsOf } from '../../core/base'
import { beginLayer, seenShares } from '../../core/coverage'
import { readPiece, writePiece } from '../../core/formats'
import type { Layer, Piece } from '../../core/piece'
import { EACH, edit, materialOfPart, mirrorPiece, partAsPiece } from '../../core/piece'
import type { Need } from '../../core/material'
import { CATALOGUE } from '../../core/material'
import { inches } from '../../core/measure'
import { isCarrier } from '../../core/fixing'
import { arrange, dropOnto, nudgeBy } from '../../core/placement'
import { choresOf } from '../../core/season'
import { timesOf } from '../../core/tasks'
import { costsOf } from '../../core/piece-costs'
import { benchOf, plainPricing, shelf } from '../../core/testing'
import type { Workings } from '../../core/workings'
import { rememberingWork, work } from '../../core/workings'
import { hold, PARTS } from './workrooms'
import { anyPiece, worked } from './pieces'
import { figuresIn, untrue } from './sums'

const MANNER = { units: 'in', currency: 'USD' } as const
/** Working a piece out takes its time: fewer are asked. */
const SOME = 0.25

/** Decisions about a layer, each another than most begin with. */
const CHANGES: readonly Partial<Layer>[] = [
  { bend: 'straight' },
  { bend: 'run' },
  { bend: { radius: 120, toward: 'in' } },
  { lean: 35 },
  { leanSpread: 0 },
  { uneven: 0.4 },
  { acrossSpread: 1 },
  { across: -0.5 },
  { cut: 90 },
  { cut: null },
  { taper: 0.4 },
  { flow: 'outward' },
  { mirrored: true },
  { seed: 99 },
  { words: 'Welcome' },
]

const bareOf = ({ cover }: Workings): number => cover.bare.reduce((all, { length }) => all + length, 0)

describe('any piece', () => {
  it.each(PARTS)('has sums that come true on a calculator (part %i)', (part) =>
    hold(
      anyPiece,
      (piece) => {
        const bench = benchOf(piece)
        const figures = figuresIn([bench, costsOf(piece, bench, plainPricing())])
        expect(figures.flatMap((figure) => untrue(figure, MANNER) ?? [])).toEqual([])
      },
      SOME / PARTS.length,
      part,
    ),
  )
  it('comes out after any decision about a layer as it does afresh: nothing that is remembered is out of date', () =>
    hold(
      fc.record({ piece: anyPiece, which: fc.nat(), changes: fc.shuffledSubarray([...CHANGES], { minLength: 8 }) }),
      ({ piece, which, changes }) => {
        const again = rememberingWork()
        // Stems have most that can be said of them.
        const stems = piece.layers.filter(({ mix }) => mix.some(({ material }) => CATALOGUE[material]?.form === 'leaf'))
        const among = stems.length ? stems : piece.layers
        const { id } = among[which % among.length]!
        const states = changes.reduce<Piece[]>(
          (all, set) => {
            const next = edit(all.at(-1)!, { do: 'layer', layer: id, set }, 'change')
            return next.ok ? [...all, next.change.piece] : all
          },
          [piece],
        )
        for (const state of states) {
          const kept = again(state, shelf)
          const afresh = work(state, shelf)
          for (const key of Object.keys(afresh) as (keyof Workings)[]) expect(kept[key], key).toEqual(afresh[key])
        }
      },
      SOME / 2,
    ))
  it('is read back as it was written', () =>
    hold(
      anyPiece,
      (piece) => {
        const read = readPiece(writePiece(piece))
        expect(read.ok && read.piece).toEqual(piece)
      },
      SOME,
      0,
    ))
  it('has what another thing bears on that, painted over it and held to it', () =>
    hold(
      anyPiece,
      (piece) => {
        const { placements, scene, fixings } = worked(piece)
        const byId = new Map(placements.map((each) => [each.id, each]))
        const painted = new Map(scene.items.map(({ id }, i) => [id, i]))
        for (const each of placements.filter(({ bearer }) => bearer !== null)) {
          const bearer = byId.get(each.bearer!)!
          expect(Math.hypot(each.x - bearer.x, each.y - bearer.y)).toBeLessThan(bearer.length + bearer.width)
          expect(each.run).toBe(bearer.run)
          expect(painted.get(each.id)).toBeGreaterThan(painted.get(bearer.id)!)
          const held = fixings.filter(({ layer, material }) => layer === each.layer && material === each.material)
          expect(held.map(({ ground }) => ground).every(isCarrier)).toBe(true)
        }
      },
      SOME,
      0,
    ))
  it('carries what a thing bears as far as that is moved', () =>
    hold(
      anyPiece,
      (piece) => {
        const [borne] = worked(piece).placements.filter(({ bearer }) => bearer !== null)
        const bearer = worked(piece).placements.find(({ id }) => id === borne?.bearer)
        if (!borne || !bearer || bearer.form === 'leaf') return
        const edited = edit(piece, nudgeBy(piece, bearer, { across: 0.3 }), 'move')
        if (!edited.ok) throw new Error(edited.error)
        const now = new Map(work(edited.change.piece, shelf).placements.map((each) => [each.id, each]))
        expect(now.get(borne.id)!.x - borne.x).toBeCloseTo(now.get(bearer.id)!.x - bearer.x)
        expect(now.get(borne.id)!.y - borne.y).toBeCloseTo(now.get(bearer.id)!.y - bearer.y)
      },
      SOME,
      0,
    ))
  it('is laid in an order that leaves no more stems on the tips of others than the order of its places', () =>
    hold(
      anyPiece,
      (piece) => {
        const runs = runsOf(piece.base)
        const laid = arrange(piece, runs, shelf)
        const asPlaces = laid.map((one) => ({ ...one, placements: [...one.placements].sort((a, b) => a.number - b.number) }))
        const onOthers = (all: typeof laid): number => seenShares(all, shelf).reduce((n, { among }) => n + among.length, 0)
        expect(onOthers(laid)).toBeLessThanOrEqual(onOthers(asPlaces))
        // The same things, each once.
        laid.forEach(({ placements }, i) => expect(new Set(placements)).toEqual(new Set(asPlaces[i]!.placements)))
      },
      SOME,
      0,
    ))
  it('has in each part of it what that is by itself: needs, weight, minutes and how long it dries', () =>
    hold(
      anyPiece,
      (piece) => {
        const [part] = piece.parts
        if (!part) return
        const whole = worked(piece)
        const alone = work(partAsPiece(piece, part), shelf)
        const of = materialOfPart(part.id)
        const n = whole.placements.filter(({ material }) => material === of).length
        expect(whole.parts[0]!.count).toBe(n)
        const amounts = (needs: readonly Need[], times: number) =>
          needs
            .map((need) => `${need.material} ${need.use} ${((need.of === 'lengths' ? need.length : 1) * need.count * times).toFixed(4)}`)
            .sort()
        const own = (needs: readonly Need[]) => needs.filter(({ of: sort, layer }) => sort !== 'base' && layer === of)
        expect(amounts(own(whole.needs), 1)).toEqual(
          n
            ? amounts(
                alone.needs.filter(({ of: sort }) => sort !== 'base'),
                n,
              )
            : [],
        )
        const bases = (needs: readonly Need[]) => needs.reduce((all, need) => all + (need.of === 'base' ? need.count : 0), 0)
        expect(bases(whole.needs)).toBe(bases(work({ ...piece, layers: [] }, shelf).needs) + n * bases(alone.needs))
        const weighed = whole.mass.parts.filter(({ material }) => material === of).reduce((all, { figure }) => all + figure.value, 0)
        expect(weighed).toBeCloseTo(n * alone.mass.whole.value, 6)
        const [task, ...more] = whole.tasks.filter(({ kind }) => kind === 'part')
        expect([more, task !== undefined]).toEqual([[], n > 0])
        if (!task) return
        const steps = alone.tasks.filter(({ kind }) => ['base', 'stems', 'bow', 'lay', 'join', 'paint', 'seal'].includes(kind))
        expect(task.hands.value).toBeCloseTo(n * steps.reduce((all, { hands }) => all + hands.value, 0), 6)
        expect(task.waits.value).toBeGreaterThanOrEqual(part.dries)
        for (const { layer, after } of whole.tasks.filter(({ kind }) => kind === 'lay'))
          expect(after.some(({ id }) => id === task.id)).toBe(layer === 'parts')
      },
      SOME,
      0,
    ))
  it('has no stem bent tighter than it takes, none that is stiff, and tells every radius that is not to be had', () =>
    hold(
      anyPiece,
      (piece) => {
        const { placements, problems } = worked(piece)
        for (const { material, bend, length } of placements) {
          const curve = CATALOGUE[material]?.curve ?? null
          // A circle of a radius has 2π of it; less than that of a stem turns so much less.
          if (bend !== 0) expect((length * 360) / (2 * Math.PI * Math.abs(bend))).toBeGreaterThanOrEqual((curve ?? Infinity) - 1e-6)
        }
        for (const { id, bend, mix, hidden } of piece.layers) {
          if (typeof bend === 'string' || hidden) continue
          const asked = new Set(placements.filter(({ layer, form }) => layer === id && form === 'leaf').map((each) => each.material))
          const fails = mix.some(({ material }) => asked.has(material) && (CATALOGUE[material]?.curve ?? Infinity) > bend.radius)
          expect(
            problems.some((each) => each.id.startsWith(`${id}:tight:`)),
            id,
          ).toBe(fails)
        }
      },
      SOME,
      0,
    ))
  it('gives each of its needs to one task', () =>
    hold(
      anyPiece,
      (piece) => {
        const { tasks, needs } = worked(piece)
        expect(tasks.flatMap((task) => task.needs).length).toBe(needs.length)
      },
      SOME,
      0,
    ))
  it('has no task before what it waits for, and none twice', () =>
    hold(
      anyPiece,
      (piece) => {
        const { tasks, schedule } = worked(piece)
        const booked = new Map(schedule.booked.map((each) => [each.id, each]))
        expect(booked.size).toBe(tasks.length)
        for (const task of tasks)
          for (const { id, wet } of task.after) {
            const before = booked.get(id)
            if (before) expect(booked.get(task.id)!.begins).toBeGreaterThanOrEqual((wet ? before.handsOff : before.done) - 1e-6)
          }
      },
      SOME,
      0,
    ))
  it('takes as many minutes by its own days as by the season, copies and all', () =>
    hold(
      anyPiece,
      (piece) => {
        const { tasks, schedule } = worked(piece)
        const chores = choresOf(
          [
            {
              id: 'p',
              name: 'P',
              copies: piece.brief.copies,
              due: null,
              tasks: timesOf(tasks, shelf),
              done: [],
              hangs: null,
              indoors: true,
            },
          ],
          [],
          [],
          shelf,
        )
        expect(schedule.hands.value).toBeCloseTo(
          chores.reduce((all, { hands }) => all + hands, 0),
          6,
        )
        expect(schedule.handsEach.value * piece.brief.copies).toBeCloseTo(schedule.hands.value, 6)
      },
      SOME,
      0,
    ))
  it('weighs as much as its parts', () =>
    hold(
      anyPiece,
      (piece) => {
        const { mass } = worked(piece)
        expect(mass.parts.reduce((all, { figure }) => all + figure.value, 0)).toBeCloseTo(mass.base.value + mass.on.value, 4)
      },
      SOME,
      0,
    ))
  it('needs as much when it is the other of a pair', () =>
    hold(
      anyPiece,
      (piece) => {
        const sums = (of: Piece) => {
          const found: Record<string, number> = {}
          for (const need of worked(of).needs)
            found[need.material] = (found[need.material] ?? 0) + (need.of === 'lengths' ? need.length * need.count : need.count)
          return Object.fromEntries(Object.entries(found).map(([id, n]) => [id, Math.round(n)]))
        }
        expect(sums(mirrorPiece(piece, 'q', 'Q'))).toEqual(sums(piece))
      },
      SOME,
      0,
    ))
  it('takes nothing for a layer that is put aside', () =>
    hold(
      anyPiece,
      (piece) => {
        const [first] = piece.layers
        if (!first) return
        const aside = { ...piece, layers: piece.layers.map((layer) => (layer === first ? { ...layer, hidden: true } : layer)) }
        expect(worked(aside).needs.filter(({ layer }) => layer === first!.id)).toEqual([])
      },
      SOME,
      0,
    ))
  it('costs what the mends of its budget say, once they are made', () =>
    hold(
      anyPiece,
      (piece) => {
        const bench = benchOf({ ...piece, brief: { ...piece.brief, budget: 100 } })
        for (const { says, edit: how } of bench.problems.find(({ id }) => id === 'over budget')?.mends ?? []) {
          if (!how) continue
          const edited = edit(piece, how, 'mend')
          if (!edited.ok) throw new Error(edited.error)
          const saves = says.find((part) => typeof part !== 'string' && part.unit === 'money') as { readonly value: number }
          expect(
            bench.bill.opened.value -
              benchOf({ ...edited.change.piece, brief: { ...edited.change.piece.brief, budget: 100 } }).bill.opened.value,
          ).toBe(saves.value)
        }
      },
      SOME,
      0,
    ))
  it('saves by fewer of what nobody sees what it says, once there are fewer', () =>
    hold(
      anyPiece,
      (piece) => {
        const bench = benchOf(piece)
        for (const { edit: how, saves } of bench.problems.filter(({ code }) => code === 'coverage.unseen').flatMap(({ mends }) => mends)) {
          if (!how) continue
          const edited = edit(piece, how, 'fewer')
          if (!edited.ok) throw new Error(edited.error)
          expect(bench.bill.opened.value - benchOf(edited.change.piece).bill.opened.value).toBe(saves)
        }
      },
      SOME,
      0,
    ))
  it('takes what is dropped on it where it is dropped: one thing by hand, the same again into the same layer, or a layer of its own', () =>
    hold(
      anyPiece,
      (piece) => {
        const runs = runsOf(piece.base)
        const run = runs.at(-1)!
        for (const material of ['rose', 'bay', 'ribbon-slate', 'pine-cone']) {
          const before = worked(piece).placements.length
          const place = { run, s: run.length * 0.3, across: 0.2 }
          const first = dropOnto(piece, CATALOGUE[material]!, place, null)
          const edited = edit(piece, first.edit, 'drop')
          if (!edited.ok) throw new Error(`${material}: ${edited.error}`)
          const now = edited.change.piece
          const { placements } = work(now, shelf)
          const added = placements.find(({ layer, slot }) => layer === first.layer && slot === first.slot)
          if (first.slot === null) expect(now.layers).toHaveLength(piece.layers.length + 1)
          else {
            expect(placements).toHaveLength(before + 1)
            expect(added).toMatchObject({ material, run: run.id, t: 0.2 })
            expect(added!.s).toBeCloseTo(place.s, 6)
            const again = dropOnto(now, CATALOGUE[material]!, { ...place, s: run.length }, null)
            expect([again.layer, again.slot === first.slot]).toEqual([first.layer, false])
          }
        }
      },
      SOME / 2,
      0,
    ))
  it.each(PARTS)('has mends that can be made, each with its problem gone (part %i)', (part) =>
    hold(
      anyPiece,
      (piece) => {
        const stays: string[] = []
        const before = worked(piece)
        for (const problem of before.problems)
          for (const { edit: how } of problem.mends) {
            if (!how) continue
            const edited = edit(piece, how, 'mend')
            if (!edited.ok) throw new Error(`${problem.id}: ${edited.error}`)
            const after = worked(edited.change.piece)
            const gone = after.problems.every(({ id }) => id !== problem.id)
            // Of bare stretches another may be told in its place, and a counterpart may not be enough: then it says how far off it is.
            const nearer =
              problem.id === 'balance'
                ? after.balance.off.value < before.balance.off.value
                : problem.id.startsWith('bare:') && bareOf(after) < bareOf(before)
            if (!gone && !nearer) stays.push(problem.id.replace(/^l\d+/, 'layer'))
          }
        expect(stays).toEqual([])
      },
      SOME / PARTS.length,
      part,
    ),
  )
  it('is plain data, worked out twice the same', () =>
    hold(
      anyPiece,
      (piece) => {
        const one = work(piece, shelf)
        expect(structuredClone(one)).toEqual(one)
        expect(work(piece, shelf)).toEqual(one)
      },
      SOME / 2,
    ))
  it('is begun with no more than one thing for three quarters of an inch, and one greenery leaves the other in sight', () =>
    hold(
      fc.tuple(anyPiece, fc.constantFrom('olive', 'cedar', 'fir', 'eucalyptus')),
      ([piece, material]) => {
        const runs = runsOf(piece.base)
        const { layer, at } = beginLayer({ piece, runs, shelf }, { id: 'next', material: CATALOGUE[material]!, seed: 5, by: null })
        const { placements, seen } = work({ ...piece, layers: piece.layers.toSpliced(at, 0, layer) }, shelf)
        const own = placements.filter((each) => each.layer === 'next')
        const on = runs.filter(({ id }) => layer.run === EACH || layer.run === id)
        const length = on.reduce((all, run) => all + run.length, 0)
        expect(own.length).toBeLessThanOrEqual(Math.max(3 * on.length, length / inches(0.75)))
        // Three are the fewest that are begun with, however large they are.
        const share = seen.find((each) => each.layer === 'next')?.share.value ?? 0
        if (layer.role === 'second greenery' && own.length > 3 * on.length) expect(share).toBeLessThan(0.5)
      },
      SOME,
      0,
    ))
})
