import { defineStore } from 'pinia'
import { ref } from 'vue'
import { reason } from '~/db/storage-error-text'

export interface Notice {
  readonly id: number
  readonly severity: 'fault' | 'note'
  readonly title: string
  readonly text: string
  /** What it is about: the next about the same takes its place. */
  readonly about?: string
}

const STAYS_MS = 6000

/** What the app has to say that belongs to no one place; faults stay until they are closed. */
export const useNotices = defineStore('notices', () => {
  const shown = ref<Notice[]>([])
  const announced = ref('')
  /** How many dialogs are open: what goes wrong meanwhile is told in them. */
  const dialogs = ref(0)
  let last = 0

  function add(severity: Notice['severity'], text: string, title = '', about?: string): void {
    // The same fault many times over is one.
    if (severity === 'fault' && shown.value.some((each) => each.title === title && each.text === text)) return
    const id = ++last
    const others = shown.value.filter((each) => about === undefined || each.about !== about)
    shown.value = [...others.slice(-2), { id, severity, title, text, ...(about === undefined ? {} : { about }) }]
    if (severity === 'note') setTimeout(() => dismiss(id), STAYS_MS)
  }
  function dismiss(id: number): void {
    shown.value = shown.value.filter((notice) => notice.id !== id)
  }

  /** Shows what went wrong until it is closed. */
  const fault = (title: string, text: string): void => add('fault', text, title)

  return {
    shown,
    announced,
    dialogs,
    dismiss,
    fault,
    /** Awaits something that a person asked for; when it fails, says so. @returns whether it went well */
    async tell(title: string, doing: PromiseLike<unknown>): Promise<boolean> {
      try {
        await doing
        return true
      } catch (error) {
        fault(title, `${reason(error)}\nNothing else was changed.`)
        return false
      }
    },
    /** Shows a line for a few seconds and reads it out. @param about the next note about the same takes its place */
    note(text: string, about?: string) {
      add('note', text, '', about)
      announced.value = text
    },
    /** Only reads it out: for what can be seen anyway. */
    announce(text: string) {
      announced.value = text
    },
  }
})
