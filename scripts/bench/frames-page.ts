// Runs in the page that the frames are measured in.
import Konva from 'konva'
import type { SceneItem } from '../../core/glyph'
import { itemGlyph } from '../../core/glyph'
import { layerOf, pieceWith, shelf } from '../../core/testing'
import { work } from '../../core/workings'
import { BenchStage } from '../../app/drawing/bench-stage'
import { paintMarks } from '../../app/drawing/paint'
import { fitting, paintItems, pieceBounds } from '../../app/drawing/scene'

const median = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!

function timed(run: () => void): number {
  const start = performance.now()
  run()
  return performance.now() - start
}

function measureFrames(stems: number): { drag: number, fromSprites: number, fromPaths: number } {
  const kinds = ['bracken', 'bay', 'heather', 'cedar']
  const piece = pieceWith(kinds.map((kind, i) => layerOf(`l${i}`, kind, { kind: 'compass', count: stems / kinds.length, start: 0 }, { leanSpread: 40, acrossSpread: 1, cut: 110, seed: i })), { ring: { outer: 520, inner: 320 } })
  const workings = work(piece, shelf)
  const holder = document.querySelector<HTMLDivElement>('#stage')!
  const stage = new BenchStage(holder, { select() {}, moved() {}, turned() {}, trimmed() {}, viewed() {} })
  stage.show({ workings, selection: [], manner: { units: 'in', currency: 'USD' }, measuring: false, upTo: null })

  // All layers of the stage drawn at once, as an animation frame would.
  const draw = (): void => { for (const each of Konva.stages) each.draw() }
  const box = holder.getBoundingClientRect()
  const view = fitting(pieceBounds(workings), 696, 465, 1)
  const top = workings.scene.items.at(-1)!
  const at = (x: number, y: number) => ({ bubbles: true, pointerId: 1, button: 0, buttons: 1, pointerType: 'mouse', clientX: box.left + 348 + (x - view.x) * view.scale, clientY: box.top + 272 + (y - view.y) * view.scale })
  const content = holder.querySelector('.konvajs-content')!
  content.dispatchEvent(new PointerEvent('pointerdown', at(top.x, top.y)))
  const drag = median(Array.from({ length: 40 }, (_, i) => timed(() => {
    content.dispatchEvent(new PointerEvent('pointermove', at(top.x + 6 + i * 2, top.y + i)))
    draw()
  })))

  const canvas = document.createElement('canvas')
  canvas.width = 696
  canvas.height = 545
  const ctx = canvas.getContext('2d')!
  const frame = (paint: () => void): void => {
    ctx.setTransform(1, 0, 0, 1, 0, 0)
    ctx.clearRect(0, 0, 696, 545)
    ctx.setTransform(view.scale, 0, 0, view.scale, 348 - view.x * view.scale, 272 - view.y * view.scale)
    paint()
    // Reading a pixel back makes the browser finish what it was asked to draw.
    ctx.getImageData(0, 0, 1, 1)
  }
  const { base, items } = workings.scene
  const sprites = (): void => frame(() => paintItems(ctx, base, items, view.scale))
  sprites()
  const fromSprites = median(Array.from({ length: 9 }, () => timed(sprites)))
  const paths = (item: SceneItem): void => {
    ctx.save()
    ctx.translate(item.x, item.y)
    ctx.rotate((item.bearing * Math.PI) / 180)
    paintMarks(ctx, itemGlyph(item).marks)
    ctx.restore()
  }
  const fromPaths = median(Array.from({ length: 3 }, () => timed(() => frame(() => items.forEach(paths)))))
  return { drag, fromSprites, fromPaths }
}

Object.assign(globalThis, { measureFrames })
