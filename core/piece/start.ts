import type { BaseKind, Run } from '../base'
import { usualBase } from '../base'
import type { Material, MaterialKind } from '../material'
import { inches } from '../measure'
import type { Build, Layer, Piece, Ribbon, Role, Rule, RuleKind } from './schema'
import { EACH, FORMAT, MOST_RIBBONS, VERSION } from './schema'

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
  'garland': 'texture', 'ribbon': 'bow', 'mesh': 'texture', 'bead': 'accent', 'mechanic': 'texture',
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
    case 'bundles': return { kind, start: 0, advance: inches(3), sprigs: 4, wraps: 2, bound: inches(1), faces: 1 }
    case 'boughs': return { kind, overlap: inches(6), yields: inches(40) }
    case 'spray': return { kind, at: 0.5, pairs: 5, odd: true, spread: 40, wraps: 3, bound: inches(1) }
    case 'wound': return { kind, pitch: inches(2.5), thick: inches(1.5), ends: inches(1), every: null }
    case 'laid': return { kind, laps: 1, tuck: inches(2), every: inches(6) }
    case 'mesh': return { kind, ties: 18, count: 18, gathers: ['ruffle', 'petal'], cut: inches(10), start: 0 }
    case 'poofs': return { kind, ties: 12, passes: 1, uses: inches(10), start: 0 }
    case 'beads': return { kind, allowance: inches(0.5), own: 0.8, turns: 2, tail: inches(0.5) }
    case 'bow': return { kind, at: 0.5, means: null, ribbons: [usualRibbon('hand')], ends: 'v', hem: 0, tied: 'stem wire', fixes: true }
    case 'hand': return { kind }
  }
}

/** What is made of one ribbon with everyday numbers. */
export function usualRibbon(build: Build): Ribbon {
  switch (build) {
    case 'hand': return { build, loops: 6, loop: inches(4), taper: 0.2, groups: null, tails: [inches(9), inches(10)], centre: inches(3), twist: 0 }
    case 'strips': return { build, strips: 3, loop: inches(4), tail: inches(4) }
    case 'rag': return { build, strips: 3, strip: inches(40), overhang: inches(1), loop: inches(4.75) }
    case 'coil': return { build, layers: 9, flat: inches(9) }
    case 'flat': return { build, rounds: 3, width: inches(7), strip: inches(4) }
    case 'folded': return { build, loop: inches(4), tail: inches(8), strip: inches(4) }
    case 'tails': return { build, tails: 2, tail: inches(12) }
    case 'fill-ins': return { build, strips: 4, loop: inches(4) }
  }
}

/** Rules by which things are made of lengths: what they lay are not stems. */
const MADE: ReadonlySet<RuleKind> = new Set(['wound', 'laid', 'mesh', 'poofs', 'bow'])
export const isMade = ({ kind }: Pick<Rule, 'kind'>): boolean => MADE.has(kind)

/** Whether a rule lays single stems, which can be dealt, spread, filled in and swapped. */
export const ofStems = (rule: Pick<Rule, 'kind'>): boolean => !isMade(rule) && rule.kind !== 'beads'

const OF_STEMS: readonly RuleKind[] = ['compass', 'halfway', 'every', 'against', 'cluster', 'crescent', 'mirror', 'bands', 'arms', 'scatter', 'bundles', 'boughs', 'spray', 'single', 'hand']
const OF_LENGTHS: Partial<Record<MaterialKind, readonly RuleKind[]>> = { ribbon: ['bow', 'wound', 'poofs'], mesh: ['mesh', 'poofs', 'wound', 'bow'], garland: ['laid', 'wound'], bead: ['beads'], mechanic: ['wound'] }
/** The rules that a kind of material can go by. */
export const rulesFor = (kind: MaterialKind): readonly RuleKind[] => OF_LENGTHS[kind] ?? OF_STEMS

/** What changes in a layer that is laid by another kind of rule. @param of the layer that it refers to, if it does */
export function byRule({ mix, rule: before, role }: Pick<Layer, 'mix' | 'rule' | 'role'>, kind: RuleKind, of: string): Partial<Layer> {
  const rule = usualRule(kind, of)
  const afresh = { nudges: {}, taken: [] }
  if (rule.kind === 'bow') {
    const ribbons = mix.slice(0, MOST_RIBBONS)
    // A bow has a build for each of its ribbons.
    return { ...afresh, rule: { ...rule, ribbons: ribbons.map(() => usualRibbon('hand')) }, mix: ribbons, role: 'bow', reserve: 0 }
  }
  // What goes along the base keeps no place from the rest.
  return { ...afresh, rule, ...(before.kind === 'bow' ? { role: role === 'bow' ? 'texture' : role, reserve: null, clear: MINDFUL.has(kind) } : {}) }
}

/** Roles that keep their place free for themselves, and roles that mind such places. */
const RESERVES: ReadonlySet<Role> = new Set(['bow', 'sign'])
const MINDS: ReadonlySet<Role> = new Set(['focal', 'filler', 'accent'])

const at = (rule: Rule, share: number): Rule => (rule.kind === 'bow' ? { ...rule, at: share } : rule)
/** Kinds of which a strip or a row goes along a run: they keep out of reserved places. */
const MINDFUL: ReadonlySet<RuleKind> = new Set(['mesh', 'poofs'])

/** A layer of one material, laid as that kind usually is. @param runs of the base it goes on: none is a ring */
export function startLayer(id: string, material: Pick<Material, 'id' | 'kind' | 'form'>, seed: number, runs: readonly Pick<Run, 'id' | 'closed' | 'mirror'>[] = []): Layer {
  const role = USUAL_ROLE[material.kind]
  const leafy = material.form === 'leaf'
  const one = role === 'bow' || role === 'sign' || material.kind === 'figure'
  const ofLengths = OF_LENGTHS[material.kind]?.[0]
  const [run] = runs
  const open = run !== undefined && !run.closed
  const armed = run !== undefined && run.mirror.run !== run.id
  const rule: Rule = ofLengths ? at(usualRule(ofLengths, ''), open ? 0 : 0.5) : one ? { kind: 'single', at: open ? 0 : 0.5, drop: 0 }
    : role === 'greenery' ? (armed ? usualRule('arms', '') : { kind: 'compass', count: 16, start: 0 })
      : role === 'focal' ? { kind: 'cluster', at: [open ? 0.3 : 7 / 12], size: 3 } : usualRule('compass', '')
  return {
    id, role, run: one || !open ? run?.id ?? 'ring' : EACH, mix: [{ material: material.id, share: 1, only: null }], rule, mirrored: false,
    flow: leafy ? 'clockwise' : 'outward', seat: 0.5, across: 0, acrossSpread: leafy ? 0.5 : 0,
    // On a ring stems lean out; on a straight run both edges are outer ones.
    lean: leafy && !open ? 10 : 0, leanSpread: leafy ? (open ? 32 : 20) : 0, cut: null, taper: open && leafy ? 0.5 : 0,
    reserve: RESERVES.has(role) ? 0 : null, clear: MINDS.has(role) || MINDFUL.has(rule.kind), hidden: false, locked: false, words: null, seed, nudges: {}, added: [], taken: [],
  }
}
