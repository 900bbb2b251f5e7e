import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { Run } from '#core/base'
import { runsOf } from '#core/base'
import { materialOf } from '#core/material'
import type { DisplayOptions } from '#core/measure'
import { formatMoney } from '#core/measure'
import type { Edit, History, Layer, Piece } from '#core/piece'
import { edit, EMPTY_HISTORY, note, redo, undo } from '#core/piece'
import type { Placement } from '#core/placement'
import { snapshotsOf } from '~/commands/pieces'
import type { Snapshot } from '~/db'
import { db } from '~/db'
import { breakOff } from '~/workers/workings'
import { useKeeping } from './bench-keeping'
import { useSelection } from './bench-selection'
import { useWorkings } from './bench-workings'
import { useNotices } from './notices'
import { useSettings } from './settings'
import { useShops } from './shops'

/** The piece on the bench: what was decided, what follows from it, and what is selected. */
export const useBench = defineStore('bench', () => {
  const notices = useNotices()
  const settings = useSettings()
  const shops = useShops()

  const piece = shallowRef<Piece | null>(null)
  const history = shallowRef<History>(EMPTY_HISTORY)
  const { workings, working } = useWorkings(piece)
  const byId = computed<ReadonlyMap<string, Placement>>(() => new Map((workings.value?.placements ?? []).map((one) => [one.id, one])))
  const { clear, ...selection } = useSelection(byId)
  const { put, ...keeping } = useKeeping(piece, history, () => {
    workings.value = null
    clear()
  })
  const manner = computed<DisplayOptions>(() => settings.manner)

  /**
   * Makes an edit.
   * @param words what undo calls it
   * @param merge edits with the same key in a row are one undo
   * @returns what is wrong with it, or null
   */
  function apply(how: Edit, words: string, merge: string | null = null): string | null {
    if (!piece.value) return null
    const edited = edit(piece.value, how, words)
    if (!edited.ok) return edited.error
    if (edited.change.forward.length === 0) return null
    history.value = note(history.value, edited.change, merge)
    put(edited.change.piece)
    return null
  }

  /** Makes an edit that the app offers, and says what it adds to what is opened, once that is worked out. @returns what is wrong with it, or null */
  function take(how: Edit, words: string): string | null {
    const before = workings.value?.bill.opened.value ?? null
    const error = apply(how, words)
    if (error !== null || before === null) return error
    const stop = watch(workings, (now) => {
      stop()
      const more = (now?.bill.opened.value ?? before) - before
      if (more > 0) notices.note(`It adds ${formatMoney(more, settings.currency)} to what is opened; undo takes it back.`)
    })
    return null
  }

  function step(way: typeof undo, said: string): void {
    if (!piece.value) return
    const moved = way(piece.value, history.value)
    if (!moved) return
    history.value = moved.history
    put(moved.piece)
    notices.announce(`${said}: ${moved.words}`)
  }

  const layerOf = (id: string): Layer | undefined => piece.value?.layers.find((layer) => layer.id === id)

  /** The runs of the base as the workings have them, the same objects while it keeps its shape; until there are any, those of the piece. */
  const runs = computed<readonly Run[]>(() => workings.value?.scene.runs ?? (piece.value ? runsOf(piece.value.base) : []))
  /** The run by which a layer's places are read: its own, or the first of all. */
  const runOfLayer = (layer: Pick<Layer, 'run'>): Run => runs.value.find(({ id }) => id === layer.run) ?? runs.value[0]!

  /** "bracken frond 3" */
  const nameOf = (placement: Pick<Placement, 'material' | 'number'>): string =>
    `${materialOf(shops.shelf, placement.material)?.name ?? placement.material} ${placement.number}`

  return {
    piece,
    workings,
    history,
    working,
    manner,
    byId,
    ...selection,
    ...keeping,
    apply,
    /** The piece as it was at the start of earlier visits, the newest first. */
    versions: async (): Promise<readonly Snapshot[]> => (piece.value ? snapshotsOf(db(), piece.value.id) : []),
    take,
    runs,
    runOfLayer,
    layerOf,
    nameOf,
    breakOff,
    undo: () => step(undo, 'Undone'),
    redo: () => step(redo, 'Done again'),
  }
})
