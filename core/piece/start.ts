import type { BaseKind, Run } from '../base'
import { usualBase } from '../base'
import type { Material, MaterialKind } from '../material'
import { inches } from '../measure'
import type { Layer, Piece, Role, Rule, RuleKind } from './schema'
import { EACH, FORMAT, VERSION } from './schema'

/** A piece as it is before its first decision. */
export function startPiece(id: string, name: string, kind: BaseKind = 'grapevine'): Piece {
  return {
    format: FORMAT, version: VERSION, id, stage: 'planned',
    brief: {
      name, occasion: '', surface: { kind: 'boards', colour: '#5E7C84' }, light: 'day',
      door: { width: inches(36), height: inches(80) },
      weather: 'covered', fullness: 'full', balance: { school: 'even', towards: 0 }, budget: null, currency: 'USD', copies: 1,
    },
    base: usualBase(kind), layers: [],
  }
}

/** The role that a kind of material usually plays. */
const USUAL_ROLE: Record<MaterialKind, Role> = {
  'greenery': 'greenery', 'bough': 'greenery', 'herb': 'greenery', 'stem': 'second greenery', 'twig': 'second greenery', 'focal': 'focal', 'second flower': 'focal', 'filler': 'filler', 'accent': 'accent',
  'moss': 'texture', 'light': 'accent', 'bow': 'bow', 'sign': 'sign', 'letter': 'sign', 'figure': 'focal',
  'garland': 'texture', 'ribbon': 'texture', 'mesh': 'texture', 'bead': 'accent', 'mechanic': 'texture',
}

/** A rule of each kind with everyday numbers. @param of the layer that it refers to, if it does */
export function usualRule(kind: RuleKind, of: string): Rule {
  switch (kind) {
    case 'compass': return { kind, count: 6, start: 0 }
    case 'halfway': return { kind, of }
    case 'every': return { kind, spacing: inches(3), start: 0 }
    case 'cluster': return { kind, at: [7 / 12], size: 3 }
    case 'crescent': return { kind, from: 5 / 12, to: 10 / 12, count: 12, dense: 'middle', thin: 0.6 }
    case 'against': return { kind, of, count: 5, pattern: 'better' }
    case 'mirror': return { kind, seat: 0.5, gap: inches(2.5), reach: 0.4, count: 12, sequence: false }
    case 'bands': return { kind, outer: null, between: 8, inner: null, gaps: false }
    case 'arms': return { kind, count: 12, from: 0.12, to: 1 }
    case 'scatter': return { kind, count: 24 }
    case 'single': return { kind, at: 0.5, drop: 0 }
    case 'bundles': return { kind, start: 0, advance: inches(3), sprigs: 4, wraps: 2, bound: inches(1) }
    case 'boughs': return { kind, overlap: inches(6), yields: inches(40) }
    case 'hand': return { kind }
  }
}

/** Roles that keep their place free for themselves, and roles that mind such places. */
const RESERVES: ReadonlySet<Role> = new Set(['bow', 'sign'])
const MINDS: ReadonlySet<Role> = new Set(['focal', 'filler', 'accent'])

/** A layer of one material, laid as that kind usually is. @param runs of the base it goes on: none is a ring */
export function startLayer(id: string, material: Pick<Material, 'id' | 'kind' | 'form'>, seed: number, runs: readonly Pick<Run, 'id' | 'closed' | 'mirror'>[] = []): Layer {
  const role = USUAL_ROLE[material.kind]
  const leafy = material.form === 'leaf'
  const one = role === 'bow' || role === 'sign' || material.kind === 'figure'
  const [run] = runs
  const open = run !== undefined && !run.closed
  const armed = run !== undefined && run.mirror.run !== run.id
  const rule: Rule = one ? { kind: 'single', at: open ? 0 : 0.5, drop: 0 }
    : role === 'greenery' ? (armed ? usualRule('arms', '') : { kind: 'compass', count: 16, start: 0 })
      : role === 'focal' ? { kind: 'cluster', at: [open ? 0.3 : 7 / 12], size: 3 } : usualRule('compass', '')
  return {
    id, role, run: one || !open ? run?.id ?? 'ring' : EACH, mix: [{ material: material.id, share: 1, only: null }], rule, mirrored: false,
    flow: leafy ? 'clockwise' : 'outward', seat: 0.5, across: 0, acrossSpread: leafy ? 0.5 : 0,
    // On a ring stems lean out; on a straight run both edges are outer ones.
    lean: leafy && !open ? 10 : 0, leanSpread: leafy ? (open ? 32 : 20) : 0, cut: null, taper: open && leafy ? 0.5 : 0,
    reserve: RESERVES.has(role) ? 0 : null, clear: MINDS.has(role), hidden: false, locked: false, words: null, seed, nudges: {}, added: [], taken: [],
  }
}
