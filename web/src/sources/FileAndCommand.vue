<script setup lang="ts">
import type { ExaminationFigure, StationFigure } from '@kritikos/contracts/sources';
import { mdiConsoleLine } from '@mdi/js';
import { ref } from 'vue';
import CommandDialog from './CommandDialog.vue';

/** Leads from a figure to the file and the command that give it again. */
defineProps<{
  /** What the figure is, for who cannot see where the button stands. */
  of: string;
  station?: { readonly id: string; readonly query: StationFigure };
  examination?: { readonly id: string; readonly query: ExaminationFigure };
}>();
const open = ref(false);
</script>

<template>
  <button
    class="source"
    type="button"
    :aria-label="`The file and the command behind ${of}`"
    title="The file and the command"
    @click="open = true"
  >
    <v-icon :icon="mdiConsoleLine" size="17" aria-hidden="true" />
  </button>
  <CommandDialog
    v-if="open"
    :of="of"
    :station="station"
    :examination="examination"
    @close="open = false"
  />
</template>

<style scoped>
.source {
  background: none;
  border: 0;
  padding: 3px;
  /* A link in a column of numbers reaches out to its right. */
  margin-left: 6px;
  min-width: 24px;
  min-height: 24px;
  line-height: 1;
  color: var(--soft);
  cursor: pointer;
  vertical-align: middle;
}
.source:hover {
  color: var(--petrol);
}
</style>
