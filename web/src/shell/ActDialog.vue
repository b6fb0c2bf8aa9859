<script setup lang="ts">
import ModalDialog from './ModalDialog.vue';

/** A dialog with one thing to do: what it asks for in the middle, at its foot the way out and the act. */
const props = withDefaults(
  defineProps<{
    title: string;
    /** What the button that does it says. */
    act: string;
    /** What the button that leaves everything as it is says. */
    away?: string;
    width?: number;
    /** Why the act was refused, in words. */
    problem?: string | null;
    disabled?: boolean;
    busy?: boolean;
    /** Nothing is to be done, or it is done: there is the way out alone. */
    onlyAway?: boolean;
    /** The colour of the act; what takes something away is not the usual one. */
    color?: 'primary' | 'secondary';
  }>(),
  { away: 'Cancel', width: 480, problem: null, color: 'primary' },
);
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ act: [] }>();

/** By its button, or by Enter in a field of one line. */
function submit() {
  if (!props.disabled && !props.busy && !props.onlyAway) emit('act');
}
</script>

<template>
  <ModalDialog v-model="open" :max-width="width" scrollable>
    <v-card :title="title" tag="form" novalidate @submit.prevent="submit">
      <v-card-text class="d-grid ga-3 rows">
        <slot />
        <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="open = false">{{ away }}</v-btn>
        <v-btn
          v-if="!onlyAway"
          :color="color"
          variant="flat"
          type="submit"
          :disabled="disabled"
          :loading="busy"
        >
          {{ act }}
        </v-btn>
      </v-card-actions>
    </v-card>
  </ModalDialog>
</template>

<style scoped>
/* What is said in a box keeps its height; where there is too much, the dialog scrolls. */
.rows {
  grid-auto-rows: max-content;
  /* The label of a field stands on its upper edge, and would be cut off there. */
  padding-top: 8px;
}
</style>
