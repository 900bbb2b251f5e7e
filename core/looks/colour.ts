import { converter, formatHex } from 'culori'
import type { Random } from '../measure'
import { clamp } from '../measure'

/** A colour one can reason about: OKLCH, lightness 0 to 1, chroma from 0, hue in degrees. */
export interface Tone {
  readonly l: number
  readonly c: number
  readonly h: number
}

const toOklch = converter('oklch')

/** @param hex any CSS colour @throws RangeError when it is none */
export function tone(hex: string): Tone {
  const read = toOklch(hex)
  if (!read) throw new RangeError(`not a colour: ${hex}`)
  return { l: read.l, c: read.c, h: read.h ?? 0 }
}

/** Colours are pathText in steps too fine to see, so that each is worked out once. */
const STEPS = { l: 400, c: 500, h: 1 } as const
const pathText = new Map<number, string>()

/** As a CSS colour, within what a screen shows. */
export function css({ l, c, h }: Tone): string {
  const [light, chroma, hue] = [
    Math.round(clamp(l, 0, 1) * STEPS.l),
    Math.round(Math.max(0, c) * STEPS.c),
    Math.round((((h % 360) + 360) % 360) * STEPS.h),
  ]
  const key = (light * 1000 + chroma) * 1000 + hue
  const known = pathText.get(key)
  if (known !== undefined) return known
  const hex = formatHex({ mode: 'oklch', l: light / STEPS.l, c: chroma / STEPS.c, h: hue / STEPS.h })
  pathText.set(key, hex)
  return hex
}

export const lighter = (of: Tone, by: number): Tone => ({ ...of, l: of.l + by })

/** Towards another tone, the short way round the hues. */
export function blend(a: Tone, b: Tone, share: number): Tone {
  const turn = ((b.h - a.h + 540) % 360) - 180
  return { l: a.l + (b.l - a.l) * share, c: a.c + (b.c - a.c) * share, h: a.h + turn * share }
}

/** No two leaves alike: a few degrees of hue and a little light either way. */
export function jitter(of: Tone, random: Random, amount = 1): Tone {
  return { l: of.l + random.spread(0.035 * amount), c: of.c * (1 + random.spread(0.15 * amount)), h: of.h + random.spread(7 * amount) }
}
