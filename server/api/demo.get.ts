import { createError, defineEventHandler } from 'h3'
import { useRuntimeConfig, useStorage } from 'nitropack/runtime'

/** The demo pieces in the order in which the workroom shows them, as the files that users export. */
const ORDER = [
  'boathouse-door-ring',
  'ferry-hoop',
  'orchard-ring',
  'lantern-swag',
  'lantern-swag-other',
  'chapel-garland',
  'honey-fair-ring',
  'wire-pear',
  'ferry-keepers-face',
  'long-legged-swag',
  'old-ring',
]

export default defineEventHandler(async () => {
  // Nuxt reads the setting from the environment, where "1" comes as a number.
  if (!useRuntimeConfig().public.demo) throw createError({ statusCode: 404, statusMessage: 'This server has no demo pieces.' })
  const files = await Promise.all(ORDER.map((name) => useStorage('assets:demo').getItem(`${name}.json`)))
  const house = await useStorage('assets:demo').getItem('house:stash.json')
  const season = await useStorage('assets:demo').getItem('house:season.json')
  if (files.some((file) => file === null) || house === null || season === null)
    throw createError({ statusCode: 500, statusMessage: 'The demo pieces are not in this build.' })
  return { pieces: files, house, season, previews: await useStorage('assets:server').getItem('demo-previews.json') }
})
