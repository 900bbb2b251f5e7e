import { BaseSchema, markOn, runsOf, topOf } from '../base'
import type { Currency } from '../measure'
import { CURRENCIES } from '../measure'
import { FORMAT, VERSION } from './schema'

type Document = Record<string, unknown>

const isObject = (value: unknown): value is Document => typeof value === 'object' && value !== null && !Array.isArray(value)
const asList = (value: unknown): unknown[] => (Array.isArray(value) ? value : [])

/** Version 1 knew rings only, six rules, and nudges along, across and by turning. What is not as it was then is left for the schema to refuse. */
function fromOne(document: Document): Document {
  const { base, brief, layers } = document
  return {
    ...document,
    brief: isObject(brief) ? { ...brief, balance: { school: 'even', towards: 0 } } : brief,
    base: isObject(base) ? ringBase(base) : base,
    layers: Array.isArray(layers) ? layers.map((layer) => (isObject(layer) ? fullLayer(layer) : layer)) : layers,
  }
}

function ringBase({ kind, outer, inner, colour, join, price }: Document): Document {
  return {
    kind,
    shape: { form: 'ring', outer, inner },
    colour,
    turn: 0,
    join: typeof join === 'number' ? join / 360 : join,
    hook: null,
    price,
    mass: null,
  }
}

function fullLayer(layer: Document): Document {
  const nudges = isObject(layer.nudges)
    ? Object.fromEntries(
        Object.entries(layer.nudges).map(([slot, nudge]) => [
          slot,
          isObject(nudge) ? { ...nudge, lift: 0, trim: null, pinned: false } : nudge,
        ]),
      )
    : layer.nudges
  return {
    ...layer,
    nudges,
    mix: asList(layer.mix).map((part) => (isObject(part) ? { ...part, only: null } : part)),
    mirrored: false,
    taper: 0,
    reserve: null,
    clear: false,
    hidden: false,
    locked: false,
    added: [],
    taken: [],
  }
}

/** Version 2 knew daylight only, and signs said what they came with. */
function fromTwo(document: Document): Document {
  const { brief, layers } = document
  return {
    ...document,
    brief: isObject(brief) ? { ...brief, light: 'day' } : brief,
    layers: Array.isArray(layers) ? layers.map((layer) => (isObject(layer) ? { ...layer, words: null } : layer)) : layers,
  }
}

/** Version 3 bound bundles on the front only. */
function fromThree(document: Document): Document {
  const faced = (layer: unknown): unknown =>
    isObject(layer) && isObject(layer.rule) && layer.rule.kind === 'bundles' ? { ...layer, rule: { ...layer.rule, faces: 1 } } : layer
  return { ...document, layers: Array.isArray(document.layers) ? document.layers.map(faced) : document.layers }
}

/** Version 4 made all loops of a hand's bow by one length. */
function fromFour(document: Document): Document {
  const grouped = (ribbon: unknown): unknown => (isObject(ribbon) && ribbon.build === 'hand' ? { ...ribbon, groups: null } : ribbon)
  const bowed = (layer: unknown): unknown =>
    isObject(layer) && isObject(layer.rule) && layer.rule.kind === 'bow' && Array.isArray(layer.rule.ribbons)
      ? { ...layer, rule: { ...layer.rule, ribbons: layer.rule.ribbons.map(grouped) } }
      : layer
  return { ...document, layers: Array.isArray(document.layers) ? document.layers.map(bowed) : document.layers }
}

/** What ties a bow was named by itself; now it is the material. */
const TIED_NOW: Readonly<Record<string, string>> = {
  'stem wire': 'stem-wire-20',
  'paddle wire': 'paddle-wire',
  'pipe cleaner': 'pipe-cleaner',
  'zip tie': 'zip-tie',
  'own ribbon': 'own-ribbon',
}

/** Version 5 had a currency of its own, which is the workroom's, and names of its own for what ties a bow. */
function fromFive(document: Document): Document {
  const { brief, layers } = document
  const tied = (layer: unknown): unknown => {
    if (!isObject(layer) || !isObject(layer.rule) || layer.rule.kind !== 'bow') return layer
    const { tied: before } = layer.rule
    return {
      ...layer,
      rule: { ...layer.rule, tied: typeof before === 'string' && Object.hasOwn(TIED_NOW, before) ? TIED_NOW[before] : before },
    }
  }
  return {
    ...document,
    brief: isObject(brief) ? Object.fromEntries(Object.entries(brief).filter(([name]) => name !== 'currency')) : brief,
    layers: Array.isArray(layers) ? layers.map(tied) : layers,
  }
}

const GARLANDS: ReadonlySet<unknown> = new Set(['door-garland', 'mantel-garland', 'rail-garland', 'scallops'])

/** A hanger was a loop of twine at the top, unless the base had a hook of its own or a route to hang on; what it hung on was not asked. */
function hangerBefore(base: Document, brief: Document): Document | null {
  const glass = isObject(brief.surface) && brief.surface.kind === 'glass'
  const hooked = typeof base.hook === 'number'
  const read = BaseSchema.safeParse(base)
  if (!read.success) return null
  const top = topOf(runsOf(read.data))
  return {
    loop: GARLANDS.has(base.kind) ? 'tied' : hooked ? 'own hook' : 'twine loop',
    hook: GARLANDS.has(base.kind) ? 'route hooks' : glass ? 'suction cup' : 'nail',
    run: hooked ? runsOf(read.data)[0]!.id : top.run.id,
    at: hooked ? markOn(read.data, runsOf(read.data), read.data.hook!).s / runsOf(read.data)[0]!.length : top.s / top.run.length,
    gap: 0,
    rise: null,
    rated: null,
    clear: null,
  }
}

/** What was usual when each came in: not what is by now. */
const UNPREPARED_IN_SEVEN = { paint: null, seal: 0, clean: 'none', joined: false, from: null }
const FIXING_IN_SEVEN = { school: 'as suits', keep: 'for good', wire: null }
const MAKING_IN_SEVEN = { day: null, hangs: null, hanger: 'last', bow: 'last', base: UNPREPARED_IN_SEVEN, own: [], order: [], accepted: [] }
const ASKING_IN_EIGHT = { claims: [], school: 'materials and time, marked up', market: null }

/** Version 6 knew nothing of how a piece is fixed, weighed and hung, nor of what is done when. */
function fromSix(document: Document): Document {
  const { layers, base, brief } = document
  const held = (layer: unknown): unknown =>
    isObject(layer) ? { ...layer, fixing: null, backup: null, prepared: UNPREPARED_IN_SEVEN } : layer
  return {
    ...document,
    layers: Array.isArray(layers) ? layers.map(held) : layers,
    fixing: FIXING_IN_SEVEN,
    hanger: isObject(base) && isObject(brief) ? hangerBefore(base, brief) : null,
    making: MAKING_IN_SEVEN,
    weighed: [],
  }
}

/** Version 7 said nothing of what is claimed of its cost and asked for it. */
const fromSeven = (document: Document): Document => ({ ...document, asking: ASKING_IN_EIGHT })

/** Version 8 knew no recipe. */
const fromEight = (document: Document): Document => ({
  ...document,
  making: isObject(document.making) ? { ...document.making, recipe: null } : document.making,
})

/** Version 9 claimed nothing of some lines alone, and nothing waited for a task of one's own. */
const fromNine = (document: Document): Document => {
  const { asking, making } = document
  const each = (list: unknown, set: Document): unknown =>
    Array.isArray(list) ? list.map((one) => (isObject(one) ? { ...one, ...set } : one)) : list
  return {
    ...document,
    asking: isObject(asking) ? { ...asking, claims: each(asking.claims, { lines: null }) } : asking,
    making: isObject(making) ? { ...making, own: each(making.own, { before: null }) } : making,
  }
}

/** Version 10 knew nothing that lies on other things: all that it has is as it was. */
const fromTen = (document: Document): Document => document

/** Version 11 had no parts made beforehand. */
const fromEleven = (document: Document): Document => ({ ...document, parts: [] })

/** Version 12 knew swags of trees that are tied, and no other. */
function fromTwelve(document: Document): Document {
  const tied = (base: unknown): unknown =>
    isObject(base) && isObject(base.shape) && base.shape.form === 'swag' ? { ...base, shape: { ...base.shape, joined: 'ties' } } : base
  const parts: unknown = Array.isArray(document.parts)
    ? document.parts.map((part: unknown) => (isObject(part) ? { ...part, base: tied(part.base) } : part))
    : document.parts
  return { ...document, base: tied(document.base), parts }
}

/**
 * Version 13 laid every stem straight and as long as the next; what held a laid strand, bound a spray and shortened a jig's loops was
 * one thing each; a run of an own outline was known by its place among them.
 */
function fromThirteen(document: Document): Document {
  const each = (list: unknown, set: (one: Document, i: number) => Document): unknown =>
    Array.isArray(list) ? list.map((one: unknown, i) => (isObject(one) ? set(one, i) : one)) : list
  const rule = (of: unknown): unknown => {
    if (!isObject(of)) return of
    if (of.kind === 'laid') return { ...of, held: 'as suits' }
    if (of.kind === 'spray') return { ...of, tied: 'wire' }
    return of.kind === 'bow' ? { ...of, ribbons: each(of.ribbons, (one) => (one.build === 'rag' ? { ...one, taper: 0 } : one)) } : of
  }
  const design = (of: Document): Document => ({
    ...of,
    base:
      isObject(of.base) && isObject(of.base.shape) && of.base.shape.form === 'outline'
        ? { ...of.base, shape: { ...of.base.shape, strokes: each(of.base.shape.strokes, (one, i) => ({ id: `run-${i + 1}`, ...one })) } }
        : of.base,
    layers: each(of.layers, (layer) => ({ ...layer, rule: rule(layer.rule), bend: 'straight', uneven: 0 })),
  })
  const { materials, brief } = document
  return {
    ...design(document),
    brief: isObject(brief) ? { ...brief, hand: 'loose' } : brief,
    parts: each(document.parts, design),
    ...(materials === undefined ? {} : { materials: each(materials, (one) => ({ curve: null, ...one })) }),
  }
}

/** The currency that a document of an older version says its money is in; null when it says none that is known. */
export function moneyOf(input: unknown): Currency | null {
  if (!isObject(input) || !isObject(input.brief)) return null
  const { currency } = input.brief
  return CURRENCIES.find((each) => each === currency) ?? null
}

/**
 * Steps that bring an older document up by one version each: `STEPS[1]` makes version 2 of version 1. They are of the past: none
 * calls what today's version may change, but for where the top of a base is, which documents of every version in
 * tests/reference/versions hold to what it was.
 */
const STEPS: Record<number, (document: Document) => Document> = {
  1: fromOne,
  2: fromTwo,
  3: fromThree,
  4: fromFour,
  5: fromFive,
  6: fromSix,
  7: fromSeven,
  8: fromEight,
  9: fromNine,
  10: fromTen,
  11: fromEleven,
  12: fromTwelve,
  13: fromThirteen,
}

export type Migrated =
  | { readonly ok: true; readonly document: Record<string, unknown> }
  | { readonly ok: false; readonly path: readonly string[]; readonly error: string }

/** Recognises a document of ours and brings it to today's version; its contents are not checked here. */
export function migrate(input: unknown): Migrated {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) {
    return { ok: false, path: [], error: 'This is not a piece: the file holds no object.' }
  }
  let document = input as Record<string, unknown>
  if (document.format !== FORMAT) {
    return { ok: false, path: ['format'], error: `This is not one of our pieces: “format” should be “${FORMAT}”.` }
  }
  const version = document.version
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return { ok: false, path: ['version'], error: '“version” should be a whole number from 1.' }
  }
  if (version > VERSION) {
    return {
      ok: false,
      path: ['version'],
      error: `This piece was written by a newer version of the app (format ${version}; this app reads up to ${VERSION}).`,
    }
  }
  for (let from = version; from < VERSION; from++) document = { ...STEPS[from]!(document), version: from + 1 }
  return { ok: true, document }
}
