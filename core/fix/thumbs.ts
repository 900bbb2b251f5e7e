import { thumb } from '../measure'

/** What makers go by in fixing. */
export const HEAVY_FROM = thumb(
  'fix.heavy-from',
  'Whatever it is, a thing is wired from',
  'mass',
  40,
  [5, 500],
  'Glue and a single tuck let go of it in a slammed door.',
)
