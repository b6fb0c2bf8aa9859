<script setup lang="ts">
import type { MeasuredItem } from '@kritikos/core/scoring/checklist';
import { computed, ref, watch } from 'vue';

const props = defineProps<{ item: MeasuredItem; value: number | null; locked: boolean }>();
const emit = defineEmits<{ set: [value: number] }>();

const typed = ref('');
watch(
  () => props.value,
  (value) => {
    typed.value = value === null ? '' : String(value);
  },
  { immediate: true },
);
const middle = computed(() => (props.item.lower + props.item.upper) / 2);

/** The first press of either button enters the middle of the band; the next ones step. */
function step(direction: 1 | -1) {
  const { step: by, minimum, maximum } = props.item;
  const start = Math.round(middle.value / by) * by;
  const next = props.value === null ? start : props.value + direction * by;
  emit('set', Math.min(maximum, Math.max(minimum, Math.round(next * 100) / 100)));
}

const wrong = ref(false);
function take() {
  const value = Number(typed.value.replace(',', '.'));
  wrong.value =
    typed.value !== '' &&
    !(Number.isFinite(value) && value >= props.item.minimum && value <= props.item.maximum);
  if (typed.value !== '' && !wrong.value && value !== props.value) emit('set', value);
}
</script>

<template>
  <div class="entry" role="group" :aria-labelledby="`item-${item.key}`">
    <button type="button" :disabled="locked" aria-label="Less" @click="step(-1)">−</button>
    <label>
      <input
        v-model="typed"
        inputmode="decimal"
        size="3"
        :disabled="locked"
        :aria-invalid="wrong"
        :aria-label="`${item.text}, in ${item.unit}`"
        :title="wrong ? `From ${item.minimum} to ${item.maximum} ${item.unit}` : ''"
        @change="take"
        @keydown.enter.prevent="take"
      />
      <span class="unit">{{ item.unit }}</span>
    </label>
    <button type="button" :disabled="locked" aria-label="More" @click="step(1)">+</button>
  </div>
</template>

<style scoped>
.entry {
  display: flex;
  flex: none;
  gap: 4px;
  align-items: center;
}
button {
  width: 48px;
  height: 48px;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.55);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font: 600 1.3rem var(--sans);
  cursor: pointer;
  touch-action: manipulation;
}
label {
  display: flex;
  align-items: baseline;
  border-bottom: 1.5px solid rgba(var(--v-theme-on-surface), 0.55);
  width: 64px;
}
input {
  width: 40px;
  min-height: 44px;
  text-align: right;
  font: 600 1.1rem var(--sans);
  font-variant-numeric: tabular-nums;
  color: var(--ink);
  background: transparent;
  border: 0;
}
input[aria-invalid='true'] {
  color: var(--madder);
  text-decoration: underline wavy;
}
.unit {
  color: var(--soft);
  padding-left: 3px;
}
</style>
