import { expose } from 'comlink'
import { work } from '#core/workings'
import type { WorkingsWorker } from './protocol'

expose({ work } satisfies WorkingsWorker)
