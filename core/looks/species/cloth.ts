import type { Finish, GatheredCloth, Species } from '../species-grammar'

const NAMES: Record<Exclude<Finish, 'mesh'>, string> = {
  plain: 'grosgrain',
  satin: 'satin',
  velvet: 'velvet',
  check: 'check',
  stripe: 'stripe',
  print: 'print',
  burlap: 'burlap',
}
const COLOURS: Record<Exclude<Finish, 'mesh'>, readonly [first: string, second: string]> = {
  plain: ['#4e6a85', '#e8e2d4'],
  satin: ['#7a3b4a', '#e8d6d2'],
  velvet: ['#5e2f4a', '#8a5a74'],
  check: ['#e6ddca', '#7a3b3b'],
  stripe: ['#e9e0cb', '#3f5f58'],
  print: ['#c08a2e', '#f1e6cc'],
  burlap: ['#b39b6e', '#7d6842'],
}
const finishes = Object.keys(NAMES) as (keyof typeof NAMES)[]

/** A four-loop bow with a pair laid over it, as bought ready made. */
const bow = (finish: Exclude<Finish, 'mesh'>): Species => ({
  name: `Bow, ${NAMES[finish]}`,
  family: 'Ribbon and mesh',
  size: [178, 178],
  stance: 'head',
  fit: 'length',
  palette: { ribbon: COLOURS[finish][0], second: COLOURS[finish][1] },
  grow: [
    {
      part: 'bow',
      finish,
      hue: 'ribbon',
      second: 'second',
      ribbon: 0.46,
      cut: finish === 'stripe' || finish === 'velvet' ? 'slant' : 'v',
      loops: [
        [28, 0.86, 0.5],
        [152, 0.86, 0.5],
        [-30, 0.86, 0.5],
        [210, 0.86, 0.5],
        [-2, 1, 0.56],
        [182, 1, 0.56],
      ],
      tails: [
        [20, 1.15],
        [-17, 1.3],
      ],
    },
  ],
})

const ribbon = (finish: Exclude<Finish, 'mesh'>): Species => ({
  name: `Ribbon, ${NAMES[finish]}`,
  family: 'Ribbon and mesh',
  size: [305, 62],
  stance: 'stem',
  fit: 'both',
  palette: { ribbon: COLOURS[finish][0], second: COLOURS[finish][1] },
  grow: [{ part: 'ribbon', finish, hue: 'ribbon', second: 'second', waves: 1.2, cut: 'v' }],
})

const roll = (finish: Finish, name: string, [first, second]: readonly [string, string]): Species => ({
  name,
  family: 'Ribbon and mesh',
  size: [80, 80],
  stance: 'head',
  fit: 'none',
  palette: { ribbon: first, second, card: '#d8c4a0' },
  grow: [{ part: 'roll', finish, hue: 'ribbon', second: 'second', core: 'card' }],
})

const mesh = (how: GatheredCloth['how'], size: Species['size']): Species => ({
  name: `Mesh ${how}`,
  family: 'Ribbon and mesh',
  size,
  stance: 'head',
  palette: { mesh: '#d9a441', thread: '#f3dc9c' },
  grow: [{ part: 'gather', how, finish: 'mesh', hue: 'mesh', second: 'thread' }],
})

const named = (prefix: string, make: (finish: Exclude<Finish, 'mesh'>) => Species): [string, Species][] =>
  finishes.map((finish) => [`${prefix}-${finish}`, make(finish)])

/** Ribbon and mesh in every finish: the roll, a length, and a bow or a gather. */
export const CLOTH: Readonly<Record<string, Species>> = Object.fromEntries([
  ...named('bow', bow),
  ...named('ribbon', ribbon),
  ...named('roll', (finish) => roll(finish, `Roll of ${NAMES[finish]}`, COLOURS[finish])),
  ['roll-mesh', roll('mesh', 'Roll of mesh', ['#d9a441', '#f3dc9c'])],
  ['mesh-ruffle', mesh('ruffle', [230, 150])],
  ['mesh-petal', mesh('petal', [200, 130])],
  ['mesh-poof', mesh('poof', [230, 150])],
])
