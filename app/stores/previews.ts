import { defineStore } from 'pinia'
import { shallowReactive, watch } from 'vue'
import { useCacheKey } from '~/stores/cache-key'
import type { PieceRecord, PreviewRecord } from '~/db'
import { db } from '~/db'
import { paintPreview } from '~/workers/previews'
import { useNotices } from './notices'
import { usePieces } from './pieces'
import { useShops } from './shops'

/** A preview as a card shows it. */
export interface Preview extends Pick<PreviewRecord, 'key'> {
  readonly src: string
}

/**
 * The small pictures of the workroom: kept in the database by what they were made of, and painted in a worker where
 * there is none, those in view first, the rest when nothing else is asked for.
 */
export const usePreviews = defineStore('previews', () => {
  const notices = useNotices()
  const pieces = usePieces()
  const shops = useShops()
  const shown = shallowReactive(new Map<string, Preview>())
  const failed = new Map<string, string>()
  const inView = new Set<string>()

  const keyOf = useCacheKey('looks')

  function show(record: PreviewRecord): void {
    const before = shown.get(record.id)
    if (before) URL.revokeObjectURL(before.src)
    shown.set(record.id, { key: record.key, src: URL.createObjectURL(record.picture) })
  }

  /** A card came into view. What the database has is shown at once, also where it is of an older piece. */
  async function want(id: string): Promise<void> {
    inView.add(id)
    if (!shown.has(id)) {
      const kept = await db().previews.get(id)
      if (kept && !shown.has(id)) show(kept)
    }
    void go()
  }
  function leave(id: string): void {
    inView.delete(id)
  }

  let painting = false
  /** Something may have changed since what is due was last looked for. */
  let stale = false
  /** Paints what is missing, one at a time, until nothing is. */
  async function go(): Promise<void> {
    stale = true
    if (painting) return
    painting = true
    try {
      while (stale) {
        stale = false
        for (let next = await due(); next; next = await due()) await paint(next)
      }
    } catch (error) {
      notices.fault('Previews could not be kept', String(error))
    } finally {
      painting = false
    }
  }

  /** What could not be painted is tried again only when something about it changed. */
  const isToTry = (record: PieceRecord): boolean => failed.get(record.id) !== keyOf(record)
  const nextInView = (): PieceRecord | undefined =>
    pieces.records?.find((record) => inView.has(record.id) && shown.get(record.id)?.key !== keyOf(record) && isToTry(record))

  /** The next to be painted; none while no card is in view: on the bench hands have the machine. */
  async function due(): Promise<PieceRecord | undefined> {
    if (!inView.size) return undefined
    const seen = nextInView()
    if (seen) return seen
    await idle()
    const kept = new Set((await db().previews.orderBy('[id+key]').keys()).map(String))
    // Meanwhile one may have scrolled, or gone to the bench.
    if (!inView.size) return undefined
    return nextInView() ?? pieces.records?.find((record) => !kept.has([record.id, keyOf(record)].toString()) && isToTry(record))
  }

  async function paint(record: PieceRecord): Promise<void> {
    const key = keyOf(record)
    try {
      // Another tab may have painted it, or its card was not yet shown what is kept.
      const kept = await db().previews.get(record.id)
      if (kept?.key === key) {
        if (inView.has(record.id)) show(kept)
        return
      }
      const preview = { id: record.id, key, ...(await paintPreview(record.piece, shops.shelf)) }
      await db().previews.put(preview)
      if (inView.has(record.id)) show(preview)
    } catch (error) {
      failed.set(record.id, key)
      console.error(error)
      notices.fault(
        `“${record.piece.brief.name}” has no preview`,
        `${error instanceof Error ? error.message : String(error)}\nThe piece is safe.`,
      )
    }
  }

  watch(
    () => [pieces.records, shops.shelf],
    () => {
      void go()
    },
  )
  /** The picture that the database has of a piece. */
  const kept = (id: string): Promise<PreviewRecord | undefined> => db().previews.get(id)
  return { shown, failed, want, leave, kept }
})

const idle = (): Promise<unknown> =>
  new Promise((resolve) => {
    ;(globalThis.requestIdleCallback ?? setTimeout)(resolve)
  })
