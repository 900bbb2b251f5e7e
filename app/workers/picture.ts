import { startWorker } from './start'
import { proxy, wrap } from 'comlink'
import type { SvgOptions } from '#core/formats'
import type { Scene } from '#core/scene'
import type { PictureOrder } from '~/drawing/picture'
import { bridgeTo } from './bridge'
import type { PictureWorker } from './protocol'

export interface Painting {
  /** The PNG; null when it was stopped. */
  readonly done: Promise<Blob | null>
  stop(): void
}

/** Paints a picture in a worker of its own, so that it can be stopped at once and takes its memory with it. */
export function paintPicture(order: PictureOrder, report: (share: number) => void): Painting {
  const worker = startWorker('picture')
  let halt: () => void = () => {}
  const stopped = new Promise<null>((resolve) => {
    halt = () => resolve(null)
  })
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = (event) => reject(new Error(event.message || 'The picture could not be painted.'))
  })
  const done = Promise.race([wrap<PictureWorker>(worker).paint(order, proxy(report)), stopped, broken]).finally(() => worker.terminate())
  return { done, stop: halt }
}

const writer = bridgeTo<PictureWorker>('The worker that writes vectors', () => startWorker('picture'))

/** Writes a scene as SVG, in a worker. */
export const writeVectors = (scene: Scene, options: SvgOptions): Promise<string> =>
  writer.ask((api): Promise<string> => api.write(scene, options))
