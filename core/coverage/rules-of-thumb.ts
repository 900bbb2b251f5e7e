import { thumb } from '../measure'

/** What makers go by in judging cover, balance and contrast. The shares of fullness were set by looking at rings of cedar, eucalyptus and fern. */
export const FULL_ONCE = thumb(
  'cover.full-once',
  'Full covers of the face',
  'share',
  0.9,
  [0.5, 1],
  'At 85 % the base still shows along its edges; from 90 % on one no longer sees it.',
)
export const LUSH_ONCE = thumb(
  'cover.lush-once',
  'Lush covers of the face',
  'share',
  0.97,
  [0.5, 1],
  'Nothing of the base may show from any side.',
)
export const LUSH_TWICE = thumb('cover.lush-twice', 'Lush lies two deep over', 'share', 0.75, [0, 1], 'Layers over layers give it depth.')
export const FIRST_SPARSE = thumb(
  'cover.first-sparse',
  'A first layer covers, where the base should show',
  'share',
  0.45,
  [0, 1],
  'What follows adds to it.',
)
export const FIRST_FULL = thumb(
  'cover.first-full',
  'A first layer covers, for a full piece',
  'share',
  0.9,
  [0.2, 0.99],
  'What follows covers the rest.',
)
export const FIRST_LUSH = thumb(
  'cover.first-lush',
  'A first layer covers, for a lush piece',
  'share',
  0.95,
  [0.2, 0.99],
  'What follows covers the rest.',
)
export const SECOND_SEEN = thumb(
  'cover.second-seen',
  'Of what is seen, a second greenery takes',
  'share',
  0.27,
  [0.05, 0.6],
  'A fifth to a third: the first greenery stays the ground that it is seen on.',
)
export const UNSEEN_UNDER = thumb(
  'cover.unseen-under',
  'A thing is not seen when of it there shows less than',
  'share',
  0.1,
  [0, 0.5],
  'A tip that looks out is all that one would pay for.',
)
export const AS_LAID = thumb(
  'cover.as-laid',
  'Stems that hands lay for each that covers by reckoning',
  'ratio',
  1,
  [0.5, 2],
  'Some hands lay thick, some thin; a first layer is begun with as many more or fewer.',
)
export const NEARLY = thumb(
  'cover.nearly',
  'A piece nearly covers when it is short by at most',
  'share',
  0.1,
  [0, 0.4],
  'A handful of stems more.',
)
export const BARE_BELOW = thumb(
  'cover.bare-below',
  'A stretch is bare when less of it is covered than',
  'share',
  0.4,
  [0.05, 0.95],
  'An eye finds the hole.',
)
export const HIDDEN = thumb(
  'cover.hidden',
  'A join is hidden when of the face about it is covered',
  'share',
  0.7,
  [0.2, 1],
  'What peeps out between leaves is not seen as a join.',
)
export const EVEN_WITHIN = thumb(
  'cover.even-within',
  'A piece is even when its weight lies off the middle by at most',
  'share',
  0.06,
  [0.01, 0.4],
  'Nearer to the middle an eye calls it even.',
)
export const MEANT_WITHIN = thumb(
  'cover.meant-within',
  'An offset is meant when it lies within',
  'angle',
  40,
  [5, 90],
  'A little over an hour of the clock to each side.',
)
export const LOST_UNDER = thumb(
  'cover.lost-under',
  'A piece is lost when its colour differs by less than',
  'ratio',
  12,
  [2, 40],
  'CIEDE2000 from across a room.',
)
export const SHOWS_OVER = thumb(
  'cover.shows-over',
  'A tie shows when its colour differs by more than',
  'ratio',
  30,
  [5, 60],
  'CIEDE2000 at arm’s length.',
)
