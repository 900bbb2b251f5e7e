import type { Placement } from '#core/placement'
import { borneBy, footprint, inside } from '#core/placement'
import type { Run } from '#core/base'
import { anchorSays, onRun } from '#core/base'
import type { SceneItem } from '#core/scene'
import type { DisplayOptions, Point } from '#core/measure'
import { inches, readTape, say } from '#core/measure'
import type { Workings } from '#core/workings'
import type { Drag } from './handles'
import { bearingTo, dragTo, gripPoints, lengthTo, movedItem, startDrag, takesAt } from './handles'
import type { View } from './view'
import { toMm } from './view'

/** What gestures come to. */
export interface GestureEvents {
  select(placements: readonly string[]): void
  /** Things were let go so much further along their runs, mm, and across the face, half widths. */
  moved(placements: readonly string[], along: number, across: number): void
  turned(by: number): void
  trimmed(length: number): void
  /** Whether a thing can lie on another. */
  canLieOn(thing: string, bearer: string): boolean
  /** "rose 3" */
  nameOf(thing: string): string
  /** A thing was let go on another, or off what bears it at a point of the drawing, mm. */
  putOn(thing: string, bearer: string): void
  putOff(thing: string, at: Point): void
}

/** The bench as far as a hand needs it: what lies where, and how what it holds is shown. */
export interface HandledBench {
  view(): View
  selection(): readonly string[]
  workings(): Workings
  manner(): DisplayOptions
  run(id: string): Run
  item(id: string | undefined): SceneItem | undefined
  /** What may be moved at a point, the topmost, and what within a rectangle, mm. */
  at(point: Point): SceneItem | null
  within(from: Point, to: Point): readonly SceneItem[]
  /** The topmost thing at a point of which this holds, moved or not, mm. */
  topmost(point: Point, holds: (item: SceneItem) => boolean): SceneItem | null
  /** Shows things apart from the rest, where a hand has them. */
  lift(items: readonly SceneItem[]): void
  /** Lets go of what is lifted. */
  settle(changed: boolean, report: () => void): void
  pan(view: View): void
  /** Draws the measuring marks anew. */
  mark(): void
}

/** What a pointer is about. */
type Deed =
  | { readonly kind: 'press'; readonly item: SceneItem; readonly from: Point; readonly pixel: Point; readonly add: boolean }
  | { readonly kind: 'drag'; readonly drag: Drag; readonly ids: readonly string[]; by: { along: number; across: number }; to: Landing }
  | { readonly kind: 'turn'; readonly item: SceneItem; bearing: number }
  | { readonly kind: 'trim'; readonly item: SceneItem; length: number }
  | { readonly kind: 'pan'; readonly pixel: Point; readonly view: View; moved: boolean }
  | { readonly kind: 'marquee'; readonly from: Point; to: Point }

/** Where a thing that is dragged would come to lie: on the base as before, on another thing, or off what bears it, at a point. */
type Landing = { readonly on: string } | { readonly off: Point } | null

/** Pixels that a pointer may waver before it drags, and within which a grip is taken. */
const WAVER = 3
const GRIP = 9
/** Degrees in which a turn snaps. */
const TURN_STEP = 5

/** What a pointer does on the drawing: chooses, drags, turns, trims, pans, draws a rectangle about things. */
export class Gestures {
  private deed: Deed | null = null

  constructor(
    private readonly bench: HandledBench,
    private readonly events: GestureEvents,
  ) {}

  get busy(): boolean {
    return this.deed !== null
  }
  get marquee(): { readonly from: Point; readonly to: Point } | null {
    return this.deed?.kind === 'marquee' ? this.deed : null
  }

  /** @param add whether what is touched is added to what is chosen, or a rectangle drawn about it */
  down(pixel: Point, add: boolean): void {
    const { bench } = this
    const from = toMm(pixel, bench.view())
    const selection = bench.selection()
    const chosen = selection.length === 1 ? bench.item(selection[0]) : undefined
    if (chosen && !chosen.locked) {
      const { trim, turn } = gripPoints(chosen, bench.view().scale)
      const near = (grip: Point): boolean => Math.hypot(grip.x - from.x, grip.y - from.y) * bench.view().scale < GRIP
      if (near(turn)) this.deed = { kind: 'turn', item: chosen, bearing: chosen.bearing }
      else if (trim && near(trim)) this.deed = { kind: 'trim', item: chosen, length: chosen.length }
      if (this.deed) return
    }
    const item = bench.at(from)
    if (item) this.deed = { kind: 'press', item, from, pixel: { ...pixel }, add }
    else if (add) this.deed = { kind: 'marquee', from, to: from }
    else this.deed = { kind: 'pan', pixel: { ...pixel }, view: bench.view(), moved: false }
  }

  /** @param free whether nothing snaps @returns the cursor that says what can be done there; null while something is being done */
  move(pixel: Point, free: boolean): string | null {
    const { bench, deed } = this
    const view = bench.view()
    const at = toMm(pixel, view)
    if (!deed) return bench.at(at) ? 'grab' : ''
    switch (deed.kind) {
      case 'press': {
        if (Math.hypot(pixel.x - deed.pixel.x, pixel.y - deed.pixel.y) < WAVER) return null
        const selection = bench.selection()
        const ids = selection.includes(deed.item.id) ? [...selection.filter((id) => id !== deed.item.id), deed.item.id] : [deed.item.id]
        this.events.select(ids)
        this.takeUp(deed.item, ids, deed.from)
        return this.move(pixel, free)
      }
      case 'drag': {
        const { along, across } = dragTo(deed.drag, at, view.scale, free)
        deed.by = { along, across }
        deed.to = deed.ids.length === 1 ? this.landing(deed.ids[0]!, at) : null
        bench.lift(this.moved(deed.ids, deed.by))
        return null
      }
      case 'turn': {
        const bearing = bearingTo(deed.item, at)
        deed.bearing = free ? bearing : Math.round(bearing / TURN_STEP) * TURN_STEP
        bench.lift([{ ...deed.item, bearing: deed.bearing }])
        return null
      }
      case 'trim': {
        deed.length = lengthTo(deed.item, at)
        bench.lift([{ ...deed.item, length: deed.length }])
        return null
      }
      case 'pan': {
        if (!deed.moved && Math.hypot(pixel.x - deed.pixel.x, pixel.y - deed.pixel.y) < WAVER) return null
        deed.moved = true
        bench.pan({
          ...view,
          x: deed.view.x - (pixel.x - deed.pixel.x) / view.scale,
          y: deed.view.y - (pixel.y - deed.pixel.y) / view.scale,
        })
        return null
      }
      case 'marquee': {
        deed.to = at
        bench.mark()
        return null
      }
    }
  }

  up(): void {
    const { bench, deed } = this
    this.deed = null
    if (!deed) return
    switch (deed.kind) {
      case 'press': {
        const selection = bench.selection()
        const { id } = deed.item
        this.events.select(!deed.add ? [id] : selection.includes(id) ? selection.filter((each) => each !== id) : [...selection, id])
        return
      }
      case 'drag':
        bench.settle(deed.to !== null || deed.by.along !== 0 || deed.by.across !== 0, () => {
          const { to, ids, by } = deed
          if (to && 'on' in to) this.events.putOn(ids[0]!, to.on)
          else if (to) this.events.putOff(ids[0]!, to.off)
          else this.events.moved(ids, by.along, by.across)
        })
        return
      case 'turn':
        bench.settle(deed.bearing !== deed.item.bearing, () => this.events.turned(((deed.bearing - deed.item.bearing + 540) % 360) - 180))
        return
      case 'trim':
        bench.settle(deed.length !== deed.item.length, () => this.events.trimmed(deed.length))
        return
      case 'marquee': {
        const found = bench.within(deed.from, deed.to).map(({ id }) => id)
        this.events.select([...new Set([...bench.selection(), ...found])])
        bench.mark()
        return
      }
      case 'pan':
        if (!deed.moved) this.events.select([])
    }
  }

  private takeUp(item: SceneItem, ids: readonly string[], from: Point): void {
    const { bench } = this
    const placement = this.placement(item.id)!
    const run = bench.run(placement.run)
    const rests = bench
      .workings()
      .placements.filter(({ layer, run: on }) => layer === placement.layer && on === placement.run)
      .map(({ ruled }) => ruled)
    const unit = bench.manner().units === 'in' ? inches(1) : 20
    const marks = run.closed
      ? Array.from({ length: 24 }, (_, i) => (i / 24) * run.length)
      : Array.from({ length: Math.floor(run.length / unit) + 1 }, (_, i) => i * unit)
    this.deed = { kind: 'drag', ids, by: { along: 0, across: 0 }, to: null, drag: startDrag(placement, run, [...rests, ...marks], from) }
    bench.lift(this.moved(ids, { along: 0, across: 0 }))
  }

  /** Things as they are while they are moved, and what they bear with them. */
  private moved(ids: readonly string[], by: { readonly along: number; readonly across: number }): SceneItem[] {
    const { bench } = this
    const { placements } = bench.workings()
    const borne = borneBy(new Set(ids), placements)
    const apart = new Set(borne.map(({ id }) => id))
    const moved = new Map<string, SceneItem>()
    for (const id of ids) {
      const [item, placement] = [bench.item(id), this.placement(id)]
      if (item && placement && !apart.has(id)) moved.set(id, movedItem(item, placement, bench.run(placement.run), by))
    }
    for (const { id, bearer } of borne) {
      const [item, was, under] = [bench.item(id), bench.item(bearer!), moved.get(bearer!)]
      if (item && was && under) moved.set(id, { ...item, x: item.x + under.x - was.x, y: item.y + under.y - was.y })
    }
    return [...moved.values()]
  }

  /** Where a thing with a body comes to lie when it is let go at a point. */
  private landing(id: string, at: Point): Landing {
    const { bench } = this
    const [item, placement] = [bench.item(id), this.placement(id)]
    if (!item || !placement || item.form === 'leaf' || placement.made || placement.cord) return null
    const bearer = bench.topmost(at, (each) => each.id !== id && takesAt(each, at, item) && this.events.canLieOn(id, each.id))
    if (bearer) return bearer.id === placement.bearer ? null : { on: bearer.id }
    const under = placement.bearer === null ? undefined : bench.item(placement.bearer)
    return under && !inside(at, footprint(under, under.form)) ? { off: at } : null
  }

  /** The pointer left the drawing: what it pans stays where it is. */
  leave(): void {
    if (this.deed?.kind === 'pan') this.deed = null
  }

  private placement(id: string): Placement | undefined {
    return this.bench.workings().placements.find((each) => each.id === id)
  }

  /** What is told beside a thing while it is moved. */
  says(manner: DisplayOptions): string | null {
    const { deed } = this
    if (deed?.kind === 'drag' && deed.to) {
      if ('on' in deed.to) return `on ${this.events.nameOf(deed.to.on)}`
      return `off ${this.events.nameOf(this.placement(deed.ids[0]!)!.bearer!)}`
    }
    if (deed?.kind === 'drag') return say(anchorSays(deed.drag.run, onRun(deed.drag.run, deed.drag.primary.s + deed.by.along)), manner)
    if (deed?.kind === 'turn') return `${Math.round(((deed.bearing - deed.item.bearing + 540) % 360) - 180)}°`
    if (deed?.kind === 'trim') return readTape(deed.length, manner.units)
    return null
  }
}
