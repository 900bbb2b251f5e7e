import type { Bounds, Point, Quantity } from '../measure'
import { quantity } from '../measure'
import { mirroredStrokes } from './outline'
import { ovalHeight } from './outlines'
import type { Run } from './run'
import { stationAt } from './run'
import type { Base, Form, BaseShape } from './schema'

/** A measure of a form that people set. */
export interface Dimension {
  readonly id: string
  readonly name: string
  readonly unit: 'length' | 'count' | 'degrees' | 'share' | 'letter' | 'choice'
  /** What there is to choose from. */
  readonly options?: readonly { readonly value: string; readonly name: string }[]
  readonly hint?: string
}

const length = (id: string, name: string, hint?: string): Dimension => ({ id, name, unit: 'length', ...(hint ? { hint } : {}) })

export const DIMENSIONS: Record<Form, readonly Dimension[]> = {
  ring: [length('outer', 'Outside'), length('inner', 'Inside')],
  column: [
    { id: 'rings', name: 'Rings', unit: 'count' },
    length('top', 'Upper ring'),
    length('bottom', 'Lower ring'),
    length('face', 'Face'),
  ],
  oval: [length('width', 'Width'), length('ring', 'Bent from a ring of', 'It keeps that ring’s perimeter.'), length('face', 'Face')],
  square: [length('width', 'Width'), length('height', 'Height'), length('face', 'Face')],
  heart: [length('width', 'Width'), length('height', 'Height'), length('face', 'Face')],
  letter: [{ id: 'letter', name: 'Letter', unit: 'letter' }, length('height', 'Height'), length('face', 'Stroke')],
  gourd: [length('width', 'Width'), length('height', 'Height'), { id: 'ribs', name: 'Ribs', unit: 'count' }, length('face', 'Wire')],
  pear: [
    length('width', 'Width'),
    length('height', 'Height'),
    length('stem', 'Stem'),
    { id: 'ribs', name: 'Ribs', unit: 'count' },
    length('face', 'Wire'),
  ],
  animal: [length('width', 'Head'), length('ears', 'Ears'), length('face', 'Face')],
  outline: [length('width', 'Width'), length('height', 'Height'), length('face', 'Wire')],
  tree: [length('tree', 'Height'), length('width', 'Across')],
  swag: [
    length('tree', 'Each tree'),
    length('overlap', 'Trunks overlap'),
    length('width', 'Across the join'),
    {
      id: 'joined',
      name: 'Joined by',
      unit: 'choice',
      options: [
        { value: 'ties', name: 'ties on the trunks' },
        { value: 'hub', name: 'a hub of foam' },
      ],
    },
  ],
  teardrop: [length('tree', 'Each tree'), length('overlap', 'Trunks overlap'), length('width', 'Across the top')],
  opened: [length('outer', 'Ring, outside'), length('inner', 'Ring, inside'), length('drop', 'Ends hang by')],
  spray: [length('length', 'Length'), length('width', 'Across'), { id: 'tie', name: 'Tie from the top, %', unit: 'share' }],
  door: [length('width', 'Door width'), length('height', 'Door height'), length('face', 'Garland')],
  mantel: [length('width', 'Shelf'), length('drops', 'Down each end'), length('face', 'Garland')],
  rail: [length('length', 'Length'), { id: 'slope', name: 'Slope, °', unit: 'degrees' }, length('face', 'Garland')],
  scallops: [
    length('span', 'Hook to hook'),
    length('drop', 'Each hangs by'),
    { id: 'count', name: 'Scallops', unit: 'count' },
    length('tails', 'Down each end'),
    length('face', 'Garland'),
  ],
}

/** A dimension line on the drawing. */
export interface MeasureLine {
  readonly name: string
  readonly from: Point
  readonly to: Point
  readonly value: Quantity
}

/** The lines that measure a base where it stands. @param bounds the edges of its faces */
export function measureLines({ shape }: Pick<Base, 'shape'>, runs: readonly Run[], bounds: Bounds): MeasureLine[] {
  const { left, right, top, bottom } = bounds
  const gap = Math.max(right - left, bottom - top) * 0.06
  const lineOf = (name: string, from: Point, to: Point): MeasureLine => ({
    name,
    from,
    to,
    value: quantity.length(Math.hypot(to.x - from.x, to.y - from.y)),
  })
  const wide = (name: string) => lineOf(name, { x: left, y: bottom + gap }, { x: right, y: bottom + gap })
  const tall = (name: string) => lineOf(name, { x: left - gap, y: top }, { x: left - gap, y: bottom })
  switch (shape.form) {
    case 'ring':
      return [
        lineOf('outside', { x: -shape.outer / 2, y: gap / 2 }, { x: shape.outer / 2, y: gap / 2 }),
        lineOf('inside', { x: -shape.inner / 2, y: -gap / 2 }, { x: shape.inner / 2, y: -gap / 2 }),
      ]
    case 'oval':
      return [
        lineOf('width', { x: -shape.width / 2, y: 0 }, { x: shape.width / 2, y: 0 }),
        lineOf('stands', { x: 0, y: -ovalHeight(shape) / 2 }, { x: 0, y: ovalHeight(shape) / 2 }),
      ]
    case 'swag':
      return [wide('length'), lineOf('join', { x: 0, y: -shape.width / 2 }, { x: 0, y: shape.width / 2 })]
    case 'door':
      return [
        lineOf('door width', { x: -shape.width / 2, y: -shape.height * 0.2 }, { x: shape.width / 2, y: -shape.height * 0.2 }),
        lineOf('door height', { x: 0, y: -shape.height / 2 }, { x: 0, y: shape.height / 2 }),
      ]
    case 'rail':
      return [lineOf('length', ends(runs[0]!, 0), ends(runs[0]!, runs[0]!.length))]
    case 'mantel':
      return [lineOf('shelf', { x: -shape.width / 2, y: gap }, { x: shape.width / 2, y: gap })]
    case 'scallops': {
      const x = (-shape.span * shape.count) / 2
      return [
        lineOf('hook to hook', { x, y: -gap }, { x: x + shape.span, y: -gap }),
        lineOf('drop', { x: x + shape.span / 2, y: 0 }, { x: x + shape.span / 2, y: shape.drop }),
      ]
    }
    case 'tree':
    case 'teardrop':
    case 'spray':
      return [tall('length'), wide('across')]
    case 'pear':
      return [wide('width'), lineOf('height', { x: left - gap, y: bottom - shape.height }, { x: left - gap, y: bottom })]
    default:
      return [wide('width'), tall('height')]
  }
}

const ends = (run: Run, s: number): Point => {
  const { x, y, nx, ny, half } = stationAt(run, s)
  return { x: x + nx * half * 1.4, y: y + ny * half * 1.4 }
}

/** The same form seen in a mirror. */
export function mirrorShape(shape: BaseShape): BaseShape {
  if (shape.form === 'rail') return { ...shape, slope: -shape.slope }
  return shape.form === 'outline' ? { ...shape, strokes: mirroredStrokes(shape.strokes) } : shape
}
