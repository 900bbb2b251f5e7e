import { expect, it } from 'vitest'
import type { SceneItem } from '#core/scene'
import { changesOf, pixelsOf } from './pictures'

const view = { x: 0, y: 0, scale: 6, width: 980, height: 760 }

it('paints no more of a change than is in view, however far it reaches', () => {
  expect(pixelsOf({ left: -1000, top: -1000, right: 1000, bottom: 1000 }, view)).toEqual({ left: 0, top: 0, wide: 980, high: 760 })
  expect(pixelsOf({ left: -10, top: 0.1, right: 10.1, bottom: 20 }, view)).toEqual({ left: 430, top: 380, wide: 121, high: 120 })
  expect(pixelsOf({ left: 500, top: 0, right: 900, bottom: 10 }, view)).toBeNull()
  expect(pixelsOf({ left: 0, top: -900, right: 10, bottom: -500 }, view)).toBeNull()
})

it('tells what came, went and changed, and nothing where the order changed as well', () => {
  const item = (id: string): SceneItem => ({ id }) as SceneItem
  const [a, b, c, d] = ['a', 'b', 'c', 'd'].map(item) as [SceneItem, SceneItem, SceneItem, SceneItem]
  expect(changesOf([a, b, c], [a, b, c])).toEqual([])
  expect(changesOf([a, b, c], [a, d, c])).toEqual([d, b])
  expect(changesOf([], [a])).toEqual([a])
  expect(changesOf([a], [])).toEqual([a])
  expect(changesOf([a, b, c], [b, a, c])).toBeNull()
})
