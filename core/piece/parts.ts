import type { BaseKind } from '../base'
import { BASE_SORTS, extentOf, usualBase } from '../base'
import type { Material } from '../material'
import { HAZARDS, WEATHERS } from '../material'
import { pluralOf } from '../measure'
import type { Edit } from './edit'
import type { Layer, Part, Piece } from './schema'
import { materialOfPart } from './schema'
import { usualMaking } from './making-decisions'

/** All layers of a piece, those of its parts last. */
export const everyLayer = ({ layers, parts }: Pick<Piece, 'layers' | 'parts'>): readonly Layer[] => [
  ...layers,
  ...parts.flatMap((part) => part.layers),
]

/** A part in a piece is about so wide, mm: rule of thumb. */
const PART_ACROSS = 130

/** A part before anything lies on it, on the smallest base of a kind; a ring is made as small as a part is. */
export function startPart(id: string, name: string, kind: BaseKind): Part {
  const { sizes } = BASE_SORTS[kind]
  const { shape } = sizes.reduce((least, each) => (extentOf(each.shape) < extentOf(least.shape) ? each : least))
  const small =
    shape.form === 'ring' && shape.outer > PART_ACROSS
      ? { ...shape, outer: PART_ACROSS, inner: Math.round((shape.inner * PART_ACROSS) / shape.outer) }
      : shape
  return {
    id,
    name,
    base: { ...usualBase(kind), shape: small },
    layers: [],
    lies: kind === 'spray' ? 'like a stem' : 'any way round',
    dries: 0,
    bought: null,
  }
}

/** An id that no part of a piece has. */
export function freshPartId(parts: readonly Pick<Part, 'id'>[]): string {
  let n = parts.length + 1
  while (parts.some(({ id }) => id === `part-${n}`)) n += 1
  return `part-${n}`
}

/** Takes a part off a piece, and out of all that is laid of it: a layer of nothing else goes as a whole. */
export function withoutPart(piece: Piece, part: string): Edit {
  const of = materialOfPart(part)
  const edits = piece.layers.flatMap((layer): Edit[] => {
    const mix = layer.mix.filter(({ material }) => material !== of)
    const added = layer.added.filter(({ material }) => material !== of)
    if (mix.length === layer.mix.length && added.length === layer.added.length) return []
    return [mix.length ? { do: 'layer', layer: layer.id, set: { mix, added } } : { do: 'remove layer', layer: layer.id }]
  })
  return { do: 'several', edits: [...edits, { do: 'remove part', part }] }
}

/** Whether a piece is a part that is worked on by itself: it hangs nowhere. No piece has such an id. */
export const isPartAlone = ({ id }: Pick<Piece, 'id'>): boolean => id.includes(':')

/** A part as if it were a piece of its own, one of it, that hangs nowhere: how it is laid, made and weighed follows as for any. */
export const partAsPiece = (piece: Piece, part: Part): Piece => ({
  ...piece,
  id: `${piece.id}:${part.id}`,
  brief: { ...piece.brief, name: part.name, copies: 1, budget: null, fullness: 'sparse', balance: { school: 'offset', towards: 0 } },
  base: part.base,
  layers: part.layers,
  parts: [],
  hanger: null,
  making: { ...usualMaking(), day: null },
  weighed: piece.weighed.filter(({ what }) => what !== 'whole'),
})

/**
 * What a part is among materials: as hardy as the least hardy thing in it.
 * @param own as large and heavy as it comes out, mm and g @param materials that it is made of
 */
export function partMaterial(
  { id, name, lies, base }: Part,
  own: Pick<Material, 'mass' | 'length' | 'width'>,
  materials: readonly Material[],
): Material {
  const hardy = Math.min(...materials.map((each) => WEATHERS.indexOf(each.hardy)), WEATHERS.length - 1)
  const colours = [...new Set(materials.flatMap(({ colours: [first] }) => first ?? []))]
  return {
    ...own,
    id: materialOfPart(id),
    name,
    plural: pluralOf(name),
    kind: lies === 'upright' ? 'figure' : 'accent',
    species: 'part',
    form: lies === 'like a stem' ? 'leaf' : 'disc',
    state: 'made',
    texture: 'medium',
    wired: false,
    curve: null,
    facing: 'all round',
    hardy: WEATHERS[hardy]!,
    divides: false,
    colour: null,
    colours: (colours.length ? colours : [base.colour]).slice(0, 4),
    pack: { name: 'made beforehand', holds: 1, bunches: 1, price: 0 },
    parts: [],
    months: [],
    hazards: HAZARDS.filter((hazard) => materials.some(({ hazards }) => hazards.includes(hazard))),
  }
}

/** A part of which only its base is known yet. */
export const unmadePart = (part: Part): Material => {
  const across = extentOf(part.base.shape)
  return partMaterial(part, { mass: 0, length: across, width: across }, [])
}
