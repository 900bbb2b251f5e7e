import { liveQuery } from 'dexie'
import type { Subscription } from 'dexie'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Run } from '#core/base'
import { runsOf } from '#core/base'
import type { Manner } from '#core/measure'
import type { Edit, History, Layer, Piece } from '#core/piece'
import { edit, EMPTY_HISTORY, note, redo, undo } from '#core/piece'
import type { Placement } from '#core/arrange'
import type { Workings } from '#core/workings'
import { db } from '~/db'
import { savePiece, snapPiece } from '~/db/pieces'
import { forgetRescue, rescueOf, writeRescue } from '~/db/rescue'
import { latestOnly } from '~/workers/workings'
import { useNotices } from './notices'
import { newId } from './pieces'
import { useSettings } from './settings'
import { useShops } from './shops'

/** An edit is written this long after it was made, ms. */
const SAVE_AFTER = 400

/** The piece on the bench: what was decided, what follows from it, and what is selected. */
export const useBench = defineStore('bench', () => {
  const notices = useNotices()
  const settings = useSettings()
  const shops = useShops()

  const piece = shallowRef<Piece | null>(null)
  const workings = shallowRef<Workings | null>(null)
  const history = shallowRef<History>(EMPTY_HISTORY)
  /** The things that are chosen; the last is the one that measures are shown for. */
  const selection = ref<readonly string[]>([])
  const selected = computed(() => selection.value.at(-1) ?? null)
  /** How many things of the order of work are shown; null shows all. */
  const shownUpTo = ref<number | null>(null)
  const openLayer = ref<string | null>(null)
  const saving = ref<'saved' | 'waiting'>('saved')

  let revision = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  let watching: Subscription | undefined
  let writing: Promise<void> = Promise.resolve()

  const manner = computed<Manner>(() => ({ units: settings.units, currency: piece.value?.brief.currency ?? 'USD' }))
  const byId = computed(() => new Map((workings.value?.placements ?? []).map((each) => [each.id, each])))
  const selectedPlacement = computed<Placement | null>(() => byId.value.get(selected.value ?? '') ?? null)
  const selectedPlacements = computed(() => selection.value.flatMap((id) => byId.value.get(id) ?? []))

  const ask = latestOnly(
    (answer) => { workings.value = answer },
    (error) => { notices.fault('The sums could not be worked out', `${String(error)}\nYour piece is safe: take the last edit back.`) },
  )
  watch([piece, () => shops.shelf], ([now, shelf]) => { if (now) ask(now, shelf) })

  async function open(id: string): Promise<boolean> {
    await close()
    const record = await db().pieces.get(id)
    if (!record) return false
    revision = record.revision
    const rescued = rescueOf(id, record.revision)
    piece.value = rescued ?? record.piece
    workings.value = null
    history.value = EMPTY_HISTORY
    selection.value = []
    shownUpTo.value = null
    openLayer.value = null
    if (rescued) await save()
    await snapPiece(db(), piece.value, Date.now())
    watching = liveQuery(() => db().pieces.get(id)).subscribe((kept) => {
      if (!kept || kept.revision <= revision || saving.value === 'waiting') return
      revision = kept.revision
      piece.value = kept.piece
      history.value = EMPTY_HISTORY
      notices.note('This piece was changed in another tab; you see it as it is now.')
    })
    return true
  }

  async function close(): Promise<void> {
    watching?.unsubscribe()
    watching = undefined
    await flush()
    piece.value = null
  }

  function save(): Promise<void> {
    clearTimeout(timer)
    timer = undefined
    writing = writing.then(write)
    return writing
  }

  async function write(): Promise<void> {
    const mine = piece.value
    if (!mine) return
    const saved = await savePiece(db(), mine, revision, Date.now())
    if (saved.ok) {
      revision = saved.revision
      forgetRescue(mine.id)
    }
    else {
      const copy: Piece = { ...mine, id: newId(), brief: { ...mine.brief, name: `${mine.brief.name} (kept from this tab)`.slice(0, 80) } }
      await savePiece(db(), copy, 0, Date.now())
      if (saved.current) {
        revision = saved.current.revision
        piece.value = saved.current.piece
        history.value = EMPTY_HISTORY
      }
      notices.fault('Changed in two tabs at once', `The other tab saved first, so this tab’s version is kept beside it as “${copy.brief.name}”. Nothing was lost.`)
    }
    if (timer === undefined) saving.value = 'saved'
  }

  /** Writes what is waiting, if anything. */
  async function flush(): Promise<void> {
    if (timer !== undefined) await save()
    await writing
  }

  /** For when the page goes away: what is waiting is put where it can be written at once. */
  function rescue(): void {
    if (piece.value && saving.value === 'waiting') writeRescue(piece.value, revision)
    void flush()
  }

  function changed(next: Piece): void {
    piece.value = next
    saving.value = 'waiting'
    clearTimeout(timer)
    timer = setTimeout(() => { void save() }, SAVE_AFTER)
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

  function step(take: typeof undo, said: string): void {
    if (!piece.value) return
    const moved = take(piece.value, history.value)
    if (!moved) return
    history.value = moved.history
    changed(moved.piece)
    notices.announce(`${said}: ${moved.words}`)
  }

  const layerOf = (id: string): Layer | undefined => piece.value?.layers.find((layer) => layer.id === id)

  const shape = computed(() => {
    const base = workings.value?.scene.base ?? piece.value?.base
    return base ? JSON.stringify({ shape: base.shape, turn: base.turn }) : null
  })
  /** The runs of the base as the workings have it, the same objects while it keeps its shape. */
  const runs = computed<readonly Run[]>(() => (shape.value ? runsOf(JSON.parse(shape.value) as Piece['base']) : []))
  /** The run by which a layer's places are read: its own, or the first of all. */
  const runOfLayer = (layer: Pick<Layer, 'run'>): Run => runs.value.find(({ id }) => id === layer.run) ?? runs.value[0]!

  /** "bracken frond 3" */
  const nameOf = (placement: Pick<Placement, 'material' | 'number'>): string =>
    `${shops.shelf.materials[placement.material]?.name ?? placement.material} ${placement.number}`

  /** Chooses one thing, or none. */
  function select(placement: string | null): void { selectAll(placement ? [placement] : []) }

  function selectAll(placements: readonly string[]): void {
    selection.value = placements
    const last = placements.at(-1)
    if (last) openLayer.value = last.split(':')[0]!
  }

  /** Adds a thing to what is chosen, or takes it out. */
  function toggle(placement: string): void {
    selectAll(selection.value.includes(placement) ? selection.value.filter((id) => id !== placement) : [...selection.value, placement])
  }

  return {
    piece, workings, history, selection, selected, openLayer, saving, manner, shownUpTo, byId, selectedPlacement, selectedPlacements,
    open, close, flush, rescue, apply, select, selectAll, toggle, runs, runOfLayer, layerOf, nameOf,
    undo: () => step(undo, 'Undone'),
    redo: () => step(redo, 'Done again'),
  }
})
