import type { LaidLayer, Placement } from '../placement'
import { arrange, materialsOf } from '../placement'
import type { BaseShape } from '../base'
import { BASE_SORTS, boundsOf, extentOf, runsOf, widthOf } from '../base'
import { LayerCount } from '../coverage'
import type { Shelf } from '../material'
import { materialOf, WEATHERS } from '../material'
import { exceeds, rate } from '../measure'
import type { Mend, Piece, Problem } from '../piece'
import { DOOR_SHARE, widestFor } from '../piece'
import type { Proportion } from './proportions'
import { proportionProblems } from './proportions'
import type { FinishedSize } from './finished-size'
import { finishedSize } from './finished-size'
import { hangingMessage } from './words'

/** Whether a piece fits where it hangs: its door or route, the weather, the hole of its ring, its bow. */
export function fitProblems(
  piece: Piece,
  size: FinishedSize,
  proportions: readonly Proportion[],
  laid: readonly LaidLayer[],
  shelf: Shelf,
): Problem[] {
  return [
    ...doorProblem(piece, size, shelf),
    ...routeProblem(piece),
    ...weatherProblem(piece, laid, shelf),
    ...signProblems(piece, laid),
    ...proportionProblems(proportions, shelf),
  ]
}

/** How wide a piece finishes on another size of its base: worked whole. mm */
function widthOn(piece: Piece, shape: BaseShape, shelf: Shelf): number {
  const other = { ...piece, base: { ...piece.base, shape } }
  const runs = runsOf(other.base)
  const placements = arrange(other, runs, shelf).flatMap((each) => (each.layer.hidden ? [] : each.placements))
  const counted = new LayerCount().count(runs, placements, shelf)
  return finishedSize(boundsOf(runs), [...counted.patches.values()]).width.value
}

function doorProblem(piece: Piece, size: FinishedSize, shelf: Shelf): Problem[] {
  const { brief, base } = piece
  const sort = BASE_SORTS[base.kind]
  const most = widestFor(piece, base.kind, shelf)
  if (!exceeds(size.width.value, most)) return []
  const over = exceeds(size.width.value, brief.door.width)
  // From large to small: the first that fits is the largest.
  const smaller = sort.sizes.findLast(
    ({ shape }) =>
      extentOf(shape) < extentOf(base.shape) && !exceeds(widthOf({ ...base, shape }), most) && !exceeds(widthOn(piece, shape, shelf), most),
  )
  const mends: Mend[] = smaller
    ? [{ ...hangingMessage('take-base', { name: smaller.name }), edit: { do: 'base', set: { shape: smaller.shape } } }]
    : [{ ...hangingMessage('smaller-base-or-stems', {}), edit: null }]
  return [
    {
      id: 'door',
      severity: over ? 'fault' : 'care',
      layer: null,
      mends,
      ...(over
        ? hangingMessage('door-over', { width: size.width.value, door: brief.door.width })
        : hangingMessage('door-share', {
            width: size.width.value,
            door: brief.door.width,
            most: most / brief.door.width,
            usual: rate(DOOR_SHARE, shelf) === DOOR_SHARE.value,
          })),
    },
  ]
}

/** A garland round a door is as long as that door asks. */
function routeProblem({ brief: { door }, base: { shape } }: Piece): Problem[] {
  if (shape.form !== 'door' || (Math.abs(shape.width - door.width) < 1 && Math.abs(shape.height - door.height) < 1)) return []
  return [
    {
      id: 'route',
      severity: 'care',
      layer: null,
      ...hangingMessage('route-of-another-door', {
        width: shape.width,
        height: shape.height,
        door: { width: door.width, height: door.height },
      }),
      mends: [
        {
          ...hangingMessage('measure-for-door', {}),
          edit: { do: 'base', set: { shape: { ...shape, width: door.width, height: door.height } } },
        },
      ],
    },
  ]
}

function weatherProblem({ brief }: Piece, laid: readonly LaidLayer[], shelf: Shelf): Problem[] {
  const asks = WEATHERS.indexOf(brief.weather)
  const ids = new Set(laid.flatMap((each) => [...materialsOf(each)]))
  const tender = [...ids].map((id) => materialOf(shelf, id)!).filter(({ hardy }) => WEATHERS.indexOf(hardy) < asks)
  if (!tender.length) return []
  const stands = WEATHERS[Math.min(...tender.map(({ hardy }) => WEATHERS.indexOf(hardy)))]!
  return [
    {
      id: 'weather',
      severity: 'care',
      layer: null,
      ...hangingMessage('tender', { plurals: tender.map(({ plural }) => plural), in: brief.weather === 'open' ? 'rain' : 'damp' }),
      mends: [
        {
          ...hangingMessage('hang-in-weather', { weather: stands === 'indoors' ? stands : 'covered' }),
          edit: { do: 'brief', set: { weather: stands } },
        },
      ],
    },
  ]
}

function signProblems({ base: { shape } }: Piece, laid: readonly LaidLayer[]): Problem[] {
  if (shape.form !== 'ring') return []
  const { inner } = shape
  return laid.flatMap(({ layer, placements }) =>
    placements.flatMap((placement: Placement): Problem[] => {
      if (!placement.cord || layer.rule.kind !== 'single') return []
      const reach = Math.hypot(Math.abs(placement.x) + placement.length / 2, Math.abs(placement.y) + placement.width / 2)
      if (reach <= inner / 2) return []
      const fits = Math.hypot(placement.length / 2, placement.width / 2) <= inner / 2
      const middle = layer.rule.drop - placement.y
      return [
        {
          id: `${placement.id}:hole`,
          severity: 'care',
          layer: layer.id,
          ...hangingMessage('touches-ring', { needs: 2 * reach, hole: inner }),
          mends:
            fits && middle >= 0
              ? [
                  {
                    ...hangingMessage('hang-in-middle', {}),
                    edit: { do: 'layer', layer: layer.id, set: { rule: { ...layer.rule, drop: middle } } },
                  },
                ]
              : [{ ...hangingMessage('smaller-sign-or-larger-ring', {}), edit: null }],
        },
      ]
    }),
  )
}
