// Small changes to the core, each of which some test must notice: [file, what stands there, what is put there, tests to run].
// What stands there must stand there once.
const COVER = ['core/cover', 'core/truth.test.ts', 'tests/reference/thumbs.test.ts']
const CUT = ['core/cut']
const MAKE = ['core/construct', 'core/truth.test.ts', 'tests/reference/construct.test.ts', 'tests/reference/thumbs.test.ts']
const PLACE = ['core/arrange', 'core/truth.test.ts', 'tests/reference/placing.test.ts', 'tests/reference/thumbs.test.ts']
const BASE = ['core/base', 'tests/reference/runs.test.ts', 'tests/reference/thumbs.test.ts']
const COST = ['core/price', 'core/truth.test.ts', 'tests/reference/thumbs.test.ts']
const HANG = ['core/hang', 'core/truth.test.ts', 'tests/reference/thumbs.test.ts']
const MEASURE = ['core/measure', 'core/truth.test.ts', 'tests/reference/lengths.test.ts', 'tests/reference/thumbs.test.ts']
const SHAPE = ['core/plant/stencil.test.ts', 'tests/reference/cover-made.test.ts']

export const MUTATIONS = [
  // Cover by silhouettes
  ['core/plant/stencil.ts', 'const LINES = 2', 'const LINES = 1', SHAPE],
  ['core/plant/stencil.ts', 'hidden[at] = now + (1 - now) *', 'hidden[at] = now + (1 - now) * 0.9 *', SHAPE],
  ['core/plant/stencil.ts', 'if (cast) return', 'if (!cast) return', SHAPE],
  ['core/plant/stencil.ts', 'draw.next() < part', 'draw.next() < part / 2', SHAPE],
  ['core/plant/stencil.ts', 'const CAP = Math.PI / 4', 'const CAP = Math.PI', SHAPE],
  [
    'core/plant/stencil.ts',
    'outlines(shape).flatMap((line) => stroked(line, stroke.width / 2,',
    'outlines(shape).flatMap((line) => stroked(line, stroke.width,',
    SHAPE,
  ],
  ['core/plant/silhouette.ts', 'area: mask.area * along * across', 'area: mask.area', ['core/cover', 'tests/reference/thumbs.test.ts']],
  [
    'core/cover/grid.ts',
    'const [du, dv] = [(cell * cos) / sideU, (-cell * sin) / sideV]',
    'const [du, dv] = [(cell * cos) / sideU, (cell * sin) / sideV]',
    ['tests/reference/cover-made.test.ts'],
  ],
  ['core/cover/coverage.ts', 'if (deep > 1) two += 1', 'if (deep > 2) two += 1', COVER],
  ['core/cover/coverage.ts', 'const BARE_BELOW = 0.4', 'const BARE_BELOW = 0.6', COVER],
  ['core/cover/coverage.ts', 'const BARE_SHORTEST = 25', 'const BARE_SHORTEST = 90', COVER],
  ['core/cover/fullness.ts', 'full: { once: 0.9, twice: 0 }', 'full: { once: 0.8, twice: 0 }', COVER],
  ['core/cover/fullness.ts', 'lush: { once: 0.97, twice: 0.75 }', 'lush: { once: 0.97, twice: 0.65 }', COVER],
  ['core/cover/fill.ts', 'const CLOSED_AT = 0.8', 'const CLOSED_AT = 0.5', COVER],
  // Balance, colour and contrast
  ['core/cover/balance.ts', 'export const EVEN_WITHIN = 0.06', 'export const EVEN_WITHIN = 0.12', COVER],
  ['core/cover/balance.ts', 'export const MEANT_WITHIN = 40', 'export const MEANT_WITHIN = 70', COVER],
  ['core/cover/look.ts', 'fine: 0.8, medium: 1, coarse: 1.25', 'fine: 1, medium: 1, coarse: 1', COVER],
  ['core/cover/look.ts', '(0.6 + (1 - l) + 2.5 * c)', '(0.6 + l + 2.5 * c)', COVER],
  ['core/cover/look.ts', 'const MIDDLE = 0.12', 'const MIDDLE = 0.5', COVER],
  ['core/cover/problems.ts', 'const LOST_UNDER = 12', 'const LOST_UNDER = 20', COVER],
  ['core/cover/problems.ts', 'const SHOWS_OVER = 30', 'const SHOWS_OVER = 60', COVER],
  ['core/cover/problems.ts', 'const HIDDEN = 0.7', 'const HIDDEN = 0.1', COVER],
  // Cutting
  ['core/cut/job.ts', 'export const LAP = 25', 'export const LAP = 60', CUT],
  ['core/cut/job.ts', 'export const LEAST_PART = 150', 'export const LEAST_PART = 15', CUT],
  ['core/cut/written.ts', 'gatherRest(units.sizes, rolls)', 'void gatherRest', CUT],
  ['core/cut/written.ts', 'if (left > GRAIN / 2) left += LAP', 'if (left > GRAIN / 2) left += 0', CUT],
  ['core/cut/written.ts', 'left + LAP - LEAST_PART)', 'left)', CUT],
  ['core/cut/reckon.ts', 'begun.push(left - length + LAP)', 'begun.push(left - length)', CUT],
  ['core/cut/plan.ts', 'proven: best.cost <= bound + 1e-6 && !best.short.length', 'proven: true', CUT],
  ['core/cut/plan.ts', 'short(a) === short(b) && a.cost < b.cost', 'short(a) === short(b) && a.cost > b.cost', CUT],
  // Make-ups
  ['core/construct/bundles.ts', 'const AT_START = 2', 'const AT_START = 4', MAKE],
  ['core/construct/bundles.ts', 'const IN_LAST_QUARTER = 2', 'const IN_LAST_QUARTER = 1', MAKE],
  ['core/construct/binding.ts', 'export const TAIL = inches(4)', 'export const TAIL = inches(8)', MAKE],
  ['core/construct/boughs.ts', 'const PER_TIE = 3', 'const PER_TIE = 6', MAKE],
  ['core/arrange/rules/bundles.ts', 'count * rule.sprigs * rule.faces', 'count * rule.sprigs', MAKE],
  ['core/construct/boughs.ts', 'wholesOver(pieces * advance, rule.yields)', 'wholesIn(pieces * advance, rule.yields)', MAKE],
  ['core/construct/bow.ts', 'const HANDLE = inches(38)', 'const HANDLE = inches(19)', MAKE],
  [
    'core/construct/bow.ts',
    "'paddle wire': { material: 'paddle-wire', length: inches(18) }",
    "'paddle wire': { material: 'paddle-wire', length: inches(36) }",
    MAKE,
  ],
  [
    'core/construct/bow.ts',
    "'own ribbon': { material: null, length: inches(10) }",
    "'own ribbon': { material: null, length: inches(20) }",
    MAKE,
  ],
  ['core/construct/bow.ts', 'const used = own + shared', 'const used = own', MAKE],
  ['core/construct/base.ts', 'const RISE = inches(3)', 'const RISE = inches(6)', MAKE],
  ['core/construct/base.ts', 'const KNOT = inches(4)', 'const KNOT = inches(2)', MAKE],
  ['core/construct/base.ts', 'const LAP = inches(2)', 'const LAP = inches(4)', MAKE],
  ['core/construct/base.ts', 'const TIE_EVERY = inches(1.75)', 'const TIE_EVERY = inches(3.5)', MAKE],
  ['core/construct/wound.ts', 'spaced: 8, close: 4', 'spaced: 16, close: 4', MAKE],
  [
    'core/construct/laid.ts',
    'strandsOn(on) * pinsOf(Math.min(material.length, on), rule.every)\n',
    'pinsOf(Math.min(material.length, on), rule.every)\n',
    MAKE,
  ],
  ['core/construct/held.ts', "new Set(['straw', 'foam'])", "new Set(['straw', 'foam', 'vine'])", MAKE],
  ['core/construct/beads.ts', 'beads: gaugeWidth(16)', 'beads: 12', MAKE],
  // Placing
  ['core/arrange/lay.ts', 'restsOf(layer, slots, keepsPlace(layer) ? [] : kept, shelf)', 'restsOf(layer, slots, [], shelf)', PLACE],
  ['core/arrange/zones.ts', 'length: placement.length + 2 * margin', 'length: placement.length + margin', PLACE],
  ['core/arrange/dealing.ts', 'left -= places[place]!', 'left -= 1', PLACE],
  ['core/arrange/against.ts', 'length / (here[i]! + 2)', 'length', PLACE],
  ['core/arrange/rules/cluster.ts', 'const PACKED = 0.9', 'const PACKED = 0.5', PLACE],
  ['core/arrange/clash.ts', 'const PRESSED = 0.2', 'const PRESSED = 0.6', PLACE],
  ['core/arrange/clash.ts', 'const OVERLAPS = 0.25', 'const OVERLAPS = 0.9', PLACE],
  ['core/arrange/rules/bundles.ts', 'Math.floor(n / (rule.sprigs * rule.faces))', 'Math.floor(n / rule.sprigs)', PLACE],
  ['core/arrange/made.ts', 'const THIN = 20', 'const THIN = 90', ['core/arrange', 'tests/reference/thumbs.test.ts']],
  ['core/arrange/rules/arms.ts', 'return [side(1), side(-1)]', 'return [sorted]', PLACE],
  // Bases
  ['core/base/kinds.ts', "join: 'twine knot', density: 85", "join: 'twine knot', density: 42", BASE],
  ['core/base/kinds.ts', "shape.form === 'scallops' ? (shape.count - 1) * shape.span : 0", '0', BASE],
  ['core/base/segment.ts', 'let high = span + (span * span) / drop', 'let high = (span * span) / drop', BASE],
  ['core/base/bounds.ts', 'high += offY', 'high += offY / 9', BASE],
  ['core/base/outlines.ts', 'return [{ ...run, rim: heartRim(run) }]', 'return [run]', BASE],
  ['core/base/runs.ts', '(run.length / EDGE_STATIONS)', '(run.length / EDGE_STATIONS) * 2', BASE],
  // Mass, hanging and size
  ['core/hang/mass.ts', 'mass * Math.min(1, length / whole)', 'mass', HANG],
  ['core/hang/mass.ts', 'mass: own.mass + faces * massAt', 'mass: own.mass + 2 * faces * massAt', HANG],
  ['core/hang/mass.ts', 'mass: (material.mass * length) / material.length }', 'mass: material.mass * length }', HANG],
  ['core/hang/mass.ts', 'const GLUE_EACH = 0.5', 'const GLUE_EACH = 5', HANG],
  ['core/piece/hanging.ts', 'export const DOOR_SHARE = 2 / 3', 'export const DOOR_SHARE = 3 / 4', HANG],
  ['core/hang/proportions.ts', 'least: 1 / 3, most: 1 / 2', 'least: 1 / 4, most: 1 / 2', HANG],
  ['core/hang/proportions.ts', 'least: 1 / 3, most: 1 / 2', 'least: 1 / 3, most: 2 / 3', HANG],
  ['core/piece/hanging.ts', 'const EYE_LEVEL = 0.7', 'const EYE_LEVEL = 0.5', [...HANG, 'core/construct']],
  // Money
  ['core/material/shelf.ts', 'export const SPARE = 0.1', 'export const SPARE = 0.2', COST],
  ['core/price/line.ts', "state !== 'artificial' && state !== 'made'", "state === 'fresh'", COST],
  ['core/price/packs.ts', 'const before = Math.max(0, n - prices[k]!.holds)', 'const before = Math.max(0, n - 1)', COST],
  ['core/price/problems.ts', 'if (saved(middle) > 0)', 'if (saved(middle) >= 0)', COST],
  ['core/price/bill.ts', 'isItself(piece) && piece.base.price === null', 'false', COST],
  // Measure
  ['core/measure/gauge.ts', '92 ** ((36 - gauge) / 39)', '92 ** ((36 - gauge) / 40)', MEASURE],
  ['core/measure/tolerance.ts', 'Math.floor(length / each + 1e-9)', 'Math.floor(length / each)', [...MEASURE, 'core/construct']],
  ['core/measure/length.ts', 'second!.value * MM_PER_INCH)', 'second!.value * UNIT_MM[units]!)', MEASURE],
]
