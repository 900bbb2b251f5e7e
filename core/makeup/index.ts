export * from './makeup'
export * from './bound'
export * from './bow'
