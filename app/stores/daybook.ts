import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { DaybookRecord } from '#core/daybook'
import { learnRates, measuredRates, readingsOf, RecordSchema } from '#core/daybook'
import type { Measured } from '#core/measure'
import { sharing } from '#core/measure'
import { THUMBS } from '#core/rules-of-thumb'
import { db } from '~/db'
import { following } from '~/stores/live-query'
import { merged } from '~/db/merged'
import { useSettings } from './settings'

const ALL = THUMBS.flatMap(({ thumbs }) => thumbs)

/** What really happened, piece by piece, and what it taught; follows what other tabs do. */
export const useDaybook = defineStore('daybook', () => {
  const settings = useSettings()
  const records = shallowRef<readonly DaybookRecord[]>([])
  const ready = shallowRef(false)
  following(
    () => db().daybook.toArray(),
    (all) => {
      records.value = all
      ready.value = true
    },
  )
  /** What readings make of each rule of thumb that they tell something of. */
  const learned = computed(() => learnRates(records.value.flatMap(readingsOf), ALL, settings))
  /** The same as long as nothing of it changed: all figures hang on it. */
  let last: Readonly<Record<string, Measured>> = {}
  const measured = computed(() => (last = sharing(last, measuredRates(learned.value, settings.unmeasured))))

  return {
    records,
    ready,
    learned,
    measured,
    /** Writes a page over what others changed of it meanwhile. @param begun as it was when it was begun to be written; without it, all of it is written @throws when it is none, and Changed */
    keep(record: DaybookRecord, begun?: DaybookRecord): Promise<void> {
      const read = RecordSchema.parse(record)
      return db().transaction('rw', db().daybook, async () => {
        await db().daybook.put(begun ? merged(begun, read, await db().daybook.get(read.id)) : read)
      })
    },
    /** Tears a page out, with its photos. */
    remove: ({ id, photos }: DaybookRecord): Promise<void> =>
      db().transaction('rw', [db().daybook, db().photos], async () => {
        await db().daybook.delete(id)
        await db().photos.bulkDelete([...photos])
      }),
  }
})
