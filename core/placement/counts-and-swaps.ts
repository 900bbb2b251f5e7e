import { clamp } from '../measure'
import type { Run } from '../base'
import type { Material, Shelf } from '../material'
import { materialOf, pieceLength, piecesPerStem } from '../material'
import type { Edit, Layer, Rule, RuleKind } from '../piece'
import { facesOf, MOST_PLACES, ruleSortOf } from '../piece'
import { shortestOf } from './mix-assignment'
import type { LaidLayer, PieceOnRuns, Placement } from './placement'
import { arrange } from './layout'
import type { CountedRule, Room } from './rules'
import { arrangingOf } from './rules'
import { runsFor } from './slots'

const held = (n: number): number => clamp(Math.round(n), 0, MOST_PLACES)

/** A rule that takes at most so many pieces on each of its runs, and how many it takes; null when its count is not its own to say. */
export const withCount = (rule: Rule, n: number, room: Room): CountedRule<Rule> | null =>
  arrangingOf<RuleKind>(rule.kind).withCount(rule, held(n), room)

/** How many runs share what a layer takes: arms serve a pair at once. */
const sharers = (layer: Layer, own: readonly Run[]): number =>
  arrangingOf(layer.rule.kind).serves === 'pairs' ? Math.max(1, own.length / 2) : Math.max(1, own.length)

/**
 * Spreads so many stems in hand over a layer, as its rule goes.
 * @returns the layer's new rule, and the pieces that it takes: never more than the stems give; null when the rule has no count, or they do not go round
 */
export function fitTo(
  layer: Layer,
  stems: number,
  runs: readonly Run[],
  shelf: Shelf,
): { readonly rule: Rule; readonly pieces: number } | null {
  const material = materialOf(shelf, layer.mix[0]!.material)
  return material ? fitPieces(layer, stems * piecesPerStem(material, layer.cut), runs, shelf) : null
}

/** The same with so many pieces, whatever stems they are cut of. */
export function fitPieces(
  layer: Layer,
  pieces: number,
  runs: readonly Run[],
  shelf: Shelf,
): { readonly rule: Rule; readonly pieces: number } | null {
  const own = runsFor(layer, runs)
  const [run] = own
  if (!run || !materialOf(shelf, layer.mix[0]!.material)) return null
  const shared = sharers(layer, own)
  const found = withCount(layer.rule, Math.floor(pieces / shared), {
    length: run.length,
    closed: run.closed,
    piece: shortestOf(layer, shelf),
  })
  return found && { rule: found.rule, pieces: found.takes * shared }
}

/** What one of a material covers as it is laid, mm²: n round ones of diameter d cover like n d². */
const coverOf = (material: Material, length: number): number =>
  (material.form === 'leaf' ? Math.min(length, material.length) : material.length) * material.width

export interface Swap {
  readonly edit: Edit
  readonly before: number
  readonly after: number
}

/** Replaces a material of a layer by another that covers as much. @returns with what is laid of each, before and after; null when there is nothing to swap */
export function swap({ piece, runs, shelf }: PieceOnRuns, { layer, placements }: LaidLayer, from: string, to: string): Swap | null {
  const [old, next] = [materialOf(shelf, from), materialOf(shelf, to)]
  if (!old || !next || from === to || !layer.mix.some(({ material }) => material === from)) return null
  const faces = facesOf(layer.rule)
  const own = placements.filter(({ material, added }) => material === from && !added)
  const each = own[0]?.length ?? layer.cut ?? old.length
  const wanted = Math.max(own.length ? 1 : 0, Math.round((own.length * coverOf(old, each)) / coverOf(next, layer.cut ?? next.length)))
  const ruled = placements.filter(({ added }) => !added).length
  const on = runsFor(layer, runs)
  const cut = layer.cut !== null && next.form === 'leaf' ? layer.cut : null
  const rule = on[0]
    ? (withCount(layer.rule, (faces * (ruled - own.length + wanted)) / sharers(layer, on), {
        length: on[0].length,
        closed: on[0].closed,
        piece: pieceLength(next, cut),
      })?.rule ?? null)
    : null
  const counts = layer.mix.map((part) => ({
    ...part,
    n: placements.filter(({ material, added }) => material === part.material && !added).length,
  }))
  const mixed = counts.map(({ material, share, only, n }) =>
    material === from
      ? { material: to, share: counts.length > 1 && rule ? Math.min(1000, wanted) : share, only: only === null ? null : held(wanted) }
      : { material, share: counts.length > 1 && rule && only === null ? Math.min(1000, n) : share, only },
  )
  // What has a build for each part of its mix has one also of a material that it has twice.
  const merged = ruleSortOf(layer.rule.kind).builds
    ? mixed
    : mixed.filter((part, i) => mixed.findIndex(({ material }) => material === part.material) === i)
  const swapped: Layer = {
    ...layer,
    mix: merged,
    ...(rule ? { rule } : {}),
    cut,
    added: layer.added.map((thing) => (thing.material === from ? { ...thing, material: to } : thing)),
  }
  const laid = arrange({ ...piece, layers: piece.layers.map((one) => (one.id === layer.id ? swapped : one)) }, runs, shelf).find(
    (one) => one.layer.id === layer.id,
  )!
  const count = (of: readonly Placement[], material: string): number =>
    faces * of.filter((one) => one.material === material && !one.added).length
  const { mix, added } = swapped
  return {
    before: count(placements, from),
    after: count(laid.placements, to) - count(placements, to),
    edit: { do: 'layer', layer: layer.id, set: { mix, ...(rule ? { rule } : {}), cut, added } },
  }
}
