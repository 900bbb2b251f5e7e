import type { Growth, Species } from '../growth'

/** Ferns, grasses, spikes and fillers. */
export const FINE = {
  'bracken': {
    name: 'Bracken', family: 'Ferns and fine leaves', size: [305, 115], stance: 'stem', bend: 0.07,
    palette: { leaf: '#6f8740', tip: '#a98738', rib: '#7a5a30' },
    grow: [
      { part: 'stalk', hue: 'rib', thick: 0.007 },
      { grow: 'along', habit: 'opposite', count: 12, from: 0.17, to: 0.9, angle: [54, 68], reach: [0.52, 0.6], shape: [1, 0.72, 0.16], room: 0.32, bend: [0, 0.1], light: [-0.03, 0.03], put: [
        { part: 'leaf', hue: ['leaf', 'tip'], edge: { kind: 'lobed', count: 9, depth: 0.7 }, belly: 0.14, tip: 0.12, heart: 1, vary: 1.1 },
      ] },
      { grow: 'put', at: 0.88, length: 0.12, room: 0.34, put: [{ part: 'leaf', hue: 'tip', edge: { kind: 'lobed', count: 5, depth: 0.6 }, belly: 0.2, tip: 0.1 }] },
    ],
  },
  'sword-fern': {
    name: 'Sword fern', family: 'Ferns and fine leaves', size: [405, 92], stance: 'stem', bend: 0.1,
    palette: { leaf: '#3f6b3c', young: '#659150', rib: '#6d6a38' },
    grow: [
      { part: 'stalk', hue: 'rib', thick: 0.006 },
      { grow: 'along', habit: 'opposite', count: 30, from: 0.12, to: 0.97, angle: [66, 78], reach: [0.5, 0.54], shape: [0.72, 1.05, 0.12], room: 0.19, bend: [0.02, 0.1], put: [{ part: 'leaf', hue: ['leaf', 'young'], belly: 0.2, tip: 0.06, edge: { kind: 'toothed', count: 8, depth: 0.16 }, lift: 0.16 }] },
    ],
  },
  'thyme': {
    name: 'Thyme', family: 'Ferns and fine leaves', size: [152, 36], stance: 'stem', bend: 0.1,
    palette: { leaf: '#6f7f55', pale: '#9aa67c', stem: '#8a6a4c' },
    grow: [
      ...([[0.2, -16], [0.32, 15], [0.46, -14]] as const).map(([at, turn]): Growth => ({ grow: 'put', at, turn, length: 0.46, room: 0.2, put: [
        { part: 'stalk', hue: 'stem', thick: 0.014 },
        { grow: 'along', habit: 'opposite', count: 9, from: 0.1, to: 1, angle: [40, 66], reach: [0.5, 0.66], room: 0.55, put: [{ part: 'leaf', hue: ['leaf', 'pale'], belly: 0.5, tip: 0.6 }] },
      ] })),
      { part: 'stalk', hue: 'stem', thick: 0.009 },
      { grow: 'along', habit: 'opposite', count: 18, from: 0.12, to: 0.98, angle: [42, 66], reach: [0.26, 0.34], room: 0.55, tipped: true, put: [{ part: 'leaf', hue: ['leaf', 'pale'], belly: 0.5, tip: 0.6 }] },
    ],
  },
  'wheat': {
    name: 'Wheat', family: 'Grasses and spikes', size: [280, 36], stance: 'stem', bend: 0.06,
    palette: { straw: '#d0ad66', pale: '#e7cf96', dark: '#a8854a' },
    grow: [
      { part: 'stalk', hue: 'straw', thick: 0.006, to: 0.66 },
      { part: 'hairs', hue: 'pale', from: 'stem', count: 26, start: 0.58, end: 0.8, size: [3.0, 3.9], curl: [2, 7], angle: [3, 10], stroke: 0.014 },
      { grow: 'along', habit: 'opposite', count: 9, from: 0.57, to: 0.82, angle: [18, 30], reach: [0.48, 0.56], shape: [0.85, 1.05, 0.8], room: 0.46, light: [-0.03, 0.03], put: [{ part: 'leaf', hue: ['straw', 'dark'], belly: 0.42, tip: 0.2, lift: 0.14 }] },
      { grow: 'along', habit: 'crowded', count: 8, from: 0.58, to: 0.84, angle: [0, 10], reach: 0.44, room: 0.46, tipped: true, put: [{ part: 'leaf', hue: ['straw', 'pale'], belly: 0.42, tip: 0.2, lift: 0.12 }] },
    ],
  },
  'oat': {
    name: 'Oat', family: 'Grasses and spikes', size: [355, 60], stance: 'stem', bend: 0.1,
    palette: { straw: '#cdb878', pale: '#e6d8a8', dark: '#a08a50' },
    grow: [
      { part: 'stalk', hue: 'dark', thick: 0.0045 },
      { grow: 'along', habit: 'alternate', count: 13, from: 0.4, to: 0.97, angle: [22, 44], reach: [0.66, 0.86], shape: [1, 0.9, 0.5], room: 0.3, bend: [0.1, 0.26], put: [
        { part: 'stalk', hue: 'dark', thick: 0.012, to: 0.62 },
        { grow: 'put', at: 0.6, turn: [-6, 16], length: 0.46, room: 0.4, put: [{ part: 'leaf', hue: ['straw', 'pale'], belly: 0.35, tip: 0.05, lift: 0.12 }] },
        { grow: 'put', at: 0.6, turn: [16, 32], length: 0.4, room: 0.34, put: [{ part: 'leaf', hue: ['straw', 'pale'], belly: 0.35, tip: 0.05, lift: 0.12 }] },
      ] },
    ],
  },
  'bunny-tail': {
    name: 'Bunny-tail grass', family: 'Grasses and spikes', size: [255, 32], stance: 'stem', bend: 0.07,
    palette: { fluff: '#dccfb4', pale: '#f3ead6', stem: '#a99a6c' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.0055, to: 0.84 },
      { grow: 'put', at: 0.77, length: 0.22, room: 0.42, put: [
        { part: 'blob', hue: 'fluff', shade: 'across', outline: [[0, 0], [0.06, 0.6], [0.3, 0.92], [0.6, 0.82], [0.88, 0.44], [1, 0]], mirror: true },
        { part: 'hairs', hue: 'pale', from: 'stem', count: 110, start: 0.02, end: 0.92, size: [0.7, 1.15], curl: [-30, 10], angle: [14, 62], stroke: 0.02, opacity: 0.8 },
      ] },
    ],
  },
  'pampas': {
    name: 'Pampas plume', family: 'Grasses and spikes', size: [455, 115], stance: 'stem', bend: 0.12,
    palette: { fluff: '#d8c7a8', pale: '#efe4cd', stem: '#b59f74' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.006, to: 0.6 },
      { part: 'hairs', hue: 'fluff', from: 'stem', count: 190, start: 0.24, end: 0.9, size: [0.75, 1.3], curl: [-34, -8], angle: [16, 44], stroke: 0.011, opacity: 0.85 },
      { part: 'hairs', hue: 'pale', from: 'stem', count: 230, start: 0.28, end: 0.95, size: [0.45, 0.95], curl: [-34, 0], angle: [6, 34], stroke: 0.008, opacity: 0.8 },
    ],
  },
  'lavender': {
    name: 'Lavender', family: 'Grasses and spikes', size: [255, 25], stance: 'stem', bend: 0.06,
    palette: { flower: '#6c6a94', pale: '#a29cc0', calyx: '#7b7690', stem: '#8c946f' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.0055, to: 0.9 },
      { grow: 'along', habit: 'whorl', ring: 5, count: 1, from: 0.58, to: 0.58, angle: 64, reach: 0.4, room: 0.5, put: [{ part: 'leaf', hue: ['flower', 'calyx'], belly: 0.6, tip: 0.6, lift: 0.16 }] },
      { grow: 'along', habit: 'whorl', ring: 5, count: 9, from: 0.66, to: 0.97, angle: [56, 66], reach: [0.46, 0.54], shape: [0.95, 1, 0.5], room: 0.52, light: [-0.03, 0.04], put: [{ part: 'leaf', hue: ['flower', 'pale'], belly: 0.6, tip: 0.7, lift: 0.16 }] },
    ],
  },
  'larkspur': {
    name: 'Larkspur', family: 'Grasses and spikes', size: [355, 50], stance: 'stem', bend: 0.05,
    palette: { flower: '#6272b0', pale: '#95a0d0', eye: '#e8e4ee', stem: '#7f8a5c' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.006 },
      { grow: 'along', habit: 'crowded', count: 34, from: 0.32, to: 0.97, angle: [20, 80], reach: [0.42, 0.54], shape: [1, 0.9, 0.34], off: [0, 0.3], room: 1, put: [
        { grow: 'rings', rings: [[5, 1, 0.7]], stray: 10, put: [{ part: 'petal', hue: ['flower', 'pale'], cup: 0.4 }] },
        { grow: 'put', at: 0.42, length: 0.16, room: 1, put: [{ part: 'ball', hue: 'eye' }] },
      ] },
    ],
  },
  'heather': {
    name: 'Heather', family: 'Ferns and fine leaves', size: [205, 50], stance: 'stem', bend: 0.07,
    palette: { flower: '#a5557f', pale: '#c99ab3', leaf: '#66774d', stem: '#6f5a41' },
    grow: ([[0.05, 0, 0.95], [0.2, -14, 0.62], [0.28, 15, 0.58], [0.4, -16, 0.46], [0.48, 16, 0.42]] as const).map(([at, turn, length]): Growth => ({ grow: 'put', at, turn, length, room: 0.13, put: [
      { part: 'stalk', hue: 'stem', thick: 0.007 },
      { part: 'needles', hue: 'leaf', size: 0.5, thick: 3, angle: [30, 60], stroke: 0.2, to: 0.4 },
      { grow: 'along', habit: 'crowded', count: 42, from: 0.3, to: 1, angle: [24, 82], reach: [0.32, 0.44], shape: [1, 1, 0.6], room: 0.72, put: [{ part: 'leaf', hue: ['flower', 'pale'], belly: 0.62, tip: 0.9, lift: 0.14 }] },
    ] })),
  },
  'caspia': {
    name: 'Caspia', family: 'Ferns and fine leaves', size: [255, 66], stance: 'stem', bend: 0.08,
    palette: { flower: '#c9ceda', pale: '#e6e8ee', stem: '#8b9a74' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.005 },
      { grow: 'along', habit: 'alternate', count: 11, from: 0.2, to: 0.95, angle: [24, 40], reach: [0.8, 1.05], shape: [1, 0.9, 0.5], room: 0.34, bend: [0, 0.14], put: [
        { part: 'stalk', hue: 'stem', thick: 0.012 },
        { grow: 'along', habit: 'crowded', count: 26, from: 0.25, to: 1, angle: [15, 60], reach: [0.24, 0.4], off: [0, 1.2], room: 0.8, put: [{ part: 'leaf', hue: ['flower', 'pale'], belly: 0.6, tip: 0.9, lift: 0.12 }] },
      ] },
    ],
  },
  'statice': {
    name: 'Statice', family: 'Ferns and fine leaves', size: [180, 76], stance: 'stem', bend: 0.06,
    palette: { flower: '#7f6f9a', pale: '#a596bd', white: '#efe9d8', stem: '#7f8a5c' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.011, to: 0.75 },
      { grow: 'along', habit: 'alternate', count: 6, from: 0.26, to: 0.72, angle: [18, 36], reach: [0.78, 0.92], shape: [1, 0.9, 0.7], room: 0.5, tipped: true, put: [
        { part: 'stalk', hue: 'stem', thick: 0.024, to: 0.7 },
        { grow: 'along', habit: 'crowded', count: 15, from: 0.5, to: 1.0, angle: [50, 90], reach: [0.32, 0.44], off: [0, 1.3], room: 1, put: [
          { grow: 'rings', rings: [[5, 1, 0.75]], stray: 12, put: [{ part: 'leaf', hue: ['flower', 'pale'], belly: 0.7, tip: 0.95, lift: 0.1 }] },
          { grow: 'put', at: 0.34, length: 0.32, room: 1, put: [{ part: 'disc', hue: 'white', flat: true }] },
        ] },
      ] },
    ],
  },
  'gypsophila': {
    name: 'Baby’s breath', family: 'Ferns and fine leaves', size: [205, 90], stance: 'stem', bend: 0.07,
    palette: { flower: '#f1efe8', shade: '#d9d6c8', stem: '#93a07c' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.006 },
      { grow: 'along', habit: 'alternate', count: 9, from: 0.16, to: 0.9, angle: [22, 46], reach: [0.6, 0.78], shape: [1, 0.95, 0.6], room: 0.7, bend: [0, 0.1], put: [
        { part: 'stalk', hue: 'stem', thick: 0.012 },
        { grow: 'along', habit: 'alternate', count: 8, from: 0.3, to: 1, angle: [24, 56], reach: [0.26, 0.5], room: 0.5, put: [
          { part: 'stalk', hue: 'stem', thick: 0.03, to: 0.85 },
          { grow: 'put', at: 0.7, length: 0.46, room: 1, put: [{ grow: 'rings', rings: [[5, 1, 0.7]], stray: 14, put: [{ part: 'leaf', hue: ['flower', 'shade'], belly: 0.66, tip: 0.9, lift: 0.08, vary: 0.4 }] }] },
        ] },
      ] },
    ],
  },
  'honesty': {
    name: 'Honesty', family: 'Dried heads', size: [280, 90], stance: 'stem', bend: 0.09,
    palette: { moon: '#e9e2d0', rim: '#b39a68', stem: '#a08a62', seed: '#a58d62' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.005 },
      { grow: 'along', habit: 'alternate', count: 10, from: 0.2, to: 0.94, angle: [34, 66], reach: [0.5, 0.6], shape: [1, 1, 0.75], room: 0.7, tipped: true, put: [
        { part: 'stalk', hue: 'stem', thick: 0.016, to: 0.34 },
        { grow: 'put', at: 0.28, length: 0.76, room: 0.82, put: [
          { part: 'blob', hue: 'moon', shade: 'round', depth: 0.5, outline: [[0, 0], [0.08, 0.6], [0.36, 0.98], [0.7, 0.9], [0.94, 0.42], [1, 0]], mirror: true, opacity: 0.93 },
          { part: 'lines', hue: 'rim', mirror: true, stroke: 0.035, opacity: 0.9, lines: [[[0, 0], [0.08, 0.6], [0.36, 0.98], [0.7, 0.9], [0.94, 0.42], [1.06, 0]]] },
          { part: 'dots', hue: 'seed', count: 4, size: 0.045, over: [0.24, 0.5], opacity: 0.5 },
        ] },
      ] },
    ],
  },
  'hops': {
    name: 'Hops', family: 'Dried heads', size: [355, 90], stance: 'stem', bend: 0.11,
    palette: { cone: '#a9a862', pale: '#c9c684', leaf: '#71804a', stem: '#7d7446' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.0055 },
      { grow: 'along', habit: 'alternate', count: 4, from: 0.15, to: 0.8, angle: [36, 62], reach: [0.5, 0.6], room: 0.8, off: 0.1, put: [{ part: 'leaf', hue: 'leaf', edge: { kind: 'toothed', count: 7, depth: 0.2 }, belly: 0.4, tip: 0.1, veins: 5 }] },
      { grow: 'along', habit: 'alternate', count: 12, from: 0.12, to: 0.93, angle: [26, 58], reach: [0.44, 0.54], shape: [1, 1, 0.8], off: 0.12, room: 0.62, tipped: true, put: [
        ...Array.from({ length: 6 }, (_, i): Growth => ({ grow: 'along', habit: 'whorl', ring: 4, count: 1, from: 0.62 - i * 0.12, to: 0.62 - i * 0.12, angle: 40, reach: 0.62 + 0.16 * Math.sin(i), room: 0.62, light: [-0.04 + i * 0.016, -0.04 + i * 0.016], put: [{ part: 'leaf', hue: ['cone', 'pale'], belly: 0.5, tip: 0.5, heart: 0.7, lift: 0.12 }] })),
      ] },
    ],
  },
  'old-mans-beard': {
    name: 'Old man’s beard', family: 'Dried heads', size: [305, 115], stance: 'stem', bend: 0.12,
    palette: { silk: '#d5cfbf', pale: '#f4efe3', stem: '#84725a', seed: '#7c6547' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.005 },
      { grow: 'along', habit: 'alternate', count: 11, from: 0.14, to: 0.95, angle: [44, 84], reach: [0.46, 0.56], shape: [1, 1, 0.8], off: 0.08, room: 1, put: [
        { part: 'disc', hue: 'pale', size: 0.72, opacity: 0.34, flat: true },
        { part: 'hairs', hue: 'silk', from: 'heart', count: 34, size: [0.7, 1.1], curl: [24, 60], stroke: 0.024, opacity: 0.85 },
        { part: 'hairs', hue: 'pale', from: 'heart', count: 26, size: [0.5, 0.95], curl: [30, 70], stroke: 0.016, opacity: 0.9 },
        { part: 'dots', hue: 'seed', count: 7, size: 0.026, over: [0.07, 0.14] },
      ] },
    ],
  },
  'teasel': {
    name: 'Teasel', family: 'Dried heads', size: [255, 66], stance: 'stem', bend: 0.03,
    palette: { head: '#9a7a4e', pale: '#c8a874', dark: '#6b5130', stem: '#a88a5a' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.014, to: 0.66 },
      { part: 'needles', hue: 'stem', size: 0.07, thick: 1, angle: [50, 90], stroke: 0.2, from: 0.05, to: 0.6 },
      { part: 'hairs', hue: 'stem', from: 'stem', count: 5, start: 0.62, end: 0.64, size: [1.3, 1.9], curl: [-50, -36], angle: [60, 76], stroke: 0.02 },
      { grow: 'put', at: 0.62, length: 0.35, room: 0.55, put: [
        { part: 'blob', hue: 'dark', shade: 'across', outline: [[0, 0], [0.04, 0.55], [0.2, 0.84], [0.5, 0.86], [0.8, 0.62], [0.96, 0.3], [1, 0]], mirror: true },
        { grow: 'along', habit: 'whorl', ring: 9, count: 13, from: 0.04, to: 0.9, angle: 74, reach: [0.46, 0.54], shape: [0.86, 1, 0.5], room: 0.16, light: [-0.04, 0.03], put: [{ part: 'leaf', hue: ['head', 'pale'], belly: 0.2, tip: 0, lift: 0.3 }] },
      ] },
      { part: 'hairs', hue: 'stem', from: 'stem', count: 4, start: 0.6, end: 0.63, size: [1.5, 2.2], curl: [-56, -40], angle: [50, 66], stroke: 0.026 },
    ],
  },
  'thistle': {
    name: 'Thistle', family: 'Dried heads', size: [230, 80], stance: 'stem', bend: 0.05,
    palette: { tuft: '#8a5f9a', pale: '#b894c0', cup: '#74805e', spine: '#a9b08c', stem: '#83906a' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.012, to: 0.72 },
      { grow: 'along', habit: 'alternate', count: 5, from: 0.14, to: 0.56, angle: [28, 54], reach: [0.5, 0.62], room: 0.34, put: [{ part: 'leaf', hue: 'cup', edge: { kind: 'spined', count: 5, depth: 0.6 }, belly: 0.4, tip: 0.05 }] },
      { grow: 'put', at: 0.62, length: 0.38, room: 0.66, put: [
        { grow: 'along', habit: 'fan', count: 26, from: 0.3, angle: 46, reach: [0.95, 1.06], room: 0.06, put: [{ part: 'leaf', hue: ['tuft', 'pale'], belly: 0.8, tip: 0.6, lift: 0.1 }] },
        { grow: 'along', habit: 'fan', count: 16, from: 0.34, angle: 28, reach: [0.7, 0.9], room: 0.06, put: [{ part: 'leaf', hue: ['pale', 'tuft'], belly: 0.8, tip: 0.6, lift: 0.1 }] },
        { part: 'blob', hue: 'cup', shade: 'across', outline: [[0, 0], [0.02, 0.4], [0.14, 0.72], [0.32, 0.74], [0.44, 0.5], [0.47, 0]], mirror: true },
        { grow: 'along', habit: 'whorl', ring: 7, count: 6, from: 0.02, to: 0.34, angle: 70, reach: [0.28, 0.34], room: 0.24, put: [{ part: 'leaf', hue: ['spine', 'cup'], belly: 0.3, tip: 0, lift: 0.2 }] },
      ] },
    ],
  },
  'poppy-head': {
    name: 'Poppy seed head', family: 'Dried heads', size: [230, 36], stance: 'stem', bend: 0.07,
    palette: { pod: '#a09a80', pale: '#c4bda2', dark: '#6f6748', stem: '#a59a74' },
    grow: [
      { part: 'stalk', hue: 'stem', thick: 0.009, to: 0.82 },
      { grow: 'put', at: 0.79, length: 0.21, room: 0.74, put: [
        { part: 'blob', hue: 'pod', shade: 'across', outline: [[0, 0], [0.03, 0.24], [0.12, 0.3], [0.28, 0.82], [0.52, 0.98], [0.74, 0.8], [0.84, 0.5], [0.86, 0]], mirror: true },
        { part: 'lines', hue: 'dark', mirror: true, stroke: 0.025, opacity: 0.55, lines: [[[0.14, 0.1], [0.5, 0.34], [0.82, 0.2]], [[0.14, 0.2], [0.5, 0.72], [0.82, 0.36]]] },
        { part: 'blob', hue: 'pale', shade: 'along', sharp: true, outline: [[0.83, 0], [0.82, 0.62], [0.9, 0.86], [0.93, 0.6], [0.98, 0.62], [0.95, 0.34], [1, 0.3], [0.97, 0]], mirror: true },
        { part: 'lines', hue: 'dark', mirror: true, stroke: 0.03, opacity: 0.6, straight: true, lines: [[[0.86, 0], [0.97, 0]], [[0.86, 0.2], [0.97, 0.26]], [[0.86, 0.4], [0.95, 0.54]]] },
      ] },
    ],
  },
} as const satisfies Record<string, Species>
