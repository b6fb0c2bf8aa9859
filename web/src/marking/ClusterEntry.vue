<script setup lang="ts">
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import type { SheetMark } from '@kritikos/contracts/marking';
import { computed } from 'vue';
import { namedOn, toggled } from './markChoices.ts';

/** The findings that the candidate put together; each is named or not. */
const props = defineProps<{
  item: Extract<ChecklistItem, { kind: 'cluster' }>;
  mark: SheetMark | undefined;
  locked: boolean;
}>();
const emit = defineEmits<{ set: [value: readonly string[]] }>();
const named = computed(() => namedOn(props.mark));
</script>

<template>
  <div class="choices findings" role="group" :aria-label="item.text">
    <button
      v-for="{ key, label } in item.options"
      :key="key"
      type="button"
      class="mark named"
      :class="{ set: named.includes(key) }"
      :aria-pressed="named.includes(key)"
      :disabled="locked"
      @click="emit('set', toggled(named, key))"
    >
      {{ label }}
    </button>
    <button
      type="button"
      class="mark named"
      :class="{ set: mark?.observation === 'observed' && named.length === 0 }"
      :aria-pressed="mark?.observation === 'observed' && named.length === 0"
      :disabled="locked"
      @click="emit('set', [])"
    >
      None
    </button>
  </div>
</template>

<style scoped>
.findings {
  flex-wrap: wrap;
}
</style>
