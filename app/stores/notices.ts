import { defineStore } from 'pinia'
import { ref } from 'vue'

export interface Notice { readonly id: number, readonly weight: 'fault' | 'note', readonly title: string, readonly text: string }

const STAYS_MS = 6000

/** What the app has to say that belongs to no one place; faults stay until they are closed. */
export const useNotices = defineStore('notices', () => {
  const shown = ref<Notice[]>([])
  const announced = ref('')
  let last = 0

  function add(weight: Notice['weight'], text: string, title = ''): void {
    const id = ++last
    shown.value = [...shown.value.slice(-2), { id, weight, title, text }]
    if (weight === 'note') setTimeout(() => dismiss(id), STAYS_MS)
  }
  function dismiss(id: number): void {
    shown.value = shown.value.filter((notice) => notice.id !== id)
  }

  return {
    shown, announced, dismiss,
    /** Shows a line for a few seconds and reads it out. */
    note(text: string) { add('note', text); announced.value = text },
    /** Shows what went wrong until it is closed. */
    fault(title: string, text: string) { add('fault', text, title) },
    /** Only reads it out: for what can be seen anyway. */
    announce(text: string) { announced.value = text },
  }
})
