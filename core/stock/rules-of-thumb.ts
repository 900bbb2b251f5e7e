import { inches, thumb } from '../measure'

/** What makers go by in keeping things. */
export const LEAST_STEM = thumb(
  'stock.least-stem',
  'A stem that was cut is of use again from',
  'length',
  inches(3),
  [inches(0.5), inches(24)],
  'Shorter ones hold in nothing.',
)
