import { slotKey, slotOf } from '../piece'
import type { Placement } from '../placement'
import type { Material } from '../material'
import type { Term } from '../measure'
import { exceeds, listed, quantity, several, sum, asUnit, count, mm, divide, times, floor } from '../measure'
import type { Gather, Problem, RuleOf } from '../piece'
import type { Construction, NamedFigure } from './construction'
import { changeRule, figureOf, lengthsFor, read, told, total } from './construction'
import { constructionMessage } from './words'

/** How many pieces of so much a roll gives: `⌊roll ÷ cut⌋`. @param cut mm, over 0 */
export const piecesPerRoll = (roll: number, cut: number): Term => floor(divide(mm(roll), mm(cut)))

/** The gathers that are laid, by their place in the dealing: those whose ties are kept free are left out. */
function laidGathers({ gathers }: RuleOf<'mesh'>, placements: readonly Placement[]): { readonly how: Gather; readonly n: number }[] {
  const ties = new Map(placements.map(({ slot }) => slotOf(slot)).map((id) => [slotKey({ ...id, part: null }), Number(id.place)]))
  return gathers.map((how, k) => ({ how, n: [...ties.values()].filter((tie) => tie % gathers.length === k).length }))
}

export const MESH_CONSTRUCTION: Construction<'mesh'> = {
  makeUp(rule, { layer, laid, runs, mix }) {
    const { cut } = rule
    const laidOf = laidGathers(rule, laid.placements)
    const named = (['ruffle', 'petal', 'cluster'] as const).flatMap((how) => {
      const n = total(
        laidOf.filter((each) => each.how === how),
        (each) => each.n,
      )
      return n ? [{ how, n }] : []
    })
    const pieces = mix.map((mesh) => ({ mesh, n: laid.placements.filter(({ material }) => material === mesh.id).length }))
    const ties = total(named, ({ n }) => n)
    const figures: NamedFigure[] = [
      read(
        'ties',
        'Ties used',
        quantity.count(ties),
        sum`${listed(named.map(({ how, n }) => several(n, how, `${how}s`)))} in ${quantity.count(rule.ties * runs.length)} ties`,
      ),
      ...pieces.flatMap(({ mesh, n }): NamedFigure[] => {
        return [
          read(
            `pieces:${mesh.id}`,
            `Pieces of ${mesh.name}`,
            quantity.count(n),
            sum`cut only these: one to a ruffle or petal, one of each colour to a cluster`,
          ),
          told(`per:${mesh.id}`, 'From a roll', piecesPerRoll(mesh.length, cut)),
          told(`share:${mesh.id}`, 'Of a roll', asUnit('share', divide(times(count(n), mm(cut)), mm(mesh.length)))),
        ]
      }),
    ]
    return {
      layer: layer.id,
      title: `${listed(named.map(({ how, n }) => several(n, how, `${how}s`)))} of ${listed(mix.map(({ name }) => name))}`,
      figures,
      needs: lengthsFor(
        layer.id,
        pieces
          .filter(({ n }) => n > 0)
          .map(({ mesh, n }) => ({ material: mesh.id, use: 'pieces of mesh', length: cut, count: n, joins: false })),
      ),
    }
  },
  words: (rule, makeUp, { mix }) => [
    sum`Cut pieces of ${quantity.length(rule.cut)}: ${listed(mix.map((mesh) => `${figureOf(makeUp, `pieces:${mesh.id}`).value} of ${mesh.name}`))}. Cut only these.`,
    ...[...new Set(rule.gathers)].map((how) => sum`${HOW[how]}`),
    sum`Close a tie over each as you go, in this order round: ${rule.gathers.join(', ')}. Leave the ties empty where a bow or a sign goes.`,
  ],
  problems(rule, { layer, runs, mix }) {
    const short = mix.find(({ length }) => exceeds(rule.cut, length))
    return [
      ...(rule.count > rule.ties
        ? [
            {
              id: `${layer.id}:ties`,
              severity: 'fault' as const,
              layer: layer.id,
              ...constructionMessage('too-few-ties', { gathers: rule.count, ties: rule.ties, each: runs.length > 1 }),
              mends: [{ ...constructionMessage('make', { count: rule.ties }), edit: changeRule(layer, { count: rule.ties }) }],
            },
          ]
        : []),
      ...(short ? [longerThanRoll(layer.id, short, rule.cut, changeRule(layer, { cut: short.length }))] : []),
    ]
  },
}

const HOW: Record<Gather, string> = {
  ruffle: 'Ruffle: let the piece roll from both ends and pinch it in the middle.',
  petal: 'Petal: fold opposite corners in and pinch them together.',
  cluster: 'Cluster: one petal of each colour in the same tie, between two ruffles.',
}

const longerThanRoll = (layer: string, material: Material, cut: number, edit: Problem['mends'][0]['edit']): Problem => ({
  id: `${layer}:roll`,
  severity: 'fault',
  layer,
  ...constructionMessage('roll-too-short', { cut, name: material.name, length: material.length }),
  mends: [{ ...constructionMessage('cut-to', { length: material.length }), edit }],
})
