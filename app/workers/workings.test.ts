import { beforeEach, expect, it, vi } from 'vitest'
import { pieceWith, plainPricing } from '#core/testing'
import type { OnBench } from '#core/workroom'
import { deltaOf, withDelta } from '#core/measure'
import type { Delta } from '#core/measure'
import { askNewestFirst } from './workings'

/** A worker of our own that answers when the test says so. */
const asked: { name: string; answer: (workings: OnBench) => void; fail: (error: unknown) => void }[] = []
let shelves = 0
let piece: unknown = null
let last: OnBench | null = null
vi.mock('./bridge', () => ({
  bridgeTo: () => {
    const api = {
      setPricing: () => {
        shelves += 1
      },
      follow: (change: Delta) =>
        new Promise<Delta>((resolve, reject) => {
          piece = withDelta(piece, structuredClone(change))
          const answer = (workings: OnBench): void => {
            resolve(structuredClone(deltaOf(last, workings)))
            last = workings
          }
          asked.push({ name: (piece as { brief: { name: string } }).brief.name, answer, fail: reject })
        }),
    }
    return { ask: (question: (of: typeof api) => unknown) => question(api) }
  },
}))

const pricing = plainPricing()
const named = (name: string) => pieceWith([], { brief: { name } })
const answerTo = (name: string) => ({ name, same: [{ all: 'along' }] }) as unknown as OnBench
beforeEach(() => {
  asked.length = 0
})

it('asks the newest of what came in while the worker was busy, and shows every answer', async () => {
  const answers: OnBench[] = []
  const ask = askNewestFirst(
    (workings, of) => answers.push({ ...workings, of: of.brief.name } as unknown as OnBench),
    () => {},
  )
  for (const name of ['one', 'two', 'three']) ask(named(name), pricing)
  await vi.waitFor(() => expect(asked.map(({ name }) => name)).toEqual(['one']))
  asked[0]!.answer(answerTo('one'))
  await vi.waitFor(() => expect(asked.map(({ name }) => name)).toEqual(['one', 'three']))
  asked[1]!.answer(answerTo('three'))
  await vi.waitFor(() =>
    expect(answers).toMatchObject([
      { name: 'one', of: 'one' },
      { name: 'three', of: 'three' },
    ]),
  )
  expect((answers[0] as unknown as { same: object }).same).toBe((answers[1] as unknown as { same: object }).same)
  expect(shelves).toBe(1)
})

it('reports a failure and goes on with the next question', async () => {
  const answers: unknown[] = []
  const faults: unknown[] = []
  const busy: boolean[] = []
  const ask = askNewestFirst(
    (workings) => answers.push(workings),
    (error) => faults.push(error),
    (is) => busy.push(is),
  )
  ask(named('bad'), pricing)
  await vi.waitFor(() => expect(asked).toHaveLength(1))
  asked[0]!.fail('broken')
  await vi.waitFor(() => expect(faults).toEqual(['broken']))
  ask(named('good'), pricing)
  await vi.waitFor(() => expect(asked).toHaveLength(2))
  asked[1]!.answer(answerTo('good'))
  await vi.waitFor(() => expect(answers).toEqual([answerTo('good')]))
  await vi.waitFor(() => expect(busy).toEqual([true, false, true, false]))
})
