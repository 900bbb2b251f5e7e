import type { LaidLayer } from '../placement'
import { countsOf } from '../placement'
import { FIXING_WAYS } from '../fixing'
import type { Material } from '../material'
import { byMaterial, lengthsIn, materialOf, needsWire, pieceLength, piecesPerStem, thingsIn } from '../material'
import type { Said } from '../measure'
import { inList, listed, quantity, several, sum, worked } from '../measure'
import type { Layer } from '../piece'
import { partOfMaterial } from '../piece'
import type { CautionId } from './cautions'
import { cuttingCautions, hazardCautions } from './cautions'
import { each } from './durations'
import { materialsOn } from './materials-on'
import { preparedAfter } from './preparation-tasks'
import { SORT_EACH } from './rules-of-thumb'
import type { Undone } from './task'
import type { TaskContext } from './task-builder'
import { task, unique } from './task-builder'
import { taskKey } from './task-key'
import { taskMessage } from './words'

/** Everything that hands and the piece take, to be laid out before the first stem goes on. */
function readyWords({ needs, shelf }: TaskContext, tools: readonly string[]): Said {
  const small = thingsIn(needs).filter(({ use }) => use !== 'laid')
  const named = (id: string, say: (material: Material) => string): string[] => {
    const material = materialOf(shelf, id)
    return material ? [say(material)] : []
  }
  const things = [...byMaterial(small)].flatMap(([id, all]) =>
    named(id, ({ name, plural }) => inList(several(Math.ceil(all.reduce((n, { count: one }) => n + one, 0)), name, plural))),
  )
  const lengths = [...byMaterial(lengthsIn(needs)).keys()].flatMap((id) => named(id, ({ name }) => inList(name)))
  return sum`Have ready: ${listed(unique([...tools, ...things, ...lengths]))}.`
}

/** The tools of a piece: those of how it is fixed, and those that cut what it takes. */
function toolsOf({ piece, fixings, needs, shelf }: TaskContext, cutting: readonly CautionId[]): string[] {
  const backups = piece.layers.flatMap(({ id, backup }) =>
    backup && fixings.some(({ layer }) => layer === id) ? FIXING_WAYS[backup].tools : [],
  )
  return unique([
    'tape measure',
    ...fixings.flatMap(({ way, tied }) => (tied ? [] : FIXING_WAYS[way].tools)),
    ...backups,
    ...(needsWire(needs, shelf) ? ['wire cutters'] : []),
    ...(cutting.includes('pruners') ? ['pruners'] : []),
    ...(lengthsIn(needs).some((need) => !needsWire([need], shelf)) ? ['scissors'] : []),
  ])
}

/** What lies on the piece, layer by layer. */
interface StemRow {
  readonly layer: Layer
  readonly material: Material
  readonly count: number
}

/** What has no stem to cut, each material once: "the bow, 3 cones". */
function headsSaid(rows: readonly StemRow[]): string[] {
  const heads = rows.filter(({ material }) => material.form !== 'leaf')
  return [...byMaterial(heads.map((row) => ({ ...row, of: row.material, material: row.material.id })))].map(([, same]) => {
    const { name, plural } = same[0]!.of
    const n = same.reduce((all, { count }) => all + count, 0)
    return inList(n === 1 ? `the ${name}` : several(n, name, plural))
  })
}

/** @param layers of which something lies */
export function stemsTask(context: TaskContext, layers: readonly LaidLayer[]): Undone {
  const { piece, laid, needs, shelf } = context
  const materials = materialsOn(laid, shelf)
  const rows = layers.flatMap((one): StemRow[] =>
    [...countsOf(one)].map(([id, n]) => ({ layer: one.layer, material: materialOf(shelf, id)!, count: n })),
  )
  const leaves = rows.filter(({ material }) => material.form === 'leaf')
  const cuts = leaves.map(({ layer, material, count: n }) => cutLine(layer, material, n))
  const heads = headsSaid(rows)
  const cautions = unique([...cuttingCautions(materials, piece.base.kind, needs, shelf), ...materials.flatMap(hazardCautions)])
  const tools = toolsOf(context, cautions)
  const n = rows.reduce((all, { count: one }) => all + one, 0)
  return task(
    'stems',
    'stems',
    taskMessage(leaves.length ? 'sort-and-cut' : 'lay-out', {}),
    [
      ...cuts,
      ...(heads.length ? [sum`Lay out ${listed(heads)}.`] : []),
      readyWords(context, tools),
      ...(leaves.length ? [sum`Leave the longest for the ends of the design; set spares aside.`] : []),
    ],
    {
      cautions,
      hands: worked(each(Math.max(1, n), n === 1 ? 'thing' : 'things', SORT_EACH, shelf)),
      tools,
      after: layers.flatMap(({ layer }) =>
        preparedAfter(layer.id, layer.prepared).filter(({ id }) => id === taskKey('take off', layer.id)),
      ),
    },
  )
}

function cutLine(layer: Layer, material: Material, n: number): Said {
  const all = several(n, material.name, material.plural)
  if (layer.cut === null || partOfMaterial(material.id) !== null || layer.cut >= material.length) return sum`${all}, left whole.`
  const per = piecesPerStem(material, layer.cut)
  const length = quantity.length(pieceLength(material, layer.cut))
  return per > 1 ? sum`${all} cut to ${length}: ${quantity.count(per)} from each stem.` : sum`${all} cut to ${length}.`
}
