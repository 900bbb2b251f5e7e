import { taskKey } from './task-key'
import { countsOf } from '../placement'
import type { LaidLayer } from '../placement'
import type { Run } from '../base'
import { BASE_SORTS, DIMENSIONS, anchorSays, markOn } from '../base'
import { colourFamily } from '../coverage'
import { FIXING_WAYS } from '../fixing'
import type { Material, Need, Shelf } from '../material'
import { byMaterial, lengthsIn, materialOf, needsWire, pieceLength, piecesPerStem, thingsIn } from '../material'
import type { Said } from '../measure'
import { capital, inList, listed, quantity, several, sum, worked } from '../measure'
import type { Layer, Piece, Preparation } from '../piece'
import type { OfLayers } from './task-builder'
import { task, unique, wordOf } from './task-builder'
import type { CautionId } from './cautions'
import { cuttingCautions, hazardCautions } from './cautions'
import type { Before, Undone } from './task'
import {
  BAGS,
  BAKES,
  BAKE_HANDS,
  JOIN,
  PAINT_COAT,
  PAINT_DRIES,
  PREPARE_BASE,
  SEAL_COAT,
  SEAL_DRIES,
  SORT_EACH,
  TAKE_OFF,
  WIPE_EACH,
} from './rules-of-thumb'
import { each, once } from './durations'

/** What the task is known by that takes things of a layer, or the base, off an older piece. */

/** What has to be ready of a layer's own preparations before it goes on. */
export function preparedAfter(id: string, { clean, joined, paint, seal, from }: Preparation): Before[] {
  if (seal > 0) return [{ id: taskKey('seal', id), why: 'it must be dry before it goes on' }]
  if (paint) return [{ id: taskKey('paint', id), why: 'it must be dry before it goes on' }]
  if (joined) return [{ id: taskKey('join', id), why: 'a made part is made before it goes on' }]
  if (clean !== 'none') return [{ id: taskKey('finds', id), why: 'what was found goes on when it is clean' }]
  return from === null ? [] : [{ id: taskKey('take off', id), why: 'it must be off the older piece' }]
}

/** What is done to things before they go on: long drying first. */
export function preparations(piece: Piece, layers: readonly LaidLayer[], shelf: Shelf): Undone[] {
  const of = (id: string, what: string, n: number, { clean, joined, paint, seal, from }: Preparation): Undone[] => {
    const off: Before[] = from === null ? [] : [{ id: taskKey('take off', id), why: 'it must be off the older piece' }]
    const cleaned: Before[] = clean === 'none' ? off : [{ id: taskKey('finds', id), why: 'paint and glue hold on what is clean' }]
    const made: Before[] = joined
      ? [{ id: taskKey('join', id), why: 'what must be bent or joined is joined before it is painted' }]
      : cleaned
    const painted: Before[] = paint ? [{ id: taskKey('paint', id), why: 'sealer goes over dry paint' }] : made
    const layer = id === 'base' ? null : id
    return [
      ...(from === null
        ? []
        : [
            task(
              taskKey('take off', id),
              'take off',
              `Take ${what} off ${from}`,
              [sum`Cut wires behind, ease dots of glue off with a thin blade, and keep the cut lengths.`],
              {
                layer,
                hands: once(TAKE_OFF, shelf),
                tools: ['wire cutters'],
                cautions: ['cutting'],
              },
            ),
          ]),
      ...(clean === 'none' ? [] : [findsTask(id, what, n, clean, off, shelf)]),
      ...(joined
        ? [
            task(
              taskKey('join', id),
              'join',
              `Bend and join ${what}`,
              [sum`Bend and join it now, let it settle, and check the joint: paint breaks where it is bent afterwards.`],
              {
                layer,
                hands: once(JOIN, shelf),
                after: cleaned,
              },
            ),
          ]
        : []),
      ...(paint
        ? [
            task(
              taskKey('paint', id),
              'paint',
              `Paint ${what} ${colourFamily(paint.colour)}`,
              [
                paint.coats === 1
                  ? sum`One thin coat from all sides; turn it when it is dry to the touch.`
                  : sum`${capital(wordOf(paint.coats))} thin coats from all sides, each dry before the next.`,
              ],
              {
                layer,
                hands: worked(each(paint.coats, paint.coats === 1 ? 'coat' : 'coats', PAINT_COAT, shelf)),
                waits: worked(each(paint.coats, paint.coats === 1 ? 'coat' : 'coats', PAINT_DRIES, shelf)),
                cautions: ['paint'],
                tools: ['paint', 'newspaper to paint on'],
                after: made,
              },
            ),
          ]
        : []),
      ...(seal > 0
        ? [
            task(
              taskKey('seal', id),
              'seal',
              `Seal ${what}`,
              [
                seal === 1
                  ? sum`One thin coat of sealer from all sides.`
                  : sum`${capital(wordOf(seal))} thin coats of sealer, each dry before the next.`,
              ],
              {
                layer,
                hands: worked(each(seal, seal === 1 ? 'coat' : 'coats', SEAL_COAT, shelf)),
                waits: worked(each(seal, seal === 1 ? 'coat' : 'coats', SEAL_DRIES, shelf)),
                cautions: ['paint'],
                tools: ['sealer', 'newspaper to paint on'],
                after: painted,
              },
            ),
          ]
        : []),
    ]
  }
  const base = of('base', `the ${BASE_SORTS[piece.base.kind].name.toLowerCase()}`, 1, piece.making.base)
  return [
    ...base.map((one) =>
      one.kind === 'take off'
        ? one
        : { ...one, after: [...one.after, { id: 'base', why: 'what is loose is off before it is bent, painted or sealed' }] },
    ),
    ...layers.flatMap((one) => {
      const rows = [...countsOf(one)]
      const n = rows.reduce((all, [, k]) => all + k, 0)
      const what = rows.length
        ? `the ${listed(rows.map(([id, k]) => (k === 1 ? materialOf(shelf, id)!.name : materialOf(shelf, id)!.plural)))}`
        : `the ${materialOf(shelf, one.layer.mix[0]!.material)?.name ?? 'material'}`
      return of(one.layer.id, what, n, one.layer.prepared)
    }),
  ].sort((a, b) => b.waits.value - a.waits.value)
}

function findsTask(
  id: string,
  what: string,
  n: number,
  clean: Exclude<Preparation['clean'], 'none'>,
  after: readonly Before[],
  shelf: Shelf,
): Undone {
  const layer = id === 'base' ? null : id
  const rest = { layer, after }
  switch (clean) {
    case 'wipe':
      return task(
        taskKey('finds', id),
        'finds',
        `Wipe ${what}`,
        [sum`Wipe each with a damp cloth, look it over for mould and holes, and let it dry.`],
        {
          ...rest,
          hands: worked(each(Math.max(1, n), n === 1 ? 'find' : 'finds', WIPE_EACH, shelf)),
        },
      )
    case 'bag':
      return task(
        taskKey('finds', id),
        'finds',
        `Keep ${what} in a closed bag`,
        [sum`Close the bag tight and lay it in the cold; then shake it out and look each over.`],
        {
          ...rest,
          hands: once(BAKE_HANDS, shelf),
          waits: once(BAGS, shelf),
        },
      )
    case 'bake':
      return task(
        taskKey('finds', id),
        'finds',
        `Bake ${what}`,
        [sum`Spread in one layer on a lined tray and bake in a low oven for about an hour; let cool. Stay by it.`],
        {
          ...rest,
          hands: once(BAKE_HANDS, shelf),
          waits: once(BAKES, shelf),
          cautions: ['baking'],
          tools: ['oven tray with paper'],
        },
      )
  }
}

export function prepareBase({ base, making }: Piece, runs: readonly Run[], { ofBase }: OfLayers, shelf: Shelf): Undone {
  const sort = BASE_SORTS[base.kind]
  const closed = runs[0]!.closed
  const measures = DIMENSIONS[base.shape.form].flatMap(({ id, name, unit }): Said[] => {
    const value = (base.shape as unknown as Record<string, number | string>)[id]!
    return [
      unit === 'length'
        ? sum`${name.toLowerCase()} ${quantity.length(Number(value))}`
        : sum`${name.toLowerCase()} ${unit === 'share' ? String(Math.round(Number(value) * 100)) : String(value)}`,
    ]
  })
  const join = markOn(base, runs, base.join)
  const hook = base.hook === null ? null : markOn(base, runs, base.hook)
  const ties = ofBase.figures.find(({ id }) => id === 'ties')?.figure
  return task(
    'base',
    'base',
    `Prepare the ${sort.name.toLowerCase()}`,
    [
      [`${sort.name}: `, ...measures.flatMap((one, i) => [...(i ? [', '] : []), ...one]), '.'],
      ...sort.prepare.slice(0, ties ? -1 : undefined).map((line) => sum`${line}`),
      ...(ties
        ? [
            sum`Draw ${several(ties.value, 'zip tie', 'zip ties')} round both trunks, spread over the overlap.`,
            ...sort.prepare.slice(-1).map((line) => sum`${line}`),
          ]
        : []),
      ...(closed
        ? [
            [
              `Turn it so that the ${sort.join} is at `,
              ...anchorSays(join.run, join.s),
              '.',
              ...(hook ? [' Its hook is at ', ...anchorSays(hook.run, hook.s), '.'] : []),
              ' Mark 12:00, 3:00, 6:00 and 9:00 on the back with tape.',
            ],
          ]
        : []),
    ],
    {
      hands: once(PREPARE_BASE, shelf),
      tools: ['tape measure', 'tape to mark with'],
      after: making.base.from === null ? [] : [{ id: taskKey('take off', 'base'), why: 'it must be off the older piece' }],
    },
  )
}

/** Everything that hands and the piece take, to be laid out before the first stem goes on. */
function readyWords(piece: Piece, of: OfLayers, needs: readonly Need[], cutting: readonly CautionId[], shelf: Shelf): Said {
  const small = thingsIn(needs).filter(({ use }) => use !== 'laid')
  const named = (id: string, say: (material: Material) => string): string[] => {
    const material = materialOf(shelf, id)
    return material ? [say(material)] : []
  }
  const things = [...byMaterial(small)].flatMap(([id, all]) =>
    named(id, ({ name, plural }) => inList(several(Math.ceil(all.reduce((n, { count: one }) => n + one, 0)), name, plural))),
  )
  const lengths = [...byMaterial(lengthsIn(needs)).keys()].flatMap((id) => named(id, ({ name }) => inList(name)))
  return sum`Have ready: ${listed(unique([...toolsOf(piece, of, needs, shelf, cutting), ...things, ...lengths]))}.`
}

/** The tools of a piece: those of how it is fixed, and those that cut what it takes. */
function toolsOf(piece: Piece, { fixings }: OfLayers, needs: readonly Need[], shelf: Shelf, cutting: readonly CautionId[] = []): string[] {
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

export function prepareStems(
  piece: Piece,
  laid: readonly LaidLayer[],
  materials: readonly Material[],
  of: OfLayers,
  needs: readonly Need[],
  shelf: Shelf,
): Undone {
  const rows = laid.flatMap((one) =>
    [...countsOf(one)].map(([id, n]) => ({ layer: one.layer, material: materialOf(shelf, id)!, count: n })),
  )
  const leaves = rows.filter(({ material }) => material.form === 'leaf')
  const cuts = leaves.map(({ layer, material, count: n }) => cutLine(layer, material, n))
  const heads = [
    ...byMaterial(
      rows.filter(({ material }) => material.form !== 'leaf').map(({ material, count: n }) => ({ material: material.id, of: material, n })),
    ),
  ].map(([, all]) => {
    const { name, plural } = all[0]!.of
    const n = all.reduce((total, one) => total + one.n, 0)
    return inList(n === 1 ? `the ${name}` : several(n, name, plural))
  })
  const cautions = unique([...cuttingCautions(materials, piece.base.kind, needs, shelf), ...materials.flatMap(hazardCautions)])
  const n = rows.reduce((all, { count: one }) => all + one, 0)
  return task(
    'stems',
    'stems',
    leaves.length ? 'Sort and cut' : 'Lay out what it takes',
    [
      ...cuts,
      ...(heads.length ? [sum`Lay out ${listed(heads)}.`] : []),
      readyWords(piece, of, needs, cautions, shelf),
      ...(leaves.length ? [sum`Leave the longest for the ends of the design; set spares aside.`] : []),
    ],
    {
      cautions,
      hands: worked(each(Math.max(1, n), n === 1 ? 'thing' : 'things', SORT_EACH, shelf)),
      tools: toolsOf(piece, of, needs, shelf, cautions),
      after: laid.flatMap(({ layer }) => preparedAfter(layer.id, layer.prepared).filter(({ id }) => id === taskKey('take off', layer.id))),
    },
  )
}

function cutLine(layer: Layer, material: Material, n: number): Said {
  const all = several(n, material.name, material.plural)
  if (layer.cut === null || layer.cut >= material.length) return sum`${all}, left whole.`
  const per = piecesPerStem(material, layer.cut)
  const length = quantity.length(pieceLength(material, layer.cut))
  return per > 1 ? sum`${all} cut to ${length}: ${quantity.count(per)} from each stem.` : sum`${all} cut to ${length}.`
}
