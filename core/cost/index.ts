export * from './line'
export * from './bill'
export * from './problems'
