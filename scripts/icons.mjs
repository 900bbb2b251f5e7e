// Makes the icons of the installed app from the one that the pages use.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Resvg } from '@resvg/resvg-js'
import { root } from './prerequisites.mjs'

const svg = readFileSync(join(root, 'public/icon.svg'), 'utf8')
/** On the page's ground, with the room about it that a system may cut round. */
const padded = svg.replace('viewBox="0 0 32 32">', 'viewBox="-8 -8 48 48"><rect x="-8" y="-8" width="48" height="48" fill="#EDF2EE"/>')
for (const size of [192, 512])
  writeFileSync(join(root, `public/icon-${size}.png`), new Resvg(padded, { fitTo: { mode: 'width', value: size } }).render().asPng())
