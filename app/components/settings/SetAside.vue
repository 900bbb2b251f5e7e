<script setup lang="ts">
import { Download, Trash2 } from '@lucide/vue'
import { format } from 'date-fns'
import { saveText } from '~/utils/files'
import type { UnreadRecord } from '~/db/sound'
import { useNotices } from '~/stores/notices'
import { useUnread } from '~/stores/unread'

/** What was stored and cannot be read: it can be saved as it is, and only a hand throws it away. */
const unread = useUnread()
const notices = useNotices()

const NAMES: Readonly<Record<string, string>> = {
  pieces: 'A piece',
  snapshots: 'An earlier version of a piece',
  rescued: 'The last edits of a page that closed',
  pending: 'The last tick or setting of a page that closed',
  settings: 'A setting',
  materials: 'A material',
  lots: 'A lot in the house',
  rolls: 'A roll of your own',
  cutList: 'A line of the cutting list',
  progress: 'How far a making was',
  shops: 'A shop’s prices',
  purchases: 'A line of the shopping list',
  sales: 'A sale',
  daybook: 'A page of the daybook',
  kits: 'A class',
  batches: 'A batch',
  drafts: 'Something begun in a form',
}
/** What it calls itself, where it says so. */
function nameOf({ record }: UnreadRecord): string {
  const of = record as { name?: unknown; title?: unknown; id?: unknown; piece?: { brief?: { name?: unknown } } } | null
  const name = of?.piece?.brief?.name ?? of?.name ?? of?.title ?? of?.id
  return typeof name === 'string' ? name : ''
}
const save = ({ id, table, record }: UnreadRecord): void =>
  saveText(typeof record === 'string' ? record : `${JSON.stringify(record, null, 2)}\n`, `aside-${table}-${id}.json`, 'application/json')
function remove(of: UnreadRecord): void {
  if (window.confirm('Throw it away for good? It cannot be read now; a later version of the app may be able to.'))
    void notices.tell('It could not be thrown away', unread.remove(of.id))
}
</script>

<template>
  <section v-if="unread.records.length" class="border-b border-line py-3" aria-label="Put aside" data-testid="aside">
    <h2 class="font-serif text-xl">Put aside</h2>
    <p class="max-w-3xl text-soft">
      This was stored and cannot be read by this version. It is kept as it is; save it, or leave it here: what can be read again comes back
      by itself.
    </p>
    <ul>
      <li
        v-for="each in unread.records"
        :key="each.id"
        class="flex flex-wrap items-start gap-x-4 gap-y-1 border-b border-seam py-2 last:border-b-0"
      >
        <div class="min-w-0 flex-1">
          <p>
            {{ NAMES[each.table] ?? each.table }}<span v-if="nameOf(each)" class="font-medium"> “{{ nameOf(each) }}”</span>, put aside on
            {{ format(each.at, 'd MMMM yyyy') }}
          </p>
          <p class="whitespace-pre-line break-words text-fine text-soft">{{ each.why }}</p>
        </div>
        <button type="button" class="button h-7" @click="save(each)"><Download :size="14" />Save it as it is</button>
        <button
          type="button"
          class="icon-button size-7"
          :aria-label="`Throw away: ${nameOf(each) || each.table}`"
          title="Throw away"
          @click="remove(each)"
        >
          <Trash2 :size="14" />
        </button>
      </li>
    </ul>
  </section>
</template>
