import type { Ref } from 'vue'
import { onBeforeUnmount, ref } from 'vue'
import type { Scene } from '#core/scene'
import type { PaintOptions } from '~/drawing/scene'
import type { View } from '~/drawing/view'
import { paintScene } from '~/drawing/scene'

/** A scene on a canvas: painted beside the page and shown when it is whole; a later order puts an end to an earlier one. */
export function usePainted(canvas: Readonly<Ref<HTMLCanvasElement | null>>) {
  /** Whether all of it is painted. */
  const painted = ref(false)
  let turn = 0

  /** @param view in pixels of the screen */
  async function paint(scene: Scene, view: View, options: PaintOptions): Promise<void> {
    turn += 1
    const own = turn
    painted.value = false
    const sheet = new OffscreenCanvas(view.width, view.height)
    const whole = await paintScene(sheet.getContext('2d')!, scene, view, options, () => turn !== own)
    if (!whole || !canvas.value) return
    Object.assign(canvas.value, { width: sheet.width, height: sheet.height })
    canvas.value.getContext('2d')!.drawImage(sheet, 0, 0)
    painted.value = true
  }
  onBeforeUnmount(() => {
    turn += 1
  })
  return { painted, paint }
}
