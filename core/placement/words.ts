import { partOfMaterial } from '../piece'
import type { Said, WordTable } from '../measure'
import { capital, messagesOf, quantity, several, sum } from '../measure'

type Nothing = Record<never, never>

/** A thing by its material and its number in the layer: "rose 3". */
interface Numbered {
  readonly name: string
  readonly number: number
}

/** What the room has to say of layers as they are laid. Lengths are mm; names are the shelf’s. */
export interface PlacementMessages {
  'no-run': Nothing
  'no-reference': Nothing
  'no-bearer': Nothing
  'bears-nothing': Nothing
  'no-loops': Nothing
  'on-each': Nothing
  'in-the-middle': Nothing
  /** @property run its name; null is all runs of the base */
  'lay-on': { run: string | null }
  'lay-by-compass': Nothing
  'unknown-material': { id: string }
  'part-nowhere': { name: string }
  'part-empty': { name: string }
  'part-not-sold': { name: string; id: string }
  'make-part-instead': Nothing
  'throw-part-away': Nothing
  'leave-out-of-mix': Nothing
  'choose-another-material': Nothing
  'shorter-than-cut': { name: string; length: number; cut: number }
  'cut-to': { length: number }
  'too-many': { asked: number; most: number }
  /** @property how in words of the rule */
  'ask-for-less': { how: Said }
  'odd-one': { count: number }
  'take-count': { count: number }
  unpaired: { laid: number; of: number; name: string; plural: string }
  'odd-one-by-hand': Nothing
  'lies-over': { thing: Numbered; against: Numbered; depth: number }
  'reaches-into': { thing: Numbered; against: Numbered; depth: number }
  'take-under': Nothing
  'take-off': Nothing
  'slide-away': { by: number }
  /** @property takes the tightest radius that it takes, mm; null bends not at all */
  'bends-too-tight': { count: number; name: string; plural: string; radius: number; takes: number | null }
  'bend-to': { radius: number }
  'lay-straight': Nothing
  'more-in-the-way': { count: number }
}

const numbered = ({ name, number }: Numbered): string => `${name} ${number}`

/** The words of the room, in English. */
export const PLACEMENT_WORDS: WordTable<PlacementMessages> = {
  'no-run': () => ['This layer lies on a run that the base does not have.'],
  'no-reference': () => ['This layer goes by another layer’s points, but that layer is gone or leads back to this one.'],
  'no-bearer': () => ['This layer lies on the things of another, but that layer is gone, bears nothing, or leads back to this one.'],
  'bears-nothing': () => ['Nothing is there for this layer to lie on: the things that are to bear it are not laid.'],
  'no-loops': () => ['This layer lies on the loops of a bow, but what bears it is no bow with loops.'],
  'on-each': () => ['Lay one on each'],
  'in-the-middle': () => ['Lay it in the middle'],
  'lay-on': ({ run }) => [`Lay it on the ${run ?? 'base’s runs'}`],
  'lay-by-compass': () => ['Lay it by the compass instead'],
  'unknown-material': ({ id }) => [
    partOfMaterial(id) === null
      ? `The shelf has no “${id}”. It is neither drawn nor counted.`
      : `The piece has no part “${partOfMaterial(id)}”. It is neither drawn nor counted.`,
  ],
  'part-nowhere': ({ name }) => [`The part “${name}” lies nowhere on the piece: it is neither made nor bought.`],
  'part-empty': ({ name }) => [`Nothing lies on the part “${name}” yet: it is its bare base.`],
  'part-not-sold': ({ name, id }) => [`“${name}” is to be bought as “${id}”, which the shelf has not. It is made instead.`],
  'make-part-instead': () => ['Make it'],
  'throw-part-away': () => ['Throw the part away'],
  'leave-out-of-mix': () => ['Leave it out of the mix'],
  'choose-another-material': () => ['Choose another material for this layer'],
  'shorter-than-cut': ({ name, length, cut }) =>
    sum`A ${name} is ${quantity.length(length)} long, shorter than the cut of ${quantity.length(cut)}. It goes on whole.`,
  'cut-to': ({ length }) => sum`Cut to ${quantity.length(length)}`,
  'too-many': ({ asked, most }) =>
    sum`That would take ${quantity.count(asked)}; one layer holds ${quantity.count(most)}. The layer stops there.`,
  'ask-for-less': ({ how }) => how,
  'odd-one': ({ count }) => sum`${quantity.count(count)} does not share out equally: one side has one more.`,
  'take-count': ({ count }) => sum`Take ${quantity.count(count)}`,
  unpaired: ({ laid, of, name, plural }) =>
    sum`Places go in pairs here: ${quantity.count(laid)} of ${several(of, name, plural)} ${laid === 1 ? 'finds' : 'find'} one.`,
  'odd-one-by-hand': () => ['Put the odd one on by hand'],
  'lies-over': ({ thing, against, depth }) =>
    sum`${capital(numbered(thing))} lies ${quantity.length(depth)} over the ${numbered(against)}.`,
  'reaches-into': ({ thing, against, depth }) =>
    sum`${capital(numbered(thing))} reaches ${quantity.length(depth)} into the ${numbered(against)}.`,
  'take-under': () => ['Take it under'],
  'take-off': () => ['Take it off'],
  'slide-away': ({ by }) => sum`Slide it ${quantity.length(by)} away`,
  'bends-too-tight': ({ count, name, plural, radius, takes }) =>
    takes === null
      ? sum`${several(count, name, plural)} ${count === 1 ? 'is' : 'are'} asked to bend to ${quantity.length(radius)}, and ${count === 1 ? 'is' : 'are'} stiff: ${count === 1 ? 'it would' : 'they would'} break.`
      : sum`${several(count, name, plural)} ${count === 1 ? 'is' : 'are'} asked to bend to ${quantity.length(radius)}, and ${count === 1 ? 'takes' : 'take'} no less than ${quantity.length(takes)}.`,
  'bend-to': ({ radius }) => sum`Bend to ${quantity.length(radius)}`,
  'lay-straight': () => ['Lay them straight'],
  'more-in-the-way': ({ count }) => sum`${quantity.count(count)} more get in the way of bows, signs or focals.`,
}

/** A message of the room. */
export const placementMessage = messagesOf('placement', PLACEMENT_WORDS)
