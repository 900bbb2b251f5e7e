import Papa from 'papaparse'
import type { Material } from '../material'
import { FACINGS, FORMS_OF_PATCH, WEATHERS, HAZARDS, MATERIAL_KINDS, MaterialSchema, speciesNow, STATES, TEXTURES } from '../material'
import type { LengthUnits } from '../measure'
import { parseLength, pluralOf, toInches, trimZeros } from '../measure'
import type { TableColumn, Mapping, RowFault, Table } from './csv-table'
import { column, marked, numberIn, plain } from './csv-table'

/** The columns of a table of materials, in the order in which they are written. */
export const MATERIAL_COLUMNS: readonly TableColumn[] = [
  column('name', 'Name', 'what one is called', ['material', 'item', 'title', 'description'], true),
  column('plural', 'Plural', 'what several are called', ['plural name']),
  column('kind', 'Kind', MATERIAL_KINDS.join(', '), ['type', 'category', 'sort'], true),
  column(
    'length',
    'Length',
    'a length with its unit, or in the table’s unit; for a head, its diameter',
    ['long', 'size', 'height', 'diameter'],
    true,
  ),
  column('width', 'Width', 'spread across', ['spread', 'across'], true),
  column('mass', 'Mass (g)', 'of one, in grams', ['mass', 'weight', 'weight (g)', 'grams']),
  column('state', 'State', STATES.join(', '), ['condition']),
  column('texture', 'Texture', TEXTURES.join(', ')),
  column('colours', 'Colours', '#rrggbb, the most of it first, separated by spaces', ['colour', 'color', 'colors']),
  column('tint', 'Tint', 'a colour over the drawing’s own, #rrggbb, or empty for none; without this column the first colour'),
  column('pack', 'Pack', 'bunch, bag, box …', ['pack name', 'sold as']),
  column('holds', 'In a pack', 'pieces', ['holds', 'pack size', 'count', 'pieces', 'qty']),
  column('bunches', 'Bunches', 'how many bunches they come in'),
  column('price', 'Price', 'of a pack, such as 8.99', ['cost', 'pack price', 'unit price']),
  column('wired', 'Wired', 'yes or no'),
  column('divides', 'Cut into tips', 'yes or no', ['divides', 'cut up']),
  column('facing', 'Facing', FACINGS.join(', ')),
  column('hardy', 'Stands', WEATHERS.join(', '), ['hardy', 'weather', 'hardiness']),
  column('months', 'Months', 'numbers from 1 to 12, separated by spaces; empty is all year', ['season', 'available']),
  column('hazards', 'Hazards', HAZARDS.join(', '), ['cautions', 'warnings']),
  column('parts', 'Comes apart into', 'what comes off one: 9 berries; 2 leaves', ['parts']),
  column('form', 'Covers as', FORMS_OF_PATCH.join(', '), ['form', 'shape']),
  column('species', 'Drawn as', 'the plant or thing that draws it', ['species', 'drawing']),
  column('id', 'Id', 'leave empty for a new material'),
]

export interface ReadMaterials {
  readonly materials: readonly Material[]
  readonly faults: readonly RowFault[]
}

const LIST = /[\s;,|]+/

/** What a row may leave out. */
const USUAL: Record<string, string> = {
  mass: '0',
  state: 'artificial',
  texture: 'medium',
  colours: '#5f7a4a',
  pack: 'piece',
  holds: '1',
  bunches: '1',
  price: '0',
  wired: 'no',
  divides: 'no',
  facing: 'all round',
  months: '',
  hazards: '',
}
const DRAWN_AS: Partial<Record<Material['kind'], string>> = {
  bough: 'fir',
  herb: 'juniper',
  stem: 'wheat',
  twig: 'birch',
  focal: 'dahlia',
  'second flower': 'daisy',
  filler: 'statice',
  accent: 'bauble',
  moss: 'moss',
  bow: 'bow-plain',
  sign: 'plank-sign',
  letter: 'letter-wood',
  figure: 'hare',
  light: 'light',
  garland: 'roping',
  ribbon: 'roll-plain',
  mesh: 'roll-mesh',
  bead: 'bead',
  mechanic: 'ties',
}
const HEADS: ReadonlySet<string> = new Set([
  'focal',
  'second flower',
  'accent',
  'moss',
  'bow',
  'figure',
  'garland',
  'ribbon',
  'mesh',
  'bead',
  'mechanic',
])

/**
 * Makes materials of a table's rows. A row with anything wrong gives its faults and no material; the others come in.
 * @param units in which bare lengths are @param freshId an id for a name, another one each time
 */
export function readMaterials(
  { rows }: Table,
  mapping: Mapping,
  units: LengthUnits,
  species: ReadonlySet<string>,
  freshId: (name: string) => string,
): ReadMaterials {
  const materials: Material[] = []
  const faults: RowFault[] = []
  const made = new Map<string, number>()
  rows.forEach((cells, i) => {
    const row = i + 2
    const own: RowFault[] = []
    const wrong = (id: string, says: string): void => {
      own.push({ row, column: MATERIAL_COLUMNS.find((each) => each.id === id)!.name, says })
    }
    const text = (id: string): string => {
      const at = mapping[id]
      return (at === null || at === undefined ? '' : (cells[at] ?? '').trim()) || (USUAL[id] ?? '')
    }
    const length = (id: string): number => {
      if (!text(id)) {
        wrong(id, 'is needed.')
        return 0
      }
      const read = parseLength(text(id), units)
      if (!read.ok) wrong(id, read.error)
      return read.ok ? read.value : 0
    }
    const number = (id: string): number => {
      const read = numberIn(text(id))
      if (!read.ok) wrong(id, read.error)
      return read.ok ? read.value : 0
    }
    const yes = (id: string): boolean => {
      const word = plain(text(id))
      if (!['yes', 'no', 'true', 'false', '1', '0', 'y', 'n'].includes(word)) wrong(id, `“${text(id)}” is neither yes nor no.`)
      return ['yes', 'true', '1', 'y'].includes(word)
    }
    const list = (id: string): string[] => text(id).split(LIST).filter(Boolean)
    const parts = (): Material['parts'] =>
      text('parts')
        .split(/[;\n]/)
        .map((each) => each.trim())
        .filter(Boolean)
        .flatMap((each) => {
          const found = /^(\d+)\s+(.+)$/.exec(each)
          if (!found) wrong('parts', `“${each}” does not say how many of what: 9 berries.`)
          return found ? [{ name: found[2]!, count: Number(found[1]) }] : []
        })
    const name = text('name')
    if (!name) wrong('name', 'is needed.')
    const kind = plain(text('kind'))
    const known = (MATERIAL_KINDS as readonly string[]).includes(kind)
    if (!known) wrong('kind', text('kind') ? `“${text('kind')}” is not one of ${MATERIAL_KINDS.join(', ')}.` : 'is needed.')
    const drawn = speciesNow(plain(text('species'))) || (DRAWN_AS[kind as Material['kind']] ?? 'bay')
    if (!species.has(drawn)) wrong('species', `nothing is drawn as “${drawn}”.`)
    const state = plain(text('state'))
    const draft = {
      id: text('id') || (name ? freshId(name) : 'unnamed'),
      name: name || 'unnamed',
      plural: text('plural') || pluralOf(name || 'unnamed'),
      kind: known ? kind : 'accent',
      species: drawn,
      form: plain(text('form')) || (kind === 'sign' || kind === 'letter' ? 'board' : HEADS.has(kind) ? 'disc' : 'leaf'),
      length: length('length'),
      width: length('width'),
      mass: number('mass'),
      state,
      texture: plain(text('texture')),
      wired: yes('wired'),
      facing: plain(text('facing')),
      hardy: plain(text('hardy')) || (state === 'dried' || state === 'preserved' || state === 'made' ? 'covered' : 'open'),
      divides: yes('divides'),
      colours: list('colours'),
      colour: tinted(mapping) ? text('tint') || null : (list('colours')[0] ?? null),
      pack: { name: text('pack'), holds: number('holds'), bunches: number('bunches'), price: Math.round(number('price') * 100) },
      parts: parts(),
      months: list('months').map(Number),
      hazards: list('hazards').map(plain),
    }
    if (made.has(draft.id)) wrong('id', `“${draft.id}” stands in row ${made.get(draft.id)} already.`)
    const read = MaterialSchema.safeParse(draft)
    if (!read.success && !own.length) {
      for (const { path, message } of read.error.issues)
        wrong(columnOf(String(path.at(path[0] === 'pack' ? 1 : 0)), mapping), `${message}.`)
    }
    if (own.length || !read.success) faults.push(...own)
    else {
      made.set(read.data.id, row)
      materials.push(read.data)
    }
  })
  return { materials, faults }
}

/** Whether a table has a column of its own for the tint. */
const tinted = ({ tint }: Mapping): boolean => typeof tint === 'number'

const columnOf = (field: string, mapping: Mapping): string =>
  field === 'name'
    ? 'pack'
    : field === 'colour'
      ? tinted(mapping)
        ? 'tint'
        : 'colours'
      : MATERIAL_COLUMNS.some(({ id }) => id === field)
        ? field
        : 'name'

/** A length in as few decimals as read back to the same. */
function exactly(mm: number, units: LengthUnits): string {
  const value = units === 'in' ? toInches(mm) : mm / 10
  for (let digits = 0; digits < 12; digits++) {
    const text = `${trimZeros(value.toFixed(digits))} ${units}`
    const back = parseLength(text, units)
    if (back.ok && back.value === mm) return text
  }
  return `${mm} mm`
}

/** A table of materials as text, lengths in the unit asked for. It reads back as it was. */
export function writeMaterials(materials: readonly Material[], units: LengthUnits): string {
  const yes = (value: boolean): string => (value ? 'yes' : 'no')
  const rows = materials.map((each) => {
    const cells: Record<string, string> = {
      name: each.name,
      plural: each.plural,
      kind: each.kind,
      length: exactly(each.length, units),
      width: exactly(each.width, units),
      mass: String(each.mass),
      state: each.state,
      texture: each.texture,
      colours: each.colours.join(' '),
      tint: each.colour ?? '',
      parts: each.parts.map(({ name, count }) => `${count} ${name}`).join('; '),
      pack: each.pack.name,
      holds: String(each.pack.holds),
      bunches: String(each.pack.bunches),
      price: (each.pack.price / 100).toFixed(2),
      wired: yes(each.wired),
      divides: yes(each.divides),
      facing: each.facing,
      hardy: each.hardy,
      months: each.months.join(' '),
      hazards: each.hazards.join(' '),
      form: each.form,
      species: each.species,
      id: each.id,
    }
    return MATERIAL_COLUMNS.map(({ id }) => marked(cells[id]!))
  })
  return `${Papa.unparse({ fields: MATERIAL_COLUMNS.map(({ name }) => name), data: rows })}\r\n`
}
