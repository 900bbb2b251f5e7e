import type { Message, Said } from '../measure'
import type { Edit } from './edit'

/** `fault`: it cannot be made so. `care`: it can, and will be regretted. `note`: worth knowing. */
const SEVERITIES = ['fault', 'care', 'note'] as const
export type Severity = (typeof SEVERITIES)[number]

/** In the words that the app ships; with the message that they are of, where its room keeps its words in a table. */
interface Worded extends Partial<Pick<Message, 'code' | 'of'>> {
  readonly says: Said
}

/** Something a designer would want to know. The core reports it; it never throws for it. */
export interface Problem extends Worded {
  readonly id: string
  readonly severity: Severity
  readonly layer: string | null
  /** The task that it is of, where it is one of the order. */
  readonly task?: string
  readonly mends: readonly Mend[]
}

/** What would mend a problem; with an edit when the app can do it. */
export interface Mend extends Worded {
  readonly edit: Edit | null
}

/** Problems by how bad they are, each kind in the order in which they were found. */
export const worstFirst = (problems: readonly Problem[]): Problem[] =>
  [...problems].sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
