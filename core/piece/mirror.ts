import { addedSlot, slotKey, slotOf } from './slot-key'
import { mirrorShape, runsOf } from '../base'
import type { Base, Run } from '../base'
import { wrapDegrees } from '../measure'
import type { Rule } from './rules'
import { mirrorRule, ruleSortOf } from './rules'
import type { Flow, Layer, Nudge, Piece } from './schema'
import { flip } from './schema-primitives'

/** The other of a pair: the same piece seen in a mirror, thing for thing. */
export function mirrorPiece(piece: Piece, id: string, name: string): Piece {
  const { base, brief } = piece
  const runs = runsOf(base)
  return {
    ...piece,
    id,
    brief: { ...brief, name, balance: { ...brief.balance, towards: wrapDegrees(-brief.balance.towards) } },
    base: mirrorBase(base, runs),
    parts: piece.parts.map((part) => {
      const own = runsOf(part.base)
      return { ...part, base: mirrorBase(part.base, own), layers: part.layers.map((layer) => mirrorLayer(layer, own)) }
    }),
    layers: piece.layers.map((layer) => mirrorLayer(layer, runs)),
    hanger: piece.hanger && mirrorPlace(piece.hanger, runs),
  }
}

function mirrorBase(base: Base, [first]: readonly Run[]): Base {
  const flips = (share: number): number => (first!.mirror.reversed ? flip(share) : share)
  return {
    ...base,
    shape: mirrorShape(base.shape),
    turn: wrapDegrees(-base.turn),
    join: flips(base.join),
    hook: base.hook === null ? null : flips(base.hook),
  }
}

/** A place on the mirror image: on the run that lies there, from its other end where that runs backwards. */
function mirrorPlace<T extends { readonly run: string; readonly at: number }>(place: T, runs: readonly Run[]): T {
  const to = runs.find(({ id }) => id === place.run)?.mirror
  return to ? { ...place, run: to.run, at: to.reversed ? flip(place.at) : place.at } : place
}

/** The flow that points the mirror image's way on a run whose places run backwards in the mirror. */
export const OTHER_WAY: Record<Flow, Flow> = {
  clockwise: 'anticlockwise',
  anticlockwise: 'clockwise',
  apart: 'apart',
  together: 'together',
  outward: 'outward',
  inward: 'inward',
  nest: 'nest',
}

/** A rule that names slots names their images. */
const renamed = (rule: Rule, imageOf: (slot: string) => string): Rule =>
  rule.kind === 'on' && rule.only ? { ...rule, only: rule.only.map(imageOf) } : rule

function mirrorLayer(layer: Layer, runs: readonly Run[]): Layer {
  const mirrorOf = (id: string): Run['mirror'] =>
    runs.find((run) => run.id === id)?.mirror ?? { run: id, reversed: runs[0]!.mirror.reversed }
  const { run, reversed } = mirrorOf(layer.run)
  const sideOn = (id: string): number => (mirrorOf(id).flipped ? -1 : 1)
  const imageOf = (slot: string): string => {
    const id = slotOf(slot)
    return id.run === null ? slot : slotKey({ ...id, run: mirrorOf(id.run).run })
  }
  const turned = (slot: string, nudge: Nudge): Nudge => {
    const on = slotOf(slot).run ?? layer.added.find((each) => addedSlot(each.id) === slot)?.run ?? layer.run
    return {
      ...nudge,
      along: mirrorOf(on).reversed ? 0 - nudge.along : nudge.along,
      across: nudge.across * sideOn(on),
      turn: 0 - nudge.turn,
    }
  }
  return {
    ...layer,
    run,
    lean: ruleSortOf(layer.rule.kind).level ? 0 - layer.lean : layer.lean,
    mirrored: !layer.mirrored,
    rule: renamed(reversed ? mirrorRule(layer.rule) : layer.rule, imageOf),
    ...(reversed ? { seat: flip(layer.seat), flow: OTHER_WAY[layer.flow] } : {}),
    nudges: Object.fromEntries(Object.entries(layer.nudges).map(([slot, nudge]) => [imageOf(slot), turned(slot, nudge)])),
    added: layer.added.map((each) => {
      const to = mirrorOf(each.run)
      return {
        ...each,
        run: to.run,
        at: to.reversed ? flip(each.at) : each.at,
        across: each.across * sideOn(each.run),
        turn: 0 - each.turn,
      }
    }),
    taken: layer.taken.map(imageOf),
  }
}
