// Runs in the page that the frames are measured in.
import type { SceneItem } from '../../core/scene'
import { itemGlyph } from '../../core/looks'
import { layerOf, pieceWith, shelf } from '../../core/testing'
import { work } from '../../core/workings'
import { BenchStage } from '../../app/drawing/bench-stage'
import { paintMarks } from '../../app/drawing/paint'
import { paintItems, pieceBounds } from '../../app/drawing/scene'
import { fitView } from '../../app/drawing/view'

const median = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!

function timed(run: () => void): number {
  const start = performance.now()
  run()
  return performance.now() - start
}

/** What waits for the next frame, run by the measurement itself, so that a frame's own work is timed and no waiting. */
const frames: FrameRequestCallback[] = []
window.requestAnimationFrame = (run) => frames.push(run)
const frame = (): void => {
  for (const run of frames.splice(0)) run(performance.now())
}
/** Reading a pixel back makes the browser finish what it was asked to draw. */
const flushed = (canvas: HTMLCanvasElement): void => {
  canvas.getContext('2d')!.getImageData(0, 0, 1, 1)
}
const settled = (ms: number): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, ms)
  })

async function measureFrames(
  stems: number,
): Promise<{ drag: number; fromSprites: number; fromPaths: number; notch: number; blit: number }> {
  const kinds = ['bracken', 'bay', 'heather', 'cedar']
  const piece = pieceWith(
    kinds.map((kind, i) =>
      layerOf(
        `l${i}`,
        kind,
        { kind: 'compass', count: stems / kinds.length, start: 0 },
        { leanSpread: 40, acrossSpread: 1, cut: 110, seed: i },
      ),
    ),
    { ring: { outer: 520, inner: 320 } },
  )
  const workings = work(piece, shelf)
  const holder = document.querySelector<HTMLDivElement>('#stage')!
  const stage = new BenchStage(holder, { select() {}, moved() {}, turned() {}, trimmed() {}, viewed() {}, sharp() {} })
  stage.show({ workings, selection: [], manner: { units: 'in', currency: 'USD' }, measuring: false, upTo: null })

  // The sharp drawing is painted in slices beside the page.
  for (let i = 0; i < 200; i++) {
    await settled(50)
    frame()
  }
  const layers = [...holder.querySelectorAll('canvas')]
  const seen = (): HTMLCanvasElement => layers[0]!
  const box = holder.getBoundingClientRect()
  const view = fitView(pieceBounds(workings), 696, 465, 1)
  const top = workings.scene.items.at(-1)!
  const at = (x: number, y: number) => ({
    bubbles: true,
    pointerId: 1,
    button: 0,
    buttons: 1,
    pointerType: 'mouse',
    clientX: box.left + 348 + (x - view.x) * view.scale,
    clientY: box.top + 272 + (y - view.y) * view.scale,
  })
  const content = holder.querySelector('.konvajs-content')!
  content.dispatchEvent(new PointerEvent('pointerdown', at(top.x, top.y)))
  const drag = median(
    Array.from({ length: 40 }, (_, i) =>
      timed(() => {
        content.dispatchEvent(new PointerEvent('pointermove', at(top.x + 6 + i * 2, top.y + i)))
        frame()
        layers.forEach(flushed)
      }),
    ),
  )
  content.dispatchEvent(new PointerEvent('pointerup', at(top.x, top.y)))
  for (let i = 0; i < 40; i++) {
    await settled(50)
    frame()
  }
  content.dispatchEvent(new PointerEvent('pointermove', at(top.x, top.y)))
  const notch = median(
    Array.from({ length: 20 }, (_, i) =>
      timed(() => {
        content.dispatchEvent(
          new WheelEvent('wheel', {
            deltaY: i % 2 ? 100 : -100,
            bubbles: true,
            cancelable: true,
            clientX: box.left + 348,
            clientY: box.top + 272,
          }),
        )
        frame()
        void holder.offsetWidth
      }),
    ),
  )
  const pane = new OffscreenCanvas(696, 545)
  pane.getContext('2d')!.drawImage(seen(), 0, 0, 696, 545)
  const target = document.createElement('canvas')
  target.width = 696
  target.height = 545
  const blit = median(
    Array.from({ length: 40 }, () =>
      timed(() => {
        target.getContext('2d')!.drawImage(pane, 0, 0)
        flushed(target)
      }),
    ),
  )

  const canvas = document.createElement('canvas')
  canvas.width = 696
  canvas.height = 545
  const ctx = canvas.getContext('2d')!
  const whole = (paint: () => void): void => {
    ctx.setTransform(1, 0, 0, 1, 0, 0)
    ctx.clearRect(0, 0, 696, 545)
    ctx.setTransform(view.scale, 0, 0, view.scale, 348 - view.x * view.scale, 272 - view.y * view.scale)
    paint()
    // Reading a pixel back makes the browser finish what it was asked to draw.
    ctx.getImageData(0, 0, 1, 1)
  }
  const { base, items } = workings.scene
  const sprites = (): void => whole(() => paintItems(ctx, base, items, view.scale))
  sprites()
  const fromSprites = median(Array.from({ length: 9 }, () => timed(sprites)))
  const paths = (item: SceneItem): void => {
    ctx.save()
    ctx.translate(item.x, item.y)
    ctx.rotate((item.bearing * Math.PI) / 180)
    paintMarks(ctx, itemGlyph(item).marks)
    ctx.restore()
  }
  const fromPaths = median(Array.from({ length: 3 }, () => timed(() => whole(() => items.forEach(paths)))))
  return { drag, fromSprites, fromPaths, notch, blit }
}

Object.assign(globalThis, { measureFrames })
