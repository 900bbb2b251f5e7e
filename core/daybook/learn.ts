import type { Measured, Rated, Thumb } from '../measure'
import { clamp, rate } from '../measure'
import type { RuleReading } from './record'
import { FADES, MAKERS_DIFFER } from './rules-of-thumb'

/** Why a reading was left out. */
export type LeftOut = 'nought' | 'out of reason' | 'far from the others'

export interface JudgedReading extends RuleReading {
  readonly left: LeftOut | null
  /** How much it counts, 1 the latest. */
  readonly weight: number
}

/** What a maker's readings make of one rule of thumb. */
export interface Learned extends Measured {
  readonly thumb: Thumb
  readonly all: readonly JudgedReading[]
  /** Of the readings that count: their weighted mean, and their spread as a standard deviation. */
  readonly mean: number
  readonly spread: number
  /** How far the rate has moved from the rule of thumb to the readings, 0 to 1. */
  readonly trust: number
  readonly curve: Curve | null
}

/** A learning curve: each doubling of what was made brings the time to so much of what it was. */
export interface Curve {
  readonly first: number
  readonly ratio: number
  /** The share of the differences that it explains, 0 to 1. */
  readonly fit: number
}

/** Fences are put up from so many readings on. */
const FENCED_FROM = 5
/** No reading is far that is within so many times the middle one: with few readings fences stand close together. */
const NEAR = 1.5
/** A curve is drawn from so many readings on. */
const CURVED_FROM = 4
/** Readings of one maker differ, before they are known, by so many times as much as makers differ, squared; and that counts like so many readings. */
const WITHIN = 3
const WITHIN_COUNTS = 2

/**
 * The quantile of sorted numbers, linear between them (method 7 of Hyndman and Fan 1996, which most statistics programs use).
 * @param sorted one at least @param p 0 to 1
 * @example quantile([1, 2, 3, 4], 0.25) // 1.75
 */
export function quantile(sorted: readonly number[], p: number): number {
  const at = (sorted.length - 1) * p
  const [low, high] = [Math.floor(at), Math.ceil(at)]
  return sorted[low]! + (sorted[high]! - sorted[low]!) * (at - low)
}

/** Where readings are far from the others: beyond one and a half times the quartiles' distance (Tukey 1977). @param values one at least */
export function fences(values: readonly number[]): readonly [low: number, high: number] {
  const sorted = [...values].sort((a, b) => a - b)
  const [q1, q3] = [quantile(sorted, 0.25), quantile(sorted, 0.75)]
  return [q1 - 1.5 * (q3 - q1), q3 + 1.5 * (q3 - q1)]
}

/**
 * The line through the logarithms of number and time, by least squares: the learning curve of Wright (1936).
 * @param times in the order in which they were taken, each over 0
 * @returns null for fewer than two
 * @example learningCurve([100, 80]).ratio // 0.8
 */
export function learningCurve(times: readonly number[]): Curve | null {
  if (times.length < 2) return null
  const xs = times.map((_, i) => Math.log2(i + 1))
  const ys = times.map((t) => Math.log2(t))
  const mean = (of: readonly number[]): number => of.reduce((all, each) => all + each, 0) / of.length
  const [mx, my] = [mean(xs), mean(ys)]
  const sxy = xs.reduce((all, x, i) => all + (x - mx) * (ys[i]! - my), 0)
  const sxx = xs.reduce((all, x) => all + (x - mx) ** 2, 0)
  const syy = ys.reduce((all, y) => all + (y - my) ** 2, 0)
  const slope = sxy / sxx
  return { first: 2 ** (my - slope * mx), ratio: 2 ** slope, fit: syy > 0 ? sxy ** 2 / (sxx * syy) : 1 }
}

/**
 * What readings make of a rule of thumb. Readings of nought, out of all reason or far from the others (beyond Tukey's fences, and
 * half as much again as the middle one or less than two thirds of it) are left out; later ones
 * count more; and few move the rate little: the credibility formula of Bühlmann (1967), Z = n ÷ (n + v ÷ a), where a is how far
 * makers differ from the rule and v how far readings of one maker differ, itself begun with a guess. The range is that of 95 in a
 * hundred of the normal distribution that is left, within what makes sense.
 * @param readings in any order @returns null where none counts
 */
export function learnRate(thumb: Thumb, readings: readonly RuleReading[], by: Rated): Learned | null {
  const own = readings.filter(({ rule }) => rule === thumb.id).sort((a, b) => a.day.localeCompare(b.day))
  const leftOut = leavingOut(thumb, own)
  const reasons = own.map(leftOut)
  const kept = own.filter((_, i) => reasons[i] === null)
  if (!kept.length) return null
  const half = rate(FADES, by)
  const weights = kept.map((_, i) => 0.5 ** ((kept.length - 1 - i) / half))
  const all = weights.reduce((n, w) => n + w, 0)
  const mean = kept.reduce((n, { value }, i) => n + weights[i]! * value, 0) / all
  // How many readings of full weight they are worth (Kish 1965).
  const n = all ** 2 / weights.reduce((sum, w) => sum + w ** 2, 0)
  const squares = kept.reduce((sum, { value }, i) => sum + weights[i]! * (value - mean) ** 2, 0) / all
  const variance = n > 1 + 1e-9 ? (squares * n) / (n - 1) : 0
  // A rule that is nought usually, or a share, differs by a share of what makes sense.
  const a = (rate(MAKERS_DIFFER, by) * (Math.abs(thumb.value) || thumb.most - thumb.least)) ** 2
  const v = (WITHIN_COUNTS * WITHIN * a + (n - 1) * variance) / (WITHIN_COUNTS + n - 1)
  const trust = n / (n + v / a)
  const value = trust * mean + (1 - trust) * thumb.value
  const reach = 1.96 * Math.sqrt((1 - trust) * a)
  return {
    thumb,
    all: judged(own, reasons, weights),
    mean,
    spread: Math.sqrt(variance),
    trust,
    value,
    low: clamp(value - reach, thumb.least, thumb.most),
    high: clamp(value + reach, thumb.least, thumb.most),
    readings: kept.length,
    curve:
      thumb.unit === 'time' && kept.length >= CURVED_FROM && kept.every((each) => each.value > 0)
        ? learningCurve(kept.map((each) => each.value))
        : null,
  }
}

/** Readings with why they were left out, or how much they count. @param weights of those that count, in their order */
function judged(own: readonly RuleReading[], reasons: readonly (LeftOut | null)[], weights: readonly number[]): JudgedReading[] {
  let counted = 0
  return own.map((each, i) => ({ ...each, left: reasons[i] ?? null, weight: reasons[i] === null ? weights[counted++]! : 0 }))
}

/** Why a reading among others is left out; nothing where it counts. */
function leavingOut({ least, most }: Thumb, own: readonly RuleReading[]): (reading: RuleReading) => LeftOut | null {
  const isNought = (value: number): boolean => !Number.isFinite(value) || (value === 0 && least > 0)
  const outOfReason = (value: number): boolean => value < least || value > most
  const sane = own
    .map(({ value }) => value)
    .filter((value) => !isNought(value) && !outOfReason(value))
    .sort((a, b) => a - b)
  const [low, high] = sane.length >= FENCED_FROM ? fences(sane) : [-Infinity, Infinity]
  const middle = sane.length ? quantile(sane, 0.5) : 0
  return ({ value }) =>
    isNought(value)
      ? 'nought'
      : outOfReason(value)
        ? 'out of reason'
        : (value < low && value < middle / NEAR) || (value > high && value > middle * NEAR)
          ? 'far from the others'
          : null
}

/** All rates that readings tell something of. */
export function learnRates(readings: readonly RuleReading[], thumbs: readonly Thumb[], by: Rated): Learned[] {
  const told = new Map<string, RuleReading[]>()
  for (const reading of readings) {
    const known = told.get(reading.rule)
    if (known) known.push(reading)
    else told.set(reading.rule, [reading])
  }
  return thumbs.flatMap((thumb) => {
    const own = told.get(thumb.id)
    const learned = own && learnRate(thumb, own, by)
    return learned ? [learned] : []
  })
}

/** Rates as figures go by them. @param usual rules that are to stay as usual, by their ids */
export const measuredRates = (learned: readonly Learned[], usual: readonly string[]): Readonly<Record<string, Measured>> =>
  Object.fromEntries(
    learned
      .filter(({ thumb }) => !usual.includes(thumb.id))
      .map(({ thumb, value, low, high, readings }) => [thumb.id, { value, low, high, readings }]),
  )
