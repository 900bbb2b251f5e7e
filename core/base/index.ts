export * from './schema'
export * from './run'
export * from './segment'
export * from './base-catalogue'
export { boundsOf, reachOf } from './bounds'
export * from './runs'
export * from './position-label'
export * from './dimensions'
export * from './outline-edits'
export {
  contactsOf,
  cornersOf,
  mirroredStrokes,
  OUTLINE_LIMITS,
  strokesBox,
  strokesFault,
  strokesSized,
  type DrawnStroke,
  type Knot,
  type OutlineStroke,
  withRunIds,
} from './outline'
export * as baseRulesOfThumb from './rules-of-thumb'
