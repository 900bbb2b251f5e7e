/**
 * What each fullness asks of the face: shares covered once and twice. Rules of thumb, set by looking at rings of cedar,
 * eucalyptus and fern between 60 and 99 %: at 85 % the base still shows along its edges, from 90 % on one no longer sees it.
 */
export const FULLNESS_ASKS = {
  sparse: { once: 0, twice: 0 },
  full: { once: 0.9, twice: 0 },
  lush: { once: 0.97, twice: 0.75 },
} as const
