import type { Basis, Figure, Quantity, RuleUsed, Said, SumPart, Unit } from './figure'
import { COUNTED, GEOMETRY } from './figure'
import type { Rated, Thumb } from './rule-of-thumb'
import { ruleUsed } from './rule-of-thumb'
import { wholesIn, wholesOver } from './tolerance'

/**
 * A number while it is worked out: its value and range, how it is said, and what it rests on, all by one expression.
 * @example worked(times(the`${count(12)} ties`, PI, mm(25))) // 942 mm, "12 ties × π × 0.98 in = 37.11 in", geometry
 */
export interface Term extends Quantity {
  readonly low: number
  readonly high: number
  readonly said: Said
  /** How tightly what is said holds together: a sum within a product is put in brackets. */
  readonly binds: 'sum' | 'product' | 'whole'
  readonly basis: Basis
  readonly rules: readonly RuleUsed[]
  /** Whether anything was worked out: what is just given is said without a result. */
  readonly worked: boolean
}

/** What is trusted least comes last: what is counted is certain, what was measured has its spread. */
const TRUST: readonly Basis['kind'][] = ['counted', 'geometry', 'measured', 'published', 'rule of thumb']
const weakest = (terms: readonly Term[]): Basis =>
  terms.reduce<Basis>((basis, each) => (TRUST.indexOf(each.basis.kind) > TRUST.indexOf(basis.kind) ? each.basis : basis), terms[0]!.basis)

/** A number that is given. */
export const given = (of: Quantity, basis: Basis = of.unit === 'count' ? COUNTED : GEOMETRY): Term => ({
  value: of.value,
  unit: of.unit,
  low: of.value,
  high: of.value,
  said: [{ value: of.value, unit: of.unit }],
  binds: 'whole',
  basis,
  rules: [],
  worked: false,
})

export const mm = (length: number): Term => given({ value: length, unit: 'length' })
export const count = (n: number): Term => given({ value: n, unit: 'count' })
export const ratio = (n: number): Term => given({ value: n, unit: 'ratio' })
export const PI: Term = { ...ratio(Math.PI), said: ['π'], basis: COUNTED }

/** What a rule of thumb says: what its maker set, what they measured with its range, or what is usual. */
export function byRule(of: Thumb, by: Rated): Term {
  const used = ruleUsed(of, by)
  const { measured } = used
  return measured
    ? { ...given(used, { kind: 'measured' }), low: measured.low, high: measured.high, rules: [used] }
    : { ...given(used, { kind: 'rule of thumb' }), rules: [used] }
}

/** A number that was told, to be worked with further: its own sum is not said again. */
export const ofFigure = ({ value, unit, basis, range, rules }: Figure): Term => ({
  ...given({ value, unit }, basis),
  low: range?.[0] ?? value,
  high: range?.[1] ?? value,
  rules: rules ?? [],
})

/** A term with words about it: the`tails of ${mm(102)}`. */
export function labelled(words: TemplateStringsArray, term: Term): Term {
  const said: SumPart[] = [words[0]!, ...bracketed(term, 'product'), words[1]!].filter((part) => part !== '')
  return { ...term, said, binds: 'whole' }
}

/** A term said otherwise than by how it was worked out. */
export const saidAs = (term: Term, said: Said): Term => ({ ...term, said, binds: 'whole', worked: true })

/** A number by its name: "base $6.49". */
export const named = (name: string, of: Quantity, basis?: Basis): Term => saidAs(given(of, basis), [`${name} `, of])

const HOLDS = { sum: 0, product: 1, whole: 2 } as const
const bracketed = (term: Term, within: Term['binds']): Said => (HOLDS[term.binds] < HOLDS[within] ? ['(', ...term.said, ')'] : term.said)
const joined = (terms: readonly Term[], sign: string, within: Term['binds']): Said =>
  terms.flatMap((term, i) => [...(i ? [sign] : []), ...bracketed(term, within)])

function made(
  parts: readonly Term[],
  unit: Unit,
  [value, low, high]: readonly [number, number, number],
  said: Said,
  binds: Term['binds'],
): Term {
  const rules = parts.flatMap((each) => each.rules)
  return {
    value,
    low,
    high,
    unit,
    said,
    binds,
    basis: weakest(parts),
    rules: rules.filter(({ id }, i) => rules.findIndex((each) => each.id === id) === i),
    worked: true,
  }
}

/** The unit of a product: that of what is measured among counts and ratios. */
const unitOf = (terms: readonly Term[]): Unit =>
  terms.find(({ unit }) => unit !== 'count' && unit !== 'ratio' && unit !== 'share')?.unit ??
  (terms.every(({ unit }) => unit === 'count') ? 'count' : 'ratio')

/** What adds nothing is not said. */
export function plus(...terms: readonly [Term, ...Term[]]): Term {
  const spoken = terms.filter(({ value, high }) => value !== 0 || high !== 0)
  const sum = (of: 'value' | 'low' | 'high'): number => terms.reduce((all, each) => all + each[of], 0)
  if (spoken.length < 2) return spoken[0] ?? terms[0]
  return made(spoken, terms[0].unit, [sum('value'), sum('low'), sum('high')], joined(spoken, ' + ', 'sum'), 'sum')
}

/** A sum of as many terms as there are. */
export const plusAll = (terms: readonly Term[], none: Term): Term => (terms.length ? plus(terms[0]!, ...terms.slice(1)) : none)

export function minus(from: Term, by: Term): Term {
  if (by.value === 0 && by.high === 0) return from
  return made(
    [from, by],
    from.unit,
    [from.value - by.value, from.low - by.high, from.high - by.low],
    [...from.said, ' − ', ...bracketed(by, 'product')],
    'sum',
  )
}

/** @param terms none below nothing where it is a range */
export function times(...terms: readonly [Term, ...Term[]]): Term {
  const product = (of: 'value' | 'low' | 'high'): number => terms.reduce((all, each) => all * each[of], 1)
  return made(terms, unitOf(terms), [product('value'), product('low'), product('high')], joined(terms, ' × ', 'product'), 'product')
}

/** @param by over nothing */
export function divide(term: Term, by: Term): Term {
  const unit = term.unit === by.unit ? 'ratio' : term.unit
  return made(
    [term, by],
    unit,
    [term.value / by.value, term.low / by.high, term.high / by.low],
    [...bracketed(term, 'product'), ' ÷ ', ...bracketed(by, 'whole')],
    'product',
  )
}

const stepped = (term: Term, step: (n: number) => number, [open, close]: readonly [string, string]): Term =>
  made([term], 'count', [step(term.value), step(term.low), step(term.high)], [open, ...term.said, close], 'whole')

/** The whole ones in it, from 0; a number that is a hair short of whole is whole. */
export const floor = (term: Term): Term => stepped(term, (n) => wholesIn(n, 1), ['⌊', '⌋'])
/** The whole ones that reach over it, from 0. */
export const ceil = (term: Term): Term => stepped(term, (n) => wholesOver(n, 1), ['⌈', '⌉'])

/** The same number, counted in another unit: a ratio as a share. */
export const asUnit = (unit: Unit, term: Term): Term => ({ ...term, unit })

/** A number as it is told: with its sum, its range, and the rules of thumb that it went by. @param more said after the result */
export function worked(term: Term, more: Said = []): Figure {
  const { value, unit, low, high, basis, rules } = term
  return {
    value,
    unit,
    sum: [...term.said, ...(term.worked ? [' = ', { value, unit }] : []), ...more],
    basis,
    ...(low < high ? { range: [low, high] as const } : {}),
    ...(rules.length ? { rules } : {}),
  }
}
