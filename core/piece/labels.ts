import type { Role } from './schema-primitives'

export const ROLE_NAMES: Record<Role, string> = {
  greenery: 'Greenery',
  focal: 'Focal',
  'second greenery': 'Second greenery',
  filler: 'Filler',
  accent: 'Accent',
  texture: 'Texture',
  bow: 'Bow',
  sign: 'Sign',
}

export const BALANCE_NAMES = { even: 'Even all round', mirrored: 'Mirrored left and right', offset: 'Offset on purpose' } as const
