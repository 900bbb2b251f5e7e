import { radians } from '../../measure'
import { css, lighter } from '../colour'
import { local } from '../pose'
import type { Stem } from '../pose'
import type { Bow, Cloth, GatheredCloth, RibbonCloth, Roll } from '../species-grammar'
import type { XY } from '../vector-marks'
import type { Pen } from '../vector-pen'
import type { Fabric, Rib, Strip } from './cloth'
import { loopRibs, paintStrips, tailRibs } from './cloth'
import type { Inks } from './palette'

const fabricOf = ({ finish, hue, second }: Cloth, inks: Inks, opacity?: number): Fabric => ({
  finish,
  tone: inks.flat(hue),
  second: inks.flat(second),
  ...(opacity === undefined ? {} : { opacity }),
})

/** Down on the drawing, in the glyph's own frame, degrees. */
export const down = (pen: Pen): number => 90 - pen.turned

/** A tied bow: tails that fall, loops in the order they are made, and the knot over them. */
export function bow(pen: Pen, stem: Stem, part: Bow, inks: Inks): void {
  const { random } = pen
  const span = stem.length / 2
  const width = span * part.ribbon
  const fabric = fabricOf(part, inks)
  const tails = part.tails.map(([off, length], i): Strip => ({
    ribs: tailRibs({
      angle: down(pen) + off + random.spread(3),
      length: span * length,
      width,
      waves: random.between(0.7, 1.1),
      pinched: true,
      twist: i % 2 ? 34 : -34,
    }),
    fabric,
    cut: part.cut,
    nearer: -width,
  }))
  castStrips(pen, tails, width * 0.16)
  paintStrips(pen, tails)
  part.loops.forEach(([angle, length, open = 0.5], i) => {
    // One looks into a loop from below on the left side and from above on the right, as a bow stands off its tie.
    const tilt = (Math.cos(radians(angle)) > 0 ? -1 : 1) * (34 + random.spread(5))
    const strip: Strip = {
      ribs: loopRibs({ angle: angle + random.spread(3), length: span * length * random.between(0.97, 1), width, open, tilt }),
      fabric,
      nearer: i * 0.01,
    }
    castStrips(pen, [strip], width * 0.12)
    paintStrips(pen, [strip])
    gathers(pen, angle, span * length, width, fabric)
  })
  knot(pen, width, fabric)
}

/** A soft shadow under strips: the hull of their edges, moved down the light. */
export function castStrips(pen: Pen, strips: readonly Strip[], lift: number): void {
  for (const { ribs } of strips) {
    const side = (sign: number): XY[] => ribs.map(({ at, half }): XY => [at[0] + sign * half[0], at[1] + sign * half[1]])
    pen.shadow([...side(1), ...side(-1).reverse()], lift, 0.24)
  }
}

/** The folds that run out of a tie. */
export function gathers(pen: Pen, angle: number, length: number, width: number, { tone }: Fabric): void {
  const at = local({ x: 0, y: 0, angle })
  const lines = [-0.34, -0.12, 0.1, 0.32].map((v, i): XY[] => [
    at(length * 0.06, v * width * 0.35),
    at(length * 0.2, v * width * 0.6),
    at(length * (i % 2 ? 0.36 : 0.44), v * width * 0.95),
  ])
  pen.polylines(lines, width * 0.02, css(lighter(tone, -0.15)), 0.5)
}

/** The wrap round the middle of a bow: a short strip that comes over towards the eye. */
export function knot(pen: Pen, width: number, fabric: Fabric): void {
  const r = width * 0.34
  const ribs: Rib[] = Array.from({ length: 11 }, (_, i): Rib => {
    const a = -Math.PI / 2 + (Math.PI * i) / 10
    const half = r * (0.72 + 0.22 * Math.abs(Math.sin(a)))
    return { at: [0, Math.sin(a) * r * 1.25, Math.cos(a) * r], half: [-half, 0, 0] }
  })
  pen.roundShadow(0, 0, r * 1.1, r * 0.3, 0.34)
  paintStrips(pen, [{ ribs, fabric }])
  pen.polylines(
    [-0.4, 0.05, 0.42].map((x): XY[] => [
      [x * r * 1.5, -r * 1.1],
      [x * r * 0.9, 0],
      [x * r * 1.5, r * 1.1],
    ]),
    width * 0.02,
    css(lighter(fabric.tone, -0.13)),
    0.55,
  )
}

/** A length of ribbon that lies or hangs along its frame. */
export function ribbon(pen: Pen, stem: Stem, part: RibbonCloth, inks: Inks): void {
  const fabric = fabricOf(part, inks)
  const foot = stem.at(0)
  const { random } = pen
  const ribs = tailRibs({
    angle: foot.angle,
    length: stem.length,
    width: stem.spread * 0.8,
    waves: part.waves * random.between(0.85, 1.2),
    pinched: false,
    twist: random.between(30, 50),
    steps: 26,
  }).map(({ at, half }): Rib => ({ at: [at[0] + foot.x, at[1] + foot.y, at[2]], half }))
  const strip: Strip = { ribs, fabric, cut: part.cut }
  castStrips(pen, [strip], stem.spread * 0.1)
  paintStrips(pen, [strip])
}

/** A roll of ribbon seen from its end, with its own end let down. */
export function roll(pen: Pen, stem: Stem, part: Roll, inks: Inks): void {
  const { random } = pen
  const r = stem.length / 2
  const { x, y } = stem.at(0.5)
  const fabric = fabricOf(part, inks)
  const width = r * 0.72
  const tail: Strip = {
    ribs: tailRibs({ angle: down(pen) - 24, length: r * 1.9, width, waves: 0.8, pinched: false, twist: 26 }).map(({ at, half }): Rib => ({
      at: [at[0] + x + r * 0.5, at[1] + y + r * 0.3, at[2]],
      half,
    })),
    fabric,
    cut: 'v',
  }
  castStrips(pen, [tail], r * 0.08)
  paintStrips(pen, [tail])
  // The side of the drum behind its face.
  pen.roundShadow(x + r * 0.2, y - r * 0.1, r, r * 0.12, 0.3)
  pen.circle(x + r * 0.2, y - r * 0.12, r * 0.96, css(lighter(fabric.tone, -0.13)))
  pen.circle(x, y, r * 0.96, css(lighter(fabric.tone, -0.02)))
  for (let i = 0; i < 9; i++)
    pen.circle(
      x,
      y,
      r * (0.93 - i * 0.065),
      css(lighter(i % 2 && part.finish !== 'plain' ? inks.flat(part.second) : fabric.tone, (i % 2 ? -0.05 : 0.04) + random.spread(0.015))),
    )
  pen.circle(x, y, r * 0.36, css(inks.flat(part.core)))
  pen.circle(x, y, r * 0.27, css(lighter(inks.flat(part.core), -0.45)))
}

/** Mesh that is drawn together: it can be seen through. */
export function gather(pen: Pen, stem: Stem, part: GatheredCloth, inks: Inks): void {
  const { random } = pen
  const fabric = fabricOf(part, inks, 0.5)
  const r = stem.length / 2
  const { x, y, angle } = stem.at(0.5)
  const place = (ribs: readonly Rib[]): Rib[] => ribs.map(({ at, half }): Rib => ({ at: [at[0] + x, at[1] + y, at[2]], half }))
  if (part.how === 'petal') {
    for (const off of [-10, 8])
      paintStrips(pen, [
        {
          ribs: place(
            loopRibs({ angle: angle + off + random.spread(4), length: r * 1.9, width: stem.spread * 0.85, open: 0.5, tilt: 26 }),
          ).map(({ at, half }): Rib => ({
            at: [at[0] - Math.cos(radians(angle)) * r, at[1] - Math.sin(radians(angle)) * r, at[2]],
            half,
          })),
          fabric,
        },
      ])
    return
  }
  if (part.how === 'poof') {
    poof(pen, stem, fabric)
    return
  }
  // A ruffle: a piece whose edges roll in, pinched in its middle, so that both ends fan out.
  for (const [turn, long] of [
    [0, 1],
    [180, 1],
    [38, 0.86],
    [218, 0.86],
    [-40, 0.84],
    [140, 0.84],
  ] as const) {
    const ribs = tailRibs({
      angle: angle + turn + random.spread(5),
      length: r * long,
      width: stem.spread * 0.62,
      waves: 0.35,
      pinched: true,
      twist: 24,
      steps: 12,
    })
    const roll = ribs.map(({ at, half }, i): Rib => ({
      at: [at[0], at[1], at[2] + i * 0.2],
      half: [half[0] * (1 + i * 0.02), half[1] * (1 + i * 0.02), half[2]],
    }))
    paintStrips(pen, [{ ribs: place(roll), fabric }])
  }
  pen.strokes(
    [-40, 0, 40].map((off): readonly [XY, XY] => {
      const put = local({ x, y, angle: angle + 90 + off * 0.3 })
      return [put(-stem.spread * 0.07, off * 0.03), put(stem.spread * 0.07, off * 0.03)]
    }),
    Math.max(0.8, stem.spread * 0.02),
    css(lighter(fabric.second, -0.25)),
  )
}

/** How many folds of a poof are seen, and how much of its length lies past each tie. */
const FOLDS = 7
const PAST_TIE = 0.13

/** Mesh tied at two places and pushed together between them: its folds swell up from tie to tie, and both ends fan out. */
function poof(pen: Pen, stem: Stem, fabric: Fabric): void {
  const { random } = pen
  const put = local(stem.at(0.5))
  const [half, between] = [stem.spread / 2, stem.length * (0.5 - PAST_TIE)]
  for (const end of [-1, 1]) {
    const tie = put(end * between, 0)
    const fan = tailRibs({
      angle: stem.at(0.5).angle + (end > 0 ? 0 : 180),
      length: stem.length * PAST_TIE,
      width: stem.spread * 0.5,
      waves: 0.3,
      pinched: true,
      twist: 50,
      steps: 8,
    })
    paintStrips(pen, [
      { ribs: fan.map(({ at, half: across }): Rib => ({ at: [at[0] + tie[0], at[1] + tie[1], at[2]], half: across })), fabric },
    ])
  }
  const swell = (u: number): number => Math.sin(Math.PI * u) ** 0.62
  const strips = Array.from({ length: FOLDS }, (_, i): Strip => {
    const v = ((i + 0.5) / FOLDS) * 2 - 1
    const across = v * 0.8 + random.spread(0.05)
    const [lean, high] = [random.spread(0.06), random.between(0.85, 1.1)]
    return {
      fabric: { ...fabric, opacity: 0.32 },
      ribs: Array.from({ length: 17 }, (__, k): Rib => {
        const u = k / 16
        const wide = half * (0.05 + 0.34 * swell(u))
        const turn = Math.asin(Math.max(-0.98, Math.min(0.98, v))) * 0.85
        const [x, y] = put((u * 2 - 1) * between, half * (across * swell(u) + lean * Math.sin(2 * Math.PI * u)))
        const [dx, dy] = put.vector(0, wide * Math.cos(turn))
        return { at: [x, y, half * swell(u) * Math.sqrt(1 - v * v) * high], half: [dx, dy, -wide * Math.sin(turn)] }
      }),
    }
  })
  castStrips(pen, strips, stem.spread * 0.05)
  paintStrips(pen, strips)
  for (const end of [-1, 1])
    pen.strokes(
      [[put(end * between, -half * 0.17), put(end * between, half * 0.17)]],
      Math.max(0.8, stem.spread * 0.025),
      css(lighter(fabric.second, -0.3)),
    )
}
