import { shelfFor } from './parts'
import { arrange, fitPieces } from './placement'
import type { Base, Run, BaseShape } from './base'
import { faceArea, runsOf, widthOf } from './base'
import { sizeOf } from './constructions'
import { reachingCut } from './coverage'
import type { Material, Shelf } from './material'
import { materialOf } from './material'
import type { Said } from './measure'
import { capital, inches, lowerFirst, quantity, several, sum } from './measure'
import type { Layer, Piece, Ribbon, Rule, RuleOf } from './piece'
import { EACH, laysLengths, PieceSchema, ROLE_NAMES, usualAsking } from './piece'

/** One thing that is otherwise at another size. */
export interface SizeChange {
  /** The layer that it is of; null for the base. */
  readonly layer: string | null
  readonly what: string
  readonly before: Said
  readonly after: Said
  readonly why: string
}

/** A piece at another size, and all that is otherwise in it. */
export type Resized =
  { readonly ok: true; readonly piece: Piece; readonly changes: readonly SizeChange[] } | { readonly ok: false; readonly error: string }

const quarter = (mm: number): number => Math.max(inches(0.25), Math.round(mm / inches(0.25)) * inches(0.25))
/** What lies so near to what it was is not changed, share. */
const SAME = 0.04

/** How much larger the new base is. */
interface Larger {
  readonly before: Piece
  readonly after: Piece
  readonly from: readonly Run[]
  readonly to: readonly Run[]
  /** Its face, and its width. */
  readonly face: number
  readonly wide: number
  readonly shelf: Shelf
}

/**
 * The same piece on a base of another size of its kind, by sense and not by zoom: counts by the run, heads by what they cover,
 * bows by the base’s width, stems by how far they should reach. What is spaced goes by its spacing, and signs and figures are what
 * they are. Nudges of layers whose count changes are left out.
 * @param shape of the same form @param id of the new piece @param name of the new piece
 */
export function resized(piece: Piece, shape: BaseShape, without: Shelf, id: string, name: string): Resized {
  const shelf = shelfFor(piece, without)
  if (shape.form !== piece.base.shape.form) return { ok: false, error: 'Another size is of the same form.' }
  const base: Base = { ...piece.base, shape, price: null, mass: null }
  const [from, to] = [runsOf(piece.base), runsOf(base)]
  const bare: Piece = { ...piece, base }
  const larger: Larger = {
    before: piece,
    after: bare,
    from,
    to,
    face: faceArea(to) / faceArea(from),
    wide: widthOf(base) / widthOf(piece.base),
    shelf,
  }
  const counts = new Map(
    arrange(piece, from, shelf).map(({ layer, placements }) => [layer.id, placements.filter(({ added }) => !added).length]),
  )
  const changes: SizeChange[] = [
    {
      layer: null,
      what: 'Base, across',
      before: [quantity.length(widthOf(piece.base))],
      after: [quantity.length(widthOf(base))],
      why: 'as you chose',
    },
  ]
  const layers = piece.layers.map((layer) => {
    const [changed, own] = layerAt(layer, counts.get(layer.id) ?? 0, larger)
    changes.push(...own)
    return changed
  })
  const read = PieceSchema.safeParse({
    ...bare,
    id,
    stage: 'planned',
    brief: { ...piece.brief, name, copies: 1, budget: null },
    layers,
    making: { ...piece.making, day: null, recipe: null, order: [], own: [] },
    asking: usualAsking(),
    weighed: piece.weighed.filter(({ what }) => what !== 'whole'),
  })
  if (!read.success) return { ok: false, error: read.error.issues.map(({ message, path }) => `${path.join('.')}: ${message}`).join(' ') }
  return { ok: true, piece: read.data, changes }
}

const runLength = (layer: Layer, runs: readonly Run[]): number =>
  runs.filter(({ id }) => layer.run === EACH || id === layer.run).reduce((all, { length }) => all + length, 0)

/** A layer on its way to another size: as it is so far, and what was changed. */
interface Resizing {
  readonly layer: Layer
  readonly changes: readonly SizeChange[]
  /** Whether it lays another number, so that places by hand are others. */
  readonly recounted: boolean
}

const change = (layer: Layer, what: string, before: Said, after: Said, why: string): SizeChange => ({
  layer: layer.id,
  what: capital(what),
  before,
  after,
  why,
})

/** How much longer the runs are that a layer lies on. */
const longer = (layer: Layer, { from, to }: Larger): number => runLength(layer, to) / runLength(layer, from)

/** A bow by the width of the base. */
function bowAt(layer: Layer, rule: RuleOf<'bow'>, { wide }: Larger): Resizing {
  const ribbons = rule.ribbons.map((ribbon) => ribbonAt(ribbon, wide))
  const loop = (of: readonly Ribbon[]): number => Math.max(...of.map(sizeOf))
  const [before, after] = [loop(rule.ribbons), loop(ribbons)]
  const told = change(
    layer,
    'longest loop of the bow',
    [quantity.length(before)],
    [quantity.length(after)],
    'bows by the width of the base',
  )
  return {
    layer: { ...layer, rule: { ...rule, ribbons } },
    changes: Math.abs(after - before) > 0.5 ? [told] : [],
    recounted: false,
  }
}

/** Mesh and poofs: as many ties more as the run is longer. */
function tiesAt(layer: Layer, rule: RuleOf<'mesh'> | RuleOf<'poofs'>, material: Material, larger: Larger): Resizing {
  const ties = Math.max(1, Math.round((rule.ties * runLength(layer, larger.to)) / runLength(layer, larger.from)))
  const changed: Rule =
    rule.kind === 'mesh' ? { ...rule, ties, count: Math.max(1, Math.round((rule.count * ties) / rule.ties)) } : { ...rule, ties }
  const recounted = ties !== rule.ties
  const told = change(layer, `ties of ${material.plural}`, [quantity.count(rule.ties)], [quantity.count(ties)], 'counts by the run')
  return { layer: { ...layer, rule: changed }, changes: recounted ? [told] : [], recounted }
}

/** Stems: cut to where they should reach, and as many as the run is longer, or heads by what they cover. @param count laid before */
function stemsAt(layer: Layer, material: Material, count: number, larger: Larger): Resizing {
  const cut = cutAt(layer, material, larger)
  const heads = layer.role === 'focal' || material.form !== 'leaf'
  const wanted = Math.max(1, Math.round(count * (heads ? larger.face : longer(layer, larger))))
  const fitted = COUNTED_BY_RULE.has(layer.rule.kind) && count > 0 ? nearestFit(cut.layer, wanted, larger.to, larger.shelf) : null
  const recounted = fitted !== null && fitted.pieces !== count
  const rule = recounted ? fitted.rule : layer.rule
  const counted = recounted
    ? [
        change(
          layer,
          `how many ${material.plural}`,
          [quantity.count(count)],
          [several(fitted.pieces, material.name, material.plural)],
          heads ? 'heads by what they cover' : 'counts by the run',
        ),
      ]
    : []
  return {
    layer: { ...cut.layer, rule: rule.kind === 'mirror' ? { ...rule, gap: quarter(rule.gap * larger.wide) } : rule },
    changes: [...cut.changes, ...counted],
    recounted,
  }
}

/** What a hand moved moves with the run; where there are others now, it is left out and told. */
function handsAt({ layer, changes, recounted }: Resizing, before: Layer, larger: Larger): readonly [Layer, readonly SizeChange[]] {
  const moved = Object.keys(before.nudges).length
  const byHand = moved + before.taken.length
  if (recounted && byHand > 0)
    return [
      { ...layer, nudges: {}, taken: [] },
      [
        ...changes,
        change(
          before,
          `moved or left out by hand, ${lowerFirst(ROLE_NAMES[before.role])}`,
          sum`${several(byHand, 'thing', 'things')}`,
          ['none'],
          'the places they had are others',
        ),
      ],
    ]
  if (!moved) return [layer, changes]
  const along = longer(before, larger)
  const nudges = Object.fromEntries(Object.entries(before.nudges).map(([slot, nudge]) => [slot, { ...nudge, along: nudge.along * along }]))
  return [{ ...layer, nudges }, changes]
}

/** @param count that it laid before */
function layerAt(layer: Layer, count: number, larger: Larger): readonly [Layer, readonly SizeChange[]] {
  const material = materialOf(larger.shelf, layer.mix[0]?.material ?? '')
  if (!material) return [layer, []]
  const { rule } = layer
  const resizing: Resizing =
    rule.kind === 'bow'
      ? bowAt(layer, rule, larger)
      : rule.kind === 'mesh' || rule.kind === 'poofs'
        ? tiesAt(layer, rule, material, larger)
        : laysLengths(rule)
          ? { layer, changes: [], recounted: false }
          : stemsAt(layer, material, count, larger)
  return handsAt(resizing, layer, larger)
}

/** Rules that say their own count; the others go by a spacing or by another layer. */
const COUNTED_BY_RULE: ReadonlySet<Rule['kind']> = new Set([
  'compass',
  'against',
  'cluster',
  'crescent',
  'mirror',
  'bands',
  'arms',
  'scatter',
  'spray',
])

/** The rule that lays nearest to so many. */
function nearestFit(
  layer: Layer,
  wanted: number,
  runs: readonly Run[],
  shelf: Shelf,
): { readonly rule: Rule; readonly pieces: number } | null {
  // A rule takes at most what it is given: a little more may come nearer.
  const good = [0, 1, 2].flatMap((more) => fitPieces(layer, wanted + more, runs, shelf) ?? []).filter(({ pieces }) => pieces > 0)
  return good.length
    ? good.reduce((best, found) => (Math.abs(found.pieces - wanted) < Math.abs(best.pieces - wanted) ? found : best))
    : null
}

/** Stems cut to where they should reach on the new base; those that were whole stay so where they fit. */
function cutAt(layer: Layer, material: Material, larger: Larger): Pick<Resizing, 'layer' | 'changes'> {
  const { before, after, from, to, wide, shelf } = larger
  const asItIs = { layer, changes: [] }
  if (material.form !== 'leaf') return asItIs
  const reach = reachingCut(after, to, layer, material, shelf) / reachingCut(before, from, layer, material, shelf)
  // On a larger base nothing gets shorter, nor longer on a smaller one.
  const ratio = wide >= 1 ? Math.max(1, reach) : Math.min(1, reach)
  if (Math.abs(ratio - 1) < SAME) return asItIs
  if (layer.cut === null && ratio > 1) return asItIs
  const length = quarter((layer.cut ?? material.length) * ratio)
  const cut = length >= material.length * 0.97 ? null : Math.max(5, length)
  if (cut === layer.cut) return asItIs
  const said = (at: number | null): Said => (at === null ? ['whole'] : [quantity.length(at)])
  return {
    layer: { ...layer, cut },
    changes: [change(layer, `${material.plural} cut to`, said(layer.cut), said(cut), 'stems by how far they reach')],
  }
}

/** A ribbon’s build for a bow so many times as wide: as many loops, each longer or shorter. */
function ribbonAt(ribbon: Ribbon, by: number): Ribbon {
  const to = (mm: number): number => (mm === 0 ? 0 : quarter(mm * by))
  switch (ribbon.build) {
    case 'hand':
      return {
        ...ribbon,
        loop: to(ribbon.loop),
        groups: ribbon.groups && ribbon.groups.map((each) => ({ ...each, loop: to(each.loop) })),
        tails: [to(ribbon.tails[0]), to(ribbon.tails[1])],
        centre: to(ribbon.centre),
      }
    case 'strips':
      return { ...ribbon, loop: to(ribbon.loop), tail: to(ribbon.tail) }
    case 'rag':
      return { ...ribbon, loop: to(ribbon.loop), strip: to(ribbon.strip) }
    case 'coil':
      return { ...ribbon, flat: to(ribbon.flat) }
    case 'flat':
      return { ...ribbon, width: to(ribbon.width) }
    case 'folded':
      return { ...ribbon, loop: to(ribbon.loop), tail: to(ribbon.tail) }
    case 'tails':
      return { ...ribbon, tail: to(ribbon.tail) }
    case 'fill-ins':
      return { ...ribbon, loop: to(ribbon.loop) }
  }
}
