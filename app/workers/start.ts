import type { Role } from './app.worker'

/** Starts a worker in one of its roles. */
export const startWorker = (name: Role): Worker => new Worker(new URL('./app.worker.ts', import.meta.url), { type: 'module', name })
