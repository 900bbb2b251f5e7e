export * from './methods'
