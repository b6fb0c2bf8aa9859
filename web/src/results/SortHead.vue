<script setup lang="ts" generic="C extends string">
/** The head of a column that a table is ordered by: once upwards, once more downwards. */
const props = defineProps<{ column: C; by: { column: C; downwards: boolean } }>();
const emit = defineEmits<{ order: [by: { column: C; downwards: boolean }] }>();
const turn = () =>
  emit('order', {
    column: props.column,
    downwards: props.by.column === props.column && !props.by.downwards,
  });
</script>

<template>
  <th :aria-sort="by.column !== column ? 'none' : by.downwards ? 'descending' : 'ascending'">
    <button class="linkish" type="button" @click="turn">
      <slot /><span v-if="by.column === column" aria-hidden="true">{{
        by.downwards ? ' ↓' : ' ↑'
      }}</span>
    </button>
    <slot name="below" />
  </th>
</template>
