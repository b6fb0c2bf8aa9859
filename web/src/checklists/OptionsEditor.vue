<script setup lang="ts">
import type { DraftItemOf, DraftScale } from '@kritikos/core/checklists/draftChecklist';
import { freeKey } from './freeKey.ts';

type ChoiceDraft = Extract<DraftScale, { kind: 'choice' }>;
/** The findings that can be declared, from under to over; which is right, and which earn half. */
const props = defineProps<{ scale: ChoiceDraft | DraftItemOf<'choice'>; disabled: boolean }>();
const emit = defineEmits<{ change: [part: Partial<ChoiceDraft>] }>();
const MOST = 8;
type Option = ChoiceDraft['options'][number];

const setOption = (key: string, part: Partial<Option>) =>
  emit('change', {
    options: props.scale.options.map((option) =>
      option.key === key ? { ...option, ...part } : option,
    ),
  });
function add() {
  const key = freeKey(
    'option',
    props.scale.options.map((option) => option.key),
  );
  const call = Math.max(-1, ...props.scale.options.map((option) => option.call ?? -1)) + 1;
  emit('change', { options: [...props.scale.options, { key, label: '', call }] });
}
function remove(key: string) {
  const { options, answer, partly } = props.scale;
  emit('change', {
    options: options.filter((option) => option.key !== key),
    answer: answer === key ? '' : answer,
    ...(partly ? { partly: partly.filter((one) => one !== key) } : {}),
  });
}
const isPartly = (key: string) => props.scale.partly?.includes(key) ?? false;
function togglePartly(key: string) {
  const others = (props.scale.partly ?? []).filter((one) => one !== key);
  emit('change', { partly: isPartly(key) ? others : [...others, key] });
}
function setAnswer(key: string) {
  emit('change', { answer: key, partly: (props.scale.partly ?? []).filter((one) => one !== key) });
}
const CALLS = [
  { value: null, title: 'outside the order' },
  ...[0, 1, 2, 3, 4, 5].map((value) => ({ value, title: `place ${value}` })),
];
</script>

<template>
  <table class="options">
    <thead>
      <tr>
        <th>Option</th>
        <th>From under to over</th>
        <th>Key</th>
        <th>Half</th>
        <th><span class="d-sr-only">Take out</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="option in scale.options" :key="option.key">
        <td>
          <v-text-field
            :model-value="option.label"
            :aria-label="`Option ${option.key}`"
            :disabled="disabled"
            @update:model-value="(label: string) => setOption(option.key, { label })"
          />
        </td>
        <td>
          <v-select
            :model-value="option.call"
            :items="CALLS"
            aria-labelledby=""
            :aria-label="`Place of ${option.label}`"
            :disabled="disabled"
            @update:model-value="(call: number | null) => setOption(option.key, { call })"
          />
        </td>
        <td>
          <input
            type="radio"
            :checked="scale.answer === option.key"
            :disabled="disabled"
            :aria-label="`${option.label} is right`"
            @change="setAnswer(option.key)"
          />
        </td>
        <td>
          <input
            type="checkbox"
            :checked="isPartly(option.key)"
            :disabled="disabled || scale.answer === option.key"
            :aria-label="`${option.label} earns half`"
            @change="togglePartly(option.key)"
          />
        </td>
        <td>
          <button
            class="linkish"
            type="button"
            :disabled="disabled"
            :aria-label="`Take ${option.label} out`"
            @click="remove(option.key)"
          >
            take out
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <div>
    <v-btn size="small" :disabled="disabled || scale.options.length >= MOST" @click="add">
      One option more
    </v-btn>
  </div>
</template>

<style scoped>
.options {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-size: 0.83rem;
  color: var(--soft);
  font-weight: 600;
}
td {
  padding: 3px 6px 3px 0;
}
td:nth-child(2) {
  width: 170px;
}
td:nth-child(3),
td:nth-child(4) {
  width: 46px;
}
input {
  width: 22px;
  height: 22px;
  accent-color: var(--petrol);
}
</style>
