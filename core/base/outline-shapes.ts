import type { Point } from '../measure'
import type { Knot, DrawnStroke } from './outline'
import { strokesBox, withRunIds } from './outline'
import type { ShapeOf } from './schema'

const corner = (x: number, y: number): Knot => ({ x, y, before: null, after: null })

/** Straight from point to point. */
const straight = (name: string, closed: boolean, points: readonly (readonly [x: number, y: number])[]): DrawnStroke => ({
  name,
  closed,
  points: points.map(([x, y]) => corner(x, y)),
})

/** A point that a curve passes smoothly, with its handles this way and the other. */
const smooth = (x: number, y: number, way: Point, before = 1): Knot => ({
  x,
  y,
  before: { x: 0 - way.x * before, y: 0 - way.y * before },
  after: way,
})

/** How long the handles of a quarter of a circle are, to its radius: nowhere farther off it than three in ten thousand. */
const QUARTER = 0.5522847498

const circle = (name: string, middle: number, r: number): DrawnStroke => {
  const k = r * QUARTER
  return {
    name,
    closed: true,
    points: [
      smooth(0, middle - r, { x: k, y: 0 }),
      smooth(r, middle, { x: 0, y: k }),
      smooth(0, middle + r, { x: -k, y: 0 }),
      smooth(-r, middle, { x: 0, y: -k }),
    ],
  }
}

/** Rings that touch, one under the other, the smallest at the top. */
const column = (names: readonly string[], radii: readonly number[]): DrawnStroke[] =>
  radii.map((r, i) => circle(names[i]!, radii.slice(0, i).reduce((all, each) => all + 2 * each, 0) + r, r))

/** Where the inner corners of a five-pointed star lie whose points are joined by straight lines, to where its points are: 1 ÷ φ². */
const INNER = 0.381966

/** Outlines to begin with, in inches: any point of them can be moved. */
export const OUTLINE_SHAPES = {
  star: [
    straight(
      'star',
      true,
      Array.from({ length: 10 }, (_, i): [number, number] => {
        const [r, turn] = [i % 2 ? 7 * INNER : 7, (i * Math.PI) / 5]
        return [r * Math.sin(turn), -r * Math.cos(turn)]
      }),
    ),
  ],
  house: [
    straight('walls and roof', true, [
      [0, 0],
      [7, 6],
      [7, 16],
      [-7, 16],
      [-7, 6],
    ]),
    straight('door', false, [
      [-2, 16],
      [-2, 10],
      [2, 10],
      [2, 16],
    ]),
  ],
  cross: [
    straight('cross', true, [
      [2, 0],
      [2, 6],
      [7, 6],
      [7, 10],
      [2, 10],
      [2, 20],
      [-2, 20],
      [-2, 10],
      [-7, 10],
      [-7, 6],
      [-2, 6],
      [-2, 0],
    ]),
  ],
  pumpkin: [
    {
      name: 'outline',
      closed: true,
      points: [
        { x: 0, y: 0.8, before: { x: -1.4, y: -1.2 }, after: { x: 1.4, y: -1.2 } },
        smooth(9, 6.6, { x: 0, y: 3.6 }),
        { x: 0, y: 13, before: { x: 2, y: 1.2 }, after: { x: -2, y: 1.2 } },
        smooth(-9, 6.6, { x: 0, y: -3.6 }),
      ],
    },
    {
      name: 'stem',
      closed: false,
      points: [
        { x: 0, y: 0.8, before: null, after: { x: -0.2, y: -1.6 } },
        { x: 1.8, y: -3, before: { x: -1.2, y: 0.4 }, after: null },
      ],
    },
  ],
  'two rings': column(['upper ring', 'lower ring'], [5, 7]),
  'three rings': column(['upper ring', 'middle ring', 'lower ring'], [4, 5.5, 7]),
} satisfies Record<string, DrawnStroke[]>

/** An outline as it finishes, with its wire half outside its line, inches. */
export function drawnOutline(strokes: DrawnStroke[], face: number): Omit<ShapeOf<'outline'>, 'form'> {
  const { left, right, top, bottom } = strokesBox(strokes)
  return { width: right - left + face, height: bottom - top + face, face, strokes: withRunIds(strokes) }
}
