import { speciesOf } from '../looks'
import type { Mark } from '../looks'
import type { Bounds } from '../measure'
import { radians } from '../measure'
import type { Backdrop, SceneItem } from './scene'

/** The shadow that a whole thing casts: how soft it is, how far it falls for each step that it stands off, mm, and its colour. */
export const CAST = { blur: 4, near: 2.2, step: 1.1, colour: '#100a14', opacity: 0.5 } as const
/** How much darker each layer is than the one over it, and of what the dark is made. */
export const DIM = { each: 0.07, colour: '#15101f' } as const

export const castAway = (rise: number): number => CAST.near + CAST.step * rise

const rectangle = ({ left, top, right, bottom }: Bounds): string => `M${left} ${top}L${right} ${top}L${right} ${bottom}L${left} ${bottom}Z`

/** How far lamp light reaches before it is half gone, and how far a light on the piece is seen, mm. */
const LAMP = { reach: 950, glow: 150 } as const

/**
 * The light of the hour over everything: nothing by day; a blue veil at dusk; darkness about a lamp that stands a
 * little up and to the left. What gives light of its own shines through.
 * @param region what can be seen, mm
 */
export function lightMarks({ light }: Pick<Backdrop, 'light'>, items: readonly SceneItem[], region: Bounds): readonly Mark[] {
  if (light === 'day') return []
  const d = rectangle(region)
  const veil: Mark[] =
    light === 'dusk'
      ? [
          {
            d,
            fill: {
              kind: 'linear',
              from: [0, region.top],
              to: [0, region.bottom],
              stops: [
                [0, '#1b2747'],
                [1, '#141a33'],
              ],
            },
            opacity: 0.46,
          },
        ]
      : [
          {
            d,
            fill: {
              kind: 'radial',
              centre: [-160, -220],
              radius: LAMP.reach,
              focus: [-160, -220],
              stops: [
                [0, '#ffb765'],
                [0.55, '#e0792c80'],
                [1, '#b4541a00'],
              ],
            },
            opacity: 0.4,
          },
          {
            d,
            fill: {
              kind: 'radial',
              centre: [-160, -220],
              radius: LAMP.reach * 1.5,
              focus: [-160, -220],
              stops: [
                [0, '#1a0d0626'],
                [0.22, '#150b0858'],
                [0.5, '#0d070cb0'],
                [1, '#09050ce8'],
              ],
            },
          },
        ]
  const glows = items.filter(({ hidden, species }) => !hidden && speciesOf(species).glows).flatMap(lampsOf)
  return [...veil, ...glows]
}

/** The glows of one thing: about its middle, or every so far along a string. */
function lampsOf({ x, y, bearing, length, form }: SceneItem): Mark[] {
  const a = radians(bearing)
  const stops = [
    [0, '#ffd98ad8'],
    [0.25, '#ffb95c78'],
    [1, '#ff9a3c00'],
  ] as const
  const one = (cx: number, cy: number, radius: number): Mark => ({
    d: `M${cx - radius} ${cy}A${radius} ${radius} 0 1 0 ${cx + radius} ${cy}A${radius} ${radius} 0 1 0 ${cx - radius} ${cy}Z`,
    fill: { kind: 'radial', centre: [cx, cy], radius, focus: [cx, cy], stops },
    opacity: 0.9,
  })
  if (form !== 'leaf') return [one(x, y, Math.max(LAMP.glow, length * 1.1))]
  const round = (value: number): number => Math.round(value * 100) / 100
  return Array.from({ length: 20 }, (_, i) => {
    const along = ((i + 0.5) / 20 - 0.1) * length
    return one(round(x + Math.cos(a) * along), round(y + Math.sin(a) * along), 26)
  })
}
