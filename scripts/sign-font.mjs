// Writes core/looks/sign-font.generated.ts: the outlines of the face that signs are lettered in (Young Serif, SIL Open Font Licence),
// so that letters are paths like everything else on the drawing.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import opentype from 'opentype.js'
import { root } from './prerequisites.mjs'

const bytes = readFileSync(join(root, 'node_modules/@fontsource/young-serif/files/young-serif-latin-400-normal.woff'))
const font = opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength))
const wanted = [
  ...Array.from({ length: 0x7f - 0x20 }, (_, i) => 0x20 + i),
  ...Array.from({ length: 0x100 - 0xa1 }, (_, i) => 0xa1 + i),
  0x2018,
  0x2019,
  0x201c,
  0x201d,
  0x2013,
  0x2014,
  0x2026,
  0x2022,
  0x152,
  0x153,
]
const quoted = (text) => `'${text.replace(/[\\']/g, '\\$&')}'`
const letters = wanted.flatMap((code) => {
  const letter = String.fromCodePoint(code)
  const glyph = font.charToGlyph(letter)
  if (glyph.index === 0) return []
  let at = ''
  const d = glyph.path.commands
    .map(({ type, ...on }) => {
      const numbers = ['x1', 'y1', 'x2', 'y2', 'x', 'y']
        .filter((key) => key in on)
        .map((key) => Math.round(on[key]) * (key.startsWith('y') ? -1 : 1))
      const end = numbers.slice(-2).join(' ')
      const still = type === 'L' && end === at
      if (numbers.length) at = end
      return still ? '' : `${type}${numbers.join(' ')}`
    })
    .join('')
  return `    ${quoted(letter)}: [${glyph.advanceWidth}, ${quoted(d)}],`
})
const capital = font.charToGlyph('H').getBoundingBox().y2
writeFileSync(
  join(root, 'core/looks/sign-font.generated.ts'),
  `/** Written by scripts/sign-font.mjs from Young Serif (SIL Open Font Licence): per letter how far it moves on, and its outline, in font units. */
export const FACE: { readonly unit: number, readonly capital: number, readonly letters: Readonly<Record<string, readonly [advance: number, d: string]>> } = {
  unit: ${font.unitsPerEm},
  capital: ${capital},
  letters: {
${letters.join('\n')}
  },
}
`,
)
console.log(`core/looks/sign-font.generated.ts: ${letters.length} letters`)
