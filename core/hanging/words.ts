import type { HookKind, LoopKind, WayId } from '../piece'
import type { Said, WordTable } from '../measure'
import { capital, listed, lowerFirst, messagesOf, quantity, sum } from '../measure'
import { HANGING_HOOKS, HANGING_LOOPS } from './hanger-catalogue'

/** Why something heavy may fall. */
export type Weakness = 'only glue' | 'only foam' | 'pins pull out' | 'only tucked in' | 'one tie'

type Nothing = Record<never, never>

/** What the room has to say of a piece that hangs, and of what. Lengths are mm, masses g; names are the shelf’s. */
export interface HangingMessages {
  'door-over': { width: number; door: number }
  /** @property most the share of the door that is enough @property usual whether that is the usual two thirds */
  'door-share': { width: number; door: number; most: number; usual: boolean }
  'take-base': { name: string }
  'smaller-base-or-stems': Nothing
  'route-of-another-door': { width: number; height: number; door: { width: number; height: number } }
  'measure-for-door': Nothing
  tender: { plurals: readonly string[]; in: 'rain' | 'damp' }
  'hang-in-weather': { weather: 'indoors' | 'covered' }
  'touches-ring': { needs: number; hole: number }
  'hang-in-middle': Nothing
  'smaller-sign-or-larger-ring': Nothing
  'bow-wider-than-base': { name: string; share: number }
  'bow-takes-lead': { name: string; share: number; most: number; usual: boolean }
  'bow-small': { name: string; share: number; least: number; most: number; usual: boolean }
  'smaller-bow-or-larger-base': Nothing
  'smaller-bow-or-focal': Nothing
  'larger-bow': Nothing
  'no-hanger': Nothing
  'hang-by': { loop: LoopKind; hook: HookKind }
  'not-together': { loop: LoopKind; hook: HookKind }
  /** The hook does not hold on that ground, or not in that weather. */
  'hook-against': { hook: HookKind; because: 'ground' | 'weather' }
  'take-hook': { hook: HookKind }
  /** @property said whether a packet says what it bears */
  'too-heavy': { mass: number; bears: number; share: number; hook: HookKind; hooks: number; said: boolean }
  'stronger-hook': Nothing
  'too-deep': { depth: number; clear: number }
  'flatter-or-outer-door': Nothing
  'turns-over': Nothing
  'hang-higher': Nothing
  tilts: { degrees: number; clockwise: boolean }
  /** @property where in words of the base’s room */
  'move-hanger': { where: Said }
  'weight-opposite': { mass: number; left: boolean }
  'reaches-floor': { by: number }
  'higher-or-shorter-tails': Nothing
  'in-way-of-handle': { reach: number; room: number }
  'higher-or-narrower': Nothing
  'may-fall': { plural: string; weak: readonly Weakness[] }
  'hold-with': { way: WayId }
  'back-up-with': { way: WayId }
}

const WEAK: Readonly<Record<Weakness, string>> = {
  'only glue': 'its only link is glue',
  'only foam': 'its only link is in foam',
  'pins pull out': 'pins pull out under weight',
  'only tucked in': 'it is only tucked in',
  'one tie': 'it hangs on one tie',
}
/** Weaknesses as they stand after a colon. */
export const weaknessSaid = (weak: readonly Weakness[]): string => listed(weak.map((each) => WEAK[each]))

const percent = (share: number): number => Math.round(share * 100)

/** The words of the room, in English. */
export const HANGING_WORDS: WordTable<HangingMessages> = {
  'door-over': ({ width, door }) => sum`${quantity.length(width)} wide: it does not fit on ${quantity.length(door)}.`,
  'door-share': ({ width, door, most, usual }) =>
    sum`${quantity.length(width)} wide: more than ${usual ? 'two thirds' : quantity.share(most)} of the ${quantity.length(door)} it hangs on.`,
  'take-base': ({ name }) => sum`Take the ${name} in base`,
  'smaller-base-or-stems': () => ['A smaller base or shorter stems'],
  'route-of-another-door': ({ width, height, door }) =>
    sum`The garland goes round ${quantity.length(width)} × ${quantity.length(height)}, but the door is ${quantity.length(door.width)} × ${quantity.length(door.height)}.`,
  'measure-for-door': () => ['Measure it for this door'],
  tender: ({ plurals, in: wet }) => [`${capital(listed(plurals))} will not stand ${wet}.`],
  'hang-in-weather': ({ weather }) => [weather === 'indoors' ? 'Hang it indoors' : 'Hang it under cover'],
  'touches-ring': ({ needs, hole }) =>
    sum`What hangs inside touches the ring: it needs ${quantity.length(needs)} and the hole is ${quantity.length(hole)}.`,
  'hang-in-middle': () => ['Hang it in the middle'],
  'smaller-sign-or-larger-ring': () => ['A smaller sign or a larger ring'],
  'bow-wider-than-base': ({ name, share }) => sum`The ${name} is ${quantity.share(share)} of the base’s width: wider than the base itself.`,
  'bow-takes-lead': ({ name, share, most, usual }) =>
    sum`The ${name} is ${quantity.share(share)} of the base’s width: more than ${usual ? 'half' : quantity.share(most)}, it takes the lead from the focals.`,
  'bow-small': ({ name, share, least, most, usual }) =>
    sum`The ${name} is ${quantity.share(share)} of the base’s width: ${usual ? 'about a third to a half' : `from ${percent(least)} to ${percent(most)} %`} looks right.`,
  'smaller-bow-or-larger-base': () => ['A smaller bow, or a larger base'],
  'smaller-bow-or-focal': () => ['A smaller bow, or let it be the focal'],
  'larger-bow': () => ['A larger bow'],
  'no-hanger': () => ['It has no hanger yet.'],
  'hang-by': ({ loop, hook }) => [`${HANGING_LOOPS[loop].name}, ${lowerFirst(HANGING_HOOKS[hook].name)}`],
  'not-together': ({ loop, hook }) => [
    `${HANGING_LOOPS[loop].name} and ${lowerFirst(HANGING_HOOKS[hook].name)} do not go together on this base.`,
  ],
  'hook-against': ({ hook, because }) => [because === 'ground' ? HANGING_HOOKS[hook].because : HANGING_HOOKS[hook].weather!],
  'take-hook': ({ hook }) => [HANGING_HOOKS[hook].name],
  'too-heavy': ({ mass, bears, share, hook, hooks, said }) =>
    sum`It weighs ${quantity.mass(mass)}, and ${hooks > 1 ? 'its hooks' : lowerFirst(HANGING_HOOKS[hook].name)} should carry ${quantity.mass(bears)} at most: ${quantity.share(share)} of what ${said ? 'the packet says' : 'such hooks usually bear'}.`,
  'stronger-hook': () => ['A stronger hook, or two'],
  'too-deep': ({ depth, clear }) =>
    sum`It stands out ${quantity.length(depth)}, and there is ${quantity.length(clear)} before the storm door.`,
  'flatter-or-outer-door': () => ['Flatter focals, or hang it on the outer door'],
  'turns-over': () => ['Its weight lies above where it hangs: it would turn over.'],
  'hang-higher': () => ['Hang it higher'],
  tilts: ({ degrees, clockwise }) =>
    sum`It hangs ${quantity.angle(degrees)} ${clockwise ? 'clockwise' : 'anticlockwise'}: it is heavier on the ${clockwise ? 'right' : 'left'}.`,
  'move-hanger': ({ where }) => ['Move the hanger to ', ...where],
  'weight-opposite': ({ mass, left }) => sum`Or ${quantity.mass(mass)} more at the ${left ? 'left' : 'right'} edge`,
  'reaches-floor': ({ by }) => sum`It reaches the floor: it is ${quantity.length(by)} too long below.`,
  'higher-or-shorter-tails': () => ['Hang it higher, or shorter tails'],
  'in-way-of-handle': ({ reach, room }) =>
    sum`It reaches ${quantity.length(reach)} to the side at the height of the handle, which is ${quantity.length(room)} from the middle.`,
  'higher-or-narrower': () => ['Hang it higher, or narrower'],
  'may-fall': ({ plural, weak }) => [`${capital(plural)} may fall: ${weaknessSaid(weak)}.`],
  'hold-with': ({ way }) => [`Hold it with ${way}`],
  'back-up-with': ({ way }) => [`Back it up with ${way}`],
}

/** A message of the room. */
export const hangingMessage = messagesOf('hanging', HANGING_WORDS)
