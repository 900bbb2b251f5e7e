import type { Point } from '../measure'
import type { Segment } from './segment'
import { bezier, line } from './segment'

export interface Stroke {
  readonly segments: readonly Segment[]
  readonly closed: boolean
}

/**
 * Letters as strokes in a box one high, y down, x from 0. A stroke is a start and then lines (`x,y`) or curves
 * (`x,y x,y x,y`, two handles and an end), separated by spaces and bars; a stroke that ends where it starts is closed.
 */
const STROKES: Record<string, readonly string[]> = {
  A: ['0,1 | .38,0 | .76,1', '.14,.64 | .62,.64'],
  B: ['0,0 | 0,1', '0,0 | .3,0 | .62,0 .62,.47 .3,.47 | 0,.47', '0,.47 | .34,.47 | .74,.47 .74,1 .34,1 | 0,1'],
  C: ['.72,.18 | .5,-.1 0,-.08 0,.5 | 0,1.08 .5,1.1 .72,.82'],
  D: ['0,0 | 0,1', '0,0 | .22,0 | .9,0 .9,1 .22,1 | 0,1'],
  E: ['.58,0 | 0,0 | 0,1 | .58,1', '0,.48 | .5,.48'],
  F: ['.58,0 | 0,0 | 0,1', '0,.48 | .5,.48'],
  G: ['.72,.18 | .5,-.1 0,-.08 0,.5 | 0,1.08 .52,1.1 .74,.84 | .74,.54 | .44,.54'],
  H: ['0,0 | 0,1', '.7,0 | .7,1', '0,.48 | .7,.48'],
  I: ['0,0 | 0,1'],
  J: ['.5,0 | .5,.68 | .5,1.1 .04,1.1 0,.76'],
  K: ['0,0 | 0,1', '.64,0 | 0,.6', '.22,.4 | .68,1'],
  L: ['0,0 | 0,1 | .56,1'],
  M: ['0,1 | .06,0 | .42,.72 | .78,0 | .84,1'],
  N: ['0,1 | 0,0 | .68,1 | .68,0'],
  O: ['.4,0 | .94,0 .94,1 .4,1 | -.14,1 -.14,0 .4,0'],
  P: ['0,1 | 0,0 | .3,0 | .74,0 .74,.54 .3,.54 | 0,.54'],
  Q: ['.4,0 | .94,0 .94,1 .4,1 | -.14,1 -.14,0 .4,0', '.46,.74 | .8,1.04'],
  R: ['0,1 | 0,0 | .3,0 | .72,0 .72,.5 .3,.5 | 0,.5', '.3,.5 | .66,1'],
  S: ['.58,.16 | .46,-.08 0,-.06 0,.24 | 0,.52 .62,.46 .62,.75 | .62,1.08 .06,1.08 0,.82'],
  T: ['0,0 | .7,0', '.35,0 | .35,1'],
  U: ['0,0 | 0,.62 | 0,1.13 .68,1.13 .68,.62 | .68,0'],
  V: ['0,0 | .37,1 | .74,0'],
  W: ['0,0 | .24,1 | .5,.3 | .76,1 | 1,0'],
  X: ['0,0 | .68,1', '.68,0 | 0,1'],
  Y: ['0,0 | .35,.48 | .7,0', '.35,.48 | .35,1'],
  Z: ['0,0 | .62,0 | 0,1 | .62,1'],
  '&': ['.76,1 | .2,.36 | .02,.1 .16,0 .32,0 | .52,0 .56,.26 .36,.4 | .12,.54 0,.62 0,.76 | 0,1.08 .56,1.1 .72,.6'],
}

/** The strokes of a letter, its box about the origin. @param size what its widths are shares of, mm @param height of its lines, mm */
export function strokesOf(letter: string, size: number, height: number): Stroke[] {
  const read = STROKES[letter]!.map((text) =>
    text.split('|').map((part) =>
      part
        .trim()
        .split(' ')
        .map((pair) => {
          const [x, y] = pair.split(',').map(Number)
          return { x: x! * size, y: y! * height }
        }),
    ),
  )
  const ends = read.flatMap((stroke) => stroke.map((part) => part.at(-1)!))
  const middle = (Math.min(...ends.map(({ x }) => x)) + Math.max(...ends.map(({ x }) => x))) / 2
  const place = ({ x, y }: Point): Point => ({ x: x - middle, y: y - height / 2 })
  return read.map((parts) => {
    const points = parts.map((part) => part.map(place))
    const segments = points.slice(1).map((part, i) => {
      const from = points[i]!.at(-1)!
      return part.length === 1 ? line(from, part[0]!) : bezier(from, part[0]!, part[1]!, part[2]!)
    })
    const [first, last] = [points[0]!.at(-1)!, points.at(-1)!.at(-1)!]
    return { segments, closed: Math.hypot(first.x - last.x, first.y - last.y) < 1e-6 }
  })
}
