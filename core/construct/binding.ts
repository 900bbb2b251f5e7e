import { inches } from '../measure'

/** The wire that bundles, boughs and sprays are bound with. */
export const BINDING = 'paddle-wire'
/** Wire left at each end to tie off: rule of thumb. */
export const TAIL = inches(4)
