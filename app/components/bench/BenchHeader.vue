<script setup lang="ts">
import { ref } from 'vue'
import { NuxtLink } from '#components'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { EllipsisVertical, Keyboard, Redo2, Undo2 } from '@lucide/vue'
import { useBench } from '~/stores/bench'
import { useShops } from '~/stores/shops'
import { exportPiece } from '~/utils/files'
import type { Panel } from '~/utils/panels'
import { ofParts, PANELS } from '~/utils/panels'

defineProps<{ panel: Panel }>()
const emit = defineEmits<{ panel: [panel: Panel]; keys: [] }>()
const bench = useBench()
const shops = useShops()
const versions = ref(false)
const picturing = ref(false)
const SAVING = { saved: 'Saved', waiting: 'Saving…', failing: 'Not saved yet' } as const
</script>

<template>
  <header class="flex h-12 items-center gap-3 border-b border-line bg-frost px-3">
    <NuxtLink to="/" class="shrink-0 text-fine font-medium text-soft underline decoration-dotted underline-offset-2 hover:text-ink"
      >Workroom</NuxtLink
    >
    <NuxtLink to="/shelf" class="shrink-0 text-fine font-medium text-soft underline decoration-dotted underline-offset-2 hover:text-ink"
      >Shelf</NuxtLink
    >
    <h1 class="min-w-0 truncate font-serif text-lg leading-none">
      {{ bench.whole?.brief.name }}<template v-if="bench.openPart"><span class="text-soft"> · </span>{{ bench.openPart.name }}</template>
    </h1>
    <span class="shrink-0 text-tiny" :class="bench.saving === 'failing' ? 'font-semibold text-ruddy' : 'text-soft'" data-testid="saving">{{
      SAVING[bench.saving]
    }}</span>
    <span v-if="bench.working !== 'quick'" class="shrink-0 text-tiny text-soft" role="status"
      >Working it out…<button
        v-if="bench.working === 'long'"
        type="button"
        class="ml-1 font-semibold text-leaf underline"
        @click="bench.breakOff()"
      >
        Stop
      </button></span
    >
    <nav class="mx-auto flex shrink-0 items-stretch self-stretch" aria-label="Stages of the work">
      <button
        v-for="(each, i) in bench.openPart ? PANELS.filter(({ id }) => ofParts(id)) : PANELS"
        :key="each.id"
        type="button"
        class="relative px-2 text-small max-[1140px]:px-1"
        :class="
          panel === each.id
            ? 'font-semibold text-ink after:absolute after:inset-x-2 after:bottom-0 after:h-0.75 after:bg-leaf'
            : 'text-soft hover:text-ink'
        "
        :aria-current="panel === each.id ? 'step' : undefined"
        @click="emit('panel', each.id)"
      >
        <span class="mr-1 text-tiny text-soft" aria-hidden="true">{{ i + 1 }}</span>{{ each.name }}
      </button>
      <NuxtLink
        v-if="!bench.openPart"
        :to="`/piece/${bench.whole?.id}/make`"
        class="flex items-center whitespace-nowrap px-2 text-small text-soft hover:text-ink max-[1140px]:px-1"
        ><span class="mr-1 text-tiny" aria-hidden="true">8</span>Make sheet</NuxtLink
      >
    </nav>
    <div class="flex shrink-0 items-center gap-1">
      <button
        type="button"
        class="icon-button"
        :disabled="!bench.history.done.length"
        :title="`Take back: ${bench.history.done.at(-1)?.words ?? 'nothing'}`"
        :aria-label="`Undo: ${bench.history.done.at(-1)?.words ?? 'nothing to take back'}`"
        @click="bench.undo()"
      >
        <Undo2 :size="16" />
      </button>
      <button
        type="button"
        class="icon-button"
        :disabled="!bench.history.undone.length"
        :title="`Do again: ${bench.history.undone.at(-1)?.words ?? 'nothing'}`"
        :aria-label="`Redo: ${bench.history.undone.at(-1)?.words ?? 'nothing to do again'}`"
        @click="bench.redo()"
      >
        <Redo2 :size="16" />
      </button>
      <UnitsSwitch class="mx-1" />
      <ThemeToggle />
      <button type="button" class="icon-button" title="Keys" aria-label="Keys" @click="emit('keys')"><Keyboard :size="16" /></button>
      <Menu as="div" class="relative">
        <MenuButton class="icon-button" aria-label="More"><EllipsisVertical :size="16" /></MenuButton>
        <MenuItems class="absolute right-0 z-40 mt-1 w-52 rounded-[5px] border border-line bg-sheet p-1 shadow-lg outline-none">
          <MenuItem v-slot="{ active }"
            ><button
              type="button"
              class="block w-full rounded px-2 py-1 text-left"
              :class="active ? 'bg-moss' : ''"
              @click="picturing = true"
            >
              A picture of it…
            </button></MenuItem
          >
          <MenuItem v-slot="{ active }"
            ><button
              type="button"
              class="block w-full rounded px-2 py-1 text-left"
              :class="active ? 'bg-moss' : ''"
              @click="exportPiece(bench.whole!, shops.shelf)"
            >
              Export as JSON
            </button></MenuItem
          >
          <MenuItem v-slot="{ active }"
            ><button
              type="button"
              class="block w-full rounded px-2 py-1 text-left"
              :class="active ? 'bg-moss' : ''"
              @click="versions = true"
            >
              Earlier versions…
            </button></MenuItem
          >
        </MenuItems>
      </Menu>
    </div>
    <VersionsDialog :open="versions" @close="versions = false" />
    <PictureDialog v-if="picturing && bench.workings" @close="picturing = false" />
  </header>
</template>
