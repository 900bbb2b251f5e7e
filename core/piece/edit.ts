import { addedSlot } from './slot-key'
import { create, type Patches } from 'mutative'
import type { Base } from '../base'
import type { Asking } from './pricing-decisions'
import type { Hanger, MakingDecisions, ScaleReading } from './making-decisions'
import type { Added, Brief, Design, Layer, Nudge, Part, Piece, Stage } from './schema'
import { PieceSchema } from './schema'

/** One decision. Edits are data, so a problem can carry the edit that would mend it. */
export type Edit =
  | { readonly do: 'brief'; readonly set: Partial<Brief> }
  | { readonly do: 'stage'; readonly stage: Stage }
  | { readonly do: 'base'; readonly set: Partial<Base> }
  | { readonly do: 'add layer'; readonly layer: Layer; readonly at: number }
  | { readonly do: 'remove layer'; readonly layer: string }
  | { readonly do: 'move layer'; readonly layer: string; readonly to: number }
  | { readonly do: 'layer'; readonly layer: string; readonly set: Partial<Omit<Layer, 'id'>> }
  | { readonly do: 'restore'; readonly piece: Piece }
  | { readonly do: 'nudge'; readonly layer: string; readonly slot: string; readonly nudge: Nudge | null }
  | { readonly do: 'add'; readonly layer: string; readonly things: readonly Added[] }
  /** Leaves places of the rule empty, or takes off what a hand put on. */
  | { readonly do: 'take off'; readonly layer: string; readonly slots: readonly string[] }
  | { readonly do: 'fixing'; readonly set: Partial<Piece['fixing']> }
  | { readonly do: 'hanger'; readonly hanger: Hanger | null }
  | { readonly do: 'making'; readonly set: Partial<MakingDecisions> }
  | { readonly do: 'asking'; readonly set: Partial<Asking> }
  /** What the scale said of a thing; null forgets it. */
  | { readonly do: 'weigh'; readonly what: string; readonly reading: Omit<ScaleReading, 'what'> | null }
  | { readonly do: 'add part'; readonly part: Part }
  | { readonly do: 'remove part'; readonly part: string }
  | { readonly do: 'part'; readonly part: string; readonly set: Partial<Pick<Part, 'name' | 'lies' | 'dries' | 'bought'>> }
  /** One that a part is given, of its base or its layers. */
  | { readonly do: 'in part'; readonly part: string; readonly edit: DesignEdit }
  | { readonly do: 'several'; readonly edits: readonly Edit[] }

/** What makes an edit one of a base and its layers, which a piece and its parts have alike. */
const IN_DESIGN = ['base', 'add layer', 'remove layer', 'move layer', 'layer', 'nudge', 'add', 'take off'] as const
export type DesignEdit = Extract<Edit, { readonly do: (typeof IN_DESIGN)[number] }>
const isOfDesign = (how: Edit): how is DesignEdit => (IN_DESIGN as readonly string[]).includes(how.do)

/** An edit of a part that is worked on as if it were a piece: what is of base and layers is the part’s, all else the piece’s. */
export const inPart = (part: string, how: Edit): Edit =>
  how.do === 'several'
    ? { do: 'several', edits: how.edits.map((each) => inPart(part, each)) }
    : isOfDesign(how)
      ? { do: 'in part', part, edit: how }
      : how

/** What an edit did, and how to take it back. */
export interface Change {
  readonly piece: Piece
  readonly forward: Patches
  readonly back: Patches
  readonly words: string
}

export type Edited = { readonly ok: true; readonly change: Change } | { readonly ok: false; readonly error: string }

/**
 * Applies one edit.
 * @param words what the edit is called in undo and redo
 * @returns the change, or why the piece cannot be so; the piece that came in is never altered
 * @throws RangeError when the edit names a layer that is not there
 */
export function edit(piece: Piece, how: Edit, words: string): Edited {
  const [next, forward, back] = create(piece, (draft) => apply(draft, how), { enablePatches: true })
  const read = PieceSchema.safeParse(next)
  if (!read.success) return { ok: false, error: read.error.issues.map(wrong).join(' ') }
  return { ok: true, change: { piece: next, forward, back, words } }
}

/** What is wrong with a value, in words: `At most 3000.` for a limit, in the unit that the document has. */
function wrong(issue: {
  readonly code: string
  readonly message: string
  readonly maximum?: unknown
  readonly minimum?: unknown
  readonly origin?: unknown
}): string {
  if (issue.origin === 'number' && issue.code === 'too_big') return `At most ${String(issue.maximum)}.`
  if (issue.origin === 'number' && issue.code === 'too_small') return `At least ${String(issue.minimum)}.`
  return issue.message
}

function apply(draft: Piece, how: Edit): void {
  if (isOfDesign(how)) {
    applyToDesign(draft, how, `piece ${draft.id}`)
    return
  }
  switch (how.do) {
    case 'brief':
      Object.assign(draft.brief, how.set)
      return
    case 'restore':
      Object.assign(draft, how.piece, { id: draft.id })
      return
    case 'stage':
      draft.stage = how.stage
      return
    case 'add part':
      draft.parts.push(how.part)
      return
    case 'remove part':
      draft.parts.splice(draft.parts.indexOf(partOf(draft, how.part)), 1)
      return
    case 'part':
      Object.assign(partOf(draft, how.part), how.set)
      return
    case 'in part':
      applyToDesign(partOf(draft, how.part), how.edit, `part ${how.part} of piece ${draft.id}`)
      return
    case 'fixing':
      Object.assign(draft.fixing, how.set)
      return
    case 'hanger':
      draft.hanger = how.hanger
      return
    case 'making':
      Object.assign(draft.making, how.set)
      return
    case 'asking':
      Object.assign(draft.asking, how.set)
      return
    case 'weigh':
      draft.weighed = [
        ...draft.weighed.filter(({ what }) => what !== how.what),
        ...(how.reading ? [{ what: how.what, ...how.reading }] : []),
      ]
      return
    case 'several':
      for (const each of how.edits) apply(draft, each)
  }
}

function applyToDesign(draft: Design, how: DesignEdit, of: string): void {
  const indexOf = (id: string): number => {
    const at = draft.layers.findIndex((layer) => layer.id === id)
    if (at < 0) throw new RangeError(`no layer ${id} in ${of}`)
    return at
  }
  const layerOf = (id: string): Layer => draft.layers[indexOf(id)]!
  switch (how.do) {
    case 'base':
      Object.assign(draft.base, how.set)
      return
    case 'add layer':
      draft.layers.splice(how.at, 0, how.layer)
      return
    case 'remove layer':
      draft.layers.splice(indexOf(how.layer), 1)
      return
    case 'move layer': {
      const [moved] = draft.layers.splice(indexOf(how.layer), 1)
      draft.layers.splice(how.to, 0, moved!)
      return
    }
    case 'layer':
      Object.assign(layerOf(how.layer), how.set)
      return
    case 'nudge': {
      const layer = layerOf(how.layer)
      if (how.nudge) layer.nudges[how.slot] = how.nudge
      else Reflect.deleteProperty(layer.nudges, how.slot)
      return
    }
    case 'add':
      layerOf(how.layer).added.push(...how.things)
      return
    case 'take off': {
      const layer = layerOf(how.layer)
      const put = new Set(layer.added.map(({ id }) => addedSlot(id)))
      layer.added = layer.added.filter(({ id }) => !how.slots.includes(addedSlot(id)))
      layer.taken = [...new Set([...layer.taken, ...how.slots.filter((slot) => !put.has(slot))])]
      for (const slot of how.slots) Reflect.deleteProperty(layer.nudges, slot)
    }
  }
}

function partOf(piece: Piece, id: string): Part {
  const part = piece.parts.find((each) => each.id === id)
  if (!part) throw new RangeError(`no part ${id} in piece ${piece.id}`)
  return part
}
