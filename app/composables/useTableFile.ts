import { ref } from 'vue'
import type { Column, Mapping } from '#core/exchange'
import { guessMapping, LARGEST_TABLE, readTable } from '#core/exchange'
import { useNotices } from '~/stores/notices'
import type { Draft } from '~/db/drafts'
import { textOf } from './files'
import { useDraft } from './useDraft'

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

/**
 * A table under way: its rows, which of its headings gives which column, and what else its form asks for. It is kept until it is
 * taken in.
 * @param more fields of the form, as they begin
 */
export function useTable<T extends object>(kind: 'prices' | 'materials', file: TableFile, columns: readonly Column[], more: T) {
  const read = readTable(file.text)
  const mapping: Mapping = guessMapping(read.ok ? read.table.headings : [], columns)
  const draft = useDraft({
    kind,
    of: `${file.name}:${file.text.length}`,
    begun: { ...file, mapping, ...more },
    title: ({ name }) => name,
    whole: read.ok,
  })
  return { read, draft }
}
/** A table that was begun, as it was chosen. */
export const tableOf = ({ begun }: Draft): TableFile => {
  const { text, name, guessed } = begun as unknown as TableFile
  return { text, name, guessed }
}
