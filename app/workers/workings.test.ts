import { beforeEach, expect, it, vi } from 'vitest'
import { pieceWith, shelf } from '#core/testing'
import type { Workings } from '#core/workings'
import { latestOnly } from './workings'

const asked: { name: string, answer: (workings: Workings) => void, fail: (error: unknown) => void }[] = []
vi.mock('comlink', () => ({
  wrap: () => ({ work: (piece: { brief: { name: string } }) => new Promise((answer, fail) => { asked.push({ name: piece.brief.name, answer, fail }) }) }),
}))
vi.stubGlobal('Worker', vi.fn(function Worker() {}))

const named = (name: string) => pieceWith([], { brief: { name } })
const answerTo = (name: string) => ({ name }) as unknown as Workings
beforeEach(() => { asked.length = 0 })

it('asks the newest of what came in while the worker was busy, and drops the old answer', async () => {
  const answers: unknown[] = []
  const ask = latestOnly((workings) => answers.push(workings), () => {})
  for (const name of ['one', 'two', 'three']) ask(named(name), shelf)
  expect(asked.map(({ name }) => name)).toEqual(['one'])
  asked[0]!.answer(answerTo('one'))
  await vi.waitFor(() => expect(asked.map(({ name }) => name)).toEqual(['one', 'three']))
  asked[1]!.answer(answerTo('three'))
  await vi.waitFor(() => expect(answers).toEqual([{ name: 'three' }]))
})

it('reports a failure and goes on with the next question', async () => {
  const answers: unknown[] = []
  const faults: unknown[] = []
  const ask = latestOnly((workings) => answers.push(workings), (error) => faults.push(error))
  ask(named('bad'), shelf)
  asked[0]!.fail('broken')
  await vi.waitFor(() => expect(faults).toEqual(['broken']))
  ask(named('good'), shelf)
  await vi.waitFor(() => expect(asked).toHaveLength(2))
  asked[1]!.answer(answerTo('good'))
  await vi.waitFor(() => expect(answers).toEqual([{ name: 'good' }]))
})
