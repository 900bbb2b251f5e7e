import { inches, thumb } from '../measure'

/** What makers go by in binding, winding and tying. */
export const TIE_EVERY = thumb(
  'construct.tie-every',
  'Trunks overlap, one tie to',
  'length',
  inches(1.75),
  [inches(0.5), inches(6)],
  'Two ties at least, or a trunk turns in the other; four hold any.',
)
export const HUB_PINS = thumb(
  'construct.hub-pins',
  'Pins through each trunk in a hub of foam',
  'count',
  2,
  [1, 6],
  'From two sides, so that it neither turns nor slides out; weatherproof glue besides where it hangs outdoors.',
)
export const RING_TIES = thumb(
  'construct.ring-ties',
  'Ties at each place where two rings touch',
  'count',
  2,
  [1, 6],
  'A little apart, so that neither ring turns in the other.',
)
export const TRUNKS = thumb(
  'construct.trunks',
  'Two trunks together, or bound stems, are thick',
  'length',
  inches(2),
  [inches(0.5), inches(8)],
  'What the hanger of a swag goes round.',
)
export const BRANCH = thumb(
  'construct.branch',
  'What a stem is tied to on a tree is thick',
  'length',
  inches(0.5),
  [inches(0.1), inches(3)],
  'A branch, or the trunk toward its tip; only what is heavy goes round both trunks.',
)
export const FRAME = thumb(
  'construct.frame',
  'A frame inside greenery is thick',
  'length',
  inches(1),
  [inches(0.25), inches(4)],
  'What the hanger of a wire or evergreen ring goes round.',
)
export const THICKEST = thumb(
  'construct.thickest',
  'A hanger goes round what is no thicker than',
  'length',
  inches(3),
  [inches(1), inches(8)],
  'Through a thicker base the cord goes between its vines or straw.',
)
export const RISE = thumb(
  'construct.rise',
  'A hanger’s loop rises by',
  'length',
  inches(3),
  [inches(0.5), inches(24)],
  'Enough to reach a hook hidden behind the top edge.',
)
export const KNOT = thumb(
  'construct.knot',
  'A hanger’s knot takes',
  'length',
  inches(4),
  [inches(1), inches(12)],
  'Two ends to pull tight and an inch to spare on each.',
)
export const CORD_LAP = thumb(
  'construct.cord-lap',
  'A cord laps at each end by',
  'length',
  inches(2),
  [inches(0.5), inches(12)],
  'To go round once and be tied back on itself.',
)
export const ROD_LAP = thumb(
  'construct.rod-lap',
  'The ends of a rod lap at a joint by',
  'length',
  inches(1.5),
  [inches(0.25), inches(6)],
  'To be bound side by side; what is welded laps by less.',
)
export const JOINT_WIRE = thumb(
  'construct.joint-wire',
  'A joint of rod is bound with wire of',
  'length',
  inches(12),
  [inches(4), inches(48)],
  'Eight to ten tight turns over the lap, ends folded in; a joint that is welded takes none.',
)
export const TAIL = thumb(
  'construct.tail',
  'Binding wire is left at each end for',
  'length',
  inches(4),
  [inches(1), inches(24)],
  'To tie off round the frame and fold the end in.',
)
export const START_WRAPS = thumb(
  'construct.start-wraps',
  'Wraps that make the wire fast before the first bundle',
  'count',
  2,
  [1, 6],
  'One slips before it is drawn tight.',
)
export const LATE_WRAPS = thumb(
  'construct.late-wraps',
  'Wraps round each bundle in the last quarter, at least',
  'count',
  2,
  [1, 9],
  'The last bundles are pushed apart to tuck the end in.',
)
export const TIE_WRAPS = thumb(
  'construct.tie-wraps',
  'Wraps round each tie of a bough garland',
  'count',
  3,
  [1, 9],
  'A garland is carried by its middle.',
)
export const TIED_STEMS = thumb(
  'construct.tied-stems',
  'Stems of a bough garland are thick at a tie',
  'length',
  inches(0.75),
  [inches(0.25), inches(3)],
  'Three or four woody stems side by side.',
)
export const TIE_WIRE = thumb(
  'construct.tie-wire',
  'Paddle wire that ties a bow',
  'length',
  inches(18),
  [inches(6), inches(40)],
  'Folded once round the pinch, with ends to fix it by.',
)
export const TIE_RIBBON = thumb(
  'construct.tie-ribbon',
  'Its own ribbon that ties a bow',
  'length',
  inches(10),
  [inches(4), inches(40)],
  'Once round and a knot behind.',
)
export const RIBBON_TWIST = thumb(
  'construct.twist',
  'A pinch that turns a one-sided ribbon takes',
  'length',
  inches(0.5),
  [0, inches(3)],
  'Half a turn so that its good side shows in every loop.',
)
export const HANDLE = thumb(
  'construct.handle',
  'A door’s handle is over the floor by',
  'length',
  inches(38),
  [inches(30), inches(48)],
  'Tails that reach it get caught.',
)
export const WIRES = thumb(
  'construct.wires',
  'The wires of a base are thick',
  'length',
  3,
  [1, 12],
  'What the bare end of threaded wire is bent round.',
)
export const TURN_SPACED = thumb(
  'construct.turn-spaced',
  'A turn of a spaced winding takes',
  'time',
  8 / 60,
  [1 / 60, 2],
  'Seconds by the hand and eye, the roll passed through the ring.',
)
export const TURN_CLOSE = thumb(
  'construct.turn-close',
  'A turn pushed up against the last takes',
  'time',
  4 / 60,
  [1 / 60, 2],
  'The hand need not look for its place.',
)
export const SPARE = thumb(
  'construct.spare',
  'Spare of fresh, dried and preserved stems',
  'share',
  0.1,
  [0, 1],
  'A few always break, shed or come bruised.',
)
export const TIE_TURNS = thumb(
  'fix.tie-turns',
  'Paddle wire goes round for each tie',
  'count',
  2,
  [1, 9],
  'One turn slips before it is drawn tight.',
)
export const TIE_ENDS = thumb(
  'fix.tie-ends',
  'Wire at the two ends of a tie, together',
  'length',
  inches(2),
  [inches(0.5), inches(12)],
  'To twist shut and fold under.',
)
