import type { Growth, Species } from '../species-grammar'
import type { XY } from '../vector-marks'
import { cone } from './needles'

/** Forks of a bare twig: where, to which side, how long. */
const forks = (list: readonly (readonly [number, number, number])[], put: readonly Growth[], room = 0.3): readonly Growth[] =>
  list.map(([at, turn, length]): Growth => ({ grow: 'put', at, turn: [turn - 5, turn + 5], length, room, put }))

const bareFork: readonly Growth[] = [
  { part: 'stalk', hue: 'bark', thick: 0.012, knots: 5 },
  ...forks(
    [
      [0.36, 26, 0.45],
      [0.6, -24, 0.36],
    ],
    [{ part: 'stalk', hue: 'bark', thick: 0.016 }],
  ),
]

/** Scales round the end of a cone that looks at one. */
const rosette = (count: number, lip: number): readonly Growth[] => [
  { part: 'disc', hue: 'deep', size: 0.82 },
  {
    grow: 'spiral',
    count,
    radius: 0.66,
    from: -0.14,
    reach: [0.24, 0.44],
    room: 1.02,
    dome: 0.06,
    put: [
      { part: 'leaf', hue: ['scale', 'warm'], belly: 0.64, tip: 0.95, heart: 0.55, lift: 0.13 },
      { grow: 'put', at: 0.74, length: 0.24, room: lip, put: [{ part: 'leaf', hue: 'lip', belly: 0.5, tip: 0.95, lift: 0 }] },
    ],
  },
]

/** One tuft of a lichen that forks like antlers, in shares of its frame. */
const ANTLERS: readonly (readonly XY[])[] = [
  [
    [0, 0],
    [0.4, 0.1],
    [0.7, 0.5],
    [0.95, 0.5],
  ],
  [
    [0.4, 0.1],
    [0.75, -0.1],
    [1, -0.3],
  ],
  [
    [0.7, 0.5],
    [0.8, 0.9],
    [0.72, 1.2],
  ],
  [
    [0, 0],
    [0.3, -0.5],
    [0.6, -0.9],
    [0.9, -0.8],
  ],
  [
    [0.3, -0.5],
    [0.2, -1],
    [0.36, -1.3],
  ],
  [
    [0, 0],
    [0.14, 0.7],
    [0.36, 1.1],
  ],
  [
    [0.14, 0.7],
    [-0.06, 1.1],
  ],
  [
    [0.75, -0.1],
    [0.9, 0.1],
  ],
]

/** Twigs and what grows on them. */
export const WOODY = {
  birch: {
    name: 'Birch twig',
    family: 'Twigs and fruit',
    size: [405, 90],
    stance: 'stem',
    bend: 0.06,
    palette: { bark: '#5b4036' },
    grow: [
      ...forks(
        [
          [0.2, 17, 0.42],
          [0.3, -19, 0.46],
          [0.44, 16, 0.36],
          [0.55, -15, 0.34],
          [0.68, 14, 0.24],
          [0.76, -13, 0.18],
        ],
        bareFork,
      ),
      { part: 'stalk', hue: 'bark', thick: 0.0075, knots: 16 },
    ],
  },
  willow: {
    name: 'Willow rod',
    family: 'Twigs and fruit',
    size: [610, 66],
    stance: 'stem',
    bend: 0.1,
    palette: { bark: '#8a6a34', bud: '#b08a48' },
    grow: [
      ...forks(
        [
          [0.3, 8, 0.46],
          [0.46, -8, 0.4],
        ],
        [{ part: 'stalk', hue: 'bark', thick: 0.011, knots: 14 }],
      ),
      { part: 'stalk', hue: 'bark', thick: 0.008 },
      {
        grow: 'along',
        habit: 'alternate',
        count: 22,
        from: 0.1,
        to: 0.98,
        angle: [14, 26],
        reach: [0.14, 0.2],
        room: 0.34,
        put: [{ part: 'leaf', hue: 'bud', belly: 0.4, tip: 0.3 }],
      },
    ],
  },
  dogwood: {
    name: 'Dogwood, red',
    family: 'Twigs and fruit',
    size: [510, 66],
    stance: 'stem',
    bend: 0.05,
    palette: { bark: '#8e2e32', bud: '#6a2428' },
    grow: [
      ...(
        [
          [0.42, 22],
          [0.64, 20],
        ] as const
      ).flatMap(([at, turn]) =>
        forks(
          [
            [at, turn, 0.34],
            [at, -turn, 0.34],
          ],
          [{ part: 'stalk', hue: 'bark', thick: 0.014, knots: 4 }],
        ),
      ),
      { part: 'stalk', hue: 'bark', thick: 0.0085, knots: 9 },
    ],
  },
  catkin: {
    name: 'Catkin twig',
    family: 'Twigs and fruit',
    size: [355, 76],
    stance: 'stem',
    bend: 0.07,
    palette: { catkin: '#a08a5c', pale: '#cdb878', bark: '#6e5840' },
    grow: [
      ...forks(
        [
          [0.26, 26, 0.36],
          [0.46, -24, 0.34],
        ],
        [{ part: 'stalk', hue: 'bark', thick: 0.014, knots: 5 }],
      ),
      { part: 'stalk', hue: 'bark', thick: 0.0075, knots: 12 },
      {
        grow: 'along',
        habit: 'alternate',
        count: 9,
        from: 0.22,
        to: 0.95,
        angle: [18, 56],
        reach: [0.5, 0.66],
        room: 0.18,
        bend: [0.04, 0.16],
        put: [
          {
            part: 'blob',
            hue: 'catkin',
            outline: [
              [0, 0],
              [0.06, 0.6],
              [0.4, 0.95],
              [0.8, 0.8],
              [1, 0],
            ],
            mirror: true,
            lift: 0.3,
          },
          {
            grow: 'along',
            habit: 'crowded',
            count: 30,
            from: 0.02,
            to: 0.98,
            angle: [30, 90],
            reach: [0.45, 0.6],
            room: 0.8,
            put: [{ part: 'leaf', hue: ['catkin', 'pale'], belly: 0.6, tip: 0.9, lift: 0.1 }],
          },
        ],
      },
    ],
  },
  'apple-twig': {
    name: 'Apple twig',
    family: 'Twigs and fruit',
    size: [330, 76],
    stance: 'stem',
    bend: 0.08,
    palette: { bark: '#6a5240', lichen: '#a9b08c', bud: '#8a7a5c' },
    grow: [
      ...forks(
        [
          [0.24, 32, 0.24],
          [0.4, -30, 0.28],
          [0.56, 30, 0.24],
          [0.72, -26, 0.2],
        ],
        [
          { part: 'stalk', hue: 'bark', thick: 0.034, knots: 7 },
          { grow: 'put', at: 0.9, length: 0.2, room: 0.6, put: [{ part: 'leaf', hue: 'bud', belly: 0.4, tip: 0.4 }] },
        ],
      ),
      { part: 'stalk', hue: 'bark', thick: 0.014, knots: 15 },
      { part: 'dots', hue: 'lichen', count: 26, size: [0.01, 0.024], over: [0.36, 0.07], opacity: 0.8 },
    ],
  },
  larch: {
    name: 'Larch twig with cones',
    family: 'Twigs and fruit',
    size: [330, 76],
    stance: 'stem',
    bend: 0.07,
    palette: { cone: '#8a6543', lip: '#b8906a', bark: '#7d6448' },
    grow: [
      ...forks(
        [
          [0.28, 38, 0.24],
          [0.46, -36, 0.26],
          [0.64, 36, 0.2],
        ],
        [
          { part: 'stalk', hue: 'bark', thick: 0.02, knots: 8 },
          { grow: 'put', at: 0.7, turn: [-20, 20], length: 0.42, room: 0.8, put: cone('cone', 'lip', 5) },
        ],
      ),
      { part: 'stalk', hue: 'bark', thick: 0.009, knots: 22 },
      ...(
        [
          [0.2, -48],
          [0.38, 44],
          [0.56, -42],
          [0.74, 40],
          [0.88, -10],
        ] as const
      ).map(([at, turn]): Growth => ({ grow: 'put', at, turn: [turn - 8, turn + 8], reach: 0.34, room: 0.8, put: cone('cone', 'lip', 5) })),
    ],
  },
  'crab-apple': {
    name: 'Crab apple twig',
    family: 'Twigs and fruit',
    size: [280, 90],
    stance: 'stem',
    bend: 0.09,
    palette: { apple: '#a8302a', gold: '#c8662e', turning: '#b08a3c', leaf: '#6f7d3c', bark: '#6a5240', eye: '#3c2618' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.013, knots: 12 },
      {
        grow: 'along',
        habit: 'alternate',
        count: 7,
        from: 0.24,
        to: 0.9,
        angle: [36, 62],
        reach: [0.42, 0.52],
        room: 0.52,
        put: [
          {
            part: 'leaf',
            hue: ['leaf', 'turning'],
            edge: { kind: 'toothed', count: 9, depth: 0.08 },
            belly: 0.45,
            tip: 0.1,
            veins: 6,
            bend: [-0.08, 0.08],
          },
        ],
      },
      {
        grow: 'along',
        habit: 'alternate',
        count: 8,
        from: 0.22,
        to: 0.9,
        angle: [30, 80],
        reach: [0.46, 0.58],
        room: 0.5,
        put: [
          { part: 'stalk', hue: 'bark', thick: 0.03, to: 0.6 },
          {
            grow: 'put',
            at: 0.52,
            length: 0.46,
            room: 1,
            put: [{ part: 'ball', hue: ['apple', 'gold'], gloss: 0.65, eye: 'eye', squash: 0.08 }],
          },
        ],
      },
    ],
  },
  'berry-spray': {
    name: 'Berries on stems',
    family: 'Twigs and fruit',
    size: [205, 76],
    stance: 'stem',
    bend: 0.08,
    palette: { berry: '#b01f2e', dark: { of: 'berry', l: -0.07 }, bark: '#4f3b2b', eye: '#2a1512' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.011, to: 0.9 },
      {
        grow: 'along',
        habit: 'alternate',
        count: 9,
        from: 0.26,
        to: 0.86,
        angle: [22, 50],
        reach: [0.55, 0.74],
        shape: [1, 1, 0.7],
        room: 0.3,
        tipped: true,
        put: [
          { part: 'stalk', hue: 'bark', thick: 0.022, to: 0.9 },
          {
            grow: 'put',
            at: 0.42,
            turn: [24, 52],
            length: 0.4,
            room: 1,
            put: [
              { part: 'stalk', hue: 'bark', thick: 0.03, to: 0.4 },
              { grow: 'put', at: 0.36, length: 0.66, room: 1, put: [{ part: 'ball', hue: ['berry', 'dark'], gloss: 0.85, eye: 'eye' }] },
            ],
          },
          { grow: 'put', at: 0.78, length: 0.27, room: 1, put: [{ part: 'ball', hue: ['berry', 'dark'], gloss: 0.85, eye: 'eye' }] },
        ],
      },
    ],
  },
  rosehip: {
    name: 'Rosehips',
    family: 'Twigs and fruit',
    size: [230, 76],
    stance: 'stem',
    bend: 0.09,
    palette: { hip: '#b5482a', red: '#a32c26', bark: '#6f5a3a', leaf: '#6d7c42', eye: '#3a281a' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.01 },
      { part: 'needles', hue: 'bark', size: 0.05, thick: 0.5, angle: [60, 90], stroke: 0.3, to: 0.7 },
      {
        grow: 'along',
        habit: 'alternate',
        count: 3,
        from: 0.2,
        to: 0.6,
        angle: [40, 60],
        reach: 0.5,
        room: 0.45,
        put: [{ part: 'leaf', hue: 'leaf', edge: { kind: 'toothed', count: 8, depth: 0.1 }, belly: 0.45, tip: 0.1, veins: 5 }],
      },
      {
        grow: 'along',
        habit: 'alternate',
        count: 8,
        from: 0.28,
        to: 0.95,
        angle: [16, 62],
        reach: [0.55, 0.68],
        room: 0.3,
        tipped: true,
        put: [
          { part: 'stalk', hue: 'bark', thick: 0.024, to: 0.55 },
          {
            grow: 'put',
            at: 0.48,
            length: 0.5,
            room: 0.66,
            put: [
              {
                part: 'blob',
                hue: ['hip', 'red'],
                shade: 'round',
                outline: [
                  [0, 0],
                  [0.08, 0.6],
                  [0.4, 1],
                  [0.75, 0.8],
                  [0.92, 0.3],
                  [0.94, 0],
                ],
                mirror: true,
              },
              {
                part: 'lines',
                hue: 'eye',
                mirror: true,
                stroke: 0.07,
                lines: [
                  [
                    [0.92, 0],
                    [1.08, 0.26],
                  ],
                  [
                    [0.92, 0],
                    [1.12, 0.02],
                  ],
                ],
              },
              { part: 'dots', hue: 'hip', count: 1, size: 0.1, over: [0.01, 0.01], at: 0.38, light: 0.24, opacity: 0.7 },
            ],
          },
        ],
      },
    ],
  },
  'cone-small': {
    name: 'Cone, small',
    family: 'Cones, nuts and slices',
    size: [36, 36],
    stance: 'head',
    palette: { scale: '#6f4e33', warm: '#8a6342', lip: '#a8825c', deep: '#35241a' },
    grow: rosette(34, 2.4),
  },
  'pine-cone': {
    name: 'Cone, pine',
    family: 'Cones, nuts and slices',
    size: [61, 61],
    stance: 'head',
    palette: { scale: '#76543a', warm: '#93694a', lip: '#c09a70', deep: '#2f2119' },
    grow: rosette(46, 2.6),
  },
  'cone-large': {
    name: 'Cone, large',
    family: 'Cones, nuts and slices',
    size: [115, 115],
    stance: 'head',
    palette: { scale: '#6e4c2e', warm: '#8d6643', lip: '#cfb184', deep: '#2b1d14' },
    grow: rosette(72, 3),
  },
  acorn: {
    name: 'Acorn',
    family: 'Cones, nuts and slices',
    size: [26, 26],
    stance: 'box',
    palette: { nut: '#9a6f38', cap: '#6b5234', knob: '#8f744e', stem: '#5f4a30' },
    grow: [
      {
        grow: 'put',
        at: 0.06,
        length: 0.94,
        room: 0.66,
        put: [
          {
            part: 'lines',
            hue: 'stem',
            stroke: 0.1,
            lines: [
              [
                [-0.08, -0.1],
                [0.04, -0.03],
                [0.12, 0],
              ],
            ],
          },
          {
            part: 'blob',
            hue: 'nut',
            shade: 'across',
            outline: [
              [0.36, 0],
              [0.38, 0.86],
              [0.6, 0.94],
              [0.8, 0.7],
              [0.92, 0.32],
              [0.96, 0.1],
              [1.02, 0],
            ],
            mirror: true,
          },
          {
            part: 'lines',
            hue: 'nut',
            stroke: 0.05,
            light: 0.16,
            opacity: 0.6,
            lines: [
              [
                [0.46, -0.5],
                [0.66, -0.48],
                [0.82, -0.3],
              ],
            ],
          },
          {
            part: 'blob',
            hue: 'cap',
            shade: 'across',
            outline: [
              [0.08, 0],
              [0.1, 0.5],
              [0.22, 0.96],
              [0.4, 1.08],
              [0.46, 0.9],
              [0.48, 0],
            ],
            mirror: true,
          },
          ...Array.from({ length: 4 }, (_, row): Growth => ({
            part: 'lines',
            hue: 'knob',
            stroke: 0.05,
            straight: true,
            light: 0.02 * row,
            lines: Array.from({ length: 9 }, (_, i): XY[] => {
              const v = ((i + (row % 2 ? 0.5 : 0)) / 4 - 1) * (0.62 + row * 0.1)
              return [
                [0.16 + row * 0.075, v],
                [0.2 + row * 0.075, v],
              ]
            }),
          })),
        ],
      },
    ],
  },
  'orange-slice': {
    name: 'Dried orange slice',
    family: 'Cones, nuts and slices',
    size: [71, 71],
    stance: 'head',
    palette: { flesh: '#d08a35', skin: '#a85f22', pith: '#ecd3a0', deep: { of: 'flesh', l: -0.08 } },
    grow: [
      { part: 'disc', hue: 'skin', wobble: 0.03, rim: 0.08 },
      { part: 'disc', hue: 'pith', size: 0.9, flat: true, opacity: 1 },
      {
        grow: 'rings',
        rings: [[9, 0.84, 0.52]],
        off: 0.1,
        stray: 2,
        ragged: 0.04,
        put: [
          {
            part: 'blob',
            hue: ['flesh', 'deep'],
            shade: 'along',
            depth: 0.8,
            outline: [
              [0, 0],
              [0.3, 0.42],
              [0.7, 0.9],
              [0.92, 0.86],
              [1, 0.4],
              [1, 0],
            ],
            mirror: true,
            lift: 0.03,
          },
          {
            part: 'lines',
            hue: 'pith',
            mirror: true,
            stroke: 0.05,
            opacity: 0.4,
            lines: [
              [
                [0.2, 0.1],
                [0.8, 0.3],
              ],
              [
                [0.3, 0.24],
                [0.86, 0.62],
              ],
            ],
          },
        ],
      },
      { part: 'disc', hue: 'pith', size: 0.13, flat: true, opacity: 1 },
    ],
  },
  'apple-slice': {
    name: 'Dried apple slice',
    family: 'Cones, nuts and slices',
    size: [61, 61],
    stance: 'head',
    palette: { flesh: '#e2cfa4', skin: '#9a3f2f', tan: '#c9a56a', seed: '#4a2e1c' },
    grow: [
      { part: 'disc', hue: 'skin', wobble: 0.05 },
      { part: 'disc', hue: 'flesh', size: 0.92, wobble: 0.03, rim: 0.08, opacity: 1 },
      { part: 'dots', hue: 'tan', count: 30, size: [0.01, 0.03], over: [0.38, 0.76], opacity: 0.4 },
      {
        grow: 'rings',
        rings: [[5, 0.4, 0.26]],
        stray: 3,
        put: [
          {
            part: 'blob',
            hue: 'tan',
            shade: 'flat',
            outline: [
              [0.05, 0],
              [0.4, 0.6],
              [0.75, 0.7],
              [1, 0],
            ],
            mirror: true,
            lift: 0.02,
          },
        ],
      },
      { grow: 'rings', rings: [[5, 0.3, 0.1]], off: 0.4, stray: 3, put: [{ part: 'leaf', hue: 'seed', belly: 0.6, tip: 0.5, gloss: 0.6 }] },
      {
        part: 'lines',
        hue: 'tan',
        stroke: 0.012,
        opacity: 0.7,
        lines: [
          [
            [0.16, 0],
            [0.22, 0.4],
            [0.5, 0.62],
            [0.78, 0.4],
            [0.84, 0],
            [0.78, -0.4],
            [0.5, -0.62],
            [0.22, -0.4],
            [0.16, 0],
          ],
        ],
      },
    ],
  },
  cinnamon: {
    name: 'Cinnamon sticks',
    family: 'Cones, nuts and slices',
    size: [102, 30],
    stance: 'stem',
    palette: { bark: '#7a4a2a', pale: '#a06a40', inner: '#4f2c18', twine: '#b99c68' },
    grow: [
      ...[-0.42, 0.4, -0.14, 0.16].map((v, i): Growth => ({
        grow: 'put',
        at: 0,
        turn: [v * 3 - 1.5, v * 3 + 1.5],
        length: 1 - i * 0.03,
        room: 0.09,
        put: [
          {
            part: 'blob',
            hue: ['bark', 'pale'],
            shade: 'across',
            sharp: true,
            outline: [
              [0, -1 + v * 5.2],
              [1, -1 + v * 5.2],
              [1, 1 + v * 5.2],
              [0, 1 + v * 5.2],
            ],
            depth: 1.3,
          },
          {
            part: 'lines',
            hue: 'inner',
            stroke: 0.1,
            opacity: 0.5,
            straight: true,
            lines: [
              [
                [0, v * 5.2 + 0.3],
                [1, v * 5.2 + 0.3],
              ],
              [
                [0.1, v * 5.2 - 0.4],
                [0.8, v * 5.2 - 0.4],
              ],
            ],
          },
          {
            part: 'blob',
            hue: 'inner',
            shade: 'flat',
            outline: [
              [0.985, v * 5.2 - 0.7],
              [1.005, v * 5.2],
              [0.985, v * 5.2 + 0.7],
              [0.975, v * 5.2],
            ],
            lift: 0,
          },
        ],
      })),
      {
        part: 'lines',
        hue: 'twine',
        stroke: 0.07,
        lines: [
          [
            [0.46, -0.95],
            [0.47, 0],
            [0.46, 0.95],
          ],
          [
            [0.5, -0.95],
            [0.51, 0],
            [0.5, 0.95],
          ],
          [
            [0.54, -0.95],
            [0.55, 0],
            [0.54, 0.95],
          ],
          [
            [0.5, 0],
            [0.44, 0.5],
            [0.4, 0.86],
          ],
          [
            [0.51, 0],
            [0.58, 0.5],
            [0.62, 0.8],
          ],
        ],
      },
    ],
  },
  'lotus-pod': {
    name: 'Lotus pod',
    family: 'Cones, nuts and slices',
    size: [76, 76],
    stance: 'head',
    palette: { pod: '#6b5638', rim: '#8a7250', hole: '#2c2115', seed: '#4f4630' },
    grow: [
      { part: 'disc', hue: 'pod', wobble: 0.05, rim: 0.2 },
      { part: 'disc', hue: 'rim', size: 0.86, wobble: 0.04, rim: 0.1 },
      {
        grow: 'spiral',
        count: 19,
        radius: 0.68,
        reach: [0.2, 0.21],
        room: 1,
        dome: 0.05,
        put: [
          {
            grow: 'put',
            at: -0.5,
            length: 1,
            room: 1,
            put: [
              { part: 'disc', hue: 'rim', rim: -0.1 },
              { part: 'disc', hue: 'hole', size: 0.8, flat: true, opacity: 1 },
              { part: 'ball', hue: 'seed', size: 0.52, stray: 0.08 },
            ],
          },
        ],
      },
    ],
  },
  cotton: {
    name: 'Cotton boll',
    family: 'Cones, nuts and slices',
    size: [51, 51],
    stance: 'head',
    palette: { husk: '#7c5a3c', fluff: '#efebe2', white: '#fbf9f4', shade: '#cdc6b6' },
    grow: [
      { grow: 'rings', rings: [[5, 1, 0.4, -0.03]], stray: 5, put: [{ part: 'leaf', hue: 'husk', belly: 0.5, tip: 0.04, lift: 0.14 }] },
      {
        grow: 'rings',
        rings: [[5, 0.82, 0.7]],
        turn: 0,
        off: 0.1,
        stray: 36,
        put: [
          {
            part: 'blob',
            hue: ['fluff', 'white'],
            shade: 'round',
            depth: 0.7,
            outline: [
              [0, 0],
              [0.16, 0.62],
              [0.4, 0.78],
              [0.62, 1],
              [0.86, 0.66],
              [1, 0.2],
              [1.02, 0],
            ],
            mirror: true,
          },
          { part: 'hairs', hue: 'white', from: 'heart', count: 22, size: [0.5, 0.9], curl: [30, 90], stroke: 0.02, opacity: 0.7 },
          {
            part: 'lines',
            hue: 'shade',
            stroke: 0.03,
            opacity: 0.6,
            lines: [
              [
                [0.3, -0.3],
                [0.5, 0.1],
                [0.44, 0.5],
              ],
              [
                [0.6, -0.4],
                [0.72, 0],
                [0.66, 0.4],
              ],
            ],
          },
        ],
      },
    ],
  },
  moss: {
    name: 'Moss cushion',
    family: 'Cones, nuts and slices',
    size: [76, 76],
    stance: 'head',
    palette: { moss: '#66783a', pale: '#96a350', deep: { of: 'moss', l: -0.12 } },
    grow: [
      { part: 'disc', hue: 'deep', size: 0.94, wobble: 0.07 },
      {
        grow: 'spiral',
        count: 90,
        radius: 0.86,
        reach: [0.3, 0.3],
        room: 1,
        dome: 0.2,
        put: [
          {
            grow: 'put',
            at: -0.5,
            length: 1,
            room: 1,
            put: [{ part: 'hairs', hue: ['moss', 'pale'], from: 'heart', count: 18, size: [0.4, 1], curl: [-40, 40], stroke: 0.07 }],
          },
        ],
      },
    ],
  },
  'moss-grey': {
    name: 'Reindeer moss',
    family: 'Cones, nuts and slices',
    size: [56, 56],
    stance: 'head',
    palette: { moss: '#b9bea8', pale: '#dadeca', deep: { of: 'moss', l: -0.2 } },
    grow: [
      { part: 'disc', hue: 'deep', size: 0.88, wobble: 0.12 },
      {
        grow: 'spiral',
        count: 46,
        radius: 0.8,
        reach: [0.26, 0.34],
        room: 1,
        dome: 0.12,
        any: true,
        put: [
          { part: 'lines', hue: 'deep', stroke: 0.16, straight: true, light: 0.06, lines: ANTLERS },
          { part: 'lines', hue: ['moss', 'pale'], stroke: 0.1, straight: true, lines: ANTLERS },
        ],
      },
    ],
  },
} as const satisfies Record<string, Species>
