import { fitBudget } from '#core/budget'
import { costsOf } from '#core/piece-costs'
import type { ReadTable } from '#core/formats'
import { headingsOf, readMaterials, readPiece, readPrices, readTable } from '#core/formats'
import { beginOn, betweenOn, countablesOn, evenOutPiece, fillPiece, swapMaterial } from '#core/worker-jobs'
import type { Shelf } from '#core/material'
import { idsFrom } from '#core/material'
import { makeableOf } from '#core/makeable'
import { deltaOf, withDelta } from '#core/measure'
import type { Piece } from '#core/piece'
import { SPECIES } from '#core/looks'
import type { Pricing } from '#core/price'
import { resized } from '#core/resize'
import { inBrief, work } from '#core/workings'
import type { OnBench } from '#core/workroom'
import { onBench, rememberingBench } from '#core/workroom'
import type { BriefAnswer, WorkingsWorker } from '../protocol'
import { Jobs } from '../cooperative-jobs'

const remembering = rememberingBench()
const jobs = new Jobs()
let pricing: Pricing | null = null
let piece: Piece | null = null
let workings: OnBench | null = null

function thePricing(): Pricing {
  if (!pricing) throw new Error('The worker was asked before it was told the shelf.')
  return pricing
}
const theShelf = (): Shelf => thePricing().shelf

/** The table that was read last: while it is open, only what its headings mean changes. */
let last: { readonly text: string; readonly read: ReadTable } | null = null
function tableIn(text: string): ReadTable {
  if (last?.text !== text) last = { text, read: readTable(text) }
  return last.read
}
function rowsIn(text: string): Extract<ReadTable, { ok: true }>['table'] {
  const read = tableIn(text)
  if (!read.ok) throw new Error(read.error)
  return read.table
}
const SPECIES_NAMES = new Set(Object.keys(SPECIES))

export const workingsRole = {
  setPricing(told) {
    pricing = told
  },
  follow(change) {
    piece = withDelta(piece, change) as Piece
    const next = remembering(piece, thePricing())
    const answer = deltaOf(workings, next)
    workings = next
    return answer
  },
  work: (of) => onBench(work(of, theShelf()), of, thePricing()),
  brief: (pieces) =>
    pieces.map((each): BriefAnswer => {
      try {
        return { ok: true, ...inBrief(each, theShelf()) }
      } catch (error) {
        return { ok: false, error: String(error) }
      }
    }),
  read: readPiece,
  headings: (text) => headingsOf(tableIn(text)),
  materialsIn: (text, mapping, units) =>
    readMaterials(rowsIn(text), {
      mapping,
      units,
      species: SPECIES_NAMES,
      freshId: idsFrom((id) => Object.hasOwn(theShelf().materials, id)),
    }),
  pricesIn: (text, mapping, units) => readPrices(rowsIn(text), mapping, theShelf(), units),
  fill: (of, layer, fullness) => fillPiece(of, theShelf(), layer, fullness),
  swap: (of, layer, from, to) => swapMaterial(of, theShelf(), layer, from, to),
  countables: (of, most) => countablesOn(of, theShelf(), most),
  between: (of, those, these) => betweenOn(of, theShelf(), those, these),
  begin: (of, beginning) => beginOn(of, theShelf(), beginning),
  evenOut: (job, of, seed, report) => jobs.run(job, evenOutPiece(of, theShelf(), seed), report),
  costs: (of, on) => costsOf(of, on, thePricing()),
  fitBudget: (job, of, report) => jobs.run(job, fitBudget(of, thePricing()), report),
  resize: (of, shape, id, name) => resized(of, shape, theShelf(), id, name),
  makeable: (job, have, bases, report) => jobs.run(job, makeableOf(have, bases, theShelf()), report),
  stop: (job) => jobs.stop(job),
} satisfies WorkingsWorker
