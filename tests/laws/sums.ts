import type { Figure, DisplayOptions, SumPart } from '../../core/measure'
import { say, showExact } from '../../core/measure'

/**
 * A printed sum, worked again by what is printed: numbers with their units, signs and brackets. Words between them are names, not
 * sums: where numbers stand beside each other with no sign between, there is nothing to work.
 */
interface Span {
  readonly low: number
  readonly high: number
}

const UNITS: Readonly<Record<string, number>> = {
  in: 25.4,
  ft: 304.8,
  yd: 914.4,
  mm: 1,
  cm: 10,
  m: 1000,
  g: 1,
  oz: 28.349523125,
  kg: 1000,
  lb: 453.59237,
}

/** A number as it is printed may be off by half of its last place. */
function read(text: string, scale: number): Span {
  const value = Number(text.replaceAll(',', '')) * scale
  const places = /\.(\d+)/.exec(text)?.[1]?.length ?? 0
  const half = Number.isInteger(Number(text)) && places === 0 ? 0 : 0.5 * 10 ** -places * Math.abs(scale)
  return { low: value - half, high: value + half }
}

type Token = Span | '+' | '−' | '×' | '÷' | '(' | ')' | '⌈' | '⌉' | '⌊' | '⌋' | '√' | '²'

/** Tokens of one side of a sum; null where it is words, or numbers that no sign joins. */
function tokensOf(parts: readonly SumPart[], manner: DisplayOptions): Token[] | null {
  const found: Token[] = []
  for (const part of parts) {
    if (typeof part !== 'string') {
      const said = showExact(part, manner)
      const span = spanOf(part.value, part.unit, said)
      if (!span) return null
      found.push(span)
      continue
    }
    const piece = /(\d[\d,]*(?:\.\d+)?)(?:\s*(in|ft|yd|mm|cm|m|g|oz|kg|lb)\b)?|π|[+−×÷()⌈⌉⌊⌋√²]|½|¼|¾/gu
    // Money an hour, by minutes.
    const worded = part.replace(' an hour', ' ÷ 60')
    for (const [text, number, unit] of worded.matchAll(piece)) {
      if (number !== undefined) found.push(read(number, unit ? UNITS[unit]! : 1))
      else if (text === 'π') found.push({ low: Math.PI, high: Math.PI })
      else if (text === '½' || text === '¼' || text === '¾') return null
      else found.push(text as Token)
    }
  }
  return found
}

/** What a quantity may be, by how it is printed. */
function spanOf(value: number, unit: string, said: string): Span | null {
  const shown = /-?\d[\d,]*(?:\.(\d+))?/.exec(said)
  if (!shown) return null
  const places = shown[1]?.length ?? 0
  const scale =
    unit === 'length'
      ? / ft/.test(said)
        ? 304.8
        : / yd/.test(said)
          ? 914.4
          : / in/.test(said)
            ? 25.4
            : / m\b/.test(said)
              ? 1000
              : / cm/.test(said)
                ? 10
                : 1
      : unit === 'mass'
        ? /oz/.test(said)
          ? 28.349523125
          : 1
        : unit === 'money'
          ? 1
          : unit === 'share' || unit === 'rate'
            ? 0.01
            : unit === 'time'
              ? / s$/.test(said)
                ? 1 / 60
                : 1
              : 1
  const half = unit === 'money' || unit === 'count' ? 0 : 0.5 * 10 ** -(unit === 'time' && / h /.test(said) ? 1 : places) * scale
  // Longer lengths are printed with two places of a foot or a yard.
  return { low: value - half - 1e-9, high: value + half + 1e-9 }
}

/** Works tokens by precedence; null where they are no expression. */
function work(tokens: readonly Token[]): Span | null {
  let at = 0
  const isSpan = (token: Token | undefined): token is Span => typeof token === 'object'
  const ends = (of: (a: number, b: number) => number, a: Span, b: Span): Span => {
    const all = [of(a.low, b.low), of(a.low, b.high), of(a.high, b.low), of(a.high, b.high)]
    return { low: Math.min(...all), high: Math.max(...all) }
  }
  const CLOSES: Readonly<Record<string, string>> = { '(': ')', '⌈': '⌉', '⌊': '⌋' }
  const atom = (): Span | null => {
    const token = tokens[at]
    if (token === '√') {
      at += 1
      const of = atom()
      return of && { low: Math.sqrt(Math.max(0, of.low)), high: Math.sqrt(Math.max(0, of.high)) }
    }
    let value: Span | null = null
    if (isSpan(token)) {
      at += 1
      value = token
    } else if (typeof token === 'string' && token in CLOSES) {
      at += 1
      const of = sum()
      if (!of || tokens[at] !== CLOSES[token]) return null
      at += 1
      const step =
        token === '⌈' ? (n: number) => Math.ceil(n - 1e-6) : token === '⌊' ? (n: number) => Math.floor(n + 1e-6) : (n: number) => n
      value = { low: step(of.low), high: step(of.high) }
    }
    if (value && tokens[at] === '²') {
      at += 1
      value = ends((a, b) => a * b, value, value)
    }
    return value
  }
  const product = (): Span | null => {
    let value = atom()
    while (value && (tokens[at] === '×' || tokens[at] === '÷')) {
      const by = tokens[at] === '×'
      at += 1
      const next = atom()
      value = next && ends(by ? (a, b) => a * b : (a, b) => a / b, value, next)
    }
    return value
  }
  const sum = (): Span | null => {
    let value = product()
    while (value && (tokens[at] === '+' || tokens[at] === '−')) {
      const more = tokens[at] === '+'
      at += 1
      const next = product()
      value =
        next &&
        (more ? { low: value.low + next.low, high: value.high + next.high } : { low: value.low - next.high, high: value.high - next.low })
    }
    return value
  }
  const value = sum()
  return at === tokens.length ? value : null
}

/** What is wrong with a printed sum; null where it comes true, undefined where nothing is to be worked. */
export function untrue(figure: Figure, manner: DisplayOptions): string | null | undefined {
  const cut = figure.sum.findLastIndex((part) => typeof part === 'string' && part.includes(' = '))
  if (cut < 0) return undefined
  const text = figure.sum[cut] as string
  const place = text.lastIndexOf(' = ')
  const left: SumPart[] = [...figure.sum.slice(0, cut), text.slice(0, place)]
  // Only what a reader would take for a sum: with words that say how, such as “rounded up” or “the fewest”, it is told and not worked.
  const words = figure.sum.map((part) => (typeof part === 'string' ? part : '')).join('')
  if (/rounded|fewest|cheapest|together from|gaps|each side|in all|apart from|by largest/.test(words)) return undefined
  const tokens = tokensOf(left, manner)
  if (!tokens || tokens.length < 2) return undefined
  const worked = work(tokens)
  if (!worked) return undefined
  const result = spanOf(figure.value, figure.unit, showExact(figure, manner))
  if (!result) return undefined
  const slack = 1e-6 + (figure.unit === 'money' ? 0.5 : figure.unit === 'count' ? 1e-6 : 0)
  const said = `${say(figure.sum, manner)} [${worked.low}–${worked.high} against ${result.low}–${result.high}]`
  return worked.high + slack < result.low || worked.low - slack > result.high ? said : null
}

const isFigure = (value: object): value is Figure => 'sum' in value && 'basis' in value && 'unit' in value

/** All figures within a value, wherever they stand. */
export function figuresIn(value: unknown, found: Figure[] = []): Figure[] {
  if (typeof value !== 'object' || value === null) return found
  if (isFigure(value)) found.push(value)
  else for (const [name, each] of Object.entries(value)) if (name !== 'placements' && name !== 'scene') figuresIn(each, found)
  return found
}
