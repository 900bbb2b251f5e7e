import { inches, thumb } from '../measure'

/** What makers go by in cutting. */
export const LEAST_REST = thumb(
  'cut.least-rest',
  'What is left of a roll is of use from',
  'length',
  inches(6),
  [inches(1), inches(72)],
  'Long enough for a tie, a tail or a small loop.',
)
