import { computed, ref } from 'vue'
import type { Column, Mapping } from '#core/exchange'
import { guessMapping, LARGEST_TABLE, readTable } from '#core/exchange'
import { useNotices } from '~/stores/notices'
import { textOf } from './files'

/** The text of a table that somebody chose. */
export interface TableFile {
  readonly text: string
  readonly name: string
  /** Whether its letters had to be guessed. */
  readonly guessed: boolean
}

/** A table that is chosen from a file: read, or refused in words. */
export function useTableFile() {
  const notices = useNotices()
  const chosen = ref<TableFile | null>(null)
  async function choose(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement
    const [picked] = input.files ?? []
    if (picked) await take(picked)
    input.value = ''
  }
  async function take(picked: File): Promise<void> {
    if (picked.size > LARGEST_TABLE)
      return notices.fault(`“${picked.name}” was not read`, `It is larger than ${LARGEST_TABLE / 1024 / 1024} MB. Nothing was changed.`)
    const read = await textOf(picked)
    if (!read.ok) return notices.fault(`“${picked.name}” was not read`, `${read.error} Nothing was changed.`)
    chosen.value = { text: read.text, name: picked.name, guessed: read.guessed }
  }
  return { chosen, choose }
}

/** A table's rows, and which of its headings gives which column. */
export function useTable(text: () => string, columns: readonly Column[]) {
  const read = computed(() => readTable(text()))
  const headings = computed(() => (read.value.ok ? read.value.table.headings : []))
  const mapping = ref<Mapping>(guessMapping(headings.value, columns))
  return { read, mapping }
}
