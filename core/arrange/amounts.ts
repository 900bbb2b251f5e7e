import type { Run } from '../base'
import type { Material, Shelf } from '../material'
import { piecesPerStem } from '../material'
import type { Edit, Layer, Rule } from '../piece'
import { MOST_PLACES } from '../piece'
import type { LaidLayer } from './placement'
import { runsFor } from './slots'

const held = (n: number): number => Math.min(MOST_PLACES, Math.max(0, Math.round(n)))

/** A rule that makes so many places on each of its runs; null when its count is not its own to say. */
export function withCount(rule: Rule, n: number, length: number): Rule | null {
  switch (rule.kind) {
    case 'compass': case 'against': case 'crescent': case 'mirror': case 'arms': case 'scatter': return { ...rule, count: held(n) }
    case 'every': return n < 1 ? null : { ...rule, spacing: Math.max(1, length / held(n)) }
    case 'cluster': return rule.at.length ? { ...rule, size: Math.min(60, held(Math.floor(n / rule.at.length))) } : null
    case 'bands': return { ...rule, outer: held(n * 0.4), between: held(n - Math.round(n * 0.4) - Math.round(n * 0.25)), inner: held(n * 0.25), gaps: false }
    case 'bundles': return n < 1 ? null : { ...rule, advance: Math.min(3000, Math.max(5, length / Math.max(1, Math.floor(n / rule.sprigs)))) }
    case 'spray': return n < 2 ? null : { ...rule, pairs: Math.min(60, Math.max(1, Math.floor(n / 2))), odd: n % 2 === 1 }
    case 'halfway': case 'boughs': case 'single': case 'hand': case 'wound': case 'laid': case 'mesh': case 'poofs': case 'beads': case 'bow': return null
  }
}

/** Spreads so many stems in hand over a layer, as its rule goes. @returns the layer's new rule, and the pieces it takes; null when the rule has no count */
export function fitTo(layer: Layer, stems: number, runs: readonly Run[], shelf: Shelf): { readonly rule: Rule, readonly pieces: number } | null {
  const own = runsFor(layer, runs)
  const material = shelf.materials[layer.mix[0]!.material]
  if (!own.length || !material) return null
  const pieces = stems * piecesPerStem(material, layer.cut)
  const shared = layer.rule.kind === 'arms' ? Math.max(1, own.length / 2) : own.length
  const rule = withCount(layer.rule, Math.floor(pieces / shared), own[0]!.length)
  return rule && { rule, pieces }
}

/** What one of a material covers as it is laid, mm²: n round ones of diameter d cover like n d². */
const coverOf = (material: Material, length: number): number => (material.form === 'leaf' ? Math.min(length, material.length) : material.length) * material.width

export interface Swap { readonly edit: Edit, readonly before: number, readonly after: number }

/** Replaces a material of a layer by another that covers as much. */
export function swap({ layer, placements }: LaidLayer, from: string, to: string, runs: readonly Run[], shelf: Shelf): Swap | null {
  const [old, next] = [shelf.materials[from], shelf.materials[to]]
  if (!old || !next || from === to || !layer.mix.some(({ material }) => material === from)) return null
  const own = placements.filter(({ material, added }) => material === from && !added)
  const each = own[0]?.length ?? layer.cut ?? old.length
  const after = Math.max(own.length ? 1 : 0, Math.round((own.length * coverOf(old, each)) / coverOf(next, layer.cut ?? next.length)))
  const ruled = placements.filter(({ added }) => !added).length
  const on = runsFor(layer, runs)
  const rule = withCount(layer.rule, (ruled - own.length + after) / (layer.rule.kind === 'arms' ? Math.max(1, on.length / 2) : Math.max(1, on.length)), on[0]?.length ?? 1)
  const counts = layer.mix.map((part) => ({ ...part, n: placements.filter(({ material, added }) => material === part.material && !added).length }))
  const mixed = counts.map(({ material, share, only, n }) => (material === from
    ? { material: to, share: counts.length > 1 && rule ? Math.min(1000, after) : share, only: only === null ? null : held(after) }
    : { material, share: counts.length > 1 && rule && only === null ? Math.min(1000, n) : share, only }))
  // A bow has a build for each of its ribbons, also of one that it has twice.
  const merged = layer.rule.kind === 'bow' ? mixed : mixed.filter((part, i) => mixed.findIndex(({ material }) => material === part.material) === i)
  return {
    before: own.length, after: rule ? after : own.length,
    edit: {
      do: 'layer', layer: layer.id,
      set: {
        mix: merged, ...(rule ? { rule } : {}), ...(layer.cut !== null && next.form === 'leaf' ? {} : { cut: null }),
        added: layer.added.map((thing) => (thing.material === from ? { ...thing, material: to } : thing)),
      },
    },
  }
}
