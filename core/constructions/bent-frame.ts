import type { Base, Run } from '../base'
import { contactsOf } from '../base'
import type { Need, Shelf } from '../material'
import { materialOf, USUAL_ROD, USUAL_WIRE_BARE } from '../material'
import type { Term } from '../measure'
import { byRule, ceil, count, divide, labelled, minus, mm, plus, plusAll, quantity, saidAs, times } from '../measure'
import type { NamedFigure } from './construction'
import { lengthsFor, told, total } from './construction'
import { JOINT_WIRE, ROD_LAP } from './rules-of-thumb'

/** What the frame of a base is bent of, as a need is known by. */
export const FRAME_USE = 'frame'

/** Whether a base is bent by hand of rod that is bought for it, and not had as one. */
export const isBent = ({ shape, price }: Pick<Base, 'shape' | 'price'>): boolean => shape.form === 'outline' && price === null

/** One run as it is bent: how much rod it takes with all its laps, of which cuts, and how many joints of its own it has. */
interface BentRun {
  readonly run: Run
  readonly rod: Term
  /** mm: whole rods and what is left, laps in them. */
  readonly cuts: readonly number[]
  readonly joints: Term
}

/** A run that is closed laps at its own ends; one that is longer than a rod is joined of several, each lapping the next. */
function bentRun(run: Run, lap: Term, rodLength: number): BentRun {
  const line = saidAs(mm(run.length), [`the ${run.name} `, quantity.length(run.length)])
  const whole = run.length + (run.closed ? lap.value : 0)
  const asked = ceil(divide(minus(mm(whole), lap), minus(labelled`a rod ${mm(rodLength)}`, lap)))
  const rods = asked.value >= 1 ? asked : count(1)
  const joints = run.closed ? rods : minus(rods, count(1))
  const rod = joints.value > 0 ? plus(line, times(labelled`${count(joints.value)} laps`, lap)) : line
  const full = Array.from({ length: rods.value - 1 }, () => rodLength)
  return { run, rod, cuts: [...full, rod.value - total(full, (each) => each)], joints }
}

/** What bending an outline takes: rod for every run, and wire to bind its joints and where runs lie on one another. */
export function bentFrame(
  base: Base,
  runs: readonly Run[],
  shelf: Shelf,
): { readonly figures: readonly NamedFigure[]; readonly needs: readonly Need[] } {
  const rod = materialOf(shelf, USUAL_ROD)!
  const usual = byRule(ROD_LAP, shelf)
  // What is shorter than two laps can hardly be joined at all.
  const lap = 2 * usual.value < rod.length ? usual : labelled`half a rod ${mm(rod.length / 2)}`
  const bent = runs.map((run) => bentRun(run, lap, rod.length))
  const meet = contactsOf(runs, base.shape.form === 'outline' ? base.shape.face : 0)
  const own = plusAll(
    bent
      .filter(({ joints }) => joints.value > 0)
      .map(({ run, joints }) => saidAs(joints, [`on the ${run.name} `, quantity.count(joints.value)])),
    count(0),
  )
  const joints = meet ? plus(own, labelled`where runs meet ${count(meet)}`) : own
  const wire = times(labelled`${count(joints.value)} joints`, byRule(JOINT_WIRE, shelf))
  const rods = plusAll(
    bent.map((each) => each.rod),
    mm(total(bent, (each) => each.rod.value)),
  )
  return {
    figures: [
      told('rod', 'Rod to bend', rods),
      ...(joints.value > 0 ? [told('joints', 'Joints to bind', joints), told('joint-wire', 'Wire for the joints', wire)] : []),
    ],
    needs: lengthsFor('base', [
      ...bent.flatMap(({ cuts }) => cuts.map((length) => ({ material: USUAL_ROD, use: FRAME_USE, length, count: 1, joins: false }))),
      ...(joints.value > 0
        ? [{ material: USUAL_WIRE_BARE, use: 'joints', length: byRule(JOINT_WIRE, shelf).value, count: joints.value, joins: false }]
        : []),
    ]),
  }
}
