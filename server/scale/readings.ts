import { random } from '../../core/measure'

/** How a simulated scale misbehaves, to see that the app minds. */
export const SCALE_FAULTS = ['none', 'stops', 'rubbish'] as const
export type ScaleFault = (typeof SCALE_FAULTS)[number]

/** How many readings it gives before it switches itself off, and how many when it stops in the middle. */
export const READINGS = 150
const STOPS_AFTER = 5
/** Drift of a cheap load cell as it warms, g a reading; noise about that, g. */
const DRIFT = 0.004
const NOISE = 0.4

/**
 * What the scale sends, reading by reading: what lies on it, creeping up as it is put down, with drift and noise.
 * @param grams lying on it @param seed tells one weighing from another
 */
export function* readings(grams: number, seed: number, fault: ScaleFault): Generator<string> {
  const noise = random(seed)
  for (let n = 0; n < READINGS; n++) {
    if (fault === 'stops' && n === STOPS_AFTER) return
    if (fault === 'rubbish' && n % 3 === 2) {
      yield n % 2 ? '{"n":"x","grams":null}' : '\u0000~~ 12;;'
      continue
    }
    const lying = grams * Math.min(1, (n + 1) / 4)
    yield JSON.stringify({ n, grams: Math.round((lying + n * DRIFT + noise.spread(NOISE)) * 10) / 10 })
  }
}
