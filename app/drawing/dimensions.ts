import Konva from 'konva'
import type { Zone } from '#core/placement'
import { inOrder, footprint } from '#core/placement'
import type { Run } from '#core/base'
import { across, along, markOn, measureLines, onRun, stationAt } from '#core/base'
import type { SceneItem } from '#core/scene'
import { inches, radians, readTape, show } from '#core/measure'
import type { DisplayOptions, Point } from '#core/measure'
import type { Workings } from '#core/workings'
import { gripPoints } from './handles'
import { hasClock, ringRadius } from './scene'

export interface DimensionsAsked {
  readonly workings: Workings
  readonly runs: readonly Run[]
  readonly manner: DisplayOptions
  readonly measuring: boolean
  readonly scale: number
  readonly onDark: boolean
  /** What is chosen, as it is shown; the last one is measured. */
  readonly selected: readonly SceneItem[]
  readonly moving: boolean
  readonly says: string | null
  readonly marquee: { readonly from: Point; readonly to: Point } | null
}

type Node = Konva.Group | Konva.Shape

/** From farther off than this the piece is looked at, not measured: half its size on screen, px. */
const MEASURED_FROM = 110

const FACE = '"Hanken Grotesk Variable", sans-serif'
const MEASURE = '#27506b'
const CARE = '#e0a33c'

/** The measuring marks over the drawing: clock ring or ruler, join, hook, bare stretches, reserved places, base measures, and what is chosen. */
export function dimensionNodes(asked: DimensionsAsked): Node[] {
  const near = ringRadius(asked.workings) * asked.scale > MEASURED_FROM
  return [
    ...(near
      ? [
          ...(hasClock(asked.workings) ? clockRing(asked) : asked.runs.flatMap((run) => ruler(run, asked))),
          ...marks(asked),
          ...bareEdges(asked),
          ...asked.workings.zones.flatMap((zone) => zoneEdge(zone, asked)),
        ]
      : []),
    ...(asked.measuring ? baseMeasures(asked) : []),
    ...selection(asked),
    ...(asked.marquee ? [marquee(asked.marquee, asked.scale)] : []),
  ]
}

const paler = (onDark: boolean): string => (onDark ? '#f4f7f5' : '#231a2b')
const edge = (onDark: boolean): string => (onDark ? 'rgba(20,14,26,0.55)' : 'rgba(255,255,255,0.6)')

/** A polar point about the base's middle, degrees clockwise from twelve. */
const polar = (angle: number, radius: number): [number, number] => [Math.sin(radians(angle)) * radius, -Math.cos(radians(angle)) * radius]

function label(text: string, [x, y]: readonly [number, number], { scale, onDark }: DimensionsAsked, size = 12, plate = false): Konva.Group {
  const group = new Konva.Group({ x, y, scaleX: 1 / scale, scaleY: 1 / scale })
  const words = new Konva.Text({
    text,
    fontFamily: FACE,
    fontSize: size,
    fontStyle: '600',
    fill: plate ? '#ffffff' : paler(onDark),
    stroke: plate ? undefined : edge(onDark),
    strokeWidth: 2.5,
    fillAfterStrokeEnabled: true,
  })
  words.offset({ x: words.width() / 2, y: words.height() / 2 })
  if (plate)
    group.add(
      new Konva.Rect({
        x: -words.width() / 2 - 5,
        y: -words.height() / 2 - 2,
        width: words.width() + 10,
        height: words.height() + 4,
        cornerRadius: 3,
        fill: MEASURE,
      }),
    )
  group.add(words)
  return group
}

/** Many straight strokes in one node. */
function strokes(lines: readonly (readonly [Point, Point])[], stroke: string, width: number, scale: number, opacity = 1): Konva.Shape {
  return new Konva.Shape({
    stroke,
    strokeWidth: width / scale,
    opacity,
    sceneFunc: (context, shape) => {
      context.beginPath()
      for (const [a, b] of lines) {
        context.moveTo(a.x, a.y)
        context.lineTo(b.x, b.y)
      }
      context.strokeShape(shape)
    },
  })
}

function clockRing(asked: DimensionsAsked): Node[] {
  const { scale, onDark, workings } = asked
  const radius = ringRadius(workings)
  const tick = 7 / scale
  const point = ([x, y]: readonly [number, number]): Point => ({ x, y })
  const ticks = Array.from({ length: 72 }, (_, i) => {
    const reach = i % 6 === 0 ? tick * 1.5 : i % 3 === 0 ? tick : tick * 0.55
    return [point(polar(i * 5, radius)), point(polar(i * 5, radius + reach))] as const
  })
  const ring = new Konva.Circle({ radius, stroke: paler(onDark), strokeWidth: 1 / scale, opacity: 0.85 })
  return [
    ring,
    strokes(ticks, paler(onDark), 1, scale, 0.85),
    ...Array.from({ length: 12 }, (_, i) => label(String(i || 12), polar(i * 30, radius + 21 / scale), asked, i % 3 === 0 ? 13 : 11)),
  ]
}

/** Distances along an open run, from where it is read, on its outer side. */
function ruler(run: Run, asked: DimensionsAsked): Node[] {
  const { scale, onDark, manner } = asked
  const unit = manner.units === 'in' ? inches(1) : 10
  const every = [1, 2, 5, 6, 10, 12, 24, 50].find((n) => n * unit * scale > 44) ?? 100
  const small = every % 6 === 0 ? every / 6 : every % 5 === 0 ? every / 5 : every / 2
  const off = (s: number, pixels: number): Point => {
    const station = stationAt(run, s)
    return across(station, 1 + (6 + pixels) / scale / station.half)
  }
  const count = Math.floor(run.length / (unit * small) + 1e-6)
  const ticks = Array.from({ length: count + 1 }, (_, i) => {
    const s = i * unit * small
    const whole = Math.abs((i * small) % every) < 1e-9
    return { s, whole, line: [off(s, 0), off(s, whole ? 9 : 4)] as const }
  })
  const numbers = ticks
    .filter(({ whole }) => whole)
    .map(({ s }) => {
      const { x, y } = off(s, 18)
      return label(String(Math.round(s / unit)), [x, y], asked, 11)
    })
  return [
    strokes(
      ticks.map(({ line }) => line),
      paler(onDark),
      1,
      scale,
      0.85,
    ),
    ...numbers,
  ]
}

/** Join and hook, at the inner edge. */
function marks({
  workings: {
    scene: { base },
  },
  runs,
  scale,
}: DimensionsAsked): Node[] {
  const join = markOn(base, runs, base.join)
  const at = (run: Run, s: number, out: number, side: number): number[] => {
    const station = stationAt(run, s)
    const { x, y } = across(station, -1 - out / scale / station.half)
    return [x + (station.tx * side) / scale, y + (station.ty * side) / scale]
  }
  const nodes: Node[] = [
    new Konva.Line({
      points: [...at(join.run, join.s, 1, 0), ...at(join.run, join.s, 11, 5), ...at(join.run, join.s, 11, -5)],
      closed: true,
      fill: '#e9c46a',
      stroke: '#4a3510',
      strokeWidth: 1 / scale,
    }),
  ]
  if (base.hook !== null) {
    const hook = markOn(base, runs, base.hook)
    const station = stationAt(hook.run, hook.s)
    const { x, y } = across(station, 1 + 7 / scale / station.half)
    nodes.push(
      new Konva.Arc({
        x,
        y,
        innerRadius: 4 / scale,
        outerRadius: 6.5 / scale,
        angle: 270,
        rotation: 90,
        fill: '#e9c46a',
        stroke: '#4a3510',
        strokeWidth: 0.8 / scale,
      }),
    )
  }
  return nodes
}

function faceEdge(run: Run, from: number, length: number): Point[] {
  const steps = Math.max(2, Math.min(60, Math.ceil(length / 12)))
  const row = (t: number) =>
    Array.from({ length: steps + 1 }, (_, i) =>
      across(stationAt(run, Math.min(run.closed ? Infinity : run.length, from + (length * i) / steps)), t),
    )
  return [...row(1), ...row(-1).reverse()]
}

function bareEdges({ workings, runs, scale }: DimensionsAsked): Node[] {
  return workings.cover.bare
    .filter(({ length, run }) => length < runs.find(({ id }) => id === run)!.length)
    .map(({ run: id, from, length }) => {
      const run = runs.find((each) => each.id === id)!
      return new Konva.Line({
        points: faceEdge(run, from, length * 0.9999).flatMap(({ x, y }) => [x, y]),
        closed: true,
        stroke: CARE,
        strokeWidth: 1.5 / scale,
        dash: [5 / scale, 4 / scale],
        opacity: 0.95,
      })
    })
}

/** A reserved stretch: a double line along the inner edge. */
function zoneEdge({ run: id, from, length }: Zone, { runs, scale, onDark }: DimensionsAsked): Node[] {
  const run = runs.find((each) => each.id === id)
  if (!run || length <= 0) return []
  const steps = Math.max(2, Math.ceil(length / 8))
  return [-3, -6].map(
    (pixels) =>
      new Konva.Line({
        points: Array.from({ length: steps + 1 }, (_, i) => {
          const station = stationAt(run, onRun(run, from + (length * i) / steps))
          const { x, y } = across(station, -1 + pixels / scale / station.half)
          return [x, y]
        }).flat(),
        stroke: paler(onDark),
        strokeWidth: 1.2 / scale,
        opacity: 0.75,
      }),
  )
}

function baseMeasures(asked: DimensionsAsked): Node[] {
  const { workings, runs, manner, scale, onDark } = asked
  return measureLines(workings.scene.base, runs, workings.base.bounds).flatMap(({ name, from, to, value }) => {
    const far = Math.hypot(to.x - from.x, to.y - from.y) || 1
    const cap = 5 / scale
    const [nx, ny] = [(-(to.y - from.y) / far) * cap, ((to.x - from.x) / far) * cap]
    const end = ({ x, y }: Point): readonly [Point, Point] => [
      { x: x - nx, y: y - ny },
      { x: x + nx, y: y + ny },
    ]
    return [
      strokes([[from, to], end(from), end(to)], paler(onDark), 1.4, scale),
      label(`${name} ${show(value, manner)}`, [(from.x + to.x) / 2, (from.y + to.y) / 2], asked, 12, true),
    ]
  })
}

function selection(asked: DimensionsAsked): Node[] {
  const { scale, selected, moving, says } = asked
  const last = selected.at(-1)
  if (!last) return []
  const outlines = selected.flatMap((item) => {
    const points = footprint(item, item.form).flatMap(({ x, y }) => [x, y])
    return [
      ['#ffffff', 3, []],
      ['#2c5a43', 1.6, [6, 4]],
    ].map(
      ([stroke, width, dash]) =>
        new Konva.Line({
          points,
          closed: true,
          stroke: stroke as string,
          strokeWidth: (width as number) / scale,
          dash: (dash as number[]).map((each) => each / scale),
        }),
    )
  })
  const told = says ? [label(says, [last.x, last.y - 26 / scale], asked, 13, true)] : []
  if (moving) return [...outlines, ...told]
  return [...outlines, ...(selected.length === 1 ? [...gapArrows(last, asked), ...(last.locked ? [] : grips(last, scale))] : [])]
}

/** A square at the tip to trim by, a ring beyond it to turn by. */
function grips(item: SceneItem, scale: number): Node[] {
  const { trim, turn } = gripPoints(item, scale)
  const style = { stroke: '#2c5a43', strokeWidth: 1.8 / scale, fill: '#ffffff' }
  const stem = trim ?? { x: item.x, y: item.y }
  return [
    new Konva.Line({ points: [stem.x, stem.y, turn.x, turn.y], stroke: '#ffffff', strokeWidth: 1.2 / scale }),
    new Konva.Circle({ ...turn, radius: 5 / scale, ...style }),
    ...(trim
      ? [
          new Konva.Rect({
            x: trim.x,
            y: trim.y,
            width: 9 / scale,
            height: 9 / scale,
            offsetX: 4.5 / scale,
            offsetY: 4.5 / scale,
            rotation: item.bearing,
            ...style,
          }),
        ]
      : []),
  ]
}

/** The gaps to the neighbours in the same layer, one written inside and one outside so that short ones do not hide each other. */
function gapArrows(item: SceneItem, asked: DimensionsAsked): Node[] {
  const { workings, runs, manner, scale } = asked
  const placement = workings.placements.find(({ id }) => id === item.id)!
  const run = runs.find(({ id }) => id === placement.run)!
  const row = inOrder(workings.placements.filter((each) => each.layer === placement.layer && each.run === placement.run))
  if (row.length < 2) return []
  const here = row.findIndex(({ id }) => id === item.id)
  const gap = (from: { s: number } | undefined, to: { s: number } | undefined, side: 1 | -1): Node[] => {
    if (!from || !to) return []
    const length = along(run, from.s, to.s)
    if (length <= 0) return []
    const steps = Math.max(2, Math.ceil(length / 12))
    const points = Array.from({ length: steps + 1 }, (_, i) => {
      const { x, y } = stationAt(run, onRun(run, from.s + (length * i) / steps))
      return [x, y]
    }).flat()
    const middle = stationAt(run, onRun(run, from.s + length / 2))
    const { x, y } = across(middle, side * (1 + 16 / scale / middle.half))
    return [
      new Konva.Line({ points, stroke: '#ffffff', strokeWidth: 4 / scale, opacity: 0.8 }),
      new Konva.Arrow({
        points,
        stroke: MEASURE,
        fill: MEASURE,
        strokeWidth: 2 / scale,
        pointerLength: 6 / scale,
        pointerWidth: 6 / scale,
        pointerAtBeginning: true,
      }),
      label(readTape(length, manner.units), [x, y], asked, 12, true),
    ]
  }
  const wrap = run.closed
  return [
    ...gap(row[here - 1] ?? (wrap ? row.at(-1) : undefined), placement, -1),
    ...(row.length > 2 || !wrap ? gap(placement, row[here + 1] ?? (wrap ? row[0] : undefined), 1) : []),
  ]
}

function marquee({ from, to }: { from: Point; to: Point }, scale: number): Node {
  return new Konva.Rect({
    x: Math.min(from.x, to.x),
    y: Math.min(from.y, to.y),
    width: Math.abs(to.x - from.x),
    height: Math.abs(to.y - from.y),
    stroke: '#ffffff',
    strokeWidth: 1.4 / scale,
    dash: [4 / scale, 3 / scale],
    fill: 'rgba(44,90,67,0.18)',
  })
}
