import type { Material, Need } from '../material'
import type { Figure, Message, Said } from '../measure'
import type { CautionId } from './cautions'

export interface PlaceRow {
  readonly material: string
  readonly name: string
  readonly count: number
  /** "left of the join" for distances; null for clock positions. */
  readonly reads: string | null
  readonly at: readonly Said[]
}

/** What a task is, whatever it is of. */
export const TASK_KINDS = [
  'take off',
  'finds',
  'join',
  'paint',
  'seal',
  'part',
  'base',
  'stems',
  'bow',
  'reserve',
  'dry',
  'lay',
  'look',
  'finish',
  'hang',
  'load',
  'record',
  'own',
] as const
export type TaskKind = (typeof TASK_KINDS)[number]

/** That one task must be done before another, and why. */
export interface Before {
  readonly id: string
  readonly why: Message
  /** Hands must be off it, but it may still set: what is only moved afterwards waits until it is dry. */
  readonly wet?: true
}

/** One thing to do, in its turn, and what it needs. */
export interface Task {
  readonly id: string
  readonly kind: TaskKind
  /** What it is called: the words of `named`. */
  readonly title: string
  readonly named: Message
  readonly says: readonly Said[]
  /** The line of them that says why it is held so. */
  readonly reason: Said | null
  /** What is looked at one by one, where something is looked at. */
  readonly checks: readonly string[]
  /** Where things go, a row for each kind of material on each run: clock positions, or distances from where the run is read. */
  readonly places: readonly PlaceRow[]
  readonly cautions: readonly CautionId[]
  readonly layer: string | null
  /** What it takes of all that the piece needs: each need belongs to one task. */
  readonly needs: readonly Need[]
  /** What hands need besides. */
  readonly tools: readonly string[]
  /** What must be done before it. */
  readonly after: readonly Before[]
  /** Minutes of hands, and minutes that it dries or sets by itself. */
  readonly hands: Figure
  readonly waits: Figure
  /** What is counted off while it is done, and how many: 12 bundles. */
  readonly counts: { readonly of: string; readonly count: number } | null
}

/** A task before it is said what it needs. */
export type Undone = Omit<Task, 'needs'>

/** A part that is made beforehand, and how many of it. */
export interface PartToMake {
  /** Of its material. */
  readonly id: string
  readonly material: Material
  /** What is done for one of them, in order, as if it were a piece. */
  readonly tasks: readonly Task[]
  /** Minutes that it dries or sets once it is made. */
  readonly dries: number
  readonly count: number
}
