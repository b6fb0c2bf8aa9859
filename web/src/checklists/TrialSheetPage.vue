<script setup lang="ts">
import type { EventBody, Sheet, SheetState } from '@kritikos/contracts/marking';
import { afterEvent } from '@kritikos/core/marking/sheetState';
import { usualVariants } from '@kritikos/core/scoring/checklist';
import { v7 as newId } from 'uuid';
import { computed, onMounted, shallowRef, watch } from 'vue';
import { correctedNow } from '../http/serverClock.ts';
import SheetSurface from '../marking/SheetSurface.vue';
import { useTaps } from '../marking/useTaps.ts';
import { useTrialChannel } from './trialChannel.ts';
import type { TrialSheet } from './trialChannel.ts';

/** The marking sheet with a draft on it. What is tapped stays on this page. */
const props = defineProps<{ draft: string }>();
const { post, data } = useTrialChannel(props.draft);
onMounted(() => post({ ask: true }));

const shown = shallowRef<TrialSheet | null>(null);
const state = shallowRef<SheetState | null>(null);
watch(data, (heard) => {
  if (!heard || !('sheet' in heard)) return;
  shown.value = heard.sheet;
  // A mark stays while its item is marked in the same way.
  const items = new Map(heard.sheet.content.items.map((item) => [item.key, item.kind]));
  const before = state.value;
  state.value = {
    ...(before ?? BLANK),
    variants: { ...usualVariants(heard.sheet.content), ...before?.variants },
    marks: (before?.marks ?? []).filter(({ item }) => kinds.get(item) === items.get(item)),
  };
  kinds = items;
});
let kinds = new Map<string, string>();
const BLANK: SheetState = {
  marks: [],
  faults: [],
  variants: {},
  comment: '',
  rating: null,
  clock: null,
  safety: [],
  submittedAt: null,
};
const NOBODY = '00000000-0000-7000-8000-000000000000';

const sheet = computed((): Sheet | null => {
  const own = shown.value;
  if (!own || !state.value) return null;
  const [procedure] = own.content.procedures;
  return {
    id: NOBODY,
    stationId: NOBODY,
    station: own.title,
    position: 1,
    minutes: own.minutes,
    warningSeconds: 60,
    examinationTitle: 'Trial',
    candidateNumber: 0,
    examiner: 'Nobody',
    checklist: {
      id: NOBODY,
      checklistId: NOBODY,
      procedureId: procedure?.procedure ?? '',
      title: procedure?.title ?? '',
      region: '',
      version: 1,
      frozenAt: null,
      content: own.content,
    },
    state: state.value,
    reopened: null,
    stamp: 0,
    tapped: [],
  };
});
function happen(body: EventBody): string | null {
  if (!state.value || body.type === 'submit') return null;
  const tap = { id: newId(), at: new Date(correctedNow()).toISOString() };
  state.value = afterEvent(state.value, body, tap);
  return tap.id;
}
const taps = useTaps(sheet, state, happen);
</script>

<template>
  <SheetSurface
    v-if="sheet && state"
    :sheet="sheet"
    :state="state"
    :taps="taps"
    :waiting="0"
    :keeping="false"
    stopped=""
    :of-others="0"
    :set-aside="0"
    @submit="state = { ...state, ...BLANK, variants: state.variants }"
  >
    <template #notices>
      <div class="notice">A trial: nothing that is marked here is kept.</div>
    </template>
  </SheetSurface>
  <p v-else class="page">
    Open the preview in the workshop of this draft; this page shows what is written there.
  </p>
</template>

<style scoped>
.notice {
  padding: 3px 14px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
  color: var(--soft);
  font-size: 0.85rem;
}
</style>
