import { css, lighter } from '../colour'
import { local, turnedPose } from '../pose'
import type { Stem } from '../pose'
import type { Words } from '../species-grammar'
import { setWords } from '../letters'
import type { XY } from '../vector-marks'
import type { Pen } from '../vector-pen'
import type { Inks } from './palette'

/** Painted letters: the maker's words, or those that the thing comes with. */
export function words(pen: Pen, stem: Stem, part: Words, inks: Inks, own: string | null): void {
  const text = part.fixed ? part.text : own?.trim() || part.text
  const [from, to, half] = part.box
  const room = [(to - from) * stem.length, half * stem.spread] as const
  const { outlines, size } = setWords(text, ...(part.turn ? ([room[1], room[0]] as const) : room), part.spacing)
  const middle = stem.at((from + to) / 2)
  const at = local(turnedPose(middle, part.turn ?? 0))
  const put = (by: number): XY[][] => outlines.map((outline) => outline.map(([x, y]) => pen.away(at(x, y), by)))
  const of = inks.flat(part.hue)
  pen.shapes(put(-size * 0.012), css(lighter(of, 0.22)), 0.35)
  pen.shapes(put(0), css(of))
}
