import type { LaidPiece } from '../placement'
import { arrangingOf } from '../placement'
import { bindingOf, BRANCH, tubeOf } from '../constructions'
import type { Shelf } from '../material'
import { onStem } from '../material'
import type { Rated, Term } from '../measure'
import { byRule, mm } from '../measure'
import type { FixingSchool, Layer, Piece, RuleKind, WayId } from '../piece'
import { facesOf } from '../piece'
import type { Ground } from './grounds'
import { isCarrier } from './grounds'
import type { HeldAlike } from './held-alike'
import { heldAlike } from './held-alike'
import type { Hold } from './hold-strength'
import type { Reason } from './rules'
import { FIXING_RULES, suiting } from './rules'
import type { Joint, Way } from './methods'
import { FIXING_WAYS } from './methods'
import type { Against } from './words'
import { whyAgainst } from './words'

/** A way, why it suits, and what speaks against it here; null where nothing does. */
export interface Suited {
  readonly way: Way
  readonly why: string
  readonly against: Exclude<Against, 'base'> | null
}

/** What speaks against a way on this piece, whatever the base. */
function againstOn({ brief, fixing }: Pick<Piece, 'brief' | 'fixing'>, way: Way): Exclude<Against, 'base'> | null {
  if (way.indoors && brief.weather !== 'indoors') return 'weather'
  if (!way.undone && fixing.keep === 'taken apart') return 'kept'
  return null
}

const wiry = ({ link }: Way): boolean => link === 'wire' || link === 'ties' || link === 'cord'

/** How far a school would rather not: 0 is what it takes first; null is what it never does. */
const SCHOOLED: Record<FixingSchool, (way: Way, hold: Hold) => number | null> = {
  'as suits': () => 0,
  wire: (way) => (way.glue ? 2 : wiry(way) ? 0 : 1),
  glue: (way, hold) => (hold === 'heavy' || way.glue ? 0 : 1),
  dots: (way) => (way.id === 'glue dots' ? 0 : way.undone ? 1 : 2),
  'wire and details': (way, hold) => ((hold === 'light') === way.glue ? 0 : 1),
  'place and hold': (way) => (way.id === 'wire and glue' ? 0 : 1),
  'no glue': (way) => (way.glue ? null : 0),
}

export const SCHOOL_NAMES: Record<FixingSchool, string> = {
  'as suits': 'As suits each best',
  wire: 'Wire, for life and for changing it later',
  glue: 'Glue, for speed',
  dots: 'Glue in dots, so that it comes off again',
  'wire and details': 'Wire for the structure, glue for details',
  'place and hold': 'Wire to place, glue to hold',
  'no glue': 'No glue at all',
}

/** What a thing is fixed to, and how firmly. */
export interface Held {
  readonly ground: Ground
  readonly hold: Hold
}

/** The ways to hold such a thing, best first: by what it is fixed to, then the weather and whether the piece is kept, then the school. */
export function waysFor(piece: Pick<Piece, 'brief' | 'fixing'>, { ground, hold }: Held): Suited[] {
  const school = SCHOOLED[piece.fixing.school]
  const all = suiting(ground, hold).map(([id, why]) => {
    const way = FIXING_WAYS[id]
    return { way, why, against: againstOn(piece, way), rank: school(way, hold) }
  })
  const kept = all.filter(({ rank }) => rank !== null)
  return kept
    .map((each, i) => ({ ...each, i }))
    .sort((a, b) => Number(a.against !== null) - Number(b.against !== null) || a.rank! - b.rank! || a.i - b.i)
    .map(({ way, why, against }) => ({ way, why, against }))
}

export const neverFor = ({ ground, hold }: Held): readonly Reason[] => FIXING_RULES[ground][hold].never

/** How the things of one kind in a layer are held. */
export interface Fixing {
  readonly layer: string
  /** The material; of a made bow its front ribbon. */
  readonly material: string
  readonly name: string
  readonly plural: string
  readonly count: number
  readonly ground: Ground
  readonly hold: Hold
  /** Whether they are held more firmly for what they bear: then others of their kind in the layer may be held otherwise. */
  readonly laden: boolean
  readonly way: WayId
  readonly why: string
  /** What speaks against this way here, and why; null when it is good. */
  readonly against: { readonly because: Against; readonly why: string } | null
  readonly chosen: boolean
  /** Whether what ties it already also fixes it, so that nothing more is taken. */
  readonly tied: boolean
  readonly joint: Joint
}

/** How everything on a piece is held that is not held by how it is made, in the order of the layers. */
export function fixingsOf(of: LaidPiece): Fixing[] {
  const { piece, runs, laid, shelf } = of
  const context: Fixed = { piece, by: shelf, thick: tubeOf(piece, runs[0]!, shelf), wire: bindingOf(piece, shelf) }
  const alike = heldAlike(of)
  return laid.flatMap((one) => {
    const found = alike(one)
    return found.map((each) => fixingOf(context, one.layer, each))
  })
}

/** What the fixings of a piece have in common. */
interface Fixed {
  readonly piece: Piece
  readonly by: Shelf
  /** What a tie on the base goes round, mm. */
  readonly thick: Term
  /** The paddle wire. */
  readonly wire: string
}

function fixingOf({ piece, by, thick, wire }: Fixed, layer: Layer, each: HeldAlike): Fixing {
  const { material, like, ground, hold, laden } = each
  const count = each.placements.length * facesOf(layer.rule)
  const name = layer.rule.kind === 'bow' ? `bow of ${material.name}` : material.name
  const free = hangsFree(layer)
  const own = free ? 'cord' : layer.fixing
  const bowTied = own === null && layer.rule.kind === 'bow' && layer.rule.fixes
  const stemmed = (like.kind !== 'bow' && onStem(like)) || like.form === 'leaf'
  // What has no stem cannot be tucked in.
  const all = waysFor(piece, each)
  const suits = stemmed ? all : [...all.filter(({ way }) => way.id !== 'tuck'), ...all.filter(({ way }) => way.id === 'tuck')]
  const pick = bowTied ? 'stem wire' : own
  const found = pick === null ? suits[0]! : suitOf(piece, each, pick)
  const never = !free && neverFor(each).some(([way]) => way === found.way.id)
  const because: Against | null = never ? 'base' : found.against
  return {
    layer: layer.id,
    material: material.id,
    name,
    plural: `${count === 1 ? name : material.plural}${laden ? ` that ${count === 1 ? 'bears another' : 'bear others'}` : ''}`,
    count,
    ground,
    hold,
    laden,
    way: found.way.id,
    why: bowTied ? 'The wire that ties it is left long and fixes it too.' : found.why,
    against: because && { because, why: whyAgainst({ way: found.way.id, because, ground, hold }) },
    chosen: layer.fixing !== null,
    tied: free || bowTied,
    joint: {
      ground,
      hold,
      stemmed,
      thick: thickAt(each, thick, by),
      mass: like.mass + each.bears,
      wire,
      count,
    },
  }
}

/** What a tie goes round, mm: all of the base, one of its branches, or what bears the thing, whole or by its stem. */
function thickAt({ ground, hold, under }: HeldAlike, whole: Term, by: Rated): Term {
  if (ground === 'cone') return mm(under)
  return isCarrier(ground) || (ground === 'trees' && hold !== 'heavy') ? byRule(BRANCH, by) : whole
}

/** Whether it hangs below its place on cords of its own. */
export const hangsFree = ({ rule }: Layer): boolean => (arrangingOf<RuleKind>(rule.kind).drop?.(rule) ?? 0) > 0

/** A way that a maker chose, with what is said of it here. */
function suitOf(piece: Pick<Piece, 'brief' | 'fixing'>, { ground, hold }: Held, id: WayId): Suited {
  const way = FIXING_WAYS[id]
  const known = suiting(ground, hold).find(([each]) => each === id)
  return { way, why: known?.[1] ?? 'Your own choice.', against: againstOn(piece, way) }
}
