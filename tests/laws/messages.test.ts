import { describe, expect, it } from 'vitest'
import { CONSTRUCTION_WORDS } from '../../core/constructions'
import { COVERAGE_WORDS } from '../../core/coverage'
import { FIXING_WORDS } from '../../core/fixing'
import { HANGING_WORDS } from '../../core/hanging'
import type { Message, WordTable } from '../../core/measure'
import { inWords, say } from '../../core/measure'
import type { Mend, Problem } from '../../core/piece'
import { PLACEMENT_WORDS } from '../../core/placement'
import { PRICE_WORDS } from '../../core/price'
import { planSeasonSoon, SEASON_WORDS } from '../../core/season'
import { TASK_WORDS } from '../../core/tasks'
import { benchOf, layerOf, pieceWith, shelf } from '../../core/testing'
import { work } from '../../core/workings'
import { anyPiece, worked } from './pieces'
import { anySeason } from './seasons'
import { hold } from './workrooms'

/** All words that rooms have, by the room. */
const ROOMS: Readonly<Record<string, object>> = {
  constructions: CONSTRUCTION_WORDS,
  coverage: COVERAGE_WORDS,
  fixing: FIXING_WORDS,
  hanging: HANGING_WORDS,
  placement: PLACEMENT_WORDS,
  price: PRICE_WORDS,
  season: SEASON_WORDS,
  tasks: TASK_WORDS,
}
const manner = { units: 'in', currency: 'USD' } as const
const told = (problems: readonly Problem[]): (Problem | Mend)[] => problems.flatMap((problem) => [problem, ...problem.mends])

/** A message is the words of its code and of what it is of, also when it has crossed from a worker. */
function expectInWords(messages: readonly Message[]): void {
  for (const { code, of, says } of structuredClone(messages)) {
    const words = ROOMS[code.slice(0, code.indexOf('.'))] as WordTable<Record<string, object>>
    expect(say(inWords({ code, of }, words), manner)).toBe(say(says, manner))
  }
}

/** Working a piece out takes its time: fewer are asked. */
const SOME = 0.2

describe('what is told', () => {
  it('of a piece, and what would mend it, is its code and what it is of', () =>
    hold(anyPiece, (piece) => expectInWords(told(benchOf(piece).problems)), SOME, 0))
  it('of its tasks, what they are called and why one waits for another, is its code and what it is of', () =>
    hold(
      anyPiece,
      (piece) => expectInWords(worked(piece).tasks.flatMap(({ named, after }) => [named, ...after.map(({ why }) => why)])),
      SOME,
      0,
    ))
  it('of a season is its code and what it is of', () => hold(anySeason, (job) => expectInWords(planSeasonSoon(job).problems)))
  it('is told by its code: what the shelf lacks, what shows, what is heavy and what would answer it', () => {
    const lonely = pieceWith([
      layerOf('a', 'rose', { kind: 'crescent', from: 0.05, to: 0.3, count: 5, dense: 'middle', thin: 0.5 }),
      { ...layerOf('b', 'bay', { kind: 'compass', count: 4, start: 0 }), mix: [{ material: 'nothing-such', share: 1, only: null }] },
    ])
    const codes = told(work(lonely, shelf).problems).map(({ code }) => code)
    for (const code of ['placement.unknown-material', 'placement.choose-another-material', 'coverage.bare-from-to', 'coverage.heavy'])
      expect(codes).toContain(code)
  })
})
