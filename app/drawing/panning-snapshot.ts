import type { View } from './view'

/** A picture that goes into another, in its left top corner or at a place, pixels. */
interface Part {
  readonly image: CanvasImageSource
  readonly at?: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
}

/**
 * What is shown while the view moves: all that was painted, in one picture that the browser moves and stretches, so
 * that nothing is painted for it.
 */
export class MovedPicture {
  readonly canvas = document.createElement('canvas')
  private from: View | null = null

  constructor() {
    Object.assign(this.canvas.style, {
      position: 'absolute',
      left: '0',
      top: '0',
      transformOrigin: '0 0',
      pointerEvents: 'none',
      visibility: 'hidden',
    })
  }

  get holds(): boolean {
    return this.from !== null
  }

  /** Takes pictures up, the first as large as the whole. @param view what they show, in pixels of the page */
  hold(view: View, parts: readonly [{ readonly image: ImageBitmap | OffscreenCanvas }, ...Part[]]): void {
    const [
      {
        image: { width, height },
      },
    ] = parts
    Object.assign(this.canvas, { width, height })
    Object.assign(this.canvas.style, { width: `${view.width}px`, height: `${view.height}px` })
    const ctx = this.canvas.getContext('2d')!
    for (const { image, at = { x: 0, y: 0, width, height } } of parts as readonly Part[])
      ctx.drawImage(image, at.x, at.y, at.width, at.height)
    this.from = view
  }

  drop(): void {
    this.from = null
  }

  /** Whether a view, at the scale of the picture, shows more than it. */
  leaves(view: View): boolean {
    const { from } = this
    if (!from) return false
    return (
      Math.abs(view.x - from.x) > (from.width / from.scale - view.width / view.scale) / 2 ||
      Math.abs(view.y - from.y) > (from.height / from.scale - view.height / view.scale) / 2
    )
  }

  /** Puts the picture where a view shows it. */
  place(view: View): void {
    const { from } = this
    if (!from) return
    const scale = view.scale / from.scale
    const x = view.width / 2 + (from.x - view.x) * view.scale - (from.width * scale) / 2
    const y = view.height / 2 + (from.y - view.y) * view.scale - (from.height * scale) / 2
    this.canvas.style.transform = `translate(${x}px, ${y}px) scale(${scale})`
  }
}
