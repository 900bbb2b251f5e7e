import Konva from 'konva'
import type { Run } from '#core/base'
import { acrossAt, nearestRun, stationAt } from '#core/base'
import type { Scene, SceneItem } from '#core/scene'
import { tone } from '#core/looks'
import type { DisplayOptions, Point } from '#core/measure'
import type { Workings } from '#core/workings'
import { dimensionNodes } from './dimensions'
import type { GestureEvents, HandledBench } from './gestures'
import { Gestures } from './gestures'
import { Picker, takesAt } from './handles'
import { MovedPicture } from './panning-snapshot'
import type { Pictures } from './pictures'
import { painting, touchedUp } from './pictures'
import { paintItems, pieceBounds, wholeBounds } from './scene'
import type { View } from './view'
import { closeUp, fitView, fittingBench, outgrown, sameView, toMm, zoomed } from './view'

export interface StageEvents extends GestureEvents {
  viewed(view: View): void
  /** Whether what is seen is the drawing as it is, or one that is stretched or older while that is painted. */
  sharp(sharp: boolean): void
}

export interface StageState {
  readonly workings: Workings
  readonly selection: readonly string[]
  readonly manner: DisplayOptions
  /** Whether the base's own measures are shown. */
  readonly measuring: boolean
  /** How many things of the order of work are shown; null shows all. */
  readonly upTo: number | null
}

/** What is painted beyond each edge of the pane, as a share of it, so that a pan finds it there. */
const BEYOND = 0.2
/** How long the view must rest before it is painted anew, ms: a turn of the wheel comes in notches. */
const REST = 110
/** How long the page may be kept from answering while it paints, ms. */
const SLICE = 8
/** Changes of what is chosen that follow each other within this long are one move, ms: a key is held. */
const HELD = 250

/**
 * The drawing on the bench: surface, base and stems at true scale, measuring marks, and what is being moved.
 * It shows the workings and reports what hands do; it decides nothing. What is not being moved is painted once, so
 * that a drag costs the same however much is on the base. While the view moves, what was painted is moved and
 * stretched as one picture; the sharp one is painted meanwhile, a slice at a time, and takes its place.
 */
export class BenchStage {
  private readonly stage: Konva.Stage
  private readonly things = new Konva.Layer({ listening: false })
  private readonly moving = new Konva.Layer({ listening: false })
  private readonly hour = new Konva.Layer({ listening: false })
  private readonly overlay = new Konva.Layer({ listening: false })
  private readonly ground = new Konva.Image({ image: undefined })
  private readonly still = new Konva.Image({ image: undefined })
  private readonly veil = new Konva.Image({ image: undefined })
  private readonly moved = new MovedPicture()
  private state: StageState | null = null
  private picker: Picker | null = null
  private pictures: Pictures | null = null
  private job = 0
  /** The view that is being painted. */
  private busy: View | null = null
  private resting: ReturnType<typeof setTimeout> | undefined
  private view: View
  /** Whether the view keeps fitting the piece as it changes. */
  private fitted = true
  private readonly gestures: Gestures
  private lifted: readonly SceneItem[] = []
  /** When the scene changed last, ms of the page, and what lets go of things that a held key took up. */
  private changedAt = -Infinity
  private lettingGo: ReturnType<typeof setTimeout> | undefined

  constructor(
    container: HTMLDivElement,
    private readonly events: StageEvents,
  ) {
    this.view = { x: 0, y: 0, scale: 1, width: container.clientWidth, height: container.clientHeight }
    this.stage = new Konva.Stage({ container, width: this.view.width, height: this.view.height })
    this.things.add(this.ground, this.still)
    this.hour.add(this.veil)
    this.moving.add(new Konva.Shape({ sceneFunc: (context) => this.paintMoving(context._context as CanvasRenderingContext2D) }))
    this.stage.add(this.things, this.moving, this.hour, this.overlay)
    container.style.overflow = 'hidden'
    container.append(this.moved.canvas)
    this.stage.on('wheel', (event) => this.wheel(event.evt))
    this.gestures = new Gestures(this.bench(), events)
    const at = (): Point | null => (this.state ? this.stage.getPointerPosition() : null)
    this.stage.on('pointerdown', ({ evt }) => {
      const pixel = at()
      if (!pixel || (evt.button ?? 0) > 0) return
      if (this.lettingGo !== undefined) this.letGo()
      this.gestures.down(pixel, evt.shiftKey)
    })
    this.stage.on('pointermove', ({ evt }) => {
      const pixel = at()
      if (pixel) this.stage.container().style.cursor = this.gestures.move(pixel, evt.altKey) ?? this.stage.container().style.cursor
    })
    this.stage.on('pointerup pointercancel', () => {
      if (this.state) this.gestures.up()
    })
    this.stage.on('mouseleave', () => this.gestures.leave())
  }

  destroy(): void {
    this.job += 1
    clearTimeout(this.resting)
    clearTimeout(this.lettingGo)
    this.stage.destroy()
  }

  /** Shows a picture of the piece until its drawing is painted. @param view what the picture shows, in its own pixels */
  preview(image: ImageBitmap, view: View): void {
    if (this.pictures || this.moved.holds) return
    this.moved.hold(view, [{ image }])
    const { width, height } = this.view
    if (!this.state)
      this.view = { ...this.view, x: view.x, y: view.y, scale: view.scale * Math.min(width / view.width, height / view.height) }
    this.showMoved()
  }

  resize(width: number, height: number): void {
    if (width === this.view.width && height === this.view.height) return
    this.stage.size({ width, height })
    this.look({ ...this.view, width, height })
    if (this.fitted) this.fit()
  }

  show(state: StageState): void {
    const before = this.state
    this.state = state
    const { scene } = state.workings
    const up = this.lifted
    if (before?.workings.scene !== scene) {
      if (!this.gestures.busy) this.hold(before ? this.heldOf(before.workings.scene) : [])
      this.picker = null
      if (before?.workings.scene.runs !== scene.runs && before && this.fitted) this.fit()
    }
    // Where it fits as it did it is painted all the same.
    if ((!before || (this.fitted && outgrown(pieceBounds(state.workings), this.view))) && this.fit()) return
    if (before && before.workings.scene === scene && before.upTo === state.upTo) this.paintOverlay()
    else if (this.lettingGo !== undefined && sameThings(up, this.lifted)) this.showLifted()
    else this.paintThings()
  }

  /** The whole piece with its measuring marks. @returns whether that is another view, which is painted then */
  fit(): boolean {
    if (!this.state) return false
    this.fitted = true
    const view = fittingBench(pieceBounds(this.state.workings), this.view)
    const moves = !this.pictures || !sameView(this.view, view)
    this.look(view)
    return moves
  }

  /** The whole door, from across the room. */
  standBack(): void {
    if (!this.state) return
    const { workings } = this.state
    this.goTo(fitView(wholeBounds(workings.scene, pieceBounds(workings)), this.view.width, this.view.height, 1))
  }

  /** As near as one stands to judge texture: at what is chosen, or where the piece is fullest. */
  closeUp(): void {
    if (!this.state) return
    const {
      selection,
      workings: { scene },
    } = this.state
    const chosen = scene.items.filter(({ id }) => selection.includes(id))
    const view = closeUp(scene.items, chosen, this.view)
    if (view) this.goTo(view)
  }

  zoom(factor: number, at?: Point): void {
    this.goTo(zoomed(this.view, factor, at))
  }

  /** The place on the base that lies under a point of the page; null when that is off the base. */
  placeAt(clientX: number, clientY: number): { readonly run: Run; readonly s: number; readonly t: number } | null {
    const box = this.stage.container().getBoundingClientRect()
    const point = toMm({ x: clientX - box.left, y: clientY - box.top }, this.view)
    const { run, s, away } = nearestRun(this.state!.workings.scene.runs, point)
    const station = stationAt(run, s)
    if (away > station.half + 40 / this.view.scale + 40) return null
    return { run, s, t: acrossAt(station, point) }
  }

  /** The thing under a point of the page on which something of a size that is dropped there comes to lie; null where it goes on the base. */
  bearerAt(clientX: number, clientY: number, size: { readonly length: number; readonly width: number }): string | null {
    const box = this.stage.container().getBoundingClientRect()
    const point = toMm({ x: clientX - box.left, y: clientY - box.top }, this.view)
    return this.picking().at(point, (item) => this.shown(item) && takesAt(item, point, size))?.id ?? null
  }

  /** Looks where somebody wants to, wherever the piece comes to lie in it. */
  private goTo(view: View): void {
    this.fitted = false
    this.look(view)
  }

  private wheel(event: WheelEvent): void {
    event.preventDefault()
    const at = this.stage.getPointerPosition()
    if (at) this.zoom(Math.exp(-event.deltaY * 0.0015), at)
  }

  private look(view: View): void {
    const before = this.view
    this.view = view
    this.events.viewed(view)
    if (!this.state) return
    if (this.pictures && sameView(before, view)) return
    this.startMoving()
    this.showMoved()
    // What is being painted for the same scale is worth having, wherever a pan goes meanwhile.
    if (this.busy?.scale === view.scale) return
    // A pan that leaves what is painted is filled in at once; a turn of the wheel once it rests.
    this.paintSoon(!this.pictures || (before.scale === view.scale && this.moved.leaves(view)) ? 0 : REST)
  }

  /** What is painted for a view: more than the pane, in pixels of the screen. */
  private wide({ x, y, scale, width, height }: View): View {
    const ratio = window.devicePixelRatio
    // Whole pixels beyond each edge, so that the pane shows them one to one.
    const around = (size: number): number => Math.round(size * ratio) + 2 * Math.round(size * BEYOND * ratio)
    return { x, y, scale: scale * ratio, width: around(width), height: around(height) }
  }

  /** Puts all that is painted into one picture, that moves with the view. */
  private startMoving(): void {
    if (this.moved.holds || !this.pictures) return
    const { view, ground, still, veil } = this.pictures
    const ratio = window.devicePixelRatio
    const pane = this.stage.size()
    const marks = {
      x: (view.width - pane.width * ratio) / 2,
      y: (view.height - pane.height * ratio) / 2,
      width: pane.width * ratio,
      height: pane.height * ratio,
    }
    this.moved.hold({ ...view, scale: view.scale / ratio, width: view.width / ratio, height: view.height / ratio }, [
      { image: ground },
      { image: still },
      ...(veil ? [{ image: veil }] : []),
      { image: this.overlay.getNativeCanvasElement(), at: marks },
    ])
  }

  private showMoved(): void {
    if (!this.moved.holds) return
    this.moved.place(this.view)
    this.conceal(true)
    this.events.sharp(false)
  }

  private conceal(moving: boolean): void {
    for (const layer of [this.things, this.moving, this.hour, this.overlay])
      layer.getNativeCanvasElement().style.visibility = moving ? 'hidden' : 'visible'
    this.moved.canvas.style.visibility = moving ? 'visible' : 'hidden'
  }

  private paintSoon(wait: number): void {
    clearTimeout(this.resting)
    this.resting = setTimeout(() => {
      void this.paint()
    }, wait)
  }

  /** Paints the drawing for the view as it is, in slices; what is shown meanwhile stays. A newer job puts an end to it. */
  private async paint(): Promise<void> {
    if (!this.state) return
    clearTimeout(this.resting)
    const own = ++this.job
    const { view } = this
    this.busy = view
    const going = painting(this.state.workings.scene, this.atRest(), this.wide(view), this.pictures)
    let since = performance.now()
    let step = going.next()
    while (!step.done) {
      if (performance.now() - since > SLICE) {
        await new Promise((resolve) => {
          setTimeout(resolve)
        })
        if (own !== this.job) return
        since = performance.now()
      }
      step = going.next()
    }
    this.busy = null
    this.adopt(step.value)
    if (!sameView(view, this.view)) this.paintSoon(0)
  }

  /** Shows pictures in place of those before; while the view has moved on they go on moving with it. */
  private adopt(pictures: Pictures): void {
    this.pictures = pictures
    const {
      view: { x, y, scale, width, height },
      ground,
      still,
      veil,
    } = pictures
    const ratio = window.devicePixelRatio
    const current = this.wide(this.view)
    const here = sameView(pictures.view, current)
    const place = {
      x: (this.view.width - width / ratio) / 2,
      y: (this.view.height - height / ratio) / 2,
      width: width / ratio,
      height: height / ratio,
    }
    this.ground.setAttrs({ image: ground, ...place })
    this.still.setAttrs({ image: still, ...place })
    this.veil.setAttrs({ image: veil ?? undefined, ...place })
    this.hour.visible(veil !== null)
    const own = scale / ratio
    for (const layer of [this.overlay, this.moving])
      layer.setAttrs({ x: this.view.width / 2 - x * own, y: this.view.height / 2 - y * own, scaleX: own, scaleY: own })
    this.paintOverlay(own)
    this.moved.drop()
    if (here) {
      for (const layer of [this.things, this.moving, this.hour]) layer.draw()
      this.conceal(false)
      this.events.sharp(this.lettingGo === undefined)
      return
    }
    this.overlay.draw()
    this.startMoving()
    this.showMoved()
  }

  private picking(): Picker {
    return (this.picker ??= new Picker(this.state!.workings.scene))
  }

  private readonly shown = (item: SceneItem): boolean => !item.hidden && (this.state!.upTo === null || item.order <= this.state!.upTo)
  private readonly loose = (item: SceneItem): boolean => this.shown(item) && !item.locked

  private item(id: string | undefined): SceneItem | undefined {
    return this.state!.workings.scene.items.find((each) => each.id === id)
  }

  /** The bench as far as a hand needs it. */
  private bench(): HandledBench {
    const state = (): StageState => this.state!
    return {
      view: () => this.view,
      selection: () => state().selection,
      workings: () => state().workings,
      manner: () => state().manner,
      run: (id) => this.state!.workings.scene.runs.find((run) => run.id === id)!,
      item: (id) => this.item(id),
      at: (point) => this.picking().at(point, this.loose),
      within: (from, to) => this.picking().within(from, to, this.loose),
      topmost: (point, holds) => this.picking().at(point, (item) => this.shown(item) && holds(item)),
      lift: (items) => this.lift(items),
      settle: (changed, report) => this.settle(changed, report),
      pan: (view) => this.goTo(view),
      mark: () => this.paintOverlay(),
    }
  }

  /** Takes items up: they are painted apart from the rest, on top, until they are let go. */
  private lift(items: readonly SceneItem[]): void {
    const first = !this.lifted.length
    this.lifted = items
    if (first) this.paintThings()
    this.moving.batchDraw()
    this.paintOverlay()
  }

  /** What is chosen, when it changes again and again and nothing comes or goes with it. */
  private heldOf(before: Scene): SceneItem[] {
    const {
      selection,
      workings: { scene },
    } = this.state!
    const since = performance.now() - this.changedAt
    this.changedAt = performance.now()
    if (since > HELD || before.items.length !== scene.items.length) return []
    const known = new Map(before.items.map((item) => [item.id, item]))
    if (scene.items.some(({ id }) => !known.has(id))) return []
    return scene.items.filter((item) => selection.includes(item.id) && known.get(item.id) !== item && this.shown(item))
  }

  /** Keeps things taken up until what changes them rests: they are painted apart, as those that a pointer drags. */
  private hold(items: readonly SceneItem[]): void {
    this.lifted = items
    clearTimeout(this.lettingGo)
    this.lettingGo = items.length ? setTimeout(() => this.letGo(), HELD) : undefined
  }

  private letGo(): void {
    this.changedAt = -Infinity
    this.hold([])
    this.paintThings()
  }

  /** Shows what is taken up where it is now; all the rest stays as it was painted. */
  private showLifted(): void {
    this.events.sharp(false)
    this.moving.draw()
    this.paintOverlay()
  }

  /** Lets go what was taken up. When something changed it stays where it was let go until the workings say where it lies. */
  private settle(changed: boolean, report: () => void): void {
    if (changed) {
      report()
      return
    }
    this.lifted = []
    this.paintThings()
  }

  /** What is painted with all the rest: what is shown and not being moved. */
  private atRest(): SceneItem[] {
    const up = new Set(this.lifted.map(({ id }) => id))
    return this.state!.workings.scene.items.filter((item) => this.shown(item) && !up.has(item.id))
  }

  /** Shows what changed of the things: at once where few did, in slices where many. */
  private paintThings(): void {
    if (!this.state) return
    const here = this.pictures && !this.moved.holds && sameView(this.pictures.view, this.wide(this.view))
    const touched = here ? touchedUp(this.pictures!, this.state.workings.scene, this.atRest()) : null
    if (!touched) {
      this.events.sharp(false)
      void this.paint()
      return
    }
    this.job += 1
    this.busy = null
    this.pictures = touched
    if (touched.veil) this.veil.image(touched.veil)
    for (const layer of [this.things, this.moving, this.hour]) layer.draw()
    this.paintOverlay()
    this.events.sharp(this.lettingGo === undefined)
  }

  private paintMoving(ctx: CanvasRenderingContext2D): void {
    if (this.lifted.length)
      paintItems(
        ctx,
        this.state!.workings.scene.base,
        this.lifted.map((item) => ({ ...item, tucked: null })),
        this.view.scale * window.devicePixelRatio,
      )
  }

  /** @param scale pixels to the millimetre at which it will be seen */
  private paintOverlay(scale = this.view.scale): void {
    if (!this.state) return
    const { workings, selection, manner, measuring } = this.state
    const up = new Map(this.lifted.map((item) => [item.id, item]))
    const ids = new Set(workings.placements.map(({ id }) => id))
    this.overlay.destroyChildren()
    this.overlay.add(
      ...dimensionNodes({
        workings,
        runs: this.state!.workings.scene.runs,
        manner,
        measuring,
        scale,
        onDark: workings.scene.surface.light !== 'day' || tone(workings.scene.surface.surface.colour).l < 0.62,
        selected: selection.flatMap((id) => {
          const item = up.get(id) ?? this.item(id)
          return item && ids.has(id) ? [item] : []
        }),
        moving: up.size > 0,
        says: this.gestures.says(manner),
        marquee: this.gestures.marquee,
      }),
    )
    this.overlay.batchDraw()
  }
}

const sameThings = (a: readonly SceneItem[], b: readonly SceneItem[]): boolean =>
  a.length === b.length && a.every(({ id }, i) => id === b[i]!.id)
