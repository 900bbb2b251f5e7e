import type { Growth, Species } from '../growth'

/** A disc of small florets in the heart of a daisy. */
const eye = (count: number, radius: number, size: number, dome = 0.14): Growth => ({ grow: 'spiral', count, radius, reach: [size * 0.75, size], room: 1, dome, put: [{ part: 'ball', hue: 'eye' }] })
const rays = (rings: readonly (readonly [number, number, number, number?])[], extra: Partial<Extract<Growth, { part: 'petal' }>> = {}, stray = 4): Growth => ({ grow: 'rings', rings, stray, ragged: 0.07, put: [{ part: 'petal', hue: ['petal', 'pale'], cup: 0.15, belly: 0.66, tip: 0.8, ...extra }] })

/** Heads seen from the front. */
export const FLOWERS = {
  'daisy': {
    name: 'Ox-eye daisy', family: 'Flowers', size: [60, 60], stance: 'head',
    palette: { petal: '#ece9df', pale: '#f8f6ee', shade: '#cfcbb8', eye: '#d29c2c' },
    grow: [rays([[13, 1, 0.27, -0.05], [12, 0.94, 0.26]], { notch: 0.03, vary: 0.3, heart: 'shade' }), eye(60, 0.27, 0.085)],
  },
  'aster': {
    name: 'Aster', family: 'Flowers', size: [50, 50], stance: 'head',
    palette: { petal: '#9a86b8', pale: '#b7a8cf', eye: '#d8a83a' },
    grow: [rays([[26, 1, 0.11, -0.04], [24, 0.93, 0.11], [20, 0.78, 0.1, 0.03]], { tip: 0.6 }), eye(46, 0.24, 0.085)],
  },
  'sunflower': {
    name: 'Sunflower', family: 'Flowers', size: [115, 115], stance: 'head',
    palette: { petal: '#d9a22b', pale: '#ecc04e', shade: '#b5701f', eye: '#4a3220', ring: '#7a4f26' },
    grow: [
      rays([[19, 1, 0.24, -0.05], [18, 0.95, 0.24], [14, 0.8, 0.2, 0.02]], { belly: 0.5, tip: 0.12, heart: 'shade' }),
      { part: 'disc', hue: 'eye', size: 0.5 },
      { grow: 'spiral', count: 110, radius: 0.5, from: 0.5, reach: [0.09, 0.1], room: 0.6, put: [{ part: 'leaf', hue: ['ring', 'petal'], belly: 0.6, tip: 0.4, lift: 0.1 }] },
      { grow: 'spiral', count: 70, radius: 0.27, reach: [0.05, 0.07], room: 0.9, put: [{ part: 'ball', hue: ['eye', 'ring'] }] },
    ],
  },
  'dahlia': {
    name: 'Dahlia', family: 'Flowers', size: [100, 100], stance: 'head',
    palette: { petal: '#8f2340', pale: { of: 'petal', l: 0.05, c: 1.02, h: 6 }, deep: { of: 'petal', l: -0.1 } },
    grow: [{
      grow: 'rings', stray: 2.5, ragged: 0.05,
      rings: [[15, 1, 0.33, -0.06], [15, 0.88, 0.31, -0.035], [14, 0.75, 0.29, -0.015], [13, 0.62, 0.26, 0.005], [11, 0.49, 0.22, 0.02], [9, 0.36, 0.18, 0.03], [7, 0.25, 0.14, 0.02], [6, 0.16, 0.11, -0.01], [4, 0.1, 0.08, -0.04]],
      put: [{ part: 'petal', hue: ['petal', 'pale'], heart: 'deep', cup: 0.75, belly: 0.6, tip: 0.28, vary: 0.6 }],
    }],
  },
  'chrysanthemum': {
    name: 'Chrysanthemum', family: 'Flowers', size: [66, 66], stance: 'head',
    palette: { petal: '#a9542b', pale: { of: 'petal', l: 0.1, h: 12 }, deep: { of: 'petal', l: -0.11 } },
    grow: [{
      grow: 'rings', stray: 7, ragged: 0.16,
      rings: [[24, 1, 0.13, -0.07], [24, 0.9, 0.13, -0.04], [22, 0.78, 0.13, -0.01], [20, 0.65, 0.12, 0.01], [17, 0.52, 0.12, 0.03], [14, 0.4, 0.11, 0.05], [11, 0.29, 0.1, 0.06], [8, 0.18, 0.08, 0.05]],
      put: [{ part: 'petal', hue: ['petal', 'pale'], heart: 'deep', cup: 0.6, belly: 0.75, tip: 0.8, vary: 0.7 }],
    }],
  },
  'strawflower': {
    name: 'Strawflower', family: 'Flowers', size: [38, 38], stance: 'head',
    palette: { petal: '#d08a3c', pale: { of: 'petal', l: 0.1, h: 8 }, deep: '#b4502f', eye: '#8a5a24' },
    grow: [
      { grow: 'rings', stray: 4, ragged: 0.08, rings: [[16, 1, 0.3, -0.06], [16, 0.86, 0.29, -0.02], [14, 0.7, 0.26, 0.01], [12, 0.54, 0.22, 0.03], [10, 0.4, 0.18, 0.03]], put: [{ part: 'leaf', hue: ['petal', 'pale'], belly: 0.55, tip: 0.02, heart: 0.8, gloss: 0.8, lift: 0.14 }] },
      { grow: 'spiral', count: 26, radius: 0.2, reach: [0.1, 0.12], room: 0.6, put: [{ part: 'leaf', hue: ['deep', 'eye'], belly: 0.5, tip: 0.2 }] },
    ],
  },
  'protea': {
    name: 'Protea', family: 'Flowers', size: [100, 100], stance: 'head',
    palette: { bract: '#c98c8c', pale: { of: 'bract', l: 0.1 }, edge: '#f0dcd6', down: '#efe4da', core: '#7a4a4e' },
    grow: [
      { grow: 'rings', stray: 3, ragged: 0.06, rings: [[13, 1, 0.34, -0.07], [13, 0.9, 0.32, -0.03], [12, 0.78, 0.3, 0.01]], put: [{ part: 'leaf', hue: ['bract', 'pale'], rim: 'edge', belly: 0.55, tip: 0.08, lift: 0.14 }] },
      { part: 'disc', hue: 'down', size: 0.54 },
      { part: 'hairs', hue: 'down', from: 'heart', count: 150, size: [0.36, 0.62], curl: [-14, 14], stroke: 0.008, opacity: 0.9 },
      { grow: 'spiral', count: 40, radius: 0.2, reach: [0.1, 0.15], room: 0.3, put: [{ part: 'leaf', hue: ['core', 'bract'], belly: 0.5, tip: 0.1 }] },
    ],
  },
  'rose': {
    name: 'Garden rose', family: 'Flowers', size: [82, 82], stance: 'head',
    palette: { petal: '#d9a39a', deep: { of: 'petal', l: -0.13, c: 1.35, h: -8 }, pale: { of: 'petal', l: 0.05 }, leaf: '#4a6b40' },
    grow: [
      { grow: 'rings', rings: [[3, 1, 0.4]], off: 0.5, stray: 16, put: [{ part: 'leaf', hue: 'leaf', belly: 0.42, tip: 0.08, veins: 4, edge: { kind: 'toothed', count: 7, depth: 0.1 } }] },
      { grow: 'rings', stray: 6, ragged: 0.04, turn: 0.62, rings: [[6, 0.88, 0.9, 0.01], [5, 0.8, 0.9, 0.02], [5, 0.72, 0.82, 0.01], [5, 0.59, 0.7, 0], [4, 0.47, 0.6, -0.01], [4, 0.35, 0.5, -0.025], [3, 0.25, 0.4, -0.04], [3, 0.15, 0.26, -0.05]], put: [{ part: 'petal', hue: ['petal', 'pale'], heart: 'deep', cup: 0.85, belly: 0.72, tip: 0.96, notch: 0.03, vary: 0.6 }] },
    ],
  },
  'spray-rose': {
    name: 'Spray rose', family: 'Flowers', size: [46, 46], stance: 'head',
    palette: { petal: '#c47f7a', deep: { of: 'petal', l: -0.14, c: 1.25 }, pale: { of: 'petal', l: 0.05 }, sepal: '#7b8052' },
    grow: [
      { grow: 'rings', rings: [[5, 1, 0.26]], off: 0.35, stray: 8, put: [{ part: 'leaf', hue: 'sepal', belly: 0.3, tip: 0.02 }] },
      { grow: 'rings', stray: 8, ragged: 0.06, turn: 0.6, rings: [[5, 0.86, 1, 0.02], [4, 0.7, 0.86, 0], [4, 0.52, 0.66, -0.02], [3, 0.36, 0.5, -0.04], [3, 0.2, 0.32, -0.06]], put: [{ part: 'petal', hue: ['petal', 'pale'], heart: 'deep', cup: 0.9, belly: 0.75, tip: 0.9, vary: 0.7 }] },
    ],
  },
  'ranunculus': {
    name: 'Ranunculus', family: 'Flowers', size: [56, 56], stance: 'head',
    palette: { petal: '#d77a63', deep: { of: 'petal', l: -0.1, c: 1.15 }, pale: { of: 'petal', l: 0.07 }, eye: '#6f7a3a' },
    grow: [
      { grow: 'rings', stray: 4, ragged: 0.02, turn: 0.5, rings: [[9, 1, 0.66, 0.02], [9, 0.9, 0.62, 0.01], [9, 0.8, 0.56, 0], [8, 0.7, 0.54, -0.005], [8, 0.6, 0.48, -0.01], [7, 0.5, 0.44, -0.02], [7, 0.41, 0.36, -0.03], [6, 0.32, 0.32, -0.04], [5, 0.23, 0.26, -0.05]], put: [{ part: 'petal', hue: ['petal', 'pale'], heart: 'deep', cup: 1, belly: 0.78, tip: 1, vary: 0.4 }] },
      { grow: 'spiral', count: 16, radius: 0.13, reach: [0.07, 0.08], room: 1, put: [{ part: 'ball', hue: 'eye' }] },
    ],
  },
  'peony': {
    name: 'Peony', family: 'Flowers', size: [118, 118], stance: 'head',
    palette: { petal: '#e3d6bd', pale: { of: 'petal', l: 0.03 }, deep: { of: 'petal', l: -0.15, c: 1.4, h: -26 }, leaf: '#51704a', eye: '#d9ab3e' },
    grow: [
      { grow: 'rings', rings: [[3, 1, 0.3]], off: 0.5, stray: 20, put: [{ part: 'leaf', hue: 'leaf', belly: 0.4, tip: 0.05, veins: 4 }] },
      { grow: 'rings', stray: 9, ragged: 0.05, turn: 0.55, rings: [[7, 0.97, 0.86, 0], [7, 0.86, 0.8, 0.005]], put: [{ part: 'petal', hue: ['petal', 'pale'], heart: 'deep', cup: 0.55, belly: 0.7, tip: 1, ruffle: 0.45, notch: 0.05, vary: 0.5 }] },
      { grow: 'rings', stray: 15, ragged: 0.2, turn: 0.4, rings: [[13, 0.72, 0.42, 0.005], [13, 0.6, 0.38, 0.01], [12, 0.49, 0.34, 0.01], [11, 0.38, 0.3, 0], [9, 0.28, 0.26, -0.01], [7, 0.19, 0.2, -0.025]], put: [{ part: 'petal', hue: ['petal', 'pale'], heart: 'deep', cup: 0.7, belly: 0.74, tip: 0.95, ruffle: 0.8, notch: 0.1, vary: 0.6 }] },
      { grow: 'spiral', count: 10, radius: 0.07, reach: [0.06, 0.07], room: 0.5, any: true, put: [{ part: 'leaf', hue: 'eye', belly: 0.6, tip: 0.7 }] },
    ],
  },
  'hydrangea': {
    name: 'Hydrangea head', family: 'Flowers', size: [127, 127], stance: 'head',
    palette: { floret: '#8292ab', mauve: { of: 'floret', l: 0.04, h: 42 }, green: '#93a488', under: { of: 'floret', l: -0.2, c: 0.8 }, eye: { of: 'floret', l: 0.14, c: 0.5 } },
    grow: [
      { part: 'disc', hue: 'under', size: 0.86, wobble: 0.06 },
      { grow: 'spiral', count: 62, radius: 0.84, reach: [0.36, 0.4], room: 1, dome: 0.11, any: true, put: [
        { grow: 'put', at: -0.5, length: 1, room: 1, put: [
          { grow: 'rings', rings: [[4, 1, 0.86]], stray: 6, ragged: 0.1, put: [{ part: 'petal', hue: ['floret', 'mauve'], cup: 0.3, belly: 0.62, tip: 0.8, vary: 1.3 }] },
          { grow: 'put', at: 0.42, length: 0.14, room: 1, put: [{ part: 'ball', hue: 'eye' }] },
        ] },
      ] },
    ],
  },
  'sea-holly': {
    name: 'Sea holly', family: 'Flowers', size: [86, 86], stance: 'head',
    palette: { bract: '#5f7796', pale: '#93a3a8', core: { of: 'bract', l: -0.04, c: 1.5, h: 26 }, light: { of: 'core', l: 0.14 } },
    grow: [
      { grow: 'rings', stray: 7, ragged: 0.1, rings: [[9, 1, 0.42, -0.04], [8, 0.8, 0.38, 0.02]], put: [{ part: 'leaf', hue: ['bract', 'pale'], edge: { kind: 'spined', count: 4, depth: 0.62 }, belly: 0.36, tip: 0.02, rim: 'pale', lift: 0.14 }] },
      { part: 'disc', hue: 'core', size: 0.42 },
      { grow: 'spiral', count: 74, radius: 0.38, reach: [0.07, 0.1], room: 0.6, dome: 0.16, put: [{ part: 'leaf', hue: ['core', 'light'], belly: 0.5, tip: 0.2, lift: 0.1 }] },
    ],
  },
} as const satisfies Record<string, Species>
