import { fewestRolls } from '../cut'
import type { Lengths, Need } from '../material'
import { lengthsIn, materialOf } from '../material'
import type { Minor, Said } from '../measure'
import { quantity, rate, several, sum } from '../measure'
import type { CostLine, Pricing } from './line'
import { packsFor } from './line'
import { lineRange } from './reduction'
import { DROP_AT_MOST } from './thumbs'

/** One more, or one fewer, that makes what is bought a better deal. */
export interface Deal {
  readonly line: string
  readonly kind: 'more packs' | 'fewer things' | 'shorter' | 'more things'
  /** What it saves, minor units; nothing where it only brings more for the same. */
  readonly saves: Minor
  readonly says: Said
}

/**
 * What lines of a bill would be better with one more or one fewer: packs that go free, a few stems that open a pack, a little
 * length that opens a roll, and what the packs hold besides. What saves most comes first.
 */
export function dealsOf(lines: readonly CostLine[], needs: readonly Need[], copies: number, pricing: Pricing): Deal[] {
  return lines
    .flatMap((line) => [
      ...freePacks(line),
      ...(line.of === 'stems' ? fewer(line, pricing) : line.of === 'length' ? shorter(line, lengthsIn(needs), copies, pricing) : []),
    ])
    .sort((a, b) => b.saves - a.saves)
}

function freePacks(line: CostLine): Deal[] {
  return line.bought.flatMap(({ price, packs, reductions, stock, cost, shop, holds }): Deal[] => {
    if (stock !== null && packs >= stock) return []
    const more = lineRange(price, packs + 1, reductions)
    if (more[1] > cost[1]) return []
    return [
      {
        line: line.id,
        kind: 'more packs',
        saves: 0,
        says: sum`One more ${line.packName}${holds > 1 ? ` of ${holds}` : ''} of ${line.plural} is free${shop ? ` at ${shop}` : ''}`,
      },
    ]
  })
}

function fewer(line: CostLine, pricing: Pricing): Deal[] {
  const material = materialOf(pricing.shelf, line.id)
  const holds = line.bought.reduce((all, each) => all + each.packs * each.holds, 0)
  const wanted = line.toBuy
  if (!material || wanted < 1) return []
  const now = line.opened.value
  const cost = (n: number): Minor => packsFor(n, material, pricing).reduce((all, each) => all + each.cost[1], 0)
  const most = Math.floor(line.stems.value * rate(DROP_AT_MOST, pricing.shelf))
  const spare = holds - wanted
  const deals: Deal[] =
    spare > 0
      ? [
          {
            line: line.id,
            kind: 'more things',
            saves: 0,
            says: sum`${several(spare, `more ${line.name}`, `more ${line.plural}`)} at no cost: the packs hold ${quantity.count(holds)}`,
          },
        ]
      : []
  // Fewer never cost more, so that the least that saves is found by halves.
  let [low, high] = [1, Math.min(most, wanted)]
  if (high < 1 || cost(wanted - high) >= now) return deals
  while (low < high) {
    const middle = (low + high) >> 1
    if (cost(wanted - middle) < now) high = middle
    else low = middle + 1
  }
  const saves = now - cost(wanted - low)
  return [
    ...deals,
    { line: line.id, kind: 'fewer things', saves, says: sum`${several(low, line.name, line.plural)} fewer saves ${quantity.money(saves)}` },
  ]
}

/** How much shorter all lengths may be made to save a roll: not worth saying beyond this share. */
const SHORTER_AT_MOST = 0.15

function shorter(line: CostLine, needs: readonly Lengths[], copies: number, { shelf }: Pricing): Deal[] {
  const material = materialOf(shelf, line.id)
  const own = needs.filter((need) => need.material === line.id)
  const rolls = line.packs.value
  if (!material || rolls < 1 || line.stash.value > 0) return []
  const by = (share: number): number =>
    fewestRolls(
      material.length,
      own.map(({ length, count, joins }) => ({ length: length * (1 - share), count: count * copies, joins })),
    )
  const full = by(0)
  if (full !== rolls || by(SHORTER_AT_MOST) >= full) return []
  let [low, high] = [0, SHORTER_AT_MOST]
  for (let i = 0; i < 6; i++) {
    const middle = (low + high) / 2
    if (by(middle) < full) high = middle
    else low = middle
  }
  const saves = Math.round(line.opened.value / rolls)
  return [
    {
      line: line.id,
      kind: 'shorter',
      saves,
      says: sum`All lengths of ${line.name} ${quantity.share(Math.ceil(high * 1000) / 1000)} shorter saves ${rolls > 1 ? 'a roll' : 'the roll'}, ${quantity.money(saves)}`,
    },
  ]
}
