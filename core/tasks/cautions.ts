import { mechanicOf, needsWire } from '../material'
import type { BaseKind } from '../base'
import { BASE_SORTS } from '../base'
import type { Hazard, Material, Mechanic, Need, Shelf } from '../material'
import type { Piece } from '../piece'

/** Plain words where they apply; local rules and licensed people go first. */
export const CAUTIONS = {
  glue: 'Hot glue burns. Set the gun on its stand, away from paper.',
  paint: 'Spray paint and sealer outdoors or with good air, away from flames; follow the can.',
  baking: 'Watch the oven: dry cones and pods scorch and can catch. Never leave them in alone.',
  ladder: 'On a ladder: firm ground, someone with you, and never reach to the side.',
  lights: 'LED lights only; check cords, and outdoors use those rated for it. Button cells out of children’s reach.',
  setting: 'Leave it lying flat until the glue has set: follow the tube.',
  cutting: 'Wear eye protection when you cut wire or stiff stems, and point the cut end down.',
  pruners: 'Use pruners, not scissors, for wood.',
  behind: 'Fold wire ends under: they scratch doors and hands.',
  dry: 'Dry greenery burns. Keep it from candles, stoves, heaters and hot lamps.',
  prickly: 'Gloves: this one pricks.',
  poisonous: 'Poisonous to people and pets. Keep it out of reach; if any is eaten ask a poison centre or a vet.',
  'poisonous-pets': 'Can poison pets. Keep it out of their reach; if any is eaten ask a vet.',
  foraged: 'Gathered wild: with the owner’s leave, nothing protected, a little from each plant, and by local rules on moving greens.',
  hanger: 'A falling piece hurts. Use a hanger rated for at least twice the weight; on a ladder, firm ground and not alone.',
  fire: 'Nothing over or near a burning fire: dry greenery catches at once. Take it down before you light one.',
  stairs: 'A hand must find the rail, and nothing may snag on the stair. Ask the site where the public comes.',
  exit: 'Keep exits, handles and stair rails clear. In a public building ask the site for its fire rules.',
} as const

export type CautionId = keyof typeof CAUTIONS

const HAZARD_CAUTIONS: Record<Hazard, CautionId> = {
  poisonous: 'poisonous',
  'poisonous-pets': 'poisonous-pets',
  prickly: 'prickly',
  foraged: 'foraged',
}

export const hazardCautions = (material: Material): CautionId[] => material.hazards.map((hazard) => HAZARD_CAUTIONS[hazard])

export function fixingCautions(needs: readonly string[]): CautionId[] {
  const has = (glue: Mechanic['is']): boolean => needs.some((material) => mechanicOf(material)?.is === glue)
  return [...(has('hot glue') ? ['glue' as const] : []), ...(has('weatherproof glue') ? ['setting' as const] : [])]
}

const WOODY: ReadonlySet<Material['kind']> = new Set(['greenery', 'bough', 'stem', 'twig'])

/** What cutting this asks for. */
export function cuttingCautions(materials: readonly Material[], base: BaseKind, needs: readonly Need[], shelf: Shelf): CautionId[] {
  const wood = materials.some(({ kind, state }) => WOODY.has(kind) && state !== 'artificial')
  const wire =
    needsWire(needs, shelf) || BASE_SORTS[base].body === 'wire' || BASE_SORTS[base].body === 'rod' || materials.some(({ wired }) => wired)
  return [...(wire || wood ? ['cutting' as const] : []), ...(wood ? ['pruners' as const] : [])]
}

export function hangingCautions(piece: Piece, materials: readonly Material[]): CautionId[] {
  const dry = piece.brief.weather === 'indoors' && materials.some(({ state }) => state !== 'artificial' && state !== 'made')
  const form = piece.base.shape.form
  return [
    'hanger',
    ...(BASE_SORTS[piece.base.kind].family === 'garlands' ? ['ladder' as const] : []),
    ...(materials.some(({ kind }) => kind === 'light') ? ['lights' as const] : []),
    ...(form === 'mantel' ? ['fire' as const] : []),
    ...(form === 'rail' ? ['stairs' as const] : []),
    ...(dry ? ['dry' as const] : []),
    ...(piece.brief.surface.kind === 'door' || form === 'door' ? ['exit' as const] : []),
  ]
}
