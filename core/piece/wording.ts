import type { Role, Rule } from './schema'

/** A layer's rule in a few words, without its lengths. */
export function ruleName(kind: Rule['kind']): string {
  return RULE_NAMES[kind]
}

const RULE_NAMES: Record<Rule['kind'], string> = {
  compass: 'compass', halfway: 'halfway', every: 'every so far', against: 'N against M', cluster: 'clusters', crescent: 'crescent',
  mirror: 'mirror from a seat', bands: 'bands', arms: 'arms', scatter: 'scatter', bundles: 'bundles', boughs: 'bough garland', single: 'single', hand: 'by hand',
}

/** Why one would choose a rule. */
export const RULE_NOTES: Record<Rule['kind'], string> = {
  compass: 'So many, evenly round.',
  halfway: 'In the middle of another layer’s gaps.',
  every: 'A spacing wanted; the count follows.',
  cluster: 'Odd groups at places you choose.',
  crescent: 'From one clock position to another, thinning out.',
  against: 'So many among another layer’s points, as far from them as can be.',
  mirror: 'A gap kept for the bow, then the same up each side.',
  bands: 'Rows on the outer rim, between, and on the inner rim.',
  arms: 'Left and right in turn, from the middle out.',
  scatter: 'Spread without clumps, into the thinnest places first.',
  bundles: 'Sprigs bound on by the bundle, each over the stems of the last.',
  boughs: 'Pieces of bough bound end over end.',
  single: 'One, at one place.',
  hand: 'Only what you put on yourself.',
}

export const ROLE_NAMES: Record<Role, string> = {
  'greenery': 'Greenery', 'focal': 'Focal', 'second greenery': 'Second greenery', 'filler': 'Filler',
  'accent': 'Accent', 'texture': 'Texture', 'bow': 'Bow', 'sign': 'Sign',
}

export const BALANCE_NAMES = { even: 'Even all round', mirrored: 'Mirrored left and right', offset: 'Offset on purpose' } as const
