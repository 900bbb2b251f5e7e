import { describe, expect, it } from 'vitest'
import { usualBase } from './base'
import { inches, say } from './measure'
import type { Layer, Part, Piece } from './piece'
import { edit, inPart, materialOfPart, PieceSchema, startPart } from './piece'
import { layerOf, pieceWith, shelf } from './testing'
import { work } from './workings'

const compass = (count: number) => ({ kind: 'compass' as const, count, start: 0 })
const nest: Part = {
  ...startPart('nest', 'nest', 'grapevine'),
  base: { ...usualBase('grapevine'), shape: { form: 'ring', outer: inches(5), inner: inches(2) }, price: 300, mass: 80 },
  layers: [layerOf('eggs', 'acorn', compass(3)), layerOf('moss', 'bay', compass(4), { cut: inches(3) })],
  dries: 120,
}
const laden = (n: number, set: Partial<Piece> = {}, part: Part = nest): Piece => ({
  ...pieceWith(
    [
      layerOf('greens', 'bracken', compass(8)),
      layerOf('nests', 'skep', compass(n), { mix: [{ material: materialOfPart('nest'), share: 1, only: null }] }),
    ],
    set,
  ),
  parts: [part],
})
it('x', () => {
  const w = work(laden(2), shelf)
  console.log(
    w.parts,
    w.needs.map((n) => [n.of, n.material, n.layer, n.count, n.use].join(' ')),
    w.tasks.map((t) => [t.id, t.title, t.hands.value, t.waits.value, t.after.map((a) => a.id).join()].join(' | ')),
    w.problems.map((p) => p.says.join('')),
    w.mass.parts.map((p) => [p.id, p.figure.value]),
  )
  console.log(w.tasks.find((t) => t.kind === 'part')!.says.map((s) => say(s, { units: 'in', currency: 'USD' })))
})
