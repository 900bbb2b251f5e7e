<script setup lang="ts">
import { computed } from 'vue'
import { ringRun } from '#core/base'
import { inches } from '#core/measure'
import type { Brief } from '#core/piece'
import { BALANCE_NAMES, BALANCES, FULLNESS, HANDS, LIGHTS, STAGES, SURFACES } from '#core/piece'
import { WEATHERS } from '#core/material'
import { useBench } from '~/stores/bench'
import { useSettings } from '~/stores/settings'

const bench = useBench()
const settings = useSettings()
const brief = computed(() => bench.piece!.brief)

function set(change: Partial<Brief>, words: string, merge: string | null = null): string | null {
  return bench.apply({ do: 'brief', set: change }, words, merge)
}
const surfaces: Record<Brief['surface']['kind'], string> = {
  boards: 'Painted boards',
  door: 'Panelled door',
  brick: 'Brick',
  plaster: 'Plaster',
  stone: 'Stone',
  glass: 'Window with a mullion',
  mantel: 'Wall over a mantel',
}
const lights: Record<Brief['light'], string> = { day: 'Daylight', dusk: 'Dusk', lamp: 'Lamp light' }
const weathers: Record<Brief['weather'], string> = { indoors: 'Indoors', covered: 'Outdoors, under cover', open: 'Outdoors, in the open' }
const fullness: Record<Brief['fullness'], string> = {
  sparse: 'Sparse: the base shows on purpose',
  full: 'Full: no base seen',
  lush: 'Lush: two layers nearly everywhere',
}
const hands: Record<Brief['hand'], string> = {
  tight: 'Tight: stems lie all but alike',
  loose: 'Loose: as hands lay them',
  wild: 'Wild: long and short, near and far',
}
const options = <T extends string>(values: readonly T[], names: Record<T, string>) => values.map((value) => ({ value, name: names[value] }))
const plain = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, name: value.charAt(0).toUpperCase() + value.slice(1) }))

/** A side of a piece is said by the clock, whatever its base. */
const DIAL = ringRun('dial', 'dial', 200, 100)

const OCCASIONS = ['Ice-out', 'Honey Fair', 'Lantern Row', 'Orchard Wake']
const SURFACE_COLOURS: Record<Brief['surface']['kind'], readonly { name: string; colour: string }[]> = {
  boards: [
    { name: 'Weathered blue-green', colour: '#57767A' },
    { name: 'Barn red', colour: '#7C3A35' },
    { name: 'Chalk', colour: '#D9DAD2' },
    { name: 'Tar black', colour: '#2F3233' },
    { name: 'Sage', colour: '#7F8F7C' },
  ],
  door: [
    { name: 'Bottle green', colour: '#44604F' },
    { name: 'Plum', colour: '#553547' },
    { name: 'Navy', colour: '#2C3D57' },
    { name: 'Cream', colour: '#DED6C3' },
    { name: 'Mustard', colour: '#B08A3C' },
  ],
  brick: [
    { name: 'Red brick', colour: '#8C5544' },
    { name: 'Yellow stock', colour: '#A88B62' },
    { name: 'Blue-grey brick', colour: '#66666E' },
    { name: 'Limewashed', colour: '#CFC7BA' },
  ],
  plaster: [
    { name: 'Plum plaster', colour: '#5B4A57' },
    { name: 'Lime white', colour: '#E2DED2' },
    { name: 'Terracotta wash', colour: '#B27B5F' },
    { name: 'Grey', colour: '#8D9291' },
  ],
  glass: [
    { name: 'White paint', colour: '#E8E6DE' },
    { name: 'Lead grey', colour: '#6F777B' },
    { name: 'Heritage green', colour: '#4E6656' },
    { name: 'Oak', colour: '#9A7448' },
  ],
  mantel: [
    { name: 'Chalk wall', colour: '#D9D5C8' },
    { name: 'Deep teal wall', colour: '#3E5C60' },
    { name: 'Clay wall', colour: '#B58A72' },
    { name: 'Ink wall', colour: '#3A3F52' },
  ],
  stone: [
    { name: 'Grey stone', colour: '#8F8C84' },
    { name: 'Honey stone', colour: '#B39A6B' },
    { name: 'Slate', colour: '#5F666B' },
  ],
}
function setSurface(kind: Brief['surface']['kind']): void {
  set({ surface: { kind, colour: SURFACE_COLOURS[kind][0]!.colour } }, `hang it on ${surfaces[kind].toLowerCase()}`)
}
</script>

<template>
  <div class="space-y-2.5 p-3">
    <RemindersCard />
    <TextField label="Name" :value="brief.name" :most="80" :take="(name) => set({ name }, 'name the piece', 'name')" />
    <div>
      <TextField
        label="Occasion"
        :value="brief.occasion"
        :most="80"
        :take="(occasion) => set({ occasion }, 'set the occasion', 'occasion')"
      />
      <div class="mt-1 flex flex-wrap gap-1">
        <button
          v-for="occasion in OCCASIONS"
          :key="occasion"
          type="button"
          class="rounded-full border border-seam bg-sheet px-2 text-tiny leading-5 hover:border-ink"
          @click="set({ occasion }, 'set the occasion')"
        >
          {{ occasion }}
        </button>
      </div>
    </div>
    <PickField label="Hangs on" :value="brief.surface.kind" :options="options(SURFACES, surfaces)" @pick="setSurface" />
    <PickField
      label="Seen in"
      :value="brief.light"
      :options="options(LIGHTS, lights)"
      @pick="(light) => set({ light }, 'change the light')"
    />
    <ColourField
      label="Its colour"
      :value="brief.surface.colour"
      :offered="SURFACE_COLOURS[brief.surface.kind]"
      @pick="(colour) => set({ surface: { ...brief.surface, colour } }, 'paint the surface')"
    />
    <div class="grid grid-cols-2 gap-2">
      <LengthField
        label="Door width"
        :mm="brief.door.width"
        :units="settings.units"
        :take="(width) => set({ door: { ...brief.door, width: width ?? inches(36) } }, 'set the door’s width')"
      />
      <LengthField
        label="Door height"
        :mm="brief.door.height"
        :units="settings.units"
        :take="(height) => set({ door: { ...brief.door, height: height ?? inches(80) } }, 'set the door’s height')"
      />
    </div>
    <PickField
      label="Weather"
      :value="brief.weather"
      :options="options(WEATHERS, weathers)"
      @pick="(weather) => set({ weather }, 'set the weather')"
    />
    <PickField
      label="Fullness"
      :value="brief.fullness"
      :options="options(FULLNESS, fullness)"
      @pick="(value) => set({ fullness: value }, 'set the fullness')"
    />
    <PickField label="Hand" :value="brief.hand" :options="options(HANDS, hands)" @pick="(hand) => set({ hand }, 'set the hand')" />
    <div class="grid gap-2" :class="brief.balance.school === 'offset' ? 'grid-cols-2' : ''">
      <PickField
        label="Balance"
        :value="brief.balance.school"
        :options="options(BALANCES, BALANCE_NAMES)"
        @pick="(school) => set({ balance: { ...brief.balance, school } }, 'set the balance')"
      />
      <PlaceField
        v-if="brief.balance.school === 'offset'"
        label="Heavy towards"
        :share="brief.balance.towards / 360"
        :run="DIAL"
        :units="settings.units"
        :take="(share) => set({ balance: { ...brief.balance, towards: (share * 360) % 360 } }, 'set the heavy side')"
      />
    </div>
    <div class="grid grid-cols-2 gap-2">
      <MoneyField
        label="Budget for each"
        :minor="brief.budget"
        :currency="settings.currency"
        none="none"
        :take="(budget) => set({ budget }, 'set the budget')"
      />
    </div>
    <CountField
      label="How many"
      :value="brief.copies"
      :least="1"
      :most="1000"
      whole
      :take="(copies) => set({ copies }, 'set how many are made')"
    />
    <PickField
      label="Stage"
      :value="bench.piece!.stage"
      :options="plain(STAGES)"
      @pick="(stage) => bench.apply({ do: 'stage', stage }, `mark it ${stage}`)"
    />
  </div>
</template>
