<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core';
import { ref, useTemplateRef } from 'vue';

/**
 * A table that may be wider than its place: it scrolls inside itself with its first column fixed,
 * also from the keyboard, so that no column is out of reach.
 */
defineProps<{ label: string }>();
const box = useTemplateRef<HTMLElement>('box');
const wider = ref(false);
useResizeObserver(box, ([entry]) => {
  const { scrollWidth, clientWidth } = entry?.target ?? { scrollWidth: 0, clientWidth: 0 };
  wider.value = scrollWidth > clientWidth + 1;
});
</script>

<template>
  <div
    ref="box"
    class="wide-table"
    role="region"
    :aria-label="label"
    :tabindex="wider ? 0 : undefined"
  >
    <slot />
  </div>
</template>

<style scoped>
.wide-table {
  overflow-x: auto;
  /* What is only spoken stands absolutely, and would make the page as wide as the table. */
  position: relative;
}
.wide-table :deep(.ledger tr > :first-child) {
  position: sticky;
  left: 0;
  z-index: 1;
  background: var(--sheet);
}
</style>
