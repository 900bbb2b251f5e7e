import { describe, expect, it } from 'vitest'
import { COVERAGE_WORDS } from '../../core/coverage'
import { HANGING_WORDS } from '../../core/hanging'
import type { Message, WordTable } from '../../core/measure'
import { inWords, say } from '../../core/measure'
import type { Mend, Problem } from '../../core/piece'
import { PLACEMENT_WORDS } from '../../core/placement'
import { layerOf, pieceWith, shelf } from '../../core/testing'
import { work } from '../../core/workings'
import { anyPiece, worked } from './pieces'
import { hold } from './workrooms'

/** The rooms that keep their words apart, and by which ids of problems they are known. */
const ROOMS: Readonly<Record<string, { readonly words: object; readonly ids: RegExp }>> = {
  hanging: { words: HANGING_WORDS, ids: /^(hanger|door$|route$|weather$)|:(hole|load|large|small)(:|$)/ },
  coverage: { words: COVERAGE_WORDS, ids: /^(bare:|thin$|not lush$|join$|balance$|colour:|lost$)/ },
  placement: { words: PLACEMENT_WORDS, ids: /^clash:|:(no run|no reference|odd)$|:(unknown|short|unpaired):/ },
}
const manner = { units: 'in', currency: 'USD' } as const
const told = (problems: readonly Problem[]): (Problem | Mend)[] => problems.flatMap((problem) => [problem, ...problem.mends])
const roomOf = (code: string): string => code.slice(0, code.indexOf('.'))
const again = ({ code, of }: Pick<Message, 'code' | 'of'>): string =>
  say(inWords({ code, of }, ROOMS[roomOf(code)]!.words as WordTable<Record<string, object>>), manner)

/** Working a piece out takes its time: fewer are asked. */
const SOME = 0.2

describe('messages of the rooms that keep their words apart', () => {
  it('are the words of their code and parameters, also when they have crossed from a worker; none is in words alone', () =>
    hold(
      anyPiece,
      (piece) => {
        const { problems } = worked(piece)
        for (const { code, of, says } of structuredClone(told(problems)))
          if (code && of) expect(again({ code, of })).toBe(say(says, manner))
        for (const problem of problems)
          for (const [room, { ids }] of Object.entries(ROOMS))
            if (ids.test(problem.id))
              for (const { code } of [problem, ...problem.mends]) expect(code?.startsWith(`${room}.`), problem.id).toBe(true)
      },
      SOME,
      0,
    ))
  it('are told by their code: what the shelf lacks, what shows, what is heavy and what would answer it', () => {
    const lonely = pieceWith([
      layerOf('a', 'rose', { kind: 'crescent', from: 0.05, to: 0.3, count: 5, dense: 'middle', thin: 0.5 }),
      { ...layerOf('b', 'bay', { kind: 'compass', count: 4, start: 0 }), mix: [{ material: 'nothing-such', share: 1, only: null }] },
    ])
    const codes = told(work(lonely, shelf).problems).flatMap(({ code }) => code ?? [])
    for (const code of ['placement.unknown-material', 'placement.choose-another-material', 'coverage.bare-from-to', 'coverage.heavy'])
      expect(codes).toContain(code)
  })
})
