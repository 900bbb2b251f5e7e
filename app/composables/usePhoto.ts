import { onBeforeUnmount, ref, watch } from 'vue'
import { db } from '~/db'
import { newId } from '~/utils/new-id'

/** A photo is kept no larger than this across, px. */
const ACROSS = 900

/** A photo by its id, as something to show, and a way to keep another. */
export function usePhoto(id: () => string | null) {
  const url = ref<string | null>(null)
  const drop = (): void => {
    if (url.value) URL.revokeObjectURL(url.value)
    url.value = null
  }
  watch(
    id,
    async (of) => {
      drop()
      const kept = of === null ? undefined : await db().photos.get(of)
      if (kept && id() === of) url.value = URL.createObjectURL(kept.picture)
    },
    { immediate: true },
  )
  onBeforeUnmount(drop)

  /** Keeps a picture, made small. @returns its id @throws when it is no picture */
  async function keep(file: Blob): Promise<string> {
    const bitmap = await createImageBitmap(file)
    const scale = Math.min(1, ACROSS / Math.max(bitmap.width, bitmap.height))
    const canvas = new OffscreenCanvas(Math.max(1, Math.round(bitmap.width * scale)), Math.max(1, Math.round(bitmap.height * scale)))
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    bitmap.close()
    const picture = await canvas.convertToBlob({ type: 'image/webp', quality: 0.82 })
    const photo = { id: newId(), picture, at: Date.now() }
    await db().photos.put(photo)
    return photo.id
  }
  return { url, keep }
}
