export * from './job'
export * from './plan'
