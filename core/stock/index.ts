export * from './apart'
export * from './lot'
export * from './reserve'
export * from './worth'
