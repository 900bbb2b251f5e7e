import type { LaidPiece, Placement } from '../placement'
import type { Run } from '../base'
import { stationAt } from '../base'
import type { Fixing, Way } from '../fixing'
import { FIXING_WAYS, waysFor } from '../fixing'
import type { Shelf } from '../material'
import type { Point, Said } from '../measure'
import { capital, listed } from '../measure'
import type { Mend, Piece, Problem } from '../piece'
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
      return joint.body === 'foam' ? 'only foam' : 'pins pull out'
    case 'grip':
      return 'only tucked in'
    case 'wire':
    case 'ties':
    case 'cord':
      return held < 2 ? 'one tie' : null
  }
}

/** Every chain from what is heavy to the hanger, worst first. */
export function loadPaths({ piece, runs, laid, shelf }: LaidPiece, fixings: readonly Fixing[]): LoadPath[] {
  const hang = pivotOf(piece, runs, shelf) ?? attachment(runs, { run: runs[0]!.id, at: 0 })
  const up = hangerLinks(piece)
  const paths = fixings
    .filter(({ hold }) => hold === 'heavy')
    .flatMap((fixing): LoadPath[] => {
      const own = laid.find(({ layer }) => layer.id === fixing.layer)!
      const things =
        own.layer.rule.kind === 'bow' ? own.placements.slice(0, 1) : own.placements.filter(({ material }) => material === fixing.material)
      const backup = own.layer.backup ? FIXING_WAYS[own.layer.backup] : null
      const ways = [FIXING_WAYS[fixing.way], ...(backup && backup.id !== fixing.way ? [backup] : [])]
      const weak = ways.map((way) => weakness(way, fixing, shelf))
      const sound = weak.some((each) => each === null)
      const lettingGo = sound ? [] : [...new Set(weak.flatMap((each) => each ?? []))]
      const held: LoadLink = {
        says: [capital(listed(ways.map(({ held: how }) => how)))],
        sound,
        why: sound ? null : weaknessSaid(lettingGo),
      }
      const links = [held, ...up]
      return things.map((thing) => ({
        id: thing.id,
        layer: fixing.layer,
        name: fixing.name,
        points: [{ x: thing.x, y: thing.y }, footOn(thing, runs), hang],
        links,
        weak: lettingGo,
        sound: links.every((link) => link.sound),
      }))
    })
  return [...paths.filter(({ sound }) => !sound), ...paths.filter(({ sound }) => sound)]
}

/** Where on the base a thing is held. */
function footOn(thing: Placement, runs: readonly Run[]): Point {
  const run = runs.find(({ id }) => id === thing.run) ?? runs[0]!
  const { x, y } = thing.cord ?? stationAt(run, thing.s)
  return { x, y }
}

function hangerLinks({ hanger }: Piece): LoadLink[] {
  if (!hanger) return [{ says: ['No hanger'], sound: false, why: 'nothing holds the piece' }]
  const weak = hanger.loop === 'coat hook' ? 'its shank is in the foam unless it is bound to the ring' : null
  return [
    { says: [HANGING_LOOPS[hanger.loop].name], sound: true, why: weak },
    { says: [HANGING_HOOKS[hanger.hook].name], sound: true, why: null },
  ]
}

/** Chains that would let go, one problem a layer. */
export function loadProblems(piece: Piece, paths: readonly LoadPath[], fixings: readonly Fixing[]): Problem[] {
  return fixings.flatMap((fixing): Problem[] => {
    const { layer, hold, plural, material } = fixing
    const weak = paths.find((path) => path.layer === layer)?.weak
    if (hold !== 'heavy' || !weak?.length || fixing.against?.because === 'base') return []
    const suits = waysFor(piece, hold).filter(({ way, against }) => against === null && (way.link === 'wire' || way.link === 'ties'))
    return [
      {
        id: `${layer}:load:${material}`,
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
