<script setup lang="ts">
import type { CountScale } from '@kritikos/core/scoring/checklist';

/** How often something was done: one tap a time, so that the eyes stay on the candidate. */
const props = defineProps<{
  scale: CountScale;
  name: string;
  value: number | null;
  locked: boolean;
}>();
const emit = defineEmits<{ set: [value: number] }>();

function count(by: 1 | -1) {
  const next = (props.value ?? 0) + by;
  emit('set', Math.min(props.scale.maximum, Math.max(0, next)));
}
</script>

<template>
  <div class="entry" role="group" :aria-label="name">
    <button type="button" :disabled="locked" aria-label="One less" @click="count(-1)">−</button>
    <output :aria-label="`${name}, ${scale.unit}`">
      <b>{{ value ?? '–' }}</b> <span class="unit">{{ scale.unit }}</span>
    </output>
    <button class="once" type="button" :disabled="locked" aria-label="One more" @click="count(1)">
      +1
    </button>
  </div>
</template>
