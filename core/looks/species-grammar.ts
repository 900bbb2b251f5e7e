import type { XY } from './vector-marks'

/** A number, or the range from which each one takes its own. */
export type NumberOrRange = number | readonly [least: number, most: number]

/** A colour of the species' palette by name, or two that each one takes its own place between. */
export type Hue = string | readonly [from: string, to: string]

/** A colour as it is, or so much lighter, stronger and further round than another of the palette. */
export type Dye = string | { readonly of: string; readonly l?: number; readonly c?: number; readonly h?: number }

/** The edge of a leaf: round lobes, sharp teeth, spines with hollows between, or small round teeth. */
export interface Edge {
  readonly kind: 'lobed' | 'toothed' | 'spined' | 'crenate'
  readonly count: number
  readonly depth: number
}

/**
 * Side shoots along a stem. Lengths are shares of the stem's room across, unless they say otherwise, so that a
 * species keeps its look at every size.
 */
export interface Along {
  readonly grow: 'along'
  /** Which way they stand: by turns, in pairs, in whorls, thick on all sides, or all from one place. */
  readonly habit: 'alternate' | 'opposite' | 'whorl' | 'crowded' | 'fan'
  /** How many places along the stem: just so many, or one for each so much of its room. */
  readonly count: number | { readonly every: number }
  readonly from?: number
  readonly to?: number
  /** Off the stem, degrees; for a whorl or a fan, from the stem to the outermost. */
  readonly angle: NumberOrRange
  readonly reach: NumberOrRange
  /** How long they are at the first place, half way and at the last, as shares of the reach. */
  readonly shape?: readonly [number, number, number]
  /** Room across each, as a share of its length. */
  readonly room?: number
  readonly bend?: NumberOrRange
  /** How many in each whorl. */
  readonly ring?: number
  /** How far off the stem they begin, as a share of the reach. */
  readonly off?: NumberOrRange
  /** Whether one more points on from the tip. */
  readonly tipped?: boolean
  /** Lightness at the first and at the last: what lies under is darker. */
  readonly light?: readonly [number, number]
  readonly put: readonly Growth[]
}

/** Things round the heart of a head: rings from the outside in. Sizes are shares of its radius. */
export interface Rings {
  readonly grow: 'rings'
  readonly rings: readonly (readonly [count: number, reach: number, width: number, light?: number])[]
  /** How far from the heart they begin. */
  readonly off?: number
  /** How much each may differ in direction, degrees, and in reach. */
  readonly stray?: number
  readonly ragged?: number
  /** How far each ring is turned against the one outside it, shares of its own spacing. */
  readonly turn?: number
  readonly put: readonly Growth[]
}

/** Things that fill a disc by the golden angle (H. Vogel 1979), from the rim in. Sizes are shares of its radius. */
export interface Spiral {
  readonly grow: 'spiral'
  readonly count: number
  readonly radius: number
  readonly reach: readonly [heart: number, rim: number]
  readonly room?: number
  /** How much brighter the lit side of the dome is. */
  readonly dome?: number
  /** From which share of the radius on; the heart stays free. */
  readonly from?: number
  /** Each stands any way, instead of outward. */
  readonly any?: boolean
  readonly put: readonly Growth[]
}

/** One more thing somewhere along a stem, turned and sized. */
export interface Put {
  readonly grow: 'put'
  readonly at: number
  readonly turn?: NumberOrRange
  readonly reach?: number
  readonly length?: number
  readonly room?: number
  readonly chance?: number
  readonly put: readonly Growth[]
}

export interface Stalk {
  readonly part: 'stalk'
  readonly hue: Hue
  readonly thick: number
  readonly from?: number
  readonly to?: number
  readonly knots?: number
}

export interface Leaf {
  readonly part: 'leaf'
  readonly hue: Hue
  /** Width as a share of the length; without it, all the room there is. */
  readonly wide?: number
  /** Where it is widest, 0 foot to 1 tip. */
  readonly belly?: number
  /** 0 a drawn-out tip, 1 a round one. */
  readonly tip?: number
  /** 0 a wedge at the foot, 1 a heart. */
  readonly heart?: number
  readonly edge?: Edge
  /** One half of the outline as points along and across, shares of length and of half the width, instead of the above. */
  readonly outline?: readonly XY[]
  readonly veins?: number
  readonly bend?: NumberOrRange
  /** 0 dull to 1 shining. */
  readonly gloss?: number
  /** The colour of the back, and how many show it. */
  readonly under?: { readonly hue: Hue; readonly chance: number }
  /** A rim of another colour. */
  readonly rim?: Hue
  /** How much each differs in colour. */
  readonly vary?: number
  /** How far it stands off what is under it, share of its width. */
  readonly lift?: number
}

/** A petal: shaded from its foot to its rim. */
export interface Petal {
  readonly part: 'petal'
  readonly hue: Hue
  /** The colour at the foot. */
  readonly heart?: Hue
  readonly wide?: number
  readonly belly?: number
  readonly tip?: number
  /** 0 flat, 1 a deep cup. */
  readonly cup?: number
  /** A notch at the tip, share of the length. */
  readonly notch?: number
  /** How wavy its rim is. */
  readonly ruffle?: number
  readonly vary?: number
}

export interface Needles {
  readonly part: 'needles'
  readonly hue: Hue
  /** Length as a share of the room across. */
  readonly size: number
  /** How many to each needle's length along the stem. */
  readonly thick: number
  readonly angle: readonly [number, number]
  /** Stroke, share of the needle's length. */
  readonly stroke: number
  readonly from?: number
  readonly to?: number
  /** Whether the row is combed flat to both sides, or stands all round. */
  readonly round?: boolean
  /** In bundles of so many from one place. */
  readonly bundle?: number
  /** How much needles bend, share of their length. */
  readonly droop?: number
}

/** A flat spray of scaly shoots: it forks to both sides, and its forks fork again. */
export interface Spray {
  readonly part: 'spray'
  readonly hue: Hue
  /** Thickness of a shoot, share of the whole spray's length. */
  readonly thick: number
  readonly angle: readonly [number, number]
  /** How many forks each shoot has, level by level. */
  readonly forks: readonly number[]
  /** How long forks are against their shoot, the lowest and the uppermost. */
  readonly reach: readonly [number, number]
  /** How much a shoot bends over its length, degrees. */
  readonly droop?: NumberOrRange
  /** In pairs instead of by turns. */
  readonly paired?: boolean
}

/** A ball in the middle of its frame. */
export interface Ball {
  readonly part: 'ball'
  readonly hue: Hue
  readonly size?: NumberOrRange
  readonly gloss?: number
  readonly eye?: Hue
  readonly bloom?: number
  readonly squash?: number
  readonly stray?: number
}

/** A flat round: honesty, pith, a coin. */
export interface Disc {
  readonly part: 'disc'
  readonly hue: Hue
  readonly size?: number
  readonly rim?: number
  readonly wobble?: number
  readonly opacity?: number
  readonly flat?: boolean
}

/** Fine hairs: along the stem to both sides, or from the heart all round. */
export interface Hairs {
  readonly part: 'hairs'
  readonly hue: Hue
  readonly from: 'stem' | 'heart'
  readonly count: number
  readonly size: NumberOrRange
  readonly curl: NumberOrRange
  readonly stroke: number
  readonly angle?: NumberOrRange
  readonly start?: number
  readonly end?: number
  readonly opacity?: number
}

/** A closed outline in shares of its frame: along from 0 to 1, across from -1 to 1. */
export interface Blob {
  readonly part: 'blob'
  readonly hue: Hue
  readonly outline: readonly XY[]
  readonly mirror?: boolean
  readonly sharp?: boolean
  readonly shade?: 'across' | 'along' | 'round' | 'flat'
  readonly depth?: number
  readonly lift?: number
  readonly opacity?: number
  readonly light?: number
}

/** Lines in shares of its frame, as `Blob`. */
export interface Lines {
  readonly part: 'lines'
  readonly hue: Hue
  readonly lines: readonly (readonly XY[])[]
  readonly mirror?: boolean
  readonly stroke: number
  readonly light?: number
  readonly opacity?: number
  readonly straight?: boolean
}

/** Dots strewn over an ellipse in the frame. */
export interface Dots {
  readonly part: 'dots'
  readonly hue: Hue
  readonly count: number
  readonly size: NumberOrRange
  readonly over?: readonly [along: number, across: number]
  readonly at?: number
  readonly light?: number
  readonly opacity?: number
}

/** A glow of light about the middle of the frame. */
export interface Glow {
  readonly part: 'glow'
  readonly hue: Hue
  readonly size: number
  readonly opacity: number
}

export const FINISHES = ['plain', 'satin', 'velvet', 'check', 'stripe', 'print', 'burlap', 'mesh'] as const
export type Finish = (typeof FINISHES)[number]

export interface Cloth {
  readonly finish: Finish
  readonly hue: Hue
  readonly second: Hue
}
export type EndCut = 'v' | 'slant' | 'straight'

/** A bow tied of a ribbon. Sizes are shares of half its span. */
export interface Bow extends Cloth {
  readonly part: 'bow'
  /** Ribbon width, share of half the span. */
  readonly ribbon: number
  /** Loops, in the order they are made: which way they point, degrees from right, how long, and how far they open. */
  readonly loops: readonly (readonly [angle: number, length: number, open?: number])[]
  /** Tails: how far off straight down, degrees, and how long. */
  readonly tails: readonly (readonly [angle: number, length: number])[]
  readonly cut: EndCut
}
/** A length of ribbon lying or hanging along the frame. */
export interface RibbonCloth extends Cloth {
  readonly part: 'ribbon'
  readonly waves: number
  readonly cut: EndCut
}
/** A roll of ribbon or mesh, its end let down. */
export interface Roll extends Cloth {
  readonly part: 'roll'
  readonly core: Hue
}
/** Mesh drawn together: a ruffle tied in its middle, a petal folded over, or a poof between two ties. */
export interface GatheredCloth extends Cloth {
  readonly part: 'gather'
  readonly how: 'ruffle' | 'petal' | 'poof'
}

/** Words on a board: `text` unless the maker wrote others, in a box of shares of the frame. */
export interface Words {
  readonly part: 'words'
  readonly hue: Hue
  readonly text: string
  readonly box: readonly [from: number, to: number, half: number]
  readonly turn?: number
  readonly spacing?: number
  readonly fixed?: boolean
}
/** Wood grain over an outline. */
export interface Grain {
  readonly part: 'grain'
  readonly hue: Hue
  readonly count: number
  readonly box: readonly [from: number, to: number, half: number]
}

export type SpeciesPart =
  | Stalk
  | Leaf
  | Petal
  | Needles
  | Spray
  | Ball
  | Disc
  | Hairs
  | Blob
  | Lines
  | Dots
  | Glow
  | Bow
  | RibbonCloth
  | Roll
  | GatheredCloth
  | Words
  | Grain
export type Growth = Along | Rings | Spiral | Put | SpeciesPart

/** How its frame lies: along a stem that is held near its foot, round its middle, or in a box about its middle. */
export type Stance = 'stem' | 'head' | 'box'

export const SPECIES_FAMILIES = [
  'Broad leaves',
  'Ferns and fine leaves',
  'Conifers',
  'Grasses and spikes',
  'Dried heads',
  'Flowers',
  'Twigs and fruit',
  'Cones, nuts and slices',
  'Trinkets and figures',
  'Ribbon and mesh',
  'Signs and letters',
  'Mechanics',
] as const
export type SpeciesFamily = (typeof SPECIES_FAMILIES)[number]

/** A species: what it is, its colours (the first is the one that a tint replaces) and how it grows. */
export interface Species {
  readonly name: string
  readonly family: SpeciesFamily
  /** Usual length and spread, mm. */
  readonly size: readonly [length: number, width: number]
  readonly stance: Stance
  /**
   * How its drawing is held to the size that is asked for: to both measures, to its length alone (tails hang past a
   * bow), or to none: what comes by the roll or the box is drawn as it is bought, at its own size.
   */
  readonly fit?: 'both' | 'length' | 'none'
  readonly palette: Readonly<Record<string, Dye>>
  /** How much the main stem bends to either side. */
  readonly bend?: number
  readonly grow: readonly Growth[]
  /** Whether it gives light when it is dark. */
  readonly glows?: boolean
}
