import type { Species } from '../growth'
import type { XY } from '../marks'

/** Half of an ivy leaf: five lobes about a heart-shaped foot. */
const IVY: readonly XY[] = [[-0.12, 0.16], [-0.16, 0.5], [0.02, 0.74], [0.06, 1], [0.2, 0.86], [0.3, 0.62], [0.44, 0.7], [0.6, 0.84], [0.66, 0.52], [0.74, 0.3], [0.88, 0.16]]

/** Broad leaves along a stem. */
export const LEAVES = {
  'copper-beech': {
    name: 'Copper beech', family: 'Broad leaves', size: [280, 115], stance: 'stem', bend: 0.08,
    palette: { leaf: '#6b2f30', rust: '#8a4a2c', bark: '#5c4630' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.008, to: 0.95, knots: 9 },
      { grow: 'along', habit: 'alternate', count: 13, angle: [36, 60], reach: [0.52, 0.62], shape: [0.85, 1.05, 0.75], off: 0.08, room: 0.62, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'rust'], edge: { kind: 'crenate', count: 7, depth: 0.09 }, belly: 0.45, tip: 0.14, veins: 7, bend: [-0.07, 0.07], vary: 1.3 }] },
    ],
  },
  'felt-leaf': {
    name: 'Felt leaf', family: 'Broad leaves', size: [100, 46], stance: 'stem',
    palette: { felt: '#6f8740', stitch: '#54682c' },
    grow: [
      { part: 'stalk', hue: 'stitch', thick: 0.03, to: 0.2 },
      { grow: 'put', at: 0.06, length: 0.94, room: 1, put: [{ part: 'leaf', hue: 'felt', belly: 0.45, tip: 0.12, heart: 0.5, veins: 5, rim: 'stitch' }] },
    ],
  },
  'oak': {
    name: 'Oak leaf spray', family: 'Broad leaves', size: [305, 127], stance: 'stem', bend: 0.08,
    palette: { leaf: '#a0602c', tan: '#c08a4a', bark: '#5b4732' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.009, to: 0.95, knots: 7 },
      { grow: 'along', habit: 'alternate', count: 9, angle: [34, 62], reach: [0.64, 0.78], shape: [0.85, 1, 0.8], off: 0.08, room: 0.58, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'tan'], edge: { kind: 'lobed', count: 4, depth: 0.52 }, belly: 0.62, tip: 0.85, heart: 0.45, veins: 4, bend: [-0.08, 0.08], vary: 1.3 }] },
    ],
  },
  'bay': {
    name: 'Bay', family: 'Broad leaves', size: [405, 100], stance: 'stem', bend: 0.08,
    palette: { leaf: '#41663a', young: '#5d8248', pale: '#8b9a6a', bark: '#5d5a36' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.007, to: 0.9 },
      { grow: 'along', habit: 'alternate', count: { every: 0.125 }, angle: [24, 56], reach: [0.68, 0.86], shape: [0.9, 1, 0.66], off: 0.05, room: 0.4, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'young'], belly: 0.45, tip: 0.04, heart: 0.6, veins: 5, gloss: 0.7, bend: [-0.06, 0.06], under: { hue: 'pale', chance: 0.08 } }] },
    ],
  },
  'olive': {
    name: 'Olive', family: 'Broad leaves', size: [455, 100], stance: 'stem', bend: 0.1,
    palette: { leaf: '#6f8060', grey: '#8f9a80', silver: '#b4bba6', bark: '#847560', fruit: '#3d3a44' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.006 },
      { grow: 'along', habit: 'opposite', count: { every: 0.24 }, angle: [30, 52], reach: [0.6, 0.72], shape: [0.8, 1, 0.6], room: 0.19, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'grey'], belly: 0.5, tip: 0.12, heart: 0.4, bend: [-0.05, 0.05], under: { hue: 'silver', chance: 0.3 } }] },
      { grow: 'along', habit: 'alternate', count: 4, from: 0.25, to: 0.7, angle: [40, 80], reach: 0.16, off: 0.7, room: 0.8, put: [{ part: 'ball', hue: 'fruit', squash: 0.22, gloss: 0.5, bloom: 0.25 }] },
    ],
  },
  'boxwood': {
    name: 'Boxwood', family: 'Broad leaves', size: [230, 90], stance: 'stem', bend: 0.06,
    palette: { leaf: '#4b6a34', young: '#7c9650', dark: { of: 'leaf', l: -0.07 }, bark: '#6b6040' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.008, to: 0.9 },
      { grow: 'along', habit: 'alternate', count: 7, from: 0.14, to: 0.84, angle: [30, 48], reach: [0.56, 0.68], shape: [1, 1, 0.6], room: 0.5, put: [
        { part: 'stalk', hue: 'bark', thick: 0.014 },
        { grow: 'along', habit: 'opposite', count: 6, from: 0.14, to: 0.95, angle: [42, 66], reach: [0.5, 0.6], shape: [1, 1, 0.8], room: 0.55, tipped: true, put: [{ part: 'leaf', hue: ['dark', 'leaf'], belly: 0.5, tip: 0.72, gloss: 0.55, lift: 0.12 }] },
      ] },
      { grow: 'along', habit: 'opposite', count: 11, from: 0.2, to: 0.95, angle: [40, 64], reach: [0.2, 0.25], room: 0.55, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'young'], belly: 0.5, tip: 0.72, gloss: 0.6, lift: 0.12 }] },
    ],
  },
  'magnolia': {
    name: 'Magnolia leaf', family: 'Broad leaves', size: [330, 152], stance: 'stem', bend: 0.06,
    palette: { leaf: '#3f5a34', olive: '#5b6a3a', felt: '#8a5a34', bark: '#6b553c' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.013, to: 0.8 },
      { grow: 'along', habit: 'alternate', count: 7, from: 0.1, to: 0.76, angle: [34, 66], reach: [0.74, 0.88], shape: [0.9, 1, 0.8], off: 0.06, room: 0.44, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'olive'], belly: 0.5, tip: 0.3, heart: 0.75, veins: 6, gloss: 1, under: { hue: 'felt', chance: 0.34 }, bend: [-0.08, 0.08], lift: 0.1 }] },
    ],
  },
  'holly': {
    name: 'Holly with berries', family: 'Broad leaves', size: [254, 100], stance: 'stem', bend: 0.07,
    palette: { leaf: '#1f4229', young: '#356038', edge: '#8fa66a', bark: '#5d6a3c', berry: '#b1242f', eye: '#2a1512' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.01, to: 0.95 },
      { grow: 'along', habit: 'alternate', count: 12, angle: [36, 70], reach: [0.52, 0.62], shape: [0.9, 1.05, 0.8], off: 0.1, room: 0.62, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'young'], edge: { kind: 'spined', count: 4, depth: 0.5 }, belly: 0.48, tip: 0.25, veins: 4, gloss: 1, rim: 'edge', bend: [-0.06, 0.06], lift: 0.1 }] },
      { grow: 'along', habit: 'crowded', count: 9, from: 0.3, to: 0.78, angle: [10, 90], reach: 0.12, off: [0.2, 0.9], room: 1, put: [{ part: 'ball', hue: 'berry', gloss: 0.8, eye: 'eye' }] },
    ],
  },
  'ivy': {
    name: 'Ivy trail', family: 'Broad leaves', size: [355, 100], stance: 'stem', bend: 0.13,
    palette: { leaf: '#2f5530', young: '#5c7f44', vein: '#a9bb8c', bark: '#6b5a3c' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.006, to: 0.95 },
      { grow: 'along', habit: 'alternate', count: { every: 0.17 }, angle: [40, 80], reach: [0.54, 0.66], shape: [1, 0.95, 0.55], room: 1, tipped: true, put: [
        { part: 'stalk', hue: 'vein', thick: 0.03, to: 0.34 },
        { grow: 'put', at: 0.28, turn: [-24, 24], length: 0.78, room: 0.92, put: [
          { part: 'leaf', hue: ['leaf', 'young'], outline: IVY, gloss: 0.3 },
          { part: 'lines', hue: 'vein', mirror: true, straight: true, stroke: 0.025, opacity: 0.75, lines: [[[0.02, 0], [0.56, 0.66]], [[0.02, 0], [0.06, 0.82]], [[0.02, 0], [0.92, 0]]] },
        ] },
      ] },
    ],
  },
  'mistletoe': {
    name: 'Mistletoe', family: 'Broad leaves', size: [205, 120], stance: 'stem', bend: 0.05,
    palette: { leaf: '#8f9d54', young: '#aab56c', stem: '#8d9350', berry: '#eeebdc', eye: '#7d7a5a' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.018, to: 0.42 },
      { grow: 'along', habit: 'fan', count: 3, from: 0.3, angle: 46, reach: [0.55, 0.62], room: 1, put: [
        { part: 'stalk', hue: 'stem', thick: 0.035, to: 0.55 },
        { grow: 'along', habit: 'fan', count: 2, from: 0.5, angle: 32, reach: [0.58, 0.66], room: 0.9, put: [
          { part: 'stalk', hue: 'stem', thick: 0.04, to: 0.3 },
          { grow: 'along', habit: 'fan', count: 2, from: 0.22, angle: 36, reach: [0.9, 1.05], room: 0.27, put: [{ part: 'leaf', hue: ['leaf', 'young'], belly: 0.68, tip: 0.85, heart: 0.35, gloss: 0.25 }] },
          { grow: 'along', habit: 'fan', count: 3, from: 0.28, angle: 70, reach: 0.2, off: 0.1, room: 1, put: [{ part: 'ball', hue: 'berry', gloss: 0.7, eye: 'eye' }] },
        ] },
        { grow: 'along', habit: 'fan', count: 2, from: 0.42, angle: 62, reach: [0.66, 0.8], room: 0.25, put: [{ part: 'leaf', hue: ['leaf', 'young'], belly: 0.68, tip: 0.85, heart: 0.35, gloss: 0.25 }] },
      ] },
    ],
  },
  'eucalyptus': {
    name: 'Eucalyptus, silver', family: 'Broad leaves', size: [560, 90], stance: 'stem', bend: 0.09,
    palette: { leaf: '#8fa99b', pale: '#b9c6b6', stem: '#8a6d56' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.0055, to: 0.96 },
      { grow: 'along', habit: 'opposite', count: { every: 0.34 }, from: 0.06, to: 0.95, angle: [48, 84], reach: [0.44, 0.54], shape: [1.05, 0.9, 0.4], off: 0.06, room: 0.86, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'pale'], belly: 0.54, tip: 0.88, veins: 3, vary: 1.1 }] },
    ],
  },
  'eucalyptus-willow': {
    name: 'Eucalyptus, willow-leaved', family: 'Broad leaves', size: [510, 130], stance: 'stem', bend: 0.11,
    palette: { leaf: '#7a9a7e', grey: '#93a796', stem: '#9a7a5c' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.0055 },
      { grow: 'along', habit: 'alternate', count: { every: 0.17 }, angle: [22, 48], reach: [0.85, 1.05], shape: [0.9, 1, 0.6], off: 0.05, room: 0.13, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'grey'], belly: 0.36, tip: 0.02, heart: 0.5, bend: [-0.16, 0.16] }] },
    ],
  },
  'sage': {
    name: 'Sage', family: 'Broad leaves', size: [180, 76], stance: 'stem', bend: 0.07,
    palette: { leaf: '#8c9c86', pale: '#b1bba8', stem: '#86877a' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.014, to: 0.95 },
      { grow: 'along', habit: 'opposite', count: 6, angle: [34, 58], reach: [0.62, 0.74], shape: [1, 0.9, 0.5], room: 0.36, off: 0.08, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'pale'], belly: 0.46, tip: 0.5, heart: 0.9, edge: { kind: 'crenate', count: 9, depth: 0.06 }, veins: 8, vary: 0.8 }] },
    ],
  },
  'dusty-miller': {
    name: 'Dusty miller', family: 'Broad leaves', size: [205, 100], stance: 'stem', bend: 0.06,
    palette: { leaf: '#b4bdb2', pale: '#d2d8cf', stem: '#a9b0a4' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.014, to: 0.95 },
      { grow: 'along', habit: 'alternate', count: 9, angle: [26, 52], reach: [0.66, 0.8], shape: [1, 1, 0.7], off: 0.06, room: 0.5, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'pale'], edge: { kind: 'lobed', count: 5, depth: 0.66 }, belly: 0.58, tip: 0.8, heart: 0.5, vary: 0.5 }] },
    ],
  },
  'dried-leaf': {
    name: 'Dried leaves', family: 'Broad leaves', size: [255, 115], stance: 'stem', bend: 0.08,
    palette: { leaf: '#b8894a', rust: '#8d4f2c', bark: '#5b4732' },
    grow: [
      { part: 'stalk', hue: 'bark', thick: 0.009, to: 0.95 },
      { grow: 'along', habit: 'alternate', count: 10, angle: [30, 66], reach: [0.6, 0.78], shape: [0.9, 1, 0.75], off: 0.12, room: 0.5, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'rust'], edge: { kind: 'toothed', count: 8, depth: 0.13 }, belly: 0.42, tip: 0.08, veins: 6, bend: [-0.2, 0.2], vary: 1.6, lift: 0.14 }] },
    ],
  },
} as const satisfies Record<string, Species>
