import { clamp, inches } from '#core/measure'
import type { Edit, Nudge } from '#core/piece'
import type { Placement } from '#core/placement'
import { movedAlone, nudgeAll } from '#core/placement'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import type { EditMessage } from '../utils/edit-messages'
import { cutToMessage, liftedMessage, pinnedDown, putBackToRule, shifted, slid, trimmed, turnedMessage } from '../utils/edit-messages'
import { useStemPlaces } from './useStemPlaces'

/** Moves things, and says so; such with the same key in a row are one undo. */
type NudgeThings = (
  things: readonly Placement[],
  by: (each: Placement) => Partial<Nudge>,
  message: EditMessage,
  merge?: string | null,
) => void

const key = (things: readonly Placement[], what: string): string => `${what}:${things.map(({ id }) => id).join(',')}`

/** Moving what is chosen a little from where its rule puts it. */
export function useStemNudges() {
  const bench = useBench()
  const notices = useNotices()
  const { placeOf, loose, chosen, nameAll } = useStemPlaces()

  const nudge: NudgeThings = (things, by, { does, says }, merge = null) => {
    if (!things.length) return
    notices.announce(bench.apply(nudgeAll(bench.piece!, things, by), does, merge) ?? says)
  }

  /** @param along mm @param across half widths of the face */
  function move(things: readonly Placement[], along: number, across: number, merge: string | null = null): void {
    const free = movedAlone(loose(things), bench.workings?.placements ?? [])
    if (!free.length || (along === 0 && across === 0)) return
    const last = free.at(-1)!
    const name = nameAll(free)
    nudge(
      free,
      () => ({ along, across }),
      along === 0 ? shifted(name, across) : slid(name, placeOf(last.run, last.s + along)),
      merge && key(free, merge),
    )
  }

  /** @param direction 1 in the direction of the run @param fine a sixteenth of an inch or a millimetre instead of a quarter or five */
  function slide(direction: 1 | -1, fine: boolean): void {
    const step = bench.manner.units === 'in' ? inches(fine ? 1 / 16 : 1 / 4) : fine ? 1 : 5
    move(chosen(), direction * step, 0, 'slide')
  }
  const shift = (by: number): void => move(chosen(), 0, by, 'across')

  function turn(by: number): void {
    const things = chosen()
    nudge(things, () => ({ turn: by }), turnedMessage(nameAll(things), by), key(things, 'turn'))
  }
  function lift(by: 1 | -1): void {
    const things = chosen()
    nudge(things, () => ({ lift: by }), liftedMessage(nameAll(things), by), key(things, 'lift'))
  }
  return { move, slide, shift, turn, lift, ...useStemTrims(nudge) }
}

/** What a stem may be trimmed to, mm. */
const [SHORTEST, LONGEST] = [5, 3000]

/** Trimming what is chosen, pinning it down, and putting it back where its rule has it. */
function useStemTrims(nudge: NudgeThings) {
  const bench = useBench()
  const notices = useNotices()
  const { chosen, nameAll } = useStemPlaces()

  /** @param by mm longer */
  function trim(by: number): void {
    const things = chosen().filter(({ form, made }) => form === 'leaf' && !made)
    const lengthOf = ({ length }: Placement): number => clamp(length + by, SHORTEST, LONGEST)
    nudge(
      things,
      (each) => ({ trim: lengthOf(each) }),
      trimmed(nameAll(things), things.length === 1 ? lengthOf(things[0]!) : null, bench.manner.units),
      key(things, 'trim'),
    )
  }
  function trimTo(length: number): void {
    const things = chosen()
    const trim = clamp(length, SHORTEST, LONGEST)
    nudge(things, () => ({ trim }), cutToMessage(nameAll(things), trim, bench.manner.units))
  }
  function pin(): void {
    const things = chosen()
    const pinned = !things.every((each) => each.pinned)
    nudge(things, () => ({ pinned }), pinnedDown(nameAll(things), pinned))
  }

  function putBack(): void {
    // By the piece, not by its workings: these may not have caught up with the last key.
    const things = chosen().filter(({ layer, slot }) => bench.layerOf(layer)?.nudges[slot] !== undefined)
    if (!things.length) return
    const { does, says } = putBackToRule(nameAll(things))
    const edits = things.map(({ layer, slot }): Edit => ({ do: 'nudge', layer, slot, nudge: null }))
    notices.announce(bench.apply({ do: 'several', edits }, does) ?? says)
  }

  return { trim, trimTo, pin, putBack }
}
