import type { LaidLayer, Spacing } from '../arrange'
import { arrangingOf, countsOf, countsOfAll, inOrder } from '../arrange'
import type { Body, Run } from '../base'
import { anchorSays, BASE_SORTS, clockAngle, DIMENSIONS, markOn } from '../base'
import type { Fixing } from '../fix'
import { FIXING_WAYS, hangsFree } from '../fix'
import { HANGING_HOOKS, HANGING_LOOPS } from '../hang'
import { colourFamily } from '../cover'
import type { MakeUp } from '../construct'
import { makeUpWords } from '../construct'
import type { Material, Need, Shelf } from '../material'
import { byMaterial, lengthsIn, materialOf, pieceLength, piecesPerStem, thingsIn } from '../material'
import type { Figure, Said } from '../measure'
import { capital, clock, inList, listed, lowerFirst, onceWith, quantity, several, sum } from '../measure'
import { byRule, count, plus, times, worked } from '../measure/term'
import type { Flow, Layer, Piece, Prepared, RuleKind } from '../piece'
import { ROLE_NAMES } from '../piece'
import type { CautionId } from './cautions'
import { cuttingCautions, fixingCautions, hangingCautions, hazardCautions } from './cautions'
import type { Before, PlaceRow, Task, TaskKind, Undone } from './task'
import {
  BAGS,
  BAKE_HANDS,
  BAKES,
  BOW_TIED,
  DRY_EACH,
  FINISH,
  FIT_HANGER,
  JOIN,
  LOAD_TEST,
  LOOK,
  LOOP_EACH,
  PAINT_COAT,
  PAINT_DRIES,
  PREPARE_BASE,
  RECORD,
  RESERVE,
  SEAL_COAT,
  SEAL_DRIES,
  SORT_EACH,
  STRIP_SETS,
  TAKE_OFF,
  WIPE_EACH,
} from './thumbs'
import { countsIn, each, handsFor, NONE, once, setsIn } from './times'

const FLOW_WORDS: Record<Flow, string> = {
  clockwise: 'All point clockwise.',
  anticlockwise: 'All point anticlockwise.',
  apart: 'They point away from the seat on both sides.',
  together: 'They point to the seat from both sides.',
  outward: 'They point outward.',
  inward: 'They point inward.',
  nest: 'They lie both ways, like a nest.',
}

/** What was worked out of each layer, by its id, and how everything is held. */
export interface OfLayers {
  readonly spacings: ReadonlyMap<string, Spacing>
  readonly makeUps: ReadonlyMap<string, MakeUp>
  readonly ofBase: MakeUp
  readonly fixings: readonly Fixing[]
  /** Of the finished piece. */
  readonly mass: Figure
}

/** A task with nothing particular about it. */
const task = (id: string, kind: TaskKind, title: string, says: readonly Said[], rest: Partial<Undone> & Pick<Undone, 'hands'>): Undone => ({
  id,
  kind,
  title,
  says,
  checks: [],
  places: [],
  cautions: [],
  layer: null,
  tools: [],
  after: [],
  waits: NONE,
  counts: null,
  ...rest,
})

/** All tasks, from bare base to hung piece, in the order in which the trade and the school of this piece have them. */
export function tasksOf(
  piece: Piece,
  runs: readonly Run[],
  laid: readonly LaidLayer[],
  of: OfLayers,
  needs: readonly Need[],
  shelf: Shelf,
): Task[] {
  const { making } = piece
  const materials = materialsOn(laid, shelf)
  const layers = laid.filter(({ placements }) => placements.length > 0)
  const things = of.fixings.reduce((all, fixing) => all + fixing.count, 0)
  const glued = of.fixings.some(isGlued)
  const zoned = layers.filter(({ zones }) => zones.length > 0)
  const bows = layers.filter(({ layer }) => layer.rule.kind === 'bow')
  const firstBows = making.bow === 'first' ? bows : []
  const others = layers.filter((one) => !firstBows.includes(one) && !(making.bow === 'last' && bows.includes(one)))
  const lastBows = making.bow === 'last' ? bows : []
  const before: Before[] = [
    { id: 'base', why: 'everything goes on the prepared base' },
    ...preparedAfter('base', piece.making.base).map(({ id }) => ({
      id,
      why: 'the base must be ready, and dry, before anything touches it',
    })),
    ...(layers.length ? [{ id: 'stems', why: 'what is cut to length first is measured once' }] : []),
    ...(zoned.length ? [{ id: 'reserve', why: 'places are kept before their neighbours go on' }] : []),
  ]
  const lay = (one: LaidLayer): Undone => {
    const own = layTask(piece, runs, one, of, needs, shelf)
    const { layer } = one
    const ready = preparedAfter(layer.id, layer.prepared)
    const refers = 'of' in layer.rule && layers.some((each) => each.layer.id === (layer.rule as { of: string }).of)
    const bow = layer.rule.kind === 'bow'
    const glues = of.fixings.some((fixing) => fixing.layer === layer.id && isGlued(fixing))
    return {
      ...own,
      after: [
        ...before.filter(({ id }) => id !== 'reserve' || !one.zones.length),
        ...ready,
        ...(bow ? [{ id: `bow:${layer.id}`, why: 'a bow is made before it is fixed' }] : []),
        ...(glues ? [{ id: 'dry', why: 'what is glued is first laid dry and looked at' }] : []),
        ...(refers ? [{ id: `layer:${(layer.rule as { of: string }).of}`, why: 'it goes by the places of that layer' }] : []),
        ...(!bow
          ? firstBows.map((each) => ({ id: `layer:${each.layer.id}`, why: 'here the bow goes on first and gives the spacing' }))
          : []),
      ],
    }
  }
  const laying = [...firstBows, ...others, ...lastBows].map(lay).map((one, i, all) => {
    const under = all[i - 1]
    return under && !one.after.some(({ id }) => id === under.id)
      ? { ...one, after: [...one.after, { id: under.id, why: 'what lies under it goes on first' }] }
      : one
  })
  const hangTask = hangerTask(piece, runs, materials, shelf)
  const laidIds = laying.map(({ id }): Before => ({ id, why: 'there must be something to look at' }))
  const tasks: Undone[] = [
    ...preparations(piece, layers, shelf),
    prepareBase(piece, runs, of, shelf),
    ...(making.hanger === 'first' ? [{ ...hangTask, after: before.slice(0, 1) }] : []),
    ...(layers.length ? [prepareStems(piece, layers, materials, of, needs, shelf)] : []),
    ...bows.map((one) => bowTask(piece, runs, one, of, shelf)),
    ...(zoned.length
      ? [
          task('reserve', 'reserve', 'Mark the places that stay free', [zonesSaid(zoned, runs, shelf)], {
            hands: once(RESERVE, shelf),
            tools: ['tape to mark with'],
            after: before.filter(({ id }) => id !== 'reserve' && id !== 'stems'),
          }),
        ]
      : []),
    ...(glued && things > 0
      ? [
          task(
            'dry',
            'dry',
            'Lay it dry',
            [
              sum`Lay everything in its place without glue. Step back, move what crowds or gapes, and take a picture with the phone before you lift it off.`,
            ],
            {
              hands: worked(each(things, 'things', DRY_EACH, shelf)),
              after: before,
            },
          ),
        ]
      : []),
    ...laying,
    ...(making.hanger === 'top known'
      ? [{ ...hangTask, after: [...before.slice(0, 1), ...laidIds.map(({ id }) => ({ id, why: 'the top is known once it is laid' }))] }]
      : []),
    task(
      'look',
      'look',
      'Hang it and look',
      [
        sum`Hang it where it will live, on whatever holds for now. What you find becomes a note, and is put right before anything is fixed for good.`,
      ],
      {
        hands: once(LOOK, shelf),
        after: laidIds,
        checks: [
          'From across the room: does it read as one thing?',
          'From the side: does anything stand out too far?',
          'In the light it will hang in',
          'Gaps: can the base be seen where it should not?',
          'Wire ends and glue threads',
          'Shake it gently: does anything move?',
          'Does it hang straight?',
        ],
      },
    ),
    task('finish', 'finish', 'Fix for good and finish the back', finishWords(piece, of), {
      hands: once(FINISH, shelf),
      cautions: ['behind'],
      tools: of.fixings.some(({ way }) => FIXING_WAYS[way].link === 'wire') || needsWire(needs) ? ['wire cutters'] : ['scissors'],
      after: [
        { id: 'look', why: 'the last wires are cut when it has been seen hanging' },
        ...making.own
          .filter(({ after }) => after === 'look')
          .map(({ id }) => ({ id: `own:${id}`, why: 'what was found is put right first' })),
      ],
    }),
    ...(making.hanger === 'last'
      ? [{ ...hangTask, after: [{ id: 'finish', why: 'the back is closed before the hanger is tied round it' }] }]
      : []),
    task(
      'load',
      'load',
      'Tug it, shake it',
      [
        sum`Hang ${quantity.mass(2 * of.mass.value)} on the hook for a minute, twice what the piece weighs. Then hang the piece and shake it: nothing may move, and it hangs straight.`,
      ],
      {
        hands: once(LOAD_TEST, shelf),
        after: [
          { id: 'hang', why: 'it must have its hanger' },
          { id: 'finish', why: 'what is not fixed for good may fall' },
        ],
      },
    ),
    task('record', 'record', 'Write down what happened', [sum`Note what you did otherwise, the hours, and what was left over.`], {
      hands: once(RECORD, shelf),
      after: [{ id: 'load', why: 'it is done when it hangs' }],
    }),
    ...making.own.map(({ id, title, hands, waits, after }) =>
      task(`own:${id}`, 'own', title, [], {
        hands: measured(hands, 'as you put it'),
        waits: waits > 0 ? measured(waits, 'as you put it') : NONE,
        after: after === null ? [] : [{ id: after, why: 'as you put it' }],
      }),
    ),
  ]
  return saidOnce(tasks).map((each) => ({ ...each, needs: needs.filter((need) => taskOf(need) === each.id) }))
}

/** A reason is given the first time; after that it is known. */
function saidOnce(tasks: readonly Undone[]): Undone[] {
  const given = new Set<string>()
  return tasks.map((each) => ({
    ...each,
    says: each.says.filter((line) => {
      const words = line.join('')
      if (!words.startsWith('Why: ')) return true
      const known = given.has(words)
      given.add(words)
      return !known
    }),
  }))
}

/** Whether a thing is held by glue of some kind. */
const isGlued = ({ way, tied }: Fixing): boolean => FIXING_WAYS[way].glue && !tied

const measured = (minutes: number, how: string): Figure => ({ ...quantity.time(minutes), sum: [how], basis: { kind: 'measured' } })
const needsWire = (needs: readonly Need[]): boolean => needs.some(({ material }) => material.includes('wire'))

/** The task that something is needed for. */
const taskOf = ({ layer, use }: Need): string =>
  layer !== 'base' ? `layer:${layer}` : use === 'hanger' || use === 'hook' ? 'hang' : 'base'

/** What has to be ready of a layer's own preparations before it goes on. */
function preparedAfter(id: string, { clean, joined, paint, seal, from }: Prepared): Before[] {
  if (seal > 0) return [{ id: `seal:${id}`, why: 'it must be dry before it goes on' }]
  if (paint) return [{ id: `paint:${id}`, why: 'it must be dry before it goes on' }]
  if (joined) return [{ id: `join:${id}`, why: 'a made part is made before it goes on' }]
  if (clean !== 'none') return [{ id: `finds:${id}`, why: 'what was found goes on when it is clean' }]
  return from === null ? [] : [{ id: `off:${id}`, why: 'it must be off the older piece' }]
}

/** What is done to things before they go on: long drying first. */
function preparations(piece: Piece, layers: readonly LaidLayer[], shelf: Shelf): Undone[] {
  const of = (id: string, what: string, n: number, { clean, joined, paint, seal, from }: Prepared): Undone[] => {
    const off: Before[] = from === null ? [] : [{ id: `off:${id}`, why: 'it must be off the older piece' }]
    const cleaned: Before[] = clean === 'none' ? off : [{ id: `finds:${id}`, why: 'paint and glue hold on what is clean' }]
    const made: Before[] = joined ? [{ id: `join:${id}`, why: 'what must be bent or joined is joined before it is painted' }] : cleaned
    const painted: Before[] = paint ? [{ id: `paint:${id}`, why: 'sealer goes over dry paint' }] : made
    const layer = id === 'base' ? null : id
    return [
      ...(from === null
        ? []
        : [
            task(
              `off:${id}`,
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
              `join:${id}`,
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
              `paint:${id}`,
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
              `seal:${id}`,
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
  clean: Exclude<Prepared['clean'], 'none'>,
  after: readonly Before[],
  shelf: Shelf,
): Undone {
  const layer = id === 'base' ? null : id
  const rest = { layer, after }
  switch (clean) {
    case 'wipe':
      return task(
        `finds:${id}`,
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
        `finds:${id}`,
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
        `finds:${id}`,
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

const WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'] as const
const wordOf = (n: number): string => WORDS[n] ?? String(n)

/** "Keep free for the bow: 8½ in about 6:55." */
function zonesSaid(zoned: readonly LaidLayer[], runs: readonly Run[], shelf: Shelf): Said {
  return zoned.flatMap(({ layer, zones }, i): Said => {
    const name = layer.rule.kind === 'bow' ? 'bow' : (materialOf(shelf, layer.mix[0]!.material)?.name ?? layer.role)
    const widest = Math.max(...zones.map(({ length }) => length))
    // A board that lies across a ring touches its other side: that is not what is kept free.
    const kept = zones.filter(({ length }) => length > widest / 3).slice(0, 4)
    return [
      i ? ' ' : '',
      `Keep free for the ${name}: `,
      ...kept.flatMap(({ run, from, length }, k): Said => {
        const on = runs.find(({ id }) => id === run) ?? runs[0]!
        const parted = k === 0 ? '' : k === kept.length - 1 ? ' and ' : ', '
        if (on.reads.kind === 'clock') return [parted, quantity.length(length), ' about ', ...anchorSays(on, from + length / 2)]
        return from < 2 ? [parted, ...anchorSays(on, length)] : [parted, quantity.length(from), ' to ', ...anchorSays(on, from + length)]
      }),
      '.',
    ]
  })
}

/** What a hanger goes round where that is not simply the base. */
const HUNG_ROUND: Partial<Record<Body, string>> = { trees: 'round the trunk', bound: 'round the binding behind' }

function hangerTask(piece: Piece, runs: readonly Run[], materials: readonly Material[], shelf: Shelf): Undone {
  const { hanger, base } = piece
  if (!hanger)
    return task(
      'hang',
      'hang',
      'Fit a hanger',
      [sum`No hanger was chosen yet: choose one before you begin, it is what is forgotten most.`],
      {
        hands: once(FIT_HANGER, shelf),
        cautions: hangingCautions(piece, materials),
      },
    )
  const run = runs.find(({ id }) => id === hanger.run) ?? runs[0]!
  const round = HUNG_ROUND[BASE_SORTS[base.kind].body]
  const place: Said = [
    'It goes ',
    ...(round ? [`${round} `] : []),
    ...(run.reads.kind === 'clock' || hanger.at * run.length < 2 ? ['at '] : []),
    ...anchorSays(run, hanger.at * run.length),
    '.',
  ]
  return task(
    'hang',
    'hang',
    hanger.loop === 'tied' ? 'Hang it on its hooks' : 'Fit the hanger',
    [
      [HANGING_LOOPS[hanger.loop].how, ...(hanger.loop === 'own hook' || hanger.loop === 'tied' ? [] : [' ', ...place])],
      [HANGING_HOOKS[hanger.hook].how],
    ],
    {
      hands: once(FIT_HANGER, shelf),
      cautions: hangingCautions(piece, materials),
      waits: hanger.hook === 'adhesive strip' ? once(STRIP_SETS, shelf) : NONE,
      tools: hanger.hook === 'nail' || hanger.hook === 'route hooks' ? ['hammer or drill'] : [],
    },
  )
}

export function materialsOn(laid: readonly LaidLayer[], shelf: Shelf): Material[] {
  return [...countsOfAll(laid).keys()].map((id) => materialOf(shelf, id)!)
}

function prepareBase({ base, making }: Piece, runs: readonly Run[], { ofBase }: OfLayers, shelf: Shelf): Undone {
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
      after: making.base.from === null ? [] : [{ id: 'off:base', why: 'it must be off the older piece' }],
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
  return sum`Have ready: ${listed(unique([...toolsOf(piece, of, needs, cutting), ...things, ...lengths]))}.`
}

/** The tools of a piece: those of how it is fixed, and those that cut what it takes. */
export function toolsOf(piece: Piece, { fixings }: OfLayers, needs: readonly Need[], cutting: readonly CautionId[] = []): string[] {
  const backups = piece.layers.flatMap(({ backup }) => (backup ? FIXING_WAYS[backup].tools : []))
  return unique([
    'tape measure',
    ...fixings.flatMap(({ way, tied }) => (tied ? [] : FIXING_WAYS[way].tools)),
    ...backups,
    ...(needsWire(needs) ? ['wire cutters'] : []),
    ...(cutting.includes('pruners') ? ['pruners'] : []),
    ...(lengthsIn(needs).some(({ material }) => !material.includes('wire')) ? ['scissors'] : []),
  ])
}

function prepareStems(
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
  const cautions = unique([
    ...cuttingCautions(materials, piece.base.kind, unique(needs.map(({ material }) => material))),
    ...materials.flatMap(hazardCautions),
  ])
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
      tools: toolsOf(piece, of, needs, cautions),
      after: laid.flatMap(({ layer }) => preparedAfter(layer.id, layer.prepared).filter(({ id }) => id.startsWith('off:'))),
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

/** Making a bow, apart from the piece. */
function bowTask(piece: Piece, runs: readonly Run[], laid: LaidLayer, { makeUps }: OfLayers, shelf: Shelf): Undone {
  const makeUp = makeUps.get(laid.layer.id)
  const { rule } = laid.layer
  const loops =
    rule.kind === 'bow'
      ? rule.ribbons.reduce((all, ribbon) => all + ('loops' in ribbon ? ribbon.loops : 'strips' in ribbon ? ribbon.strips * 2 : 2), 0)
      : 0
  return task(
    `bow:${laid.layer.id}`,
    'bow',
    `Make the ${makeUp?.title ? lowerFirst(makeUp.title) : 'bow'}`,
    makeUp ? makeUpWords(piece, laid, makeUp, runs, shelf).slice(0, -1) : [],
    {
      layer: laid.layer.id,
      hands: worked(plus(times(count(Math.max(1, loops)), byRule(LOOP_EACH, shelf)), byRule(BOW_TIED, shelf))),
      tools: ['scissors', 'tape measure'],
    },
  )
}

const laying = onceWith<LaidLayer, Undone>()

/** How a layer is laid: said afresh when it, or how it is held, changed. */
function layTask(piece: Piece, runs: readonly Run[], laid: LaidLayer, of: OfLayers, needs: readonly Need[], shelf: Shelf): Undone {
  const fixings = of.fixings.filter(({ layer }) => layer === laid.layer.id)
  const length = lengthsIn(needs)
    .filter(({ layer, use }) => layer === laid.layer.id && use !== 'fixing')
    .reduce((all, one) => all + one.length * one.count, 0)
  // What is said of a layer depends on how its things are held, and of the piece on nothing else.
  const held = fixings.map(({ way, tied, why, against }) => `${way} ${tied} ${why} ${against?.why ?? ''}`).join('|')
  return laying(laid, [runs, shelf, held, length, of.makeUps.get(laid.layer.id) ? JSON.stringify(piece.base) : ''], () =>
    layAfresh(piece, runs, laid, of, fixings, length, shelf),
  )
}
function layAfresh(
  piece: Piece,
  runs: readonly Run[],
  laid: LaidLayer,
  { spacings, makeUps }: OfLayers,
  fixings: readonly Fixing[],
  length: number,
  shelf: Shelf,
): Undone {
  const { layer, placements } = laid
  const spacing = spacings.get(layer.id) ?? null
  const makeUp = makeUps.get(layer.id)
  const on = runs.filter(({ id }) => placements.some((one) => one.run === id))
  const run = on[0]!
  const rows = [...countsOf(laid)].map(([id, n]) => ({ material: materialOf(shelf, id)!, count: n }))
  const leafy = rows.some(({ material }) => material.form === 'leaf')
  const drop = arrangingOf<RuleKind>(layer.rule.kind).drop?.(layer.rule) ?? 0
  const bow = layer.rule.kind === 'bow'
  const said = makeUp
    ? bow
      ? makeUpWords(piece, laid, makeUp, runs, shelf).slice(-1)
      : makeUpWords(piece, laid, makeUp, runs, shelf)
    : arrangingOf<RuleKind>(layer.rule.kind).says(layer.rule, run, spacing)
  const held = hangsFree(layer) ? [] : holdWords(layer, fixings, shelf)
  return task(
    `layer:${layer.id}`,
    'lay',
    bow
      ? `Fix the ${makeUp?.title ? lowerFirst(makeUp.title) : 'bow'}`
      : makeUp?.title
        ? capital(makeUp.title)
        : `${titled(layer, on)}: ${listed(rows.map(({ material, count: n }) => inList(n === 1 ? material.name : several(n, material.name, material.plural))))}`,
    [
      ...said,
      ...(leafy ? [flowWords(layer, run)] : []),
      ...(leafy && layer.taper > 0 ? [taperWords(placements)] : []),
      ...(drop > 0
        ? [
            sum`Hang its middle ${quantity.length(drop)} below its place on ${layer.rule.kind === 'single' && layer.rule.folded ? 'one cord, folded over the base' : 'two cords'}.`,
          ]
        : []),
      ...held,
    ],
    {
      layer: layer.id,
      hands: handsFor(laid, fixings, length, shelf),
      waits: setsIn(fixings, shelf),
      counts: countsIn(laid, fixings),
      tools: unique(fixings.flatMap(({ way, tied }) => (tied ? [] : FIXING_WAYS[way].tools))),
      places: makeUp && !bow ? [] : placesOf(laid, rows, on, runs),
      cautions: unique([
        ...fixings.flatMap(({ way, joint, tied }) =>
          tied ? [] : fixingCautions(FIXING_WAYS[way].takes(joint, shelf).map(({ material }) => material)),
        ),
        ...rows.flatMap(({ material }) => (material.hazards.includes('prickly') ? ['prickly' as const] : [])),
      ]),
    },
  )
}

/** Nearer than this a thing lies where its run begins, mm. */
const AT_START = 1.5

function placesOf(laid: LaidLayer, rows: readonly { readonly material: Material }[], on: readonly Run[], runs: readonly Run[]): PlaceRow[] {
  return rows.flatMap(({ material }) =>
    on.flatMap((one): PlaceRow[] => {
      const own = inOrder(laid.placements.filter((placement) => placement.material === material.id && placement.run === one.id))
      if (!own.length) return []
      const reads =
        one.reads.kind === 'clock'
          ? runs.length > 1
            ? `on the ${one.name}`
            : null
          : runs.length > 1 && runs[0]!.reads.kind === 'clock'
            ? `on the ${one.name}, ${one.reads.words}`
            : one.reads.words
      return [
        {
          material: material.id,
          name: own.length === 1 ? material.name : material.plural,
          count: own.length,
          reads,
          at: own.map(({ s }) =>
            one.reads.kind === 'clock' ? [clock(clockAngle(one, s))] : s < AT_START ? [one.reads.start] : [quantity.length(s)],
          ),
        },
      ]
    }),
  )
}

/** What a layer is called: by its role, and a rib of beads by its rib. */
const titled = (layer: Layer, on: readonly Run[]): string =>
  layer.rule.kind === 'beads' && on.length === 1 ? capital(on[0]!.name) : ROLE_NAMES[layer.role]

/** How the things of a layer are held: each way once, with why when there is one way; and what backs it up. */
function holdWords(layer: Layer, fixings: readonly Fixing[], shelf: Shelf): Said[] {
  if (layer.rule.kind === 'bow' && fixings[0]?.tied)
    return [['Fix it with the ends of the wire that ties it, round the base and twisted shut behind.']]
  const ways = new Map<string, { names: string[]; why: string }>()
  for (const { way, joint, plural, why } of fixings) {
    const how = FIXING_WAYS[way].how(joint, shelf)
    const known = ways.get(how)
    ways.set(how, { names: [...(known?.names ?? []), plural], why: known?.why ?? why })
  }
  const backup = layer.backup && fixings[0] ? FIXING_WAYS[layer.backup].how(fixings[0].joint, shelf) : null
  return [
    ...[...ways].map(([how, { names }]) => (ways.size > 1 ? sum`${capital(listed(names))}: ${lowerFirst(how)}` : sum`${how}`)),
    ...(ways.size === 1 ? [sum`Why: ${lowerFirst([...ways.values()][0]!.why)}`] : []),
    ...(backup ? [sum`Back it up: ${lowerFirst(backup)}`] : []),
  ]
}

/** What is closed and hidden behind, by what it is held with. */
function finishWords({ base }: Piece, { fixings }: OfLayers): Said[] {
  const ways = new Set(fixings.flatMap(({ way, tied }) => (tied ? ['stem wire'] : [way])))
  const wired = fixings.some(({ way }) => FIXING_WAYS[way].link === 'wire')
  const scratches = ['wire', 'box', 'clamps', 'hoop', 'rod'].includes(BASE_SORTS[base.kind].body)
  return [
    sum`Fix what was only laid. Then turn it over and run a hand over the back.`,
    ...(wired ? [sum`Clip wire ends to a finger’s width, fold each under itself and press it flat into the base.`] : []),
    ...(ways.has('zip tie') ? [sum`Clip the tails of the zip ties flush.`] : []),
    ...(ways.has('hot glue') || ways.has('wire and glue') ? [sum`Pull off threads of glue.`] : []),
    ...(ways.has('pins') ? [sum`Press every pin home.`] : []),
    ...(scratches ? [sum`What is bare metal behind scratches a door: wrap it with tape, or set felt dots where it touches.`] : []),
  ]
}

/** Which way stems point: by the clock on a closed run, along it on an open one. */
function flowWords({ flow, seat }: Layer, run: Run): Said {
  if (run.closed) return [FLOW_WORDS[flow].replace('the seat', clock(clockAngle(run, seat * run.length)))]
  if (flow === 'clockwise') return [`All point away from ${run.reads.kind === 'from' ? run.reads.start : 'the start'}.`]
  if (flow === 'anticlockwise') return [`All point back to ${run.reads.kind === 'from' ? run.reads.start : 'the start'}.`]
  const at = seat * run.length
  const [before, after] = FLOW_WORDS[flow].split('the seat')
  return after === undefined ? [before!] : [before!, ...(Math.abs(at - run.length / 2) < 1 ? ['the middle'] : anchorSays(run, at)), after]
}

function taperWords(placements: LaidLayer['placements']): Said {
  const lengths = placements.map(({ length }) => length)
  return sum`Longest ${quantity.length(Math.max(...lengths))}, shorter toward the ends, down to ${quantity.length(Math.min(...lengths))}.`
}

const unique = <T>(items: readonly T[]): T[] => [...new Set(items)]
