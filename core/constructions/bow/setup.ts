import { meaningOf } from '../../placement'
import type { Material } from '../../material'
import { materialOf } from '../../material'
import type { Term, Thumb } from '../../measure'
import { byRule } from '../../measure'
import type { LoopMeans, Ribbon, RuleOf } from '../../piece'
import { OWN_RIBBON } from '../../piece'
import type { ConstructionContext } from '../construction'
import { TIE_RIBBON, TIE_WIRE } from '../rules-of-thumb'

/** A bow that can be made: it is known what its loops mean, and of what each ribbon is. Lengths in mm. */
export interface BowSetup {
  readonly rule: RuleOf<'bow'>
  readonly means: LoopMeans
  /** Turned in at each end that shows; 0 where ends are not hemmed. */
  readonly hem: number
  /** Its ribbons from below, with what each is of. */
  readonly rows: readonly { readonly ribbon: Ribbon; readonly material: Material }[]
  /** The length that ties it; null where one thing does. */
  readonly tie: Term | null
  /** Of which material that comes. */
  readonly tiedWith: string
}

/** How much of what ties a bow it takes, where that comes by the length; else one of it does. */
const TIE_LENGTHS: Record<RuleOf<'bow'>['tied'], Thumb | null> = {
  'stem-wire-20': null,
  'pipe-cleaner': null,
  'zip-tie': null,
  'paddle-wire': TIE_WIRE,
  'own-ribbon': TIE_RIBBON,
}

/** What the bow's `i`th ribbon is of; one that the shelf does not know goes by the first that it does. */
const fabricOf = ({ layer, shelf, mix }: ConstructionContext, i: number): Material => materialOf(shelf, layer.mix[i]!.material) ?? mix[0]

/** @returns null where nobody has said yet what a loop's length means */
export function bowSetup(rule: RuleOf<'bow'>, context: ConstructionContext): BowSetup | null {
  const means = meaningOf(rule)
  if (means === null) return null
  const rows = rule.ribbons.map((ribbon, i) => ({ ribbon, material: fabricOf(context, i) }))
  const tie = TIE_LENGTHS[rule.tied]
  return {
    rule,
    means,
    hem: rule.ends === 'hem' ? rule.hem : 0,
    rows,
    tie: tie && byRule(tie, context.shelf),
    tiedWith: rule.tied === OWN_RIBBON ? rows.at(-1)!.material.id : rule.tied,
  }
}
