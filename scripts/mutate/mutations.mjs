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
const FIX = ['core/fix', 'core/steps']
const HUNG = ['core/hang', 'tests/reference/hanging.test.ts']
const STEPS = ['core/steps', 'tests/reference/schedule.test.ts']
const PAPER = ['tests/reference/paper.test.ts', 'core/exchange/link.test.ts']
const MONEY = ['core/price', 'tests/reference/money.test.ts', 'core/workroom.test.ts']
const STOCK = ['core/stock', 'core/price/keep.test.ts', 'core/workroom.test.ts']
const BASKET = ['tests/reference/basket.test.ts']
const BUDGET = ['core/budget.test.ts']
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
  ['core/cover/coverage.ts', 'if (deep > 1) tally.two += 1', 'if (deep > 2) tally.two += 1', COVER],
  [
    'core/cover/thumbs.ts',
    "'cover.bare-below',\n  'A stretch is bare when less of it is covered than',\n  'share',\n  0.4,",
    "'cover.bare-below',\n  'A stretch is bare when less of it is covered than',\n  'share',\n 0.32,",
    COVER,
  ],
  ['core/cover/coverage.ts', 'const BARE_SHORTEST = 25', 'const BARE_SHORTEST = 90', COVER],
  [
    'core/cover/thumbs.ts',
    "'cover.full-once',\n  'Full covers of the face',\n  'share',\n  0.9,",
    "'cover.full-once',\n  'Full covers of the face',\n  'share',\n 0.72,",
    COVER,
  ],
  [
    'core/cover/thumbs.ts',
    "'cover.lush-twice', 'Lush lies two deep over', 'share', 0.75,",
    "'cover.lush-twice', 'Lush lies two deep over', 'share', 0.6,",
    COVER,
  ],
  ['core/cover/fill.ts', 'const CLOSED_AT = 0.8', 'const CLOSED_AT = 0.5', COVER],
  // Balance, colour and contrast
  [
    'core/cover/thumbs.ts',
    "'cover.even-within',\n  'A piece is even when its weight lies off the middle by at most',\n  'share',\n  0.06,",
    "'cover.even-within',\n  'A piece is even when its weight lies off the middle by at most',\n  'share',\n 0.048,",
    COVER,
  ],
  [
    'core/cover/thumbs.ts',
    "'cover.meant-within',\n  'An offset is meant when it lies within so many degrees',\n  'count',\n  40,",
    "'cover.meant-within',\n  'An offset is meant when it lies within so many degrees',\n  'count',\n 41,",
    COVER,
  ],
  ['core/cover/look.ts', 'fine: 0.8, medium: 1, coarse: 1.25', 'fine: 1, medium: 1, coarse: 1', COVER],
  ['core/cover/look.ts', '(0.6 + (1 - l) + 2.5 * c)', '(0.6 + l + 2.5 * c)', COVER],
  ['core/cover/look.ts', 'const MIDDLE = 0.12', 'const MIDDLE = 0.5', COVER],
  [
    'core/cover/thumbs.ts',
    "'cover.lost-under',\n  'A piece is lost when its colour differs by less than',\n  'ratio',\n  12,",
    "'cover.lost-under',\n  'A piece is lost when its colour differs by less than',\n  'ratio',\n 13,",
    COVER,
  ],
  [
    'core/cover/thumbs.ts',
    "'cover.shows-over',\n  'A tie shows when its colour differs by more than',\n  'ratio',\n  30,",
    "'cover.shows-over',\n  'A tie shows when its colour differs by more than',\n  'ratio',\n 31,",
    COVER,
  ],
  [
    'core/cover/thumbs.ts',
    "'cover.hidden',\n  'A join is hidden when of the face about it is covered',\n  'share',\n  0.7,",
    "'cover.hidden',\n  'A join is hidden when of the face about it is covered',\n  'share',\n 0.56,",
    COVER,
  ],
  // Cutting
  ['core/cut/job.ts', 'export const JOIN_LAP = 25', 'export const JOIN_LAP = 60', CUT],
  ['core/cut/job.ts', 'export const LEAST_PART = 150', 'export const LEAST_PART = 15', CUT],
  ['core/cut/rolls.ts', 'gatherRest(units.sizes, rolls)', 'void gatherRest', CUT],
  ['core/cut/rolls.ts', 'if (left > GRAIN / 2) left += JOIN_LAP', 'if (left > GRAIN / 2) left += 0', CUT],
  ['core/cut/rolls.ts', 'left + JOIN_LAP - LEAST_PART)', 'left)', CUT],
  ['core/cut/reckon.ts', 'begun.push(left - length + JOIN_LAP)', 'begun.push(left - length)', CUT],
  ['core/cut/plan.ts', 'proven: best.cost <= floor + 1e-6 && !best.short.length', 'proven: true', CUT],
  ['core/cut/plan.ts', 'short(a) === short(b) && a.cost < b.cost', 'short(a) === short(b) && a.cost > b.cost', CUT],
  // Make-ups
  [
    'core/construct/thumbs.ts',
    "'construct.start-wraps',\n  'Wraps that make the wire fast before the first bundle',\n  'count',\n  2,",
    "'construct.start-wraps',\n  'Wraps that make the wire fast before the first bundle',\n  'count',\n 3,",
    MAKE,
  ],
  [
    'core/construct/thumbs.ts',
    "'construct.late-wraps',\n  'Wraps round each bundle in the last quarter, at least',\n  'count',\n  2,",
    "'construct.late-wraps',\n  'Wraps round each bundle in the last quarter, at least',\n  'count',\n 3,",
    MAKE,
  ],
  [
    'core/construct/thumbs.ts',
    "'construct.tail',\n  'Binding wire is left at each end for',\n  'length',\n  inches(4),",
    "'construct.tail',\n  'Binding wire is left at each end for',\n  'length',\n  inches(6),",
    MAKE,
  ],
  [
    'core/construct/thumbs.ts',
    "'construct.tie-wraps',\n  'Wraps round each tie of a bough garland',\n  'count',\n  3,",
    "'construct.tie-wraps',\n  'Wraps round each tie of a bough garland',\n  'count',\n 4,",
    MAKE,
  ],
  ['core/arrange/rules/bundles.ts', 'count * rule.sprigs * rule.faces', 'count * rule.sprigs', MAKE],
  [
    'core/construct/boughs.ts',
    'times(the`${count(pieces)} pieces`, mm(advance))',
    'times(the`${count(pieces + 9)} pieces`, mm(advance))',
    MAKE,
  ],
  [
    'core/construct/thumbs.ts',
    "'construct.handle',\n  'A door’s handle is over the floor by',\n  'length',\n  inches(38),",
    "'construct.handle',\n  'A door’s handle is over the floor by',\n  'length',\n  inches(57),",
    MAKE,
  ],
  [
    'core/construct/thumbs.ts',
    "'construct.tie-wire',\n  'Paddle wire that ties a bow',\n  'length',\n  inches(18),",
    "'construct.tie-wire',\n  'Paddle wire that ties a bow',\n  'length',\n  inches(27),",
    MAKE,
  ],
  [
    'core/construct/thumbs.ts',
    "'construct.tie-ribbon',\n  'Its own ribbon that ties a bow',\n  'length',\n  inches(10),",
    "'construct.tie-ribbon',\n  'Its own ribbon that ties a bow',\n  'length',\n  inches(15),",
    MAKE,
  ],
  ['core/construct/bow.ts', 'const used = own.value + shared', 'const used = own.value', MAKE],
  [
    'core/construct/thumbs.ts',
    "'construct.rise',\n  'A hanger’s loop rises by',\n  'length',\n  inches(3),",
    "'construct.rise',\n  'A hanger’s loop rises by',\n  'length',\n  inches(4.5),",
    MAKE,
  ],
  [
    'core/construct/thumbs.ts',
    "'construct.knot',\n  'A hanger’s knot takes',\n  'length',\n  inches(4),",
    "'construct.knot',\n  'A hanger’s knot takes',\n  'length',\n  inches(6),",
    MAKE,
  ],
  [
    'core/construct/thumbs.ts',
    "'construct.cord-lap',\n  'A cord laps at each end by',\n  'length',\n  inches(2),",
    "'construct.cord-lap',\n  'A cord laps at each end by',\n  'length',\n  inches(3),",
    MAKE,
  ],
  [
    'core/construct/thumbs.ts',
    "'construct.tie-every',\n  'Trunks overlap, one tie to',\n  'length',\n  inches(1.75),",
    "'construct.tie-every',\n  'Trunks overlap, one tie to',\n  'length',\n  inches(2.625),",
    MAKE,
  ],
  [
    'core/construct/thumbs.ts',
    "'construct.turn-spaced',\n  'A turn of a spaced winding takes',\n  'time',\n  8 / 60,",
    "'construct.turn-spaced',\n  'A turn of a spaced winding takes',\n  'time',\n  8 / 61,",
    MAKE,
  ],
  [
    'core/construct/laid.ts',
    'strandsOn(on) * pinsOf(Math.min(material.length, on), rule.every)\n',
    'pinsOf(Math.min(material.length, on), rule.every)\n',
    MAKE,
  ],
  ['core/construct/held.ts', "new Set(['straw', 'foam'])", "new Set(['straw', 'foam', 'vine'])", MAKE],
  ['core/construct/beads.ts', 'mm(gaugeWidth(16))', 'mm(12)', MAKE],
  // Placing
  ['core/arrange/lay.ts', 'liesOf(layer, slots, keepsPlace(layer) ? [] : kept, shelf)', 'liesOf(layer, slots, [], shelf)', PLACE],
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
  ['core/base/kinds.ts', "join: 'twine knot',\n    density: 85", "join: 'twine knot',\n    density: 42", BASE],
  ['core/base/kinds.ts', "shape.form === 'scallops' ? (shape.count - 1) * shape.span : 0", '0', BASE],
  ['core/base/segment.ts', 'span + (span * span) / drop, 200', '(span * span) / drop, 200', BASE],
  ['core/base/bounds.ts', 'high += offY', 'high += offY / 9', BASE],
  ['core/base/outlines.ts', 'return [{ ...run, rim: heartRim(run) }]', 'return [run]', BASE],
  ['core/base/runs.ts', '(run.length / EDGE_STATIONS)', '(run.length / EDGE_STATIONS) * 2', BASE],
  // Mass, hanging and size
  ['core/hang/mass.ts', 'mass * Math.min(1, length / whole)', 'mass', HANG],
  ['core/hang/mass.ts', 'const mass = faces * lying.reduce', 'const mass = 2 * faces * lying.reduce', HANG],
  ['core/hang/mass.ts', 'const mass = (material.mass * length) / material.length', 'const mass = material.mass * length', HANG],
  [
    'core/hang/thumbs.ts',
    "'hang.glue-each', 'A dot of glue weighs', 'mass', 0.5,",
    "'hang.glue-each', 'A dot of glue weighs', 'mass', 0.4,",
    HANG,
  ],
  [
    'core/piece/thumbs.ts',
    "'piece.door-share',\n  'A piece takes of a door’s width at most',\n  'share',\n  2 / 3,",
    "'piece.door-share',\n  'A piece takes of a door’s width at most',\n  'share',\n  2 / 4,",
    HANG,
  ],
  [
    'core/hang/thumbs.ts',
    "'hang.bow-least',\n  'A bow is of the base’s width at least',\n  'share',\n  1 / 3,",
    "'hang.bow-least',\n  'A bow is of the base’s width at least',\n  'share',\n  1 / 4,",
    HANG,
  ],
  [
    'core/hang/thumbs.ts',
    "'hang.bow-most',\n  'A supporting bow is of the base’s width at most',\n  'share',\n  1 / 2,",
    "'hang.bow-most',\n  'A supporting bow is of the base’s width at most',\n  'share',\n  1 / 3,",
    HANG,
  ],
  [
    'core/piece/thumbs.ts',
    "'piece.eye-level',\n  'A piece hangs up a door at',\n  'share',\n  0.7,",
    "'piece.eye-level',\n  'A piece hangs up a door at',\n  'share',\n 0.56,",
    ['core/hang', 'core/truth.test.ts', 'tests/reference/thumbs.test.ts', 'core/construct'],
  ],
  // Money
  [
    'core/construct/thumbs.ts',
    "'construct.spare',\n  'Spare of fresh, dried and preserved stems',\n  'share',\n  0.1,",
    "'construct.spare',\n  'Spare of fresh, dried and preserved stems',\n  'share',\n 0.08,",
    COST,
  ],
  ['core/construct/needs.ts', "state !== 'artificial' && state !== 'made'", "state === 'fresh'", COST],
  ['core/price/packs.ts', 'const before = Math.max(0, n - prices[k]!.holds)', 'const before = Math.max(0, n - 1)', COST],
  ['core/price/problems.ts', 'if (saved(middle) > 0)', 'if (saved(middle) >= 0)', COST],
  ['core/construct/needs.ts', 'isItself(piece) && base.price === null', 'false', COST],
  // Measure
  ['core/measure/gauge.ts', '92 ** ((36 - gauge) / 39)', '92 ** ((36 - gauge) / 40)', MEASURE],
  [
    'core/measure/tolerance.ts',
    'Math.floor(length / each + 1e-9)',
    'Math.floor(length / each)',
    ['core/measure', 'core/truth.test.ts', 'tests/reference/lengths.test.ts', 'tests/reference/thumbs.test.ts', 'core/construct'],
  ],
  ['core/measure/length.ts', 'second!.value * MM_PER_INCH)', 'second!.value * UNIT_MM[units]!)', MEASURE],
  // Needs, lots and the plan
  ['core/workroom.ts', 'count: need.count * piece.copies', 'count: need.count', ['core/workroom.test.ts']],
  ['core/workroom.ts', 'Math.max(0, asked - thingsOf(lots, material.id))', 'Math.max(0, asked)', ['core/workroom.test.ts', 'core/price']],
  ['core/stock/lot.ts', 'Math.round((paid * cut) / length)', 'paid', ['core/stock']],
  ['core/measure/term.ts', 'term.low / by.high', 'term.low / by.low', ['core/measure/term.test.ts']],
  [
    'core/measure/term.ts',
    "[...from.said, ' − ', ...bracketed(by, 'product')]",
    "[...from.said, ' − ', ...by.said]",
    ['core/measure/term.test.ts'],
  ],
  ['core/price/line.ts', 'plan.opened + uncut', 'plan.opened', ['core/price', 'core/workroom.test.ts', 'core/construct']],
  // Fixing
  ['core/fix/ways.ts', "hold === 'light' ? count(1) : byRule(STEM_TIES, by)", 'count(1)', FIX],
  ['core/fix/choose.ts', "way.indoors && brief.weather !== 'indoors'", "way.indoors && brief.weather === 'open'", FIX],
  ['core/fix/choose.ts', "!way.undone && fixing.keep === 'taken apart'", 'false', FIX],
  ['core/fix/tie.ts', 'shows(better) < shows(now) * 0.7', 'shows(better) < shows(now) * 0.01', FIX],
  ['core/fix/hold.ts', 'CAUGHT.has(kind) || mass', 'mass', FIX],
  // Hanging
  ['core/hang/rest.ts', 'Math.atan2(centre.x - pivot.x, centre.y - pivot.y)', 'Math.atan2(pivot.x - centre.x, centre.y - pivot.y)', HUNG],
  ['core/hang/rest.ts', '(mass * Math.abs(off)) / arm', 'mass * Math.abs(off) * arm', HUNG],
  ['core/hang/hanger.ts', 'the`${count(2)} ends`', 'the`${count(1)} ends`', HUNG],
  ['core/hang/hanger.ts', "hanger.loop === 'arch' ? { x, y: y -", "hanger.loop === 'arch' ? { x, y: y +", HUNG],
  ['core/hang/mass.ts', 'length * (1 / 2 - HELD)', 'length * (1 / 4 - HELD)', HUNG],
  ['core/hang/mass.ts', "use !== 'hook' && !GLUES", '!GLUES', HUNG],
  ['core/hang/hung.ts', 'exceeds(mass * rate(LOAD_SHARE, shelf), bears)', 'exceeds(mass, bears)', HUNG],
  ['core/hang/load.ts', 'held < 2', 'held < 1', HUNG],
  ['core/hang/hooks.ts', 'if (!on.includes(brief.surface.kind))', 'if (on.includes(brief.surface.kind))', HUNG],
  // The order of work
  ['core/steps/graph.ts', 'latest.get(id)! - lag', 'latest.get(id)!', STEPS],
  ['core/steps/graph.ts', 'done: handsOff + waits', 'done: handsOff', STEPS],
  ['core/steps/graph.ts', 'done.set(step!.id, now + waits)', 'done.set(step!.id, now)', STEPS],
  ['core/steps/schedule.ts', 'daysAfter(day, 1 - days)', 'daysAfter(day, -days)', STEPS],
  ['core/steps/schedule.ts', 'if (dates.buyBy < today)', 'if (dates.startBy < today)', STEPS],
  ['core/steps/order.ts', 'before === undefined || before < i', 'before === undefined || before > i', STEPS],
  ['core/measure/day.ts', '+ 2) / 5) + day - 1', '+ 2) / 5) + day', STEPS],
  // Files and paper
  ['core/exchange/link.ts', 'if (size > LARGEST)', 'if (size > LARGEST * 1e6)', PAPER],
  ['core/exchange/link.ts', 'sumOf(packed) !== sum', 'false', PAPER],
  ['core/exchange/template.ts', '[wide - OVERLAP, high - OVERLAP]', '[wide, high]', PAPER],
  ['core/exchange/template.ts', 'run.closed ? run.rim / run.length : 1', '1', PAPER],
  ['core/exchange/sheet.ts', '/^[=+\\-@\\t\\r]/', '/^[=]/', PAPER],
  ['core/exchange/calendar.ts', 'end: dateOf(daysAfter(last, 1))', 'end: dateOf(last)', PAPER],
  // Money
  ['core/price/reduction.ts', 'each.price[1 - at]!', 'each.price[at]!', MONEY],
  ['core/price/reduction.ts', '(exact % scale) * 2 >= scale', '(exact % scale) * 2 > scale', MONEY],
  ['core/price/reduction.ts', 'Math.max(0, (packs % round) - buy)', '0', MONEY],
  ['core/price/reduction.ts', '(until === null || day <= until)', '(until === null || day < until)', MONEY],
  ['core/price/tax.ts', 'halvesUp(amount * rate, WHOLE + rate)', 'halvesUp(amount * rate, WHOLE)', MONEY],
  ['core/price/packs.ts', 'a[1] !== b[1] ? a[1] < b[1] : a[2] < b[2]', 'a[2] < b[2]', MONEY],
  ['core/price/packs.ts', 'Math.min(stock ?? Infinity, Math.ceil(wanted / holds))', 'Math.ceil(wanted / holds)', MONEY],
  ['core/price/line.ts', 'wholesOver(row.pieces * copies - row.had, row.per)', 'wholesOver(row.pieces * copies, row.per)', MONEY],
  ['core/price/line.ts', 'return short > 0 ? [...bought', 'return short > 9e9 ? [...bought', MONEY],
  ['core/price/offer.ts', '(((n + 4) % 7) + 7) % 7', '(((n + 3) % 7) + 7) % 7', MONEY],
  ['core/price/claims.ts', 'amount < claim.amount', 'amount <= claim.amount', MONEY],
  ['core/price/claims.ts', 'const HIGHEST_TAX = 0.27', 'const HIGHEST_TAX = 0.02', MONEY],
  ['core/price/claims.ts', 'a.price / a.now - b.price / b.now', 'b.price / b.now - a.price / a.now', MONEY],
  ['core/price/deals.ts', 'if (more[1] > cost[1]) return []', 'if (more[1] > cost[1] * 2) return []', MONEY],
  ['core/price/asking.ts', 'whole(times(plus(used, timeSaid), byRule(OVERHEADS, by)))', 'whole(times(used, byRule(OVERHEADS, by)))', MONEY],
  ['core/price/wait.ts', '** (i / 7)', '** (i / 14)', MONEY],
  ['core/price/substitutes.ts', 'face(of) / face(material)', 'face(material) / face(of)', MONEY],
  ['core/workroom.ts', 'Math.max(0, n - ownOf(piece))', 'n', ['core/workroom.test.ts']],
  ['core/workroom.ts', 'const asked = missing + Math.max(0, spare - over)', 'const asked = missing + spare', ['core/workroom.test.ts']],
  // The stash
  ['core/stock/lot.ts', 'if (exceeds(cut, things[k]!.cut)) continue', 'if (cut < things[k]!.cut) continue', STOCK],
  [
    'core/stock/lot.ts',
    'reserved.want === null && piece !== null && reserved.piece === piece',
    'reserved.want === null && piece !== null',
    STOCK,
  ],
  ['core/stock/lot.ts', 'export const ALIKE_BASES = 13', 'export const ALIKE_BASES = 40', STOCK],
  ['core/stock/reserve.ts', 'other.paid === null || free.paid === null ? null : other.paid + free.paid', 'other.paid', STOCK],
  ['core/stock/reserve.ts', 'sort((a, b) => a.things! - b.things!)', 'sort((a, b) => b.things! - a.things!)', STOCK],
  ['core/stock/apart.ts', 'FIXING_WAYS[way].undone ? []', '!FIXING_WAYS[way].undone ? []', STOCK],
  ['core/stock/worth.ts', "if (lot.source.kind === 'found') return 0", '', STOCK],
  // Budget and basket
  [
    'core/measure/choices.ts',
    'state.loss - lossAt(g, n) + lossAt(g, n + 1)',
    'state.loss + lossAt(g, n + 1)',
    ['core/measure/choices.test.ts'],
  ],
  ['core/measure/choices.ts', 'from: g })', 'from: g + 1 })', ['core/measure/choices.test.ts']],
  ['core/budget.ts', 'sparse: 0.25', 'sparse: 4', BUDGET],
  ['server/basket/program.ts', '${priced.free.buy} ${rounds} - ${paid} <= 0', '1 ${rounds} - ${paid} <= 0', BASKET],
  ['server/basket/program.ts', 'cost.push(`${shop.trip} ${here}`)', 'cost.push(`0 ${here}`)', BASKET],
  ['core/price/basket.ts', "filter(({ kind }) => kind !== 'coupon')", 'filter(() => true)', BASKET],
  [
    'core/price/basket.ts',
    'return a.cost[1] !== b.cost[1] ? a.cost[1] < b.cost[1]',
    'return a.cost[1] !== b.cost[1] ? a.cost[1] > b.cost[1]',
    BASKET,
  ],
]
