<script setup lang="ts">
/** A dialog with one thing to do: what it asks for in the middle, at its foot the way out and the act. */
withDefaults(
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
    /** The colour of the act; what takes something away is not the usual one. */
    color?: 'primary' | 'secondary';
  }>(),
  { away: 'Cancel', width: 480, problem: null, color: 'primary' },
);
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ act: [] }>();
</script>

<template>
  <v-dialog v-model="open" :max-width="width" scrollable>
    <v-card :title="title">
      <v-card-text class="d-grid ga-3 rows">
        <slot />
        <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="open = false">{{ away }}</v-btn>
        <v-btn
          :color="color"
          variant="flat"
          :disabled="disabled"
          :loading="busy"
          @click="emit('act')"
        >
          {{ act }}
        </v-btn>
      </v-card-actions>
    </v-card>
  </v-dialog>
</template>

<style scoped>
/* What is said in a box keeps its height; where there is too much, the dialog scrolls. */
.rows {
  grid-auto-rows: max-content;
}
</style>
