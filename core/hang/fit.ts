import type { LaidLayer } from '../arrange'
import { BASE_SORTS } from '../base'
import { footprint } from '../cover'
import type { Shelf } from '../material'
import type { Figure } from '../measure'
import { figure, GEOMETRY, listed, quantity, sum } from '../measure'
import type { Mend, Piece, Problem } from '../piece'

/** The size that the piece has with everything on it. */
export interface FinishedSize {
  readonly width: Figure
  readonly height: Figure
  /** Edges from the base's centre, mm; y down. */
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}

export function finishedSize(piece: Piece, laid: readonly LaidLayer[], shelf: Shelf): FinishedSize {
  const half = piece.base.outer / 2
  const edges = { left: -half, top: -half, right: half, bottom: half }
  for (const placement of laid.flatMap(({ placements }) => placements)) {
    for (const { x, y } of footprint(placement, shelf.materials[placement.material]!.form)) {
      edges.left = Math.min(edges.left, x)
      edges.right = Math.max(edges.right, x)
      edges.top = Math.min(edges.top, y)
      edges.bottom = Math.max(edges.bottom, y)
    }
  }
  const across = (low: number, high: number, names: readonly [string, string]): Figure => figure(quantity.length(high - low),
    sum`${quantity.length(-low)} ${names[0]} of the middle + ${quantity.length(high)} ${names[1]} of it = ${quantity.length(high - low)}`, GEOMETRY)
  return { ...edges, width: across(edges.left, edges.right, ['left', 'right']), height: across(edges.top, edges.bottom, ['above', 'below']) }
}

/** At most this share of a door's width, or the piece crowds it: rule of thumb. */
export const DOOR_SHARE = 2 / 3

/** What arithmetic may be off by, mm. */
const HAIR = 1e-6

export function fitProblems(piece: Piece, size: FinishedSize, laid: readonly LaidLayer[], shelf: Shelf): Problem[] {
  return [...doorProblem(piece, size), ...weatherProblem(piece, laid, shelf), ...signProblems(piece, laid)]
}

function doorProblem({ brief, base }: Piece, size: FinishedSize): Problem[] {
  const most = brief.door.width * DOOR_SHARE
  if (size.width.value <= most + HAIR) return []
  const smaller = BASE_SORTS[base.kind].sizes.filter(({ outer }) => outer < base.outer && size.width.value - (base.outer - outer) <= most).at(-1)
  const mends: Mend[] = smaller
    ? [{ says: sum`Take the ${quantity.length(smaller.outer)} base`, edit: { do: 'base', set: { outer: smaller.outer, inner: smaller.inner } } }]
    : [{ says: sum`A smaller base or shorter stems`, edit: null }]
  const over = size.width.value > brief.door.width
  return [{
    id: 'door', weight: over ? 'fault' : 'care', layer: null, mends,
    says: over
      ? sum`${quantity.length(size.width.value)} wide: it does not fit on ${quantity.length(brief.door.width)}.`
      : sum`${quantity.length(size.width.value)} wide: more than two thirds of the ${quantity.length(brief.door.width)} it hangs on.`,
  }]
}

function weatherProblem({ brief }: Piece, laid: readonly LaidLayer[], shelf: Shelf): Problem[] {
  if (brief.weather !== 'open') return []
  const ids = new Set(laid.flatMap(({ placements }) => placements.map(({ material }) => material)))
  const tender = [...ids].map((id) => shelf.materials[id]!).filter(({ state }) => state === 'dried' || state === 'preserved')
  if (!tender.length) return []
  return [{
    id: 'weather', weight: 'care', layer: null,
    says: sum`${listed(tender.map(({ plural }) => plural))} will not stand rain.`,
    mends: [{ says: sum`Hang it under cover`, edit: { do: 'brief', set: { weather: 'covered' } } }],
  }]
}

function signProblems({ base }: Piece, laid: readonly LaidLayer[]): Problem[] {
  return laid.flatMap(({ layer, placements }) => placements.flatMap((placement): Problem[] => {
    if (!placement.cord || layer.rule.kind !== 'single') return []
    const reach = Math.hypot(Math.abs(placement.x) + placement.length / 2, Math.abs(placement.y) + placement.width / 2)
    if (reach <= base.inner / 2) return []
    const fits = Math.hypot(placement.length / 2, placement.width / 2) <= base.inner / 2
    const middle = layer.rule.drop - placement.y
    return [{
      id: `${placement.id}:hole`, weight: 'care', layer: layer.id,
      says: sum`What hangs inside touches the ring: it needs ${quantity.length(2 * reach)} and the hole is ${quantity.length(base.inner)}.`,
      mends: fits && middle >= 0
        ? [{ says: sum`Hang it in the middle`, edit: { do: 'layer', layer: layer.id, set: { rule: { ...layer.rule, drop: middle } } } }]
        : [{ says: sum`A smaller sign or a larger ring`, edit: null }],
    }]
  }))
}
