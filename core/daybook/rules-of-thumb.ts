import { thumb } from '../measure'

/** What goes before in learning from what really happened. */
export const MAKERS_DIFFER = thumb(
  'daybook.makers-differ',
  'Makers differ from a rule of thumb, either way, by',
  'share',
  0.3,
  [0.05, 1],
  'How far off a rule may well be for you, before you measured anything.',
)
export const FADES = thumb(
  'daybook.fades',
  'A reading counts half as much after so many later ones',
  'count',
  8,
  [1, 200],
  'Hands get better: what was last weighs more.',
)
