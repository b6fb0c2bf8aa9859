<script setup lang="ts">
import type { Draft } from '@kritikos/contracts/drafts';
import { computed, ref } from 'vue';
import AroundTab from './AroundTab.vue';
import HistoryTab from './HistoryTab.vue';
import ItemList from './ItemList.vue';
import PreviewTab from './PreviewTab.vue';
import PublishDialog from './PublishDialog.vue';
import RulesTab from './RulesTab.vue';
import { sayPiece } from './words.ts';
import type { WrittenDraft } from './useDraft.ts';
import { useReadingAlong } from './useReadingAlong.ts';
import VersionsTab from './VersionsTab.vue';
import WorkshopHead from './WorkshopHead.vue';

const props = defineProps<{ own: WrittenDraft; draft: Draft }>();
const own = props.own;
const { findings, derived, time, patientInWords } = useReadingAlong(
  own,
  props.draft.startedFrom.versionId,
);
/** What still wants a look: not what somebody left as it is. */
const open = computed(() => findings.value.filter(({ words }) => !own.left.value.has(words)));
const TABS = [
  { value: 'items', title: 'Items' },
  { value: 'rules', title: 'Rules and faults' },
  { value: 'around', title: 'Around them' },
  { value: 'preview', title: 'Preview' },
  { value: 'history', title: 'History' },
  { value: 'versions', title: 'Versions' },
] as const;
const tab = ref<(typeof TABS)[number]['value']>('items');
const closed = computed(() => own.closedAt.value !== null);
const title = computed(() => own.title.value ?? props.draft.title);
const publishing = ref(false);
</script>

<template>
  <WorkshopHead
    :own="own"
    :draft="draft"
    :title="title"
    :findings="open.length"
    :time="time"
    :patient="patientInWords"
    @publish="publishing = true"
  />
  <div v-for="one in own.beside.value" :key="one.piece" class="panel beside" role="alert">
    <p>
      <b>{{ one.by }} changed {{ sayPiece(one.piece, own.pieces.value[one.piece], one.mine) }}</b>
      while you did. What {{ one.by }} wrote stands; yours is in the history.
    </p>
    <div class="choice">
      <v-btn size="small" @click="own.settle(one.piece)">Leave it so</v-btn>
      <v-btn size="small" @click="own.insist(one)">Put mine in its place</v-btn>
    </div>
  </div>
  <v-tabs v-model="tab" density="compact" class="mb-3" show-arrows>
    <v-tab v-for="one in TABS" :key="one.value" :value="one.value">{{ one.title }}</v-tab>
  </v-tabs>
  <section v-if="tab === 'items'" class="panel">
    <ItemList :own="own" :findings="findings" :disabled="closed" />
  </section>
  <RulesTab v-else-if="tab === 'rules'" :own="own" :disabled="closed" />
  <AroundTab v-else-if="tab === 'around'" :own="own" :derived="derived" :disabled="closed" />
  <PreviewTab v-else-if="tab === 'preview'" :own="own" :draft="draft.id" :title="title" />
  <HistoryTab
    v-else-if="tab === 'history'"
    :own="own"
    :draft="draft.id"
    :started-from="draft.startedFrom.versionId"
    :disabled="closed"
  />
  <VersionsTab
    v-else
    :checklist="draft.checklistId"
    :draft="own.content.value"
    :started-from="draft.startedFrom.versionId"
  />
  <PublishDialog v-model="publishing" :own="own" :draft="draft" :findings="open" />
</template>

<style scoped>
.beside {
  border-left: 4px solid var(--madder);
  margin-bottom: 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  justify-content: space-between;
}
.beside p {
  margin: 0;
}
.choice {
  display: flex;
  gap: 8px;
}
</style>
