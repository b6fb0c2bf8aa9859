<script setup lang="ts">
import type { Finding } from '@kritikos/core/checklists/finding';
import { sayMend } from './words.ts';

/** What the reading along found, beside the place where it was found. */
defineProps<{ finding: Finding; disabled: boolean }>();
defineEmits<{ mend: [] }>();
</script>

<template>
  <div class="note" :data-rule="finding.rule">
    <p>
      <b>{{ finding.words }}</b> {{ finding.reason }}
    </p>
    <button class="linkish" type="button" :disabled="disabled" @click="$emit('mend')">
      {{ sayMend(finding.mend) }}
    </button>
  </div>
</template>

<style scoped>
.note {
  border-left: 3px solid var(--ochre);
  padding: 2px 0 2px 10px;
  font-size: 0.87rem;
  line-height: 1.3;
}
.note p {
  margin: 0;
  color: var(--soft);
}
.note b {
  color: var(--ink);
  font-weight: 600;
}
</style>
