<script setup lang="ts">
import type { DraftItem } from '@kritikos/core/checklists/draftChecklist';
import type { Finding, Mend } from '@kritikos/core/checklists/finding';
import { withFreeKey, withoutItem } from '@kritikos/core/checklists/mend';
import { byDomain, moveItem, stepItem } from '@kritikos/core/checklists/moveItem';
import type { Domain } from '@kritikos/core/scoring/checklist';
import { computed, nextTick, ref } from 'vue';
import { PHASES } from '@kritikos/core/marking/phases';
import { freeKey } from './freeKey.ts';
import MarginNote from './MarginNote.vue';
import PhaseItems from './PhaseItems.vue';
import type { WrittenDraft } from './useDraft.ts';
import type { Dropped } from './useDragging.ts';

/** The items phase by phase, each with what was found beside it. */
const props = defineProps<{ own: WrittenDraft; findings: readonly Finding[]; disabled: boolean }>();

const content = computed(() => props.own.content.value);
const phases = computed(() => byDomain(content.value.items));
const titles = new Map(PHASES.map(({ domain, title }) => [domain, title]));
const places = computed(
  () =>
    new Map(phases.value.flatMap(({ items }) => items).map(({ key }, i) => [key, i + 1] as const)),
);
const notes = computed(() => {
  const byItem = new Map<string | null, Finding[]>();
  for (const finding of props.findings) {
    byItem.set(finding.item, [...(byItem.get(finding.item) ?? []), finding]);
  }
  return byItem;
});
const open = ref<ReadonlySet<string>>(new Set());
function toggle(key: string) {
  const now = new Set(open.value);
  if (!now.delete(key)) now.add(key);
  open.value = now;
}

const change = (item: DraftItem) =>
  props.own.edit((draft) => ({
    ...draft,
    items: draft.items.map((one) => (one.key === item.key ? item : one)),
  }));
const remove = (key: string) => props.own.edit((draft) => withoutItem(draft, key));
const double = (item: DraftItem) =>
  props.own.edit((draft) => {
    const at = draft.items.findIndex(({ key }) => key === item.key);
    const items = [...draft.items];
    items.splice(at + 1, 0, withFreeKey(draft, item));
    return { ...draft, items };
  });
async function focusOn(key: string, selector: string) {
  await nextTick();
  const row = document.querySelector<HTMLElement>(`li[data-key="${key}"]`);
  row?.scrollIntoView({ block: 'nearest' });
  row?.querySelector<HTMLElement>(selector)?.focus();
}
async function step(key: string, by: -1 | 1) {
  props.own.edit((draft) => stepItem(draft, key, by));
  await focusOn(key, '.handle');
}
const toPhase = (key: string, domain: Domain) =>
  props.own.edit((draft) => moveItem(draft, key, domain, null));

async function add(domain: Domain) {
  const key = freeKey(
    `own-${domain}`,
    content.value.items.map((item) => item.key),
  );
  const spoken = domain === 'interpretation' || domain === 'communication';
  const item: DraftItem = {
    key,
    text: '',
    domain,
    kind: 'done',
    weight: 1,
    observability: spoken ? 'spoken' : 'seen',
    criticality: 'none',
    safety: false,
    saidEarns: spoken,
  };
  props.own.edit((draft) =>
    moveItem({ ...draft, items: [...draft.items, item] }, key, domain, null),
  );
  await focusOn(key, 'textarea');
}

/** Carries out what a finding offers; where only a person can, its place is opened. */
async function putRight(action: Mend) {
  if (action.do !== 'write') {
    props.own.putRight(action);
    return;
  }
  open.value = new Set([...open.value, action.item]);
  const place = {
    text: 'textarea',
    reason: '[data-part="reason"] input',
    answer: 'input[type="radio"], .cluster input',
  };
  await focusOn(action.item, place[action.part as keyof typeof place] ?? 'textarea');
}

const dropped = ({ key, list, before }: Dropped) =>
  props.own.edit((draft) => moveItem(draft, key, list as Domain, before));
</script>

<template>
  <div class="items">
    <div v-if="notes.has(null)" class="whole">
      <MarginNote
        v-for="finding in notes.get(null)"
        :key="finding.rule"
        :finding="finding"
        :left="own.left.value.has(finding.words)"
        :disabled="disabled"
        @mend="putRight(finding.mend)"
        @leave="(asItIs) => own.leave(finding.words, asItIs)"
      />
    </div>
    <PhaseItems
      v-for="phase in phases"
      :key="phase.domain"
      :domain="phase.domain"
      :title="titles.get(phase.domain) ?? phase.domain"
      :items="phase.items"
      :places="places"
      :notes="notes"
      :left="own.left.value"
      :open="open"
      :procedures="content.procedures"
      :disabled="disabled"
      @add="add(phase.domain)"
      @change="change"
      @step="step"
      @phase="toPhase"
      @toggle="toggle"
      @double="double"
      @remove="remove"
      @mend="putRight"
      @leave="own.leave"
      @dropped="dropped"
    />
  </div>
</template>

<style scoped>
.items {
  display: grid;
  gap: 14px;
}
.whole {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 8px 18px;
}
</style>
