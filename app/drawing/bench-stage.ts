import Konva from 'konva'
import type { Placement } from '#core/arrange'
import type { Run } from '#core/base'
import { nearestOn, runsOf } from '#core/base'
import { patchOutline } from '#core/cover'
import type { Mark, Scene, SceneItem } from '#core/glyph'
import { baseGlyph, doorBounds, surfaceMarks, tone } from '#core/glyph'
import { clock, degrees } from '#core/measure'
import type { Manner } from '#core/measure'
import type { Workings } from '#core/workings'
import { dimensionNodes } from './dimensions'
import { paintMarks } from './paint'
import { cordMarks, fitting, overMarks, regionOf, ringRadius } from './scene'
import type { View } from './scene'
import { spriteOf } from './sprites'

export interface StageEvents {
  select(placement: string | null): void
  /** A thing was let go so much further along its run, mm. */
  slid(placement: string, along: number): void
  viewed(view: View): void
}

export interface StageState {
  readonly workings: Workings
  readonly selected: string | null
  readonly manner: Manner
  /** Whether the base's own measures are shown. */
  readonly measuring: boolean
}

interface ItemNode { readonly group: Konva.Group, readonly image: Konva.Image, readonly over: Konva.Shape, item: SceneItem }

/** Steps of zoom between the closest and the farthest, pixels to the mm. */
const ZOOM = { least: 0.08, most: 6 }

/**
 * The drawing on the bench: surface, base and stems at true scale, the clock ring, and what is being moved.
 * It shows the workings and reports what hands do; it decides nothing.
 */
export class BenchStage {
  private readonly stage: Konva.Stage
  private readonly surface = new Konva.Layer({ listening: false })
  private readonly things = new Konva.Layer()
  private readonly overlay = new Konva.Layer({ listening: false })
  private readonly base = new Konva.Image({ image: undefined, listening: false })
  private readonly items = new Map<string, ItemNode>()
  private state: StageState | null = null
  private view: View
  /** Whether the view keeps fitting the piece as it changes. */
  private fitted = true
  private sliding: string | null = null

  constructor(container: HTMLDivElement, private readonly events: StageEvents) {
    this.view = { x: 0, y: 0, scale: 1, width: container.clientWidth, height: container.clientHeight }
    this.stage = new Konva.Stage({ container, width: this.view.width, height: this.view.height })
    this.things.add(this.base)
    this.stage.add(this.surface, this.things, this.overlay)
    this.stage.on('wheel', (event) => this.wheel(event.evt))
    this.stage.on('click tap', (event) => { if (event.target === this.stage) this.events.select(null) })
    this.pan()
  }

  destroy(): void { this.stage.destroy() }

  resize(width: number, height: number): void {
    if (width === this.view.width && height === this.view.height) return
    this.stage.size({ width, height })
    this.look({ ...this.view, width, height })
    if (this.fitted) this.fit()
  }

  show(state: StageState): void {
    const before = this.state
    this.state = state
    const scene = state.workings.scene
    const sized = before?.workings.scene.base.outer !== scene.base.outer
    if (!before || (this.fitted && (sized || this.outgrown()))) this.fit()
    else if (before.workings.scene !== scene) this.paintAll()
    else this.paintOverlay()
  }

  /** The whole piece with its clock ring. */
  fit(): void {
    if (!this.state) return
    const reach = ringRadius(this.state!.workings) * 1.1 + 8
    this.fitted = true
    this.look(fitting({ left: -reach, right: reach, top: -reach, bottom: reach }, this.view.width, this.view.height, 1.03))
  }

  /** The whole door, from across the room. */
  standBack(): void {
    if (!this.state) return
    const bounds = doorBounds(this.state.workings.scene.surface.door)
    this.fitted = false
    this.look(fitting({ left: bounds.left - 150, right: bounds.right + 150, top: bounds.top - 150, bottom: bounds.bottom + 120 }, this.view.width, this.view.height, 1))
  }

  zoom(factor: number, at = { x: this.view.width / 2, y: this.view.height / 2 }): void {
    const scale = Math.min(ZOOM.most, Math.max(ZOOM.least, this.view.scale * factor))
    const fixed = this.toMm(at)
    this.fitted = false
    this.look({ ...this.view, scale, x: fixed.x - (at.x - this.view.width / 2) / scale, y: fixed.y - (at.y - this.view.height / 2) / scale })
  }

  private outgrown(): boolean {
    const reach = ringRadius(this.state!.workings) * 2 * this.view.scale
    const room = Math.min(this.view.width, this.view.height)
    return reach > room || reach < room * 0.75
  }

  private wheel(event: WheelEvent): void {
    event.preventDefault()
    const at = this.stage.getPointerPosition()
    if (at) this.zoom(Math.exp(-event.deltaY * 0.0015), at)
  }

  private pan(): void {
    let from: { x: number, y: number, view: View } | null = null
    this.stage.on('mousedown touchstart', (event) => {
      const at = this.stage.getPointerPosition()
      from = event.target === this.stage && at ? { ...at, view: this.view } : null
    })
    this.stage.on('mousemove touchmove', () => {
      const at = this.stage.getPointerPosition()
      if (!from || !at || Math.hypot(at.x - from.x, at.y - from.y) < 4) return
      this.fitted = false
      this.look({ ...this.view, x: from.view.x - (at.x - from.x) / this.view.scale, y: from.view.y - (at.y - from.y) / this.view.scale })
    })
    this.stage.on('mouseup mouseleave touchend', () => { from = null })
  }

  private look(view: View): void {
    this.view = view
    const { scale, width, height, x, y } = view
    this.things.setAttrs({ x: width / 2 - x * scale, y: height / 2 - y * scale, scaleX: scale, scaleY: scale })
    this.overlay.setAttrs({ x: width / 2 - x * scale, y: height / 2 - y * scale, scaleX: scale, scaleY: scale })
    this.paintAll()
    this.events.viewed(view)
  }

  private toMm({ x, y }: { x: number, y: number }): { x: number, y: number } {
    const { view } = this
    return { x: view.x + (x - view.width / 2) / view.scale, y: view.y + (y - view.height / 2) / view.scale }
  }

  private paintAll(): void {
    if (!this.state) return
    const { scene } = this.state.workings
    this.paintSurface(scene)
    this.paintBase(scene)
    this.paintItems(scene)
    this.paintOverlay()
  }

  private surfaceKey = ''

  private paintSurface(scene: Scene): void {
    const key = JSON.stringify([scene.surface, this.view])
    if (key === this.surfaceKey) return
    this.surfaceKey = key
    const canvas = this.canvasOf((ctx) => {
      const { scale, width, height, x, y } = this.view
      ctx.translate(width / 2 - x * scale, height / 2 - y * scale)
      ctx.scale(scale, scale)
      paintMarks(ctx, surfaceMarks(scene.surface, regionOf(this.view)))
    }, this.view.width, this.view.height)
    this.surface.destroyChildren()
    this.surface.add(new Konva.Image({ image: canvas, width: this.view.width, height: this.view.height }))
  }

  private baseKey = ''

  private paintBase({ base }: Scene): void {
    const key = JSON.stringify([base, this.view.scale])
    if (key === this.baseKey) return
    this.baseKey = key
    const half = base.outer / 2 + 25
    const side = 2 * half * this.view.scale
    const canvas = this.canvasOf((ctx) => {
      ctx.scale(this.view.scale, this.view.scale)
      ctx.translate(half, half)
      paintMarks(ctx, baseGlyph(base).marks)
    }, side, side)
    this.base.setAttrs({ image: canvas, x: -half, y: -half, width: 2 * half, height: 2 * half })
  }

  private canvasOf(paint: (ctx: CanvasRenderingContext2D) => void, width: number, height: number): HTMLCanvasElement {
    const ratio = window.devicePixelRatio
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(width * ratio))
    canvas.height = Math.max(1, Math.round(height * ratio))
    const ctx = canvas.getContext('2d')!
    ctx.scale(ratio, ratio)
    paint(ctx)
    return canvas
  }

  private paintItems(scene: Scene): void {
    const wanted = new Set(scene.items.map(({ id }) => id))
    for (const [id, node] of this.items) {
      if (wanted.has(id)) continue
      node.group.destroy()
      this.items.delete(id)
    }
    for (const item of scene.items) {
      const node = this.items.get(item.id) ?? this.addItem(item)
      node.item = item
      const sprite = spriteOf(item, this.view.scale * window.devicePixelRatio)
      node.image.setAttrs({
        image: sprite.image, x: item.x, y: item.y, rotation: item.bearing,
        offsetX: sprite.x, offsetY: sprite.y, scaleX: 1 / sprite.scale, scaleY: 1 / sprite.scale,
      })
      node.over.visible(true)
      node.group.moveToTop()
    }
    this.things.batchDraw()
  }

  private addItem(item: SceneItem): ItemNode {
    const group = new Konva.Group()
    const image = new Konva.Image({ image: undefined, name: item.id, draggable: true, dragDistance: 3 })
    const marks = (of: (scene: Scene, item: SceneItem) => readonly Mark[]) => new Konva.Shape({
      listening: false,
      sceneFunc: (context) => {
        const now = this.items.get(item.id)
        if (now && this.state) paintMarks(context._context as CanvasRenderingContext2D, of(this.state.workings.scene, now.item))
      },
    })
    const over = marks(overMarks)
    const node: ItemNode = { group, image, over, item }
    group.add(marks((_, each) => cordMarks(each)), image, over)
    this.things.add(group)
    this.items.set(item.id, node)
    image.hitFunc((context, shape) => {
      const { item: now } = node
      const sprite = 1 / image.scaleX()
      context.beginPath()
      patchOutline(now.form, now.length, now.width).forEach(({ x, y }, i) => {
        const at = [x * sprite + image.offsetX(), y * sprite + image.offsetY()] as const
        if (i) context.lineTo(...at)
        else context.moveTo(...at)
      })
      context.closePath()
      context.fillStrokeShape(shape)
    })
    image.on('mouseenter', () => { this.stage.container().style.cursor = 'grab' })
    image.on('mouseleave', () => { this.stage.container().style.cursor = '' })
    image.on('click tap', () => this.events.select(item.id))
    this.slide(node)
    return node
  }

  /** Lets a hand slide an item along its run: it keeps its place across the face and turns with the run. */
  private slide(node: ItemNode): void {
    let start: { placement: Placement, run: Run, grip: number } | null = null
    let s = 0
    const offset = (run: Run, at: number): number => {
      const away = at - run.length * Math.round(at / run.length)
      return run.closed ? away : at
    }
    let gripped = { x: 0, y: 0 }
    node.image.on('mousedown touchstart', () => { gripped = this.toMm(this.stage.getPointerPosition()!) })
    node.image.on('dragstart', () => {
      const placement = this.state!.workings.placements.find(({ id }) => id === node.item.id)!
      const run = runsOf(this.state!.workings.scene.base).find(({ id }) => id === placement.run)!
      start = { placement, run, grip: offset(run, placement.s - nearestOn(run, gripped)) }
      s = placement.s
      this.sliding = node.item.id
      node.over.visible(false)
      this.events.select(node.item.id)
    })
    node.image.dragBoundFunc(() => {
      if (!start) return node.image.absolutePosition()
      const { run, placement, grip } = start
      s = nearestOn(run, this.toMm(this.stage.getPointerPosition()!)) + grip
      const station = run.at(s)
      const was = run.at(placement.s)
      const turned = degrees(Math.atan2(station.ty, station.tx) - Math.atan2(was.ty, was.tx))
      if (node.item.form === 'leaf') node.image.rotation(node.item.bearing + turned)
      const reach = station.half * placement.t
      const { x, y, scale, width, height } = this.view
      return {
        x: width / 2 + (station.x + station.nx * reach - x) * scale,
        y: height / 2 + (station.y + station.ny * reach + (node.item.cord ? node.item.y - node.item.cord.y : 0) - y) * scale,
      }
    })
    node.image.on('dragmove', () => this.paintOverlay(clock((s / (start?.run.length ?? 1)) * 360)))
    node.image.on('dragend', () => {
      this.sliding = null
      if (start) this.events.slid(node.item.id, offset(start.run, s - start.placement.s))
      start = null
    })
  }

  private paintOverlay(sliding: string | null = null): void {
    if (!this.state) return
    const { workings, selected, manner, measuring } = this.state
    const item = selected ? this.items.get(selected) : undefined
    this.overlay.destroyChildren()
    this.overlay.add(...dimensionNodes({
      workings, manner, measuring, radius: ringRadius(this.state!.workings), scale: this.view.scale,
      onDark: tone(workings.scene.surface.surface.colour).l < 0.62,
      selected: item && workings.placements.some(({ id }) => id === selected)
        ? { id: selected!, item: item.item, at: { x: item.image.x(), y: item.image.y() }, rotation: item.image.rotation(), moving: this.sliding === selected, says: sliding }
        : null,
    }))
    this.overlay.batchDraw()
  }
}
