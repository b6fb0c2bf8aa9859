<script setup lang="ts">
import { mdiDotsHorizontal } from '@mdi/js';

/** What can be done with a row of a table or a list, behind three dots; its items are the slot's. */
defineProps<{ label: string; disabled?: boolean }>();
</script>

<template>
  <v-menu>
    <template #activator="{ props: menu }">
      <v-btn
        v-bind="menu"
        :icon="mdiDotsHorizontal"
        variant="text"
        size="small"
        :disabled="disabled"
        :aria-label="label"
      />
    </template>
    <v-list density="compact"><slot /></v-list>
  </v-menu>
</template>
