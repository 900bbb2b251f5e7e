// Writes the JSON Schemas of our file formats, from the Zod schemas that are their one source.
import { mkdirSync, writeFileSync } from 'node:fs'
import { register } from 'tsx/esm/api'

register()
const { pieceJsonSchema } = await import('../core/formats/index.ts')
const folder = new URL('../docs/formats/', import.meta.url)
mkdirSync(folder, { recursive: true })
writeFileSync(new URL('piece.schema.json', folder), `${JSON.stringify(pieceJsonSchema(), null, 2)}\n`)
