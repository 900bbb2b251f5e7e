import type { Message } from '../measure'
import type { Edit } from './edit'

/** `fault`: it cannot be made so. `care`: it can, and will be regretted. `note`: worth knowing. */
const SEVERITIES = ['fault', 'care', 'note'] as const
export type Severity = (typeof SEVERITIES)[number]

/** Something a designer would want to know. The core reports it; it never throws for it. */
export interface Problem extends Message {
  readonly id: string
  readonly severity: Severity
  readonly layer: string | null
  /** The part that it is in, by its name. */
  readonly part?: string
  /** The task that it is of, where it is one of the order. */
  readonly task?: string
  readonly mends: readonly Mend[]
}

/** What would mend a problem; with an edit when the app can do it. */
export interface Mend extends Message {
  readonly edit: Edit | null
  /** How much less is opened for all copies once it is made, minor units; not there where money is not what it is about. */
  readonly saves?: number
}

/** Problems by how bad they are, each kind in the order in which they were found. */
export const worstFirst = (problems: readonly Problem[]): Problem[] =>
  [...problems].sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
