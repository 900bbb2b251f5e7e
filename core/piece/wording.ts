import type { Build, Ends, Gather, Role, Rule } from './schema'

/** A layer's rule in a few words, without its lengths. */
export function ruleName(kind: Rule['kind']): string {
  return RULE_NAMES[kind]
}

const RULE_NAMES: Record<Rule['kind'], string> = {
  compass: 'compass', halfway: 'halfway', every: 'every so far', against: 'N against M', cluster: 'clusters', crescent: 'crescent',
  mirror: 'mirror from a seat', bands: 'bands', arms: 'arms', scatter: 'scatter', bundles: 'bundles', boughs: 'bough garland', spray: 'bound spray', wound: 'wound round', laid: 'laid in laps', mesh: 'gathers in ties', poofs: 'poofs from tie to tie', beads: 'threaded', bow: 'made of ribbon', single: 'single', hand: 'by hand',
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
  spray: 'Stems in pairs, crossed and bound once, made apart.',
  wound: 'Turn after turn round the base.',
  laid: 'Along the base, once round or several times.',
  mesh: 'Ruffles, petals and clusters, one in each tie.',
  poofs: 'A strip caught at every tie and pushed up between.',
  beads: 'Bead by bead on wire along the run.',
  bow: 'A bow by its numbers, of one ribbon or several.',
  single: 'One, at one place.',
  hand: 'Only what you put on yourself.',
}

export const ROLE_NAMES: Record<Role, string> = {
  'greenery': 'Greenery', 'focal': 'Focal', 'second greenery': 'Second greenery', 'filler': 'Filler',
  'accent': 'Accent', 'texture': 'Texture', 'bow': 'Bow', 'sign': 'Sign',
}

export const BALANCE_NAMES = { even: 'Even all round', mirrored: 'Mirrored left and right', offset: 'Offset on purpose' } as const

export const BUILD_NAMES: Record<Build, string> = { hand: 'By hand or on a jig', strips: 'Pinched strips, stacked', rag: 'Strips looped in a jig', coil: 'Wound coil', flat: 'Flat rounds with a strip', folded: 'One loop each side, folded tails', tails: 'Loose tails', 'fill-ins': 'Folded lengths, tucked beside' }
export const END_NAMES: Record<Ends, string> = { v: 'V cut', slant: 'Slant', straight: 'Straight, tucked', hem: 'Hemmed' }
export const GATHER_NAMES: Record<Gather, string> = { ruffle: 'Ruffle', petal: 'Petal', cluster: 'Cluster, a petal of each colour' }
