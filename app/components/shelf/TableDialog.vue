<script setup lang="ts">
import { computed } from 'vue'
import { MATERIAL_COLUMNS } from '#core/formats'
import { CATALOGUE } from '#core/material'
import type { LengthUnits } from '#core/measure'
import { several } from '#core/measure'
import type { OpenTable } from '~/composables/useTableFile'
import { useTable } from '~/composables/useTableFile'
import { useMaterials } from '~/stores/materials'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useStock } from '~/stores/stock'
import { askMaterialsIn } from '~/workers/workings'

/** Takes materials in from a table: which heading is which, and what is wrong row by row, before anything is kept. */
const props = defineProps<{ table: OpenTable }>()
const emit = defineEmits<{ close: [] }>()
const materials = useMaterials()
const notices = useNotices()
const settings = useSettings()
const stock = useStock()

const begun: { units: LengthUnits } = { units: settings.units }
const { name, read, guessed } = props.table
const {
  result,
  draft: { value: draft, since, set, again, done },
} = useTable(props.table, {
  kind: 'materials',
  columns: MATERIAL_COLUMNS,
  more: begun,
  unitsOf: ({ units }) => units,
  ask: (text, mapping, units) => askMaterialsIn(text, mapping, units, stock.pricing),
})
const replaced = computed(() => result.value?.materials.filter(({ id }) => id in CATALOGUE || id in materials.own).length ?? 0)

async function take(): Promise<void> {
  const all = result.value!.materials
  if (!(await notices.tell('The materials could not be kept', materials.saveAll(all)))) return
  await done()
  notices.note(`${several(all.length, 'material', 'materials')} came in from “${name}”.`)
  emit('close')
}
</script>

<template>
  <TableFrame
    :mapping="draft.mapping"
    :since="since"
    :title="`Materials from “${name}”`"
    :read="read"
    :guessed="guessed"
    :columns="MATERIAL_COLUMNS"
    :faults="result?.faults ?? []"
    :take="`Take ${several(result?.materials.length ?? 0, 'material', 'materials')} in`"
    :none="!result?.materials.length"
    @update:mapping="(mapping) => set({ mapping })"
    @again="again"
    @close="emit('close')"
    @take="take"
  >
    <template #fields>
      <label class="mb-1 grid grid-cols-[8rem_1fr] items-center gap-2"
        ><span>Bare lengths are</span
        ><select class="field" :value="draft.units" @change="set({ units: ($event.target as HTMLSelectElement).value as LengthUnits })">
          <option value="in">inches</option>
          <option value="cm">centimetres</option>
        </select></label
      >
    </template>
    <p v-if="result && read.ok">
      {{ several(result.materials.length, 'material', 'materials') }} of {{ several(read.rows, 'row', 'rows')
      }}<template v-if="replaced">, {{ replaced }} of them in place of what the shelf has by the same id</template>.
    </p>
  </TableFrame>
</template>
