<script setup lang="ts">
import type { DraftContent, DraftItem } from '@kritikos/core/checklists/draftChecklist';
import { scalesOf } from '@kritikos/core/checklists/draftChecklist';
import { computed } from 'vue';
import { freeKey } from './freeKey.ts';
import type { WrittenDraft } from './useDraft.ts';

/** What hangs together: order, what does not apply, attempts, and which fault spoils which item. */
const props = defineProps<{ own: WrittenDraft; disabled: boolean }>();
const content = computed(() => props.own.content.value);
const items = computed(() =>
  content.value.items.map(({ key, text }) => ({ value: key, title: text || 'no words yet' })),
);
const edit = (part: Partial<DraftContent>) => props.own.edit((draft) => ({ ...draft, ...part }));
const replaced = <T,>(list: readonly T[], place: number, change: Partial<T>) =>
  list.map((one, i) => (i === place ? { ...one, ...change } : one));
const without = <T,>(list: readonly T[], place: number) => list.filter((_, i) => i !== place);

function addOrder() {
  const [first, second] = content.value.items;
  if (!first || !second) return;
  edit({ order: [...content.value.order, { earns: first.key, before: second.key }] });
}
/** Items whose marks a rule can ask for: those that hold one value. */
const askable = computed(() =>
  content.value.items.filter(({ kind }) =>
    ['done', 'graded', 'choice', 'count', 'hold'].includes(kind),
  ),
);
const askableItems = computed(() =>
  askable.value.map(({ key, text }) => ({ value: key, title: text || 'no words yet' })),
);
function valuesOf(key: string): { value: number | string; title: string }[] {
  const item = content.value.items.find((one) => one.key === key);
  const [scale] = item ? scalesOf(item) : [];
  switch (scale?.kind) {
    case 'done':
      return [
        { value: 1, title: 'Done' },
        { value: 0, title: 'Not done' },
      ];
    case 'graded':
      return scale.anchors.map((anchor, value) => ({ value, title: `${value}: ${anchor}` }));
    case 'choice':
      return scale.options.map(({ key: value, label: title }) => ({ value, title }));
    case 'count':
    case 'hold':
      return Array.from({ length: Math.min(61, (scale.maximum ?? 20) + 1) }, (_, value) => ({
        value,
        title: String(value),
      }));
    default:
      return [];
  }
}
function addBranch() {
  const [when] = askable.value;
  const skipped = content.value.items.find(({ key }) => key !== when?.key);
  const [value] = when ? valuesOf(when.key) : [];
  if (!when || !skipped || !value) return;
  edit({
    branches: [
      ...content.value.branches,
      { when: when.key, is: [value.value], skips: [skipped.key] },
    ],
  });
}
function setWhen(place: number, when: string) {
  const [value] = valuesOf(when);
  const skips = content.value.branches[place]?.skips.filter((key) => key !== when) ?? [];
  edit({
    branches: replaced(content.value.branches, place, {
      when,
      is: value ? [value.value] : [],
      skips,
    }),
  });
}

const spoilable = computed(() =>
  content.value.items
    .filter(({ kind }) => kind === 'done' || kind === 'graded')
    .map(({ key, text }) => ({ value: key, title: text || 'no words yet' })),
);
const gradesOf = (key: string) => {
  const item = content.value.items.find((one): one is DraftItem => one.key === key);
  const top = item?.kind === 'graded' ? item.anchors.length - 1 : 1;
  return Array.from({ length: Math.max(1, top) }, (_, value) => ({
    value,
    title: item?.kind === 'graded' ? `grade ${value}` : 'not done',
  }));
};
function addFault() {
  const item = spoilable.value[0]?.value;
  if (item === undefined) return;
  const key = freeKey(
    'fault',
    content.value.faults.map((fault) => fault.key),
  );
  edit({ faults: [...content.value.faults, { key, text: '', item, grade: 0 }] });
}
const COUNTS = [
  { value: 'last', title: 'The last one counts' },
  { value: 'best', title: 'The better one counts' },
] as const;
const ALLOWED = [
  { value: 1, title: 'One attempt' },
  { value: 2, title: 'Two attempts' },
  { value: 3, title: 'Three attempts' },
];
</script>

<template>
  <div class="tab">
    <section class="panel">
      <h2>Earns only before</h2>
      <p class="soft">
        Some acts are worth their mark only before another: the sag is looked for before the drawer.
        The sheet reads it from the times of the marks.
      </p>
      <div v-for="(rule, i) in content.order" :key="i" class="rule">
        <v-select
          :model-value="rule.earns"
          :items="items"
          label="This earns"
          :disabled="disabled"
          @update:model-value="
            (earns: string) => edit({ order: replaced(content.order, i, { earns }) })
          "
        />
        <v-select
          :model-value="rule.before"
          :items="items.filter(({ value }) => value !== rule.earns)"
          label="only before this"
          :disabled="disabled"
          @update:model-value="
            (before: string) => edit({ order: replaced(content.order, i, { before }) })
          "
        />
        <button
          class="linkish"
          type="button"
          :disabled="disabled"
          :aria-label="`Take order rule ${i + 1} out`"
          @click="edit({ order: without(content.order, i) })"
        >
          take out
        </button>
      </div>
      <v-btn size="small" :disabled="disabled || content.items.length < 2" @click="addOrder">
        New order rule
      </v-btn>
    </section>

    <section class="panel">
      <h2>Does not apply when</h2>
      <p class="soft">
        The straight-knee stage is positive, so the bent-knee stage is rightly left out: such items
        leave the total and the agreement.
      </p>
      <div v-for="(rule, i) in content.branches" :key="i" class="rule branch">
        <v-select
          :model-value="rule.when"
          :items="askableItems"
          label="When this item"
          :disabled="disabled"
          @update:model-value="(when: string) => setWhen(i, when)"
        />
        <v-select
          :model-value="[...rule.is]"
          :items="valuesOf(rule.when)"
          label="is marked"
          multiple
          :disabled="disabled"
          @update:model-value="
            (is: (number | string)[]) => edit({ branches: replaced(content.branches, i, { is }) })
          "
        />
        <v-select
          :model-value="[...rule.skips]"
          :items="items.filter(({ value }) => value !== rule.when)"
          label="these do not apply"
          multiple
          :disabled="disabled"
          @update:model-value="
            (skips: string[]) => edit({ branches: replaced(content.branches, i, { skips }) })
          "
        />
        <button
          class="linkish"
          type="button"
          :disabled="disabled"
          :aria-label="`Take rule ${i + 1} for what does not apply out`"
          @click="edit({ branches: without(content.branches, i) })"
        >
          take out
        </button>
      </div>
      <v-btn size="small" :disabled="disabled || askable.length === 0" @click="addBranch">
        New rule
      </v-btn>
    </section>

    <section class="panel">
      <h2>Attempts</h2>
      <div class="rule">
        <v-select
          :model-value="content.attempts.allowed"
          :items="ALLOWED"
          label="How often a candidate may begin"
          :disabled="disabled"
          @update:model-value="
            (allowed: number) => edit({ attempts: { ...content.attempts, allowed } })
          "
        />
        <v-select
          v-if="content.attempts.allowed > 1"
          :model-value="content.attempts.counts"
          :items="[...COUNTS]"
          label="Which one counts"
          :disabled="disabled"
          @update:model-value="
            (counts: 'last' | 'best') => edit({ attempts: { ...content.attempts, counts } })
          "
        />
      </div>
    </section>

    <section class="panel">
      <h2>Faults to be seen</h2>
      <p class="soft">A fault that is tapped marks the item that it spoils.</p>
      <div v-for="(fault, i) in content.faults" :key="fault.key" class="rule branch">
        <v-text-field
          :model-value="fault.text"
          label="What is seen"
          counter="60"
          :disabled="disabled"
          @update:model-value="
            (text: string) => edit({ faults: replaced(content.faults, i, { text }) })
          "
        />
        <v-select
          :model-value="fault.item"
          :items="spoilable"
          label="spoils"
          :disabled="disabled"
          @update:model-value="
            (item: string) => edit({ faults: replaced(content.faults, i, { item, grade: 0 }) })
          "
        />
        <v-select
          :model-value="fault.grade"
          :items="gradesOf(fault.item)"
          label="which then gets"
          :disabled="disabled"
          @update:model-value="
            (grade: number) => edit({ faults: replaced(content.faults, i, { grade }) })
          "
        />
        <button
          class="linkish"
          type="button"
          :disabled="disabled"
          :aria-label="`Take the fault ${fault.text} out`"
          @click="edit({ faults: without(content.faults, i) })"
        >
          take out
        </button>
      </div>
      <v-btn size="small" :disabled="disabled || spoilable.length === 0" @click="addFault">
        New fault
      </v-btn>
    </section>
  </div>
</template>

<style scoped>
.tab {
  display: grid;
  gap: 14px;
}
.rule {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 10px;
  align-items: center;
  margin: 8px 0;
}
.branch {
  grid-template-columns: 1fr 1fr 1fr auto;
}
@media (max-width: 1000px) {
  .rule,
  .branch {
    grid-template-columns: 1fr 1fr;
    padding-bottom: 8px;
    border-bottom: 1px solid var(--rule);
  }
}
</style>
