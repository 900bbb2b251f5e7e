/** The wire that bundles, boughs and sprays are bound with. */
export const BINDING = 'paddle-wire'
