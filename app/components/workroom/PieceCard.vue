<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { NuxtLink } from '#components'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { EllipsisVertical } from '@lucide/vue'
import { formatMoney } from '#core/measure'
import { perCopy } from '#core/price'
import type { PieceRecord } from '~/db'
import { exportPiece } from '~/utils/files'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { usePreviews } from '~/stores/previews'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useWorkroom } from '~/stores/workroom'

const props = defineProps<{ record: PieceRecord }>()
const shops = useShops()
const pieces = usePieces()
const notices = useNotices()
const previews = usePreviews()
const settings = useSettings()
const workroom = useWorkroom()
const apart = ref(false)
const sizing = ref(false)
const preview = computed(() => previews.shown.get(props.record.id))
/** What it costs as if it were alone in hand; nothing for what is made. */
const ledger = computed(() => workroom.plan?.ledgers[props.record.id] ?? null)
const each = computed(() => perCopy(ledger.value?.alone.opened[1] ?? 0, props.record.piece.brief.copies))
const over = computed(() => props.record.piece.brief.budget !== null && each.value > props.record.piece.brief.budget)
watch(
  () => props.record.id,
  (id, before) => {
    if (before) previews.leave(before)
    void notices.tell('A preview could not be read', previews.want(id))
  },
  { immediate: true },
)
onBeforeUnmount(() => previews.leave(props.record.id))

async function twin(): Promise<void> {
  await notices.tell(
    'The other one could not be made',
    pieces.makeTwin(props.record.piece).then((name) => notices.note(`“${name}” is made: the same, seen in a mirror.`)),
  )
}

async function remove(): Promise<void> {
  const { name } = props.record.piece.brief
  if (!window.confirm(`Throw “${name}” away, with its earlier versions? This cannot be undone. Export it first if you may want it again.`))
    return
  if (await notices.tell('It could not be thrown away', pieces.remove(props.record.id))) notices.note(`“${name}” is gone.`)
}
</script>

<template>
  <article class="group relative" data-testid="piece">
    <NuxtLink
      :to="`/piece/${record.id}`"
      class="block overflow-hidden rounded-md border border-line"
      :aria-label="`${record.piece.brief.name} on its surface`"
    >
      <img
        v-if="preview"
        :src="preview.src"
        alt=""
        class="block aspect-[4/3] w-full object-cover"
        :data-key="preview.key"
        decoding="async"
      />
      <div v-else class="flex aspect-[4/3] items-center justify-center bg-bench text-fine text-soft">
        {{ previews.failed.has(record.id) ? 'No preview' : '' }}
      </div>
    </NuxtLink>
    <div class="mt-2 flex items-start gap-2">
      <div class="min-w-0 flex-1">
        <h2 class="truncate font-serif text-lg leading-tight">
          <NuxtLink :to="`/piece/${record.id}`" class="hover:underline">{{ record.piece.brief.name }}</NuxtLink>
        </h2>
        <p class="text-soft">
          <span class="first-letter:uppercase inline-block">{{ record.piece.stage }}</span><template v-if="record.piece.brief.occasion">
            · {{ record.piece.brief.occasion }}</template
          ><template v-if="record.piece.brief.copies > 1"> · {{ record.piece.brief.copies }} of them</template>
        </p>
      </div>
      <div v-if="ledger" class="text-right tabular-nums">
        <p class="font-semibold" :class="over ? 'text-ruddy' : ''">
          {{ formatMoney(each, settings.currency) }}<span v-if="over" class="sr-only"> over the budget</span>
        </p>
        <p class="text-tiny text-soft">opened, each</p>
      </div>
      <Menu as="div" class="relative">
        <MenuButton class="icon-button" :aria-label="`More about ${record.piece.brief.name}`"><EllipsisVertical :size="16" /></MenuButton>
        <MenuItems class="absolute right-0 z-30 mt-1 w-52 rounded-[5px] border border-line bg-sheet p-1 shadow-lg outline-none">
          <MenuItem v-slot="{ active }"
            ><NuxtLink :to="`/piece/${record.id}/make`" class="block rounded px-2 py-1" :class="active ? 'bg-moss' : ''"
              >Make sheet</NuxtLink
            ></MenuItem
          >
          <MenuItem v-slot="{ active }"
            ><NuxtLink :to="`/piece/${record.id}/steps`" class="block rounded px-2 py-1" :class="active ? 'bg-moss' : ''"
              >Make it, step by step</NuxtLink
            ></MenuItem
          >
          <MenuItem v-slot="{ active }"
            ><button
              type="button"
              class="block w-full rounded px-2 py-1 text-left"
              :class="active ? 'bg-moss' : ''"
              @click="exportPiece(record.piece, shops.shelf)"
            >
              Export as JSON
            </button></MenuItem
          >
          <MenuItem v-slot="{ active }"
            ><button type="button" class="block w-full rounded px-2 py-1 text-left" :class="active ? 'bg-moss' : ''" @click="twin">
              Make the other of a pair
            </button></MenuItem
          >
          <MenuItem v-slot="{ active }"
            ><button type="button" class="block w-full rounded px-2 py-1 text-left" :class="active ? 'bg-moss' : ''" @click="sizing = true">
              Again, at another size…
            </button></MenuItem
          >
          <MenuItem v-if="record.piece.stage === 'making' || record.piece.stage === 'hung'" v-slot="{ active }"
            ><button type="button" class="block w-full rounded px-2 py-1 text-left" :class="active ? 'bg-moss' : ''" @click="apart = true">
              Take apart…
            </button></MenuItem
          >
          <MenuItem v-slot="{ active }"
            ><button
              type="button"
              class="block w-full rounded px-2 py-1 text-left text-ruddy"
              :class="active ? 'bg-moss' : ''"
              @click="remove"
            >
              Throw away…
            </button></MenuItem
          >
        </MenuItems>
      </Menu>
    </div>
    <ResizeDialog v-if="sizing" :record="record" @close="sizing = false" />
    <ApartDialog v-if="apart" :record="record" @close="apart = false" />
  </article>
</template>
