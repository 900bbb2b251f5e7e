import { thumb } from '../measure'

/** What makers go by in planning many pieces. */
export const CLASS_PACE = thumb(
  'season.class-pace',
  'In a class hands take as long as yours, times',
  'ratio',
  1.5,
  [1, 5],
  'It is their first one, and they talk.',
)
export const SITS_THROUGH = thumb(
  'season.sits-through',
  'A class sits through drying of at most',
  'time',
  20,
  [0, 180],
  'As long as a cup of tea; what dries longer ends the sitting.',
)
export const PACK_EACH = thumb('season.pack-each', 'A kit is packed in', 'time', 4, [0.5, 60], 'Counted out, ticked off, closed, labelled.')
