import type { LaidLayer } from '../placement'
import { countsOf } from '../placement'
import type { Base } from '../base'
import { askedSizeOf, BASE_SORTS, basePartsOf, usualPrice } from '../base'
import type { BareBase, Material, Need, Shelf } from '../material'
import { isCut, materialOf, pieceLength } from '../material'
import { rate } from '../measure'
import type { Piece } from '../piece'
import { isItself } from '../piece'
import type { MakeUp } from './construction'
import { SPARE } from './rules-of-thumb'

/** Whether a few of these always break or fail. */
export const breaks = ({ state }: Pick<Material, 'state'>): boolean => state !== 'artificial' && state !== 'made'

/** The bare bases that a base is put together of; what one knows the price of is had as one. */
function bareBases(base: Base): BareBase[] {
  const { price } = base
  const parts = price === null ? basePartsOf(base) : [{ kind: base.kind, shape: base.shape, count: 1 }]
  return parts.map(({ kind, shape, count }) => ({
    of: 'base',
    material: kind,
    use: 'base',
    layer: 'base',
    count,
    name: BASE_SORTS[kind].name.toLowerCase(),
    price: price ?? usualPrice({ kind, shape }),
    ownPrice: price !== null,
    width: askedSizeOf({ ...base, kind, shape }),
    ...(parts.length > 1 ? { among: true as const } : {}),
  }))
}

/** All that one copy of a piece needs: its base, what lies in its layers as cut, and what each construction takes. */
export function needsOf(piece: Piece, laid: readonly LaidLayer[], makeUps: readonly MakeUp[], shelf: Shelf): Need[] {
  const { base } = piece
  const bare: Need[] = isItself(piece) && base.price === null ? [] : bareBases(base)
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
