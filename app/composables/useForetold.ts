import { useDebounceFn } from '@vueuse/core'
import { shallowRef } from 'vue'
import type { Material } from '#core/material'
import { edit, freshLayerId, freshSeed } from '#core/piece'
import type { Foretold } from '#core/workroom'
import { foretold } from '#core/workroom'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useStock } from '~/stores/stock'
import { askBeginning, askWorkings } from '~/workers/workings'

/** How long a hand rests on a material before it is worked out, ms. */
const REST = 200

/** What a layer of a material would come to on the piece on the bench, while somebody considers it: the newest answer. */
export function useForetold() {
  const bench = useBench()
  const stock = useStock()
  const notices = useNotices()
  /** Of which material it is told; null while nobody considers one, or it is not known yet. */
  const told = shallowRef<{ readonly material: string; readonly foretold: Foretold } | null>(null)
  let turn = 0

  async function work(material: Material, own: number): Promise<void> {
    const { piece, workings } = bench
    if (!piece || !workings || own !== turn) return
    const id = freshLayerId(piece.layers)
    const begun = await askBeginning(piece, stock.pricing, { id, material: material.id, seed: freshSeed(piece.layers), by: null })
    if (!begun || own !== turn) return
    const edited = edit(piece, { do: 'add layer', ...begun }, 'consider')
    if (!edited.ok) return
    const after = await askWorkings(edited.change.piece, stock.pricing)
    if (own === turn && bench.piece === piece) told.value = { material: material.id, foretold: foretold(workings, after, id) }
  }
  const soon = useDebounceFn((material: Material, own: number) => {
    if (own === turn) void notices.tell('What it would come to could not be worked out', work(material, own))
  }, REST)

  function consider(material: Material): void {
    if (told.value?.material === material.id) return
    turn += 1
    told.value = null
    void soon(material, turn)
  }
  function leave(): void {
    turn += 1
    told.value = null
  }
  return { told, consider, leave }
}
