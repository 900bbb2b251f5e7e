import type { Tone } from './colour'
import { ahead, stemFrom, turnedPose } from './pose'
import type { Pose, Stem } from './pose'
import type { Along, Growth, Put, Rings, Species, Spiral } from './species-grammar'
import { leaf, petal } from './parts/leaf'
import { Inks } from './parts/palette'
import { ball, blob, disc, dots, glow, grain, lines } from './parts/spheres'
import { bow, gather, ribbon, roll } from './parts/ribbons'
import { hairs, needles, spray, stalk } from './parts/shoots'
import { words } from './parts/words'
import { HELD } from '../placement'
import type { Bounds } from '../measure'
import { clamp, onArc } from '../measure'
import type { Pen } from './vector-pen'

/** What one drawing of a species is asked for: its size in mm, a colour when it is tinted, and words when it bears any. */
export interface Order {
  readonly length: number
  readonly width: number
  readonly tint: Tone | null
  readonly words: string | null
  /** How far it is bent from foot to tip, degrees clockwise: only what grows from its foot is. */
  readonly bend: number
}

interface Hand {
  readonly pen: Pen
  readonly inks: Inks
  readonly words: string | null
}

/** Grows a species where its anchor is the origin and it points to the right. */
export function grow(pen: Pen, species: Species, { length, width, tint, words: own, bend }: Order): void {
  const inks = new Inks(species.palette, tint, pen.random)
  const stemmed = species.stance === 'stem'
  const turn = stemmed ? bend : 0
  // Where it is held it points to the right, whatever it does before and after.
  const foot: Pose = stemmed ? onArc(-HELD * length, turn / length) : { x: -length / 2, y: 0, angle: 0 }
  const stem = stemFrom(foot, length, width, { bend: species.bend ? pen.random.spread(species.bend) : 0, turn })
  all({ pen, inks, words: own }, stem, species.grow)
}

/** The room that a species is drawn into, mm. */
export function footprintOf({ stance }: Pick<Species, 'stance'>, { length, width }: Pick<Order, 'length' | 'width'>): Bounds {
  const left = stance === 'stem' ? -HELD * length : -length / 2
  return { left, right: left + length, top: -width / 2, bottom: width / 2 }
}

function all(hand: Hand, stem: Stem, growth: readonly Growth[]): void {
  for (const each of growth) one(hand, stem, each)
}

function one(hand: Hand, stem: Stem, growth: Growth): void {
  const { pen, inks } = hand
  if ('grow' in growth) {
    switch (growth.grow) {
      case 'along':
        return along(hand, stem, growth)
      case 'rings':
        return rings(hand, stem, growth)
      case 'spiral':
        return spiral(hand, stem, growth)
      case 'put':
        return put(hand, stem, growth)
    }
  }
  switch (growth.part) {
    case 'stalk':
      return stalk(pen, stem, growth, inks)
    case 'leaf':
      return leaf(pen, stem, growth, inks)
    case 'petal':
      return petal(pen, stem, growth, inks)
    case 'needles':
      return needles(pen, stem, growth, inks)
    case 'spray':
      return spray(pen, stem, growth, inks)
    case 'ball':
      return ball(pen, stem, growth, inks)
    case 'disc':
      return disc(pen, stem, growth, inks)
    case 'hairs':
      return hairs(pen, stem, growth, inks)
    case 'blob':
      return blob(pen, stem, growth, inks)
    case 'lines':
      return lines(pen, stem, growth, inks)
    case 'dots':
      return dots(pen, stem, growth, inks)
    case 'glow':
      return glow(pen, stem, growth, inks)
    case 'bow':
      return bow(pen, stem, growth, inks)
    case 'ribbon':
      return ribbon(pen, stem, growth, inks)
    case 'roll':
      return roll(pen, stem, growth, inks)
    case 'gather':
      return gather(pen, stem, growth, inks)
    case 'words':
      return words(pen, stem, growth, inks, hand.words)
    case 'grain':
      return grain(pen, stem, growth, inks)
  }
}

const between = ([a, b]: readonly [number, number], u: number): number => a + (b - a) * u

/** The shape of a row: the first, the middle and the last value, bent evenly. */
function shaped([first, middle, last]: readonly [number, number, number], u: number): number {
  const [a, b] = [2 * first + 2 * last - 4 * middle, 4 * middle - 3 * first - last]
  return first + b * u + a * u * u
}

function along(hand: Hand, stem: Stem, growth: Along): void {
  const {
    pen: { random },
    inks,
  } = hand
  const { habit, from = 0.1, to = 0.92, room = 0.5, shape = [1, 1, 1], light = [-0.035, 0.025], off = 0, ring = 5, put: inner } = growth
  const places =
    typeof growth.count === 'number'
      ? growth.count
      : Math.min(120, Math.max(2, Math.round((stem.length * (to - from)) / (growth.count.every * stem.spread))))
  const shoot = (pose: Pose, u: number, share: number): void => {
    const reach = stem.spread * inks.span(growth.reach) * shaped(shape, u) * share
    if (reach <= 0) return
    const bend = growth.bend === undefined ? 0 : inks.span(growth.bend) * (random.next() < 0.5 ? 1 : -1)
    all(hand, stemFrom(ahead(pose, reach * inks.span(off)), reach, reach * room, { bend, lit: stem.lit + between(light, u) }), inner)
  }
  if (habit === 'fan') {
    const spread = typeof growth.angle === 'number' ? growth.angle : growth.angle[1]
    const order = Array.from({ length: places }, (_, i) => (places === 1 ? 0.5 : i / (places - 1))).sort(
      (a, b) => Math.abs(b - 0.5) - Math.abs(a - 0.5),
    )
    order.forEach((v, i) =>
      shoot(
        turnedPose(stem.at(from), (v * 2 - 1) * spread + random.spread(spread / (places + 1))),
        places === 1 ? 0.5 : 1 - Math.abs(v * 2 - 1),
        1 + 0 * i,
      ),
    )
  } else
    for (let i = 0; i < places; i++) {
      const u = places === 1 ? 0.5 : i / (places - 1)
      const jittered = between([from, to], habit === 'crowded' ? (i + random.next()) / places : u + random.spread(0.25 / places))
      const foot = stem.at(clamp(jittered, 0, 1))
      switch (habit) {
        case 'alternate':
          shoot(turnedPose(foot, (i % 2 ? 1 : -1) * inks.span(growth.angle)), u, 1)
          break
        case 'opposite':
          for (const side of [-1, 1]) shoot(turnedPose(foot, side * inks.span(growth.angle)), u, 1)
          break
        case 'crowded':
          shoot(turnedPose(foot, (random.next() < 0.5 ? 1 : -1) * inks.span(growth.angle)), u, 1)
          break
        case 'whorl': {
          const widest = inks.span(growth.angle)
          const order = Array.from({ length: ring }, (_, k) => (ring === 1 ? 0 : (k / (ring - 1)) * 2 - 1)).sort(
            (a, b) => Math.abs(b) - Math.abs(a),
          )
          for (const v of order) shoot(turnedPose(foot, v * widest + random.spread(5)), u, 1 - 0.3 * (1 - Math.abs(v)))
        }
      }
    }
  if (growth.tipped) shoot(turnedPose(stem.at(to), random.spread(6)), 1, 1)
}

function rings(hand: Hand, stem: Stem, growth: Rings): void {
  const {
    pen: { random },
  } = hand
  const { off = 0, stray = 3, ragged = 0.05, turn = 0.5 } = growth
  const heart = stem.at(0.5)
  const r = stem.length / 2
  growth.rings.forEach(([count, reach, width, light], k) => {
    for (let i = 0; i < count; i++) {
      const pose = turnedPose(heart, (360 * (i + k * turn)) / count + random.spread(stray))
      const length = r * (reach - off * reach) * (1 - random.next() * ragged)
      all(hand, stemFrom(ahead(pose, r * off * reach), length, r * width, { lit: stem.lit + (light ?? 0) }), growth.put)
    }
  })
}

/** Golden angle in degrees: seeds and inner petals (H. Vogel 1979). */
const GOLDEN = 137.50776405003785

function spiral(hand: Hand, stem: Stem, growth: Spiral): void {
  const {
    pen,
    pen: { random },
  } = hand
  const { count, radius, reach, room = 0.6, dome = 0.1, from = 0, any = false } = growth
  const heart = stem.at(0.5)
  const r = stem.length / 2
  for (let i = count - 1; i >= 0; i--) {
    const share = Math.sqrt((i + 0.5) / count)
    const out = turnedPose(heart, i * GOLDEN)
    const place = ahead(out, r * radius * (from + (1 - from) * share))
    const size = r * between(reach, share)
    const lit = ((place.x - heart.x) * pen.light[0] + (place.y - heart.y) * pen.light[1]) / r
    all(
      hand,
      stemFrom(any ? turnedPose(place, random.between(0, 360)) : place, size, size * room, { lit: stem.lit + lit * dome }),
      growth.put,
    )
  }
}

function put(hand: Hand, stem: Stem, growth: Put): void {
  const {
    pen: { random },
    inks,
  } = hand
  if (growth.chance !== undefined && random.next() > growth.chance) return
  const pose = turnedPose(stem.at(growth.at), growth.turn === undefined ? 0 : inks.span(growth.turn))
  const length = growth.length === undefined ? stem.spread * (growth.reach ?? 1) : stem.length * growth.length
  all(hand, stemFrom(pose, length, length * (growth.room ?? 1), { lit: stem.lit }), growth.put)
}
