export * from './hold-strength'
export * from './methods'
export * from './rules'
export * from './choose'
export * from './needs'
export * from './problems'
export { wiresOn } from './tie-length'

export * as fixingRulesOfThumb from './rules-of-thumb'
