import { expose } from 'comlink'
import { rememberingWork } from '#core/workings'
import type { WorkingsWorker } from './protocol'

expose({ work: rememberingWork() } satisfies WorkingsWorker)
