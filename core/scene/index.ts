export * from './scene'
export * from './surface'
export * from './light'
