import { radians } from '../../measure'
import type { Move } from '../../placement'
import type { Ends } from '../../piece'
import { css, lighter, tone } from '../colour'
import type { Finish } from '../species-grammar'
import type { XY } from '../vector-marks'
import type { Pen } from '../vector-pen'
import type { Fabric, Rib, Strip } from './cloth'
import { loopRibs, paintStrips, tailRibs } from './cloth'
import { castStrips, down, gathers, knot } from './ribbons'

/** What a length is woven as, and its two colours, #rrggbb. */
export interface FabricLooks {
  readonly finish: Finish
  readonly first: string
  readonly second: string
}

/** How a thing made of lengths looks. */
export type MadeLooks =
  | { readonly as: 'turns'; readonly turns: number; readonly cord: boolean; readonly fabric: FabricLooks }
  | {
      readonly as: 'bow'
      readonly moves: readonly Move[]
      /** For each ribbon, as its width, mm. */
      readonly fabrics: readonly FabricLooks[]
      readonly widths: readonly number[]
      readonly ends: Ends
      /** How far it is turned round its upright axis, degrees. */
      readonly turned: number
      /** How many of its moves are done; null is all, tied. */
      readonly upTo: number | null
    }

/** Two made things with the same key look the same. */
export const madeKey = (made: MadeLooks): string => JSON.stringify(made)

export function drawMade(pen: Pen, made: MadeLooks, size: { readonly length: number; readonly width: number }): void {
  if (made.as === 'bow') bowMade(pen, made)
  else if (made.cord) cords(pen, made, size)
  else turn(pen, made.fabric, size)
}

const fabricOf = ({ finish, first, second }: FabricLooks): Fabric => ({
  finish,
  tone: tone(first),
  second: tone(second),
  ...(finish === 'mesh' ? { opacity: 0.55 } : {}),
})

/** One turn of ribbon as it comes over the front of what it is wound round. */
function turn(pen: Pen, looks: FabricLooks, { length, width }: { readonly length: number; readonly width: number }): void {
  const steps = 10
  const ribs = Array.from({ length: steps + 1 }, (_, i): Rib => {
    const v = (2 * i) / steps - 1
    return { at: [(v * length) / 2, 0, (length / 2) * Math.sqrt(Math.max(0, 1.02 - v * v)) * 0.8], half: [0, width / 2, 0] }
  })
  const strip: Strip = { ribs, fabric: fabricOf(looks) }
  castStrips(pen, [strip], width * 0.04)
  paintStrips(pen, [strip])
}

/** Turns of twine side by side: each a round cord, lit from above. */
function cords(
  pen: Pen,
  { turns, fabric }: Extract<MadeLooks, { as: 'turns' }>,
  { length, width }: { readonly length: number; readonly width: number },
): void {
  const base = tone(fabric.first)
  const each = width / turns
  const rows = (off: number, short: number): (readonly [XY, XY])[] =>
    Array.from({ length: turns }, (_, k) => {
      const y = -width / 2 + (k + 0.5 + off) * each
      return [
        [(-length / 2) * short, y],
        [(length / 2) * short, y],
      ] as const
    })
  pen.strokes(rows(0, 1), each * 1.05, css(lighter(base, -0.13)))
  pen.strokes(rows(-0.08, 0.98), each * 0.78, css(base))
  pen.strokes(rows(-0.2, 0.62), each * 0.26, css(lighter(base, 0.1)), 0.8)
  // What goes round bends away from the light at both edges.
  for (const side of [-1, 1])
    pen.shape(
      [
        [side * length * 0.5, -width / 2],
        [side * length * 0.5, width / 2],
        [side * length * 0.34, width / 2],
        [side * length * 0.34, -width / 2],
      ],
      css(lighter(base, -0.3)),
      0.26,
    )
}

const aside = ([x, y, z]: readonly [number, number, number], turned: number): [number, number, number] => {
  const [c, s] = [Math.cos(radians(turned)), Math.sin(radians(turned))]
  return [x * c + z * s, y, z * c - x * s]
}

/** How far each loop stands before the last, and each ribbon before the one behind it, in widths. */
const BEFORE = { loop: 0.015, ribbon: 0.22 }

/** A bow by the moves that make it, turned and as far as it is made. */
function bowMade(pen: Pen, { moves, fabrics, widths, ends, turned, upTo }: Extract<MadeLooks, { as: 'bow' }>): void {
  const done = moves.slice(0, upTo ?? moves.length)
  const parts = done.map((move, i): { readonly move: Move; readonly strip: Strip; readonly width: number } => {
    const width = widths[move.ribbon]!
    const out = BEFORE.ribbon * width * move.ribbon + BEFORE.loop * width * i
    const ribs = ribsOf(pen, move, width, i).map(({ at, half }): Rib => ({
      at: aside([at[0], at[1], at[2] + out], turned),
      half: aside([half[0], half[1], half[2]], turned),
    }))
    const cut = ends === 'hem' ? 'straight' : ends
    return { move, width, strip: { ribs, fabric: fabricOf(fabrics[move.ribbon]!), ...(move.what === 'tail' ? { cut } : {}) } }
  })
  const tails = parts.filter(({ move }) => move.what === 'tail')
  const rest = parts.filter(({ move }) => move.what === 'loop' || move.what === 'centre')
  if (tails.length)
    castStrips(
      pen,
      tails.map(({ strip }) => strip),
      tails[0]!.width * 0.16,
    )
  if (turned)
    paintStrips(
      pen,
      parts.filter(({ move }) => move.what !== 'strip').map(({ strip }) => strip),
    )
  else {
    paintStrips(
      pen,
      tails.map(({ strip }) => strip),
    )
    for (const { strip, move, width } of rest) {
      castStrips(pen, [strip], width * 0.12)
      paintStrips(pen, [strip])
      if (move.what === 'loop') gathers(pen, move.angle, move.length, width, strip.fabric)
    }
  }
  const front = parts.at(-1)
  if (!front) return
  const tied = upTo === null || done.length === moves.length
  if (tied && !done.some(({ what }) => what === 'centre')) knot(pen, Math.min(front.width, moves[0]!.length * 0.7), front.strip.fabric)
  else
    pen.strokes(
      [
        [
          [0, -front.width * 0.2],
          [0, front.width * 0.2],
        ],
      ],
      Math.max(1, front.width * 0.06),
      css(lighter(front.strip.fabric.tone, -0.3)),
    )
}

function ribsOf(pen: Pen, { what, angle, length, open }: Move, width: number, i: number): Rib[] {
  if (what === 'tail')
    return tailRibs({
      angle: angle + down(pen) - 90,
      length,
      width,
      waves: 0.8 + (i % 3) * 0.1,
      pinched: true,
      twist: i % 2 ? 34 : -34,
    }).map(({ at, half }): Rib => ({
      at: [at[0], at[1], at[2] - width * 0.6],
      half,
    }))
  if (what === 'centre')
    return loopRibs({ angle, length, width: width * 0.9, open, tilt: 58, steps: 16 }).map(({ at, half }): Rib => ({
      at: [at[0], at[1] + length * 0.5, at[2] + width * 0.4],
      half,
    }))
  // One looks into a loop from below on the left side and from above on the right, as a bow stands off its tie.
  const right = Math.cos(radians(angle)) > 0
  return loopRibs({ angle, length, width, open, tilt: right ? -34 : 34 })
}
