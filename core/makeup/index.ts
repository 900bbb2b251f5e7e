export * from './makeup'
export * from './bound'
