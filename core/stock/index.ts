export * from './lot'
export * from './reserve'
