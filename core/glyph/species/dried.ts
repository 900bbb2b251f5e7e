import type { Random } from '../../measure'
import { blend, css, jitter, lighter, tone } from '../colour'
import type { XY } from '../marks'
import type { Pen } from '../pen'
import type { Species } from '../stalk'
import { ahead, shoot, stalk } from '../stalk'

export const wheat: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.07))
  const straw = jitter(tint ?? tone('#d0ad66'), random, 0.8)
  pen.twig(stem.points(0, 0.72), 1.5, lighter(straw, -0.02))
  const awns: (readonly [XY, XY])[] = []
  const grains = 9
  const grain = width * 0.42
  for (let i = 0; i < grains; i++) {
    const u = 0.62 + (0.24 * i) / grains
    for (const side of [-1, 1]) {
      const tip = ahead(shoot(stem.at(u), side * random.between(8, 18)), length * random.between(0.2, 0.26))
      awns.push([[stem.at(u).x, stem.at(u).y], [tip.x, tip.y]])
    }
  }
  pen.strokes(awns, 0.4, css(lighter(straw, 0.09)), 0.9)
  for (let i = 0; i < grains; i++) {
    const pose = stem.at(0.62 + (0.24 * i) / grains)
    for (const side of [-1, 1]) {
      pen.leaf(ahead(shoot(pose, side * 26), 0.4), { length: grain * 1.15, width: grain * 0.52, belly: 0.5, tip: 0.25 }, jitter(straw, random, 0.8))
    }
  }
  pen.leaf(stem.at(0.85), { length: grain, width: grain * 0.45, belly: 0.5, tip: 0.2 }, lighter(straw, 0.04))
}

export const lavender: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.06))
  const violet = tint ?? tone('#6c6a94')
  pen.twig(stem.points(0, 0.8), 1.1, tone('#8c946f'))
  for (const side of [-1, 1]) {
    pen.leaf(shoot(stem.at(0.3), side * 18), { length: length * 0.16, width: 2, belly: 0.4, tip: 0.1 }, tone('#97a081'))
  }
  const whorls = 9
  for (let i = 0; i < whorls; i++) {
    const u = (i === 0 ? 0.56 : 0.62) + (0.36 * i) / whorls
    const size = width * 0.5 * (1.08 - 0.6 * (i / whorls))
    for (const turn of [-62, 62, -34, 34, 0]) {
      pen.leaf(shoot(stem.at(u), turn + random.spread(8)), { length: size, width: size * 0.5, belly: 0.6, tip: 0.6 },
        jitter(blend(violet, tone('#8f8ca6'), random.next() * 0.7), random, 0.7))
    }
  }
}

export const heather: Species = (pen, { length, width, tint }, random) => {
  const pink = tint ?? tone('#a5557f')
  const branches = [{ u: 0, turn: 0, reach: 1 }, { u: 0.2, turn: -15, reach: 0.6 }, { u: 0.28, turn: 16, reach: 0.56 }, { u: 0.42, turn: -18, reach: 0.42 }, { u: 0.5, turn: 18, reach: 0.38 }]
  const main = stalk(length, random.spread(0.07))
  for (const { u, turn, reach } of branches) {
    const pose = shoot(main.at(u), turn)
    const at = (v: number) => (u === 0 ? main.at(v) : ahead(pose, v * length * reach))
    pen.twig([at(0), at(0.5), at(0.97)].map(({ x, y }): XY => [x, y]), 0.9, tone('#6f5a41'))
    const bells = Math.round((length * reach) / 3.4)
    const leaves: (readonly [XY, XY])[] = []
    for (let i = 0; i < bells; i++) {
      const v = 0.12 + (0.86 * i) / bells
      for (const side of [-1, 1]) {
        const foot = at(v)
        if (v < 0.35) {
          const tip = ahead(shoot(foot, side * 48), 3)
          leaves.push([[foot.x, foot.y], [tip.x, tip.y]])
        }
        else {
          pen.leaf(shoot(foot, side * random.between(35, 75)), { length: width * 0.075 + 1.2, width: width * 0.05 + 0.9, belly: 0.65, tip: 0.9 },
            jitter(blend(pink, tone('#c99ab3'), random.next() * 0.7), random, 1.2), 0.25)
        }
      }
    }
    pen.strokes(leaves, 0.8, '#66774d')
  }
}

/** Papery florets in flat clusters at the ends of winged, forking stems. */
export const statice: Species = (pen, { length, width, tint }, random) => {
  const purple = tint ?? tone('#7f6f9a')
  const main = stalk(length, random.spread(0.06))
  pen.twig(main.points(0, 0.8), 1.4, tone('#7f8a5c'))
  const forks = [{ u: 0.32, turn: -34, reach: 0.42 }, { u: 0.4, turn: 33, reach: 0.42 }, { u: 0.55, turn: -24, reach: 0.36 }, { u: 0.6, turn: 26, reach: 0.34 }, { u: 0.7, turn: 0, reach: 0.26 }]
  for (const { u, turn, reach } of forks) {
    const pose = shoot(main.at(u), turn + random.spread(5))
    const tip = ahead(pose, length * reach)
    pen.twig([[pose.x, pose.y], [tip.x, tip.y]], 1, tone('#7f8a5c'))
    for (let i = 0; i < 22; i++) {
      const spot = ahead(shoot(ahead(pose, length * reach * random.between(0.45, 1.05)), 90), random.spread(width * 0.17))
      floret(pen, spot.x, spot.y, random.between(3.6, 5), jitter(random.next() < 0.3 ? tone('#d8cdb4') : purple, random, 0.8), random)
    }
  }
}

function floret(pen: Pen, x: number, y: number, size: number, of: ReturnType<typeof tone>, random: Random): void {
  const turn = random.between(0, 360)
  for (let i = 0; i < 5; i++) {
    pen.leaf({ x, y, angle: turn + i * 72 }, { length: size, width: size * 0.8, belly: 0.7, tip: 0.9 }, lighter(of, random.spread(0.04)), 0.25)
  }
  pen.circle(x, y, size * 0.28, '#efe9d8')
}

/** Silky plumes: each seed head a whorl of fine curved hairs. */
export const oldMansBeard: Species = (pen, { length, width, tint }, random) => {
  const silk = tint ?? tone('#e0dccf')
  const stem = stalk(length, random.spread(0.14))
  pen.twig(stem.points(0, 0.96), 1.2, tone('#84725a'))
  const heads = Math.max(6, Math.round(length / (width * 0.23)))
  for (let i = 0; i < heads; i++) {
    const pose = shoot(stem.at(0.14 + (0.84 * i) / heads), (i % 2 ? 1 : -1) * random.between(50, 85))
    const centre = ahead(pose, width * random.between(0.12, 0.24))
    pen.line([[pose.x, pose.y], [centre.x, centre.y]], 0.7, '#84725a')
    const reach = width * random.between(0.2, 0.27)
    pen.circle(centre.x, centre.y, reach * 0.85, { kind: 'radial', centre: [centre.x, centre.y], radius: reach * 0.85, focus: [centre.x, centre.y], stops: [[0, '#fbf8f0d0'], [0.55, '#f3eee280'], [1, '#efe9dc00']] })
    for (let k = 0; k < 34; k++) {
      const angle = k * 137.508 + random.spread(14)
      const bend = random.between(14, 44)
      const size = reach * random.between(0.7, 1.12)
      const mid = ahead({ ...centre, angle }, size * 0.55)
      const tip = ahead({ ...mid, angle: angle + bend }, size * 0.5)
      pen.line([[centre.x, centre.y], [mid.x, mid.y], [tip.x, tip.y]], 0.9, css(lighter(silk, random.between(-0.06, 0.18))))
    }
    for (let k = 0; k < 5; k++) pen.circle(centre.x + random.spread(1.6), centre.y + random.spread(1.6), 0.8, '#7c6547')
  }
}
