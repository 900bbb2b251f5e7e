import { inches, thumb } from '../measure'

/** What makers go by in choosing how large a piece is and where it hangs. */
export const DOOR_SHARE = thumb(
  'piece.door-share',
  'A piece takes of a door’s width at most',
  'share',
  2 / 3,
  [0.2, 1],
  'Wider, and it crowds the door and catches on the frame.',
)
export const EYE_LEVEL = thumb(
  'piece.eye-level',
  'A piece hangs up a door at',
  'share',
  0.7,
  [0.4, 0.95],
  'About eye level: its middle is looked at, not up to.',
)
export const BUNDLE_ADVANCE = thumb(
  'piece.bundle-advance',
  'From one bundle to the next is begun with',
  'length',
  inches(3),
  [inches(0.5), inches(12)],
  'Half to a third of a bundle shows; the rest lies under the one before.',
)
export const BOUGH_YIELDS = thumb(
  'piece.bough-yields',
  'A large bough makes garland of',
  'length',
  inches(40),
  [inches(6), inches(200)],
  'Five boughs do one interior door.',
)
