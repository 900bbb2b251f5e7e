import type { LaidLayer } from './placement'
import { arrange, fitTo, swap } from './placement'
import type { Run } from './base'
import { runsOf } from './base'
import { fullnessAsks, fullnessMeant } from './coverage'
import type { Material, Need, Shelf } from './material'
import { byMaterial, materialOf, piecesPerStem } from './material'
import type { Minor, Said } from './measure'
import { choicesByLoss, deltaOf, kept, quantity, several, sum } from './measure'
import type { Edit, Layer, Piece, Ribbon } from './piece'
import { shelfFor } from './parts'
import { edit, laysLengths, partOfMaterial } from './piece'
import type { CostLine, Pricing } from './price'
import { billFrom, linesOf, substitutesFor } from './price'
import { thingsOf } from './stock'
import type { Workings } from './workings'
import { inBrief, work } from './workings'

/** One way to spend less, and what it costs in looks. */
export interface Proposal {
  readonly id: string
  /** What stands in its way: of one group only one is taken. */
  readonly group: string
  readonly kind: 'fewer' | 'swap' | 'stash' | 'bow' | 'shop'
  readonly says: Said
  /** What it changes of the piece; a shop that one would go to changes nothing of it. */
  readonly edit: Edit | null
  readonly shop: string | null
  /** For each one made, taken alone, minor units. */
  readonly saves: Minor
  readonly costs: Losses
  /** All that in one number: the less the better. */
  readonly loss: number
}

/** What is lost in looks. */
export interface Losses {
  /** Of the face, in points of a percent. */
  readonly cover: number
  /** By how much it lies farther from where it is meant to, share of its reach. */
  readonly balance: number
  /** Sides on which a colour no longer shows. */
  readonly carry: number
  /** Things of the meant look: another colour or shape, fewer focals, a smaller bow, faults that it did not have. */
  readonly look: number
}

export interface Fitted {
  readonly budget: Minor
  /** For each one made, before and after all that is proposed together. */
  readonly before: Minor
  readonly after: Minor
  readonly reached: boolean
  /** Together the least loss that reaches the budget; where nothing does, what comes nearest. */
  readonly chosen: readonly Proposal[]
  /** Each taken alone. */
  readonly all: readonly Proposal[]
  readonly loss: number
  /** Whether no other choice among all that could be proposed reaches it with less loss. */
  readonly proven: boolean
}

export interface FittingProgress {
  readonly done: number
  readonly of: number
}

/** How few of a layer are still that layer. */
const FEWER = [0.08, 0.16, 0.25, 0.35] as const
/** Stand-ins that are tried for each material. */
const STAND_INS = 4
/** What each loss weighs, in points of cover; a point of cover below what is asked counts twice, and where it is meant sparse a quarter. Rules of thumb. */
const WEIGHS = { balance: 60, carry: 3, look: 1, below: 2, sparse: 0.25 } as const
/** What another look costs: a step of colour distance, a focal thing, a smaller bow, a fault. */
const LOOKS = { apart: 0.08, focal: 2, bow: 1.5, fault: 6 } as const
/** Going to another shop is no loss in looks, but it is a way to go. */
const GOING = 0.2
/** Choices that are tried before the best so far has to do. */
const MOST_TRIED = 30_000
/** Choices that are worked out whole because two of them change the same. */
const MOST_WHOLE = 200
/** After so many it asks whether to go on. */
const TRIED_AT_ONCE = 50

/**
 * Finds what reaches the budget with the least loss: each proposal is worked out alone, then choices of at most one of each group
 * are tried in the order of their loss, so that the first that reaches the budget is the best of all. Goes step by step; told to
 * stop it answers with the best so far.
 * @returns null when the piece has no budget
 */
export function* fitBudget(piece: Piece, pricing: Pricing): Generator<FittingProgress, Fitted | null, boolean | undefined> {
  const { budget } = piece.brief
  if (budget === null) return null
  const before = work(piece, pricing.shelf)
  const openedFor = costing(piece, pricing)
  const now = openedFor(before.needs, pricing)
  const ideas = ideasFor(piece, before, pricing)
  const groups = new Map<string, Tried[]>()
  let stopped = false
  for (const [done, idea] of ideas.entries()) {
    stopped = (yield { done, of: ideas.length }) ?? false
    if (stopped) break
    const tried = tryOut(piece, before, idea, pricing, (needs, by) => now - openedFor(needs, by))
    if (tried && tried.proposal.saves > 0) groups.set(idea.group, [...(groups.get(idea.group) ?? []), tried])
  }
  const all = [...groups.values()].flat()
  const found =
    now <= budget
      ? { chosen: [], after: now, proven: true }
      : yield* bestOf([...groups.values()], budget, { piece, needs: before.needs, pricing, openedFor })
  return {
    budget,
    before: now,
    after: found.after,
    reached: found.after <= budget,
    chosen: found.chosen.map(({ proposal }) => proposal),
    all: all.map(({ proposal }) => proposal).sort((a, b) => a.loss / a.saves - b.loss / b.saves),
    loss: found.chosen.reduce((n, { proposal }) => n + proposal.loss, 0),
    proven: found.proven && !stopped,
  }
}

/** A proposal with what it changes of what the piece needs. */
interface Tried {
  readonly proposal: Proposal
  /** What the piece needs with it, by the layers whose needs it changes: its own, and those that refer to it. */
  readonly changes: ReadonlyMap<string, readonly Need[]>
}

type Idea = Pick<Proposal, 'id' | 'group' | 'kind' | 'says' | 'edit' | 'shop'> & { readonly apart: number }
/** What is taken together, and what one costs with it. */
interface Chosen {
  readonly chosen: readonly Tried[]
  readonly after: Minor
}
type Opened = (needs: readonly Need[], pricing: Pricing) => Minor

/** A piece as it is, and what it would cost otherwise. */
interface Costed {
  readonly piece: Piece
  readonly needs: readonly Need[]
  readonly pricing: Pricing
  readonly openedFor: Opened
}

/** What one piece costs, opened; lines of which nothing changed are remembered. */
function costing({ id, brief: { copies } }: Piece, pricing: Pricing): Opened {
  const lines = kept<readonly CostLine[]>(5000)
  return (needs, by) => {
    const own = [...byMaterial(needs).values()].flatMap((of) =>
      lines(JSON.stringify([by.shunned, of]), () => linesOf({ id, copies, needs: of }, by)),
    )
    return billFrom(own, { copies, budget: null }, pricing.tax).openedEach.value
  }
}

type LayerWorked = Workings['layers'][number]

/** A smaller bow, where one can spare a loop. */
function bowIdeas(layer: Layer): Idea[] {
  const smaller = smallerBow(layer)
  if (!smaller) return []
  const says = ['A smaller bow: one loop fewer to a side']
  return [{ id: `${layer.id}:bow`, group: layer.id, kind: 'bow', says, edit: smaller, shop: null, apart: LOOKS.bow }]
}

/** Fewer of what a layer lays, by several shares. @param count that it lays now */
function fewerIdeas(layer: Layer, material: Material, count: number, runs: readonly Run[], shelf: Shelf): Idea[] {
  const known = new Set<number>()
  return FEWER.flatMap((share): Idea[] => {
    const fewer = Math.max(1, Math.round(count * share))
    const fitted = fitTo(layer, Math.floor((count - fewer) / piecesPerStem(material, layer.cut)), runs, shelf)
    if (!fitted || fitted.pieces >= count || fitted.pieces < 1 || known.has(fitted.pieces)) return []
    known.add(fitted.pieces)
    const less = count - fitted.pieces
    return [
      {
        id: `${layer.id}:fewer:${less}`,
        group: layer.id,
        kind: 'fewer',
        says: [`${several(less, material.name, material.plural)} fewer`],
        edit: { do: 'layer', layer: layer.id, set: { rule: fitted.rule } },
        shop: null,
        apart: layer.role === 'focal' ? LOOKS.focal * less : 0,
      },
    ]
  })
}

/** Something else in the place of each material of a layer, best what lies in the house. */
function swapIdeas(piece: Piece, laid: LaidLayer, runs: readonly Run[], { shelf, lots }: Pricing): Idea[] {
  const { layer } = laid
  return layer.mix.flatMap((part) => {
    const from = materialOf(shelf, part.material)
    if (!from || partOfMaterial(from.id) !== null) return []
    return substitutesFor(from, shelf, STAND_INS).flatMap(({ material: to, distance }): Idea[] => {
      const swapped = swap({ piece, runs, shelf }, laid, from.id, to.id)
      // None of a thing stands in for nothing.
      if (!swapped || swapped.after < 1 || swapped.before < 1) return []
      const there = thingsOf(lots, to.id, piece.id) > 0
      const [after, before] = [several(swapped.after, to.name, to.plural), several(swapped.before, from.name, from.plural)]
      return [
        {
          id: `${layer.id}:${from.id}:${to.id}`,
          group: layer.id,
          kind: there ? 'stash' : 'swap',
          says: [`${after}${there ? ' from the stash' : ''} for ${before}`],
          edit: swapped.edit,
          shop: null,
          apart: LOOKS.apart * distance,
        },
      ]
    })
  })
}

/** What could be otherwise in one layer; nothing in what is hidden or locked. */
function layerIdeas(piece: Piece, laid: LaidLayer, worked: LayerWorked | undefined, runs: readonly Run[], pricing: Pricing): Idea[] {
  const { layer } = laid
  if (layer.hidden || layer.locked) return []
  if (layer.rule.kind === 'bow') return bowIdeas(layer)
  const material = materialOf(pricing.shelf, layer.mix[0]!.material)
  const count = worked?.count ?? 0
  if (laysLengths(layer.rule) || !count || !material) return []
  return [...fewerIdeas(layer, material, count, runs, pricing.shelf), ...swapIdeas(piece, laid, runs, pricing)]
}

/** The shops that one does not go to, and could. */
const shopIdeas = ({ shops, shunned }: Pricing): Idea[] =>
  shops
    .filter(({ id }) => shunned.includes(id))
    .map(({ id, name }) => ({
      id: `shop:${id}`,
      group: `shop:${id}`,
      kind: 'shop',
      says: [`Go to ${name} as well`],
      edit: null,
      shop: id,
      apart: GOING,
    }))

function ideasFor(piece: Piece, workings: Workings, without: Pricing): Idea[] {
  const pricing = { ...without, shelf: shelfFor(piece, without.shelf) }
  const runs = runsOf(piece.base)
  const worked = new Map(workings.layers.map((layer) => [layer.id, layer]))
  return [
    ...arrange(piece, runs, pricing.shelf).flatMap((laid) => layerIdeas(piece, laid, worked.get(laid.layer.id), runs, pricing)),
    ...shopIdeas(pricing),
  ]
}

/** The bow with one loop fewer to each side, in the ribbon that has most; null when none can spare one. */
function smallerBow(layer: Layer): Edit | null {
  const { rule } = layer
  if (rule.kind !== 'bow') return null
  const fewest = (ribbon: Ribbon): { readonly loops: number; readonly less: Ribbon } | null => {
    switch (ribbon.build) {
      case 'hand':
        return ribbon.groups === null && ribbon.loops >= 4 ? { loops: ribbon.loops, less: { ...ribbon, loops: ribbon.loops - 2 } } : null
      case 'strips':
      case 'rag':
      case 'fill-ins':
        return ribbon.strips >= 2 ? { loops: ribbon.strips * 2, less: { ...ribbon, strips: ribbon.strips - 1 } } : null
      case 'coil':
        return ribbon.layers >= 3 ? { loops: ribbon.layers * 2, less: { ...ribbon, layers: ribbon.layers - 1 } } : null
      case 'flat':
        return ribbon.rounds >= 2 ? { loops: ribbon.rounds * 2, less: { ...ribbon, rounds: ribbon.rounds - 1 } } : null
      case 'folded':
      case 'tails':
        return null
    }
  }
  const smaller = rule.ribbons.map(fewest)
  const most = smaller.reduce((best, each, i) => (each && (best < 0 || each.loops > smaller[best]!.loops) ? i : best), -1)
  if (most < 0) return null
  return {
    do: 'layer',
    layer: layer.id,
    set: { rule: { ...rule, ribbons: rule.ribbons.map((ribbon, i) => (i === most ? smaller[most]!.less : ribbon)) } },
  }
}

/** Works a proposal out alone. @returns null when the piece cannot be so */
function tryOut(piece: Piece, before: Workings, idea: Idea, pricing: Pricing, savedBy: Opened): Tried | null {
  const { apart, ...of } = idea
  if (!idea.edit) {
    const saves = savedBy(before.needs, withShop(pricing, idea.shop!))
    return { proposal: { ...of, saves, costs: { cover: 0, balance: 0, carry: 0, look: 0 }, loss: apart }, changes: new Map() }
  }
  const edited = edit(piece, idea.edit, 'fit to the budget')
  if (!edited.ok) return null
  const after = work(edited.change.piece, pricing.shelf)
  const costs = lossesOf(before, after, apart)
  const saves = savedBy(after.needs, pricing)
  return { proposal: { ...of, saves, costs, loss: lossOf(piece, after, costs, pricing) }, changes: changesOf(before.needs, after.needs) }
}

/** What of needs is otherwise, by layer. */
function changesOf(before: readonly Need[], after: readonly Need[]): Tried['changes'] {
  const layers = [...new Set([...before, ...after].map(({ layer }) => layer))]
  const of = (needs: readonly Need[], layer: string): Need[] => needs.filter((need) => need.layer === layer)
  return new Map(
    layers.flatMap((layer) => (deltaOf(of(before, layer), of(after, layer)) === 0 ? [] : [[layer, of(after, layer)] as const])),
  )
}

const withShop = (pricing: Pricing, shop: string): Pricing => ({ ...pricing, shunned: pricing.shunned.filter((id) => id !== shop) })

function lossesOf(before: Workings, after: Workings, apart: number): Losses {
  const sides = ({ carry }: Workings): number => carry.reduce((n, each) => n + each.sides.length, 0)
  const bad = ({ problems }: Workings): Set<string> => new Set(problems.flatMap(({ id, severity }) => (severity === 'note' ? [] : [id])))
  const known = bad(before)
  const faults = [...bad(after)].filter((id) => !known.has(id)).length
  return {
    cover: Math.max(0, (before.cover.share.value - after.cover.share.value) * 100),
    balance: Math.max(0, after.balance.off.value - before.balance.off.value),
    carry: Math.max(0, sides(before) - sides(after)),
    look: apart + LOOKS.fault * faults,
  }
}

/** What a proposal loses, in one number. */
function lossOf(piece: Piece, after: Workings, { cover, balance, carry, look }: Losses, { shelf }: Pricing): number {
  const meant = fullnessMeant(piece)
  const asks = fullnessAsks(meant, shelf).once
  const of = meant === 'sparse' ? WEIGHS.sparse : after.cover.share.value < asks ? WEIGHS.below : 1
  return cover * of + balance * WEIGHS.balance + carry * WEIGHS.carry + look * WEIGHS.look
}

/** The needs of the piece when all of these are taken; null where two of them change the same, so that only working them out together tells. */
function needsWith(needs: readonly Need[], chosen: readonly Tried[]): Need[] | null {
  const changes = chosen.flatMap((each) => [...each.changes])
  const layers = new Set(changes.map(([layer]) => layer))
  if (layers.size < changes.length) return null
  return [...needs.filter(({ layer }) => !layers.has(layer)), ...changes.flatMap(([, own]) => own)]
}

/** What one costs with all of these taken, the piece worked out whole; null where they cannot all be. */
function wholeCost(piece: Piece, chosen: readonly Tried[], pricing: Pricing, openedFor: Opened): Minor | null {
  let edited = piece
  for (const { proposal } of chosen) {
    if (!proposal.edit) continue
    const next = edit(edited, proposal.edit, 'fit to the budget')
    if (!next.ok) return null
    edited = next.change.piece
  }
  return openedFor(inBrief(edited, pricing.shelf).needs, byShops(pricing, chosen))
}

const byShops = (pricing: Pricing, chosen: readonly Tried[]): Pricing =>
  chosen.reduce((by, { proposal: { shop } }) => (shop ? withShop(by, shop) : by), pricing)

/**
 * The choice with the least loss that reaches the budget: at most one of each group. Choices come in the order of their loss, so
 * the first that does is the best; where none does, the cheapest that was met.
 */
function* bestOf(
  groups: readonly (readonly Tried[])[],
  budget: Minor,
  { piece, needs, pricing, openedFor }: Costed,
): Generator<FittingProgress, Chosen & { readonly proven: boolean }, boolean | undefined> {
  let whole = 0
  /** Whether every choice so far was worked out as it would be. */
  let sure = true
  /** Choices that change different layers are priced by their needs; where two change the same, the piece is worked out with both. */
  const cost = (chosen: readonly Tried[]): Minor => {
    const together = needsWith(needs, chosen)
    if (together) return openedFor(together, byShops(pricing, chosen))
    if (whole < MOST_WHOLE) {
      whole += 1
      return wholeCost(piece, chosen, pricing, openedFor) ?? Infinity
    }
    sure = false
    return Infinity
  }
  let nearest: Chosen = { chosen: [], after: cost([]) }
  let tried = 0
  for (const chosen of choicesByLoss(groups, ({ proposal }) => proposal.loss)) {
    const after = cost(chosen)
    if (after < nearest.after || after <= budget) {
      // What is told is worked out whole.
      const really = wholeCost(piece, chosen, pricing, openedFor) ?? Infinity
      if (really <= budget) return { chosen, after: really, proven: sure }
      if (really < nearest.after) nearest = { chosen, after: really }
    }
    tried += 1
    if (tried >= MOST_TRIED || (tried % TRIED_AT_ONCE === 0 && (yield { done: tried, of: MOST_TRIED }))) {
      const end = greedy(groups, cost, budget, nearest)
      return { ...end, after: wholeCost(piece, end.chosen, pricing, openedFor) ?? end.after, proven: false }
    }
  }
  return { ...nearest, proven: sure }
}

/** Where there are too many choices: what saves most for its loss, one after another. */
function greedy(groups: readonly (readonly Tried[])[], cost: (chosen: readonly Tried[]) => Minor, budget: Minor, nearest: Chosen): Chosen {
  let chosen: readonly Tried[] = []
  let after = cost([])
  while (after > budget) {
    const next = groups
      .flat()
      .filter((each) => !chosen.includes(each))
      .map((each) => {
        const own = [...chosen.filter(({ proposal }) => proposal.group !== each.proposal.group), each]
        return { own, after: cost(own), loss: own.reduce((n, { proposal }) => n + proposal.loss, 0) }
      })
      .filter((each) => each.after < after)
      .sort((a, b) => a.loss / (after - a.after) - b.loss / (after - b.after))[0]
    if (!next) return nearest.after < after ? nearest : { chosen, after }
    chosen = next.own
    after = next.after
  }
  return { chosen, after }
}

/** What a proposal costs in looks, in words: "2.1 points of cover; green no longer on one side". */
export function lossSaid({ cover, balance, carry, look }: Losses): Said {
  const parts: Said[] = [
    ...(cover >= 0.05 ? [sum`${Math.round(cover * 10) / 10 + ''} points of cover`] : []),
    ...(balance >= 0.005 ? [sum`${quantity.share(Math.round(balance * 100) / 100)} off balance`] : []),
    ...(carry ? [[`a colour gone from ${several(carry, 'side', 'sides')}`]] : []),
    ...(look >= 0.5 ? [['another look']] : []),
  ]
  return parts.length ? parts.flatMap((part, i) => (i ? ['; ', ...part] : part)) : ['nothing that is seen']
}
