<script setup lang="ts">
import { computed } from 'vue'
import type { Preparation } from '#core/piece'
import { CLEANINGS } from '#core/piece'

/** What is done to a thing before it goes on: each of these is a task of its own. */
const props = defineProps<{ prepared: Preparation; found: boolean; take: (prepared: Preparation, words: string) => string | null }>()
const set = (change: Partial<Preparation>, words: string): string | null => props.take({ ...props.prepared, ...change }, words)
const names = { none: 'Nothing', wipe: 'Wiped', bag: 'Kept in a closed bag', bake: 'Baked' } as const
const coats = computed(() => props.prepared.paint?.coats ?? 0)
</script>

<template>
  <div class="space-y-2">
    <div class="grid grid-cols-2 gap-2">
      <CountField
        label="Coats of paint"
        :value="coats"
        :least="0"
        :most="9"
        whole
        :take="
          (n) =>
            set(
              { paint: n === 0 ? null : { colour: prepared.paint?.colour ?? '#2C5A43', coats: n } },
              n === 0 ? 'leave it unpainted' : 'paint it',
            )
        "
      />
      <CountField label="Coats of sealer" :value="prepared.seal" :least="0" :most="9" whole :take="(seal) => set({ seal }, 'seal it')" />
    </div>
    <ColourField
      v-if="prepared.paint"
      label="Painted"
      :value="prepared.paint.colour"
      :offered="[]"
      @pick="(colour) => set({ paint: { colour, coats } }, 'choose the paint')"
    />
    <PickField
      v-if="found"
      label="Natural finds are"
      :value="prepared.clean"
      :options="CLEANINGS.map((value) => ({ value, name: names[value] }))"
      @pick="(clean) => set({ clean }, 'say how finds are cleaned')"
    />
    <label class="tick"
      ><input
        type="checkbox"
        class="size-4 accent-leaf"
        :checked="prepared.joined"
        @change="set({ joined: !prepared.joined }, 'say whether it is joined first')"
      />Bent or joined first</label
    >
    <TextField
      label="Taken from an older piece"
      :value="prepared.from ?? ''"
      :most="80"
      :take="(text) => set({ from: text || null }, 'say where it is from')"
    />
  </div>
</template>
