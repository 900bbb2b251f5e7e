import type { LaidPiece, Placement } from '../placement'
import type { Run } from '../base'
import { stationAt } from '../base'
import { bearersUnder } from '../placement'
import type { Fixing, HeldAlike, Way } from '../fixing'
import { FIXING_WAYS, fixingKey, heldAlike, waysFor } from '../fixing'
import type { Shelf } from '../material'
import type { Point, Said } from '../measure'
import { capital, listed } from '../measure'
import type { Layer, Mend, Piece, Problem } from '../piece'
import { attachment, pivotOf } from './hanger'
import { HANGING_HOOKS, HANGING_LOOPS } from './hanger-catalogue'
import type { Weakness } from './words'
import { hangingMessage, weaknessSaid } from './words'

/** One link of the chain from a heavy thing to what the piece hangs on. */
export interface LoadLink {
  readonly says: Said
  readonly sound: boolean
  /** Why it may let go; null when it is sound. */
  readonly why: string | null
}

/** From a heavy thing through what holds it to the hanger. */
export interface LoadPath {
  readonly id: string
  readonly layer: string
  /** Which fixing of the layer holds it, by `fixingKey`. */
  readonly fixing: string
  readonly name: string
  /** The thing, where it is held on the base, and where the piece hangs. */
  readonly points: readonly Point[]
  readonly links: readonly LoadLink[]
  /** Why its first link may let go; empty when it is sound. */
  readonly weak: readonly Weakness[]
  readonly sound: boolean
}

/** Why a way alone may let go of something heavy; null when it will not. */
function weakness({ link, places, id }: Way, { joint, tied, way }: Fixing, by: Shelf): Weakness | null {
  // A wire that ties a bow has two ends, and what hangs on cords has two of them.
  const held = tied && way === id ? 2 : places(joint, by)
  switch (link) {
    case 'glue':
      return 'only glue'
    case 'pin':
      return joint.ground === 'foam' ? 'only foam' : 'pins pull out'
    case 'grip':
      return 'only tucked in'
    case 'wire':
    case 'ties':
    case 'cord':
      return held < 2 ? 'one tie' : null
  }
}

/** Every chain from what is heavy to the hanger, worst first. */
export function loadPaths(of: LaidPiece, fixings: readonly Fixing[]): LoadPath[] {
  const { piece, runs, laid, shelf } = of
  const hang = pivotOf(piece, runs, shelf) ?? attachment(runs, { run: runs[0]!.id, at: 0 })
  const up = hangerLinks(piece)
  const byId = new Map(laid.flatMap(({ placements }) => placements.map((each) => [each.id, each])))
  const held = heldBy(of, fixings)
  const paths = fixings
    .filter(({ hold }) => hold === 'heavy')
    .flatMap((fixing): LoadPath[] => {
      const own = laid.find(({ layer }) => layer.id === fixing.layer)!
      const { link, weak } = linkOf(own.layer, fixing, shelf)
      return held.thingsOf(fixing).map((thing) => {
        const bearers = bearersUnder(thing, byId)
        const under = bearers.flatMap((bearer): LoadLink[] => {
          const by = held.fixingOf(bearer)
          const { layer } = laid.find((each) => each.layer.id === bearer.layer)!
          return by ? [linkOf(layer, by, shelf, true).link] : []
        })
        const links = [link, ...under, ...up]
        return {
          id: thing.id,
          layer: fixing.layer,
          fixing: fixingKey(fixing),
          name: fixing.name,
          points: [...[thing, ...bearers].map(({ x, y }) => ({ x, y })), footOn(bearers.at(-1) ?? thing, runs), hang],
          links,
          weak,
          sound: links.every((each) => each.sound),
        }
      })
    })
  return [...paths.filter(({ sound }) => !sound), ...paths.filter(({ sound }) => sound)]
}

/** Which things each fixing holds, and what holds each. */
function heldBy(of: LaidPiece, fixings: readonly Fixing[]) {
  const alike = heldAlike(of)
  const things = new Map(of.laid.flatMap((one) => alike(one).map((each) => [`${one.layer.id} ${keyOf(each)}`, each.placements] as const)))
  const keyed = new Map(fixings.map((fixing) => [`${fixing.layer} ${fixingKey(fixing)}`, fixing]))
  const by = new Map([...things].flatMap(([key, own]) => own.map(({ id }) => [id, keyed.get(key)] as const)))
  return {
    thingsOf: (fixing: Fixing): readonly Placement[] => things.get(`${fixing.layer} ${fixingKey(fixing)}`) ?? [],
    fixingOf: ({ id }: Placement): Fixing | undefined => by.get(id),
  }
}

const keyOf = ({ material, ...rest }: HeldAlike): string => fixingKey({ material: material.id, ...rest })

/** The link that a fixing is, and why it may let go. @param bears whether it is told as what bears something else */
function linkOf(layer: Layer, fixing: Fixing, by: Shelf, bears = false): { readonly link: LoadLink; readonly weak: readonly Weakness[] } {
  const backup = layer.backup ? FIXING_WAYS[layer.backup] : null
  const ways = [FIXING_WAYS[fixing.way], ...(backup && backup.id !== fixing.way ? [backup] : [])]
  const found = ways.map((way) => weakness(way, fixing, by))
  const sound = found.some((each) => each === null)
  const weak = sound ? [] : [...new Set(found.flatMap((each) => each ?? []))]
  const how = listed(ways.map(({ held }) => held))
  return {
    link: { says: [bears ? `The ${fixing.name} ${how}` : capital(how)], sound, why: sound ? null : weaknessSaid(weak) },
    weak,
  }
}

/** Where on the base a thing is held. */
function footOn(thing: Placement, runs: readonly Run[]): Point {
  const run = runs.find(({ id }) => id === thing.run) ?? runs[0]!
  const { x, y } = thing.cord ?? stationAt(run, thing.s)
  return { x, y }
}

function hangerLinks({ hanger }: Piece): LoadLink[] {
  if (!hanger) return [{ says: ['No hanger'], sound: false, why: 'nothing holds the piece' }]
  const weak = hanger.loop === 'coat hook' ? 'its shank is in the foam unless it is bound down' : null
  return [
    { says: [HANGING_LOOPS[hanger.loop].name], sound: true, why: weak },
    { says: [HANGING_HOOKS[hanger.hook].name], sound: true, why: null },
  ]
}

/** Chains that would let go, one problem a layer. */
export function loadProblems(piece: Piece, paths: readonly LoadPath[], fixings: readonly Fixing[]): Problem[] {
  return fixings.flatMap((fixing): Problem[] => {
    const { layer, ground, hold, plural } = fixing
    const weak = paths.find((path) => path.layer === layer && path.fixing === fixingKey(fixing))?.weak
    if (hold !== 'heavy' || !weak?.length || fixing.against?.because === 'base') return []
    const suits = waysFor(piece, { ground, hold }).filter(
      ({ way, against }) => against === null && (way.link === 'wire' || way.link === 'ties'),
    )
    return [
      {
        id: `${layer}:load:${fixingKey(fixing)}`,
        severity: 'care',
        layer,
        ...hangingMessage('may-fall', { plural, weak }),
        mends: suits.slice(0, 1).flatMap(({ way }): Mend[] => [
          { ...hangingMessage('hold-with', { way: way.id }), edit: { do: 'layer', layer, set: { fixing: way.id } } },
          { ...hangingMessage('back-up-with', { way: way.id }), edit: { do: 'layer', layer, set: { backup: way.id } } },
        ]),
      },
    ]
  })
}
