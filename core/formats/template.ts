import type { Placement } from '../placement'
import { HELD, spotAlong } from '../placement'
import type { Run } from '../base'
import { placeAtClock, stationAt, tapeRound } from '../base'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Bounds, DisplayOptions, Point } from '../measure'
import type { Piece } from '../piece'
import { inches, quantity, show } from '../measure'

/** Papers that printers take, mm: Letter (ANSI/ASME Y14.1, 8½ × 11 in), and A4 (ISO 216). */
export const PAPERS = { letter: { width: 215.9, height: 279.4 }, a4: { width: 210, height: 297 } } as const
export type PaperId = keyof typeof PAPERS

/** What no printer prints on, and what neighbouring pages share, mm. */
export const MARGIN = 10
export const OVERLAP = 12

/** A stroke or a word on paper, mm from the paper’s upper left corner. */
export type Ink =
  | { readonly ink: 'line'; readonly from: Point; readonly to: Point; readonly weight: 'fine' | 'bold' | 'dashed' | 'mark' }
  | { readonly ink: 'text'; readonly at: Point; readonly text: string; readonly size: number; readonly align: 'left' | 'middle' | 'right' }

export interface Page {
  /** "B2": column and row. */
  readonly name: string
  readonly ink: readonly Ink[]
}

/** The things of a layer, each of which is marked, and what they are called. */
export interface Marks {
  readonly name: string
  readonly placements: readonly Placement[]
}

/** The marks of a piece, layer by layer. @param placements of the whole piece */
export const marksOf = ({ layers }: Pick<Piece, 'layers'>, placements: readonly Placement[], shelf: Shelf): Marks[] =>
  layers.map(({ id, mix, role }) => ({
    name: materialOf(shelf, mix[0]!.material)?.name ?? role,
    placements: placements.filter(({ layer }) => layer === id),
  }))

const line = (from: Point, to: Point, weight: Extract<Ink, { ink: 'line' }>['weight'] = 'fine'): Ink => ({ ink: 'line', from, to, weight })
const text = (at: Point, words: string, size = 3, align: Extract<Ink, { ink: 'text' }>['align'] = 'left'): Ink => ({
  ink: 'text',
  at,
  text: words,
  size,
  align,
})

/** How far the way is shown in which a straight stem lies, and in how many strokes a bent one is followed to its tip, mm. */
const WAY = 12
const BENT_STROKES = 8

/** Which way a straight stem lies. */
const wayOf = (thing: Placement): Ink[] =>
  thing.form === 'leaf' && thing.bend === 0 ? [line(thing, spotAlong(thing, WAY, 0), 'fine')] : []

/** The line of a bent stem to its tip: as far as there is paper, which is not added for it. */
function bentLine(thing: Placement): Ink[] {
  if (thing.form !== 'leaf' || thing.bend === 0) return []
  const reach = thing.length * (1 - HELD)
  const at = (i: number): Point => spotAlong(thing, (reach * i) / BENT_STROKES, 0)
  return Array.from({ length: BENT_STROKES }, (_, i) => line(at(i), at(i + 1), 'fine'))
}

/** What is drawn at full size, mm about the base’s middle: outlines of the face, its middle line, and a cross and number at every place. */
function placement(runs: readonly Run[], laid: readonly Marks[]): Ink[] {
  const outlines = runs.flatMap((run): Ink[] => {
    const steps = Math.max(48, Math.ceil(run.length / 12))
    const rail = (side: number, weight: 'fine' | 'dashed'): Ink[] => {
      const at = (i: number): Point => {
        const { x, y, nx, ny, half } = stationAt(run, (i / steps) * run.length)
        return { x: x + nx * half * side, y: y + ny * half * side }
      }
      return Array.from({ length: steps }, (_, i) => line(at(i), at(i + 1), weight))
    }
    return [...rail(1, 'fine'), ...rail(-1, 'fine'), ...rail(0, 'dashed')]
  })
  const clocked = runs.length === 1 && runs[0]!.closed
  const hours: Ink[] = clocked
    ? Array.from({ length: 12 }, (_, i) => {
        const run = runs[0]!
        const { x, y, nx, ny, half } = stationAt(run, placeAtClock(run, i * 30))
        return [
          line({ x: x + nx * half, y: y + ny * half }, { x: x + nx * (half + 5), y: y + ny * (half + 5) }, 'bold'),
          text({ x: x + nx * (half + 9), y: y + ny * (half + 9) + 1 }, String(i || 12), 4, 'middle'),
        ]
      }).flat()
    : []
  const marks = laid.flatMap(({ placements }, k): Ink[] =>
    placements.flatMap((thing): Ink[] => {
      const { x, y, number } = thing
      return [
        line({ x: x - 3, y }, { x: x + 3, y }, 'mark'),
        line({ x, y: y - 3 }, { x, y: y + 3 }, 'mark'),
        ...wayOf(thing),
        text({ x: x + 3.5, y: y - 1 }, `${String.fromCharCode(65 + (k % 26))}${number}`, 2.4),
      ]
    }),
  )
  return [...outlines, ...hours, ...marks]
}

/** Room that words take beside what they name, mm. */
const WORDS = 8

/** How wide strokes lie, with room for words about them. */
function edgesOf(ink: readonly Ink[]): Bounds {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const each of ink) {
    if (each.ink !== 'line') continue
    for (const { x, y } of [each.from, each.to]) {
      left = Math.min(left, x)
      right = Math.max(right, x)
      top = Math.min(top, y)
      bottom = Math.max(bottom, y)
    }
  }
  return { left: left - WORDS, top: top - WORDS, right: right + WORDS, bottom: bottom + WORDS }
}

/** The part of a stroke within a box; null where it lies outside. Liang and Barsky 1984 (from memory). */
export function clipped(from: Point, to: Point, { left, top, right, bottom }: Bounds): readonly [Point, Point] | null {
  let [t0, t1] = [0, 1]
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  for (const [p, q] of [
    [-dx, from.x - left],
    [dx, right - from.x],
    [-dy, from.y - top],
    [dy, bottom - from.y],
  ] as const) {
    if (p === 0) {
      if (q < 0) return null
      continue
    }
    const t = q / p
    if (p < 0) t0 = Math.max(t0, t)
    else t1 = Math.min(t1, t)
    if (t0 > t1) return null
  }
  return [
    { x: from.x + t0 * dx, y: from.y + t0 * dy },
    { x: from.x + t1 * dx, y: from.y + t1 * dy },
  ]
}

/** A bar of exactly 100 mm and one of exactly 4 in, to hold a ruler to. @param at its left end */
function checkBar(at: Point): Ink[] {
  const bar = (y: number, length: number, says: string): Ink[] => [
    line({ x: at.x, y }, { x: at.x + length, y }, 'bold'),
    line({ x: at.x, y: y - 1.5 }, { x: at.x, y: y + 1.5 }, 'bold'),
    line({ x: at.x + length, y: y - 1.5 }, { x: at.x + length, y: y + 1.5 }, 'bold'),
    text({ x: at.x + length + 2, y: y + 1 }, says, 2.8),
  ]
  return [...bar(at.y, 100, '100 mm'), ...bar(at.y + 6, inches(4), '4 in')]
}

const columnName = (n: number): string => (n >= 26 ? columnName(Math.floor(n / 26) - 1) : '') + String.fromCharCode(65 + (n % 26))

/** The most pages that one template may have. */
export const MOST_PAGES = 120

/**
 * The full-size placement template: the face of the base and every place on it at 1:1, on as many pages as it takes, each
 * with cross marks to lay it on its neighbours; pages with nothing on them are left out. The first page has the map and the bars.
 * @returns null where it would be more than {@link MOST_PAGES} pages: a garland is measured with its tape instead
 */
export function templatePages(name: string, runs: readonly Run[], laid: readonly Marks[], paper: PaperId): readonly Page[] | null {
  const ink = placement(runs, laid)
  const bent = laid.flatMap(({ placements }) => placements.flatMap(bentLine))
  const { width, height } = PAPERS[paper]
  const edges = edgesOf(ink)
  const [wide, high] = [width - 2 * MARGIN, height - 2 * MARGIN]
  const [stepX, stepY] = [wide - OVERLAP, high - OVERLAP]
  const fits = (length: number, size: number, step: number): number => Math.max(1, Math.ceil((length - size) / step - 1e-9) + 1)
  const [columns, rows] = [fits(edges.right - edges.left, wide, stepX), fits(edges.bottom - edges.top, high, stepY)]
  if (columns * rows > MOST_PAGES) return null
  // What is over is shared out to both sides.
  const left = (edges.left + edges.right - (wide + (columns - 1) * stepX)) / 2
  const top = (edges.top + edges.bottom - (high + (rows - 1) * stepY)) / 2
  const tiles = Array.from({ length: rows * columns }, (_, i) => ({ column: i % columns, row: Math.floor(i / columns) }))
  const pages = tiles.flatMap(({ column, row }): { column: number; row: number; own: Ink[] }[] => {
    const box: Bounds = {
      left: left + column * stepX,
      top: top + row * stepY,
      right: left + column * stepX + wide,
      bottom: top + row * stepY + high,
    }
    const onPage = ({ x, y }: Point): Point => ({ x: x - box.left + MARGIN, y: y - box.top + MARGIN })
    const within = (each: Ink): Ink[] => {
      if (each.ink === 'text') {
        const { x, y } = each.at
        return x >= box.left && x <= box.right && y >= box.top && y <= box.bottom ? [{ ...each, at: onPage(each.at) }] : []
      }
      const part = clipped(each.from, each.to, box)
      return part ? [{ ...each, from: onPage(part[0]), to: onPage(part[1]) }] : []
    }
    const own = ink.flatMap(within)
    return own.length ? [{ column, row, own: [...own, ...bent.flatMap(within)] }] : []
  })
  const nameOf = (column: number, row: number): string => `${columnName(column)}${row + 1}`
  return [
    { name: 'map', ink: mapPage({ name, paper, columns, rows, pages }, laid) },
    ...pages.map(({ column, row, own }): Page => {
      const crosses = [MARGIN + OVERLAP / 2, MARGIN + stepX + OVERLAP / 2]
      const downs = [MARGIN + OVERLAP / 2, MARGIN + stepY + OVERLAP / 2]
      return {
        name: nameOf(column, row),
        ink: [
          ...own,
          ...crosses.flatMap((x) => downs.flatMap((y) => [line({ x: x - 4, y }, { x: x + 4, y }), line({ x, y: y - 4 }, { x, y: y + 4 })])),
          text({ x: MARGIN, y: height - 4 }, `${name}: ${nameOf(column, row)} of ${columns} × ${rows}`, 3),
          text({ x: width - MARGIN, y: height - 4 }, 'Print at 100 %, not fitted to the page', 3, 'right'),
        ],
      }
    }),
  ]
}

/** How the pages of a template lie: those of a grid on which something is. */
interface PageMap {
  readonly name: string
  readonly paper: PaperId
  readonly columns: number
  readonly rows: number
  readonly pages: readonly { readonly column: number; readonly row: number }[]
}

/** The first page: what lies where, which letter is what, and the bars. */
function mapPage({ name, paper, columns, rows, pages }: PageMap, laid: readonly Marks[]): Ink[] {
  const { width } = PAPERS[paper]
  const top = 60
  const cell = Math.min(22, (width - 2 * MARGIN) / columns)
  const tall = cell * 1.3
  const there = new Set(pages.map(({ column, row }) => `${column} ${row}`))
  return [
    text({ x: MARGIN, y: 18 }, name, 7),
    text({ x: MARGIN, y: 26 }, 'Full-size placement template. Print at 100 %, then hold a ruler to both bars:', 3.4),
    ...checkBar({ x: MARGIN, y: 36 }),
    text({ x: MARGIN, y: top - 5 }, `Lay the pages so that the cross marks of neighbours meet: they share ${OVERLAP} mm.`, 3.4),
    ...Array.from({ length: rows * columns }, (_, i): Ink[] => {
      const [column, row] = [i % columns, Math.floor(i / columns)]
      const [x, y] = [MARGIN + column * cell, top + row * tall]
      const on = there.has(`${column} ${row}`)
      const corners = [
        { x, y },
        { x: x + cell, y },
        { x: x + cell, y: y + tall },
        { x, y: y + tall },
      ]
      return [
        ...corners.map((from, k) => line(from, corners[(k + 1) % 4]!, on ? 'bold' : 'dashed')),
        ...(on ? [text({ x: x + cell / 2, y: y + tall / 2 + 1 }, `${columnName(column)}${row + 1}`, Math.min(4, cell / 3), 'middle')] : []),
      ]
    }).flat(),
    ...laid.flatMap(({ name: what, placements }, k): Ink[] =>
      placements.length
        ? [
            text(
              { x: MARGIN, y: top + rows * tall + 10 + k * 6 },
              `${String.fromCharCode(65 + (k % 26))}: ${placements.length} × ${what}`,
              3.4,
            ),
          ]
        : [],
    ),
  ]
}

/** How tall a strip of tape is on paper, and how far apart two lie, mm. */
const STRIP = 26
const STRIP_EVERY = 40

/** A piece of a tape, from and to so many mm along it. */
interface TapePiece {
  readonly run: Run
  readonly from: number
  readonly to: number
  readonly title: string
}

/** The numbers of a tape, by the inch or the centimetre. @param at where a place along it is on paper, mm */
function tapeTicks({ from, to }: TapePiece, at: (s: number) => number, units: DisplayOptions['units']): Ink[] {
  const unit = units === 'in' ? 25.4 : 10
  const every = units === 'in' ? 12 : 10
  const first = Math.ceil(from / unit)
  return Array.from({ length: Math.floor(to / unit) - first + 1 }, (_, k): Ink[] => {
    const n = first + k
    const x = at(n * unit)
    return [line({ x, y: 0 }, { x, y: n % every === 0 ? 7 : 4 }), text({ x: x + 0.5, y: 7 }, String(n), 2.4)]
  }).flat()
}

/** A mark at everything that is laid there: the layer's letter and the thing's number. */
function tapeMarks({ run, from, to }: TapePiece, at: (s: number) => number, laid: readonly Marks[]): Ink[] {
  const read = tapeRound(run)
  return laid.flatMap(({ placements }, k) =>
    placements.flatMap(({ run: on, s, number }): Ink[] => {
      const mark = read(s)
      if (on !== run.id || mark < from - 1e-6 || mark > to + 1e-6) return []
      const y = STRIP - 3 - (k % 3) * 4
      return [
        line({ x: at(mark), y: 9 }, { x: at(mark), y: STRIP }, 'mark'),
        text({ x: at(mark) + 0.6, y }, `${String.fromCharCode(65 + (k % 26))}${number}`, 2.4),
      ]
    }),
  )
}

/** A run's tape, cut to pieces that go on a page. @param room along a page, mm */
function tapePieces(run: Run, room: number, manner: DisplayOptions): TapePiece[] {
  const whole = run.closed ? run.rim : run.length
  const pieces = Math.max(1, Math.ceil((whole - room) / (room - OVERLAP) - 1e-9) + 1)
  return Array.from({ length: pieces }, (_, i): TapePiece => {
    const from = i * (room - OVERLAP)
    const to = Math.min(whole, from + room)
    const said = `${show(quantity.length(from), manner)} to ${show(quantity.length(to), manner)}`
    return { run, from, to, title: `${run.name}${pieces > 1 ? `, piece ${i + 1} of ${pieces}` : ''}: ${said}` }
  })
}

function tapeInk(piece: TapePiece, laid: readonly Marks[], units: DisplayOptions['units']): Ink[] {
  const { from, to, title } = piece
  const at = (s: number): number => MARGIN + s - from
  return [
    line({ x: at(from), y: 0 }, { x: at(to), y: 0 }, 'bold'),
    line({ x: at(from), y: STRIP }, { x: at(to), y: STRIP }, 'bold'),
    line({ x: at(from), y: 0 }, { x: at(from), y: STRIP }, 'bold'),
    line({ x: at(to), y: 0 }, { x: at(to), y: STRIP }, 'bold'),
    ...tapeTicks(piece, at, units),
    ...tapeMarks(piece, at, laid),
    text({ x: at(from), y: -2 }, title, 2.8),
  ]
}

/**
 * The tape strip at 1:1: what is laid along a base, or round the rim of a ring, cut to pieces as long as the paper is, with a
 * mark at every thing. On a ring it is as long as the rim, since that is where a tape is laid.
 */
export function stripPages(
  name: string,
  runs: readonly Run[],
  laid: readonly Marks[],
  paper: PaperId,
  manner: DisplayOptions,
): readonly Page[] {
  const { width, height } = PAPERS[paper]
  // Strips run along the longer side: pages lie on their side.
  const [wide, high] = [height, width]
  const strips = runs.flatMap((run) => tapePieces(run, wide - 2 * MARGIN, manner)).map((piece) => tapeInk(piece, laid, manner.units))
  const first = 34
  const perPage = Math.floor((high - first - MARGIN) / STRIP_EVERY)
  return Array.from({ length: Math.ceil(strips.length / perPage) }, (_, page): Page => ({
    name: `tape ${page + 1}`,
    ink: [
      text({ x: MARGIN, y: 12 }, `${name}: tape to lay ${runs[0]!.closed ? 'round the rim' : 'along it'}. Print at 100 %.`, 3.4),
      ...checkBar({ x: MARGIN, y: 17 }),
      ...strips
        .slice(page * perPage, (page + 1) * perPage)
        .flatMap((strip, i) => strip.map((each) => lowered(each, first + i * STRIP_EVERY))),
    ],
  }))
}

const lowered = (each: Ink, by: number): Ink =>
  each.ink === 'line'
    ? { ...each, from: { x: each.from.x, y: each.from.y + by }, to: { x: each.to.x, y: each.to.y + by } }
    : { ...each, at: { x: each.at.x, y: each.at.y + by } }

/** Sheets of labels as shops have them, mm: common sizes, no standard. */
export const LABELS = {
  letter: {
    name: 'Letter, 10 of 4 × 2 in',
    columns: 2,
    rows: 5,
    width: inches(4),
    height: inches(2),
    left: inches(0.15625),
    top: inches(0.5),
    acrossEvery: inches(4.1875),
    downEvery: inches(2),
  },
  a4: {
    name: 'A4, 14 of 99.1 × 38.1 mm',
    columns: 2,
    rows: 7,
    width: 99.1,
    height: 38.1,
    left: 4.65,
    top: 15.15,
    acrossEvery: 101.6,
    downEvery: 38.1,
  },
} as const

export interface Label {
  readonly title: string
  readonly lines: readonly string[]
}

/** So many labels on sheets, each as full as it holds. */
export function labelPages(labels: readonly Label[], paper: PaperId): readonly Page[] {
  const { columns, rows, width, height, left, top, acrossEvery, downEvery } = LABELS[paper]
  const per = columns * rows
  return Array.from({ length: Math.max(1, Math.ceil(labels.length / per)) }, (_, page): Page => ({
    name: `labels ${page + 1}`,
    ink: labels.slice(page * per, (page + 1) * per).flatMap(({ title, lines }, i): Ink[] => {
      const [x, y] = [left + (i % columns) * acrossEvery, top + Math.floor(i / columns) * downEvery]
      const room = Math.floor((height - 13) / 3.4)
      return [
        text({ x: x + 4, y: y + 7 }, title, 4.2),
        ...lines
          .flatMap((each) => wrapped(each, Math.floor((width - 8) / 1.32)))
          .slice(0, room)
          .map((each, k) => text({ x: x + 4, y: y + 12 + k * 3.4 }, each, 2.6)),
      ]
    }),
  }))
}

/** Words broken to lines of so many letters at most. @example wrapped('one two three', 7) // ['one two', 'three'] */
export function wrapped(words: string, most: number): string[] {
  return words.split(' ').reduce<string[]>((lines, word) => {
    const last = lines.at(-1)
    if (last !== undefined && last.length + 1 + word.length <= most) lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
    return lines
  }, [])
}
