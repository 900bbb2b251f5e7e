import fc from 'fast-check'
import { vi } from 'vitest'

/** Properties are tried with the same examples every time; `SEED=…` tries others. */
fc.configureGlobal({ seed: Number(process.env.SEED ?? 23) })

/** What is waited for comes when it comes: left to itself it is given one second, and a busy machine takes longer. */
const { waitFor } = vi
vi.waitFor = (check, options = {}) => waitFor(check, { timeout: 30_000, ...(typeof options === 'number' ? { timeout: options } : options) })
