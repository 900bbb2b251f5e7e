import { dotsRule } from '../fixing'
import type { LaidLayer, LaidPiece, Placement } from '../placement'
import { HELD, spotAlong } from '../placement'
import type { Run } from '../base'
import { baseMass, stationAt } from '../base'
import { FRAME_USE, isBent } from '../constructions'
import type { FixingAmount } from '../fixing'
import type { Material, Need, Shelf } from '../material'
import { byMaterial, isCut, lengthsIn, materialOf, thingsIn } from '../material'
import type { Figure, Point, Term } from '../measure'
import {
  COUNTED,
  figure,
  given,
  onceFor,
  onceWith,
  quantity,
  RULE_OF_THUMB,
  several,
  sum,
  byRule,
  count as n,
  named,
  ofFigure,
  plus,
  plusAll,
  saidAs,
  labelled,
  times,
  worked,
} from '../measure'
import type { ScaleReading } from '../piece'
import { facesOf, isItself, laysLengths } from '../piece'
import { attachment } from './hanger'
import { GLUE_EACH } from './rules-of-thumb'

/** Grams of one of a material as it lies: what is cut shorter weighs its share. */
const massAt = ({ mass, length: whole, form, kind }: Material, { length }: Pick<Placement, 'length'>): number =>
  form === 'leaf' || isCut({ kind, length: whole }) ? mass * Math.min(1, length / whole) : mass

/** A part of a piece, what it weighs, and where its weight lies, mm about the base's middle. */
export interface WeightPart {
  readonly id: string
  readonly kind: 'base' | 'stems' | 'lengths' | 'fixings' | 'glue' | 'hanger'
  readonly layer: string | null
  /** What it is of; null for the base. */
  readonly material: string | null
  readonly figure: Figure
  readonly at: Point
}

/** Parts by what they weigh, the heaviest first. */
export const heaviestFirst = (parts: readonly WeightPart[]): WeightPart[] => [...parts].sort((a, b) => b.figure.value - a.figure.value)

/** What a piece weighs: its base, all that is on it, the two together, part by part; and where it all balances. */
export interface Masses {
  readonly base: Figure
  readonly on: Figure
  readonly whole: Figure
  /** The same as it is reckoned, whatever a scale said. */
  readonly reckoned: Figure
  readonly parts: readonly WeightPart[]
  /** The centre of mass; null while there is nothing. */
  readonly centre: { readonly x: Figure; readonly y: Figure } | null
}

const MIDDLE: Point = { x: 0, y: 0 }
const STATIONS = 48
const centring = onceFor<readonly Run[], Point>()

/** Where the weight of a bare base lies: its faces, by their width. */
export const centreOfRuns = (runs: readonly Run[]): Point =>
  centring(runs, () => {
    let [x, y, all] = [0, 0, 0]
    for (const run of runs)
      for (let i = 0; i < STATIONS; i++) {
        const at = stationAt(run, ((i + 0.5) / STATIONS) * run.length)
        const weight = at.half * run.length
        x += at.x * weight
        y += at.y * weight
        all += weight
      }
    return all > 0 ? { x: x / all, y: y / all } : MIDDLE
  })

/** Where the weight of a thing lies: a stem's halfway up it, which is held a little up from its foot; anything else's where it is. */
function middleOf(thing: Placement): Point {
  const { x, y, length, form } = thing
  return form === 'leaf' ? spotAlong(thing, length * (1 / 2 - HELD), 0) : { x, y }
}

const meanOf = (weighed: readonly { readonly mass: number; readonly at: Point }[], otherwise: Point): Point => {
  const all = weighed.reduce((total, { mass }) => total + mass, 0)
  return all > 0
    ? {
        x: weighed.reduce((total, { mass, at }) => total + mass * at.x, 0) / all,
        y: weighed.reduce((total, { mass, at }) => total + mass * at.y, 0) / all,
      }
    : otherwise
}

/** What is weighed of one material on a scale, g each; null where it was not. */
export function weighedEach(weighed: readonly ScaleReading[], material: string): number | null {
  const reading = weighed.find(({ what }) => what === material)
  return reading ? reading.grams / reading.of : null
}

/** @param needs of one copy @param taken by what holds it */
export function massesOf(of: LaidPiece, needs: readonly Need[], taken: readonly FixingAmount[]): Masses {
  const { piece, runs, shelf } = of
  const base =
    isItself(piece) && piece.base.mass === null
      ? figure(quantity.mass(0), sum`bound of its boughs: there is no other base`, COUNTED)
      : isBent(piece.base) && piece.base.mass === null
        ? rodMass(needs, shelf)
        : baseMass(piece.base, runs, shelf)
  const on = partsOn(of, needs, taken)
  const parts: WeightPart[] = [
    ...(base.value > 0 ? [{ id: 'base', kind: 'base' as const, layer: null, material: null, figure: base, at: centreOfRuns(runs) }] : []),
    ...on.map(({ term, ...part }): WeightPart => ({ ...part, figure: worked(term) })),
  ]
  const terms = on.map(({ term }) => term)
  const together = terms.length
    ? worked({ ...plusAll(terms, terms[0]!), worked: true })
    : figure(quantity.mass(0), sum`nothing laid yet`, COUNTED)
  const reckoned = worked(plus(labelled`base ${ofFigure(base)}`, labelled`on it ${ofFigure(together)}`))
  const read = piece.weighed.find(({ what }) => what === 'whole')
  return {
    base,
    on: together,
    whole: read
      ? figure(
          quantity.mass(read.grams / read.of),
          read.of > 1 ? sum`${quantity.mass(read.grams)} on the scale ÷ ${quantity.count(read.of)}` : sum`on the scale`,
          { kind: 'measured' },
        )
      : reckoned,
    reckoned,
    parts,
    centre: centreOf(parts),
  }
}

/** What a frame weighs that is bent of rod. */
function rodMass(needs: readonly Need[], shelf: Shelf): Figure {
  const rods = lengthsIn(needs).filter(({ use }) => use === FRAME_USE)
  const terms = rods.map(({ material, length, count }) => {
    const of = materialOf(shelf, material)!
    return weighed(of.name, (of.mass * length * count) / of.length, false)
  })
  return worked(plusAll(terms, given(quantity.mass(0), RULE_OF_THUMB)))
}

/** Where parts balance: each place by its weight. */
function centreOf(parts: readonly WeightPart[]): Masses['centre'] {
  const mass = parts.reduce((total, { figure: { value } }) => total + value, 0)
  if (mass <= 0) return null
  const basis = parts.some(({ figure: { basis } }) => basis.kind !== 'measured') ? RULE_OF_THUMB : ({ kind: 'measured' } as const)
  const along = (axis: 'x' | 'y', [one, other]: readonly [string, string]): Figure => {
    const value = parts.reduce((total, { figure: { value }, at }) => total + value * at[axis], 0) / mass
    return figure(
      quantity.length(value),
      sum`each part’s weight by how far it lies to the ${one} or ${other} of the middle, together, ÷ ${quantity.mass(mass)}`,
      basis,
    )
  }
  return { x: along('x', ['right', 'left']), y: along('y', ['bottom', 'top']) }
}

/** What so much of a material weighs, by what one is said to weigh, or weighed on the scale. */
const weighed = (name: string, mass: number, measured: boolean): Term =>
  named(name, quantity.mass(mass), measured ? { kind: 'measured' } : RULE_OF_THUMB)

type Open = Omit<WeightPart, 'figure'> & { readonly term: Term }

const stemming = onceWith<LaidLayer, { readonly at: Point; readonly parts: readonly Open[] }>()

/** The stems of a layer, as cut, by material; and where all of them lie. */
const stemParts = (laid: LaidLayer, bare: Point, weights: readonly ScaleReading[], shelf: Shelf) =>
  stemming(laid, [bare, weights, shelf], () => {
    const { layer, placements } = laid
    const middles = placements.map(middleOf)
    const at = meanOf(
      middles.map((middle) => ({ mass: 1, at: middle })),
      bare,
    )
    if (laysLengths(layer.rule)) return { at, parts: [] }
    const faces = facesOf(layer.rule)
    const found = new Map<string, { readonly thing: Placement; readonly at: Point }[]>()
    placements.forEach((thing, i) => {
      const own = found.get(thing.material)
      if (own) own.push({ thing, at: middles[i]! })
      else found.set(thing.material, [{ thing, at: middles[i]! }])
    })
    const parts = [...found].map(([id, own]): Open => {
      const material = materialOf(shelf, id)!
      const each = weighedEach(weights, id)
      // What weighs nothing by the catalogue weighs what the scale says, however it is cut.
      const massOf = (thing: Placement): number =>
        each === null ? massAt(material, thing) : material.mass === 0 ? each : (massAt(material, thing) / material.mass) * each
      const lying = own.map((one) => ({ mass: massOf(one.thing), at: one.at }))
      const mass = faces * lying.reduce((total, one) => total + one.mass, 0)
      return {
        id: `${layer.id}:${id}`,
        kind: 'stems',
        layer: layer.id,
        material: id,
        at: meanOf(lying, at),
        term: weighed(several(own.length * faces, material.name, material.plural), mass, each !== null),
      }
    })
    return { at, parts }
  })

/** Where the weight of what is not a stem lies: with its layer's stems, at the hanger, or in the middle of the base. */
interface Places {
  readonly ofLayer: (layer: string) => Point
  readonly hanger: Point
}

/** The needs that are weighed as one part: of one layer and one material, what hangs it apart. */
function gathered<N extends Need>(all: readonly N[]): N[][] {
  const groups = new Map<string, N[]>()
  for (const need of all) {
    const key = `${need.layer} ${need.use === 'hanger' ? 'hanger' : ''} ${need.material}`
    groups.set(key, [...(groups.get(key) ?? []), need])
  }
  return [...groups.values()]
}

/** A part of some needs of one material, by what they weigh. */
function partOf<N extends Need>(needs: readonly N[], shelf: Shelf, places: Places, weigh: (material: Material) => Term): Open[] {
  const { layer, use, material: id } = needs[0]!
  const material = materialOf(shelf, id)
  if (!material) return []
  return [
    {
      id: `${layer}:${use}:${id}`,
      kind: use === 'hanger' ? 'hanger' : use === 'fixing' ? 'fixings' : 'lengths',
      layer,
      material: id,
      at: use === 'hanger' ? places.hanger : places.ofLayer(layer),
      term: weigh(material),
    },
  ]
}

/** What comes by the length; what is laid by the length is weighed as it lies. */
const lengthParts = (needs: readonly Need[], shelf: Shelf, places: Places): Open[] =>
  gathered(lengthsIn(needs).filter(({ use }) => use !== 'laid' && use !== FRAME_USE)).flatMap((all) =>
    partOf(all, shelf, places, (material) => {
      const length = all.reduce((total, each) => total + each.length * each.count, 0)
      const mass = (material.mass * length) / material.length
      return saidAs(weighed('', mass, false), sum`${quantity.length(length)} of ${material.name} ${quantity.mass(mass)}`)
    }),
  )

/** Small things. Sticks and tubes are bought whole and go on by the dot; hooks stay in the wall. */
const thingParts = (needs: readonly Need[], shelf: Shelf, places: Places): Open[] =>
  gathered(thingsIn(needs).filter(({ use, material }) => use !== 'laid' && use !== 'hook' && !dotsRule(material))).flatMap((all) =>
    partOf(all, shelf, places, (material) => {
      const used = all.reduce((total, { count }) => total + count, 0)
      return weighed(several(used, material.name, material.plural), used * material.mass, false)
    }),
  )

/** Glue, by its dots. */
const glueParts = (taken: readonly FixingAmount[], shelf: Shelf, bare: Point, { ofLayer }: Places): Open[] =>
  [...byMaterial(taken.filter(({ of }) => of === 'dots'))].flatMap(([id, all]): Open[] => {
    const dots = all.reduce((total, { figure: { value } }) => total + value, 0)
    if (dots <= 0) return []
    const lying = all.map(({ layer, figure: { value } }) => ({ mass: value, at: ofLayer(layer) }))
    const term = labelled`glue in ${times(n(Math.round(dots)), byRule(GLUE_EACH, shelf))}`
    return [{ id: `glue:${id}`, kind: 'glue', layer: null, material: id, at: meanOf(lying, bare), term }]
  })

/** All that is on the base, layer by layer: stems as cut, what comes by the length, the small things that hold it, glue, and the hanger. */
function partsOn({ piece, runs, laid, shelf }: LaidPiece, needs: readonly Need[], taken: readonly FixingAmount[]): Open[] {
  const bare = centreOfRuns(runs)
  const stems = laid.map((each) => ({ layer: each.layer.id, ...stemParts(each, bare, piece.weighed, shelf) }))
  const centres = new Map(stems.map(({ layer, at }) => [layer, at]))
  const places: Places = {
    ofLayer: (layer) => centres.get(layer) ?? bare,
    hanger: piece.hanger ? attachment(runs, piece.hanger) : bare,
  }
  return [
    ...stems.flatMap(({ parts }) => parts),
    ...lengthParts(needs, shelf, places),
    ...thingParts(needs, shelf, places),
    ...glueParts(taken, shelf, bare, places),
  ]
}
