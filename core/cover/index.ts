export * from './footprint'
export * from './grid'
export * from './coverage'
export * from './problems'
