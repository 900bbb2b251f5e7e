import { baseGlyph, itemGlyph, LIGHT_FROM, looksKey, tuckGlyph } from '../looks'
import { OUT_OF_LEAVES, CAST, castAway, cordMarks, DIM, lightMarks, surfaceMarks } from '../scene'
import type { Scene, SceneItem } from '../scene'
import type { Bounds } from '../measure'
import { radians } from '../measure'
import { escaped, SvgInk } from './svg-writer'

export interface SvgOptions {
  /** What can be seen, mm. */
  readonly region: Bounds
  /** Said by readers that read pictures out. */
  readonly title: string
  /** Names of the layers, by id. */
  readonly names: Readonly<Record<string, string>>
  /** Whether what it hangs on and the light of the hour are drawn. */
  readonly surface: boolean
  /** Soft shadows under whole things. Readers that print turn them into pixels; without them all stays vector. */
  readonly shadows: boolean
}

interface Look {
  readonly id: string
  readonly body: string
  readonly bounds: Bounds
}

const n = (value: number): string => String(Math.round(value * 100) / 100)

/**
 * A scene as SVG 1.1 in millimetres: true vectors, a group for the surface, the base, each layer and the light, and
 * each look drawn once and used wherever it lies.
 */
export function sceneSvg(scene: Scene, { region, title, names, surface, shadows }: SvgOptions): string {
  const ink = new SvgInk('paint')
  const looks = new Map<string, Look>()
  const filters: string[] = []
  const items = scene.items.filter(({ hidden }) => !hidden)
  const [width, height] = [region.right - region.left, region.bottom - region.top]

  const lookOf = (item: SceneItem): Look => {
    const key = looksKey({ ...item, depth: 0, rise: 0 })
    let look = looks.get(key)
    if (!look) {
      const { marks, bounds } = itemGlyph(item)
      look = { id: `look${looks.size + 1}`, body: ink.marks(marks), bounds }
      looks.set(key, look)
    }
    return look
  }
  const one = (item: SceneItem): string => {
    const cords = item.cord ? ink.marks(cordMarks(item)) : ''
    const look = lookOf(item)
    const use = useOf(item, look)
    const tuck =
      item.tucked === 'base'
        ? `<g transform="translate(${n(item.x)} ${n(item.y)})">${ink.marks(tuckGlyph(scene.base, { x: 0, y: 0 }, item.along, item.bearing, item.seed).marks)}</g>`
        : ''
    if (!shadows) return `${cords}${use}${tuck}`
    const id = `cast${filters.length + 1}`
    filters.push(castFilter(id, item, look.bounds))
    return `${cords}<g filter="url(#${id})">${use}</g>${tuck}`
  }
  const group = (id: string, name: string, body: string): string => `<g id="${escaped(id)}"><title>${escaped(name)}</title>\n${body}\n</g>`

  const seen = new Map<string, number>()
  const layers = runsOfLayers(items).map(({ layer, items: own }) => {
    const again = seen.get(layer) ?? 0
    seen.set(layer, again + 1)
    const name = names[layer] ?? layer
    return group(again ? `layer-${layer}-over-${again}` : `layer-${layer}`, again ? `${name}, lifted` : name, own.map(one).join('\n'))
  })
  const body = [
    ...(surface ? [group('surface', 'What it hangs on', ink.marks(surfaceMarks(scene.surface, region)))] : []),
    group('base', 'Base', ink.marks(baseGlyph(scene.base, scene.runs).marks)),
    ...layers,
    ...(surface && scene.surface.light !== 'day' ? [group('light', 'Light', ink.marks(lightMarks(scene.surface, items, region)))] : []),
  ].join('\n')
  const defs = [
    ink.defs(),
    ...(items.some(({ tucked }) => tucked === 'leaves') ? [IN_LEAVES] : []),
    ...filters,
    ...[...looks.values()].map((look) => `<g id="${look.id}">\n${look.body}\n</g>`),
  ].join('\n')
  return `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="${n(width)}mm" height="${n(height)}mm" viewBox="${n(region.left)} ${n(region.top)} ${n(width)} ${n(height)}" stroke-linecap="round" stroke-linejoin="round">
<title>${escaped(title)}</title>
<defs>
${defs}
</defs>
${body}
</svg>
`
}

/** A look where an item has it; of what goes in among leaves only what comes out of them. */
function useOf({ x, y, bearing, tucked }: SceneItem, { id }: Look): string {
  const at = `translate(${n(x)} ${n(y)}) rotate(${n(bearing)})`
  return tucked === 'leaves'
    ? `<g clip-path="url(#in-leaves)" transform="${at}"><use xlink:href="#${id}"/></g>`
    : `<use xlink:href="#${id}" transform="${at}"/>`
}

/** What of a stem is seen that goes in among leaves, in its own millimetres. */
const IN_LEAVES = `<clipPath id="in-leaves"><rect x="${OUT_OF_LEAVES}" y="-9999" width="99999" height="19998"/></clipPath>`

/** Things in the order they are painted, those of one layer together as long as no other comes between. */
function runsOfLayers(items: readonly SceneItem[]): { readonly layer: string; readonly items: SceneItem[] }[] {
  const runs: { readonly layer: string; readonly items: SceneItem[] }[] = []
  for (const item of items) {
    const last = runs.at(-1)
    if (last?.layer === item.layer) last.items.push(item)
    else runs.push({ layer: item.layer, items: [item] })
  }
  return runs
}

/** Dims a thing by what lies over it and puts the shadow of the whole under it. */
function castFilter(id: string, item: SceneItem, bounds: Bounds): string {
  const away = castAway(item.rise)
  const down = radians(LIGHT_FROM + 180)
  const [cos, sin] = [Math.cos(radians(item.bearing)), Math.sin(radians(item.bearing))]
  const corners = [bounds.left, bounds.right].flatMap((u) =>
    [bounds.top, bounds.bottom].map((v) => ({ x: item.x + u * cos - v * sin, y: item.y + u * sin + v * cos })),
  )
  const room = away + CAST.blur * 1.5 + 2
  const [left, top] = [Math.min(...corners.map(({ x }) => x)) - room, Math.min(...corners.map(({ y }) => y)) - room]
  const [right, bottom] = [Math.max(...corners.map(({ x }) => x)) + room, Math.max(...corners.map(({ y }) => y)) + room]
  const dim =
    item.depth > 0
      ? `<feFlood flood-color="${DIM.colour}" flood-opacity="${n(DIM.each * item.depth)}"/><feComposite in2="SourceGraphic" operator="atop" result="thing"/>`
      : '<feOffset in="SourceGraphic" result="thing"/>'
  return (
    `<filter id="${id}" filterUnits="userSpaceOnUse" color-interpolation-filters="sRGB" x="${n(left)}" y="${n(top)}" width="${n(right - left)}" height="${n(bottom - top)}">` +
    `<feGaussianBlur in="SourceAlpha" stdDeviation="${n(CAST.blur / 2)}"/><feOffset dx="${n(Math.cos(down) * away)}" dy="${n(Math.sin(down) * away)}" result="soft"/>` +
    `<feFlood flood-color="${CAST.colour}" flood-opacity="${CAST.opacity}"/><feComposite in2="soft" operator="in" result="shadow"/>` +
    `${dim}<feMerge><feMergeNode in="shadow"/><feMergeNode in="thing"/></feMerge></filter>`
  )
}
