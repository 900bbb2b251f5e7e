/** A point in millimetres, x to the right and y down, the base's centre at the origin. */
export interface Point {
  readonly x: number
  readonly y: number
}

/** How far something reaches to each side, mm, y down. */
export interface Bounds {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}
