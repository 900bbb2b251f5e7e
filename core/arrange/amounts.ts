import type { Run } from '../base'
import type { Material, Shelf } from '../material'
import { materialOf, pieceLength, piecesPerStem } from '../material'
import type { Edit, Layer, Piece, Rule } from '../piece'
import { MOST_PLACES } from '../piece'
import { advanceForCount, overlapped } from './bound'
import { shortestOf } from './dealing'
import type { LaidLayer, Placement } from './placement'
import { arrange } from './lay'
import { runsFor } from './slots'

const held = (n: number): number => Math.min(MOST_PLACES, Math.max(0, Math.round(n)))

/** What a rule's count hangs on besides the rule itself. */
export interface Room extends Pick<Run, 'length' | 'closed'> {
  /** How long each piece is as it is laid, mm. */
  readonly piece: number
}

/** A rule that takes at most so many pieces on each of its runs, and how many it takes; null when its count is not its own to say. */
export function withCount(rule: Rule, n: number, room: Room): { readonly rule: Rule, readonly takes: number } | null {
  const whole = held(n)
  switch (rule.kind) {
    case 'compass': case 'against': case 'crescent': case 'mirror': case 'arms': case 'scatter': return { rule: { ...rule, count: whole }, takes: whole }
    case 'every': return n < 1 ? null : { rule: { ...rule, spacing: Math.max(1, room.length / whole) }, takes: whole }
    case 'cluster': {
      const size = rule.at.length ? Math.min(60, Math.floor(whole / rule.at.length)) : 0
      return rule.at.length ? { rule: { ...rule, size }, takes: size * rule.at.length } : null
    }
    case 'bands': {
      const [outer, inner] = [Math.round(whole * 0.4), Math.round(whole * 0.25)]
      return { rule: { ...rule, outer, between: whole - outer - inner, inner, gaps: false }, takes: whole }
    }
    case 'bundles': {
      const bundles = Math.floor(whole / (rule.sprigs * rule.faces))
      if (bundles < 1) return null
      const wanted = advanceForCount(room, room.piece, bundles) ?? room.length
      const advance = Math.min(3000, Math.max(5, wanted))
      return { rule: { ...rule, advance }, takes: overlapped(room, room.piece, advance).count * rule.sprigs * rule.faces }
    }
    case 'spray': {
      const pairs = Math.min(60, Math.floor(whole / 2))
      return pairs < 1 ? null : { rule: { ...rule, pairs, odd: whole % 2 === 1 && pairs < 60 }, takes: 2 * pairs + (whole % 2 === 1 && pairs < 60 ? 1 : 0) }
    }
    case 'halfway': case 'boughs': case 'single': case 'hand': case 'wound': case 'laid': case 'mesh': case 'poofs': case 'beads': case 'bow': return null
  }
}

/** How many runs share what a layer takes: arms serve a pair at once. */
const sharers = (layer: Layer, own: readonly Run[]): number => (layer.rule.kind === 'arms' ? Math.max(1, own.length / 2) : Math.max(1, own.length))

/**
 * Spreads so many stems in hand over a layer, as its rule goes.
 * @returns the layer's new rule, and the pieces that it takes: never more than the stems give; null when the rule has no count, or they do not go round
 */
export function fitTo(layer: Layer, stems: number, runs: readonly Run[], shelf: Shelf): { readonly rule: Rule, readonly pieces: number } | null {
  const own = runsFor(layer, runs)
  const material = materialOf(shelf, layer.mix[0]!.material)
  const [run] = own
  if (!run || !material) return null
  const shared = sharers(layer, own)
  const found = withCount(layer.rule, Math.floor((stems * piecesPerStem(material, layer.cut)) / shared), { length: run.length, closed: run.closed, piece: shortestOf(layer, shelf) })
  return found && { rule: found.rule, pieces: found.takes * shared }
}

/** What one of a material covers as it is laid, mm²: n round ones of diameter d cover like n d². */
const coverOf = (material: Material, length: number): number => (material.form === 'leaf' ? Math.min(length, material.length) : material.length) * material.width

export interface Swap { readonly edit: Edit, readonly before: number, readonly after: number }

/** Replaces a material of a layer by another that covers as much. @returns with what is laid of each, before and after; null when there is nothing to swap */
export function swap(piece: Piece, { layer, placements }: LaidLayer, from: string, to: string, runs: readonly Run[], shelf: Shelf): Swap | null {
  const [old, next] = [materialOf(shelf, from), materialOf(shelf, to)]
  if (!old || !next || from === to || !layer.mix.some(({ material }) => material === from)) return null
  const faces = layer.rule.kind === 'bundles' ? layer.rule.faces : 1
  const own = placements.filter(({ material, added }) => material === from && !added)
  const each = own[0]?.length ?? layer.cut ?? old.length
  const wanted = Math.max(own.length ? 1 : 0, Math.round((own.length * coverOf(old, each)) / coverOf(next, layer.cut ?? next.length)))
  const ruled = placements.filter(({ added }) => !added).length
  const on = runsFor(layer, runs)
  const cut = layer.cut !== null && next.form === 'leaf' ? layer.cut : null
  const rule = on[0] ? withCount(layer.rule, (faces * (ruled - own.length + wanted)) / sharers(layer, on), { length: on[0].length, closed: on[0].closed, piece: pieceLength(next, cut) })?.rule ?? null : null
  const counts = layer.mix.map((part) => ({ ...part, n: placements.filter(({ material, added }) => material === part.material && !added).length }))
  const mixed = counts.map(({ material, share, only, n }) => (material === from
    ? { material: to, share: counts.length > 1 && rule ? Math.min(1000, wanted) : share, only: only === null ? null : held(wanted) }
    : { material, share: counts.length > 1 && rule && only === null ? Math.min(1000, n) : share, only }))
  // A bow has a build for each of its ribbons, also of one that it has twice.
  const merged = layer.rule.kind === 'bow' ? mixed : mixed.filter((part, i) => mixed.findIndex(({ material }) => material === part.material) === i)
  const swapped: Layer = {
    ...layer, mix: merged, ...(rule ? { rule } : {}), cut, added: layer.added.map((thing) => (thing.material === from ? { ...thing, material: to } : thing)),
  }
  const laid = arrange({ ...piece, layers: piece.layers.map((one) => (one.id === layer.id ? swapped : one)) }, runs, shelf).find((one) => one.layer.id === layer.id)!
  const count = (of: readonly Placement[], material: string): number => faces * of.filter((one) => one.material === material && !one.added).length
  const { mix, added } = swapped
  return {
    before: count(placements, from), after: count(laid.placements, to) - count(placements, to),
    edit: { do: 'layer', layer: layer.id, set: { mix, ...(rule ? { rule } : {}), cut, added } },
  }
}
