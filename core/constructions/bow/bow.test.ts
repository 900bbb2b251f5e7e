import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bowAcross, bowMoves, handLoops, ragLoops, ribbonReach, tailReach } from '../../placement'
import { inches, say, showSum } from '../../measure'
import type { Layer, Ribbon, RibbonOf, RuleOf } from '../../piece'
import { BUILDS, edit, LOOP_MEANS, MOST_LOOPS, usualRibbon, usualRule } from '../../piece'
import { benchOf, handBow, layerOf, pieceWith, shelf, takesOf, usesOf } from '../../testing'
import { work } from '../../workings'
import { bowPieces, cutIn, largest, meantBy, ribbonFigures, ribbonOf, sized, sizeOf, withOneMore } from '.'

const manner = { units: 'in', currency: 'USD' } as const

const mm = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true })
const many = fc.integer({ min: 1, max: 40 })
const ribbons = fc.oneof(
  fc.record<RibbonOf<'hand'>>({
    build: fc.constant('hand'),
    loops: many,
    loop: mm(10, 400),
    taper: mm(0, 1),
    groups: fc.option(fc.array(fc.record({ loops: many, loop: mm(10, 400) }), { minLength: 1, maxLength: 3 })),
    tails: fc.tuple(mm(0, 900), mm(0, 900)),
    centre: mm(0, 200),
    twist: mm(0, 30),
  }),
  fc.record<RibbonOf<'strips'>>({ build: fc.constant('strips'), strips: many, loop: mm(10, 400), tail: mm(0, 300) }),
  fc.record<RibbonOf<'rag'>>({
    build: fc.constant('rag'),
    strips: many,
    strip: mm(900, 3000),
    overhang: mm(0, 60),
    loop: mm(10, 390),
    taper: fc.constantFrom(0, 0.3),
  }),
  fc.record<RibbonOf<'coil'>>({ build: fc.constant('coil'), layers: many, flat: mm(20, 500) }),
  fc.record<RibbonOf<'flat'>>({ build: fc.constant('flat'), rounds: many, width: mm(20, 500), strip: mm(0, 200) }),
  fc.record<RibbonOf<'folded'>>({ build: fc.constant('folded'), loop: mm(10, 400), tail: mm(0, 500), strip: mm(0, 200) }),
)
const means = fc.constantFrom(...LOOP_MEANS)

describe('the ribbon in a bow', () => {
  it('made by hand is tails, loops, centre and twists, in both senses of a loop', () => {
    expect(ribbonOf(handBow(), 'visible') / 25.4).toBeCloseTo(116)
    expect(ribbonOf(handBow(), 'ribbon used') / 25.4).toBeCloseTo(68)
    expect(ribbonOf(handBow({ centre: inches(4), twist: inches(0.5) }), 'visible') / 25.4).toBeCloseTo(124)
    const [ribbon] = ribbonFigures({ ribbon: handBow(), means: 'visible', hem: 0, roll: inches(360), at: 0 })
    expect(showSum(ribbon!.figure, manner)).toBe('tails 10 in + 10 in + 8 loops × 12 in = 116 in')
  })
  it('by every other build is what its pieces come to', () => {
    const inch = (ribbon: Ribbon, hem = 0) =>
      bowPieces(ribbon, 'visible', inches(hem)).map(({ length, count }) => [Math.round((length / 25.4) * 100) / 100, count])
    expect(inch({ build: 'strips', strips: 3, loop: inches(4), tail: inches(5) })).toEqual([[26, 3]])
    expect(inch({ build: 'strips', strips: 3, loop: inches(4), tail: inches(5) }, 0.5)).toEqual([[27, 3]])
    expect(inch({ build: 'rag', strips: 2, strip: inches(40), overhang: inches(1), loop: inches(4.75), taper: 0 })).toEqual([[40, 2]])
    expect(inch({ build: 'coil', layers: 9, flat: inches(10) })).toEqual([[90, 1]])
    expect(inch({ build: 'flat', rounds: 3, width: inches(7), strip: inches(4) })).toEqual([
      [14, 3],
      [4, 1],
    ])
    expect(inch({ build: 'folded', loop: inches(4), tail: inches(8), strip: inches(3) })).toEqual([
      [16, 1],
      [16, 1],
      [3, 1],
    ])
    expect(inch(handBow({ tails: [0, 0], loops: 1, loop: inches(1) }), 1)).toEqual([[4, 1]])
  })
  it('loops grow shorter pair by pair when it tapers', () => {
    expect(handLoops({ loops: 5, loop: 100, taper: 0.5, groups: null })).toEqual([100, 100, 75, 75, 50])
    expect(handLoops({ loops: 1, loop: 100, taper: 0.5, groups: null })).toEqual([100])
  })
})

describe('the inverse', () => {
  it('the largest size that a roll gives takes all of the roll, for every build', () => {
    fc.assert(
      fc.property(ribbons, means, mm(100, 30_000), fc.constantFrom(0, 12), (ribbon, sense, roll, hem) => {
        const size = largest(ribbon, sense, roll, hem)
        if (size === null) expect(ribbonOf(sized(ribbon, 0, sense), sense, hem)).toBeGreaterThanOrEqual(roll)
        else expect(ribbonOf(sized(ribbon, size, sense), sense, hem)).toBeCloseTo(roll, 4)
      }),
      { numRuns: 400 },
    )
  })
  it('its own size gives the ribbon it takes, and that size again', () => {
    fc.assert(
      fc.property(ribbons, means, (ribbon, sense) => {
        const used = ribbonOf(ribbon, sense)
        const again = sized(ribbon, sizeOf(ribbon), sense)
        // A strip in a jig has a rest beyond its whole loops: sized, it has none.
        if (ribbon.build !== 'rag') {
          expect(again).toEqual(ribbon)
          expect(largest(ribbon, sense, used)).toBeCloseTo(sizeOf(ribbon), 5)
        } else if (ragLoops(ribbon, sense) > 0) expect(ragLoops(again as RibbonOf<'rag'>, sense)).toBe(ragLoops(ribbon, sense))
      }),
    )
  })
  it('tells from a finished bow which sense was meant', () => {
    fc.assert(
      fc.property(ribbons, means, (ribbon, sense) => {
        if (ribbon.build === 'hand' || ribbon.build === 'strips' || ribbon.build === 'folded')
          expect(meantBy(ribbon, ribbonOf(ribbon, sense)).means).toBe(sense)
      }),
    )
    expect(meantBy(handBow(), inches(116)).off).toEqual({ visible: expect.closeTo(0), 'ribbon used': expect.closeTo(inches(-48)) })
  })
  it('one more of what it has takes more ribbon, and a folded bow has no more', () => {
    fc.assert(
      fc.property(ribbons, means, (ribbon, sense) => {
        const more = withOneMore(ribbon)
        if (more) expect(ribbonOf(more.ribbon, sense)).toBeGreaterThan(ribbonOf(ribbon, sense) - 1e-9)
        else expect(ribbon.build).toBe('folded')
      }),
    )
  })
})

describe('a bow as it lies', () => {
  it('reaches across twice its longest loop, in the sense that was said', () => {
    expect(bowAcross([handBow()], 'visible') / 25.4).toBeCloseTo(12)
    expect(bowAcross([handBow()], 'ribbon used') / 25.4).toBeCloseTo(6)
    expect(
      bowAcross(
        [
          handBow({ loop: inches(3) }),
          { build: 'coil', layers: 5, flat: inches(9) },
          { build: 'flat', rounds: 2, width: inches(7), strip: 0 },
        ],
        'visible',
      ) / 25.4,
    ).toBeCloseTo(9)
  })
  it('is made move by move: every loop and tail once, none longer than said, and as many each side', () => {
    for (const build of BUILDS) {
      for (const sense of LOOP_MEANS) {
        const ribbon = usualRibbon(build)
        const moves = bowMoves([ribbon], sense)
        expect(moves.length).toBeGreaterThan(1)
        const loops = moves.filter(({ what }) => what === 'loop')
        for (const { length } of loops) expect(length).toBeLessThanOrEqual(ribbonReach(ribbon, sense) + 1e-9)
        const right = loops.filter(({ angle }) => Math.cos((angle * Math.PI) / 180) > 0).length
        expect(Math.abs(loops.length - 2 * right)).toBeLessThanOrEqual(1)
        if (build === 'hand' || build === 'strips' || build === 'folded')
          expect(Math.max(...moves.filter(({ what }) => what === 'tail').map(({ length }) => length))).toBeCloseTo(tailReach([ribbon]))
      }
    }
    expect(bowMoves([handBow()], 'visible').map(({ what }) => what)).toEqual(['tail', ...Array.from({ length: 8 }, () => 'loop'), 'tail'])
  })
  it('strips have a loop and a tail to each side, and no tail where none was left', () => {
    const strips = (tail: number) => bowMoves([{ build: 'strips', strips: 3, loop: 100, tail }], 'visible').map(({ what }) => what)
    expect(strips(80)).toEqual(Array.from({ length: 3 }, () => ['tail', 'loop', 'loop', 'tail']).flat())
    expect(strips(0)).toEqual(Array.from({ length: 6 }, () => 'loop'))
  })
  it('a coil of an odd number of layers has as many loops right as left, of an even number one less', () => {
    const sides = (layers: number) =>
      bowMoves([{ build: 'coil', layers, flat: 200 }], 'visible')
        .map(({ angle }) => Math.sign(Math.cos((angle * Math.PI) / 180)))
        .reduce((a, b) => a + b, 0)
    for (const layers of [3, 5, 9, 21]) expect(sides(layers)).toBe(0)
    for (const layers of [2, 4, 8, 20]) expect(sides(layers)).toBe(1)
  })
  it('the later ribbons of a stack come after those behind them', () => {
    const moves = bowMoves([handBow(), handBow({ loop: inches(4) }), handBow({ loop: inches(3) })], 'visible')
    expect(moves.map(({ ribbon }) => ribbon)).toEqual([...moves.map(({ ribbon }) => ribbon)].sort())
  })
  it('never loses its footing on what is asked', () => {
    fc.assert(
      fc.property(ribbons, means, (ribbon, sense) => {
        for (const move of bowMoves([ribbon], sense)) expect([move.angle, move.length, move.open].every(Number.isFinite)).toBe(true)
        for (const { figure } of ribbonFigures({ ribbon, means: sense, hem: 0, roll: 9144, at: 0 }))
          expect(Number.isFinite(figure.value)).toBe(true)
      }),
    )
    expect(
      bowMoves([{ build: 'rag', strips: MOST_LOOPS, strip: 5000, overhang: 0, loop: 5, taper: 0 }], 'visible').length,
    ).toBeLessThanOrEqual(120)
  })
  it('V and slant take half and all of the width', () =>
    expect([cutIn('v', 60), cutIn('slant', 60), cutIn('hem', 60)]).toEqual([30, 60, 0]))
})

const bowRule = (set: Partial<RuleOf<'bow'>> = {}): RuleOf<'bow'> => ({
  ...(usualRule('bow', '') as RuleOf<'bow'>),
  means: 'visible',
  ribbons: [handBow({ loops: 4, loop: inches(3), twist: inches(0.5) })],
  ...set,
})
const ringWith = (rule: RuleOf<'bow'>, materials = ['ribbon-slate']): ReturnType<typeof pieceWith> =>
  pieceWith(
    [layerOf('bow', materials[0]!, rule, { mix: materials.map((material) => ({ material, share: 1, only: null })) } as Partial<Layer>)],
    { ring: { outer: inches(24), inner: inches(18) } },
  )
const saidOf = (piece: ReturnType<typeof pieceWith>) =>
  work(piece, shelf).problems.map((problem) => ({ ...problem, text: say(problem.says, manner) }))

describe('a bow on a piece', () => {
  it('waits until its maker has said what a loop means: it is asked, and not assumed', () => {
    const piece = ringWith(bowRule({ means: null }))
    const worked = work(piece, shelf)
    expect(worked.placements).toEqual([])
    expect(worked.layers[0]!.makeUp).toBeNull()
    const ask = saidOf(piece).find(({ id }) => id === 'bow:means')!
    expect(ask).toMatchObject({ severity: 'fault', text: 'What does a loop of 3 in mean? The bow waits for that.' })
    expect(ask.mends.map(({ says }) => say(says, manner))).toEqual(['It shows 3 in and uses 6 in', 'It uses 3 in and shows 1½ in'])
    const answered = ask.mends.map(({ edit: how }) => edit(piece, how!, 'say'))
    expect(answered.map((each) => each.ok && (each.change.piece.layers[0]!.rule as RuleOf<'bow'>).means)).toEqual([
      'visible',
      'ribbon used',
    ])
  })
  it('is not asked where nothing hangs on it: a coil has no loop to mean', () => {
    const piece = ringWith(bowRule({ means: null, ribbons: [{ build: 'coil', layers: 9, flat: inches(6) }] }))
    expect(work(piece, shelf).placements).toHaveLength(1)
    expect(saidOf(piece).map(({ id }) => id)).not.toContain('bow:means')
  })
  it('takes its pieces from its ribbons, each for itself, and its tie', () => {
    const three = bowRule({
      ribbons: [handBow({ loop: inches(5) }), handBow({ loop: inches(4), loops: 6 }), { build: 'coil', layers: 5, flat: inches(6) }],
      tied: 'paddle-wire',
    })
    const {
      layers: [layer],
      placements: [bow],
      bill,
    } = benchOf(ringWith(three, ['ribbon-slate', 'ribbon-ochre', 'ribbon-plum']), shelf)
    const { title } = layer!.makeUp!
    const takes = takesOf(layer!.makeUp!)
    expect(title).toBe('bow of slate-blue ribbon, ochre ribbon and plum velvet ribbon')
    expect(takes.map(({ material, length }) => [material, Math.round(length / 25.4)])).toEqual([
      ['ribbon-slate', 100],
      ['ribbon-ochre', 68],
      ['ribbon-plum', 30],
      ['paddle-wire', 18],
    ])
    expect(bow!.length).toBeCloseTo(inches(10))
    expect(bill.lines.filter(({ of }) => of === 'length').map(({ id, packs }) => [id, packs.value])).toEqual(
      expect.arrayContaining([
        ['ribbon-slate', 1],
        ['ribbon-ochre', 1],
        ['ribbon-plum', 1],
      ]),
    )
  })
  it('the sheet says where it sits', () => {
    const [making, step] = work(ringWith(bowRule({ at: 5 / 12 })), shelf).tasks.filter(({ layer }) => layer === 'bow')
    expect([making!.title, step!.title]).toEqual(['Make the bow of slate-blue ribbon', 'Fix the bow of slate-blue ribbon'])
    expect(step!.says.map((each) => say(each, manner))).toContain('It sits at 5:00.')
  })
  it('its wires fix it too, or it takes one more', () => {
    const uses = (fixes: boolean) =>
      usesOf({ needs: work(ringWith(bowRule({ fixes })), shelf).needs.filter(({ layer }) => layer === 'bow') }).map(({ use, count }) => [
        use,
        count,
      ])
    expect(uses(true)).toEqual([['tie of the bow', 1]])
    // In two places, a wire to each.
    expect(uses(false)).toEqual([
      ['tie of the bow', 1],
      ['fixing', 2],
    ])
  })
  it('what ties it of its own ribbon is counted in it, and in the bows that a roll gives', () => {
    const figureOf = (tied: 'own-ribbon' | 'stem-wire-20', id: string) =>
      work(
        ringWith(bowRule({ tied, ribbons: [handBow({ loops: 8, loop: inches(6), twist: 0.1 })] })),
        shelf,
      ).layers[0]!.makeUp!.figures.find((each) => each.id === id)!.figure
    expect(figureOf('own-ribbon', 'ribbon:0').value - figureOf('stem-wire-20', 'ribbon:0').value).toBeCloseTo(inches(10))
    expect(showSum(figureOf('own-ribbon', 'ribbon:0'), manner)).toMatch(/ \+ 10 in to tie it = 126.03 in$/)
    expect([figureOf('stem-wire-20', 'bows:0').value, figureOf('own-ribbon', 'bows:0').value]).toEqual([3, 2])
  })
  it.each([
    [1, 'A coil of one layer has no loop.', 3],
    [2, /2 layers leaves one side/, 3],
    [60, /60 layers leaves one side/, 59],
  ])('a coil of %d layers is mended to %s', (layers, text, mended) => {
    const piece = ringWith(bowRule({ ribbons: [{ build: 'coil', layers, flat: inches(5) }] }))
    const found = saidOf(piece).find(({ id }) => id === 'bow:even:0')!
    expect(found.text).toMatch(text)
    expect(say(found.mends[0]!.says, manner)).toBe(`Wind ${mended}`)
    const after = edit(piece, found.mends[0]!.edit!, 'mend')
    expect(after.ok && (after.change.piece.layers[0]!.rule as RuleOf<'bow'>).ribbons[0]).toMatchObject({ layers: mended })
  })
  it('over a window its tails have no floor to reach', () => {
    const base = ringWith(bowRule())
    const glass = { ...base, brief: { ...base.brief, surface: { ...base.brief.surface, kind: 'glass' as const } } }
    expect(work(glass, shelf).layers[0]!.makeUp!.figures.some(({ id }) => id === 'floor')).toBe(false)
  })
  it('says where its tails end, and when they lie on the floor', () => {
    const floor = (tail: number) =>
      work(
        ringWith(bowRule({ ribbons: [handBow({ loops: 2, loop: inches(3), tails: [inches(tail), 0], twist: 1 })] })),
        shelf,
      ).layers[0]!.makeUp!.figures.find(({ id }) => id === 'floor')!.figure.value / 25.4
    expect(floor(10)).toBeCloseTo(80 * 0.7 - 10.5 - 10, 1)
    const long = ringWith(bowRule({ ribbons: [handBow({ loops: 2, loop: inches(3), tails: [inches(60), 0], twist: 1 })] }))
    expect(saidOf(long).find(({ id }) => id === 'bow:tails')).toMatchObject({
      severity: 'fault',
      text: expect.stringContaining('The tails would lie on the floor'),
    })
  })
  it.each([
    [
      'loops longer than the ribbon',
      bowRule({ ribbons: [handBow({ loop: inches(40), twist: 1 })] }),
      'bow:long:0',
      /takes a piece of .* the roll of slate-blue ribbon has 360 in/,
    ],
    [
      'a strip too short for its loops',
      bowRule({ ribbons: [{ build: 'rag', strips: 2, strip: inches(8), overhang: inches(1), loop: inches(4), taper: 0 }] }),
      'bow:rag:0',
      /do not go into a strip of 8 in/,
    ],
    [
      'a coil of even layers',
      bowRule({ ribbons: [{ build: 'coil', layers: 8, flat: inches(8) }] }),
      'bow:even:0',
      /leaves one side a loop short/,
    ],
    ['one-sided ribbon without twist', bowRule({ ribbons: [handBow({ loop: inches(3) })] }), 'bow:twist:0', /has a back/],
  ])('%s is told in words, with a mend that mends it', (_name, rule, id, text) => {
    const piece = ringWith(rule)
    const found = saidOf(piece).find((each) => each.id === id)!
    expect(found.text).toMatch(text)
    const mended = edit(piece, found.mends[0]!.edit!, 'mend')
    expect(mended.ok).toBe(true)
    if (mended.ok) expect(saidOf(mended.change.piece).map((each) => each.id)).not.toContain(id)
  })
})

// By hand: each sum is worked in the comment beside it.
describe('worked bows', () => {
  const figuresOf = (rule: RuleOf<'bow'>, materials?: string[], on = shelf) =>
    work(ringWith(rule, materials), on).layers[0]!.makeUp!.figures
  const value = (figures: ReturnType<typeof figuresOf>, id: string) => figures.find((each) => each.id === id)?.figure.value
  const rollOf = (long: number) => ({
    ...shelf,
    materials: { ...shelf.materials, 'ribbon-slate': { ...shelf.materials['ribbon-slate']!, length: inches(long) } },
  })
  const plain = { taper: 0, groups: null, tails: [0, 0] as [number, number], centre: 0, twist: 0 }

  it('nine of 12 in come from a roll of 108 in, with nothing over', () => {
    const rule = bowRule({ ribbons: [{ ...plain, build: 'hand', loops: 9, loop: inches(12) }], means: 'ribbon used' })
    const figures = figuresOf(rule, undefined, rollOf(108))
    expect(value(figures, 'bows:0')).toBe(1)
    expect(showSum(figures.find(({ id }) => id === 'bows:0')!.figure, manner)).toContain(', 0 in over')
    expect(work(ringWith(rule), rollOf(108)).problems.filter(({ id }) => id === 'bow:long:0')).toEqual([])
  })
  it('two ribbons of one bow from the same roll are counted together', () => {
    // 6 × 10 + 2 × 8 = 76 in: of a roll of 240 in three bows, not four and fifteen.
    const two = bowRule({
      ribbons: [
        { ...plain, build: 'hand', loops: 6, loop: inches(5) },
        { ...plain, build: 'hand', loops: 2, loop: inches(4) },
      ],
    })
    const figures = figuresOf(two, ['ribbon-slate', 'ribbon-slate'], rollOf(240))
    expect([value(figures, 'bows:0'), value(figures, 'bows:1')]).toEqual([3, 3])
    expect(value(figuresOf(two, ['ribbon-slate', 'ribbon-russet'], rollOf(240)), 'bows:0')).toBe(4)
  })
  it('a bow of strips says how many strips it takes', () => {
    // Three strips of 40 in, sold in strips of 40 in.
    const figures = figuresOf(
      bowRule({ ribbons: [{ build: 'rag', strips: 3, strip: inches(40), overhang: inches(1), loop: inches(4.75), taper: 0 }] }),
      undefined,
      rollOf(40),
    )
    expect([value(figures, 'rolls:0'), value(figures, 'bows:0')]).toEqual([3, undefined])
  })
  it('loops of unequal length go by their list', () => {
    // 3 at 5, 3 at 5, 1 at 4, visible: 2 × (15 + 15 + 4) = 68 in; reaches 5 in.
    const ribbon = handBow({
      groups: [
        { loops: 3, loop: inches(5) },
        { loops: 3, loop: inches(5) },
        { loops: 1, loop: inches(4) },
      ],
      tails: [0, 0],
    })
    expect(ribbonOf(ribbon, 'visible') / 25.4).toBeCloseTo(68, 9)
    expect(ribbonReach(ribbon, 'visible') / 25.4).toBeCloseTo(5, 9)
    expect(
      bowMoves([ribbon], 'visible')
        .filter(({ what }) => what === 'loop')
        .map(({ length }) => Math.round(length / 25.4)),
    ).toEqual([5, 5, 5, 5, 5, 5, 4])
    expect(sizeOf(sized(ribbon, inches(10), 'visible')) / 25.4).toBeCloseTo(10, 9)
  })
  it('loose tails and folded fill-ins take what they take', () => {
    expect(ribbonOf({ build: 'tails', tails: 3, tail: inches(12) }, 'visible') / 25.4).toBeCloseTo(36, 9)
    expect(ribbonOf({ build: 'fill-ins', strips: 4, loop: inches(4) }, 'visible') / 25.4).toBeCloseTo(32, 9)
    expect(ribbonOf({ build: 'fill-ins', strips: 4, loop: inches(4) }, 'ribbon used') / 25.4).toBeCloseTo(16, 9)
    const tails = work(ringWith(bowRule({ means: null, ribbons: [{ build: 'tails', tails: 2, tail: inches(14) }] })), shelf)
    expect(tails.placements).toHaveLength(1)
  })
  it('speaks of nothing that is not there', () => {
    const words = (ribbons: RuleOf<'bow'>['ribbons']) =>
      work(ringWith(bowRule({ ribbons })), shelf)
        .tasks.find(({ id }) => id === 'layer:bow')!
        .says.map((each) => say(each, manner))
        .join(' ')
    expect(words([handBow({ loops: 1, tails: [0, 0] })])).not.toMatch(/0 in|for a tail|1 loops/)
    expect(words([{ build: 'strips', strips: 1, loop: inches(4), tail: 0 }])).not.toMatch(/1 strips|two tails|on the roll until/)
    expect(words([{ build: 'rag', strips: 1, strip: inches(40), overhang: 0, loop: inches(15), taper: 0 }])).not.toMatch(
      /1 strips|1 times|1 loops|0 in over/,
    )
  })
})
