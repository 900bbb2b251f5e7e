<script setup lang="ts">
import { quantity, readLong, several, show } from '#core/measure'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** From turn to turn, round what, and how it is held. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'wound'> }>()
const { bench, units, run, worked, set, length } = useRuleFields<'wound'>(props)
</script>

<template>
  <div class="space-y-2">
    <div class="grid grid-cols-2 gap-2">
      <LengthField
        label="A turn every"
        :mm="rule.pitch"
        none="side by side"
        :units="units"
        :take="(pitch) => set({ pitch }, 'change the pitch')"
      />
      <LengthField label="Round a tube of" :mm="rule.thick" :units="units" :take="length('thick', 'change how thick it is')" />
      <LengthField label="Left at each end" :mm="rule.ends" :units="units" :take="length('ends', 'change the ends')" />
      <LengthField
        label="Pinned every"
        :mm="rule.every"
        none="at the ends"
        :units="units"
        :take="(every) => set({ every }, 'change the pins')"
      />
    </div>
    <table class="block w-full text-fine [&_tbody]:block" data-testid="windings">
      <caption class="field-label block text-left">
        What each way takes on the
        {{
          run.name
        }}
      </caption>
      <tbody>
        <tr v-for="each in worked?.makeUp?.choices ?? []" :key="each.name" class="grid grid-cols-4 border-b border-seam py-0.5">
          <th scope="row" class="col-span-4 text-left font-medium">
            <button
              type="button"
              class="text-left underline decoration-dotted underline-offset-2"
              @click="set({ pitch: each.pitch }, 'choose a winding')"
            >
              {{ each.name }}
            </button>
          </th>
          <td>{{ several(Math.round(each.turns), 'turn', 'turns') }}</td>
          <td>{{ readLong(each.length, units) }}</td>
          <td>{{ several(each.rolls, 'roll', 'rolls') }}</td>
          <td class="text-right">{{ show(quantity.time(each.minutes), bench.manner) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
