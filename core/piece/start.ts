import type { BaseKind } from '../base'
import { usualBase } from '../base'
import type { MaterialKind } from '../material'
import { inches } from '../measure'
import type { Layer, Piece, Role, Rule, RuleKind } from './schema'
import { FORMAT, VERSION } from './schema'

/** A piece as it is before its first decision. */
export function startPiece(id: string, name: string, kind: BaseKind = 'grapevine'): Piece {
  return {
    format: FORMAT, version: VERSION, id, stage: 'planned',
    brief: {
      name, occasion: '', surface: { kind: 'boards', colour: '#5E7C84' },
      door: { width: inches(36), height: inches(80) },
      weather: 'covered', fullness: 'full', budget: null, currency: 'USD', copies: 1,
    },
    base: usualBase(kind), layers: [],
  }
}

/** The role that a kind of material usually plays. */
const USUAL_ROLE: Record<MaterialKind, Role> = {
  greenery: 'greenery', stem: 'second greenery', focal: 'focal', filler: 'filler', accent: 'accent',
  texture: 'texture', bow: 'bow', sign: 'sign', figure: 'focal',
}

/** A rule of each kind with everyday numbers. @param of the layer that `halfway` refers to */
export function usualRule(kind: RuleKind, of: string): Rule {
  switch (kind) {
    case 'compass': return { kind, count: 6, start: 0 }
    case 'halfway': return { kind, of }
    case 'every': return { kind, spacing: inches(3), start: 0 }
    case 'cluster': return { kind, at: [7 / 12], size: 3 }
    case 'crescent': return { kind, from: 5 / 12, to: 10 / 12, count: 12, dense: 'middle', thin: 0.6 }
    case 'single': return { kind, at: 0.5, drop: 0 }
  }
}

/** A layer of one material, laid as that kind usually is. */
export function startLayer(id: string, material: { id: string, kind: MaterialKind, form: string }, seed: number): Layer {
  const role = USUAL_ROLE[material.kind]
  const leafy = material.form === 'leaf'
  const rule: Rule = role === 'bow' || role === 'sign' || material.kind === 'figure'
    ? usualRule('single', '')
    : role === 'greenery' ? { kind: 'compass', count: 16, start: 0 }
      : role === 'focal' ? { kind: 'cluster', at: [7 / 12], size: 3 } : usualRule('compass', '')
  return {
    id, role, run: 'ring', mix: [{ material: material.id, share: 1 }], rule,
    flow: leafy ? 'clockwise' : 'outward', seat: 0.5, across: 0, acrossSpread: leafy ? 0.5 : 0,
    lean: leafy ? 10 : 0, leanSpread: leafy ? 20 : 0, cut: null, seed, nudges: {},
  }
}
