import { FACE } from './sign-font.generated'
import type { XY } from './vector-marks'

/**
 * The face that signs are lettered in, as outlines: Young Serif (SIL Open Font Licence), pathText into face.ts by
 * `scripts/sign-font.mjs`. Letters are paths like all else, so that screen, SVG and print show the same.
 */
const LETTERS = FACE.letters
/** What stands for a letter that the face has not. */
const MISSING = '?'

/** The letters of a text that the face does not have, each once. */
export const missingLetters = (text: string): string[] => [
  ...new Set([...text].filter((letter) => letter !== '\n' && !(letter in LETTERS))),
]

const advance = (letter: string): number => (LETTERS[letter] ?? LETTERS[MISSING]!)[0] / FACE.unit

/** How wide a line is, in ems. @param spacing between letters, ems */
export const lineWidth = (text: string, spacing = 0): number =>
  [...text].reduce((sum, letter) => sum + advance(letter) + spacing, 0) - (text ? spacing : 0)

/** Height of its capitals, in ems. */
export const CAPITALS = FACE.capital / FACE.unit

const QUADRATIC_STEPS = 4
const CUBIC_STEPS = 6

/** The outlines of a letter in ems: x from where it begins, y down from the line it stands on. Curves come as short straight pieces. */
function outlines(letter: string): XY[][] {
  const [, d] = LETTERS[letter] ?? LETTERS[MISSING]!
  const all: XY[][] = []
  let open: XY[] = []
  for (const [, command, rest] of d.matchAll(/([MLQCZ])([-\d ]*)/g)) {
    const n = rest!
      .trim()
      .split(' ')
      .map((text) => Number(text) / FACE.unit)
    const from = open.at(-1)
    if (command === 'M') {
      open = [[n[0]!, n[1]!]]
      all.push(open)
    } else if (command === 'L') open.push([n[0]!, n[1]!])
    else if (command === 'Q' && from) {
      for (let i = 1; i <= QUADRATIC_STEPS; i++) {
        const [u, v] = [i / QUADRATIC_STEPS, 1 - i / QUADRATIC_STEPS]
        open.push([v * v * from[0] + 2 * u * v * n[0]! + u * u * n[2]!, v * v * from[1] + 2 * u * v * n[1]! + u * u * n[3]!])
      }
    } else if (command === 'C' && from) {
      for (let i = 1; i <= CUBIC_STEPS; i++) {
        const [u, v] = [i / CUBIC_STEPS, 1 - i / CUBIC_STEPS]
        const at = (k: 0 | 1): number => v * v * v * from[k] + 3 * v * v * u * n[k]! + 3 * v * u * u * n[2 + k]! + u * u * u * n[4 + k]!
        open.push([at(0), at(1)])
      }
    }
  }
  return all
}

export interface Lettered {
  readonly outlines: readonly (readonly XY[])[]
  readonly size: number
}

/** Distance from line to line, ems. */
const LEADING = 1.12

/**
 * Words set in lines about the origin, as large as a box allows.
 * @param text lines are parted by line breaks @param width of the box @param height of the box @param spacing between letters, ems
 */
export function setWords(text: string, width: number, height: number, spacing = 0): Lettered {
  const lines = text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
  if (!lines.length) return { outlines: [], size: 0 }
  const widest = Math.max(...lines.map((line) => lineWidth(line, spacing)))
  const tall = CAPITALS + (lines.length - 1) * LEADING
  const size = Math.min(width / widest, height / tall)
  const top = -(tall * size) / 2
  const all = lines.flatMap((line, i) => {
    let x = -(lineWidth(line, spacing) * size) / 2
    const y = top + (CAPITALS + i * LEADING) * size
    return [...line].flatMap((letter) => {
      const own = outlines(letter).map((outline) => outline.map(([u, v]): XY => [x + u * size, y + v * size]))
      x += (advance(letter) + spacing) * size
      return own
    })
  })
  return { outlines: all, size }
}
