import type { Figure, Said } from '../measure'
import { count, figure, ofFigure, plus, plusAll, quantity, saidAs, several, sum, times, worked } from '../measure'
import { partOfMaterial } from '../piece'
import { NONE } from './durations'
import type { Before, PartToMake, Task, TaskKind, Undone } from './task'
import type { TaskContext } from './task-builder'
import { task, unique, waitsFor } from './task-builder'
import { taskKey } from './task-key'
import { taskMessage } from './words'

/** How making a part is known. @param material of it */
export const partTaskKey = (material: string): string => taskKey('part', partOfMaterial(material))

/** What of a piece is no part’s: it is neither hung nor written down by itself. */
const OF_PIECES: ReadonlySet<TaskKind> = new Set(['look', 'finish', 'hang', 'load', 'record', 'own', 'reserve', 'dry'])

/** Making all of each part, before anything that it lies in. */
export const partTasks = ({ parts }: Pick<TaskContext, 'parts'>): Undone[] => parts.map(partTask)

function partTask({ id, material, tasks, dries, count: n }: PartToMake): Undone {
  const steps = tasks.filter(({ kind }) => !OF_PIECES.has(kind))
  return task(
    partTaskKey(id),
    'part',
    taskMessage('make-part', { things: several(n, material.name, material.plural) }),
    [
      ...(n > 1 ? [sum`Make all ${quantity.count(n)} at once, each of these steps for all of them:`] : []),
      ...steps.flatMap(({ title, says }, i): Said[] => [sum`${quantity.count(i + 1)}. ${title}.`, ...says]),
      ...(dries > 0 ? [sum`Then let ${n > 1 ? 'them' : 'it'} dry or set for ${quantity.time(dries)}.`] : []),
    ],
    {
      places: steps.flatMap(({ places }) => places),
      cautions: unique(steps.flatMap(({ cautions }) => cautions)),
      tools: unique(steps.flatMap(({ tools }) => tools)),
      hands: handsFor(steps, n),
      waits: waitsIn(steps, dries),
      counts: n > 1 ? { of: material.plural, count: n } : null,
    },
  )
}

function handsFor(steps: readonly Task[], n: number): Figure {
  const terms = steps
    .filter(({ hands }) => hands.value > 0)
    .map(({ title, hands }) => saidAs(ofFigure(hands), [`${title} `, quantity.time(hands.value)]))
  if (!terms.length) return NONE
  const one = plusAll(terms, terms[0]!)
  return worked(n === 1 ? one : times(saidAs(count(n), [`${n} of them`]), one))
}

/** It dries as long as its steps do, one after another, and once it is made. */
function waitsIn(steps: readonly Task[], dries: number): Figure {
  const own = figure(quantity.time(dries), sum`as you put it`, { kind: 'measured' })
  const terms = [...steps.map(({ title, waits }) => ({ title, waits })), { title: 'made', waits: own }]
    .filter(({ waits }) => waits.value > 0)
    .map(({ title, waits }) => saidAs(ofFigure(waits), [`${title} `, quantity.time(waits.value)]))
  const [first, ...rest] = terms
  return first ? worked(rest.length ? plus(first, ...rest) : first) : NONE
}

/** What has to be made before a layer of these materials goes on. */
export const partsBefore = (materials: Iterable<string>, parts: readonly PartToMake[]): Before[] =>
  [...materials].flatMap((id) => (parts.some((part) => part.id === id) ? [waitsFor(partTaskKey(id), 'made-before-laid')] : []))
