import type { Species } from '../stalk'
import * as conifers from './conifers'
import * as dried from './dried'
import * as foliage from './foliage'
import * as fruit from './fruit'
import * as heads from './heads'
import * as made from './made'
import * as trails from './trails'
import * as trinkets from './trinkets'

/** Every species that can be drawn, by the name that materials use. */
export const SPECIES: Readonly<Record<string, Species>> = {
  'bracken': foliage.bracken, 'copper-beech': foliage.copperBeech, 'bay': foliage.bay, 'eucalyptus': foliage.eucalyptus, 'ivy': foliage.ivy,
  'fir': conifers.fir, 'juniper': conifers.juniper, 'cedar': conifers.cedar, 'larch': conifers.larch,
  'wheat': dried.wheat, 'lavender': dried.lavender, 'heather': dried.heather, 'statice': dried.statice, 'old-mans-beard': dried.oldMansBeard,
  'sea-holly': heads.seaHolly, 'dahlia': heads.dahlia, 'rose': heads.rose, 'daisy': heads.daisy,
  'crab-apple': fruit.crabApple, 'berry-spray': fruit.berrySpray, 'pine-cone': fruit.pineCone, 'moss': fruit.moss,
  'twig': trails.twig, 'honesty': trails.honesty, 'hops': trails.hops, 'dried-pod': trinkets.driedPod, 'floret-head': trinkets.floretHead,
  'bauble': trinkets.bauble, 'bell': trinkets.bell, 'slice': trinkets.slice, 'stick-bundle': trinkets.stickBundle, 'cotton': trinkets.cotton, 'shell': trinkets.shell,
  'feather': trinkets.feather, 'bird': trinkets.bird, 'star': trinkets.star, 'lantern': trinkets.lantern, 'hare': trinkets.hare, 'light': trinkets.lights, 'spool': trinkets.spool,
  'bow': made.bow, 'plank-sign': trinkets.plankSign, 'oar-sign': made.oarSign, 'ticket-sign': made.ticketSign, 'skep': made.skep,
}
