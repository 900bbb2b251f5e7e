<script setup lang="ts">
import { format } from 'date-fns'
import type { Draft } from '~/db/drafts'
import { useBegun } from '~/composables/useBegun'
import type { DraftKind } from '~/db/sound'

/** What was begun in forms of a page and is not kept yet. */
const props = defineProps<{ kind: DraftKind }>()
const emit = defineEmits<{ open: [draft: Draft] }>()
const { drafts, throwAway } = useBegun(props.kind)
function away(draft: Draft): void {
  if (window.confirm(`Throw away what you wrote of “${draft.title}”?`)) throwAway(draft)
}
</script>

<template>
  <ul v-if="drafts.length" class="mt-2 rounded-[3px] bg-tape px-3 py-1" aria-label="Begun and not kept">
    <li v-for="each in drafts" :key="each.id" class="flex flex-wrap items-center gap-x-3 py-0.5" data-testid="draft">
      <span class="min-w-0 flex-1 truncate max-sm:basis-full max-sm:whitespace-normal"
        >“{{ each.title }}” was begun on {{ format(each.at, 'd MMM, HH:mm') }} and is not kept yet.</span
      >
      <button type="button" class="button h-7" @click="emit('open', each)">Go on with it</button>
      <button type="button" class="page-link" @click="away(each)">Throw it away</button>
    </li>
  </ul>
</template>
