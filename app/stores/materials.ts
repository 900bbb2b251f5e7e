import { defineStore } from 'pinia'
import { toRaw } from 'vue'
import type { Material } from '#core/material'
import { CATALOGUE, idsFrom, MaterialSchema } from '#core/material'
import { recordOf } from '#core/measure'
import { db } from '~/db'
import { followed } from './live-query'
import { merged } from '~/db/merged'
import { reason } from '~/db/storage-error-text'

/** The maker's own materials; follows what other tabs do. */
export const useMaterials = defineStore('materials', () => {
  const own = followed<Readonly<Record<string, Material>>>(
    async () => recordOf((await db().materials.toArray()).map((each) => [each.id, each])),
    recordOf([]),
  )

  /** Keeps a material over what others changed of it meanwhile. @param begun as it was when it was begun to be written; without it, all of it is written @returns what is wrong with it, or null */
  async function save(material: Material, begun?: Material): Promise<string | null> {
    const read = MaterialSchema.safeParse(toRaw(material))
    if (!read.success) return read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`).join(' ')
    try {
      await db().transaction('rw', db().materials, async () => {
        await db().materials.put(begun ? merged(toRaw(begun), read.data, await db().materials.get(read.data.id)) : read.data)
      })
    } catch (error) {
      return reason(error)
    }
    return null
  }
  const saveAll = (all: readonly Material[]): Promise<unknown> => db().materials.bulkPut(all.map((each) => toRaw(each)))
  /** Takes a material of one's own away; one that changed a material of the catalogue gives that back. */
  const remove = (id: string): Promise<void> => db().materials.delete(id)

  const freshIds = (): ((name: string) => string) => idsFrom((id) => id in CATALOGUE || id in own.value)
  const freshId = (name: string): string => freshIds()(name)
  return { own, save, saveAll, remove, freshId, freshIds }
})
