export * from './piece-file'
export * from './materials-csv'
