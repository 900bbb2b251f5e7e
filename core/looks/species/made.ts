import { radians } from '../../measure'
import type { Blob, Growth, Species } from '../species-grammar'
import type { XY } from '../vector-marks'

/** Points round the middle of a box: degrees clockwise from right and a share of its half. */
const at = (angle: number, reach: number): XY => [0.5 + (Math.cos(radians(angle)) * reach) / 2, Math.sin(radians(angle)) * reach]
const arc = (from: number, to: number, reach: number, steps = 8): XY[] =>
  Array.from({ length: steps + 1 }, (_, i) => at(from + ((to - from) * i) / steps, reach))
const bar = (hue: Blob['hue'], left: number, top: number, right: number, bottom: number, extra: Partial<Blob> = {}): Blob => ({
  part: 'blob',
  hue,
  sharp: true,
  outline: [
    [left, top],
    [right, top],
    [right, bottom],
    [left, bottom],
  ],
  ...extra,
})

const glass = (pattern: readonly Growth[]): readonly Growth[] => [
  { part: 'ball', hue: 'glass', size: 0.95 },
  ...pattern,
  { part: 'blob', hue: 'sky', shade: 'flat', outline: [...arc(205, 255, 0.78, 4), ...arc(255, 205, 0.5, 4)], lift: 0, opacity: 0.5 },
  { part: 'blob', hue: 'warm', shade: 'flat', outline: [...arc(20, 80, 0.82, 4), ...arc(80, 20, 0.7, 4)], lift: 0, opacity: 0.35 },
  bar('cap', 0.42, -1.02, 0.58, -0.84, { shade: 'along', lift: 0.02 }),
  {
    part: 'lines',
    hue: 'cap',
    stroke: 0.03,
    lines: [
      [
        [0.46, -1.02],
        [0.46, -1.14],
        [0.54, -1.14],
        [0.54, -1.02],
      ],
    ],
  },
]

/** Trinkets and cut-out figures. */
export const TRINKETS = {
  bauble: {
    name: 'Bauble',
    family: 'Trinkets and figures',
    size: [51, 51],
    stance: 'box',
    fit: 'length',
    palette: { glass: '#c88a2e', sky: '#ffffff', warm: { of: 'glass', l: 0.2, c: 0.8 }, cap: '#b79a55' },
    grow: glass([]),
  },
  'bauble-ribbed': {
    name: 'Bauble, ribbed',
    family: 'Trinkets and figures',
    size: [76, 76],
    stance: 'box',
    fit: 'length',
    palette: {
      glass: '#a9683f',
      sky: '#ffffff',
      warm: { of: 'glass', l: 0.2, c: 0.8 },
      cap: '#b79a55',
      band: { of: 'glass', l: 0.13 },
      deep: { of: 'glass', l: -0.13 },
    },
    grow: glass([
      {
        part: 'lines',
        hue: 'deep',
        stroke: 0.016,
        opacity: 0.8,
        lines: [-0.62, -0.3, 0.3, 0.62].map((k): XY[] => [
          [0.5, -0.9],
          [0.5 + k * 0.36, -0.5],
          [0.5 + k * 0.5, 0],
          [0.5 + k * 0.36, 0.5],
          [0.5, 0.9],
        ]),
      },
      {
        part: 'lines',
        hue: 'band',
        stroke: 0.02,
        opacity: 0.7,
        lines: [-0.44, -0.1, 0.12, 0.46].map((k): XY[] => [
          [0.5, -0.9],
          [0.5 + k * 0.36, -0.5],
          [0.5 + k * 0.5, 0],
          [0.5 + k * 0.36, 0.5],
          [0.5, 0.9],
        ]),
      },
    ]),
  },
  bell: {
    name: 'Bell',
    family: 'Trinkets and figures',
    size: [51, 51],
    stance: 'box',
    palette: { iron: '#7e4a2c', rust: '#b06a35', dark: '#2c1a12', lip: { of: 'iron', l: 0.08 } },
    grow: [
      {
        part: 'lines',
        hue: 'iron',
        stroke: 0.05,
        lines: [
          [
            [0.44, -0.8],
            [0.44, -0.96],
            [0.56, -0.96],
            [0.56, -0.8],
          ],
        ],
      },
      { part: 'ball', hue: 'dark', size: 0.17 },
      {
        grow: 'put',
        at: 0.42,
        turn: 90,
        length: 0.45,
        room: 0.42,
        put: [
          { part: 'ball', hue: 'dark', size: 0.5 },
          { grow: 'put', at: 0.7, length: 0.3, room: 1, put: [{ part: 'ball', hue: 'iron' }] },
        ],
      },
      {
        part: 'blob',
        hue: 'iron',
        shade: 'round',
        outline: [
          [0.5, -0.82],
          [0.6, -0.8],
          [0.7, -0.62],
          [0.75, -0.1],
          [0.8, 0.4],
          [0.94, 0.66],
          [0.92, 0.76],
          [0.5, 0.84],
          [0.08, 0.76],
          [0.06, 0.66],
          [0.2, 0.4],
          [0.25, -0.1],
          [0.3, -0.62],
          [0.4, -0.8],
        ],
      },
      { part: 'dots', hue: 'rust', count: 34, size: [0.008, 0.028], over: [0.26, 0.62], opacity: 0.6 },
      {
        part: 'lines',
        hue: 'lip',
        stroke: 0.03,
        lines: [
          [
            [0.09, 0.68],
            [0.5, 0.76],
            [0.91, 0.68],
          ],
        ],
      },
      {
        part: 'lines',
        hue: 'dark',
        stroke: 0.02,
        opacity: 0.5,
        lines: [
          [
            [0.22, 0.36],
            [0.5, 0.43],
            [0.78, 0.36],
          ],
          [
            [0.29, -0.56],
            [0.5, -0.5],
            [0.71, -0.56],
          ],
        ],
      },
      {
        part: 'lines',
        hue: 'lip',
        stroke: 0.05,
        opacity: 0.5,
        light: 0.1,
        lines: [
          [
            [0.36, -0.56],
            [0.31, 0],
            [0.25, 0.44],
          ],
        ],
      },
    ],
  },
  lantern: {
    name: 'Paper lantern',
    family: 'Trinkets and figures',
    size: [115, 115],
    stance: 'box',
    glows: true,
    palette: { paper: '#d98b3a', glow: { of: 'paper', l: 0.16, c: 0.75 }, rib: { of: 'paper', l: -0.17 }, wood: '#3a2a22' },
    grow: [
      {
        part: 'lines',
        hue: 'wood',
        stroke: 0.014,
        lines: [
          [
            [0.4, -0.86],
            [0.42, -1],
            [0.58, -1],
            [0.6, -0.86],
          ],
        ],
      },
      {
        part: 'blob',
        hue: 'paper',
        shade: 'round',
        depth: 0.7,
        outline: [
          [0.3, -0.84],
          [0.7, -0.84],
          [0.9, -0.5],
          [0.97, 0],
          [0.9, 0.5],
          [0.7, 0.84],
          [0.3, 0.84],
          [0.1, 0.5],
          [0.03, 0],
          [0.1, -0.5],
        ],
      },
      { part: 'glow', hue: 'glow', size: 0.8, opacity: 0.75 },
      {
        part: 'lines',
        hue: 'rib',
        stroke: 0.011,
        opacity: 0.75,
        lines: [-0.68, -0.5, -0.32, -0.12, 0.08, 0.28, 0.48, 0.66].map((y): XY[] => {
          const half = 0.475 * Math.sqrt(1 - (Math.abs(y) / 1.04) ** 2.6)
          return [
            [0.5 - half, y],
            [0.5, y + 0.06],
            [0.5 + half, y],
          ]
        }),
      },
      bar('wood', 0.29, -0.93, 0.71, -0.8, { shade: 'across', lift: 0.02 }),
      bar('wood', 0.29, 0.8, 0.71, 0.93, { shade: 'across', lift: 0.02 }),
      {
        part: 'lines',
        hue: 'paper',
        stroke: 0.014,
        lines: [
          [
            [0.5, 0.92],
            [0.5, 1.06],
          ],
        ],
      },
    ],
  },
  star: {
    name: 'Paper star',
    family: 'Trinkets and figures',
    size: [89, 89],
    stance: 'head',
    palette: { paper: '#e6d9b8', lit: { of: 'paper', l: 0.035 }, dark: { of: 'paper', l: -0.13 } },
    grow: [
      {
        grow: 'rings',
        rings: [[8, 1, 0.4]],
        stray: 0,
        ragged: 0,
        put: [
          {
            part: 'blob',
            hue: 'lit',
            shade: 'flat',
            sharp: true,
            outline: [
              [0, 0],
              [1, 0],
              [0.4, 0.84],
            ],
            lift: 0.1,
          },
          {
            part: 'blob',
            hue: 'dark',
            shade: 'flat',
            sharp: true,
            outline: [
              [0, 0],
              [1, 0],
              [0.4, -0.84],
            ],
            lift: 0,
          },
          {
            part: 'lines',
            hue: 'lit',
            stroke: 0.03,
            straight: true,
            opacity: 0.8,
            lines: [
              [
                [0.04, 0],
                [0.98, 0],
              ],
            ],
          },
        ],
      },
    ],
  },
  skep: {
    name: 'Straw skep',
    family: 'Trinkets and figures',
    size: [127, 117],
    stance: 'box',
    palette: { straw: '#c2974c', pale: { of: 'straw', l: 0.09 }, stitch: { of: 'straw', l: -0.2 }, door: '#2c1d12' },
    grow: [
      ...Array.from({ length: 9 }, (_, k): Growth[] => {
        const i = 8 - k
        const y = -1 + (i + 0.5) * (2 / 9)
        const half = 0.49 * Math.sqrt(Math.max(0.03, 1 - (1 - (i + 0.75) / 9) ** 2.5)) * (i === 8 ? 1.02 : 1)
        const v = 0.138
        const stitches = Math.max(4, Math.round(half * 44))
        return [
          {
            part: 'blob',
            hue: 'straw',
            shade: 'across',
            depth: 0.75,
            outline: [
              [0.5 - half, y],
              [0.5 - half * 0.96, y - v * 0.72],
              [0.5 - half * 0.4, y - v],
              [0.5 + half * 0.4, y - v],
              [0.5 + half * 0.96, y - v * 0.72],
              [0.5 + half, y],
              [0.5 + half * 0.96, y + v * 0.72],
              [0.5 + half * 0.4, y + v],
              [0.5 - half * 0.4, y + v],
              [0.5 - half * 0.96, y + v * 0.72],
            ],
            lift: 0.03,
          },
          {
            part: 'lines',
            hue: 'pale',
            stroke: 0.007,
            straight: true,
            opacity: 0.7,
            lines: Array.from({ length: 5 }, (_, s): XY[] => [
              [0.5 - half * (0.85 - s * 0.3), y - v * (0.5 - s * 0.18)],
              [0.5 - half * (0.5 - s * 0.3), y - v * (0.45 - s * 0.18)],
            ]),
          },
          {
            part: 'lines',
            hue: 'stitch',
            stroke: 0.011,
            straight: true,
            opacity: 0.75,
            lines: Array.from({ length: stitches }, (_, s): XY[] => {
              const x = 0.5 - half * 0.95 + (1.9 * half * (s + 0.5 + (i % 2) * 0.3)) / stitches
              return [
                [x - 0.006, y - v * 0.8],
                [x + 0.008, y + v * 0.8],
              ]
            }),
          },
        ]
      }).flat(),
      {
        part: 'blob',
        hue: 'door',
        shade: 'flat',
        outline: [
          [0.41, 0.94],
          [0.41, 0.66],
          [0.45, 0.5],
          [0.5, 0.45],
          [0.55, 0.5],
          [0.59, 0.66],
          [0.59, 0.94],
        ],
        lift: 0,
      },
    ],
  },
  shell: {
    name: 'Scallop shell',
    family: 'Trinkets and figures',
    size: [51, 51],
    stance: 'box',
    palette: { shell: '#e0c7b2', rib: { of: 'shell', l: -0.14 }, pale: { of: 'shell', l: 0.07 }, rose: '#c99a86' },
    grow: [
      {
        part: 'blob',
        hue: 'rose',
        sharp: true,
        outline: [
          [0.34, 0.98],
          [0.3, 0.7],
          [0.7, 0.7],
          [0.66, 0.98],
        ],
      },
      {
        part: 'blob',
        hue: 'shell',
        shade: 'round',
        depth: 0.8,
        outline: [
          [0.5, 0.96],
          [0.3, 0.7],
          [0.09, 0.2],
          [0.02, -0.2],
          [0.1, -0.46],
          [0.18, -0.55],
          [0.25, -0.7],
          [0.33, -0.76],
          [0.42, -0.9],
          [0.5, -0.88],
          [0.58, -0.9],
          [0.67, -0.76],
          [0.75, -0.7],
          [0.82, -0.55],
          [0.9, -0.46],
          [0.98, -0.2],
          [0.91, 0.2],
          [0.7, 0.7],
        ],
      },
      {
        part: 'lines',
        hue: 'rib',
        stroke: 0.02,
        opacity: 0.75,
        lines: [
          [0.07, -0.3],
          [0.18, -0.55],
          [0.33, -0.76],
          [0.5, -0.88],
          [0.67, -0.76],
          [0.82, -0.55],
          [0.93, -0.3],
        ].map(([x, y]): XY[] => [
          [0.5 + (x! - 0.5) * 0.12, 0.82],
          [0.5 + (x! - 0.5) * 0.62, 0.1 + y! * 0.2],
          [x!, y!],
        ]),
      },
      {
        part: 'lines',
        hue: 'pale',
        stroke: 0.026,
        opacity: 0.7,
        lines: [
          [0.12, -0.42],
          [0.25, -0.66],
          [0.42, -0.84],
          [0.58, -0.84],
          [0.75, -0.66],
          [0.88, -0.42],
        ].map(([x, y]): XY[] => [
          [0.5 + (x! - 0.5) * 0.12, 0.82],
          [0.5 + (x! - 0.5) * 0.62, 0.1 + y! * 0.2],
          [x!, y!],
        ]),
      },
      {
        part: 'lines',
        hue: 'rose',
        stroke: 0.02,
        opacity: 0.45,
        lines: [
          [
            [0.2, 0.1],
            [0.34, -0.2],
            [0.5, -0.3],
            [0.66, -0.2],
            [0.8, 0.1],
          ],
          [
            [0.12, -0.14],
            [0.3, -0.46],
            [0.5, -0.58],
            [0.7, -0.46],
            [0.88, -0.14],
          ],
        ],
      },
    ],
  },
  feather: {
    name: 'Feather',
    family: 'Trinkets and figures',
    size: [152, 30],
    stance: 'stem',
    bend: 0.06,
    palette: { vane: '#8a7660', pale: { of: 'vane', l: 0.13 }, spot: { of: 'vane', l: -0.2 }, quill: '#e3d8c4', down: '#d5cbb8' },
    grow: [
      {
        grow: 'along',
        habit: 'opposite',
        count: 46,
        from: 0.2,
        to: 0.97,
        angle: [24, 34],
        reach: [0.86, 0.98],
        shape: [0.75, 1.1, 0.4],
        room: 0.16,
        put: [{ part: 'leaf', hue: ['vane', 'pale'], belly: 0.5, tip: 0.3, lift: 0.1, vary: 0.5 }],
      },
      {
        part: 'hairs',
        hue: 'down',
        from: 'stem',
        count: 34,
        start: 0.1,
        end: 0.26,
        size: [0.5, 1.1],
        curl: [-30, 40],
        angle: [30, 70],
        stroke: 0.02,
      },
      { part: 'dots', hue: 'spot', count: 22, size: [0.05, 0.1], over: [0.28, 0.6], at: 0.6, opacity: 0.55 },
      {
        part: 'lines',
        hue: 'quill',
        stroke: 0.07,
        lines: [
          [
            [0, 0],
            [0.3, 0],
            [0.6, 0],
          ],
        ],
      },
      {
        part: 'lines',
        hue: 'quill',
        stroke: 0.035,
        lines: [
          [
            [0.58, 0],
            [0.8, 0],
            [0.96, 0],
          ],
        ],
      },
    ],
  },
  bird: {
    name: 'Felt bird',
    family: 'Trinkets and figures',
    size: [76, 70],
    stance: 'box',
    palette: {
      felt: '#8c5b4a',
      breast: '#c9925e',
      wing: { of: 'felt', l: -0.1 },
      beak: '#c8962b',
      eye: '#1c1418',
      thread: { of: 'felt', l: 0.2 },
    },
    grow: [
      {
        part: 'blob',
        hue: 'wing',
        shade: 'across',
        outline: [
          [0.02, -0.3],
          [0.3, -0.08],
          [0.36, 0.2],
          [0.06, -0.02],
          [0.14, -0.1],
        ],
      },
      {
        part: 'blob',
        hue: 'felt',
        shade: 'round',
        outline: [
          [0.16, 0.16],
          [0.3, -0.12],
          [0.5, -0.34],
          [0.6, -0.72],
          [0.76, -0.9],
          [0.9, -0.76],
          [0.93, -0.44],
          [0.88, 0.1],
          [0.72, 0.62],
          [0.48, 0.76],
          [0.28, 0.56],
        ],
      },
      {
        part: 'blob',
        hue: 'breast',
        shade: 'round',
        outline: [
          [0.86, -0.3],
          [0.9, -0.02],
          [0.82, 0.34],
          [0.68, 0.6],
          [0.56, 0.56],
          [0.66, 0.1],
          [0.76, -0.22],
        ],
        lift: 0.01,
      },
      {
        part: 'blob',
        hue: 'wing',
        shade: 'across',
        outline: [
          [0.2, 0.24],
          [0.4, -0.1],
          [0.58, -0.1],
          [0.62, 0.12],
          [0.5, 0.36],
          [0.3, 0.42],
        ],
        lift: 0.04,
      },
      {
        part: 'lines',
        hue: 'thread',
        stroke: 0.016,
        opacity: 0.8,
        lines: [
          [
            [0.28, 0.26],
            [0.44, 0.02],
            [0.56, 0.02],
          ],
          [
            [0.32, 0.34],
            [0.46, 0.14],
            [0.58, 0.14],
          ],
        ],
      },
      {
        part: 'blob',
        hue: 'beak',
        sharp: true,
        shade: 'across',
        outline: [
          [0.92, -0.72],
          [1, -0.58],
          [0.92, -0.52],
        ],
        lift: 0.02,
      },
      { part: 'dots', hue: 'eye', count: 1, size: 0.034, over: [0, 0], at: 0.8 },
      {
        part: 'lines',
        hue: 'eye',
        stroke: 0.022,
        lines: [
          [
            [0.56, 0.76],
            [0.55, 0.98],
          ],
          [
            [0.64, 0.74],
            [0.64, 0.98],
          ],
        ],
      },
    ],
  },
  hare: {
    name: 'Cut-out hare',
    family: 'Trinkets and figures',
    size: [152, 152],
    stance: 'box',
    palette: { board: '#8a6a4c', edge: { of: 'board', l: -0.16 }, eye: '#1c1418', pale: { of: 'board', l: 0.12 } },
    grow: [
      {
        part: 'blob',
        hue: 'board',
        shade: 'across',
        depth: 0.6,
        outline: [
          [0.17, 0.96],
          [0.08, 0.7],
          [0.1, 0.34],
          [0.24, 0.08],
          [0.42, -0.12],
          [0.52, -0.26],
          [0.53, -0.5],
          [0.43, -0.86],
          [0.44, -1],
          [0.54, -0.9],
          [0.6, -0.62],
          [0.61, -0.94],
          [0.67, -1],
          [0.71, -0.72],
          [0.69, -0.46],
          [0.83, -0.28],
          [0.88, -0.12],
          [0.82, -0.02],
          [0.7, 0.02],
          [0.7, 0.3],
          [0.76, 0.7],
          [0.82, 0.94],
          [0.64, 0.96],
          [0.62, 0.66],
          [0.55, 0.9],
          [0.56, 0.98],
        ],
      },
      {
        part: 'lines',
        hue: 'edge',
        stroke: 0.012,
        lines: [
          [
            [0.22, 0.9],
            [0.28, 0.5],
            [0.42, 0.3],
            [0.53, 0.5],
            [0.55, 0.9],
          ],
          [
            [0.66, 0.02],
            [0.6, 0.2],
          ],
          [
            [0.48, -0.88],
            [0.56, -0.5],
          ],
          [
            [0.66, -0.9],
            [0.66, -0.5],
          ],
        ],
      },
      { part: 'dots', hue: 'pale', count: 1, size: 0.06, over: [0, 0], at: 0.1 },
      { part: 'dots', hue: 'eye', count: 1, size: 0.02, over: [0.001, 0.001], at: 0.74 },
    ],
  },
  light: {
    name: 'Light string',
    family: 'Trinkets and figures',
    size: [1016, 25],
    stance: 'stem',
    bend: 0.02,
    glows: true,
    palette: { lamp: '#f3d37a', glow: '#f6dc8c', wire: '#7b6a3a' },
    grow: [
      { part: 'lines', hue: 'wire', stroke: 0.05, lines: [Array.from({ length: 21 }, (_, i): XY => [i / 20, Math.sin(i * 1.7) * 0.55])] },
      ...Array.from({ length: 20 }, (_, i): Growth => ({
        grow: 'put',
        at: (i + 0.5) / 20 - 0.008,
        turn: 0,
        length: 0.016,
        room: 1,
        put: [
          { part: 'glow', hue: 'glow', size: 2.4, opacity: 0.55 },
          { part: 'ball', hue: 'lamp', size: 0.7, gloss: 0.9 },
        ],
      })),
    ],
  },
} as const satisfies Record<string, Species>

const plank = (hue: string, rows: number): readonly Growth[] => [
  bar(hue, 0, -1, 1, 1, { shade: 'across', depth: 0.7, lift: 0.06 }),
  { part: 'grain', hue, count: rows, box: [0, 1, 0.94] },
]
const nails = (x: number, y: number): Growth => ({
  part: 'lines',
  hue: 'nail',
  stroke: 0.045,
  straight: true,
  lines: [
    [
      [x, y],
      [x + 0.001, y],
    ],
    [
      [1 - x, y],
      [1 - x + 0.001, y],
    ],
  ],
})

/** Boards with words on them. */
export const SIGNS = {
  'oar-sign': {
    name: 'Oar-blade sign',
    family: 'Signs and letters',
    size: [380, 92],
    stance: 'box',
    palette: { paint: '#dcd6c4', wood: '#a8845a', band: '#476178' },
    grow: [
      bar('wood', 0, -0.17, 0.45, 0.17, { shade: 'across', lift: 0.06 }),
      { part: 'grain', hue: 'wood', count: 4, box: [0, 0.4, 0.14] },
      {
        part: 'blob',
        hue: 'paint',
        shade: 'across',
        depth: 0.55,
        outline: [
          [0.38, 0],
          [0.41, 0.16],
          [0.5, 0.6],
          [0.58, 0.93],
          [0.8, 1],
          [0.965, 0.9],
          [1, 0.5],
          [1, 0],
        ],
        mirror: true,
        lift: 0.06,
      },
      { part: 'grain', hue: 'paint', count: 10, box: [0.58, 0.98, 0.84] },
      bar('band', 0.9, -0.955, 0.945, 0.955, { shade: 'flat', lift: 0 }),
      {
        part: 'lines',
        hue: 'wood',
        stroke: 0.03,
        opacity: 0.5,
        lines: [
          [
            [0.4, 0],
            [0.5, 0],
          ],
        ],
      },
      { part: 'words', hue: 'band', text: 'BOATHOUSE', box: [0.56, 0.885, 0.62], spacing: 0.04 },
    ],
  },
  'ticket-sign': {
    name: 'Ticket sign',
    family: 'Signs and letters',
    size: [190, 102],
    stance: 'box',
    palette: { card: '#e5d8b8', ink: '#7a2f33', nail: '#2a211c' },
    grow: [
      {
        part: 'blob',
        hue: 'card',
        sharp: true,
        shade: 'along',
        depth: 0.4,
        outline: [
          [0.06, -1],
          [0.94, -1],
          [0.945, -0.9],
          [0.965, -0.87],
          [1, -0.86],
          [1, 0.86],
          [0.965, 0.87],
          [0.945, 0.9],
          [0.94, 1],
          [0.06, 1],
          [0.055, 0.9],
          [0.035, 0.87],
          [0, 0.86],
          [0, -0.86],
          [0.035, -0.87],
          [0.055, -0.9],
        ],
        lift: 0.05,
      },
      { part: 'grain', hue: 'card', count: 9, box: [0.02, 0.98, 0.86] },
      {
        part: 'lines',
        hue: 'ink',
        stroke: 0.012,
        straight: true,
        opacity: 0.85,
        lines: [
          [
            [0.08, -0.86],
            [0.92, -0.86],
            [0.955, -0.78],
            [0.955, 0.78],
            [0.92, 0.86],
            [0.08, 0.86],
            [0.045, 0.78],
            [0.045, -0.78],
            [0.08, -0.86],
          ],
        ],
      },
      { part: 'words', hue: 'ink', text: 'HARROWMERE FERRY\nONE CROSSING\nNO 0417', box: [0.1, 0.9, 0.66], spacing: 0.05 },
      nails(0.12, -0.74),
    ],
  },
  'plank-sign': {
    name: 'Plank sign',
    family: 'Signs and letters',
    size: [254, 90],
    stance: 'box',
    palette: { wood: '#b08a5c', letter: '#f4efe2', nail: '#2a211c', edge: { of: 'wood', l: -0.14 } },
    grow: [
      ...plank('wood', 15),
      {
        part: 'lines',
        hue: 'edge',
        stroke: 0.02,
        straight: true,
        opacity: 0.6,
        lines: [
          [
            [0, 0.98],
            [1, 0.98],
          ],
        ],
      },
      { part: 'words', hue: 'letter', text: 'WELCOME', box: [0.09, 0.91, 0.56], spacing: 0.05 },
      nails(0.05, -0.7),
    ],
  },
  'letter-wood': {
    name: 'Wooden letter',
    family: 'Signs and letters',
    size: [152, 152],
    stance: 'box',
    palette: { wood: '#c9a878', shade: { of: 'wood', l: -0.16 } },
    grow: [
      { grow: 'put', at: 0.015, length: 0.99, room: 1, put: [{ part: 'words', hue: 'shade', text: 'B', box: [0, 1, 0.98] }] },
      { part: 'words', hue: 'wood', text: 'B', box: [0, 0.97, 0.96] },
    ],
  },
} as const satisfies Record<string, Species>

/** What comes by the length and what holds things, drawn as it is bought. */
export const MECHANICS = {
  roping: {
    name: 'Roping',
    family: 'Mechanics',
    size: [420, 110],
    stance: 'stem',
    fit: 'none',
    bend: 0.1,
    palette: { leaf: '#3f5a3c', bark: '#5c4630' },
    grow: [
      {
        grow: 'along',
        habit: 'crowded',
        count: 46,
        from: 0.02,
        to: 0.98,
        angle: [14, 50],
        reach: [0.62, 0.8],
        room: 0.4,
        put: [
          { part: 'stalk', hue: 'bark', thick: 0.02 },
          { part: 'needles', hue: 'leaf', size: 0.5, thick: 8, angle: [34, 70], stroke: 0.1, round: true },
        ],
      },
    ],
  },
  'roping-length': {
    name: 'Roping, as it lies',
    family: 'Mechanics',
    size: [220, 120],
    stance: 'box',
    palette: { leaf: '#3f5a3c', bark: '#5c4630' },
    grow: [
      {
        grow: 'along',
        habit: 'crowded',
        count: 30,
        from: 0,
        to: 0.8,
        angle: [16, 54],
        reach: [0.5, 0.7],
        room: 0.4,
        put: [
          { part: 'stalk', hue: 'bark', thick: 0.02 },
          { part: 'needles', hue: 'leaf', size: 0.5, thick: 8, angle: [34, 70], stroke: 0.1, round: true },
        ],
      },
    ],
  },
  'bead-strand-length': {
    name: 'Bead strand, as it lies',
    family: 'Mechanics',
    size: [30, 15],
    stance: 'box',
    fit: 'length',
    palette: { wood: '#d2b48a' },
    grow: [0, 0.5].map((at): Growth => ({ grow: 'put', at, length: 0.5, room: 1, put: [{ part: 'ball', hue: 'wood', gloss: 0.35 }] })),
  },
  'bead-strand': {
    name: 'Bead strand',
    family: 'Mechanics',
    size: [200, 30],
    stance: 'stem',
    fit: 'none',
    bend: 0.16,
    palette: { wood: '#d2b48a', cord: '#8a7350' },
    grow: [
      { part: 'stalk', hue: 'cord', thick: 0.008, to: 1 },
      ...Array.from({ length: 11 }, (_, i): Growth => ({
        grow: 'put',
        at: i / 11,
        length: 0.09,
        room: 1,
        put: [{ part: 'ball', hue: 'wood', gloss: 0.35 }],
      })),
    ],
  },
  twine: {
    name: 'Twine',
    family: 'Mechanics',
    size: [70, 70],
    stance: 'head',
    fit: 'none',
    palette: { jute: '#a98d5a', deep: { of: 'jute', l: -0.16 }, pale: { of: 'jute', l: 0.1 } },
    grow: [
      { part: 'ball', hue: 'deep' },
      ...(
        [
          [-32, 'jute'],
          [28, 'pale'],
          [72, 'jute'],
          [-78, 'pale'],
        ] as const
      ).map(([turn, hue]): Growth => ({
        grow: 'rings',
        rings: [[1, 1, 1]],
        stray: 0,
        put: [
          {
            grow: 'put',
            at: -1,
            turn: 0,
            length: 2,
            room: 1,
            put: [
              {
                part: 'lines',
                hue,
                stroke: 0.055,
                lines: Array.from({ length: 7 }, (_, i): XY[] => {
                  const c = Math.cos(radians(turn))
                  const s = Math.sin(radians(turn))
                  const off = (i - 3) * 0.27
                  const half = Math.sqrt(Math.max(0, 0.94 - off * off))
                  return [-1, -0.5, 0, 0.5, 1].map((u): XY => {
                    const [x, y] = [u * half, off + 0.2 * (1 - u * u) * Math.sign(off || 1)]
                    return [0.5 + (x * c - y * s) / 2, x * s + y * c]
                  })
                }),
              },
            ],
          },
        ],
      })),
      {
        part: 'lines',
        hue: 'jute',
        stroke: 0.05,
        lines: [
          [
            [0.7, 0.8],
            [0.95, 1.02],
            [1.2, 0.92],
            [1.35, 1.1],
          ],
        ],
      },
    ],
  },
  'wire-paddle': {
    name: 'Wire on a paddle',
    family: 'Mechanics',
    size: [96, 60],
    stance: 'box',
    fit: 'none',
    palette: { wire: '#37524a', shine: { of: 'wire', l: 0.24 }, deep: { of: 'wire', l: -0.14 }, wood: '#b89766' },
    grow: [
      {
        part: 'blob',
        hue: 'wood',
        sharp: true,
        shade: 'across',
        outline: [
          [0, -0.8],
          [0.24, -0.74],
          [0.3, -0.5],
          [0.7, -0.5],
          [0.76, -0.74],
          [1, -0.8],
          [0.92, 0],
          [1, 0.8],
          [0.76, 0.74],
          [0.7, 0.5],
          [0.3, 0.5],
          [0.24, 0.74],
          [0, 0.8],
          [0.08, 0],
        ],
      },
      bar('deep', 0.28, -0.62, 0.72, 0.62, { shade: 'across' }),
      {
        part: 'lines',
        hue: 'wire',
        stroke: 0.03,
        straight: true,
        lines: Array.from({ length: 13 }, (_, i): XY[] => [
          [0.29 + i * 0.035, -0.64],
          [0.3 + i * 0.034, 0.64],
        ]),
      },
      {
        part: 'lines',
        hue: 'shine',
        stroke: 0.01,
        straight: true,
        opacity: 0.8,
        lines: Array.from({ length: 13 }, (_, i): XY[] => [
          [0.29 + i * 0.035, -0.44],
          [0.297 + i * 0.034, 0.1],
        ]),
      },
      {
        part: 'lines',
        hue: 'wire',
        stroke: 0.03,
        lines: [
          [
            [0.7, 0.5],
            [0.82, 0.9],
            [1.02, 0.7],
            [1.2, 1],
          ],
        ],
      },
    ],
  },
  ties: {
    name: 'Ties, pins and picks',
    family: 'Mechanics',
    size: [76, 40],
    stance: 'box',
    fit: 'none',
    palette: { tie: '#41663a', shine: { of: 'tie', l: 0.2 }, deep: { of: 'tie', l: -0.1 } },
    grow: [
      {
        part: 'lines',
        hue: 'deep',
        stroke: 0.11,
        lines: [
          [
            [0.04, 0.74],
            [0.3, 0.5],
            [0.6, 0.66],
            [0.98, 0.5],
          ],
          [
            [0.02, 0.1],
            [0.34, -0.06],
            [0.66, 0.12],
            [0.97, -0.06],
          ],
          [
            [0.06, -0.6],
            [0.36, -0.76],
            [0.64, -0.54],
            [0.96, -0.66],
          ],
        ],
      },
      {
        part: 'lines',
        hue: 'tie',
        stroke: 0.085,
        lines: [
          [
            [0.04, 0.72],
            [0.3, 0.48],
            [0.6, 0.64],
            [0.98, 0.48],
          ],
          [
            [0.02, 0.08],
            [0.34, -0.08],
            [0.66, 0.1],
            [0.97, -0.08],
          ],
          [
            [0.06, -0.62],
            [0.36, -0.78],
            [0.64, -0.56],
            [0.96, -0.68],
          ],
        ],
      },
      {
        part: 'lines',
        hue: 'shine',
        stroke: 0.022,
        opacity: 0.8,
        lines: [
          [
            [0.06, 0.68],
            [0.3, 0.45],
            [0.6, 0.6],
            [0.95, 0.45],
          ],
          [
            [0.05, 0.04],
            [0.34, -0.11],
            [0.66, 0.06],
            [0.95, -0.11],
          ],
          [
            [0.08, -0.65],
            [0.36, -0.81],
            [0.64, -0.59],
            [0.94, -0.71],
          ],
        ],
      },
    ],
  },
  bead: {
    name: 'Wooden bead',
    family: 'Mechanics',
    size: [20, 20],
    stance: 'head',
    palette: { wood: '#d2b48a', ring: { of: 'wood', l: -0.1 }, hole: '#4a3722' },
    grow: [
      { part: 'ball', hue: 'wood', gloss: 0.4 },
      {
        part: 'lines',
        hue: 'ring',
        stroke: 0.03,
        opacity: 0.6,
        lines: [
          [
            [0.2, -0.6],
            [0.32, 0],
            [0.2, 0.6],
          ],
          [
            [0.42, -0.8],
            [0.52, 0],
            [0.42, 0.8],
          ],
          [
            [0.66, -0.76],
            [0.74, 0],
            [0.66, 0.76],
          ],
        ],
      },
      {
        part: 'blob',
        hue: 'hole',
        shade: 'flat',
        outline: [
          [0.9, -0.22],
          [0.96, 0],
          [0.9, 0.22],
          [0.87, 0],
        ],
        lift: 0,
      },
    ],
  },
} as const satisfies Record<string, Species>
