import type { LaidLayer, LaidPiece, Placement } from '../placement'
import { bearersUnder, bySlot } from '../placement'
import type { Body } from '../base'
import { BASE_SORTS } from '../base'
import { holdsItself } from '../constructions'
import type { Material } from '../material'
import { materialOf } from '../material'
import type { Piece } from '../piece'
import { bearerOf } from '../piece'
import type { Ground } from './grounds'
import { carrierOf } from './grounds'
import type { Hold } from './hold-strength'
import { HOLDS, holdOf } from './hold-strength'

/** A made bow, as something to fix. */
const BOW_ITSELF = { kind: 'bow', form: 'disc', mass: 0 } as const

/** Things of one layer that are held alike: of one material, on the same ground, as firmly. */
export interface HeldAlike {
  /** The material; of a made bow its front ribbon. */
  readonly material: Material
  readonly like: Pick<Material, 'kind' | 'form' | 'mass'>
  readonly ground: Ground
  readonly hold: Hold
  /** What the heaviest-laden of them bears, g. */
  readonly bears: number
  /** Whether they are held more firmly for what they bear. */
  readonly laden: boolean
  /** How wide what bears them is at most, mm; 0 on the base. */
  readonly under: number
  readonly placements: readonly Placement[]
}

const bodyOf = ({ base }: Pick<Piece, 'base'>): Body => BASE_SORTS[base.kind].body

/** What a thing bears. */
interface Load {
  readonly mass: number
  readonly hold: Hold
}

const firmer = (a: Hold, b: Hold): Hold => (HOLDS.indexOf(a) >= HOLDS.indexOf(b) ? a : b)

const likeOf = ({ layer }: LaidLayer, material: Material): HeldAlike['like'] => (layer.rule.kind === 'bow' ? BOW_ITSELF : material)

/** What each thing bears that bears others, by its id. */
function loadsOn({ laid, shelf }: Pick<LaidPiece, 'laid' | 'shelf'>): ReadonlyMap<string, Load> {
  const loads = new Map<string, Load>()
  const borne = laid.filter(({ layer }) => bearerOf(layer.rule) !== null)
  if (!borne.length) return loads
  const byId = new Map(laid.flatMap(({ placements }) => placements.map((each) => [each.id, each])))
  for (const one of borne)
    for (const each of one.placements) {
      const material = materialOf(shelf, each.material)
      if (!material) continue
      for (const { id } of bearersUnder(each, byId)) {
        const before = loads.get(id) ?? { mass: 0, hold: 'light' }
        loads.set(id, { mass: before.mass + material.mass, hold: firmer(before.hold, holdOf(likeOf(one, material), shelf)) })
      }
    }
  return loads
}

/** The things of each layer by how they are held, in the order in which they first lie there; none of what is held by how it is made. */
export function heldAlike({ piece, laid, shelf }: Pick<LaidPiece, 'piece' | 'laid' | 'shelf'>): (one: LaidLayer) => HeldAlike[] {
  const loads = loadsOn({ laid, shelf })
  const byId = new Map(loads.size ? laid.flatMap(({ placements }) => placements.map((each) => [each.id, each])) : [])
  const body = bodyOf(piece)
  return (one) => {
    const bow = one.layer.rule.kind === 'bow'
    if (!one.placements.length || holdsItself(one.layer.rule.kind)) return []
    const groups = new Map<string, { -readonly [K in keyof HeldAlike]: HeldAlike[K] } & { placements: Placement[] }>()
    const front = bow ? materialOf(shelf, one.layer.mix.at(-1)!.material) : null
    for (const each of bow ? one.placements.slice(0, 1) : bySlot(one)) {
      const material = front ?? materialOf(shelf, each.material)
      if (!material || (bow && !front)) continue
      const like = likeOf(one, material)
      const bearer = each.bearer === null ? undefined : byId.get(each.bearer)
      const under = bearer && materialOf(shelf, bearer.material)
      const ground = under ? carrierOf(under) : body
      const load = loads.get(each.id)
      const alone = holdOf(like, shelf)
      const hold = load ? firmer(holdOf({ ...like, mass: like.mass + load.mass }, shelf), load.hold === 'heavy' ? 'heavy' : alone) : alone
      const laden = hold !== alone
      const key = `${material.id} ${ground} ${laden}`
      const group = groups.get(key) ?? { material, like, ground, hold, laden, bears: 0, under: 0, placements: [] }
      group.bears = Math.max(group.bears, load?.mass ?? 0)
      group.under = Math.max(group.under, bearer?.width ?? 0)
      group.placements.push(each)
      groups.set(key, group)
    }
    return [...groups.values()]
  }
}
