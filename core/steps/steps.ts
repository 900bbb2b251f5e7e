import type { LaidLayer, Spacing } from '../arrange'
import { arrangingOf, countsOf, countsOfAll, inOrder } from '../arrange'
import type { Body, Run } from '../base'
import { anchorSays, BASE_SORTS, clockAngle, DIMENSIONS, markOn } from '../base'
import type { Method } from '../fix'
import { methodFor } from '../fix'
import type { MakeUp } from '../construct'
import { makeUpWords } from '../construct'
import type { Material, Need, Shelf } from '../material'
import { byMaterial, lengthsIn, materialOf, pieceLength, piecesPerStem, thingsIn } from '../material'
import type { Said } from '../measure'
import { capital, clock, listed, onceFor, quantity, several, sum } from '../measure'
import type { Flow, Layer, Piece, RuleKind } from '../piece'
import { ROLE_NAMES } from '../piece'
import type { CautionId } from './cautions'
import { cuttingCautions, hangingCautions, hazardCautions, fixingCautions } from './cautions'

export interface PlaceRow {
  readonly material: string
  readonly name: string
  readonly count: number
  /** "left of the join" for distances; null for clock positions. */
  readonly reads: string | null
  readonly at: readonly Said[]
}

/** One thing to do, in its turn, and what it needs. */
export interface Task {
  readonly id: string
  readonly title: string
  readonly says: readonly Said[]
  /** Where things go, a row for each kind of material on each run: clock positions, or distances from where the run is read. */
  readonly places: readonly PlaceRow[]
  readonly cautions: readonly CautionId[]
  readonly layer: string | null
  /** What it takes of all that the piece needs: each need belongs to one task. */
  readonly needs: readonly Need[]
}

const FLOW_WORDS: Record<Flow, string> = {
  clockwise: 'All point clockwise.',
  anticlockwise: 'All point anticlockwise.',
  apart: 'They point away from the seat on both sides.',
  together: 'They point to the seat from both sides.',
  outward: 'They point outward.',
  inward: 'They point inward.',
  nest: 'They lie both ways, like a nest.',
}

/** What was worked out of each layer, by its id. */
export interface OfLayers {
  readonly spacings: ReadonlyMap<string, Spacing>
  readonly makeUps: ReadonlyMap<string, MakeUp>
  readonly ofBase: MakeUp
}

/** The tasks in order, from bare base to hung piece. */
export function tasksOf(
  piece: Piece,
  runs: readonly Run[],
  laid: readonly LaidLayer[],
  of: OfLayers,
  needs: readonly Need[],
  shelf: Shelf,
): Task[] {
  const materials = materialsOn(laid, shelf)
  const layers = laid.filter(({ placements }) => placements.length > 0)
  const tasks: Undone[] = [
    prepareBase(piece, runs),
    ...(layers.length ? [prepareStems(piece, layers, materials, of, shelf)] : []),
    ...layers.map((each) => layTask(piece, runs, each, of, shelf)),
    {
      id: 'look',
      title: 'Hang it and look',
      layer: null,
      places: [],
      cautions: [],
      says: [
        sum`Hang it where it will live. Look from across the room, from the side and in its real light. Fill, trim and move before anything is fixed for good.`,
      ],
    },
    {
      id: 'finish',
      title: 'Fix for good and finish the back',
      layer: null,
      places: [],
      cautions: ['behind'],
      says: [sum`Fix what was laid dry. Clip, fold and tuck every end behind; nothing sharp is left.`],
    },
    {
      id: 'hang',
      title: 'Fit the hanger',
      layer: null,
      places: [],
      cautions: hangingCautions(piece, materials),
      says: [hangerWords(piece)],
    },
    {
      id: 'record',
      title: 'Write down what happened',
      layer: null,
      places: [],
      cautions: [],
      says: [sum`Note what you did otherwise, the hours, and what was left over.`],
    },
  ]
  return tasks.map((task) => ({ ...task, needs: needs.filter((need) => taskOf(need) === task.id) }))
}

/** A task before it is said what it needs. */
type Undone = Omit<Task, 'needs'>

/** The task that something is needed for. */
const taskOf = ({ layer, use }: Need): string => (layer !== 'base' ? `layer:${layer}` : use === 'hanger' ? 'hang' : 'base')

/** What a hanger is tied round where that is not simply the base. */
const HUNG_BY: Partial<Record<Body, string>> = { trees: 'round the trunks behind the middle', bound: 'round the binding behind' }

function hangerWords({ base }: Piece): Said {
  const test = ' Tug it with twice the weight, then shake the piece: nothing may move.'
  const { family } = BASE_SORTS[base.kind]
  if (family === 'garlands') return [`Hang it on its hooks, tied at every one.${test}`]
  if (base.hook !== null) return [`Hang it by its own hook.${test}`]
  return [
    `Tie the hanger ${HUNG_BY[BASE_SORTS[base.kind].body] ?? (family === 'swags' ? 'round the middle of the base itself' : 'at 12:00 round the base itself')}, not round what is on it.${test}`,
  ]
}

export function materialsOn(laid: readonly LaidLayer[], shelf: Shelf): Material[] {
  return [...countsOfAll(laid).keys()].map((id) => materialOf(shelf, id)!)
}

/** The materials that hold what is on a piece, each once. */
export function fixingsOf(piece: Piece, laid: readonly LaidLayer[], shelf: Shelf): string[] {
  const bows = laid.some(({ layer }) => layer.rule.kind === 'bow') ? [BOW_ITSELF] : []
  return [...new Set([...materialsOn(laid, shelf), ...bows].flatMap((material) => methodFor(piece.base.kind, material, shelf).needs))]
}

function prepareBase({ base }: Piece, runs: readonly Run[]): Undone {
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
  return {
    id: 'base',
    title: `Prepare the ${sort.name.toLowerCase()}`,
    layer: null,
    places: [],
    cautions: [],
    says: [
      [`${sort.name}: `, ...measures.flatMap((each, i) => [...(i ? [', '] : []), ...each]), '.'],
      ...sort.prepare.map((line) => sum`${line}`),
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
  }
}

function prepareStems(
  piece: Piece,
  laid: readonly LaidLayer[],
  materials: readonly Material[],
  { makeUps, ofBase }: OfLayers,
  shelf: Shelf,
): Undone {
  const fixings = fixingsOf(piece, laid, shelf)
  // What holds it by its method, and what is made of lengths by what it takes: "20 floral pins", "paddle wire".
  const taken = [ofBase, ...laid.flatMap(({ layer }) => makeUps.get(layer.id) ?? [])].flatMap(({ needs }) => needs)
  const named = (id: string, say: (material: Material) => string): string[] =>
    [materialOf(shelf, id)].flatMap((each) => (each ? [say(each)] : []))
  const ready = unique([
    ...fixings.flatMap((id) => (id === 'glue-stick' ? ['hot glue gun and sticks'] : named(id, ({ name }) => name))),
    ...[...byMaterial(thingsIn(taken))].flatMap(([id, all]) =>
      named(id, ({ name, plural }) =>
        several(
          all.reduce((n, { count }) => n + count, 0),
          name,
          plural,
        ),
      ),
    ),
    ...[...byMaterial(lengthsIn(taken)).keys()].flatMap((id) => named(id, ({ name }) => name)),
  ])
  const rows = laid.flatMap((each) =>
    [...countsOf(each)].map(([id, count]) => ({ layer: each.layer, material: materialOf(shelf, id)!, count })),
  )
  const cuts = rows.filter(({ material }) => material.form === 'leaf').map(({ layer, material, count }) => cutLine(layer, material, count))
  const heads = rows
    .filter(({ material }) => material.form !== 'leaf')
    .map(({ material, count }) => several(count, material.name, material.plural))
  return {
    id: 'stems',
    title: 'Sort and cut',
    layer: null,
    places: [],
    says: [
      ...cuts,
      ...(heads.length ? [sum`Lay out ${listed(heads)}.`] : []),
      ...(ready.length ? [sum`Have ready: ${listed(ready)}.`] : []),
      sum`Leave the longest for the ends of the design; set spares aside.`,
    ],
    cautions: unique([...cuttingCautions(materials, piece.base.kind, fixings), ...materials.flatMap(hazardCautions)]),
  }
}

function cutLine(layer: Layer, material: Material, count: number): Said {
  const each = several(count, material.name, material.plural)
  if (layer.cut === null || layer.cut >= material.length) return sum`${each}, left whole.`
  const per = piecesPerStem(material, layer.cut)
  const length = quantity.length(pieceLength(material, layer.cut))
  return per > 1 ? sum`${each} cut to ${length}: ${quantity.count(per)} from each stem.` : sum`${each} cut to ${length}.`
}

/** A made bow, as something to fix. */
const BOW_ITSELF = { kind: 'bow', form: 'disc', mass: 0, plural: 'the bow' } as const

const laying = onceFor<LaidLayer, Undone>()

const layTask = (piece: Piece, runs: readonly Run[], laid: LaidLayer, of: OfLayers, shelf: Shelf): Undone =>
  laying(laid, () => layAfresh(piece, runs, laid, of, shelf))

function layAfresh(piece: Piece, runs: readonly Run[], laid: LaidLayer, { spacings, makeUps }: OfLayers, shelf: Shelf): Undone {
  const { layer, placements } = laid
  const spacing = spacings.get(layer.id) ?? null
  const makeUp = makeUps.get(layer.id)
  const on = runs.filter(({ id }) => placements.some((each) => each.run === id))
  const run = on[0]!
  const rows = [...countsOf(laid)].map(([id, count]) => ({ material: materialOf(shelf, id)!, count }))
  const methods = byMethod(
    piece,
    shelf,
    layer.rule.kind === 'beads' ? [] : layer.rule.kind === 'bow' ? [BOW_ITSELF] : rows.map(({ material }) => material),
  )
  const leafy = rows.some(({ material }) => material.form === 'leaf')
  const drop = arrangingOf<RuleKind>(layer.rule.kind).drop?.(layer.rule) ?? 0
  const said = makeUp
    ? makeUpWords(piece, laid, makeUp, runs, shelf)
    : arrangingOf<RuleKind>(layer.rule.kind).says(layer.rule, run, spacing)
  return {
    id: `layer:${layer.id}`,
    layer: layer.id,
    title: makeUp?.title
      ? capital(makeUp.title)
      : `${ROLE_NAMES[layer.role]}: ${listed(rows.map(({ material, count }) => several(count, material.name, material.plural)))}`,
    says: [
      ...said,
      ...(leafy ? [flowWords(layer, run)] : []),
      ...(leafy && layer.taper > 0 ? [taperWords(placements)] : []),
      ...(drop > 0 ? [sum`Hang its middle ${quantity.length(drop)} below its place on two cords.`] : []),
      ...methods.map(({ method, names }) => (methods.length > 1 ? sum`${capital(listed(names))}: ${method.how}` : sum`${method.how}`)),
      ...methods
        .filter(({ method }) => method.why)
        .slice(0, 1)
        .map(({ method }) => sum`Why: ${method.why}`),
    ],
    places: makeUp
      ? []
      : rows.flatMap(({ material }) =>
          on.flatMap((each): PlaceRow[] => {
            const own = inOrder(placements.filter((placement) => placement.material === material.id && placement.run === each.id))
            if (!own.length) return []
            const reads =
              each.reads.kind === 'clock'
                ? runs.length > 1
                  ? `on the ${each.name}`
                  : null
                : runs.length > 1 && runs[0]!.reads.kind === 'clock'
                  ? `${each.reads.words}, ${each.name}`
                  : each.reads.words
            return [
              {
                material: material.id,
                name: own.length === 1 ? material.name : material.plural,
                count: own.length,
                reads,
                at: own.map(({ s }) => (each.reads.kind === 'clock' ? [clock(clockAngle(each, s))] : [quantity.length(s)])),
              },
            ]
          }),
        ),
    cautions: unique([
      ...methods.flatMap(({ method }) => fixingCautions(method.needs)),
      ...rows.flatMap(({ material }) => (material.hazards.includes('prickly') ? ['prickly' as const] : [])),
    ]),
  }
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

function byMethod(
  piece: Piece,
  shelf: Shelf,
  materials: readonly Pick<Material, 'kind' | 'form' | 'mass' | 'plural'>[],
): { method: Method; names: string[] }[] {
  const found = new Map<Method, string[]>()
  for (const material of materials) {
    const method = methodFor(piece.base.kind, material, shelf)
    found.set(method, [...(found.get(method) ?? []), material.plural])
  }
  return [...found].map(([method, names]) => ({ method, names }))
}

const unique = <T>(items: readonly T[]): T[] => [...new Set(items)]
