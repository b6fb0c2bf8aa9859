<script setup lang="ts">
import { ref } from 'vue';
import { useTyped } from '../shell/useTyped.ts';

/** A number that may not be there yet; a comma is as good as a point. */
const value = defineModel<number | null>({ required: true });
defineProps<{ label: string; disabled?: boolean }>();

const { typed, write, left } = useTyped(() => (value.value === null ? '' : String(value.value)));
const wrong = ref('');

function parsed(text: string): number | null | undefined {
  if (text.trim() === '') return null;
  const number = Number(text.replace(',', '.'));
  return Number.isFinite(number) && Math.abs(number) <= 10_000 ? number : undefined;
}
function type(text: string) {
  write(text);
  const number = parsed(text);
  wrong.value = number === undefined ? 'is not a number' : '';
  if (number !== undefined) value.value = number;
}
</script>

<template>
  <v-text-field
    :model-value="typed"
    :label="label"
    inputmode="decimal"
    :disabled="disabled ?? false"
    :error-messages="wrong"
    @update:model-value="type"
    @blur="left"
  />
</template>
