import type { Body, Run } from '../base'
import { BASE_SORTS, anchorSays } from '../base'
import { FIXING_WAYS } from '../fixing'
import { HANGING_HOOKS, HANGING_LOOPS, hangerMake, routeWords } from '../hanging'
import type { Material, Shelf } from '../material'
import type { Said } from '../measure'
import { sum } from '../measure'
import type { Piece } from '../piece'
import type { OfLayers } from './task-builder'
import { task } from './task-builder'
import { hangingCautions } from './cautions'
import type { Undone } from './task'
import { FIT_HANGER, STRIP_SETS } from './rules-of-thumb'
import { NONE, once } from './durations'

/** What a hanger goes round where that is not simply the base. */
const HUNG_ROUND: Partial<Record<Body, string>> = { trees: 'round the trunk', bound: 'round the binding behind' }

export function hangerTask(piece: Piece, runs: readonly Run[], materials: readonly Material[], shelf: Shelf): Undone {
  const { hanger, base } = piece
  if (!hanger)
    return task(
      'hang',
      'hang',
      'Fit a hanger',
      [sum`No hanger was chosen yet: choose one before you begin, it is what is forgotten most.`],
      {
        hands: once(FIT_HANGER, shelf),
        cautions: hangingCautions(piece, materials),
      },
    )
  const run = runs.find(({ id }) => id === hanger.run) ?? runs[0]!
  const round = HUNG_ROUND[BASE_SORTS[base.kind].body]
  const place: Said = [
    'It goes ',
    ...(round ? [`${round} `] : []),
    ...(run.reads.kind === 'clock' || hanger.at * run.length < 2 ? ['at '] : []),
    ...anchorSays(run, hanger.at * run.length),
    '.',
  ]
  return task(
    'hang',
    'hang',
    hanger.loop === 'tied' ? 'Hang it on its hooks' : 'Fit the hanger',
    [
      [HANGING_LOOPS[hanger.loop].how, ...(hanger.loop === 'own hook' || hanger.loop === 'tied' ? [] : [' ', ...place])],
      ...(hanger.hook === 'route hooks' ? [routeWords(piece, hangerMake(piece, runs, shelf)!.hooks.value, shelf)] : []),
      [HANGING_HOOKS[hanger.hook].how],
    ],
    {
      hands: once(FIT_HANGER, shelf),
      cautions: hangingCautions(piece, materials),
      waits: hanger.hook === 'adhesive strip' ? once(STRIP_SETS, shelf) : NONE,
      tools: hanger.hook === 'nail' || hanger.hook === 'route hooks' ? ['hammer or drill'] : [],
    },
  )
}

/** What is closed and hidden behind, by what it is held with. */
export function finishWords({ base }: Piece, { fixings }: OfLayers): Said[] {
  const ways = new Set(fixings.flatMap(({ way, tied }) => (tied ? ['stem wire'] : [way])))
  const wired = fixings.some(({ way }) => FIXING_WAYS[way].link === 'wire')
  const scratches = ['wire', 'box', 'clamps', 'hoop', 'rod'].includes(BASE_SORTS[base.kind].body)
  return [
    sum`Fix what was only laid. Then turn it over and run a hand over the back.`,
    ...(wired ? [sum`Clip wire ends to a finger’s width, fold each under itself and press it flat into the base.`] : []),
    ...(ways.has('zip tie') ? [sum`Clip the tails of the zip ties flush.`] : []),
    ...(ways.has('hot glue') || ways.has('wire and glue') ? [sum`Pull off threads of glue.`] : []),
    ...(ways.has('pins') ? [sum`Press every pin home.`] : []),
    ...(scratches ? [sum`What is bare metal behind scratches a door: wrap it with tape, or set felt dots where it touches.`] : []),
  ]
}
