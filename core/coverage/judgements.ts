import type { Run } from '../base'
import type { Figure, Rated } from '../measure'
import { capital, rate } from '../measure'
import type { Brief, Piece } from '../piece'
import type { Balance } from './balance'
import { heavySide } from './balance'
import type { Coverage } from './coverage'
import { fullnessAsks, fullnessMeant, isGreenBase } from './fullness'
import type { Contrast } from './colour-and-weight'
import { NEARLY } from './rules-of-thumb'
import { heavySaid } from './words'

/** A figure with what it means in words, said first: "covers well", 92 %. */
export interface Judged {
  readonly id: string
  readonly verdict: string
  readonly name: string
  readonly figure: Figure
}

/** The verdict of the first of some limits that a value reaches, from the highest down. */
const from = (value: number, limits: readonly (readonly [least: number, verdict: string])[]): string =>
  (limits.find(([least]) => value >= least) ?? limits.at(-1)!)[1]

/** @param green whether what shows of the base is greenery too */
function coverVerdict({ share }: Coverage, fullness: Brief['fullness'], green: boolean, by: Rated): Judged {
  const asks = fullnessAsks(fullness, by)
  const verdict =
    fullness === 'sparse'
      ? from(share.value, [
          [fullnessAsks('full', by).once, green ? 'Covers its own greenery' : 'Covers nearly all of a base that should show'],
          [0.01, green ? 'Lets its own greenery show' : 'Lets the base show, as meant'],
          [0, green ? 'Its own greenery' : 'Bare'],
        ])
      : from(share.value, [
          [asks.once, fullness === 'lush' ? 'Covers it all' : 'Covers well'],
          [asks.once - rate(NEARLY, by), 'Nearly covers'],
          [0.01, 'Thin'],
          [0, 'Bare'],
        ])
  return { id: 'share', name: 'Face covered', figure: share, verdict }
}

/** What is asked of a lush piece besides: two deep, and layers over layers. */
function depthVerdicts({ twoDeep, meanDepth }: Coverage, by: Rated): Judged[] {
  const asks = fullnessAsks('lush', by)
  return [
    {
      id: 'twoDeep',
      name: 'Two deep',
      figure: twoDeep,
      verdict: from(twoDeep.value, [
        [asks.twice, 'Lush'],
        [asks.twice - rate(NEARLY, by), 'Nearly lush'],
        [0, 'Not lush yet'],
      ]),
    },
    {
      id: 'depth',
      name: 'Mean depth',
      figure: meanDepth,
      verdict: from(meanDepth.value, [
        [2, 'Layers over layers'],
        [1, 'About one layer'],
        [0, 'Under one layer'],
      ]),
    },
  ]
}

const evennessVerdict = ({ evenness }: Coverage): Judged => ({
  id: 'evenness',
  name: 'Depth round it',
  figure: evenness,
  verdict: from(evenness.value, [
    [0.8, 'Even all round'],
    [0.6, 'A little uneven'],
    [0, 'Uneven'],
  ]),
})

/** @param closed whether the piece reads by the clock */
function balanceVerdict(balance: Balance, school: Brief['balance']['school'], closed: boolean): Judged {
  const { off, asMeant } = balance
  const side = heavySide(balance, closed)
  const meant = school === 'offset' ? (asMeant ? ', as meant' : ', not as meant') : ''
  const verdict = side === null || (school !== 'offset' && asMeant) ? 'Balanced' : `Heavy ${heavySaid(side)}${meant}`
  return { id: 'balance', name: 'Off the middle', figure: off, verdict }
}

/** How the cover and the balance of a piece are, as its brief means them: what means nothing for it is left out. */
export function coverVerdicts(piece: Piece, runs: readonly Run[], cover: Coverage, balance: Balance, by: Rated): Judged[] {
  const { school } = piece.brief.balance
  const fullness = fullnessMeant(piece)
  const closed = runs[0]!.closed
  const covers = cover.share.value > 0
  return [
    coverVerdict(cover, fullness, isGreenBase(piece), by),
    ...(fullness === 'lush' ? depthVerdicts(cover, by) : []),
    ...(school !== 'offset' && fullness !== 'sparse' && closed && covers ? [evennessVerdict(cover)] : []),
    ...(covers ? [balanceVerdict(balance, school, closed)] : []),
  ]
}

const GROUNDS: Record<Brief['surface']['kind'], string> = {
  boards: 'the boards',
  door: 'the door',
  brick: 'the bricks',
  plaster: 'the wall',
  stone: 'the stone',
  glass: 'the glass',
  mantel: 'the mantel',
}

/** How a piece and its ties show. CIEDE2000 and lightness contrast; the limits are our own, set by looking. */
export function contrastVerdicts({ brief }: Piece, { surface, tie }: Contrast): Judged[] {
  const ground = GROUNDS[brief.surface.kind]
  return [
    ...(surface
      ? [
          {
            id: 'ground',
            name: 'Difference in colour',
            figure: surface.difference,
            verdict: from(surface.difference.value, [
              [20, `Stands out clearly from ${ground}`],
              [12, `Can be told from ${ground}`],
              [0, `Lost on ${ground}`],
            ]),
          },
          {
            id: 'light',
            name: 'Light against dark',
            figure: surface.ratio,
            verdict: from(surface.ratio.value, [
              [3, 'Shows at dusk too'],
              [1.5, 'Shows by lightness too'],
              [0, 'Shows by colour alone'],
            ]),
          },
        ]
      : []),
    {
      id: 'tie',
      name: 'Tie against base',
      figure: tie.best,
      verdict: `${capital(tie.name)} ${from(tie.best.value, [
        [15, 'shows least, but shows, on'],
        [5, 'hardly shows on'],
        [0, 'disappears on'],
      ])} the base`,
    },
    ...(tie.name === 'green wire'
      ? []
      : [
          {
            id: 'green',
            name: 'Green against base',
            figure: tie.green,
            verdict: `Green wire ${from(tie.green.value, [
              [30, 'would show'],
              [15, 'shows a little'],
              [0, 'hardly shows'],
            ])} on the base`,
          },
        ]),
  ]
}
