import type { Along, Growth, Species } from '../species-grammar'

/** Needled side shoots off a needled leader. */
const shoots = (
  needles: Extract<Growth, { part: 'needles' }>,
  side: Partial<Along>,
  inner: Partial<typeof needles> = {},
): readonly Growth[] => [
  {
    grow: 'along',
    habit: 'alternate',
    count: { every: 0.3 },
    from: 0.12,
    to: 0.82,
    angle: [38, 52],
    reach: [0.6, 0.72],
    shape: [1, 0.9, 0.42],
    room: 0.36,
    light: [-0.05, 0.01],
    ...side,
    put: [
      { part: 'stalk', hue: 'bark', thick: 0.016, to: 0.95 },
      { ...needles, size: needles.size * 2.4, ...inner },
    ],
  },
  { part: 'stalk', hue: 'bark', thick: 0.006, to: 0.96 },
  needles,
]

/** Boughs and clippings. */
export const NEEDLES = {
  fir: {
    name: 'Fir',
    family: 'Conifers',
    size: [405, 127],
    stance: 'stem',
    bend: 0.05,
    palette: { leaf: '#2f5a3f', bark: '#6d5334' },
    grow: shoots(
      { part: 'needles', hue: 'leaf', size: 0.15, thick: 9, angle: [46, 78], stroke: 0.11, round: true },
      { angle: [42, 54], count: { every: 0.17 }, reach: [0.66, 0.8], shape: [0.9, 1, 0.4] },
    ),
  },
  spruce: {
    name: 'Spruce',
    family: 'Conifers',
    size: [355, 115],
    stance: 'stem',
    bend: 0.07,
    palette: { leaf: '#4c6b5e', bark: '#7d5c3a' },
    grow: shoots(
      { part: 'needles', hue: 'leaf', size: 0.105, thick: 8, angle: [22, 70], stroke: 0.14, round: true },
      { angle: [30, 46], reach: [0.66, 0.92], shape: [0.9, 1, 0.4], count: { every: 0.15 } },
    ),
  },
  'pine-long': {
    name: 'Pine, long-needled',
    family: 'Conifers',
    size: [355, 165],
    stance: 'stem',
    bend: 0.07,
    palette: { leaf: '#55753f', bark: '#7a5a38', bud: '#b98a54' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.014, to: 0.72, knots: 16 },
      { part: 'needles', hue: 'leaf', size: 0.5, thick: 12, angle: [20, 62], stroke: 0.017, from: 0.18, to: 0.6, bundle: 3, droop: 0.5 },
      {
        part: 'needles',
        hue: 'leaf',
        size: 0.52,
        thick: 22,
        angle: [4, 58],
        stroke: 0.017,
        from: 0.5,
        to: 0.72,
        bundle: 3,
        round: true,
        droop: 0.35,
      },
      { grow: 'put', at: 0.7, reach: 0.13, room: 0.4, put: [{ part: 'leaf', hue: 'bud', belly: 0.4, tip: 0.3 }] },
    ],
  },
  'pine-frosted': {
    name: 'Pine, frosted, with cones',
    family: 'Conifers',
    size: [280, 127],
    stance: 'stem',
    bend: 0.06,
    palette: { leaf: '#8fa399', snow: '#e9edea', bark: '#8a7a68', cone: '#7d5a3c', tip: '#b9906a' },
    grow: [
      ...shoots({ part: 'needles', hue: 'leaf', size: 0.2, thick: 9, angle: [24, 62], stroke: 0.07, round: true }, { angle: [36, 52] }),
      { part: 'needles', hue: 'snow', size: 0.17, thick: 3, angle: [10, 60], stroke: 0.06, round: true },
      ...(
        [
          [0.34, 30],
          [0.5, -40],
        ] as const
      ).map(([at, turn]): Growth => ({ grow: 'put', at, turn, reach: 0.26, room: 0.72, put: cone('cone', 'tip', 6) })),
    ],
  },
  yew: {
    name: 'Yew',
    family: 'Conifers',
    size: [305, 100],
    stance: 'stem',
    bend: 0.07,
    palette: { leaf: '#29452c', young: '#47683a', bark: '#6a4f36', berry: '#b8323a', seed: '#2c3323' },
    grow: [
      ...shoots(
        { part: 'needles', hue: ['leaf', 'young'], size: 0.2, thick: 5, angle: [58, 78], stroke: 0.13 },
        { angle: [32, 46], count: { every: 0.26 }, reach: [0.66, 0.84] },
      ),
      {
        grow: 'along',
        habit: 'alternate',
        count: 4,
        from: 0.25,
        to: 0.7,
        angle: [30, 80],
        reach: 0.09,
        off: 1,
        room: 1,
        put: [{ part: 'ball', hue: 'berry', gloss: 0.5, eye: 'seed' }],
      },
    ],
  },
  juniper: {
    name: 'Juniper with berries',
    family: 'Conifers',
    size: [355, 100],
    stance: 'stem',
    bend: 0.08,
    palette: { leaf: '#587a68', blue: '#7d9a90', bark: '#76583a', berry: '#4a5877' },
    grow: [
      ...shoots(
        { part: 'needles', hue: ['leaf', 'blue'], size: 0.1, thick: 5.5, angle: [34, 78], stroke: 0.17, round: true },
        { angle: [26, 46], reach: [0.7, 1.02], count: { every: 0.12 } },
      ),
      {
        grow: 'along',
        habit: 'crowded',
        count: { every: 0.2 },
        from: 0.15,
        to: 0.85,
        angle: [20, 75],
        reach: 0.075,
        off: [0.3, 3],
        room: 1,
        light: [0, 0.04],
        put: [{ part: 'ball', hue: 'berry', gloss: 0.35, bloom: 0.4 }],
      },
    ],
  },
  cedar: {
    name: 'Cedar',
    family: 'Conifers',
    size: [380, 140],
    stance: 'stem',
    bend: 0.1,
    palette: { leaf: '#54783f', tip: '#8fa252', bark: '#7a6238' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.007 },
      {
        grow: 'along',
        habit: 'alternate',
        count: 13,
        from: 0.05,
        to: 0.9,
        angle: [32, 46],
        reach: [0.6, 0.74],
        shape: [1, 0.95, 0.5],
        room: 0.5,
        bend: [0.08, 0.26],
        put: [{ part: 'spray', hue: ['leaf', 'tip'], thick: 0.034, angle: [30, 46], forks: [6, 4], reach: [0.62, 0.34], droop: [-8, 26] }],
      },
      { part: 'spray', hue: ['leaf', 'tip'], thick: 0.0085, angle: [30, 44], forks: [], reach: [0, 0] },
    ],
  },
  cypress: {
    name: 'Cypress',
    family: 'Conifers',
    size: [405, 125],
    stance: 'stem',
    bend: 0.05,
    palette: { leaf: '#5f8064', grey: '#84a08a', bark: '#7d6444' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.006 },
      {
        grow: 'along',
        habit: 'alternate',
        count: 17,
        from: 0.04,
        to: 0.9,
        angle: [22, 34],
        reach: [0.75, 0.95],
        shape: [0.9, 1, 0.6],
        room: 0.34,
        bend: [0, 0.06],
        put: [{ part: 'spray', hue: ['leaf', 'grey'], thick: 0.022, angle: [22, 34], forks: [6, 3], reach: [0.55, 0.32], droop: [-5, 5] }],
      },
      { part: 'spray', hue: ['leaf', 'grey'], thick: 0.0065, angle: [22, 34], forks: [], reach: [0, 0] },
    ],
  },
  thuja: {
    name: 'Thuja',
    family: 'Conifers',
    size: [355, 127],
    stance: 'stem',
    bend: 0.06,
    palette: { leaf: '#7a963c', tip: '#b3b85a', bark: '#8a6a3c' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.007 },
      {
        grow: 'along',
        habit: 'opposite',
        count: 6,
        from: 0.08,
        to: 0.86,
        angle: [40, 52],
        reach: [0.6, 0.7],
        shape: [1, 1, 0.55],
        room: 0.66,
        put: [{ part: 'spray', hue: ['leaf', 'tip'], thick: 0.055, angle: [38, 52], forks: [4, 3], reach: [0.6, 0.36], paired: true }],
      },
      { part: 'spray', hue: ['leaf', 'tip'], thick: 0.013, angle: [38, 52], forks: [], reach: [0, 0] },
    ],
  },
  rosemary: {
    name: 'Rosemary',
    family: 'Conifers',
    size: [205, 42],
    stance: 'stem',
    bend: 0.07,
    palette: { leaf: '#5b735a', pale: '#93a48c', bark: '#86765a' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.011 },
      { part: 'needles', hue: 'leaf', size: 0.62, thick: 9, angle: [26, 50], stroke: 0.11 },
      { part: 'needles', hue: 'pale', size: 0.5, thick: 6, angle: [14, 40], stroke: 0.06, round: true },
    ],
  },
} as const satisfies Record<string, Species>

/** A cone from the side: rows of scales with pale lips, that lessen to both ends. */
export function cone(hue: string, lip: string, rows: number): readonly Growth[] {
  return Array.from({ length: rows }, (_, i): Growth => {
    const u = i / (rows - 1)
    const reach = 0.3 + 0.42 * Math.sin(Math.PI * (0.24 + 0.62 * (1 - u)))
    return {
      grow: 'along',
      habit: 'whorl',
      ring: 5,
      count: 1,
      from: 0.02 + 0.66 * (1 - u),
      to: 0.02 + 0.66 * (1 - u),
      angle: 62 - 20 * (1 - u),
      reach: reach * 0.86,
      room: 0.86,
      light: [-0.05 + 0.08 * u, -0.05 + 0.08 * u],
      put: [
        { part: 'leaf', hue, belly: 0.62, tip: 0.95, heart: 0.5, lift: 0.14 },
        { grow: 'put', at: 0.8, length: 0.22, room: 2.2, put: [{ part: 'leaf', hue: lip, belly: 0.5, tip: 0.9, lift: 0 }] },
      ],
    }
  })
}
