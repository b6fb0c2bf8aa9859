<script setup lang="ts">
import { difference } from '@kritikos/core/checklists/difference';
import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import { computed } from 'vue';
import { itemWordsOf, sayChanges, sayPiece, sayValue } from './words.ts';

/** What one version says otherwise than another, item by item. */
const props = defineProps<{ before: DraftContent; after: DraftContent }>();
const found = computed(() => difference(props.before, props.after));
const items = computed(() => itemWordsOf(props.before, props.after));
const WORDS = { added: 'new', removed: 'taken out', moved: 'moved', changed: 'changed' };
</script>

<template>
  <p v-if="found.items.length === 0 && found.around.length === 0" class="soft">
    They say the same.
  </p>
  <ul v-else class="difference">
    <li v-for="item in found.items" :key="item.key + item.change" :class="item.change">
      <b>{{ WORDS[item.change] }}</b> “{{ item.text || 'no words yet' }}”
      <div v-for="line in sayChanges(item.parts)" :key="line" class="soft">{{ line }}</div>
    </li>
    <li v-for="part in found.around" :key="part" class="changed">
      <b>changed</b> {{ sayPiece(part).toLowerCase() }}
      <div class="soft">
        {{ sayValue(before[part], items) }} → {{ sayValue(after[part], items) }}
      </div>
    </li>
  </ul>
</template>

<style scoped>
.difference {
  list-style: none;
  padding: 0;
}
li {
  border-left: 3px solid var(--rule);
  padding: 3px 10px;
  margin: 4px 0;
}
.added {
  border-color: var(--petrol);
}
.removed {
  border-color: var(--madder);
}
b {
  font-weight: 600;
}
</style>
