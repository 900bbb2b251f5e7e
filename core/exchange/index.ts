export * from './piece-file'
export * from './materials-csv'
export * from './picture-svg'
export * from './svg-ink'
