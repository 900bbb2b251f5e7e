<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Mapping } from '#core/exchange'
import { guessMapping, MATERIAL_COLUMNS, readMaterials, readTable } from '#core/exchange'
import { SPECIES } from '#core/plant'
import { CATALOGUE } from '#core/material'
import type { Units } from '#core/measure'
import { several } from '#core/measure'
import { useMaterials } from '~/stores/materials'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'

/** Takes materials in from a table: which heading is which, and what is wrong row by row, before anything is kept. */
const props = defineProps<{ text: string; name: string; guessed: boolean }>()
const emit = defineEmits<{ close: [] }>()
const materials = useMaterials()
const notices = useNotices()
const settings = useSettings()

const read = computed(() => readTable(props.text))
const headings = computed(() => (read.value.ok ? read.value.table.headings : []))
const mapping = ref<Mapping>(guessMapping(headings.value, MATERIAL_COLUMNS))
const units = ref<Units>(settings.units)
const species = new Set(Object.keys(SPECIES))

const result = computed(() =>
  read.value.ok ? readMaterials(read.value.table, mapping.value, units.value, species, materials.freshIds()) : null,
)
const replaced = computed(() => result.value?.materials.filter(({ id }) => id in CATALOGUE || id in materials.own).length ?? 0)

async function take(): Promise<void> {
  const all = result.value!.materials
  if (!(await notices.tell('The materials could not be kept', materials.saveAll(all)))) return
  notices.note(`${several(all.length, 'material', 'materials')} came in from “${props.name}”.`)
  emit('close')
}
</script>

<template>
  <DialogFrame :title="`Materials from “${name}”`" wide="w-[52rem]" @close="emit('close')">
    <p v-if="!read.ok" class="text-ruddy" role="alert">{{ read.error }} Nothing was changed.</p>
    <template v-else>
      <p v-if="guessed" class="mb-2 text-bracken" role="status">
        The table is not in UTF-8 and was read as Windows-1252: look whether names with accents are right.
      </p>
      <div class="grid min-h-0 grid-cols-2 gap-4">
        <section class="min-h-0 overflow-y-auto pr-1" aria-label="Which heading is which" tabindex="0">
          <h3 class="panel-title mb-1">Which heading is which</h3>
          <MappingFields v-model="mapping" :columns="MATERIAL_COLUMNS" :headings="headings" />
          <label class="mb-1 grid grid-cols-[8rem_1fr] items-center gap-2"
            ><span>Bare lengths are</span
            ><select v-model="units" class="field">
              <option value="in">inches</option>
              <option value="cm">centimetres</option>
            </select></label
          >
        </section>
        <section class="min-h-0 overflow-y-auto" aria-label="What comes in" tabindex="0">
          <h3 class="panel-title mb-1">What comes in</h3>
          <template v-if="result">
            <p>
              {{ several(result.materials.length, 'material', 'materials') }} of {{ several(read.table.rows.length, 'row', 'rows')
              }}<template v-if="replaced">, {{ replaced }} of them in place of what the shelf has by the same id</template>.
            </p>
            <RowFaults :faults="result.faults" />
          </template>
        </section>
      </div>
    </template>
    <div class="mt-3 flex justify-end gap-2">
      <button type="button" class="button h-8" @click="emit('close')">Not now</button>
      <button v-if="result" type="button" class="button-main" :disabled="!result.materials.length" @click="take">
        Take {{ several(result.materials.length, 'material', 'materials') }} in
      </button>
    </div>
  </DialogFrame>
</template>
