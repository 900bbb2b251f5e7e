import { ref, shallowRef, watch } from 'vue'
import type { TableColumn, Headings, Mapping } from '#core/formats'
import { guessMapping, LARGEST_TABLE } from '#core/formats'
import type { LengthUnits } from '#core/measure'
import type { Draft } from '~/db/drafts'
import { reason } from '~/db/storage-error-text'
import { useNotices } from '~/stores/notices'
import { askHeadings } from '~/workers/workings'
import { textOf } from '../utils/files'
import { useDraft } from './useDraft'

/** The text of a table that somebody chose. */
export interface TableFile {
  readonly text: string
  readonly name: string
  /** Whether its letters had to be guessed. */
  readonly guessed: boolean
}
/** The same with what stands in its first row. */
export interface OpenTable extends TableFile {
  readonly read: Headings
}

/** A table that is chosen from a file: read, or refused in words. */
export function useTableFile() {
  const notices = useNotices()
  const chosen = shallowRef<OpenTable | null>(null)
  /** What is being read, by its name. */
  const reading = ref<string | null>(null)
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
    await open({ text: read.text, name: picked.name, guessed: read.guessed })
  }
  async function open(file: TableFile): Promise<void> {
    reading.value = file.name
    await notices.tell(
      `“${file.name}” was not read`,
      askHeadings(file.text).then((read) => {
        chosen.value = { ...file, read }
      }),
    )
    reading.value = null
  }
  /** Takes up a table that was begun, as it was chosen. */
  function goOn({ begun }: Draft): void {
    const { text, name, guessed } = begun as unknown as TableFile
    void open({ text, name, guessed })
  }
  return { chosen, reading, choose, goOn }
}

/** What a table is of, and what its form asks for. */
export interface TableForm<T, Result> {
  readonly kind: 'prices' | 'materials'
  readonly columns: readonly TableColumn[]
  /** Fields of the form besides, as they begin. */
  readonly more: T
  /** In which bare lengths are. */
  readonly unitsOf: (fields: T) => LengthUnits
  /** What comes in; of several questions the newest is answered. */
  readonly ask: (text: string, mapping: Mapping, units: LengthUnits) => Promise<Result>
}

/**
 * A table under way: which of its headings gives which column, what else its form asks for, and what comes in by that. It is kept
 * until it is taken in.
 */
export function useTable<T extends object, Result>(
  { text, name, guessed, read }: OpenTable,
  { kind, columns, more, unitsOf, ask }: TableForm<T, Result>,
) {
  const notices = useNotices()
  const mapping: Mapping = guessMapping(read.ok ? read.headings : [], columns)
  const draft = useDraft({
    kind,
    of: `${name}:${text.length}`,
    begun: { text, name, guessed, mapping, ...more },
    title: (now) => now.name,
    whole: read.ok,
  })
  /** What comes in; null until it is known. */
  const result = shallowRef<Result | null>(null)
  let turn = 0
  watch(
    [() => draft.value.value.mapping, () => unitsOf(draft.value.value)] as const,
    async ([meant, units]) => {
      if (!read.ok) return
      turn += 1
      const own = turn
      try {
        const answer = await ask(text, meant, units)
        if (own === turn) result.value = answer
      } catch (error) {
        if (own === turn) notices.fault(`“${name}” could not be read`, reason(error))
      }
    },
    { immediate: true },
  )
  return { draft, result }
}
