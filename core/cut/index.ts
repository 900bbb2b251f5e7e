export * from './job'
export * from './plan'
export * from './reckon'
export * from './shop'
