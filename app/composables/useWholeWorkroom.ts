import type { Whole } from '#core/formats'
import { db } from '~/db'
import type { BroughtIn } from '~/db/backup'
import { readAll, takeAll } from '~/db/backup'
import { newId } from '~/utils/new-id'

/** Everything that is kept in this browser, out and in. */
export const useWholeWorkroom = () => ({
  read: (): Promise<Whole> => readAll(db()),
  take: (whole: Whole, how: 'merge' | 'replace'): Promise<BroughtIn> => takeAll(db(), whole, how, newId),
})
