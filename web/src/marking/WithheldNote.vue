<script setup lang="ts">
import { withheldWords } from '@kritikos/core/marking/withheldWords';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';

/** What the station's patient forbids, where the station is made for recognising it. */
defineProps<{ content: Pick<ChecklistContent, 'withheld'> }>();
</script>

<template>
  <p v-for="own in content.withheld ?? []" :key="own.procedure" class="withheld">
    {{ withheldWords(own) }}
  </p>
</template>

<style scoped>
.withheld {
  margin: 0;
  padding: 6px 10px;
  border-left: 4px solid var(--madder);
  background: rgba(var(--v-theme-primary), 0.06);
  font-weight: 600;
}
</style>
