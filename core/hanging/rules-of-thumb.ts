import { inches, thumb } from '../measure'

/** What makers go by in weighing, in proportion and in hanging. */
export const GLUE_EACH = thumb('hang.glue-each', 'A dot of glue weighs', 'mass', 0.5, [0.05, 5], 'A dot the size of a pea.')
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
export const LOAD_SHARE = thumb(
  'hang.load-share',
  'A hook carries of what it is rated for at most',
  'share',
  1 / 2,
  [0.1, 1],
  'Doors are slammed and greenery takes up water. The maker’s leaflet rules.',
)
export const TILT_SEEN = thumb('hang.tilt-seen', 'A tilt is seen from', 'angle', 2, [0.5, 15], 'Less looks level from across the room.')
export const WRAPS = thumb(
  'hang.wraps',
  'An arch is wrapped round the base at each end',
  'count',
  2,
  [1, 6],
  'One turn slides along the base.',
)
export const WIRE_TWIST = thumb(
  'hang.twist',
  'A wire loop is twisted shut over',
  'length',
  inches(1.5),
  [inches(0.5), inches(6)],
  'Five turns, the ends folded under.',
)
export const HOOK_EVERY = thumb(
  'hang.hook-every',
  'A garland hangs on a hook to each',
  'length',
  inches(24),
  [inches(6), inches(96)],
  'Farther apart it sags between them and pulls each aside.',
)
export const OVER_TOP = thumb(
  'hang.over-top',
  'A ribbon goes over a door and down behind by',
  'length',
  inches(8),
  [inches(2), inches(40)],
  'To a tack or a knob on the inside.',
)
export const FLAT_DEEP = thumb(
  'hang.flat-deep',
  'Greenery on a base stands out by',
  'length',
  inches(2),
  [inches(0.25), inches(10)],
  'Fluffed tips and crossed stems, over the base itself.',
)
export const HANDLE_IN = thumb(
  'hang.handle-in',
  'A door’s handle is from its edge',
  'length',
  inches(2.75),
  [inches(1), inches(12)],
  'The usual backset of a door’s lock.',
)
export const BEARS_DOOR_HOOK = thumb(
  'hang.bears-door-hook',
  'An over-door hook bears',
  'mass',
  2250,
  [100, 50_000],
  'About 5 lb for a padded steel one.',
)
export const BEARS_NAIL = thumb(
  'hang.bears-nail',
  'A nail bears',
  'mass',
  4500,
  [100, 50_000],
  'About 10 lb, driven at a slant into sound wood.',
)
export const BEARS_SCREW = thumb(
  'hang.bears-screw',
  'A screw hook bears',
  'mass',
  9000,
  [100, 100_000],
  'About 20 lb in wood, or in a plug that suits the wall.',
)
export const BEARS_STRIP = thumb(
  'hang.bears-strip',
  'An adhesive hook bears',
  'mass',
  1350,
  [50, 20_000],
  'About 3 lb on a clean, smooth, dry ground.',
)
export const BEARS_SUCTION = thumb('hang.bears-suction', 'A suction cup bears', 'mass', 900, [50, 10_000], 'About 2 lb on clean glass.')
export const BEARS_RIBBON = thumb(
  'hang.bears-ribbon',
  'A ribbon over a door bears',
  'mass',
  2250,
  [50, 20_000],
  'About 5 lb, tacked or knotted inside.',
)
export const BEARS_MAGNETS = thumb(
  'hang.bears-magnets',
  'A pair of door magnets bears',
  'mass',
  2250,
  [50, 20_000],
  'About 5 lb straight down; less on thin steel.',
)
