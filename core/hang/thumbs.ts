import { thumb } from '../measure'

/** What makers go by in weighing and in proportion. */
export const GLUE_EACH = thumb('hang.glue-each', 'Glue to each thing that is glued', 'mass', 0.5, [0.05, 5], 'A dot the size of a pea.')
export const BOW_LEAST = thumb(
  'hang.bow-least',
  'A bow is of the base’s width at least',
  'share',
  1 / 3,
  [0.05, 1],
  'A smaller one looks like a mistake.',
)
export const BOW_MOST = thumb(
  'hang.bow-most',
  'A supporting bow is of the base’s width at most',
  'share',
  1 / 2,
  [0.1, 1.5],
  'A larger one takes the lead from the focals.',
)
