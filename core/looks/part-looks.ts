import { runsOf } from '../base'
import type { Bounds } from '../measure'
import { radians } from '../measure'
import { putBase } from './base'
import type { Looks, PartLooks } from './looks'
import type { Bend } from './path'
import { Extent } from './path'
import type { Mark, Paint, XY } from './vector-marks'
import type { DrawingSheet, DrawnShape } from './vector-pen'

/** How what is put on a sheet is turned, made larger and moved. */
interface Turning {
  readonly x: number
  readonly y: number
  /** degrees clockwise */
  readonly turn: number
  readonly scale: number
}

/** A sheet that lies turned on another. It keeps count of how far what is put on it reaches there. */
class TurnedSheet implements DrawingSheet {
  private readonly cos: number
  private readonly sin: number

  constructor(
    private readonly on: DrawingSheet | null,
    private readonly turning: Turning,
    private readonly extent: Extent,
  ) {
    this.cos = Math.cos(radians(turning.turn)) * turning.scale
    this.sin = Math.sin(radians(turning.turn)) * turning.scale
  }

  private readonly at = ([x, y]: XY): XY => [this.turning.x + x * this.cos - y * this.sin, this.turning.y + x * this.sin + y * this.cos]

  put(shape: DrawnShape, ink: Pick<Mark, 'fill' | 'stroke' | 'opacity' | 'cast'>): void {
    const { scale } = this.turning
    const turned = this.turned(shape)
    if (!ink.cast) this.reach(turned, ((ink.stroke?.width ?? 0) * scale) / 2)
    this.on?.put(turned, {
      ...ink,
      ...(ink.fill === undefined ? {} : { fill: this.paint(ink.fill) }),
      ...(ink.stroke ? { stroke: { paint: this.paint(ink.stroke.paint), width: ink.stroke.width * scale } } : {}),
    })
  }

  private turned(shape: DrawnShape): DrawnShape {
    switch (shape.kind) {
      case 'lines':
        return { ...shape, lines: shape.lines.map((line) => line.map(this.at)) }
      case 'bends':
        return {
          ...shape,
          start: this.at(shape.start),
          through: shape.through.map(([a, b, end]): Bend => [this.at(a), this.at(b), this.at(end)]),
        }
      case 'discs':
        // Turned they are as round as they are large: drawn ones are all but circles.
        return {
          ...shape,
          discs: shape.discs.map(([x, y, rx, ry]) => {
            const r = Math.sqrt(rx * ry) * this.turning.scale
            return [...this.at([x, y]), r, r] as const
          }),
        }
    }
  }

  private reach(shape: DrawnShape, by: number): void {
    if (shape.kind === 'lines') for (const point of shape.lines.flat()) this.extent.reach(point, by)
    else if (shape.kind === 'discs') for (const [x, y, rx, ry] of shape.discs) this.extent.reach([x, y], rx + by, ry + by)
    else {
      let from = shape.start
      for (const [a, b, end] of shape.through) {
        this.extent.curve(from, a, b, end, by)
        from = end
      }
    }
  }

  private paint(paint: Paint): Paint {
    if (typeof paint === 'string') return paint
    return paint.kind === 'linear'
      ? { ...paint, from: this.at(paint.from), to: this.at(paint.to) }
      : { ...paint, centre: this.at(paint.centre), focus: this.at(paint.focus), radius: paint.radius * this.turning.scale }
  }
}

/** Where a thing of a part lies in the drawing of the whole, and how it looks there. */
export interface ThingShown {
  readonly looks: Looks
  /** mm */
  readonly x: number
  readonly y: number
  /** degrees clockwise */
  readonly turn: number
  /** How much larger it is than by itself. */
  readonly scale: number
}

/** The things of a part as they are shown, from back to front. @param shown how large, and where it will point, degrees */
export function thingsShown(
  { things, x, y, turn, length: own }: PartLooks,
  { length, bearing }: Pick<Looks, 'length' | 'bearing'>,
): ThingShown[] {
  const scale = length / own
  const [cos, sin] = [Math.cos(radians(turn)), Math.sin(radians(turn))]
  return things.map((thing) => ({
    looks: { ...thing, bearing: thing.bearing + turn + bearing },
    x: scale * (x + thing.x * cos - thing.y * sin),
    y: scale * (y + thing.x * sin + thing.y * cos),
    turn: thing.bearing + turn,
    scale,
  }))
}

/** Draws the bare base of a part as it is shown. */
export function putBaseOfPart(
  { base, x, y, turn, length: own }: PartLooks,
  { length, bearing }: Pick<Looks, 'length' | 'bearing'>,
  sheet: DrawingSheet | null,
  extent = new Extent(),
): void {
  const scale = length / own
  putBase(base, runsOf(base), new TurnedSheet(sheet, { x: x * scale, y: y * scale, turn, scale }, extent), turn + bearing)
}

/**
 * Draws a part: its base and all that lies on it, as large as it is to be and with the light right once it is turned to its bearing.
 * @param shown how large, and where it will point, degrees @param putThing draws one thing on a sheet @returns the bounds of it, mm
 */
export function drawPart(
  part: PartLooks,
  shown: Pick<Looks, 'length' | 'bearing'>,
  sheet: DrawingSheet | null,
  putThing: (looks: Looks, sheet: DrawingSheet) => void,
): Bounds {
  const extent = new Extent()
  putBaseOfPart(part, shown, sheet, extent)
  for (const { looks, ...turning } of thingsShown(part, shown)) putThing(looks, new TurnedSheet(sheet, turning, extent))
  return extent.bounds
}

/** A sheet that keeps shapes as they are put, to put them on others. */
export class ShapeSheet implements DrawingSheet {
  private readonly shapes: (readonly [DrawnShape, Parameters<DrawingSheet['put']>[1]])[] = []

  put(...shape: Parameters<DrawingSheet['put']>): void {
    this.shapes.push(shape)
  }

  again(on: DrawingSheet): void {
    for (const shape of this.shapes) on.put(...shape)
  }
}
