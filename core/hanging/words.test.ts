import { describe, expect, it } from 'vitest'
import { hold } from '../../tests/laws/workrooms'
import { anyPiece, worked } from '../../tests/laws/pieces'
import { inWords, messagesOf, quantity, say, sum } from '../measure'
import type { Message, WordTable } from '../measure'
import type { HookKind, LoopKind, Mend, Piece, Problem, WayId } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import type { HangingMessages, Weakness } from './index'
import { HANGING_WORDS } from './index'

const LOOPS: Readonly<Record<LoopKind, string>> = {
  'own hook': 'eigener Haken',
  'twine loop': 'Schlaufe aus Schnur',
  'lark’s-head cord': 'Kordel im Ankerstich',
  'wire loop': 'Drahtschlaufe',
  arch: 'Bogen zwischen zwei Punkten',
  'coat hook': 'Kleiderhaken im Schaum',
  ribbon: 'Band durch den Kranz',
  tied: 'an jedem Haken gebunden',
}
const HOOKS: Readonly<Record<HookKind, string>> = {
  'over-door hook': 'Türhaken',
  nail: 'Nagel',
  screw: 'Schraubhaken',
  'adhesive strip': 'Klebehaken',
  'suction cup': 'Saugnapf',
  'over the door': 'über die Tür',
  magnets: 'Magnetpaar',
  'route hooks': 'Haken am Weg entlang',
}
const WAYS: Readonly<Record<WayId, string>> = {
  tuck: 'Stecken',
  push: 'Eindrücken',
  tips: 'Spitzen',
  clamp: 'Klammern',
  'paddle wire': 'Wickeldraht',
  'stem wire': 'Steckdraht',
  pins: 'Nadeln',
  picks: 'Hölzchen',
  'zip tie': 'Kabelbinder',
  'pipe cleaner': 'Pfeifenputzer',
  'hot glue': 'Heißkleber',
  'weatherproof glue': 'wetterfestem Kleber',
  'glue dots': 'Klebepunkten',
  'wire and glue': 'Draht und Kleber',
  'staple and wire': 'Krampe und Draht',
  cord: 'Kordel',
}
const WEAK: Readonly<Record<Weakness, string>> = {
  'only glue': 'hält nur der Kleber',
  'only foam': 'hält nur der Schaum',
  'pins pull out': 'Nadeln ziehen sich heraus',
  'only tucked in': 'ist nur gesteckt',
  'one tie': 'hängt an einer einzigen Bindung',
}
const list = new Intl.ListFormat('de')
const und = (words: readonly string[]): string => list.format(words)
const { length, mass, share, angle } = quantity

/** The room in a language whose words stand in another order and whose lists are joined otherwise: all that a second language is. */
const GERMAN: WordTable<HangingMessages> = {
  'door-over': ({ width, door }) => sum`Mit ${length(width)} Breite passt es nicht auf ${length(door)}.`,
  'door-share': ({ width, door, most, usual }) =>
    sum`Von ${length(door)} nimmt es ${length(width)} ein, mehr als ${usual ? 'zwei Drittel' : share(most)}.`,
  'take-base': ({ name }) => sum`Den Rohling ${name} Zoll nehmen`,
  'smaller-base-or-stems': () => ['Kleinerer Rohling oder kürzere Stiele'],
  'route-of-another-door': ({ width, height, door }) =>
    sum`Die Tür hat ${length(door.width)} × ${length(door.height)}, die Girlande geht um ${length(width)} × ${length(height)}.`,
  'measure-for-door': () => ['Für diese Tür messen'],
  tender: ({ plurals, in: wet }) => [`${wet === 'rain' ? 'Regen' : 'Feuchte'} vertragen nicht: ${und(plurals)}.`],
  'hang-in-weather': ({ weather }) => [weather === 'indoors' ? 'Drinnen aufhängen' : 'Unter Dach hängen'],
  'touches-ring': ({ needs, hole }) => sum`Innen streift es: das Loch hat ${length(hole)}, nötig sind ${length(needs)}.`,
  'hang-in-middle': () => ['In die Mitte hängen'],
  'smaller-sign-or-larger-ring': () => ['Kleineres Schild oder größerer Ring'],
  'bow-wider-than-base': ({ name, share: of }) => sum`${name}: ${share(of)} der Breite, breiter als der Rohling selbst.`,
  'bow-takes-lead': ({ name, share: of, most, usual }) =>
    sum`${name}: ${share(of)} der Breite, mehr als ${usual ? 'die Hälfte' : share(most)}, drängt sich vor.`,
  'bow-small': ({ name, share: of }) => sum`${name}: ${share(of)} der Breite, das ist wenig.`,
  'smaller-bow-or-larger-base': () => ['Kleinere Schleife oder größerer Rohling'],
  'smaller-bow-or-focal': () => ['Kleinere Schleife, oder sie führt'],
  'larger-bow': () => ['Größere Schleife'],
  'no-hanger': () => ['Noch ohne Aufhängung.'],
  'hang-by': ({ loop, hook }) => [`${HOOKS[hook]}, daran: ${LOOPS[loop]}`],
  'not-together': ({ loop, hook }) => [`Auf diesem Rohling passen ${und([LOOPS[loop], HOOKS[hook]])} nicht zusammen.`],
  'hook-against': ({ hook, because }) => [`${HOOKS[hook]}: ${because === 'ground' ? 'hält auf diesem Grund' : 'hält bei Wetter'} nicht.`],
  'take-hook': ({ hook }) => [HOOKS[hook]],
  'too-heavy': ({ mass: of, bears, share: part, hook, hooks, said }) =>
    sum`${hooks > 1 ? 'Die Haken' : HOOKS[hook]}: höchstens ${mass(bears)}, ${share(part)} ${said ? 'laut Packung' : 'des Üblichen'}; es wiegt ${mass(of)}.`,
  'stronger-hook': () => ['Stärkerer Haken, oder zwei'],
  'too-deep': ({ depth, clear }) => sum`Vor der Sturmtür sind ${length(clear)}, es steht ${length(depth)} vor.`,
  'flatter-or-outer-door': () => ['Flachere Blüten, oder außen aufhängen'],
  'turns-over': () => ['Der Schwerpunkt liegt über der Aufhängung: es kippt.'],
  'hang-higher': () => ['Höher aufhängen'],
  tilts: ({ degrees, clockwise }) => sum`Um ${angle(degrees)} ${clockwise ? 'im' : 'gegen den'} Uhrzeigersinn geneigt.`,
  'move-hanger': ({ where }) => ['Aufhängung nach ', ...where],
  'weight-opposite': ({ mass: of, left }) => sum`Oder ${left ? 'links' : 'rechts'} außen ${mass(of)} mehr`,
  'reaches-floor': ({ by }) => sum`Um ${length(by)} zu lang: es liegt auf.`,
  'higher-or-shorter-tails': () => ['Höher hängen oder Bänder kürzen'],
  'in-way-of-handle': ({ reach, room }) => sum`Auf Griffhöhe sind ${length(room)} frei, es braucht ${length(reach)}.`,
  'higher-or-narrower': () => ['Höher hängen oder schmaler'],
  'may-fall': ({ plural, weak }) => [`Absturzgefahr, ${plural}: ${und(weak.map((each) => WEAK[each]))}.`],
  'hold-with': ({ way }) => [`Befestigen mit ${WAYS[way]}`],
  'back-up-with': ({ way }) => [`Sichern mit ${WAYS[way]}`],
}
const manner = { units: 'in', currency: 'USD' } as const

/** What the room tells of a piece, problems and mends. */
const toldOf = (problems: readonly Problem[]): Message[] =>
  problems.flatMap((problem): (Problem | Mend)[] => [problem, ...problem.mends]).filter(({ code }) => code.startsWith('hanging.'))
const german = (told: Message): string => say(inWords(told, GERMAN), manner)

/** Pieces that between them give the room much to say. */
const TROUBLED: readonly Piece[] = [
  {
    ...pieceWith([layerOf('a', 'bracken', { kind: 'compass', count: 24, start: 0 })], { brief: { door: { width: 304.8, height: 700 } } }),
    hanger: null,
  },
  {
    ...pieceWith([layerOf('a', 'pine-cone', { kind: 'compass', count: 9, start: 0.05 })]),
    hanger: { loop: 'ribbon', hook: 'suction cup', run: 'ring', at: 0.2, rise: null, gap: 100, clear: 5, rated: 100 },
  },
]

describe('the room’s messages', () => {
  it('are data, say the same in the words that are shipped, and cross as they are', () => {
    for (const piece of TROUBLED) {
      const told = toldOf(work(piece, shelf).problems)
      expect(told.length).toBeGreaterThan(1)
      for (const each of structuredClone(told)) expect(say(inWords(each, HANGING_WORDS), manner)).toBe(say(each.says, manner))
    }
  })
  it('are told by their code: a ring wider than its door, without a hanger', () => {
    const codes = toldOf(work(TROUBLED[0]!, shelf).problems).map(({ code }) => code)
    expect(codes).toContain('hanging.door-over')
    expect(codes).toContain('hanging.no-hanger')
    expect(codes).toContain('hanging.hang-by')
  })
  it('are told in another language by another table alone: order of words, lists and names are its own', () => {
    const [over] = toldOf(work(TROUBLED[0]!, shelf).problems).filter(({ code }) => code === 'hanging.door-over')
    expect(german(over!)).toMatch(/^Mit .+ Breite passt es nicht auf 12 in\.$/)
    const told = messagesOf('hanging', HANGING_WORDS)
    expect(german(told('may-fall', { plural: 'cones', weak: ['only glue', 'one tie'] }))).toBe(
      'Absturzgefahr, cones: hält nur der Kleber und hängt an einer einzigen Bindung.',
    )
  })
  // That no problem of the room is in words alone is a law: tests/laws/messages.test.ts.
  it('of any piece are all told so: none is left in the words that are shipped', () =>
    hold(
      anyPiece,
      (piece) => {
        for (const told of toldOf(worked(piece).problems)) expect(german(told)).not.toBe(say(told.says, manner))
      },
      0.2,
      0,
    ))
  it('of a code that a table does not have are an error that says which', () => {
    expect(() => inWords({ code: 'hanging.gone', of: {} }, GERMAN)).toThrow('There are no words for “hanging.gone”.')
  })
})
