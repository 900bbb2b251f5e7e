import { boundsOf, runsOf } from './base'
import { fixProblems } from './fixing'
import { makeUpProblems } from './constructions'
import type { PartLooks, PartOnShelf, PlacedLooks } from './looks'
import { boundsAt, looksOf, silhouetteOf, withPartsOnShelf } from './looks'
import { madeOf, shownOf } from './making'
import type { Material, Need, Shelf } from './material'
import { materialOf } from './material'
import type { Bounds } from './measure'
import { onceWith, pluralOf, seedOf } from './measure'
import type { MadePart } from './part-needs'
import type { Mend, Part, Piece, Problem } from './piece'
import { inPart, materialOfPart, partAsPiece, partMaterial } from './piece'
import type { LaidLayer } from './placement'
import { arrange, arrangeProblems, HELD } from './placement'
import { keepingMaterials } from './tasks'

/** The parts of a piece, worked out, and the shelf on which they lie as materials. */
export interface WithParts {
  readonly parts: readonly MadePart[]
  readonly looks: readonly PartOnShelf[]
  readonly shelf: Shelf
}

const working = onceWith<Part, { readonly made: MadePart; readonly looks: PartLooks | null }>()
const shelving = onceWith<Piece['parts'], WithParts>()

/** What a piece makes beforehand, as materials that its layers are laid of. What is bought ready-made is the material that is bought. */
export function withParts(piece: Piece, shelf: Shelf): WithParts {
  if (!piece.parts.length) return { parts: [], looks: [], shelf }
  const worked = piece.parts.map((part) =>
    working(part, [piece.fixing, piece.brief.weather, piece.weighed, shelf.materials, shelf.rates, shelf.measured], () =>
      workedPart(piece, part, shelf),
    ),
  )
  return shelving(piece.parts, [shelf, ...worked], () => {
    const looks = worked.map(({ made, looks: each }) => ({ material: made.material, looks: each }))
    return { parts: worked.map(({ made }) => made), looks, shelf: withPartsOnShelf(shelf, looks) }
  })
}

/** A shelf with what a piece makes beforehand on it. */
export const shelfFor = (piece: Piece, shelf: Shelf): Shelf => withParts(piece, shelf).shelf

function workedPart(piece: Piece, part: Part, shelf: Shelf): { made: MadePart; looks: PartLooks | null } {
  const bought = part.bought === null ? undefined : materialOf(shelf, part.bought)
  if (bought)
    return { made: boughtPart(part, { ...bought, id: materialOfPart(part.id), name: part.name, plural: pluralOf(part.name) }), looks: null }
  const alone = partAsPiece(piece, part)
  const runs = runsOf(part.base)
  const of = { piece: alone, runs, laid: shownOf(arrange(alone, runs, shelf)), shelf }
  const { needs, masses, fixings, ordered } = madeOf(of, [])
  const laid = looksLaid(part, of.laid, shelf)
  const materials = keepingMaterials(of.laid, shelf)
  const wrong = [...arrangeProblems(of), ...makeUpProblems(of), ...fixProblems(alone, fixings, needs, 0, shelf)]
  return {
    made: {
      id: materialOfPart(part.id),
      part,
      material: partMaterial(part, { mass: masses.whole.value, length: laid.looks.length, width: laid.width }, materials),
      needs: needs.filter(({ use }) => use !== 'hanger' && use !== 'hook'),
      fixings: fixings.map((fixing) => ({ ...fixing, layer: materialOfPart(part.id) })),
      materials,
      tasks: ordered.tasks,
      dries: part.dries,
      problems: wrong.map((problem) => asOfPart(part, problem)),
    },
    looks: laid.looks,
  }
}

const boughtPart = (part: Part, material: Material): MadePart => ({
  id: material.id,
  part,
  material,
  needs: [{ of: 'things', material: part.bought!, use: 'laid', layer: material.id, count: 1, cut: null, spare: 0 } satisfies Need],
  fixings: [],
  materials: [material],
  tasks: [],
  dries: 0,
  problems: [],
})

/** How what is laid of a part looks, in the frame in which it lies on the piece: its middle, or where its stem is held, at the origin. */
function looksLaid(part: Part, laid: readonly LaidLayer[], shelf: Shelf): { readonly looks: PartLooks; readonly width: number } {
  const placements = laid.flatMap(({ placements: all }) => all).toSorted((a, b) => a.lift - b.lift)
  const box = placements.reduce((all, each) => union(all, boundsAt(silhouetteOf(each, shelf), each)), boundsOf(runsOf(part.base)))
  const [across, down] = [Math.max(5, box.right - box.left), Math.max(5, box.bottom - box.top)]
  const things = placements.map((each): PlacedLooks => ({ ...looksOf(each, shelf), x: each.x, y: each.y }))
  const middle = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 }
  // A stem points to the right from its upper end, and is held a little way along it.
  const lying =
    part.lies === 'like a stem'
      ? { turn: -90, x: -box.top - HELD * down, y: middle.x, length: down }
      : { turn: 0, x: -middle.x, y: -middle.y, length: across }
  return {
    looks: { key: keyOf([part.base, lying, things]), base: part.base, things, ...lying },
    width: part.lies === 'like a stem' ? across : down,
  }
}

/** A short name for something that may be long, by two seeds of it: no two parts of a workroom come by the same. */
function keyOf(of: unknown): string {
  const text = JSON.stringify(of)
  return `${seedOf('a', text).toString(36)}-${seedOf('b', text).toString(36)}-${text.length}`
}

const union = (a: Bounds, b: Bounds): Bounds => ({
  left: Math.min(a.left, b.left),
  top: Math.min(a.top, b.top),
  right: Math.max(a.right, b.right),
  bottom: Math.max(a.bottom, b.bottom),
})

/** What is wrong in a part, as something of the piece: it says of which, and is mended there. */
const asOfPart = (part: Part, problem: Problem): Problem => ({
  ...problem,
  id: `${materialOfPart(part.id)}:${problem.id}`,
  layer: null,
  part: part.name,
  mends: problem.mends.map((mend): Mend => ({ ...mend, edit: mend.edit && inPart(part.id, mend.edit) })),
})
