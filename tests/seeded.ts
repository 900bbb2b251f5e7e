import fc from 'fast-check'

/** Properties are tried with the same examples every time; `SEED=…` tries others. */
fc.configureGlobal({ seed: Number(process.env.SEED ?? 23) })
