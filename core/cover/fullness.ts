/** What each fullness asks of the face: shares covered once and twice, rule of thumb. */
export const FULLNESS_ASKS = {
  sparse: { once: 0, twice: 0 },
  full: { once: 0.95, twice: 0 },
  lush: { once: 0.98, twice: 0.85 },
} as const
