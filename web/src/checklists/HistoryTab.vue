<script setup lang="ts">
import type { KeptChange } from '@kritikos/contracts/drafts';
import { isItemPiece, piecesOf } from '@kritikos/core/checklists/pieces';
import type { PlacedItem } from '@kritikos/core/checklists/pieces';
import { computed, ref } from 'vue';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';
import type { WrittenDraft } from './useDraft.ts';
import { itemWordsOf, sayChanges, sayPiece, sayValue } from './words.ts';

/** Every change of the draft, the newest first; what stood before can be brought back. */
const props = defineProps<{
  draft: string;
  startedFrom: string;
  own: WrittenDraft;
  disabled: boolean;
}>();
const PAGE = 50;
const offset = ref(0);
const { data, error, reload } = useReading(
  'GET /drafts/:draft/history',
  () => ({ params: { draft: props.draft }, query: { offset: offset.value, limit: PAGE } }),
  { keep: true },
);

/** The draft as it was begun: what stood there before the first change of a piece. */
const { data: version } = useReading('GET /checklist-versions/:version', () => ({
  params: { version: props.startedFrom },
}));
const begun = computed(() => (version.value ? piecesOf(version.value.content) : {}));
const items = computed(() => itemWordsOf(props.own.content.value));
const beforeOf = (change: KeptChange): unknown =>
  change.first ? (begun.value[change.piece] ?? null) : change.before;

type Record_ = Readonly<Record<string, unknown>>;
const partsOf = (change: KeptChange, value: unknown): Record_ =>
  isItemPiece(change.piece) && value
    ? { ...(value as PlacedItem).item }
    : { [change.piece]: value };

/** What a change says otherwise than what stood there. */
function told(change: KeptChange): string {
  const before = beforeOf(change);
  if (change.first && before === null && !isItemPiece(change.piece)) {
    return `now ${sayValue(change.value, items.value)}`;
  }
  if (!isItemPiece(change.piece)) {
    return `${sayValue(before, items.value)} → ${sayValue(change.value, items.value)}`;
  }
  if (change.value === null) return 'taken out';
  if (before === null) return 'new';
  const [was, is] = [partsOf(change, before), partsOf(change, change.value)];
  const differing = Object.keys({ ...was, ...is })
    .filter((part) => JSON.stringify(was[part]) !== JSON.stringify(is[part]))
    .map((part) => ({ part, before: was[part], after: is[part] }));
  return differing.length === 0 ? 'moved' : sayChanges(differing).join('; ');
}
const when = (at: string) =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' }).format(
    new Date(at),
  );
</script>

<template>
  <div>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <p v-if="data?.total === 0" class="panel">
      Nothing has been changed yet. What is written is kept here, change by change.
    </p>
    <WideTable v-if="data && data.total > 0" label="Changes of this draft">
      <table class="ledger panel">
        <thead>
          <tr>
            <th>When</th>
            <th>Who</th>
            <th>What</th>
            <th>How</th>
            <th><span class="d-sr-only">What can be done</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="change in data.changes" :key="change.sequence">
            <td class="figures when">{{ when(change.at) }}</td>
            <td>{{ change.by }}</td>
            <td>{{ sayPiece(change.piece, change.value, beforeOf(change)) }}</td>
            <td>
              {{ told(change) }}
              <div v-if="!change.taken" class="soft">
                not taken: somebody else had changed it meanwhile
              </div>
            </td>
            <td>
              <button
                v-if="!change.taken"
                class="linkish"
                type="button"
                :disabled="disabled"
                :aria-label="`Take change ${change.sequence} after all`"
                @click="own.bringBack(change.piece, change.value)"
              >
                take it after all
              </button>
              <button
                v-else-if="beforeOf(change) !== null"
                class="linkish"
                type="button"
                :disabled="disabled"
                :aria-label="`Bring back what stood before change ${change.sequence}`"
                @click="own.bringBack(change.piece, beforeOf(change))"
              >
                bring back
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <div v-if="data && data.total > PAGE" class="turn">
      <v-btn size="small" :disabled="offset === 0" @click="offset -= PAGE">Newer</v-btn>
      <span class="figures soft">
        {{ offset + 1 }} to {{ Math.min(offset + PAGE, data.total) }} of {{ data.total }}
      </span>
      <v-btn size="small" :disabled="offset + PAGE >= data.total" @click="offset += PAGE">
        Older
      </v-btn>
    </div>
  </div>
</template>

<style scoped>
.when {
  white-space: nowrap;
}
.turn {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 10px;
}
</style>
