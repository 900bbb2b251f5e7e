import { liveQuery } from 'dexie'
import { defineStore } from 'pinia'
import { shallowRef, toRaw } from 'vue'
import type { Material } from '#core/material'
import { CATALOGUE, MaterialSchema } from '#core/material'
import { db } from '~/db'

/** The maker's own materials, and what is in the stash; follows what other tabs do. */
export const useMaterials = defineStore('materials', () => {
  const own = shallowRef<Readonly<Record<string, Material>>>({})
  const stash = shallowRef<Readonly<Record<string, number>>>({})

  liveQuery(() => db().materials.toArray()).subscribe((all) => { own.value = Object.fromEntries(all.map((each) => [each.id, each])) })
  liveQuery(() => db().stash.toArray()).subscribe((all) => { stash.value = Object.fromEntries(all.map(({ material, count }) => [material, count])) })

  /** Keeps a material. @returns what is wrong with it, or null */
  async function save(material: Material): Promise<string | null> {
    const read = MaterialSchema.safeParse(toRaw(material))
    if (!read.success) return read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`).join(' ')
    await db().materials.put(read.data)
    return null
  }
  const saveAll = (all: readonly Material[]): Promise<unknown> => db().materials.bulkPut(all.map((each) => toRaw(each)))
  /** Takes a material of one's own away; one that changed a material of the catalogue gives that back. */
  const remove = (id: string): Promise<void> => db().materials.delete(id)

  async function setStash(material: string, count: number): Promise<void> {
    if (count > 0) await db().stash.put({ material, count })
    else await db().stash.delete(material)
    stash.value = { ...stash.value, [material]: count }
  }

  /** An id made from a name, that neither the catalogue nor one's own has. */
  function freshId(name: string): string {
    const base = name.toLowerCase().normalize('NFKD').replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '').slice(0, 50) || 'material'
    const taken = (id: string): boolean => id in CATALOGUE || id in own.value
    if (!taken(base)) return base
    let n = 2
    while (taken(`${base}-${n}`)) n += 1
    return `${base}-${n}`
  }
  return { own, stash, save, saveAll, remove, setStash, freshId }
})
