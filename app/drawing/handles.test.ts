import { describe, expect, it } from 'vitest'
import type { BaseKind } from '#core/base'
import { runsOf, stationAt, usualBase } from '#core/base'
import { layerOf, pieceWith, shelf } from '#core/testing'
import { work } from '#core/workings'
import { bearingTo, dragTo, gripPoints, lengthTo, movedItem, Picker, startDrag } from './handles'

const on = (kind: BaseKind, at = 0.3) => {
  const base = usualBase(kind)
  const [run] = runsOf(base)
  const { scene, placements } = work(
    pieceWith(
      [
        layerOf('a', 'bracken', { kind: 'single', at, drop: 0 }, { run: run!.id }),
        layerOf('b', 'rose', { kind: 'single', at, drop: 0 }, { run: run!.id }),
      ],
      { base },
    ),
    shelf,
  )
  return { run: run!, item: scene.items[0]!, placement: placements[0]!, scene }
}

describe('picking', () => {
  it('finds what lies on top, and only what is shown', () => {
    const { scene, item } = on('grapevine')
    const picker = new Picker(scene)
    expect(picker.at(item, () => true)!.layer).toBe('b')
    expect(picker.at(item, ({ layer }) => layer === 'a')!.layer).toBe('a')
    expect(picker.at({ x: 5000, y: 0 }, () => true)).toBeNull()
    expect(picker.within({ x: -1000, y: -1000 }, { x: 1000, y: 1000 }, () => true)).toHaveLength(2)
    expect(picker.within({ x: 900, y: 900 }, { x: 1000, y: 1000 }, () => true)).toEqual([])
  })
})

describe('grips', () => {
  it('lie at the tip and beyond it, and read back what they stand for', () => {
    const { item } = on('grapevine')
    const { trim, turn } = gripPoints(item, 2)
    expect(lengthTo(item, trim!)).toBeCloseTo(item.length, 6)
    expect(bearingTo(item, turn)).toBeCloseTo(item.bearing, 6)
    expect(lengthTo(item, { x: item.x, y: item.y })).toBe(5)
    expect(gripPoints({ ...item, form: 'disc', tucked: null }, 2).trim).toBeNull()
  })
})

describe.each<BaseKind>(['grapevine', 'heart', 'tree-swag', 'door-garland', 'scallops'])('dragging on a %s', (kind) => {
  const { run, item, placement } = on(kind)
  const pointAt = (s: number, t: number) => {
    const { x, y, nx, ny, half } = stationAt(run, s)
    return { x: x + nx * half * t, y: y + ny * half * t }
  }
  const drag = startDrag(placement, run, [placement.ruled, placement.ruled + 40], pointAt(placement.s, 0.3))

  it('goes along with the pointer, by the grip and not by the middle', () => {
    const { along, across } = dragTo(drag, pointAt(placement.s + 25, 0.3), 1, true)
    expect(along).toBeCloseTo(25, 0)
    expect(Math.abs(across)).toBeLessThan(0.05)
  })
  it('snaps to the places of its rule unless it is free', () => {
    expect(dragTo(drag, pointAt(placement.s + 38, 0.3), 1, false)).toMatchObject({ snapped: true, along: expect.closeTo(40, 6) })
    expect(dragTo(drag, pointAt(placement.s + 38, 0.3), 1, true).snapped).toBe(false)
  })
  it('keeps its row until it is drawn well across the face', () => {
    expect(dragTo(drag, pointAt(placement.s, 0.3 + 5 / stationAt(run, placement.s).half), 1, true).across).toBe(0)
    expect(dragTo(drag, pointAt(placement.s, 0.3 + 30 / stationAt(run, placement.s).half), 1, true).across).toBeGreaterThan(0)
  })
  it('shows the thing where it will lie', () => {
    const moved = movedItem(item, placement, run, { along: 20, across: 0 })
    const { x, y } = pointAt(placement.s + 20, placement.t)
    expect([moved.x, moved.y]).toEqual([expect.closeTo(x, 6), expect.closeTo(y, 6)])
  })
})
