import { everyNth } from '../amount'
import { readdirSync, readFileSync } from 'node:fs'
import { describe, it } from 'vitest'
import { runsOf, usualBase } from '../../core/base'
import type { BaseKind } from '../../core/base'
import { readPiece } from '../../core/formats'
import { CATALOGUE } from '../../core/material'
import { startLayer } from '../../core/piece'
import type { Rule } from '../../core/piece'
import { agrees, onRing, start } from './hidden'

describe('the face that is covered is the face that is hidden', () => {
  it.each(
    everyNth(3, [
      ['sword-fern', 1],
      ['sword-fern', 5],
      ['sword-fern', 50],
      ['sword-fern', 300],
      ['lavender', 300],
      ['eucalyptus', 1],
      ['eucalyptus', 50],
    ] as const),
  )('%s, %d times', (id, count) => agrees(onRing(id, count)))

  it.each(everyNth<BaseKind>(3, ['oval', 'heart', 'letter', 'tree-swag', 'mantel-garland', 'gourd']))('cedar and roses on a %s', (kind) => {
    const base = usualBase(kind)
    const runs = runsOf(base)
    const run = runs.length > 1 ? 'each' : runs[0]!.id
    const layers = [
      ['cedar', 14],
      ['rose', 5],
    ] as const
    agrees({
      ...start,
      base,
      layers: layers.map(([id, count], i) => ({
        ...startLayer(id, CATALOGUE[id]!, i + 3),
        run,
        cut: id === 'cedar' ? 150 : null,
        rule: { kind: 'compass', count, start: 0 },
      })),
    })
  })

  const made: readonly [string, string, Rule][] = [
    ['ribbon wound round', 'ribbon-slate', { kind: 'wound', pitch: 70, thick: 60, ends: 50, every: null }],
    ['twine side by side', 'jute-twine', { kind: 'wound', pitch: null, thick: 60, ends: 50, every: null }],
    ['ruffles and petals of mesh', 'mesh-honey', { kind: 'mesh', ties: 18, count: 18, gathers: ['ruffle', 'petal'], cut: 250, start: 0 }],
    ['poofs of mesh', 'mesh-honey', { kind: 'poofs', ties: 12, passes: 2, uses: 200, start: 0 }],
    ['a strand in laps', 'heather-strand', { kind: 'laid', laps: 2, tuck: 50, every: 130, held: 'as suits' }],
    [
      'a bow of long tails',
      'ribbon-slate',
      {
        kind: 'bow',
        at: 0,
        means: 'visible',
        tied: 'stem-wire-20',
        fixes: true,
        ends: 'v',
        hem: 0,
        ribbons: [{ build: 'hand', loops: 8, loop: 110, taper: 0.2, groups: null, tails: [300, 330], centre: 80, twist: 0 }],
      },
    ],
    ['beads', 'bead-20', { kind: 'beads', allowance: 20, turns: 2, own: 1, tail: 10 }],
  ]
  it.each(made)('%s', (_name, id, rule) => agrees({ ...start, layers: [{ ...startLayer('a', CATALOGUE[id]!, 7), rule }] }))

  it.each(
    everyNth(
      4,
      readdirSync('demo').filter((name) => name.endsWith('.json')),
    ),
  )('the demo’s %s', (name) => {
    const read = readPiece(readFileSync(`demo/${name}`, 'utf8'))
    if (!read.ok) throw new Error(`${name} does not read`)
    agrees(read.piece)
  })
})
