import { blend, css, jitter, lighter, tone } from '../colour'
import type { XY } from '../marks'
import type { Species } from '../stalk'
import { ahead, shoot, stalk } from '../stalk'
import { GOLDEN } from './heads'

export const crabApple: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.12))
  const bark = tone('#6a5240')
  const red = tint ?? tone('#b23a2c')
  pen.twig(stem.points(0, 0.97), Math.max(2, length * 0.011), bark)
  const spurs = [0.26, 0.4, 0.53, 0.66, 0.8]
  spurs.forEach((u, i) => {
    const pose = shoot(stem.at(u), (i % 2 ? 1 : -1) * random.between(40, 62))
    pen.leaf(ahead(shoot(pose, random.spread(14)), 2), { length: width * 0.42, width: width * 0.22, belly: 0.45, tip: 0.15, veins: 5, bend: random.spread(0.06) }, jitter(tone('#6f7d3c'), random))
  })
  spurs.forEach((u, i) => {
    for (let k = 0; k < (i % 2 ? 1 : 2); k++) {
      const pose = shoot(stem.at(u + 0.03), (i % 2 ? -1 : 1) * random.between(35, 80))
      const apple = ahead(pose, width * random.between(0.2, 0.34))
      pen.line([[pose.x, pose.y], [apple.x, apple.y]], 0.9, css(lighter(bark, -0.05)))
      const r = width * random.between(0.09, 0.115)
      pen.ball(apple.x, apple.y, r, jitter(blend(red, tone('#d49a3a'), random.next() * 0.45), random))
      const eye = ahead(pose, 0)
      const far = ahead({ x: apple.x, y: apple.y, angle: eye.angle }, r * 0.82)
      pen.circle(far.x, far.y, r * 0.16, '#3c2618')
    }
  })
}

export const berrySpray: Species = (pen, { length, width, tint }, random) => {
  const stem = stalk(length, random.spread(0.1))
  const red = tint ?? tone('#b01f2e')
  const bark = tone('#4f3b2b')
  pen.twig(stem.points(0, 0.85), 1.7, bark)
  const ends: XY[] = []
  for (let i = 0; i < 9; i++) {
    const u = 0.28 + (0.6 * i) / 9
    const pose = shoot(stem.at(u), (i % 2 ? 1 : -1) * random.between(24, 50))
    const tip = ahead(pose, width * random.between(0.26, 0.42))
    pen.twig([[pose.x, pose.y], [tip.x, tip.y]], 0.9, bark)
    ends.push([tip.x, tip.y])
    const second = ahead(shoot(pose, random.spread(26)), width * random.between(0.14, 0.24))
    ends.push([second.x, second.y])
  }
  const last = stem.at(0.92)
  ends.push([last.x, last.y])
  for (const [x, y] of ends) pen.ball(x, y, width * random.between(0.062, 0.08), jitter(red, random, 0.8))
}

/** Seen from the end: scales in golden-angle spirals, small at the heart. */
export const pineCone: Species = (pen, { length, tint }, random) => {
  const r = length / 2
  const brown = tint ?? tone('#76543a')
  pen.circle(0, 0, r * 0.8, css(lighter(brown, -0.2)))
  const scales = 46
  for (let i = scales - 1; i >= 0; i--) {
    const share = Math.sqrt((i + 0.5) / scales)
    const angle = i * GOLDEN
    const at = ahead({ x: 0, y: 0, angle }, r * share * 0.7)
    const size = r * (0.2 + 0.2 * share)
    const of = jitter(lighter(brown, 0.05 - 0.1 * (1 - share)), random)
    pen.leaf({ ...at, angle }, { length: size, width: size * 1.05, belly: 0.62, tip: 0.92 }, of, size * 0.12)
    const lip = ahead(at, size * 0.88)
    pen.leaf({ ...lip, angle: angle + 90 }, { length: size * 0.1, width: size * 0.1, belly: 0.5, tip: 1 }, lighter(of, 0.2), 0)
  }
}

export const moss: Species = (pen, { length, width, tint }, random) => {
  const green = tint ?? tone('#74843f')
  const edge: XY[] = Array.from({ length: 16 }, (_, i) => {
    const angle = (i / 16) * 2 * Math.PI
    const r = random.between(0.86, 1.02) / 2
    return [Math.cos(angle) * length * r, Math.sin(angle) * width * r]
  })
  pen.shadow(edge, length * 0.03, 0.3)
  pen.blob(edge, css(lighter(green, -0.09)))
  for (let i = 0; i < 260; i++) {
    const angle = i * GOLDEN
    const reach = Math.sqrt((i + 0.5) / 260) * 0.47
    const at = ahead({ x: 0, y: 0, angle }, reach * length * random.between(0.9, 1.04))
    const lit = (at.x * pen.light[0] + at.y * pen.light[1]) / length
    for (let k = 0; k < 3; k++) {
      const tip = ahead({ ...at, angle: random.between(0, 360) }, random.between(1.2, 2.6))
      pen.strokes([[[at.x, at.y], [tip.x, tip.y]]], 0.8, css(jitter(lighter(green, 0.02 + lit * 0.2 + random.spread(0.05)), random)))
    }
  }
}
