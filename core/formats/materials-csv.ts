import Papa from 'papaparse'
import type { Material } from '../material'
import { FACINGS, FORMS_OF_PATCH, WEATHERS, HAZARDS, MATERIAL_KINDS, MaterialSchema, speciesNow, STATES, TEXTURES } from '../material'
import type { LengthUnits } from '../measure'
import { parseLength, pluralOf, toInches, trimZeros } from '../measure'
import type { TableColumn, Mapping, RowFault, Table } from './csv-table'
import { column, marked, plain, RowReader } from './csv-table'

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
  column('curve', 'Bends to', 'the tightest curve that its stem takes, a radius; empty is stiff', ['bends', 'curve', 'flexible']),
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

/** "9 berries; 2 leaves" */
const partsIn = (cells: RowReader): Material['parts'] =>
  cells
    .text('parts')
    .split(/[;\n]/)
    .map((part) => part.trim())
    .filter(Boolean)
    .flatMap((part) => {
      const found = /^(\d+)\s+(.+)$/.exec(part)
      if (!found) cells.wrong('parts', `“${part}” does not say how many of what: 9 berries.`)
      return found ? [{ name: found[2]!, count: Number(found[1]) }] : []
    })

/** How a table of materials is read. */
export interface MaterialsRead {
  readonly mapping: Mapping
  /** In which bare lengths are. */
  readonly units: LengthUnits
  /** All that can be drawn. */
  readonly species: ReadonlySet<string>
  /** An id for a name, another one each time. */
  readonly freshId: (name: string) => string
}

/** A row as a material, before it is checked as one. */
function materialIn(cells: RowReader, { mapping, units, species, freshId }: MaterialsRead) {
  const name = cells.text('name')
  if (!name) cells.wrong('name', 'is needed.')
  const kind = plain(cells.text('kind'))
  const known = (MATERIAL_KINDS as readonly string[]).includes(kind)
  if (!known) cells.wrong('kind', cells.text('kind') ? `“${cells.text('kind')}” is not one of ${MATERIAL_KINDS.join(', ')}.` : 'is needed.')
  const drawn = speciesNow(plain(cells.text('species'))) || (DRAWN_AS[kind as Material['kind']] ?? 'bay')
  if (!species.has(drawn)) cells.wrong('species', `nothing is drawn as “${drawn}”.`)
  const state = plain(cells.text('state'))
  return {
    id: cells.text('id') || (name ? freshId(name) : 'unnamed'),
    name: name || 'unnamed',
    plural: cells.text('plural') || pluralOf(name || 'unnamed'),
    kind: known ? kind : 'accent',
    species: drawn,
    form: plain(cells.text('form')) || (kind === 'sign' || kind === 'letter' ? 'board' : HEADS.has(kind) ? 'disc' : 'leaf'),
    length: cells.length('length', units),
    width: cells.length('width', units),
    mass: cells.number('mass'),
    state,
    texture: plain(cells.text('texture')),
    wired: cells.yes('wired'),
    curve: cells.text('curve') ? cells.length('curve', units) : null,
    facing: plain(cells.text('facing')),
    hardy: plain(cells.text('hardy')) || (state === 'dried' || state === 'preserved' || state === 'made' ? 'covered' : 'open'),
    divides: cells.yes('divides'),
    colours: cells.list('colours'),
    colour: tinted(mapping) ? cells.text('tint') || null : (cells.list('colours')[0] ?? null),
    pack: {
      name: cells.text('pack'),
      holds: cells.number('holds'),
      bunches: cells.number('bunches'),
      price: Math.round(cells.number('price') * 100),
    },
    parts: partsIn(cells),
    months: cells.list('months').map(Number),
    hazards: cells.list('hazards').map(plain),
  }
}

/** Makes materials of a table's rows. A row with anything wrong gives its faults and no material; the others come in. */
export function readMaterials({ rows }: Table, how: MaterialsRead): ReadMaterials {
  const materials: Material[] = []
  const faults: RowFault[] = []
  const made = new Map<string, number>()
  rows.forEach((row, i) => {
    const cells = new RowReader(MATERIAL_COLUMNS, how.mapping, row, i + 2, USUAL)
    const draft = materialIn(cells, how)
    if (made.has(draft.id)) cells.wrong('id', `“${draft.id}” stands in row ${made.get(draft.id)} already.`)
    const read = MaterialSchema.safeParse(draft)
    if (!read.success && !cells.faults.length)
      for (const { path, message } of read.error.issues)
        cells.wrong(columnOf(String(path.at(path[0] === 'pack' ? 1 : 0)), how.mapping), `${message}.`)
    faults.push(...cells.faults)
    if (cells.faults.length || !read.success) return
    made.set(read.data.id, cells.row)
    materials.push(read.data)
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
      curve: each.curve === null ? '' : exactly(each.curve, units),
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
