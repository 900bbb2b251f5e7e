import type { Run } from '../base'
import { onRun, stationAt } from '../base'
import type { Material } from '../material'
import { degrees, wholesIn } from '../measure'
import type { Gather, RuleOf } from '../piece'
import { MOST_PLACES } from '../piece'
import type { Move } from './bow'
import { bowAcross, bowMoves, meaningOf } from './bow'

/** What is made of lengths, as it lies: how large, and what it looks like besides its material. */
export type ShapedLength = Size &
  (
    | { readonly as: 'turns'; readonly turns: number; readonly cord: boolean }
    | { readonly as: 'strand' }
    | { readonly as: 'gather'; readonly how: 'ruffle' | 'petal' | 'poof' }
    | {
        readonly as: 'bow'
        readonly moves: readonly Move[]
        readonly materials: readonly string[]
        readonly ends: RuleOf<'bow'>['ends']
        readonly widths: readonly number[]
      }
  )

interface Size {
  readonly form: Material['form']
  /** mm */
  readonly length: number
  readonly width: number
  /** Off the run's direction to the outside, degrees; null stands level. */
  readonly turn: number | null
}

/** A made thing in its place: distance along the run, half widths across, which number of the mix it takes. */
export interface MadePlace {
  readonly id: string
  readonly s: number
  readonly across: number
  readonly material: number
  readonly made: ShapedLength
}

/** The most bands in which turns that lie side by side are laid. */
const MOST_BANDS = 72

/**
 * How many turns go along a run: `length ÷ pitch`, or side by side `length ÷ how wide it is`.
 * @example turnsOn(300, null, 2) // 150
 */
export const turnsOn = (length: number, pitch: number | null, width: number): number => length / (pitch ?? width)

/** Turns of a winding as they cross the face, close ones by the band. */
export function windings(run: Run, { pitch }: RuleOf<'wound'>, { width, kind }: Pick<Material, 'width' | 'kind'>): MadePlace[] {
  const turns = turnsOn(run.length, pitch, width)
  const bands = Math.max(1, Math.min(pitch === null ? MOST_BANDS : MOST_PLACES, Math.round(turns)))
  const step = run.length / bands
  const each = turns / bands
  return Array.from({ length: bands }, (_, i) => {
    const s = (i + 0.5) * step
    const over = 2 * stationAt(run, s).half
    // In front one sees half of each turn, so it goes on by half a pitch from edge to edge.
    const lead = pitch === null ? 0 : Math.min(pitch / 2, over * 2)
    return {
      id: String(i),
      s,
      across: 0,
      material: 0,
      made: {
        ...(kind === 'garland'
          ? { as: 'strand' as const }
          : { as: 'turns' as const, turns: Math.max(1, Math.round(each)), cord: kind === 'mechanic' }),
        form: 'board',
        length: Math.hypot(over, lead) * 1.06,
        width: pitch === null ? step * 1.12 : width,
        turn: degrees(Math.atan2(over, lead)),
      },
    }
  })
}

/** A strand thinner than this lies end to end; a fuller one is drawn with its tips over the next length, mm. */
const THIN = 20
const OVER = 0.62

/** Lengths of a strand that is laid along the run, lap beside lap. */
export function laps(
  run: Run,
  { laps: wanted }: RuleOf<'laid'>,
  { length, width, form }: Pick<Material, 'length' | 'width' | 'form'>,
): MadePlace[] {
  const total = wanted * run.length
  const thin = width < THIN
  const section = Math.min(length, thin ? width * 2 : Math.max(width * 2.2, run.length / 40))
  const n = Math.max(1, Math.min(MOST_PLACES, Math.ceil(total / (section * (thin ? 1 : OVER)))))
  const rows = Math.ceil(wanted - 1e-9)
  return Array.from({ length: n }, (_, i) => {
    const on = ((i + 0.5) / n) * total
    const row = Math.min(rows - 1, Math.floor(on / run.length))
    return {
      id: String(i),
      s: onRun(run, on - row * run.length),
      across: rows === 1 ? 0 : (((row + 0.5) / rows) * 2 - 1) * 0.85,
      material: 0,
      made: { as: 'strand', form: form === 'leaf' ? 'leaf' : 'board', length: section, width, turn: thin ? 0 : (i % 2 ? -1 : 1) * 6 },
    }
  })
}

/** How large a gather of mesh lies, as shares of its cut and of the roll's width: rule of thumb. */
const GATHERED = { ruffle: [0.86, 0.62], petal: [0.62, 0.5] } as const
/** How far the petals of a cluster stand apart, degrees. */
const PETALS = 44

/**
 * Which tie each of so many gathers goes into, spread over all there are.
 * @example tieOf(2, 6, 18) // 6
 */
export const tieOf = (i: number, count: number, ties: number): number => Math.floor((i * ties) / count)

/** Gathers in the ties of a run. @param materials of the mix, each a colour of mesh */
export function gathersIn(
  run: Run,
  { ties, count, gathers, cut, start }: RuleOf<'mesh'>,
  materials: readonly Pick<Material, 'width'>[],
): MadePlace[] {
  const n = Math.min(count, ties)
  let dealt = 0
  return Array.from({ length: n }, (_, i) => {
    const s = start * run.length + ((tieOf(i, n, ties) + (run.closed ? 0 : 0.5)) / ties) * run.length
    const how: Gather = gathers[i % gathers.length]!
    const one = (id: string, kind: 'ruffle' | 'petal', material: number, turn: number, across: number): MadePlace => {
      const [long, wide] = GATHERED[kind]
      return {
        id,
        s: onRun(run, s),
        across,
        material,
        made: {
          as: 'gather',
          how: kind,
          form: kind === 'petal' ? 'disc' : 'board',
          length: cut * long,
          width: materials[material]!.width * wide,
          turn,
        },
      }
    }
    if (how === 'cluster')
      return materials.map((_m, k) => one(`${i}.${k}`, 'petal', k, 90 + PETALS * (k - (materials.length - 1) / 2), 0.3))
    const material = dealt++ % materials.length
    return [
      how === 'ruffle' ? one(`${i}.0`, 'ruffle', material, i % 2 ? 65 : 115, 0) : one(`${i}.0`, 'petal', material, i % 2 ? 70 : 110, 0.3),
    ]
  }).flat()
}

/**
 * How many poofs one pass makes: one between every two ties.
 * @example poofsInPass({ closed: false }, 12) // 11
 */
export const poofsInPass = (run: Pick<Run, 'closed'>, ties: number): number => Math.max(0, run.closed ? ties : ties - 1)

/** Poofs from tie to tie, pass beside pass. */
export function poofsOn(run: Run, { ties, passes, uses, start }: RuleOf<'poofs'>, kinds: number): MadePlace[] {
  const n = poofsInPass(run, ties)
  const step = run.length / Math.max(1, n)
  return Array.from({ length: passes }, (_, pass) =>
    Array.from({ length: Math.min(n, Math.floor(MOST_PLACES / passes)) }, (__, i): MadePlace => ({
      id: `${pass}.${i}`,
      s: onRun(run, start * run.length + (i + 0.5) * step),
      across: passes === 1 ? 0 : (((pass + 0.5) / passes) * 2 - 1) * 0.7,
      material: pass % kinds,
      made: { as: 'gather', how: 'poof', form: 'board', length: step * 1.25, width: Math.min(uses * 0.46, step * 1.4), turn: 0 },
    })),
  ).flat()
}

/**
 * How many beads go on a run: `⌊(length − allowance) ÷ bead⌋`.
 * @example beadsOn(1000, 25, 20) // 48
 */
export const beadsOn = (length: number, allowance: number, bead: number): number => wholesIn(length - allowance, bead)

/** Where the beads of a run lie, mm along: in a row from its middle, or evenly round a closed one. */
export function beadPlaces(run: Run, { allowance }: RuleOf<'beads'>, bead: number): number[] {
  const n = Math.min(MOST_PLACES, beadsOn(run.length, allowance, bead))
  const step = run.closed ? run.length / Math.max(1, n) : bead
  const from = run.closed ? 0 : (run.length - n * bead) / 2 + bead / 2
  return Array.from({ length: n }, (_, i) => from + i * step)
}

/** A bow where it is tied; none while its maker has not said what a loop's length means. */
export function bowAt(run: Run, rule: RuleOf<'bow'>, materials: readonly Pick<Material, 'id' | 'width'>[]): MadePlace[] {
  const { at, ribbons, ends } = rule
  const means = meaningOf(rule)
  if (means === null) return []
  const across = bowAcross(ribbons, means)
  return [
    {
      id: '0',
      s: onRun(run, at * run.length),
      across: 0,
      material: 0,
      made: {
        as: 'bow',
        form: 'disc',
        length: across,
        width: across,
        turn: null,
        moves: bowMoves(ribbons, means),
        ends,
        materials: ribbons.map((_, i) => (materials[i] ?? materials[0]!).id),
        widths: ribbons.map((_, i) => (materials[i] ?? materials[0]!).width),
      },
    },
  ]
}
