import { poofsInPass } from '../arrange'
import type { Placement } from '../arrange'
import type { Material } from '../material'
import { exceeds, figure, GEOMETRY, listed, quantity, several, sum, wholesIn } from '../measure'
import type { Gather, Problem, RuleOf } from '../piece'
import { MOST_PLACES } from '../piece'
import type { Construction, NamedFigure } from './construction'
import { changeRule, countOf, figureOf, lengthOf, total } from './construction'

/** How many pieces of so much a roll gives: `⌊roll ÷ cut⌋`. @param cut mm, over 0 */
export const piecesPerRoll = (roll: number, cut: number): number => wholesIn(roll, cut)

/** The gathers that are laid, by their place in the dealing: those whose ties are kept free are left out. */
function laidGathers({ gathers }: RuleOf<'mesh'>, placements: readonly Placement[]): { readonly how: Gather, readonly n: number }[] {
  const all = new Set(placements.map(({ slot }) => slot.split('.')[0]!))
  return gathers.map((how, k) => ({ how, n: [...all].filter((id) => Number(id.split('/').at(-1)) % gathers.length === k).length }))
}

export const MESH: Construction<'mesh'> = {
  makeUp(rule, { layer, laid, runs, mix }) {
    const { cut } = rule
    const laidOf = laidGathers(rule, laid.placements)
    const named = (['ruffle', 'petal', 'cluster'] as const).flatMap((how) => {
      const n = total(laidOf.filter((each) => each.how === how), (each) => each.n)
      return n ? [{ how, n }] : []
    })
    const pieces = mix.map((mesh) => ({ mesh, n: laid.placements.filter(({ material }) => material === mesh.id).length }))
    const ties = total(named, ({ n }) => n)
    const figures: NamedFigure[] = [
      countOf('ties', 'Ties used', ties, sum`${listed(named.map(({ how, n }) => several(n, how, `${how}s`)))} in ${quantity.count(rule.ties * runs.length)} ties`),
      ...pieces.flatMap(({ mesh, n }): NamedFigure[] => {
        const per = piecesPerRoll(mesh.length, cut)
        const whole = n * cut
        return [
          countOf(`pieces:${mesh.id}`, `Pieces of ${mesh.name}`, n, sum`cut only these: one to a ruffle or petal, one of each colour to a cluster`),
          countOf(`per:${mesh.id}`, 'From a roll', per, sum`⌊${quantity.length(mesh.length)} ÷ ${quantity.length(cut)}⌋ = ${quantity.count(per)}`),
          { id: `share:${mesh.id}`, name: 'Of a roll', figure: figure(quantity.share(whole / mesh.length), sum`${quantity.count(n)} × ${quantity.length(cut)} ÷ ${quantity.length(mesh.length)}`, GEOMETRY) },
        ]
      }),
    ]
    return {
      layer: layer.id, title: `${listed(named.map(({ how, n }) => several(n, how, `${how}s`)))} of ${listed(mix.map(({ name }) => name))}`, figures, uses: [],
      takes: pieces.filter(({ n }) => n > 0).map(({ mesh, n }) => ({ material: mesh.id, use: 'pieces of mesh', length: cut, count: n, joins: false })),
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
      ...(rule.count > rule.ties ? [{ id: `${layer.id}:ties`, severity: 'fault' as const, layer: layer.id, says: sum`${quantity.count(rule.count)} gathers, but the base has ${quantity.count(rule.ties)} ties${runs.length > 1 ? ' on each run' : ''}. ${quantity.count(rule.count - rule.ties)} have nowhere to go.`, mends: [{ says: sum`Make ${quantity.count(rule.ties)}`, edit: changeRule(layer, { count: rule.ties }) }] }] : []),
      ...(short ? [longerThanRoll(layer.id, short, rule.cut, changeRule(layer, { cut: short.length }))] : []),
    ]
  },
}

const HOW: Record<Gather, string> = {
  ruffle: 'Ruffle: let the piece roll from both ends and pinch it in the middle.',
  petal: 'Petal: fold opposite corners in and pinch them together.',
  cluster: 'Cluster: one petal of each colour in the same tie, between two ruffles.',
}

const longerThanRoll = (layer: string, material: Material, cut: number, edit: Problem['mends'][0]['edit']): Problem =>
  ({ id: `${layer}:roll`, severity: 'fault', layer, says: sum`A piece of ${quantity.length(cut)} is longer than the roll of ${material.name}, which has ${quantity.length(material.length)}.`, mends: [{ says: sum`Cut to ${quantity.length(material.length)}`, edit }] })

export const POOFS: Construction<'poofs'> = {
  makeUp(rule, { layer, laid, runs, mix }) {
    const inPass = total(runs, (run) => poofsInPass(run, rule.ties))
    const wanted = inPass * rule.passes
    const poofs = laid.placements.length
    const spared = wanted - poofs
    const perMaterial = mix.map((material) => ({ material, n: laid.placements.filter((each) => each.material === material.id).length })).filter(({ n }) => n > 0)
    const strip = poofs * rule.uses / rule.passes
    const length = poofs * rule.uses
    const figures: NamedFigure[] = [
      countOf('poofs', 'Poofs', poofs, sum`${quantity.count(inPass)} between ties × ${several(rule.passes, 'pass', 'passes')}${spared ? ` − ${spared} left out` : ''} = ${quantity.count(poofs)}`),
      lengthOf('height', 'Each stands', rule.uses / 2, sum`half of the ${quantity.length(rule.uses)} that goes into it`),
      lengthOf('length', 'Length', length, sum`${quantity.count(poofs)} × ${quantity.length(rule.uses)} = ${quantity.length(length)}`),
      lengthOf('pass', 'For one pass', strip, sum`${quantity.length(length)} ÷ ${quantity.count(rule.passes)}`),
      ...perMaterial.map(({ material: { id, name, length: roll }, n }): NamedFigure => ({ id: `share:${id}`, name: perMaterial.length > 1 ? `Of a roll of ${name}` : 'Of a roll', figure: figure(quantity.share((n * rule.uses) / roll), sum`${quantity.count(n)} × ${quantity.length(rule.uses)} ÷ ${quantity.length(roll)}`, GEOMETRY) })),
    ]
    return {
      layer: layer.id, title: `${several(poofs, 'poof', 'poofs')} of ${listed(mix.map(({ name }) => name))}`, figures, uses: [],
      takes: perMaterial.map(({ material, n }) => ({ material: material.id, use: 'poofs', length: n * rule.uses, count: 1, joins: true })),
    }
  },
  words: (rule, makeUp) => [
    sum`Catch the end in a tie, push ${quantity.length(rule.uses)} up to the next and close that: ${figureOf(makeUp, 'poofs')} poofs, ${figureOf(makeUp, 'height')} high, in ${several(rule.passes, 'pass', 'passes')}. Do not cut until the last is tied.`,
  ],
  problems(rule, { layer, runs }) {
    const [run] = runs
    const wanted = poofsInPass(run, rule.ties) * rule.passes
    return [
      ...(wanted === 0 ? [{ id: `${layer.id}:ties`, severity: 'fault' as const, layer: layer.id, says: sum`One tie on the ${run.name} has nothing to go to.`, mends: [{ says: sum`Take two ties`, edit: changeRule(layer, { ties: 2 }) }] }] : []),
      ...(wanted > MOST_PLACES ? [{ id: `${layer.id}:many`, severity: 'care' as const, layer: layer.id, says: sum`${quantity.count(wanted)} poofs are more than ${quantity.count(MOST_PLACES)}. The layer stops there.`, mends: [{ says: sum`Make one pass`, edit: changeRule(layer, { passes: 1 }) }] }] : []),
    ]
  },
}
