import { everyNth } from '../amount'
import RAPIER from '@dimforge/rapier2d-compat'
import { beforeAll, describe, expect, it } from 'vitest'
import { restAngle } from '../../core/hanging'
import { benchOf, layerOf, pieceWith, shelf } from '../../core/testing'
import { inches, random as randomFrom } from '../../core/measure'
import { work } from '../../core/workings'

/**
 * The rest angle against a rigid-body engine from the registry, Rapier (Dimforge): a body of point masses on a frictionless pin,
 * damped until it is still. Fixed seeds, so that a failure comes again.
 */
beforeAll(async () => {
  await RAPIER.init()
})

interface Weight {
  readonly x: number
  readonly y: number
  readonly mass: number
}

/** How far a body of these weights turns that is pinned at a point, degrees clockwise; y downward, mm. */
function hungInEngine(weights: readonly Weight[], pivot: { x: number; y: number }): number {
  // Decimetres: an engine’s tolerances are made for bodies about as large as a man.
  const scale = 0.01
  const world = new RAPIER.World({ x: 0, y: -9.81 })
  world.integrationParameters.numSolverIterations = 12
  const wall = world.createRigidBody(RAPIER.RigidBodyDesc.fixed().setTranslation(0, 0))
  const body = world.createRigidBody(
    RAPIER.RigidBodyDesc.dynamic().setTranslation(0, 0).setLinearDamping(0.2).setAngularDamping(1.5).setCanSleep(false),
  )
  for (const { x, y, mass } of weights)
    world.createCollider(
      RAPIER.ColliderDesc.ball(0.02)
        .setTranslation((x - pivot.x) * scale, -(y - pivot.y) * scale)
        .setMass(mass)
        .setSensor(true),
      body,
    )
  world.createImpulseJoint(RAPIER.JointData.revolute({ x: 0, y: 0 }, { x: 0, y: 0 }), wall, body, true)
  let still = 0
  for (let i = 0; i < 60_000 && still < 300; i++) {
    world.step()
    still = Math.abs(body.angvel()) < 1e-5 ? still + 1 : 0
  }
  const angle = (-body.rotation() * 180) / Math.PI
  world.free()
  return angle
}

const apart = (a: number, b: number): number => Math.abs(((a - b + 540) % 360) - 180)

describe('a hung piece comes to rest as in a rigid-body engine', () => {
  it.each(everyNth(2, [20_261_126, 20_261_127, 20_261_128, 20_261_129]))(
    '30 random pieces of 3 to 20 weights, within a tenth of a degree (from %i)',
    (seed) => {
      const random = randomFrom(seed)
      for (let n = 0; n < 30; n++) {
        const weights = Array.from({ length: 3 + Math.floor(random.next() * 18) }, () => ({
          x: (random.next() - 0.5) * 600,
          y: (random.next() - 0.5) * 600,
          mass: 0.01 + random.next() * 0.6,
        }))
        const pivot = { x: (random.next() - 0.5) * 120, y: -300 - random.next() * 60 }
        const mass = weights.reduce((all, each) => all + each.mass, 0)
        const centre = {
          x: weights.reduce((all, each) => all + each.x * each.mass, 0) / mass,
          y: weights.reduce((all, each) => all + each.y * each.mass, 0) / mass,
        }
        expect(apart(restAngle(pivot, centre), hungInEngine(weights, pivot)), `piece ${n}`).toBeLessThan(0.1)
      }
    },
  )
  it('whole pieces of ours, by the parts that they are said to weigh', () => {
    const pieces = [0.1, 0.2, 0.35, 0.7].map((at) =>
      pieceWith([
        layerOf('a', 'bracken', { kind: 'crescent', from: at, to: Math.min(1, at + 0.3), count: 11, dense: 'middle', thin: 0.5 }),
        layerOf('b', 'skep', { kind: 'single', at, drop: 0 }),
      ]),
    )
    for (const piece of pieces) {
      const { mass, hung } = work(piece, shelf)
      const weights = mass.parts.map(({ at, figure }) => ({ ...at, mass: figure.value / 1000 }))
      expect(apart(hung.rest!.value, hungInEngine(weights, hung.pivot!))).toBeLessThan(0.1)
    }
  })
  it('and is moved to where the engine holds it level', () => {
    const piece = pieceWith([layerOf('b', 'skep', { kind: 'single', at: 0.2, drop: 0 })])
    const { level } = benchOf(piece).hung
    const mended = work({ ...piece, hanger: { ...piece.hanger!, at: level!.at } }, shelf)
    const weights = mended.mass.parts.map(({ at, figure }) => ({ ...at, mass: figure.value / 1000 }))
    expect(Math.abs(hungInEngine(weights, mended.hung.pivot!))).toBeLessThan(0.3)
  })
})

describe('trade’s own check values (trade.md 13: geometry)', () => {
  it('1.2 in to the right and 9 in below: 7.59 degrees', () => {
    const by = hungInEngine(
      [
        { x: inches(1.2), y: inches(9), mass: 1 },
        { x: inches(1.2) + 10, y: inches(9), mass: 0.0001 },
      ],
      { x: 0, y: 0 },
    )
    // Our statics, and the engine that knows nothing of them.
    expect(restAngle({ x: 0, y: 0 }, { x: inches(1.2), y: inches(9) })).toBeCloseTo(7.59, 2)
    expect(Math.abs(by - 7.59)).toBeLessThan(0.1)
  })
})
