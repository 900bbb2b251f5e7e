export * from './lot'
