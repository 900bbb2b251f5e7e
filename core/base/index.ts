export * from './schema'
export * from './run'
export * from './kinds'
