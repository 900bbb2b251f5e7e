// Writes what our file formats are, from the schemas and columns that are their one source.
import { mkdirSync, writeFileSync } from 'node:fs'
import { register } from 'tsx/esm/api'

register()
const { MATERIAL_COLUMNS, pieceJsonSchema, PRICE_COLUMNS, tableMetadata, wholeJsonSchema } = await import('../core/formats/index.ts')
const folder = new URL('../docs/formats/', import.meta.url)
mkdirSync(folder, { recursive: true })
const write = (name, of) => writeFileSync(new URL(name, folder), `${JSON.stringify(of, null, 2)}\n`)
write('piece.schema.json', pieceJsonSchema())
write('workroom.schema.json', wholeJsonSchema())
write('materials.csv-metadata.json', tableMetadata('materials.csv', MATERIAL_COLUMNS))
write('prices.csv-metadata.json', tableMetadata('prices.csv', PRICE_COLUMNS))
