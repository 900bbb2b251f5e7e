import { USUAL_CORD } from '../material'
import type { Run } from '../base'
import { BASE_SORTS, stationAt } from '../base'
import { KNOT, RISE, tubeOf } from '../constructions'
import type { Need } from '../material'
import type { Figure, Point, Rated, Said, Term } from '../measure'
import { quantity, rate, sum, byRule, count, minus, mm, divide, PI, plus, saidAs, labelled, times, ceil, worked } from '../measure'
import type { Hanger, Piece } from '../piece'
import { hangsAt, OWN_RIBBON } from '../piece'
import { HANGING_HOOKS } from './hanger-catalogue'
import { HOOK_EVERY, OVER_TOP, WIRE_TWIST, WRAPS } from './rules-of-thumb'

/** What a hanger takes, and what that comes to. */
export interface HangerMake {
  readonly length: Figure | null
  readonly hooks: Figure
  readonly needs: readonly Need[]
}

/**
 * Cord for a loop that goes once round a base so thick: `π × thick + 2 × rise + knot`.
 * @param around times round
 * @example hangerLength(mm(50.8), mm(76.2), USUAL).value // 413.6: 2π + 6 + 4 in
 */
export const hangerLength = (thick: Term, rise: Term, by: Rated, around = 1): Term =>
  plus(
    around === 1 ? times(PI, thick) : times(count(around), PI, thick),
    times(count(2), labelled`rise ${rise}`),
    labelled`knot ${byRule(KNOT, by)}`,
  )

/**
 * Cord for an arch between two points: `gap + 2 × rise + wraps`.
 * @example archLength(mm(100), mm(50), mm(0), USUAL).value // 200
 */
export const archLength = (gap: Term, rise: Term, thick: Term, by: Rated): Term =>
  plus(
    labelled`gap ${gap}`,
    times(count(2), labelled`rise ${rise}`),
    times(labelled`${count(2)} ends`, labelled`${byRule(WRAPS, by)} wraps`, PI, thick),
  )

const RIBBON = 'ribbon-burlap'
/** The longest stem wire, mm: a longer loop takes two. */
const STEM_WIRE = 457.2

/** How far a loop rises from what it goes round. */
export const riseOf = ({ rise }: Hanger, by: Rated): Term => (rise === null ? byRule(RISE, by) : mm(rise))

/** How many hooks a garland hangs on: at its ends, wherever its route turns, and none farther from the next than so much. */
function routeHooks({ base: { shape } }: Pick<Piece, 'base'>, runs: readonly Run[], by: Rated): Term {
  const every = byRule(HOOK_EVERY, by)
  const along = (stretch: Term): Term => ceil(divide(stretch, every))
  switch (shape.form) {
    case 'scallops':
      return plus(count(shape.count), count(1))
    case 'door':
      return plus(
        times(count(2), along(labelled`a side ${mm(shape.height)}`)),
        times(count(2), along(labelled`half the top ${mm(shape.width / 2)}`)),
        count(1),
      )
    case 'mantel':
      return plus(times(count(2), along(labelled`an end ${mm(shape.drops)}`)), along(labelled`the shelf ${mm(shape.width)}`), count(1))
    default:
      return plus(along(labelled`its length ${mm(runs.reduce((all, { length }) => all + length, 0))}`), count(1))
  }
}

/** Where those hooks go. */
export function routeWords({ base: { shape } }: Pick<Piece, 'base'>, hooks: number, by: Rated): Said {
  const between = sum`, and none farther from the next than ${quantity.length(rate(HOOK_EVERY, by))}.`
  const at = (where: string): Said => [...sum`${quantity.count(hooks)} hooks: ${where}`, ...between]
  switch (shape.form) {
    case 'scallops':
      return sum`${quantity.count(hooks)} hooks, level: one where each scallop begins, one where the last ends.`
    case 'door':
      return at('in the middle of the top, at both corners, at the foot of both sides')
    case 'mantel':
      return at(shape.drops > 0 ? 'at both corners of the shelf, at both ends' : 'at both ends')
    default:
      return at('at both ends')
  }
}

/** What the hanger of a piece takes; null while none was chosen. */
export function hangerMake(piece: Piece, runs: readonly Run[], by: Rated): HangerMake | null {
  const { hanger } = piece
  if (!hanger) return null
  const length = loopLength(piece, hanger, runs, by)
  const hooks = hanger.hook === 'route hooks' ? routeHooks(piece, runs, by) : count(1)
  const { material } = HANGING_HOOKS[hanger.hook]
  const things = (material: string, use: string, n: number): Need => ({
    of: 'things',
    material,
    use,
    layer: 'base',
    count: n,
    cut: null,
    spare: 0,
  })
  const cord = (material: string): Need[] =>
    length ? [{ of: 'lengths', material, use: 'hanger', layer: 'base', length: length.value, count: 1, joins: false }] : []
  const loop: Need[] =
    hanger.loop === 'wire loop'
      ? [things('stem-wire-18', 'hanger', length!.value > STEM_WIRE ? 2 : 1)]
      : hanger.loop === 'coat hook'
        ? [things('coat-hook', 'hanger', 1)]
        : hanger.loop === 'tied'
          ? [things('pipe-cleaner', 'hanger', hooks.value)]
          : cord(hanger.loop === 'ribbon' ? ribbonOn(piece) : USUAL_CORD)
  return {
    length: length && worked(length),
    hooks: worked(hooks),
    needs: [...loop, ...(material ? [things(material, 'hook', hooks.value)] : [])],
  }
}

/** The ribbon of a piece's bow, or a plain one. */
function ribbonOn({ layers }: Piece): string {
  const bow = layers.find(({ rule }) => rule.kind === 'bow')
  const material = bow?.mix.at(-1)?.material
  return material !== undefined && material !== OWN_RIBBON ? material : RIBBON
}

function loopLength(piece: Piece, hanger: Hanger, runs: readonly Run[], by: Rated): Term | null {
  const thick = tubeOf(piece, runs[0]!, by)
  const rise = riseOf(hanger, by)
  switch (hanger.loop) {
    case 'twine loop':
      return hangerLength(thick, rise, by)
    case 'lark’s-head cord':
      return hangerLength(thick, rise, by, 2)
    case 'wire loop':
      return plus(
        times(PI, thick),
        times(count(2), labelled`rise ${rise}`),
        times(count(2), labelled`a twist of ${byRule(WIRE_TWIST, by)}`),
      )
    case 'arch':
      return archLength(mm(hanger.gap), rise, thick, by)
    case 'ribbon': {
      const up = 1 - (hangsAt(piece, by) ?? 0.5)
      const top = minus(
        labelled`top of the door ${saidAs(mm(up * piece.brief.door.height), [quantity.length(up * piece.brief.door.height), ' over its middle'])}`,
        mm(Math.max(0, -attachment(runs, hanger).y)),
      )
      return plus(times(count(2), plus(top, labelled`over it ${byRule(OVER_TOP, by)}`)), times(PI, thick))
    }
    case 'own hook':
    case 'coat hook':
    case 'tied':
      return null
  }
}

/** Where a hanger's loop leaves the base: the edge of it that lies uppermost there. */
export function attachment(runs: readonly Run[], { run: id, at }: Pick<Hanger, 'run' | 'at'>): Point {
  const run = runs.find((each) => each.id === id) ?? runs[0]!
  const { x, y, nx, ny, half } = stationAt(run, at * run.length)
  if (run.closed) return { x: x + nx * half, y: y + ny * half }
  // On an arm that hangs across, the cord goes round its upper edge; on one that hangs down, round its end.
  return { x: x + (ny > 0 ? -nx : nx) * half * Math.abs(ny), y: y - half * ny * ny }
}

/** The point about which a hung piece turns: where its loop leaves it, or the top of its arch. */
export function pivotOf({ base, hanger }: Pick<Piece, 'base' | 'hanger'>, runs: readonly Run[], by: Rated): Point | null {
  if (!hanger || BASE_SORTS[base.kind].family === 'garlands') return null
  const { x, y } = attachment(runs, hanger)
  return hanger.loop === 'arch' ? { x, y: y - (hanger.rise ?? rate(RISE, by)) } : { x, y }
}
