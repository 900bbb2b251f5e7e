import { thumb } from '../measure'

const HOUR = 60
const DAY = 24 * HOUR

/** How long things take hands, and how long they take by themselves. */
const hands = (id: string, name: string, minutes: number, most: number, why: string) =>
  thumb(`steps.${id}`, name, 'time', minutes, [Math.min(minutes, 0.05), most], why)

export const A_DAY = thumb('steps.a-day', 'Hands have in a day', 'time', 3 * HOUR, [10, 16 * HOUR], 'An evening at the bench.')
export const PREPARE_BASE = hands('prepare-base', 'A base is prepared in', 10, 240, 'Unpacked, shaken out, turned and marked.')
export const BEND_EACH = hands('bend-each', 'A corner of rod is bent in', 1.5, 30, 'Marked, clamped, bent, held against the drawing.')
export const JOINT_EACH = hands('joint-each', 'A joint of rod is bound in', 3, 60, 'Lapped, wound tight, ends folded in.')
export const SORT_EACH = hands('sort-each', 'A stem is sorted and cut in', 0.2, 10, 'Picked up, measured, cut, laid down.')
export const LIGHT_EACH = hands('light-each', 'A light thing is fixed in', 0.75, 30, 'A dot or a tie, and held until it stays.')
export const STEM_EACH = hands(
  'stem-each',
  'A stem is fixed in',
  0.75,
  30,
  'Its place found, pushed in or tied, turned as it should point.',
)
export const HEAVY_EACH = hands('heavy-each', 'A heavy thing is fixed in', 5, 120, 'Wired in two places with the piece turned over twice.')
export const BUNDLE_EACH = hands('bundle-each', 'A bundle is made and bound in', 2.5, 60, 'Sprigs chosen, held, wrapped tight.')
export const BOUGH_EACH = hands('bough-each', 'A piece of bough is bound on in', 1.5, 60, 'Laid over the last one’s stem and tied.')
export const GATHER_EACH = hands(
  'gather-each',
  'A gather of mesh is made and tied in',
  1.5,
  60,
  'Rolled or folded, pinched, twisted into its tie.',
)
export const BEAD_EACH = hands('bead-each', 'A bead is threaded in', 0.1, 5, 'Six seconds from the bowl.')
export const LENGTH_EACH = hands('length-each', 'A yard wound or laid takes', 3, 60, 'Passed through the ring, pulled even, pinned.')
export const LOOP_EACH = hands('loop-each', 'A loop of a bow takes', 0.75, 30, 'Measured, pinched, turned.')
export const BOW_TIED = hands('bow-tied', 'A bow is tied, opened and trimmed in', 6, 120, 'Tails are cut twice.')
export const JOIN = hands('join', 'Things are bent and joined in', 10, 240, 'Ends overlapped, tied, held until they stay.')
export const PAINT_COAT = hands('paint-coat', 'A coat of paint takes', 8, 240, 'Shaken, laid on thin from all sides.')
export const PAINT_DRIES = hands(
  'paint-dries',
  'A coat of paint dries in',
  2 * HOUR,
  7 * DAY,
  'To the touch; the can says it for your paint.',
)
export const SEAL_COAT = hands('seal-coat', 'A coat of sealer takes', 5, 240, 'Laid on thin from all sides.')
export const SEAL_DRIES = hands('seal-dries', 'A coat of sealer dries in', HOUR, 7 * DAY, 'Until it no longer smells.')
export const BAKE_HANDS = hands('bake-hands', 'Finds are spread for baking in', 10, 240, 'In one layer on a tray with paper.')
export const BAKES = hands('bakes', 'Finds bake and cool in', 2 * HOUR, DAY, 'About an hour in a low oven, and as long to cool.')
export const BAGS = hands('bags', 'Finds lie in a closed bag for', 4 * DAY, 60 * DAY, 'In the cold, until nothing crawls.')
export const WIPE_EACH = hands('wipe-each', 'A find is wiped in', 0.3, 10, 'With a damp cloth, and looked at.')
export const TAKE_OFF = hands('take-off', 'Parts come off an older piece in', 15, 480, 'Wires cut, glue eased off, sorted.')
export const RESERVE = hands('reserve', 'Places are marked in', 3, 60, 'With tape or a loop of wire.')
export const DRY_EACH = hands('dry-each', 'A thing is laid dry in', 0.2, 10, 'Put down, looked at, pushed a little.')
export const GLUE_SETS = hands('glue-sets', 'Weatherproof glue sets in', DAY, 7 * DAY, 'Most want a night; the tube says it.')
export const LOOK = hands('look', 'Hanging it up and looking takes', 10, 120, 'From far, near, the side, and in its own light.')
export const FINISH = hands('finish', 'The back is finished in', 12, 240, 'Every end clipped, folded, covered.')
export const FIT_HANGER = hands('fit-hanger', 'A hanger is fitted in', 6, 240, 'Tied, set on its hook, straightened.')
export const STRIP_SETS = hands('strip-sets', 'An adhesive hook is left alone for', HOUR, DAY, 'Loaded at once it peels.')
export const LOAD_TEST = hands('load-test', 'It is tugged and shaken in', 3, 60, 'With twice its weight, then by hand.')
export const RECORD = hands('record', 'What happened is written down in', 5, 120, 'While it is still known.')
export const BUY_AHEAD = thumb(
  'steps.buy-ahead',
  'Things are bought ahead by days',
  'count',
  2,
  [0, 60],
  'A day to fetch them and a day for what was sold out.',
)
export const KEEPS_INDOORS = thumb(
  'steps.keeps-indoors',
  'Cut greens keep indoors for days',
  'count',
  14,
  [1, 90],
  'One to three weeks by kind, away from heat.',
)
export const KEEPS_OUTDOORS = thumb(
  'steps.keeps-outdoors',
  'Cut greens keep outdoors in the cold for days',
  'count',
  35,
  [1, 200],
  'Four to six weeks and more while it stays cold.',
)
export const CUT_AHEAD = thumb(
  'steps.cut-ahead',
  'Greens are cut before they are bound by days at most',
  'count',
  6,
  [0, 30],
  'In water and in the cold; mist them.',
)
export const GETTING_READY = thumb(
  'season.getting-ready',
  'Of a task, getting ready and clearing away takes',
  'time',
  4,
  [0, 60],
  'Newspaper down, gun hot, brush washed: once for all that is done together.',
)
