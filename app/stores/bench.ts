import type { Subscription } from 'dexie'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Run } from '#core/base'
import { runsOf } from '#core/base'
import type { DisplayOptions } from '#core/measure'
import { formatMoney } from '#core/measure'
import type { Edit, History, Layer, Piece } from '#core/piece'
import { edit, EMPTY_HISTORY, note, redo, undo } from '#core/piece'
import type { Placement } from '#core/placement'
import type { OnBench } from '#core/workroom'
import type { PieceRecord, Snapshot } from '~/db'
import { db } from '~/db'
import { following } from '~/stores/live-query'
import type { Keeping } from '~/db/autosave'
import { Keeper } from '~/db/autosave'
import { apartFrom, savePiece, snapPiece, snapshotsOf, takeUpRescues } from '~/commands/pieces'
import { reason } from '~/db/storage-error-text'
import { forgetRescue, writeRescue } from '~/db/unsaved-recovery'
import { breakOff, askNewestFirst } from '~/workers/workings'
import { WorkerLost } from '~/workers/bridge'
import { useNotices } from './notices'
import { newId } from './pieces'
import { useSettings } from './settings'
import { useShops } from './shops'
import { useStock } from './stock'
import { materialOf } from '#core/material'

/** Pieces that were left before they could be written; their keepers go on trying. */
const unwritten = new Map<string, Keeper>()

/** How long the sums have been under way. */
type Working = 'quick' | 'busy' | 'long'
/** From this long on the sums are said to be under way, and from this long on they can be broken off, ms. */
const BUSY_FROM = 400
const LONG_FROM = 10_000

/** The piece on the bench: what was decided, what follows from it, and what is selected. */
export const useBench = defineStore('bench', () => {
  const notices = useNotices()
  const settings = useSettings()
  const shops = useShops()
  const stock = useStock()

  const piece = shallowRef<Piece | null>(null)
  const workings = shallowRef<OnBench | null>(null)
  const history = shallowRef<History>(EMPTY_HISTORY)
  /** The things that are chosen; the last is the one that measures are shown for. */
  const selection = ref<readonly string[]>([])
  const selected = computed(() => selection.value.at(-1) ?? null)
  /** How many things of the order of work are shown; null shows all. */
  const shownUpTo = ref<number | null>(null)
  const openLayer = ref<string | null>(null)
  const saving = ref<Keeping>('saved')
  /** How long the sums have been under way: not to be noticed, to be said, or long enough to be broken off. */
  const working = ref<Working>('quick')

  let keeper: Keeper | null = null
  let watching: Subscription | undefined

  const manner = computed<DisplayOptions>(() => settings.manner)
  const byId = computed(() => new Map((workings.value?.placements ?? []).map((each) => [each.id, each])))
  const selectedPlacement = computed<Placement | null>(() => byId.value.get(selected.value ?? '') ?? null)
  const selectedPlacements = computed(() => selection.value.flatMap((id) => byId.value.get(id) ?? []))

  let clocks: ReturnType<typeof setTimeout>[] = []
  const ask = askNewestFirst(
    (answer, of) => {
      if (of.id === piece.value?.id) workings.value = answer
    },
    (error) => {
      const lost = error instanceof WorkerLost
      notices.fault(
        lost ? 'The sums stopped' : 'The sums could not be worked out',
        `${error instanceof Error ? error.message : String(error)}\nYour piece is safe. ${lost ? 'The next edit starts them again.' : 'Take the last edit back.'}`,
      )
    },
    (busy) => {
      clocks.forEach(clearTimeout)
      working.value = 'quick'
      const later = (now: Working, ms: number) =>
        setTimeout(() => {
          working.value = now
        }, ms)
      clocks = busy ? [later('busy', BUSY_FROM), later('long', LONG_FROM)] : []
    },
  )
  watch([piece, () => stock.pricing], ([now, pricing]) => {
    if (now) ask(now, pricing)
  })

  function keep(record: Pick<PieceRecord, 'piece' | 'revision'>): Keeper {
    const own: Keeper = new Keeper(record.piece, record.revision, {
      save: (mine, revision) => savePiece(db(), mine, revision, Date.now()),
      rescue: writeRescue,
      forget: forgetRescue,
      apart: (mine) => apartFrom(db(), mine, newId, 'kept from this tab'),
      onState(state) {
        if (keeper === own) saving.value = state
        if (state === 'saved') unwritten.delete(own.piece.id)
      },
      onFail(error) {
        notices.fault(
          'Your edits could not be saved',
          `${reason(error)}\nThey are kept in this tab and will be tried again: leave it open.`,
        )
      },
      onRecovered() {
        notices.note('Saved after all: all your edits are kept.')
      },
      onApart(copy, other) {
        notices.fault(
          other ? 'Changed in two tabs at once' : 'Thrown away in another tab',
          `${other ? 'The other tab saved first: its version stands in the workroom under its own name.' : 'Another tab threw this piece away.'} What you have here goes on as a piece of its own, “${copy.brief.name}”. Nothing was lost.`,
        )
        if (keeper !== own) return
        piece.value = copy
        follow(copy.id)
      },
    })
    return own
  }

  /** Follows what other tabs do to the piece. */
  function follow(id: string): void {
    watching?.unsubscribe()
    let seen = true
    watching = following(
      () => db().pieces.get(id),
      (kept) => {
        if (!kept && seen && keeper?.state === 'saved')
          notices.fault(
            'Thrown away in another tab',
            'Another tab threw this piece away. The next edit here keeps it as a piece of its own.',
          )
        seen = kept !== undefined
        if (!kept || !keeper?.follow(kept)) return
        piece.value = kept.piece
        history.value = EMPTY_HISTORY
        notices.note('This piece was changed in another tab; you see it as it is now.')
      },
    )
  }

  /** @returns whether there is such a piece @throws what the storage throws */
  async function open(id: string): Promise<boolean> {
    await close()
    for (const name of await takeUpRescues(db(), newId, Date.now(), id))
      notices.note(`What a closed page left behind is kept as “${name}”.`)
    const left = unwritten.get(id)
    const record = left ?? (await db().pieces.get(id))
    if (!record) return false
    keeper = left ?? keep(record)
    unwritten.delete(id)
    saving.value = keeper.state
    workings.value = null
    piece.value = record.piece
    history.value = EMPTY_HISTORY
    selection.value = []
    shownUpTo.value = null
    openLayer.value = null
    void notices.tell('An earlier version could not be kept', snapPiece(db(), record.piece, Date.now()))
    follow(id)
    return true
  }

  /** Leaves the piece. What could not be written is tried again in the background. */
  async function close(): Promise<void> {
    watching?.unsubscribe()
    watching = undefined
    const left = keeper
    keeper = null
    piece.value = null
    if (!left) return
    if (left.state !== 'saved') unwritten.set(left.piece.id, left)
    if (await left.flush()) unwritten.delete(left.piece.id)
  }

  /** Writes what is waiting, if anything. @returns whether all is written */
  const flush = (): Promise<boolean> => keeper?.flush() ?? Promise.resolve(true)

  /** For when the page goes away: what is waiting is put where it can be written at once. @returns whether nothing would be lost */
  function rescue(): boolean {
    const all = [...unwritten.values(), ...(keeper ? [keeper] : [])]
    const kept = all.map((each) => each.rescue()).every(Boolean)
    for (const each of all) void each.flush()
    return kept
  }

  function changed(next: Piece): void {
    piece.value = next
    keeper?.put(next)
  }

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
    changed(edited.change.piece)
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
    changed(moved.piece)
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

  /** Chooses one thing, or none. @param layer its layer, where it is not laid yet */
  function select(placement: string | null, layer?: string): void {
    selectAll(placement ? [placement] : [], layer)
  }

  /** Chooses several; the layer of the last is opened. */
  function selectAll(placements: readonly string[], layer = byId.value.get(placements.at(-1) ?? '')?.layer): void {
    selection.value = placements
    if (layer !== undefined) openLayer.value = layer
  }

  /** Adds a thing to what is chosen, or takes it out. */
  function toggle(placement: string): void {
    selectAll(selection.value.includes(placement) ? selection.value.filter((id) => id !== placement) : [...selection.value, placement])
  }

  return {
    piece,
    workings,
    history,
    selection,
    selected,
    openLayer,
    saving,
    working,
    manner,
    shownUpTo,
    byId,
    selectedPlacement,
    selectedPlacements,
    open,
    close,
    flush,
    rescue,
    apply,
    /** The piece as it was at the start of earlier visits, the newest first. */
    versions: async (): Promise<readonly Snapshot[]> => (piece.value ? snapshotsOf(db(), piece.value.id) : []),
    take,
    select,
    selectAll,
    toggle,
    runs,
    runOfLayer,
    layerOf,
    nameOf,
    breakOff,
    undo: () => step(undo, 'Undone'),
    redo: () => step(redo, 'Done again'),
  }
})
