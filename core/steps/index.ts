export * from './cautions'
export * from './steps'
