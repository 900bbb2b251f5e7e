import type { Run } from '../base'
import type { Material, MaterialKind } from '../material'
import { seedOf } from '../measure'
import type { Rule, RuleKind } from './rules'
import { rulesFor, ruleSortOf, usualRule } from './rules'
import { UNPREPARED } from './making-decisions'
import { EACH, HANDS } from './schema'
import type { Hand, Layer } from './schema'
import type { Role } from './schema-primitives'

/** The role that a kind of material usually plays. */
const USUAL_ROLE: Record<MaterialKind, Role> = {
  greenery: 'greenery',
  bough: 'greenery',
  herb: 'greenery',
  stem: 'second greenery',
  twig: 'second greenery',
  focal: 'focal',
  'second flower': 'focal',
  filler: 'filler',
  accent: 'accent',
  moss: 'texture',
  light: 'accent',
  bow: 'bow',
  sign: 'sign',
  letter: 'sign',
  figure: 'focal',
  garland: 'texture',
  ribbon: 'bow',
  mesh: 'texture',
  bead: 'accent',
  mechanic: 'texture',
}

/** What changes in a layer that is laid by another kind of rule. @param of the layer that it refers to, if it does */
export function withRuleKind(
  { mix: all, rule: before, role }: Pick<Layer, 'mix' | 'rule' | 'role'>,
  kind: RuleKind,
  of: string,
): Partial<Layer> {
  const [now, then] = [ruleSortOf(kind), ruleSortOf(before.kind)]
  const mix = all.slice(0, now.parts)
  const afresh = { nudges: {}, taken: [], rule: usualRule(kind, of, mix.length) }
  // On other things it has no place on the base.
  if (kind === 'on') return { ...afresh, mix, added: [], run: EACH, reserve: null, clear: false }
  if (now.builds) return { ...afresh, mix, role: now.role ?? role, reserve: 0 }
  // What goes along the base keeps no place from the rest.
  return { ...afresh, ...(then.builds ? { role: role === then.role ? 'texture' : role, reserve: null, clear: now.mindful } : {}) }
}

/** Roles that keep their place free for themselves, and roles that mind such places. */
const RESERVES: ReadonlySet<Role> = new Set(['bow', 'sign'])
const MINDS: ReadonlySet<Role> = new Set(['focal', 'filler', 'accent'])

const at = (rule: Rule, share: number): Rule => (rule.kind === 'bow' ? { ...rule, at: share } : rule)

/** How far stems vary by a maker's hand. */
export type Spreads = Pick<Layer, 'acrossSpread' | 'leanSpread' | 'uneven'>

/** By each hand: how far off the middle of the face, degrees off their lean on a ring and on an open run, and how much shorter. Rules of thumb. */
const BY_HAND: Readonly<Record<Hand, { readonly across: number; readonly ring: number; readonly open: number; readonly uneven: number }>> =
  {
    tight: { across: 0.3, ring: 8, open: 14, uneven: 0 },
    loose: { across: 0.5, ring: 20, open: 32, uneven: 0.15 },
    wild: { across: 0.75, ring: 36, open: 46, uneven: 0.4 },
  }

/** How far stems vary that a hand lays. @param open whether they lie on a run with two ends */
export function spreadsOf(hand: Hand, open: boolean): Spreads {
  const by = BY_HAND[hand]
  return { acrossSpread: by.across, leanSpread: open ? by.open : by.ring, uneven: by.uneven }
}

/** The hand that a layer's stems look to be laid by, however far they lean; null where its numbers are its maker's own. */
export const handOf = ({ acrossSpread, uneven }: Spreads): Hand | null =>
  HANDS.find((hand) => acrossSpread === BY_HAND[hand].across && uneven === BY_HAND[hand].uneven) ?? null

/** A layer of one material, laid as that kind usually is. @param runs of the base it goes on: none is a ring */
export function startLayer(
  id: string,
  material: Pick<Material, 'id' | 'kind' | 'form'>,
  seed: number,
  runs: readonly Pick<Run, 'id' | 'closed' | 'mirror'>[] = [],
  hand: Hand = 'loose',
): Layer {
  const role = USUAL_ROLE[material.kind]
  const leafy = material.form === 'leaf'
  const one = role === 'bow' || role === 'sign' || material.kind === 'figure'
  const [usual] = rulesFor(material.kind)
  const [run] = runs
  const open = run !== undefined && !run.closed
  const armed = run !== undefined && run.mirror.run !== run.id
  const rule: Rule =
    usual && ruleSortOf(usual).materials
      ? at(usualRule(usual, ''), open ? 0 : 0.5)
      : one
        ? { kind: 'single', at: open ? 0 : 0.5, drop: 0 }
        : role === 'greenery'
          ? armed
            ? usualRule('arms', '')
            : { kind: 'compass', count: 16, start: 0 }
          : role === 'focal'
            ? { kind: 'cluster', at: [open ? 0.3 : 7 / 12], size: 3 }
            : usualRule('compass', '')
  const spreads = leafy ? spreadsOf(hand, open) : { acrossSpread: 0, leanSpread: 0, uneven: 0 }
  return {
    id,
    role,
    run: one || !open ? (run?.id ?? 'ring') : EACH,
    mix: [{ material: material.id, share: 1, only: null }],
    rule,
    mirrored: false,
    flow: leafy ? 'clockwise' : 'outward',
    seat: 0.5,
    across: 0,
    acrossSpread: spreads.acrossSpread,
    // On a ring stems lean out; on a straight run both edges are outer ones.
    lean: leafy && !open ? 10 : 0,
    leanSpread: spreads.leanSpread,
    bend: leafy ? 'run' : 'straight',
    uneven: spreads.uneven,
    cut: null,
    taper: open && leafy ? 0.5 : 0,
    reserve: RESERVES.has(role) ? 0 : null,
    clear: MINDS.has(role) || ruleSortOf(rule.kind).mindful,
    hidden: false,
    locked: false,
    words: null,
    fixing: null,
    backup: null,
    prepared: UNPREPARED,
    seed,
    nudges: {},
    added: [],
    taken: [],
  }
}

/** The seed of a layer that is added to so many: another for each, the same again for the same piece. */
export const freshSeed = (layers: readonly unknown[]): number => seedOf('layer', layers.length) >>> 1

/** An id that none of these layers has. */
export function freshLayerId(layers: readonly Pick<Layer, 'id'>[]): string {
  const taken = new Set(layers.map(({ id }) => id))
  let n = taken.size + 1
  while (taken.has(`layer-${n}`)) n += 1
  return `layer-${n}`
}
