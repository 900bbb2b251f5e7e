import { thumb } from '../measure'

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
