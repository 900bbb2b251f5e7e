// Types and lint.
import { checked } from './checks.mjs'
import { installed } from './prerequisites.mjs'

installed()
const done = await checked(({ name, said }) => console.log(`> ${name}\n${said.trim()}`))
const failed = done.filter(({ went }) => !went)
if (failed.length) console.error(`Failed: ${failed.map(({ name }) => name).join(', ')}`)
process.exit(failed.length ? 1 : 0)
