import { loopShows, ribbonInLoop } from '../placement'
import type { WordTable } from '../measure'
import { capital, messagesOf, quantity, sum } from '../measure'
import type { LoopMeans } from '../piece'
import { MOST_PLACES } from '../piece'

type Nothing = Record<never, never>

/** What cannot be made so, and what would do instead. Lengths are mm; names are the shelf’s, and those of the base’s runs. */
export interface ConstructionMessages {
  'not-by-length': { name: string }
  'choose-by-length': Nothing
  'no-pins': Nothing
  'hold-as-suits': Nothing
  'roll-too-short': { cut: number; name: string; length: number }
  'cut-to': { length: number }
  'ties-shared': { gathers: number; layers: number; ties: number; run: string | null }
  'make-here': { count: number }
  'fewer-elsewhere': Nothing
  /** @property each whether the ties are those of each of several runs */
  'too-few-ties': { gathers: number; ties: number; each: boolean }
  make: { count: number }
  'one-tie': { run: string }
  'two-ties': Nothing
  'many-poofs': { count: number }
  'one-pass': Nothing
  'turns-four-deep': { pitch: number; width: number }
  'not-one-turn': { pitch: number; path: number }
  'turn-every': { pitch: number }
  'no-bead-fits': { bead: number; run: string; length: number; bare: number }
  'keep-none-bare': Nothing
  'many-beads': { count: number; run: string }
  'larger-beads': Nothing
  'bundles-apart': { advance: number; sprig: number }
  'many-bundles': { count: number; sprigs: number }
  'advance-by': { advance: number }
  'overlap-too-long': { piece: number; overlap: number }
  'overlap-by': { overlap: number }
  'what-loop-means': { size: number }
  'loop-means': { size: number; means: LoopMeans }
  'bow-longer-than-roll': { longest: number; name: string; length: number }
  'loops-of': { size: number }
  'shorter-tails-or-fewer-loops': Nothing
  'strip-too-short': { loop: number; strip: number; ends: number }
  'cut-strips': { strip: number }
  'coil-without-loop': Nothing
  'coil-uneven': { layers: number }
  wind: { layers: number }
  'has-a-back': { name: string }
  'allow-twist': { twist: number }
  'tails-on-floor': { by: number }
  'tails-low': { floor: number }
  'shorter-tails': Nothing
}

/** The words of the room, in English. */
export const CONSTRUCTION_WORDS: WordTable<ConstructionMessages> = {
  'not-by-length': ({ name }) => [`${name} does not come by the length.`],
  'no-pins': () => ['No pin holds in this base: it is neither straw nor foam.'],
  'hold-as-suits': () => ['Hold it with what suits the base'],
  'choose-by-length': () => ['Choose ribbon, twine or a garland for it'],
  'roll-too-short': ({ cut, name, length }) =>
    sum`A piece of ${quantity.length(cut)} is longer than the roll of ${name}, which has ${quantity.length(length)}.`,
  'cut-to': ({ length }) => sum`Cut to ${quantity.length(length)}`,
  'ties-shared': ({ gathers, layers, ties, run }) =>
    sum`${quantity.count(gathers)} gathers in ${quantity.count(layers)} layers, but the base has ${quantity.count(ties)} ties${run === null ? '' : ` on the ${run}`}.`,
  'make-here': ({ count }) => sum`Make ${quantity.count(count)} here`,
  'fewer-elsewhere': () => ['Make fewer in another layer'],
  'too-few-ties': ({ gathers, ties, each }) =>
    sum`${quantity.count(gathers)} gathers, but the base has ${quantity.count(ties)} ties${each ? ' on each run' : ''}. ${quantity.count(gathers - ties)} have nowhere to go.`,
  make: ({ count }) => sum`Make ${quantity.count(count)}`,
  'one-tie': ({ run }) => [`One tie on the ${run} has nothing to go to.`],
  'two-ties': () => ['Take two ties'],
  'many-poofs': ({ count }) => sum`${quantity.count(count)} poofs are more than ${quantity.count(MOST_PLACES)}. The layer stops there.`,
  'one-pass': () => ['Make one pass'],
  'turns-four-deep': ({ pitch, width }) =>
    sum`Turns ${quantity.length(pitch)} apart of what is ${quantity.length(width)} wide lie four deep.`,
  'not-one-turn': ({ pitch, path }) => sum`Turns ${quantity.length(pitch)} apart: not one goes round ${quantity.length(path)}.`,
  'turn-every': ({ pitch }) => sum`A turn every ${quantity.length(pitch)}`,
  'no-bead-fits': ({ bead, run, length, bare }) =>
    sum`No bead of ${quantity.length(bead)} goes on the ${run}: ${quantity.length(length)} less ${quantity.length(bare)} kept bare.`,
  'keep-none-bare': () => ['Keep none of it bare'],
  'many-beads': ({ count, run }) =>
    sum`${quantity.count(count)} beads on the ${run} are more than ${quantity.count(MOST_PLACES)}. The layer stops there.`,
  'larger-beads': () => ['Take larger beads'],
  'bundles-apart': ({ advance, sprig }) =>
    sum`Bundles ${quantity.length(advance)} apart with sprigs of ${quantity.length(sprig)} leave the frame bare between them.`,
  'many-bundles': ({ count, sprigs }) =>
    sum`${quantity.count(count)} bundles of ${quantity.count(sprigs)} are more than ${quantity.count(MOST_PLACES)} sprigs. The layer stops there.`,
  'advance-by': ({ advance }) => sum`Advance by ${quantity.length(advance)}`,
  'overlap-too-long': ({ piece, overlap }) =>
    sum`Pieces of ${quantity.length(piece)} cannot overlap by ${quantity.length(overlap)}: the garland would get no longer.`,
  'overlap-by': ({ overlap }) => sum`Overlap by ${quantity.length(overlap)}`,
  'what-loop-means': ({ size }) => sum`What does a loop of ${quantity.length(size)} mean? The bow waits for that.`,
  'loop-means': ({ size, means }) =>
    means === 'visible'
      ? sum`It shows ${quantity.length(loopShows(size, means))} and uses ${quantity.length(ribbonInLoop(size, means))}`
      : sum`It uses ${quantity.length(ribbonInLoop(size, means))} and shows ${quantity.length(loopShows(size, means))}`,
  'bow-longer-than-roll': ({ longest, name, length }) =>
    sum`This bow takes a piece of ${quantity.length(longest)}, and the roll of ${name} has ${quantity.length(length)}.`,
  'loops-of': ({ size }) => sum`Make its loops ${quantity.length(size)}`,
  'shorter-tails-or-fewer-loops': () => ['Shorter tails or fewer loops'],
  'strip-too-short': ({ loop, strip, ends }) =>
    sum`Loops that take ${quantity.length(loop)} do not go into a strip of ${quantity.length(strip)} less ${quantity.length(ends)} at its ends.`,
  'cut-strips': ({ strip }) => sum`Cut the strips ${quantity.length(strip)}`,
  'coil-without-loop': () => ['A coil of one layer has no loop.'],
  'coil-uneven': ({ layers }) => sum`A coil of ${quantity.count(layers)} layers leaves one side a loop short.`,
  wind: ({ layers }) => sum`Wind ${quantity.count(layers)}`,
  'has-a-back': ({ name }) => [`${capital(name)} has a back: it is turned at every pinch, and that takes ribbon.`],
  'allow-twist': ({ twist }) => sum`Allow ${quantity.length(twist)} a pinch`,
  'tails-on-floor': ({ by }) => sum`The tails would lie on the floor: they are ${quantity.length(by)} too long.`,
  'tails-low': ({ floor }) => sum`The tails end ${quantity.length(floor)} above the floor, as low as a door’s handle or lower.`,
  'shorter-tails': () => ['Shorter tails'],
}

/** A message of the room. */
export const constructionMessage = messagesOf('constructions', CONSTRUCTION_WORDS)
