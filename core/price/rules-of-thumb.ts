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
export const HOUR_RATE = thumb(
  'price.hour',
  'An hour at the bench is worth',
  'money',
  1800,
  [0, 50_000],
  'What one would pay someone to do it as well; in the workroom’s currency.',
)
export const OVERHEADS = thumb(
  'price.overheads',
  'Rent, light, tools and boxes, on top of materials and time',
  'share',
  0.1,
  [0, 2],
  'A bench at home has few; a shop has many.',
)
export const FACTOR = thumb(
  'price.factor',
  'Materials by a factor: times',
  'ratio',
  3,
  [1, 10],
  'One of three for materials, one for time, one for the trade.',
)
export const MARKUP = thumb(
  'price.markup',
  'Materials and time, marked up: times',
  'ratio',
  1.5,
  [1, 5],
  'What stays, and what a season without sales takes.',
)
export const LOW_STOCK = thumb(
  'price.low-stock',
  'Stock is low when all that is planned leaves of a pack less than',
  'share',
  0.25,
  [0, 1],
  'Wire, pins and glue run out in the middle of a bow.',
)
