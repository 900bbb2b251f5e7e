export * from './schema'
export * from './catalogue'
export * from './shelf'
export * from './cutting'
