import { describe, expect, it } from 'vitest'
import { runsOf, usualBase } from '../base'
import { CATALOGUE, HAZARDS } from '../material'
import { say } from '../measure'
import type { Piece, Rule } from '../piece'
import { EACH, usualRule } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { CAUTIONS, fixingCautions, hangingCautions, hazardCautions } from './cautions'

const manner = { units: 'in', currency: 'USD' } as const
const steps = (piece: Piece) => work(piece, shelf).tasks
const full = pieceWith([
  layerOf('a', 'bay', { kind: 'compass', count: 6, start: 0 }, { cut: 152.4 }),
  layerOf('b', 'sea-holly', { kind: 'halfway', of: 'a' }),
  layerOf('c', 'wheat', { kind: 'crescent', from: 0.5, to: 0.75, count: 9, dense: 'middle', thin: 0.5 }, { flow: 'apart', seat: 0.625 }),
  layerOf('d', 'bow-slate', { kind: 'single', at: 0.5, drop: 0 }),
  layerOf('e', 'ticket-sign', { kind: 'single', at: 0, drop: 120 }),
])
const text = (piece: Piece): string =>
  steps(piece)
    .flatMap(({ title, says }) => [title, ...says.map((line) => say(line, manner))])
    .join('\n')

describe('tasksOf', () => {
  it('goes from the bare base to the daybook, layers in their order', () => {
    expect(steps(full).map(({ id }) => id)).toEqual([
      'base',
      'stems',
      'reserve',
      'layer:a',
      'layer:b',
      'layer:c',
      'layer:d',
      'layer:e',
      'look',
      'finish',
      'hang',
      'load',
      'record',
    ])
  })
  it('says counts, cut lengths, spacings and directions', () => {
    const all = text(full)
    expect(all).toContain('6 bay sprigs cut to 6 in: 2 from each stem.')
    expect(all).toContain('9 wheat ears, left whole.')
    expect(all).toContain('6¼ in apart on the rim, 5¼ in on the centre line.')
    expect(all).toContain('From 6:00 round to 9:00.')
    expect(all).toContain('They point away from 7:30 on both sides.')
    expect(all).toContain('Hang its middle 4¾ in below its place on two cords.')
    expect(all).not.toContain('undefined')
  })
  it('says where the hook of a base is, where it has one', () => {
    const base = (hook: number | null) => text(pieceWith([], { base: { ...usualBase('grapevine'), hook } }))
    expect(base(null)).not.toMatch(/hook is at/)
    expect(base(0.25)).toMatch(/Its hook is at 3:00\./)
  })
  it('takes for what is wound as long as its turns say', () => {
    const wound = pieceWith([layerOf('w', 'ribbon-slate', { kind: 'wound', pitch: 70, thick: 60, ends: 50, every: null })])
    const { tasks, layers } = work(wound, shelf)
    const time = layers[0]!.makeUp!.figures.find(({ id }) => id === 'time')!.figure
    expect(tasks.find(({ id }) => id === 'layer:w')!.hands).toEqual(time)
  })
  it('gives every placement a clock position, in the order in which hands come to it', () => {
    const [row] = steps(full).find(({ id }) => id === 'layer:a')!.places
    expect(row).toMatchObject({
      count: 6,
      name: 'bay sprigs',
      reads: null,
      // They point clockwise, so they are laid anticlockwise, up to the one at the seat.
      at: [['4:00'], ['2:00'], ['12:00'], ['10:00'], ['8:00'], ['6:00']],
    })
  })
  it('says where to begin and which way to go, so that each stem hides the cut end of the last', () => {
    const line = (rule: Rule, set: Partial<Piece['layers'][0]> = {}, base: Partial<Piece['base']> = {}) =>
      steps(pieceWith([layerOf('a', 'bay', rule, set)], { base }))
        .find(({ id }) => id === 'layer:a')!
        .says.map((words) => say(words, manner))
        .find((words) => /cut end/.test(words))
    const ring: Rule = { kind: 'compass', count: 6, start: 0 }
    const hides = 'each lies over the cut end of the last'
    expect(line(ring)).toBe(`Begin at 4:00 and go anticlockwise: ${hides}, and the last goes under the tips of the first.`)
    expect(line(ring, { flow: 'anticlockwise' })).toBe(
      `Begin at 8:00 and go clockwise: ${hides}, and the last goes under the tips of the first.`,
    )
    const crescent: Rule = { kind: 'crescent', from: 0.25, to: 0.75, count: 5, dense: 'middle', thin: 1 }
    expect(line(crescent)).toMatch(new RegExp(`^Begin at .* and go anticlockwise: ${hides}\\.$`))
    expect(line(ring, { flow: 'apart', seat: 0 })).toBe(`Left and right in turn, begin at 6:00 and end at 12:00: ${hides}.`)
    expect(line(ring, { flow: 'outward' })).toBeUndefined()
    expect(line({ kind: 'single', at: 0, drop: 0 })).toBe('Lay its cut end where something hides it.')
    const swag = usualBase('tree-swag')
    expect(line({ kind: 'compass', count: 3, start: 0 }, { run: EACH }, swag)).toMatch(/^On each, begin at .* and end at /)
    expect(line({ kind: 'arms', count: 6, from: 0, to: 1 }, { run: EACH }, swag)).toMatch(/^Left and right in turn, begin at /)
    // A ring with ribs: round the one, and along the others.
    const pear = usualBase('pear')
    expect(runsOf(pear).map((run) => run.closed)).toContain(false)
    expect(line({ ...ring, count: 12 }, { run: EACH }, pear)).toMatch(
      /^On the .*, begin at .* and go anticlockwise: .* the first\. On the others begin at the end to which they point\.$/,
    )
  })
  it('has no cutting step for a bare base, and leaves out layers with nothing in them', () => {
    expect(steps(pieceWith([])).map(({ id }) => id)).toEqual(['base', 'look', 'finish', 'hang', 'load', 'record'])
    expect(steps(pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 0, start: 0 })])).map(({ id }) => id)).not.toContain('layer:a')
  })
})

describe('cautions', () => {
  const cautionsOf = (piece: Piece) => steps(piece).flatMap(({ cautions }) => cautions)
  it('shows them where they apply and only there', () => {
    expect(cautionsOf(full)).toEqual(expect.arrayContaining(['prickly', 'cutting', 'pruners', 'behind', 'hanger']))
    expect(cautionsOf(full)).not.toContain('glue')
    const glued = { ...full, brief: { ...full.brief, weather: 'indoors' as const }, fixing: { ...full.fixing, school: 'glue' as const } }
    expect(cautionsOf(glued)).toContain('glue')
    const bare = pieceWith([], { base: usualBase('straw') })
    expect(cautionsOf(bare)).toEqual(['behind', 'hanger'])
    const pinned = pieceWith([layerOf('a', 'heather', { kind: 'compass', count: 6, start: 0 })], { base: usualBase('straw') })
    expect(cautionsOf(pinned)).not.toContain('glue')
  })
  it('warns of glue that burns and of glue that sets, each where it is taken, and of nothing else', () => {
    expect(fixingCautions(['glue-stick'])).toEqual(['glue'])
    expect(fixingCautions(['weather-glue'])).toEqual(['setting'])
    expect(fixingCautions(['glue-stick', 'weather-glue', 'zip-tie'])).toEqual(['glue', 'setting'])
    expect(fixingCautions(['zip-tie', 'paddle-wire'])).toEqual([])
  })
  it('warns of fire indoors, of blocked exits on doors', () => {
    const dry = Object.values(CATALOGUE).filter(({ state }) => state === 'dried')
    const indoors = pieceWith([], { brief: { weather: 'indoors' } })
    expect(hangingCautions(indoors, dry)).toContain('dry')
    expect(hangingCautions(indoors, [CATALOGUE['dahlia']!])).not.toContain('dry')
    // One dried thing among artificial ones burns as well, and out of doors nothing dries over a fire.
    expect(hangingCautions(indoors, [CATALOGUE['dahlia']!, dry[0]!])).toContain('dry')
    expect(hangingCautions(pieceWith([], { brief: { weather: 'covered' } }), dry)).not.toContain('dry')
    const made = Object.values(CATALOGUE).find(({ state }) => state === 'made')!
    expect(hangingCautions(indoors, [made])).not.toContain('dry')
    expect(hangingCautions(pieceWith([], { brief: { surface: { kind: 'door', colour: '#333333' } } }), [])).toContain('exit')
  })
  it('has words for every hazard on the shelf', () => {
    for (const hazard of HAZARDS) {
      for (const id of hazardCautions({ ...CATALOGUE['ivy']!, hazards: [hazard] })) expect(CAUTIONS[id].length).toBeGreaterThan(10)
    }
  })
})

describe('tools', () => {
  const toolsAt = (piece: Piece, kind: string) => steps(piece).find((task) => task.kind === kind)!.tools
  it('a nail wants a hammer, and what sticks or hooks over wants none', () => {
    const hung = (hook: 'nail' | 'suction cup' | 'over the door') => ({ ...full, hanger: { ...full.hanger!, hook } })
    expect(toolsAt(hung('nail'), 'hang')).toEqual(['hammer or drill'])
    for (const hook of ['suction cup', 'over the door'] as const) expect(toolsAt(hung(hook), 'hang')).toEqual([])
  })
  it('the back is finished with wire cutters where anything is wired, else with scissors', () => {
    const held = (fixing: 'stem wire' | 'zip tie', more: 'stem wire' | 'zip tie' = fixing) =>
      pieceWith([
        layerOf('a', 'pine-cone', { kind: 'compass', count: 3, start: 0 }, { fixing }),
        layerOf('b', 'pine-cone', { kind: 'compass', count: 3, start: 0.1 }, { fixing: more }),
      ])
    expect(toolsAt(held('stem wire'), 'finish')).toEqual(['wire cutters'])
    expect(toolsAt(held('zip tie', 'stem wire'), 'finish')).toEqual(['wire cutters'])
    expect(toolsAt(held('zip tie'), 'finish')).toEqual(['scissors'])
  })
  it('a maker’s own wire wants cutters and care like any other, whatever it is called', () => {
    const own = { ...shelf, materials: { ...shelf.materials, copper: { ...CATALOGUE['paddle-wire']!, id: 'copper' } } }
    const start = pieceWith([layerOf('a', 'bay', usualRule('bundles', ''))], { base: usualBase('straw') })
    for (const wire of [null, 'copper']) {
      const { tasks } = work({ ...start, fixing: { ...start.fixing, wire } }, own)
      expect(tasks.find(({ kind }) => kind === 'stems')!.tools, `${wire}`).toContain('wire cutters')
      expect(tasks.find(({ kind }) => kind === 'stems')!.cautions, `${wire}`).toContain('cutting')
    }
  })
})
