import type { Ref, ShallowRef } from 'vue'
import { watch } from 'vue'
import { formatMoney } from '#core/measure'
import type { Edit, History, Part, Piece } from '#core/piece'
import { edit, inPart, note, redo, undo } from '#core/piece'
import type { OnBench } from '#core/workroom'
import { overBudget } from '#core/workroom'
import { useNotices } from './notices'
import { useSettings } from './settings'

/** What lies on the bench: a piece, and the part of it that is worked on by itself. */
interface OnTheBench {
  readonly whole: ShallowRef<Piece | null>
  readonly openPart: Ref<Part | null>
}

/** Edits of what lies on the bench, and how they are taken back. @param put puts a piece on the bench, and has it written */
export function useEditing(
  { whole: piece, openPart }: OnTheBench,
  history: ShallowRef<History>,
  workings: ShallowRef<OnBench | null>,
  put: (next: Piece) => void,
) {
  const notices = useNotices()
  const settings = useSettings()

  /**
   * Makes an edit.
   * @param words what undo calls it
   * @param merge edits with the same key in a row are one undo
   * @returns what is wrong with it, or null
   */
  function apply(how: Edit, words: string, merge: string | null = null): string | null {
    if (!piece.value) return null
    const edited = edit(piece.value, openPart.value ? inPart(openPart.value.id, how) : how, words)
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
      if (!now) return
      const more = now.bill.opened.value - before
      const over = overBudget(now)
      const money = (minor: number): string => formatMoney(minor, settings.currency)
      const beyond = over > 0 ? `, ${money(over)} over the budget of each` : ''
      if (more > 0) notices.note(`It adds ${money(more)} to what is opened${beyond}; undo takes it back.`, 'added cost')
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

  return { apply, take, undo: () => step(undo, 'Undone'), redo: () => step(redo, 'Done again') }
}
