import type { LaidLayer } from '../placement'
import { countsOf } from '../placement'
import { BASE_SORTS, usualPrice, widthOf } from '../base'
import type { Material, Need, Shelf } from '../material'
import { isCut, materialOf, pieceLength } from '../material'
import { rate } from '../measure'
import type { Piece } from '../piece'
import { isItself } from '../piece'
import { isBent } from './bent-frame'
import type { MakeUp } from './construction'
import { SPARE } from './rules-of-thumb'

/** Whether a few of these always break or fail. */
export const breaks = ({ state }: Pick<Material, 'state'>): boolean => state !== 'artificial' && state !== 'made'

/** All that one copy of a piece needs: its base, what lies in its layers as cut, and what each construction takes. */
export function needsOf(piece: Piece, laid: readonly LaidLayer[], makeUps: readonly MakeUp[], shelf: Shelf): Need[] {
  const { base } = piece
  const bare: Need[] =
    (isItself(piece) && base.price === null) || isBent(base)
      ? []
      : [
          {
            of: 'base',
            material: base.kind,
            use: 'base',
            layer: 'base',
            count: 1,
            name: BASE_SORTS[base.kind].name.toLowerCase(),
            price: base.price ?? usualPrice(base),
            ownPrice: base.price !== null,
            width: widthOf(base),
          },
        ]
  const stems = laid.flatMap((each) =>
    [...countsOf(each)].map(([id, count]): Need => {
      const { layer } = each
      const material = materialOf(shelf, id)!
      if (isCut(material))
        return {
          of: 'lengths',
          material: id,
          use: 'laid',
          layer: layer.id,
          length: pieceLength(material, layer.cut),
          count,
          joins: false,
        }
      return {
        of: 'things',
        material: id,
        use: 'laid',
        layer: layer.id,
        count,
        cut: layer.cut,
        spare: breaks(material) ? rate(SPARE, shelf) : 0,
      }
    }),
  )
  return [...bare, ...stems, ...makeUps.flatMap(({ needs }) => needs)]
}
