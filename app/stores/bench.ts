import { liveQuery } from 'dexie'
import type { Subscription } from 'dexie'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Manner } from '#core/measure'
import type { Edit, History, Layer, Nudge, Piece } from '#core/piece'
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
  const selected = ref<string | null>(null)
  const openLayer = ref<string | null>(null)
  const saving = ref<'saved' | 'waiting'>('saved')

  let revision = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  let watching: Subscription | undefined
  let writing: Promise<void> = Promise.resolve()

  const manner = computed<Manner>(() => ({ units: settings.units, currency: piece.value?.brief.currency ?? 'USD' }))
  const selectedPlacement = computed<Placement | null>(() => workings.value?.placements.find(({ id }) => id === selected.value) ?? null)

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
    selected.value = null
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

  /** "bracken frond 3" */
  const nameOf = (placement: Pick<Placement, 'material' | 'number'>): string =>
    `${shops.shelf.materials[placement.material]?.name ?? placement.material} ${placement.number}`

  function select(placement: string | null): void {
    selected.value = placement
    if (placement) openLayer.value = placement.split(':')[0]!
  }

  /** Moves a thing by hand, on top of how it has been moved before. */
  function nudge(placement: Placement, by: Partial<Nudge>, words: string, merge: string | null = null): void {
    const before = layerOf(placement.layer)?.nudges[placement.slot] ?? { along: 0, across: 0, turn: 0 }
    const turn = (((before.turn + (by.turn ?? 0) + 180) % 360) + 360) % 360 - 180
    const next: Nudge = { along: before.along + (by.along ?? 0), across: Math.min(2, Math.max(-2, before.across + (by.across ?? 0))), turn }
    apply({ do: 'nudge', layer: placement.layer, slot: placement.slot, nudge: next }, words, merge)
  }

  return {
    piece, workings, history, selected, openLayer, saving, manner, selectedPlacement,
    open, close, flush, rescue, apply, nudge, select, layerOf, nameOf,
    undo: () => step(undo, 'Undone'),
    redo: () => step(redo, 'Done again'),
  }
})
