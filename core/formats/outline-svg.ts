import { XMLParser, XMLValidator } from 'fast-xml-parser'
import svgpath from 'svgpath'
import type { DrawnStroke, Knot, OutlineStroke, ShapeOf } from '../base'
import { BASE_LIMITS, OUTLINE_LIMITS, strokesBox, strokesFault, strokesSized, withRunIds } from '../base'
import type { Point } from '../measure'
import { inches } from '../measure'

/** The largest drawing that is read, characters. */
export const LARGEST_SVG = 1_000_000
/** Nothing in a drawing lies farther out, in its units. */
const FARTHEST = 1e6
/** Groups in groups deeper than this are no drawing. */
const DEEPEST = 40

export type ReadOutline = { readonly ok: true; readonly shape: ShapeOf<'outline'> } | { readonly ok: false; readonly error: string }

const no = (error: string): ReadOutline => ({ ok: false, error })

/**
 * Reads an outline from an SVG drawing, or from the data of one path of it (`M 0 0 L …`): every part of a path, and every circle,
 * rectangle, ellipse, line, polyline and polygon, is a run; curves stay curves. A drawing that says its width in inches, centimetres or
 * millimetres comes at its own size, any other as wide as asked.
 * @param width what it is to finish at where it does not say, mm @param face of the wire, mm
 * @returns the outline, or in words why it cannot be bent
 */
export function readOutline(text: string, width: number, face: number): ReadOutline {
  const trimmed = text.trim()
  if (!trimmed) return no('It is empty.')
  if (trimmed.length > LARGEST_SVG)
    return no(`It has over ${LARGEST_SVG.toLocaleString('en')} characters: no outline that a hand bends needs so many.`)
  const paths = /^m/i.test(trimmed) ? { ok: true as const, paths: [{ d: trimmed, transforms: [] }], scale: null } : pathsOf(trimmed)
  if (!paths.ok) return paths
  const strokes: DrawnStroke[] = []
  for (const path of paths.paths) {
    const read = strokesOf(path)
    if (typeof read === 'string') return no(read)
    strokes.push(...read)
  }
  if (!strokes.length) return no('Nothing is drawn in it: no path, circle, rectangle, line or polygon.')
  if (strokes.length > OUTLINE_LIMITS.runs)
    return no(`It has ${strokes.length} runs, and an outline takes ${OUTLINE_LIMITS.runs} at most: leave out what is not bent.`)
  return shapeOf(withRunIds(strokes.map((stroke, i) => ({ ...stroke, name: strokes.length === 1 ? 'outline' : `run ${i + 1}` }))), {
    scale: paths.scale,
    width,
    face,
  })
}

/** Strokes in the drawing's measure as they finish. @param scale mm to one unit of the drawing; null where it does not say */
function shapeOf(
  drawn: readonly OutlineStroke[],
  { scale, width, face }: { scale: number | null; width: number; face: number },
): ReadOutline {
  const far = drawn.flatMap(({ points }) => points).find(({ x, y }) => !(Math.max(Math.abs(x), Math.abs(y)) <= FARTHEST))
  if (far) return no(`A point of it lies at ${far.x}, ${far.y}: farther out than any drawing.`)
  // Faults of too many points and the like first: a box of nothing has no size.
  const early = strokesFault(drawn)
  if (early) return no(early.says)
  const { left, right, top, bottom } = strokesBox(drawn)
  const [wide, high] = [right - left, bottom - top]
  const by = scale ?? (width - face) / Math.max(wide, wide > high / 20 ? 0 : high)
  const [w, h] = [wide * by + face, high * by + face]
  if (Math.max(w, h) > BASE_LIMITS.largest)
    return no(`It would be ${Math.round(Math.max(w, h))} mm: a bench holds ${BASE_LIMITS.largest} mm.`)
  if (Math.max(w, h) < BASE_LIMITS.smallest) return no(`It would be ${Math.round(Math.max(w, h))} mm: too small to bend.`)
  return { ok: true, shape: { form: 'outline', width: w, height: h, face, strokes: strokesSized(drawn, w - face, h - face) } }
}

interface DrawnPath {
  readonly d: string
  /** Its own first, then those of the groups it is in. */
  readonly transforms: readonly string[]
}
type Paths = { readonly ok: true; readonly paths: readonly DrawnPath[]; readonly scale: number | null }

/** An element as the parser gives it: its children by its name, its attributes by `:@`. */
type Element = Record<string, Element[] | Record<string, string> | undefined>

const nameOf = (element: Element): string => Object.keys(element).find((key) => key !== ':@') ?? ''
const attributesOf = (element: Element): Record<string, string> => (element[':@'] ?? {}) as Record<string, string>

/** All that is drawn in an SVG file. */
function pathsOf(text: string): Paths | { readonly ok: false; readonly error: string } {
  const valid = XMLValidator.validate(text, { allowBooleanAttributes: true })
  if (valid !== true) return { ok: false, error: `It is not an SVG drawing: line ${valid.err.line}: ${valid.err.msg.replace(/\.$/, '')}.` }
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    removeNSPrefix: true,
    processEntities: false,
    parseAttributeValue: false,
  })
  let tree: Element[]
  try {
    tree = parser.parse(text) as Element[]
  } catch (error) {
    return { ok: false, error: `It is not an SVG drawing: ${error instanceof Error ? error.message : String(error)}` }
  }
  const svg = tree.find((element) => nameOf(element) === 'svg')
  if (!svg) return { ok: false, error: 'It is not an SVG drawing: it has no <svg> in it.' }
  const found: DrawnPath[] = []
  const refused = gather(svg, [], found)
  return refused ? { ok: false, error: refused } : { ok: true, paths: found, scale: scaleOf(attributesOf(svg)) }
}

/** What is never drawn where it stands. */
const NOT_DRAWN: ReadonlySet<string> = new Set([
  'defs',
  'clipPath',
  'mask',
  'symbol',
  'marker',
  'pattern',
  'title',
  'desc',
  'metadata',
  'style',
])

/** Gathers what is drawn in an element. @returns why the drawing is refused; null where it is not */
function gather(element: Element, transforms: readonly string[], into: DrawnPath[]): string | null {
  const name = nameOf(element)
  if (transforms.length > DEEPEST) return `Its groups are nested deeper than ${DEEPEST}.`
  if (name === 'script' || name === 'foreignObject') return `There is a <${name}> in it: a drawing with a program in it is not read.`
  const attributes = attributesOf(element)
  const handler = Object.keys(attributes).find((key) => /^on/i.test(key))
  if (handler) return `There is a program in it (${handler}): a drawing with one is not read.`
  if (NOT_DRAWN.has(name) || attributes.display === 'none') return null
  const own = [attributes.transform ?? '', ...transforms]
  const d = dataOf(name, attributes)
  if (d) into.push({ d, transforms: own.filter(Boolean) })
  const children = element[name]
  for (const child of Array.isArray(children) ? children : []) {
    const refused = gather(child, own, into)
    if (refused) return refused
  }
  return null
}

/** What an element draws, as data of a path; nothing where it draws no line. */
function dataOf(name: string, attributes: Record<string, string>): string {
  const n = (key: string): number => Number.parseFloat(attributes[key] ?? '0') || 0
  const round = (x: number, y: number, rx: number, ry: number): string =>
    rx > 0 && ry > 0 ? `M${x} ${y - ry}A${rx} ${ry} 0 0 1 ${x} ${y + ry}A${rx} ${ry} 0 0 1 ${x} ${y - ry}Z` : ''
  switch (name) {
    case 'path':
      return attributes.d ?? ''
    case 'rect':
      return n('width') > 0 && n('height') > 0 ? `M${n('x')} ${n('y')}h${n('width')}v${n('height')}h${-n('width')}Z` : ''
    case 'circle':
      return round(n('cx'), n('cy'), n('r'), n('r'))
    case 'ellipse':
      return round(n('cx'), n('cy'), n('rx'), n('ry'))
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`
    case 'polyline':
    case 'polygon':
      return attributes.points ? `M${attributes.points}${name === 'polygon' ? 'Z' : ''}` : ''
    default:
      return ''
  }
}

const IN_MM: Record<string, number> = { mm: 1, cm: 10, in: inches(1) }
/** Millimetres to a unit of a drawing that says how large it is. */
function scaleOf({ width = '', viewBox = '' }: Record<string, string>): number | null {
  const [, size, unit] = /^\s*([\d.]+)\s*(mm|cm|in)\s*$/.exec(width) ?? []
  if (!size || !unit) return null
  const wide = Number(viewBox.trim().split(/[\s,]+/)[2])
  // Without a view box a unit is a ninety-sixth of an inch (SVG 1.1 and CSS).
  return wide > 0 ? (Number(size) * IN_MM[unit]!) / wide : inches(1) / 96
}

/** Points nearer than this to one another are one, to how far the drawing reaches. */
const ONE_POINT = 1e-6

/** The strokes of a path, a subpath each; or why they cannot be read. */
function strokesOf({ d, transforms }: DrawnPath): DrawnStroke[] | string {
  let path = svgpath(d)
  // Worked out one by one, the innermost first.
  for (const each of transforms) path = svgpath(path.abs().unarc().unshort().transform(each).toString())
  const { err } = path as { err?: string }
  if (err) return `A path in it cannot be read: ${err.replace(/^SvgPath: /, '')}.`
  const drawn: { closed: boolean; points: Knot[] }[] = []
  path
    .abs()
    .unarc()
    .unshort()
    .iterate((segment, _, x, y) => {
      // What goes on after a path was closed begins where that began.
      if (segment[0] !== 'M' && segment[0] !== 'Z' && segment[0] !== 'z' && drawn.at(-1)!.closed)
        drawn.push({ closed: false, points: [knot(x, y)] })
      const { points } = drawn.at(-1) ?? { points: [] }
      switch (segment[0]) {
        case 'M':
          drawn.push({ closed: false, points: [knot(segment[1], segment[2])] })
          break
        case 'L':
          straightTo(points, segment[1], segment[2])
          break
        case 'H':
          straightTo(points, segment[1], y)
          break
        case 'V':
          straightTo(points, x, segment[1])
          break
        case 'C':
          curveTo(points, { x: segment[1], y: segment[2] }, { x: segment[3], y: segment[4] }, { x: segment[5], y: segment[6] })
          break
        case 'Q': {
          const [one, to] = [
            { x: segment[1], y: segment[2] },
            { x: segment[3], y: segment[4] },
          ]
          const third = (from: Point): Point => ({ x: from.x + ((one.x - from.x) * 2) / 3, y: from.y + ((one.y - from.y) * 2) / 3 })
          curveTo(points, third({ x, y }), third(to), to)
          break
        }
        case 'Z':
        case 'z':
          drawn.at(-1)!.closed = true
          break
      }
    })
  return drawn.flatMap(({ closed, points }) => finished(closed, points))
}

const knot = (x: number, y: number): Knot => ({ x, y, before: null, after: null })
const away = (a: Point, b: Point): Point => ({ x: b.x - a.x, y: b.y - a.y })

function straightTo(points: Knot[], x: number, y: number): void {
  points.push(knot(x, y))
}
function curveTo(points: Knot[], one: Point, two: Point, to: Point): void {
  const from = points.at(-1)!
  from.after = away(from, one)
  points.push({ ...knot(to.x, to.y), before: away(to, two) })
}

/** A subpath without points that lie on one another; closed also where it ends where it began, and begun at its top. */
function finished(closes: boolean, drawn: readonly Knot[]): DrawnStroke[] {
  const reach = Math.max(...drawn.flatMap(({ x, y }) => [Math.abs(x), Math.abs(y)]), 1)
  const same = (a: Knot, b: Knot): boolean => Math.hypot(a.x - b.x, a.y - b.y) <= reach * ONE_POINT
  const points: Knot[] = []
  for (const each of drawn) {
    const last = points.at(-1)
    if (last && same(last, each) && !last.after && !each.before) last.after = each.after
    else points.push({ ...each })
  }
  const [first, last] = [points[0], points.at(-1)]
  const meets = points.length > 2 && same(first!, last!)
  if (meets) {
    points.pop()
    first!.before = last!.before
  }
  if (points.length < 2) return []
  const closed = closes || meets
  return [{ name: 'run', closed, points: closed ? fromTop(points) : points }]
}

/** The same round begun at its uppermost point, where one reads it from. */
function fromTop(points: readonly Knot[]): Knot[] {
  const top = points.reduce((best, { y }, i) => (y < points[best]!.y - 1e-9 ? i : best), 0)
  return [...points.slice(top), ...points.slice(0, top)]
}
