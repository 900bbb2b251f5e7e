export * from './piece-file'
