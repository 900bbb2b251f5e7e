import Konva from 'konva'
import { inOrder } from '#core/arrange'
import { along, runsOf } from '#core/base'
import { patchOutline } from '#core/cover'
import type { SceneItem } from '#core/glyph'
import { radians, readTape } from '#core/measure'
import type { Manner } from '#core/measure'
import type { Workings } from '#core/workings'

export interface DimensionsAsked {
  readonly workings: Workings
  readonly manner: Manner
  readonly measuring: boolean
  /** Of the clock ring, mm. */
  readonly radius: number
  readonly scale: number
  readonly onDark: boolean
  readonly selected: { readonly id: string, readonly item: SceneItem, readonly at: { x: number, y: number }, readonly rotation: number, readonly moving: boolean, readonly says: string | null } | null
}

/** From farther off than this the piece is looked at, not measured: the ring's radius on screen, px. */
const MEASURED_FROM = 110

const FACE = '"Hanken Grotesk Variable", sans-serif'

/** The measuring marks over the drawing: clock ring, join, base measures, and the gaps to either side of what is selected. */
export function dimensionNodes(asked: DimensionsAsked): (Konva.Group | Konva.Shape)[] {
  return [
    ...(asked.radius * asked.scale > MEASURED_FROM ? clockRing(asked) : []),
    ...(asked.measuring ? baseMeasures(asked) : []),
    ...(asked.selected ? selection(asked, asked.selected) : []),
  ]
}

const paler = (onDark: boolean): string => (onDark ? '#f4f7f5' : '#231a2b')
const edge = (onDark: boolean): string => (onDark ? 'rgba(20,14,26,0.55)' : 'rgba(255,255,255,0.6)')

/** A polar point about the base's middle, degrees clockwise from twelve. */
const at = (angle: number, radius: number): [number, number] => [Math.sin(radians(angle)) * radius, -Math.cos(radians(angle)) * radius]

function label(text: string, [x, y]: readonly [number, number], { scale, onDark }: DimensionsAsked, size = 12, plate = false): Konva.Group {
  const group = new Konva.Group({ x, y, scaleX: 1 / scale, scaleY: 1 / scale })
  const words = new Konva.Text({ text, fontFamily: FACE, fontSize: size, fontStyle: '600', fill: plate ? '#ffffff' : paler(onDark), stroke: plate ? undefined : edge(onDark), strokeWidth: 2.5, fillAfterStrokeEnabled: true })
  words.offset({ x: words.width() / 2, y: words.height() / 2 })
  if (plate) group.add(new Konva.Rect({ x: -words.width() / 2 - 5, y: -words.height() / 2 - 2, width: words.width() + 10, height: words.height() + 4, cornerRadius: 3, fill: '#27506b' }))
  group.add(words)
  return group
}

function clockRing(asked: DimensionsAsked): (Konva.Group | Konva.Shape)[] {
  const { radius, scale, onDark, workings } = asked
  const tick = 7 / scale
  const ring = new Konva.Shape({
    stroke: paler(onDark), strokeWidth: 1 / scale, opacity: 0.85,
    sceneFunc: (context, shape) => {
      context.beginPath()
      for (let i = 0; i < 72; i++) {
        const reach = i % 6 === 0 ? tick * 1.5 : i % 3 === 0 ? tick : tick * 0.55
        context.moveTo(...at(i * 5, radius))
        context.lineTo(...at(i * 5, radius + reach))
      }
      context.moveTo(radius, 0)
      context.arc(0, 0, radius, 0, Math.PI * 2, false)
      context.strokeShape(shape)
    },
  })
  const hours = Array.from({ length: 12 }, (_, i) => label(String(i || 12), at(i * 30, radius + 21 / scale), asked, i % 3 === 0 ? 13 : 11))
  const { join, inner } = workings.scene.base
  const mark = new Konva.Line({ points: [...at(join, inner / 2 - 3 / scale), ...at(join - 1.6, inner / 2 - 14 / scale), ...at(join + 1.6, inner / 2 - 14 / scale)], closed: true, fill: '#e9c46a', stroke: '#4a3510', strokeWidth: 1 / scale })
  return [ring, ...hours, mark]
}

function baseMeasures(asked: DimensionsAsked): (Konva.Group | Konva.Shape)[] {
  const { workings: { scene: { base } }, manner, scale, onDark } = asked
  const line = (half: number, y: number, text: string): (Konva.Group | Konva.Shape)[] => {
    const cap = 5 / scale
    return [
      new Konva.Shape({
        stroke: paler(onDark), strokeWidth: 1.4 / scale,
        sceneFunc: (context, shape) => {
          context.beginPath()
          context.moveTo(-half, y); context.lineTo(half, y)
          context.moveTo(-half, y - cap); context.lineTo(-half, y + cap)
          context.moveTo(half, y - cap); context.lineTo(half, y + cap)
          context.strokeShape(shape)
        },
      }),
      label(text, [0, y], asked, 12, true),
    ]
  }
  return [
    ...line(base.outer / 2, 20 / scale, `outside ${readTape(base.outer, manner.units)}`),
    ...line(base.inner / 2, -20 / scale, `inside ${readTape(base.inner, manner.units)}`),
  ]
}

function selection(asked: DimensionsAsked, { id, item, at: where, rotation, moving, says }: NonNullable<DimensionsAsked['selected']>): (Konva.Group | Konva.Shape)[] {
  const { scale, workings, manner } = asked
  const points = patchOutline(item.form, item.length, item.width).flatMap(({ x, y }) => [x, y])
  const outline = (stroke: string, width: number, dash: number[]) => new Konva.Line({ ...where, points, rotation, closed: true, stroke, strokeWidth: width / scale, dash: dash.map((each) => each / scale) })
  const nodes: (Konva.Group | Konva.Shape)[] = [outline('#ffffff', 3, []), outline('#2c5a43', 1.6, [6, 4])]
  if (moving) return says ? [...nodes, label(says, [where.x, where.y - 26 / scale], asked, 13, true)] : nodes
  const placement = workings.placements.find((each) => each.id === id)!
  const run = runsOf(workings.scene.base).find((each) => each.id === placement.run)!
  const row = inOrder(workings.placements.filter((each) => each.layer === placement.layer))
  if (row.length < 2) return nodes
  const here = row.findIndex((each) => each.id === id)
  const gap = (from: typeof placement | undefined, to: typeof placement | undefined, side: 1 | -1): void => {
    if (!from || !to) return
    const length = along(run, from.s, to.s)
    if (length <= 0) return
    const steps = Math.max(2, Math.ceil(length / 12))
    const arc = Array.from({ length: steps + 1 }, (_, i) => {
      const { x, y } = run.at(from.s + (length * i) / steps)
      return [x, y]
    }).flat()
    nodes.push(new Konva.Line({ points: arc, stroke: '#ffffff', strokeWidth: 4 / scale, opacity: 0.8 }), new Konva.Arrow({ points: arc, stroke: '#27506b', fill: '#27506b', strokeWidth: 2 / scale, pointerLength: 6 / scale, pointerWidth: 6 / scale, pointerAtBeginning: true }))
    const middle = run.at(from.s + length / 2)
    nodes.push(label(readTape(length, manner.units), [middle.x + side * middle.nx * (middle.half + 16 / scale), middle.y + side * middle.ny * (middle.half + 16 / scale)], asked, 12, true))
  }
  const wrap = run.closed
  // One label inside the ring and one outside, so that short gaps do not hide each other.
  gap(row[here - 1] ?? (wrap ? row.at(-1) : undefined), placement, -1)
  if (row.length > 2 || !wrap) gap(placement, row[here + 1] ?? (wrap ? row[0] : undefined), 1)
  return nodes
}
