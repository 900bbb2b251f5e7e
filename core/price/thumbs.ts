import { thumb } from '../measure'

/** What makers go by in buying. */
export const DROP_AT_MOST = thumb(
  'price.drop-at-most',
  'To save a pack, one drops of a layer at most',
  'share',
  0.25,
  [0, 0.9],
  'Dropping more changes the design.',
)
