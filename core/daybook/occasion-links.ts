import type { Material, Shelf } from '../material'
import { isCut, materialOf } from '../material'
import type { Layer, Piece } from '../piece'
import { materialOfPart } from '../piece'
import type { Substitute } from '../price'
import { substitutesFor } from '../price'

/** What ties a piece to an occasion, and what would free it. */
export interface Tie {
  readonly layer: string
  readonly material: Material
  readonly why: string
  /** What could hang there at any time instead; nothing where it is best left out. */
  readonly swap: Substitute | null
}

/** Things that say a season to whoever looks at them, by how they are drawn. Common practice. */
const SAYS: Readonly<Record<string, string>> = {
  bauble: 'baubles say midwinter',
  'bauble-ribbed': 'baubles say midwinter',
  bell: 'bells say midwinter',
  star: 'a star says midwinter',
  lantern: 'lanterns say dark evenings',
  pumpkin: 'pumpkins say autumn',
  acorn: 'acorns say autumn',
  wheat: 'wheat says harvest',
  hare: 'a hare says spring',
  skep: 'a skep says the honey harvest',
  cotton: 'cotton says winter',
}

/** Why a thing ties what it is on to an occasion; null where it goes at any time. @param words that it bears */
function tiedBy(material: Material, words: string | null): string | null {
  if ((material.kind === 'sign' || material.kind === 'letter') && (words ?? '').trim() !== '')
    return `it says “${words!.replace(/\s+/g, ' ').trim()}”`
  return Object.hasOwn(SAYS, material.species)
    ? SAYS[material.species]!
    : material.facing === 'upright' && isCut(material)
      ? 'its print is of a season'
      : null
}

/** The parts that tie a piece to its occasion, in the order they go on, each with the nearest thing that does not. */
export const tiesOf = ({ layers, parts }: Pick<Piece, 'layers' | 'parts'>, shelf: Shelf): Tie[] => [
  ...tiesIn(layers, shelf),
  // What is in a part is changed where that is worked on.
  ...parts.flatMap(({ id, layers: own }) =>
    tiesIn(own, shelf).map((tie) => ({ ...tie, layer: `${materialOfPart(id)} ${tie.layer}`, swap: null })),
  ),
]

function tiesIn(layers: readonly Layer[], shelf: Shelf): Tie[] {
  return layers.flatMap((layer) =>
    layer.hidden
      ? []
      : layer.mix.flatMap(({ material: id }): Tie[] => {
          const material = materialOf(shelf, id)
          const why = material && tiedBy(material, layer.words)
          if (!material || !why) return []
          return [
            {
              layer: layer.id,
              material,
              why,
              swap: substitutesFor(material, shelf, 20).find((each) => tiedBy(each.material, null) === null) ?? null,
            },
          ]
        }),
  )
}
