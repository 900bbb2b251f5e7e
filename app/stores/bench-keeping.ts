import type { Subscription } from 'dexie'
import type { ShallowRef } from 'vue'
import { ref } from 'vue'
import type { History, Piece } from '#core/piece'
import { EMPTY_HISTORY, STAGE_SORTS } from '#core/piece'
import { apartFrom, savePiece, saveStage, snapPiece, takeUpRescues } from '~/commands/pieces'
import type { Making } from '~/commands/lots'
import type { PieceRecord } from '~/db'
import { db } from '~/db'
import type { Keeping, Saved } from '~/db/autosave'
import { Keeper } from '~/db/autosave'
import { reason } from '~/db/storage-error-text'
import { forgetRescue, writeRescue } from '~/db/unsaved-recovery'
import { following } from './live-query'
import { useNotices } from './notices'
import { useShops } from './shops'
import { useWorkroom } from './workroom'
import { newId } from '~/utils/new-id'

/** Pieces that were left before they could be written; their keepers go on trying. */
const unwritten = new Map<string, Keeper>()

/**
 * Keeps the piece on the bench: opens it, writes every change of it, follows what other tabs do to it, and leaves it.
 * @param onOpen when another piece is about to lie on the bench
 */
export function useKeeping(piece: ShallowRef<Piece | null>, history: ShallowRef<History>, onOpen: () => void) {
  const notices = useNotices()
  const shops = useShops()
  const workroom = useWorkroom()
  const saving = ref<Keeping>('saved')
  let keeper: Keeper | null = null
  let watching: Subscription | undefined

  /** Writes the piece; where its stage was set, together with what it has of the house from then on. */
  async function write(mine: Piece, revision: number, written: Piece): Promise<Saved> {
    if (STAGE_SORTS[mine.stage].stock === STAGE_SORTS[written.stage].stock) return savePiece(db(), mine, revision, Date.now())
    // What it needs may have to be worked out first: until then it lies where nothing is lost.
    writeRescue(mine, revision)
    const now = Date.now()
    let making: Making | undefined
    await notices.tell(
      'What the piece has of the house could not be worked out',
      workroom.makings([{ id: mine.id, piece: mine, revision: revision + 1, savedAt: now }]).then((all) => (making = all[0])),
    )
    // The piece is written all the same; the lots follow as soon as it can be worked out.
    if (!making) return savePiece(db(), mine, revision, now)
    return saveStage(db(), { piece: mine, revision, needs: making.needs }, { shelf: shops.shelf, newId, now })
  }

  function keep(record: Pick<PieceRecord, 'piece' | 'revision'>): Keeper {
    const own: Keeper = new Keeper(record.piece, record.revision, {
      save: write,
      rescue: writeRescue,
      forget: forgetRescue,
      apart: (mine) => apartFrom(db(), mine, newId, 'kept from this tab'),
      onState(state) {
        if (keeper === own) saving.value = state
        if (state === 'saved') unwritten.delete(own.piece.id)
      },
      ...kept(notices),
      onApart(copy, other) {
        tellApart(notices, copy, other)
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
    onOpen()
    piece.value = record.piece
    history.value = EMPTY_HISTORY
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

  /** Puts an edited piece on the bench, and has it written. */
  function put(next: Piece): void {
    piece.value = next
    keeper?.put(next)
  }

  return { saving, open, close, flush, rescue, put }
}

type Notices = ReturnType<typeof useNotices>

/** What is told of writing. */
const kept = (notices: Notices) => ({
  onFail(error: unknown) {
    notices.fault('Your edits could not be saved', `${reason(error)}\nThey are kept in this tab and will be tried again: leave it open.`)
  },
  onRecovered() {
    notices.note('Saved after all: all your edits are kept.')
  },
})

/** What is told where two tabs had the same piece. @param other as another tab has it; null where it threw it away */
function tellApart(notices: Notices, copy: Piece, other: PieceRecord | null): void {
  notices.fault(
    other ? 'Changed in two tabs at once' : 'Thrown away in another tab',
    `${other ? 'The other tab saved first: its version stands in the workroom under its own name.' : 'Another tab threw this piece away.'} What you have here goes on as a piece of its own, “${copy.brief.name}”. Nothing was lost.`,
  )
}
