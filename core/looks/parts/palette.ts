import type { Random } from '../../measure'
import { blend, jitter, lighter, tone } from '../colour'
import type { Tone } from '../colour'
import type { Hue, NumberOrRange, Species } from '../species-grammar'

/** The colours of a species as they are mixed for one drawing. */
export class Inks {
  private readonly tones: ReadonlyMap<string, Tone>

  /** @param tint replaces the first colour of the palette; colours that are told by it follow */
  constructor(
    palette: Species['palette'],
    tint: Tone | null,
    private readonly random: Random,
  ) {
    const tones = new Map<string, Tone>()
    Object.entries(palette).forEach(([name, dye], i) => {
      if (typeof dye === 'string') tones.set(name, i === 0 && tint ? tint : tone(dye))
      else {
        const of = tones.get(dye.of)
        if (!of) throw new RangeError(`the palette tells ${name} by ${dye.of}, which comes after it or not at all`)
        tones.set(name, { l: Math.min(0.985, of.l + (dye.l ?? 0)), c: of.c * (dye.c ?? 1), h: of.h + (dye.h ?? 0) })
      }
    })
    this.tones = tones
  }

  /** A colour as it stands, or half way between two. @throws RangeError when the palette has none of that name */
  flat(hue: Hue): Tone {
    if (typeof hue !== 'string') return blend(this.flat(hue[0]), this.flat(hue[1]), 0.5)
    const found = this.tones.get(hue)
    if (!found) throw new RangeError(`the palette has no colour ${hue}`)
    return found
  }

  /** A colour for one thing: no two are quite alike. */
  own(hue: Hue, lit = 0, vary = 1): Tone {
    const of = typeof hue === 'string' ? this.flat(hue) : blend(this.flat(hue[0]), this.flat(hue[1]), this.random.next())
    return lighter(jitter(of, this.random, vary), lit)
  }

  span(of: NumberOrRange): number {
    return typeof of === 'number' ? of : this.random.between(...of)
  }
}
