// Types and lint.
import { CHECKS } from './checks.mjs'
import { installed, run } from './prerequisites.mjs'

installed()
const failed = CHECKS.filter(([name, command, args]) => {
  console.log(`> ${name}`)
  return !run(command, args)
})
if (failed.length) console.error(`Failed: ${failed.map(([name]) => name).join(', ')}`)
process.exit(failed.length ? 1 : 0)
