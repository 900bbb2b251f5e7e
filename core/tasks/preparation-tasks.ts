import type { LaidLayer } from '../placement'
import { countsOf } from '../placement'
import { BASE_SORTS } from '../base'
import { colourFamily } from '../coverage'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Said } from '../measure'
import { capital, listed, sum, worked } from '../measure'
import type { Preparation } from '../piece'
import { each, once } from './durations'
import { BAGS, BAKES, BAKE_HANDS, JOIN, PAINT_COAT, PAINT_DRIES, SEAL_COAT, SEAL_DRIES, TAKE_OFF, WIPE_EACH } from './rules-of-thumb'
import type { Before, TaskKind, Undone } from './task'
import type { TaskContext } from './task-builder'
import { task, waitsFor, wordOf } from './task-builder'
import { taskKey } from './task-key'
import type { ReasonCode } from './words'
import { taskMessage } from './words'

/** What is made ready: the things of a layer, or the base. */
interface Prepared {
  /** The layer's, or `base`. */
  readonly id: string
  /** "the 12 cones" */
  readonly what: string
  readonly count: number
  readonly how: Preparation
}

/** What a preparation says and takes, by what it is done to. */
type Doing = Pick<Undone, 'named' | 'says' | 'hands'> & Partial<Pick<Undone, 'waits' | 'tools' | 'cautions'>>

/** One kind of preparation. */
interface PreparationSort {
  readonly kind: TaskKind
  readonly wanted: (how: Preparation) => boolean
  /** How it is done; null where it is not wanted. */
  readonly doing: (of: Prepared, shelf: Shelf) => Doing | null
  /** Why the next preparation waits for it. */
  readonly next: ReasonCode
  /** Why things go on only after it. */
  readonly laid: ReasonCode
}

/** A preparation by what of it is wanted, null for nothing, and how that is done. */
const preparation = <T>(
  kind: TaskKind,
  wanted: (how: Preparation) => T | null,
  doing: (wanted: T, of: Prepared, shelf: Shelf) => Doing,
  reasons: Pick<PreparationSort, 'next' | 'laid'>,
): PreparationSort => ({
  kind,
  wanted: (how) => wanted(how) !== null,
  doing: (of, shelf) => {
    const value = wanted(of.how)
    return value === null ? null : doing(value, of, shelf)
  },
  ...reasons,
})

/** In the order in which they are done: what is painted is clean and bent, what is sealed is painted. */
const PREPARATIONS: readonly PreparationSort[] = [
  preparation('take off', ({ from }) => from, takingOff, { next: 'off-the-older', laid: 'off-the-older' }),
  preparation('finds', ({ clean }) => (clean === 'none' ? null : clean), cleaning, {
    next: 'on-what-is-clean',
    laid: 'goes-on-clean',
  }),
  preparation('join', ({ joined }) => (joined ? joined : null), joining, {
    next: 'joined-before-paint',
    laid: 'made-before-laid',
  }),
  preparation('paint', ({ paint }) => paint, painting, { next: 'sealer-over-dry-paint', laid: 'dry-before-laid' }),
  preparation('seal', ({ seal }) => (seal > 0 ? seal : null), sealing, { next: 'dry-before-laid', laid: 'dry-before-laid' }),
]

function takingOff(from: string, { what }: Prepared, shelf: Shelf): Doing {
  return {
    named: taskMessage('take-off', { what, from }),
    says: [sum`Cut wires behind, ease dots of glue off with a thin blade, and keep the cut lengths.`],
    hands: once(TAKE_OFF, shelf),
    tools: ['wire cutters'],
    cautions: ['cutting'],
  }
}

function cleaning(clean: Exclude<Preparation['clean'], 'none'>, { what, count }: Prepared, shelf: Shelf): Doing {
  switch (clean) {
    case 'wipe':
      return {
        named: taskMessage('wipe', { what }),
        says: [sum`Wipe each with a damp cloth, look it over for mould and holes, and let it dry.`],
        hands: worked(each(Math.max(1, count), count === 1 ? 'find' : 'finds', WIPE_EACH, shelf)),
      }
    case 'bag':
      return {
        named: taskMessage('keep-in-bag', { what }),
        says: [sum`Close the bag tight and lay it in the cold; then shake it out and look each over.`],
        hands: once(BAKE_HANDS, shelf),
        waits: once(BAGS, shelf),
      }
    case 'bake':
      return {
        named: taskMessage('bake', { what }),
        says: [sum`Spread in one layer on a lined tray and bake in a low oven for about an hour; let cool. Stay by it.`],
        hands: once(BAKE_HANDS, shelf),
        waits: once(BAKES, shelf),
        cautions: ['baking'],
        tools: ['oven tray with paper'],
      }
  }
}

function joining(_: true, { what }: Prepared, shelf: Shelf): Doing {
  return {
    named: taskMessage('bend-and-join', { what }),
    says: [sum`Bend and join it now, let it settle, and check the joint: paint breaks where it is bent afterwards.`],
    hands: once(JOIN, shelf),
  }
}

const coatsOf = (n: number): string => (n === 1 ? 'coat' : 'coats')

function painting({ coats, colour }: NonNullable<Preparation['paint']>, { what }: Prepared, shelf: Shelf): Doing {
  const says: Said =
    coats === 1
      ? sum`One thin coat from all sides; turn it when it is dry to the touch.`
      : sum`${capital(wordOf(coats))} thin coats from all sides, each dry before the next.`
  return {
    named: taskMessage('paint', { what, colour: colourFamily(colour) }),
    says: [says],
    hands: worked(each(coats, coatsOf(coats), PAINT_COAT, shelf)),
    waits: worked(each(coats, coatsOf(coats), PAINT_DRIES, shelf)),
    cautions: ['paint'],
    tools: ['paint', 'newspaper to paint on'],
  }
}

function sealing(coats: number, { what }: Prepared, shelf: Shelf): Doing {
  const says: Said =
    coats === 1
      ? sum`One thin coat of sealer from all sides.`
      : sum`${capital(wordOf(coats))} thin coats of sealer, each dry before the next.`
  return {
    named: taskMessage('seal', { what }),
    says: [says],
    hands: worked(each(coats, coatsOf(coats), SEAL_COAT, shelf)),
    waits: worked(each(coats, coatsOf(coats), SEAL_DRIES, shelf)),
    cautions: ['paint'],
    tools: ['sealer', 'newspaper to paint on'],
  }
}

/** What one thing's preparations are, each after the one before it. */
function preparing(of: Prepared, shelf: Shelf): Undone[] {
  let after: readonly Before[] = []
  return PREPARATIONS.flatMap(({ kind, doing, next }): Undone[] => {
    const done = doing(of, shelf)
    if (!done) return []
    const { named, says, ...rest } = done
    const id = taskKey(kind, of.id)
    const one = task(id, kind, named, says, { layer: of.id === 'base' ? null : of.id, after, ...rest })
    after = [waitsFor(id, next)]
    return [one]
  })
}

/** What has to be ready of a layer's own preparations, or the base's, before it goes on: the last of them. */
export function preparedAfter(id: string, how: Preparation): Before[] {
  const last = PREPARATIONS.findLast(({ wanted }) => wanted(how))
  return last ? [waitsFor(taskKey(last.kind, id), last.laid)] : []
}

/** What is done to things before they go on: long drying first. @param layers of which something lies */
export function preparationTasks({ piece, shelf }: TaskContext, layers: readonly LaidLayer[]): Undone[] {
  const base = preparing(
    { id: 'base', what: `the ${BASE_SORTS[piece.base.kind].name.toLowerCase()}`, count: 1, how: piece.making.base },
    shelf,
  ).map((one) => (one.kind === 'take off' ? one : { ...one, after: [...one.after, waitsFor('base', 'loose-is-off')] }))
  const things = layers.flatMap((one) => {
    const rows = [...countsOf(one)].map(([id, n]) => ({ material: materialOf(shelf, id)!, n }))
    return preparing(
      {
        id: one.layer.id,
        what: rows.length
          ? `the ${listed(rows.map(({ material, n }) => (n === 1 ? material.name : material.plural)))}`
          : `the ${materialOf(shelf, one.layer.mix[0]!.material)?.name ?? 'material'}`,
        count: rows.reduce((all, { n }) => all + n, 0),
        how: one.layer.prepared,
      },
      shelf,
    )
  })
  return [...base, ...things].sort((a, b) => b.waits.value - a.waits.value)
}
