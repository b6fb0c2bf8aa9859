<script setup lang="ts">
import type { Finding } from '@kritikos/core/checklists/finding';
import { sayMend } from './words.ts';

/** What the reading along found, beside the place where it was found. */
defineProps<{
  finding: Finding;
  /** Whether somebody looked at it and left it as it is. */
  left: boolean;
  disabled: boolean;
}>();
defineEmits<{ mend: []; leave: [asItIs: boolean] }>();
</script>

<template>
  <div v-if="left" class="note left">
    <p>Left as it is: {{ finding.words }}</p>
    <button class="linkish" type="button" :disabled="disabled" @click="$emit('leave', false)">
      Look at it again
    </button>
  </div>
  <div v-else class="note" :data-rule="finding.rule">
    <p>
      <b>{{ finding.words }}</b> {{ finding.reason }}
    </p>
    <button class="linkish" type="button" :disabled="disabled" @click="$emit('mend')">
      {{ sayMend(finding.mend) }}
    </button>
    <button
      class="linkish leave"
      type="button"
      :disabled="disabled"
      :aria-label="`Leave as it is: ${finding.words}`"
      @click="$emit('leave', true)"
    >
      Leave it
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
.left {
  border-left-style: dashed;
}
.leave {
  margin-left: 10px;
  color: var(--soft);
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
