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
export const THICK_WIRE_FROM = thumb(
  'fix.thick-wire-from',
  'A thing is held with 18 gauge wire instead of 20 from',
  'mass',
  250,
  [50, 5000],
  'Thin wire cuts in and works loose under what is truly heavy.',
)
export const WIRE_PLACES = thumb(
  'fix.wire-places',
  'What is heavy is wired in places',
  'count',
  2,
  [1, 6],
  'On one tie it swings round the wire.',
)
export const TRUNK_PLACES = thumb(
  'fix.trunk-places',
  'What is heavy is wired to trunks in places',
  'count',
  3,
  [1, 6],
  'Fewer and it swings out of the middle.',
)
export const STEM_TIES = thumb('fix.stem-ties', 'A stem is tied in places', 'count', 2, [1, 6], 'A single tie lets it turn.')
export const LIGHT_DOTS = thumb('fix.light-dots', 'Dots of glue to a light thing', 'count', 1, [1, 9], 'One the size of a pea.')
export const HEAVY_DOTS = thumb(
  'fix.heavy-dots',
  'Dots of glue to a stem or a heavy thing',
  'count',
  3,
  [1, 20],
  'Three points keep it from rocking.',
)
export const STICK_DOTS = thumb(
  'fix.stick-dots',
  'Dots of hot glue from a stick',
  'count',
  20,
  [4, 100],
  'A dot is about half a gram, and a stick weighs ten.',
)
export const TUBE_DOTS = thumb(
  'fix.tube-dots',
  'Dots of weatherproof glue from a tube',
  'count',
  40,
  [5, 300],
  'Less goes on than with a gun.',
)
export const LIGHT_PINS = thumb('fix.light-pins', 'Pins over a light thing', 'count', 1, [1, 6], 'Over the stem, not through the flower.')
export const STEM_PINS = thumb('fix.stem-pins', 'Pins over a stem', 'count', 2, [1, 9], 'With one it turns.')
export const STAPLES = thumb('fix.staples', 'Staples to a flat sign', 'count', 3, [2, 12], 'Three points or it swings.')
