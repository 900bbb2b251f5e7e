import type { MechanicId } from '../material'
import type { BaseFamily } from '../base'
import { BASE_SORTS } from '../base'
import type { Thumb } from '../measure'
import type { Brief, HookKind, LoopKind, Piece } from '../piece'
import { BEARS_DOOR_HOOK, BEARS_MAGNETS, BEARS_NAIL, BEARS_RIBBON, BEARS_SCREW, BEARS_STRIP, BEARS_SUCTION } from './rules-of-thumb'

type Surface = Brief['surface']['kind']

/** What a piece hangs on. */
export interface Hook {
  readonly id: HookKind
  readonly name: string
  /** What it takes; null where nothing is bought for it. */
  readonly material: MechanicId | null
  readonly bears: Thumb
  /** Grounds that it holds on. */
  readonly on: readonly Surface[]
  /** Why not on the others. */
  readonly because: string
  /** Whether it lets go outdoors, and why; null where weather is nothing to it. */
  readonly weather: string | null
  readonly how: string
}

export const HANGING_HOOKS: Readonly<Record<HookKind, Hook>> = {
  'over-door hook': {
    id: 'over-door hook',
    name: 'Over-door hook',
    material: 'over-door-hook',
    bears: BEARS_DOOR_HOOK,
    on: ['boards', 'door'],
    because: 'An over-door hook needs the top edge of a door.',
    weather: null,
    how: 'Set the hook over the door’s top edge, padded, and see that the door still shuts.',
  },
  nail: {
    id: 'nail',
    name: 'Nail',
    material: 'wall-nail',
    bears: BEARS_NAIL,
    on: ['boards', 'door', 'plaster', 'mantel'],
    because: 'A nail does not hold in brick, stone or glass.',
    weather: null,
    how: 'Drive the nail at a slant, its head up, into sound wood or a stud.',
  },
  screw: {
    id: 'screw',
    name: 'Screw hook',
    material: 'screw-hook',
    bears: BEARS_SCREW,
    on: ['boards', 'door', 'plaster', 'brick', 'stone', 'mantel'],
    because: 'A screw hook goes into wood or into a plug, not into glass.',
    weather: null,
    how: 'Screw the hook into wood, or into a plug that suits the wall.',
  },
  'adhesive strip': {
    id: 'adhesive strip',
    name: 'Adhesive hook',
    material: 'adhesive-strip',
    bears: BEARS_STRIP,
    on: ['door', 'plaster', 'glass'],
    because: 'A strip does not stick to rough boards, brick or stone.',
    weather: 'A strip lets go in frost, wet and hot sun.',
    how: 'Wipe the ground with spirit, press the strip on for half a minute, and wait an hour before anything hangs on it.',
  },
  'suction cup': {
    id: 'suction cup',
    name: 'Suction cup',
    material: 'suction-cup',
    bears: BEARS_SUCTION,
    on: ['glass'],
    because: 'A suction cup holds on glass only.',
    weather: 'A suction cup lets go in frost.',
    how: 'Clean the glass, warm the cup in your hands, damp its edge and press it on; press again every few days.',
  },
  'over the door': {
    id: 'over the door',
    name: 'Over the door',
    material: null,
    bears: BEARS_RIBBON,
    on: ['boards', 'door'],
    because: 'A ribbon needs the top edge of a door to go over.',
    weather: null,
    how: 'Lay the ribbon over the door’s top edge and make it fast inside with a tack or a knob.',
  },
  magnets: {
    id: 'magnets',
    name: 'Pair of magnets',
    material: 'door-magnet',
    bears: BEARS_MAGNETS,
    on: ['door', 'glass'],
    because: 'Magnets hold on a steel door, or in pairs through glass.',
    weather: null,
    how: 'Try the magnets on the door first: they hold on steel, and through glass in pairs.',
  },
  'route hooks': {
    id: 'route hooks',
    name: 'Hooks along its route',
    material: 'screw-hook',
    bears: BEARS_SCREW,
    on: ['boards', 'door', 'brick', 'plaster', 'stone', 'mantel', 'glass'],
    because: '',
    weather: null,
    how: 'The hooks are up, and level, before the garland is lifted.',
  },
}

/** What of a hanger is on the piece. */
export interface Loop {
  readonly id: LoopKind
  readonly name: string
  readonly families: readonly BaseFamily[]
  /** Hooks that it goes on. */
  readonly hooks: readonly HookKind[]
  readonly how: string
}

const SINGLE: readonly HookKind[] = ['over-door hook', 'nail', 'screw', 'adhesive strip', 'suction cup', 'magnets']
const STANDING: readonly BaseFamily[] = ['rings', 'outlines', 'shaped wire', 'swags']

export const HANGING_LOOPS: Readonly<Record<LoopKind, Loop>> = {
  'own hook': {
    id: 'own hook',
    name: 'The base’s own hook',
    families: STANDING,
    hooks: SINGLE,
    how: 'Hang it by its own hook.',
  },
  'twine loop': {
    id: 'twine loop',
    name: 'Loop of twine',
    families: STANDING,
    hooks: SINGLE,
    how: 'Tie the twine round the base itself, not round what is on it, and knot its ends to a loop.',
  },
  'lark’s-head cord': {
    id: 'lark’s-head cord',
    name: 'Cord in a lark’s head',
    families: STANDING,
    hooks: SINGLE,
    how: 'Knot the cord to a ring, fold it behind the base, draw the rest through the fold and pull it tight.',
  },
  'wire loop': {
    id: 'wire loop',
    name: 'Loop of wire',
    families: STANDING,
    hooks: SINGLE,
    how: 'Bend the wire round the base, twist it shut behind with five turns, shape the loop, and fold the ends under.',
  },
  arch: {
    id: 'arch',
    name: 'Arch between two points',
    families: STANDING,
    hooks: SINGLE,
    how: 'Wrap one end round the base, lead the cord up and over to the other point, and wrap it there; tie it fast at the hook so that it cannot slide.',
  },
  'coat hook': {
    id: 'coat hook',
    name: 'Coat-hanger hook in the foam',
    families: ['rings', 'outlines', 'swags'],
    hooks: SINGLE,
    how: 'Push the shank of the hook through all of it, bend it back on the far side, and bind it down with tape.',
  },
  ribbon: {
    id: 'ribbon',
    name: 'Ribbon through the ring',
    families: ['rings', 'outlines'],
    hooks: ['over the door'],
    how: 'Lead the ribbon through the ring and bring both ends up together.',
  },
  tied: {
    id: 'tied',
    name: 'Tied at every hook',
    families: ['garlands'],
    hooks: ['route hooks'],
    how: 'Tie it to every hook round its stems, not round its tips.',
  },
}

/** Whether the shank of a hook finds hold in a base: foam, straw, or the hub between two trees. */
const takesShank = ({ kind, shape }: Piece['base']): boolean =>
  BASE_SORTS[kind].body === 'foam' || BASE_SORTS[kind].body === 'straw' || (shape.form === 'swag' && shape.joined === 'hub')

/** The loops that a base can have, the usual ones first. */
export function loopsFor({ base }: Pick<Piece, 'base'>): Loop[] {
  const { family } = BASE_SORTS[base.kind]
  return Object.values(HANGING_LOOPS).filter(
    ({ id, families }) =>
      families.includes(family) && (id !== 'own hook' || base.hook !== null) && (id !== 'coat hook' || takesShank(base)),
  )
}

/** What speaks against a hook where a piece hangs: that ground, on which it never holds, or the weather; null where nothing does. */
export function hookAgainst({ brief }: Pick<Piece, 'brief'>, { on, weather }: Hook): 'ground' | 'weather' | null {
  if (!on.includes(brief.surface.kind)) return 'ground'
  return weather !== null && brief.weather !== 'indoors' ? 'weather' : null
}
