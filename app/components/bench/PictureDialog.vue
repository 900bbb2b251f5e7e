<script setup lang="ts">
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { Download, Square } from '@lucide/vue'
import { readTape } from '#core/measure'
import { fileName, saveBlob, saveText } from '~/utils/files'
import type { Framing } from '~/drawing/picture'
import { framed, PIXELS, pixelsDown, wrongPixels } from '~/drawing/picture'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import type { Painting } from '~/workers/picture'
import { paintPicture, writeVectors } from '~/workers/picture'

/** A picture to sell from or to show: pixels or vectors, near or from across the room, with or without what it hangs on. */
const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const notices = useNotices()

const kind = ref<'png' | 'svg'>('png')
const framing = ref<Framing>('piece')
const surface = ref(true)
const across = ref<number>(2400)
const painting = shallowRef<Painting | null>(null)
const share = ref(0)

const workings = computed(() => bench.workings!)
const bounds = computed(() => framed(workings.value, framing.value))
const wrong = computed(() => (kind.value === 'png' ? wrongPixels(bounds.value, across.value) : null))
const size = computed(() => {
  const { left, right, top, bottom } = bounds.value
  return { wide: right - left, high: bottom - top }
})
const shown = computed(() => {
  const most = { wide: 300, high: 330 }
  const scale = Math.min(most.wide / size.value.wide, most.high / size.value.high)
  return { width: Math.round(size.value.wide * scale), height: Math.round(size.value.high * scale) }
})
const says = computed(() =>
  kind.value === 'svg'
    ? `${readTape(size.value.wide, bench.manner.units)} by ${readTape(size.value.high, bench.manner.units)} at true size, a group for each layer`
    : wrong.value
      ? ''
      : `${across.value.toLocaleString('en')} × ${pixelsDown(bounds.value, across.value).toLocaleString('en')} pixels`,
)

async function save(): Promise<void> {
  const name = fileName(bench.piece!)
  if (kind.value === 'svg') {
    const names = Object.fromEntries(workings.value.layers.map(({ id, title }) => [id, title]))
    const writing = writeVectors(workings.value.scene, {
      region: bounds.value,
      title: bench.piece!.brief.name,
      names,
      surface: surface.value,
      shadows: true,
    })
    if (
      await notices.tell(
        'The picture could not be written',
        writing.then((svg) => saveText(svg, `${name}.svg`, 'image/svg+xml')),
      )
    )
      emit('close')
    return
  }
  share.value = 0
  painting.value = paintPicture(
    { scene: workings.value.scene, bounds: bounds.value, across: across.value, bare: !surface.value },
    (done) => {
      share.value = done
    },
  )
  try {
    const blob = await painting.value.done
    if (blob) {
      saveBlob(blob, `${name}.png`)
      emit('close')
    }
  } catch (error) {
    notices.fault('The picture could not be painted', `${error instanceof Error ? error.message : String(error)} Nothing was changed.`)
  } finally {
    painting.value = null
  }
}
onBeforeUnmount(() => painting.value?.stop())
</script>

<template>
  <DialogFrame title="A picture of it" wide="w-[40rem]" @close="emit('close')">
    <div class="grid grid-cols-[20rem_minmax(0,1fr)] gap-4">
      <div class="flex h-[22rem] items-center justify-center rounded border border-seam bg-bench">
        <div :style="{ width: `${shown.width}px` }">
          <SceneView :scene="workings.scene" :size="bounds" v-bind="shown" :margin="1" :bare="!surface" label="What the picture shows" />
        </div>
      </div>
      <form class="flex flex-col gap-3" @submit.prevent="save">
        <PickField
          label="As"
          :value="kind"
          :options="[
            { value: 'png', name: 'PNG, pixels' },
            { value: 'svg', name: 'SVG, vectors in millimetres' },
          ]"
          @pick="
            (value) => {
              kind = value
            }
          "
        />
        <PickField
          label="Shows"
          :value="framing"
          :options="[
            { value: 'piece', name: 'The piece' },
            { value: 'whole', name: 'All that it hangs on' },
          ]"
          @pick="
            (value) => {
              framing = value
            }
          "
        />
        <label class="tick"><input v-model="surface" type="checkbox" class="size-4 accent-leaf" />With what it hangs on</label>
        <label v-if="kind === 'png'" class="block">
          <span class="field-label">Pixels across</span>
          <input
            v-model.number="across"
            class="field text-right"
            type="number"
            step="1"
            :min="PIXELS.least"
            :max="PIXELS.most"
            :aria-invalid="wrong !== null"
          />
        </label>
        <p v-if="wrong" class="text-fine text-ruddy" role="alert">{{ wrong }}</p>
        <p v-else class="text-fine text-soft" data-testid="picture-size">{{ says }}</p>
        <div v-if="painting" class="space-y-1" role="status">
          <progress class="h-2 w-full accent-leaf" :value="share" max="1" aria-label="Painting" />
          <span class="text-fine text-soft">Painting, {{ Math.round(share * 100) }} % done</span>
        </div>
        <div class="mt-auto flex justify-end gap-2">
          <button v-if="painting" type="button" class="button h-8" @click="painting.stop()"><Square :size="13" />Stop</button>
          <button v-else type="button" class="button h-8" @click="emit('close')">Not now</button>
          <button type="submit" class="button-main" :disabled="wrong !== null || painting !== null"><Download :size="15" />Save it</button>
        </div>
      </form>
    </div>
  </DialogFrame>
</template>
