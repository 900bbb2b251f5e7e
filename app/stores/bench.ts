import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { Run } from '#core/base'
import { runsOf } from '#core/base'
import { materialOf } from '#core/material'
import type { DisplayOptions } from '#core/measure'
import type { History, Layer, Piece } from '#core/piece'
import { EMPTY_HISTORY } from '#core/piece'
import type { Placement } from '#core/placement'
import { snapshotsOf } from '~/commands/pieces'
import type { Snapshot } from '~/db'
import { db } from '~/db'
import { breakOff } from '~/workers/workings'
import { useEditing } from './bench-editing'
import { useKeeping } from './bench-keeping'
import { useSelection } from './bench-selection'
import { useWorkings } from './bench-workings'
import { useSettings } from './settings'
import { useBenchShelf, useOnBench } from './bench-parts'

/** The piece on the bench: what was decided, what follows from it, and what is selected. */
export const useBench = defineStore('bench', () => {
  const settings = useSettings()

  const whole = shallowRef<Piece | null>(null)
  const { part, openPart, piece } = useOnBench(whole)
  const history = shallowRef<History>(EMPTY_HISTORY)
  const { workings, working } = useWorkings(piece)
  const byId = computed<ReadonlyMap<string, Placement>>(() => new Map((workings.value?.placements ?? []).map((one) => [one.id, one])))
  const { clear, ...selection } = useSelection(byId)
  const { put, ...keeping } = useKeeping(whole, history, () => {
    workings.value = null
    part.value = null
    clear()
  })
  /** Puts a part on the bench by itself, or the whole piece again. */
  function workOn(id: string | null): void {
    workings.value = null
    clear()
    part.value = id
  }
  watch(openPart, (now, before) => {
    // It was thrown away, or its making was taken back.
    if (before && !now) workOn(null)
  })
  const manner = computed<DisplayOptions>(() => settings.manner)

  const editing = useEditing({ whole, openPart }, history, workings, put)

  const layerOf = (id: string): Layer | undefined => piece.value?.layers.find((layer) => layer.id === id)

  /** The runs of the base as the workings have them, the same objects while it keeps its shape; until there are any, those of the piece. */
  const runs = computed<readonly Run[]>(() => workings.value?.scene.runs ?? (piece.value ? runsOf(piece.value.base) : []))
  /** The run by which a layer's places are read: its own, or the first of all. */
  const runOfLayer = (layer: Pick<Layer, 'run'>): Run => runs.value.find(({ id }) => id === layer.run) ?? runs.value[0]!

  const shelf = useBenchShelf(piece, workings)

  /** "bracken frond 3" */
  const nameOf = (placement: Pick<Placement, 'material' | 'number'>): string =>
    `${materialOf(shelf.value, placement.material)?.name ?? placement.material} ${placement.number}`

  return {
    piece,
    whole,
    openPart,
    workOn,
    shelf,
    workings,
    history,
    working,
    manner,
    byId,
    ...selection,
    ...keeping,
    ...editing,
    /** The piece as it was at the start of earlier visits, the newest first. */
    versions: async (): Promise<readonly Snapshot[]> => (whole.value ? snapshotsOf(db(), whole.value.id) : []),
    runs,
    runOfLayer,
    layerOf,
    nameOf,
    breakOff,
  }
})
