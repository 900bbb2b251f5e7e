import type { LaidLayer, Placement } from '../arrange'
import { materialsOf } from '../arrange'
import { BASE_SORTS, extentOf } from '../base'
import type { Patch } from '../cover'
import type { Shelf } from '../material'
import { HARDINESS, materialOf } from '../material'
import type { Bounds, Figure } from '../measure'
import { capital, exceeds, figure, GEOMETRY, listed, quantity, RULE_OF_THUMB, sum } from '../measure'
import type { Mend, Piece, Problem } from '../piece'
import { DOOR_SHARE } from '../piece'

/** The size that the piece has with everything on it. */
export interface FinishedSize extends Bounds {
  readonly width: Figure
  readonly height: Figure
}

/** @param bare the edges of the bare base @param on the patches of all that is on it, mm about the base's middle */
export function finishedSize(bare: Bounds, on: readonly Pick<Patch, 'edges'>[]): FinishedSize {
  const edges = { ...bare }
  for (const { edges: { left, top, right, bottom } } of on) {
    if (left < edges.left) edges.left = left
    if (right > edges.right) edges.right = right
    if (top < edges.top) edges.top = top
    if (bottom > edges.bottom) edges.bottom = bottom
  }
  const across = (low: number, high: number, names: readonly [string, string]): Figure => figure(quantity.length(high - low),
    sum`${quantity.length(-low)} ${names[0]} of the middle + ${quantity.length(high)} ${names[1]} of it = ${quantity.length(high - low)}`, GEOMETRY)
  return { ...edges, width: across(edges.left, edges.right, ['left', 'right']), height: across(edges.top, edges.bottom, ['above', 'below']) }
}

/** A supporting bow is about a third to a half of the base's width: rule of thumb. */
export const BOW_SHARES = { least: 1 / 3, most: 1 / 2 } as const

/** How wide a bow or a sign is against the base. */
export interface Proportion { readonly layer: string, readonly name: string, readonly role: 'bow' | 'sign', readonly share: Figure, readonly lead: boolean }

export function proportionsOf(bare: Bounds, laid: readonly LaidLayer[], shelf: Shelf): Proportion[] {
  const wide = bare.right - bare.left
  const focals = laid.some(({ layer, placements }) => layer.role === 'focal' && placements.length > 0)
  return laid.flatMap(({ layer, placements }): Proportion[] => {
    const { role } = layer
    const [one] = placements
    if (!one || (role !== 'bow' && role !== 'sign')) return []
    const material = materialOf(shelf, one.material)!
    const name = one.made ? `bow of ${material.name}` : material.name
    return [{
      layer: layer.id, role, name, lead: !focals,
      share: figure(quantity.share(one.length / wide), sum`${name} ${quantity.length(one.length)} ÷ base ${quantity.length(wide)} = ${quantity.share(one.length / wide)}`, RULE_OF_THUMB),
    }]
  })
}

export function fitProblems(piece: Piece, size: FinishedSize, proportions: readonly Proportion[], laid: readonly LaidLayer[], shelf: Shelf): Problem[] {
  return [...doorProblem(piece, size), ...routeProblem(piece), ...weatherProblem(piece, laid, shelf), ...signProblems(piece, laid), ...proportionProblems(proportions)]
}

/** Garlands go round or along what they hang on, and are not measured against its width. */
function doorProblem({ brief, base }: Piece, size: FinishedSize): Problem[] {
  const sort = BASE_SORTS[base.kind]
  if (sort.family === 'garlands') return []
  const most = brief.door.width * DOOR_SHARE
  if (!exceeds(size.width.value, most)) return []
  const over = exceeds(size.width.value, brief.door.width)
  // A smaller size is offered when it would take off what is too wide.
  const ratio = most / size.width.value
  const smaller = sort.sizes.filter(({ shape }) => extentOf(shape) < extentOf(base.shape) && extentOf(shape) / extentOf(base.shape) <= Math.max(ratio, 0.7)).at(-1)
  const mends: Mend[] = smaller
    ? [{ says: sum`Take the ${smaller.name} in base`, edit: { do: 'base', set: { shape: smaller.shape } } }]
    : [{ says: sum`A smaller base or shorter stems`, edit: null }]
  return [{
    id: 'door', weight: over ? 'fault' : 'care', layer: null, mends,
    says: over
      ? sum`${quantity.length(size.width.value)} wide: it does not fit on ${quantity.length(brief.door.width)}.`
      : sum`${quantity.length(size.width.value)} wide: more than two thirds of the ${quantity.length(brief.door.width)} it hangs on.`,
  }]
}

/** A garland round a door is as long as that door asks. */
function routeProblem({ brief: { door }, base: { shape } }: Piece): Problem[] {
  if (shape.form !== 'door' || (Math.abs(shape.width - door.width) < 1 && Math.abs(shape.height - door.height) < 1)) return []
  return [{
    id: 'route', weight: 'care', layer: null,
    says: sum`The garland goes round ${quantity.length(shape.width)} × ${quantity.length(shape.height)}, but the door is ${quantity.length(door.width)} × ${quantity.length(door.height)}.`,
    mends: [{ says: sum`Measure it for this door`, edit: { do: 'base', set: { shape: { ...shape, width: door.width, height: door.height } } } }],
  }]
}

function weatherProblem({ brief }: Piece, laid: readonly LaidLayer[], shelf: Shelf): Problem[] {
  const asks = HARDINESS.indexOf(brief.weather)
  const ids = new Set(laid.flatMap((each) => [...materialsOf(each)]))
  const tender = [...ids].map((id) => materialOf(shelf, id)!).filter(({ hardy }) => HARDINESS.indexOf(hardy) < asks)
  if (!tender.length) return []
  const stands = HARDINESS[Math.min(...tender.map(({ hardy }) => HARDINESS.indexOf(hardy)))]!
  return [{
    id: 'weather', weight: 'care', layer: null,
    says: sum`${capital(listed(tender.map(({ plural }) => plural)))} will not stand ${brief.weather === 'open' ? 'rain' : 'damp'}.`,
    mends: [{ says: stands === 'indoors' ? sum`Hang it indoors` : sum`Hang it under cover`, edit: { do: 'brief', set: { weather: stands } } }],
  }]
}

function signProblems({ base: { shape } }: Piece, laid: readonly LaidLayer[]): Problem[] {
  if (shape.form !== 'ring') return []
  const { inner } = shape
  return laid.flatMap(({ layer, placements }) => placements.flatMap((placement: Placement): Problem[] => {
    if (!placement.cord || layer.rule.kind !== 'single') return []
    const reach = Math.hypot(Math.abs(placement.x) + placement.length / 2, Math.abs(placement.y) + placement.width / 2)
    if (reach <= inner / 2) return []
    const fits = Math.hypot(placement.length / 2, placement.width / 2) <= inner / 2
    const middle = layer.rule.drop - placement.y
    return [{
      id: `${placement.id}:hole`, weight: 'care', layer: layer.id,
      says: sum`What hangs inside touches the ring: it needs ${quantity.length(2 * reach)} and the hole is ${quantity.length(inner)}.`,
      mends: fits && middle >= 0
        ? [{ says: sum`Hang it in the middle`, edit: { do: 'layer', layer: layer.id, set: { rule: { ...layer.rule, drop: middle } } } }]
        : [{ says: sum`A smaller sign or a larger ring`, edit: null }],
    }]
  }))
}

function proportionProblems(proportions: readonly Proportion[]): Problem[] {
  return proportions.flatMap(({ layer, name, role, share, lead }): Problem[] => {
    if (role !== 'bow') return []
    if (lead && share.value > 1) return [{ id: `${layer}:large`, weight: 'note', layer, says: sum`The ${name} is ${quantity.share(share.value)} of the base’s width: wider than the base itself.`, mends: [{ says: sum`A smaller bow, or a larger base`, edit: null }] }]
    if (share.value > BOW_SHARES.most && !lead) return [{ id: `${layer}:large`, weight: 'note', layer, says: sum`The ${name} is ${quantity.share(share.value)} of the base’s width: more than half, it takes the lead from the focals.`, mends: [{ says: sum`A smaller bow, or let it be the focal`, edit: null }] }]
    if (share.value < BOW_SHARES.least) return [{ id: `${layer}:small`, weight: 'note', layer, says: sum`The ${name} is ${quantity.share(share.value)} of the base’s width: about a third to a half looks right.`, mends: [{ says: sum`A larger bow`, edit: null }] }]
    return []
  })
}
