import type { Said } from '../measure'
import type { Edit } from './edit'

/** Something a designer would want to know. The core reports it; it never throws for it. */
export interface Problem {
  readonly id: string
  /** `fault`: it cannot be made so. `care`: it can, and will be regretted. `note`: worth knowing. */
  readonly weight: 'fault' | 'care' | 'note'
  readonly says: Said
  readonly layer: string | null
  readonly mends: readonly Mend[]
}

/** What would mend a problem; with an edit when the app can do it. */
export interface Mend { readonly says: Said, readonly edit: Edit | null }
