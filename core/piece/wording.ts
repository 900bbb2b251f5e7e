import type { Role, Rule } from './schema'

/** A layer's rule in a few words, without its lengths. */
export function ruleName(kind: Rule['kind']): string {
  return RULE_NAMES[kind]
}

const RULE_NAMES: Record<Rule['kind'], string> = {
  compass: 'compass', halfway: 'halfway', every: 'every so far', cluster: 'clusters', crescent: 'crescent', single: 'single',
}

/** Why one would choose a rule. */
export const RULE_NOTES: Record<Rule['kind'], string> = {
  compass: 'So many, evenly round.',
  halfway: 'In the middle of another layer’s gaps.',
  every: 'A spacing wanted; the count follows.',
  cluster: 'Odd groups at places you choose.',
  crescent: 'From one clock position to another, thinning out.',
  single: 'One, at one place.',
}

export const ROLE_NAMES: Record<Role, string> = {
  'greenery': 'Greenery', 'focal': 'Focal', 'second greenery': 'Second greenery', 'filler': 'Filler',
  'accent': 'Accent', 'texture': 'Texture', 'bow': 'Bow', 'sign': 'Sign',
}
