import type { Bounds } from '../measure'

/** A colour stop: place from 0 to 1, and a CSS colour. */
export type ColourStop = readonly [at: number, colour: string]

/** What a mark is filled or stroked with. Coordinates are those of the mark. */
export type Paint =
  | string
  | { readonly kind: 'linear'; readonly from: XY; readonly to: XY; readonly stops: readonly ColourStop[] }
  | { readonly kind: 'radial'; readonly centre: XY; readonly radius: number; readonly focus: XY; readonly stops: readonly ColourStop[] }

export type XY = readonly [x: number, y: number]

/** One painted path. `d` is SVG path data in millimetres, so the same mark goes to screen, SVG and PDF. */
export interface Mark {
  readonly d: string
  readonly fill?: Paint
  readonly stroke?: { readonly paint: Paint; readonly width: number }
  readonly opacity?: number
  /** A shadow: it darkens what is under it and is no part of the thing's own size. */
  readonly cast?: true
}

/** A drawing: marks from back to front. Its anchor is the origin and it points to the right. */
export interface Glyph {
  readonly marks: readonly Mark[]
  /** The tight bounds of what is painted, its cast shadows left out, mm. */
  readonly bounds: Bounds
}
