<script setup lang="ts">
import type { DraftItem } from '@kritikos/core/checklists/draftChecklist';
import type { Finding, Mend } from '@kritikos/core/checklists/finding';
import type { Domain, ProcedureVariants } from '@kritikos/core/scoring/checklist';
import { computed, useTemplateRef } from 'vue';
import ItemRow from './ItemRow.vue';
import MarginNote from './MarginNote.vue';
import { useDragging } from './useDragging.ts';
import type { Dropped } from './useDragging.ts';

/** The items of one phase, each with what was found beside it. */
const props = defineProps<{
  domain: Domain;
  title: string;
  items: readonly DraftItem[];
  places: ReadonlyMap<string, number>;
  notes: ReadonlyMap<string | null, readonly Finding[]>;
  /** Words of findings that are left as they are. */
  left: ReadonlySet<string>;
  open: ReadonlySet<string>;
  procedures: readonly ProcedureVariants[];
  disabled: boolean;
}>();
const emit = defineEmits<{
  add: [];
  change: [item: DraftItem];
  step: [key: string, by: -1 | 1];
  phase: [key: string, domain: Domain];
  toggle: [key: string];
  double: [item: DraftItem];
  remove: [key: string];
  mend: [action: Mend];
  leave: [words: string, asItIs: boolean];
  dropped: [where: Dropped];
}>();

/** What was found of an item, as one word: as long as it is the same, its row stays as it is. */
const sign = (key: string) =>
  (props.notes.get(key) ?? [])
    .map(({ rule, words }) => `${rule} ${words} ${props.left.has(words)}`)
    .join();
const list = useTemplateRef<HTMLElement>('list');
useDragging(
  computed(() => (list.value && !props.disabled ? [list.value] : [])),
  'items',
  (where) => emit('dropped', where),
);
</script>

<template>
  <section>
    <div class="head">
      <h2>{{ title }}</h2>
      <button
        class="linkish"
        type="button"
        :disabled="disabled"
        :aria-label="`New item under ${title}`"
        @click="emit('add')"
      >
        + item
      </button>
      <span v-if="items.length > 0" class="soft weighs">weight</span>
    </div>
    <ol ref="list" :data-list="domain">
      <li
        v-for="item in items"
        :key="item.key"
        v-memo="[
          item,
          places.get(item.key),
          open.has(item.key),
          procedures,
          disabled,
          sign(item.key),
        ]"
        :data-key="item.key"
      >
        <div class="line">
          <ItemRow
            :item="item"
            :place="places.get(item.key) ?? 0"
            :procedures="procedures"
            :open="open.has(item.key)"
            :disabled="disabled"
            @change="(changed) => emit('change', changed)"
            @step="(by) => emit('step', item.key, by)"
            @phase="(to) => emit('phase', item.key, to)"
            @toggle="emit('toggle', item.key)"
            @double="emit('double', item)"
            @remove="emit('remove', item.key)"
          />
        </div>
        <div class="margin">
          <MarginNote
            v-for="finding in notes.get(item.key)"
            :key="finding.rule + finding.part"
            :finding="finding"
            :left="left.has(finding.words)"
            :disabled="disabled"
            @mend="emit('mend', finding.mend)"
            @leave="(asItIs) => emit('leave', finding.words, asItIs)"
          />
        </div>
      </li>
      <li v-if="items.length === 0" class="empty soft">Nothing here yet.</li>
    </ol>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: baseline;
  gap: 12px;
  border-bottom: 1.5px solid var(--ink);
}
.weighs {
  font-size: 0.8rem;
  margin-left: auto;
  margin-right: 508px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  min-height: 34px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 0 22px;
  padding: 2px 0;
  background: var(--sheet);
}
.empty {
  padding: 5px 8px;
}
.margin {
  display: grid;
  gap: 6px;
  align-content: start;
  padding: 5px 0;
}
.dragged {
  opacity: 0.4;
}
@media (max-width: 1000px) {
  .weighs {
    margin-right: 38px;
  }
  li {
    grid-template-columns: 1fr;
  }
  .margin {
    padding: 2px 0 8px 58px;
  }
  .margin:empty {
    display: none;
  }
}
</style>
