export * from './line'
export * from './packs'
export * from './bill'
export * from './problems'
