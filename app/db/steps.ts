import type { Transaction } from 'dexie'
import { asItsParts, readyByPiece, wantOfItsPiece, withoutCurve } from '#core/formats'
import { EVERY_TABLE, setAsideIn } from './sound'

/** A version of the database: its tables as they differ from the one before, and how what is there comes into them. */
interface Step {
  readonly stores: Readonly<Record<string, string | null>>
  readonly upgrade?: (step: Transaction) => Promise<void>
}
type Row = Readonly<Record<string, unknown>>

/**
 * Every version of the database that ever was, the first first. What stands here is of the past and is not touched again: a step
 * calls nothing of today's code, takes rows as they may be, and leaves alone what is not as it expects. Only the last step brings
 * pieces to today's format and puts aside what cannot be read; a new version is added below it, takes that over, and is tried with
 * the databases of all versions in `upgrades.test.ts`.
 */
export const STEPS: readonly Step[] = [
  { stores: { pieces: 'id, savedAt', snapshots: '++id, [pieceId+at]', settings: 'key' } },
  { stores: { materials: 'id, kind', stash: 'material' } },
  { stores: {}, upgrade: drawnAsNow },
  { stores: { cutList: 'id, material', offcuts: 'id, material', cutPieces: 'id, material' } },
  { stores: { rolls: 'id, material' } },
  { stores: {} },
  { stores: { previews: 'id, [id+key]', needs: 'id' } },
  { stores: {}, upgrade: spareAsRate },
  // The old tables go a version later, when what they had is in lots.
  {
    stores: { lots: 'id, material' },
    async upgrade(step) {
      await oneCurrency(step)
      await intoLots(step)
    },
  },
  { stores: { stash: null, offcuts: null, cutPieces: null } },
  { stores: {}, upgrade: wantsByUse },
  { stores: { progress: 'piece' } },
  {
    stores: { lots: 'id, material, reserved.piece', shops: 'id', purchases: 'id, shop', sales: 'id, piece', photos: 'id' },
    upgrade: knowMoreOfLots,
  },
  { stores: { daybook: 'id, piece, day', kits: 'id, piece', batches: 'id' }, upgrade: timesOfTasks },
  { stores: {}, upgrade: classesApart },
  {
    stores: { unread: '++id' },
    async upgrade(step) {
      await eachBySelf(step)
    },
  },
  {
    stores: { drafts: 'id, kind' },
    async upgrade(step) {
      await idsAsFields(step)
      await step.table('needs').clear()
    },
  },
  // Which pieces changed is read from an index, without reading the pieces.
  { stores: { pieces: 'id, savedAt, [savedAt+revision+id]' } },
  // What lies on other things: a version before does not read such a piece.
  { stores: {} },
  // So with parts made beforehand.
  { stores: {} },
  // And with outlines of one's own. Swags, teardrops and opened rings are the trees and rings that they are made of.
  {
    stores: {},
    async upgrade(step) {
      await step
        .table('lots')
        .toCollection()
        .modify((lot, ref: { value: unknown }) => {
          ref.value = asItsParts(lot)
        })
      // What pieces need is named otherwise.
      await step.table('needs').clear()
    },
  },
  // Stems that bend: a maker's own materials say how far theirs do, also where a form of one lies open.
  {
    stores: {},
    async upgrade(step) {
      await step
        .table('materials')
        .toCollection()
        .modify((material, ref: { value: unknown }) => {
          ref.value = withoutCurve(material)
        })
      await step
        .table<Row>('drafts')
        .where({ kind: 'material' })
        .modify((draft, ref) => {
          ref.value = { ...draft, begun: withoutCurve(draft.begun) }
        })
      await setAsideIn(step, EVERY_TABLE)
    },
  },
]
export const SCHEMA_VERSION = STEPS.length

const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value)

/** Of version 3: kinds of plants that had other names. */
async function drawnAsNow(step: Transaction): Promise<void> {
  const names: Readonly<Record<string, string>> = {
    twig: 'birch',
    'dried-pod': 'lotus-pod',
    'floret-head': 'hydrangea',
    slice: 'orange-slice',
    'stick-bundle': 'cinnamon',
    spool: 'roll-plain',
    bow: 'bow-plain',
  }
  await step
    .table<Row>('materials')
    .toCollection()
    .modify((material: { species?: unknown }) => {
      if (typeof material.species === 'string' && Object.hasOwn(names, material.species)) material.species = names[material.species]
    })
}

/** Of version 8: the spare of plants was a setting by itself; it is one of the rules of thumb. */
async function spareAsRate(step: Transaction): Promise<void> {
  const settings = step.table<{ readonly key: string; readonly value: unknown }, string>('settings')
  const manner = (await settings.get('manner'))?.value
  if (!isRow(manner) || typeof manner.spare !== 'number') return
  const { spare, ...value } = manner
  await settings.put({ key: 'manner', value })
  if (spare !== 0.1) await settings.put({ key: 'rates', value: { 'construct.spare': spare } })
}

/** Of version 9: each piece had a currency; it is the workroom's now: the one that most of them had. */
async function oneCurrency(step: Transaction): Promise<void> {
  const known = new Set(['USD', 'EUR', 'GBP', 'CAD', 'AUD', 'NZD'])
  const counts = new Map<string, number>()
  await step.table<Row>('pieces').each(({ piece }) => {
    const money = isRow(piece) && isRow(piece.brief) ? piece.brief.currency : null
    if (typeof money === 'string' && known.has(money)) counts.set(money, (counts.get(money) ?? 0) + 1)
  })
  const [most] = [...counts].sort((a, b) => b[1] - a[1])
  if (most) await step.table('settings').put({ key: 'currency', value: most[0] })
}

/** Of version 9: what was counted, cut, and left of what was cut, in one table of what is in the house. */
async function intoLots(step: Transaction): Promise<void> {
  const all = (table: string): Promise<Row[]> => step.table<Row>(table).toArray()
  const [counted, offcuts, cut] = [await all('stash'), await all('offcuts'), await all('cutPieces')]
  const plain = { paid: null, reserved: null }
  const lots: Row[] = [
    ...counted
      .filter(({ count }) => count !== 0)
      .map(({ material, count }) => ({
        id: `counted:${String(material)}`,
        material,
        things: count,
        length: null,
        source: { kind: 'counted' },
        ...plain,
      })),
    ...offcuts.map(({ id, material, length }) => ({ id, material, things: null, length, source: { kind: 'offcut' }, ...plain })),
    ...cut.map(({ id, material, length, want }) => ({
      id,
      material,
      things: null,
      length,
      source: { kind: 'cut', from: null },
      ...plain,
      reserved: want,
    })),
  ]
  const there = new Set<unknown>()
  for (const lot of lots) {
    // Two tables may have had the same id.
    let { id } = lot
    while (there.has(id)) id = `${String(id)}'`
    there.add(id)
    await step.table('lots').put({ ...lot, id })
  }
}

/** Of version 11: what is cut was known by its place among all lengths of its piece; it is known by its place among those of its layer, use and material. */
async function wantsByUse(step: Transaction): Promise<void> {
  const lots = await step.table<Row>('lots').toArray()
  const numbered = lots.flatMap((lot) => {
    const [, of, n] = typeof lot.reserved === 'string' ? (/^(.+:.+:.+):(\d+)$/.exec(lot.reserved) ?? []) : []
    return of === undefined ? [] : [{ lot, of, n: Number(n) }]
  })
  for (const { lot, of, n } of numbered) {
    const alike = numbered.filter((each) => each.of === of && each.lot.material === lot.material)
    const before = new Set(alike.map((each) => each.n).filter((each) => each < n)).size
    await step.table('lots').put({ ...lot, reserved: `${of}:${before}` })
  }
}

/** Of version 13: lots say where they lie, since when, in what state, and whose they are: what was cut for a want of a piece is that piece's. */
async function knowMoreOfLots(step: Transaction): Promise<void> {
  const whose = (want: string): Row => {
    const [piece, ...more] = want.split(':')
    return { piece: more.length ? piece : null, want }
  }
  await step
    .table<Row>('lots')
    .toCollection()
    .modify((lot, ref) => {
      ref.value = {
        cut: null,
        day: null,
        colour: null,
        place: '',
        condition: 'good',
        season: '',
        photo: null,
        ...lot,
        reserved: typeof lot.reserved === 'string' ? whose(lot.reserved) : lot.reserved,
      }
    })
}

/** Of version 14: how long hands were at a task was not noted before. */
async function timesOfTasks(step: Transaction): Promise<void> {
  await step
    .table<Row>('progress')
    .toCollection()
    .modify((progress, ref) => {
      ref.value = { ...progress, spent: {} }
    })
}

/** Of version 15: a class made as many copies of its piece as it had kits; it is an order of its own now, and its teacher makes one. */
async function classesApart(step: Transaction): Promise<void> {
  for (const { piece: id, heads, spares } of await step.table<Row>('kits').toArray()) {
    const record = await step.table<Row, string>('pieces').get(String(id))
    const piece = record?.piece
    if (isRow(piece) && isRow(piece.brief) && piece.brief.copies === Number(heads) + Number(spares))
      await step.table('pieces').put({ ...record, piece: { ...piece, brief: { ...piece.brief, copies: 1 } } })
  }
}

/** Of version 16: one record held all rules of thumb of one's own, and one all shops that one does not go to; two tabs wrote over each other. */
async function eachBySelf(step: Transaction): Promise<void> {
  const settings = step.table<{ readonly key: string; readonly value: unknown }, string>('settings')
  const rates = (await settings.get('rates'))?.value
  if (isRow(rates)) for (const [id, value] of Object.entries(rates)) await settings.put({ key: `rate:${id}`, value })
  for (const key of ['unmeasured', 'shunned']) {
    const ids = (await settings.get(key))?.value
    if (Array.isArray(ids)) for (const id of ids) await settings.put({ key: `${key}:${String(id)}`, value: true })
  }
  await settings.bulkDelete(['rates', 'unmeasured', 'shunned'])
}

/** Of version 17: what was cut for a piece, and the bows that are bought ready-made, had the id of the piece within a text. */
async function idsAsFields(step: Transaction): Promise<void> {
  await step
    .table<unknown>('lots')
    .toCollection()
    .modify((lot, ref) => {
      ref.value = wantOfItsPiece(lot)
    })
  const settings = step.table<{ readonly key: string; readonly value: unknown }, string>('settings')
  const season = await settings.get('season')
  if (!season) return
  const pieces = await step.table('pieces').toCollection().primaryKeys()
  await settings.put({ ...season, value: readyByPiece(season.value, pieces.map(String)) })
}
