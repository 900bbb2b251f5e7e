import { css, jitter, lighter, tone } from '../colour'
import type { XY } from '../marks'
import type { Species } from '../stalk'
import { ahead, shoot, stalk } from '../stalk'

/** A bare twig that forks. */
export const twig: Species = (pen, { length, width, tint }, random) => {
  const bark = tint ?? tone('#5b4036')
  const stem = stalk(length, random.spread(0.08))
  for (const u of [0.25, 0.4, 0.54, 0.66, 0.78]) {
    const pose = shoot(stem.at(u), (random.next() < 0.5 ? -1 : 1) * random.between(18, 36))
    const tip = ahead(pose, length * random.between(0.18, 0.32))
    const bent = ahead(shoot(pose, random.spread(10)), length * 0.12)
    pen.twig([[pose.x, pose.y], [bent.x, bent.y], [tip.x, Math.max(-width / 2, Math.min(width / 2, tip.y))]], Math.max(0.9, length * 0.004), jitter(bark, random))
  }
  pen.twig(stem.points(0, 1), Math.max(1.6, length * 0.007), bark)
}

/** Flat papery moons along a stem, with the light through them. */
export const honesty: Species = (pen, { length, width }, random) => {
  const stem = stalk(length, random.spread(0.1))
  pen.twig(stem.points(0, 0.98), Math.max(0.9, length * 0.005), tone('#a08a62'))
  for (let i = 0; i < 9; i++) {
    const u = 0.22 + (0.74 * i) / 9
    const pose = shoot(stem.at(u), (i % 2 ? 1 : -1) * random.between(36, 66))
    const r = width * random.between(0.17, 0.22)
    const at = ahead(pose, r * 1.5)
    pen.line([[pose.x, pose.y], [at.x, at.y]], 0.7, '#a08a62')
    const disc: XY[] = Array.from({ length: 14 }, (_, k) => {
      const a = (k / 14) * 2 * Math.PI
      return [at.x + Math.cos(a) * r * 1.12, at.y + Math.sin(a) * r]
    })
    const of = jitter(tone('#e6dfcc'), random, 0.5)
    pen.shadow(disc, r * 0.14, 0.22)
    pen.blob(disc, { kind: 'radial', centre: [at.x, at.y], radius: r * 1.15, focus: [at.x + pen.light[0] * r * 0.4, at.y + pen.light[1] * r * 0.4], stops: [[0, css(lighter(of, 0.06))], [0.75, css(of)], [1, css(lighter(of, -0.16))]] }, 0.9)
    for (let k = 0; k < 3; k++) pen.circle(at.x + random.spread(r * 0.4), at.y + random.spread(r * 0.4), r * 0.09, '#b7a682', 0.7)
  }
}

/** Green cones of papery scales hanging along a bine. */
export const hops: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.12))
  const of = tint ?? tone('#a9a862')
  pen.twig(stem.points(0, 0.98), Math.max(0.9, length * 0.005), tone('#7d7446'))
  for (let i = 0; i < 11; i++) {
    const u = 0.12 + (0.82 * i) / 11
    const pose = shoot(stem.at(u), (i % 2 ? 1 : -1) * random.between(34, 62))
    const size = width * random.between(0.32, 0.4)
    if (i % 3 === 0) pen.leaf(shoot(pose, random.spread(20)), { length: size * 1.1, width: size * 0.7, belly: 0.4, tip: 0.2, veins: 4 }, jitter(tone('#71804a'), random))
    const cone = ahead(pose, size * 0.2)
    for (let row = 4; row >= 0; row--) {
      const at = ahead(cone, size * (0.16 + row * 0.13))
      const half = Math.sin(Math.PI * (0.25 + row * 0.13)) * size * 0.24
      for (const side of [-1, 0, 1]) pen.leaf({ ...ahead(shoot(at, 90), side * half * 0.8), angle: pose.angle + side * 26 }, { length: size * 0.3, width: size * 0.22, belly: 0.5, tip: 0.4 }, jitter(lighter(of, row * 0.012), random, 0.8), size * 0.02)
    }
  }
}
