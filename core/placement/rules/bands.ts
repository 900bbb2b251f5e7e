import type { Run } from '../../base'
import { wholesIn, sum } from '../../measure'
import type { RuleOf } from '../../piece'
import { MOST_PLACES } from '../../piece'
import { evenly, middles } from '../points'
import type { Slot } from '../slot'
import { slot } from '../slot'
import type { Arranging } from './arranging'

/** Where the rows of a banded layer lie, in half widths of the face. */
const ROWS = { outer: 0.8, between: 0, inner: -0.8 } as const

/** The length of the line at `t` across the face, mm: on a ring π times its diameter there. */
const lineAt = (run: Run, t: number): number => run.length + (run.rim - run.length) * t

/** How many lie side by side on a row of a banded layer: `⌊its line ÷ width⌋`. */
const sideBySide = (run: Run, name: keyof typeof ROWS, width: number | undefined): number =>
  width === undefined ? 0 : wholesIn(lineAt(run, ROWS[name]), width)

/** The most that a row of a banded layer asks for, when it is as many as go round. */
const mostInBand = (run: Run, rule: RuleOf<'bands'>, widths: readonly number[]): number =>
  Math.max(
    0,
    ...(['outer', 'between', 'inner'] as const).map((name, i) =>
      rule[name] === null ? sideBySide(run, name, widths[Math.min(i, widths.length - 1)]) : 0,
    ),
  )

function bands(run: Run, rule: RuleOf<'bands'>, mixWidths: readonly number[]): Slot[] {
  const kindOf = (i: number): number => Math.min(i, mixWidths.length - 1)
  const row = (name: 'outer' | 'between' | 'inner', material: number): Slot[] => {
    const asked = rule[name]
    const n = asked ?? Math.min(MOST_PLACES, sideBySide(run, name, mixWidths[kindOf(material)]))
    // Rows stand half a step off each other, as bricks do.
    return evenly(run, n, name === 'between' ? 0.5 / Math.max(1, n) : 0).map((s, i) =>
      slot(run, `${name}.${i}`, s, { across: ROWS[name], material: kindOf(material) }),
    )
  }
  const between = row('between', 1)
  const gaps = rule.gaps
    ? middles(
        run,
        between.map(({ s }) => s),
      ).map((s, i) => slot(run, `gap.${i}`, s, { across: i % 2 ? 0.4 : -0.4, material: kindOf(3) }))
    : []
  return [...row('outer', 0), ...between, ...row('inner', 2), ...gaps]
}

export const BANDS_PLACEMENT: Arranging<RuleOf<'bands'>> = {
  slots: (rule, { run, mix }) =>
    bands(
      run,
      rule,
      mix.map(({ width }) => width),
    ),
  withCount(rule, n) {
    const [outer, inner] = [Math.round(n * 0.4), Math.round(n * 0.25)]
    return { rule: { ...rule, outer, between: n - outer - inner, inner, gaps: false }, takes: n }
  },
  says: ({ gaps }) => [sum`In rows: outer rim, between, inner rim${gaps ? ', and one in every gap of the middle row' : ''}.`],
  asks: (rule, { run, mix }) => ({
    count: mostInBand(
      run,
      rule,
      mix.map(({ width }) => width),
    ),
    mend: sum`Say how many to a row`,
    fewer: null,
  }),
  rows: true,
}
