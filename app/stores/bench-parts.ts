import type { ComputedRef, Ref, ShallowRef } from 'vue'
import { computed, ref } from 'vue'
import { withPartsOnShelf } from '#core/looks'
import type { Shelf } from '#core/material'
import type { Part, Piece } from '#core/piece'
import { materialOfPart, partAsPiece, unmadePart } from '#core/piece'
import type { OnBench } from '#core/workroom'
import { useShops } from './shops'

/** What lies on the bench: the piece, or a part of it that is worked on as if it were one. @param whole the piece itself */
export function useOnBench(whole: ShallowRef<Piece | null>) {
  const part = ref<string | null>(null)
  const openPart = computed<Part | null>(() => whole.value?.parts.find(({ id }) => id === part.value) ?? null)
  const piece = computed<Piece | null>(() => (whole.value && openPart.value ? partAsPiece(whole.value, openPart.value) : whole.value))
  return { part, openPart, piece }
}

/** The shelf with the parts of the piece on it: as they were worked out, and until then by what is known of them. */
export function useBenchShelf(piece: Ref<Piece | null>, workings: Ref<OnBench | null>): ComputedRef<Shelf> {
  const shops = useShops()
  return computed(() => {
    const worked = new Map((workings.value?.parts ?? []).map((each) => [each.material.id, each]))
    const parts = (piece.value?.parts ?? []).map(
      (each) => worked.get(materialOfPart(each.id)) ?? { material: unmadePart(each), looks: null },
    )
    return withPartsOnShelf(shops.shelf, parts)
  })
}
