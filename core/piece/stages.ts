import type { Stage } from './schema'

/** What a stage means to those who go by it. */
export interface StageSort {
  /** Whether it is still to be made: what it needs is planned for. */
  readonly toMake: boolean
  /** Whether hands have begun, so that the next tick does not begin it. */
  readonly begun: boolean
  /** Whether there is such a piece, or one to come. */
  readonly stands: boolean
  /** What lies in the house for it is kept, is in it by now, or is given back. */
  readonly stock: 'keeps' | 'has' | 'gives back'
}

export const STAGE_SORTS: Readonly<Record<Stage, StageSort>> = {
  planned: { toMake: true, begun: false, stands: true, stock: 'gives back' },
  gathering: { toMake: true, begun: false, stands: true, stock: 'keeps' },
  making: { toMake: true, begun: true, stands: true, stock: 'keeps' },
  hung: { toMake: false, begun: true, stands: true, stock: 'has' },
  'taken apart': { toMake: false, begun: true, stands: false, stock: 'gives back' },
}
