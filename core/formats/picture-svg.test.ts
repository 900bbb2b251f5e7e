import { describe, expect, it } from 'vitest'
import type { Scene } from '../scene'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { sceneSvg } from './picture-svg'

const piece = pieceWith(
  [layerOf('green', 'bracken', { kind: 'compass', count: 6, start: 0 }), layerOf('bow', 'bow-check', { kind: 'single', at: 0, drop: 0 })],
  { brief: { light: 'lamp' } },
)
const { scene } = work(piece, shelf)
const region = { left: -200, top: -210, right: 200, bottom: 190 }
const names = { green: 'Ferns & <leaves>', bow: 'Bow' }
const svg = (set: Partial<Parameters<typeof sceneSvg>[1]> = {}, of: Scene = scene) =>
  sceneSvg(of, { region, title: 'Test ring', names, surface: true, shadows: true, ...set })

/** Reads markup by its tags: every one that is opened is closed in its turn. @returns how often each occurs */
function readTags(text: string): Map<string, number> {
  const open: string[] = []
  const count = new Map<string, number>()
  for (const [, closing, name, own] of text.matchAll(/<(\/?)([a-zA-Z]+)[^<>]*?(\/?)>/g)) {
    if (closing) expect(open.pop()).toBe(name)
    else {
      count.set(name!, (count.get(name!) ?? 0) + 1)
      if (!own) open.push(name!)
    }
  }
  expect(open).toEqual([])
  return count
}

describe('a scene as SVG', () => {
  it('is well formed, in millimetres, with a group for each part, and draws each look once', () => {
    const text = svg()
    const tags = readTags(text)
    expect(text).toMatch(/^<svg [^>]*width="400mm" height="400mm" viewBox="-200 -210 400 400"/)
    expect([...text.matchAll(/<g id="([^"]+)"><title>([^<]+)/g)].map(([, id, title]) => [id, title])).toEqual([
      ['surface', 'What it hangs on'],
      ['base', 'Base'],
      ['layer-green', 'Ferns &#38; &#60;leaves&#62;'],
      ['layer-bow', 'Bow'],
      ['light', 'Light'],
    ])
    expect(tags.get('use')).toBe(7)
    expect(text.match(/<g id="look\d+"/g)!.length).toBeLessThanOrEqual(7)
    expect(text).not.toMatch(/NaN|undefined|Infinity/)
    const [ids, used] = [/ id="([^"]+)"/g, /(?:url\(#|href="#)([^")]+)/g].map((all) => [...text.matchAll(all)].map(([, id]) => id!))
    expect(new Set(ids).size).toBe(ids!.length)
    for (const id of used!) expect(ids).toContain(id)
  })
  it('says the same for the same piece', () => expect(svg()).toBe(svg({}, work(structuredClone(piece), shelf).scene)))
  it('leaves out what it hangs on with its light, the shadows, and what is hidden', () => {
    expect(svg({ surface: false })).not.toMatch(/id="(surface|light)"/)
    expect(svg({ shadows: false })).not.toContain('filter')
    const hidden = svg({}, { ...scene, items: scene.items.map((item) => (item.layer === 'bow' ? { ...item, hidden: true } : item)) })
    expect(hidden).not.toContain('layer-bow')
  })
})
