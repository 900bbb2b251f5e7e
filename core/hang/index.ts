export * from './fit'
export * from './mass'
