import { describe, expect, it } from 'vitest'
import { runsOf } from '../base'
import { CATALOGUE } from '../material'
import type { Mix, Rule } from '../piece'
import { arrange } from '../placement'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { mixWords, turnOf } from './mix-words'
import { taskKey } from './task-key'

const mix = (...parts: readonly (readonly [string, number])[]): Mix[] => parts.map(([material, share]) => ({ material, share, only: null }))
const mixed = (count: number, parts: Mix[], rule: Rule = { kind: 'compass', count, start: 0 }) => {
  const piece = pieceWith([layerOf('a', parts[0]!.material, rule, { mix: parts })])
  const [laid] = arrange(piece, runsOf(piece.base), shelf)
  return { piece, laid: laid!, words: mixWords(laid!, shelf).join('') }
}

describe('the order in which things are taken up', () => {
  it.each([
    ['ab', null],
    ['abab', 2],
    ['aab', null],
    ['aabaabaa', 3],
    ['aaaa', 1],
    ['abcabcab', 3],
    ['abba', null],
  ])('of %s begins again after %s', (row, turn) => expect(turnOf([...row])).toBe(turn))

  it('of two that alternate is said once, and again and again', () => {
    const { words } = mixed(8, mix(['bay', 1], ['heather', 1]))
    expect(words).toMatch(/^Take in turn, again and again: (bay sprig, heather sprig|heather sprig, bay sprig)\.$/)
  })
  it('that has no turn is written out, thing for thing as it is laid', () => {
    for (const parts of [mix(['bay', 5], ['heather', 2], ['dahlia', 1]), mix(['bay', 3], ['heather', 2])]) {
      const { laid, words } = mixed(13, parts)
      const names = words.slice(words.indexOf(': ') + 2, -1).split(', ')
      const named = (material: string) => [CATALOGUE[material]!.name, CATALOGUE[material]!.plural]
      const row = names.flatMap((each) => {
        const [, n, name] = /^(?:(\d+) )?(.+)$/.exec(each)!
        const { material } = parts.find(({ material: id }) => named(id).includes(name!))!
        return Array.from({ length: Number(n ?? 1) }, () => material)
      })
      const all = laid.placements.map(({ material }) => material)
      expect(words.startsWith('Take in turn') ? all.map((_, i) => row[i % row.length]) : row).toEqual(all)
    }
  })
  it('is not said of one material, of lengths, nor of more than hands would keep', () => {
    expect(mixed(8, mix(['bay', 1])).words).toBe('')
    expect(mixed(41, mix(['bay', 5], ['heather', 2], ['dahlia', 1], ['fir', 0.3])).words).toBe('')
  })
  it('stands in the task that lays them', () => {
    const { piece, words } = mixed(8, mix(['bay', 1], ['heather', 1]))
    expect(
      work(piece, shelf)
        .tasks.find(({ id }) => id === taskKey('lay', 'a'))!
        .says.map((line) => line.join('')),
    ).toContain(words)
  })
})
