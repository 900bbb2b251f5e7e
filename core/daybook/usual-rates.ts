import { isTaskOf } from '../tasks'
import { isCountOf } from './count-key'
import { mechanicOf } from '../material'
import type { Unit } from '../measure'
import type { DaybookRecord } from './record'
import { quantile } from './learn'

/** How one usually makes things, in the words makers use: so many stems a foot, so many minutes a bow. */
export interface Habit {
  readonly id:
    'stems a foot' | 'inches a bundle' | 'minutes a bow' | 'boughs a yard' | 'glue sticks a piece' | 'share that breaks' | 'minutes a piece'
  readonly unit: Unit
  /** Pages that say something of it, the middle of what they say, and its quarters. */
  readonly pages: number
  readonly middle: number
  readonly quarters: readonly [number, number]
}

const FOOT = 304.8
const YARD = 914.4

/** What one page says of each habit; nothing where nothing was written down. */
const SAYS: Readonly<Record<Habit['id'], { readonly unit: Unit; readonly of: (record: DaybookRecord) => number | null }>> = {
  'stems a foot': {
    unit: 'ratio',
    of: ({ compared, run }) => {
      const stems = compared.filter(({ took, covers }) => took !== null && covers)
      return stems.length && run > 0 ? (stems.reduce((all, { took }) => all + took!, 0) / run) * FOOT : null
    },
  },
  'inches a bundle': {
    unit: 'length',
    of: ({ compared, run }) => {
      const n = compared.filter(({ id, took }) => isCountOf(id, 'bundles') && took !== null).reduce((all, { took }) => all + took!, 0)
      return n > 0 && run > 0 ? run / n : null
    },
  },
  'minutes a bow': {
    unit: 'time',
    of: ({ compared }) => {
      const bows = compared.filter(({ id, of, took }) => of === 'task' && isTaskOf(id, 'bow') && took !== null)
      return bows.length ? bows.reduce((all, { took }) => all + took!, 0) / bows.length : null
    },
  },
  'boughs a yard': {
    unit: 'ratio',
    of: ({ compared, run }) => {
      const n = compared.filter(({ id, took }) => isCountOf(id, 'boughs') && took !== null).reduce((all, { took }) => all + took!, 0)
      return n > 0 && run > 0 ? (n / run) * YARD : null
    },
  },
  'glue sticks a piece': {
    unit: 'ratio',
    of: ({ compared }) => compared.find(({ of, id }) => of === 'material' && mechanicOf(id)?.is === 'hot glue')?.took ?? null,
  },
  'share that breaks': {
    unit: 'share',
    of: ({ compared }) => {
      const may = compared.filter(
        ({ took, broke, rules }) => took !== null && took > 0 && broke !== null && rules.some(({ goes }) => goes === 'broken'),
      )
      const took = may.reduce((all, each) => all + each.took!, 0)
      return took > 0 ? may.reduce((all, { broke }) => all + broke!, 0) / took : null
    },
  },
  'minutes a piece': {
    unit: 'time',
    of: ({ compared }) => {
      const tasks = compared.filter(({ of, took }) => of === 'task' && took !== null)
      return tasks.length ? tasks.reduce((all, { took }) => all + took!, 0) : null
    },
  },
}

/** How one usually makes things, by the pages that say so: what is in the middle, and from where to where the half of them lies. */
export function habitsOf(records: readonly DaybookRecord[]): Habit[] {
  return (Object.keys(SAYS) as Habit['id'][]).flatMap((id): Habit[] => {
    const values = records
      .flatMap((record) => SAYS[id].of(record) ?? [])
      .filter((value) => Number.isFinite(value))
      .sort((a, b) => a - b)
    if (!values.length) return []
    return [
      {
        id,
        unit: SAYS[id].unit,
        pages: values.length,
        middle: quantile(values, 0.5),
        quarters: [quantile(values, 0.25), quantile(values, 0.75)],
      },
    ]
  })
}
