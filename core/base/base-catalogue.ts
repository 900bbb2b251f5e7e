import type { Minor } from '../measure'
import { inches } from '../measure'
import { ringsInColumn } from './column'
import { drawnOutline, OUTLINE_SHAPES } from './outline-shapes'
import type { Base, BaseKind, Form, BaseShape, ShapeOf } from './schema'
import { BASE_KINDS, FORMS, ShapeSchema } from './schema'

export interface UsualSize {
  readonly name: string
  readonly shape: BaseShape
  readonly price: Minor
}

/** What a base is made of: how it is drawn, and what can be fixed to it how. */
export type Body =
  'wire' | 'box' | 'clamps' | 'vine' | 'twisted' | 'straw' | 'foam' | 'hoop' | 'beads' | 'evergreen' | 'rod' | 'trees' | 'bound' | 'rope'

export const BASE_FAMILIES = ['rings', 'outlines', 'shaped wire', 'swags', 'garlands'] as const
export type BaseFamily = (typeof BASE_FAMILIES)[number]

export interface BaseSort {
  readonly kind: BaseKind
  readonly name: string
  readonly family: BaseFamily
  readonly body: Body
  /** What a hand should know before choosing it. */
  readonly note: string
  readonly colours: readonly { readonly name: string; readonly colour: string }[]
  /** From small to large; what is put together of others, or bent, is bought as those and has no price of its own. */
  readonly sizes: readonly UsualSize[]
  /** What the join is called on this base. */
  readonly join: string
  /** Share of the first run at which the join usually is. */
  readonly joinAt: number
  /** Where a built-in hook usually is; null for bases without one. */
  readonly hookAt: number | null
  /** Whether it reaches from side to side of what it hangs on, and may be as wide. */
  readonly spans: boolean
  readonly prepare: readonly string[]
  /** Grams to a hundred square centimetres of face: rule of thumb. */
  readonly density: number
}

type Sketch<F extends Form> = Omit<BaseSort, 'kind' | 'sizes' | 'joinAt' | 'hookAt' | 'spans'> & {
  joinAt?: number
  hookAt?: number
  spans?: true
  /** In inches, as the trade quotes them; `price` in minor units; named where it is not known by a measure. */
  sizes: readonly (readonly [shape: Omit<ShapeOf<F>, 'form'>, price: Minor, name?: string])[]
}

/** Measures that are not lengths. */
const PLAIN = new Set(['ribs', 'rings', 'count', 'slope', 'tie', 'letter', 'joined'])

function sort<F extends Form>(kind: BaseKind, { sizes, joinAt, hookAt, spans, ...rest }: Sketch<F>): BaseSort {
  const form = FORMS[kind]
  return {
    kind,
    ...rest,
    joinAt: joinAt ?? 0.5,
    spans: spans ?? false,
    hookAt: hookAt ?? null,
    sizes: sizes.map(([measures, price, name]) => {
      const shape = {
        form,
        ...Object.fromEntries(
          Object.entries(measures).map(([name, value]) => [name, typeof value === 'number' && !PLAIN.has(name) ? inches(value) : value]),
        ),
      } as BaseShape
      return { name: name ?? sizeName(measures as Record<string, unknown>), shape, price }
    }),
  }
}

/** The measure that people ask for, in inches. */
function sizeName(m: Record<string, unknown>): string {
  const main =
    m.letter ?? m.outer ?? m.ring ?? m.tree ?? m.length ?? (m.span === undefined ? undefined : `${String(m.count)} × ${String(m.span)}`)
  return String(main ?? (m.height === undefined ? m.width : `${String(m.width)} × ${String(m.height)}`))
}

const ring = (rows: readonly (readonly [outer: number, inner: number, price: Minor])[]) =>
  rows.map(([outer, inner, price]) => [{ outer, inner }, price] as const)

const VINE = [
  { name: 'Brown vine', colour: '#6B4B33' },
  { name: 'Pale vine', colour: '#A58A63' },
  { name: 'Whitewashed', colour: '#CFC6B6' },
]
const WIRE = [
  { name: 'Green wire', colour: '#37524A' },
  { name: 'Bare wire', colour: '#8C8E8C' },
  { name: 'White wire', colour: '#E4E4DF' },
]
const ROD = [
  { name: 'Black wire', colour: '#35312F' },
  { name: 'Copper wire', colour: '#A9683F' },
  { name: 'Bare wire', colour: '#8C8E8C' },
]
const GREEN = [
  { name: 'Fir green', colour: '#3F5A3C' },
  { name: 'Blue-green', colour: '#4C6B62' },
  { name: 'Frosted', colour: '#8FA399' },
]

const column = (kind: BaseKind, body: Body, own: Pick<Sketch<'column'>, 'name' | 'colours' | 'density' | 'note' | 'sizes'>): BaseSort =>
  sort<'column'>(kind, {
    ...own,
    body,
    family: 'rings',
    join: 'tie',
    prepare: ['Lay the rings on a table, one under the other, rim on rim, and mark where they touch.'],
  })

/** Usual sizes and prices are common practice, not a standard: any size can be typed in. */
export const BASE_SORTS: Record<BaseKind, BaseSort> = {
  'wire-ring': sort<'ring'>('wire-ring', {
    name: 'Wire ring',
    family: 'rings',
    body: 'wire',
    colours: WIRE,
    join: 'weld',
    density: 24,
    note: 'Wires side by side with cross ties. Bundles and paddle wire hold on it; nothing tucks in.',
    sizes: ring([
      [8, 5, 199],
      [10, 7, 249],
      [12, 8.5, 299],
      [14, 10, 349],
      [16, 12, 429],
      [18, 13.5, 499],
      [24, 19, 899],
    ]),
    prepare: ['Bend it flat again if it came out of the packet warped.'],
  }),
  'box-ring': sort<'ring'>('box-ring', {
    name: 'Box wire ring',
    family: 'rings',
    body: 'box',
    colours: WIRE,
    join: 'weld',
    density: 40,
    note: 'Four wires in a box section: deep, stiff, and room inside for moss or foliage.',
    sizes: ring([
      [10, 6.5, 399],
      [12, 8, 449],
      [14, 9.5, 529],
      [16, 11.5, 629],
      [18, 13, 749],
      [22, 17, 999],
    ]),
    prepare: ['Check that the box is square all round; press dents out.'],
  }),
  'clamp-ring': sort<'ring'>('clamp-ring', {
    name: 'Clamp ring',
    family: 'rings',
    body: 'clamps',
    colours: WIRE,
    join: 'weld',
    density: 45,
    note: 'Pairs of prongs close over each handful. Quick, and only as many handfuls as clamps.',
    sizes: ring([
      [10, 6, 599],
      [12, 8, 699],
      [14, 10, 799],
      [16, 12, 899],
      [20, 16, 1199],
    ]),
    prepare: ['Open all clamps upright before you start. Gloves: cut prongs are sharp.'],
  }),
  grapevine: sort<'ring'>('grapevine', {
    name: 'Grapevine',
    family: 'rings',
    body: 'vine',
    colours: VINE,
    join: 'wrapped end',
    density: 42,
    note: 'Stems push in between the vines and hold by themselves. Wire goes through.',
    sizes: ring([
      [10, 6, 449],
      [12, 8, 549],
      [14, 9.5, 699],
      [18, 13, 999],
      [24, 18, 1599],
      [30, 23, 2499],
    ]),
    prepare: ['Shake out loose bark and clip stray tendrils you do not want.'],
  }),
  twisted: sort<'ring'>('twisted', {
    name: 'Wood and vine twist',
    family: 'rings',
    body: 'twisted',
    colours: [
      { name: 'Wood and vine', colour: '#8A6B4A' },
      { name: 'Grey drift', colour: '#8E8579' },
      { name: 'Dark', colour: '#54402F' },
    ],
    join: 'overlap',
    density: 48,
    note: 'Split wood wound with vine. Stiffer than grapevine; stems tuck under the windings.',
    sizes: ring([
      [12, 8.5, 699],
      [14, 10, 899],
      [18, 13.5, 1299],
      [22, 17, 1899],
    ]),
    prepare: ['Rub splinters off with a coarse cloth.'],
  }),
  straw: sort<'ring'>('straw', {
    name: 'Straw',
    family: 'rings',
    body: 'straw',
    colours: [
      { name: 'Straw', colour: '#C9A75E' },
      { name: 'Pale straw', colour: '#DCC68C' },
    ],
    join: 'twine knot',
    density: 85,
    note: 'Pins and picks hold in it. Its plastic wrap stays on.',
    sizes: ring([
      [8, 4, 349],
      [10, 6, 449],
      [12, 7, 549],
      [14, 9, 649],
      [18, 12.5, 949],
    ]),
    prepare: ['Leave the plastic wrap on: it keeps the straw together.'],
  }),
  foam: sort<'ring'>('foam', {
    name: 'Foam',
    family: 'rings',
    body: 'foam',
    colours: [
      { name: 'White', colour: '#E9EAE5' },
      { name: 'Green', colour: '#5E8268' },
    ],
    join: 'seam',
    density: 14,
    note: 'Light. Picks and pins hold; weight does not. High-heat glue melts it.',
    sizes: ring([
      [8, 5, 399],
      [10, 7, 499],
      [12, 8.5, 599],
      [14, 10.5, 749],
      [18, 14, 1099],
    ]),
    prepare: ['Wrap it in ribbon or moss first: white foam shows through.'],
  }),
  hoop: sort<'ring'>('hoop', {
    name: 'Hoop',
    family: 'rings',
    body: 'hoop',
    join: 'join',
    density: 110,
    colours: [
      { name: 'Brass', colour: '#B08D4A' },
      { name: 'Black', colour: '#2F2D2C' },
      { name: 'Copper', colour: '#A9683F' },
      { name: 'Bent wood', colour: '#C29D6B' },
      { name: 'White plastic', colour: '#E6E5DF' },
    ],
    note: 'Thin and smooth: what is on it shows from all sides. Wire to place, glue to hold.',
    sizes: ring([
      [8, 7.5, 299],
      [10, 9.5, 349],
      [12, 11.5, 429],
      [14, 13.5, 499],
      [16, 15.5, 629],
      [20, 19.5, 899],
    ]),
    prepare: ['Wipe it with a dry cloth: glue does not hold on grease.'],
  }),
  'bead-ring': sort<'ring'>('bead-ring', {
    name: 'Bead ring',
    family: 'rings',
    body: 'beads',
    colours: [
      { name: 'Pale wood', colour: '#D2B48A' },
      { name: 'White', colour: '#E7E2D6' },
      { name: 'Walnut', colour: '#6F4E37' },
    ],
    join: 'twist of wire',
    density: 95,
    note: 'Wooden beads on a wire ring. Wire goes between beads; a bead too many comes off.',
    sizes: ring([
      [8, 6.5, 699],
      [10, 8.5, 899],
      [12, 10.5, 1099],
      [16, 14.5, 1499],
    ]),
    prepare: ['Turn the beads so that their holes do not show.'],
  }),
  'evergreen-ring': sort<'ring'>('evergreen-ring', {
    name: 'Ready-made evergreen ring',
    family: 'rings',
    body: 'evergreen',
    colours: GREEN,
    join: 'twist',
    density: 26,
    note: 'Artificial tips on wire. Twist tips round what you add.',
    sizes: ring([
      [16, 8, 1499],
      [20, 11, 1999],
      [24, 14, 2499],
      [30, 18, 3699],
    ]),
    prepare: ['Fluff every tip: out, in and forward.', 'Cut off the tag and the stand.'],
  }),
  'wire-column': column('wire-column', 'wire', {
    name: 'Wire rings in a column',
    colours: WIRE,
    density: 24,
    note: 'Two or three wire rings bound rim on rim, which hang as one.',
    sizes: [
      [{ rings: 2, top: 8, bottom: 10, face: 1.5 }, 0, '2 × 8 to 10'],
      [{ rings: 3, top: 8, bottom: 12, face: 1.5 }, 0, '3 × 8 to 12'],
      [{ rings: 3, top: 10, bottom: 14, face: 1.75 }, 0, '3 × 10 to 14'],
    ],
  }),
  'vine-column': column('vine-column', 'vine', {
    name: 'Vine rings in a column',
    colours: VINE,
    density: 42,
    note: 'Two or three grapevine rings bound rim on rim, which hang as one.',
    sizes: [
      [{ rings: 2, top: 10, bottom: 12, face: 2 }, 0, '2 × 10 to 12'],
      [{ rings: 3, top: 10, bottom: 14, face: 2 }, 0, '3 × 10 to 14'],
      [{ rings: 3, top: 12, bottom: 18, face: 2.25 }, 0, '3 × 12 to 18'],
    ],
  }),
  oval: sort<'oval'>('oval', {
    name: 'Oval',
    family: 'outlines',
    body: 'vine',
    colours: VINE,
    join: 'wrapped end',
    density: 42,
    note: 'A ring bent narrow: it keeps its perimeter, so it stands taller.',
    sizes: [
      [{ ring: 12, width: 9.5, face: 2 }, 649],
      [{ ring: 14, width: 12, face: 2.25 }, 799],
      [{ ring: 18, width: 14, face: 2.5 }, 1099],
      [{ ring: 24, width: 19, face: 3 }, 1699],
    ],
    prepare: ['Damp the vine before bending, tie it across, and let it dry in shape.'],
  }),
  square: sort<'square'>('square', {
    name: 'Square frame',
    family: 'outlines',
    body: 'vine',
    colours: VINE,
    join: 'wrapped end',
    joinAt: 0.5,
    density: 42,
    note: 'Four sides. What goes round a corner has to bend with it.',
    sizes: [
      [{ width: 10, height: 10, face: 2 }, 649],
      [{ width: 12, height: 12, face: 2.25 }, 749],
      [{ width: 16, height: 16, face: 2.5 }, 999],
      [{ width: 14, height: 22, face: 2.5 }, 1299],
      [{ width: 20, height: 20, face: 2.75 }, 1399],
    ],
    prepare: ['Check the corners: tie any that gape.'],
  }),
  heart: sort<'heart'>('heart', {
    name: 'Heart',
    family: 'outlines',
    body: 'vine',
    colours: VINE,
    join: 'tied point',
    joinAt: 0.5,
    density: 42,
    note: 'Two lobes and a point. Crowd the notch and it stops reading as a heart.',
    sizes: [
      [{ width: 10, height: 10, face: 1.75 }, 599],
      [{ width: 12, height: 12, face: 2 }, 699],
      [{ width: 16, height: 16, face: 2.5 }, 1099],
      [{ width: 20, height: 19, face: 2.75 }, 1499],
    ],
    prepare: ['Tie the notch and the point again if they have loosened.'],
  }),
  letter: sort<'letter'>('letter', {
    name: 'Letter',
    family: 'outlines',
    body: 'foam',
    colours: [
      { name: 'White', colour: '#E9EAE5' },
      { name: 'Green', colour: '#5E8268' },
      { name: 'Wood', colour: '#A98458' },
    ],
    join: 'seam',
    joinAt: 0,
    hookAt: 0.02,
    density: 16,
    note: 'Each stroke is a run. Keep the inside corners open so that it can be read.',
    sizes: [
      [{ letter: 'A', height: 12, face: 2 }, 599],
      [{ letter: 'H', height: 16, face: 2.5 }, 799],
      [{ letter: 'R', height: 20, face: 3 }, 1199],
    ],
    prepare: ['Cover it in moss or ribbon first; glue with low heat.'],
  }),
  gourd: sort<'gourd'>('gourd', {
    name: 'Gourd with ribs',
    family: 'shaped wire',
    body: 'rod',
    colours: ROD,
    join: 'weld',
    joinAt: 0.5,
    hookAt: 0,
    density: 60,
    note: 'An outline and ribs of bare wire. Beads thread on, greenery is wired along.',
    sizes: [
      [{ height: 10, width: 11, ribs: 3, face: 0.4 }, 649],
      [{ height: 14, width: 15, ribs: 5, face: 0.5 }, 999],
      [{ height: 18, width: 20, ribs: 5, face: 0.6 }, 1499],
    ],
    prepare: ['What must be bent or joined is joined before it is painted.'],
  }),
  pear: sort<'pear'>('pear', {
    name: 'Pear with ribs',
    family: 'shaped wire',
    body: 'rod',
    colours: ROD,
    join: 'weld',
    joinAt: 0.5,
    hookAt: 0,
    density: 60,
    note: 'A slim neck and a full belly of bare wire, with a stem. Beads thread on the ribs; twine covers the stem.',
    sizes: [
      [{ height: 10, width: 8, ribs: 3, stem: 2, face: 0.4 }, 649],
      [{ height: 14, width: 10.5, ribs: 3, stem: 2.75, face: 0.4 }, 899],
      [{ height: 18, width: 13.5, ribs: 5, stem: 3.5, face: 0.5 }, 1299],
    ],
    prepare: ['What must be bent or joined is joined before it is painted.', 'Check that the ribs stand evenly before you thread.'],
  }),
  animal: sort<'animal'>('animal', {
    name: 'Animal head with ears',
    family: 'shaped wire',
    body: 'rod',
    colours: ROD,
    join: 'weld',
    joinAt: 0.5,
    hookAt: 0,
    density: 60,
    note: 'A ring for the head and two ears. The ears may stay barer than the head.',
    sizes: [
      [{ width: 10, ears: 6, face: 1 }, 799],
      [{ width: 12, ears: 7.5, face: 1.2 }, 999],
      [{ width: 16, ears: 10, face: 1.5 }, 1399],
    ],
    prepare: ['Bend both ears to the same height against a table edge.'],
  }),
  outline: sort<'outline'>('outline', {
    name: 'Own outline',
    family: 'shaped wire',
    body: 'rod',
    colours: ROD,
    join: 'first joint',
    joinAt: 0,
    density: 60,
    note: 'Bent of rod along any line you draw, in one run or several. Each run is covered by itself; a joint is where the ends meet.',
    sizes: [
      [drawnOutline(OUTLINE_SHAPES.star, 0.4), 0, 'Star'],
      [drawnOutline(OUTLINE_SHAPES.house, 0.4), 0, 'House'],
      [drawnOutline(OUTLINE_SHAPES.pumpkin, 0.5), 0, 'Pumpkin with a stem'],
      [drawnOutline(OUTLINE_SHAPES.cross, 0.5), 0, 'Cross'],
      [drawnOutline(OUTLINE_SHAPES['two rings'], 0.5), 0, 'Two rings in a column'],
      [drawnOutline(OUTLINE_SHAPES['three rings'], 0.5), 0, 'Three rings in a column'],
    ],
    prepare: ['What must be joined is joined before it is covered. Gloves and glasses: cut rod springs.'],
  }),
  'mini-tree': sort<'tree'>('mini-tree', {
    name: 'Mini tree',
    family: 'swags',
    body: 'trees',
    colours: GREEN,
    join: 'trunk',
    joinAt: 0,
    density: 22,
    note: 'One mini tree, hung by its trunk with its tip down. Two of them make a swag or a teardrop.',
    sizes: [
      [{ tree: 18, width: 9 }, 699],
      [{ tree: 24, width: 12 }, 999],
      [{ tree: 30, width: 14 }, 1499],
    ],
    prepare: ['Take the stand off.', 'Fluff it, longest tips to the trunk, and bend the tips there over it.'],
  }),
  'tree-swag': sort<'swag'>('tree-swag', {
    name: 'Two-ended swag of trees',
    family: 'swags',
    spans: true,
    body: 'trees',
    colours: GREEN,
    join: 'overlap',
    joinAt: 0,
    density: 22,
    note: 'Two mini trees, trunk to trunk, tips out. Two to four ties on the trunks.',
    sizes: [
      [{ tree: 18, overlap: 4, width: 9, joined: 'ties' }, 0],
      [{ tree: 24, overlap: 5, width: 12, joined: 'ties' }, 0],
      [{ tree: 30, overlap: 6, width: 14, joined: 'ties' }, 0],
    ],
    prepare: ['Take the stands off.', 'Lay trunk over trunk, ends folded in.', 'Fluff both trees, longest tips to the middle.'],
  }),
  teardrop: sort<'teardrop'>('teardrop', {
    name: 'Teardrop of trees',
    family: 'swags',
    body: 'trees',
    colours: GREEN,
    join: 'upper trunk',
    joinAt: 0,
    density: 22,
    note: 'Two mini trees, both tips down, the upper laid over the lower: full above, pointed below.',
    sizes: [
      [{ tree: 18, overlap: 11, width: 11 }, 0],
      [{ tree: 24, overlap: 15, width: 14 }, 0],
      [{ tree: 30, overlap: 18, width: 16 }, 0],
    ],
    prepare: [
      'Take the stands off.',
      'Lay the second tree over the first, both tips down.',
      'Bend the upper tips out to cover the trunks.',
    ],
  }),
  'opened-ring': sort<'opened'>('opened-ring', {
    name: 'Ring opened into a swag',
    family: 'swags',
    spans: true,
    body: 'evergreen',
    colours: GREEN,
    join: 'middle',
    joinAt: 0,
    density: 26,
    note: 'A garland ring cut at one place and opened out: as long as its centre line was.',
    sizes: [
      [{ outer: 16, inner: 8, drop: 11 }, 0],
      [{ outer: 20, inner: 11, drop: 14 }, 0],
      [{ outer: 24, inner: 14, drop: 17 }, 0],
    ],
    prepare: ['Cut the ring opposite its join and open it over your knee.', 'Bend the cut wire ends back and tape them.'],
  }),
  spray: sort<'spray'>('spray', {
    name: 'Bound spray',
    family: 'swags',
    body: 'bound',
    colours: GREEN,
    join: 'tie',
    joinAt: 0,
    density: 18,
    note: 'Stems crossed left and right and bound once. It hangs from its tie.',
    sizes: [
      [{ length: 18, width: 9, tie: 0.28 }, 0],
      [{ length: 24, width: 12, tie: 0.28 }, 0],
      [{ length: 32, width: 15, tie: 0.25 }, 0],
    ],
    prepare: ['Lay the longest stems first, crossed; bind them once, tight, and leave a loop.'],
  }),
  'door-garland': sort<'door'>('door-garland', {
    name: 'Garland round a door',
    family: 'garlands',
    body: 'rope',
    colours: GREEN,
    join: 'meeting',
    joinAt: 0,
    density: 20,
    note: 'Two mirrored runs that meet at the top middle, since a garland points one way. Hide the meeting.',
    sizes: [
      [{ width: 36, height: 80, face: 8 }, 3999],
      [{ width: 38, height: 84, face: 8 }, 4299],
      [{ width: 68, height: 84, face: 9 }, 5999],
    ],
    prepare: ['Fix the hooks first.', 'Lay both runs out on the floor, stems to the middle.'],
  }),
  'mantel-garland': sort<'mantel'>('mantel-garland', {
    name: 'Mantel garland',
    family: 'garlands',
    body: 'rope',
    colours: GREEN,
    join: 'middle',
    joinAt: 0.5,
    density: 20,
    note: 'Along the shelf and down both ends. Keep it clear of the fire below.',
    sizes: [
      [{ width: 48, drops: 16, face: 7 }, 2999],
      [{ width: 60, drops: 20, face: 8 }, 3599],
      [{ width: 72, drops: 24, face: 8 }, 4299],
    ],
    prepare: [
      'Find what will hold it: weights or hooks on the shelf, nothing that rolls.',
      'No greenery over a burning fire or near its heat.',
    ],
  }),
  'rail-garland': sort<'rail'>('rail-garland', {
    name: 'Rail garland',
    family: 'garlands',
    body: 'rope',
    colours: GREEN,
    join: 'lower end',
    joinAt: 0,
    density: 20,
    note: 'Along a stair rail. The hand must still find the rail.',
    sizes: [
      [{ length: 72, slope: 32, face: 6 }, 2499],
      [{ length: 108, slope: 32, face: 7 }, 3699],
      [{ length: 144, slope: 32, face: 7 }, 4999],
    ],
    prepare: ['Tie it to the outside of the rail, so that a hand can slide.', 'Nothing that blocks a step or snags a sleeve.'],
  }),
  scallops: sort<'scallops'>('scallops', {
    name: 'Scalloped garland',
    family: 'garlands',
    body: 'rope',
    colours: GREEN,
    join: 'left hook',
    joinAt: 0,
    density: 20,
    note: 'Hung from hook to hook; each scallop is a catenary, longer than it looks.',
    sizes: [
      [{ span: 24, drop: 6, count: 2, tails: 12, face: 6 }, 2499],
      [{ span: 36, drop: 9, count: 2, tails: 16, face: 7 }, 3299],
      [{ span: 48, drop: 8, count: 3, tails: 18, face: 7 }, 5499],
    ],
    prepare: ['Put up the hooks first, level, and measure from hook to hook.'],
  }),
}

export const sortsOf = (family: BaseFamily): BaseSort[] =>
  BASE_KINDS.map((kind) => BASE_SORTS[kind]).filter((each) => each.family === family)

/** A number for how large a shape is, to find the nearest usual size: the sum of its lengths, mm, each scallop for itself. */
export const extentOf = (shape: BaseShape): number =>
  Object.entries(shape).reduce(
    (total, [name, value]) => total + (typeof value === 'number' && !PLAIN.has(name) ? value : 0),
    shape.form === 'scallops' ? (shape.count - 1) * shape.span : 0,
  )

/** The same shape, all its lengths so many times as long; null where a bench cannot hold it. */
export function scaledShape(shape: BaseShape, by: number): BaseShape | null {
  const scaled = Object.fromEntries(
    Object.entries(shape).map(([name, value]) => [name, typeof value === 'number' && !PLAIN.has(name) ? value * by : value]),
  )
  const read = ShapeSchema.safeParse(scaled)
  return read.success ? read.data : null
}

export function nearestSize(kind: BaseKind, extent: number): UsualSize {
  return BASE_SORTS[kind].sizes.reduce((best, each) =>
    Math.abs(extentOf(each.shape) - extent) < Math.abs(extentOf(best.shape) - extent) ? each : best,
  )
}

/** A base that others are put together of: how many, and how large. */
export interface BasePart {
  readonly kind: BaseKind
  readonly shape: BaseShape
  readonly count: number
}

/**
 * What a base is had as: itself, the trees or the ring that it is made of; nothing where it is bent or bound by hand of what is cut.
 * @example basePartsOf(usualBase('tree-swag'))[0].count // 2
 */
export function basePartsOf({ kind, shape }: Pick<Base, 'kind' | 'shape'>): readonly BasePart[] {
  switch (shape.form) {
    case 'swag':
    case 'teardrop':
      return [{ kind: 'mini-tree', shape: treeOf(shape.tree), count: 2 }]
    case 'opened':
      return [{ kind: 'evergreen-ring', shape: { form: 'ring', outer: shape.outer, inner: shape.inner }, count: 1 }]
    case 'column':
      return ringsOf(kind, shape)
    case 'outline':
      return []
    default:
      return [{ kind, shape, count: 1 }]
  }
}
/** The rings of a column, those of one size together. */
function ringsOf(kind: BaseKind, { rings, top, bottom, face }: ShapeOf<'column'>): BasePart[] {
  const outers = ringsInColumn({ rings, top, bottom })
  return [...new Set(outers)].map((outer) => ({
    kind: kind === 'wire-column' ? 'wire-ring' : 'grapevine',
    shape: { form: 'ring', outer, inner: outer - 2 * face },
    count: outers.filter((each) => each === outer).length,
  }))
}
/** A mini tree so high, as wide as the usual one nearest to it is for its height. */
function treeOf(tree: number): BaseShape {
  const near = nearestSize('mini-tree', tree * 1.5).shape as ShapeOf<'tree'>
  return { form: 'tree', tree, width: (near.width * tree) / near.tree }
}

/** Kinds that are had as they are, and not put together or bent of others. */
export const BOUGHT_KINDS: readonly BaseKind[] = BASE_KINDS.filter((kind) =>
  basePartsOf(usualBase(kind)).some((part) => part.kind === kind),
)

/** What a base usually costs: all that it is put together of. Minor units */
export const usualPrice = (base: Pick<Base, 'kind' | 'shape'>): Minor =>
  basePartsOf(base).reduce((all, part) => all + part.count * priceOfOne(part), 0)

/** What the usual size nearest to this one costs; what comes by the length, in proportion to its length. */
function priceOfOne({ kind, shape }: Pick<Base, 'kind' | 'shape'>): Minor {
  const { shape: near, price } = nearestSize(kind, extentOf(shape))
  return BASE_SORTS[kind].family === 'garlands' ? Math.round((price * extentOf(shape)) / extentOf(near)) : price
}

/** What the join of a base is called: trunks over one another, or the hub that they are pinned to. */
export const joinOf = ({ kind, shape }: Pick<Base, 'kind' | 'shape'>): string =>
  shape.form === 'swag' && shape.joined === 'hub' ? 'hub' : BASE_SORTS[kind].join

/** A base of its kind in its middle usual size. */
export function usualBase(kind: BaseKind): Base {
  const { sizes, colours, joinAt, hookAt } = BASE_SORTS[kind]
  return {
    kind,
    shape: sizes[Math.floor(sizes.length / 2)]!.shape,
    colour: colours[0]!.colour,
    turn: 0,
    join: joinAt,
    hook: hookAt,
    price: null,
    mass: null,
  }
}

/**
 * A shape with one measure typed in. The outside of a ring takes its inside along: as in the usual size that is as large, else with
 * a face as wide as it had.
 */
export function measured({ kind, shape }: Pick<Base, 'kind' | 'shape'>, id: string, value: number | string): BaseShape {
  const typed = { ...shape, [id]: value } as BaseShape
  if (id !== 'outer' || !('outer' in shape) || !('inner' in shape) || typeof value !== 'number') return typed
  const usual = BASE_SORTS[kind].sizes.find((size) => 'outer' in size.shape && Math.abs(size.shape.outer - value) < 1)
  if (usual && shape.form === 'ring') return usual.shape
  return { ...typed, inner: Math.max(0, value - (shape.outer - shape.inner)) } as BaseShape
}
