import { kept, random } from '../measure'
import { tone } from './colour'
import { footprintOf, grow } from './grow-species'
import type { Growth, SpeciesPart, Species } from './species-grammar'
import type { Glyph } from './vector-marks'
import type { Bounds } from '../measure'
import { AS_DRAWN, stretchTo, MarkSheet, Pen } from './vector-pen'
import type { Fit, DrawingSheet } from './vector-pen'
import { drawMade, madeKey } from './parts/made'
import type { Looks } from './looks'
import { SPECIES } from './species'
import { drawPart, ShapeSheet } from './part-looks'
import { Stencil } from './coverage-mask'

/** Light is worked out for so many bearings, and there are so many twins of each kind: what sprites are cached by. */
const TURNS = 12
const TWINS = 5

/** The species of a name. @throws RangeError when there is none */
export function speciesOf(name: string): Species {
  const species = SPECIES[name]
  if (!species) throw new RangeError(`no species ${name}`)
  return species
}

/**
 * The drawing of one thing, pointing to the right with its anchor at the origin and as large as it says; the light
 * is right once it is turned to its bearing.
 */
export function itemGlyph(item: Looks): Glyph {
  const sheet = new MarkSheet()
  const bounds = putDown(item, sheet)
  return { marks: sheet.marks, bounds }
}

/** Draws one thing on a sheet, as `itemGlyph` says. @returns the tight bounds of what is drawn, cast shadows left out, mm */
export function putDown(item: Looks, sheet: DrawingSheet): Bounds {
  const own = shapeOf(item)
  own.fit ??= fitFor(item)
  const drawn = draw(item, { sheet, fit: own.fit })
  return (own.bounds ??= drawn)
}

/** The tight bounds of the drawing of one thing, mm, as `putDown` gives them. */
export function measureItem(item: Looks): Bounds {
  const own = shapeOf(item)
  own.fit ??= fitFor(item)
  own.bounds ??= draw(item, { fit: own.fit })
  return own.bounds
}

/** How a drawing is stretched to be as large as it says, and how large it is then: null until it was asked for. */
interface Drawn {
  fit: Fit | null
  bounds: Bounds | null
}

/** What was measured is kept for so many looks: a drawing is grown several times to be measured, and light changes none of it. */
const MEASURED = 6000
const known = new Map<string, Drawn>()

function shapeOf(item: Looks): Drawn {
  const turned = item.made?.as === 'bow' || hangsDown(item.species) ? turnOf(item) : ''
  const key = item.part
    ? `part|${item.part.key}|${item.length}`
    : `${item.species}|${item.length}|${item.width}|${item.bend}|${item.words ?? ''}|${twinOf(item)}|${turned}|${item.made ? madeKey(item.made) : ''}`
  const before = known.get(key)
  if (before) return before
  const now: Drawn = { fit: null, bounds: null }
  known.set(key, now)
  if (known.size > MEASURED) known.delete(known.keys().next().value!)
  return now
}

function fitFor(item: Looks): Fit {
  if (item.made || item.part) return AS_DRAWN
  const species = speciesOf(item.species)
  if (species.fit === 'none') return AS_DRAWN
  if (item.bend !== 0) return { ...AS_DRAWN, dx: straightFit(item).dx }
  const room = footprintOf(species, item)
  let fit = fitOf(species, draw(item), room)
  // Lines keep their thickness where a room is of another shape than the plant, so that it takes a second look.
  for (let looks = 0; looks < MOST_LOOKS && Math.abs(Math.log(fit.sx / fit.sy)) > STRETCHED; looks++)
    fit = after(fit, fitOf(species, draw(item, { fit }), room))
  return fit
}

/** What makes a stem as large as it says while it is straight: bent, it grows as long and as broad as that. */
function straightFit(item: Looks): Fit {
  const straight = { ...item, bend: 0 }
  return (shapeOf(straight).fit ??= fitFor(straight))
}

function draw(item: Looks, options: { readonly fit?: Fit; readonly sheet?: DrawingSheet } = {}): Bounds {
  if (item.part) {
    // What is only measured, or hides what is behind it, is as the light is not: alike things are grown once.
    const lit = options.sheet !== undefined && !(options.sheet instanceof Stencil)
    return drawPart(item.part, { ...item, bearing: turnOf(item) * (360 / TURNS) }, options.sheet ?? null, lit ? putDown : putUnlit)
  }
  const pen = new Pen(random(twinOf(item) * 7919 + 17), { turned: turnOf(item) * (360 / TURNS), ...options })
  if (item.made) drawMade(pen, item.made, item)
  else {
    const species = speciesOf(item.species)
    const [length, width] = species.fit === 'none' ? species.size : [item.length, item.width]
    const { sx, sy } = item.bend === 0 ? AS_DRAWN : straightFit(item)
    grow(pen, species, {
      length: length * sx,
      width: width * sy,
      tint: item.tint === null ? null : tone(item.tint),
      words: item.words,
      bend: item.bend,
    })
  }
  return pen.bounds
}

const GROWN = 40
const grown = kept<ShapeSheet>(GROWN)

/** Puts a thing down as it is shaped, whatever its light. */
function putUnlit(item: Looks, sheet: DrawingSheet): void {
  const still = item.made?.as === 'bow' || hangsDown(item.species) ? item : { ...item, bearing: 0 }
  grown(looksKey({ ...still, depth: 0, rise: 0 }), () => {
    const shapes = new ShapeSheet()
    putDown(still, shapes)
    return shapes
  }).again(sheet)
}

const MOST_LOOKS = 3
/** How unlike its two measures may be stretched before lines are thought of, as a logarithm. */
const STRETCHED = 0.25

const after = (first: Fit, then: Fit): Fit => ({
  sx: first.sx * then.sx,
  sy: first.sy * then.sy,
  dx: first.dx * then.sx + then.dx,
  dy: first.dy * then.sy + then.dy,
})

/** What makes a drawing of some bounds as large as its footprint. What grows from its foot keeps its foot on its own line. */
function fitOf({ fit, stance }: Species, drawn: Bounds, room: Bounds): Fit {
  const whole = stretchTo(drawn, room)
  if (fit === 'length') return { sx: whole.sx, sy: whole.sx, dx: whole.dx, dy: 0 }
  return stance === 'stem' ? { ...whole, dy: 0 } : whole
}

const inside = (growth: Growth): readonly Growth[] => ('grow' in growth ? growth.put : [])
const has = (growth: Growth, wanted: (part: SpeciesPart) => boolean): boolean =>
  ('part' in growth && wanted(growth)) || inside(growth).some((each) => has(each, wanted))

/** Whether a maker's own words can stand on it. */
export const bearsWords = (species: string): boolean =>
  SPECIES[species]?.grow.some((growth) => has(growth, (part) => part.part === 'words' && !part.fixed)) ?? false
/** Whether part of it hangs down whichever way it points, so that its shape goes by its bearing. */
export const hangsDown = (species: string): boolean =>
  SPECIES[species]?.grow.some((growth) => has(growth, ({ part }) => part === 'bow' || part === 'roll')) ?? false

/** Which of its twins a thing is drawn as. */
export const twinOf = ({ seed }: Looks): number => Math.abs(seed) % TWINS
/** For which bearing its light is worked out, in steps of a twelfth. */
export const turnOf = ({ bearing }: Looks): number => ((Math.round((bearing / 360) * TURNS) % TURNS) + TURNS) % TURNS

/** Two things with the same key look the same before they are put in place. */
export function looksKey(item: Looks): string {
  return [
    item.part ? `part ${item.part.key}` : item.species,
    item.length.toFixed(1),
    item.width.toFixed(1),
    item.tint ?? '',
    item.words ?? '',
    item.bend,
    twinOf(item),
    turnOf(item),
    item.depth,
    item.rise,
    item.made ? madeKey(item.made) : '',
  ].join('|')
}
